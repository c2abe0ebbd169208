package app.knuckle.figures.scatter;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.figures.scene.Mark;
import app.knuckle.figures.scene.Scene;
import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/** How means moved, whatever they are. */
class MovedMeansLayoutTest {

  private static final double WIDTH = 700;
  private static final double HEIGHT = 300;
  private static final Quantity NONE = Quantity.absent(Absence.ONLY_THE_OTHER);

  private static final MovedMeans.Value GONE = new MovedMeans.Value(NONE, NONE);

  private static Scene drawn(MovedMeans.Moved... moved) {
    return MovedMeansLayout.of(new MovedMeans("growth (mm)", List.of(moved)), WIDTH, HEIGHT);
  }

  private static List<Mark.Dot> dots(Scene scene) {
    return scene.marks().stream()
        .filter(Mark.Dot.class::isInstance)
        .map(Mark.Dot.class::cast)
        .toList();
  }

  @Test
  void beforeStandsLeftOfAfterAndTheLargerHigher() {
    Scene scene =
        drawn(
            new MovedMeans.Moved(
                "fine",
                List.of(
                    new MovedMeans.Value(Quantity.of(10), Quantity.of(1)),
                    new MovedMeans.Value(Quantity.of(12), Quantity.of(1)))));
    List<Mark.Dot> dots = dots(scene);
    assertThat(dots).hasSize(2);
    assertThat(dots.get(0).x()).isLessThan(dots.get(1).x());
    assertThat(dots.get(0).y()).as("12 is above 10").isGreaterThan(dots.get(1).y());
  }

  @Test
  void aMeanThatOnlyOneAnswerHasStandsAlone() {
    Scene scene =
        drawn(
            new MovedMeans.Moved(
                "fine", List.of(new MovedMeans.Value(Quantity.of(10), NONE), GONE)),
            new MovedMeans.Moved(
                "coarse", List.of(GONE, new MovedMeans.Value(Quantity.of(12), Quantity.of(2)))));
    assertThat(dots(scene)).hasSize(2);
    assertThat(drawn()).as("no mean at all").isNotNull();
  }

  @Property(tries = 200)
  void nothingLeavesThePicture(
      @ForAll @IntRange(min = 1, max = 60) int means,
      @ForAll @IntRange(min = 2, max = 3) int answers,
      @ForAll Random random) {
    List<MovedMeans.Moved> moved = new ArrayList<>();
    double scale = Math.pow(10, random.nextInt(9) - 4);
    for (int i = 0; i < means; i++) {
      List<MovedMeans.Value> values = new ArrayList<>();
      for (int a = 0; a < answers; a++) {
        Quantity half = Quantity.of(scale * random.nextDouble());
        values.add(
            new MovedMeans.Value(value(random, scale), random.nextInt(4) == 0 ? NONE : half));
      }
      moved.add(new MovedMeans.Moved("group number " + i + " of the north channel", values));
    }
    Scene scene = MovedMeansLayout.of(new MovedMeans("y", moved), WIDTH, HEIGHT);
    for (Mark.Dot dot : dots(scene)) {
      assertThat(dot.x()).isBetween(0.0, WIDTH);
      assertThat(dot.y()).isBetween(0.0, HEIGHT);
    }
  }

  private static Quantity value(Random random, double scale) {
    return random.nextInt(6) == 0 ? NONE : Quantity.of(scale * (5 + random.nextGaussian()));
  }
}
