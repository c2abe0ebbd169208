package app.knuckle.stats.strata;

import app.knuckle.stats.Alike;
import app.knuckle.stats.anova.AnovaTable;
import app.knuckle.stats.anova.LayerFits;
import app.knuckle.stats.linear.Covariate;
import app.knuckle.stats.linear.Factor;
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
 * deviations from these means, with a slope of its own in each layer on what was measured
 * beforehand. Units that miss a part are left out.
 *
 * @see "Cochran, W. G. and Cox, G. M. (1957). Experimental designs, 2nd ed., chapter 7"
 * @see "Federer, W. T. and Meredith, M. P. (1992). Covariance analysis for split-plot and
 *     split-block designs. The American Statistician 46, 155-162"
 */
public final class TwoLayers {

  private final Strata strata;
  private final List<Integer> leftOut;
  private final double[][] values;
  private final int[] groupOf;
  private final double grandMean;
  private final double[] unitDeviations;
  private final double noise;

  private TwoLayers(
      Strata strata,
      List<Integer> leftOut,
      double[][] values,
      int[] groupOf,
      double grandMean,
      double[] unitDeviations,
      double noise) {
    this.strata = strata;
    this.leftOut = leftOut;
    this.values = values;
    this.groupOf = groupOf;
    this.grandMean = grandMean;
    this.unitDeviations = unitDeviations;
    this.noise = noise;
  }

  /**
   * What the layers are made of, over the same rows.
   *
   * @param units which unit each row belongs to
   * @param between factors that are the same for all rows of a unit, blocks among them
   * @param within factors that vary within units
   * @param betweenTerms terms of the units, blocks first
   * @param withinTerms terms of the parts
   * @param covariates numbers of each row; each layer has a slope of its own on each
   * @param betweenError what the error of the units is called
   * @param withinError what the error of the parts is called
   */
  public record Plan(
      Factor units,
      List<Factor> between,
      List<Factor> within,
      List<Term> betweenTerms,
      List<Term> withinTerms,
      List<Covariate> covariates,
      String betweenError,
      String withinError) {

    public Plan {
      between = List.copyOf(between);
      within = List.copyOf(within);
      betweenTerms = List.copyOf(betweenTerms);
      withinTerms = List.copyOf(withinTerms);
      covariates = List.copyOf(covariates);
    }

    private boolean counts(int row, double[] response) {
      return units.codes()[row] >= 0
          && code(within, row) >= 0
          && code(between, row) >= 0
          && !Double.isNaN(response[row])
          && covariates.stream().noneMatch(c -> Double.isNaN(c.values()[row]));
    }
  }

  /**
   * A variable of the whole units, less its first value.
   *
   * @param origin that first value
   * @param values one row a unit, one column a part
   * @param means one a unit
   * @param noise how far from 0 deviations are rounding
   */
  private record Split(double origin, double[][] values, double[] means, double noise) {

    double[] deviations() {
      int parts = values[0].length;
      double[] centred = new double[values.length * parts];
      Arrays.setAll(centred, i -> values[i / parts][i % parts] - means[i / parts]);
      return Alike.cleansed(centred, noise);
    }

    boolean variesWithin() {
      return Arrays.stream(values).anyMatch(u -> Arrays.stream(u).anyMatch(v -> v != u[0]));
    }
  }

  private static Split split(
      Plan plan, double[] response, double[] variable, List<Integer> whole, int[][] counts) {
    double[][] sums = new double[counts.length][counts[0].length];
    double origin = Double.NaN;
    for (int row = 0; row < variable.length; row++) {
      if (plan.counts(row, response)) {
        origin = Double.isNaN(origin) ? variable[row] : origin;
        sums[plan.units().codes()[row]][code(plan.within(), row)] += variable[row] - origin;
      }
    }
    int parts = counts[0].length;
    double[][] values = new double[whole.size()][parts];
    double[] means = new double[whole.size()];
    for (int u = 0; u < means.length; u++) {
      for (int j = 0; j < parts; j++) {
        values[u][j] = sums[whole.get(u)][j] / counts[whole.get(u)][j];
        means[u] += values[u][j] / parts;
      }
    }
    return new Split(origin, values, means, Alike.within(variable));
  }

  /**
   * Analyses a response.
   *
   * @param plan the layout
   * @param response one value a row, NaN for none; several values of a part are averaged
   * @return the analysis; null if fewer than two units are whole
   */
  public static TwoLayers of(Plan plan, double[] response) {
    int parts = plan.within().stream().mapToInt(Factor::size).reduce(1, (a, b) -> a * b);
    int units = plan.units().size();
    int[][] counts = new int[units][parts];
    int[] rowOf = new int[units];
    Arrays.fill(rowOf, -1);
    for (int row = 0; row < response.length; row++) {
      if (plan.counts(row, response)) {
        counts[plan.units().codes()[row]][code(plan.within(), row)]++;
        rowOf[plan.units().codes()[row]] = row;
      }
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
    List<Factor> betweenOfUnits = new ArrayList<>();
    for (Factor factor : plan.between()) {
      betweenOfUnits.add(
          new Factor(
              factor.name(),
              factor.levels(),
              whole.stream().mapToInt(u -> factor.codes()[rowOf[u]]).toArray()));
    }
    Split of = split(plan, response, response, whole, counts);
    List<Split> covariates =
        plan.covariates().stream()
            .map(c -> split(plan, response, c.values(), whole, counts))
            .toList();
    return build(plan, of, covariates, betweenOfUnits, leftOut);
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
      Split of,
      List<Split> covariates,
      List<Factor> betweenOfUnits,
      List<Integer> leftOut) {
    double[][] values = of.values();
    double origin = of.origin();
    double[] means = of.means();
    int n = values.length;
    int parts = values[0].length;
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
    List<Covariate> ofUnits = new ArrayList<>();
    List<Covariate> withinUnits = new ArrayList<>();
    for (int c = 0; c < covariates.size(); c++) {
      String name = plan.covariates().get(c).name();
      Split x = covariates.get(c);
      ofUnits.add(new Covariate(name, x.means(), x.origin()));
      if (x.variesWithin()) {
        withinUnits.add(new Covariate(name, x.deviations()));
      }
    }
    double scale = Math.sqrt(parts);
    double[] enlarged = Arrays.stream(means).map(m -> m * scale).toArray();
    List<Factor> padded = new ArrayList<>(betweenOfUnits);
    for (Factor factor : plan.within()) {
      // In the layer of units a part is the average over all parts.
      padded.add(new Factor(factor.name(), factor.levels(), new int[n]));
    }
    Stratum units =
        new Stratum(
            plan.betweenError(),
            LayerFits.between(
                padded, betweenOfUnits.size(), plan.betweenTerms(), ofUnits, enlarged),
            0,
            scale);
    Stratum within =
        new Stratum(
            plan.withinError(),
            LayerFits.within(all, plan.withinTerms(), withinUnits, of.deviations(), n),
            0,
            1);
    Strata strata = new Strata(List.of(units, within), origin);
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
        strata, leftOut, values, groups, grand + origin, units.deviations(enlarged), of.noise());
  }

  /** The layers: units, then parts. */
  public Strata strata() {
    return strata;
  }

  /**
   * The analysis of variance.
   *
   * @param squares kind of the sums of squares
   * @param alpha level of significance
   * @return each layer's terms followed by its error
   */
  public AnovaTable table(Squares squares, double alpha) {
    int n = values.length * values[0].length;
    return LayerFits.table(strata.layers(), squares, alpha, n, grandMean);
  }

  /** Units that miss a part: codes of the unit factor. */
  public List<Integer> leftOut() {
    return leftOut;
  }

  /** Values less an origin: one row a whole unit, one column a part; to be read only. */
  public double[][] values() {
    return values;
  }

  /**
   * Whether the differences between parts vary alike, for a term of the parts.
   *
   * @param sizes levels of each factor within units
   * @param inTerm which of these the term has
   * @param groupCount how many groups of units there are
   * @return the tests; absent where there are too few units
   */
  public Sphericity sphericity(int[] sizes, boolean[] inTerm, int groupCount) {
    return Sphericity.ofTerm(values, sizes, inTerm, groupOf, groupCount, noise);
  }

  /** The group of each whole unit: one code a unit; to be read only. */
  public int[] groups() {
    return groupOf;
  }

  /** What the model of the units leaves of their means: one a whole unit; to be read only. */
  public double[] unitDeviations() {
    return unitDeviations;
  }

  /** Mean of all values used. */
  public double grandMean() {
    return grandMean;
  }
}
