package app.knuckle.study.findings;

import app.knuckle.stats.Quantity;
import app.knuckle.stats.linear.Strata;
import java.util.List;
import org.apache.commons.statistics.distribution.TDistribution;

/** A kind of difference between two means of a layout with several layers of error. */
final class LayeredDifference {

  static final String NO_NOISE = "there is no estimate of the noise";

  private LayeredDifference() {}

  /** The difference of two means; absent if either is null; weightedT is null for one layer. */
  static TestResult.Difference of(
      Strata strata,
      List<String> of,
      List<String> held,
      Strata.Estimable one,
      Strata.Estimable other,
      Quantity weightedT,
      double alpha) {
    if (one == null || other == null) {
      Quantity absent = Quantity.absent(Strata.EMPTY_CELLS);
      return new TestResult.Difference(of, held, absent, absent, absent, null, null);
    }
    Strata.Estimable d = one.plus(-1, other);
    Quantity se = Quantity.finite(Math.sqrt(strata.covariance(d, d)), NO_NOISE);
    double df = strata.df(d);
    Quantity known = df > 0 ? Quantity.of(df) : Quantity.absent(NO_NOISE);
    Quantity t = known.map(v -> critical(v, alpha));
    return new TestResult.Difference(
        of,
        held,
        se,
        known,
        times(se, t),
        weightedT,
        weightedT == null ? null : times(se, weightedT));
  }

  private static Quantity times(Quantity se, Quantity t) {
    return t.exists() ? se.map(s -> s * t.value()) : t;
  }

  /** The t from which a difference counts, in either direction. */
  static double critical(double df, double alpha) {
    return TDistribution.of(df).inverseSurvivalProbability(alpha / 2);
  }
}
