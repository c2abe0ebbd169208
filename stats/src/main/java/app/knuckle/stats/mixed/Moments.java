package app.knuckle.stats.mixed;

import app.knuckle.stats.mixed.MixedRows.Layout;
import java.util.ArrayList;
import java.util.List;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.CommonOps_DDRM;

/**
 * Variances by equating mean squares with what they are expected to be: the fixed part is fitted,
 * then the random terms one after another.
 *
 * @param rows one a random term in order, then the residual
 * @see "Henderson, C. R. (1953). Estimation of variance and covariance components. Biometrics 9,
 *     226-252 (his third method)"
 */
public record Moments(List<Row> rows) {

  public Moments {
    rows = List.copyOf(rows);
  }

  /**
   * One term.
   *
   * @param df gain in rank
   * @param ss drop in the residual sum of squares
   * @param variance as it comes, below 0 too
   */
  public record Row(int df, double ss, double variance) {

    /** The mean square, in squared units of the response. */
    public double ms() {
      return ss / df;
    }

    Row times(double factor) {
      return new Row(df, ss * factor, variance * factor);
    }
  }

  /**
   * Fits the terms one after another.
   *
   * @param rows of the model
   * @param layout its columns
   * @param errors with the term that has none
   * @return of the scaled response; null if a term or the residual has no degree of freedom
   */
  static Moments of(MixedRows rows, Layout layout, GroupedErrors errors) {
    int terms = rows.random.size();
    List<TakenOut.Stage> stages = TakenOut.stages(rows, layout, errors);
    TakenOut.Stage last = stages.get(terms);
    int errorDf = rows.size() - last.rank();
    if (errorDf <= 0) {
      return null;
    }
    double residual = last.squares() / errorDf;
    Row[] found = new Row[terms + 1];
    found[terms] = new Row(errorDf, last.squares(), residual);
    for (int k = terms - 1; k >= 0; k--) {
      TakenOut.Stage before = stages.get(k);
      TakenOut.Stage after = stages.get(k + 1);
      int df = after.rank() - before.rank();
      if (df == 0) {
        return null;
      }
      double ss = before.squares() - after.squares();
      double left = ss - df * residual;
      for (int j = k + 1; j < terms; j++) {
        left -= (before.ofTerms()[j] - after.ofTerms()[j]) * found[j].variance();
      }
      found[k] = new Row(df, ss, left / (before.ofTerms()[k] - after.ofTerms()[k]));
    }
    return new Moments(List.of(found));
  }

  /** The same in units of a response that was divided by a number. */
  Moments times(double scale) {
    return new Moments(rows.stream().map(r -> r.times(scale * scale)).toList());
  }

  /** Where a search may start: what is below 0 gets a hundredth of the others' sum. */
  double[] start() {
    double positive = rows.stream().mapToDouble(Row::variance).filter(v -> v > 0).sum();
    return rows.stream()
        .mapToDouble(r -> r.variance() > 0 ? r.variance() : positive / 100)
        .toArray();
  }

  /**
   * Columns taken out one after another: the fixed part, then the random terms. Once the term
   * without columns is among them, only what varies within its groups counts; before that its own
   * columns are followed through their products.
   */
  private static final class TakenOut {

    /** A column of which this share of its square is left, or less, depends on those before it. */
    private static final double DEPENDENT = 1e-10;

    private final Layout layout;
    private final DMatrixRMaj left;
    private final DMatrixRMaj ofGroups;
    private final boolean grouped;
    private final double[] sizes;
    private int rank;
    private double groups;

    /**
     * What is left after the fixed part and some of the terms.
     *
     * @param rank of what was taken out
     * @param squares left of the response
     * @param ofTerms squares left of the columns of every term
     */
    record Stage(int rank, double squares, double[] ofTerms) {}

    /**
     * Takes out the fixed part, then each term.
     *
     * @param rows of the model
     * @param layout its columns
     * @param errors with the term that has none
     * @return one stage more than there are terms
     */
    static List<Stage> stages(MixedRows rows, Layout layout, GroupedErrors errors) {
      List<Stage> stages = new ArrayList<>();
      TakenOut now = new TakenOut(rows, layout, errors, false);
      now.take(0, layout.fixed());
      stages.add(now.stage(rows, errors, 0));
      for (int term = 0; term < rows.random.size(); term++) {
        if (term == errors.term()) {
          now = new TakenOut(rows, layout, errors, true);
          now.take(0, layout.starts()[term]);
        } else {
          int k = term < errors.term() ? term : term - 1;
          now.take(layout.starts()[k], layout.starts()[k + 1]);
        }
        stages.add(now.stage(rows, errors, term + 1));
      }
      return stages;
    }

    private TakenOut(MixedRows rows, Layout layout, GroupedErrors errors, boolean grouped) {
      this.layout = layout;
      this.grouped = grouped;
      left = errors.withinGroups();
      ofGroups = errors.ofMeans(2);
      DMatrixRMaj ofMeans = errors.ofMeans(1);
      sizes = new double[layout.size()];
      for (int j = 0; j < sizes.length; j++) {
        sizes[j] = left.get(j, j) + ofMeans.get(j, j);
      }
      if (!grouped) {
        CommonOps_DDRM.addEquals(left, ofMeans);
      }
      rank = grouped ? rows.random.get(errors.term()).size() : 0;
      groups = grouped ? 0 : rows.size();
    }

    private void take(int from, int to) {
      for (int j = from; j < to; j++) {
        if (left.get(j, j) > DEPENDENT * sizes[j]) {
          rank++;
          groups -= grouped ? 0 : ofGroups.get(j, j) / left.get(j, j);
          take(j);
        }
      }
    }

    private void take(int j) {
      int c = left.numRows;
      double pivot = left.get(j, j);
      double own = ofGroups.get(j, j);
      double[] factor = new double[c];
      double[] along = new double[c];
      for (int k = 0; k < c; k++) {
        factor[k] = left.get(j, k) / pivot;
        along[k] = ofGroups.get(j, k);
      }
      for (int k = 0; k < c; k++) {
        double f = factor[k];
        if (f == 0 && (grouped || along[k] == 0)) {
          continue;
        }
        int row = k * c;
        for (int l = 0; l < c; l++) {
          left.data[row + l] -= f * factor[l] * pivot;
        }
        // How groups are correlated no longer matters once they are taken out themselves.
        for (int l = 0; l < c && !grouped; l++) {
          ofGroups.data[row + l] -= f * along[l] + factor[l] * along[k] - f * factor[l] * own;
        }
      }
    }

    private Stage stage(MixedRows rows, GroupedErrors errors, int terms) {
      double[] ofTerms = new double[rows.random.size()];
      for (int k = 0; k < layout.terms().length; k++) {
        if (layout.terms()[k] >= terms) {
          for (int j : layout.columns(k)) {
            ofTerms[layout.terms()[k]] += left.get(j, j);
          }
        }
      }
      ofTerms[errors.term()] = groups;
      return new Stage(rank, left.get(layout.response(), layout.response()), ofTerms);
    }
  }
}
