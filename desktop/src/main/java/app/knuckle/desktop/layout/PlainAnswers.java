package app.knuckle.desktop.layout;

import app.knuckle.desktop.controls.SlotChooser.Option;
import app.knuckle.study.design.Approach;
import app.knuckle.study.design.FirstGuess;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.Inquiry.Draft;
import app.knuckle.study.design.Part;
import app.knuckle.study.table.Categories;
import java.util.function.Consumer;

/** The sentence that three plain answers lead to. */
final class PlainAnswers {

  private final Question question;
  private final ColumnOptions columns;
  private final Consumer<Consumer<Draft>> change;

  /**
   * Answers for a question.
   *
   * @param question what the sentence says
   * @param change changes its sentence
   */
  PlainAnswers(Question question, Consumer<Consumer<Draft>> change) {
    this.question = question;
    this.change = change;
    columns = new ColumnOptions(question);
  }

  private Inquiry asked() {
    return question.inquiry();
  }

  /** Groups of the first treatment; 0 without one. */
  int groups() {
    return asked().treatments().isEmpty() ? 0 : columns.levels(asked().treatments().get(0)).size();
  }

  /** The test that three plain answers lead to, and why. */
  static String advice(boolean ranks, int groups, boolean sameUnits) {
    String test =
        switch (groups) {
          case 0 -> ranks ? "a signed-rank test of one sample" : "a t-test of one sample";
          case 1 ->
              sameUnits
                  ? ranks ? "a signed-rank test of matched pairs" : "a t-test of matched pairs"
                  : ranks ? "a rank-sum test" : "a t-test of two groups";
          default ->
              sameUnits
                  ? ranks ? "Friedman's test" : "an analysis of variance of repeated measures"
                  : ranks ? "a Kruskal-Wallis test" : "an analysis of variance";
        };
    return "That is "
        + test
        + (ranks ? ": it goes by the order of the values, not by their size." : ".");
  }

  /** Writes the sentence that three plain answers lead to. */
  void write(boolean ranks, int groups, boolean sameUnits) {
    Approach approach = ranks ? Approach.RANKS : Approach.LEAST_SQUARES;
    String unit = sameUnits ? repeatedUnit() : null;
    change.accept(
        d -> {
          d.approach = approach;
          if (groups == 0) {
            d.clear(Part.TREATMENT);
            d.expected = d.expected == null ? 0.0 : d.expected;
            d.clear(Part.UNIT);
            d.clear(Part.PAIRS);
            return;
          }
          d.expected = null;
          d.clear(Part.PAIRS);
          d.clear(Part.UNIT);
          if (ranks) {
            onOneTreatment(d);
          }
          if (unit != null && d.treatments().size() == 1 && groups() == 2) {
            d.give(Part.PAIRS, unit);
          } else if (unit != null) {
            seenRepeatedly(question, d, unit);
          }
        });
  }

  /** Tests on ranks compare the groups of one treatment, and know of nothing beside. */
  private static void onOneTreatment(Draft d) {
    d.give(Part.TREATMENT, d.treatments().stream().limit(1).toList());
    d.clear(Part.BLOCK);
    d.clear(Part.WHOLE_PLOT);
    d.clear(Part.STRIP);
    d.clear(Part.COVARIATE);
  }

  /** A column whose every level comes with several levels of the treatment; null for none. */
  private String repeatedUnit() {
    if (asked().unit() != null || asked().pairs() != null) {
      return asked().unit() != null ? asked().unit() : asked().pairs();
    }
    if (asked().treatments().isEmpty() || question.answer() == null) {
      return null;
    }
    String treatment = asked().treatments().get(0);
    return columns.naming().stream()
        .map(Option::key)
        .filter(c -> !asked().treatments().contains(c))
        .filter(c -> FirstGuess.varies(question.answer().frame(), treatment, c))
        .filter(c -> !FirstGuess.varies(question.answer().frame(), c, treatment) || isName(c))
        .findFirst()
        .orElse(null);
  }

  private boolean isName(String column) {
    return question.answer().frame().column(column) instanceof Categories;
  }

  /** A unit whose treatment varies within it was seen on occasions. */
  static void seenRepeatedly(Question question, Draft d, String unit) {
    d.give(Part.UNIT, unit);
    d.give(
        Part.OCCASION,
        d.treatments().stream()
            .filter(
                t ->
                    question.answer() != null
                        && FirstGuess.varies(question.answer().frame(), t, unit))
            .toList());
  }
}
