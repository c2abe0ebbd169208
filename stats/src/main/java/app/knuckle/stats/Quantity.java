package app.knuckle.stats;

import java.util.function.DoubleUnaryOperator;

/**
 * A computed number, or the reason why there is none.
 *
 * @param value the number, finite; NaN exactly when it does not exist
 * @param why the reason when there is no number; null exactly when there is one
 */
public record Quantity(double value, Absence why) {

  public Quantity {
    if (why == null && !Double.isFinite(value)) {
      throw new IllegalArgumentException("A quantity is finite or has its reason, got " + value);
    }
    if (why != null && !Double.isNaN(value)) {
      throw new IllegalArgumentException("An absent quantity has no value, got " + value);
    }
  }

  /**
   * A number that exists.
   *
   * @param value finite
   * @return the quantity
   * @throws IllegalArgumentException if the value is infinite or NaN
   */
  public static Quantity of(double value) {
    return new Quantity(value, null);
  }

  /**
   * A number that does not exist.
   *
   * @param why the reason
   * @return the absent quantity
   */
  public static Quantity absent(Absence why) {
    return new Quantity(Double.NaN, why);
  }

  /**
   * A number that exists when it is finite.
   *
   * @param value any double
   * @param whyNot the reason to give when it is not finite
   * @return the quantity, absent if the value is infinite or NaN
   */
  public static Quantity finite(double value, Absence whyNot) {
    return Double.isFinite(value) ? of(value) : absent(whyNot);
  }

  /** Says whether there is a number: true if {@link #value} is a number. */
  public boolean exists() {
    return why == null;
  }

  /**
   * The quantity derived from this one where the derived value is finite.
   *
   * @param rule from the value to any double
   * @param whyNot the reason to give when that is not finite
   * @return the derived quantity; absent for the same reason if this one is
   */
  public Quantity mapFinite(DoubleUnaryOperator rule, Absence whyNot) {
    return exists() ? finite(rule.applyAsDouble(value), whyNot) : this;
  }

  /**
   * The quantity in percent of the size of another.
   *
   * @param whole any number
   * @param none the reason to give where it is 0
   * @return per cent; absent for the same reason if this one is and the other is not 0, but for
   *     what rounding leaves of it
   */
  public Quantity percentOf(double whole, Absence none) {
    boolean nothing = exists() && Math.abs(whole) <= ROUNDING * Math.abs(value);
    return whole == 0 || nothing ? absent(none) : map(v -> 100 * v / Math.abs(whole));
  }

  /** A mean below this share of a deviation of the same values is 0 but for rounding. */
  private static final double ROUNDING = 0x1p-47;

  /**
   * What this one is the logarithm of, absent where that is beyond every double: above 0, or 0
   * below every double.
   */
  public Quantity exponential() {
    return mapFinite(Math::exp, Absence.LIMIT_TOO_FAR);
  }

  /**
   * The quantity derived from this one, absent for the same reason if this one is.
   *
   * @param rule from the value to the new value, which must be finite
   * @return the derived quantity
   */
  public Quantity map(DoubleUnaryOperator rule) {
    return exists() ? of(rule.applyAsDouble(value)) : this;
  }
}
