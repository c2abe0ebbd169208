package app.knuckle.stats.linear;

import java.util.Arrays;

/**
 * A combination of coefficients that can be estimated: in each layer its vector, on the scale of
 * the response.
 *
 * @param vectors one a layer, in the coordinates of its fit; to be read only
 */
public record Estimable(double[][] vectors) {

  /**
   * A weighted sum.
   *
   * @param weight of the other
   * @param other another one
   * @return this plus the other times its weight
   */
  public Estimable plus(double weight, Estimable other) {
    double[][] sum = new double[vectors.length][];
    for (int s = 0; s < sum.length; s++) {
      sum[s] = vectors[s].clone();
      for (int k = 0; k < sum[s].length; k++) {
        sum[s][k] += weight * other.vectors[s][k];
      }
    }
    return new Estimable(sum);
  }

  /**
   * The same times a number.
   *
   * @param factor any number
   * @return the product
   */
  public Estimable times(double factor) {
    double[][] product = new double[vectors.length][];
    Arrays.setAll(product, s -> Arrays.stream(vectors[s]).map(x -> x * factor).toArray());
    return new Estimable(product);
  }
}
