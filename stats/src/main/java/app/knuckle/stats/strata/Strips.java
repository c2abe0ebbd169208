package app.knuckle.stats.strata;

import app.knuckle.stats.Alike;
import app.knuckle.stats.anova.AnovaTable;
import app.knuckle.stats.anova.LayerFits;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.Squares;
import app.knuckle.stats.linear.Strata;
import app.knuckle.stats.linear.Stratum;
import app.knuckle.stats.linear.Term;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * A split-block layout: in each block some treatments are laid in strips, and others in strips
 * across them, so that each kind of strip has an error of its own, and so has each crossing.
 *
 * <p>The first treatments are tested on the means of their strips, the others on the deviations of
 * their strips from the block, what they do together on what is left. Blocks that miss a crossing
 * are left out.
 *
 * @param strata blocks, strips of the first, of the others, crossings; the error of blocks is the
 *     sum of the errors of both strips less that of crossings, so that it does not matter which
 *     strips are the first
 * @param leftOut codes of blocks that miss a crossing
 * @param blocks how many were used
 * @param values how many means of crossings were used
 * @param grandMean of all values used
 * @param deviations what the models of the first and of the second strips leave of their means,
 *     block by block; to be read only
 * @see "Cochran, W. G. and Cox, G. M. (1957). Experimental designs, 2nd ed., section 7.21"
 */
public record Strips(
    Strata strata,
    List<Integer> leftOut,
    int blocks,
    int values,
    double grandMean,
    List<double[]> deviations) {

  /**
   * What the strips are made of, over the same rows.
   *
   * @param block which block each row belongs to
   * @param first factors laid in strips
   * @param second factors laid in strips across them
   * @param terms of the treatments
   * @param errors what the errors of the three layers are called
   */
  public record Plan(
      Factor block,
      List<Factor> first,
      List<Factor> second,
      List<Term> terms,
      List<String> errors) {

    public Plan {
      first = List.copyOf(first);
      second = List.copyOf(second);
      terms = List.copyOf(terms);
      errors = List.copyOf(errors);
    }

    private static boolean names(List<Factor> factors, Term term) {
      return factors.stream().anyMatch(f -> term.names().contains(f.name()));
    }

    /** Terms of some factors, and of no others. */
    private List<Term> only(List<Factor> own, List<Factor> others) {
      return terms.stream().filter(t -> names(own, t) && !names(others, t)).toList();
    }

    private List<Term> crossing() {
      return terms.stream().filter(t -> names(first, t) && names(second, t)).toList();
    }
  }

  /**
   * The analysis of variance.
   *
   * @param squares kind of the sums of squares
   * @param alpha level of significance
   * @return each layer's terms followed by its error
   */
  public AnovaTable table(Squares squares, double alpha) {
    return LayerFits.table(strata.layers(), squares, alpha, values, grandMean);
  }

  /** Means by block, strip and strip across, as deviations from an origin. */
  private record Cube(double[][][] values, List<Integer> whole, List<Integer> leftOut) {}

  /**
   * Analyses a response.
   *
   * @param plan the layout
   * @param response one value a row, NaN for none; several values of a crossing are averaged
   * @return the analysis; null if fewer than two blocks are whole
   */
  public static Strips of(Plan plan, double[] response) {
    double origin = Arrays.stream(response).filter(v -> !Double.isNaN(v)).findFirst().orElse(0);
    Cube cube = cube(plan, response, origin);
    int r = cube.whole().size();
    if (r < 2) {
      return null;
    }
    double noise = Alike.within(response);
    int a = size(plan.first());
    int b = size(plan.second());
    double[] stripMeans = new double[r * a];
    double[] acrossMeans = new double[r * b];
    double[] blockMeans = new double[r];
    for (int i = 0; i < r * a * b; i++) {
      double value = cube.values()[i / (a * b)][i / b % a][i % b];
      stripMeans[i / b] += value / b;
      acrossMeans[i / (a * b) * b + i % b] += value / a;
      blockMeans[i / (a * b)] += value / (a * b);
    }
    double[] strips = new double[r * a];
    Arrays.setAll(strips, i -> (stripMeans[i] - blockMeans[i / a]) * Math.sqrt(b));
    double[] across = new double[r * b];
    Arrays.setAll(across, i -> (acrossMeans[i] - blockMeans[i / b]) * Math.sqrt(a));
    double[] whole = Arrays.stream(blockMeans).map(m -> m * Math.sqrt(a * b)).toArray();
    double[] crossings = new double[r * a * b];
    Arrays.setAll(
        crossings,
        i -> {
          int block = i / (a * b);
          double value = cube.values()[block][i / b % a][i % b];
          return value - stripMeans[i / b] - acrossMeans[block * b + i % b] + blockMeans[block];
        });
    Stratum first =
        new Stratum(
            plan.errors().get(0),
            LayerFits.within(
                factors(plan, cube, a, 1),
                plan.only(plan.first(), plan.second()),
                List.of(),
                Alike.cleansed(strips, noise),
                r),
            0,
            Math.sqrt(b));
    Stratum second =
        new Stratum(
            plan.errors().get(1),
            LayerFits.within(
                factors(plan, cube, 1, b),
                plan.only(plan.second(), plan.first()),
                List.of(),
                Alike.cleansed(across, noise),
                r),
            0,
            Math.sqrt(a));
    Stratum crossing =
        new Stratum(
            plan.errors().get(2),
            LayerFits.within(
                factors(plan, cube, a, b),
                plan.crossing(),
                List.of(),
                Alike.cleansed(crossings, noise),
                r * a + r * b - r),
            0,
            1);
    List<Stratum> replicated = List.of(first, second, crossing);
    List<Stratum> layers = new ArrayList<>(replicated);
    layers.add(
        0,
        new Stratum(
            String.join(" + ", plan.errors().subList(0, 2)) + " \u2212 " + plan.errors().get(2),
            LayerFits.between(
                factors(plan, cube, 1, 1),
                1,
                List.of(Term.of(plan.block().name())),
                List.of(),
                whole),
            0,
            Math.sqrt(a * b),
            Stratum.ErrorSum.of(replicated, 1, 1, -1)));
    double grand = origin + Arrays.stream(blockMeans).average().orElse(0);
    return new Strips(
        new Strata(layers, origin),
        cube.leftOut(),
        r,
        r * a * b,
        grand,
        List.of(first.deviations(strips), second.deviations(across)));
  }

  private static int size(List<Factor> factors) {
    return factors.stream().mapToInt(Factor::size).reduce(1, (x, y) -> x * y);
  }

  private static Cube cube(Plan plan, double[] response, double origin) {
    int blocks = plan.block().size();
    double[][][] sums = new double[blocks][size(plan.first())][size(plan.second())];
    int[][][] counts = new int[blocks][size(plan.first())][size(plan.second())];
    for (int row = 0; row < response.length; row++) {
      int block = plan.block().codes()[row];
      int one = TwoLayers.code(plan.first(), row);
      int other = TwoLayers.code(plan.second(), row);
      if (block >= 0 && one >= 0 && other >= 0 && !Double.isNaN(response[row])) {
        sums[block][one][other] += response[row] - origin;
        counts[block][one][other]++;
      }
    }
    List<Integer> whole = new ArrayList<>();
    List<Integer> leftOut = new ArrayList<>();
    for (int block = 0; block < blocks; block++) {
      boolean complete =
          Arrays.stream(counts[block]).flatMapToInt(Arrays::stream).allMatch(n -> n > 0);
      (complete ? whole : leftOut).add(block);
    }
    double[][][] values = new double[whole.size()][][];
    for (int i = 0; i < values.length; i++) {
      int block = whole.get(i);
      values[i] = sums[block];
      for (int x = 0; x < values[i].length; x++) {
        for (int y = 0; y < values[i][x].length; y++) {
          values[i][x][y] /= counts[block][x][y];
        }
      }
    }
    return new Cube(values, whole, leftOut);
  }

  /**
   * All factors over the rows of a layer, block after block; those that a layer does not tell apart
   * stand at one level, which no term of it asks for.
   */
  private static List<Factor> factors(Plan plan, Cube cube, int a, int b) {
    int rows = cube.whole().size() * a * b;
    int[] blocks = new int[rows];
    Arrays.setAll(blocks, i -> i / (a * b));
    List<String> names = cube.whole().stream().map(plan.block().levels()::get).toList();
    List<Factor> all = new ArrayList<>(List.of(new Factor(plan.block().name(), names, blocks)));
    int after = a;
    for (Factor factor : plan.first()) {
      after = Math.max(1, after / factor.size());
      int step = after;
      int[] codes = new int[rows];
      Arrays.setAll(codes, i -> a == 1 ? 0 : i / b % a / step % factor.size());
      all.add(new Factor(factor.name(), factor.levels(), codes));
    }
    after = b;
    for (Factor factor : plan.second()) {
      after = Math.max(1, after / factor.size());
      int step = after;
      int[] codes = new int[rows];
      Arrays.setAll(codes, i -> b == 1 ? 0 : i % b / step % factor.size());
      all.add(new Factor(factor.name(), factor.levels(), codes));
    }
    return all;
  }
}
