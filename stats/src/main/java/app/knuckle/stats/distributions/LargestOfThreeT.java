package app.knuckle.stats.distributions;

import java.util.ArrayList;
import java.util.List;
import org.apache.commons.statistics.distribution.NormalDistribution;

/**
 * The largest of three t statistics whose correlations are no products: given the first, the other
 * two have a correlation, which always is one. P = E [P(first beyond) + Int phi(z) P(one of the
 * others beyond | z) dz], and that probability is an integral over what these two share.
 *
 * @see "Genz, A. and Bretz, F. (2009). Computation of multivariate normal and t probabilities,
 *     section 2.2, for the reduction by conditioning"
 */
final class LargestOfThreeT implements LargestT {
  private static final NormalDistribution NORMAL = NormalDistribution.of(0, 1);

  /** The density beyond is below 1e-16. */
  private static final double FARTHEST = 8.5;

  /** Panels this wide take a normal probability to 1e-13. */
  private static final double PANEL = 1.7;

  /** Features narrower than this need panels of their own. */
  private static final double NARROW = 0.6;

  /** Widths about a feature beyond which it is flat. */
  private static final int REACH = 8;

  /** Spreads of their own below this count as this, which moves no p by 1e-9. */
  private static final double LEAST = 1e-8;

  /** As for the product form. */
  private static final double STEEPER = 1.5;

  private static final double QUANTILE_TOLERANCE = 0x1.0p-40;

  private final boolean twoSided;
  private final double df;
  private final ScaledChi chi;

  /** Regressions of the other two on the first. */
  private final double a;

  private final double b;

  /** What they share and have of their own, given the first. */
  private final double sharedA;

  private final double sharedB;
  private final double ownA;
  private final double ownB;
  private final RememberedTail known = new RememberedTail(this::exceeds);

  LargestOfThreeT(double[][] r, double df, boolean twoSided) {
    this.df = df;
    this.twoSided = twoSided;
    chi = new ScaledChi(df);
    int first = 0;
    for (int i = 1; i < 3; i++) {
      first = most(r, i) < most(r, first) ? i : first;
    }
    int j = (first + 1) % 3;
    int k = (first + 2) % 3;
    a = r[first][j];
    b = r[first][k];
    double sa = Math.sqrt(Math.max(0, (1 - a) * (1 + a)));
    double sb = Math.sqrt(Math.max(0, (1 - b) * (1 + b)));
    double rest = Math.max(-1, Math.min(1, (r[j][k] - a * b) / Math.max(LEAST, sa * sb)));
    double share = Math.sqrt(Math.abs(rest));
    double own = Math.sqrt(1 - Math.abs(rest));
    sharedA = sa * share;
    sharedB = Math.copySign(sb * share, rest);
    ownA = Math.max(LEAST, sa * own);
    ownB = Math.max(LEAST, sb * own);
  }

  private static double most(double[][] r, int i) {
    return Math.max(Math.abs(r[i][(i + 1) % 3]), Math.abs(r[i][(i + 2) % 3]));
  }

  @Override
  public Tail tail(double t) {
    if (twoSided && t <= 0) {
      return new Tail(1, 0);
    }
    double felt = Math.abs(t) / Math.sqrt(1 + t * t / df);
    return new Tail(Math.min(1, chi.average(STEEPER * (1 + felt), s -> known.at(t * s))), 0);
  }

  /** P(any beyond x) when the spread is known. */
  private double exceeds(double x) {
    double first = (twoSided ? 2 : 1) * NORMAL.survivalProbability(x);
    double low = twoSided ? -x : -FARTHEST;
    double high = Math.min(x, FARTHEST);
    if (high <= low) {
      return Math.min(1, first);
    }
    double[] ends = ends(low, high, List.of(new double[] {a, x}, new double[] {b, x}));
    return Math.min(
        1, first + GaussLegendre.integral(ends, z -> NORMAL.density(z) * othersExceed(x, z)));
  }

  private double othersExceed(double x, double z) {
    double[] ends =
        ends(
            -FARTHEST,
            FARTHEST,
            List.of(
                new double[] {sharedA, x - a * z, ownA},
                new double[] {sharedA, -x - a * z, ownA},
                new double[] {sharedB, x - b * z, ownB},
                new double[] {sharedB, -x - b * z, ownB}));
    return GaussLegendre.integral(
        ends,
        u -> {
          double one = beyond(x, a * z + sharedA * u, ownA);
          double two = beyond(x, b * z + sharedB * u, ownB);
          return NORMAL.density(u) * -Math.expm1(Math.log1p(-one) + Math.log1p(-two));
        });
  }

  private double beyond(double x, double mean, double own) {
    double above = NORMAL.survivalProbability((x - mean) / own);
    return Math.min(1, twoSided ? above + NORMAL.survivalProbability((x + mean) / own) : above);
  }

  /**
   * Panels over a range, and narrow ones about each feature: slope, place on the scale of the
   * statistic, and spread there (without one, that which the slope leaves).
   */
  private static double[] ends(double low, double high, List<double[]> features) {
    List<Double> ends = new ArrayList<>();
    int panels = Math.max(1, (int) Math.ceil((high - low) / PANEL));
    for (int i = 0; i <= panels; i++) {
      ends.add(low + (high - low) * i / panels);
    }
    for (double[] f : features) {
      double own = f.length > 2 ? f[2] : Math.sqrt(Math.max(0, (1 - f[0]) * (1 + f[0])));
      double width = Math.max(LEAST, own) / Math.abs(f[0]);
      for (int i = -REACH; width < NARROW && i <= REACH; i += 2) {
        ends.add(Math.max(low, Math.min(high, f[1] / f[0] + i * width)));
        if (f.length == 2) {
          ends.add(Math.max(low, Math.min(high, -f[1] / f[0] + i * width)));
        }
      }
    }
    return ends.stream().mapToDouble(e -> e).toArray();
  }

  @Override
  public double inverseSurvivalProbability(double p) {
    // What is remembered begins above 0, where every level of significance in use lies.
    double low = tail(0).p() > p ? 0 : -FARTHEST;
    return CriticalValue.of(p, low, QUANTILE_TOLERANCE, t -> tail(t).p());
  }
}
