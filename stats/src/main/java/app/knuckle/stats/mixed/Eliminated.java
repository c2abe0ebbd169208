package app.knuckle.stats.mixed;

import app.knuckle.stats.mixed.MixedRows.Layout;
import java.util.Arrays;
import java.util.stream.IntStream;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.CommonOps_DDRM;

/**
 * Products between columns after others were taken out: by P, if the fixed part is among these,
 * else by the inverse of V. With T the columns taken out, A = X'KX and C = A(T,T) + 1/s of the
 * random ones, a product is {@code A(x,y) - A(x,T) C^-1 A(T,y)}.
 *
 * <p>For a random column that is itself taken out the same is {@code 1/s - C^-1/s^2}, which keeps
 * its digits where the variance is large beside the errors; the first form does where it is small.
 */
final class Eliminated {

  private final Layout layout;
  private final int[] out;
  private final int[] kept;

  /** Place of each column among those taken out; negative for none. */
  private final int[] place;

  /** Of the random columns. */
  private final double[] variance;

  private final PositiveDefinite equations;
  private final DMatrixRMaj inverse;
  private final DMatrixRMaj combination;
  private final DMatrixRMaj product;

  Eliminated(Layout layout, DMatrixRMaj all, double[] t, boolean withFixed) {
    this.layout = layout;
    int fixed = layout.fixed();
    variance = new double[layout.size()];
    for (int k = 0; k < layout.terms().length; k++) {
      for (int j : layout.columns(k)) {
        variance[j] = t[layout.terms()[k]];
      }
    }
    out =
        IntStream.range(withFixed ? 0 : fixed, layout.response())
            .filter(j -> j < fixed || variance[j] > 0)
            .toArray();
    kept = IntStream.range(withFixed ? fixed : 0, layout.size()).toArray();
    place = new int[layout.size()];
    Arrays.fill(place, -1);
    for (int i = 0; i < out.length; i++) {
      place[out[i]] = i;
    }
    DMatrixRMaj c = Likelihood.part(all, out, out);
    for (int i = 0; i < out.length; i++) {
      c.add(i, i, out[i] < fixed ? 0 : 1 / variance[out[i]]);
    }
    equations = PositiveDefinite.of(c);
    if (equations == null) {
      inverse = null;
      combination = null;
      product = null;
      return;
    }
    inverse = equations.inverse();
    combination = combination(all);
    product = CommonOps_DDRM.multTransB(Likelihood.part(all, kept, range()), combination, null);
    useInverse(all);
  }

  private int[] range() {
    return Likelihood.first(layout.size());
  }

  boolean isPossible() {
    return equations != null;
  }

  /** Every kept column less what the columns taken out say of it, as weights of all columns. */
  private DMatrixRMaj combination(DMatrixRMaj all) {
    DMatrixRMaj weights = new DMatrixRMaj(kept.length, layout.size());
    int[] left = IntStream.of(kept).filter(x -> place[x] < 0).toArray();
    DMatrixRMaj solution = equations.times(Likelihood.part(all, out, left));
    int next = 0;
    for (int x = 0; x < kept.length; x++) {
      int own = place[kept[x]];
      if (own < 0) {
        weights.set(x, kept[x], 1);
        for (int i = 0; i < out.length; i++) {
          weights.set(x, out[i], -solution.get(i, next));
        }
        next++;
      } else {
        for (int i = 0; i < out.length; i++) {
          weights.set(x, out[i], inverse.get(own, i) / variance[kept[x]]);
        }
      }
    }
    return weights;
  }

  /** Where both variances are large, the form that keeps the digits then. */
  private void useInverse(DMatrixRMaj all) {
    int from = layout.fixed();
    int first = Arrays.binarySearch(kept, from);
    int[] large = new int[layout.size()];
    Arrays.fill(large, -1);
    for (int i = 0; i < out.length; i++) {
      if (out[i] >= from && variance[out[i]] * all.get(out[i], out[i]) > 1) {
        large[out[i]] = i;
      }
    }
    for (int x = first; x < kept.length; x++) {
      int i = large[kept[x]];
      if (i < 0) {
        continue;
      }
      double sx = variance[kept[x]];
      for (int y = 0; y < kept.length; y++) {
        int j = large[kept[y]];
        if (j >= 0) {
          double own = i == j ? 1 / sx : 0;
          product.set(x, y, own - inverse.get(i, j) / (sx * variance[kept[y]]));
        } else if (variance[kept[y]] == 0) {
          product.set(x, y, -combination.get(y, kept[x]) / sx);
          product.set(y, x, product.get(x, y));
        }
      }
    }
  }

  /** How many columns are kept; the response stands last. */
  int size() {
    return kept.length;
  }

  double logDeterminant() {
    return equations.logDeterminant();
  }

  /** The inverse of the equations of the columns taken out. */
  DMatrixRMaj inverse() {
    return inverse;
  }

  /** Place of a column among those taken out; negative for none. */
  int outPlace(int column) {
    return place[column];
  }

  int[] out() {
    return out;
  }

  /** Rows of the products that belong to the levels of a term that has columns. */
  int[] rowsOf(int k) {
    int shift = kept[0];
    return IntStream.of(layout.columns(k)).map(j -> j - shift).toArray();
  }

  /** Products of the kept columns. */
  DMatrixRMaj product() {
    return product;
  }

  /** The kept columns as weights of all. */
  DMatrixRMaj combination() {
    return combination;
  }

  /** Some of the kept columns as weights of all. */
  DMatrixRMaj weights(int[] which) {
    return Likelihood.part(combination, which, range());
  }

  /**
   * Products of some kept columns with two derivatives between.
   *
   * @param weights of the columns
   * @param one these times the first derivative
   * @param other these times the second
   * @param both products with both between that know nothing of the columns taken out
   */
  DMatrixRMaj twice(DMatrixRMaj weights, DMatrixRMaj one, DMatrixRMaj other, DMatrixRMaj both) {
    DMatrixRMaj sum =
        CommonOps_DDRM.multTransB(CommonOps_DDRM.mult(weights, both, null), weights, null);
    if (out.length > 0) {
      int[] all = Likelihood.first(weights.numRows);
      DMatrixRMaj middle = CommonOps_DDRM.mult(Likelihood.part(one, all, out), inverse, null);
      CommonOps_DDRM.multAddTransB(-1, middle, Likelihood.part(other, all, out), sum);
    }
    return sum;
  }

  /** Trace of the inverse of the equations times a derivative. */
  double trace(DMatrixRMaj b) {
    double sum = 0;
    for (int i = 0; i < out.length; i++) {
      for (int j = 0; j < out.length; j++) {
        sum += inverse.get(i, j) * b.get(out[j], out[i]);
      }
    }
    return sum;
  }

  /**
   * What the derivatives of the errors come to between the columns that are kept, as far as the
   * likelihood looks at it: every kept column with itself and with the response, never all with
   * all. With W the kept columns as weights of all, and F = X'KR'KX, that is the diagonal and the
   * last column of {@code W F W'}.
   */
  final class Between {

    private final DMatrixRMaj[] halves;
    private final double[][] along;
    private final DMatrixRMaj[] traced;

    /**
     * Takes the derivatives.
     *
     * @param first X'KR'KX, one a parameter of the errors
     */
    Between(DMatrixRMaj[] first) {
      halves = new DMatrixRMaj[first.length];
      along = new double[first.length][];
      traced = new DMatrixRMaj[first.length];
      for (int a = 0; a < first.length; a++) {
        halves[a] = CommonOps_DDRM.mult(combination, first[a], null);
        // The derivative is symmetric, so that its product with the response is a row of the half.
        along[a] = new double[combination.numCols];
        System.arraycopy(
            halves[a].data, (size() - 1) * combination.numCols, along[a], 0, combination.numCols);
        traced[a] = traced(halves[a], first[a]);
      }
    }

    /**
     * The inverse of the equations times a derivative. For random columns the weights are rows of
     * the inverse over their variance, so that only the fixed ones are left to be multiplied.
     */
    private DMatrixRMaj traced(DMatrixRMaj half, DMatrixRMaj first) {
      int n = out.length;
      DMatrixRMaj all = new DMatrixRMaj(n, n);
      int fixed = (int) IntStream.of(out).filter(j -> j < layout.fixed()).count();
      if (fixed > 0) {
        DMatrixRMaj rows = CommonOps_DDRM.extract(inverse, 0, fixed, 0, n);
        DMatrixRMaj product = CommonOps_DDRM.mult(rows, Likelihood.part(first, out, out), null);
        System.arraycopy(product.data, 0, all.data, 0, fixed * n);
      }
      for (int i = fixed; i < n; i++) {
        int row = (out[i] - kept[0]) * half.numCols;
        for (int j = 0; j < n; j++) {
          all.data[i * n + j] = variance[out[i]] * half.data[row + out[j]];
        }
      }
      return all;
    }

    /** A kept column with itself. */
    double own(int a, int row) {
      return dot(halves[a].data, row);
    }

    /** A kept column with the response. */
    double withResponse(int a, int row) {
      return dot(along[a], row, 0);
    }

    /** The response with itself. */
    double response(int a) {
      return withResponse(a, size() - 1);
    }

    /** The response with itself, and another matrix between. */
    double response(DMatrixRMaj between) {
      int c = combination.numCols;
      int at = (size() - 1) * c;
      double sum = 0;
      for (int i = 0; i < c; i++) {
        double row = 0;
        for (int j = 0; j < c; j++) {
          row += between.data[i * c + j] * combination.data[at + j];
        }
        sum += combination.data[at + i] * row;
      }
      return sum;
    }

    /** The response with itself, and two derivatives between, whose own product is given. */
    double response(int a, int b, DMatrixRMaj both) {
      double sum = response(both);
      for (int i = 0; i < out.length; i++) {
        double row = 0;
        for (int j = 0; j < out.length; j++) {
          row += inverse.data[i * out.length + j] * along[b][out[j]];
        }
        sum -= along[a][out[i]] * row;
      }
      return sum;
    }

    /** Trace of two derivatives, the inverse of the equations before each. */
    double trace(int a, int b) {
      double[] one = traced[a].data;
      double[] other = traced[b].data;
      int n = out.length;
      double sum = 0;
      for (int i = 0; i < n; i++) {
        for (int j = 0; j < n; j++) {
          sum += one[i * n + j] * other[j * n + i];
        }
      }
      return sum;
    }

    private double dot(double[] matrix, int row) {
      return dot(matrix, row, row * combination.numCols);
    }

    private double dot(double[] values, int row, int from) {
      int c = combination.numCols;
      double sum = 0;
      for (int j = 0; j < c; j++) {
        sum += values[from + j] * combination.data[row * c + j];
      }
      return sum;
    }
  }
}
