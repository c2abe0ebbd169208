package app.knuckle.cross;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.Arrays;

/** Sums and ranks as the definitions write them. */
final class Plain {
  /**
   * Numbers closer than this share of the largest value of their data, before anything is taken
   * away from it, are alike but for rounding.
   */
  static final double ALIKE = 0x1.0p-47;

  private Plain() {}

  static double mean(double[] x) {
    double origin = x.length == 0 ? 0 : x[0];
    return origin + Arrays.stream(x).map(v -> v - origin).sum() / x.length;
  }

  /** Sum of squares about the mean. */
  static double squares(double[] x) {
    if (x.length == 0) {
      return 0;
    }
    double origin = x[0];
    double mean = Arrays.stream(x).map(v -> v - origin).sum() / x.length;
    return Arrays.stream(x).map(v -> (v - origin - mean) * (v - origin - mean)).sum();
  }

  static double variance(double[] x) {
    return x.length < 2 ? Double.NaN : squares(x) / (x.length - 1);
  }

  static double largest(double[][] groups) {
    return Arrays.stream(groups).flatMapToDouble(Arrays::stream).map(Math::abs).max().orElse(0);
  }

  static double[] flat(double[][] groups) {
    return Arrays.stream(groups).flatMapToDouble(Arrays::stream).toArray();
  }

  static double quantile(double[] sorted, double p) {
    double h = (sorted.length - 1) * p;
    int i = (int) Math.floor(h);
    return i + 1 < sorted.length ? sorted[i] + (h - i) * (sorted[i + 1] - sorted[i]) : sorted[i];
  }

  static double[] sorted(double[] x) {
    double[] own = x.clone();
    Arrays.sort(own);
    return own;
  }

  static double median(double[] x) {
    return quantile(sorted(x), 0.5);
  }

  static BigDecimal exact(double x) {
    return new BigDecimal(Double.toString(x));
  }

  /** First less second, as the decimals written. */
  static BigDecimal minus(double a, double b) {
    return exact(a).subtract(exact(b));
  }

  /** Median of decimals. */
  static BigDecimal median(BigDecimal[] x) {
    BigDecimal[] own = x.clone();
    Arrays.sort(own);
    int n = own.length;
    return own[(n - 1) / 2].add(own[n / 2]).divide(BigDecimal.valueOf(2), MathContext.DECIMAL128);
  }

  /** Midranks by counting. */
  static <T extends Comparable<T>> double[] ranks(T[] x) {
    double[] ranks = new double[x.length];
    for (int i = 0; i < x.length; i++) {
      for (T other : x) {
        int c = other.compareTo(x[i]);
        ranks[i] += c < 0 ? 1 : c == 0 ? 0.5 : 0;
      }
      ranks[i] += 0.5;
    }
    return ranks;
  }

  static Double[] boxed(double[] x) {
    return Arrays.stream(x).map(v -> v + 0.0).boxed().toArray(Double[]::new);
  }

  /** Sum of t^3 - t over tied sets. */
  static double ties(double[] ranks) {
    double sum = 0;
    for (double r : ranks) {
      double t = Arrays.stream(ranks).filter(o -> o == r).count();
      sum += t * t - 1;
    }
    return sum;
  }

  /** P in the direction asked. */
  static double p(String direction, double either, double greater, double less) {
    return switch (direction) {
      case "greater" -> greater;
      case "less" -> less;
      default -> either;
    };
  }

  /** Holm by his definition, p by p; as they are if one is missing. */
  static double[] holm(double[] p) {
    if (Arrays.stream(p).anyMatch(Double::isNaN)) {
      return p;
    }
    double[] own = new double[p.length];
    for (int i = 0; i < p.length; i++) {
      for (int j = 0; j < p.length; j++) {
        if (p[j] <= p[i]) {
          double at = p[j];
          double below = Arrays.stream(p).filter(x -> x < at).count();
          own[i] = Math.max(own[i], Math.min(1, (p.length - below) * at));
        }
      }
    }
    return own;
  }
}
