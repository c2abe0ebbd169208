package app.knuckle.study.table;

import ch.randelshofer.fastdoubleparser.JavaDoubleParser;
import java.math.BigInteger;
import java.util.regex.Pattern;

/** Reads a cell as a number. */
public final class NumberText {

  private static final Pattern INFINITE =
      Pattern.compile("[-+]?(inf|infinity|\u221e)", Pattern.CASE_INSENSITIVE);

  /** Any whole number of so many digits is a double. */
  private static final int MOST_EXACT_DIGITS = 15;

  private static final double[] POWERS_OF_TEN = new double[MOST_EXACT_DIGITS + 1];

  static {
    for (int i = 0; i < POWERS_OF_TEN.length; i++) {
      POWERS_OF_TEN[i] = Double.parseDouble("1e" + i);
    }
  }

  /** The longest exact decimal of a double has 767 digits; what is longer is no measurement. */
  private static final int MOST_CHARACTERS = 1_100;

  private NumberText() {}

  /**
   * The number that a text stands for.
   *
   * @param text a cell, blanks around it allowed
   * @param decimalComma whether the comma is the decimal mark
   * @return the number; infinite where the text says so or the number is too large; NaN if the text
   *     is no number
   */
  public static double parse(String text, boolean decimalComma) {
    double plain = plain(text.toCharArray(), 0, text.length(), decimalComma ? ',' : '.');
    return Double.isNaN(plain) ? anyForm(text, decimalComma) : plain;
  }

  /**
   * The number that a short plain decimal stands for, which nearly all cells are: a whole number of
   * at most 15 digits over a power of ten up to 22 is exact in both, so that one division rounds
   * correctly.
   *
   * @param letters of which some are the text
   * @param from where it begins
   * @param length of it
   * @param mark the decimal mark
   * @return NaN where it has another form, which {@link #parse} may know
   * @see "Clinger, W. D. (1990). How to read floating point numbers accurately. PLDI '90, 92-101"
   */
  public static double plain(char[] letters, int from, int length, char mark) {
    int end = from + length;
    int start = length > 0 && letters[from] == '-' ? from + 1 : from;
    long digits = 0;
    int point = -1;
    for (int i = start; i < end; i++) {
      char c = letters[i];
      if (c >= '0' && c <= '9') {
        digits = 10 * digits + (c - '0');
      } else if (c == mark && point < 0) {
        point = i;
      } else {
        return Double.NaN;
      }
    }
    int count = end - start - (point < 0 ? 0 : 1);
    if (count == 0 || count > MOST_EXACT_DIGITS) {
      return Double.NaN;
    }
    double value = point < 0 ? digits : digits / POWERS_OF_TEN[end - point - 1];
    return start == from ? value : -value;
  }

  private static double anyForm(String text, boolean decimalComma) {
    String bare = text.strip();
    if (!bare.isEmpty()
        && bare.length() <= 9
        && "fFyY\u221e".indexOf(bare.charAt(bare.length() - 1)) >= 0
        && INFINITE.matcher(bare).matches()) {
      return bare.charAt(0) == '-' ? Double.NEGATIVE_INFINITY : Double.POSITIVE_INFINITY;
    }
    if (bare.isEmpty() || bare.length() > MOST_CHARACTERS || !mayBeNumber(bare)) {
      return Double.NaN;
    }
    if (decimalComma) {
      bare = bare.indexOf('.') >= 0 ? "." : bare.replace(',', '.');
    }
    try {
      return JavaDoubleParser.parseDouble(bare.replace('\u2212', '-'));
    } catch (NumberFormatException e) {
      return Double.NaN;
    }
  }

  /** Saves the cost of an exception for plain words, and keeps "1d" and "0x1p3" from being read. */
  private static boolean mayBeNumber(String text) {
    char last = text.charAt(text.length() - 1);
    if (last != '.' && last != ',' && (last < '0' || last > '9')) {
      return false;
    }
    char first = text.charAt(0);
    boolean sign = first == '-' || first == '+' || first == '\u2212';
    char start = sign && text.length() > 1 ? text.charAt(1) : first;
    return (start >= '0' && start <= '9' || start == '.' || start == ',')
        && text.indexOf('x') < 0
        && text.indexOf('X') < 0;
  }

  /**
   * Whether a number written like this is more likely a code: "007", "01", or a whole number that
   * no double tells from the next one.
   *
   * @param text a cell
   * @return true for a leading zero before another digit, and from 2^53 on
   */
  public static boolean looksLikeCode(String text) {
    String bare = text.strip();
    return bare.length() > 1 && bare.charAt(0) == '0' && Character.isDigit(bare.charAt(1))
        || isTooLong(bare);
  }

  /**
   * Whether a text is a whole number from 2^53 on, where different numbers become one double.
   *
   * @param text a cell
   * @return true for digits only, with a sign or without
   */
  public static boolean isTooLong(String text) {
    String bare = text.strip();
    int from = !bare.isEmpty() && "+-\u2212".indexOf(bare.charAt(0)) >= 0 ? 1 : 0;
    int digits = bare.length() - from;
    return digits > MOST_EXACT_DIGITS
        && digits <= MOST_CHARACTERS
        && bare.chars().skip(from).allMatch(c -> c >= '0' && c <= '9')
        && new BigInteger(bare.substring(from)).bitLength() > EXACT_BITS;
  }

  /** Every whole number of so many bits is a double. */
  private static final int EXACT_BITS = 53;
}
