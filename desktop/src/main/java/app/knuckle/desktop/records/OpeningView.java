package app.knuckle.desktop.records;

import app.knuckle.desktop.controls.Card;
import app.knuckle.desktop.controls.Shown;
import app.knuckle.desktop.controls.TextGrid;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.workbench.TableSource;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.VBox;

/** A file on its way in, or one that was refused: what is wrong, its first rows, how it is read. */
public final class OpeningView extends BorderPane {

  private final TableSource source;
  private final VBox middle = new VBox();
  private final Runnable leave;

  /**
   * The view of a file being opened.
   *
   * @param source the file
   * @param leave goes back to what was open
   */
  public OpeningView(TableSource source, Runnable leave) {
    this.source = source;
    this.leave = leave;
    setId("opening");
    getStyleClass().add("joint");
    middle.getStyleClass().add("opening");
    setCenter(middle);
    Shown.by(this, source.refusalProperty()).addListener((o, before, now) -> show());
    Shown.by(this, source.busyProperty()).addListener((o, before, now) -> show());
    show();
  }

  /** The file that is shown: as given. */
  public TableSource source() {
    return source;
  }

  private void show() {
    middle.getChildren().setAll(Texts.line("Opening " + source.name(), "joint-title"));
    setRight(null);
    if (source.busyProperty().get()) {
      ProgressBar bar = new ProgressBar();
      bar.progressProperty().bind(source.progressProperty());
      middle.getChildren().add(bar);
    } else if (source.refusalProperty().get() != null) {
      refused();
    }
  }

  private void refused() {
    Label why = Texts.wrapped(source.refusalProperty().get().words(), "refusal");
    why.setId("opening-refusal");
    Button back = new Button("Leave it, back to what was open");
    back.setId("opening-leave");
    back.setOnAction(event -> leave.run());
    middle.getChildren().addAll(why, back);
    List<List<String>> rows = source.previewProperty().get();
    if (rows.isEmpty()) {
      return;
    }
    int width = rows.stream().mapToInt(List::size).max().orElse(1);
    TextGrid grid = new TextGrid(padded(rows.get(0), width), width);
    rows.stream().skip(1).forEach(row -> grid.addRow(padded(row, width), "text-grid-row"));
    ScrollPane scroll = new ScrollPane(grid);
    middle.getChildren().add(new Card("The first rows, as read now", scroll));
    VBox side = new VBox(new ReadingCard(source, this));
    side.getStyleClass().add("side");
    ScrollPane sideScroll = new ScrollPane(side);
    sideScroll.setFitToWidth(true);
    sideScroll.getStyleClass().add("side-scroll");
    setRight(sideScroll);
  }

  private static List<String> padded(List<String> row, int width) {
    List<String> full = new ArrayList<>(row);
    full.addAll(Collections.nCopies(width - row.size(), ""));
    return full;
  }
}
