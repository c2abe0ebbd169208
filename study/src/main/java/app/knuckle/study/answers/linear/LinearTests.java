package app.knuckle.study.answers.linear;

import app.knuckle.stats.Quantity;
import app.knuckle.stats.Significance;
import app.knuckle.stats.anova.AnovaTable;
import app.knuckle.stats.anova.OneWay;
import app.knuckle.stats.anova.RelativeEfficiency;
import app.knuckle.stats.compare.Direction;
import app.knuckle.stats.linear.Coefficient;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.Term;
import app.knuckle.stats.summary.GroupMoments;
import app.knuckle.stats.ttest.TTest;
import app.knuckle.study.answers.asked.Slopes;
import app.knuckle.study.findings.TestResult;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * The tests of a fit with one layer of error, at a level of significance.
 *
 * @param fit of the response
 * @param alpha level of significance
 * @param direction in which a difference is looked for
 */
record LinearTests(LinearFit fit, double alpha, Direction direction) {

  /** The t test of two groups, where there are two and nothing else, then the table. */
  static List<TestResult> of(LinearFit fit, double alpha, Direction direction) {
    return new LinearTests(fit, alpha, direction).all();
  }

  private List<TestResult> all() {
    List<TestResult> tests = new ArrayList<>();
    GroupMoments moments = fit.moments();
    if (moments != null && moments.groups() == 2) {
      tests.add(tTest(TTest.Form.POOLED));
    }
    AnovaTable table = AnovaTable.of(fit.layer(), fit.inquiry().squares(), alpha);
    tests.add(
        new TestResult.AnovaResult(
            table,
            moments == null ? null : OneWay.fit(moments, alpha),
            Slopes.of(fit.strata(), alpha),
            efficiency(table),
            null,
            Coefficient.of(fit.layer(), alpha)));
    return List.copyOf(tests);
  }

  /** Of the two groups of a one-way layout. */
  TestResult.TTestResult tTest(TTest.Form form) {
    GroupMoments moments = fit.moments();
    TTest test = TTest.ofTwo(form, sample(moments, 0), sample(moments, 1), direction, alpha);
    Factor factor = fit.factors().get(0);
    Map<String, Quantity> more = Map.of("pooledSd", test.standardDeviation());
    return new TestResult.TTestResult(
        test,
        direction,
        Map.of(factor.name(), factor.levels().get(0)),
        Map.of(factor.name(), factor.levels().get(1)),
        null,
        more,
        Significance.reached(test.test().p(), alpha));
  }

  private static TTest.Sample sample(GroupMoments moments, int g) {
    return new TTest.Sample(moments.count(g), moments.deviation(g), moments.sumOfSquares(g));
  }

  private RelativeEfficiency efficiency(AnovaTable table) {
    if (fit.inquiry().blocks().isEmpty() || !fit.inquiry().covariates().isEmpty()) {
      return null;
    }
    double errorMs = table.rows().get(table.rows().size() - 1).error().errorMs().value();
    AnovaTable.Row first = table.row(Term.of(fit.inquiry().blocks().get(0)));
    if (!(errorMs > 0) || first == null || first.effect() == null) {
      return null;
    }
    Factor block = fit.factors().get(0);
    if (fit.inquiry().blocks().size() == 1 && fit.equalCells() == 1) {
      int combinations = fit.parts().rows() / block.size();
      return RelativeEfficiency.ofBlocks(block.size(), combinations, first.effect().ms(), errorMs);
    }
    AnovaTable.Row second =
        fit.inquiry().blocks().size() == 2
            ? table.row(Term.of(fit.inquiry().blocks().get(1)))
            : null;
    boolean square =
        second != null
            && second.effect() != null
            && fit.inquiry().treatments().size() == 1
            && fit.factors().stream().allMatch(f -> f.size() == block.size())
            && fit.parts().rows() == block.size() * block.size();
    return square
        ? RelativeEfficiency.ofSquare(
            block.size(), first.effect().ms(), second.effect().ms(), errorMs)
        : null;
  }
}
