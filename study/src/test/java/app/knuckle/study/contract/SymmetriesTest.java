package app.knuckle.study.contract;

import static org.assertj.core.api.Assertions.assertThat;

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
import java.util.List;
import java.util.Random;
import java.util.Set;
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

  @Property(tries = 150, seed = "45235360")
  void theOriginOfWhatWasMeasured(@ForAll Random random) {
    scaled(random, x -> x + 8);
  }

  @Property(tries = 150, seed = "28747135")
  void theSignOfWhatWasMeasured(@ForAll Random random) {
    scaled(random, x -> -x);
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
    if (one.isContainerNode() && one.size() == other.size()) {
      one.properties()
          .forEach(
              e -> {
                if (!PLACED.contains(e.getKey())) {
                  String own = path + "." + e.getKey();
                  missed(own, e.getValue(), other.path(e.getKey()), scaleless, missed);
                }
              });
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
            : one.equals(other) || key.equals("why");
    if (asked && !near) {
      missed.add(path + ": " + one + " and " + other);
    }
  }
}
