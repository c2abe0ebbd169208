package app.knuckle.study.contract;

import static app.knuckle.study.contract.FindingsFile.put;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.anova.AnovaTable;
import app.knuckle.stats.anova.OneWay;
import app.knuckle.stats.anova.RelativeEfficiency;
import app.knuckle.stats.compare.StudentT;
import app.knuckle.stats.linear.Coefficient;
import app.knuckle.stats.linear.Effect;
import app.knuckle.stats.multivariate.MultivariateTest;
import app.knuckle.stats.strata.Sphericity;
import app.knuckle.stats.ttest.TTest;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.words.Phrases;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;

/** Writes tests as JSON. */
final class TestFile {

  private TestFile() {}

  static void write(TestResult result, String measured, ArrayNode tests) {
    result.match(new Writing(measured, tests));
  }

  /** Each kind in its form; tests of several responses stand by themselves. */
  private record Writing(String measured, ArrayNode tests) implements TestResult.Cases<Void> {
    private ObjectNode ofOne() {
      return tests.addObject().put("measured", measured);
    }

    @Override
    public Void tTest(TestResult.TTestResult test) {
      TestFile.tTest(ofOne(), test);
      return null;
    }

    @Override
    public Void anova(TestResult.AnovaResult test) {
      TestFile.anova(ofOne(), test);
      return null;
    }

    @Override
    public Void mixed(TestResult.MixedResult test) {
      MixedFile.write(ofOne(), test);
      return null;
    }

    @Override
    public Void counts(TestResult.CountResult test) {
      CountFile.write(ofOne(), test);
      return null;
    }

    @Override
    public Void exact(TestResult.ExactResult test) {
      CountFile.write(ofOne(), test);
      return null;
    }

    @Override
    public Void unequal(TestResult.UnequalResult test) {
      TestFile.unequal(ofOne(), test);
      return null;
    }

    @Override
    public Void ranks(TestResult.RankResult test) {
      OutcomeFile.write(ofOne().put("kind", test.kind()), test.numbers());
      return null;
    }

    @Override
    public Void together(TestResult.TogetherResult test) {
      TestFile.together(tests.addObject(), test);
      return null;
    }
  }

  private static void tTest(ObjectNode node, TestResult.TTestResult r) {
    TTest test = r.test();
    StudentT t = test.test();
    node.put("kind", "t-test").put("form", test.form().key());
    node.put("direction", r.direction().key());
    if (r.expected() != null) {
      node.put("expected", r.expected());
    } else {
      FindingsFile.levels(node.putObject("left"), r.left());
      FindingsFile.levels(node.putObject("right"), r.right());
    }
    r.more().forEach((key, value) -> put(node, key, value));
    node.put("difference", t.estimate());
    put(node, "se", t.se());
    put(node, "df", t.df());
    put(node, "statistic", t.statistic());
    put(node, "p", t.p());
    put(node, "low", t.low());
    put(node, "high", t.high());
    node.put("differs", t.p().exists() ? Boolean.valueOf(r.differs()) : null);
    put(node, "cohenD", test.cohenD());
    put(node, "hedgesFactor", test.hedgesFactor());
    put(node, "hedgesG", test.hedgesG());
    put(node, "dLow", test.dLow());
    put(node, "dHigh", test.dHigh());
  }

  private static void anova(ObjectNode node, TestResult.AnovaResult a) {
    AnovaTable table = a.table();
    node.put("kind", "analysis-of-variance").put("squares", table.squares().key());
    ArrayNode rows = node.putArray("rows");
    boolean layers = a.layers() != null;
    for (AnovaTable.Row row : table.rows()) {
      row(rows.addObject(), row, table, a.layers());
    }
    ObjectNode total = rows.addObject().put("source", "total");
    total.putArray("term");
    total.put("df", table.totalDf()).put("ss", table.totalSs());
    if (!a.covariates().isEmpty()) {
      slopes(node.putArray("covariates"), a.covariates());
    }
    if (layers) {
      layers(node, table, a.layers());
      return;
    }
    fit(node.putObject("fit"), table.fit());
    if (a.oneWay() != null) {
      oneWay(node, a.oneWay());
    }
    if (!a.coefficients().isEmpty()) {
      coefficients(node.putArray("coefficients"), a.coefficients());
    }
    if (a.relativeEfficiency() != null) {
      efficiency(node.putObject("relativeEfficiency"), a.relativeEfficiency());
    }
  }

  private static void row(
      ObjectNode node, AnovaTable.Row row, AnovaTable table, TestResult.Layers layers) {
    boolean layered = layers != null;
    node.put("source", row.source());
    node.set("term", InquiryFile.texts(row.isError() ? List.of() : row.term().names()));
    if (row.isError()) {
      node.put("df", row.error().errorDf()).put("ss", row.error().errorSs());
      put(node, "ms", row.error().errorMs());
      return;
    }
    Effect e = row.effect();
    Quantity none = Quantity.absent(isSlope(row) ? Absence.TELLS_NOTHING : Absence.EMPTY_CELLS);
    put(node, "df", e == null ? none : Quantity.of(e.df()));
    put(node, "ss", e == null ? none : Quantity.of(e.ss()));
    put(node, "ms", e == null ? none : Quantity.of(e.ms()));
    put(node, "f", e == null ? none : e.f());
    node.put("errorSource", row.error().error()).put("errorDf", row.error().errorDf());
    put(node, "p", e == null ? none : e.p());
    put(node, "criticalF", e == null ? none : e.criticalF());
    if (!layered) {
      put(node, "etaSquared", e == null ? none : e.etaSquared());
      put(node, "omegaSquared", e == null ? none : e.omegaSquared());
      put(node, "partialOmegaSquared", e == null ? none : e.partialOmegaSquared());
    }
    put(node, "partialEtaSquared", e == null ? none : e.partialEtaSquared());
    put(node, "observedPower", e == null ? none : e.observedPower());
    Sphericity sphericity = layered ? layers.correcting(table, row) : null;
    if (sphericity != null && e != null && e.f().exists()) {
      corrected(node, row, sphericity);
    }
  }

  private static boolean isSlope(AnovaTable.Row row) {
    return row.error().fit().model().covariates().stream()
        .anyMatch(c -> row.term().names().contains(c.name()));
  }

  private static void corrected(ObjectNode node, AnovaTable.Row row, Sphericity s) {
    node.put("pLowerBound", p(row, s.lowerBound()));
    put(node, "pGreenhouseGeisser", s.greenhouseGeisser().map(e -> p(row, e)));
    put(node, "pHuynhFeldt", s.huynhFeldt().map(e -> p(row, used(s, e))));
    put(node, "pHuynhFeldtLecoutre", s.lecoutre().map(e -> p(row, used(s, e))));
  }

  /** An estimate that is out of its range is used as the nearest end of it. */
  private static double used(Sphericity s, double epsilon) {
    return Math.min(1, Math.max(s.lowerBound(), epsilon));
  }

  private static double p(AnovaTable.Row row, double epsilon) {
    return AnovaTable.correctedP(
        row.effect().f().value(), row.effect().df(), row.error().errorDf(), epsilon);
  }

  private static void layers(ObjectNode node, AnovaTable table, TestResult.Layers layers) {
    ObjectNode fit = node.putObject("fit").put("n", table.fit().n());
    if (layers.repeated()) {
      fit.put("units", layers.units());
    }
    fit.put("grandMean", table.fit().grandMean());
    put(fit, "residualSd", table.fit().residualSd());
    put(fit, "cvPercent", table.fit().cvPercent());
    node.set("unitsLeftOut", InquiryFile.texts(layers.unitsLeftOut()));
    if (!layers.repeated()) {
      put(fit, "wholePlotSd", layers.wholePlotSd());
      put(fit, "wholePlotCvPercent", layers.wholePlotCvPercent());
    }
    if (!layers.differences().isEmpty()) {
      ArrayNode all = node.putArray("standardErrorsOfDifferences");
      for (TestResult.Difference d : layers.differences()) {
        ObjectNode one = all.addObject();
        one.set("between", InquiryFile.texts(d.between()));
        one.set("within", InquiryFile.texts(d.within()));
        put(one, "se", d.se());
        put(one, "df", d.df());
        put(one, "leastSignificantDifference", d.leastSignificantDifference());
        if (d.weightedT() != null) {
          put(one, "weightedT", d.weightedT());
          put(one, "weightedLeastSignificantDifference", d.weightedLeastSignificantDifference());
        }
      }
    }
    List<TestResult.TermSphericity> terms = layers.sphericity();
    if (terms.size() == 1) {
      epsilon(node.putObject("epsilon"), terms.get(0).test());
    } else {
      for (TestResult.TermSphericity term : terms) {
        ObjectNode one = node.withArray("epsilons").addObject();
        one.set("of", InquiryFile.texts(term.of()));
        epsilon(one, term.test());
      }
    }
  }

  private static void epsilon(ObjectNode epsilon, Sphericity s) {
    put(epsilon, "greenhouseGeisser", s.greenhouseGeisser());
    put(epsilon, "huynhFeldt", s.huynhFeldt());
    put(epsilon, "huynhFeldtUsed", s.huynhFeldt().map(e -> used(s, e)));
    put(epsilon, "huynhFeldtLecoutre", s.lecoutre());
    put(epsilon, "huynhFeldtLecoutreUsed", s.lecoutre().map(e -> used(s, e)));
    epsilon.put("lowerBound", s.lowerBound());
  }

  private static void fit(ObjectNode node, AnovaTable.ModelFit fit) {
    node.put("n", fit.n()).put("grandMean", fit.grandMean());
    put(node, "residualSd", fit.residualSd());
    put(node, "cvPercent", fit.cvPercent());
    put(node, "rSquared", fit.rSquared());
    put(node, "adjustedRSquared", fit.adjustedRSquared());
    node.put("modelDf", fit.modelDf());
    put(node, "modelF", fit.modelF());
    put(node, "modelP", fit.modelP());
    node.put("errorDf", fit.errorDf()).put("rank", fit.rank());
  }

  private static void oneWay(ObjectNode node, OneWay fit) {
    put(node, "epsilonSquared", fit.epsilonSquared());
    put(node, "cohenF", fit.cohenF());
    node.put("harmonicN", fit.harmonicN());
    put(node, "seOfMean", fit.seOfMean());
    put(node, "seOfDifference", fit.seOfDifference());
    put(node, "leastSignificantDifference", fit.leastSignificantDifference());
  }

  static void slopes(ArrayNode nodes, List<TestResult.Slope> slopes) {
    for (TestResult.Slope slope : slopes) {
      ObjectNode node = nodes.addObject().put("name", slope.name()).put("mean", slope.mean());
      node.put("slope", slope.test().estimate());
      put(node, "se", slope.test().se());
      put(node, "df", slope.test().df());
      put(node, "t", slope.test().statistic());
      put(node, "p", slope.test().p());
      put(node, "low", slope.test().low());
      put(node, "high", slope.test().high());
    }
  }

  private static void coefficients(ArrayNode nodes, List<Coefficient> coefficients) {
    for (Coefficient c : coefficients) {
      ObjectNode node = nodes.addObject();
      node.set("term", InquiryFile.texts(c.names()));
      FindingsFile.levels(node.putObject("levels"), c.levels());
      node.put("estimate", c.test().estimate());
      put(node, "se", c.test().se());
      put(node, "df", c.test().df());
      put(node, "t", c.test().statistic());
      put(node, "p", c.test().p());
      put(node, "low", c.test().low());
      put(node, "high", c.test().high());
    }
  }

  private static void efficiency(ObjectNode node, RelativeEfficiency e) {
    node.put("against", "completely randomised");
    put(node, "value", e.value());
    if (e.dfCorrection().exists()) {
      put(node, "dfCorrection", e.dfCorrection());
      put(node, "corrected", e.corrected());
    } else {
      put(node, "rowsAlone", e.rowsAlone());
      put(node, "columnsAlone", e.columnsAlone());
    }
  }

  private static void unequal(ObjectNode node, TestResult.UnequalResult u) {
    node.put("kind", u.kind());
    ObjectNode row = node.putArray("rows").addObject().put("source", u.treatment());
    row.putArray("term").add(u.treatment());
    row.put("df", u.test().df());
    put(row, "f", u.test().f());
    put(row, "errorDf", u.test().errorDf());
    put(row, "p", u.test().p());
    put(row, "criticalF", u.test().criticalF());
  }

  private static void together(ObjectNode node, TestResult.TogetherResult m) {
    node.set("measured", InquiryFile.texts(m.measured()));
    node.put("kind", "multivariate").put("squares", m.squares());
    ArrayNode rows = node.putArray("rows");
    for (TestResult.TogetherRow row : m.rows()) {
      ObjectNode one = rows.addObject().put("source", row.source());
      one.set("term", InquiryFile.texts(row.term()));
      if (row.test() == null) {
        one.putNull("statistics").put("why", Phrases.why(Absence.EMPTY_CELLS));
        continue;
      }
      together(one, row, m.measured());
    }
    matrix(node.putArray("errorCrossProducts"), m.error());
    node.putObject("fit").put("n", m.n()).put("errorDf", m.errorDf());
  }

  private static void together(ObjectNode node, TestResult.TogetherRow row, List<String> measured) {
    MultivariateTest test = row.test();
    node.put("df", test.df()).put("errorDf", test.errorDf());
    ArrayNode statistics = node.putArray("statistics");
    for (MultivariateTest.Statistic s : test.statistics()) {
      ObjectNode one = statistics.addObject().put("name", s.name()).put("value", s.value());
      one.put("f", s.f()).put("df", s.df()).put("errorDf", s.errorDf()).put("p", s.p());
      one.put("partialEtaSquared", s.partialEtaSquared());
      if (s.second() != null) {
        one.putObject("secondApproximation")
            .put("f", s.second().f())
            .put("df", s.second().df())
            .put("errorDf", s.second().errorDf())
            .put("p", s.second().p());
      }
    }
    double trace = test.eigenvalues().stream().mapToDouble(x -> x).sum();
    ArrayNode values = node.putArray("eigenvalues");
    ArrayNode canonical = node.putArray("canonicalCorrelations");
    ArrayNode percent = node.putArray("percentOfTrace");
    for (double x : test.eigenvalues()) {
      values.add(x);
      canonical.add(Math.sqrt(x / (1 + x)));
      percent.add(trace > 0 ? 100 * x / trace : 0);
    }
    ArrayNode coefficients = node.putArray("coefficients");
    for (MultivariateTest.Variate v : test.coefficients()) {
      ObjectNode one = coefficients.addObject();
      named(one.putObject("raw"), measured, v.raw());
      named(one.putObject("standardised"), measured, v.standardised());
      named(one.putObject("structure"), measured, v.structure());
    }
    ArrayNode dimensions = node.putArray("dimensions");
    for (MultivariateTest.Dimension d : test.dimensions()) {
      dimensions
          .addObject()
          .put("from", d.from())
          .put("chiSquared", d.chiSquared())
          .put("df", d.df())
          .put("p", d.p());
    }
    matrix(node.putArray("crossProducts"), row.products());
    if (!row.centroids().isEmpty()) {
      ArrayNode centroids = node.putArray("centroids");
      for (TestResult.Centroid c : row.centroids()) {
        ObjectNode one = centroids.addObject();
        FindingsFile.levels(one.putObject("levels"), c.levels());
        one.put("n", c.n());
        ArrayNode scores = one.putArray("scores");
        c.scores().forEach(scores::add);
      }
    }
  }

  private static void named(ObjectNode node, List<String> names, List<Double> values) {
    for (int i = 0; i < names.size(); i++) {
      node.put(names.get(i), values.get(i));
    }
  }

  private static void matrix(ArrayNode rows, double[][] matrix) {
    for (double[] values : matrix) {
      ArrayNode row = rows.addArray();
      for (double x : values) {
        row.add(x);
      }
    }
  }
}
