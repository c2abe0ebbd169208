package app.knuckle.figures.scene;

import app.knuckle.study.words.Numerals;
import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.List;

/**
 * A scale of values with round ticks.
 *
 * @param low value at its lower end
 * @param high value at its upper end
 * @param step between ticks; not used by a logarithmic scale
 * @param logarithmic whether equal ratios take equal room
 */
public record ValueAxis(double low, double high, double step, boolean logarithmic) {

  /** Air below and above the data when the axis does not begin at zero, as a share of the range. */
  private static final double AIR = 0.06;

  private static final double[] ROUND = {1, 2, 5, 10};
  private static final double[] LOG_STEPS = {1, 2, 5};
  private static final double[] LOG_WHOLE = {1, 2, 3, 4, 5, 6, 7, 8, 9};

  /** One tick alone does not say how large a step is. */
  private static final int FEWEST_TICKS = 2;

  /** More decades than this do not all have a tick. */
  private static final double MOST_DECADES = 8;

  /** A logarithmic axis of one value only still spans this ratio. */
  private static final double LEAST_RATIO = 1.5;

  /** A step of one's own that gives more ticks than this, or fewer than two, is not taken. */
  private static final double MOST_TICKS = 60;

  /** A tick is a round number: what its doubles differ from one is rounding. */
  private static final MathContext TICK_DIGITS = new MathContext(12);

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
    return new ValueAxis(low, high, round((high - low) / Math.max(1, ticks)), false);
  }

  /**
   * A logarithmic axis that holds all data.
   *
   * @param min smallest value to show, above 0
   * @param max largest value to show
   * @return the axis
   */
  public static ValueAxis logarithmic(double min, double max) {
    double ratio = Math.max(LEAST_RATIO, max / min);
    double air = Math.pow(ratio, AIR);
    return new ValueAxis(min / air, Math.max(max, min * ratio) * air, 1, true);
  }

  /**
   * An axis of given ends.
   *
   * @param from lower end
   * @param to upper end, above the lower one
   * @param every distance of ticks; NaN for a round one, which is also taken where it gives too
   *     many ticks to be read, or fewer than two
   * @param ticks about so many, if their distance is not given
   * @return the axis
   */
  public static ValueAxis between(double from, double to, double every, int ticks) {
    double range = to - from;
    if (every > 0 && range / every <= MOST_TICKS) {
      ValueAxis own = new ValueAxis(from, to, every, false);
      if (own.ticks().size() >= FEWEST_TICKS) {
        return own;
      }
    }
    return new ValueAxis(from, to, round(range / Math.max(1, ticks)), false);
  }

  private static double round(double rough) {
    double power = Math.pow(10, Math.floor(Math.log10(rough)));
    // The round step nearest in ratio: a little more or fewer ticks than asked for.
    double step = power;
    for (double r : ROUND) {
      double off = Math.abs(Math.log(r * power / rough));
      step = off < Math.abs(Math.log(step / rough)) ? r * power : step;
    }
    return step;
  }

  /** The ticks: rising values inside the axis. */
  public List<Double> ticks() {
    List<Double> ticks = new ArrayList<>();
    if (logarithmic) {
      List<Double> powers = logarithmicTicks();
      // Between two whole numbers there are none: round steps then, as on any axis, as fine as
      // two of them need.
      ticks = powers;
      for (int wished = FEWEST_TICKS + 1; ticks.size() < FEWEST_TICKS; wished++) {
        ticks = between(low, high, Double.NaN, wished).ticks();
      }
      return ticks;
    }
    long first = (long) Math.ceil(low / step - ROUNDING);
    long last = (long) Math.floor(high / step + ROUNDING);
    for (long i = first; i <= last; i++) {
      ticks.add(i * step);
    }
    return ticks;
  }

  /** Powers of ten, with 2 and 5 between them over few, and every whole step over less than one. */
  private List<Double> logarithmicTicks() {
    double decades = Math.log10(high / low);
    double[] within = decades > 4 ? new double[] {1} : decades > 1 ? LOG_STEPS : LOG_WHOLE;
    List<Double> ticks = new ArrayList<>();
    int every = (int) Math.max(1, Math.ceil(decades / MOST_DECADES));
    int first = (int) Math.floor(Math.log10(low));
    for (int power = first; power <= Math.ceil(Math.log10(high)); power++) {
      for (double w : within) {
        double tick = w * Math.pow(10, power);
        boolean inside = tick >= low * (1 - ROUNDING) && tick <= high * (1 + ROUNDING);
        if (inside && Math.floorMod(power, every) == 0) {
          ticks.add(tick);
        }
      }
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
    if (logarithmic) {
      return Numerals.plain(new BigDecimal(tick).round(TICK_DIGITS).doubleValue());
    }
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
    double share =
        logarithmic ? Math.log(value / low) / Math.log(high / low) : (value - low) / (high - low);
    return start + share * (end - start);
  }
}
