package app.knuckle.figures.spread;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.knuckle.figures.Pictures;
import app.knuckle.figures.scene.Mark;
import app.knuckle.figures.scene.Scene;
import app.knuckle.stats.summary.Summary;
import app.knuckle.study.cells.GroupSummary;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/** The shapes of groups, side by side on one scale. */
class ShapesLayoutTest {

  /** A normal curve may be seen a little beside its group's bars. */
  private static final double SLACK = 24;

  private static List<SpreadPicture.Group> groups(int k, Random random) {
    List<SpreadPicture.Group> groups = new ArrayList<>();
    double scale = Math.pow(10, random.nextInt(9) - 4);
    for (int g = 0; g < k; g++) {
      double[] values = new double[random.nextInt(20)];
      for (int i = 0; i < values.length; i++) {
        values[i] = scale * Math.rint(10 * (g + random.nextGaussian())) / 10;
      }
      String name = Pictures.NAMES.get(random.nextInt(Pictures.NAMES.size()));
      groups.add(group(name, values));
    }
    return groups;
  }

  private static SpreadPicture.Group group(String name, double... values) {
    return new SpreadPicture.Group(
        name,
        values,
        IntStream.range(0, values.length).toArray(),
        new GroupSummary(Map.of("feed", name), Summary.of(values, 0.05)));
  }

  @Property(tries = 200)
  void everyShapeStaysInItsPanel(
      @ForAll @IntRange(min = 1, max = 14) int k,
      @ForAll Shapes.Kind kind,
      @ForAll @IntRange(min = 1, max = 80) int bins,
      @ForAll long seed) {
    List<SpreadPicture.Group> groups = groups(k, new Random(seed));
    Scene scene = ShapesLayout.of(new Shapes(groups, "growth (mm)", kind, bins), 640, 420);
    Pictures.inside(scene, SLACK);
    int values = groups.stream().mapToInt(g -> g.values().length).sum();
    if (kind == Shapes.Kind.STACKS) {
      assertThat(Pictures.marks(scene, Mark.Dot.class)).as("a dot a value").hasSize(values);
    }
    if (kind != Shapes.Kind.HISTOGRAM) {
      assertThat(Pictures.marks(scene, Mark.Bar.class)).isEmpty();
    }
  }

  /** Counts from the heights: bars are as high as many values they hold, in every panel alike. */
  @Property(tries = 100)
  void barsOfAHistogramHoldAllValues(
      @ForAll @IntRange(min = 1, max = 6) int k,
      @ForAll @IntRange(min = 3, max = 30) int bins,
      @ForAll long seed) {
    List<SpreadPicture.Group> groups = groups(k, new Random(seed));
    Shapes shapes = new Shapes(groups, "growth (mm)", Shapes.Kind.HISTOGRAM, bins);
    Map<Integer, Double> heights = new HashMap<>();
    Pictures.marks(ShapesLayout.of(shapes, 640, 420), Mark.Bar.class)
        .forEach(bar -> heights.merge(bar.group(), bar.height(), Double::sum));
    double one = Double.NaN;
    for (int g = 0; g < k; g++) {
      int n = groups.get(g).values().length;
      assertThat(heights.containsKey(g)).isEqualTo(n > 0);
      if (n > 0) {
        one = Double.isNaN(one) ? heights.get(g) / n : one;
        assertThat(heights.get(g)).isCloseTo(n * one, within(1e-6 * n * one));
      }
    }
  }

  @Test
  void dotsOfOneBinStandOnEachOther() {
    Shapes shapes = new Shapes(List.of(group("kelp", 1, 1, 1, 9)), "rate", Shapes.Kind.STACKS, 10);
    List<Mark.Dot> dots = Pictures.marks(ShapesLayout.of(shapes, 300, 200), Mark.Dot.class);
    assertThat(dots.subList(0, 3).stream().map(Mark.Dot::x).distinct()).hasSize(1);
    for (int i = 1; i < 3; i++) {
      double apart = dots.get(i - 1).y() - dots.get(i).y();
      assertThat(apart).isCloseTo(2 * dots.get(i).radius(), within(1e-9));
    }
    assertThat(dots.get(3).x()).isGreaterThan(dots.get(0).x());
    assertThat(dots.get(3).y()).isEqualTo(dots.get(0).y());
  }

  /** The area under a density is 1, and under a normal curve as many values as there are. */
  @Test
  void aDensityHasTheAreaOfOneGroup() {
    double[] few = {2, 3, 3.5, 4, 4.2, 5, 6};
    double[] many = IntStream.range(0, 70).mapToDouble(i -> few[i % 7]).toArray();
    double[] areas = new double[2];
    for (int i = 0; i < 2; i++) {
      Shapes shapes =
          new Shapes(
              List.of(group("few", few), group("many", many)),
              "x",
              Shapes.Kind.DENSITY,
              10); // Panels are 320 wide at most.
      List<Mark.Line> lines = Pictures.marks(ShapesLayout.of(shapes, 800, 300), Mark.Line.class);
      int own = i;
      double base = lines.stream().mapToDouble(Mark.Line::y1).max().orElseThrow();
      areas[i] =
          lines.stream()
              .filter(l -> l.width() == 1.2 && (l.x1() < 332) == (own == 0))
              .mapToDouble(l -> (l.x2() - l.x1()) * (base - (l.y1() + l.y2()) / 2))
              .sum();
    }
    // The kernel of few values is wider than the scale: a little of it is cut.
    assertThat(areas[0]).isCloseTo(areas[1], within(0.2 * areas[1]));
  }

  @Test
  void groupsWithoutValuesOrSpreadHaveNoCurve() {
    for (Shapes.Kind kind : Shapes.Kind.values()) {
      List<SpreadPicture.Group> groups = List.of(group("none"), group("same", 2, 2, 2));
      Scene scene = ShapesLayout.of(new Shapes(groups, "x", kind, 10), 400, 200);
      Pictures.inside(scene, SLACK);
      assertThat(Pictures.marks(scene, Mark.Line.class)).noneMatch(l -> l.width() == 1.2);
    }
  }
}
