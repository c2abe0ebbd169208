package app.knuckle.stats.power;

import java.util.OptionalInt;
import java.util.function.IntPredicate;

/** The smallest number from which on something holds. */
public final class SmallestNumber {

  private SmallestNumber() {}

  /**
   * Doubles until it holds, then halves the bracket.
   *
   * @param first to be tried
   * @param most to be tried
   * @param holds from some number on
   * @return empty where it does not hold at the most
   */
  public static OptionalInt from(int first, int most, IntPredicate holds) {
    int high = first;
    while (!holds.test(high)) {
      if (high >= most) {
        return OptionalInt.empty();
      }
      high = Math.min(most, 2 * high);
    }
    int low = first - 1;
    while (high - low > 1) {
      int middle = low + (high - low) / 2;
      if (middle >= first && holds.test(middle)) {
        high = middle;
      } else {
        low = middle;
      }
    }
    return OptionalInt.of(high);
  }
}
