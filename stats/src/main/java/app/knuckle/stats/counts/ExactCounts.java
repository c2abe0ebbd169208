package app.knuckle.stats.counts;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.compare.Direction;
import java.util.function.DoubleUnaryOperator;

/**
 * Exact tests of two groups, given their total: of proportions after Fisher, of rates by the
 * binomial distribution.
 *
 * @param greater P of the left count, or more
 * @param less P of the left count, or fewer
 * @param either P of all that are no more probable
 * @param own P of the very count
 * @param ratio of the odds, or of the rates; absent where it has no value
 * @param conditional odds ratio whose expectation is the count; absent for rates
 * @param low lower limit of the ratio
 * @param high upper limit
 */
public record ExactCounts(
    double greater,
    double less,
    double either,
    double own,
    Quantity ratio,
    Quantity conditional,
    Quantity low,
    Quantity high) {

  /** Sums of many probabilities pass 1 by rounding. */
  public ExactCounts {
    greater = Math.min(1, greater);
    less = Math.min(1, less);
    either = Math.min(1, either);
  }

  /** More possible tables than this are not counted. */
  public static final int MOST_TABLES = 100_000;

  /** Probabilities this close, relative, are equal but for rounding. */
  private static final double EQUAL = 1e-10;

  private static final int BISECTIONS = 200;

  /**
   * P in a direction.
   *
   * @param direction in which a difference is looked for
   * @return from 0 to 1
   */
  public double p(Direction direction) {
    return switch (direction) {
      case EITHER -> either;
      case GREATER -> greater;
      case LESS -> less;
    };
  }

  /** Twice the smaller tail: at most 1. */
  public double doubled() {
    return Math.min(1, 2 * Math.min(greater, less));
  }

  /**
   * The mid-p: half of the very count belongs to either side.
   *
   * @param direction in which a difference is looked for
   * @return from 0 to 1
   * @see "Lancaster, H. O. (1961). Significance tests in discrete distributions. J. Am. Stat.
   *     Assoc. 56, 223-234"
   */
  public double mid(Direction direction) {
    double above = greater - own / 2;
    double below = less - own / 2;
    return switch (direction) {
      case EITHER -> Math.min(1, 2 * Math.min(above, below));
      case GREATER -> above;
      case LESS -> below;
    };
  }

  /**
   * Fisher's test.
   *
   * @param left successes of the left group
   * @param leftOf how many were tried there
   * @param right successes of the right group
   * @param rightOf how many were tried there
   * @param direction in which a difference is looked for
   * @param alpha one less the confidence
   * @return null of too many tables
   * @see "Fisher, R. A. (1935). The logic of inductive inference. J. R. Stat. Soc. 98, 39-82"
   */
  public static ExactCounts fisher(
      long left, long leftOf, long right, long rightOf, Direction direction, double alpha) {
    long total = left + right;
    long least = Math.max(0, total - rightOf);
    long most = Math.min(leftOf, total);
    if (most - least + 1 > MOST_TABLES) {
      return null;
    }
    Weights weights =
        new Weights(
            least, most, x -> (leftOf - x) * (total - x) / ((x + 1) * (rightOf - total + x + 1)));
    Tails tails = weights.tails(left, 0);
    double denominator = (double) right * (leftOf - left);
    Quantity ratio =
        denominator == 0
            ? Quantity.absent(Absence.ONE_HAS_NONE_OR_ALL)
            : Quantity.of((double) left * (rightOf - right) / denominator);
    Quantity conditional =
        least == most
            ? Quantity.absent(Absence.ONE_TABLE)
            : left == least
                ? Quantity.of(0)
                : left == most
                    ? Quantity.absent(Absence.RATIO_WITHOUT_END)
                    : Quantity.of(Math.exp(solve(t -> weights.mean(t) - left)));
    double each = direction == Direction.EITHER ? alpha / 2 : alpha;
    Quantity low =
        direction == Direction.LESS
            ? Quantity.absent(Absence.ONE_LIMIT)
            : left == least
                ? Quantity.of(0)
                : Quantity.of(Math.exp(solve(t -> weights.tails(left, t).greater() - each)));
    Quantity high =
        direction == Direction.GREATER
            ? Quantity.absent(Absence.ONE_LIMIT)
            : left == most
                ? Quantity.absent(Absence.RATIO_WITHOUT_END)
                : Quantity.of(Math.exp(solve(t -> each - weights.tails(left, t).less())));
    return new ExactCounts(
        tails.greater(), tails.less(), tails.either(), tails.own(), ratio, conditional, low, high);
  }

  /** The place where a rising function of the log ratio passes 0. */
  private static double solve(DoubleUnaryOperator rising) {
    double low = -1;
    double high = 1;
    while (rising.applyAsDouble(low) > 0) {
      low *= 2;
    }
    while (rising.applyAsDouble(high) < 0) {
      high *= 2;
    }
    for (int i = 0; i < BISECTIONS; i++) {
      double middle = (low + high) / 2;
      if (middle == low || middle == high) {
        break;
      }
      if (rising.applyAsDouble(middle) < 0) {
        low = middle;
      } else {
        high = middle;
      }
    }
    return (low + high) / 2;
  }

  /**
   * The test of two rates.
   *
   * @param left count of the left group
   * @param leftOf its exposure
   * @param right count of the right group
   * @param rightOf its exposure
   * @param direction in which a difference is looked for
   * @param alpha one less the confidence
   * @return null of too many tables
   * @see "Przyborowski, J. and Wilenski, H. (1940). Homogeneity of results in testing samples from
   *     Poisson series. Biometrika 31, 313-323"
   */
  public static ExactCounts rates(
      long left, double leftOf, long right, double rightOf, Direction direction, double alpha) {
    long total = left + right;
    if (total + 1 > MOST_TABLES) {
      return null;
    }
    if (total == 0) {
      Quantity none = Quantity.absent(Absence.NOTHING_COUNTED_IN_EITHER);
      return new ExactCounts(1, 1, 1, 1, none, none, none, none);
    }
    double odds = leftOf / rightOf;
    Weights weights = new Weights(0, total, x -> (total - x) / (x + 1) * odds);
    Tails tails = weights.tails(left, 0);
    Quantity ratio =
        right == 0
            ? Quantity.absent(Absence.RATIO_WITHOUT_END)
            : Quantity.of(left / leftOf / (right / rightOf));
    double each = direction == Direction.EITHER ? alpha : 2 * alpha;
    CountIntervals share = CountIntervals.exact(left, total, each);
    return new ExactCounts(
        tails.greater(),
        tails.less(),
        tails.either(),
        tails.own(),
        ratio,
        Quantity.absent(Absence.RATES_HAVE_NO_ODDS),
        direction == Direction.LESS
            ? Quantity.absent(Absence.ONE_LIMIT)
            : Quantity.of(share.low() / (1 - share.low()) / odds),
        direction == Direction.GREATER
            ? Quantity.absent(Absence.ONE_LIMIT)
            : Quantity.finite(share.high() / (1 - share.high()) / odds, Absence.RATIO_WITHOUT_END));
  }

  /** Probabilities of the tails. */
  private record Tails(double greater, double less, double either, double own) {}

  /** Weights of all counts that are possible, each from its neighbour, the largest 1. */
  private static final class Weights {
    private final long least;
    private final double[] logs;

    Weights(long least, long most, DoubleUnaryOperator ratio) {
      this.least = least;
      logs = new double[(int) (most - least + 1)];
      for (int i = 1; i < logs.length; i++) {
        logs[i] = logs[i - 1] + Math.log(ratio.applyAsDouble(least + i - 1.0));
      }
    }

    /** Weights with the odds multiplied by the exponential of a number, the largest 1. */
    private double[] at(double t) {
      double[] weights = new double[logs.length];
      double largest = Double.NEGATIVE_INFINITY;
      for (int i = 0; i < weights.length; i++) {
        weights[i] = logs[i] + t * i;
        largest = Math.max(largest, weights[i]);
      }
      for (int i = 0; i < weights.length; i++) {
        weights[i] = Math.exp(weights[i] - largest);
      }
      return weights;
    }

    Tails tails(long count, double t) {
      double[] w = at(t);
      int own = (int) (count - least);
      double below = 0;
      double above = 0;
      double unlikely = 0;
      for (int i = 0; i < w.length; i++) {
        below += i < own ? w[i] : 0;
        above += i > own ? w[i] : 0;
        unlikely += w[i] <= w[own] * (1 + EQUAL) ? w[i] : 0;
      }
      double all = below + above + w[own];
      return new Tails(
          (above + w[own]) / all, (below + w[own]) / all, unlikely / all, w[own] / all);
    }

    double mean(double t) {
      double[] w = at(t);
      double sum = 0;
      double all = 0;
      for (int i = 0; i < w.length; i++) {
        sum += w[i] * (least + i);
        all += w[i];
      }
      return sum / all;
    }
  }
}
