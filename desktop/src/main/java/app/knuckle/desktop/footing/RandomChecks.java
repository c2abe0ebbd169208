package app.knuckle.desktop.footing;

import app.knuckle.desktop.explain.Topic;
import app.knuckle.desktop.footing.FootingPage.Check;
import app.knuckle.stats.mixed.Component;
import app.knuckle.stats.mixed.Effects;
import app.knuckle.study.findings.CheckResult;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.findings.TestResult;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;

/** How each random grouping stands: how many levels it has, and whether they are bell-shaped. */
final class RandomChecks {

  /** Fewer levels show no shape. */
  private static final int FEWEST_LEVELS = 5;

  private RandomChecks() {}

  static List<Check> of(ResponseFindings response, WaysOn ways) {
    List<CheckResult> checks =
        response.analysis().checks().stream()
            .filter(c -> c.about().equals(CheckResult.RANDOM_LEVELS))
            .toList();
    List<Check> cards = new ArrayList<>();
    for (TestResult test : response.analysis().tests()) {
      if (test instanceof TestResult.MixedResult mixed) {
        for (int k = 0; k < checks.size(); k++) {
          cards.add(card(mixed.variation(), k, checks.get(k), ways));
        }
      }
    }
    return cards;
  }

  private static Check card(TestResult.Variation variation, int k, CheckResult check, WaysOn ways) {
    Component component = variation.components().get(k);
    boolean shown = !component.atZero() && component.term().size() >= FEWEST_LEVELS;
    boolean odd = check.judgement().isOdd();
    return new Check(
        component.term().term().source().replace(" x ", " \u00d7 ") + " at random",
        Topic.RANDOM_EFFECTS,
        check.judgement(),
        shown ? CheckPictures.quantiles(standardised(variation.effects().get(k), component)) : null,
        null,
        check.words(),
        List.of(),
        odd ? ways.asFixed(component.term().term().names()) : List.of());
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
