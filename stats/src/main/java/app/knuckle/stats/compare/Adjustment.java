package app.knuckle.stats.compare;

import java.util.Comparator;
import java.util.stream.IntStream;

/** Adjusts a family of p values for their number. All are capped at 1 and keep their order. */
public final class Adjustment {

  private Adjustment() {}

  /**
   * Bonferroni: {@code min(1, m p)}.
   *
   * @param p one p, from 0 to 1
   * @param m how many there are
   * @return the adjusted p
   */
  public static double bonferroni(double p, int m) {
    return Math.min(1, m * p);
  }

  /**
   * Sidak: {@code 1 - (1 - p)^m}, without losing the digits of a small p.
   *
   * @param p one p, from 0 to 1
   * @param m how many there are
   * @return the adjusted p
   */
  public static double sidak(double p, int m) {
    return -Math.expm1(m * Math.log1p(-p));
  }

  /**
   * Holm: running maximum of {@code (m - r + 1) p(r)} from the smallest p upward.
   *
   * @param p the family
   * @return adjusted, in the same order
   */
  public static double[] holm(double[] p) {
    int m = p.length;
    int[] rising = rising(p);
    double[] adjusted = new double[m];
    double largest = 0;
    for (int r = 0; r < m; r++) {
      largest = Math.max(largest, Math.min(1, (m - r) * p[rising[r]]));
      adjusted[rising[r]] = largest;
    }
    return adjusted;
  }

  /**
   * Hochberg: running minimum of {@code (m - r + 1) p(r)} from the largest p downward.
   *
   * @param p the family
   * @return adjusted, in the same order
   */
  public static double[] hochberg(double[] p) {
    return fromTheTop(p, (m, rank) -> m - rank);
  }

  /**
   * Benjamini-Hochberg: running minimum of {@code m p(r) / r} from the largest p downward.
   *
   * @param p the family
   * @return adjusted, in the same order
   */
  public static double[] benjaminiHochberg(double[] p) {
    return fromTheTop(p, (m, rank) -> (double) m / (rank + 1));
  }

  private interface Factor {
    double of(int m, int rank);
  }

  private static double[] fromTheTop(double[] p, Factor factor) {
    int m = p.length;
    int[] rising = rising(p);
    double[] adjusted = new double[m];
    double smallest = 1;
    for (int r = m - 1; r >= 0; r--) {
      smallest = Math.min(smallest, factor.of(m, r) * p[rising[r]]);
      adjusted[rising[r]] = smallest;
    }
    return adjusted;
  }

  private static int[] rising(double[] p) {
    return IntStream.range(0, p.length)
        .boxed()
        .sorted(Comparator.comparingDouble(i -> p[i]))
        .mapToInt(Integer::intValue)
        .toArray();
  }
}
