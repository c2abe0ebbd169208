package app.knuckle.stats.ranks;

import app.knuckle.stats.compare.Direction;
import java.util.ArrayList;
import java.util.List;

/**
 * The distribution of a rank statistic if nothing differs, counted over all arrangements of the
 * ranks.
 *
 * @param values that the statistic can take, rising
 * @param shares of all arrangements, one a value; together 1
 */
public record ExactDistribution(List<Double> values, List<Double> shares) {

  public ExactDistribution {
    values = List.copyOf(values);
    shares = List.copyOf(shares);
  }

  /**
   * From the ways to reach each doubled sum of ranks.
   *
   * @param ways by doubled sum, from 0
   * @param shift added to each sum
   */
  static ExactDistribution ofDoubledSums(double[] ways, double shift) {
    double all = 0;
    for (double w : ways) {
      all += w;
    }
    List<Double> values = new ArrayList<>();
    List<Double> shares = new ArrayList<>();
    for (int s = 0; s < ways.length; s++) {
      if (ways[s] > 0) {
        values.add(s / 2.0 + shift);
        shares.add(ways[s] / all);
      }
    }
    return new ExactDistribution(values, shares);
  }

  /**
   * The middle of the distribution: the expected value of the statistic; exact, since ranks and
   * their sums are whole quarters.
   */
  public double mean() {
    double mean = 0;
    for (int i = 0; i < values.size(); i++) {
      mean += values.get(i) * shares.get(i);
    }
    return Math.rint(4 * mean) / 4;
  }

  /**
   * The share of the arrangements that go at least as far as one value.
   *
   * @param i place of the value
   * @param direction which values are as far: those at least as large, at most as large, or at
   *     least as far from the mean
   * @return from above 0 to 1
   */
  public double p(int i, Direction direction) {
    double mean = mean();
    double value = values.get(i);
    double p = 0;
    for (int j = 0; j < values.size(); j++) {
      double other = values.get(j);
      boolean asFar =
          switch (direction) {
            case GREATER -> other >= value;
            case LESS -> other <= value;
            case EITHER -> Math.abs(other - mean) >= Math.abs(value - mean);
          };
      p += asFar ? shares.get(j) : 0;
    }
    return Math.min(1, p);
  }
}
