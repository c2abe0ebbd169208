package app.knuckle.stats.linear;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import java.util.Arrays;
import java.util.List;

/**
 * The layers of an experiment together, and means estimated from all of them.
 *
 * @param layers one or more, the coarser first; only the first may have a sum of the others' errors
 * @param offset taken from the response before the layers were fitted
 * @see "Satterthwaite, F. E. (1946). An approximate distribution of estimates of variance
 *     components. Biometrics Bulletin 2, 110-114"
 */
public record Strata(List<Stratum> layers, double offset) implements Estimator {

  public Strata {
    layers = List.copyOf(layers);
  }

  /**
   * Layers fitted to the response as it is.
   *
   * @param layers one or more, the coarser first
   */
  public Strata(List<Stratum> layers) {
    this(layers, 0);
  }

  /**
   * A mean.
   *
   * @param levels one a factor of the models; -1 for the average over its levels
   * @param at one value a covariate of the coarsest layer; NaN for its mean. Finer layers know
   *     deviations from the means of units only, which are 0 on average
   * @return null if it cannot be estimated
   */
  @Override
  public Estimable mean(int[] levels, double[] at) {
    double[][] vectors = new double[layers.size()][];
    for (int s = 0; s < vectors.length; s++) {
      Stratum layer = layers.get(s);
      double[] place = s == 0 ? fromOrigins(layer, at) : average(layer);
      double[] v = layer.fit().vector(layer.fit().meanOf(levels, place));
      if (v == null) {
        return null;
      }
      vectors[s] = Arrays.stream(v).map(x -> x / layer.scale()).toArray();
    }
    return new Estimable(vectors);
  }

  /**
   * A mean at the mean of every covariate.
   *
   * @param levels one a factor of the models; -1 for the average over its levels
   * @return null if it cannot be estimated
   */
  public Estimable mean(int[] levels) {
    return mean(levels, average(layers.get(0)));
  }

  private static double[] fromOrigins(Stratum layer, double[] at) {
    double[] deviations = at.clone();
    Arrays.setAll(deviations, c -> at[c] - layer.fit().model().covariates().get(c).origin());
    return deviations;
  }

  private static double[] average(Stratum layer) {
    double[] at = new double[layer.fit().model().covariates().size()];
    Arrays.fill(at, Double.NaN);
    return at;
  }

  /**
   * The estimate of a combination.
   *
   * @param e the combination
   * @return its value, less the origin of the response if it is a mean
   */
  @Override
  public double value(Estimable e) {
    double sum = 0;
    for (int s = 0; s < layers.size(); s++) {
      sum += dot(e.vectors()[s], layers.get(s).fit().coordinates(layers.get(s).response()));
    }
    return sum;
  }

  /**
   * The slope of a layer on a covariate.
   *
   * @param layer from 0
   * @param covariate of that layer's model, from 0
   * @return null if it cannot be estimated
   */
  public Estimable slope(int layer, int covariate) {
    Fit fit = layers.get(layer).fit();
    double[] weights = fit.slopeOf(covariate);
    double[] own = weights == null ? null : fit.vector(weights);
    if (own == null) {
      return null;
    }
    double[][] vectors = new double[layers.size()][];
    for (int s = 0; s < vectors.length; s++) {
      vectors[s] = s == layer ? own : new double[layers.get(s).fit().rank()];
    }
    vectors[layer] = Arrays.stream(own).map(x -> x / layers.get(layer).scale()).toArray();
    return new Estimable(vectors);
  }

  /** The value from which means are deviations. */
  @Override
  public double origin() {
    return offset + layers.get(0).fit().origin(layers.get(0).response()) / layers.get(0).scale();
  }

  /**
   * The covariance of two combinations.
   *
   * @param a one
   * @param b the other
   * @return NaN if a layer that counts has no error
   */
  @Override
  public double covariance(Estimable a, Estimable b) {
    double[] weights = weights(a, b);
    double sum = 0;
    for (int s = 0; s < layers.size(); s++) {
      if (weights[s] != 0) {
        sum += weights[s] * layers.get(s).errorMs().value();
      }
    }
    return sum;
  }

  /**
   * The variance of a combination.
   *
   * @param e the combination
   * @return NaN if a layer that counts has no error, or if a sum of errors is not above 0
   */
  @Override
  public double variance(Estimable e) {
    double sum = covariance(e, e);
    return isSummed() && !isAbove(sum, parts(weights(e, e))) ? Double.NaN : sum;
  }

  private boolean isSummed() {
    return layers.get(0).sum() != null;
  }

  /** How much each layer's mean square counts; a sum of them is taken apart. */
  private double[] weights(Estimable a, Estimable b) {
    double[] weights = new double[layers.size()];
    Arrays.setAll(weights, s -> dot(a.vectors()[s], b.vectors()[s]));
    if (isSummed()) {
      double shared = weights[0];
      weights[0] = 0;
      for (int s = 1; s < weights.length; s++) {
        weights[s] += shared * layers.get(0).sum().weights()[s - 1];
      }
    }
    return weights;
  }

  /**
   * Degrees of freedom of a combination's variance.
   *
   * @param e the combination
   * @return those of the layer it rests on, or Satterthwaite's when it rests on several, signs as
   *     they stand
   */
  @Override
  public double df(Estimable e) {
    double[] weights = weights(e, e);
    double size = Arrays.stream(weights).map(Math::abs).sum();
    double total = 0;
    double squares = 0;
    int only = -1;
    int several = 0;
    for (int s = 0; s < layers.size(); s++) {
      // What rounding leaves of a layer that does not count must not count.
      if (Math.abs(weights[s]) > NEGLIGIBLE * size) {
        double part = weights[s] * layers.get(s).errorMs().value();
        total += part;
        squares += part * part / layers.get(s).errorDf();
        only = s;
        several++;
      }
    }
    if (several < 2) {
      return layers.get(Math.max(0, only)).errorDf();
    }
    return isSummed() && !isAbove(total, parts(weights)) ? Double.NaN : total * total / squares;
  }

  /** Weights are of squares: their rounding is some 1e-16 of the largest. */
  private static final double NEGLIGIBLE = 1e-14;

  private static double dot(double[] a, double[] b) {
    double sum = 0;
    for (int k = 0; k < a.length; k++) {
      sum += a[k] * b[k];
    }
    return sum;
  }

  @Override
  public long count(int[] levels) {
    return layers.get(layers.size() - 1).fit().count(levels);
  }

  @Override
  public double covariateMean(int covariate) {
    return layers.get(0).fit().covariateMean(covariate);
  }

  @Override
  public Quantity commonDf() {
    return Quantity.of(layers.get(layers.size() - 1).errorDf());
  }

  @Override
  public Absence noError() {
    return isSummed() ? Absence.ERRORS_NOT_ABOVE_ZERO : Absence.NO_NOISE_NO_SE;
  }

  /**
   * The mean square of the last layer, which all others are compared with when there is one: absent
   * without degrees of freedom.
   */
  @Override
  public Quantity errorMs() {
    return layers.get(layers.size() - 1).errorMs();
  }

  /** What the layers contribute, without their signs. */
  private double parts(double[] weights) {
    double sum = 0;
    for (int s = 0; s < layers.size(); s++) {
      sum += weights[s] == 0 ? 0 : Math.abs(weights[s]) * layers.get(s).errorMs().value();
    }
    return sum;
  }

  /** Whether a sum of parts of either sign is more than what rounding leaves of nothing. */
  private static boolean isAbove(double sum, double parts) {
    return sum > NEGLIGIBLE * parts;
  }
}
