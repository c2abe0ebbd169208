package app.knuckle.stats.linear;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;

/**
 * A linear model: factors in sum-to-zero coding, covariates as deviations from their mean, and the
 * terms made of them, in order.
 *
 * @param factors over the same rows
 * @param covariates over the same rows
 * @param terms in the order of the model
 * @param intercept whether there is a general mean
 */
public record Model(
    List<Factor> factors, List<Covariate> covariates, List<Term> terms, boolean intercept) {

  public Model {
    factors = List.copyOf(factors);
    covariates = List.copyOf(covariates);
    terms = List.copyOf(terms);
  }

  /** A term as places of its factors and covariates. */
  record Product(int[] factors, int[] covariates) {}

  Product product(Term term) {
    int[] f =
        IntStream.range(0, factors.size())
            .filter(i -> term.names().contains(factors.get(i).name()))
            .toArray();
    int[] c =
        IntStream.range(0, covariates.size())
            .filter(i -> term.names().contains(covariates.get(i).name()))
            .toArray();
    if (f.length + c.length != term.names().size()) {
      throw new IllegalArgumentException("A name of " + term.source() + " is not in the model");
    }
    return new Product(f, c);
  }

  /** Columns that a term takes. */
  int width(Term term) {
    int width = 1;
    for (int f : product(term).factors()) {
      width *= factors.get(f).size() - 1;
    }
    return width;
  }

  /** First column of each term, and the number of columns last. */
  int[] starts() {
    int[] starts = new int[terms.size() + 1];
    starts[0] = intercept ? 1 : 0;
    for (int t = 0; t < terms.size(); t++) {
      starts[t + 1] = starts[t] + width(terms.get(t));
    }
    return starts;
  }

  /**
   * The values of all factor columns of a term for one combination of levels.
   *
   * @param levels one a factor of the model; -1 for the average over all levels, which is 0 in
   *     every column
   */
  double[] codes(Product product, int[] levels) {
    double[] codes = {1};
    for (int f : product.factors()) {
      int size = factors.get(f).size();
      double[] more = new double[codes.length * (size - 1)];
      for (int i = 0; i < codes.length; i++) {
        for (int c = 0; c < size - 1; c++) {
          double code = levels[f] < 0 ? 0 : Factor.code(size, levels[f], c);
          more[i * (size - 1) + c] = codes[i] * code;
        }
      }
      codes = more;
    }
    return codes;
  }

  /**
   * Orthonormal contrasts among the effects of a term, as combinations of its columns: the product
   * of those of its factors, which turn sum-to-zero coefficients into effects and these into
   * Helmert's contrasts.
   */
  double[][] orthonormal(Product product) {
    double[][] rows = {{1}};
    for (int f : product.factors()) {
      double[][] own = helmert(factors.get(f).size());
      double[][] more = new double[rows.length * own.length][];
      for (int i = 0; i < more.length; i++) {
        double[] a = rows[i / own.length];
        double[] b = own[i % own.length];
        more[i] = new double[a.length * b.length];
        for (int j = 0; j < more[i].length; j++) {
          more[i][j] = a[j / b.length] * b[j % b.length];
        }
      }
      rows = more;
    }
    return rows;
  }

  /** Helmert's contrasts of k effects, of length 1, on the k - 1 coefficients that make these. */
  private static double[][] helmert(int k) {
    double[][] rows = new double[k - 1][k - 1];
    for (int i = 0; i < k - 1; i++) {
      // Level i + 1 against the mean of those before it; the last effect is minus all others.
      double size = Math.sqrt((i + 1.0) * (i + 2.0));
      double last = i == k - 2 ? -(i + 1) / size : 0;
      for (int c = 0; c < k - 1; c++) {
        double weight = c <= i ? 1 / size : c == i + 1 ? -(i + 1) / size : 0;
        rows[i][c] = weight - last;
      }
    }
    return rows;
  }

  /** Whether a term has a covariate whose slope depends on factors. */
  boolean hasSlopes() {
    return terms.stream()
        .map(this::product)
        .anyMatch(
            p -> p.covariates().length > 0 && p.factors().length > 0 || p.covariates().length > 1);
  }

  /**
   * The same model with other terms.
   *
   * @param others in their order
   * @return the model
   */
  public Model with(List<Term> others) {
    return new Model(factors, covariates, others, intercept);
  }

  /**
   * The same model with one more covariate.
   *
   * @param covariate joined as a term of its own, before the other terms
   * @return the model
   */
  public Model with(Covariate covariate) {
    List<Covariate> all = new ArrayList<>(covariates);
    all.add(covariate);
    List<Term> more = new ArrayList<>(terms);
    more.add(Term.of(covariate.name()));
    return new Model(factors, all, more, intercept);
  }
}
