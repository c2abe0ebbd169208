package app.knuckle.desktop.records;

import app.knuckle.desktop.background.Lane;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.words.Numerals;
import java.util.Arrays;
import java.util.function.IntConsumer;
import java.util.function.Supplier;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;

/** Finds rows, goes to one, shows only those found, and holds the order in which rows are seen. */
final class FindBar extends HBox {

  private final TextField find = new TextField();
  private final CheckBox onlyFound = new CheckBox("only these");
  private final Label line = Texts.line("", "joint-line");
  private final Lane ordering = Lane.ofLatest();
  private final Supplier<Frame> frame;
  private final Runnable seen;
  private final IntConsumer goTo;
  private RowOrder order = RowOrder.AS_READ;
  private RowOrder.View view = RowOrder.View.AS_READ;
  private int lastFound = -1;

  /**
   * A bar.
   *
   * @param frame the rows; gives null before there are any
   * @param seen told when other rows, or the same in another order, are to be seen
   * @param goTo told of a place in the view
   */
  FindBar(Supplier<Frame> frame, Runnable seen, IntConsumer goTo) {
    this.frame = frame;
    this.seen = seen;
    this.goTo = goTo;
    getStyleClass().add("records-tools");
    find.setId("find");
    find.setPromptText("Find, or row number");
    find.setPrefColumnCount(13);
    find.setOnAction(event -> goToNext());
    find.textProperty().addListener((o, before, now) -> change());
    onlyFound.setId("only-found");
    onlyFound.setMinWidth(USE_PREF_SIZE);
    onlyFound.setOnAction(event -> change());
    line.setId("found");
    line.setMinWidth(USE_PREF_SIZE);
    line.managedProperty().bind(line.textProperty().isNotEmpty());
    getChildren().addAll(find, onlyFound);
  }

  private void putInOrder() {
    RowOrder wanted = order;
    Frame rows = frame.get();
    ordering.run(
        progress -> wanted.of(rows, progress),
        ordered -> {
          view = ordered;
          lastFound = -1;
          line.setText(found());
          seen.run();
        });
  }

  /** What was found, in words, to stand where there is room. */
  Label line() {
    return line;
  }

  /** Takes the keyboard to the field. */
  void start() {
    find.requestFocus();
    find.selectAll();
  }

  RowOrder order() {
    return order;
  }

  /** Rows of the frame in the order in which they are seen; null for all as read. */
  int[] rows() {
    int rows = frame.get().rows();
    boolean fits = view.order() == null || Arrays.stream(view.order()).allMatch(row -> row < rows);
    return fits ? view.order() : null;
  }

  /** The place in the view at which a row of the frame stands; 0 if it is not there. */
  int placeOf(int row) {
    int[] rows = rows();
    if (rows == null) {
      return row;
    }
    int place = 0;
    while (place < rows.length && rows[place] != row) {
      place++;
    }
    return place == rows.length ? 0 : place;
  }

  /** Everything as read. */
  void forget() {
    order = RowOrder.AS_READ;
    view = RowOrder.View.AS_READ;
    find.clear();
    onlyFound.setSelected(false);
  }

  /** The records are others: what was sought is sought in them. */
  void again() {
    if (order.equals(RowOrder.AS_READ)) {
      view = RowOrder.View.AS_READ;
    } else {
      putInOrder();
    }
  }

  private void change() {
    sort(new RowOrder(order.column(), order.falling(), find.getText(), onlyFound.isSelected()));
  }

  /** Shows the rows in another order. */
  void sort(RowOrder wanted) {
    if (!wanted.equals(order) && frame.get() != null) {
      order = wanted;
      line.setText("searching \u2026");
      putInOrder();
    }
  }

  private String found() {
    int found = view.found().length;
    return find.getText().isBlank()
        ? ""
        : found == 0 ? "not found" : Numerals.count(found, "row", "rows") + " found";
  }

  private void goToNext() {
    String text = find.getText().strip();
    if (view.found().length > 0) {
      int from = lastFound;
      int next = Arrays.stream(view.found()).filter(p -> p > from).findFirst().orElse(-1);
      lastFound = next < 0 ? view.found()[0] : next;
      goTo.accept(lastFound);
    } else if (text.matches("\\d{1,9}")) {
      int row = Integer.parseInt(text) - 1;
      if (row >= 0 && row < frame.get().rows()) {
        goTo.accept(placeOf(row));
      }
    }
  }
}
