package app.knuckle.stats.counts;

/**
 * What a count model leaves of each row.
 *
 * @param rows which rows of the records, in order
 * @param fitted expected count
 * @param residuals count less the expected one
 * @param leverages how far a row decides over its own fitted value, from 0 to 1
 * @param pearson residual over the standard deviation that the distribution gives
 * @param deviance signed root of the row's share of the deviance
 * @param deletion what the row would be from by a fit without it; NaN where it has none: at the
 *     edge, or with a fitted value to itself
 * @see "Williams, D. A. (1987). Generalized linear model diagnostics using the deviance and single
 *     case deletions. Applied Stat. 36, 181-191"
 */
public record CountRows(
    int[] rows,
    double[] fitted,
    double[] residuals,
    double[] leverages,
    double[] pearson,
    double[] deviance,
    double[] deletion) {

  /** With this much leverage a row has its fitted value to itself. */
  private static final double ALL_ITS_OWN = 1 - 1e-10;

  /**
   * Takes the rows of a fit.
   *
   * @param fit the fit
   * @return in the order of the records
   */
  public static CountRows of(CountFit fit) {
    CountCells.Rows all = fit.cells().rows(fit.model().fixed());
    CountSolution s = fit.solution();
    CountKind kind = fit.cells().kind();
    int n = all.size();
    CountRows rows =
        new CountRows(
            new int[n],
            new double[n],
            new double[n],
            new double[n],
            new double[n],
            new double[n],
            new double[n]);
    for (int i = 0; i < n; i++) {
      int c = all.cell(i);
      double size = all.sizeOf(i);
      double y = all.count(i);
      double mu = size * s.mean(c);
      rows.rows[i] = all.row(i);
      rows.fitted[i] = mu;
      rows.residuals[i] = y - mu;
      if (s.isSeparated(c)) {
        rows.deletion[i] = Double.NaN;
        continue;
      }
      double w = size * s.variance(c);
      double h = Math.min(1, w * BilinearForms.of(fit.covariance(), s.row(c), s.row(c)));
      double sign = Math.signum(y - mu);
      rows.leverages[i] = h;
      rows.pearson[i] = (y - mu) / Math.sqrt(w);
      rows.deviance[i] = sign * Math.sqrt(Math.max(0, kind.deviance(y, size, s.predictor(c))));
      double room = fit.spread() * (1 - h);
      double d = rows.deviance[i] * rows.deviance[i] / room;
      double p = rows.pearson[i] * rows.pearson[i] / room;
      rows.deletion[i] =
          h > ALL_ITS_OWN || !(room > 0) ? Double.NaN : sign * Math.sqrt((1 - h) * d + h * p);
    }
    return rows;
  }

  /** The row that stands out most: its place; -1 for none. */
  public int farthest() {
    int at = -1;
    for (int i = 0; i < deletion.length; i++) {
      if (!Double.isNaN(deletion[i])
          && (at < 0 || Math.abs(deletion[i]) > Math.abs(deletion[at]))) {
        at = i;
      }
    }
    return at;
  }

  /** How many rows can be tested by themselves. */
  public int judged() {
    int count = 0;
    for (double d : deletion) {
      count += Double.isNaN(d) ? 0 : 1;
    }
    return count;
  }
}
