package app.knuckle.figures.spread;

import app.knuckle.study.cells.GroupSummary;
import app.knuckle.study.findings.ResponseFindings;
import java.util.ArrayList;
import java.util.List;

/**
 * What the picture of the groups shows.
 *
 * @param groups from left to right
 * @param valueTitle title of the value axis, with its unit
 * @param dots whether single values are drawn; too many of them hide each other and take long
 */
public record SpreadPicture(List<Group> groups, String valueTitle, boolean dots) {

  /** More values than this are no longer seen singly. */
  public static final int MOST_DOTS = 3000;

  public SpreadPicture {
    groups = List.copyOf(groups);
  }

  /**
   * One group.
   *
   * @param name of its level
   * @param values those that are there
   * @param rows the rows of the table behind them, from 0
   * @param summary of the values
   */
  public record Group(String name, double[] values, int[] rows, GroupSummary summary) {}

  /**
   * The picture of a response.
   *
   * @param response with its groups
   * @return the picture
   */
  public static SpreadPicture of(ResponseFindings response) {
    List<Group> groups = new ArrayList<>();
    for (int g = 0; g < response.groups().size(); g++) {
      int[] rows = response.rowsOf(g);
      double[] values = new double[rows.length];
      for (int i = 0; i < rows.length; i++) {
        values[i] = response.measured().value(rows[i]);
      }
      String level = response.groups().levels().get(g);
      groups.add(new Group(level, values, rows, response.summaryOf(g)));
    }
    return new SpreadPicture(groups, response.measured().title(), hasDots(response));
  }

  /**
   * Whether the values of a response are few enough to be seen singly.
   *
   * @param response with its groups
   * @return true if they are drawn as dots
   */
  public static boolean hasDots(ResponseFindings response) {
    return response.groupSummaries().stream().mapToLong(g -> g.summary().n()).sum() <= MOST_DOTS;
  }
}
