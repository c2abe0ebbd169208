package app.knuckle.figures.scatter;

import java.util.List;

/**
 * A bar for each group.
 *
 * @param names of the groups
 * @param heights from 0 up; NaN for none
 * @param marked which stand out
 * @param title of the scale
 */
public record Bars(List<String> names, double[] heights, boolean[] marked, String title) {
  public Bars {
    names = List.copyOf(names);
  }
}
