package app.knuckle.study.contract;

import app.knuckle.stats.Quantity;
import app.knuckle.stats.compare.Comparison;
import app.knuckle.stats.compare.CriticalRange;
import app.knuckle.stats.compare.Pair;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.stats.linear.Effect;
import app.knuckle.stats.linear.OneWay;
import app.knuckle.stats.means.Estimates;
import app.knuckle.stats.summary.Summary;
import app.knuckle.study.design.DesignReading;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.GroupSummary;
import app.knuckle.study.findings.RecordsUsed;
import app.knuckle.study.findings.ResponseFindings;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;

/** Writes findings as JSON, every number so that it reads back as the same double. */
public final class FindingsFile {

  private FindingsFile() {}

  /**
   * The text of findings.json.
   *
   * @param findings what to write
   * @return indented JSON, ending in a line break
   */
  public static String text(Findings findings) {
    try {
      return new ObjectMapper().writerWithDefaultPrettyPrinter().writeValueAsString(write(findings))
          + "\n";
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("A tree of plain values can always be written", e);
    }
  }

  /**
   * Findings as an object.
   *
   * @param findings what to write
   * @return the object
   */
  public static ObjectNode write(Findings findings) {
    ObjectNode node = JsonNodeFactory.instance.objectNode();
    node.put("knuckle", "findings").put("version", InquiryFile.VERSION);
    node.set("inquiry", InquiryFile.write(findings.inquiry()));
    records(node.putObject("records"), findings.records());
    design(node.putObject("design"), findings.first().design());
    ArrayNode summaries = node.putArray("summaries");
    ArrayNode tests = node.putArray("tests");
    node.putArray("checks");
    ArrayNode means = node.putArray("means");
    ArrayNode comparisons = node.putArray("comparisons");
    node.putArray("contrasts");
    ObjectNode sentences = node.putObject("sentences");
    sentences.put("finding", findings.first().words().finding());
    ArrayNode results = sentences.putArray("results");
    ArrayNode rankings = sentences.putArray("ranking");
    for (ResponseFindings response : findings.responses()) {
      response.summaries().forEach(s -> summary(summaries.addObject(), response, s));
      test(tests.addObject(), response);
      if (response.fit() != null) {
        means(means.addObject(), response);
        response.comparisons().forEach(c -> comparison(comparisons.addObject(), response, c));
      }
      results.add(response.words().result());
      rankings.add(response.words().ranking());
    }
    return node;
  }

  private static void records(ObjectNode node, RecordsUsed records) {
    node.put("read", records.read()).put("inPlay", records.inPlay());
    ArrayNode left = node.putArray("leftOut");
    records.leftOut().forEach(l -> left.addObject().put("row", l.row()).put("why", l.why()));
  }

  private static void design(ObjectNode node, DesignReading design) {
    node.put("readsAs", design.readsAs());
    ArrayNode skeleton = node.putArray("skeleton");
    for (DesignReading.Source source : design.skeleton()) {
      ObjectNode row = skeleton.addObject().put("source", source.source()).put("df", source.df());
      row.put("against", source.against().isEmpty() ? null : source.against());
    }
    ArrayNode warnings = node.putArray("warnings");
    design.warnings().forEach(warnings::add);
  }

  private static void summary(ObjectNode node, ResponseFindings response, GroupSummary group) {
    node.put("measured", response.measured().name());
    ObjectNode levels = node.putObject("group");
    if (group.level() != null) {
      levels.put(response.groups().treatment().name(), group.level());
    }
    Summary s = group.summary();
    node.put("n", s.n()).put("missing", s.missing());
    put(node, "mean", s.mean());
    put(node, "sd", s.sd());
    put(node, "se", s.se());
    put(node, "variance", s.variance());
    put(node, "cvPercent", s.cvPercent());
    put(node, "min", s.min());
    put(node, "max", s.max());
    put(node, "range", s.range());
    put(node, "sum", s.sum());
    put(node, "median", s.median());
    put(node, "lowerQuartile", s.lowerQuartile());
    put(node, "upperQuartile", s.upperQuartile());
    put(node, "skewness", s.skewness());
    put(node, "kurtosis", s.kurtosis());
    put(node, "meanLow", s.meanLow());
    put(node, "meanHigh", s.meanHigh());
  }

  private static void test(ObjectNode node, ResponseFindings response) {
    node.put("measured", response.measured().name());
    node.put("kind", "analysis-of-variance").put("squares", "after-all");
    ArrayNode rows = node.putArray("rows");
    if (response.fit() == null) {
      node.putNull("fit").put("why", response.refusal().words());
      return;
    }
    OneWay fit = response.fit();
    String treatment = response.groups().treatment().name();
    effect(rows.addObject(), treatment, fit);
    ObjectNode error = rows.addObject().put("source", "error");
    error.putArray("term");
    error.put("df", fit.errorDf()).put("ss", fit.errorSs());
    put(error, "ms", fit.errorMs());
    ObjectNode total = rows.addObject().put("source", "total");
    total.putArray("term");
    total.put("df", fit.moments().total() - 1).put("ss", fit.totalSs());
    fit(node.putObject("fit"), fit);
    put(node, "epsilonSquared", fit.epsilonSquared());
    put(node, "cohenF", fit.cohenF());
    node.put("harmonicN", fit.harmonicN());
    put(node, "seOfMean", fit.seOfMean());
    put(node, "seOfDifference", fit.seOfDifference());
    put(node, "leastSignificantDifference", fit.leastSignificantDifference());
  }

  private static void effect(ObjectNode row, String treatment, OneWay fit) {
    Effect e = fit.treatment();
    row.put("source", treatment).putArray("term").add(treatment);
    row.put("df", e.df()).put("ss", e.ss()).put("ms", e.ms());
    put(row, "f", e.f());
    row.put("errorSource", "error").put("errorDf", fit.errorDf());
    put(row, "p", e.p());
    put(row, "criticalF", e.criticalF());
    put(row, "etaSquared", e.etaSquared());
    put(row, "partialEtaSquared", e.partialEtaSquared());
    put(row, "omegaSquared", e.omegaSquared());
    put(row, "partialOmegaSquared", e.partialOmegaSquared());
    put(row, "observedPower", e.observedPower());
  }

  private static void fit(ObjectNode node, OneWay fit) {
    node.put("n", fit.moments().total()).put("grandMean", fit.grandMean());
    put(node, "residualSd", fit.residualSd());
    put(node, "cvPercent", fit.cvPercent());
    put(node, "rSquared", fit.rSquared());
    put(node, "adjustedRSquared", fit.adjustedRSquared());
    put(node, "modelF", fit.treatment().f());
    put(node, "modelP", fit.treatment().p());
    node.put("modelDf", fit.treatment().df()).put("errorDf", fit.errorDf());
    node.put("rank", fit.moments().groups());
  }

  private static void means(ObjectNode node, ResponseFindings response) {
    String treatment = response.groups().treatment().name();
    node.put("measured", response.measured().name()).putArray("of").add(treatment);
    node.putArray("within");
    node.putObject("adjustedAt");
    ArrayNode rows = node.putArray("rows");
    Estimates means = response.estimates();
    for (int i = 0; i < means.size(); i++) {
      ObjectNode row = rows.addObject();
      row.putObject("levels").put(treatment, response.groups().levels().get(i));
      double mean = means.mean(i);
      row.put("n", means.count(i)).put("mean", mean);
      put(row, "se", means.se(i));
      put(row, "df", means.df(i));
      Quantity half = means.halfWidth(i, response.fit().alpha());
      put(row, "low", half.map(h -> mean - h));
      put(row, "high", half.map(h -> mean + h));
      int index = i;
      response.comparison().ifPresent(c -> row.put("letters", c.letters().of(index)));
    }
    boolean balanced = means.size() > 1 && sameCounts(means);
    Quantity own = Quantity.absent("pairs have standard errors of their own");
    OneWay fit = response.fit();
    put(node, "seOfDifference", balanced ? fit.seOfDifference() : own);
    put(node, "leastSignificantDifference", balanced ? fit.leastSignificantDifference() : own);
  }

  private static boolean sameCounts(Estimates means) {
    for (int i = 1; i < means.size(); i++) {
      if (means.count(i) != means.count(0)) {
        return false;
      }
    }
    return true;
  }

  private static void comparison(
      ObjectNode node, ResponseFindings response, Comparison comparison) {
    String treatment = response.groups().treatment().name();
    node.put("measured", response.measured().name()).putArray("of").add(treatment);
    node.putObject("within");
    node.put("against", "all-pairs").put("procedure", comparison.procedure().key());
    put(node, "criticalValue", comparison.criticalValue());
    put(node, "criticalRange", comparison.criticalRange());
    if (comparison.procedure() == Procedure.SCHEFFE) {
      node.put("scheffeDf", response.groups().size() - 1);
    }
    put(node, "criticalDifference", comparison.criticalDifference());
    if (!comparison.criticalRanges().isEmpty()) {
      ArrayNode ranges = node.putArray("criticalRanges");
      for (CriticalRange range : comparison.criticalRanges()) {
        ObjectNode row = ranges.addObject().put("means", range.means()).put("q", range.q());
        put(row, "difference", range.difference());
      }
    }
    ArrayNode rows = node.putArray("rows");
    for (Pair pair : comparison.pairs()) {
      ObjectNode row = rows.addObject();
      row.putObject("left").put(treatment, response.groups().levels().get(pair.left()));
      row.putObject("right").put(treatment, response.groups().levels().get(pair.right()));
      row.put("difference", pair.difference());
      put(row, "se", pair.se());
      put(row, "df", pair.df());
      put(row, "statistic", pair.statistic());
      put(row, "p", pair.p());
      put(row, "low", pair.low());
      put(row, "high", pair.high());
      row.put("differs", pair.differs());
    }
    ArrayNode letters = node.putArray("letters");
    for (int i = 0; i < response.groups().size(); i++) {
      ObjectNode row = letters.addObject();
      row.putObject("levels").put(treatment, response.groups().levels().get(i));
      row.put("letters", comparison.letters().of(i));
    }
  }

  /** A number, or null with the reason in its object. */
  private static void put(ObjectNode node, String key, Quantity quantity) {
    if (quantity.exists()) {
      node.put(key, quantity.value());
    } else {
      node.putNull(key);
      if (!node.has("why")) {
        node.put("why", quantity.why());
      }
    }
  }
}
