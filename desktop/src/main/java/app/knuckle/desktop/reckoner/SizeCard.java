package app.knuckle.desktop.reckoner;

import app.knuckle.desktop.controls.Picture;
import app.knuckle.desktop.controls.SlotChooser.Option;
import app.knuckle.desktop.sentence.DesignSentence;
import app.knuckle.desktop.sentence.Piece;
import app.knuckle.stats.compare.Direction;
import app.knuckle.study.reckon.Reckoning;
import app.knuckle.study.reckon.SizeQuestion;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.scene.layout.VBox;

/** How large a simple trial must be, or what one of a given size finds, as a sentence. */
final class SizeCard extends ReckonCard {

  private static final double HEIGHT = 210;

  private final DesignSentence sentence =
      new DesignSentence("size-sentence", "sentence-small", "slot");
  private final VBox drawn = new VBox();
  private Map<String, String> now = new LinkedHashMap<>();
  private SizeAnswer shown = new SizeAnswer("\u2026", "", java.util.Optional.empty());

  SizeCard(Consumer<Reckoning> kept) {
    super(Reckoning.Kind.SIZE, "Power and size", kept);
    getChildren().addAll(sentence, drawn);
  }

  /** What is typed stands in the sentence. */
  @Override
  void begin() {
    sentence.focus(slot(SizeAnswer.EFFECT));
  }

  private static String slot(String field) {
    return "size-" + field;
  }

  @Override
  Map<String, String> typed() {
    return now;
  }

  @Override
  void restore(Map<String, String> typed) {
    now = new LinkedHashMap<>(typed);
    answer();
  }

  @Override
  void answer() {
    Map<String, String> asked = Map.copyOf(now);
    work.run(progress -> SizeAnswer.of(asked), this::show);
  }

  private void show(SizeAnswer answer) {
    shown = answer;
    sentence.show(pieces());
    drawn.getChildren().clear();
    answer
        .curve()
        .ifPresent(
            curve -> {
              Picture picture = new Picture();
              picture.setMinHeight(HEIGHT);
              picture.setPrefHeight(HEIGHT);
              picture.show(curve::scene, dot -> "");
              picture.setAccessibleText(curve.axis() + ": " + answer.power());
              drawn.getChildren().add(picture);
            });
    // The sentence says it all; what is copied and said below is the same without its slots.
    say(
        pieces().stream()
            .map(
                piece ->
                    piece instanceof Piece.Words words
                        ? words.text()
                        : piece instanceof Piece.Typed typed
                            ? typed.text()
                            : ((Piece.Slot) piece).text())
            .collect(Collectors.joining()));
  }

  private List<Piece> pieces() {
    SizeQuestion.Test test = SizeAnswer.test(now);
    List<Piece> pieces = new ArrayList<>();
    boolean factorial = test == SizeQuestion.Test.FACTORIAL;
    pieces.add(words(factorial ? "To find an effect of f = " : "To find a difference of "));
    pieces.add(typedSlot(SizeAnswer.EFFECT, "effect"));
    pieces.add(words(factorial ? " between " : " SD between "));
    pieces.add(
        choice(
            SizeAnswer.TEST,
            test.title(),
            Arrays.stream(SizeQuestion.Test.values())
                .map(t -> new Option(t.name(), t.title(), purpose(t), List.of(), false))
                .toList()));
    if (factorial) {
      pieces.add(words(" with "));
      pieces.add(typedSlot(SizeAnswer.DF, "df"));
      pieces.add(words(" df over "));
      pieces.add(typedSlot(SizeAnswer.GROUPS, "cells"));
      pieces.add(words(" cells"));
    } else if (test == SizeQuestion.Test.SEVERAL_GROUPS) {
      pieces.add(words(", "));
      pieces.add(typedSlot(SizeAnswer.GROUPS, "groups"));
      pieces.add(words(" in all"));
    }
    pieces.add(words(" with probability "));
    pieces.add(typedSlot(SizeAnswer.POWER, "probability"));
    pieces.add(words(" at \u03b1 = "));
    pieces.add(typedSlot(SizeAnswer.ALPHA, "level of significance"));
    if (test.isT()) {
      pieces.add(words(", "));
      pieces.add(
          choice(
              SizeAnswer.DIRECTION,
              direction(SizeAnswer.direction(now)),
              Arrays.stream(Direction.values())
                  .map(d -> new Option(d.name(), direction(d), "", List.of(), false))
                  .toList()));
    }
    pieces.add(words(", " + shown.needed() + " With "));
    pieces.add(typedSlot(SizeAnswer.N, "n"));
    pieces.add(words(shown.power()));
    return pieces;
  }

  private static String direction(Direction direction) {
    return switch (direction) {
      case EITHER -> "either way";
      case GREATER -> "only if it is above";
      case LESS -> "only if it is below";
    };
  }

  private static String purpose(SizeQuestion.Test test) {
    return switch (test) {
      case TWO_GROUPS -> "t test; SD of single values";
      case ONE_GROUP -> "t test against a value";
      case PAIRS -> "t test; SD of the differences";
      case SEVERAL_GROUPS -> "F test; the other means lie midway";
      case FACTORIAL -> "F test of a main effect or an interaction";
    };
  }

  private static Piece words(String text) {
    return new Piece.Words(text);
  }

  private Piece typedSlot(String field, String what) {
    return new Piece.Typed(
        slot(field),
        now.getOrDefault(field, ""),
        what,
        text -> {
          now.put(field, text.strip());
          answer();
          return Typed.number(now, field).isPresent();
        });
  }

  private Piece choice(String field, String text, List<Option> options) {
    return new Piece.Slot(
        slot(field),
        text,
        false,
        () -> options,
        null,
        option -> {
          now.put(field, option.key());
          answer();
        });
  }

  @Override
  String name() {
    return "Size to find "
        + now.getOrDefault(SizeAnswer.EFFECT, "")
        + " between "
        + SizeAnswer.test(now).title();
  }

  @Override
  List<List<String>> table() {
    return List.of();
  }
}
