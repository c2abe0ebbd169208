package app.knuckle.stats.counts;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Progress;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.means.DegreesOfFreedom;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.apache.commons.statistics.distribution.ChiSquaredDistribution;
import org.apache.commons.statistics.distribution.NormalDistribution;
import org.apache.commons.statistics.distribution.TDistribution;

/** What a fit of counts stands on. */
public final class CountChecks {

  /** A variance below this share of what is expected is rounding. */
  private static final double NO_VARIANCE = 1e-8;

  private final CountFit fit;
  private final CountCells cells;
  private final CountSolution solution;

  /**
   * Checks of a fit.
   *
   * @param fit any
   */
  public CountChecks(CountFit fit) {
    this.fit = fit;
    cells = fit.cells();
    solution = fit.solution();
  }

  /**
   * Whether counts spread as the distribution says.
   *
   * @param statistic chi-squared
   * @param df degrees of freedom
   * @param dispersion the statistic over these; absent of single trials, or without any
   * @param p that they spread more
   * @param less that they spread less
   */
  public record Dispersion(
      Quantity statistic, long df, Quantity dispersion, Quantity p, Quantity less) {}

  /** By Pearson's chi-squared. */
  public Dispersion pearson() {
    return dispersion(solution.pearson());
  }

  /** By the deviance. */
  public Dispersion deviance() {
    return dispersion(solution.deviance());
  }

  private Dispersion dispersion(double statistic) {
    long df = solution.residualDf();
    if (fit.isOfSingles() || df <= 0) {
      Quantity none = Quantity.absent(fit.isOfSingles() ? Absence.SINGLES : Absence.NO_ROW_LEFT);
      return new Dispersion(Quantity.of(statistic), df, none, none, none);
    }
    ChiSquaredDistribution distribution = ChiSquaredDistribution.of(df);
    return new Dispersion(
        Quantity.of(statistic),
        df,
        Quantity.of(statistic / df),
        Quantity.of(distribution.survivalProbability(statistic)),
        Quantity.of(distribution.cumulativeProbability(statistic)));
  }

  /**
   * Whether there are more zeros than the counts would have.
   *
   * @param observed rows of 0
   * @param expected by the Poisson distribution
   * @param z standardised for what fitting takes away; absent where nearly none are expected
   * @param p that there are more
   * @see "van den Broek, J. (1995). A score test for zero inflation in a Poisson distribution.
   *     Biometrics 51, 738-743"
   */
  public record Zeros(long observed, double expected, Quantity z, Quantity p) {}

  /** Whether there are more zeros than the counts would have: the check of a model of counts. */
  public Zeros zeros() {
    long[] observed = {0};
    double[] sums = new double[2];
    double[] c = new double[solution.rank()];
    cells.each(
        (cell, y, size, rows) -> {
          double mu = size * solution.mean(cell);
          double p0 = Math.exp(-mu);
          observed[0] += y == 0 ? rows : 0;
          sums[0] += rows * p0;
          if (!solution.isSeparated(cell)) {
            sums[1] += rows * p0 * -Math.expm1(-mu);
            for (int k = 0; k < c.length; k++) {
              c[k] += rows * p0 * mu * solution.row(cell)[k];
            }
          }
        });
    double variance = sums[1] - (c.length == 0 ? 0 : BilinearForms.of(fit.covariance(), c, c));
    boolean none = sums[0] < 1 || solution.residualDf() <= 0 || !(variance > NO_VARIANCE * sums[0]);
    Quantity z =
        none
            ? Quantity.absent(Absence.HARDLY_A_ZERO)
            : Quantity.of((observed[0] - sums[0]) / Math.sqrt(variance));
    return new Zeros(
        observed[0], sums[0], z, z.map(x -> NormalDistribution.of(0, 1).survivalProbability(x)));
  }

  /**
   * How small the expected counts are.
   *
   * @param n how many
   * @param smallest of them
   * @param below1 how many are below 1
   * @param below5 how many are below 5
   */
  public record Expected(long n, double smallest, long below1, long below5) {}

  /** Expected counts of rows; of proportions the smaller of both sides. */
  public Expected ofRows() {
    List<double[]> all = new ArrayList<>();
    cells.each((cell, y, size, rows) -> all.add(new double[] {expected(cell, size), rows}));
    return expected(all);
  }

  /**
   * Expected counts of the combinations of some factors that occur.
   *
   * @param names of the factors
   * @return the check
   */
  public Expected ofCells(List<String> names) {
    int[] places =
        IntStream.range(0, cells.model().factors().size())
            .filter(f -> names.contains(cells.model().factors().get(f).name()))
            .toArray();
    Map<List<Integer>, double[]> sums = new HashMap<>();
    for (int c = 0; c < cells.size(); c++) {
      int[] levels = cells.levels(c);
      double[] sum =
          sums.computeIfAbsent(
              Arrays.stream(places).mapToObj(f -> levels[f]).toList(), k -> new double[2]);
      sum[0] += cells.sizeOf(c) * solution.mean(c);
      sum[1] += cells.sizeOf(c);
    }
    return expected(
        sums.values().stream().map(s -> new double[] {smaller(s[0], s[1]), 1}).toList());
  }

  private double expected(int cell, double size) {
    return smaller(size * solution.mean(cell), size);
  }

  private double smaller(double mu, double size) {
    return cells.kind() == CountKind.COUNTS ? mu : Math.min(mu, size - mu);
  }

  private static Expected expected(List<double[]> all) {
    double smallest = Double.POSITIVE_INFINITY;
    long n = 0;
    long below1 = 0;
    long below5 = 0;
    for (double[] one : all) {
      smallest = Math.min(smallest, one[0]);
      n += (long) one[1];
      below1 += one[0] < 1 ? (long) one[1] : 0;
      below5 += one[0] < 5 ? (long) one[1] : 0;
    }
    return new Expected(n, smallest, below1, below5);
  }

  /**
   * The row that stands out most, judged by a fit without it.
   *
   * @param place among the rows
   * @param row of the records
   * @param statistic with the sign of its residual
   * @param df of t; unbounded for z
   * @param p two-sided
   * @param adjustedP Bonferroni over the rows that can be judged
   * @param n how many these are
   */
  public record Outlier(
      int place, int row, double statistic, double df, double p, double adjustedP, int n) {}

  /**
   * The row that stands out most.
   *
   * @param rows what the fit leaves
   * @param counts as they were fitted
   * @param sizes as they were fitted
   * @param progress asked on the way
   * @return null of single trials, or where no row can be judged
   */
  public Outlier outlier(CountRows rows, double[] counts, double[] sizes, Progress progress) {
    int at = rows.farthest();
    if (at < 0 || fit.isOfSingles() || solution.residualDf() <= 0) {
      return null;
    }
    double[] without = counts.clone();
    without[rows.rows()[at]] = Double.NaN;
    CountFit other = CountFit.of(fit.model(), without, sizes, progress).orElse(null);
    if (other == null) {
      return null;
    }
    double drop = Math.max(0, solution.deviance() - other.solution().deviance());
    boolean estimated = fit.model().overdispersion();
    double phi = other.spread();
    if (!(phi > 0)) {
      return null;
    }
    double df = estimated ? other.solution().residualDf() : DegreesOfFreedom.UNBOUNDED;
    double size = Math.sqrt(estimated ? drop / phi : drop);
    double p = Math.min(1, 2 * TDistribution.of(df).survivalProbability(size));
    return new Outlier(
        at,
        rows.rows()[at],
        Math.signum(rows.residuals()[at]) * size,
        df,
        p,
        Math.min(1, rows.judged() * p),
        rows.judged());
  }
}
