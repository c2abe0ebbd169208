package app.knuckle.stats.families;

import java.util.OptionalDouble;
import java.util.function.DoubleUnaryOperator;

/**
 * A distribution with a density.
 *
 * @param above P(X &gt; x)
 * @param below P(X &lt; x)
 * @param valueAbove x with P(X &gt; x) = p
 * @param valueBelow x with P(X &lt; x) = p
 * @param centre about which it is symmetric; NaN if it is not
 * @param from the least value; minus infinity for none
 */
public record Continuous(
    DoubleUnaryOperator above,
    DoubleUnaryOperator below,
    DoubleUnaryOperator valueAbove,
    DoubleUnaryOperator valueBelow,
    double centre,
    double from)
    implements Distribution {

  @Override
  public double tail(double value, Tail side) {
    return switch (side) {
      case ABOVE -> above.applyAsDouble(value);
      case BELOW -> below.applyAsDouble(value);
      case BOTH -> 2 * above.applyAsDouble(centre + Math.abs(value - centre));
    };
  }

  @Override
  public OptionalDouble value(double tail, Tail side) {
    return OptionalDouble.of(
        switch (side) {
          case ABOVE -> valueAbove.applyAsDouble(tail);
          case BELOW -> valueBelow.applyAsDouble(tail);
          case BOTH -> valueAbove.applyAsDouble(tail / 2);
        });
  }

  @Override
  public OptionalDouble symmetry() {
    return Double.isNaN(centre) ? OptionalDouble.empty() : OptionalDouble.of(centre);
  }

  /**
   * The probability of a slice, over its width: the density to be drawn.
   *
   * @param low its lower end
   * @param high its upper end
   * @return from 0
   */
  public double density(double low, double high) {
    // The tail that is smaller is the more precise.
    double above = this.above.applyAsDouble(low);
    double slice =
        above < 0.5
            ? above - this.above.applyAsDouble(high)
            : below.applyAsDouble(high) - below.applyAsDouble(low);
    return Math.max(0, slice) / (high - low);
  }
}
