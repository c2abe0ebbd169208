package app.knuckle.stats.families;

import java.util.OptionalDouble;

/** The distribution of a statistic. */
public sealed interface Distribution permits Continuous, Discrete {

  /**
   * The probability of a tail.
   *
   * @param value where it begins; the value itself is of the tail
   * @param side which tail; with both, the one of the value and its mirror image
   * @return from 0 to 1
   */
  double tail(double value, Tail side);

  /**
   * The value beyond which a tail lies.
   *
   * @param tail probability, between 0 and 1
   * @param side which tail; with both, the upper value
   * @return of a distribution with steps the value with the largest tail that is not above; empty
   *     where even the smallest tail is above
   */
  OptionalDouble value(double tail, Tail side);

  /** The value about which the distribution is symmetric: empty if it is not. */
  OptionalDouble symmetry();
}
