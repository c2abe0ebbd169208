package app.knuckle.study.cells;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Progress;
import app.knuckle.stats.linear.Factor;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.Response;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.prep.SetAside;
import app.knuckle.study.table.Numbers;
import java.util.ArrayList;
import java.util.List;

/** Adds to the summaries of groups what was counted in them, and out of what. */
public final class CountSummaries {

  private CountSummaries() {}

  /**
   * Summaries with counts.
   *
   * @param frame the records
   * @param inquiry counts or proportions
   * @param response the counts
   * @param summaries of its groups
   * @return the same, each with its total and what that is out of
   */
  public static List<GroupSummary> of(
      Frame frame, Inquiry inquiry, Numbers response, List<GroupSummary> summaries) {
    boolean proportions = inquiry.response() == Response.PROPORTION;
    String column = proportions ? inquiry.outOf() : inquiry.exposure();
    List<String> numbers = new ArrayList<>(List.of(response.name()));
    if (column != null) {
      numbers.add(column);
    }
    Parts parts = new Parts(frame, numbers, inquiry.treatments());
    double[] sizes = column == null ? null : parts.values(column);
    List<GroupSummary> counted = new ArrayList<>();
    for (GroupSummary group : summaries) {
      List<Factor> factors =
          inquiry.treatments().stream()
              .filter(group.levels()::containsKey)
              .map(parts::factor)
              .toList();
      int[] codes =
          factors.stream()
              .mapToInt(f -> f.levels().indexOf(group.levels().get(f.name())))
              .toArray();
      int[][] of = factors.stream().map(Factor::codes).toArray(int[][]::new);
      double total = 0;
      double size = 0;
      for (int row = 0; row < response.size(); row++) {
        if (!parts.isUsed(row) || response.isMissing(row)) {
          continue;
        }
        boolean fits = true;
        for (int f = 0; f < codes.length; f++) {
          fits &= of[f][row] == codes[f];
        }
        if (fits) {
          total += response.value(row);
          size += sizes == null ? 1 : sizes[row];
        }
      }
      counted.add(group.with(new CountSummary(total, size, proportions, inquiry.alpha())));
    }
    return counted;
  }

  /**
   * The records without the rows of which nothing was tried.
   *
   * @param frame the records
   * @param outOf column with how many were tried; null for none
   * @return the same frame where something was tried in every row
   */
  public static Frame tried(Frame frame, String outOf) {
    if (outOf == null || !frame.has(outOf) || !(frame.column(outOf) instanceof Numbers of)) {
      return frame;
    }
    List<Integer> none = new ArrayList<>();
    for (int row = 0; row < frame.rows(); row++) {
      if (frame.inPlay(row) && of.value(row) == 0) {
        none.add(frame.sourceRow(row) + 1);
      }
    }
    return none.isEmpty()
        ? frame
        : new SetAside(none, say("aside.untried"), false).apply(frame, Progress.NONE);
  }
}
