package app.knuckle.stats.linear;

import java.util.Arrays;

/**
 * A combination of coefficients: in each layer its vector, on the scale of the response.
 *
 * @param vectors one a layer, in the coordinates of its fit; to be read only
 * @param lack what the fit does not know of it, empty if it can be estimated. Two that lack the
 *     same have a difference that can be, though neither can by itself; to be read only
 */
public record Estimable(double[][] vectors, double[] lack) {

  /** Of weights about 1, what is below this is rounding. */
  private static final double NOTHING = 1e-7;

  /**
   * A combination that can be estimated.
   *
   * @param vectors one a layer
   */
  public Estimable(double[][] vectors) {
    this(vectors, new double[0]);
  }

  /** Whether it can be estimated by itself: false if only its difference from another might be. */
  public boolean isWhole() {
    return Arrays.stream(lack).allMatch(x -> Math.abs(x) <= NOTHING);
  }

  /**
   * Whether its difference from another can be estimated.
   *
   * @param other another one
   * @return true if both lack the same
   */
  public boolean isComparable(Estimable other) {
    return plus(-1, other).isWhole();
  }

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
    double[] left = lack.length == 0 ? new double[other.lack.length] : lack.clone();
    for (int k = 0; k < other.lack.length; k++) {
      left[k] += weight * other.lack[k];
    }
    return new Estimable(sum, left);
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
    return new Estimable(product, Arrays.stream(lack).map(x -> x * factor).toArray());
  }
}
