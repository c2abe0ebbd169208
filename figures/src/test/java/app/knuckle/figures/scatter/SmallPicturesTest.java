package app.knuckle.figures.scatter;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.figures.Pictures;
import app.knuckle.figures.scene.Ink;
import app.knuckle.figures.scene.Mark;
import app.knuckle.figures.scene.Scene;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;

/**
 * Pictures of checks keep inside their page, and their labels off each other, whatever they show.
 */
class SmallPicturesTest {

  /** Text may stand out by half a tick's number where an axis ends. */
  private static final double SLACK = 24;

  @Property(tries = 100)
  void barsStandOnOneLineAndAreAsHighAsTheirValues(
      @ForAll @IntRange(min = 1, max = 40) int k, @ForAll long seed) {
    Random random = new Random(seed);
    double[] heights = random.doubles(k, 0.1, 5).toArray();
    Scene scene =
        BarsLayout.of(new Bars(names(k, random), heights, new boolean[k], "SD"), 320, 150);
    Pictures.inside(scene, SLACK);
    List<Mark.Bar> bars = Pictures.marks(scene, Mark.Bar.class);
    assertThat(bars).hasSize(k);
    for (int i = 1; i < k; i++) {
      Mark.Bar a = bars.get(i - 1);
      Mark.Bar b = bars.get(i);
      assertThat(a.y() + a.height())
          .isCloseTo(b.y() + b.height(), org.assertj.core.data.Offset.offset(1e-9));
      assertThat(Double.compare(heights[i - 1], heights[i]))
          .isEqualTo(Double.compare(a.height(), b.height()));
    }
  }

  @Property(tries = 100)
  void pointsLieInTheOrderOfTheirValues(
      @ForAll @IntRange(min = 2, max = 80) int n, @ForAll long seed) {
    Random random = new Random(seed);
    double scale = Math.pow(10, random.nextInt(9) - 4);
    List<Scatter.Point> points = new ArrayList<>();
    for (int i = 0; i < n; i++) {
      points.add(new Scatter.Point(i * scale, random.nextGaussian() * scale, Ink.DEEP, i));
    }
    Scene scene = ScatterLayout.of(new Scatter(points, List.of(), "row", "residual"), 320, 150);
    Pictures.inside(scene, SLACK);
    List<Mark.Dot> dots = Pictures.marks(scene, Mark.Dot.class);
    for (int i = 1; i < n; i++) {
      assertThat(dots.get(i).x()).isGreaterThan(dots.get(i - 1).x());
      boolean above = points.get(i).y() > points.get(i - 1).y();
      assertThat(dots.get(i).y() < dots.get(i - 1).y()).isEqualTo(above);
    }
  }

  @Property(tries = 100)
  void intervalsCrossZeroOnlyIfTheirLimitsDo(
      @ForAll @IntRange(min = 1, max = 60) int k, @ForAll long seed) {
    Random random = new Random(seed);
    List<String> names = names(k, random);
    List<Intervals.Row> rows = new ArrayList<>();
    for (int i = 0; i < k; i++) {
      double middle = random.nextGaussian() * 3;
      double half = 0.2 + random.nextDouble();
      rows.add(
          new Intervals.Row(
              names.get(i), middle - half, middle, middle + half, half < Math.abs(middle)));
    }
    Scene scene = IntervalsLayout.of(new Intervals(rows, "difference (mm)"), 420);
    Pictures.inside(scene, SLACK);
    double zero =
        scene.marks().stream()
            .filter(m -> m instanceof Mark.Line l && l.ink() == Ink.DARK)
            .mapToDouble(m -> ((Mark.Line) m).x1())
            .findFirst()
            .orElseThrow();
    List<Mark.Line> spans =
        scene.marks().stream()
            .filter(m -> m instanceof Mark.Line l && l.y1() == l.y2() && l.ink() != Ink.FAINT)
            .map(m -> (Mark.Line) m)
            .toList();
    assertThat(spans).hasSize(k);
    for (int i = 0; i < k; i++) {
      boolean crosses = spans.get(i).x1() < zero && spans.get(i).x2() > zero;
      assertThat(crosses).isEqualTo(!rows.get(i).differs());
    }
  }

  private static List<String> names(int k, Random random) {
    List<String> names = new ArrayList<>();
    for (int i = 0; i < k; i++) {
      names.add(Pictures.NAMES.get(random.nextInt(Pictures.NAMES.size())));
    }
    return names;
  }
}
