package app.knuckle.desktop.compare;

import app.knuckle.desktop.controls.Card;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.shell.Answer;
import app.knuckle.desktop.shell.SlipViewModel;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/**
 * The Compare joint: ladder, difference board, ranking; discouraged when the test shows nothing.
 */
public final class CompareView extends ScrollPane {

  private final SlipViewModel slip;
  private final VBox page = new VBox();
  private boolean shownAnyway;

  /**
   * The view of a slip's comparison.
   *
   * @param slip the slip
   */
  public CompareView(SlipViewModel slip) {
    this.slip = slip;
    setId("compare");
    setFitToWidth(true);
    getStyleClass().add("joint-scroll");
    page.getStyleClass().add("joint");
    setContent(page);
    slip.answerProperty()
        .addListener(
            (o, before, now) -> {
              shownAnyway = false;
              show();
            });
    show();
  }

  private void show() {
    Answer answer = slip.answer();
    if (answer == null || !answer.isTested() || answer.findings().first().comparison().isEmpty()) {
      return;
    }
    ComparePage shown = ComparePage.of(answer.findings());
    VBox head =
        new VBox(
            Texts.line("Which means differ from which?", "joint-title"),
            Texts.wrapped(shown.line(), "joint-line"));
    head.getStyleClass().add("joint-head");
    page.getChildren().setAll(head);
    if (!shown.warning().isEmpty()) {
      page.getChildren().add(warning(shown));
    }
    if (shown.warning().isEmpty() || shownAnyway) {
      page.getChildren().addAll(pairs(shown), ranking(shown));
    }
  }

  private VBox warning(ComparePage shown) {
    Label words = Texts.wrapped(shown.warning(), "prose");
    words.setId("do-not-hunt");
    VBox box = new VBox(words);
    box.getStyleClass().addAll("card", "caution-card");
    if (!shownAnyway) {
      Button anyway = new Button("Show the pairs all the same");
      anyway.setId("show-anyway");
      anyway.setOnAction(
          event -> {
            shownAnyway = true;
            show();
          });
      box.getChildren().add(anyway);
    }
    return box;
  }

  private Pane pairs(ComparePage shown) {
    Label reading =
        Texts.wrapped("Point at a pair, or walk the board with the arrow keys.", "prose");
    reading.setId("pair-reading");
    reading.getStyleClass().add("pair-reading");
    Ladder ladder = new Ladder(shown);
    DifferenceBoard board =
        new DifferenceBoard(
            shown,
            (row, column) -> {
              reading.setText(Texts.unbroken(shown.cells().get(row - 1).get(column).reading()));
              ladder.point(row, column);
            },
            ladder::pointAtNothing);
    Card card = new Card(shown.boardTitle(), board);
    if (!shown.critical().isEmpty()) {
      card.getChildren().add(Texts.wrapped(shown.critical(), "joint-line"));
    }
    card.getChildren().add(reading);
    if (shown.isRoomy()) {
      card.getStyleClass().add("board-card");
    }
    HBox.setHgrow(ladder, Priority.ALWAYS);
    Pane both = shown.isRoomy() ? new HBox(ladder, card) : new VBox(ladder, card);
    both.getStyleClass().add("cards");
    return both;
  }

  private static VBox ranking(ComparePage shown) {
    Label words = Texts.wrapped(shown.ranking(), "prose");
    words.setId("ranking");
    VBox box = new VBox(words);
    box.getStyleClass().add("quote");
    return box;
  }
}
