package app.knuckle.study.findings;

import app.knuckle.stats.Quantity;
import java.util.List;
import java.util.Map;
import java.util.function.Function;

/**
 * Adjusted means.
 *
 * @param of the treatments whose levels they are
 * @param within treatments at whose levels they are taken
 * @param adjustedAt values of the covariates
 * @param rows the means
 * @param seOfDifference if all pairs share one; else absent
 * @param leastSignificantDifference with it
 */
public record MeansResult(
    List<String> of,
    List<String> within,
    Map<String, Double> adjustedAt,
    List<Row> rows,
    Quantity seOfDifference,
    Quantity leastSignificantDifference) {

  public MeansResult {
    of = List.copyOf(of);
    within = List.copyOf(within);
    rows = List.copyOf(rows);
  }

  /**
   * The same with letters.
   *
   * @param letters of the levels of a mean; null for none
   * @return the means
   */
  public MeansResult lettered(Function<Map<String, String>, String> letters) {
    return new MeansResult(
        of,
        within,
        adjustedAt,
        rows.stream().map(row -> row.lettered(letters.apply(row.levels()))).toList(),
        seOfDifference,
        leastSignificantDifference);
  }

  /**
   * A mean.
   *
   * @param levels its levels
   * @param n rows with these levels
   * @param mean absent if it cannot be estimated
   * @param se its standard error
   * @param df degrees of freedom behind it
   * @param low lower limit
   * @param high upper limit
   * @param letters of the first comparison of these means; empty for none
   */
  public record Row(
      Map<String, String> levels,
      long n,
      Quantity mean,
      Quantity se,
      Quantity df,
      Quantity low,
      Quantity high,
      String letters) {

    private Row lettered(String own) {
      return mean.exists() ? new Row(levels, n, mean, se, df, low, high, own) : this;
    }
  }
}
