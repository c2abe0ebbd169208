package app.knuckle.stats.compare;

import app.knuckle.stats.Quantity;
import java.util.List;

/**
 * A family of pairs under one procedure.
 *
 * @param procedure how p was adjusted
 * @param alpha level of significance of the whole family
 * @param pairs in the order of their left, then right mean
 * @param criticalValue the t from which a pair differs
 * @param criticalRange the studentized range from which a pair differs
 * @param criticalDifference the difference from which a pair differs; absent when pairs have
 *     standard errors of their own
 * @param criticalRanges by span, for the stepwise range procedures; else empty
 * @param letters of the means, by index
 */
public record Comparison(
    Procedure procedure,
    double alpha,
    List<Pair> pairs,
    Quantity criticalValue,
    Quantity criticalRange,
    Quantity criticalDifference,
    List<CriticalRange> criticalRanges,
    Letters letters) {

  public Comparison {
    pairs = List.copyOf(pairs);
    criticalRanges = List.copyOf(criticalRanges);
  }

  /**
   * The pair of two means, whichever comes first.
   *
   * @param i index of one mean
   * @param j index of another
   * @return their pair
   * @throws IllegalArgumentException if the two are not a pair of this family
   */
  public Pair pair(int i, int j) {
    int left = Math.min(i, j);
    int right = Math.max(i, j);
    return pairs.stream()
        .filter(pair -> pair.left() == left && pair.right() == right)
        .findFirst()
        .orElseThrow(() -> new IllegalArgumentException("No pair of " + i + " and " + j));
  }
}
