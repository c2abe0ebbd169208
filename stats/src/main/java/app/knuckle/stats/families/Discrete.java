package app.knuckle.stats.families;

import java.util.List;
import java.util.OptionalDouble;

/**
 * A distribution of values that can be counted.
 *
 * @param values that can be, rising; those that are left out are less probable than 1e-17 together
 * @param shares of each
 * @param symmetric whether it is symmetric about its middle
 */
public record Discrete(List<Double> values, List<Double> shares, boolean symmetric)
    implements Distribution {

  /** Tails that are the same but for rounding. */
  private static final double SAME = 1e-12;

  public Discrete {
    values = List.copyOf(values);
    shares = List.copyOf(shares);
  }

  @Override
  public double tail(double value, Tail side) {
    return switch (side) {
      case ABOVE -> above(value);
      case BELOW -> below(value);
      case BOTH -> Math.min(1, 2 * Math.min(above(value), below(value)));
    };
  }

  /** Summed from the small end, so that small tails keep their digits. */
  private double above(double value) {
    double sum = 0;
    for (int i = values.size() - 1; i >= 0 && values.get(i) >= value; i--) {
      sum += shares.get(i);
    }
    return Math.min(1, sum);
  }

  private double below(double value) {
    double sum = 0;
    for (int i = 0; i < values.size() && values.get(i) <= value; i++) {
      sum += shares.get(i);
    }
    return Math.min(1, sum);
  }

  @Override
  public OptionalDouble value(double tail, Tail side) {
    boolean low = side == Tail.BELOW;
    double wanted = (side == Tail.BOTH ? tail / 2 : tail) * (1 + SAME);
    double sum = 0;
    OptionalDouble last = OptionalDouble.empty();
    for (int step = 0; step < values.size(); step++) {
      int i = low ? step : values.size() - 1 - step;
      sum += shares.get(i);
      if (sum > wanted) {
        return last;
      }
      last = OptionalDouble.of(values.get(i));
    }
    return last;
  }

  @Override
  public OptionalDouble symmetry() {
    return symmetric
        ? OptionalDouble.of((values.get(0) + values.get(values.size() - 1)) / 2)
        : OptionalDouble.empty();
  }
}
