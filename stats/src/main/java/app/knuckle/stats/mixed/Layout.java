package app.knuckle.stats.mixed;

import java.util.Arrays;
import java.util.stream.IntStream;

/**
 * The columns between which products are taken: the coordinates of the fixed part, the levels of
 * every random term that is not among the errors, the response.
 *
 * @param fixed coordinates of the fixed part
 * @param terms random terms that have columns, by their place
 * @param starts first column of each of them, and the column after them: that of the response
 */
record Layout(int fixed, int[] terms, int[] starts) {

  static Layout of(Rows rows, int absorbed) {
    int[] terms = IntStream.range(0, rows.random.size()).filter(k -> k != absorbed).toArray();
    int[] starts = new int[terms.length + 1];
    starts[0] = rows.rank();
    for (int k = 0; k < terms.length; k++) {
      starts[k + 1] = starts[k] + rows.random.get(terms[k]).size();
    }
    return new Layout(rows.rank(), terms, starts);
  }

  int response() {
    return starts[terms.length];
  }

  int size() {
    return response() + 1;
  }

  /** Columns of one of the terms that have some, counted among these. */
  int[] columns(int k) {
    return IntStream.range(starts[k], starts[k + 1]).toArray();
  }

  /** One row of all columns. */
  double[] row(Rows rows, int i) {
    double[] x = Arrays.copyOf(rows.fixed[i], size());
    for (int k = 0; k < terms.length; k++) {
      x[starts[k] + rows.level(terms[k], i)] = 1;
    }
    x[response()] = rows.response[i];
    return x;
  }
}
