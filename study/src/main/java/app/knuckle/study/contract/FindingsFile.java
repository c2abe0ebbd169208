package app.knuckle.study.contract;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.anova.PowerTransformation;
import app.knuckle.stats.compare.AgainstReference;
import app.knuckle.stats.compare.Comparison;
import app.knuckle.stats.compare.CriticalRange;
import app.knuckle.stats.compare.Pair;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.stats.compare.StudentT;
import app.knuckle.stats.counts.CountIntervals;
import app.knuckle.stats.linear.Residuals;
import app.knuckle.stats.means.DegreesOfFreedom;
import app.knuckle.stats.means.LinkScale;
import app.knuckle.stats.summary.Summary;
import app.knuckle.study.cells.CountSummary;
import app.knuckle.study.cells.GroupSummary;
import app.knuckle.study.design.Compare;
import app.knuckle.study.design.DesignReading;
import app.knuckle.study.findings.CheckResult;
import app.knuckle.study.findings.CheckTest;
import app.knuckle.study.findings.CheckedOn;
import app.knuckle.study.findings.ComparisonResult;
import app.knuckle.study.findings.ContrastResult;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.GroupCheck;
import app.knuckle.study.findings.MeansResult;
import app.knuckle.study.findings.RankComparison;
import app.knuckle.study.findings.RecordsUsed;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.findings.Results;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.words.Phrases;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import java.util.Map;

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
    ArrayNode checks = node.putArray("checks");
    ArrayNode means = node.putArray("means");
    ArrayNode comparisons = node.putArray("comparisons");
    ArrayNode contrasts = node.putArray("contrasts");
    ObjectNode sentences = node.putObject("sentences");
    sentences.put("finding", findings.finding());
    ArrayNode results = sentences.putArray("results");
    ArrayNode rankings = sentences.putArray("ranking");
    findings.together().tests().forEach(t -> TestFile.write(t, null, tests));
    findings.associations().ifPresent(how -> OutcomeFile.write(node, how));
    findings.together().groupChecks().forEach(c -> check(checks.addObject(), c, null));
    findings.together().checks().forEach(c -> check(checks.addObject(), c, null));
    for (ResponseFindings response : findings.responses()) {
      String measured = response.measured().name();
      response.summaries().forEach(s -> summary(summaries.addObject(), response, s));
      if (!response.analysed().equals(response.summaries())) {
        ArrayNode analysed = node.withArray("analysed");
        response.analysed().forEach(s -> summary(analysed.addObject(), response, s));
      }
      if (response.refusal() != null) {
        ObjectNode test = tests.addObject().put("measured", measured);
        test.put("kind", RefusedKind.of(findings.inquiry())).putNull("fit");
        test.put("why", response.refusal().words());
      }
      Results analysis = response.results();
      analysis.tests().forEach(t -> TestFile.write(t, measured, tests));
      analysis.checks().forEach(c -> check(checks.addObject(), c, measured));
      LinkScale scale = analysis.scale();
      analysis.means().forEach(m -> means(means.addObject(), m, measured, scale));
      analysis.comparisons().forEach(c -> comparison(comparisons.addObject(), c, measured, scale));
      analysis.groupChecks().forEach(c -> check(checks.addObject(), c, measured));
      analysis.residuals().ifPresent(left -> residuals(node, left, measured, findings.frame()));
      analysis.rankComparisons().forEach(c -> ranks(comparisons.addObject(), c, measured));
      analysis.contrasts().forEach(c -> contrast(contrasts.addObject(), c, measured, scale));
      results.add(response.words().result());
      if (!response.words().ranking().isBlank()) {
        rankings.add(response.words().ranking());
      }
      if (!node.has("powerTransformation")) {
        analysis
            .checked()
            .powerTransformation()
            .ifPresent(found -> transformation(node, found, measured));
      }
    }
    return node;
  }

  private static void residuals(ObjectNode node, Residuals left, String measured, Frame frame) {
    ArrayNode rows =
        node.withArray("residuals").addObject().put("measured", measured).putArray("rows");
    for (int i = 0; i < left.rows().length; i++) {
      ObjectNode row = rows.addObject().put("row", frame.sourceRow(left.rows()[i]) + 1);
      row.put("fitted", left.fitted()[i]).put("residual", left.residuals()[i]);
      if (left.counts() != null) {
        row.put("pearson", left.counts().pearson()[i]);
        row.put("deviance", left.counts().deviance()[i]);
      }
      if (left.marginal() != null) {
        row.put("marginal", left.marginal()[i]);
      } else {
        row.put("leverage", left.leverages()[i]);
      }
      if (Double.isNaN(left.studentised()[i])) {
        row.putNull("studentised")
            .put(
                "why",
                left.leverages()[i] > Residuals.ALL_ITS_OWN
                    ? "the row has its fitted value to itself"
                    : "without the row nothing is left to hold it against");
      } else {
        row.put("studentised", left.studentised()[i]);
      }
    }
  }

  private static void transformation(ObjectNode node, PowerTransformation t, String measured) {
    ObjectNode own = node.putObject("powerTransformation").put("measured", measured);
    own.put("lambda", t.lambda()).put("logLikelihood", t.logLikelihood());
    put(own, "low", t.low());
    put(own, "high", t.high());
    ArrayNode profile = own.putArray("profile");
    for (PowerTransformation.Point point : t.profile()) {
      profile.addObject().put("lambda", point.lambda()).put("logLikelihood", point.logLikelihood());
    }
  }

  private static void check(ObjectNode node, GroupCheck check, String measured) {
    if (measured != null) {
      node.put("measured", measured);
    }
    about(node, check.test());
    if (check.on() instanceof CheckedOn.Group group) {
      levels(node.putObject("on"), group.levels());
    } else if (check.on() != CheckedOn.Whole.COUNTS) {
      node.put("on", check.on().key());
    }
    OutcomeFile.write(node, check.numbers());
    check.adjusted().ifPresent(adjusted -> OutcomeFile.write(node, adjusted));
    check.units().ifPresent(units -> OutcomeFile.write(node, units));
    judgement(node, check.judgement());
    node.put("words", check.words());
  }

  private static void about(ObjectNode node, CheckTest test) {
    node.put("about", test.about().key()).put("test", test.key());
  }

  private static void judgement(ObjectNode node, CheckResult.Judgement judgement) {
    node.put("judgement", judgement == CheckResult.Judgement.CANNOT_TELL ? null : judgement.key());
  }

  /** Whether a pair differs; null if it could not be judged. */
  static void differs(ObjectNode row, Pair pair) {
    row.put("differs", pair.isJudged() ? Boolean.valueOf(pair.differs()) : null);
  }

  /** Letters of a mean; null, and why, if none of its pairs could be judged. */
  private static void letters(ObjectNode row, String letters) {
    row.put("letters", letters.isEmpty() ? null : letters);
    if (letters.isEmpty() && !row.has("why")) {
      row.put("why", "none of its pairs could be judged");
    }
  }

  private static void ranks(ObjectNode node, RankComparison c, String measured) {
    node.put("measured", measured);
    node.set("of", InquiryFile.texts(c.of()));
    node.putObject("within");
    node.put("against", c.toReference() ? "reference" : "all-pairs");
    node.put("procedure", c.pairs().procedure().key());
    put(node, "criticalDifference", c.pairs().criticalDifference());
    ArrayNode rows = node.putArray("rows");
    for (int i = 0; i < c.pairs().pairs().size(); i++) {
      Pair pair = c.pairs().pairs().get(i);
      ObjectNode row = pair(rows, pair, c.labels());
      OutcomeFile.write(row, c.pairs().more().get(i));
      differs(row, pair);
    }
    if (c.pairs().letters() != null) {
      ArrayNode letters = node.putArray("letters");
      for (int i = 0; i < c.labels().size(); i++) {
        ObjectNode row = letters.addObject();
        levels(row.putObject("levels"), c.labels().get(i));
        letters(row, c.pairs().letters().of(i));
      }
    }
  }

  private static void check(ObjectNode node, CheckResult check, String measured) {
    if (measured == null) {
      node.set("measured", InquiryFile.texts(check.measured()));
    } else {
      node.put("measured", measured);
    }
    about(node, check.test());
    if (!check.covariate().isEmpty()) {
      node.put("covariate", check.covariate());
    }
    put(node, "statistic", check.statistic());
    ArrayNode df = node.putArray("df");
    check.df().forEach(df::add);
    put(node, "p", check.p());
    check.more().forEach((key, value) -> put(node, key, value));
    check
        .lists()
        .forEach(
            (key, values) -> {
              ArrayNode list = node.putArray(key);
              values.forEach(
                  v -> {
                    if (Double.isNaN(v)) {
                      list.addNull();
                    } else {
                      list.add(v);
                    }
                  });
            });
    judgement(node, check.judgement());
    node.put("words", check.words());
  }

  private static void records(ObjectNode node, RecordsUsed records) {
    node.put("read", records.read()).put("inPlay", records.inPlay());
    ArrayNode left = node.putArray("leftOut");
    records.leftOut().forEach(l -> left.addObject().put("row", l.row()).put("why", l.why()));
  }

  private static void design(ObjectNode node, DesignReading design) {
    // Plain letters, as scripts have always read it.
    node.put("readsAs", design.readsAs().replace('\u00d7', 'x'));
    skeleton(node, design);
    ArrayNode warnings = node.putArray("warnings");
    design.warnings().forEach(warnings::add);
  }

  /** The sources of variation with their degrees of freedom. */
  static void skeleton(ObjectNode node, DesignReading design) {
    ArrayNode skeleton = node.putArray("skeleton");
    for (DesignReading.Source source : design.skeleton()) {
      ObjectNode row = skeleton.addObject().put("source", source.source());
      row.put(source.random() ? "levels" : "df", source.random() ? source.levels() : source.df());
      row.put("against", source.against().isEmpty() ? null : source.against());
    }
  }

  private static void counted(ObjectNode node, CountSummary counted) {
    double total = counted.total();
    double size = counted.size();
    if (!(size > 0)) {
      return;
    }
    if (counted.proportions()) {
      CountIntervals wilson = CountIntervals.wilson(total, size, counted.alpha());
      CountIntervals exact = CountIntervals.exact(total, size, counted.alpha());
      node.put("tried", size).put("proportion", total / size);
      node.put("proportionLow", wilson.low()).put("proportionHigh", wilson.high());
      node.put("exactLow", exact.low()).put("exactHigh", exact.high());
    } else {
      CountIntervals garwood = CountIntervals.garwood(total, counted.alpha());
      node.put("exposure", size).put("rate", total / size);
      node.put("rateLow", garwood.low() / size).put("rateHigh", garwood.high() / size);
    }
  }

  private static void summary(ObjectNode node, ResponseFindings response, GroupSummary group) {
    node.put("measured", response.measured().name());
    levels(node.putObject("group"), group.levels());
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
    group.counted().ifPresent(counted -> counted(node, counted));
  }

  private static void means(ObjectNode node, MeansResult means, String measured, LinkScale scale) {
    node.put("measured", measured);
    node.set("of", InquiryFile.texts(means.of()));
    node.set("within", InquiryFile.texts(means.within()));
    if (!means.adjustedAt().isEmpty()) {
      ObjectNode at = node.putObject("adjustedAt");
      means.adjustedAt().forEach(at::put);
    }
    ArrayNode rows = node.putArray("rows");
    for (MeansResult.Row row : means.rows()) {
      ObjectNode one = rows.addObject();
      levels(one.putObject("levels"), row.levels());
      one.put("n", row.n());
      put(one, "mean", row.mean());
      put(one, "se", row.se());
      put(one, "df", row.df());
      put(one, "low", row.low());
      put(one, "high", row.high());
      if (scale != LinkScale.IDENTITY) {
        put(one, "linkMean", row.mean().map(scale::link));
        put(
            one,
            "linkSe",
            row.mean().exists()
                ? row.se().map(se -> se / scale.slope(scale.link(row.mean().value())))
                : row.mean());
      }
      if (row.letters() != null) {
        letters(one, row.letters());
      }
    }
    put(node, "seOfDifference", means.seOfDifference());
    put(node, "leastSignificantDifference", means.leastSignificantDifference());
  }

  private static void comparison(
      ObjectNode node, ComparisonResult c, String measured, LinkScale scale) {
    node.put("measured", measured);
    node.set("of", InquiryFile.texts(c.of()));
    levels(node.putObject("within"), c.within());
    List<Double> pErrors = List.of();
    if (c.compared() instanceof ComparisonResult.EachWithReference own) {
      pErrors = own.comparison().pErrors();
      node.put("against", "reference").put("procedure", c.procedure().key());
      reference(node, own.comparison());
    } else {
      node.put("against", "all-pairs").put("procedure", c.procedure().key());
    }
    c.allPairs().ifPresent(all -> critical(node, all, c.labels().size()));
    boolean own = c.procedure().hasOwnSpreads();
    ArrayNode rows = node.putArray("rows");
    List<Pair> pairs = c.pairs();
    for (int i = 0; i < pairs.size(); i++) {
      Pair pair = pairs.get(i);
      ObjectNode row = pair(rows, pair, c.labels());
      if (!pErrors.isEmpty() && pair.isJudged()) {
        row.put("pError", pErrors.get(i));
      }
      put(row, "low", pair.low());
      put(row, "high", pair.high());
      if (scale != LinkScale.IDENTITY) {
        put(row, "ratio", Quantity.of(pair.difference()).exponential());
        put(row, "ratioLow", pair.low().exponential());
        put(row, "ratioHigh", pair.high().exponential());
      }
      if (own) {
        put(row, "criticalValue", pair.critical());
        put(
            row,
            "criticalDifference",
            pair.critical().exists()
                ? pair.se().map(s -> s * pair.critical().value())
                : pair.critical());
      }
      differs(row, pair);
    }
    c.merged().forEach(merged -> merged(rows.addObject(), merged));
    if (scale != LinkScale.IDENTITY) {
      node.put("effect", scale.effect());
    }
    if (c.allPairs().isPresent()) {
      ArrayNode letters = node.putArray("letters");
      for (int i = 0; i < c.labels().size(); i++) {
        ObjectNode row = letters.addObject();
        levels(row.putObject("levels"), c.labels().get(i));
        letters(row, c.allPairs().get().letters().of(i));
      }
    }
  }

  /** Two groups of which one has no mean. */
  private static void merged(ObjectNode row, ComparisonResult.Merged merged) {
    levels(row.putObject("left"), merged.left());
    levels(row.putObject("right"), merged.right());
    row.put("effect", "merged").putNull("difference").putNull("se").putNull("df");
    put(row, "statistic", merged.drop().statistic());
    put(row, "p", merged.p());
    row.putNull("low").putNull("high");
    row.put("differs", merged.p().exists() ? Boolean.valueOf(merged.differs()) : null);
    if (!row.has("why")) {
      row.put("why", "one of the two has no mean: judged by making them one");
    }
  }

  private static void reference(ObjectNode node, AgainstReference r) {
    node.put("direction", r.direction().key());
    put(node, "criticalValue", r.criticalValue());
    ArrayNode correlations = node.putArray("correlations");
    for (List<Double> row : r.correlations()) {
      ArrayNode one = correlations.addArray();
      row.forEach(one::add);
    }
    put(node, "criticalDifference", r.criticalDifference());
  }

  private static void critical(ObjectNode node, Comparison comparison, int means) {
    put(node, "criticalValue", comparison.criticalValue());
    put(node, "criticalRange", comparison.criticalRange());
    if (comparison.procedure() == Procedure.SCHEFFE) {
      node.put("scheffeDf", means - 1);
    }
    put(node, "criticalDifference", comparison.criticalDifference());
    if (!comparison.criticalRanges().isEmpty()) {
      ArrayNode ranges = node.putArray("criticalRanges");
      for (CriticalRange range : comparison.criticalRanges()) {
        ObjectNode row = ranges.addObject().put("means", range.means()).put("q", range.q());
        put(row, "difference", range.difference());
      }
    }
  }

  private static void contrast(
      ObjectNode node, ContrastResult c, String measured, LinkScale scale) {
    node.put("measured", measured).put("name", c.name());
    node.set("of", InquiryFile.texts(c.of()));
    if (c.procedure() == Procedure.SCHEFFE) {
      node.put("procedure", c.procedure().key()).put("scheffeDf", c.family());
    } else if (c.procedure() == Procedure.BONFERRONI) {
      node.put("procedure", c.procedure().key()).put("family", c.family());
    }
    if (c.degree() > 0) {
      node.put("degree", c.degree());
    }
    ArrayNode weights = node.putArray("weights");
    for (Compare.Weight w : c.weights()) {
      ObjectNode one = weights.addObject();
      levels(one.putObject("levels"), w.levels());
      one.put("weight", w.weight());
    }
    if (c.contrast() == null) {
      for (String key : List.of("estimate", "se", "df", "t", "p", "low", "high", "ss", "f")) {
        node.putNull(key);
      }
      node.put("why", Phrases.why(c.why()));
      return;
    }
    StudentT t = c.contrast().test();
    node.put("estimate", t.estimate());
    put(node, "se", t.se());
    put(node, "df", t.df());
    put(node, "t", t.statistic());
    put(node, "p", t.p());
    put(node, "low", t.low());
    put(node, "high", t.high());
    if (scale != LinkScale.IDENTITY) {
      put(node, "ratio", Quantity.of(t.estimate()).exponential());
      put(node, "ratioLow", t.low().exponential());
      put(node, "ratioHigh", t.high().exponential());
      return;
    }
    put(node, "ss", c.contrast().ss());
    put(node, "f", c.contrast().f());
  }

  /** Levels by their treatment. */
  static void levels(ObjectNode node, Map<String, String> levels) {
    levels.forEach(node::put);
  }

  /** A number, or null with the reason in its object. */
  static void put(ObjectNode node, String key, Quantity quantity) {
    if (quantity.exists() && quantity.value() == DegreesOfFreedom.UNBOUNDED) {
      put(node, key, Quantity.absent(Absence.NORMAL_DISTRIBUTION));
    } else if (quantity.exists()) {
      node.put(key, quantity.value());
    } else {
      node.putNull(key);
      if (!node.has("why")) {
        node.put("why", Phrases.why(quantity));
      }
    }
  }

  /** What every pair has, on ranks or not. */
  private static ObjectNode pair(ArrayNode rows, Pair pair, List<Map<String, String>> labels) {
    ObjectNode row = rows.addObject();
    levels(row.putObject("left"), labels.get(pair.left()));
    levels(row.putObject("right"), labels.get(pair.right()));
    row.put("difference", pair.difference());
    put(row, "se", pair.se());
    put(row, "df", pair.df());
    put(row, "statistic", pair.statistic());
    put(row, "p", pair.p());
    return row;
  }
}
