package app.knuckle.study.contract;

import app.knuckle.stats.Progress;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.Refused;
import app.knuckle.study.answers.Answering;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;

/**
 * A made table and something that is asked of it, sensible or not.
 *
 * @param table the records
 * @param asked an inquiry as the contract writes it
 */
public record AnyInquiry(Table table, ObjectNode asked) {

  private static final ObjectMapper JSON = new ObjectMapper();
  private static final List<String> NAMES = List.of("mesh", "density", "rack", "taster");
  private static final List<String> MEASURES = List.of("growth", "width", "start");
  private static final List<String> METHODS =
      List.of("least-squares", "least-squares", "unequal-spread", "ranks", "permutation");

  /**
   * Makes both.
   *
   * @param random where they come from
   * @return a table and a question
   */
  public static AnyInquiry of(Random random) {
    Table table = table(random);
    return new AnyInquiry(table, inquiry(random));
  }

  /**
   * The answer.
   *
   * @return empty where the question is refused
   */
  public Optional<Findings> answer() {
    return answer(asked -> asked);
  }

  /**
   * The answer to the question changed.
   *
   * @param change of the question
   * @return empty where it is refused
   */
  public Optional<Findings> answer(UnaryOperator<Inquiry> change) {
    try {
      Inquiry inquiry = change.apply(InquiryFile.read(asked));
      return Optional.of(Answering.of(table, inquiry, Progress.NONE));
    } catch (Refused e) {
      return Optional.empty();
    }
  }

  @Override
  public String toString() {
    StringBuilder text = new StringBuilder(asked + "\n");
    for (Column column : table.columns()) {
      text.append(column.name()).append(": ");
      IntStream.range(0, table.rows()).forEach(r -> text.append(column.text(r)).append(' '));
      text.append('\n');
    }
    return text.toString();
  }

  /** Up to 40 rows: full layouts, ragged ones, constants, ties and gaps. */
  private static Table table(Random random) {
    int rows = random.nextInt(5) == 0 ? random.nextInt(4) : 4 + random.nextInt(37);
    boolean full = random.nextBoolean();
    List<Column> columns = new ArrayList<>();
    int stride = 1;
    for (String name : NAMES) {
      int levels = 1 + random.nextInt(4);
      int[] codes = new int[rows];
      for (int r = 0; r < rows; r++) {
        codes[r] = full ? r / stride % levels : random.nextInt(levels);
        codes[r] = random.nextInt(40) == 0 ? Categories.MISSING : codes[r];
      }
      stride *= levels;
      List<String> texts = IntStream.range(0, levels).mapToObj(l -> name + l).toList();
      columns.add(new Categories(name, "", codes, texts, false));
    }
    for (String name : MEASURES) {
      int kind = random.nextInt(4);
      double[] values = new double[rows];
      for (int r = 0; r < rows; r++) {
        double value =
            switch (kind) {
              case 0 -> 7;
              case 1 -> random.nextInt(3);
              default -> 10 + random.nextGaussian();
            };
        values[r] = random.nextInt(20) == 0 ? Double.NaN : value;
      }
      columns.add(new Numbers(name, "mm", values));
    }
    return new Table("tray", "tray.csv", columns, "");
  }

  private static ObjectNode inquiry(Random random) {
    ObjectNode asked =
        JSON.createObjectNode().put("knuckle", "inquiry").put("version", 1).put("name", "any");
    List<String> names = new ArrayList<>(NAMES);
    Collections.shuffle(names, random);
    boolean together = random.nextInt(6) == 0;
    texts(asked, "measured", together ? List.of("growth", "width") : List.of("growth"));
    if (together) {
      asked.put("together", true);
    }
    List<String> treatments = names.subList(0, random.nextInt(3));
    texts(asked, "treatments", treatments);
    String other = names.get(2);
    switch (random.nextInt(7)) {
      case 5 -> {
        texts(asked, "blocks", List.of(other));
        texts(asked, "strips", treatments.subList(0, Math.min(1, treatments.size())));
      }
      case 0 -> texts(asked, "blocks", List.of(other));
      case 1 -> texts(asked, "blocks", List.of(other, names.get(3)));
      case 2 -> asked.put("pairs", other);
      case 3 -> {
        asked.put("unit", other);
        texts(asked, "occasions", treatments.subList(0, Math.min(1, treatments.size())));
      }
      case 4 -> {
        texts(asked, "blocks", List.of(other));
        texts(asked, "wholePlots", treatments.subList(0, Math.min(1, treatments.size())));
      }
      default -> {}
    }
    if (random.nextInt(3) == 0) {
      texts(asked, "covariates", List.of("start"));
    }
    if (treatments.isEmpty() && random.nextBoolean()) {
      asked.put("expected", 9.5);
    }
    asked.put("method", METHODS.get(random.nextInt(METHODS.size())));
    asked.put("terms", random.nextBoolean() ? "all" : "main");
    asked.put(
        "squares", List.of("after-all", "in-order", "after-its-peers").get(random.nextInt(3)));
    asked.put("direction", List.of("either", "greater", "less").get(random.nextInt(3)));
    if (!treatments.isEmpty() && random.nextInt(3) > 0) {
      compare(asked, treatments, random);
    }
    return asked;
  }

  private static void compare(ObjectNode asked, List<String> treatments, Random random) {
    String first = treatments.get(0);
    asked.putObject("reference").put(first, first + random.nextInt(3));
    ArrayNode all = asked.putArray("compare");
    List<String> keys = Arrays.stream(Procedure.values()).map(Procedure::key).toList();
    for (int c = 0; c <= random.nextInt(3); c++) {
      ObjectNode one = all.addObject();
      boolean whole = random.nextBoolean();
      texts(one, "of", whole ? treatments : List.of(first));
      switch (random.nextInt(5)) {
        case 0 -> one.put("trend", 1 + random.nextInt(3));
        case 1 -> {
          ArrayNode weights = one.put("name", "own").putArray("weights");
          for (int w = 0; w < 2; w++) {
            ObjectNode weight = weights.addObject().put("weight", 1 - 2 * w);
            ObjectNode levels = weight.putObject("levels");
            for (String t : whole ? treatments : List.of(first)) {
              levels.put(t, t + (t.equals(first) ? w : 0));
            }
          }
        }
        default -> {
          if (!whole && treatments.size() > 1 && random.nextBoolean()) {
            texts(one, "within", treatments.subList(1, 2));
          }
          one.put("against", random.nextInt(3) == 0 ? "reference" : "all-pairs");
          one.put("procedure", keys.get(random.nextInt(keys.size())));
        }
      }
    }
  }

  private static void texts(ObjectNode node, String key, List<String> values) {
    ArrayNode array = node.putArray(key);
    values.forEach(array::add);
  }
}
