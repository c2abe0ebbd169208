package app.knuckle.desktop.records;

import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.controls.Thumbnail;
import app.knuckle.study.table.Numbers;
import java.util.Locale;
import java.util.function.Consumer;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.collections.ObservableListBase;
import javafx.css.PseudoClass;
import javafx.scene.control.Label;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableRow;
import javafx.scene.control.TableView;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/**
 * Every row of a frame, over its columns as they are: a row is only its number, so that a million
 * rows cost no more than those in view.
 */
final class RecordsTable extends TableView<Integer> {

  private static final PseudoClass ASIDE = PseudoClass.getPseudoClass("aside");
  private static final double ROW = 32;
  private static final double NUMBER_WIDTH = 56;
  private static final double NARROWEST = 104;
  private static final double WIDEST = 280;
  private static final double CHARACTER = 8;
  private static final double EDGES = 28;

  private final Consumer<String> looked;
  private RecordsPage page;

  RecordsTable(Consumer<String> looked) {
    this.looked = looked;
    setId("records-table");
    getStyleClass().add("records-table");
    setFixedCellSize(ROW);
    setRowFactory(view -> new RecordRow());
    setPlaceholder(new Label("No rows"));
  }

  void show(RecordsPage shown) {
    boolean sameColumns =
        page != null
            && page.columns().equals(shown.columns())
            && page.frame().rows() == shown.frame().rows();
    page = shown;
    if (sameColumns) {
      refresh();
      return;
    }
    getColumns().clear();
    getColumns().add(numberColumn());
    shown.columns().forEach(head -> getColumns().add(column(head)));
    int rows = shown.frame().rows();
    setItems(
        new ObservableListBase<>() {
          @Override
          public Integer get(int index) {
            return index;
          }

          @Override
          public int size() {
            return rows;
          }
        });
  }

  private TableColumn<Integer, String> numberColumn() {
    TableColumn<Integer, String> column = new TableColumn<>();
    column.setSortable(false);
    column.setReorderable(false);
    int digits = String.valueOf(page.frame().rows()).length();
    column.setPrefWidth(Math.max(NUMBER_WIDTH, digits * CHARACTER + EDGES));
    column.getStyleClass().add("row-number");
    column.setCellValueFactory(
        row -> new ReadOnlyStringWrapper(String.valueOf(row.getValue() + 1)));
    return column;
  }

  private TableColumn<Integer, String> column(RecordsPage.Head head) {
    TableColumn<Integer, String> column = new TableColumn<>();
    column.setSortable(false);
    column.setReorderable(false);
    column.setId("column-" + head.name());
    double name = head.name().length() * CHARACTER + EDGES;
    double levels = Math.min(WIDEST, head.glance().longest() * CHARACTER + EDGES);
    column.setPrefWidth(Math.max(NARROWEST, Math.max(name, levels)));
    boolean number = head.glance().column() instanceof Numbers;
    column.getStyleClass().add(number ? "number-column" : "category-column");
    column.setCellValueFactory(
        row -> new ReadOnlyStringWrapper(head.glance().cell(row.getValue())));
    column.setGraphic(graphic(head));
    return column;
  }

  private VBox graphic(RecordsPage.Head head) {
    Region band = new Region();
    band.getStyleClass().addAll("part-band", "part-" + head.part().name().toLowerCase(Locale.ROOT));
    Label part = Texts.line(head.part().title(), "part-name");
    part.getStyleClass().add("part-" + head.part().name().toLowerCase(Locale.ROOT) + "-text");
    VBox box =
        new VBox(
            band,
            Texts.line(head.name(), "column-name"),
            Texts.line(head.line(), "column-line"),
            new Thumbnail(head.glance().shape(), !(head.glance().column() instanceof Numbers)),
            part);
    box.getStyleClass().add("column-head");
    box.setOnMouseClicked(event -> looked.accept(head.name()));
    return box;
  }

  private final class RecordRow extends TableRow<Integer> {
    @Override
    protected void updateItem(Integer row, boolean empty) {
      super.updateItem(row, empty);
      boolean aside = row != null && !empty && page != null && !page.frame().inPlay(row);
      pseudoClassStateChanged(ASIDE, aside);
      setTooltip(aside ? new javafx.scene.control.Tooltip(page.frame().leftOut().get(row)) : null);
    }
  }
}
