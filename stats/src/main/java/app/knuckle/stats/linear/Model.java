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
