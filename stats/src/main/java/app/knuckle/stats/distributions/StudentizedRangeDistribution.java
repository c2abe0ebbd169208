package app.knuckle.stats.distributions;

import java.util.function.DoubleUnaryOperator;
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
   * Where there are many degrees of freedom, or very many means, the integrand is about a normal
   * density in u, as {@link #grid} says, and the error of steps of this many deviations is exp(-2
   * pi^2 / step^2), 2e-24.
   */
  private static final double STEP_IN_DEVIATIONS = 0.6;

  private static final double RANGE_SHARPNESS = 1.8;

  /** Quantiles are bracketed until the bracket is this narrow, relative to the quantile. */
  private static final double QUANTILE_TOLERANCE = 0x1.0p-50;

  private final int groups;
  private final ScaleDensity density;
  private final NormalRange range;
  private final ScaleGrid gridOfUpper;
  private final ScaleGrid gridOfLower;

  private StudentizedRangeDistribution(int groups, double df) {
    this.groups = groups;
    density = new ScaleDensity(df);
    range = NormalRange.of(groups);
    gridOfUpper = grid(df);
    gridOfLower = grid(df + groups);
  }

  /**
   * A grid on which the integrand is smooth. One over the deviation in u of the density is sqrt(2
   * df). The range of k values has a mean about 1.8 ln k times its deviation (1.3 for 2 values, 2.7
   * for 5, 8.3 for 100), which is how sharply its probability turns in u. Frequencies of a product
   * add like variances.
   *
   * @param exponent the integrand rises as e to this times u: df, and for the lower tail, which
   *     goes as w^(k-1), nearly as many more as there are groups
   */
  private ScaleGrid grid(double exponent) {
    double turns = RANGE_SHARPNESS * Math.log(groups);
    double sharpness = Math.sqrt(2 * exponent + turns * turns);
    return new ScaleGrid(density, Math.min(LARGEST_STEP, STEP_IN_DEVIATIONS / sharpness));
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
    return q == Double.POSITIVE_INFINITY ? 1 : average(gridOfLower, s -> range.lower(q * s));
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
    return q == Double.POSITIVE_INFINITY ? 0 : average(gridOfUpper, s -> range.upper(q * s));
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
   * The q with P(Q &gt; q) = p, looked for where a distribution like this one has its own.
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

  private double average(ScaleGrid grid, DoubleUnaryOperator given) {
    return density.isOne() ? given.applyAsDouble(1) : Math.min(1, grid.average(given));
  }

  private static void checkProbability(double p) {
    if (!(p > 0 && p < 1)) {
      throw new IllegalArgumentException("A probability between 0 and 1 is needed: " + p);
    }
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
