package app.knuckle.desktop.footing;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.desktop.explain.Topic;
import app.knuckle.desktop.footing.FootingPage.Check;
import app.knuckle.stats.mixed.Component;
import app.knuckle.stats.mixed.Effects;
import app.knuckle.study.checks.Footing;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.words.TermName;
import java.util.List;
import java.util.stream.IntStream;

/**
 * How each random grouping stands: how many levels it has, and whether they are normally
 * distributed.
 */
final class RandomChecks {

  /** Fewer levels show no shape. */
  private static final int FEWEST_LEVELS = 5;

  private RandomChecks() {}

  /** The card of a random term, in the order of the terms. */
  static Check card(ResponseFindings response, int k, Footing.Check check, WaysOn ways) {
    TestResult.Variation variation =
        response.results().tests().stream()
            .flatMap(test -> test.withRandom().stream())
            .map(TestResult.MixedResult::variation)
            .findFirst()
            .orElseThrow();
    Component component = variation.components().get(k);
    boolean shown = !component.atZero() && component.term().size() >= FEWEST_LEVELS;
    return new Check(
        say("footing.title.random", TermName.of(component.term().term())),
        Topic.RANDOM_EFFECTS,
        check.judgement(),
        shown ? CheckPictures.quantiles(standardised(variation.effects().get(k), component)) : null,
        null,
        check.said(),
        List.of(),
        check.judgement().isOdd() ? ways.asFixed(component.term().term().names()) : List.of(),
        check.mute());
  }

  /** Effects over what they would scatter by if the model holds. */
  private static double[] standardised(Effects effects, Component component) {
    return IntStream.range(0, effects.effects().size())
        .mapToDouble(
            l -> {
              double se = effects.errors().get(l).value();
              double spread = Math.sqrt(Math.max(0, component.variance() - se * se));
              return spread > 0 ? effects.effects().get(l) / spread : 0;
            })
        .toArray();
  }
}
