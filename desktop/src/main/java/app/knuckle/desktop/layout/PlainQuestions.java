package app.knuckle.desktop.layout;

import app.knuckle.desktop.controls.Choice;
import app.knuckle.desktop.controls.GoButton;
import app.knuckle.desktop.controls.Texts;
import java.util.List;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;

/**
 * Three plain questions that lead to the right sentence, for who does not know the method's name.
 */
final class PlainQuestions extends VBox {

  private static final List<String> WHAT =
      List.of("a measurement", "a score or rank", "with wild values");
  private static final List<String> GROUPS = List.of("one alone", "two", "three or more");
  private static final List<String> UNITS = List.of("different units", "the same units");

  private final PlainAnswers model;
  private final Label advice = Texts.wrapped("", "prose");
  private int what;
  private int groups;
  private int units;

  PlainQuestions(PlainAnswers model) {
    this.model = model;
    setId("plain-questions");
    getStyleClass().add("below");
    groups = model.groups() > 2 ? 2 : 1;
    Choice<String> first = new Choice<>("plain-what", WHAT, w -> w, w -> ask(0, WHAT.indexOf(w)));
    Choice<String> second =
        new Choice<>("plain-groups", GROUPS, w -> w, w -> ask(1, GROUPS.indexOf(w)));
    Choice<String> third =
        new Choice<>("plain-units", UNITS, w -> w, w -> ask(2, UNITS.indexOf(w)));
    first.show(WHAT.get(what));
    second.show(GROUPS.get(groups));
    third.show(UNITS.get(units));
    advice.setId("plain-advice");
    GoButton write =
        new GoButton(
            "plain-write",
            "Write the sentence so",
            () -> model.write(what > 0, groups, units == 1));
    getChildren()
        .addAll(
            Texts.line("What was measured?", "fact-name"),
            first,
            Texts.line("How many groups are compared?", "fact-name"),
            second,
            Texts.line("Which units are in them?", "fact-name"),
            third,
            advice,
            write);
    say();
  }

  private void ask(int question, int answer) {
    what = question == 0 ? answer : what;
    groups = question == 1 ? answer : groups;
    units = question == 2 ? answer : units;
    say();
  }

  private void say() {
    advice.setText(PlainAnswers.advice(what > 0, groups, units == 1));
  }
}
