package app.knuckle.desktop.layout;

import app.knuckle.desktop.workbench.Answer;
import app.knuckle.study.cells.PlotGrid;
import app.knuckle.study.design.DesignReading;
import app.knuckle.study.design.Inquiry;
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
 * @param plan what was laid out where; null where there is nothing to draw
 * @param skeleton cells of the skeleton, row by row
 * @param questions what is asked, plainly
 * @param hypotheses what is asked, as hypotheses
 * @param rows "on 36 rows"
 */
public record LayoutPage(
    String readsAs,
    String note,
    List<String> warnings,
    PlotGrid plan,
    List<List<String>> skeleton,
    List<String> questions,
    List<String> hypotheses,
    String rows) {

  /** What plan and skeleton may take side by side, in characters. */
  private static final int ROOM = 104;

  /** What a cell of the plan takes, and what stands in the skeleton beside the source. */
  private static final int CELL = 13;

  private static final int BESIDE = 36;

  /** Whether plan and skeleton need a row each: false when they have room side by side. */
  boolean isWide() {
    if (plan == null) {
      return false;
    }
    int names = plan.rows().stream().mapToInt(String::length).max().orElse(0);
    int across = plan.rowsTitle().isEmpty() ? CELL * 3 : names + CELL * plan.columns().size();
    int sources = skeleton.stream().mapToInt(row -> row.get(0).length()).max().orElse(0);
    return across + sources + BESIDE > ROOM;
  }

  /**
   * The page of an answer.
   *
   * @param answer null before the first one
   * @param reason why the sentence was guessed; may be empty
   * @return the page
   */
  public static LayoutPage of(Answer answer, String reason) {
    if (answer == null || answer.findings() == null || answer.findings().inquiry().hasGap()) {
      List<String> gap =
          answer == null || answer.refusal() == null
              ? List.of()
              : List.of(answer.refusal().shown());
      String rows =
          answer == null || answer.frame() == null ? "\u2026" : rows(answer.frame().rows());
      return new LayoutPage("", reason, gap, null, List.of(), List.of(), List.of(), rows);
    }
    ResponseFindings response = answer.findings().first();
    DesignReading design = response.design();
    Inquiry inquiry = answer.findings().inquiry();
    List<List<String>> skeleton =
        design.skeleton().stream().map(source -> source(source, response, inquiry)).toList();
    List<String> warnings = new ArrayList<>(design.warnings());
    if (answer.refusal() != null) {
      warnings.add(answer.refusal().shown());
    }
    return new LayoutPage(
        design.readsAs(),
        reason.isEmpty() ? balance(response) : balance(response) + " " + reason,
        warnings,
        answer.findings().plan(),
        skeleton,
        design.questions(),
        design.hypotheses(),
        rows(answer.findings().records().inPlay()));
  }

  private static List<String> source(
      DesignReading.Source source, ResponseFindings response, Inquiry inquiry) {
    List<String> names = source.term();
    boolean block = names.size() == 1 && inquiry.blocks().contains(names.get(0));
    boolean slope = names.size() == 1 && inquiry.covariates().contains(names.get(0));
    if (source.random()) {
      return List.of(
          String.join(" \u00d7 ", names) + " (at random)", String.valueOf(source.levels()), "", "");
    }
    int levels = source.levels();
    if (levels == 0 && !names.isEmpty() && inquiry.treatments().containsAll(names)) {
      levels = names.stream().mapToInt(n -> response.levelsOf(n).size()).reduce(1, (a, b) -> a * b);
    }
    return List.of(
        (names.isEmpty() ? source.source() : String.join(" \u00d7 ", names))
            + (block ? " (block)" : slope ? " (slope)" : ""),
        block ? String.valueOf(source.df() + 1) : levels == 0 ? "" : String.valueOf(levels),
        String.valueOf(source.df()),
        block ? "not judged" : source.against());
  }

  private static String balance(ResponseFindings response) {
    long least = Long.MAX_VALUE;
    long most = 0;
    for (var s : response.groupSummaries()) {
      least = Math.min(least, s.summary().n());
      most = Math.max(most, s.summary().n());
    }
    if (response.groupSummaries().get(0).levels().isEmpty()) {
      return Numerals.count(most, "row has", "rows have") + " a value.";
    }
    return least == most
        ? "Every group has " + Numerals.count(most, "row", "rows") + "."
        : "Groups have " + Numerals.whole(least) + " to " + Numerals.whole(most) + " rows.";
  }

  private static String rows(int n) {
    return Numerals.count(n, "row", "rows");
  }
}
