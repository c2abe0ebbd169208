package app.knuckle.stats.means;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import org.apache.commons.statistics.distribution.TDistribution;

/**
 * Means (or other estimates) with their covariance and the degrees of freedom of their errors.
 *
 * <p>Means are held as deviations from an origin, so that a difference of two of them keeps its
 * digits however large they are.
 */
public final class Estimates {

  private final double origin;
  private final double[] deviations;
  private final long[] counts;
  private final Covariance covariance;
  private final DegreesOfFreedom df;
  private final Absence noError;
  private final LinkScale scale;
  private final boolean[] known;

  /**
   * Estimates that share their degrees of freedom.
   *
   * @param origin added to every deviation gives the mean
   * @param deviations means less the origin
   * @param counts rows behind each mean
   * @param covariance of the estimates
   * @param df degrees of freedom of the error behind the covariance; 0 when there is none
   */
  public Estimates(
      double origin,
      double[] deviations,
      long[] counts,
      Covariance covariance,
      DegreesOfFreedom df) {
    this(origin, deviations, counts, covariance, df, Absence.NO_NOISE_NO_SE);
  }

  /**
   * The same with a reason of its own where there is no standard error.
   *
   * @param origin added to every deviation gives the mean
   * @param deviations means less the origin
   * @param counts rows behind each mean
   * @param covariance of the estimates
   * @param df degrees of freedom of the error behind the covariance
   * @param noError why a standard error is absent
   */
  public Estimates(
      double origin,
      double[] deviations,
      long[] counts,
      Covariance covariance,
      DegreesOfFreedom df,
      Absence noError) {
    this(origin, deviations, counts, covariance, df, noError, LinkScale.IDENTITY, null);
  }

  /** The same on a scale of its own, where some means may have no value by themselves. */
  private Estimates(
      double origin,
      double[] deviations,
      long[] counts,
      Covariance covariance,
      DegreesOfFreedom df,
      Absence noError,
      LinkScale scale,
      boolean[] known) {
    if (deviations.length != counts.length) {
      throw new IllegalArgumentException(
          deviations.length + " means, " + counts.length + " counts");
    }
    this.origin = origin;
    this.deviations = deviations.clone();
    this.counts = counts.clone();
    this.covariance = covariance;
    this.df = df;
    this.noError = noError;
    this.scale = scale;
    this.known = known;
  }

  /**
   * The same means on a scale on which effects add up.
   *
   * @param other the scale
   * @param whole whether each mean has a value by itself, rather than only its differences
   * @return the estimates
   */
  public Estimates on(LinkScale other, boolean[] whole) {
    return new Estimates(origin, deviations, counts, covariance, df, noError, other, whole.clone());
  }

  /** The scale of the means: that of the response itself unless effects add up on another. */
  public LinkScale scale() {
    return scale;
  }

  /**
   * A mean as it is shown: on the scale of the response, shares in per cent.
   *
   * @param i from 0
   * @return NaN if it has no value by itself
   */
  public double shown(int i) {
    return known != null && !known[i] ? Double.NaN : scale.factor() * scale.back(mean(i));
  }

  /**
   * The standard error of a mean as it is shown.
   *
   * @param i from 0
   * @return absent like {@link #se}
   */
  public Quantity shownSe(int i) {
    return se(i).mapFinite(se -> se * scale.factor() * scale.slope(mean(i)), Absence.LIMIT_TOO_FAR);
  }

  /**
   * The interval of a mean as it is shown.
   *
   * @param i from 0
   * @param alpha one less the confidence, between 0 and 1
   * @param upper whether its upper end is asked for
   * @return absent where there is no interval
   */
  public Quantity shownLimit(int i, double alpha, boolean upper) {
    return halfWidth(i, alpha)
        .mapFinite(
            h -> scale.factor() * scale.back(upper ? mean(i) + h : mean(i) - h),
            Absence.LIMIT_TOO_FAR);
  }

  /** How many means there are. */
  public int size() {
    return deviations.length;
  }

  /**
   * One mean.
   *
   * @param i from 0
   * @return in units of the response
   */
  public double mean(int i) {
    return origin + deviations[i];
  }

  /**
   * Rows behind a mean.
   *
   * @param i from 0
   * @return the count
   */
  public long count(int i) {
    return counts[i];
  }

  /**
   * Standard error of a mean.
   *
   * @param i from 0
   * @return in units of the response
   */
  public Quantity se(int i) {
    return Quantity.finite(Math.sqrt(covariance.variance(i)), noError);
  }

  /**
   * Degrees of freedom of a mean.
   *
   * @param i from 0
   * @return absent when there are none
   */
  public Quantity df(int i) {
    return known(df.of(i));
  }

  /**
   * One mean less another.
   *
   * @param i the first
   * @param j the one taken away
   * @return in units of the response
   */
  public double difference(int i, int j) {
    return deviations[i] - deviations[j];
  }

  /**
   * Standard error of a difference.
   *
   * @param i the first
   * @param j the other
   * @return in units of the response
   */
  public Quantity seOfDifference(int i, int j) {
    return Quantity.finite(Math.sqrt(covariance.ofDifference(i, j)), noError);
  }

  /**
   * Degrees of freedom of a difference.
   *
   * @param i the first
   * @param j the other
   * @return absent when there are none
   */
  public Quantity dfOfDifference(int i, int j) {
    return known(df.ofDifference(i, j));
  }

  /**
   * Half the width of the interval of a mean, by the t distribution.
   *
   * @param i from 0
   * @param alpha one less the confidence, between 0 and 1
   * @return in units of the response
   */
  public Quantity halfWidth(int i, double alpha) {
    // Where no layer has any error there are no degrees of freedom, although the error is 0.
    Quantity t =
        df(i)
            .mapFinite(
                d -> TDistribution.of(d).inverseSurvivalProbability(alpha / 2),
                Absence.FEW_DF_NO_INTERVAL);
    return t.exists() ? se(i).mapFinite(s -> s * t.value(), Absence.NO_END) : t;
  }

  private Quantity known(double df) {
    return df > 0 ? Quantity.of(df) : Quantity.absent(noError);
  }
}
