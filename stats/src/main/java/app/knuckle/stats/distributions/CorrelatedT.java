package app.knuckle.stats.distributions;

import java.util.Arrays;
import java.util.stream.IntStream;
import org.apache.commons.numbers.gamma.Erfc;
import org.apache.commons.numbers.gamma.InverseErfc;
import org.apache.commons.statistics.distribution.ChiSquaredDistribution;

/**
 * The largest of several t statistics that share an estimate of spread, with any correlations, for
 * which no product form is known. What all statistics share as nearly as a product form can is
 * taken first, then the spread, then one statistic after the other; the integral is transformed to
 * the unit cube so and taken by shifted lattice rules. The shifts are fixed, so that the same
 * question has the same answer, and tell the error. The nearest product form, whose probability is
 * known exactly, is taken on the same points: only what differs from it is left to the lattice.
 *
 * @see "Genz, A. (1992). Numerical computation of multivariate normal probabilities. Journal of
 *     Computational and Graphical Statistics 1, 141-149"
 * @see "Genz, A. and Bretz, F. (2009). Computation of multivariate normal and t probabilities,
 *     section 4.2"
 * @see "Cools, R., Kuo, F. Y. and Nuyens, D. (2006). Constructing embedded lattice rules for
 *     multivariate integration. SIAM Journal on Scientific Computing 28, 2162-2188"
 */
final class CorrelatedT implements LargestT {
  /** Generator of an embedded lattice in base 2, order 2 weights, up to 2^20 points. */
  private static final int[] GENERATOR = {
    1, 182667, 469891, 498753, 110745, 446247, 250185, 118627, 245333, 283199, 408519, 391023,
    246327, 126539, 399185, 461527, 300343, 69681, 516695, 436179, 106383, 238523, 413283, 70841,
    47719, 300129, 113029, 123925, 410745, 211325, 17489, 511893, 40767, 186077, 519471, 255369,
    101819, 243573, 66189, 152143, 503455, 113217, 132603, 463967, 297717, 157383, 224015, 502917,
    36237, 94049, 170665, 79397, 123963, 223451, 323871, 303633, 98567, 318855, 494245, 477137
  };

  /** Lattices of one size whose spread tells the error. */
  private static final int SHIFTS = 8;

  /** Wanted error: what is told is at most 1e-6. */
  private static final double WANTED = 5e-7;

  /** Standard errors of the mean of the shifts that are told as the error. */
  private static final double SURE = 3;

  private static final int FEWEST = 1 << 10;
  private static final int MOST = 1 << 20;

  /** Points times variables of one family, shared by its probabilities: some three seconds. */
  private static final long MOST_WORK = 60_000_000L;

  /** A statistic that earlier ones decide may pass the limit by rounding. */
  private static final double ROUNDING = 1e-9;

  /**
   * A critical value this close, relative, has the p wanted but for less than the lattice's error.
   */
  private static final double QUANTILE_TOLERANCE = 1e-5;

  /** How little of p the nearest product form may be asked for. */
  private static final double LEAST_SHARE = 1e-3;

  private static final int MOST_STEPS = 12;
  private static final double ROOT_TWO = Math.sqrt(2);

  /** The spread as a function of its probability is tabled by the normal quantile of that. */
  private static final int TABLE = 2048;

  private static final double WIDEST = 8;

  /** Most variables that statistics share beside their own. */
  private static final int MOST_FACTORS = 3;

  /** Loadings that meet the correlations this closely are exact; a p then errs by less. */
  private static final double SAME = 1e-10;

  /**
   * Variance that every statistic keeps for itself: next to none where the shared variables explain
   * the correlations, and enough for equal steps where they only come near them.
   */
  private static final double[] LEAST_OWN = {1e-6, 0.08};

  /** Places that a form may take which only comes near: the lattice makes up for the rest. */
  private static final int MOST_PLACES = 5_000;

  /** What each statistic has of the shared variables. */
  private final double[][] loadings;

  private final double[] ownNear;

  /** The root of what is left. */
  private final double[][] root;

  private final boolean twoSided;
  private final double df;
  private final LargestT nearest;
  private final double[][] shifts;
  private final double[] spreads = new double[TABLE + 1];

  /** The distribution: exact where two or three shared variables explain the correlations. */
  static LargestT of(double[][] correlations, double df, boolean twoSided) {
    LargestT nearest = null;
    double[][] loadings = null;
    double least = Double.POSITIVE_INFINITY;
    for (double leastOwn : LEAST_OWN) {
      for (int factors = 1; factors <= MOST_FACTORS; factors++) {
        double[][] own = Factors.nearest(correlations, factors, leastOwn);
        double miss = Factors.miss(correlations, own);
        if (miss <= SAME) {
          LargestT exact = FactorT.of(own, df, twoSided, FactorT.MOST_PLACES);
          if (exact != null) {
            return exact;
          }
        }
        LargestT distribution = miss < least ? FactorT.of(own, df, twoSided, MOST_PLACES) : null;
        if (distribution != null) {
          nearest = distribution;
          loadings = own;
          least = miss;
        }
      }
    }
    return new CorrelatedT(correlations, df, twoSided, nearest, loadings);
  }

  /** The distribution held against the nearest product form only. */
  static LargestT byLattice(double[][] correlations, double df, boolean twoSided) {
    double[][] own = Factors.nearest(correlations, 1, LEAST_OWN[1]);
    LargestT nearest = FactorT.of(own, df, twoSided, MOST_PLACES);
    return new CorrelatedT(correlations, df, twoSided, nearest, own);
  }

  private CorrelatedT(
      double[][] correlations, double df, boolean twoSided, LargestT nearest, double[][] shared) {
    int n = correlations.length;
    int[] order = IntStream.range(0, n).toArray();
    root = Factors.pivotedRoot(Factors.without(correlations, shared), order);
    loadings = Arrays.stream(order).mapToObj(i -> shared[i]).toArray(double[][]::new);
    ownNear =
        Arrays.stream(loadings)
            .mapToDouble(l -> Math.sqrt(1 - Arrays.stream(l).map(x -> x * x).sum()))
            .toArray();
    this.twoSided = twoSided;
    this.df = df;
    this.nearest = nearest;
    shifts = new double[SHIFTS][n + shared[0].length];
    for (int s = 0; s < SHIFTS; s++) {
      for (int j = 0; j < shifts[s].length; j++) {
        // The fractional parts of multiples of the golden section: far from each other.
        double at = (s * (double) shifts[s].length + j + 1) * (Math.sqrt(5) - 1) / 2;
        shifts[s][j] = at - Math.floor(at);
      }
    }
    ChiSquaredDistribution chi = Double.isInfinite(df) ? null : ChiSquaredDistribution.of(df);
    for (int i = 0; i <= TABLE; i++) {
      spreads[i] =
          chi == null ? 1 : Math.sqrt(quantile(chi, -WIDEST + 2 * WIDEST * i / TABLE) / df);
    }
  }

  private static double quantile(ChiSquaredDistribution chi, double z) {
    double tail = 0.5 * Erfc.value(Math.abs(z) / ROOT_TWO);
    return z < 0 ? chi.inverseCumulativeProbability(tail) : chi.inverseSurvivalProbability(tail);
  }

  @Override
  public Tail tail(double t) {
    if (twoSided && t <= 0) {
      return new Tail(1, 0);
    }
    double exact = nearest.tail(t).p();
    double[] sums = new double[SHIFTS];
    int done = 0;
    // A family has one probability a statistic, and a critical value that takes a few.
    long most = MOST_WORK / (2L * SHIFTS * (loadings.length + 1) * (loadings.length + 4));
    for (int n = FEWEST; ; n *= 2) {
      int from = done;
      int size = n;
      IntStream.range(0, SHIFTS).parallel().forEach(s -> sums[s] += added(t, s, from, size));
      done = n;
      Tail found = judged(exact, sums, n);
      boolean enough = found.error() <= WANTED && n > FEWEST;
      if (enough || n >= MOST || n >= most) {
        return found;
      }
    }
  }

  private static Tail judged(double exact, double[] sums, int n) {
    double mean = Arrays.stream(sums).sum() / SHIFTS / n;
    double squares = 0;
    for (double sum : sums) {
      squares += (sum / n - mean) * (sum / n - mean);
    }
    double error = SURE * Math.sqrt(squares / (SHIFTS * (SHIFTS - 1.0)));
    return new Tail(Math.max(0, Math.min(1, exact + mean)), error);
  }

  /** The lattice of n points holds that of n / 2; the points between are added. */
  private double added(double t, int shift, int from, int size) {
    double sum = 0;
    double[] z = new double[root.length];
    for (int i = from == 0 ? 0 : 1; i < size; i += from == 0 ? 1 : 2) {
      sum += sample(t, i / (double) size, shifts[shift], z);
    }
    return sum;
  }

  /**
   * P(any beyond) less the same of the nearest product form, at a point of the cube. What is left
   * of the statistics is taken at the point and at its mirror image: what they make of it in the
   * first order cancels, so that the lattice is left with the second.
   */
  private double sample(double t, double at, double[] shift, double[] z) {
    double x = t * spread(normal(cube(at, 0, shift)));
    int shared = loadings[0].length;
    double[] means = new double[loadings.length];
    for (int k = 0; k < shared; k++) {
      double common = normal(cube(at, k + 1, shift));
      for (int i = 0; i < means.length; i++) {
        means[i] += loadings[i][k] * common;
      }
    }
    double near = 0;
    for (int i = 0; i < means.length; i++) {
      near +=
          Math.log1p(-Math.min(1, below(x, means[i], ownNear[i]) + above(x, means[i], ownNear[i])));
    }
    double both = beyond(x, means, at, shift, z, false) + beyond(x, means, at, shift, z, true);
    return both / 2 + Math.expm1(near);
  }

  /** P(any beyond) one statistic after the other, each within the limits. */
  private double beyond(
      double x, double[] means, double at, double[] shift, double[] z, boolean mirrored) {
    double logWithin = 0;
    for (int i = 0; i < root.length; i++) {
      double mean = means[i];
      for (int j = 0; j < i; j++) {
        mean += root[i][j] * z[j];
      }
      double own = root[i][i];
      z[i] = 0;
      if (own == 0) {
        if (mean > x + ROUNDING || twoSided && mean < -x - ROUNDING) {
          return 1;
        }
        continue;
      }
      double below = below(x, mean, own);
      double outside = above(x, mean, own) + below;
      if (!(outside < 1)) {
        return 1;
      }
      logWithin += Math.log1p(-outside);
      if (i < root.length - 1) {
        double u = cube(at, loadings[0].length + i + 1, shift);
        z[i] = normal(below + (1 - outside) * (mirrored ? 1 - u : u));
      }
    }
    return -Math.expm1(logWithin);
  }

  private static double above(double x, double mean, double own) {
    return 0.5 * Erfc.value((x - mean) / own / ROOT_TWO);
  }

  private double below(double x, double mean, double own) {
    return twoSided ? 0.5 * Erfc.value((x + mean) / own / ROOT_TWO) : 0;
  }

  private static double normal(double u) {
    return Math.max(-WIDEST, Math.min(WIDEST, -ROOT_TWO * InverseErfc.value(2 * u)));
  }

  /** A coordinate of a lattice point, shifted, and folded so that the integrand is periodic. */
  private static double cube(double at, int j, double[] shift) {
    double u = at * GENERATOR[j % GENERATOR.length] + shift[j % shift.length];
    u -= Math.floor(u);
    return 1 - Math.abs(2 * u - 1);
  }

  /** Cubic through the four places around. */
  private double spread(double z) {
    double at = (z + WIDEST) / (2 * WIDEST) * TABLE;
    int i = (int) Math.max(1, Math.min(TABLE - 2, Math.floor(at)));
    double s = at - i;
    double a = spreads[i - 1];
    double b = spreads[i];
    double c = spreads[i + 1];
    double d = spreads[i + 2];
    return b + 0.5 * s * (c - a + s * (2 * a - 5 * b + 4 * c - d + s * (3 * (b - c) + d - a)));
  }

  /**
   * What the probability differs by from that of the nearest product form changes little with t: it
   * is found where that form has its value, and again where the two together have theirs.
   */
  @Override
  public double inverseSurvivalProbability(double p) {
    double t = nearest.inverseSurvivalProbability(p);
    for (int step = 0; step < MOST_STEPS; step++) {
      double more = tail(t).p() - nearest.tail(t).p();
      double wanted = Math.max(p * LEAST_SHARE, Math.min(1 - LEAST_SHARE, p - more));
      double next = nearest.inverseSurvivalProbability(wanted);
      boolean settled = Math.abs(next - t) <= QUANTILE_TOLERANCE * Math.max(1, t);
      t = next;
      if (settled) {
        break;
      }
    }
    return t;
  }

  @Override
  public String toString() {
    return root.length + " statistics with " + df + " degrees of freedom";
  }
}
