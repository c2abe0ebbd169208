package app.knuckle.stats.distributions;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.apache.commons.numbers.gamma.Erfc;

/**
 * The largest of several t statistics whose correlations come from a few shared variables: given
 * these, the statistics are independent, and the rest is an integral over these, by the trapezoidal
 * rule, which for a normal density times a smooth function errs by exp(-2 pi^2 w^2 / h^2), w being
 * the width of the narrowest feature and h the step.
 *
 * @see "Genz, A. and Bretz, F. (2009). Computation of multivariate normal and t probabilities,
 *     section 2.1, for reduced rank"
 */
final class FactorT implements LargestT {
  /** The density of a shared variable beyond is below 1e-14. */
  private static final double FARTHEST = 7.8;

  /** Largest step along a shared variable. */
  private static final double LARGEST_STEP = 0.55;

  /** Steps within the narrowest feature, whose width is c / l. */
  private static final double STEP_IN_FEATURES = 0.6;

  /** More places than these would take seconds. */
  static final int MOST_PLACES = 16_000;

  /** As for the product form. */
  private static final double STEEPER = 1.5;

  private static final double QUANTILE_TOLERANCE = 0x1.0p-44;
  private static final double ROOT_TWO = Math.sqrt(2);

  private final double[][] loadings;
  private final double[] own;
  private final boolean twoSided;
  private final double df;
  private final ScaledChi chi;
  private final List<double[]> places;
  private final RememberedTail known = new RememberedTail(this::summed);

  private FactorT(double[][] loadings, double df, boolean twoSided, List<double[]> places) {
    this.loadings = loadings;
    this.df = df;
    this.twoSided = twoSided;
    this.places = places;
    own = Arrays.stream(loadings).mapToDouble(FactorT::own).toArray();
    chi = new ScaledChi(df);
  }

  /**
   * The distribution.
   *
   * @param loadings of each statistic on each shared variable
   * @param df degrees of freedom, above 0; infinity when the spread is known
   * @param twoSided whether sizes are compared, rather than values
   * @param mostPlaces that may be summed over
   * @return null if a statistic keeps too little of its own for the rule
   */
  static FactorT of(double[][] loadings, double df, boolean twoSided, int mostPlaces) {
    int shared = loadings[0].length;
    int[] most = new int[shared];
    double[] steps = new double[shared];
    double count = twoSided ? 0.5 : 1;
    for (int k = 0; k < shared; k++) {
      steps[k] = LARGEST_STEP;
      for (double[] l : loadings) {
        steps[k] = Math.min(steps[k], STEP_IN_FEATURES * own(l) / Math.abs(l[k]));
      }
      most[k] = (int) Math.ceil(FARTHEST / steps[k]);
      count *= 2 * most[k] + 1;
    }
    if (!(count <= mostPlaces)) {
      return null;
    }
    return new FactorT(loadings, df, twoSided, places(steps, most, twoSided));
  }

  private static double own(double[] l) {
    return Math.sqrt(Math.max(0, 1 - Arrays.stream(l).map(x -> x * x).sum()));
  }

  /** Places of the shared variables and the weight of each; sizes need half of them. */
  private static List<double[]> places(double[] steps, int[] most, boolean half) {
    int shared = steps.length;
    List<double[]> places = new ArrayList<>();
    int[] at = new int[shared];
    for (int k = 0; k < shared; k++) {
      at[k] = -most[k];
    }
    while (at[0] <= (half ? 0 : most[0])) {
      double squares = 0;
      double weight = half && at[0] < 0 ? 2 : 1;
      double[] place = new double[shared + 1];
      for (int k = 0; k < shared; k++) {
        place[k] = at[k] * steps[k];
        squares += place[k] * place[k];
        weight *= steps[k] / Math.sqrt(2 * Math.PI);
      }
      place[shared] = weight * Math.exp(-squares / 2);
      if (squares <= FARTHEST * FARTHEST) {
        places.add(place);
      }
      int k = shared - 1;
      at[k]++;
      while (k > 0 && at[k] > most[k]) {
        at[k] = -most[k];
        at[--k]++;
      }
    }
    return places;
  }

  double[][] loadings() {
    return loadings;
  }

  @Override
  public Tail tail(double t) {
    if (twoSided && t <= 0) {
      return new Tail(1, 0);
    }
    double felt = Math.abs(t) / Math.sqrt(1 + t * t / df);
    double p = chi.average(STEEPER * (1 + felt), s -> known.at(t * s));
    return new Tail(Math.min(1, p), 0);
  }

  /** P(largest &gt; x) when the spread is known. */
  private double summed(double x) {
    double sum = 0;
    for (double[] place : places) {
      double logWithin = 0;
      for (int i = 0; i < own.length; i++) {
        double mean = 0;
        for (int k = 0; k < loadings[i].length; k++) {
          mean += loadings[i][k] * place[k];
        }
        double above = 0.5 * Erfc.value((x - mean) / own[i] / ROOT_TWO);
        double below = twoSided ? 0.5 * Erfc.value((x + mean) / own[i] / ROOT_TWO) : 0;
        logWithin += Math.log1p(-Math.min(1, above + below));
      }
      sum -= place[place.length - 1] * Math.expm1(logWithin);
    }
    return sum;
  }

  @Override
  public double inverseSurvivalProbability(double p) {
    // What is remembered begins above 0, where every level of significance in use lies.
    double low = tail(0).p() > p ? 0 : -FARTHEST;
    return CriticalValue.of(p, low, QUANTILE_TOLERANCE, t -> tail(t).p());
  }
}
