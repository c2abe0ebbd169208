package app.knuckle.desktop.test;

import app.knuckle.stats.linear.Effect;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.statistics.distribution.FDistribution;

/**
 * The distribution of F when the means are equal, and where this F falls on it.
 *
 * @param points of the curve: x and height, both from 0 to 1
 * @param critical place of the critical value, from 0 to 1
 * @param criticalText its value
 * @param at place of this F, from 0 to 1; 1 when it lies beyond the picture
 * @param text "F = 3.49"
 * @param beyond whether F lies beyond the picture
 */
public record FCurve(
    List<Point> points,
    double critical,
    String criticalText,
    double at,
    String text,
    boolean beyond) {

  private static final int STEPS = 160;

  /** The picture ends where the upper tail is this thin: nothing of the curve is left to see. */
  private static final double THIN = 1e-3;

  public FCurve {
    points = List.copyOf(points);
  }

  /**
   * A point of the curve.
   *
   * @param x from 0 to 1
   * @param height from 0 to 1
   */
  public record Point(double x, double height) {}

  /**
   * The curve of an effect.
   *
   * @param effect with or without an F
   * @param errorDf degrees of freedom of its error
   * @param alpha level of significance
   * @return null when there is no F
   */
  static FCurve of(Effect effect, double errorDf, double alpha) {
    if (!effect.f().exists()) {
      return null;
    }
    FDistribution law = FDistribution.of(effect.df(), errorDf);
    double f = effect.f().value();
    double critical = effect.criticalF().value();
    double usual = Math.max(1.6 * critical, law.inverseSurvivalProbability(Math.min(alpha, THIN)));
    boolean beyond = f > 2 * usual;
    double end = beyond ? usual * 1.25 : Math.max(usual, 1.15 * f);
    double[] heights = new double[STEPS + 1];
    double highest = 0;
    for (int i = 0; i <= STEPS; i++) {
      // The density of F(1, .) is endless at 0, so the curve begins a little beside it.
      double x = i == 0 && effect.df() < 2 ? end / STEPS / 4 : end * i / STEPS;
      heights[i] = law.density(x);
      highest = Math.max(highest, i > 0 ? heights[i] : 0);
    }
    List<Point> points = new ArrayList<>();
    for (int i = 0; i <= STEPS; i++) {
      points.add(new Point((double) i / STEPS, Math.min(1, heights[i] / highest)));
    }
    return new FCurve(
        points,
        critical / end,
        Numerals.fixed(critical, 2),
        beyond ? 1 : f / end,
        "F = " + Numerals.fixed(f, 2),
        beyond);
  }
}
