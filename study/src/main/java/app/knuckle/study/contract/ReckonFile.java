package app.knuckle.study.contract;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Progress;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.anova.OneWay;
import app.knuckle.stats.anova.PartialTable;
import app.knuckle.stats.compare.Comparison;
import app.knuckle.stats.compare.Pair;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.stats.linear.Effect;
import app.knuckle.stats.unequal.UnequalSpread;
import app.knuckle.study.Refused;
import app.knuckle.study.design.Questions;
import app.knuckle.study.reckon.KnownTable;
import app.knuckle.study.reckon.Summaries;
import app.knuckle.study.table.Nearest;
import app.knuckle.study.words.Numerals;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.Arrays;
import java.util.List;
import java.util.Map;

/** Answers questions without records: JSON in, JSON out. */
public final class ReckonFile {

  private static final List<String> KINDS =
      List.of("from-summaries", "complete-table", "power", "sample-size");

  /** What each kind of question may give. */
  private static final Map<String, List<String>> GIVEN =
      Map.of(
          "from-summaries",
          List.of("levels", "n", "mean", "sd", "alpha", "procedures"),
          "complete-table",
          List.of("effect", "error", "total", "alpha"),
          "power",
          PowerQuestion.KEYS,
          "sample-size",
          PowerQuestion.KEYS);

  private ReckonFile() {}

  /**
   * Answers a question, or a list of questions.
   *
   * @param json {@code {"kind": ..., "given": {...}}}, or an array of such
   * @return the question with its answer, indented, ending in a line break
   * @throws Refused if it cannot be read or answered, naming the key
   */
  public static String answer(String json) {
    try {
      ObjectMapper mapper = new ObjectMapper();
      JsonNode question = JsonText.read("question", json);
      JsonNode answer;
      if (question.isArray()) {
        ArrayNode all = JsonNodeFactory.instance.arrayNode();
        question.forEach(one -> all.add(answer(one)));
        answer = all;
      } else {
        answer = answer(question);
      }
      return mapper.writerWithDefaultPrettyPrinter().writeValueAsString(answer) + "\n";
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("An answer cannot be written", e);
    }
  }

  /**
   * Answers a question.
   *
   * @param question the object
   * @return the question with its answer
   * @throws Refused if it cannot be answered, naming the key
   */
  public static ObjectNode answer(JsonNode question) {
    Keys keys = new Keys("question", List.of());
    keys.known(question, List.of("knuckle", "version", "kind", "given", "name", "expect"));
    String kind = keys.text(question, "kind");
    JsonNode given = question.path("given");
    if (!KINDS.contains(kind)) {
      throw keys.wrong(
          "kind", "there is no question '" + kind + "'", Nearest.suggestion(kind, KINDS));
    }
    ObjectNode node = JsonNodeFactory.instance.objectNode();
    Keys inside = new Keys("question", List.of("given"));
    inside.known(given, GIVEN.get(kind));
    node.put("knuckle", "reckoning").put("version", InquiryFile.VERSION).put("kind", kind);
    node.set("given", given);
    ObjectNode answer = node.putObject("answer");
    double alpha = inside.number(given, "alpha", Questions.USUAL_ALPHA);
    if (!(alpha > 0 && alpha < 1)) {
      throw inside.wrong("alpha", "the level does not lie between 0 and 1", "0.05 is usual");
    }
    switch (kind) {
      case "from-summaries" -> fromSummaries(answer, given, inside, alpha);
      case "complete-table" -> completeTable(answer, given, inside, alpha);
      case "power" -> new PowerQuestion(given, inside, alpha).power(answer);
      default -> new PowerQuestion(given, inside, alpha).sampleSize(answer);
    }
    return node;
  }

  static double[] numbers(JsonNode given, String key, Keys keys) {
    if (!given.path(key).isArray()) {
      throw keys.wrong(key, "a list of numbers is needed here", "");
    }
    double[] numbers = new double[given.get(key).size()];
    for (int i = 0; i < numbers.length; i++) {
      if (!given.get(key).get(i).isNumber()) {
        throw keys.wrong(key, "'" + given.get(key).get(i).asText() + "' is not a number", "");
      }
      numbers[i] = keys.sensible(key, given.get(key).get(i).asDouble());
    }
    return numbers;
  }

  static double needed(JsonNode given, String key, Keys keys) {
    double value = keys.amount(given, key, Double.NaN);
    if (Double.isNaN(value)) {
      throw keys.wrong(key, "a number is needed here", "");
    }
    return value;
  }

  private static void fromSummaries(ObjectNode node, JsonNode given, Keys keys, double alpha) {
    double[] n = numbers(given, "n", keys);
    double[] mean = numbers(given, "mean", keys);
    double[] sd = numbers(given, "sd", keys);
    List<String> levels = keys.texts(given, "levels");
    if (n.length < 2 || mean.length != n.length || sd.length != n.length) {
      throw keys.wrong("n", "n, mean and sd need one number a group, for two groups or more", "");
    }
    for (int g = 0; g < n.length; g++) {
      if (!(n[g] >= 1) || n[g] != Math.rint(n[g]) || !(sd[g] >= 0)) {
        throw keys.wrong("n", "group " + (g + 1) + " needs a whole n from 1 and an sd from 0", "");
      }
    }
    Summaries summaries =
        Summaries.of(Arrays.stream(n).mapToLong(x -> (long) x).toArray(), mean, sd, alpha);
    OneWay fit = summaries.fit();
    oneWay(node, fit);
    FindingsFile.put(node, "residualSd", fit.residualSd());
    node.put("grandMean", fit.grandMean());
    fTest(node.putObject("welchAnova"), summaries.welch());
    fTest(node.putObject("brownForsytheAnova"), summaries.brownForsythe());
    ArrayNode comparisons = node.putArray("comparisons");
    for (String key : keys.texts(given, "procedures")) {
      Comparison comparison = summaries.pairs(ofMeans(key, keys), Progress.NONE);
      comparison(comparisons.addObject().put("procedure", key), comparison, levels, n.length);
    }
  }

  /** A procedure for all pairs of means: of summaries no other can be answered. */
  private static Procedure ofMeans(String key, Keys keys) {
    List<Procedure> possible = Summaries.procedures();
    Procedure procedure =
        Procedure.of(key)
            .orElseThrow(
                () ->
                    keys.wrong(
                        "procedures",
                        "there is no procedure '" + key + "'",
                        Nearest.suggestion(key, possible.stream().map(Procedure::key).toList())));
    if (!possible.contains(procedure)) {
      throw keys.wrong(
          "procedures",
          procedure.isOnRanks()
              ? "'" + key + "' compares ranks, which cannot be known from summaries"
              : "'" + key + "' compares with a reference, not all pairs",
          "Use tukey for instance, or ask it of the records");
    }
    return procedure;
  }

  private static void oneWay(ObjectNode node, OneWay fit) {
    ArrayNode rows = node.putArray("rows");
    Effect e = fit.treatment();
    ObjectNode effect = rows.addObject().put("source", "treatment").put("df", e.df());
    effect.put("ss", e.ss()).put("ms", e.ms());
    FindingsFile.put(effect, "f", e.f());
    FindingsFile.put(effect, "p", e.p());
    FindingsFile.put(effect, "criticalF", e.criticalF());
    FindingsFile.put(effect, "etaSquared", e.etaSquared());
    FindingsFile.put(effect, "omegaSquared", e.omegaSquared());
    ObjectNode error =
        rows.addObject().put("source", "error").put("df", fit.errorDf()).put("ss", fit.errorSs());
    FindingsFile.put(error, "ms", fit.errorMs());
    rows.addObject()
        .put("source", "total")
        .put("df", fit.moments().total() - 1)
        .put("ss", fit.totalSs());
  }

  private static void fTest(ObjectNode node, UnequalSpread.FTest test) {
    node.put("df", test.df());
    FindingsFile.put(node, "f", test.f());
    FindingsFile.put(node, "errorDf", test.errorDf());
    FindingsFile.put(node, "p", test.p());
  }

  private static void comparison(
      ObjectNode node, Comparison comparison, List<String> levels, int groups) {
    ArrayNode rows = node.putArray("rows");
    for (Pair pair : comparison.pairs()) {
      ObjectNode row = rows.addObject();
      row.put("left", name(levels, pair.left())).put("right", name(levels, pair.right()));
      row.put("difference", pair.difference());
      FindingsFile.put(row, "se", pair.se());
      FindingsFile.put(row, "statistic", pair.statistic());
      FindingsFile.put(row, "p", pair.p());
      FindingsFile.put(row, "low", pair.low());
      FindingsFile.put(row, "high", pair.high());
      FindingsFile.differs(row, pair);
    }
    ObjectNode letters = node.putObject("letters");
    for (int g = 0; g < groups; g++) {
      String own = comparison.letters().of(g);
      letters.put(name(levels, g), own.isEmpty() ? null : own);
    }
  }

  private static String name(List<String> levels, int group) {
    return group < levels.size() ? levels.get(group) : "group " + (group + 1);
  }

  private static void completeTable(ObjectNode node, JsonNode given, Keys keys, double alpha) {
    JsonNode effect = given.path("effect");
    PartialTable table =
        PartialTable.complete(
            line(effect, keys),
            line(given.path("error"), keys),
            line(given.path("total"), keys),
            keys.amount(effect, "f", Double.NaN),
            alpha);
    List<KnownTable.Contradiction> exceeded = KnownTable.exceeded(table);
    if (!exceeded.isEmpty()) {
      throw keys.wrong(
          "total",
          "a part exceeds the total: the "
              + exceeded.get(0).entry().title()
              + " would be "
              + Numerals.plain(exceeded.get(0).follows())
              + " or more",
          "Check what was copied");
    }
    ObjectNode row = node.putObject("effect");
    write(row, table.effect(), true);
    FindingsFile.put(row, "f", table.f());
    FindingsFile.put(row, "p", table.p());
    FindingsFile.put(row, "criticalF", table.criticalF());
    write(node.putObject("error"), table.error(), true);
    write(node.putObject("total"), table.total(), false);
  }

  private static PartialTable.Line line(JsonNode node, Keys keys) {
    if (node.isMissingNode() || node.isNull()) {
      return PartialTable.Line.UNKNOWN;
    }
    keys.known(node, List.of("df", "ss", "ms", "f"));
    double df = keys.amount(node, "df", Double.NaN);
    double ss = keys.amount(node, "ss", Double.NaN);
    double ms = keys.amount(node, "ms", Double.NaN);
    double f = keys.amount(node, "f", Double.NaN);
    if (df <= 0 || ss < 0 || ms < 0 || f < 0) {
      throw keys.wrong(
          df <= 0 ? "df" : ss < 0 ? "ss" : ms < 0 ? "ms" : "f",
          "it cannot be below 0, nor df 0",
          "");
    }
    if (Math.abs(ss - df * ms) > ROUNDED * Math.max(ss, df * ms)) {
      throw keys.wrong("ms", "df, ss and ms of one line contradict each other", "Leave one out");
    }
    return new PartialTable.Line(df, ss, ms);
  }

  /** Printed tables are rounded: more than this share is no rounding. */
  private static final double ROUNDED = 0.1;

  private static void write(ObjectNode node, PartialTable.Line line, boolean ms) {
    Absence none = Absence.TOO_LITTLE_KNOWN;
    FindingsFile.put(node, "df", Quantity.finite(line.df(), none));
    FindingsFile.put(node, "ss", Quantity.finite(line.ss(), none));
    if (ms) {
      FindingsFile.put(node, "ms", Quantity.finite(line.ms(), none));
    }
  }
}
