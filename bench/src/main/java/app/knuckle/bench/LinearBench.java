package app.knuckle.bench;

import app.knuckle.stats.Progress;
import app.knuckle.stats.anova.AnovaTable;
import app.knuckle.stats.anova.OneWay;
import app.knuckle.stats.compare.AllPairs;
import app.knuckle.stats.compare.Comparison;
import app.knuckle.stats.distributions.StudentizedRangeDistribution;
import app.knuckle.stats.linear.Covariate;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.Fit;
import app.knuckle.stats.linear.Model;
import app.knuckle.stats.linear.Squares;
import app.knuckle.stats.linear.Stratum;
import app.knuckle.stats.linear.Term;
import app.knuckle.stats.summary.GroupMoments;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import org.apache.commons.statistics.distribution.FDistribution;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** The linear engine over a million rows, and a hundred means pair by pair, beside bare loops. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
public class LinearBench {

  private static final int ROWS = 1_000_000;
  private static final int MEANS = 100;
  private static final int CELLS = 4 * 3 * 5;

  private double[] response;
  private double[] covariate;
  private Factor[] factors;
  private double[] toSort;
  private OneWay hundred;
  private StudentizedRangeDistribution range;
  private FDistribution f;

  /** Makes the rows. */
  @Setup
  public void rows() {
    Random random = new Random(1);
    response = random.doubles(ROWS, 5, 15).toArray();
    covariate = random.doubles(ROWS, 10, 30).toArray();
    factors = new Factor[] {factor("a", 4, random), factor("b", 3, random), factor("c", 5, random)};
    toSort = random.doubles(100_000).toArray();
    int[] groups = random.ints(10_000, 0, MEANS).toArray();
    double[] values =
        IntStream.range(0, groups.length)
            .mapToDouble(i -> random.nextGaussian() + groups[i] * 0.01)
            .toArray();
    hundred = OneWay.fit(GroupMoments.of(values, groups, MEANS), 0.05);
    range = StudentizedRangeDistribution.of(5, 20);
    f = FDistribution.of(4, 20);
  }

  private static Factor factor(String name, int levels, Random random) {
    List<String> names = IntStream.range(0, levels).mapToObj(i -> name + i).toList();
    return new Factor(name, names, random.ints(ROWS, 0, levels).toArray());
  }

  /** One bare pass over the columns: sums of each cell. Returns the sums. */
  @Benchmark
  public double[] baselinePass() {
    double[] sums = new double[CELLS];
    int[] a = factors[0].codes();
    int[] b = factors[1].codes();
    int[] c = factors[2].codes();
    for (int i = 0; i < ROWS; i++) {
      sums[(a[i] * 3 + b[i]) * 5 + c[i]] += response[i];
    }
    return sums;
  }

  /**
   * What the factorial needs of the rows, in the plainest loop: how many there are, their sum and
   * their squares in each cell. Returns the sums.
   */
  @Benchmark
  public double[] neededByFactorial() {
    double[] sums = new double[3 * CELLS];
    int[] a = factors[0].codes();
    int[] b = factors[1].codes();
    int[] c = factors[2].codes();
    double middle = response[0];
    for (int i = 0; i < ROWS; i++) {
      int cell = 3 * ((a[i] * 3 + b[i]) * 5 + c[i]);
      double v = response[i] - middle;
      sums[cell]++;
      sums[cell + 1] += v;
      sums[cell + 2] += v * v;
    }
    return sums;
  }

  /**
   * What twelve terms with a covariate need of them: beside that its sum, its squares, and its
   * products with the response. Returns the sums.
   */
  @Benchmark
  public double[] neededByTwelveTerms() {
    double[] sums = new double[6 * CELLS];
    int[] a = factors[0].codes();
    int[] b = factors[1].codes();
    int[] c = factors[2].codes();
    double middle = response[0];
    double across = covariate[0];
    for (int i = 0; i < ROWS; i++) {
      int cell = 6 * ((a[i] * 3 + b[i]) * 5 + c[i]);
      double v = response[i] - middle;
      double x = covariate[i] - across;
      sums[cell]++;
      sums[cell + 1] += v;
      sums[cell + 2] += v * v;
      sums[cell + 3] += x;
      sums[cell + 4] += x * x;
      sums[cell + 5] += x * v;
    }
    return sums;
  }

  /** A 4 x 3 x 5 factorial with all interactions, after all. */
  @Benchmark
  public AnovaTable factorial() {
    List<Term> terms = Term.combinations(List.of("a", "b", "c"), 3);
    return table(new Model(Arrays.asList(factors), List.of(), terms, true));
  }

  /** Twelve terms with a covariate, some with slopes of their own. */
  @Benchmark
  public AnovaTable twelveTerms() {
    List<Term> terms =
        List.of(
            Term.of("x"),
            Term.of("a"),
            Term.of("b"),
            Term.of("c"),
            Term.of("a", "b"),
            Term.of("a", "c"),
            Term.of("b", "c"),
            Term.of("a", "b", "c"),
            Term.of("a", "x"),
            Term.of("b", "x"),
            Term.of("c", "x"),
            Term.of("a", "b", "x"));
    return table(
        new Model(Arrays.asList(factors), List.of(new Covariate("x", covariate)), terms, true));
  }

  private AnovaTable table(Model model) {
    Fit fit = Fit.of(model, List.of(response));
    return AnovaTable.of(new Stratum("error", fit, 0, 1), Squares.AFTER_ALL, 0.05);
  }

  /** One sort of 100,000 numbers. */
  @Benchmark
  public double[] baselineSort() {
    double[] copy = toSort.clone();
    Arrays.sort(copy);
    return copy;
  }

  /** All 4,950 pairs of 100 means by Tukey, with intervals and letters. */
  @Benchmark
  public Comparison hundredMeans() {
    return AllPairs.withDefaults().compare(hundred.estimates(), Progress.NONE);
  }

  /** One F probability of the library. */
  @Benchmark
  public double baselineFProbability() {
    return f.survivalProbability(3.2);
  }

  /** One probability of the studentized range. */
  @Benchmark
  public double rangeProbability() {
    return range.survivalProbability(4.1);
  }
}
