package app.knuckle.figures.scatter;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.figures.Pictures;
import app.knuckle.figures.scene.Mark;
import app.knuckle.figures.scene.Scene;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;

/** How far apart means lie. */
class MagnitudeLayoutTest {

  private static Magnitude magnitude(int rows, int dots, boolean band, Random random) {
    List<Magnitude.Row> all = new ArrayList<>();
    for (int r = 0; r < rows; r++) {
      List<Magnitude.Dot> means = new ArrayList<>();
      for (int d = 0; d < dots; d++) {
        String name = Pictures.NAMES.get(random.nextInt(Pictures.NAMES.size()));
        means.add(new Magnitude.Dot(name, 20 + random.nextGaussian()));
      }
      all.add(new Magnitude.Row(rows == 1 ? "" : "row " + r, means));
    }
    return new Magnitude(
        all, band ? new Magnitude.Band(18, 22, "where two of three bags lie") : null);
  }

  @Property(tries = 200)
  void everyMeanIsADotInItsRowInTheOrderOfItsValue(
      @ForAll @IntRange(min = 1, max = 6) int rows,
      @ForAll @IntRange(min = 1, max = 12) int dots,
      @ForAll boolean band,
      @ForAll @IntRange(min = 240, max = 700) int width,
      @ForAll long seed) {
    Magnitude magnitude = magnitude(rows, dots, band, new Random(seed));
    Scene scene = MagnitudeLayout.of(magnitude, width);
    List<Mark.Dot> drawn = Pictures.marks(scene, Mark.Dot.class);
    List<Mark.Dot> means = drawn.subList(drawn.size() - rows * dots, drawn.size());
    for (int r = 0; r < rows; r++) {
      List<Mark.Dot> own = means.subList(r * dots, (r + 1) * dots);
      assertThat(own.stream().map(Mark.Dot::y).distinct()).hasSize(1);
      for (int d = 1; d < dots; d++) {
        double more =
            magnitude.rows().get(r).dots().get(d).value()
                - magnitude.rows().get(r).dots().get(d - 1).value();
        assertThat(Math.signum(own.get(d).x() - own.get(d - 1).x())).isEqualTo(Math.signum(more));
      }
    }
  }

  @Property(tries = 200)
  void namesOverOneRowStandClearOfEachOther(
      @ForAll @IntRange(min = 2, max = 12) int dots,
      @ForAll @IntRange(min = 240, max = 700) int width,
      @ForAll long seed) {
    Scene scene = MagnitudeLayout.of(magnitude(1, dots, true, new Random(seed)), width);
    Pictures.inside(scene, 24);
    List<Mark.Label> names =
        Pictures.marks(scene, Mark.Label.class).stream()
            .filter(l -> l.role() == Mark.Role.GROUP)
            .toList();
    for (int i = 0; i < names.size(); i++) {
      for (int j = 0; j < i; j++) {
        Rectangle2D common = names.get(i).box().createIntersection(names.get(j).box());
        assertThat(common.getWidth() > 0.05 && common.getHeight() > 0.05)
            .as("%s over %s", names.get(i), names.get(j))
            .isFalse();
      }
    }
  }
}
