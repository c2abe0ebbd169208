package app.knuckle.desktop.test;

import app.knuckle.desktop.controls.Card;
import app.knuckle.desktop.controls.Choice;
import app.knuckle.desktop.controls.Focus;
import app.knuckle.desktop.controls.GoButton;
import app.knuckle.desktop.controls.Picture;
import app.knuckle.desktop.controls.Shown;
import app.knuckle.desktop.controls.TextGrid;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.curve.CurveView;
import app.knuckle.desktop.explain.Topic;
import app.knuckle.desktop.workbench.Answer;
import app.knuckle.desktop.workbench.Joint;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.figures.scatter.Magnitude;
import app.knuckle.figures.scatter.MagnitudeLayout;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import javafx.geometry.HPos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The Test joint: tables with bars; the selected row in words and on its curve; the fit. */
public final class TestView extends ScrollPane {

  /** About as wide as its card; names of means may take a line more where there is less room. */
  private static final double MAGNITUDE_WIDTH = 300;

  private final SlipViewModel slip;
  private boolean coefficientsAsked;
  private final VBox page = new VBox();
  private final HBox cards = new HBox();
  private String selected = "";

  /** All that the view depends on. */
  private record Shows(
      TestPage page, Topic topic, SquaresChoice squares, boolean coefficientsAsked) {}

  private Shows shows;

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
    cards.getStyleClass().add("cards");
    setContent(page);
    Shown.by(this, slip.answerProperty())
        .addListener((o, before, now) -> Focus.keep(page, this::show));
    show();
  }

  private void show() {
    Answer answer = slip.answer();
    if (answer == null || !answer.isTested()) {
      return;
    }
    TestPage shown = TestPage.of(answer);
    Shows now = new Shows(shown, answer.topic(), SquaresChoice.of(slip), coefficientsAsked);
    if (now.equals(shows)) {
      return;
    }
    shows = now;
    VBox head =
        new VBox(
            Texts.line(shown.title(), "joint-title"), Texts.wrapped(shown.line(), "joint-line"));
    head.getStyleClass().add("joint-head");
    page.getChildren().setAll(head);
    if (shown.squares()) {
      page.getChildren().add(squares());
    }
    ToggleGroup rows = new ToggleGroup();
    for (int s = 0; s < shown.sheets().size(); s++) {
      TestPage.Sheet sheet = shown.sheets().get(s);
      if (!sheet.title().isEmpty()) {
        page.getChildren().add(Texts.line(sheet.title(), "card-title"));
      }
      page.getChildren().add(grid(shown, sheet, s, rows));
      if (s == 0) {
        page.getChildren().add(cards);
      }
    }
    if (shown.coefficients() != null) {
      page.getChildren().add(coefficients(shown));
    }
    TestPage.Line chosen = shown.read(selected);
    if (chosen != null) {
      explain(shown, chosen.explained());
      rows.getToggles().stream()
          .filter(t -> t.getUserData() == chosen)
          .forEach(t -> t.setSelected(true));
    }
  }

  /** The coefficients, when they are asked for. */
  private VBox coefficients(TestPage shown) {
    ToggleButton ask = new ToggleButton("Coefficients");
    ask.setId("show-coefficients");
    ask.getStyleClass().add("small-button");
    ask.setSelected(coefficientsAsked);
    VBox box = new VBox(ask);
    box.getStyleClass().add("below");
    if (coefficientsAsked) {
      TestPage.Sheet sheet = shown.coefficients();
      TextGrid grid = grid(shown, sheet, shown.sheets().size(), new ToggleGroup());
      box.getChildren().addAll(Texts.wrapped(sheet.title(), "card-title"), grid);
    }
    ask.setOnAction(
        event -> {
          coefficientsAsked = ask.isSelected();
          Focus.keep(page, this::show);
        });
    return box;
  }

  private Choice<SquaresChoice> squares() {
    Choice<SquaresChoice> choice =
        new Choice<>(
            "squares", List.of(SquaresChoice.values()), SquaresChoice::title, c -> c.choose(slip));
    choice.show(SquaresChoice.of(slip));
    Texts.hint(choice, SquaresChoice.MEANING);
    return choice;
  }

  private TextGrid grid(TestPage shown, TestPage.Sheet sheet, int number, ToggleGroup rows) {
    TextGrid grid = new TextGrid(sheet.heads(), sheet.names());
    grid.setId(number == 0 ? "variance-table" : "table-" + (number + 1));
    IntStream.of(sheet.bars(), sheet.meanings())
        .filter(c -> c >= 0)
        .forEach(c -> grid.getColumnConstraints().get(c).setHalignment(HPos.LEFT));
    for (TestPage.Line line : sheet.lines()) {
      grid.addNodes(
          cells(shown, sheet, line, rows), line.faint() ? "text-grid-total" : "text-grid-row");
    }
    return grid;
  }

  private List<Node> cells(
      TestPage shown, TestPage.Sheet sheet, TestPage.Line line, ToggleGroup rows) {
    List<Node> cells = new ArrayList<>();
    for (int c = 0; c < line.cells().size(); c++) {
      String text = line.cells().get(c);
      if (c == sheet.bars() && line.interval() != null) {
        cells.add(new IntervalBar(line.interval()));
      } else if (c == sheet.bars() && line.signal() >= 0) {
        cells.add(new SignalBar(line.signal(), line.critical()));
      } else if (c == 0 && line.explained() != null) {
        cells.add(source(shown, line, text, rows));
      } else {
        Label label = new Label(text);
        if (c == sheet.meanings()) {
          label.getStyleClass().add("joint-line");
        }
        String head = sheet.heads().get(c);
        if (head.equals("p") || head.equals("value") && line.significant()) {
          label.setId("p-" + line.cells().get(0));
          if (line.significant()) {
            label.getStyleClass().add("significant");
          }
        }
        cells.add(label);
      }
    }
    return cells;
  }

  /** The name of a row, which selects it. */
  private ToggleButton source(TestPage shown, TestPage.Line line, String text, ToggleGroup rows) {
    ToggleButton source = new ToggleButton(text);
    source.setId("row-" + text);
    source.setUserData(line);
    source.setMnemonicParsing(false);
    source.getStyleClass().add("row-source");
    source.setMinWidth(USE_PREF_SIZE);
    source.setToggleGroup(rows);
    source.setOnAction(
        event -> {
          source.setSelected(true);
          selected = line.explained().title();
          explain(shown, line.explained());
        });
    return source;
  }

  private void explain(TestPage shown, TestPage.Explained explained) {
    Label words = Texts.wrapped(explained.words(), "prose");
    words.setId("test-words");
    Card card = new Card(explained.title(), words).about(slip.answer().topic());
    if (!explained.caution().isEmpty()) {
      card.getChildren().add(Texts.wrapped(explained.caution(), "caution-note"));
    }
    FlowPane ways = new FlowPane();
    ways.getStyleClass().add("ways");
    for (TestPage.Way way : explained.ways()) {
      GoButton button =
          new GoButton(
              "",
              way.label(),
              () -> {
                if (way.row() >= 0) {
                  slip.goToRecord(way.row());
                } else {
                  slip.compare(way.of(), way.within());
                  slip.jointProperty().set(Joint.COMPARE);
                }
              });
      ways.getChildren().add(button);
    }
    if (!ways.getChildren().isEmpty()) {
      card.getChildren().add(ways);
    }
    card.getStyleClass().add("card-third");
    HBox.setHgrow(card, Priority.ALWAYS);
    cards.getChildren().setAll(card);
    VBox drawn = new VBox();
    drawn.getStyleClass().addAll("column", "card-third");
    HBox.setHgrow(drawn, Priority.ALWAYS);
    if (explained.curve() != null) {
      String statistic = explained.curve().text().split(" ")[0];
      drawn
          .getChildren()
          .add(new Card("Where " + statistic + " falls", new CurveView(explained.curve())));
    }
    if (explained.size() != null) {
      String unit = shown.unit().isEmpty() ? "" : ", in " + shown.unit();
      Card size = new Card("How far apart" + unit, magnitude(explained.size()));
      size.setId("effect-size");
      drawn.getChildren().add(size);
    }
    if (!drawn.getChildren().isEmpty()) {
      cards.getChildren().add(drawn);
    }
    if (!shown.fit().isEmpty()) {
      Card fit = new Card("The fit");
      fit.setId("fit");
      fit.getStyleClass().add("card-narrow");
      for (TestPage.Fact fact : shown.fit()) {
        HBox row = Texts.fact(fact.name(), fact.value());
        Texts.hint(row, fact.meaning());
        fit.getChildren().add(row);
      }
      cards.getChildren().add(fit);
    }
  }

  private static Picture magnitude(Magnitude size) {
    Picture picture = new Picture();
    double tall = MagnitudeLayout.of(size, MAGNITUDE_WIDTH).height();
    picture.setMinHeight(tall);
    picture.setPrefHeight(tall);
    picture.show((w, h) -> MagnitudeLayout.of(size, w), dot -> "");
    return picture;
  }
}
