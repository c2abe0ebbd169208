package app.knuckle.desktop.test;

import app.knuckle.stats.Quantity;
import app.knuckle.stats.compare.Direction;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleUnaryOperator;
import org.apache.commons.statistics.distribution.ChiSquaredDistribution;
import org.apache.commons.statistics.distribution.ContinuousDistribution;
import org.apache.commons.statistics.distribution.FDistribution;
import org.apache.commons.statistics.distribution.TDistribution;

/**
 * Where a statistic falls on the curve that it would follow if nothing differed.
 *
 * @param points of the curve; both coordinates from 0 to 1
 * @param zero place of 0
 * @param tails places of the critical values: the tail beyond each is filled
 * @param at place of the statistic
 * @param text the statistic
 * @param beyond whether it lies beyond the picture
 */
public record LawCurve(
    List<Point> points, double zero, List<Tail> tails, double at, String text, boolean beyond) {

  private static final int STEPS = 160;

  /** The curve is drawn to where this share of it is left. */
  private static final double THIN = 1e-3;

  /** A statistic this many times as far out as the curve is told at the edge. */
  private static final double FAR = 2;

  public LawCurve {
    points = List.copyOf(points);
    tails = List.copyOf(tails);
  }

  /**
   * A point of the curve.
   *
   * @param x from 0 to 1
   * @param height from 0 to 1
   */
  public record Point(double x, double height) {}

  /**
   * A critical value.
   *
   * @param at its place
   * @param text its value
   * @param above whether the tail lies to its right
   */
  public record Tail(double at, String text, boolean above) {}

  /** F against its distribution; null if there is no F. */
  static LawCurve ofF(Quantity f, double df, double errorDf, double alpha) {
    if (!f.exists()) {
      return null;
    }
    return above(FDistribution.of(df, errorDf), "F", f.value(), df < 2, alpha);
  }

  /**
   * F against how often each F occurred among rearrangements; null if there is no F.
   *
   * @param width of the bins
   * @param counts one a bin, the last of what lies beyond
   */
  static LawCurve ofCounts(Quantity f, double width, List<Double> counts, double alpha) {
    if (!f.exists()) {
      return null;
    }
    int bins = counts.size() - 1;
    double all = counts.stream().mapToDouble(Double::doubleValue).sum();
    double highest =
        counts.subList(0, bins).stream().mapToDouble(Double::doubleValue).max().orElse(1);
    List<Point> points = new ArrayList<>();
    double left = 0;
    int critical = bins;
    for (int b = bins; b > 0 && left + counts.get(b) <= alpha * all; b--) {
      left += counts.get(b);
      critical = b;
    }
    for (int b = 0; b < bins; b++) {
      double height = counts.get(b) / highest;
      points.add(new Point((double) b / bins, height));
      points.add(new Point((b + 1.0) / bins, height));
    }
    double end = width * bins;
    boolean beyond = f.value() > end;
    return new LawCurve(
        points,
        0,
        List.of(new Tail((double) critical / bins, Numerals.fixed(critical * width, 2), true)),
        beyond ? 1 : f.value() / end,
        "F = " + Numerals.fixed(f, 2),
        beyond);
  }

  /** t against its distribution, with the tails of the direction that is asked; null without t. */
  static LawCurve ofT(Quantity t, Quantity df, Direction direction, double alpha) {
    if (!t.exists() || !df.exists()) {
      return null;
    }
    TDistribution law = TDistribution.of(df.value());
    boolean either = direction == Direction.EITHER;
    double critical = law.inverseSurvivalProbability(either ? alpha / 2 : alpha);
    double usual = Math.max(1.4 * critical, Math.min(8, law.inverseSurvivalProbability(THIN)));
    double size = Math.abs(t.value());
    boolean beyond = size > FAR * usual;
    double end = beyond ? usual * 1.25 : Math.max(usual, 1.15 * size);
    List<Tail> tails = new ArrayList<>();
    if (direction != Direction.GREATER) {
      tails.add(new Tail(place(-critical, end), Numerals.fixed(-critical, 2), false));
    }
    if (direction != Direction.LESS) {
      tails.add(new Tail(place(critical, end), Numerals.fixed(critical, 2), true));
    }
    return new LawCurve(
        points(law::density, -end, end, false),
        0.5,
        tails,
        beyond ? (t.value() > 0 ? 1 : 0) : place(t.value(), end),
        "t = " + Numerals.fixed(t, 2),
        beyond);
  }

  /** A statistic against chi-squared; null if there is none. */
  static LawCurve ofChiSquared(String name, Quantity statistic, double df, double alpha) {
    if (!statistic.exists()) {
      return null;
    }
    return above(ChiSquaredDistribution.of(df), name, statistic.value(), df < 2, alpha);
  }

  /** A statistic against the upper tail of a law that begins at 0. */
  private static LawCurve above(
      ContinuousDistribution law, String name, double value, boolean endless, double alpha) {
    double critical = law.inverseSurvivalProbability(alpha);
    double usual = Math.max(1.6 * critical, law.inverseSurvivalProbability(Math.min(alpha, THIN)));
    boolean beyond = value > FAR * usual;
    double end = beyond ? usual * 1.25 : Math.max(usual, 1.15 * value);
    return new LawCurve(
        points(law::density, 0, end, endless),
        0,
        List.of(new Tail(critical / end, Numerals.fixed(critical, 2), true)),
        beyond ? 1 : value / end,
        name + " = " + Numerals.fixed(value, 2),
        beyond);
  }

  /** z against the normal distribution, with the tails of the direction that is asked. */
  static LawCurve ofZ(Quantity z, Direction direction, double alpha) {
    LawCurve curve = ofT(z, Quantity.of(NEARLY_NORMAL), direction, alpha);
    return curve == null
        ? null
        : new LawCurve(
            curve.points,
            curve.zero,
            curve.tails,
            curve.at,
            "z = " + Numerals.fixed(z, 2),
            curve.beyond);
  }

  /** With so many degrees of freedom t is normal to all digits that are shown. */
  private static final double NEARLY_NORMAL = 1e7;

  private static double place(double x, double end) {
    return (x + end) / (2 * end);
  }

  private static List<Point> points(
      DoubleUnaryOperator density, double from, double to, boolean endless) {
    double[] heights = new double[STEPS + 1];
    double highest = 0;
    for (int i = 0; i <= STEPS; i++) {
      // The density of F(1, .) is endless at 0, so the curve begins a little beside it.
      double step = endless && i == 0 ? 0.25 : i;
      heights[i] = density.applyAsDouble(from + (to - from) * step / STEPS);
      highest = endless && i == 0 ? highest : Math.max(highest, heights[i]);
    }
    List<Point> points = new ArrayList<>();
    for (int i = 0; i <= STEPS; i++) {
      points.add(new Point((double) i / STEPS, Math.min(1, heights[i] / highest)));
    }
    return points;
  }
}
