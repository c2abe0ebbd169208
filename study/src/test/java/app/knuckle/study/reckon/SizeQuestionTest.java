package app.knuckle.study.reckon;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.knuckle.stats.compare.Direction;
import app.knuckle.study.plan.Shows;
import app.knuckle.study.reckon.SizeQuestion.Test;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** The size of a simple trial, and its power. */
class SizeQuestionTest {

  private static SizeQuestion question(Test test, double effect) {
    return new SizeQuestion(test, effect, 4, 2, Direction.EITHER, 0.9, 0.05);
  }

  @ParameterizedTest
  @EnumSource(Test.class)
  void theLeastSizeGivesThePowerAndOneLessDoesNot(Test test) {
    SizeQuestion question = question(test, 0.8);
    int n = question.needed().orElseThrow();
    assertThat(question.power(n)).isGreaterThanOrEqualTo(0.9);
    assertThat(question.power(n - 1)).isLessThan(0.9);
  }

  @ParameterizedTest
  @EnumSource(Test.class)
  void theLeastEffectIsFoundWithThePowerWanted(Test test) {
    double least = question(test, 0.8).least(20).orElseThrow();
    assertThat(question(test, least).power(20)).isCloseTo(0.9, within(1e-9));
  }

  @ParameterizedTest
  @EnumSource(Test.class)
  void theCurveRisesAndHoldsTheSizesThatAreMarked(Test test) {
    SizeQuestion question = question(test, 0.5);
    List<Shows.Point> curve = question.curve(17);
    assertThat(curve)
        .extracting(Shows.Point::repeats)
        .contains(17, question.needed().orElseThrow());
    for (int i = 1; i < curve.size(); i++) {
      assertThat(curve.get(i).repeats()).isGreaterThan(curve.get(i - 1).repeats());
      assertThat(curve.get(i).power()).isGreaterThanOrEqualTo(curve.get(i - 1).power());
    }
  }

  /** Two of two groups are two groups: F is t squared. */
  @org.junit.jupiter.api.Test
  void severalGroupsBeginWithTwo() {
    SizeQuestion two =
        new SizeQuestion(Test.SEVERAL_GROUPS, 0.7, 2, 0, Direction.EITHER, 0.9, 0.05);
    for (int n : new int[] {3, 10, 40}) {
      assertThat(two.power(n)).isCloseTo(question(Test.TWO_GROUPS, 0.7).power(n), within(1e-9));
    }
  }

  @org.junit.jupiter.api.Test
  void aDifferenceBelowIsFoundOnlyIfThatIsAsked() {
    SizeQuestion below = new SizeQuestion(Test.TWO_GROUPS, -0.8, 0, 0, Direction.LESS, 0.9, 0.05);
    SizeQuestion above = new SizeQuestion(Test.TWO_GROUPS, 0.8, 0, 0, Direction.GREATER, 0.9, 0.05);
    assertThat(below.power(12)).isCloseTo(above.power(12), within(1e-12));
    assertThat(below.least(12).orElseThrow())
        .isCloseTo(above.least(12).orElseThrow(), within(1e-9));
  }
}
