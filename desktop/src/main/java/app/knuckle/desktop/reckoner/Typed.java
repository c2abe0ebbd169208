package app.knuckle.desktop.reckoner;

import app.knuckle.study.table.NumberText;
import app.knuckle.study.words.Numerals;
import java.util.Map;
import java.util.OptionalDouble;

/** Numbers as they are typed and shown on the page. */
final class Typed {

  private Typed() {}

  /** The number of a field; empty while it is blank or no number. */
  static OptionalDouble number(Map<String, String> typed, String field) {
    String text = typed.getOrDefault(field, "").strip();
    double value = NumberText.parse(text, text.indexOf(',') >= 0);
    return text.isEmpty() || !Double.isFinite(value)
        ? OptionalDouble.empty()
        : OptionalDouble.of(value);
  }

  /** The number of a field, or a usual one while it is blank. */
  static double number(Map<String, String> typed, String field, double usual) {
    return number(typed, field).orElse(usual);
  }

  /** Four digits, as tables have them; whole numbers whole. */
  static String shown(double value) {
    if (!Double.isFinite(value)) {
      return "";
    }
    if (value == Math.rint(value) && Math.abs(value) < 1e9) {
      return Numerals.plain(value);
    }
    int whole = (int) Math.floor(Math.log10(Math.abs(value)));
    return Numerals.plain(
        new java.math.BigDecimal(value)
            .setScale(DIGITS - 1 - whole, java.math.RoundingMode.HALF_EVEN)
            .doubleValue());
  }

  private static final int DIGITS = 4;
}
