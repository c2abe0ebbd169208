package app.knuckle.stats.distributions;

import java.util.function.DoubleUnaryOperator;
import org.apache.commons.numbers.gamma.LogGamma;
import org.apache.commons.numbers.rootfinder.BrentSolver;

/**
 * The studentized range: the range of {@code groups} independent normal values over an independent
 * estimate of their standard deviation.
 *
 * <p>{@code P(Q > q) = Int f(s) P(range > q s) ds}, with {@code s = sqrt(chi2(df) / df)}. The
 * integral is taken over {@code u = ln s}, where the integrand is analytic in the strip |Im u| <
 * pi/4 and falls on both sides, by the trapezoidal rule, started at s = 1 and carried both ways
 * until the terms no longer count. Lower and upper probabilities are summed separately, so both
 * keep their relative accuracy (about 1e-12) down to 1e-300.
 *
 * @see "Tukey, J. W. (1953). The problem of multiple comparisons. Princeton University"
 * @see "Copenhaver, M. D. and Holland, B. (1988). Journal of Statistical Computation and Simulation
 *     30, 1-15"
 */
public final class StudentizedRangeDistribution {

  /**
   * Largest step in u. The density alone would allow 0.15 (error exp(-pi^2 / (2 step))); the range
   * as a function of u has features of its own, and 0.11 keeps the whole table within 1e-12.
   */
  private static final double LARGEST_STEP = 0.11;

  /**
   * Step in standard deviations of u when there are many degrees of freedom; u is then nearly
   * normal with variance 1 / (2 df), and the error falls like exp(-2 pi^2 / step^2).
   */
  private static final double STEP_IN_DEVIATIONS = 0.4;

  /**
   * With very many means the distribution of the range itself narrows, its width in u being about
   * one over its mean, so that the step must follow it.
   */
  private static final double STEP_IN_RANGE_WIDTHS = 0.3;

  /** Densities kept to each side of s = 1, where nearly every walk ends. */
  private static final int KEPT = 64;

  /** Terms fall faster than geometrically: one below this share of the sum ends it. */
  private static final double NEGLIGIBLE = 0x1.0p-52;

  /** No double differs from 0 beyond it: exp(-746) is 0, and s no longer counts in any q s. */
  private static final double FARTHEST = 746;

  /** Quantiles are bracketed until the bracket is this narrow, relative to the quantile. */
  private static final double QUANTILE_TOLERANCE = 0x1.0p-50;

  /** From here on the estimate of the standard deviation counts as the standard deviation. */
  private static final double INFINITE_DF = 1e12;

  /** From here on the series below is right to a double (first term left out: 2e-3 / x^11). */
  private static final double STIRLING_FROM = 16;

  /** Abramowitz and Stegun (1964), 6.1.41. */
  private static final double[] STIRLING = {
    1.0 / 12, -1.0 / 360, 1.0 / 1260, -1.0 / 1680, 1.0 / 1188
  };

  private final int groups;
  private final double df;
  private final NormalRange range;
  private final double step;
  private final double logConstant;
  private final double[] densitiesAbove = new double[KEPT];
  private final double[] densitiesBelow = new double[KEPT];
  private final double[] scalesAbove = new double[KEPT];
  private final double[] scalesBelow = new double[KEPT];

  private StudentizedRangeDistribution(int groups, double df) {
    this.groups = groups;
    this.df = df;
    range = NormalRange.of(groups);
    double rangeWidth = STEP_IN_RANGE_WIDTHS / (2 + Math.sqrt(2 * Math.log(groups)));
    step = Math.min(Math.min(LARGEST_STEP, rangeWidth), STEP_IN_DEVIATIONS / Math.sqrt(2 * df));
    // The density of u is 2 (df/2)^(df/2) / Gamma(df/2) exp(df u - df e^2u / 2). Its constant holds
    // exp(-df/2) too, so that the exponent in term() starts from 0 at u = 0.
    double x = 0.5 * df;
    logConstant = Math.log(2) + 0.5 * Math.log(x / (2 * Math.PI)) - stirlingError(x);
    for (int i = 0; i < KEPT; i++) {
      double u = (i + 1) * step;
      densitiesAbove[i] = density(u);
      densitiesBelow[i] = density(-u);
      scalesAbove[i] = Math.exp(u);
      scalesBelow[i] = Math.exp(-u);
    }
  }

  /**
   * The distribution for a number of means and degrees of freedom.
   *
   * @param groups number of means, at least 2
   * @param df degrees of freedom of the estimated standard deviation, above 0; infinity when it is
   *     known
   * @return the distribution
   * @throws IllegalArgumentException if an argument is outside its range
   */
  public static StudentizedRangeDistribution of(int groups, double df) {
    if (groups < 2 || !(df > 0)) {
      throw new IllegalArgumentException(
          "Needs 2 groups or more and df > 0: " + groups + ", " + df);
    }
    return new StudentizedRangeDistribution(groups, df);
  }

  /**
   * P(Q &lt;= q).
   *
   * @param q any number
   * @return the probability, from 0 to 1
   */
  public double cumulativeProbability(double q) {
    if (!(q > 0)) {
      return Double.isNaN(q) ? q : 0;
    }
    return q == Double.POSITIVE_INFINITY ? 1 : mixture(s -> range.lower(q * s));
  }

  /**
   * P(Q &gt; q), accurate however small it is.
   *
   * @param q any number
   * @return the probability, from 0 to 1
   */
  public double survivalProbability(double q) {
    if (!(q > 0)) {
      return Double.isNaN(q) ? q : 1;
    }
    return q == Double.POSITIVE_INFINITY ? 0 : mixture(s -> range.upper(q * s));
  }

  /**
   * The q with P(Q &gt; q) = p: the critical value at level p.
   *
   * @param p between 0 and 1, both excluded
   * @return the quantile, above 0
   * @throws IllegalArgumentException if p is outside its range
   */
  public double inverseSurvivalProbability(double p) {
    checkProbability(p);
    // On the scale of the logarithm the tail is nearly straight, so few steps are needed.
    double target = Math.log(p);
    return p <= 0.5
        ? root(q -> target - Math.log(survivalProbability(q)))
        : root(q -> Math.log(cumulativeProbability(q)) - Math.log1p(-p));
  }

  /**
   * The q with P(Q &gt; q) = p, looked for where a law like this one has its own.
   *
   * @param p between 0 and 1, both excluded
   * @param near above 0; how near tells only how long it takes
   * @return the quantile, above 0
   * @throws IllegalArgumentException if p is outside its range
   */
  public double inverseSurvivalProbability(double p, double near) {
    if (p > 0.5) {
      return inverseSurvivalProbability(p); // Where the tail's logarithm is flat.
    }
    checkProbability(p);
    double target = Math.log(p);
    return rootNear(q -> target - Math.log(survivalProbability(q)), near);
  }

  /**
   * The q with P(Q &lt;= q) = p.
   *
   * @param p between 0 and 1, both excluded
   * @return the quantile, above 0
   * @throws IllegalArgumentException if p is outside its range
   */
  public double inverseCumulativeProbability(double p) {
    checkProbability(p);
    return p < 0.5
        ? root(q -> Math.log(cumulativeProbability(q)) - Math.log(p))
        : root(q -> Math.log1p(-p) - Math.log(survivalProbability(q)));
  }

  private static void checkProbability(double p) {
    if (!(p > 0 && p < 1)) {
      throw new IllegalArgumentException("A probability between 0 and 1 is needed: " + p);
    }
  }

  /** Averages a probability over the estimated standard deviation s. */
  private double mixture(DoubleUnaryOperator given) {
    if (df >= INFINITE_DF) {
      return given.applyAsDouble(1);
    }
    double start = term(0, given);
    double rightward = walk(start, start, step, given);
    return Math.min(1, step * walk(rightward, start, -step, given));
  }

  /**
   * Adds the terms beyond u = 0 in one direction to a sum. The terms have one peak, so the walk may
   * climb at first (even from terms too small for a double) and ends once they fall and no longer
   * count.
   */
  private double walk(double sum, double start, double step, DoubleUnaryOperator given) {
    double total = sum;
    double before = start;
    boolean rightward = step > 0;
    double[] densities = rightward ? densitiesAbove : densitiesBelow;
    double[] scales = rightward ? scalesAbove : scalesBelow;
    double u = 0;
    for (int i = 0; Math.abs(u) < FARTHEST; i++) {
      u = (i + 1) * step;
      double density = i < KEPT ? densities[i] : density(u);
      if (density == 0) {
        break; // It only falls from here on.
      }
      double term = density * given.applyAsDouble(i < KEPT ? scales[i] : Math.exp(u));
      total += term;
      if (total > 0 && term <= before && term <= total * NEGLIGIBLE) {
        break;
      }
      before = term;
    }
    return total;
  }

  /**
   * ln Gamma(x) - [(x - 1/2) ln x - x + ln(2 pi)/2]: what Stirling's formula leaves out. Taken by
   * itself, since the difference of the large terms would lose digits.
   */
  private static double stirlingError(double x) {
    if (x < STIRLING_FROM) {
      return LogGamma.value(x) - ((x - 0.5) * Math.log(x) - x + 0.5 * Math.log(2 * Math.PI));
    }
    double r = 1 / (x * x);
    double series = 0;
    for (int i = STIRLING.length - 1; i >= 0; i--) {
      series = series * r + STIRLING[i];
    }
    return series / x;
  }

  private double term(double u, DoubleUnaryOperator given) {
    double density = density(u);
    return density == 0 ? 0 : density * given.applyAsDouble(Math.exp(u));
  }

  private double density(double u) {
    // df u - df (e^2u - 1)/2: expm1 keeps the digits that a large df would lose near u = 0.
    return Math.exp(logConstant + df * (u - 0.5 * Math.expm1(2 * u)));
  }

  /** Root of an increasing function of q > 0, bracketed by doubling, closed by Brent's method. */
  private double root(DoubleUnaryOperator rising) {
    double low = 1;
    double high = 2 + Math.sqrt(2 * Math.log(groups));
    while (rising.applyAsDouble(high) < 0) {
      low = high;
      high *= 2;
    }
    while (rising.applyAsDouble(low) > 0) {
      high = low;
      low *= 0.5;
    }
    return new BrentSolver(QUANTILE_TOLERANCE, 0, 0).findRoot(rising, low, high);
  }

  /** Half the width about a near value in which a root is looked for first, relative. */
  private static final double FIRST_WIDTH = 1e-3;

  private double rootNear(DoubleUnaryOperator rising, double near) {
    for (double width = FIRST_WIDTH; width < 1; width *= 4) {
      double low = near * (1 - width);
      double high = near * (1 + width);
      if (rising.applyAsDouble(low) <= 0 && rising.applyAsDouble(high) >= 0) {
        return new BrentSolver(QUANTILE_TOLERANCE, 0, 0).findRoot(rising, low, high);
      }
    }
    return root(rising);
  }
}
