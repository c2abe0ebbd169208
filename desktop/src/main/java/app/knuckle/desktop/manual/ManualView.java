package app.knuckle.desktop.manual;

import app.knuckle.desktop.controls.GoButton;
import app.knuckle.desktop.controls.Pulses;
import app.knuckle.desktop.explain.Explain;
import app.knuckle.desktop.explain.Topic;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.VBox;

/** The manual: its contents at the left, a page at the right. */
public final class ManualView extends BorderPane {

  /** A line of the contents: a page, or the title of a part, which is no page. */
  private record Row(String text, Topic topic) {}

  /** So many rows of the contents are seen before the one that is open. */
  private static final int ABOVE = 3;

  private final ListView<Row> contents = new ListView<>();
  private final ScrollPane page = new ScrollPane();
  private final Pulses pulses = new Pulses();
  private boolean opening;

  /**
   * The manual.
   *
   * @param back leaves it
   */
  public ManualView(Runnable back) {
    setId("manual");
    contents.setId("manual-contents");
    contents.setAccessibleText("Contents of the manual");
    contents.getStyleClass().add("manual-contents");
    contents.getItems().setAll(rows());
    contents.setCellFactory(list -> new RowCell());
    contents
        .getSelectionModel()
        .selectedItemProperty()
        .addListener(
            (o, before, now) -> {
              if (now != null && now.topic() != null && !opening) {
                Explain.ask(contents, now.topic());
              }
            });
    page.setId("manual-page");
    page.setFitToWidth(true);
    page.setFocusTraversable(true);
    page.getStyleClass().add("joint-scroll");
    VBox left = new VBox(new GoButton("manual-back", "Back to the study", back), contents);
    VBox.setVgrow(contents, javafx.scene.layout.Priority.ALWAYS);
    left.getStyleClass().add("manual-side");
    setLeft(left);
    setCenter(page);
    setOnKeyPressed(
        event -> {
          if (event.getCode() == KeyCode.ESCAPE) {
            back.run();
            event.consume();
          }
        });
  }

  private static List<Row> rows() {
    List<Row> rows = new ArrayList<>();
    for (Manual.Section section : Manual.contents()) {
      rows.add(new Row(section.title(), null));
      section.entries().forEach(entry -> rows.add(new Row(entry.title(), entry.topic())));
    }
    return rows;
  }

  /**
   * Opens a page.
   *
   * @param topic it is about
   */
  public void open(Topic topic) {
    ManualText text = new ManualText(Manual.page(topic));
    page.setContent(text);
    page.setVvalue(0);
    page.setAccessibleText("Page of the manual: " + title(topic));
    opening = true;
    for (int i = 0; i < contents.getItems().size(); i++) {
      if (contents.getItems().get(i).topic() == topic) {
        contents.getSelectionModel().select(i);
        contents.scrollTo(Math.max(0, i - ABOVE));
      }
    }
    opening = false;
    pulses.add(List.of(page::requestFocus)); // Once it stands in the window.
  }

  private String title(Topic topic) {
    return contents.getItems().stream()
        .filter(row -> row.topic() == topic)
        .map(Row::text)
        .findFirst()
        .orElseThrow();
  }

  private static final class RowCell extends ListCell<Row> {

    @Override
    protected void updateItem(Row row, boolean empty) {
      super.updateItem(row, empty);
      setText(null);
      if (empty || row == null) {
        setGraphic(null);
        return;
      }
      boolean isPart = row.topic() == null;
      Label label = new Label(row.text());
      label.getStyleClass().setAll(isPart ? "manual-part" : "manual-entry");
      setGraphic(label);
      setPrefWidth(0); // No wider than the list: a long title is cut with dots.
      setMouseTransparent(isPart);
      setAccessibleText(row.text());
    }
  }
}
