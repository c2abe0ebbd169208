package app.knuckle.figures.spread;

import app.knuckle.figures.scene.Face;
import app.knuckle.figures.scene.Ink;
import app.knuckle.figures.scene.Mark;
import app.knuckle.figures.scene.Scene;
import app.knuckle.figures.scene.Type;
import app.knuckle.figures.scene.ValueAxis;
import app.knuckle.stats.summary.Summary;
import app.knuckle.study.look.Frequencies;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.DoubleUnaryOperator;

/** Lays out the shapes of groups as small multiples on one scale. */
public final class ShapesLayout {

  private static final double SIZE = 11;
  private static final double GAP = 8;
  private static final double WIDEST = 320;
  private static final int CURVE = 80;
  private static final double TICK_SPACE = 60;
  private static final double MOST_RADIUS = 5;

  /** A normal curve, or a kernel, is nothing beyond so many deviations. */
  private static final double REACH = 4;

  private ShapesLayout() {}

  /**
   * Lays out the pictures.
   *
   * @param shapes of one group or more
   * @param width in points
   * @param height in points
   * @return the scene
   */
  public static Scene of(Shapes shapes, double width, double height) {
    List<Mark> marks = new ArrayList<>();
    int k = shapes.groups().size();
    double line = Type.height(SIZE);
    int columns = (int) Math.max(1, Math.min(k, Math.ceil(Math.sqrt(k * width / (height * 1.8)))));
    int rows = (k + columns - 1) / columns;
    double wide = Math.min(WIDEST, (width - GAP * (columns + 1)) / columns);
    double tall = (height - line - GAP * (rows + 1)) / rows;
    double[] all =
        shapes.groups().stream().flatMapToDouble(g -> Arrays.stream(g.values())).toArray();
    double[] edges = shapes.counted() == null ? null : shapes.counted().edges();
    double min = Arrays.stream(all).min().orElse(0);
    double max = Arrays.stream(all).max().orElse(1);
    if (edges != null) {
      min = Math.min(min, edges[0]);
      max = Math.max(max, edges[edges.length - 1]);
    }
    ValueAxis axis = ValueAxis.holding(min, max, false, (int) Math.max(2, wide / TICK_SPACE));
    double highest = 0;
    List<double[]> counts = new ArrayList<>();
    List<DoubleUnaryOperator> curves = new ArrayList<>();
    double bin = edges == null ? (axis.high() - axis.low()) / shapes.bins() : narrowest(edges);
    for (SpreadPicture.Group g : shapes.groups()) {
      double[] own =
          shapes.kind() == Shapes.Kind.DENSITY
              ? new double[0]
              : edges == null
                  ? counts(g.values(), axis, shapes.bins())
                  : heights(shapes.counted(), counts.size(), bin);
      DoubleUnaryOperator curve =
          switch (shapes.kind()) {
            case HISTOGRAM -> normal(g, bin);
            case DENSITY -> density(g.values());
            case STACKS -> null;
          };
      counts.add(own);
      curves.add(curve);
      highest = Math.max(highest, Arrays.stream(own).max().orElse(0));
      for (int i = 0; i <= CURVE && curve != null; i++) {
        double x = axis.low() + (axis.high() - axis.low()) * i / CURVE;
        highest = Math.max(highest, curve.applyAsDouble(x));
      }
    }
    for (int g = 0; g < k; g++) {
      double left = GAP + g % columns * (wide + GAP);
      double top = GAP + g / columns * (tall + GAP);
      new Panel(marks, axis, highest, edges, left, top, wide, tall)
          .draw(
              shapes.groups().get(g),
              counts.get(g),
              curves.get(g),
              shapes.kind() == Shapes.Kind.STACKS,
              g);
    }
    marks.add(
        label(
            shapes.valueTitle(),
            Math.min(width, columns * (wide + GAP)) / 2,
            height - line / 2,
            Face.REGULAR,
            Ink.MUTED));
    return new Scene(width, height, marks);
  }

  /** The place of one group, on the axes that all have in common. */
  private record Panel(
      List<Mark> marks,
      ValueAxis axis,
      double highest,
      double[] edges,
      double left,
      double top,
      double wide,
      double tall) {

    void draw(
        SpreadPicture.Group group,
        double[] counts,
        DoubleUnaryOperator curve,
        boolean stacked,
        int index) {
      double line = Type.height(SIZE);
      double base = top + tall - line - 2;
      double head = top + line + 2;
      double right = left + wide;
      String name =
          Type.shorten(group.name() + ", n = " + group.values().length, Face.STRONG, SIZE, wide);
      marks.add(
          label(
              name,
              left + Type.width(name, Face.STRONG, SIZE) / 2,
              top + line / 2,
              Face.STRONG,
              Ink.DARK));
      double up = highest > 0 ? (base - head) / highest : 0;
      double bin = wide / Math.max(1, counts.length);
      if (stacked) {
        stacks(group, counts.length, base, up, index);
      }
      for (int b = 0; b < counts.length && !stacked; b++) {
        if (counts[b] > 0) {
          double h = counts[b] * up;
          double from = edges == null ? left + b * bin : axis.place(edges[b], left, right);
          double to = edges == null ? from + bin : axis.place(edges[b + 1], left, right);
          marks.add(new Mark.Bar(from, base - h, to - from, h, Ink.TIDE, Ink.PAPER, index));
        }
      }
      for (int i = 1; i <= CURVE && curve != null; i++) {
        double a = axis.low() + (axis.high() - axis.low()) * (i - 1) / CURVE;
        double b = axis.low() + (axis.high() - axis.low()) * i / CURVE;
        marks.add(
            new Mark.Line(
                axis.place(a, left, right),
                base - curve.applyAsDouble(a) * up,
                axis.place(b, left, right),
                base - curve.applyAsDouble(b) * up,
                1.2,
                counts.length > 0 ? Ink.DARK : Ink.DEEP));
      }
      if (counts.length == 0) {
        for (double v : group.values()) {
          double x = axis.place(v, left, right);
          marks.add(new Mark.Line(x, base, x, base - 4, 0.8, Ink.MUTED));
        }
      }
      marks.add(new Mark.Line(left, base, right, base, 0.8, Ink.MUTED));
      for (double tick : axis.ticks()) {
        String text = axis.text(tick);
        double half = Type.width(text, Face.REGULAR, SIZE) / 2;
        double x = axis.place(tick, left, right);
        if (x - half >= left - GAP && x + half <= right + GAP) {
          marks.add(label(text, x, base + 2 + line / 2, Face.REGULAR, Ink.MUTED));
        }
      }
    }

    /** A dot a row, from the base upward, as large as the room and the highest stack allow. */
    private void stacks(SpreadPicture.Group group, int bins, double base, double up, int index) {
      double bin = wide / Math.max(1, bins);
      double radius = Math.min(MOST_RADIUS, Math.min(bin, up) / 2);
      int[] stacked = new int[bins];
      for (int i = 0; i < group.values().length; i++) {
        int b = binOf(group.values()[i], axis, bins);
        double y = base - radius - 2 * radius * stacked[b]++;
        double x = left + (b + 0.5) * bin;
        marks.add(new Mark.Dot(x, y, radius, Ink.DEEP, Ink.PAPER, index, group.rows()[i]));
      }
    }
  }

  private static double narrowest(double[] edges) {
    double least = Double.POSITIVE_INFINITY;
    for (int e = 1; e < edges.length; e++) {
      least = Math.min(least, edges[e] - edges[e - 1]);
    }
    return least;
  }

  /** Bars whose areas are as the counts: as high as the counts where all bins are of one width. */
  private static double[] heights(Frequencies counted, int group, double narrowest) {
    int[] counts = counted.counts()[group];
    double[] edges = counted.edges();
    double[] heights = new double[counts.length];
    Arrays.setAll(heights, b -> counts[b] * narrowest / (edges[b + 1] - edges[b]));
    return heights;
  }

  private static int binOf(double value, ValueAxis axis, int bins) {
    return (int) Math.min(bins - 1.0, axis.place(value, 0, bins));
  }

  private static double[] counts(double[] values, ValueAxis axis, int bins) {
    double[] counts = new double[bins];
    for (double v : values) {
      counts[binOf(v, axis, bins)]++;
    }
    return counts;
  }

  /** The normal curve of the group's mean and SD, in counts a bin; null if there is no spread. */
  private static DoubleUnaryOperator normal(SpreadPicture.Group group, double bin) {
    Summary s = group.summary().summary();
    if (!s.sd().exists() || !(s.sd().value() > 0)) {
      return null;
    }
    double mean = s.mean().value();
    double sd = s.sd().value();
    double top = s.n() * bin / (sd * Math.sqrt(2 * Math.PI));
    return x -> Math.abs(x - mean) > REACH * sd ? 0 : top * Math.exp(-0.5 * sq((x - mean) / sd));
  }

  /** A normal kernel with Silverman's (1986, equation 3.31) width; null of fewer than 3 values. */
  private static DoubleUnaryOperator density(double[] values) {
    double[] x = values.clone();
    Arrays.sort(x);
    int n = x.length;
    double mean = Arrays.stream(x).average().orElse(0);
    double sd = n < 2 ? 0 : Math.sqrt(Arrays.stream(x).map(v -> sq(v - mean)).sum() / (n - 1));
    double quartiles = n < 4 ? Double.NaN : (x[(3 * n) / 4] - x[n / 4]) / 1.34;
    double spread = quartiles > 0 ? Math.min(sd, quartiles) : sd;
    if (n < 3 || !(spread > 0)) {
      return null;
    }
    double width = 0.9 * spread * Math.pow(n, -0.2);
    double scale = 1 / (n * width * Math.sqrt(2 * Math.PI));
    return at -> {
      double sum = 0;
      int from = Arrays.binarySearch(x, at - REACH * width);
      for (int i = from < 0 ? -from - 1 : from; i < n && x[i] <= at + REACH * width; i++) {
        sum += Math.exp(-0.5 * sq((at - x[i]) / width));
      }
      return sum * scale;
    };
  }

  private static double sq(double x) {
    return x * x;
  }

  private static Mark.Label label(String text, double x, double y, Face face, Ink ink) {
    return Mark.Label.of(text, x, y, SIZE, face, ink, false, Mark.Role.TICK);
  }
}
