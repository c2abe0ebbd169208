package app.knuckle.desktop.records;

import app.knuckle.desktop.controls.Card;
import app.knuckle.desktop.controls.Choice;
import app.knuckle.desktop.controls.SelectedCells;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.shell.Answer;
import app.knuckle.desktop.shell.SlipViewModel;
import app.knuckle.desktop.shell.Work;
import app.knuckle.desktop.trail.TrailCard;
import app.knuckle.study.notice.Notice;
import app.knuckle.study.prep.Edit;
import app.knuckle.study.prep.Kind;
import app.knuckle.study.table.Categories;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import javafx.application.Platform;
import javafx.beans.InvalidationListener;
import javafx.concurrent.Service;
import javafx.concurrent.Task;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TablePosition;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** The Records joint: the table in the middle; notices, trail, column and reading at the right. */
public final class RecordsView extends BorderPane {

  private static final KeyCombination FIND =
      new KeyCodeCombination(KeyCode.F, KeyCombination.SHORTCUT_DOWN);
  private static final List<String> ORDERS = List.of("as read", "rising", "falling");

  private final SlipViewModel slip;
  private final RecordsTable table;
  private final TrailCard trail;
  private final VBox side = new VBox();
  private final Label title = new Label();
  private final TextField find = new TextField();
  private final CheckBox onlyFound = new CheckBox("only these");
  private final Label foundLine = Texts.line("", "joint-line");
  private final Button setAside = new Button("Set aside \u2026");
  private final Button keepOnly = new Button("Keep only \u2026");
  private final Ordering ordering = new Ordering();
  private ReadingCard reading;
  private String looked = "";
  private RecordsPage page;
  private RowOrder order = RowOrder.AS_READ;
  private RowOrder.View view = new RowOrder.View(null, new int[0]);
  private int lastFound = -1;

  /**
   * The view of a slip's records.
   *
   * @param slip the slip
   */
  public RecordsView(SlipViewModel slip) {
    this.slip = slip;
    table = new RecordsTable(this::lookAt, this::edit);
    trail = new TrailCard(slip);
    setId("records");
    getStyleClass().add("joint");
    title.getStyleClass().add("joint-title");
    VBox heads = new VBox(title, foundLine);
    FlowPane top = new FlowPane(heads, tools());
    top.getStyleClass().add("records-head");
    VBox middle = new VBox(top, table);
    VBox.setVgrow(table, Priority.ALWAYS);
    side.getStyleClass().add("side");
    ScrollPane scroll = new ScrollPane(side);
    scroll.setFitToWidth(true);
    scroll.getStyleClass().add("side-scroll");
    setCenter(middle);
    setRight(scroll);
    table
        .getSelectionModel()
        .getSelectedCells()
        .addListener((InvalidationListener) o -> showTools());
    addEventFilter(
        KeyEvent.KEY_PRESSED,
        event -> {
          if (FIND.match(event)) {
            find.requestFocus();
            find.selectAll();
            event.consume();
          }
        });
    ordering.setOnSucceeded(
        event -> {
          view = ordering.getValue();
          lastFound = -1;
          showRows();
        });
    trail
        .editingProperty()
        .addListener(
            (o, before, now) -> {
              showSide();
              scroll.setVvalue(0);
            });
    slip.answerProperty().addListener((o, before, now) -> show());
    slip.soughtRowProperty().addListener((o, before, now) -> seek(now.intValue()));
    show();
    showTools();
    seek(slip.soughtRowProperty().get());
  }

  private HBox tools() {
    find.setId("find");
    find.setPromptText("Find, or row number");
    find.setPrefColumnCount(13);
    find.setOnAction(event -> goToNext());
    find.textProperty()
        .addListener(
            (o, before, now) ->
                order(new RowOrder(order.column(), order.falling(), now, order.onlyFound())));
    onlyFound.setId("only-found");
    onlyFound.setMinWidth(Region.USE_PREF_SIZE);
    onlyFound.setOnAction(
        event ->
            order(
                new RowOrder(
                    order.column(), order.falling(), order.find(), onlyFound.isSelected())));
    setAside.setId("set-aside");
    setAside.getStyleClass().add("bar-button");
    setAside.setMinWidth(Region.USE_PREF_SIZE);
    setAside.setOnAction(
        event ->
            trail.startSettingAside(
                table.selectedRows().stream()
                    .map(row -> page.frame().sourceRow(row) + 1)
                    .distinct()
                    .toList()));
    keepOnly.setId("keep-only");
    keepOnly.getStyleClass().add("bar-button");
    keepOnly.setMinWidth(Region.USE_PREF_SIZE);
    keepOnly.setOnAction(event -> keepOnly());
    foundLine.setMinWidth(Region.USE_PREF_SIZE);
    HBox tools = new HBox(find, onlyFound, setAside, keepOnly);
    tools.getStyleClass().add("records-tools");
    return tools;
  }

  private void keepOnly() {
    List<TablePosition<?, ?>> cells = SelectedCells.of(table);
    int column = cells.isEmpty() ? 0 : cells.get(0).getColumn() - 1;
    if (column < 0 || column >= page.columns().size()) {
      trail.startKeeping(looked, "");
      return;
    }
    RecordsPage.Head head = page.columns().get(column);
    boolean category = head.glance().column() instanceof Categories;
    List<Integer> rows = table.selectedRows();
    trail.startKeeping(
        head.name(), category && !rows.isEmpty() ? head.glance().column().text(rows.get(0)) : "");
  }

  private void showTools() {
    int rows = table.selectedRows().size();
    setAside.setDisable(rows == 0);
    setAside.setText(
        rows < 2 ? "Set aside \u2026" : "Set " + Numerals.whole(rows) + " aside \u2026");
  }

  private void edit(int row, String column, String text) {
    slip.take(List.of(new Edit(List.of(new Edit.Cell(row + 1, column, text)), false)));
  }

  private void order(RowOrder wanted) {
    order = wanted;
    if (page != null) {
      foundLine.setText("searching \u2026");
      ordering.restart();
    }
  }

  private final class Ordering extends Service<RowOrder.View> {
    @Override
    protected Task<RowOrder.View> createTask() {
      RowOrder wanted = order;
      var frame = page.frame();
      return new Work<>() {
        @Override
        protected RowOrder.View call() {
          return wanted.of(frame, progress());
        }
      };
    }
  }

  private void goToNext() {
    String text = find.getText().strip();
    if (view.found().length > 0) {
      int from = lastFound;
      int next = Arrays.stream(view.found()).filter(p -> p > from).findFirst().orElse(-1);
      lastFound = next < 0 ? view.found()[0] : next;
      table.goTo(lastFound);
    } else if (text.matches("\\d{1,9}")) {
      int row = Integer.parseInt(text) - 1;
      if (row >= 0 && row < table.getItems().size()) {
        table.goTo(row);
      }
    }
  }

  private void show() {
    Answer answer = slip.answer();
    if (slip.table() == null || answer == null) {
      return;
    }
    title.setText(slip.table().name());
    page = RecordsPage.of(answer, slip.inquiry());
    if (!order.equals(RowOrder.AS_READ)) {
      ordering.restart();
    } else {
      view = new RowOrder.View(null, new int[0]);
    }
    showRows();
    if (page.columns().stream().noneMatch(c -> c.name().equals(looked))) {
      looked = page.mostOfInterest();
    }
    trail.show();
    showSide();
  }

  /** What matters now stands first: a step being made, then what is odd, then the trail. */
  private void showSide() {
    List<Node> cards = new ArrayList<>();
    boolean editing = trail.editingProperty().get();
    if (editing) {
      cards.add(trail);
    }
    if (!page.notices().isEmpty()) {
      cards.add(new NoticesCard(slip, page.notices(), this::see));
    }
    if (!editing) {
      cards.add(trail);
    }
    Card column = columnCard();
    if (slip.source().formProperty().get() != null) {
      reading = reading == null ? new ReadingCard(slip.source()) : reading;
      reading.show();
      // How the file is read matters until the first step is taken.
      boolean fresh = slip.inquiry().prepare().isEmpty();
      cards.addAll(fresh ? List.of(reading, column) : List.of(column, reading));
    } else {
      cards.add(column);
    }
    if (side.getChildren().isEmpty()) {
      addCards(cards, 0);
    } else {
      side.getChildren().setAll(cards);
    }
  }

  /** The first time they come one by one: all made and styled at once would be felt. */
  private void addCards(List<Node> cards, int from) {
    if (side.getChildren().equals(cards.subList(0, from)) && from < cards.size()) {
      side.getChildren().add(cards.get(from));
      Platform.runLater(() -> Platform.runLater(() -> addCards(cards, from + 1)));
    }
  }

  private void showRows() {
    boolean fits =
        view.order() == null
            || Arrays.stream(view.order()).allMatch(row -> row < page.frame().rows());
    table.show(page, fits ? view.order() : null);
    int found = view.found().length;
    foundLine.setText(
        find.getText().isBlank()
            ? ""
            : found == 0 ? "not found" : Numerals.count(found, "row", "rows") + " found");
  }

  private void seek(int row) {
    if (row >= 0 && page != null) {
      order = RowOrder.AS_READ;
      view = new RowOrder.View(null, new int[0]);
      showRows();
      table.goTo(row);
    }
  }

  private void see(Notice notice) {
    if (!notice.column().isEmpty()) {
      looked = notice.column();
    }
    int row = notice.rows().get(0);
    int place = row;
    if (view.order() != null) {
      int[] rows = view.order();
      place =
          java.util.stream.IntStream.range(0, rows.length)
              .filter(i -> rows[i] == row)
              .findFirst()
              .orElse(0);
    }
    table.goTo(place);
    table.requestFocus();
  }

  private void lookAt(String column) {
    looked = column;
    show();
  }

  private Card columnCard() {
    RecordsPage.Head head =
        page.columns().stream().filter(c -> c.name().equals(looked)).findFirst().orElseThrow();
    Choice<Kind.As> kind =
        new Choice<>(
            "column-kind", List.of(Kind.As.values()), Kind.As::key, as -> slip.readAs(looked, as));
    kind.show(head.glance().as());
    TextField unit = new TextField(head.unit());
    unit.setId("column-unit");
    unit.setPromptText("none");
    unit.setPrefColumnCount(6);
    unit.setOnAction(event -> slip.giveUnit(looked, unit.getText().strip()));
    Choice<String> sort =
        new Choice<>("column-order", ORDERS, o -> o, chosen -> sortBy(looked, chosen));
    sort.show(
        !order.column().equals(looked)
            ? ORDERS.get(0)
            : order.falling() ? ORDERS.get(2) : ORDERS.get(1));
    Card card =
        new Card(
            looked + " at a glance",
            kind,
            Texts.fact("unit", unit),
            Texts.wrapped("rows in this view", "fact-name"),
            sort);
    head.glance().facts().forEach(f -> card.getChildren().add(Texts.fact(f.name(), f.value())));
    return card;
  }

  private void sortBy(String column, String chosen) {
    boolean none = chosen.equals(ORDERS.get(0));
    order(
        new RowOrder(
            none ? "" : column, chosen.equals(ORDERS.get(2)), order.find(), order.onlyFound()));
  }
}
