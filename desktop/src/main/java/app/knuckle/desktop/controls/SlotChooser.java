package app.knuckle.desktop.controls;

import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;
import javafx.collections.FXCollections;
import javafx.css.PseudoClass;
import javafx.geometry.Bounds;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.Popup;

/**
 * A slot of the design sentence: a word that opens a small chooser. Typing filters; arrows move;
 * Enter chooses; Escape leaves.
 */
public final class SlotChooser extends Button {

  private static final PseudoClass GAP = PseudoClass.getPseudoClass("gap");
  private static final double WIDTH = 300;

  /** For lines that say why something does not fit. */
  private static final double WIDE = 460;

  private static final int LONG_LINE = 44;
  private static final double ROW = 40;
  private static final int MOST_ROWS = 8;

  private Supplier<List<Option>> options = List::of;
  private Function<String, Option> own;
  private Consumer<Option> chosen = option -> {};
  private final Popup popup = new Popup();
  private final TextField filter = new TextField();
  private final ListView<Option> list = new ListView<>();

  /**
   * Something to choose.
   *
   * @param key what it stands for
   * @param title in the list
   * @param line under the title; may be empty
   * @param shape of its thumbnail; empty for none
   * @param category whether the thumbnail shows levels
   */
  public record Option(
      String key, String title, String line, List<Double> shape, boolean category) {}

  /**
   * A slot.
   *
   * @param id to find it by
   */
  public SlotChooser(String id) {
    setId(id);
    setMinWidth(USE_PREF_SIZE);
    setMnemonicParsing(false); // Column names have underscores.
    filter.setPromptText("Type to filter");
    filter.setId(id + "-filter");
    list.setId(id + "-list");
    list.setFixedCellSize(ROW);
    list.setCellFactory(view -> new OptionCell());
    VBox box = new VBox(filter, list);
    box.getStyleClass().add("slot-chooser");
    popup.getContent().add(box);
    popup.setAutoHide(true);
    setOnAction(event -> open());
    Carried.onto(this, this::drop);
    filter.textProperty().addListener((o, before, now) -> fill(now));
    box.addEventFilter(KeyEvent.KEY_PRESSED, this::key);
    list.setOnMouseClicked(event -> choose());
  }

  /**
   * Says what there is to choose.
   *
   * @param among asked for each time the chooser opens
   * @param typed makes an option of what was typed when nothing in the list fits; null for none
   * @param told of the choice
   */
  public void offer(
      Supplier<List<Option>> among, Function<String, Option> typed, Consumer<Option> told) {
    options = among;
    own = typed;
    chosen = told;
    filter.setPromptText(typed == null ? "Type to filter" : "Type to filter, or type a value");
  }

  /**
   * Shows what is chosen.
   *
   * @param words the choice, or what to choose
   * @param gap whether nothing is chosen yet
   */
  public void show(String words, boolean gap) {
    setText(words);
    pseudoClassStateChanged(GAP, gap);
  }

  private void open() {
    filter.clear();
    list.setPrefWidth(
        options.get().stream().anyMatch(o -> o.line().length() > LONG_LINE) ? WIDE : WIDTH);
    fill("");
    Bounds place = localToScreen(getBoundsInLocal());
    popup.show(this, place.getMinX(), place.getMaxY() + 2);
    popup.getScene().getStylesheets().setAll(getScene().getStylesheets());
    filter.requestFocus();
  }

  /** A name was put down here: it is chosen if it is offered. */
  private void drop(String name) {
    options.get().stream().filter(o -> o.key().equals(name)).findFirst().ifPresent(chosen);
  }

  private void fill(String typed) {
    String wanted = typed.strip().toLowerCase(Locale.ROOT);
    List<Option> fitting =
        options.get().stream()
            .filter(o -> o.title().toLowerCase(Locale.ROOT).contains(wanted))
            .toList();
    Option typedOption = own == null || wanted.isEmpty() ? null : own.apply(typed.strip());
    list.setItems(
        FXCollections.observableArrayList(
            fitting.isEmpty() && typedOption != null ? List.of(typedOption) : fitting));
    list.setPrefHeight(ROW * Math.max(1, Math.min(MOST_ROWS, list.getItems().size())) + 2);
    list.getSelectionModel().selectFirst();
    if (wanted.isEmpty()) {
      fitting.stream().filter(o -> o.title().equals(getText())).findFirst().ifPresent(this::stand);
    }
  }

  /** The choice of before is where the keys begin, so that Enter alone changes nothing. */
  private void stand(Option option) {
    list.getSelectionModel().select(option);
    if (list.getSelectionModel().getSelectedIndex() >= MOST_ROWS) {
      list.scrollTo(option);
    }
  }

  private void key(KeyEvent event) {
    if (event.getCode() == KeyCode.ENTER) {
      choose();
      event.consume();
    } else if (event.getCode() == KeyCode.DOWN) {
      list.getSelectionModel().selectNext();
      list.scrollTo(list.getSelectionModel().getSelectedIndex());
      event.consume();
    } else if (event.getCode() == KeyCode.UP) {
      list.getSelectionModel().selectPrevious();
      list.scrollTo(list.getSelectionModel().getSelectedIndex());
      event.consume();
    }
  }

  private void choose() {
    Option option = list.getSelectionModel().getSelectedItem();
    popup.hide();
    if (option != null) {
      chosen.accept(option);
    }
  }

  private static final class OptionCell extends ListCell<Option> {

    private OptionCell() {
      setPrefWidth(0); // As wide as the list: what is too long ends in dots, without a scroll bar.
    }

    @Override
    protected void updateItem(Option option, boolean empty) {
      super.updateItem(option, empty);
      setText(null);
      if (empty || option == null) {
        setGraphic(null);
        return;
      }
      Label title = Texts.line(option.title(), "option-title");
      Label line = Texts.line(option.line(), "option-line");
      VBox words = option.line().isEmpty() ? new VBox(title) : new VBox(title, line);
      words.getStyleClass().add("option-words");
      Region gap = new Region();
      HBox.setHgrow(gap, Priority.ALWAYS);
      HBox row = new HBox(words, gap);
      row.getStyleClass().add("option");
      if (!option.shape().isEmpty()) {
        row.getChildren().add(new Thumbnail(option.shape(), option.category()));
      }
      setGraphic(row);
    }
  }
}
