package app.knuckle.desktop.records;

import app.knuckle.desktop.controls.Flow;
import app.knuckle.desktop.controls.Pulses;
import app.knuckle.desktop.controls.Shown;
import app.knuckle.desktop.controls.Unrolling;
import app.knuckle.desktop.sheet.Place;
import app.knuckle.desktop.sheet.Sheet;
import app.knuckle.desktop.trail.TrailCard;
import app.knuckle.desktop.workbench.Answer;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.study.design.Part;
import app.knuckle.study.notice.Notice;
import app.knuckle.study.prep.Edit;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.prep.Rename;
import app.knuckle.study.prep.Step;
import app.knuckle.study.prep.Trail;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Label;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** The Records joint: the table in the middle; notices, trail, column and reading at the right. */
public final class RecordsView extends BorderPane implements Shown.Unfinished {

  private static final double HEADS = 90;
  private static final KeyCombination FIND =
      new KeyCodeCombination(KeyCode.F, KeyCombination.SHORTCUT_DOWN);

  private final SlipViewModel slip;
  private final Pulses pulses = new Pulses();
  private final Sheet sheet = new Sheet(HEADS, true, this::written);
  private final FindBar find = new FindBar(this::frame, this::showRows, this::goTo);
  private final TrailCard trail;
  private final VBox side = new VBox();
  private final List<Node> cards = new ArrayList<>();
  private final Label title = new Label();
  private final Button setAside = tool("set-aside", "Set aside \u2026", this::setAside);
  private final Button keepOnly = tool("keep-only", "Keep only \u2026", this::keepOnly);
  private final Runnable columnAnew = this::showColumn;
  private ReadingCard reading;
  private ColumnCard column;
  private boolean sideBegun;
  private String looked = "";
  private RecordsPage page;
  private RecordsCells cells;

  @Override
  public boolean isUnfinished() {
    return trail.editingProperty().get();
  }

  /**
   * The view of a slip's records.
   *
   * @param slip the slip
   */
  public RecordsView(SlipViewModel slip) {
    this.slip = slip;
    trail = new TrailCard(slip, () -> looked);
    setId("records");
    getStyleClass().add("joint");
    title.getStyleClass().add("joint-title");
    find.getChildren().addAll(setAside, keepOnly);
    Flow top = new Flow(new VBox(title, find.line()), find);
    top.getStyleClass().add("records-head");
    sheet.setId("records-table");
    sheet.onSelected(this::selected);
    sheet.onGone(this::lookAt);
    sheet.onCleared(places -> edit(places, ""));
    sheet.setOnContextMenuRequested(
        event -> menu().show(sheet, event.getScreenX(), event.getScreenY()));
    VBox middle = new VBox(top, sheet);
    VBox.setVgrow(sheet, Priority.ALWAYS);
    side.getStyleClass().add("side");
    ScrollPane scroll = new ScrollPane(side);
    scroll.setFitToWidth(true);
    scroll.getStyleClass().add("side-scroll");
    setCenter(middle);
    setRight(scroll);
    addEventFilter(
        KeyEvent.KEY_PRESSED,
        event -> {
          if (FIND.match(event)) {
            find.start();
            event.consume();
          }
        });
    trail
        .editingProperty()
        .addListener(
            (o, before, now) -> {
              showSide();
              scroll.setVvalue(0);
            });
    Shown.by(this, slip.answerProperty()).addListener((o, before, now) -> show());
    Shown.by(this, slip.soughtRowProperty()).addListener((o, before, now) -> seek(now.intValue()));
    show();
    seek(slip.soughtRowProperty().get());
  }

  /** All that the view depends on. */
  private record Shows(
      RecordsPage page, Trail trail, List<Step> prepare, Map<Part, List<String>> parts) {}

  private Shows shows;

  private Frame frame() {
    return page == null ? null : page.frame();
  }

  private static Button tool(String id, String title, Runnable action) {
    Button button = new Button(title);
    button.setId(id);
    button.getStyleClass().add("bar-button");
    button.setMinWidth(Region.USE_PREF_SIZE);
    button.setOnAction(event -> action.run());
    return button;
  }

  private ContextMenu menu() {
    MenuItem aside = new MenuItem(setAside.getText());
    aside.setOnAction(event -> setAside());
    MenuItem keep = new MenuItem(keepOnly.getText());
    keep.setOnAction(event -> keepOnly());
    return new ContextMenu(aside, keep);
  }

  private void setAside() {
    trail.startSettingAside(
        Arrays.stream(sheet.selectedRows())
            .map(row -> page.frame().sourceRow(cells.frameRow(row)) + 1)
            .distinct()
            .sorted()
            .boxed()
            .toList());
  }

  private void keepOnly() {
    Place at = sheet.focus();
    Column chosen = page.columns().get(at.column()).glance().column();
    boolean level = chosen instanceof Categories && at.row() >= 0 && at.row() < cells.rows();
    trail.startKeeping(chosen.name(), level ? chosen.text(cells.frameRow(at.row())) : "");
  }

  private void written(Place place, String text) {
    if (place.row() >= 0) {
      edit(List.of(place), text.strip());
      return;
    }
    String name = page.columns().get(place.column()).name();
    if (!text.isBlank()) {
      looked = looked.equals(name) ? text.strip() : looked;
      slip.take(List.of(new Rename(name, text.strip(), null, false)));
    } else {
      shows = null;
      show();
    }
  }

  private void edit(List<Place> places, String text) {
    List<Edit.Cell> changed =
        places.stream()
            .filter(p -> !cells.whole(p.row(), p.column()).equals(text))
            .map(
                p ->
                    new Edit.Cell(
                        cells.frameRow(p.row()) + 1, page.columns().get(p.column()).name(), text))
            .toList();
    if (!changed.isEmpty()) {
      slip.take(List.of(new Edit(changed, false)));
    }
  }

  /** The rows selected can be set aside. */
  private void selected() {
    int rows = sheet.selectedRows().length;
    setAside.setDisable(rows == 0);
    setAside.setText(
        rows < 2 ? "Set aside \u2026" : "Set " + Numerals.whole(rows) + " aside \u2026");
  }

  /** The column that the keyboard comes to is the one looked at. */
  private void lookAt(Place place) {
    String name = page.columns().get(place.column()).name();
    if (!name.equals(looked)) {
      looked = name;
      pulses.once(columnAnew);
    }
  }

  private void show() {
    Answer answer = slip.answer();
    if (slip.table() == null || answer == null) {
      return;
    }
    RecordsPage made = RecordsPage.of(answer, slip.inquiry());
    Shows now = new Shows(made, answer.trail(), slip.inquiry().prepare(), slip.inquiry().parts());
    if (now.equals(shows)) {
      return;
    }
    shows = now;
    title.setText(slip.table().name());
    page = made;
    find.again();
    showRows();
    if (page.indexOf(looked) < 0) {
      looked = page.columns().get(page.mostOfInterest()).name();
    }
    trail.show();
    column = null;
    showSide();
    selected();
  }

  private void showRows() {
    cells = new RecordsCells(page, find.rows());
    sheet.show(cells);
  }

  /** What matters now stands first: a step being made, then what is odd, then the trail. */
  private void showSide() {
    cards.clear();
    boolean editing = trail.editingProperty().get();
    if (editing) {
      cards.add(trail);
    }
    if (!page.notices().isEmpty()) {
      cards.add(new NoticesCard(slip, page, this::see));
    }
    if (!editing) {
      cards.add(trail);
    }
    if (column == null) {
      column = columnCard();
    }
    if (slip.source().formProperty().get() != null) {
      reading = reading == null ? new ReadingCard(slip.source(), this) : reading;
      reading.show();
      // How the file is read matters until the first step is taken.
      boolean fresh = slip.inquiry().prepare().isEmpty();
      cards.addAll(fresh ? List.of(reading, column) : List.of(column, reading));
    } else {
      cards.add(column);
    }
    if (sideBegun) {
      side.getChildren().setAll(cards);
    } else {
      sideBegun = true;
      Unrolling.into(side, cards, pulses);
    }
  }

  private void showColumn() {
    boolean whole = side.getChildren().equals(cards);
    int at = cards.indexOf(column);
    column = columnCard();
    if (at >= 0 && whole) {
      cards.set(at, column);
      side.getChildren().set(at, column);
    } else {
      showSide();
    }
  }

  private ColumnCard columnCard() {
    return new ColumnCard(slip, page.column(looked), find.order(), this::sort);
  }

  private void sort(RowOrder order) {
    find.sort(order);
    showColumn();
  }

  private void goTo(int place) {
    sheet.goTo(new Place(place, Math.max(0, sheet.focus().column())));
  }

  private void seek(int row) {
    if (row >= 0 && page != null) {
      find.forget();
      showRows();
      goTo(row);
    }
  }

  private void see(Notice notice) {
    int at = page.indexOf(notice.column());
    int place = find.placeOf(notice.rows().get(0));
    sheet.goTo(new Place(place, at < 0 ? sheet.focus().column() : at));
    sheet.requestFocus();
  }
}
