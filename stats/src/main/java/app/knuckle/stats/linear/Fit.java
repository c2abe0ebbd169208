package app.knuckle.stats.linear;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalInt;
import java.util.stream.IntStream;

/**
 * A model fitted by least squares to one response, or to several at once.
 *
 * <p>The rows are reduced to {@link Cells} and these to a triangle, on which every question is then
 * answered: a cell of n rows counts as one row times the square root of n, and what varies within
 * cells comes in as a Cholesky factor, which has the same products.
 */
public final class Fit {

  /** A coefficient that depends on others by less than this can be estimated for itself. */
  private static final double ESTIMABLE = 1e-7;

  /**
   * What is left of a sum of squares within cells, after those before it, is rounding below this
   * share: products carry the digits of a double, so spreads half of them.
   */
  private static final double NO_SPREAD_LEFT = 1e-13;

  private final Model model;
  private final Cells cells;
  private final int[] starts;
  private final Model.Product[] terms;
  private final double[] centres;
  private final double[] scales;
  private final int[] place;
  private final int[] columnAt;
  private final double[][] triangle;
  private final double[][] coordinates;
  private final double[][] residual;
  private final double[][] dependence;
  private final int rank;
  private final int absorbed;
  private InverseTriangle inverse;

  private Fit(Model model, Cells cells, int responses, int absorbed) {
    this.model = model;
    this.cells = cells;
    this.absorbed = absorbed;
    starts = model.starts();
    terms = model.terms().stream().map(model::product).toArray(Model.Product[]::new);
    int q = model.covariates().size();
    centres = new double[q];
    scales = new double[q];
    for (int c = 0; c < q; c++) {
      centres[c] = cells.grandMean(c);
      scales[c] = scale(c);
    }
    OrderedQr qr = reduce(responses);
    rank = qr.rank();
    int p = starts[starts.length - 1];
    place = IntStream.range(0, p).map(qr::place).toArray();
    columnAt = new int[rank];
    for (int j = 0; j < p; j++) {
      if (place[j] >= 0) {
        columnAt[place[j]] = j;
      }
    }
    triangle = IntStream.range(0, p).mapToObj(qr::column).toArray(double[][]::new);
    coordinates = IntStream.range(0, responses).mapToObj(qr::coordinates).toArray(double[][]::new);
    residual = qr.residual();
    dependence = new double[p][];
    for (int j = 0; j < p; j++) {
      if (place[j] < 0) {
        dependence[j] = solve(triangle[j]);
      }
    }
  }

  /**
   * Fits a model.
   *
   * @param model with at least one row complete in all that it names
   * @param responses one array a response, a value for each row; rows without a value of any of
   *     them take no part
   * @return the fit
   */
  public static Fit of(Model model, List<double[]> responses) {
    return of(model, responses, 0);
  }

  /**
   * Fits a model to responses from which something was taken out beforehand.
   *
   * @param model without a general mean, if that is among what was taken out
   * @param responses as above
   * @param absorbed degrees of freedom taken out beforehand
   * @return the fit
   */
  public static Fit of(Model model, List<double[]> responses, int absorbed) {
    List<double[]> variables = new ArrayList<>();
    model.covariates().forEach(c -> variables.add(c.values()));
    variables.addAll(responses);
    Cells cells = Cells.of(model.factors(), variables, model.hasSlopes());
    if (cells.rows() == 0) {
      throw new IllegalArgumentException("No row is complete");
    }
    return new Fit(model, cells, responses.size(), absorbed);
  }

  private double scale(int covariate) {
    double sum = 0;
    for (int cell = 0; cell < cells.size(); cell++) {
      double d = cells.mean(cell, covariate) - centres[covariate];
      sum += cells.count(cell) * d * d;
      sum += cells.isApart() ? cells.within(cell)[covariate][covariate] : 0;
    }
    sum += cells.isApart() ? 0 : cells.within(0)[covariate][covariate];
    return sum > 0 ? Math.sqrt(sum / cells.rows()) : 1;
  }

  private double rowCount() {
    return IntStream.range(0, cells.size()).mapToLong(cells::count).sum();
  }

  /** A decimal is recorded as a double to about this share of its size. */
  private static final double RECORDED = 0x1p-52;

  private OrderedQr reduce(int responses) {
    int q = model.covariates().size();
    int variables = q + responses;
    int blocks = cells.isApart() ? cells.size() : 1;
    int rows = cells.size() + blocks * variables;
    int p = starts[starts.length - 1];
    double[][] columns = new double[p][rows];
    double[][] right = new double[responses][rows];
    for (int cell = 0; cell < cells.size(); cell++) {
      double weight = Math.sqrt(cells.count(cell));
      if (model.intercept()) {
        columns[0][cell] = weight;
      }
      int[] levels = levels(cell);
      for (int t = 0; t < terms.length; t++) {
        double x = weight;
        for (int c : terms[t].covariates()) {
          x *= (cells.mean(cell, c) - centres[c]) / scales[c];
        }
        double[] codes = model.codes(terms[t], levels);
        for (int i = 0; i < codes.length; i++) {
          columns[starts[t] + i][cell] = codes[i] * x;
        }
      }
      for (int r = 0; r < responses; r++) {
        // Without a general mean the response has been centred beforehand, about 0.
        double origin = model.intercept() ? 0 : cells.origin(q + r);
        right[r][cell] = weight * (cells.mean(cell, q + r) + origin);
      }
    }
    for (int b = 0; b < blocks; b++) {
      double[][] root = cholesky(cells.within(b));
      for (int i = 0; i < variables; i++) {
        int row = cells.size() + b * variables + i;
        for (int t = 0; t < terms.length; t++) {
          int[] c = terms[t].covariates();
          if (c.length == 1 && i <= c[0]) {
            double x = root[i][c[0]] / scales[c[0]];
            double[] codes = model.codes(terms[t], levels(b));
            for (int k = 0; k < codes.length; k++) {
              columns[starts[t] + k][row] = codes[k] * x;
            }
          }
        }
        for (int r = 0; r < responses; r++) {
          right[r][row] = root[i][q + r];
        }
      }
    }
    double[] rounding = new double[responses];
    Arrays.setAll(rounding, r -> RECORDED * Math.abs(cells.origin(q + r)) * Math.sqrt(rowCount()));
    return new OrderedQr(columns, right, rounding);
  }

  private int[] levels(int cell) {
    return IntStream.range(0, model.factors().size()).map(f -> cells.code(cell, f)).toArray();
  }

  /**
   * The upper triangle whose products are the matrix; a direction without spread has a row of 0,
   * where EJML's decomposition gives up.
   */
  private static double[][] cholesky(double[][] matrix) {
    int n = matrix.length;
    double[][] a = new double[n][];
    for (int i = 0; i < n; i++) {
      a[i] = matrix[i].clone();
    }
    double[][] root = new double[n][n];
    for (int i = 0; i < n; i++) {
      double pivot = a[i][i];
      if (!(pivot > matrix[i][i] * NO_SPREAD_LEFT)) {
        continue;
      }
      double size = Math.sqrt(pivot);
      for (int j = i; j < n; j++) {
        root[i][j] = a[i][j] / size;
      }
      for (int j = i + 1; j < n; j++) {
        for (int k = i + 1; k < n; k++) {
          a[j][k] -= root[i][j] * root[i][k];
        }
      }
    }
    return root;
  }

  /** The combination of independent columns with given coordinates. */
  private double[] solve(double[] target) {
    double[] x = Arrays.copyOf(target, rank);
    for (int k = rank - 1; k >= 0; k--) {
      double sum = x[k];
      for (int l = k + 1; l < rank; l++) {
        sum -= triangle[columnAt[l]][k] * x[l];
      }
      x[k] = sum / triangle[columnAt[k]][k];
    }
    return x;
  }

  /**
   * A sum of squares, or of products of several responses, with its degrees of freedom.
   *
   * @param df degrees of freedom
   * @param products the sums, one row and column a response
   */
  public record Sum(int df, double[][] products) {

    /**
     * The sum of squares of a response.
     *
     * @param response from 0
     * @return at least 0
     */
    public double of(int response) {
      return products[response][response];
    }

    /** Over all coordinates of responses in a space of their own. */
    static Sum over(double[][] z) {
      List<Integer> all = IntStream.range(0, z[0].length).boxed().toList();
      return new Sum(all.size(), Fit.products(z, all));
    }
  }

  /**
   * The sum of squares of a term.
   *
   * @param term one of the model's
   * @param kind after what
   * @return null if it cannot be estimated, because cells are empty
   */
  public Sum squares(Term term, Squares kind) {
    int t = indexOf(term).orElseThrow();
    List<Term> terms = model.terms();
    return switch (kind) {
      case IN_ORDER -> after(IntStream.range(0, t).toArray(), t);
      case AFTER_ITS_PEERS ->
          after(
              IntStream.range(0, terms.size())
                  .filter(s -> s != t && !terms.get(s).contains(term))
                  .toArray(),
              t);
      case AFTER_ALL -> {
        boolean contained = terms.stream().anyMatch(s -> s.contains(term));
        boolean whole = rank == place.length;
        if (whole) {
          yield inverse().alone(starts[t], starts[t + 1], coordinates);
        }
        yield contained && !isEstimable(t)
            ? null
            : after(IntStream.range(0, terms.size()).filter(s -> s != t).toArray(), t);
      }
    };
  }

  /**
   * Directions, in the coordinates of the fit, that a term has for itself after all others.
   *
   * @param term one of the model's
   * @return one orthogonal vector of length 1 a degree of freedom; null if cells are empty
   */
  public double[][] directions(Term term) {
    int t = indexOf(term).orElseThrow();
    return rank < place.length ? null : inverse().directions(starts[t], starts[t + 1]);
  }

  /**
   * What is 0 when a term has no effect, as rows in the coordinates of the fit: its effects under
   * orthonormal contrasts; where they cannot be estimated and no other term holds this one, the
   * directions that it has for itself after all others.
   *
   * @param term one of the model's
   * @return one row a degree of freedom; none if the term cannot be tested, because cells are empty
   */
  public double[][] hypothesis(Term term) {
    int t = indexOf(term).orElseThrow();
    if (isEstimable(t)) {
      double[][] rows = model.orthonormal(model.product(term));
      for (int i = 0; i < rows.length; i++) {
        double[] weights = new double[place.length];
        System.arraycopy(rows[i], 0, weights, starts[t], rows[i].length);
        rows[i] = vector(weights);
      }
      return rows;
    }
    if (model.terms().stream().anyMatch(s -> s.contains(term))) {
      return new double[0][];
    }
    double[][] units = new double[rank][rank];
    for (int k = 0; k < rank; k++) {
      units[k][k] = 1;
    }
    int[] others = IntStream.range(0, model.terms().size()).filter(s -> s != t).toArray();
    double[][] along = along(others, t, units);
    double[][] rows = new double[along[0].length][rank];
    for (int i = 0; i < rows.length; i++) {
      for (int k = 0; k < rank; k++) {
        rows[i][k] = along[k][i];
      }
    }
    return rows;
  }

  /**
   * The logarithm of the determinant of the cross products of the design's independent columns, in
   * sum-to-zero coding with covariates as deviations from their mean: any number.
   */
  public double logCrossProducts() {
    double sum = 0;
    for (int k = 0; k < rank; k++) {
      sum += 2 * Math.log(Math.abs(triangle[columnAt[k]][k]));
    }
    for (int t = 0; t < model.terms().size(); t++) {
      for (int c : model.product(model.terms().get(t)).covariates()) {
        for (int j = starts[t]; j < starts[t + 1]; j++) {
          sum += place[j] < 0 ? 0 : 2 * Math.log(scales[c]);
        }
      }
    }
    return sum;
  }

  /** Made when it is first asked for; the same whoever makes it. */
  private InverseTriangle inverse() {
    if (inverse == null) {
      inverse = new InverseTriangle(triangle);
    }
    return inverse;
  }

  private OptionalInt indexOf(Term term) {
    return IntStream.range(0, model.terms().size())
        .filter(t -> model.terms().get(t).isSameAs(term))
        .findFirst();
  }

  /** Whether every coefficient of a term can be estimated. */
  private boolean isEstimable(int t) {
    for (int j = starts[t]; j < starts[t + 1]; j++) {
      double[] unit = new double[place.length];
      unit[j] = 1;
      if (vector(unit) == null) {
        return false;
      }
    }
    return true;
  }

  /** What one term adds to others. */
  private Sum after(int[] others, int t) {
    double[][] right = new double[coordinates.length][];
    Arrays.setAll(right, r -> coordinates[r].clone());
    return Sum.over(along(others, t, right));
  }

  /**
   * Vectors, in the coordinates of the fit, along the directions that a term adds to others.
   *
   * @param right overwritten
   * @return one row a vector, one number a degree of freedom
   */
  private double[][] along(int[] others, int t, double[][] right) {
    List<double[]> columns = new ArrayList<>();
    if (model.intercept()) {
      columns.add(triangle[0].clone());
    }
    for (int s : others) {
      for (int j = starts[s]; j < starts[s + 1]; j++) {
        columns.add(triangle[j].clone());
      }
    }
    int before = columns.size();
    for (int j = starts[t]; j < starts[t + 1]; j++) {
      columns.add(triangle[j].clone());
    }
    OrderedQr qr = new OrderedQr(columns.toArray(new double[0][]), right);
    int[] own =
        IntStream.range(before, columns.size()).map(qr::place).filter(p -> p >= 0).toArray();
    double[][] along = new double[right.length][];
    Arrays.setAll(
        along,
        r -> {
          double[] z = qr.coordinates(r);
          return Arrays.stream(own).mapToDouble(k -> z[k]).toArray();
        });
    return along;
  }

  private static double[][] products(double[][] z, List<Integer> own) {
    double[][] sums = new double[z.length][z.length];
    for (int a = 0; a < z.length; a++) {
      for (int b = 0; b < z.length; b++) {
        double sum = 0;
        for (int k : own) {
          sum += z[a][k] * z[b][k];
        }
        sums[a][b] = sum;
      }
    }
    return sums;
  }

  /** What the whole model explains beyond the general mean: degrees of freedom and sums. */
  public Sum explained() {
    List<Integer> own = IntStream.range(model.intercept() ? 1 : 0, rank).boxed().toList();
    return new Sum(own.size(), products(coordinates, own));
  }

  /** What the model leaves: degrees of freedom, which may be 0, and sums. */
  public Sum error() {
    return new Sum(cells.rows() - rank - absorbed, residual);
  }

  /** Rows that took part. */
  public int rows() {
    return cells.rows();
  }

  /** Independent columns of the design: the number, the general mean counted. */
  public int rank() {
    return rank;
  }

  /** The model that was fitted: as given. */
  public Model model() {
    return model;
  }

  /**
   * A value of a response, from which its means are given as deviations.
   *
   * @param response from 0
   * @return the origin
   */
  public double origin(int response) {
    return model.intercept() ? cells.origin(model.covariates().size() + response) : 0;
  }

  /**
   * Mean of a response over all rows that took part, less its origin.
   *
   * @param response from 0
   * @return the deviation
   */
  public double grandDeviation(int response) {
    return cells.grandMean(model.covariates().size() + response);
  }

  /**
   * Mean of a covariate over all rows that took part.
   *
   * @param covariate from 0
   * @return the mean
   */
  public double covariateMean(int covariate) {
    return model.covariates().get(covariate).origin() + centre(covariate);
  }

  /** Mean of a covariate, less its origin as its values are. */
  private double centre(int covariate) {
    return cells.origin(covariate) + centres[covariate];
  }

  /**
   * Rows with some levels.
   *
   * @param levels one a factor; -1 for any
   * @return the number
   */
  public long count(int[] levels) {
    long count = 0;
    for (int cell = 0; cell < cells.size(); cell++) {
      boolean fits = true;
      for (int f = 0; f < levels.length; f++) {
        fits &= levels[f] < 0 || cells.code(cell, f) == levels[f];
      }
      count += fits ? cells.count(cell) : 0;
    }
    return count;
  }

  /**
   * The combination of coefficients that gives a mean.
   *
   * @param levels one a factor; -1 for the average over its levels with equal weights
   * @param at one value a covariate, less its origin as its values are; NaN for its mean
   * @return one weight a column of the design
   */
  public double[] meanOf(int[] levels, double[] at) {
    double[] weights = new double[place.length];
    if (model.intercept()) {
      weights[0] = 1;
    }
    for (int t = 0; t < model.terms().size(); t++) {
      Model.Product product = terms[t];
      double x = 1;
      for (int c : product.covariates()) {
        x *= Double.isNaN(at[c]) ? 0 : (at[c] - centre(c)) / scales[c];
      }
      double[] codes = model.codes(product, levels);
      for (int i = 0; i < codes.length; i++) {
        weights[starts[t] + i] = codes[i] * x;
      }
    }
    return weights;
  }

  /**
   * The combination of coefficients that gives what one combination of levels adds within a term;
   * of a covariate, in units of the response over its own.
   *
   * @param term one of the model's
   * @param levels one a factor of the model; those of factors outside the term do not count
   * @return one weight a column of the design
   */
  double[] effectOf(Term term, int[] levels) {
    int t = indexOf(term).orElseThrow();
    Model.Product product = model.product(term);
    double x = 1;
    for (int c : product.covariates()) {
      x /= scales[c];
    }
    double[] weights = new double[place.length];
    double[] codes = model.codes(product, levels);
    for (int i = 0; i < codes.length; i++) {
      weights[starts[t] + i] = codes[i] * x;
    }
    return weights;
  }

  /**
   * The combination of coefficients that gives a common slope.
   *
   * @param covariate from 0
   * @return one weight a column; null if the covariate is no term of its own
   */
  public double[] slopeOf(int covariate) {
    OptionalInt t = indexOf(Term.of(model.covariates().get(covariate).name()));
    if (t.isEmpty()) {
      return null;
    }
    double[] weights = new double[place.length];
    weights[starts[t.getAsInt()]] = 1 / scales[covariate];
    return weights;
  }

  /**
   * A combination of coefficients in the coordinates of the fit: its estimate is the inner product
   * with {@link #coordinates}, its variance the error mean square times its squared length.
   *
   * @param weights one a column of the design
   * @return null if the combination cannot be estimated
   */
  public double[] vector(double[] weights) {
    // Against the largest weight: what a zero depends on may be rounding alone.
    double largest = 0;
    for (double weight : weights) {
      largest = Math.max(largest, Math.abs(weight));
    }
    for (int j = 0; j < place.length; j++) {
      if (place[j] < 0) {
        double sum = weights[j];
        double size = largest;
        for (int k = 0; k < dependence[j].length; k++) {
          double product = weights[columnAt[k]] * dependence[j][k];
          sum -= product;
          size = Math.max(size, Math.abs(product));
        }
        if (Math.abs(sum) > ESTIMABLE * size) {
          return null;
        }
      }
    }
    return independent(weights);
  }

  /**
   * A row that took part in the coordinates of the fit. What columns depend on others, they do in
   * this row too, but for rounding: a covariate that hardly varies is no reason not to know it.
   *
   * @param levels one a factor of the model
   * @param at one value a covariate
   * @return one number a degree of freedom of the model
   */
  public double[] vectorOfRow(int[] levels, double[] at) {
    return independent(meanOf(levels, at));
  }

  /** The weights of independent columns in the coordinates of the fit. */
  private double[] independent(double[] weights) {
    double[] v = new double[rank];
    for (int k = 0; k < rank; k++) {
      double sum = weights[columnAt[k]];
      double[] column = triangle[columnAt[k]];
      for (int l = 0; l < k; l++) {
        sum -= column[l] * v[l];
      }
      v[k] = sum / column[k];
    }
    return v;
  }

  /**
   * A combination of coefficients with what the fit does not know of it.
   *
   * @param weights one a column of the design
   * @return its vector, whose differences hold where what is lacking is the same
   */
  public Estimable combination(double[] weights) {
    double[] lack = new double[place.length - rank];
    int next = 0;
    for (int j = 0; j < place.length; j++) {
      if (place[j] < 0) {
        double sum = weights[j];
        for (int k = 0; k < dependence[j].length; k++) {
          sum -= weights[columnAt[k]] * dependence[j][k];
        }
        lack[next++] = sum;
      }
    }
    return new Estimable(new double[][] {independent(weights)}, lack);
  }

  /**
   * A response in the coordinates of the fit.
   *
   * @param response from 0
   * @return one number for each independent column; to be read only
   */
  public double[] coordinates(int response) {
    return coordinates[response];
  }

  /**
   * The value that the fit gives one row.
   *
   * @param response from 0
   * @param levels of the row, one a factor
   * @param at covariate values of the row
   * @return the fitted value less the response's origin
   */
  public double fitted(int response, int[] levels, double[] at) {
    double[] v = vector(meanOf(levels, at));
    double sum = 0;
    for (int k = 0; k < rank; k++) {
      sum += v[k] * coordinates[response][k];
    }
    return sum;
  }
}
