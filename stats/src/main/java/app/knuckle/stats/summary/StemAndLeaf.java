package app.knuckle.stats.summary;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Values written as a stem and a last digit (Hoaglin, Mosteller and Tukey 1983, chapter 1).
 *
 * @param leafUnit what a step of one in a leaf is worth, a power of ten
 * @param lineWidth leaf units on a line: 2, 5 or 10
 * @param mostLines lines at most (Velleman 1976): 2 sqrt n up to n of 100, then 10 log10 n
 * @param lines from the lowest, empty ones between included
 */
public record StemAndLeaf(double leafUnit, int lineWidth, int mostLines, List<Line> lines) {

  /** From here on Velleman's rule grows with the logarithm. */
  private static final int LARGE = 100;

  private static final int[] WIDTHS = {2, 5, 10};

  public StemAndLeaf {
    lines = List.copyOf(lines);
  }

  /**
   * A line.
   *
   * @param stem leading digits, with a minus sign for values below zero ("-0" exists)
   * @param leaves one digit a value, in the order of the values
   */
  public record Line(String stem, String leaves) {}

  /**
   * Writes values so.
   *
   * @param values finite, one or more
   * @return the display with the narrowest lines that are few enough; digits beyond the leaf are
   *     cut off, not rounded
   */
  public static StemAndLeaf of(double[] values) {
    BigDecimal[] sorted =
        Arrays.stream(values).sorted().mapToObj(BigDecimal::valueOf).toArray(BigDecimal[]::new);
    int n = sorted.length;
    int most = (int) Math.floor(n <= LARGE ? 2 * Math.sqrt(n) : 10 * Math.log10(n));
    int scale =
        Arrays.stream(sorted).mapToInt(v -> v.stripTrailingZeros().scale()).max().orElseThrow();
    for (; ; scale--) {
      for (int width : WIDTHS) {
        BigInteger lines =
            line(sorted[n - 1], scale, width).subtract(line(sorted[0], scale, width));
        if (lines.compareTo(BigInteger.valueOf(most)) < 0) {
          return write(sorted, scale, width, most);
        }
      }
    }
  }

  /** |x| in leaf units, cut off. */
  private static BigInteger units(BigDecimal x, int scale) {
    return x.abs().setScale(scale, RoundingMode.DOWN).unscaledValue();
  }

  private static BigInteger line(BigDecimal x, int scale, int width) {
    BigInteger line = units(x, scale).divide(BigInteger.valueOf(width));
    return x.signum() < 0 ? line.not() : line;
  }

  private static StemAndLeaf write(BigDecimal[] sorted, int scale, int width, int most) {
    List<Line> lines = new ArrayList<>();
    BigInteger last = line(sorted[sorted.length - 1], scale, width);
    int next = 0;
    for (BigInteger line = line(sorted[0], scale, width);
        line.compareTo(last) <= 0;
        line = line.add(BigInteger.ONE)) {
      StringBuilder leaves = new StringBuilder();
      while (next < sorted.length && line(sorted[next], scale, width).equals(line)) {
        leaves.append(units(sorted[next++], scale).mod(BigInteger.TEN));
      }
      BigInteger place = line.signum() < 0 ? line.not() : line;
      BigInteger stem = place.multiply(BigInteger.valueOf(width)).divide(BigInteger.TEN);
      lines.add(new Line((line.signum() < 0 ? "-" : "") + stem, leaves.toString()));
    }
    return new StemAndLeaf(BigDecimal.ONE.movePointLeft(scale).doubleValue(), width, most, lines);
  }
}
