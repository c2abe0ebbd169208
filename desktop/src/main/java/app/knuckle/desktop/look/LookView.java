package app.knuckle.desktop.look;

import app.knuckle.desktop.controls.Picture;
import app.knuckle.desktop.controls.TextGrid;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.shell.Answer;
import app.knuckle.desktop.shell.SlipViewModel;
import app.knuckle.figures.scene.Mark;
import app.knuckle.figures.spread.SpreadLayout;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.table.Column;
import java.util.stream.Collectors;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The Look joint: the picture of the groups over the table of their summaries. */
public final class LookView extends VBox {

  private static final double MOST_TABLE = 280;

  private final SlipViewModel slip;
  private final Label title = Texts.line("", "joint-title");
  private final Label line = Texts.wrapped("", "joint-line");
  private final Picture picture = new Picture();
  private final ScrollPane table = new ScrollPane();

  /**
   * The view of a slip's groups.
   *
   * @param slip the slip
   */
  public LookView(SlipViewModel slip) {
    this.slip = slip;
    setId("look");
    getStyleClass().add("joint");
    title.setId("look-title");
    VBox paper = new VBox(picture);
    paper.getStyleClass().add("paper");
    VBox.setVgrow(picture, Priority.ALWAYS);
    VBox.setVgrow(paper, Priority.ALWAYS);
    table.setFitToWidth(true);
    table.setMaxHeight(MOST_TABLE);
    table.setMinHeight(MOST_TABLE / 2);
    table.getStyleClass().add("table-scroll");
    VBox head = new VBox(title, line);
    head.getStyleClass().add("joint-head");
    getChildren().addAll(head, paper, table);
    slip.answerProperty().addListener((o, before, now) -> show());
    show();
  }

  private void show() {
    Answer answer = slip.answer();
    if (answer == null || answer.findings() == null) {
      return;
    }
    LookPage page = LookPage.of(answer.findings());
    title.setText(page.title());
    line.setText(page.line());
    if (page.picture() == null) {
      picture.clear();
    } else {
      picture.show(
          (width, height) -> SpreadLayout.of(page.picture(), width, height),
          dot -> dot.row() == Mark.NONE ? "" : record(answer.frame(), dot.row()));
    }
    TextGrid grid = new TextGrid(page.heads(), 1);
    grid.setId("summaries");
    for (int r = 0; r < page.rows().size(); r++) {
      boolean last = r == page.rows().size() - 1;
      grid.addRow(page.rows().get(r), last ? "text-grid-total" : "text-grid-row");
    }
    table.setContent(grid);
  }

  private static String record(Frame frame, int row) {
    return "row "
        + (row + 1)
        + "\n"
        + frame.columns().stream()
            .filter(c -> !c.isMissing(row))
            .map((Column c) -> c.name() + ": " + c.text(row))
            .collect(Collectors.joining("\n"));
  }
}
