package app.knuckle.study.answers.layers;

import app.knuckle.stats.anova.AnovaTable;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.Strata;
import app.knuckle.stats.linear.Term;
import app.knuckle.study.answers.asked.LayeredDifferences;
import app.knuckle.study.checks.LayerChecks;
import app.knuckle.study.findings.CheckResult;
import app.knuckle.study.findings.TestResult;
import java.util.List;

/**
 * An experiment of several layers of error, fitted: whatever does not depend on what is compared,
 * nor on how it is judged.
 */
interface LayeredFit {

  /** The layers. */
  Strata strata();

  /** The analysis of variance, with critical values at a level of significance. */
  AnovaTable table(double alpha);

  /** Blocks and treatments, as the models of the layers have them. */
  List<Factor> factors();

  /** Terms of all layers, the coarser first. */
  List<Term> terms();

  /** What stands beside the table, with differences at a level of significance. */
  TestResult.Layers layers(double alpha);

  /** Checks of the design itself. */
  List<CheckResult> checks();

  /** Checks of what each layer leaves. */
  LayerChecks left();

  /** Levels by their codes. */
  static List<String> named(Factor factor, List<Integer> codes) {
    return codes.stream().map(code -> factor.levels().get(code)).toList();
  }

  /** A treatment whose differences are asked: its place among the factors, and its layer. */
  static LayeredDifferences.Treatment treatment(Factor factor, int at, int layer) {
    return new LayeredDifferences.Treatment(factor.name(), at, factor.size(), layer);
  }
}
