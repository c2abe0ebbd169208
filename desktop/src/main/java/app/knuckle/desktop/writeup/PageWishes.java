package app.knuckle.desktop.writeup;

import app.knuckle.desktop.controls.Card;
import app.knuckle.desktop.controls.Carried;
import app.knuckle.formats.report.Block;
import app.knuckle.formats.report.PageSettings;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** What is asked of the page: its parts and their order, and how they are made. */
final class PageWishes extends VBox {

  private final WriteUpViewModel model;
  private final VBox list = new VBox();
  private final Map<Block.Part, HBox> rows = new EnumMap<>(Block.Part.class);
  private final Map<Block.Part, CheckBox> boxes = new EnumMap<>(Block.Part.class);
  private final SaidCard said;
  private final DecimalsCard decimals;
  private final StyleCard styles;

  PageWishes(WriteUpViewModel model) {
    this.model = model;
    said = new SaidCard(model);
    decimals = new DecimalsCard(model);
    styles = new StyleCard(model);
    getStyleClass().add("column");
    for (Block.Part part : Block.Part.values()) {
      rows.put(part, row(part));
    }
    list.setId("page-parts");
    getChildren().addAll(new Card("In this write-up", list), said, decimals, styles);
  }

  /** A control after its name. */
  static HBox named(String title, Node control) {
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
    said.show(settings);
    decimals.show(settings);
    styles.show();
  }
}
