package app.knuckle.desktop.curve;

import app.knuckle.stats.Quantity;
import app.knuckle.stats.Significance;
import app.knuckle.stats.compare.Direction;
import app.knuckle.stats.families.Continuous;
import app.knuckle.stats.families.Discrete;
import app.knuckle.stats.families.Distribution;
import app.knuckle.stats.families.Tail;
import app.knuckle.stats.ranks.ExactDistribution;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.Collections;
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
 * @param origin where nothing differs
 * @param tails places of the critical values: the tail beyond each is filled
 * @param at place of the statistic
 * @param text the statistic
 * @param beyond whether it lies beyond the picture
 */
public record DistributionCurve(
    List<Point> points, Origin origin, List<Shaded> tails, double at, String text, boolean beyond) {

  private static final int STEPS = 160;

  /** The curve is drawn to where this share of it is left. */
  private static final double THIN = 1e-3;

  /**
   * The outermost values of a counted distribution are not drawn where all of them make less than
   * this.
   */
  private static final double UNSEEN = 1e-4;

  /** A statistic this many times as far out as the curve is drawn at the end of the axis. */
  private static final double FAR = 2;

  public DistributionCurve {
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
   * The value that is expected if nothing differs.
   *
   * @param at its place
   * @param text its value
   */
  public record Origin(double at, String text) {

    static final Origin LEFT = new Origin(0, "0");
    static final Origin MIDDLE = new Origin(0.5, "0");
  }

  /**
   * A critical value.
   *
   * @param at its place
   * @param text its value
   * @param above whether the tail lies to its right
   */
  public record Shaded(double at, String text, boolean above) {}

  /**
   * F against its distribution.
   *
   * @param f the ratio; may be absent
   * @param df of the effect
   * @param errorDf of the error
   * @param alpha level of significance
   * @return the curve; null if there is no F
   */
  public static DistributionCurve ofF(Quantity f, double df, double errorDf, double alpha) {
    if (!f.exists()) {
      return null;
    }
    return above(FDistribution.of(df, errorDf), "F", f.value(), df < 2, alpha);
  }

  /**
   * F against how often each F occurred among permutations.
   *
   * @param f the ratio; may be absent
   * @param width of the bins
   * @param counts one a bin, the last of what lies beyond
   * @param alpha level of significance
   * @return the curve; null if there is no F
   */
  public static DistributionCurve ofCounts(
      Quantity f, double width, List<Double> counts, double alpha) {
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
    return new DistributionCurve(
        points,
        Origin.LEFT,
        List.of(new Shaded((double) critical / bins, Numerals.fixed(critical * width, 2), true)),
        beyond ? 1 : f.value() / end,
        "F = " + Numerals.fixed(f, 2),
        beyond);
  }

  /**
   * A statistic on ranks against the distribution that was counted for it: a step for each value
   * that it can take.
   *
   * @param name letter of the statistic
   * @param statistic its value
   * @param distribution that was counted
   * @param direction that is asked about
   * @param alpha level of significance
   * @return the curve
   */
  public static DistributionCurve ofCounted(
      String name,
      double statistic,
      ExactDistribution distribution,
      Direction direction,
      double alpha) {
    List<Double> values = distribution.values();
    double mean = distribution.mean();
    int last = values.size() - 1;
    int below = -1;
    int above = values.size();
    double step = Double.POSITIVE_INFINITY;
    for (int i = 0; i <= last; i++) {
      boolean rare = Significance.reached(distribution.p(i, direction), alpha);
      below = rare && values.get(i) < mean ? i : below;
      above = rare && values.get(i) > mean ? Math.min(above, i) : above;
      step = i > 0 ? Math.min(step, values.get(i) - values.get(i - 1)) : step;
    }
    double half = Double.isFinite(step) ? step / 2 : 0.5;
    int first = 0;
    while (first < below
        && values.get(first) < statistic
        && distribution.p(first, Direction.LESS) < UNSEEN) {
      first++;
    }
    while (last > above
        && values.get(last) > statistic
        && distribution.p(last, Direction.GREATER) < UNSEEN) {
      last--;
    }
    double from = values.get(first) - half;
    double wide = values.get(last) + half - from;
    double highest = Collections.max(distribution.shares());
    List<Point> points = new ArrayList<>();
    for (int i = first; i <= last; i++) {
      double height = distribution.shares().get(i) / highest;
      points.add(new Point((values.get(i) - half - from) / wide, height));
      points.add(new Point((values.get(i) + half - from) / wide, height));
    }
    List<Shaded> tails = new ArrayList<>();
    if (below >= 0) {
      double at = values.get(below);
      tails.add(new Shaded((at + half - from) / wide, Numerals.plain(at), false));
    }
    if (above < values.size()) {
      double at = values.get(above);
      tails.add(new Shaded((at - half - from) / wide, Numerals.plain(at), true));
    }
    return new DistributionCurve(
        points,
        new Origin((mean - from) / wide, Numerals.plain(mean)),
        tails,
        (statistic - from) / wide,
        name + " = " + Numerals.plain(statistic),
        false);
  }

  /**
   * t against its distribution, with the tails of the direction that is asked.
   *
   * @param t may be absent
   * @param df may be absent
   * @param direction that is asked about
   * @param alpha level of significance
   * @return the curve; null without t
   */
  public static DistributionCurve ofT(Quantity t, Quantity df, Direction direction, double alpha) {
    if (!t.exists() || !df.exists()) {
      return null;
    }
    TDistribution distribution = TDistribution.of(df.value());
    boolean either = direction == Direction.EITHER;
    double critical = distribution.inverseSurvivalProbability(either ? alpha / 2 : alpha);
    double usual =
        Math.max(1.4 * critical, Math.min(8, distribution.inverseSurvivalProbability(THIN)));
    double size = Math.abs(t.value());
    boolean beyond = size > FAR * usual;
    double end = beyond ? usual * 1.25 : Math.max(usual, 1.15 * size);
    List<Shaded> tails = new ArrayList<>();
    if (direction != Direction.GREATER) {
      tails.add(new Shaded(place(-critical, end), Numerals.fixed(-critical, 2), false));
    }
    if (direction != Direction.LESS) {
      tails.add(new Shaded(place(critical, end), Numerals.fixed(critical, 2), true));
    }
    return new DistributionCurve(
        points(distribution::density, -end, end, false),
        Origin.MIDDLE,
        tails,
        beyond ? (t.value() > 0 ? 1 : 0) : place(t.value(), end),
        "t = " + Numerals.fixed(t, 2),
        beyond);
  }

  /**
   * A statistic against chi-squared.
   *
   * @param name letter of the statistic
   * @param statistic may be absent
   * @param df degrees of freedom
   * @param alpha level of significance
   * @return the curve; null if there is no statistic
   */
  public static DistributionCurve ofChiSquared(
      String name, Quantity statistic, double df, double alpha) {
    if (!statistic.exists()) {
      return null;
    }
    return above(ChiSquaredDistribution.of(df), name, statistic.value(), df < 2, alpha);
  }

  /** A statistic against the upper tail of a distribution that begins at 0. */
  private static DistributionCurve above(
      ContinuousDistribution distribution,
      String name,
      double value,
      boolean endless,
      double alpha) {
    double critical = distribution.inverseSurvivalProbability(alpha);
    double usual =
        Math.max(1.6 * critical, distribution.inverseSurvivalProbability(Math.min(alpha, THIN)));
    boolean beyond = value > FAR * usual;
    double end = beyond ? usual * 1.25 : Math.max(usual, 1.15 * value);
    return new DistributionCurve(
        points(distribution::density, 0, end, endless),
        Origin.LEFT,
        List.of(new Shaded(critical / end, Numerals.fixed(critical, 2), true)),
        beyond ? 1 : value / end,
        name + " = " + Numerals.fixed(value, 2),
        beyond);
  }

  /**
   * A distribution with the tail beyond a value.
   *
   * @param letter of the statistic
   * @param distribution any
   * @param value where the tail begins
   * @param side which tail
   * @return the curve
   */
  public static DistributionCurve of(
      String letter, Distribution distribution, double value, Tail side) {
    return distribution instanceof Continuous smooth
        ? smooth(letter, smooth, value, side)
        : stepped(letter, (Discrete) distribution, value, side);
  }

  private static DistributionCurve smooth(
      String letter, Continuous distribution, double value, Tail side) {
    double thin = distribution.valueAbove().applyAsDouble(THIN);
    boolean mirrored = distribution.symmetry().isPresent();
    double size = Math.abs(value);
    boolean beyond = size > FAR * thin;
    double high = beyond ? thin * 1.25 : Math.max(thin, 1.15 * size);
    double low =
        mirrored
            ? -high
            : distribution.from() == 0
                ? 0
                : Math.min(distribution.valueBelow().applyAsDouble(THIN), value);
    double wide = high - low;
    double[] heights = new double[STEPS + 1];
    double highest = 0;
    for (int i = 0; i <= STEPS; i++) {
      double x = low + wide * i / STEPS;
      double half = wide / STEPS / 2;
      heights[i] = distribution.density(Math.max(low, x - half), x + half);
      highest = Math.max(highest, heights[i]);
    }
    List<Point> points = new ArrayList<>();
    for (int i = 0; i <= STEPS; i++) {
      points.add(new Point((double) i / STEPS, heights[i] / highest));
    }
    double at = beyond ? (value > 0 ? 1 : 0) : (value - low) / wide;
    double zero = low >= 0 ? 0 : -low / wide;
    return new DistributionCurve(
        points,
        new Origin(zero, "0"),
        tails(side, at, (mirrored ? -value - low : Double.NaN) / wide, value, number(value)),
        at,
        letter + " = " + number(value),
        beyond);
  }

  private static String number(double value) {
    return Numerals.plain(Math.rint(value * 1000) / 1000).replace('-', '\u2212');
  }

  /** The tail at a place, and with both its mirror image. */
  private static List<Shaded> tails(
      Tail side, double at, double mirror, double value, String text) {
    return switch (side) {
      case ABOVE -> List.of(new Shaded(at, text, true));
      case BELOW -> List.of(new Shaded(at, text, false));
      case BOTH ->
          List.of(
              new Shaded(Math.min(at, mirror), number(-Math.abs(value)), false),
              new Shaded(Math.max(at, mirror), number(Math.abs(value)), true));
    };
  }

  private static DistributionCurve stepped(
      String letter, Discrete distribution, double value, Tail side) {
    List<Double> values = distribution.values();
    int first = 0;
    int last = values.size() - 1;
    while (first < last
        && values.get(first) < value
        && distribution.tail(values.get(first), Tail.BELOW) < UNSEEN) {
      first++;
    }
    while (last > first
        && values.get(last) > value
        && distribution.tail(values.get(last), Tail.ABOVE) < UNSEEN) {
      last--;
    }
    double step = values.size() > 1 ? values.get(1) - values.get(0) : 1;
    double from = values.get(first) - step / 2;
    double wide = values.get(last) + step / 2 - from;
    double highest = Collections.max(distribution.shares());
    List<Point> points = new ArrayList<>();
    for (int i = first; i <= last; i++) {
      double height = distribution.shares().get(i) / highest;
      points.add(new Point((values.get(i) - step / 2 - from) / wide, height));
      points.add(new Point((values.get(i) + step / 2 - from) / wide, height));
    }
    List<Shaded> tails = new ArrayList<>();
    double mirror =
        distribution.symmetry().isPresent()
            ? 2 * distribution.symmetry().getAsDouble() - value
            : value;
    double low = side == Tail.BOTH ? Math.min(value, mirror) : value;
    double high = side == Tail.BOTH ? Math.max(value, mirror) : value;
    if (side != Tail.ABOVE) {
      tails.add(new Shaded((low + step / 2 - from) / wide, number(low), false));
    }
    if (side != Tail.BELOW) {
      tails.add(new Shaded((high - step / 2 - from) / wide, number(high), true));
    }
    return new DistributionCurve(
        points,
        new Origin(0, number(values.get(first))),
        tails,
        Math.max(0, Math.min(1, (value - from) / wide)),
        letter + " = " + number(value),
        value < values.get(first) || value > values.get(last));
  }

  /**
   * z against the normal distribution, with the tails of the direction that is asked.
   *
   * @param z may be absent
   * @param direction that is asked about
   * @param alpha level of significance
   * @return the curve; null without z
   */
  public static DistributionCurve ofZ(Quantity z, Direction direction, double alpha) {
    DistributionCurve curve = ofT(z, Quantity.of(NEARLY_NORMAL), direction, alpha);
    return curve == null
        ? null
        : new DistributionCurve(
            curve.points,
            curve.origin,
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
