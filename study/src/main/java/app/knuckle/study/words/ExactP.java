package app.knuckle.study.words;

import app.knuckle.stats.Quantity;
import java.util.Locale;

/**
 * Down to which bound a p is written as it is; below, only that it is smaller.
 *
 * @param decimals of the bound, {@value #FEWEST} to {@value #MOST}: 3 for 0.001
 */
public record ExactP(int decimals) {

  /** Down to 0.01. */
  public static final int FEWEST = 2;

  /** Down to 0.000001. */
  public static final int MOST = 6;

  /** Down to 0.001. */
  public static final ExactP USUAL = new ExactP(3);

  /** P from here on has two decimals. */
  private static final double TWO_DECIMALS_FROM = 0.1;

  /** Larger ones can no longer be distinguished from 1. */
  private static final double LARGEST = 0.995;

  /**
   * A bound.
   *
   * @throws IllegalArgumentException if it has too many or too few decimals
   */
  public ExactP {
    if (decimals < FEWEST || decimals > MOST) {
      throw new IllegalArgumentException("no p is written with " + decimals + " decimals");
    }
  }

  /** The bound as it is written, such as ".001". */
  public String bound() {
    return text(Math.pow(10, -decimals), decimals);
  }

  /**
   * A p as it stands in a table: ".018", "&lt; .001".
   *
   * @param p may be absent
   * @return a dash when absent
   */
  public String text(Quantity p) {
    if (!p.exists()) {
      return Numerals.NONE;
    }
    double v = p.value();
    if (v < Math.pow(10, -decimals)) {
      return "< " + bound();
    }
    if (v > LARGEST) {
      return "> .99";
    }
    if (v >= TWO_DECIMALS_FROM) {
      return text(v, 2);
    }
    // Below 0.001 one digit is kept, from there on there are three decimals.
    return text(v, Math.max(USUAL.decimals, (int) Math.ceil(-Math.log10(v))));
  }

  private static String text(double v, int decimals) {
    return String.format(Locale.ROOT, "%." + decimals + "f", v).substring(1);
  }

  /**
   * A p as it stands in a sentence: "p = .018", "p &lt; .001".
   *
   * @param p exists
   * @return with its sign
   */
  public String statement(Quantity p) {
    String text = text(p);
    return "p " + (text.startsWith(".") ? "= " : "") + text;
  }
}
