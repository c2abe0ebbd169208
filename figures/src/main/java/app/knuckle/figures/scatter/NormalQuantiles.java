package app.knuckle.figures.scatter;

import app.knuckle.figures.scene.Ink;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.function.IntUnaryOperator;
import java.util.stream.IntStream;
import org.apache.commons.statistics.distribution.NormalDistribution;

/**
 * Ordered values against normal quantiles (Blom 1958), with a line and a 95% band about it.
 *
 * @see "Band: order statistics, David, H. A. and Nagaraja, H. N. (2003). Order Statistics, 3rd ed.,
 *     chapter 10"
 */
public final class NormalQuantiles {

  private static final NormalDistribution NORMAL = NormalDistribution.of(0, 1);

  /** More points than this are thinned out, evenly, so that a card is drawn at once. */
  private static final int MOST_POINTS = 1500;

  /** Half the width of the band, in standard errors. */
  private static final double BAND = NORMAL.inverseSurvivalProbability(0.025);

  private NormalQuantiles() {}

  /**
   * The picture of deviations from 0.
   *
   * @param deviations such as residuals
   * @param rowOf the row of the table behind each
   * @param title of the values
   * @return the picture
   */
  public static Scatter ofDeviations(double[] deviations, IntUnaryOperator rowOf, String title) {
    double squares = Arrays.stream(deviations).map(x -> x * x).sum();
    return of(deviations, 0, Math.sqrt(squares / Math.max(1, deviations.length - 1)), rowOf, title);
  }

  /**
   * The picture of values.
   *
   * @param values finite
   * @param mean of them
   * @param sd of them; 0 for no line
   * @param rowOf the row of the table behind each
   * @param title of the values
   * @return the picture
   */
  public static Scatter of(
      double[] values, double mean, double sd, IntUnaryOperator rowOf, String title) {
    int n = values.length;
    Integer[] order = IntStream.range(0, n).boxed().toArray(Integer[]::new);
    Arrays.sort(order, Comparator.comparingDouble(i -> values[i]));
    List<Scatter.Point> points = new ArrayList<>();
    int step = Math.max(1, n / MOST_POINTS);
    List<double[]> band = new ArrayList<>();
    for (int i = 0; i < n; i++) {
      boolean edge = i < step || i >= n - step;
      if (i % step != 0 && !edge) {
        continue;
      }
      double p = (i + 1 - 0.375) / (n + 0.25);
      double z = NORMAL.inverseCumulativeProbability(p);
      points.add(new Scatter.Point(z, values[order[i]], Ink.DEEP, rowOf.applyAsInt(order[i])));
      double se = sd / NORMAL.density(z) * Math.sqrt(p * (1 - p) / n);
      band.add(new double[] {z, mean + sd * z, BAND * se});
    }
    List<Scatter.Path> lines = new ArrayList<>();
    if (sd > 0 && n > 2) {
      double[] xs = band.stream().mapToDouble(b -> b[0]).toArray();
      lines.add(path(xs, band.stream().mapToDouble(b -> b[1] + b[2]).toArray(), Ink.TIDE, 0.8));
      lines.add(path(xs, band.stream().mapToDouble(b -> b[1] - b[2]).toArray(), Ink.TIDE, 0.8));
      lines.add(path(xs, band.stream().mapToDouble(b -> b[1]).toArray(), Ink.MUTED, 1));
    }
    return new Scatter(points, lines, "normal quantile", title);
  }

  private static Scatter.Path path(double[] xs, double[] ys, Ink ink, double width) {
    return new Scatter.Path(xs, ys, ink, width);
  }
}
