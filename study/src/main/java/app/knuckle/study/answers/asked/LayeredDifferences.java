package app.knuckle.study.answers.asked;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.linear.Estimable;
import app.knuckle.stats.linear.Strata;
import app.knuckle.stats.linear.Stratum;
import app.knuckle.study.findings.TestResult;
import java.util.Arrays;
import java.util.List;
import org.apache.commons.statistics.distribution.TDistribution;

/**
 * The four kinds of differences between means of a layout with several layers of error: of either
 * treatment over all levels of the other, and at one level of it.
 *
 * @see "Cochran, W. G. and Cox, G. M. (1957). Experimental designs, 2nd ed., sections 7.16, 7.21"
 */
public final class LayeredDifferences {

  private final Strata strata;
  private final int factors;
  private final double alpha;

  private LayeredDifferences(Strata strata, int factors, double alpha) {
    this.strata = strata;
    this.factors = factors;
    this.alpha = alpha;
  }

  /**
   * A treatment of the layout.
   *
   * @param name of its column
   * @param at its place among the factors of the strata
   * @param levels how many it has
   * @param layer that its main effect is tested in
   */
  public record Treatment(String name, int at, int levels, int layer) {}

  /**
   * All four kinds, as the first two levels show them.
   *
   * @param strata the layers
   * @param factors how many they have, blocks among them
   * @param first the treatment whose differences stand first
   * @param second the other one
   * @param alpha level of significance, between 0 and 1
   * @return between levels of each over all of the other, then at one level of the other
   */
  public static List<TestResult.Difference> of(
      Strata strata, int factors, Treatment first, Treatment second, double alpha) {
    LayeredDifferences kinds = new LayeredDifferences(strata, factors, alpha);
    return List.of(
        kinds.overAll(first),
        kinds.overAll(second),
        kinds.atOne(second, first),
        kinds.atOne(first, second));
  }

  private TestResult.Difference overAll(Treatment own) {
    return difference(List.of(own.name()), List.of(), mean(own, 0, null), mean(own, 1, null), null);
  }

  private TestResult.Difference atOne(Treatment own, Treatment held) {
    boolean mixed = own.layer() < strata.layers().size() - 1;
    return difference(
        List.of(own.name()),
        List.of(held.name()),
        mean(own, 0, held),
        mean(own, 1, held),
        mixed ? weightedT(own, held) : null);
  }

  private Estimable mean(Treatment own, int level, Treatment held) {
    int[] codes = new int[factors];
    Arrays.fill(codes, -1);
    codes[own.at()] = level;
    if (held != null) {
      codes[held.at()] = 0;
    }
    return strata.mean(codes);
  }

  private TestResult.Difference difference(
      List<String> of, List<String> held, Estimable one, Estimable other, Quantity weightedT) {
    if (one == null || other == null) {
      Quantity absent = Quantity.absent(Absence.EMPTY_CELLS);
      return new TestResult.Difference(of, held, absent, absent, absent, null, null);
    }
    Estimable d = one.plus(-1, other);
    Quantity se = Quantity.finite(Math.sqrt(strata.variance(d)), Absence.NO_NOISE);
    double df = strata.df(d);
    Quantity known = df > 0 ? Quantity.of(df) : Quantity.absent(Absence.NO_NOISE);
    Quantity t = known.mapFinite(this::critical, Absence.NO_NOISE);
    return new TestResult.Difference(
        of,
        held,
        se,
        known,
        times(se, t),
        weightedT,
        weightedT == null ? null : times(se, weightedT));
  }

  /** The critical t of the two layers that it rests on, each weighted by its share. */
  private Quantity weightedT(Treatment own, Treatment held) {
    Stratum coarse = strata.layers().get(own.layer());
    Stratum fine = strata.layers().get(strata.layers().size() - 1);
    if (!coarse.errorMs().exists() || !fine.errorMs().exists()) {
      return Quantity.absent(Absence.NO_NOISE);
    }
    double a = coarse.errorMs().value();
    double b = (held.levels() - 1) * fine.errorMs().value();
    return Quantity.finite(
        (b * critical(fine.errorDf()) + a * critical(coarse.errorDf())) / (b + a),
        Absence.NO_NOISE);
  }

  private static Quantity times(Quantity se, Quantity t) {
    return t.exists() ? se.map(s -> s * t.value()) : t;
  }

  /** The t from which a difference counts, in either direction. */
  private double critical(double df) {
    return TDistribution.of(df).inverseSurvivalProbability(alpha / 2);
  }
}
