package app.knuckle.stats.distributions;

/** The distribution of the largest of several t statistics that share an estimate of spread. */
public sealed interface LargestT
    permits DunnettDistribution, LargestOfThreeT, FactorT, CorrelatedT {
  /**
   * A probability with the error of its computation.
   *
   * @param p from 0 to 1
   * @param error at least 0; 0 if it is below 1e-9 of p
   */
  record Tail(double p, double error) {}

  /**
   * P(largest &gt; t).
   *
   * @param t any number
   * @return the probability
   */
  Tail tail(double t);

  /**
   * The t with P(largest &gt; t) = p.
   *
   * @param p between 0 and 1
   * @return the critical value
   */
  double inverseSurvivalProbability(double p);

  /**
   * The distribution for any correlations: by quadrature where they are products, one loading a
   * statistic, or where there are three statistics at most; else by a lattice rule.
   *
   * @param correlations a correlation matrix, which may be singular
   * @param df degrees of freedom, above 0; infinity when the spread is known
   * @param twoSided whether sizes are compared, rather than values
   * @return the distribution
   */
  static LargestT of(double[][] correlations, double df, boolean twoSided) {
    double[] loadings = ProductCorrelations.of(correlations);
    if (loadings != null) {
      return DunnettDistribution.of(loadings, df, twoSided);
    }
    return correlations.length == 3
        ? new LargestOfThreeT(correlations, df, twoSided)
        : CorrelatedT.of(correlations, df, twoSided);
  }
}
