package app.knuckle.study.look;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Alike;
import app.knuckle.stats.Progress;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.checks.Normality;
import app.knuckle.stats.checks.ShapeTest;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Whether the values of a group could come from a normal distribution.
 *
 * @param n values
 * @param shapiroWilk W
 * @param shapiroWilkP its p
 * @param andersonDarling A squared, corrected for the size of the sample
 * @param andersonDarlingP its p
 */
public record BellShape(
    int n,
    Quantity shapiroWilk,
    Quantity shapiroWilkP,
    Quantity andersonDarling,
    Quantity andersonDarlingP) {

  /** Tests of more values take long, and find every trifle. */
  public static final int MOST_VALUES = 20_000;

  /**
   * Tests each group by itself.
   *
   * @param groups values of each, finite
   * @param progress asked before each
   * @return one a group
   */
  public static List<BellShape> of(List<double[]> groups, Progress progress) {
    double within = Alike.within(groups.stream().flatMapToDouble(Arrays::stream).toArray());
    List<BellShape> shapes = new ArrayList<>();
    for (double[] group : groups) {
      progress.check();
      shapes.add(of(group, within));
    }
    return shapes;
  }

  private static BellShape of(double[] values, double within) {
    if (values.length > MOST_VALUES) {
      Quantity none = Quantity.absent(Absence.OVER_20000);
      return new BellShape(values.length, none, none, none, none);
    }
    ShapeTest.ShapiroWilk w = Normality.shapiroWilk(values, within);
    ShapeTest.AndersonDarling a = Normality.andersonDarling(values, within);
    return new BellShape(values.length, w.statistic(), w.p(), a.adjustedStatistic(), a.p());
  }

  /**
   * A p for one of several groups looked at together (Bonferroni).
   *
   * @param p of one group
   * @param groups how many are looked at
   * @return p times the number of groups, 1 at most
   */
  public static Quantity times(Quantity p, int groups) {
    return p.map(v -> Math.min(1, v * groups));
  }
}
