package app.knuckle.figures.plan;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.figures.scene.Ink;
import app.knuckle.figures.scene.Mark;
import app.knuckle.figures.scene.Scene;
import app.knuckle.study.plan.Shows;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Power over size, drawn. */
class PowerCurveTest {

  private static List<Shows.Point> points(int from, int to) {
    return IntStream.rangeClosed(from, to)
        .mapToObj(n -> new Shows.Point(n, 1 - Math.exp(-0.4 * n)))
        .toList();
  }

  private static <T extends Mark> List<T> marks(Scene scene, Class<T> kind) {
    return scene.marks().stream().filter(kind::isInstance).map(kind::cast).toList();
  }

  private static Mark.Label label(Scene scene, String text) {
    return marks(scene, Mark.Label.class).stream()
        .filter(label -> label.text().equals(text))
        .findFirst()
        .orElseThrow();
  }

  @Test
  void theTrialAsItIsAndTheLeastThatIsEnoughAreMarked() {
    Scene scene =
        new PowerCurve(points(2, 10), 0.8, 7, "5 blocks would do", 5, "over blocks")
            .scene(300, 200);
    List<Mark.Dot> dots = marks(scene, Mark.Dot.class);
    assertThat(dots).hasSize(9);
    assertThat(dots).filteredOn(dot -> dot.fill() == Ink.RUST).hasSize(1);
    double least =
        dots.stream().filter(dot -> dot.fill() == Ink.RUST).findFirst().orElseThrow().x();
    assertThat(least).isEqualTo(dots.get(3).x());
    assertThat(label(scene, "5 blocks would do").ink()).isEqualTo(Ink.RUST);
    assertThat(label(scene, "0.8")).isNotNull();
  }

  /** Words cross neither the line of the power wanted nor the edge. */
  @ParameterizedTest
  @CsvSource({"2, 10, 3", "2, 10, 10", "2, 60, 58", "5, 6, 5"})
  void wordsStandBelowTheLineAndWithinThePicture(int from, int to, int least) {
    Scene scene =
        new PowerCurve(points(from, to), 0.8, from, least + " would do", least, "over n")
            .scene(260, 180);
    Mark.Label words = label(scene, least + " would do");
    Mark.Line wanted =
        marks(scene, Mark.Line.class).stream()
            .filter(line -> line.ink() == Ink.SAND)
            .findFirst()
            .orElseThrow();
    assertThat(words.box().getMinY()).isGreaterThan(wanted.y1());
    assertThat(scene.marks())
        .allSatisfy(
            mark -> {
              assertThat(mark.box().getMinX()).isGreaterThanOrEqualTo(-1);
              assertThat(mark.box().getMaxX()).isLessThanOrEqualTo(261);
              assertThat(mark.box().getMaxY()).isLessThanOrEqualTo(181);
            });
  }

  @Test
  void manyPointsAreALineAndOneIsADot() {
    Scene many = new PowerCurve(points(2, 80), 0.9, 0, "", 0, "over n").scene(300, 200);
    assertThat(marks(many, Mark.Dot.class)).isEmpty();
    Scene one = new PowerCurve(points(4, 4), 0.9, 4, "", 0, "over n").scene(300, 200);
    assertThat(marks(one, Mark.Dot.class)).hasSize(1);
  }
}
