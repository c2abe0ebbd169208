package app.knuckle.stats;

import java.util.Arrays;

/**
 * When values are alike but for rounding. Centring, and taking away what a model says, leaves
 * rounding error in the last digits of the values as they were recorded: what is no larger than
 * that says nothing.
 */
public final class Alike {
  /**
   * 64 units in the last place: more than sums over an experiment lose, less than any digit typed.
   */
  private static final double SHARE = 0x1p-47;

  private Alike() {}

  /**
   * How far apart values may be and still be alike.
   *
   * @param recorded the values before anything was taken away from them; NaN for none
   * @return at least 0, in their unit
   */
  public static double within(double... recorded) {
    return SHARE
        * Arrays.stream(recorded).filter(v -> !Double.isNaN(v)).map(Math::abs).max().orElse(0);
  }

  /**
   * Deviations without those that are rounding error.
   *
   * @param deviations what is left of recorded values
   * @param within how far from 0 rounding error goes
   * @return as many, 0 in place of rounding error
   */
  public static double[] cleansed(double[] deviations, double within) {
    return Arrays.stream(deviations).map(x -> Math.abs(x) <= within ? 0 : x).toArray();
  }

  /**
   * Whether all of some values are alike.
   *
   * @param values any number of them
   * @param within how far apart they may be
   * @return true also for none and one
   */
  public static boolean are(double[] values, double within) {
    double least = Double.POSITIVE_INFINITY;
    double most = Double.NEGATIVE_INFINITY;
    for (double value : values) {
      least = Math.min(least, value);
      most = Math.max(most, value);
    }
    return !(most - least > within);
  }
}
