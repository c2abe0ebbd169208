package app.knuckle.desktop.layout;

import app.knuckle.desktop.shell.Answer;
import app.knuckle.study.design.DesignReading;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.List;

/**
 * What the Layout joint says under its sentence.
 *
 * @param readsAs one line; empty while the sentence has a gap
 * @param note what the line adds: balance, or why the guess was made
 * @param warnings where sentence and records disagree, or what is missing
 * @param plots the groups of the plot plan
 * @param more groups that the plan has no room for
 * @param treatment the name over the plan
 * @param skeleton cells of the skeleton, row by row
 * @param questions what is asked, plainly
 * @param hypotheses what is asked, as hypotheses
 * @param rows "on 36 rows"
 */
public record LayoutPage(
    String readsAs,
    String note,
    List<String> warnings,
    List<Plot> plots,
    int more,
    String treatment,
    List<List<String>> skeleton,
    List<String> questions,
    List<String> hypotheses,
    String rows) {

  /** More groups than this are counted, not drawn. */
  private static final int MOST_PLOTS = 60;

  /** More units than this in a group are a number, not dots. */
  private static final int MOST_DOTS = 24;

  /**
   * One group of the plot plan.
   *
   * @param name of its level
   * @param dots to draw; fewer than the count when there are too many
   * @param words such as "9 rows"
   * @param state how it is marked
   */
  public record Plot(String name, int dots, String words, State state) {}

  /** How a group is marked. */
  public enum State {
    /** Two values or more. */
    FILLED,
    /** A single value. */
    LONE,
    /** No value. */
    EMPTY
  }

  /**
   * The page of an answer.
   *
   * @param answer null before the first one
   * @param reason why the sentence was guessed; may be empty
   * @return the page
   */
  public static LayoutPage of(Answer answer, String reason) {
    if (answer == null || answer.findings() == null) {
      List<String> gap =
          answer == null || answer.refusal() == null
              ? List.of()
              : List.of(answer.refusal().words());
      String rows =
          answer == null || answer.frame() == null ? "\u2026" : rows(answer.frame().rows());
      return new LayoutPage(
          "", reason, gap, List.of(), 0, "", List.of(), List.of(), List.of(), rows);
    }
    ResponseFindings response = answer.findings().first();
    DesignReading design = response.design();
    List<Plot> plots = new ArrayList<>();
    response.groupSummaries().stream()
        .limit(MOST_PLOTS)
        .forEach(s -> plots.add(plot(s.level(), s.summary().n())));
    List<List<String>> skeleton =
        design.skeleton().stream()
            .map(
                s ->
                    List.of(
                        s.source(),
                        s.levels() == 0 ? "" : String.valueOf(s.levels()),
                        String.valueOf(s.df()),
                        s.against()))
            .toList();
    List<String> warnings = new ArrayList<>(design.warnings());
    if (answer.refusal() != null) {
      warnings.add(answer.refusal().words());
    }
    return new LayoutPage(
        design.readsAs(),
        reason.isEmpty() ? balance(response) : balance(response) + " " + reason,
        warnings,
        plots,
        Math.max(0, response.groupSummaries().size() - MOST_PLOTS),
        response.groups().treatment().title(),
        skeleton,
        design.questions(),
        design.hypotheses(),
        rows(answer.findings().records().inPlay()));
  }

  private static Plot plot(String level, long n) {
    State state = n == 0 ? State.EMPTY : n == 1 ? State.LONE : State.FILLED;
    String words = n == 0 ? "empty" : n == 1 ? "1 row, alone" : Numerals.whole(n) + " rows";
    return new Plot(level, (int) Math.min(n, MOST_DOTS), words, state);
  }

  private static String balance(ResponseFindings response) {
    long least = Long.MAX_VALUE;
    long most = 0;
    for (var s : response.groupSummaries()) {
      least = Math.min(least, s.summary().n());
      most = Math.max(most, s.summary().n());
    }
    return least == most
        ? "Every group has " + Numerals.count(most, "row", "rows") + "."
        : "Groups have " + Numerals.whole(least) + " to " + Numerals.whole(most) + " rows.";
  }

  private static String rows(int n) {
    return Numerals.count(n, "row", "rows");
  }
}
