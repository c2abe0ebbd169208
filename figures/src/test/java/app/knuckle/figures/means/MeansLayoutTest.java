package app.knuckle.figures.means;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.figures.scene.Ink;
import app.knuckle.figures.scene.Mark;
import app.knuckle.figures.scene.Scene;
import app.knuckle.figures.scene.Type;
import app.knuckle.figures.style.Arrangement;
import app.knuckle.figures.style.Form;
import app.knuckle.figures.style.Palette;
import app.knuckle.figures.style.Paper;
import app.knuckle.figures.style.Shown;
import app.knuckle.figures.style.Style;
import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.summary.Summary;
import app.knuckle.study.findings.Reach;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/** Nothing in a figure collides or is cut, whatever it shows. */
class MeansLayoutTest {

  private static final String[] NAMES = {
    "Paste",
    "Pavlo mix",
    "Diatom C in a long bag",
    "x",
    "Kelp-dust-with-no-blank-anywhere-in-it",
    "North channel upper rack, shaded side"
  };

  private static MeansFigure figure(int k, Form form, boolean negative, long seed) {
    return figure(k, form, negative, seed, Shown.Above.LETTERS);
  }

  private static MeansFigure figure(
      int k, Form form, boolean negative, long seed, Shown.Above above) {
    Random random = new Random(seed);
    double scale = Math.pow(10, random.nextInt(13) - 6);
    int colours = 1 + random.nextInt(4); // One colour stands for groups that are not clustered.
    boolean clustered = colours > 1 && k >= colours;
    int clusters = clustered ? (k - 1) / colours + 1 : 0;
    int inPanel = 1 + random.nextInt(3);
    boolean panelled = clustered && clusters > inPanel && random.nextBoolean();
    List<MeansFigure.Group> groups = new ArrayList<>();
    for (int g = 0; g < k; g++) {
      double mean = scale * (5 + random.nextGaussian()) * (negative && g % 2 == 0 ? -1 : 1);
      double[] values = new double[1 + random.nextInt(12)];
      int[] rows = new int[values.length];
      for (int i = 0; i < values.length; i++) {
        values[i] = mean + scale * random.nextGaussian();
        rows[i] = i;
      }
      Quantity half =
          random.nextInt(6) == 0
              ? Quantity.absent(Absence.ONE_VALUE)
              : Quantity.of(scale * random.nextDouble());
      groups.add(
          new MeansFigure.Group(
              NAMES[random.nextInt(NAMES.length)],
              "group " + g,
              mean,
              new Reach(half, half.map(h -> 2 * h)),
              "abcdef".substring(0, 1 + random.nextInt(6)),
              values,
              rows,
              Summary.of(values, 0.05),
              values.length,
              clustered ? g / colours : 0,
              clustered ? g % colours : -1,
              panelled ? g / colours / inPanel : 0));
    }
    List<MeansFigure.Bracket> brackets = new ArrayList<>();
    for (int b = 0; above == Shown.Above.BRACKETS && b < 4; b++) {
      int left = random.nextInt(k - 1);
      int right = left + 1 + random.nextInt(k - left - 1);
      brackets.add(new MeansFigure.Bracket(left, right, "p = .0" + (10 + random.nextInt(80))));
    }
    return new MeansFigure(
        groups,
        names(clusters, random),
        panelled ? names((clusters - 1) / inPanel + 1, random) : List.of(),
        clustered ? Stream.of(NAMES).limit(colours).toList() : List.of(),
        random.nextBoolean()
            ? "Growth (mm)"
            : "Clearance of the water column by adult oysters (L/h)",
        "Feed",
        random.nextBoolean() ? "" : "Clearance differs between feeds, F(5, 66) = 4.2, p = .002.",
        brackets,
        random.nextBoolean() ? Quantity.of(scale) : Quantity.absent(Absence.NOT_WISHED),
        List.of(),
        style(form, above, random),
        "");
  }

  private static List<String> names(int count, Random random) {
    return IntStream.range(0, count).mapToObj(c -> NAMES[random.nextInt(NAMES.length)]).toList();
  }

  /** Distances of ticks as people type them, too far apart and too near among them. */
  private static final double[] STEPS = {Double.NaN, Double.NaN, 1, 1e9, 1e-9, -1};

  /** Any way to show it, on paper not too small for what is asked. */
  private static Style style(Form form, Shown.Above above, Random random) {
    double width = 60 + random.nextInt(200);
    Style usual = Style.usual(1).with(form).with(new Paper(width, width * 0.75, 8));
    return usual
        .with(
            usual
                .shown()
                .with(above)
                .counts(random.nextBoolean())
                .criticalBar(true)
                .reference(random.nextInt(3) == 0 ? 1 : Double.NaN))
        .with(
            usual
                .scale()
                .logarithmic(random.nextInt(3) == 0)
                .limits(Double.NaN, Double.NaN, STEPS[random.nextInt(STEPS.length)]))
        .with(usual.arrangement().with(Arrangement.Order.values()[random.nextInt(3)]))
        .with(Palette.values()[random.nextInt(3)], random.nextBoolean());
  }

  @Provide
  Arbitrary<Form> ofGroups() {
    return Arbitraries.of(Arrays.stream(Form.values()).filter(Form::isOfGroups).toList());
  }

  @Property(tries = 300)
  void noTextCollidesAndNothingIsCut(
      @ForAll @IntRange(min = 2, max = 20) int k,
      @ForAll("ofGroups") Form form,
      @ForAll boolean negative,
      @ForAll Shown.Above above,
      @ForAll long seed) {
    Scene scene = MeansLayout.of(figure(k, form, negative, seed, above));
    Rectangle2D page =
        new Rectangle2D.Double(-0.01, -0.01, scene.width() + 0.02, scene.height() + 0.02);
    for (Mark mark : scene.marks()) {
      assertThat(page.contains(mark.box().getX(), mark.box().getY()))
          .as("start of %s", mark)
          .isTrue();
      assertThat(page.contains(mark.box().getMaxX(), mark.box().getMaxY()))
          .as("end of %s", mark)
          .isTrue();
    }
    List<Mark.Label> labels = labels(scene).toList();
    for (int i = 0; i < labels.size(); i++) {
      for (int j = i + 1; j < labels.size(); j++) {
        assertThat(overlap(labels.get(i), labels.get(j)))
            .as("%s over %s", labels.get(i), labels.get(j))
            .isFalse();
      }
    }
  }

  @Property(tries = 200)
  void lettersStandClearOfWhiskersBarsAndValues(
      @ForAll @IntRange(min = 2, max = 20) int k,
      @ForAll("ofGroups") Form form,
      @ForAll boolean negative,
      @ForAll long seed) {
    Scene scene = MeansLayout.of(figure(k, form, negative, seed));
    List<Mark.Label> letters = labels(scene).filter(l -> l.role() == Mark.Role.LETTERS).toList();
    assertThat(letters).hasSize(k);
    for (Mark.Label letter : letters) {
      for (Mark mark : scene.marks()) {
        boolean halo = mark instanceof Mark.Bar bar && bar.fill() == Ink.PAPER;
        boolean solid = mark instanceof Mark.Bar && !halo || mark instanceof Mark.Dot;
        boolean whisker = mark instanceof Mark.Line line && line.width() == 0.9;
        if (solid || whisker) {
          assertThat(overlap(letter, mark)).as("%s over %s", letter, mark).isFalse();
        }
      }
    }
  }

  private static Stream<Mark.Label> labels(Scene scene) {
    return scene.marks().stream().filter(Mark.Label.class::isInstance).map(Mark.Label.class::cast);
  }

  /** Boxes share an area beyond rounding; a line of text has its air above and below. */
  private static boolean overlap(Mark a, Mark b) {
    Rectangle2D common = a.box().createIntersection(b.box());
    return common.getWidth() > 0.05 && common.getHeight() > 0.05;
  }

  @Test
  void barsBeginAtZeroAndPointsNeedNot() {
    MeansFigure bars = figure(3, Form.BARS, false, 7);
    double base =
        MeansLayout.of(bars).marks().stream()
            .filter(m -> m instanceof Mark.Bar bar && bar.group() != Mark.NONE)
            .mapToDouble(m -> m.box().getMaxY())
            .distinct()
            .count();
    assertThat(base).as("all bars stand on one line").isEqualTo(1);
  }

  @Test
  void theTypeCoversWhatPicturesSay() {
    assertThat(Type.covers("± − × ² · α η ω … g/m² mg/L °C µm ÷ →")).isTrue();
  }
}
