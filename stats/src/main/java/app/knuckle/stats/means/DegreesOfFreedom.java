package app.knuckle.stats.means;

/** Degrees of freedom behind the standard errors of some means; they need not be whole numbers. */
public interface DegreesOfFreedom {

  /** So many that t is the normal distribution, to the last digit of a double. */
  double UNBOUNDED = Double.MAX_VALUE;

  /**
   * As the distributions want them that know infinity.
   *
   * @param df above 0
   * @return infinity for those that have no bound
   */
  static double orInfinity(double df) {
    return df == UNBOUNDED ? Double.POSITIVE_INFINITY : df;
  }

  /**
   * Of one mean.
   *
   * @param i from 0
   * @return above 0; NaN or 0 if there is no error
   */
  double of(int i);

  /**
   * Of a difference.
   *
   * @param i one mean
   * @param j another
   * @return above 0; NaN or 0 if there is no error
   */
  double ofDifference(int i, int j);

  /**
   * The same for all.
   *
   * @param df above 0; 0 if there is no error
   * @return degrees of freedom that know one number
   */
  static DegreesOfFreedom all(double df) {
    return new DegreesOfFreedom() {
      @Override
      public double of(int i) {
        return df;
      }

      @Override
      public double ofDifference(int i, int j) {
        return df;
      }
    };
  }
}
