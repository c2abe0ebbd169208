package app.knuckle.figures.scene;

import java.util.Arrays;
import java.util.Comparator;

/**
 * Spreads single values sideways so that equal ones do not hide each other, always in the same way
 * for the same values.
 */
public final class Swarm {

  private Swarm() {}

  /**
   * Sideways places for values.
   *
   * @param places of the values along the axis, in points
   * @param radius of a dot
   * @param inner least distance from the middle; 0 when the middle is free
   * @param outer largest distance from the middle
   * @return one distance from the middle for each value, negative to the left
   */
  public static double[] spread(double[] places, double radius, double inner, double outer) {
    int n = places.length;
    double[] sideways = new double[n];
    Integer[] rising = new Integer[n];
    Arrays.setAll(rising, i -> i);
    Arrays.sort(rising, Comparator.comparingDouble(i -> places[i]));
    double gap = 2 * radius;
    int lanes = Math.max(1, (int) Math.floor((outer - inner) / gap) + 1);
    int all = inner > 0 ? 2 * lanes : 2 * lanes - 1;
    double[] last = new double[all];
    Arrays.fill(last, Double.NEGATIVE_INFINITY);
    for (int i = 0; i < n; i++) {
      double at = places[rising[i]];
      int best = lane(at, last, gap, i % 2);
      last[best] = at;
      int step = inner > 0 ? best / 2 : (best + 1) / 2;
      double side = best % 2 == 0 ? 1 : -1;
      double away = Math.min(outer, inner + step * gap);
      sideways[rising[i]] = inner > 0 || best > 0 ? side * away : 0;
    }
    return sideways;
  }

  /** The first free lane from the middle outward, sides in turn; else the one free for longest. */
  private static int lane(double at, double[] last, double gap, int turn) {
    int longest = 0;
    for (int i = 0; i < last.length; i++) {
      int partner = i ^ turn;
      int lane = partner < last.length ? partner : i;
      if (at - last[lane] >= gap) {
        return lane;
      }
      longest = last[lane] < last[longest] ? lane : longest;
    }
    return longest;
  }
}
