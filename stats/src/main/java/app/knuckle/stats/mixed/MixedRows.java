package app.knuckle.stats.mixed;

import app.knuckle.stats.linear.Covariate;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.Fit;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;

/**
 * The rows of a mixed model: the fixed part in orthonormal coordinates, the level of every random
 * term, and the response less a value of its own, in units of its standard deviation, so that
 * neither an offset nor a unit costs a digit.
 */
final class MixedRows {

  final Fit fit;
  final List<RandomTerm> random;

  /** Which rows of the records take part, in order. */
  final int[] row;

  /** The fixed part of each, one number a coordinate of the fit. */
  final double[][] fixed;

  /** The response of each, scaled. */
  final double[] response;

  /** Standard deviation of the response, by which it was divided. */
  final double scale;

  /**
   * Takes the rows of a fit.
   *
   * @param fit of the fixed part to one response
   * @param values the response, NaN where a row takes no part
   * @param random the random terms, over the same rows
   */
  MixedRows(Fit fit, double[] values, List<RandomTerm> random) {
    this.fit = fit;
    this.random = List.copyOf(random);
    row = IntStream.range(0, values.length).filter(r -> !Double.isNaN(values[r])).toArray();
    fixed = new double[row.length][];
    response = new double[row.length];
    List<Factor> factors = fit.model().factors();
    List<Covariate> covariates = fit.model().covariates();
    Map<Long, double[]> known = new HashMap<>();
    double sum = 0;
    for (int i = 0; i < row.length; i++) {
      int at = row[i];
      fixed[i] =
          covariates.isEmpty()
              ? known.computeIfAbsent(cell(factors, at), k -> coordinates(fit, at))
              : coordinates(fit, at);
      response[i] = values[at] - fit.origin(0);
      sum += response[i];
    }
    double mean = sum / row.length;
    double squares = Arrays.stream(response).map(y -> (y - mean) * (y - mean)).sum();
    scale = squares > 0 ? Math.sqrt(squares / (row.length - 1)) : 1;
    for (int i = 0; i < row.length; i++) {
      response[i] /= scale;
    }
  }

  private static long cell(List<Factor> factors, int row) {
    long cell = 0;
    for (Factor factor : factors) {
      cell = cell * factor.size() + factor.codes()[row];
    }
    return cell;
  }

  private static double[] coordinates(Fit fit, int row) {
    int[] levels = fit.model().factors().stream().mapToInt(f -> f.codes()[row]).toArray();
    double[] at = fit.model().covariates().stream().mapToDouble(c -> c.values()[row]).toArray();
    return fit.vector(fit.meanOf(levels, at));
  }

  int size() {
    return row.length;
  }

  /** Coordinates of the fixed part. */
  int rank() {
    return fit.rank();
  }

  /** The level that a row has of a random term. */
  int level(int term, int i) {
    return random.get(term).codes()[row[i]];
  }

  /**
   * The columns between which products are taken: the coordinates of the fixed part, the levels of
   * every random term that is not among the errors, the response.
   *
   * @param fixed coordinates of the fixed part
   * @param terms random terms that have columns, by their place
   * @param starts first column of each of them, and the column after them: that of the response
   */
  record Layout(int fixed, int[] terms, int[] starts) {

    static Layout of(MixedRows rows, int absorbed) {
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
    double[] row(MixedRows rows, int i) {
      double[] x = Arrays.copyOf(rows.fixed[i], size());
      for (int k = 0; k < terms.length; k++) {
        x[starts[k] + rows.level(terms[k], i)] = 1;
      }
      x[response()] = rows.response[i];
      return x;
    }
  }
}
