package app.knuckle.stats.ranks;

import java.math.BigDecimal;

/** Decimals as they are written, on a common scale on which sums and differences are exact. */
final class ExactDecimals {

  /** Whole numbers up to here are exact in a double. */
  private static final BigDecimal MOST = BigDecimal.valueOf(1L << 51);

  private ExactDecimals() {}

  /**
   * Up to here a value times a power of ten is off by less than a half, so that it rounds to it.
   */
  private static final double SURE = 1L << 49;

  private static final double[] TENS = {1, 1e1, 1e2, 1e3, 1e4, 1e5, 1e6};

  /**
   * The decimals of a value as it is written; -1 where that takes a closer look. A whole number
   * over a power of ten is the double nearest to that decimal, as both are exact.
   */
  private static int decimals(double v) {
    for (int k = 0; k < TENS.length && Math.abs(v) * TENS[k] < SURE; k++) {
      if (Math.rint(v * TENS[k]) / TENS[k] == v) {
        return k;
      }
    }
    return -1;
  }

  /** How many decimals hold every value; -1 if they do not fit into exact doubles. */
  static int scale(double... values) {
    int most = 0;
    double size = 0;
    for (double v : values) {
      int own = decimals(v);
      if (own < 0) {
        return closeScale(values);
      }
      most = Math.max(most, own);
      size = Math.max(size, Math.abs(v));
    }
    return size * TENS[most] < SURE ? most : closeScale(values);
  }

  private static int closeScale(double[] values) {
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
      boolean sure = scale < TENS.length && Math.abs(values[i]) * TENS[scale] < SURE;
      scaled[i] =
          sure
              ? Math.rint(values[i] * TENS[scale]) + 0.0 // No zero below 0.
              : decimal(values[i]).scaleByPowerOfTen(scale).doubleValue();
    }
    return scaled;
  }

  /** A value back from the scale, as the nearest double to the decimal. */
  static double back(double scaled, int scale) {
    if (scale > 0
        && scale < TENS.length
        && scaled == Math.rint(scaled)
        && Math.abs(scaled) < SURE) {
      return scaled / TENS[scale];
    }
    return scale <= 0 ? scaled : new BigDecimal(scaled).scaleByPowerOfTen(-scale).doubleValue();
  }
}
