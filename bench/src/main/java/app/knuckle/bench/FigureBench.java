package app.knuckle.bench;

import app.knuckle.figures.means.MeansFigure;
import app.knuckle.figures.means.MeansLayout;
import app.knuckle.figures.scene.Face;
import app.knuckle.figures.scene.Mark;
import app.knuckle.figures.scene.Painter;
import app.knuckle.figures.scene.Scene;
import app.knuckle.figures.scene.Type;
import app.knuckle.figures.style.Paper;
import app.knuckle.figures.style.Style;
import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.study.findings.Reach;
import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Font;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Line2D;
import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** A figure of 40 groups with 5,000 single values, painted, beside the same marks drawn barely. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
public class FigureBench {

  private static final int GROUPS = 40;
  private static final int VALUES = 125;

  private final MeansFigure figure = figure();
  private final Scene scene = MeansLayout.of(figure);
  private final BufferedImage image = new BufferedImage(1200, 800, BufferedImage.TYPE_INT_ARGB_PRE);

  private static MeansFigure figure() {
    Random random = new Random(5);
    List<MeansFigure.Group> groups = new ArrayList<>();
    for (int g = 0; g < GROUPS; g++) {
      double[] values = random.doubles(VALUES, 5, 15).toArray();
      int[] rows = IntStream.range(0, VALUES).toArray();
      String name = "Rack " + (g + 1);
      groups.add(
          new MeansFigure.Group(
              name,
              name,
              10,
              Reach.even(Quantity.of(0.3)),
              "abc",
              values,
              rows,
              null,
              VALUES,
              0,
              -1,
              0));
    }
    return new MeansFigure(
        groups,
        List.of(),
        List.of(),
        List.of(),
        "Growth (mm)",
        "Rack",
        "",
        List.of(),
        Quantity.absent(Absence.NOT_WISHED),
        List.of(),
        Style.usual(GROUPS).with(new Paper(400, 270, 8)),
        "");
  }

  private Graphics2D graphics() {
    Graphics2D g = image.createGraphics();
    g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
    g.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
    return g;
  }

  /** The painter of every screen and file. */
  @Benchmark
  public BufferedImage painted() {
    Graphics2D g = graphics();
    Painter.paint(scene, g);
    g.dispose();
    return image;
  }

  /** Laid out anew as well, as after a change of style. */
  @Benchmark
  public BufferedImage laidOutAndPainted() {
    Graphics2D g = graphics();
    Painter.paint(MeansLayout.of(figure), g);
    g.dispose();
    return image;
  }

  /** The baseline: the same marks with the calls that draw them and nothing else. */
  @Benchmark
  public BufferedImage drawnBarely() {
    Graphics2D g = graphics();
    Font font = Type.font(Face.REGULAR, 8);
    g.setFont(font);
    g.setColor(Color.DARK_GRAY);
    g.setStroke(new BasicStroke(1));
    for (Mark mark : scene.marks()) {
      if (mark instanceof Mark.Bar) {
        g.fill(mark.box());
      } else if (mark instanceof Mark.Dot dot) {
        double d = 2 * dot.radius();
        Ellipse2D circle =
            new Ellipse2D.Double(dot.x() - dot.radius(), dot.y() - dot.radius(), d, d);
        g.fill(circle);
        g.draw(circle);
      } else if (mark instanceof Mark.Line line) {
        g.draw(new Line2D.Double(line.x1(), line.y1(), line.x2(), line.y2()));
      } else if (mark instanceof Mark.Label label) {
        g.drawString(label.text(), (float) label.x(), (float) label.y());
      }
    }
    g.dispose();
    return image;
  }
}
