package app.knuckle.study.checks;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Quantity;
import app.knuckle.stats.linear.SumTest;
import app.knuckle.study.findings.CheckResult;
import app.knuckle.study.words.Phrases;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Makes checks of tests. */
public final class Checks {

  private Checks() {}

  /**
   * The check that a test makes.
   *
   * @param about what it looks at, such as "slopes"
   * @param name of the test
   * @param covariate it is about; empty for none
   * @param test the numbers
   * @param more of them, by their key
   * @param sound what is said where nothing speaks against it
   * @param unsound what is said else
   * @return the check; it cannot tell where the test has no p
   */
  public static CheckResult of(
      String about,
      String name,
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
        about,
        name,
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
