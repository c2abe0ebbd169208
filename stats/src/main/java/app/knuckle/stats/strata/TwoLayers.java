package app.knuckle.stats.strata;

import app.knuckle.stats.linear.AnovaTable;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.LayerFits;
import app.knuckle.stats.linear.Squares;
import app.knuckle.stats.linear.Strata;
import app.knuckle.stats.linear.Stratum;
import app.knuckle.stats.linear.Term;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * A layout of units, each divided into the same parts: whole plots into subplots, oysters into
 * days.
 *
 * <p>What is done to whole units is tested on their means, what differs within them on the
 * deviations from these means. Units that miss a part are left out.
 *
 * @see "Cochran, W. G. and Cox, G. M. (1957). Experimental designs, 2nd ed., chapter 7"
 */
public final class TwoLayers {

  private final Strata strata;
  private final AnovaTable table;
  private final List<Integer> leftOut;
  private final double[][] values;
  private final int[] groupOf;
  private final double grandMean;
  private final double[] unitDeviations;

  private TwoLayers(
      Strata strata,
      AnovaTable table,
      List<Integer> leftOut,
      double[][] values,
      int[] groupOf,
      double grandMean,
      double[] unitDeviations) {
    this.strata = strata;
    this.table = table;
    this.leftOut = leftOut;
    this.values = values;
    this.groupOf = groupOf;
    this.grandMean = grandMean;
    this.unitDeviations = unitDeviations;
  }

  /**
   * What the layers are made of, over the same rows.
   *
   * @param units which unit each row belongs to
   * @param between factors that are the same for all rows of a unit, blocks among them
   * @param within factors that vary within units
   * @param betweenTerms terms of the units, blocks first
   * @param withinTerms terms of the parts
   * @param betweenError what the error of the units is called
   * @param withinError what the error of the parts is called
   */
  public record Plan(
      Factor units,
      List<Factor> between,
      List<Factor> within,
      List<Term> betweenTerms,
      List<Term> withinTerms,
      String betweenError,
      String withinError) {

    public Plan {
      between = List.copyOf(between);
      within = List.copyOf(within);
      betweenTerms = List.copyOf(betweenTerms);
      withinTerms = List.copyOf(withinTerms);
    }
  }

  /**
   * Analyses a response.
   *
   * @param plan the layout
   * @param response one value a row, NaN for none; several values of a part are averaged
   * @param squares kind of the sums of squares
   * @param alpha level of significance
   * @return the analysis; null if fewer than two units are whole
   */
  public static TwoLayers of(Plan plan, double[] response, Squares squares, double alpha) {
    int parts = plan.within().stream().mapToInt(Factor::size).reduce(1, (a, b) -> a * b);
    int units = plan.units().size();
    double[][] sums = new double[units][parts];
    int[][] counts = new int[units][parts];
    int[] rowOf = new int[units];
    Arrays.fill(rowOf, -1);
    double origin = Double.NaN;
    for (int row = 0; row < response.length; row++) {
      int unit = plan.units().codes()[row];
      int part = code(plan.within(), row);
      if (unit < 0 || part < 0 || Double.isNaN(response[row]) || code(plan.between(), row) < 0) {
        continue;
      }
      origin = Double.isNaN(origin) ? response[row] : origin;
      sums[unit][part] += response[row] - origin;
      counts[unit][part]++;
      rowOf[unit] = row;
    }
    List<Integer> leftOut = new ArrayList<>();
    List<Integer> whole = new ArrayList<>();
    for (int unit = 0; unit < units; unit++) {
      boolean complete = Arrays.stream(counts[unit]).allMatch(n -> n > 0);
      (complete ? whole : leftOut).add(unit);
    }
    if (whole.size() < 2) {
      return null;
    }
    int n = whole.size();
    double[][] values = new double[n][parts];
    double[] means = new double[n];
    for (int u = 0; u < n; u++) {
      for (int j = 0; j < parts; j++) {
        values[u][j] = sums[whole.get(u)][j] / counts[whole.get(u)][j];
        means[u] += values[u][j] / parts;
      }
    }
    List<Factor> betweenOfUnits = new ArrayList<>();
    for (Factor factor : plan.between()) {
      betweenOfUnits.add(
          new Factor(
              factor.name(),
              factor.levels(),
              whole.stream().mapToInt(u -> factor.codes()[rowOf[u]]).toArray()));
    }
    return build(plan, values, means, betweenOfUnits, origin, leftOut, squares, alpha);
  }

  /** The combination of levels of a row; -1 if one is missing. */
  static int code(List<Factor> factors, int row) {
    int code = 0;
    for (Factor factor : factors) {
      if (factor.codes()[row] < 0) {
        return -1;
      }
      code = code * factor.size() + factor.codes()[row];
    }
    return code;
  }

  private static TwoLayers build(
      Plan plan,
      double[][] values,
      double[] means,
      List<Factor> betweenOfUnits,
      double origin,
      List<Integer> leftOut,
      Squares squares,
      double alpha) {
    int n = values.length;
    int parts = values[0].length;
    double[] centred = new double[n * parts];
    List<Factor> all = new ArrayList<>();
    for (Factor factor : betweenOfUnits) {
      int[] codes = new int[n * parts];
      Arrays.setAll(codes, i -> factor.codes()[i / parts]);
      all.add(new Factor(factor.name(), factor.levels(), codes));
    }
    int after = parts;
    for (Factor factor : plan.within()) {
      int size = factor.size();
      int step = after / size;
      after = step;
      int[] codes = new int[n * parts];
      Arrays.setAll(codes, i -> i % parts / step % size);
      all.add(new Factor(factor.name(), factor.levels(), codes));
    }
    for (int i = 0; i < centred.length; i++) {
      centred[i] = values[i / parts][i % parts] - means[i / parts];
    }
    double scale = Math.sqrt(parts);
    double[] enlarged = Arrays.stream(means).map(m -> (m + origin) * scale).toArray();
    List<Factor> padded = new ArrayList<>(betweenOfUnits);
    for (Factor factor : plan.within()) {
      // In the layer of units a part is the average over all parts.
      padded.add(new Factor(factor.name(), factor.levels(), new int[n]));
    }
    Stratum units =
        new Stratum(
            plan.betweenError(),
            LayerFits.between(padded, betweenOfUnits.size(), plan.betweenTerms(), enlarged),
            0,
            scale);
    Stratum within =
        new Stratum(
            plan.withinError(), LayerFits.within(all, plan.withinTerms(), centred, n), 0, 1);
    Strata strata = new Strata(List.of(units, within));
    double grand = 0;
    for (double m : means) {
      grand += m / n;
    }
    int[] groups = new int[n];
    Map<List<Integer>, Integer> seen = new HashMap<>();
    for (int u = 0; u < n; u++) {
      List<Integer> key = new ArrayList<>();
      for (Factor factor : betweenOfUnits) {
        key.add(factor.codes()[u]);
      }
      groups[u] = seen.computeIfAbsent(key, k -> seen.size());
    }
    return new TwoLayers(
        strata,
        LayerFits.table(List.of(units, within), squares, alpha, n * parts, grand + origin),
        leftOut,
        values,
        groups,
        grand + origin,
        units.deviations(enlarged));
  }

  /**
   * The layers.
   *
   * @return units, then parts
   */
  public Strata strata() {
    return strata;
  }

  /**
   * The analysis of variance.
   *
   * @return each layer's terms followed by its error
   */
  public AnovaTable table() {
    return table;
  }

  /**
   * Units that miss a part.
   *
   * @return codes of the unit factor
   */
  public List<Integer> leftOut() {
    return leftOut;
  }

  /**
   * Values less an origin.
   *
   * @return one row a whole unit, one column a part; to be read only
   */
  public double[][] values() {
    return values;
  }

  /**
   * The group of each whole unit.
   *
   * @return one code a unit; to be read only
   */
  public int[] groups() {
    return groupOf;
  }

  /**
   * What the model of the units leaves of their means.
   *
   * @return one a whole unit; to be read only
   */
  public double[] unitDeviations() {
    return unitDeviations;
  }

  /**
   * Mean of all values used.
   *
   * @return the mean
   */
  public double grandMean() {
    return grandMean;
  }
}
