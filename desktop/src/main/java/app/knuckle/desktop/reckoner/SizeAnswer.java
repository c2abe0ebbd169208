package app.knuckle.desktop.reckoner;

import app.knuckle.figures.plan.PowerCurve;
import app.knuckle.stats.compare.Direction;
import app.knuckle.study.plan.PlanWords;
import app.knuckle.study.reckon.SizeQuestion;
import app.knuckle.study.words.Numerals;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;

/**
 * The size of a simple trial, and its power.
 *
 * @param needed what has to be taken, to stand at the end of the sentence
 * @param power what a trial of the size that is typed finds, to stand behind "With" and the size
 * @param curve of power over size; empty while the question makes no sense
 */
record SizeAnswer(String needed, String power, Optional<PowerCurve> curve) {

  static final String TEST = "test";
  static final String EFFECT = "effect";
  static final String GROUPS = "groups";
  static final String DF = "df";
  static final String DIRECTION = "direction";
  static final String POWER = "power";
  static final String ALPHA = "alpha";
  static final String N = "n";

  /** More groups or cells than these are no trial. */
  private static final int MOST_GROUPS = 1_000;

  private static final int MOST_N = 1_000_000;
  private static final double MOST_EFFECT = 100;

  static SizeQuestion.Test test(Map<String, String> typed) {
    return SizeQuestion.Test.valueOf(typed.getOrDefault(TEST, SizeQuestion.Test.TWO_GROUPS.name()));
  }

  static Direction direction(Map<String, String> typed) {
    return Direction.valueOf(typed.getOrDefault(DIRECTION, Direction.EITHER.name()));
  }

  static SizeAnswer of(Map<String, String> typed) {
    SizeQuestion.Test test = test(typed);
    OptionalDouble effect = Typed.number(typed, EFFECT);
    OptionalDouble power = Typed.number(typed, POWER);
    OptionalDouble alpha = Typed.number(typed, ALPHA);
    int groups = whole(typed, GROUPS, 2, MOST_GROUPS);
    int df = whole(typed, DF, 1, MOST_GROUPS);
    boolean effectMakesSense =
        effect.isPresent()
            && effect.getAsDouble() != 0
            && Math.abs(effect.getAsDouble()) < MOST_EFFECT;
    if (!effectMakesSense || !isShare(power) || !isShare(alpha)) {
      return nothing(
          effectMakesSense
              ? "probabilities lie between 0 and 1"
              : "a difference is needed, in standard deviations, and not 0");
    }
    boolean many = test == SizeQuestion.Test.SEVERAL_GROUPS || test == SizeQuestion.Test.FACTORIAL;
    if (many && groups == 0 || test == SizeQuestion.Test.FACTORIAL && (df == 0 || df >= groups)) {
      return nothing("groups are counted from 2, degrees of freedom from 1 to below the cells");
    }
    SizeQuestion question =
        new SizeQuestion(
            test,
            test.isT() ? effect.getAsDouble() : Math.abs(effect.getAsDouble()),
            groups,
            df,
            direction(typed),
            power.getAsDouble(),
            alpha.getAsDouble());
    return answer(question, whole(typed, N, 2, MOST_N));
  }

  private static boolean isShare(OptionalDouble number) {
    return number.isPresent() && number.getAsDouble() > 0 && number.getAsDouble() < 1;
  }

  /** A whole number between two ends; 0 for anything else. */
  private static int whole(Map<String, String> typed, String field, int least, int most) {
    double number = Typed.number(typed, field, 0);
    return number >= least && number <= most && number == Math.rint(number) ? (int) number : 0;
  }

  private static SizeAnswer nothing(String why) {
    return new SizeAnswer("\u2026: " + why + ".", "", Optional.empty());
  }

  private static SizeAnswer answer(SizeQuestion question, int n) {
    OptionalInt needed = question.needed();
    String each = each(question.test());
    String take =
        needed.isPresent()
            ? "take " + needed.getAsInt() + each + "."
            : "not even a million" + each + " would do.";
    String found =
        n == 0
            ? ": a size from 2 on is needed here."
            : each
                + " it is found with probability "
                + PlanWords.power(question.power(n))
                + least(question, n)
                + ".";
    int drawn = n == 0 ? needed.orElse(2) : n;
    return new SizeAnswer(
        take,
        found,
        Optional.of(
            new PowerCurve(
                question.curve(drawn),
                question.power(),
                n,
                needed.isPresent() ? needed.getAsInt() + " would do" : "",
                needed.orElse(0),
                "probability to find it, over the number" + each)));
  }

  private static String least(SizeQuestion question, int n) {
    OptionalDouble least = question.least(n);
    return least.isEmpty()
        ? ""
        : "; the least found with "
            + PlanWords.power(question.power())
            + " is "
            + Numerals.fixed(least.getAsDouble(), 2)
            + (question.test() == SizeQuestion.Test.FACTORIAL ? "" : " SD");
  }

  private static String each(SizeQuestion.Test test) {
    return switch (test) {
      case TWO_GROUPS, SEVERAL_GROUPS -> " in each group";
      case ONE_GROUP -> " in the group";
      case PAIRS -> " pairs";
      case FACTORIAL -> " in each cell";
    };
  }
}
