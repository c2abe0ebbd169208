package app.knuckle.stats.mixed;

import app.knuckle.stats.mixed.Rows.Layout;
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

    /**
     * The mean square.
     *
     * @return in squared units of the response
     */
    public double ms() {
      return ss / df;
    }

    Row times(double factor) {
      return new Row(df, ss * factor, variance * factor);
    }
  }

  /** A column of which this share of its square is left, or less, depends on those before it. */
  private static final double DEPENDENT = 1e-10;

  /** What is left after the fixed part and the first terms. */
  private record Stage(int rank, double squares, double[] ofTerms) {}

  /**
   * Fits the terms one after another.
   *
   * @param rows of the model
   * @param layout its columns
   * @param errors with the term that has none
   * @return of the scaled response; null if a term or the residual has no degree of freedom
   */
  static Moments of(Rows rows, Layout layout, GroupedErrors errors) {
    int terms = rows.random.size();
    List<Stage> stages = new ArrayList<>();
    for (int s = 0; s <= terms; s++) {
      stages.add(stage(rows, layout, errors, s));
    }
    Stage last = stages.get(terms);
    int errorDf = rows.size() - last.rank();
    if (errorDf <= 0) {
      return null;
    }
    double residual = last.squares() / errorDf;
    Row[] found = new Row[terms + 1];
    found[terms] = new Row(errorDf, last.squares(), residual);
    for (int k = terms - 1; k >= 0; k--) {
      Stage before = stages.get(k);
      Stage after = stages.get(k + 1);
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

  /**
   * What is left when the fixed part and some terms are taken out: of the response, and of the
   * columns of every term. Once the term without columns is among them, only what varies within its
   * groups counts; before that its own columns are followed through their products.
   */
  private static Stage stage(Rows rows, Layout layout, GroupedErrors errors, int terms) {
    boolean grouped = errors.term() < terms;
    DMatrixRMaj left = errors.withinGroups();
    DMatrixRMaj ofGroups = errors.ofMeans(2);
    if (!grouped) {
      CommonOps_DDRM.addEquals(left, errors.ofMeans(1));
    }
    double[] sizes = new double[layout.size()];
    for (int j = 0; j < sizes.length; j++) {
      sizes[j] = left.get(j, j);
    }
    DMatrixRMaj total = errors.ofMeans(1);
    int rank = grouped ? rows.random.get(errors.term()).size() : 0;
    double groups = grouped ? 0 : rows.size();
    for (int j = 0; j < layout.response(); j++) {
      if (!isIn(layout, j, terms)
          || !(left.get(j, j) > DEPENDENT * (sizes[j] + (grouped ? total.get(j, j) : 0)))) {
        continue;
      }
      rank++;
      groups -= grouped ? 0 : ofGroups.get(j, j) / left.get(j, j);
      takeOut(j, left, ofGroups);
    }
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

  private static boolean isIn(Layout layout, int column, int terms) {
    if (column < layout.fixed()) {
      return true;
    }
    for (int k = 0; k < layout.terms().length; k++) {
      if (column < layout.starts()[k + 1]) {
        return layout.terms()[k] < terms;
      }
    }
    return false;
  }

  private static void takeOut(int j, DMatrixRMaj left, DMatrixRMaj ofGroups) {
    int c = left.numRows;
    double[] factor = new double[c];
    double[] along = new double[c];
    for (int k = 0; k < c; k++) {
      factor[k] = left.get(j, k) / left.get(j, j);
      along[k] = ofGroups.get(j, k);
    }
    double own = along[j];
    for (int k = 0; k < c; k++) {
      for (int l = 0; l < c; l++) {
        ofGroups.add(
            k, l, -factor[k] * along[l] - factor[l] * along[k] + factor[k] * factor[l] * own);
      }
    }
    double pivot = left.get(j, j);
    for (int k = 0; k < c; k++) {
      for (int l = 0; l < c; l++) {
        left.add(k, l, -factor[k] * factor[l] * pivot);
      }
    }
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
}
