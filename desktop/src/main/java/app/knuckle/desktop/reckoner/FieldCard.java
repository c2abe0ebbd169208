package app.knuckle.desktop.reckoner;

import app.knuckle.study.reckon.Reckoning;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Consumer;
import javafx.css.PseudoClass;
import javafx.scene.control.TextField;

/** A reckoning that is typed into fields, of which those left blank show what follows. */
abstract class FieldCard extends ReckonCard {

  private static final PseudoClass GAP = PseudoClass.getPseudoClass("gap");

  private static final PseudoClass BLANK = PseudoClass.getPseudoClass("blank");

  /** A field for names rather than numbers. */
  private static final PseudoClass NAME = PseudoClass.getPseudoClass("name");

  static final int WIDE = 12;

  private final Map<String, TextField> fields = new LinkedHashMap<>();
  private final Map<String, String> chosen = new LinkedHashMap<>();
  private boolean filling;

  FieldCard(Reckoning.Kind kind, String title, Consumer<Reckoning> kept) {
    super(kind, title, kept);
  }

  /** A field that is typed into. */
  TextField field(String name, String what, int columns) {
    TextField field = new TextField();
    field.setId(kind().key() + "-" + name);
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

  @Override
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

  @Override
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

  @Override
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
}
