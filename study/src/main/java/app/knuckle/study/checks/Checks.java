package app.knuckle.study.checks;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Quantity;
import app.knuckle.stats.linear.SumTest;
import app.knuckle.study.findings.CheckResult;
import app.knuckle.study.findings.CheckTest;
import app.knuckle.study.words.Phrases;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Makes checks of tests. */
public final class Checks {

  private Checks() {}

  /**
   * The same checks at the level of an inquiry: whether slopes are parallel is decided there, as
   * the effects are whose means rest on it.
   *
   * @param checks made at the usual level
   * @param alpha of the inquiry
   * @return the checks
   */
  public static List<CheckResult> at(List<CheckResult> checks, double alpha) {
    return checks.stream()
        .map(
            check -> {
              CheckResult.Judgement judgement = CheckResult.Judgement.at(check.p(), alpha);
              return check.about() != CheckTest.About.SLOPES || judgement == check.judgement()
                  ? check
                  : check.judged(
                      judgement,
                      say(
                          judgement.isOdd() ? "check.slopes.odd" : "check.slopes.sound",
                          check.covariate()));
            })
        .toList();
  }

  /**
   * The check that a test makes.
   *
   * @param kind of test
   * @param covariate it is about; empty for none
   * @param test the numbers
   * @param more of them, by their key
   * @param sound what is said where nothing speaks against it
   * @param unsound what is said else
   * @return the check; it cannot tell where the test has no p
   */
  public static CheckResult of(
      CheckTest kind,
      String covariate,
      SumTest test,
      Map<String, Quantity> more,
      String sound,
      String unsound) {
    Map<String, Quantity> all = new LinkedHashMap<>();
    all.put("ss", Quantity.of(test.ss()));
    all.putAll(more);
    CheckResult.Judgement judgement = CheckResult.Judgement.of(test.p());
    return new CheckResult(
        kind,
        covariate,
        List.of(),
        CheckResult.Kind.F,
        test.f(),
        List.of(test.df(), test.errorDf()),
        test.p(),
        all,
        Map.of(),
        judgement,
        !test.p().exists()
            ? say("check.impossible", Phrases.why(test.p()))
            : judgement.isOdd() ? unsound : sound);
  }
}
