package app.knuckle.study.words;

import app.knuckle.stats.Quantity;
import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.List;
import java.util.Locale;

/** Numbers as text, alike on every machine whatever its language. */
public final class Numerals {

  /** Shown where a number does not exist. */
  public static final String NONE = "\u2013";

  /** More decimals than this are no longer read; a power of ten is clearer. */
  private static final int MOST_DECIMALS = 6;

  /** Whole numbers beyond this are clearer as a power of ten. */
  private static final double LARGEST_PLAIN = 1e15;

  private static final MathContext TRUSTED = new MathContext(14);

  private Numerals() {}

  /**
   * A number with so many decimals.
   *
   * @param value finite
   * @param decimals at least 0
   * @return such as "−3.10"
   */
  public static String fixed(double value, int decimals) {
    if (decimals > MOST_DECIMALS || Math.abs(value) >= LARGEST_PLAIN) {
      return minus(String.format(Locale.ROOT, "%.3g", value));
    }
    // The last digits of a double are rounding's: they must not decide which way a half is rounded.
    String text =
        new BigDecimal(value)
            .round(TRUSTED)
            .setScale(decimals, RoundingMode.HALF_UP)
            .toPlainString();
    boolean zero = text.chars().noneMatch(c -> c >= '1' && c <= '9');
    return minus(zero && text.startsWith("-") ? text.substring(1) : text);
  }

  private static String minus(String text) {
    return text.replace('-', '\u2212');
  }

  /**
   * A quantity with so many decimals.
   *
   * @param quantity may be absent
   * @param decimals at least 0
   * @return a dash when absent
   */
  public static String fixed(Quantity quantity, int decimals) {
    return quantity.exists() ? fixed(quantity.value(), decimals) : NONE;
  }

  /**
   * Decimals that show two digits of an error, and one of a mean less precise than a unit.
   *
   * @param error a standard error or standard deviation, in the unit of the values to be shown
   * @return at least 0
   */
  public static int decimalsFor(double error) {
    if (!(error > 0) || Double.isInfinite(error)) {
      return 2;
    }
    return Math.max(0, 1 - (int) Math.floor(Math.log10(error)));
  }

  /**
   * A p as it stands in a table: ".018", "&lt; .001".
   *
   * @param p may be absent
   * @return a dash when absent
   */
  public static String p(Quantity p) {
    return ExactP.USUAL.text(p);
  }

  /**
   * A p as it stands in a sentence: "p = .018", "p &lt; .001".
   *
   * @param p exists
   * @return with its sign
   */
  public static String pStatement(Quantity p) {
    return ExactP.USUAL.statement(p);
  }

  /**
   * A share such as eta squared: "0.73".
   *
   * @param share may be absent
   * @return two decimals, or a dash
   */
  public static String share(Quantity share) {
    return fixed(share, 2);
  }

  /**
   * A share in percent: "82%".
   *
   * @param share from 0 to 1; may be absent
   * @return whole, or a dash
   */
  public static String percent(Quantity share) {
    return share.exists() ? fixed(100 * share.value(), 0) + "%" : NONE;
  }

  /**
   * A level of confidence in percent, with the decimals that it has.
   *
   * @param alpha one less the confidence, between 0 and 1
   * @return such as "95" or "99.9"
   */
  public static String confidence(double alpha) {
    return BigDecimal.ONE
        .subtract(BigDecimal.valueOf(alpha))
        .scaleByPowerOfTen(2)
        .stripTrailingZeros()
        .toPlainString();
  }

  /**
   * Degrees of freedom: whole when they are.
   *
   * @param df above 0
   * @return "31" or "12.4"
   */
  public static String df(double df) {
    return df == Math.rint(df) ? fixed(df, 0) : fixed(df, 1);
  }

  /**
   * Degrees of freedom that were corrected: to three digits.
   *
   * @param df above 0
   * @return "1.19" or "11.9"
   */
  public static String shortened(double df) {
    return fixed(df, df < 10 ? 2 : 1);
  }

  /**
   * A count with its noun.
   *
   * @param n the count
   * @param one the noun for one
   * @param many the noun for others
   * @return "1 level", "10,000 levels"
   */
  public static String count(long n, String one, String many) {
    return whole(n) + " " + (n == 1 ? one : many);
  }

  /**
   * A number as one would write it down.
   *
   * @param value any
   * @return all its digits, without a decimal point where it is whole
   */
  public static String plain(double value) {
    return new java.math.BigDecimal(Double.toString(value)).stripTrailingZeros().toPlainString();
  }

  /**
   * A whole number with its thousands set apart.
   *
   * @param n the number
   * @return "10,000"
   */
  public static String whole(long n) {
    return String.format(Locale.ROOT, "%,d", n).replace('-', '\u2212');
  }

  /**
   * Words in a row.
   *
   * @param words at least one
   * @return "a", "a and b", "a, b and c"
   */
  public static String list(List<String> words) {
    int last = words.size() - 1;
    return last < 1
        ? String.join("", words)
        : Phrases.say(
            "list.last",
            String.join(Phrases.say("list.between"), words.subList(0, last)),
            words.get(last));
  }

  /**
   * A value with its unit.
   *
   * @param text the value
   * @param unit empty for none
   * @return "3.93 mm", "82%"; a ratio has no unit to be said
   */
  public static String with(String text, String unit) {
    return unit.isEmpty() || unit.equals("ratio")
        ? text
        : unit.equals("%")
            ? Phrases.say("with.percent", text)
            : Phrases.say("with.unit", text, unit);
  }
}
