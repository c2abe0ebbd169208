package app.knuckle.study.sentences;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Significance;
import app.knuckle.stats.mixed.Component;
import app.knuckle.stats.mixed.MixedFit;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.words.ExactP;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Prose;
import java.util.ArrayList;
import java.util.List;

/** Says where the variation lies that random effects bring in. */
public final class VariationSentence {

  private VariationSentence() {}

  /**
   * Where the variation lies: the share of every random term, and whether it is there at all.
   *
   * @param label of the response
   * @param variation of the model
   * @param alpha level of significance
   * @param exact down to which bound p is written as it is
   * @return a sentence
   */
  public static String of(
      String label, TestResult.Variation variation, double alpha, ExactP exact) {
    List<String> found = new ArrayList<>();
    List<String> unsure = new ArrayList<>();
    List<String> none = new ArrayList<>();
    for (Component component : variation.components()) {
      if (component.term() == null) {
        continue;
      }
      String source = EffectsSentence.term(component.term().term().names());
      if (component.atZero()) {
        none.add(source);
        continue;
      }
      String p = exact.statement(component.test().p());
      String said =
          component.share().share().exists()
              ? say("variation.share", source, Numerals.percent(component.share().share()), p)
              : say("variation.bare", source, p);
      (Significance.reached(component.test().p(), alpha) ? found : unsure).add(said);
    }
    List<String> parts = new ArrayList<>();
    if (!found.isEmpty()) {
      parts.add(say("variation.found", Prose.capital(label), Numerals.list(found)));
    }
    if (!unsure.isEmpty()) {
      parts.add(
          parts.isEmpty()
              ? say("variation.unsure.first", label, Numerals.list(unsure))
              : say("variation.unsure.then", Numerals.list(unsure)));
    }
    if (!none.isEmpty()) {
      parts.add(
          parts.isEmpty()
              ? say("variation.none.first", Prose.capital(label), Numerals.list(none))
              : say("variation.none.then", Numerals.list(none)));
    }
    return parts.isEmpty()
        ? within(label, variation, exact)
        : String.join(say("list.parts"), parts) + ".";
  }

  /** Where readings of one unit fade, and nothing else is random. */
  private static String within(String label, TestResult.Variation variation, ExactP exact) {
    return variation
        .correlation()
        .map(
            r ->
                say(
                    "variation.fading",
                    label,
                    Numerals.fixed(r.estimate(), 2),
                    exact.statement(r.p())))
        .orElse("");
  }

  /** The tests of the fixed part, as they are said. */
  static List<EffectsSentence.Row> rows(TestResult.MixedResult test, ExactP exact) {
    return test.rows().stream()
        .map(
            row ->
                row.p().exists()
                    ? new EffectsSentence.Row(row.term().names(), row.p(), statistic(row, exact))
                    : EffectsSentence.Row.unknown(row.term().names()))
        .toList();
  }

  private static String statistic(MixedFit.Row row, ExactP exact) {
    return say(
        "statistic.f",
        Numerals.df(row.df().value()),
        Numerals.fixed(row.errorDf(), 1),
        Numerals.fixed(row.f(), 2),
        exact.statement(row.p()));
  }
}
