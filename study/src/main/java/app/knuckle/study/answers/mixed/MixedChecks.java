package app.knuckle.study.answers.mixed;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.mixed.Component;
import app.knuckle.study.findings.CheckResult;
import app.knuckle.study.findings.CheckResult.Judgement;
import app.knuckle.study.findings.CheckTest;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.words.TermName;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** What a mixed model stands on beside the shape of its residuals. */
final class MixedChecks {

  /** With fewer levels a variance is hardly known. */
  private static final int FEW_LEVELS = 5;

  private MixedChecks() {}

  static List<CheckResult> of(TestResult.MixedResult test) {
    List<CheckResult> checks = new ArrayList<>();
    for (Component component : test.variation().components()) {
      if (component.term() != null) {
        checks.add(levels(component));
      }
    }
    return checks;
  }

  private static CheckResult levels(Component component) {
    int levels = component.term().size();
    String source = TermName.of(component.term().term());
    boolean few = levels < FEW_LEVELS;
    Judgement judgement = component.atZero() || few ? Judgement.CAUTION : Judgement.SOUND;
    String words =
        component.atZero()
            ? say("check.levels.zero", source)
            : say(few ? "check.levels.few" : "check.levels.sound", source, String.valueOf(levels));
    return new CheckResult(
        CheckTest.LEVELS,
        "",
        List.of(),
        CheckResult.Kind.COUNT,
        Quantity.of(levels),
        List.of(),
        Quantity.absent(Absence.A_COUNT_IS_NO_TEST),
        Map.of(),
        Map.of(),
        judgement,
        words);
  }
}
