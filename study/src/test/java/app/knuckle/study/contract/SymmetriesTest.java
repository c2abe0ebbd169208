package app.knuckle.study.contract;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.knuckle.stats.Progress;
import app.knuckle.study.Refused;
import app.knuckle.study.answers.Answering;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;

/**
 * What the findings of any inquiry must not depend on: the order of the records, and the unit,
 * origin and sign of what was measured. The seeds are fixed, so that a build can be repeated.
 */
class SymmetriesTest {

  private static final ObjectMapper JSON = new ObjectMapper();

  /** Sums in another order, or of other numbers, differ in their last digits. */
  private static final double ROUNDING = 1e-6;

  /** What says how sure one can be, on any scale. */
  private static final Set<String> SCALELESS = Set.of("p", "df", "differs");

  /** What a difference of nothing at all comes to in doubles. */
  private static final double ALMOST_NOTHING = 1e-9;

  /** What speaks of rows and units in the order of the records, or of the origin itself. */
  private static final Set<String> PLACED = Set.of("unitsLeftOut", "coefficients");

  /** Not above a median is not below it; ranges count tied means in the order of their levels. */
  private static final Set<String> NO_MIRROR = Set.of("mood-median", "newman-keuls", "duncan");

  private static final List<String> ANSWERS =
      List.of("tests", "means", "comparisons", "contrasts", "summaries");

  @Property(tries = 300, seed = "27182818")
  void theOrderOfTheRecords(@ForAll Random random) {
    AnyInquiry any = AnyInquiry.of(random);
    if (any.asked().path("method").asText().equals("permutation")) {
      return; // Arrangements are drawn by the places of the rows.
    }
    List<Integer> order = new ArrayList<>(IntStream.range(0, any.table().rows()).boxed().toList());
    Collections.shuffle(order, random);
    same(any, any.asked(), turned(any.table(), order), any.asked(), false);
  }

  @Property(tries = 150, seed = "18284590")
  void theUnitOfWhatWasMeasured(@ForAll Random random) {
    scaled(random, x -> 4 * x);
  }

  @Property(tries = 150, seed = "18284590")
  void theOriginOfWhatWasMeasured(@ForAll Random random) {
    scaled(random, x -> Math.rint((x + 8) * 1000) / 1000); // Ranks go by exact decimals.
  }

  @Property(tries = 150, seed = "18284590")
  void theSignOfWhatWasMeasured(@ForAll Random random) {
    scaled(random, x -> -x);
  }

  /** Levels are distinguished by what they are, never by how their names read side by side. */
  @Property(tries = 400, seed = "62353602")
  void theNamesOfTheLevels(@ForAll Random random) throws IOException {
    AnyInquiry any = AnyInquiry.of(random);
    Map<String, Map<String, String>> names = new HashMap<>();
    List<Column> columns = new ArrayList<>();
    for (Column column : any.table().columns()) {
      if (column instanceof Categories c) {
        List<String> plain =
            IntStream.range(0, c.levels().size()).mapToObj(l -> "L" + (char) ('a' + l)).toList();
        Map<String, String> own = new HashMap<>();
        IntStream.range(0, plain.size()).forEach(l -> own.put(c.levels().get(l), plain.get(l)));
        names.put(c.name(), own);
        int[] codes = IntStream.range(0, any.table().rows()).map(c::code).toArray();
        columns.add(new Categories(c.name(), c.unit(), codes, plain, c.ordered()));
      } else {
        columns.add(column);
      }
    }
    ObjectNode changed = any.asked().deepCopy();
    renamed(changed.path("reference"), names);
    for (JsonNode compare : changed.path("compare")) {
      compare.path("weights").forEach(w -> renamed(w.path("levels"), names));
    }
    Table table = new Table("tray", "tray.csv", columns, "");
    try {
      List<String> missed = values("", answers(any.table(), any.asked()));
      missed.removeAll(values("", answers(table, changed)));
      assertThat(missed).isEmpty();
    } catch (RuntimeException | AssertionError e) {
      throw new AssertionError(any.toString(), e);
    }
  }

  private static void renamed(JsonNode levels, Map<String, Map<String, String>> names) {
    if (levels instanceof ObjectNode node) {
      List<String> columns = new ArrayList<>();
      node.fieldNames().forEachRemaining(columns::add);
      for (String column : columns) {
        String old = node.path(column).asText();
        node.put(column, names.get(column).getOrDefault(old, old));
      }
    }
  }

  /** All that is no name of a level, in order: numbers, decisions, letters. */
  private static List<String> values(String path, JsonNode node) {
    List<String> values = new ArrayList<>();
    node.properties().forEach(e -> values.addAll(values(path + "." + e.getKey(), e.getValue())));
    for (int i = 0; node.isArray() && i < node.size(); i++) {
      values.addAll(values(path + "[" + i + "]", node.get(i)));
    }
    if (node.isNumber()
        || node.isBoolean()
        || node.isNull()
        || node.isTextual() && path.endsWith(".letters")) {
      values.add(path + " " + node);
    }
    return values;
  }

  /** Another order of the levels changes the order of what is listed, and signs. */
  @Property(tries = 400, seed = "62353602")
  void theOrderOfTheLevels(@ForAll Random random) throws IOException {
    AnyInquiry any = AnyInquiry.of(random);
    if (any.kind() == AnyInquiry.Kind.PERMUTATION
        || any.asked().path("withinUnit").asText().equals("first-order")) {
      return; // Arrangements are drawn by the places of the rows; occasions follow each other.
    }
    ObjectNode asked = any.asked().put("direction", "either");
    List<Column> columns = new ArrayList<>();
    for (Column column : any.table().columns()) {
      if (column instanceof Categories c) {
        List<String> levels = new ArrayList<>(c.levels());
        Collections.shuffle(levels, random);
        int[] codes =
            IntStream.range(0, any.table().rows())
                .map(r -> c.code(r) < 0 ? c.code(r) : levels.indexOf(c.levels().get(c.code(r))))
                .toArray();
        columns.add(new Categories(c.name(), c.unit(), codes, levels, c.ordered()));
      } else {
        columns.add(column);
      }
    }
    try {
      Map<String, Double> before = byLevels(answers(any.table(), asked));
      Map<String, Double> after =
          byLevels(answers(new Table("tray", "tray.csv", columns, ""), asked));
      assertThat(after.keySet()).isEqualTo(before.keySet());
      for (Map.Entry<String, Double> e : before.entrySet()) {
        assertThat(after.get(e.getKey()))
            .as(e.getKey())
            .isCloseTo(
                e.getValue(),
                within(ROUNDING * Math.max(1, Math.abs(e.getValue())) + ALMOST_NOTHING));
      }
    } catch (RuntimeException | AssertionError e) {
      throw new AssertionError(any.toString(), e);
    }
  }

  /** Values of tests by source, of means by levels, of pairs by both, whichever stands first. */
  private static Map<String, Double> byLevels(JsonNode answers) {
    Map<String, Double> values = new TreeMap<>();
    for (JsonNode test : answers.path("tests")) {
      for (JsonNode row : test.path("rows")) {
        String at = test.path("kind").asText() + " of " + row.path("source").asText();
        put(values, at, row, "df", "f", "chiSquared", "p");
      }
    }
    for (JsonNode means : answers.path("means")) {
      for (JsonNode row : means.path("rows")) {
        put(values, "mean " + sorted(row.path("levels")), row, "mean", "se", "df");
      }
    }
    for (JsonNode family : answers.path("comparisons")) {
      if (!NO_MIRROR.contains(family.path("procedure").asText())) {
        for (JsonNode row : family.path("rows")) {
          Set<String> both = new TreeSet<>();
          both.add(sorted(row.path("left")));
          both.add(sorted(row.path("right")));
          String at = family.path("procedure").asText() + sorted(family.path("within")) + both;
          put(values, at, row, "se", "p");
        }
      }
    }
    return values;
  }

  private static String sorted(JsonNode levels) {
    Map<String, String> sorted = new TreeMap<>();
    levels.properties().forEach(e -> sorted.put(e.getKey(), e.getValue().asText()));
    return sorted.toString();
  }

  private static void put(Map<String, Double> values, String at, JsonNode row, String... keys) {
    for (String key : keys) {
      if (row.path(key).isNumber()) {
        values.put(at + " " + key, row.path(key).doubleValue());
      }
    }
  }

  private static void scaled(Random random, DoubleUnaryOperator other) {
    AnyInquiry any = AnyInquiry.of(random);
    if (!any.kind().isMeasured()) {
      return; // A count has no other unit.
    }
    ObjectNode asked = any.asked().put("direction", "either");
    ObjectNode changed = asked.deepCopy();
    if (asked.has("expected")) {
      changed.put("expected", other.applyAsDouble(asked.path("expected").asDouble()));
    }
    List<Column> columns = new ArrayList<>();
    for (Column column : any.table().columns()) {
      boolean measured = asked.path("measured").toString().contains(column.name());
      columns.add(
          measured && column instanceof Numbers numbers
              ? new Numbers(
                  numbers.name(),
                  numbers.unit(),
                  java.util.Arrays.stream(numbers.values()).map(other).toArray())
              : column);
    }
    same(any, asked, new Table("tray", "tray.csv", columns, ""), changed, true);
  }

  private static Table turned(Table table, List<Integer> order) {
    List<Column> columns = new ArrayList<>();
    for (Column column : table.columns()) {
      if (column instanceof Categories c) {
        int[] codes = order.stream().mapToInt(c::code).toArray();
        columns.add(new Categories(c.name(), c.unit(), codes, c.levels(), c.ordered()));
      } else if (column instanceof Numbers n) {
        double[] values = order.stream().mapToDouble(row -> n.values()[row]).toArray();
        columns.add(new Numbers(n.name(), n.unit(), values));
      }
    }
    return new Table(table.name(), table.source(), columns, "");
  }

  private static void same(
      AnyInquiry any, ObjectNode asked, Table table, ObjectNode changed, boolean scaleless) {
    try {
      List<String> missed = new ArrayList<>();
      missed("", answers(any.table(), asked), answers(table, changed), scaleless, missed);
      assertThat(missed).isEmpty();
    } catch (IOException | RuntimeException | AssertionError e) {
      throw new AssertionError(any.toString(), e);
    }
  }

  /** The answers, or that there are none. */
  private static JsonNode answers(Table table, ObjectNode asked) throws IOException {
    try {
      Findings findings = Answering.of(table, InquiryFile.read(asked), Progress.NONE);
      ObjectNode all = (ObjectNode) JSON.readTree(FindingsFile.text(findings));
      all.retain(ANSWERS);
      return all;
    } catch (Refused e) {
      return JSON.createObjectNode().put("refused", true);
    }
  }

  private static void missed(
      String path, JsonNode one, JsonNode other, boolean scaleless, List<String> missed) {
    if (NO_MIRROR.contains(one.path("kind").asText() + one.path("procedure").asText())) {
      return;
    }
    if (one.isArray() && one.size() == other.size() || one.isObject() && other.isObject()) {
      Set<String> keys = new TreeSet<>();
      one.fieldNames().forEachRemaining(keys::add);
      other.fieldNames().forEachRemaining(keys::add);
      keys.removeAll(PLACED);
      keys.remove("why"); // A mean of 0 has no CV, and so a reason more than one of 8.
      for (String key : keys) {
        missed(path + "." + key, one.path(key), other.path(key), scaleless, missed);
      }
      for (int i = 0; one.isArray() && i < one.size(); i++) {
        missed(path + "[" + i + "]", one.get(i), other.path(i), scaleless, missed);
      }
      return;
    }
    String key = path.substring(path.lastIndexOf('.') + 1);
    boolean asked = !scaleless || one.isContainerNode() || SCALELESS.contains(key);
    boolean near =
        one.isNumber()
            ? Math.abs(one.asDouble() - other.asDouble(Double.NaN))
                <= ROUNDING * Math.abs(one.asDouble()) + ALMOST_NOTHING
            : one.equals(other);
    if (asked && !near) {
      missed.add(path + ": " + one + " and " + other);
    }
  }
}
