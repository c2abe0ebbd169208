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
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import javafx.css.PseudoClass;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;

/**
 * One of the reckonings: what is typed is upright, what follows stands in the fields that are left
 * blank, in another hand.
 */
abstract class ReckonCard extends Card {

  private static final PseudoClass GAP = PseudoClass.getPseudoClass("gap");

  private static final PseudoClass BLANK = PseudoClass.getPseudoClass("blank");

  /** A field for names rather than numbers. */
  private static final PseudoClass NAME = PseudoClass.getPseudoClass("name");

  static final int WIDE = 12;

  private final Reckoning.Kind kind;
  private final String title;
  private final Map<String, TextField> fields = new LinkedHashMap<>();
  private final Map<String, String> chosen = new LinkedHashMap<>();
  private final Label words = Texts.wrapped("", "prose");

  /** What is worked out beside the interface thread; only the latest counts. */
  final Lane work = Lane.ofLatest();

  private Consumer<String> told = said -> {};
  private boolean filling;

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

  /** A field that is typed into. */
  TextField field(String name, String what, int columns) {
    TextField field = new TextField();
    field.setId(kind.key() + "-" + name);
    field.setAccessibleText(what);
    field.setPrefColumnCount(columns);
    field.pseudoClassStateChanged(BLANK, true);
    field.pseudoClassStateChanged(NAME, columns >= WIDE);
    field.getStyleClass().add("fill-field");
    field
        .textProperty()
        .addListener(
            (o, before, now) -> {
              field.pseudoClassStateChanged(BLANK, now.isEmpty());
              if (!filling) {
                typedInto(name);
                answer();
              }
            });
    fields.put(name, field);
    return field;
  }

  /** Gives the keyboard to the first field. */
  void begin() {
    fields.values().iterator().next().requestFocus();
  }

  /** Whether there is a field of this name. */
  boolean has(String name) {
    return fields.containsKey(name);
  }

  /** A text to begin with, without asking again. */
  void preset(String name, String text) {
    fill(Map.of(name, text));
  }

  /** Forgets a field that is no longer shown. */
  void forget(String name) {
    fields.remove(name);
  }

  /** Something of the card's own was typed into. */
  void typedInto(String name) {
    // Nothing more follows, for most.
  }

  /** Something was chosen. */
  void choose(String name, String value) {
    chosen.put(name, value);
    showChoices();
    answer();
  }

  private void fill(Map<String, String> texts) {
    filling = true;
    texts.forEach(
        (name, text) -> {
          if (fields.containsKey(name)) {
            fields.get(name).setText(text);
          }
        });
    filling = false;
  }

  /** Shows what follows in a field that is blank, and whether what is typed there is wrong. */
  void follow(String name, String text, boolean wrong) {
    TextField field = fields.get(name);
    field.setPromptText(text);
    field.pseudoClassStateChanged(GAP, wrong);
  }

  /** Everything that was typed and chosen. */
  Map<String, String> typed() {
    Map<String, String> typed = new LinkedHashMap<>(chosen);
    fields.forEach(
        (name, field) -> {
          if (!field.getText().isBlank()) {
            typed.put(name, field.getText().strip());
          }
        });
    return typed;
  }

  /** Puts back what was typed and chosen once. */
  void restore(Map<String, String> typed) {
    chosen.clear();
    chosen.putAll(typed);
    showChoices();
    chosen.keySet().removeIf(fields::containsKey);
    Map<String, String> texts = new LinkedHashMap<>();
    fields.keySet().forEach(name -> texts.put(name, typed.getOrDefault(name, "")));
    fill(texts);
    answer();
  }

  /** Shows what is chosen, and makes the fields that this needs. */
  abstract void showChoices();

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
