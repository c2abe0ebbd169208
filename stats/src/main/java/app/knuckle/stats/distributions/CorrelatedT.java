package app.knuckle.stats.distributions;

import java.util.Arrays;
import java.util.stream.IntStream;
import org.apache.commons.numbers.gamma.Erfc;
import org.apache.commons.numbers.gamma.InverseErfc;
import org.apache.commons.numbers.rootfinder.BrentSolver;
import org.apache.commons.statistics.distribution.ChiSquaredDistribution;

/**
 * The largest of several t statistics that share an estimate of spread, with any correlations, for
 * which no product form is known. The integral is transformed to the unit cube, one variable after
 * the other, the spread among them, and taken by shifted lattice rules: the shifts are fixed, so
 * that the same question has the same answer, and tell the error.
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
  private static final double WANTED = 4e-7;

  /** Standard errors of the mean of the shifts that are told as the error. */
  private static final double SURE = 3;

  private static final int FEWEST = 1 << 10;
  private static final int MOST = 1 << 20;

  /** Points times variables of one probability: about a fifth of a second on two cores. */
  private static final long MOST_WORK = 24_000_000L;

  /** Variances below this share of a variable's own are what rounding leaves. */
  private static final double NOTHING = 1e-12;

  /** A statistic that earlier ones decide may pass the limit by rounding. */
  private static final double ROUNDING = 1e-9;

  private static final double QUANTILE_TOLERANCE = 1e-8;
  private static final double ROOT_TWO = Math.sqrt(2);

  private final double[][] root;
  private final boolean twoSided;
  private final double df;
  private final double[][] shifts;
  private final double[] spreads = new double[TABLE + 1];

  /** The spread as a function of its probability is tabled by the normal quantile of that. */
  private static final int TABLE = 2048;

  private static final double WIDEST = 8;

  CorrelatedT(double[][] correlations, double df, boolean twoSided) {
    root = pivotedRoot(correlations);
    this.twoSided = twoSided;
    this.df = df;
    shifts = new double[SHIFTS][root.length + 1];
    for (int s = 0; s < SHIFTS; s++) {
      for (int j = 0; j < shifts[s].length; j++) {
        // The fractional parts of multiples of the golden section: far from each other.
        double at = (s * (double) shifts[s].length + j + 1) * (Math.sqrt(5) - 1) / 2;
        shifts[s][j] = at - Math.floor(at);
      }
    }
    ChiSquaredDistribution chi = Double.isInfinite(df) ? null : ChiSquaredDistribution.of(df);
    for (int i = 0; i <= TABLE; i++) {
      double z = -WIDEST + 2 * WIDEST * i / TABLE;
      double below = 0.5 * Erfc.value(-z / ROOT_TWO);
      spreads[i] =
          chi == null
              ? 1
              : Math.sqrt(
                  (z < 0
                          ? chi.inverseCumulativeProbability(below)
                          : chi.inverseSurvivalProbability(0.5 * Erfc.value(z / ROOT_TWO)))
                      / df);
    }
  }

  /**
   * The lower triangular root, the variable with most variance of its own first; a variable that
   * those before decide has 0 on its diagonal.
   */
  private static double[][] pivotedRoot(double[][] correlations) {
    int n = correlations.length;
    double[][] a = Arrays.stream(correlations).map(double[]::clone).toArray(double[][]::new);
    double[][] l = new double[n][n];
    for (int i = 0; i < n; i++) {
      int best = i;
      for (int j = i + 1; j < n; j++) {
        // By more than rounding, so that equal ones keep their order.
        best = own(a, l, j, i) > own(a, l, best, i) + ROUNDING ? j : best;
      }
      swap(a, l, i, best);
      double left = own(a, l, i, i);
      l[i][i] = left > NOTHING ? Math.sqrt(left) : 0;
      for (int j = i + 1; j < n && l[i][i] > 0; j++) {
        double sum = a[j][i];
        for (int k = 0; k < i; k++) {
          sum -= l[j][k] * l[i][k];
        }
        l[j][i] = sum / l[i][i];
      }
    }
    return l;
  }

  private static double own(double[][] a, double[][] l, int j, int known) {
    double left = a[j][j];
    for (int k = 0; k < known; k++) {
      left -= l[j][k] * l[j][k];
    }
    return left;
  }

  private static void swap(double[][] a, double[][] l, int i, int j) {
    double[] row = a[i];
    a[i] = a[j];
    a[j] = row;
    double[] own = l[i];
    l[i] = l[j];
    l[j] = own;
    for (double[] r : a) {
      double x = r[i];
      r[i] = r[j];
      r[j] = x;
    }
  }

  @Override
  public Tail tail(double t) {
    if (twoSided && t <= 0) {
      return new Tail(1, 0);
    }
    double[] sums = new double[SHIFTS];
    int done = 0;
    for (int n = FEWEST; ; n *= 2) {
      int from = done;
      int to = n;
      int size = n;
      IntStream.range(0, SHIFTS)
          .parallel()
          .forEach(s -> sums[s] += added(t, s, from, to, size));
      done = n;
      Tail found = judged(sums, n);
      boolean enough = found.error() <= WANTED && n > FEWEST;
      if (enough || n >= MOST || 2L * n * SHIFTS * root.length > MOST_WORK) {
        return found;
      }
    }
  }

  private static Tail judged(double[] sums, int n) {
    double mean = Arrays.stream(sums).sum() / SHIFTS / n;
    double squares = 0;
    for (double sum : sums) {
      squares += (sum / n - mean) * (sum / n - mean);
    }
    double error = SURE * Math.sqrt(squares / (SHIFTS * (SHIFTS - 1.0)));
    return new Tail(Math.max(0, Math.min(1, mean)), error);
  }

  /** The lattice of n points holds that of n / 2; the points between are added. */
  private double added(double t, int shift, int from, int to, int size) {
    double sum = 0;
    double[] z = new double[root.length];
    for (int i = from == 0 ? 0 : 1; i < size; i += from == 0 ? 1 : 2) {
      sum += sample(t, i / (double) size, shifts[shift], z);
    }
    return sum;
  }

  /** P(any beyond), given the variables that a point of the cube stands for. */
  private double sample(double t, double at, double[] shift, double[] z) {
    double x = t * spread(cube(at, 0, shift));
    double within = 0;
    for (int i = 0; i < root.length; i++) {
      double mean = 0;
      for (int j = 0; j < i; j++) {
        mean += root[i][j] * z[j];
      }
      double own = root[i][i];
      if (own == 0) {
        boolean beyond = mean > x + ROUNDING || twoSided && mean < -x - ROUNDING;
        if (beyond) {
          return 1;
        }
        z[i] = 0;
        continue;
      }
      double above = 0.5 * Erfc.value((x - mean) / own / ROOT_TWO);
      double below = twoSided ? 0.5 * Erfc.value((x + mean) / own / ROOT_TWO) : 0;
      double inside = 1 - above - below;
      if (!(inside > 0)) {
        return 1;
      }
      within += Math.log1p(-above - below);
      if (i < root.length - 1) {
        double u = below + inside * cube(at, i + 1, shift);
        z[i] = Math.max(-WIDEST, Math.min(WIDEST, -ROOT_TWO * InverseErfc.value(2 * u)));
      }
    }
    return -Math.expm1(within);
  }

  /** A coordinate of a lattice point, shifted, and folded so that the integrand is periodic. */
  private static double cube(double at, int j, double[] shift) {
    double u = at * GENERATOR[j % GENERATOR.length] + shift[j];
    u -= Math.floor(u);
    return 1 - Math.abs(2 * u - 1);
  }

  private double spread(double u) {
    double z = -ROOT_TWO * InverseErfc.value(2 * u);
    double at = (Math.max(-WIDEST, Math.min(WIDEST, z)) + WIDEST) / (2 * WIDEST) * TABLE;
    // Cubic through the four places around.
    int i = (int) Math.max(1, Math.min(TABLE - 2, Math.floor(at)));
    double s = at - i;
    double a = spreads[i - 1];
    double b = spreads[i];
    double c = spreads[i + 1];
    double d = spreads[i + 2];
    return b
        + 0.5 * s * (c - a + s * (2 * a - 5 * b + 4 * c - d + s * (3 * (b - c) + d - a)));
  }

  @Override
  public double inverseSurvivalProbability(double p) {
    double low = twoSided ? 0 : -WIDEST;
    double high = 4;
    while (tail(high).p() > p) {
      low = high;
      high *= 2;
    }
    return new BrentSolver(QUANTILE_TOLERANCE, QUANTILE_TOLERANCE, 0)
        .findRoot(t -> Math.log(p) - Math.log(Math.max(Double.MIN_NORMAL, tail(t).p())), low, high);
  }

  @Override
  public String toString() {
    return root.length + " statistics with " + df + " degrees of freedom";
  }
}
