package app.knuckle.stats.ranks;

import java.math.BigDecimal;

/** Decimals as they are written, on a common scale on which sums and differences are exact. */
final class Exact {

  /** Whole numbers up to here are exact in a double. */
  private static final BigDecimal MOST = BigDecimal.valueOf(1L << 51);

  private Exact() {}

  /** How many decimals hold every value; -1 if they do not fit into exact doubles. */
  static int scale(double... values) {
    int scale = 0;
    BigDecimal largest = BigDecimal.ZERO;
    for (double v : values) {
      BigDecimal d = decimal(v);
      scale = Math.max(scale, Math.max(0, d.stripTrailingZeros().scale()));
      largest = largest.max(d.abs());
      if (largest.scaleByPowerOfTen(scale).compareTo(MOST) > 0) {
        return -1;
      }
    }
    return scale;
  }

  static BigDecimal decimal(double v) {
    return new BigDecimal(Double.toString(v));
  }

  /** The values times a power of ten, exactly; the values themselves if they do not fit. */
  static double[] scaled(double[] values, int scale) {
    double[] scaled = values.clone();
    for (int i = 0; i < scaled.length && scale >= 0; i++) {
      scaled[i] = decimal(values[i]).scaleByPowerOfTen(scale).doubleValue();
    }
    return scaled;
  }

  /** A value back from the scale, as the nearest double to the decimal. */
  static double back(double scaled, int scale) {
    return scale <= 0 ? scaled : new BigDecimal(scaled).scaleByPowerOfTen(-scale).doubleValue();
  }
}
