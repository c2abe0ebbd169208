package app.knuckle.stats.linear;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.means.Covariance;
import app.knuckle.stats.means.DegreesOfFreedom;
import app.knuckle.stats.means.Estimates;
import app.knuckle.stats.means.LinkScale;
import java.util.List;

/**
 * What a fit says of combinations of its coefficients. Whatever is one can be asked for means,
 * differences, contrasts and slopes, and says how sure each is.
 */
public interface Estimator {

  /**
   * A mean.
   *
   * @param levels one a factor of the model; -1 for the average over its levels
   * @param at one value a covariate; NaN for its mean
   * @return null if nothing can be said of it; what only differences can be taken of lacks
   *     something
   */
  Estimable mean(int[] levels, double[] at);

  /**
   * The estimate of a combination.
   *
   * @param e the combination
   * @return its value, less the {@link #origin} if it is a mean
   */
  double value(Estimable e);

  /**
   * The variance of a combination.
   *
   * @param e the combination
   * @return NaN if there is no estimate of it
   */
  double variance(Estimable e);

  /**
   * The covariance of two combinations.
   *
   * @param a one
   * @param b the other
   * @return NaN if there is no estimate of it
   */
  double covariance(Estimable a, Estimable b);

  /**
   * Degrees of freedom of a combination's variance.
   *
   * @param e the combination
   * @return need not be whole; NaN or 0 where there is no error
   */
  double df(Estimable e);

  /** The value from which means are deviations. */
  double origin();

  /**
   * Rows with some levels.
   *
   * @param levels one a factor of the model; -1 for any
   * @return the number
   */
  long count(int[] levels);

  /**
   * Mean of a covariate over the rows used.
   *
   * @param covariate from 0
   * @return in its own unit
   */
  double covariateMean(int covariate);

  /**
   * The degrees of freedom that stand beside a mean which cannot be estimated: absent where each
   * estimate has its own.
   */
  Quantity commonDf();

  /** The mean square that every contrast is tested against: absent where there is none. */
  Quantity errorMs();

  /**
   * The scale on which its estimates stand: that of the response itself, unless effects add up on
   * another.
   */
  default LinkScale scale() {
    return LinkScale.IDENTITY;
  }

  /**
   * Whether the rows with some levels have no finite mean because none, or all, of them count: the
   * likelihood has no top for it.
   *
   * @param levels one a factor of the model; -1 for any
   * @return false without such rows
   */
  default boolean isSeparated(int[] levels) {
    return false;
  }

  /** Why a mean has no value where it has none. */
  default Absence noMean() {
    return Absence.EMPTY_CELLS;
  }

  /** Why there is no standard error where there is none. */
  default Absence noError() {
    return Absence.NO_NOISE_NO_SE;
  }

  /**
   * Means as everything after them knows them.
   *
   * @param means the combinations
   * @param counts rows behind each
   * @return the estimates
   */
  default Estimates estimates(List<Estimable> means, long[] counts) {
    boolean[] whole = new boolean[means.size()];
    for (int i = 0; i < whole.length; i++) {
      whole[i] = means.get(i).isWhole();
    }
    return plain(means, counts).on(scale(), whole);
  }

  /**
   * The variances of means and of their differences.
   *
   * @param means the combinations
   * @return by their places
   */
  default Covariance covariances(List<Estimable> means) {
    return new Covariance() {
      @Override
      public double variance(int i) {
        return means.get(i).isWhole() ? Estimator.this.variance(means.get(i)) : Double.NaN;
      }

      @Override
      public double between(int i, int j) {
        return covariance(means.get(i), means.get(j));
      }

      @Override
      public double ofDifference(int i, int j) {
        return Estimator.this.variance(means.get(i).plus(-1, means.get(j)));
      }
    };
  }

  private Estimates plain(List<Estimable> means, long[] counts) {
    return new Estimates(
        origin(),
        means.stream().mapToDouble(this::value).toArray(),
        counts,
        covariances(means),
        new DegreesOfFreedom() {
          @Override
          public double of(int i) {
            return df(means.get(i));
          }

          @Override
          public double ofDifference(int i, int j) {
            return df(means.get(i).plus(-1, means.get(j)));
          }
        },
        noError());
  }
}
