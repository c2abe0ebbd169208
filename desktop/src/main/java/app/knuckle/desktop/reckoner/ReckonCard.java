package app.knuckle.desktop.reckoner;

import app.knuckle.desktop.background.Lane;
import app.knuckle.desktop.controls.Card;
import app.knuckle.desktop.controls.Clip;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.explain.Explain;
import app.knuckle.desktop.explain.Topic;
import app.knuckle.formats.documents.Taken;
import app.knuckle.formats.report.Block;
import app.knuckle.study.reckon.Reckoning;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;

/**
 * One of the reckonings: what is typed is upright, what follows in another hand; it can be copied,
 * and kept with the study.
 */
abstract class ReckonCard extends Card {

  private final Reckoning.Kind kind;
  private final String title;
  private final Label words = Texts.wrapped("", "prose");

  /** What is worked out beside the interface thread; only the latest counts. */
  final Lane work = Lane.ofLatest();

  private Consumer<String> told = said -> {};

  ReckonCard(Reckoning.Kind kind, String title, Consumer<Reckoning> kept) {
    super("");
    this.kind = kind;
    this.title = title;
    Label head = Texts.line(title, "card-title");
    Region gap = new Region();
    HBox.setHgrow(gap, Priority.ALWAYS);
    Button copy = button("copy", "Copy", () -> Clip.put(Taken.of(blocks())));
    Button keep = button("keep", "Keep", () -> kept.accept(reckoning()));
    HBox bar = new HBox(head, gap, copy, keep, Explain.mark(title, topic(kind)));
    bar.getStyleClass().add("typing-bar");
    words.setId(kind.key() + "-words");
    getChildren().add(bar);
    setId("reckon-" + kind.key());
    getStyleClass().add("reckon-card");
  }

  private static Topic topic(Reckoning.Kind kind) {
    return switch (kind) {
      case PARTIAL_TABLE -> Topic.PARTIAL_TABLE;
      case TAIL -> Topic.TAILS;
      case SUMMARIES -> Topic.FROM_SUMMARIES;
      case SIZE -> Topic.POWER_AND_SIZE;
    };
  }

  private Button button(String what, String text, Runnable action) {
    Button button = new Button(text);
    button.setId(kind.key() + "-" + what);
    button.getStyleClass().add("bar-button");
    button.setAccessibleText(text + ": " + title);
    button.setMinWidth(USE_PREF_SIZE);
    button.setOnAction(event -> action.run());
    return button;
  }

  /** Gives the keyboard to where typing begins. */
  abstract void begin();

  /** Everything that was typed and chosen. */
  abstract Map<String, String> typed();

  /** Puts back what was typed and chosen once. */
  abstract void restore(Map<String, String> typed);

  /** Works out what follows and shows it. */
  abstract void answer();

  /** A name for it as it stands. */
  abstract String name();

  /** Its table, for a document or a sheet. */
  abstract List<List<String>> table();

  Label words() {
    return words;
  }

  void say(String text) {
    words.setText(text);
    told.accept(text);
  }

  void onSaid(Consumer<String> listener) {
    told = listener;
  }

  private Reckoning reckoning() {
    Reckoning.Said said = new Reckoning.Said(words.getText(), table());
    return new Reckoning(kind, name(), typed(), said, false);
  }

  private List<Block> blocks() {
    List<List<String>> table = table();
    List<Block> blocks = new ArrayList<>();
    if (!table.isEmpty()) {
      blocks.add(
          new Block.Table(
              Block.Part.ANALYSIS, title, table.get(0), table.subList(1, table.size()), ""));
    }
    blocks.add(new Block.Paragraph(Block.Part.RESULTS, words.getText()));
    return blocks;
  }

  Reckoning.Kind kind() {
    return kind;
  }
}
