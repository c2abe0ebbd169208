package app.knuckle.desktop.writeup;

import app.knuckle.desktop.controls.Card;
import app.knuckle.desktop.controls.Carried;
import app.knuckle.desktop.controls.Pick;
import app.knuckle.formats.report.Block;
import app.knuckle.formats.report.NumberStyle;
import app.knuckle.formats.report.OwnTerms;
import app.knuckle.formats.report.PageSettings;
import app.knuckle.formats.report.Paper;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.words.ExactP;
import app.knuckle.study.words.Numerals;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** What is asked of the page: its parts and their order, its length, how numbers are written. */
final class PageWishes extends VBox {

  private static final int TERM_COLUMNS = 9;

  private static final List<OptionalInt> DECIMALS =
      Stream.concat(
              Stream.of(OptionalInt.empty()),
              IntStream.rangeClosed(0, PageSettings.MOST_DECIMALS).mapToObj(OptionalInt::of))
          .toList();

  private final WriteUpViewModel model;
  private final VBox list = new VBox();
  private final Map<Block.Part, HBox> rows = new EnumMap<>(Block.Part.class);
  private final Map<Block.Part, CheckBox> boxes = new EnumMap<>(Block.Part.class);
  private final Map<Block.Part, Pick<OptionalInt>> decimals = new EnumMap<>(Block.Part.class);
  private final StyleCard styles;
  private final Pick<PageSettings.Length> length;
  private final Pick<PageSettings.Precision> precision;
  private final Pick<ExactP> exact;
  private final Pick<Paper> paper;
  private final Pick<String> beside;
  private final HBox besideRow;
  private final CheckBox oneTable = new CheckBox("one table of means for all responses");
  private final CheckBox panel = new CheckBox("figure as a panel in a document of several");
  private final CheckBox comma;
  private final CheckBox zero;
  private final CheckBox hyphen;
  private final CheckBox thin;
  private final VBox terms = new VBox();
  private final Map<Procedure, TextField> words = new EnumMap<>(Procedure.class);

  PageWishes(WriteUpViewModel model) {
    this.model = model;
    styles = new StyleCard(model);
    getStyleClass().add("column");
    length =
        new Pick<>(
            "page-length",
            PageSettings.Length::title,
            chosen -> model.change(s -> s.but(d -> d.length = chosen)));
    precision =
        new Pick<>(
            "page-precision",
            PageSettings.Precision::title,
            chosen -> model.change(s -> s.but(d -> d.precision = chosen)));
    paper =
        new Pick<>(
            "page-paper", Paper::title, chosen -> model.change(s -> s.but(d -> d.paper = chosen)));
    exact =
        new Pick<>(
            "page-exact",
            ExactP::bound,
            chosen -> model.change(s -> s.but(d -> d.numbers = d.numbers.exact(chosen))));
    beside =
        new Pick<>(
            "page-beside", name -> name, name -> model.change(s -> s.but(d -> d.beside = name)));
    beside.setAccessibleText("inquiry beside this one");
    besideRow = named("beside it", beside);
    besideRow.managedProperty().bind(besideRow.visibleProperty());
    exact.setAccessibleText("smallest p that is written as it is");
    paper.setAccessibleText("paper");
    length.setAccessibleText("length of the results");
    precision.setAccessibleText("what stands beside a mean");
    oneTable.setId("page-one-table");
    oneTable.setOnAction(
        event -> model.change(s -> s.but(d -> d.oneTable = oneTable.isSelected())));
    panel.setId("page-panel");
    panel.setWrapText(true);
    panel.setOnAction(event -> model.change(s -> s.but(d -> d.panel = panel.isSelected())));
    comma = number("page-comma", "decimals after a comma", NumberStyle::comma);
    zero = number("page-zero", "p with a leading zero", NumberStyle::leadingZero);
    hyphen = number("page-hyphen", "a hyphen for the minus sign", NumberStyle::hyphen);
    thin = number("page-thin", "a thin space before units", NumberStyle::thinSpace);
    for (Block.Part part : Block.Part.values()) {
      rows.put(part, row(part));
    }
    list.setId("page-parts");
    Node[] tables =
        Arrays.stream(Block.Part.values())
            .filter(Block.Part::hasDecimals)
            .map(this::decimals)
            .toArray(Node[]::new);
    getChildren()
        .addAll(
            new Card("In this write-up", list),
            new Card(
                "How it is said",
                named("results in", length),
                named("beside a mean", precision),
                named("p exact down to", exact),
                named("paper", paper),
                besideRow,
                oneTable,
                comma,
                zero,
                hyphen,
                thin,
                terms,
                panel),
            new Card("Decimals in tables", tables),
            styles);
  }

  /** A field for each procedure that means are compared by, empty for Knuckle's word. */
  private void showTerms(OwnTerms own) {
    List<Procedure> used = model.procedures();
    if (!List.copyOf(words.keySet()).equals(used.stream().sorted().toList())) {
      words.clear();
      terms.getChildren().clear();
      for (Procedure procedure : used) {
        TextField field = new TextField();
        field.setId("term-" + procedure.key());
        field.setPromptText(procedure.title());
        field.setPrefColumnCount(TERM_COLUMNS);
        field.setAccessibleText(procedure.title() + " is called");
        Runnable take =
            () ->
                model.change(s -> s.but(d -> d.terms = d.terms.called(procedure, field.getText())));
        field.setOnAction(event -> take.run());
        field.focusedProperty().addListener((o, before, now) -> takeUnless(now, take));
        words.put(procedure, field);
        terms.getChildren().add(named(procedure.title() + " is called", field));
      }
    }
    words.forEach(
        (procedure, field) -> {
          if (!field.isFocused()) {
            field.setText(own.words().getOrDefault(procedure, ""));
          }
        });
  }

  private static void takeUnless(boolean focused, Runnable take) {
    if (!focused) {
      take.run();
    }
  }

  private CheckBox number(
      String id, String title, BiFunction<NumberStyle, Boolean, NumberStyle> change) {
    CheckBox box = new CheckBox(title);
    box.setId(id);
    box.setOnAction(
        event ->
            model.change(s -> s.but(d -> d.numbers = change.apply(d.numbers, box.isSelected()))));
    return box;
  }

  private static HBox named(String title, Node control) {
    Label label = new Label(title);
    Region between = new Region();
    HBox.setHgrow(between, Priority.ALWAYS);
    HBox line = new HBox(label, between, control);
    line.getStyleClass().add("page-part");
    return line;
  }

  /** A part that is on or off; it moves by its buttons, by Alt with an arrow, or by dragging. */
  private HBox row(Block.Part part) {
    CheckBox box = new CheckBox(part.title());
    box.setId("part-" + part.key());
    box.setOnAction(
        event -> {
          if (part == Block.Part.BESIDE) {
            model.beside(box.isSelected());
          } else {
            model.change(s -> s.want(part, box.isSelected()));
          }
        });
    boxes.put(part, box);
    Region between = new Region();
    HBox.setHgrow(between, Priority.ALWAYS);
    HBox row = new HBox(box, between);
    row.getStyleClass().add("page-part");
    if (part != Block.Part.TITLE) {
      row.getChildren().addAll(move(part, -1, "\u2191", "up"), move(part, 1, "\u2193", "down"));
      Carried.from(row, part.name());
      Carried.onto(row, name -> onto(Block.Part.valueOf(name), part));
      row.addEventFilter(KeyEvent.KEY_PRESSED, event -> key(event, part));
    }
    return row;
  }

  /** As many decimals as the errors allow, or a number of one's own; for what stands on it. */
  private Node decimals(Block.Part part) {
    Pick<OptionalInt> pick =
        new Pick<>(
            "decimals-" + part.key(),
            n -> n.isPresent() ? Numerals.plain(n.getAsInt()) : "by rule",
            n -> model.change(s -> s.decimals(part, n)));
    pick.setAccessibleText(part.title() + ", decimals");
    pick.setTooltip(new Tooltip("By rule: as many as the standard errors allow"));
    decimals.put(part, pick);
    HBox row = named(part.title(), pick);
    row.managedProperty().bind(row.visibleProperty());
    row.visibleProperty().bind(boxes.get(part).selectedProperty());
    return row;
  }

  private Button move(Block.Part part, int by, String sign, String word) {
    Button button = new Button(sign);
    button.setId(word + "-" + part.key());
    button.setAccessibleText(part.title() + ", further " + word);
    button.getStyleClass().add("page-move");
    button.setFocusTraversable(false); // Alt with an arrow does it on the part itself.
    button.setOnAction(event -> model.change(s -> s.moved(part, by)));
    return button;
  }

  private void onto(Block.Part carried, Block.Part target) {
    model.change(s -> s.moved(carried, s.order().indexOf(target) - s.order().indexOf(carried)));
  }

  private void key(KeyEvent event, Block.Part part) {
    boolean up = event.getCode() == KeyCode.UP;
    if (event.isAltDown() && (up || event.getCode() == KeyCode.DOWN)) {
      model.change(s -> s.moved(part, up ? -1 : 1));
      boxes.get(part).requestFocus();
      event.consume();
    }
  }

  void show(PageSettings settings) {
    List<HBox> ordered =
        settings.order().stream().map((Function<Block.Part, HBox>) rows::get).toList();
    if (!list.getChildren().equals(ordered)) {
      list.getChildren().setAll(ordered);
    }
    boxes.forEach((part, box) -> box.setSelected(settings.wanted().get(part)));
    decimals.forEach(
        (part, pick) -> {
          Integer asked = settings.decimals().get(part);
          pick.show(DECIMALS, asked == null ? OptionalInt.empty() : OptionalInt.of(asked));
        });
    styles.show();
    length.show(List.of(PageSettings.Length.values()), settings.length());
    precision.show(List.of(PageSettings.Precision.values()), settings.precision());
    exact.show(NumberStyle.EXACT_P, settings.numbers().exact());
    besideRow.setVisible(settings.wanted().get(Block.Part.BESIDE));
    beside.show(model.others(), settings.beside().isEmpty() ? null : settings.beside());
    paper.show(List.of(Paper.values()), settings.paper());
    oneTable.setSelected(settings.oneTable());
    oneTable.setVisible(model.isOfSeveral());
    oneTable.setManaged(model.isOfSeveral());
    panel.setSelected(settings.panel());
    comma.setSelected(settings.numbers().comma());
    zero.setSelected(settings.numbers().leadingZero());
    showTerms(settings.terms());
    thin.setSelected(settings.numbers().thinSpace());
    hyphen.setSelected(settings.numbers().hyphen());
  }
}
