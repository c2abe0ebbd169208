package app.knuckle.study.reckon;

import app.knuckle.stats.compare.Direction;
import app.knuckle.stats.power.EffectPower;
import app.knuckle.stats.power.TPower;
import app.knuckle.study.plan.Shows;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalInt;

/**
 * How large a simple trial must be, or what one of a given size finds.
 *
 * @param test what is compared
 * @param effect in standard deviations of single values; of a factorial Cohen's f
 * @param groups that are compared, or cells of a factorial
 * @param df of the effect of a factorial
 * @param direction that is asked about, of t tests
 * @param power wanted
 * @param alpha level of significance
 */
public record SizeQuestion(
    Test test, double effect, int groups, int df, Direction direction, double power, double alpha) {

  /** Curves are drawn so many times as far as is needed, and at least so far. */
  private static final double FURTHER = 1.6;

  private static final int LEAST_DRAWN = 10;

  /** More points than these are thinned out. */
  private static final int MOST_POINTS = 120;

  private static final double MOST_EFFECT = 100;
  private static final int BISECTIONS = 100;

  /** What is compared. */
  public enum Test {
    /** Two groups of one size. */
    TWO_GROUPS("two groups"),
    /** One group and a value. */
    ONE_GROUP("a group and a value"),
    /** Two values of each unit; effects in standard deviations of the differences. */
    PAIRS("the two of a pair"),
    /** Several groups of one size, of which two differ and the others lie midway. */
    SEVERAL_GROUPS("two of several groups"),
    /** An effect of a factorial with cells of one size. */
    FACTORIAL("the levels of a factorial");

    private final String title;

    Test(String title) {
      this.title = title;
    }

    /** What is compared, in words: to stand behind "between". */
    public String title() {
      return title;
    }

    /** Whether it is a t test, which can be asked in a direction: false for F tests. */
    public boolean isT() {
      return this == TWO_GROUPS || this == ONE_GROUP || this == PAIRS;
    }
  }

  /**
   * The power of a trial.
   *
   * @param n units in each group, pairs, or rows of each cell; 2 or more
   * @return from 0 to 1
   */
  public double power(int n) {
    return power(n, effect);
  }

  private double power(int n, double effect) {
    return switch (test) {
      case TWO_GROUPS -> TPower.of(n, n, effect, direction, alpha).power();
      case ONE_GROUP, PAIRS -> TPower.ofOne(n, effect, direction, alpha).power();
      case SEVERAL_GROUPS, FACTORIAL -> EffectPower.of(sought(effect), n).power();
    };
  }

  private EffectPower.Sought sought(double effect) {
    return test == Test.FACTORIAL
        ? new EffectPower.Sought(df, groups, effect, alpha)
        // Two means half the difference off, the others at the middle: f^2 = d^2 / (2 k).
        : new EffectPower.Sought(groups - 1, groups, effect / Math.sqrt(2.0 * groups), alpha);
  }

  /** The least size that gives the power: units in each group; empty if millions would not do. */
  public OptionalInt needed() {
    return switch (test) {
      case TWO_GROUPS -> TPower.n(effect, direction, alpha, power);
      case ONE_GROUP, PAIRS -> TPower.nOfOne(effect, direction, alpha, power);
      case SEVERAL_GROUPS, FACTORIAL -> EffectPower.n(sought(effect), power);
    };
  }

  /**
   * The least effect that a trial finds with the power wanted.
   *
   * @param n units in each group
   * @return in the units of the effect; empty if not even the largest that makes sense is found
   */
  public OptionalDouble least(int n) {
    double sign = direction == Direction.LESS ? -1 : 1;
    if (power(n, sign * MOST_EFFECT) < power) {
      return OptionalDouble.empty();
    }
    double low = 0;
    double high = MOST_EFFECT;
    for (int i = 0; i < BISECTIONS; i++) {
      double middle = (low + high) / 2;
      if (middle == 0 || power(n, sign * middle) < power) {
        low = middle;
      } else {
        high = middle;
      }
    }
    return OptionalDouble.of(high);
  }

  /**
   * Power over the size.
   *
   * @param n a size that shall be on the curve
   * @return points, rising in size
   */
  public List<Shows.Point> curve(int n) {
    int least = needed().orElse(n);
    int last = (int) Math.min(1e6, Math.max(LEAST_DRAWN, FURTHER * Math.max(least, n)));
    int step = Math.max(1, (int) Math.ceil((double) last / MOST_POINTS));
    List<Shows.Point> points = new ArrayList<>();
    for (int size = 2; size <= last; size++) {
      if ((size - 2) % step == 0 || size == least || size == n) {
        points.add(new Shows.Point(size, power(size)));
      }
    }
    return points;
  }
}
