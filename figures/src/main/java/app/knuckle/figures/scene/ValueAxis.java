package app.knuckle.figures.scene;

import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.List;

/**
 * A scale of values with round ticks.
 *
 * @param low value at its lower end
 * @param high value at its upper end
 * @param step between ticks
 */
public record ValueAxis(double low, double high, double step) {

  /** Air below and above the data when the axis does not begin at zero, as a share of the range. */
  private static final double AIR = 0.06;

  private static final double[] ROUND = {1, 2, 5, 10};

  /** A tick is on the axis if it passes its end by no more than rounding. */
  private static final double ROUNDING = 1e-9;

  /**
   * An axis that holds all data.
   *
   * @param min smallest value to show
   * @param max largest value to show
   * @param fromZero whether zero must be on it, as bars demand
   * @param ticks about so many ticks
   * @return the axis
   */
  public static ValueAxis holding(double min, double max, boolean fromZero, int ticks) {
    double low = fromZero ? Math.min(0, min) : min;
    double high = fromZero ? Math.max(0, max) : max;
    if (low == high) {
      double around = low == 0 ? 1 : Math.abs(low) * AIR;
      low = fromZero ? Math.min(0, low) : low - around;
      high = high + around;
    }
    double air = AIR * (high - low);
    low = fromZero && low == 0 ? 0 : low - air;
    high = fromZero && high == 0 ? 0 : high + (fromZero ? 0 : air);
    double rough = (high - low) / Math.max(1, ticks);
    double power = Math.pow(10, Math.floor(Math.log10(rough)));
    // The round step nearest in ratio: a little more or fewer ticks than asked for.
    double step = power;
    for (double r : ROUND) {
      double off = Math.abs(Math.log(r * power / rough));
      step = off < Math.abs(Math.log(step / rough)) ? r * power : step;
    }
    return new ValueAxis(low, high, step);
  }

  /**
   * The ticks.
   *
   * @return rising values inside the axis
   */
  public List<Double> ticks() {
    List<Double> ticks = new ArrayList<>();
    long first = (long) Math.ceil(low / step - ROUNDING);
    long last = (long) Math.floor(high / step + ROUNDING);
    for (long i = first; i <= last; i++) {
      ticks.add(i * step);
    }
    return ticks;
  }

  /**
   * A tick as text, all ticks with the same decimals.
   *
   * @param tick one of {@link #ticks()}
   * @return such as "2.5"
   */
  public String text(double tick) {
    int decimals = 0;
    double scaled = step;
    while (decimals < 12 && Math.abs(scaled - Math.rint(scaled)) > ROUNDING * scaled) {
      scaled *= 10;
      decimals++;
    }
    return Numerals.fixed(tick, decimals);
  }

  /**
   * Where a value stands.
   *
   * @param value any
   * @param start place of the lower end
   * @param end place of the upper end
   * @return its place
   */
  public double place(double value, double start, double end) {
    return start + (value - low) / (high - low) * (end - start);
  }
}
