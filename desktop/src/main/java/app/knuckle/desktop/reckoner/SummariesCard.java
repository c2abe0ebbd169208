package app.knuckle.desktop.reckoner;

import app.knuckle.desktop.controls.Choice;
import app.knuckle.desktop.controls.GoButton;
import app.knuckle.desktop.controls.Pick;
import app.knuckle.desktop.controls.Picture;
import app.knuckle.desktop.controls.TextGrid;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.figures.scatter.Intervals;
import app.knuckle.figures.scatter.IntervalsLayout;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.reckon.Reckoning;
import app.knuckle.study.reckon.Summaries;
import app.knuckle.study.words.Phrases;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.Clipboard;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** Groups of which n, mean and spread are known. */
final class SummariesCard extends FieldCard {

  private static final KeyCombination PASTE =
      new KeyCodeCombination(KeyCode.V, KeyCombination.SHORTCUT_DOWN);

  private static final List<String> COLUMNS = List.of("level", "n", "mean", "spread");
  private static final int NARROW = 6;

  /** Of a page 96 pixels, of a picture 72 points an inch. */
  private static final double PIXELS = 96.0 / 72;

  private final VBox sheet = new VBox();
  private final VBox answers = new VBox();
  private final List<Label> letters = new ArrayList<>();
  private final Choice<SummaryAnswer.Spread> spreads =
      new Choice<>(
          "summaries-spread",
          List.of(SummaryAnswer.Spread.values()),
          SummaryAnswer.Spread::title,
          spread -> choose(SummaryAnswer.SPREAD, spread.name()));
  private final Pick<Procedure> procedures =
      new Pick<>(
          "summaries-procedure",
          Phrases::title,
          procedure -> choose(SummaryAnswer.PROCEDURE, procedure.name()));
  private int rows;
  private SummaryAnswer shown;

  SummariesCard(Consumer<Reckoning> kept) {
    super(Reckoning.Kind.SUMMARIES, "From summaries", kept);
    sheet.addEventFilter(KeyEvent.KEY_PRESSED, this::key);
    answers.getStyleClass().add("column");
    procedures.setAccessibleText("How pairs are judged");
    FlowPane how =
        new FlowPane(
            spreads,
            procedures,
            named("\u03b1", field(SummaryAnswer.ALPHA, "level of significance", NARROW)),
            new GoButton("summaries-row", "+ group", () -> grow(rows + 1)));
    how.getStyleClass().add("reckon-fields");
    getChildren()
        .addAll(
            Texts.wrapped("Type a row for each group, or paste level, n, mean, SD.", "joint-line"),
            sheet,
            how,
            words(),
            answers);
  }

  private static HBox named(String name, Node field) {
    HBox box = new HBox(Texts.line(name, "fact-name"), field);
    box.getStyleClass().add("reckon-field");
    return box;
  }

  /** So many groups; what was typed stays. */
  private void grow(int wanted) {
    Map<String, String> typed = typed();
    rows = wanted;
    restore(typed);
  }

  @Override
  void showChoices() {
    Map<String, String> typed = typed();
    spreads.show(SummaryAnswer.spread(typed));
    procedures.show(Summaries.procedures(), SummaryAnswer.procedure(typed));
    follow(SummaryAnswer.ALPHA, "0.05", false);
    List<String> heads =
        List.of("level", "n", "mean", SummaryAnswer.spread(typed).title(), "letters");
    Map<String, String> texts = new LinkedHashMap<>(typed);
    TextGrid grid = new TextGrid(heads, 1);
    letters.clear();
    for (int row = 0; row < rows; row++) {
      List<Node> cells = new ArrayList<>();
      for (String column : COLUMNS) {
        boolean first = column.equals(COLUMNS.get(0));
        String name = SummaryAnswer.cell(column, row);
        TextField field = field(name, column + " of group " + (row + 1), first ? WIDE : NARROW);
        field.setUserData(new int[] {row, COLUMNS.indexOf(column)});
        preset(name, texts.getOrDefault(name, ""));
        cells.add(field);
      }
      Label letter = Texts.line("", "rung-letter");
      letters.add(letter);
      cells.add(letter);
      grid.addNodes(cells, "text-grid-row");
    }
    sheet.getChildren().setAll(grid);
  }

  @Override
  void restore(Map<String, String> typed) {
    int needed = LEAST_ROWS;
    for (String field : typed.keySet()) {
      int dash = field.lastIndexOf('-');
      boolean cell = dash > 0 && COLUMNS.contains(field.substring(0, dash));
      needed = Math.max(needed, cell ? Integer.parseInt(field.substring(dash + 1)) + 1 : 0);
    }
    rows = Math.max(rows, needed);
    makeCells();
    super.restore(typed);
  }

  private static final int LEAST_ROWS = 3;

  /** Fields of all rows, so that they can be filled. */
  private void makeCells() {
    for (int row = 0; row < rows; row++) {
      for (String column : COLUMNS) {
        if (!has(SummaryAnswer.cell(column, row))) {
          field(SummaryAnswer.cell(column, row), column, NARROW);
        }
      }
    }
  }

  private void key(KeyEvent event) {
    String text = Clipboard.getSystemClipboard().getString();
    boolean block = text != null && (text.contains("\t") || text.strip().contains("\n"));
    if (PASTE.match(event)
        && block
        && event.getTarget() instanceof TextField field
        && field.getUserData() instanceof int[] at) {
      paste(text, at[0], at[1]);
      event.consume();
    }
  }

  /** A block of cells from a place on. */
  private void paste(String text, int row, int column) {
    Map<String, String> typed = typed();
    int r = row;
    for (String line : text.strip().split("\\R")) {
      String[] cells = line.split("\t");
      for (int c = 0; c < cells.length && column + c < COLUMNS.size(); c++) {
        typed.put(SummaryAnswer.cell(COLUMNS.get(column + c), r), cells[c].strip());
      }
      r++;
    }
    rows = Math.max(rows, r);
    restore(typed);
  }

  @Override
  void answer() {
    Map<String, String> typed = typed();
    int groups = rows;
    work.run(progress -> SummaryAnswer.of(typed, groups, progress), this::show);
  }

  private void show(SummaryAnswer answer) {
    shown = answer;
    for (int row = 0; row < letters.size(); row++) {
      letters.get(row).setText(row < answer.letters().size() ? answer.letters().get(row) : "");
    }
    answers.getChildren().clear();
    if (answer.means().isPresent()) {
      answers
          .getChildren()
          .addAll(
              grid(TESTS, answer.tests()),
              grid(PAIRS, answer.pairs()),
              drawing(answer.means().get()));
    }
    say(answer.words());
  }

  private static final List<String> TESTS = List.of("test", "F", "df", "error df", "p");
  private static final List<String> PAIRS = List.of("pair", "difference", "interval", "p");

  private static Node grid(List<String> heads, List<List<String>> rows) {
    TextGrid grid = new TextGrid(heads, 1);
    rows.forEach(row -> grid.addRow(row, "text-grid-row"));
    return grid.withinPage();
  }

  private static Picture drawing(Intervals means) {
    Picture picture = new Picture();
    double height = IntervalsLayout.height(means.rows().size()) * PIXELS;
    picture.setMinHeight(height);
    picture.setPrefHeight(height);
    picture.show((w, h) -> IntervalsLayout.of(means, w), dot -> "");
    picture.setAccessibleText("Means of the groups with their intervals");
    return picture;
  }

  @Override
  String name() {
    Map<String, String> typed = typed();
    List<String> levels = new ArrayList<>();
    for (int row = 0; row < rows; row++) {
      String level = typed.get(SummaryAnswer.cell("level", row));
      if (level != null) {
        levels.add(level);
      }
    }
    return levels.isEmpty() ? "Summaries" : String.join(", ", levels);
  }

  @Override
  List<List<String>> table() {
    if (shown == null || shown.pairs().isEmpty()) {
      return List.of();
    }
    List<List<String>> table = new ArrayList<>(List.of(PAIRS));
    table.addAll(shown.pairs());
    return table;
  }
}
