package app.knuckle.stats.checks;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import java.util.Arrays;

/**
 * How residuals of successive rows are correlated.
 *
 * @param correlation of each with the next, between -1 and 1; absent of too few rows
 * @param n number of residuals
 * @see "Anderson, R. L. (1942). Distribution of the serial correlation coefficient. Annals of
 *     Mathematical Statistics 13, 1-13"
 */
public record SerialCorrelation(Quantity correlation, int n) {

  /** Of fewer rows no drift can be seen. */
  private static final int FEWEST = 10;

  /** Two sided, at one in a hundred: many a sheet is sorted by what was measured. */
  private static final double DRIFT = 2.576;

  /**
   * Looks at residuals.
   *
   * @param residuals in the order of the records
   * @return their correlation
   */
  public static SerialCorrelation of(double[] residuals) {
    int n = residuals.length;
    if (n < FEWEST) {
      return new SerialCorrelation(Quantity.absent(Absence.TOO_FEW_ROWS), n);
    }
    // Of the residuals over the largest, so that no square leaves the range of a double.
    double largest = Arrays.stream(residuals).map(Math::abs).max().orElse(0);
    if (!(largest > 0)) {
      return new SerialCorrelation(Quantity.absent(Absence.NOTHING_LEFT_OVER), n);
    }
    double all = 0;
    double products = 0;
    for (int i = 0; i < n; i++) {
      double own = residuals[i] / largest;
      all += own * own;
      products += i == 0 ? 0 : own * (residuals[i - 1] / largest);
    }
    return new SerialCorrelation(Quantity.of(products / all), n);
  }

  /**
   * Whether residuals follow the order of the records; without drift the correlation is about
   * normal with variance 1/n: false where it cannot be told.
   */
  public boolean isDrift() {
    return correlation.exists() && Math.abs(correlation.value()) * Math.sqrt(n) > DRIFT;
  }
}
