package app.knuckle.desktop.sheet;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.css.CssMetaData;
import javafx.css.Styleable;
import javafx.css.StyleableProperty;
import javafx.geometry.BoundingBox;
import javafx.geometry.Bounds;
import javafx.geometry.Orientation;
import javafx.scene.AccessibleAttribute;
import javafx.scene.AccessibleRole;
import javafx.scene.Cursor;
import javafx.scene.canvas.Canvas;
import javafx.scene.control.ScrollBar;
import javafx.scene.control.Tooltip;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Region;

/**
 * Cells in rows and columns, any number of them. What is in view is painted, not made of controls:
 * a million rows cost no more than thirty. A cell is written by typing on it, Enter, F2 or two
 * clicks; Enter then goes down, Tab to the right. With heads that can be written, the row of heads
 * is reached and written like any other.
 */
public final class Sheet extends Region {

  /** Cells copied at most; more would keep the window waiting. */
  public static final int MOST_COPIED = 100_000;

  private static final double ROW = 32;
  private static final double CHARACTER = 8;
  private static final double NAME_EDGES = 24;
  private static final double LEAST_NAMES = 48;
  private static final double NARROWEST = 40;

  private final Map<String, StyleableProperty<?>> styleables = new HashMap<>();
  private final Ink ink = new Ink(this);
  private final SheetPainter painter = new SheetPainter(ink);
  private final Canvas canvas = new Canvas();
  private final ScrollBar down = bar(Orientation.VERTICAL);
  private final ScrollBar across = bar(Orientation.HORIZONTAL);
  private final Tooltip tooltip = new Tooltip();
  private final CellField field = new CellField(this::take);
  private final ReadOnlyObjectWrapper<Selection> selection =
      new ReadOnlyObjectWrapper<>(Selection.of(new Place(0, 0)));
  private final Map<String, Double> widths = new HashMap<>();
  private final Map<Place, String> written = new HashMap<>();
  private final double headHeight;
  private final boolean headsWritten;
  private final Written told;
  private Consumer<List<Place>> cleared = places -> {};
  private Consumer<Place> gone = place -> {};
  private Cells cells = new NoCells();
  private Geometry at;
  private int sized = Place.NOWHERE;

  /** Told of what is written into a cell or a head. */
  public interface Written {

    /**
     * A text was written and taken.
     *
     * @param place where
     * @param text what
     */
    void text(Place place, String text);
  }

  private record NoCells() implements Cells {
    @Override
    public List<Head> heads() {
      return List.of();
    }

    @Override
    public int rows() {
      return 0;
    }

    @Override
    public String text(int row, int column) {
      return "";
    }
  }

  /**
   * A sheet with nothing on it.
   *
   * @param headHeight room for the heads, in pixels
   * @param headsWritten whether heads are written in place too
   * @param told of what is written
   */
  public Sheet(double headHeight, boolean headsWritten, Written told) {
    this.headHeight = headHeight;
    this.headsWritten = headsWritten;
    this.told = told;
    at = Geometry.of(new double[0], 0, LEAST_NAMES, headHeight, ROW);
    getStyleClass().add("sheet");
    setFocusTraversable(true);
    setAccessibleRole(AccessibleRole.TEXT);
    getChildren().addAll(canvas, down, across, field);
    down.valueProperty().addListener((o, before, now) -> scroll(at.scrollX(), now.doubleValue()));
    across.valueProperty().addListener((o, before, now) -> scroll(now.doubleValue(), at.scrollY()));
    focusedProperty().addListener((o, before, now) -> requestLayout());
    selection.addListener(
        (o, before, now) -> {
          requestLayout();
          notifyAccessibleAttributeChanged(AccessibleAttribute.TEXT);
        });
    addEventHandler(ScrollEvent.SCROLL, this::wheel);
    canvas.addEventHandler(MouseEvent.MOUSE_PRESSED, this::pressed);
    canvas.addEventHandler(MouseEvent.MOUSE_DRAGGED, this::dragged);
    canvas.addEventHandler(MouseEvent.MOUSE_RELEASED, event -> sized = Place.NOWHERE);
    canvas.addEventHandler(MouseEvent.MOUSE_MOVED, this::pointed);
    canvas.addEventHandler(MouseEvent.MOUSE_EXITED, event -> hush());
    SheetKeys keys = new SheetKeys(this);
    addEventHandler(KeyEvent.KEY_PRESSED, keys::pressed);
    addEventHandler(KeyEvent.KEY_TYPED, keys::typed);
  }

  private static ScrollBar bar(Orientation orientation) {
    ScrollBar bar = new ScrollBar();
    bar.setOrientation(orientation);
    bar.setFocusTraversable(false);
    return bar;
  }

  /**
   * Listens to the key that empties cells.
   *
   * @param listener told of the cells
   */
  public void onCleared(Consumer<List<Place>> listener) {
    cleared = listener;
  }

  /**
   * Shows cells. What was in view stays in view as far as it is still there.
   *
   * @param shown the cells
   */
  public void show(Cells shown) {
    double x = at.scrollX();
    double y = at.scrollY();
    cells = shown;
    written.clear();
    if (!field.isVisible()) {
      selection.set(selection.get().within(cells.rows(), cells.heads().size()));
    }
    lay(x, y);
  }

  private void lay(double x, double y) {
    double[] wide =
        cells.heads().stream().mapToDouble(h -> widths.getOrDefault(h.name(), h.width())).toArray();
    String last = cells.rows() == 0 ? "" : cells.name(cells.rows() - 1);
    double names = Math.max(LEAST_NAMES, last.length() * CHARACTER + NAME_EDGES);
    at =
        Geometry.of(wide, cells.rows(), names, headHeight, ROW)
            .sized(at.width(), at.height())
            .scrolled(x, y);
    requestLayout();
  }

  /** What is shown: the cells given last. */
  public Cells cells() {
    return cells;
  }

  /** The rows in which a cell is selected: rising, from 0. */
  public int[] selectedRows() {
    return cells.rows() == 0 ? new int[0] : selection.get().rows();
  }

  /** The columns in which a cell is selected: rising, from 0. */
  public int[] selectedColumns() {
    return selection.get().columns();
  }

  /** The cell that has the keyboard. */
  public Place focus() {
    return selection.get().focus();
  }

  ReadOnlyObjectProperty<Selection> selectionProperty() {
    return selection.getReadOnlyProperty();
  }

  /**
   * Listens to cells being selected.
   *
   * @param listener told whenever others are
   */
  public void onSelected(Runnable listener) {
    selection.addListener((o, before, now) -> listener.run());
  }

  /**
   * Listens to the keyboard going to a cell: by the mouse, by keys, or because it is shown.
   *
   * @param listener told of the cell
   */
  public void onGone(Consumer<Place> listener) {
    gone = listener;
  }

  /**
   * Selects a cell and brings it into view.
   *
   * @param place of the cell
   */
  public void goTo(Place place) {
    select(Selection.of(place));
  }

  void select(Selection wanted) {
    selection.set(wanted);
    at = at.showing(wanted.focus());
    gone.accept(wanted.focus());
    hush();
    requestLayout();
  }

  /**
   * Where a cell is seen.
   *
   * @param place of a cell in view
   * @return in this sheet's own pixels
   */
  public Bounds bounds(Place place) {
    return new BoundingBox(
        at.left(place.column()),
        at.top(place.row()),
        at.width(place.column()),
        at.height(place.row()));
  }

  /** The nearest cell there is; the heads only where they are written. */
  Place nearest(Place wanted) {
    int first = headsWritten ? Place.HEAD : 0;
    return new Place(
        Math.max(first, Math.min(wanted.row(), cells.rows() - 1)),
        Math.max(0, Math.min(wanted.column(), cells.heads().size() - 1)));
  }

  Geometry geometry() {
    return at;
  }

  boolean isEmpty() {
    return cells.heads().isEmpty();
  }

  /** Opens a cell to be written. */
  void write(Place place, String start) {
    if (isEmpty() || place.row() >= cells.rows() || (place.row() < 0 && !headsWritten)) {
      return;
    }
    at = at.showing(place);
    hush();
    field.open(place, start == null ? textAt(place) : start, start == null);
    requestLayout();
  }

  private String textAt(Place place) {
    return written.getOrDefault(
        place,
        place.row() < 0
            ? cells.heads().get(place.column()).name()
            : cells.whole(place.row(), place.column()));
  }

  /** The field was closed: its text is taken, unless it is null, and the keyboard goes on. */
  private void take(Place place, String text, Place next) {
    if (text != null && !text.equals(textAt(place))) {
      written.put(place, text);
      told.text(place, text);
    }
    if (next != null) {
      requestFocus();
      select(Selection.of(nearest(next)));
    }
    requestLayout();
  }

  void clear() {
    Selection chosen = selection.get();
    int[] columns = chosen.columns();
    int[] rows = selectedRows();
    if ((long) rows.length * columns.length <= MOST_COPIED) {
      cleared.accept(
          IntStream.of(rows)
              .boxed()
              .flatMap(r -> IntStream.of(columns).mapToObj(c -> new Place(r, c)))
              .filter(p -> chosen.holds(p.row(), p.column()))
              .toList());
    }
  }

  /** The last area selected, as a spreadsheet takes it. */
  void copy() {
    Selection.Area area = selection.get().last();
    int columns = area.right() - area.left() + 1;
    int bottom = Math.min(area.bottom(), area.top() + MOST_COPIED / columns - 1);
    ClipboardContent content = new ClipboardContent();
    content.putString(
        IntStream.rangeClosed(area.top(), bottom)
            .mapToObj(
                row ->
                    IntStream.rangeClosed(area.left(), area.right())
                        .mapToObj(c -> textAt(new Place(row, c)))
                        .collect(Collectors.joining("\t")))
            .collect(Collectors.joining("\n")));
    Clipboard.getSystemClipboard().setContent(content);
  }

  void scroll(double x, double y) {
    at = at.scrolled(x, y);
    requestLayout();
  }

  private void hush() {
    if (tooltip.isShowing()) {
      tooltip.hide();
    }
  }

  private void wheel(ScrollEvent event) {
    scroll(at.scrollX() - event.getDeltaX(), at.scrollY() - event.getDeltaY());
    hush();
    event.consume();
  }

  private void pressed(MouseEvent event) {
    requestFocus();
    int edge = event.getY() < at.head() ? at.edgeAt(event.getX()) : Place.NOWHERE;
    if (edge >= 0) {
      sized = edge;
      return;
    }
    int row = at.rowAt(event.getY());
    int column = at.columnAt(event.getX());
    if (isEmpty() || row == Place.NOWHERE || column == Place.NOWHERE) {
      return;
    }
    Place from = new Place(row, Math.max(0, column));
    Place to = column == Place.NAMES ? new Place(row, at.columns() - 1) : from;
    if (event.getButton() == MouseButton.SECONDARY
        && selection.get().holds(from.row(), from.column())) {
      return; // A menu is asked for what is selected already.
    }
    if (event.isShiftDown()) {
      select(selection.get().stretchedTo(to));
    } else if (event.isShortcutDown()) {
      select(selection.get().and(from, to));
    } else {
      select(Selection.between(from, to));
    }
    if (event.getClickCount() == 2 && column >= 0) {
      write(from, null);
    }
    event.consume();
  }

  private void dragged(MouseEvent event) {
    if (sized >= 0) {
      double wide = Math.max(NARROWEST, event.getX() - at.left(sized));
      widths.put(cells.heads().get(sized).name(), wide);
      lay(at.scrollX(), at.scrollY());
      return;
    }
    boolean wholeRows =
        selection.get().last().left() == 0
            && selection.get().last().right() == at.columns() - 1
            && event.getX() < at.names();
    int row = at.rowAt(Math.max(at.head(), event.getY()));
    int column = at.columnAt(Math.max(at.names(), event.getX()));
    if (!isEmpty() && event.getButton() == MouseButton.PRIMARY && focus().row() >= 0) {
      Place to =
          new Place(
              row == Place.NOWHERE ? at.rows() - 1 : row,
              wholeRows || column == Place.NOWHERE ? at.columns() - 1 : column);
      select(selection.get().stretchedTo(to));
    }
  }

  private void pointed(MouseEvent event) {
    int row = at.rowAt(event.getY());
    int column = at.columnAt(event.getX());
    boolean edge = row == Place.HEAD && at.edgeAt(event.getX()) >= 0;
    setCursor(edge ? Cursor.H_RESIZE : Cursor.DEFAULT);
    String words = row == Place.NOWHERE || column == Place.NOWHERE ? "" : said(row, column);
    if (words.isEmpty()) {
      hush();
    } else if (!tooltip.isShowing() || !tooltip.getText().equals(words)) {
      tooltip.setText(words);
      tooltip.show(this, event.getScreenX() + CHARACTER, event.getScreenY() + 2 * CHARACTER);
    }
  }

  /** What pointing at a cell tells: why it is struck or odd, or the text that was cut. */
  private String said(int row, int column) {
    if (row >= 0 && !cells.struck(row).isEmpty()) {
      return cells.struck(row);
    }
    if (column < 0) {
      return "";
    }
    if (row >= 0 && !cells.odd(row, column).isEmpty()) {
      return cells.odd(row, column);
    }
    Place place = new Place(row, column);
    String text = row < 0 ? textAt(place) : written.getOrDefault(place, cells.text(row, column));
    double room = at.width(column) - 2 * CHARACTER;
    boolean cut =
        !painter.cut(text, row < 0 ? ink.nameFont.get() : ink.font.get(), room).equals(text);
    return cut ? text : "";
  }

  @Override
  protected void layoutChildren() {
    double width = getWidth();
    double height = getHeight();
    double thick = down.prefWidth(-1);
    Geometry whole = at.sized(width, height);
    boolean tall = whole.mostY() > 0;
    double forCells = tall ? width - thick : width;
    boolean wide = at.sized(forCells, height).mostX() > 0;
    at = at.sized(forCells, wide ? height - thick : height);
    canvas.setWidth(at.width());
    canvas.setHeight(at.height());
    place(down, tall, at.mostY(), at.height() - at.head(), at.scrollY());
    down.resizeRelocate(at.width(), at.head(), thick, Math.max(0, at.height() - at.head()));
    place(across, wide, at.mostX(), at.width() - at.names(), at.scrollX());
    across.resizeRelocate(at.names(), at.height(), Math.max(0, at.width() - at.names()), thick);
    if (field.isVisible()) {
      Bounds box = bounds(field.place());
      field.resizeRelocate(box.getMinX(), box.getMinY(), box.getWidth(), box.getHeight());
    }
    painter.paint(
        canvas.getGraphicsContext2D(),
        new SheetPainter.View(cells, at, selection.get(), isFocused(), written));
  }

  private static void place(ScrollBar bar, boolean shown, double most, double seen, double value) {
    bar.setVisible(shown);
    bar.setMax(most);
    bar.setVisibleAmount(most <= 0 ? 0 : most * seen / (most + seen));
    bar.setUnitIncrement(ROW);
    bar.setBlockIncrement(seen);
    bar.setValue(value);
  }

  /** A style that the stylesheet may set. */
  void keep(String name, StyleableProperty<?> property) {
    styleables.put(name, property);
  }

  @SuppressWarnings("unchecked") // Each is kept under the name of the type that it was made with.
  <T> StyleableProperty<T> styleable(String name) {
    return (StyleableProperty<T>) styleables.get(name);
  }

  @Override
  public List<CssMetaData<? extends Styleable, ?>> getCssMetaData() {
    return Ink.metaData();
  }

  @Override
  public Object queryAccessibleAttribute(AccessibleAttribute attribute, Object... parameters) {
    if (attribute == AccessibleAttribute.TEXT && !isEmpty() && cells.rows() > 0) {
      Place place = nearest(focus());
      String row = place.row() < 0 ? "" : "row " + cells.name(place.row()) + ", ";
      return row + cells.heads().get(place.column()).name() + ": " + textAt(place);
    }
    return super.queryAccessibleAttribute(attribute, parameters);
  }
}
