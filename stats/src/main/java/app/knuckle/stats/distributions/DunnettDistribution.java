package app.knuckle.stats.distributions;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.apache.commons.statistics.distribution.NormalDistribution;

/**
 * The largest of several t statistics that share a reference and an estimate of spread: their
 * correlations are products l_i l_j. P = E Int phi(z) Prod P(one stays below | z, s) dz, with s the
 * estimated standard deviation. Tails are summed as tails, so that small ones keep their digits.
 *
 * @see "Dunnett, C. W. (1955). A multiple comparison procedure for comparing several treatments
 *     with a control. Journal of the American Statistical Association 50, 1096-1121"
 * @see "Dunnett, C. W. (1964). New tables for multiple comparisons with a control. Biometrics 20,
 *     482-491"
 */
public final class DunnettDistribution implements LargestT {

  private static final NormalDistribution NORMAL = NormalDistribution.of(0, 1);

  /** The density of z beyond is below 1e-30. */
  private static final double FARTHEST_Z = 11.8;

  /** A normal density this many deviations from its peak is below 1e-17 of it. */
  private static final double BESIDE_PEAK = 9;

  /** The tail of a normal variable beyond is 0 as a double. */
  private static final double NOTHING = 40;

  /** Largest step in z: the trapezoidal error of a normal density is then exp(-2 pi^2 / h^2). */
  private static final double LARGEST_STEP = 0.3;

  /** Steps within the narrowest feature in z, whose width is c / l. */
  private static final double STEP_IN_FEATURES = 0.3;

  /** The largest of several changes faster with s than each of them. */
  private static final double STEEPER = 1.5;

  /** Where equal steps would be finer than this, panels need fewer points. */
  private static final double FINEST_STEP = 0.03;

  /** Features wider than this need no panels of their own beside those that are one wide. */
  private static final double NARROW = 0.5;

  /** Widths on both sides of a feature beyond which it is flat, or steep but negligible. */
  private static final int REACH = 10;

  private static final double QUANTILE_TOLERANCE = 0x1.0p-46;

  private final double[] l;
  private final double[] c;
  private final int[] times;
  private final boolean twoSided;
  private final double df;
  private final ScaledChi chi;
  private final double step;
  private final RememberedTail known = new RememberedTail(this::summed);

  private DunnettDistribution(double[] loadings, double df, boolean twoSided) {
    // Equal loadings, as of equal groups, need one probability for all.
    l = Arrays.stream(loadings).map(x -> x + 0.0).distinct().toArray(); // No zero below zero.
    times = new int[l.length];
    for (int i = 0; i < l.length; i++) {
      double own = l[i];
      times[i] = (int) Arrays.stream(loadings).filter(x -> x == own).count();
    }
    c = Arrays.stream(l).map(x -> Math.sqrt((1 - x) * (1 + x))).toArray();
    this.twoSided = twoSided;
    this.df = df;
    chi = new ScaledChi(df);
    double narrowest = LARGEST_STEP;
    for (int i = 0; i < l.length; i++) {
      narrowest =
          Math.min(narrowest, l[i] == 0 ? LARGEST_STEP : STEP_IN_FEATURES * c[i] / Math.abs(l[i]));
    }
    step = narrowest;
  }

  /**
   * The distribution.
   *
   * @param loadings l of each statistic, between -1 and 1; the correlation of two is their product
   * @param df degrees of freedom, above 0; infinity when the spread is known
   * @param twoSided whether sizes are compared, rather than values
   * @return the distribution of the largest
   */
  public static DunnettDistribution of(double[] loadings, double df, boolean twoSided) {
    return new DunnettDistribution(loadings, df, twoSided);
  }

  /**
   * P(largest &gt; t).
   *
   * @param t any number
   * @return the probability
   */
  public double survivalProbability(double t) {
    return twoSided && t <= 0
        ? 1
        : Math.min(1, chi.average(STEEPER * (1 + felt(t)), s -> known.at(t * s)));
  }

  @Override
  public Tail tail(double t) {
    return new Tail(survivalProbability(t), 0);
  }

  /**
   * How steep a bell of t s is in ln s where the average gathers: at s^2 = df / (df + t^2), the
   * largest of s^df exp(-df s^2 / 2 - t^2 s^2 / 2). Few degrees of freedom feel little of a large
   * t.
   */
  private double felt(double t) {
    return Math.abs(t) / Math.sqrt(1 + t * t / df);
  }

  /** P(largest > x) when the spread is known. */
  private double summed(double x) {
    if (step < FINEST_STEP) {
      return GaussLegendre.integral(ends(x), z -> exceeds(x, z));
    }
    double sum = 0;
    int least = (int) Math.floor(-farthest(x, -1) / step);
    int most = (int) Math.ceil(farthest(x, 1) / step);
    for (int i = least; i <= most; i++) {
      sum += exceeds(x, i * step);
    }
    return step * sum;
  }

  /**
   * How far from 0 the shared part counts on one side. Where it is l x a statistic that passes x
   * most likely has it, with a deviation of c: a far tail gathers there.
   */
  private double farthest(double x, int side) {
    double far = FARTHEST_Z;
    for (int j = 0; j < l.length; j++) {
      double at = (twoSided ? Math.abs(l[j]) : side * l[j]) * Math.max(0, Math.min(x, NOTHING));
      far = Math.max(far, at + BESIDE_PEAK * c[j]);
    }
    return far;
  }

  /** The same where the shared part is z, times its density. */
  private double exceeds(double x, double z) {
    double logBelow = 0;
    for (int j = 0; j < l.length; j++) {
      double above = NORMAL.survivalProbability((x - l[j] * z) / c[j]);
      double below = twoSided ? NORMAL.survivalProbability((x + l[j] * z) / c[j]) : 0;
      logBelow += times[j] * Math.log1p(-Math.min(1, above + below));
    }
    return NORMAL.density(z) * -Math.expm1(logBelow);
  }

  /** Panels one wide, and narrower ones about z = x / l, where one statistic passes x. */
  private double[] ends(double x) {
    List<Double> ends = new ArrayList<>();
    double low = -Math.ceil(farthest(x, -1));
    double high = Math.ceil(farthest(x, 1));
    for (double z = low; z <= high; z++) {
      ends.add(z);
    }
    for (int j = 0; j < l.length; j++) {
      double width = c[j] / Math.abs(l[j]);
      for (int i = -REACH; width < NARROW && i <= REACH; i += 2) {
        double z = x / l[j] + i * width;
        ends.add(Math.max(low, Math.min(high, z)));
        ends.add(Math.max(low, Math.min(high, -z)));
      }
    }
    return ends.stream().mapToDouble(z -> z).toArray();
  }

  @Override
  public double inverseSurvivalProbability(double p) {
    double low = twoSided ? 0 : -FARTHEST_Z;
    return CriticalValue.of(p, low, QUANTILE_TOLERANCE, this::survivalProbability);
  }
}
