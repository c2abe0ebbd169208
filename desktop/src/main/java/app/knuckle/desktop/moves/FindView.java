package app.knuckle.desktop.moves;

import app.knuckle.desktop.controls.Texts;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** Finds a move by what is typed; Enter does the one that is marked. */
public final class FindView extends StackPane {

  private static final int MOST_SHOWN = 8;
  private static final double WIDTH = 640;
  private static final PseudoClass MARKED = PseudoClass.getPseudoClass("marked");

  private final MoveSearch search;
  private final List<String> recent;
  private final Consumer<Move> chosen;
  private final Runnable left;
  private final TextField field = new TextField();
  private final VBox list = new VBox();
  private final Label foot = Texts.wrapped("", "find-foot");
  private List<Move> shown = List.of();
  private int marked;

  /**
   * The finder.
   *
   * @param moves all there are
   * @param prompt what is asked, while nothing is typed
   * @param typed to begin with; empty for nothing
   * @param recent ids of moves done lately, the last one first
   * @param chosen told of the move that shall be done
   * @param left told when nothing shall be done
   */
  public FindView(
      List<Move> moves,
      String prompt,
      String typed,
      List<String> recent,
      Consumer<Move> chosen,
      Runnable left) {
    search = new MoveSearch(moves);
    this.recent = List.copyOf(recent);
    this.chosen = chosen;
    this.left = left;
    setId("find");
    getStyleClass().add("find-ground");
    setAlignment(Pos.TOP_CENTER);
    field.setId("find-field");
    field.setPromptText(prompt);
    field.getStyleClass().add("find-field");
    field.setText(typed);
    list.setId("find-list");
    foot.setId("find-foot");
    VBox box = new VBox(field, list, foot);
    box.getStyleClass().add("find");
    box.setMaxSize(WIDTH, Region.USE_PREF_SIZE);
    box.setOnMousePressed(event -> event.consume());
    getChildren().add(box);
    setOnMousePressed(event -> left.run());
    field.textProperty().addListener((o, before, now) -> show());
    addEventFilter(KeyEvent.KEY_PRESSED, this::key);
    show();
  }

  /** Puts the keyboard into the field. */
  public void begin() {
    field.requestFocus();
    field.end();
  }

  private void show() {
    List<Move> hits = search.find(field.getText(), recent);
    shown = hits.stream().filter(Move::isPossible).limit(MOST_SHOWN).toList();
    marked = 0;
    List<HBox> rows = new ArrayList<>();
    for (Move move : shown) {
      rows.add(row(move));
    }
    list.getChildren().setAll(rows);
    mark();
    foot.setText(foot(hits));
    foot.setVisible(!foot.getText().isEmpty());
    foot.setManaged(foot.isVisible());
  }

  /** Why something that was typed cannot be done; else how much more there is. */
  private String foot(List<Move> hits) {
    if (hits.isEmpty()) {
      return "Nothing is called so. Try another word for it.";
    }
    long more = hits.stream().filter(Move::isPossible).count() - shown.size();
    return hits.stream()
        .filter(move -> !move.isPossible() && !field.getText().isBlank())
        .findFirst()
        .map(move -> move.title() + ": " + move.whyNot())
        .orElse(more > 0 ? "and " + more + " more: type a word of what you want" : "");
  }

  private HBox row(Move move) {
    VBox words =
        new VBox(
            Texts.line(move.title(), "find-title"), Texts.line(move.purpose(), "find-purpose"));
    HBox.setHgrow(words, Priority.ALWAYS);
    words.setMinWidth(0);
    HBox row = new HBox(words);
    if (!move.keys().isEmpty()) {
      row.getChildren()
          .add(
              Texts.line(
                  KeyCombination.valueOf(move.keys()).getDisplayText().replace('+', ' '),
                  "key-hint"));
    }
    row.getStyleClass().add("find-row");
    row.setAccessibleText(move.title() + ", " + move.purpose());
    row.setOnMouseClicked(event -> chosen.accept(move));
    return row;
  }

  private void mark() {
    for (int i = 0; i < list.getChildren().size(); i++) {
      list.getChildren().get(i).pseudoClassStateChanged(MARKED, i == marked);
    }
    field.setAccessibleText(
        shown.isEmpty() ? foot.getText() : list.getChildren().get(marked).getAccessibleText());
  }

  private void key(KeyEvent event) {
    KeyCode code = event.getCode();
    int last = shown.size() - 1;
    if (code == KeyCode.ESCAPE) {
      left.run();
    } else if (code == KeyCode.ENTER && !shown.isEmpty()) {
      chosen.accept(shown.get(marked));
    } else if (code == KeyCode.DOWN || code == KeyCode.TAB && !event.isShiftDown()) {
      marked = last < 0 ? 0 : (marked + 1) % (last + 1);
      mark();
    } else if (code == KeyCode.UP || code == KeyCode.TAB) {
      marked = last < 0 ? 0 : (marked + last) % (last + 1);
      mark();
    } else {
      return;
    }
    event.consume();
  }
}
