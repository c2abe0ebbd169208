package app.knuckle.figures.style;

import java.util.Map;

/**
 * The value axis.
 *
 * @param base whether it begins at zero
 * @param logarithmic whether equal ratios take equal room
 * @param low its lower end; NaN for what the data need
 * @param high its upper end; NaN for what the data need
 * @param step between ticks; NaN for a round one; not used by a logarithmic axis
 */
public record Scale(Base base, boolean logarithmic, double low, double high, double step) {

  /** Whether an axis begins at zero. */
  public enum Base {
    /** For bars it does, for others it need not. */
    AS_USUAL,
    /** It does. */
    ZERO,
    /** It begins where the data do. */
    FREE
  }

  /** An axis that suits the data. */
  static final Scale USUAL = new Scale(Base.AS_USUAL, false, Double.NaN, Double.NaN, Double.NaN);

  static Scale of(Settings s) {
    return new Scale(
        s.one(Base.class, "base", USUAL.base),
        s.yes("logarithmic", USUAL.logarithmic),
        s.number("low", USUAL.low),
        s.number("high", USUAL.high),
        s.number("step", USUAL.step));
  }

  void into(Map<String, String> settings) {
    settings.put("base", base.name());
    settings.put("logarithmic", String.valueOf(logarithmic));
    settings.put("low", String.valueOf(low));
    settings.put("high", String.valueOf(high));
    settings.put("step", String.valueOf(step));
  }

  /**
   * Whether a figure's axis begins at zero.
   *
   * @param form of the figure
   * @return always false on a logarithmic axis
   */
  public boolean fromZero(Form form) {
    return !logarithmic && (base == Base.ZERO || base == Base.AS_USUAL && form == Form.BARS);
  }

  /**
   * The same from zero or from where the data begin.
   *
   * @param zero whether from zero
   * @return the changed scale
   */
  public Scale fromZero(boolean zero) {
    return new Scale(zero ? Base.ZERO : Base.FREE, logarithmic, low, high, step);
  }

  /**
   * The same with equal room for equal ratios, or for equal differences.
   *
   * @param yes whether logarithmic
   * @return the changed scale
   */
  public Scale logarithmic(boolean yes) {
    return new Scale(base, yes, low, high, step);
  }

  /**
   * The same with limits of one's own.
   *
   * @param from lower end; NaN for what the data need
   * @param to upper end; NaN for what the data need
   * @param every distance of ticks; NaN for a round one
   * @return the changed scale
   */
  public Scale limits(double from, double to, double every) {
    return new Scale(base, logarithmic, from, to, every);
  }
}
