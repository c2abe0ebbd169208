package app.knuckle.study.design;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.study.Rows;
import app.knuckle.study.prep.Frame;
import java.util.List;
import org.junit.jupiter.api.Test;

class CountGuessTest {

  private static List<CountGuess> of(String measured, String treatment, String... lines) {
    return CountGuess.of(Frame.of(Rows.of(lines)), Inquiry.about(measured, treatment));
  }

  @Test
  void whatNeverExceedsTheNumberStockedIsAShareOfIt() {
    List<CountGuess> guesses =
        of("dead", "mesh", "mesh stocked dead", "a 50 3", "a 48 0", "b 50 7", "b 52 9");
    assertThat(guesses.get(0).inquiry().approach()).isEqualTo(Approach.PROPORTIONS);
    assertThat(guesses.get(0).inquiry().outOf()).isEqualTo("stocked");
    assertThat(guesses.get(1).inquiry().approach()).isEqualTo(Approach.COUNTS);
  }

  @Test
  void smallWholeNumbersAreCountsForEachHour() {
    List<CountGuess> guesses =
        of("settled", "mesh", "mesh hours settled", "a 12 3", "a 24 40", "b 12 7", "b 12 9");
    assertThat(guesses).hasSize(1);
    assertThat(guesses.get(0).inquiry().approach()).isEqualTo(Approach.COUNTS);
    assertThat(guesses.get(0).inquiry().exposure()).isEqualTo("hours");
  }

  @Test
  void yesAndNoAreProportions() {
    List<CountGuess> guesses = of("alive", "mesh", "mesh alive", "a 1", "a 0", "b 1", "b 1");
    assertThat(guesses).hasSize(1);
    assertThat(guesses.get(0).inquiry().approach()).isEqualTo(Approach.PROPORTIONS);
    assertThat(guesses.get(0).inquiry().outOf()).isNull();
  }

  @Test
  void measurementsAndWhatIsJudgedAsCountsAlreadyAreLeftAlone() {
    assertThat(of("y", "mesh", "mesh y", "a 1.5", "a 2", "b 3", "b 4")).isEmpty();
    assertThat(of("y", "mesh", "mesh y", "a 150", "a 222", "b 317", "b 401")).isEmpty();
    Inquiry counts = Inquiry.about("y", "mesh").but(d -> d.approach = Approach.COUNTS);
    assertThat(CountGuess.of(Frame.of(Rows.of("mesh y", "a 1", "a 2", "b 3", "b 4")), counts))
        .isEmpty();
  }
}
