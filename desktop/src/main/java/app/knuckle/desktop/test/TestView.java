package app.knuckle.desktop.test;

import app.knuckle.desktop.controls.Card;
import app.knuckle.desktop.controls.TextGrid;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.shell.Answer;
import app.knuckle.desktop.shell.Joint;
import app.knuckle.desktop.shell.SlipViewModel;
import java.util.List;
import javafx.geometry.HPos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The Test joint: the table with its bars, the row in words and on its curve, the fit. */
public final class TestView extends ScrollPane {

  private static final List<String> HEADS =
      List.of(
          "source",
          "df",
          "sum of squares",
          "mean square",
          "signal \u00f7 noise",
          "F",
          "p",
          "\u03b7\u00b2",
          "\u03c9\u00b2");

  private final SlipViewModel slip;
  private final VBox page = new VBox();

  /**
   * The view of a slip's test.
   *
   * @param slip the slip
   */
  public TestView(SlipViewModel slip) {
    this.slip = slip;
    setId("test");
    setFitToWidth(true);
    getStyleClass().add("joint-scroll");
    page.getStyleClass().add("joint");
    setContent(page);
    slip.answerProperty().addListener((o, before, now) -> show());
    show();
  }

  private void show() {
    Answer answer = slip.answer();
    if (answer == null || !answer.isTested()) {
      return;
    }
    TestPage shown = TestPage.of(answer.findings());
    VBox head =
        new VBox(
            Texts.line("Do the treatments differ?", "joint-title"),
            Texts.wrapped(shown.line(), "joint-line"));
    head.getStyleClass().add("joint-head");
    TextGrid grid = new TextGrid(HEADS, 1);
    grid.setId("variance-table");
    grid.getColumnConstraints().get(HEADS.indexOf("signal \u00f7 noise")).setHalignment(HPos.LEFT);
    for (TestPage.Row row : shown.rows()) {
      grid.addNodes(cells(row), row.source().equals("total") ? "text-grid-total" : "text-grid-row");
    }
    page.getChildren().setAll(head, grid, cards(shown));
  }

  private static List<Node> cells(TestPage.Row row) {
    Label p = new Label(row.p());
    p.setId("p-" + row.source());
    if (row.significant()) {
      p.getStyleClass().add("significant");
    }
    Node bar = row.signal() < 0 ? new Label("") : new SignalBar(row.signal(), row.critical());
    return List.of(
        new Label(row.source()),
        new Label(row.df()),
        new Label(row.ss()),
        new Label(row.ms()),
        bar,
        new Label(row.f()),
        p,
        new Label(row.eta()),
        new Label(row.omega()));
  }

  private HBox cards(TestPage shown) {
    Label words = Texts.wrapped(shown.words(), "prose");
    words.setId("test-words");
    Card explained = new Card(shown.wordsTitle(), words);
    if (!shown.discourage().isEmpty()) {
      explained.getChildren().add(Texts.wrapped(shown.discourage(), "caution-note"));
    }
    Button compare = new Button("Compare the means \u2192");
    compare.getStyleClass().add("go");
    compare.setOnAction(event -> slip.jointProperty().set(Joint.COMPARE));
    explained.getChildren().add(compare);
    Card fit = new Card("The fit");
    fit.setId("fit");
    for (TestPage.Fact fact : shown.fit()) {
      HBox row = Texts.fact(fact.name(), fact.value());
      Tooltip.install(row, new Tooltip(fact.meaning()));
      fit.getChildren().add(row);
    }
    HBox cards = new HBox(explained);
    cards.getStyleClass().add("cards");
    HBox.setHgrow(explained, Priority.ALWAYS);
    explained.getStyleClass().add("card-third");
    if (shown.curve() != null) {
      Card curve = new Card("Where F falls", new CurveView(shown.curve()));
      HBox.setHgrow(curve, Priority.ALWAYS);
      cards.getChildren().add(curve);
    }
    fit.getStyleClass().add("card-narrow");
    cards.getChildren().add(fit);
    return cards;
  }
}
