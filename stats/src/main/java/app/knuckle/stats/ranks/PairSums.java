package app.knuckle.stats.ranks;

import java.util.Arrays;

/**
 * Sums of a value of one sorted sample and a value of another, in order, without forming them all:
 * sums rise along rows and columns, so that those up to a bound are counted in one walk. The bound
 * is closed in until few sums are left, which are then formed and sorted.
 *
 * @see "Johnson, D. B. and Mizoguchi, T. (1978). Selecting the Kth element in X + Y. SIAM Journal
 *     on Computing 7, 147-153"
 */
final class PairSums implements OrderStatistics {

  /** One sum for so many values is formed: sorting them then costs less than one more walk. */
  private static final int VALUES_A_SUM = 8;

  /** No two doubles are further apart than this many halvings, of which one in three is sure. */
  private static final int MOST_HALVINGS = 3 * 2200;

  /** How far from the place where a sum is expected the cuts are made, as a share. */
  private static final double MARGIN = 0.02;

  private final double[] x;
  private final double[] y;
  private final boolean upper;
  private final long size;

  /** The sums formed last, and how many lie below them: neighbours are often wanted together. */
  private double[] formed = {};

  private long belowFormed;

  /**
   * The sums.
   *
   * @param x sorted
   * @param y sorted
   * @param upper whether only sums of x_i and y_j with j not below i are meant
   */
  PairSums(double[] x, double[] y, boolean upper) {
    this.x = x;
    this.y = y;
    this.upper = upper;
    size = upper ? x.length * (x.length + 1L) / 2 : (long) x.length * y.length;
  }

  @Override
  public long size() {
    return size;
  }

  @Override
  public double at(long place) {
    if (place >= belowFormed && place < belowFormed + formed.length) {
      return formed[(int) (place - belowFormed)];
    }
    double low = x[0] + y[0];
    double high = x[x.length - 1] + y[y.length - 1];
    if (low == high) {
      return low;
    }
    low = Math.nextDown(low);
    long below = 0;
    long through = size;
    // The sum wanted lies above low and not above high.
    Guess guess = new Guess(place);
    for (int time = 0; time < GUESSES && guess.at > low && guess.at < high; time++) {
      long count = upTo(guess.at);
      if (count > place) {
        high = guess.at;
        through = count;
      } else {
        low = guess.at;
        below = count;
      }
      guess.lookBeyond(place - count);
    }
    for (int time = 0; time < MOST_HALVINGS; time++) {
      if (through - below <= 2 + (x.length + y.length) / VALUES_A_SUM || Math.nextUp(low) >= high) {
        break;
      }
      double middle = low + (high - low) * cut(time, (place - below + 0.5) / (through - below));
      if (!(middle > low && middle < high)) {
        middle = low + (high - low) / 2;
      }
      if (!(middle > low && middle < high)) {
        break;
      }
      long count = upTo(middle);
      if (count > place) {
        high = middle;
        through = count;
      } else {
        low = middle;
        below = count;
      }
    }
    if (Math.nextUp(low) >= high) {
      return high;
    }
    formed = between(low, high, (int) (through - below));
    belowFormed = below;
    return formed[(int) (place - below)];
  }

  /** So many walks are spent on guesses: one for each side of the sum wanted. */
  private static final int GUESSES = 2;

  /** The next guess goes so much further than to where the sum is expected, as a share, */
  private static final double BEYOND = 0.2;

  /** and so many sums for each value. */
  private static final double BEYOND_A_VALUE = 0.25;

  /** Half the distance of the quartiles of a normal distribution, in standard deviations. */
  private static final double QUARTILE = 0.6744897501960817;

  /** Where a sum would lie if sums were spread as normal values are: they nearly are. */
  private final class Guess {
    private final double density;
    private double at;

    Guess(long place) {
      double spread = Math.hypot(halfWidth(x), halfWidth(y)) / QUARTILE;
      double z = RankSum.NORMAL.inverseCumulativeProbability((place + 0.5) / size);
      at = x[x.length / 2] + y[y.length / 2] + z * spread;
      density = size * RankSum.NORMAL.density(z) / spread;
    }

    private static double halfWidth(double[] sorted) {
      int n = sorted.length;
      return (sorted[n - 1 - n / 4] - sorted[n / 4]) / 2;
    }

    /** Goes to where so many more sums lie below, and some further, to have it between the two. */
    void lookBeyond(long more) {
      double further = BEYOND * Math.abs(more) + BEYOND_A_VALUE * (x.length + y.length);
      at += (more + Math.copySign(further, more)) / density;
    }
  }

  /**
   * Where an interval is cut: by turns a little before and a little after where the wanted sum
   * would lie if sums lay evenly, so that both ends close in; every third time in the middle, so
   * that it never takes much longer than halving.
   */
  private static double cut(int time, double share) {
    return switch (time % 3) {
      case 0 -> Math.max(MARGIN, share - MARGIN);
      case 1 -> Math.min(1 - MARGIN, share + MARGIN);
      default -> 0.5;
    };
  }

  private int start(int i) {
    return upper ? i : 0;
  }

  private long upTo(double bound) {
    long count = 0;
    int end = y.length;
    for (int i = 0; i < x.length; i++) {
      while (end > 0 && x[i] + y[end - 1] > bound) {
        end--;
      }
      count += Math.max(0, end - start(i));
    }
    return count;
  }

  private double[] between(double low, double high, int count) {
    double[] found = new double[count];
    int at = 0;
    int end = y.length;
    for (int i = 0; i < x.length; i++) {
      while (end > 0 && x[i] + y[end - 1] > high) {
        end--;
      }
      for (int j = end - 1; j >= start(i) && x[i] + y[j] > low; j--) {
        found[at++] = x[i] + y[j];
      }
    }
    Arrays.sort(found);
    return found;
  }
}
