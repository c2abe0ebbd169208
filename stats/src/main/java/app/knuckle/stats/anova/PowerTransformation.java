package app.knuckle.stats.anova;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.apache.commons.numbers.rootfinder.BrentSolver;
import org.apache.commons.statistics.distribution.ChiSquaredDistribution;

/**
 * The power that makes a one-way layout most nearly normal with equal spread.
 *
 * @param lambda where the log-likelihood is largest, within -5 to 5
 * @param logLikelihood there, constants left out
 * @param low lower limit of the interval; absent if it lies outside the range
 * @param high upper limit; absent if it lies outside the range
 * @param profile the log-likelihood at usual powers
 * @see "Box, G. E. P. and Cox, D. R. (1964). An analysis of transformations. Journal of the Royal
 *     Statistical Society B 26, 211-252, eq. 8"
 */
public record PowerTransformation(
    double lambda, double logLikelihood, Quantity low, Quantity high, List<Point> profile) {

  private static final double RANGE = 5;
  private static final double[] USUAL = {-2, -1.5, -1, -0.5, 0, 0.5, 1, 1.5, 2};

  /** The log-likelihood has one maximum in practice; a coarse look finds its surroundings. */
  private static final double LOOK = 0.25;

  private static final double TOLERANCE = 1e-13;
  private static final double GOLDEN = (Math.sqrt(5) - 1) / 2;

  public PowerTransformation {
    profile = List.copyOf(profile);
  }

  /**
   * A point of the profile.
   *
   * @param lambda the power
   * @param logLikelihood its log-likelihood
   */
  public record Point(double lambda, double logLikelihood) {}

  /**
   * Looks for the power.
   *
   * @param groups values of each group, all above 0
   * @param alpha one less the confidence of the interval
   * @return the power; empty if a value is not above 0 or there is no spread
   */
  public static Optional<PowerTransformation> of(double[][] groups, double alpha) {
    for (double[] group : groups) {
      for (double v : group) {
        if (!(v > 0)) {
          return Optional.empty();
        }
      }
    }
    Likelihood likelihood = new Likelihood(groups);
    double best = -RANGE;
    for (double x = -RANGE; x <= RANGE; x += LOOK) {
      best = likelihood.at(x) > likelihood.at(best) ? x : best;
    }
    if (!Double.isFinite(likelihood.at(best))) {
      return Optional.empty();
    }
    double lambda = likelihood.top(Math.max(-RANGE, best - LOOK), Math.min(RANGE, best + LOOK));
    double top = likelihood.at(lambda);
    double level = top - ChiSquaredDistribution.of(1).inverseSurvivalProbability(alpha) / 2;
    List<Point> profile = new ArrayList<>();
    for (double x : USUAL) {
      profile.add(new Point(x, likelihood.at(x)));
    }
    return Optional.of(
        new PowerTransformation(
            lambda,
            top,
            limit(likelihood, -RANGE, lambda, level),
            limit(likelihood, RANGE, lambda, level),
            profile));
  }

  private static Quantity limit(Likelihood likelihood, double end, double lambda, double level) {
    if (likelihood.at(end) > level) {
      return Quantity.absent(Absence.LIMIT_BEYOND);
    }
    return Quantity.of(
        new BrentSolver(TOLERANCE, TOLERANCE, 0)
            .findRoot(x -> likelihood.at(x) - level, Math.min(end, lambda), Math.max(end, lambda)));
  }

  /**
   * The log-likelihood of a power. Values are taken over their geometric mean, which changes it by
   * a constant only, and keeps the digits that powers of large or small values would lose.
   */
  private static final class Likelihood {
    private final double[][] logs;
    private final double meanLog;
    private final int n;

    /** Logarithms are taken of shares of one value, whose differences from it are exact. */
    Likelihood(double[][] groups) {
      double one = Arrays.stream(groups).flatMapToDouble(Arrays::stream).findFirst().orElse(1);
      logs = new double[groups.length][];
      double sum = 0;
      int count = 0;
      for (int g = 0; g < groups.length; g++) {
        logs[g] = new double[groups[g].length];
        for (int i = 0; i < logs[g].length; i++) {
          logs[g][i] = log(groups[g][i], one);
          sum += logs[g][i];
          count++;
        }
      }
      n = count;
      double mean = sum / n;
      meanLog = Math.log(one) + mean;
      for (double[] group : logs) {
        Arrays.setAll(group, i -> group[i] - mean);
      }
    }

    private static double log(double value, double one) {
      double share = (value - one) / one;
      return Math.abs(share) < 1 ? Math.log1p(share) : Math.log(value) - Math.log(one);
    }

    double at(double lambda) {
      double rss = 0;
      for (double[] group : logs) {
        double mean = 0;
        for (double x : group) {
          mean += power(x, lambda);
        }
        mean /= Math.max(1, group.length);
        for (double x : group) {
          double d = power(x, lambda) - mean;
          rss += d * d;
        }
      }
      return -0.5 * n * Math.log(rss / n) - n * meanLog;
    }

    private static double power(double log, double lambda) {
      return lambda == 0 ? log : Math.expm1(lambda * log) / lambda;
    }

    /** Golden sections find the surroundings of the top, a root of the slope the top itself. */
    double top(double from, double to) {
      double a = from;
      double b = to;
      while (b - a > 1e-5) {
        double x = b - GOLDEN * (b - a);
        double y = a + GOLDEN * (b - a);
        if (at(x) > at(y)) {
          b = y;
        } else {
          a = x;
        }
      }
      double low = Math.max(-RANGE, a - 1e-4);
      double high = Math.min(RANGE, b + 1e-4);
      if (slope(low) <= 0) {
        return low; // The likelihood falls from the lower end of the range.
      }
      if (slope(high) >= 0) {
        return high; // It rises up to the upper end.
      }
      return new BrentSolver(TOLERANCE, TOLERANCE, 0).findRoot(this::slope, low, high);
    }

    /** d/dlambda of the log-likelihood. */
    private double slope(double lambda) {
      double rss = 0;
      double change = 0;
      for (double[] group : logs) {
        double mean = 0;
        double meanSlope = 0;
        for (double x : group) {
          mean += power(x, lambda);
          meanSlope += powerSlope(x, lambda);
        }
        mean /= Math.max(1, group.length);
        meanSlope /= Math.max(1, group.length);
        for (double x : group) {
          double d = power(x, lambda) - mean;
          rss += d * d;
          change += d * (powerSlope(x, lambda) - meanSlope);
        }
      }
      return -n * change / rss;
    }

    /** d/dlambda of (e^(lambda x) - 1) / lambda. */
    private static double powerSlope(double log, double lambda) {
      double u = lambda * log;
      if (Math.abs(u) < 1e-4) {
        return log * log * (0.5 + u / 3 + u * u / 8 + u * u * u / 30);
      }
      return (log * Math.exp(u) - Math.expm1(u) / lambda) / lambda;
    }
  }
}
