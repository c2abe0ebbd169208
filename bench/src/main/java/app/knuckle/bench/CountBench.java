package app.knuckle.bench;

import app.knuckle.stats.Progress;
import app.knuckle.stats.compare.AllPairs;
import app.knuckle.stats.compare.Comparison;
import app.knuckle.stats.counts.CountFit;
import app.knuckle.stats.counts.CountKind;
import app.knuckle.stats.counts.CountModel;
import app.knuckle.stats.linear.Covariate;
import app.knuckle.stats.linear.Estimable;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.Model;
import app.knuckle.stats.linear.Squares;
import app.knuckle.stats.linear.Term;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import org.apache.commons.statistics.distribution.PoissonDistribution;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.RandomMatrices_DDRM;
import org.ejml.dense.row.factory.DecompositionFactory_DDRM;
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

/**
 * Counts: all terms by deviance and all pairs of cells, beside one pass over the rows, and a model
 * of covariates beside one decomposition of its size.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
public class CountBench {

  private static final int[] LEVELS = {4, 3, 5};
  private static final int CELLS = 60;

  private List<Factor> factors;
  private double[] counts;
  private Model model;
  private double[] few;
  private Model slopes;
  private DMatrixRMaj columns;

  /** Makes the rows. */
  @Setup
  public void rows() {
    Random random = new Random(3);
    int n = 1_000_000;
    factors = factors(random, n, LEVELS);
    counts = counts(random, factors, n);
    List<String> names = factors.stream().map(Factor::name).toList();
    model = new Model(factors, List.of(), Term.combinations(names, LEVELS.length), true);
    int m = 5_000;
    List<Factor> two = factors(random, m, new int[] {3, 3});
    few = counts(random, two, m);
    List<Covariate> covariates =
        IntStream.range(0, 3)
            .mapToObj(i -> new Covariate("x" + i, random.doubles(m, -1, 1).toArray()))
            .toList();
    List<Term> terms = new ArrayList<>();
    covariates.forEach(x -> terms.add(Term.of(x.name())));
    terms.addAll(Term.combinations(two.stream().map(Factor::name).toList(), 2));
    slopes = new Model(two, covariates, terms, true);
    columns = RandomMatrices_DDRM.rectangle(m, 12, new java.util.Random(1));
  }

  private static List<Factor> factors(Random random, int n, int[] levels) {
    List<Factor> all = new ArrayList<>();
    for (int size : levels) {
      String name = "f" + all.size();
      List<String> names = IntStream.range(0, size).mapToObj(i -> name + i).toList();
      all.add(new Factor(name, names, random.ints(n, 0, size).toArray()));
    }
    return all;
  }

  private static double[] counts(Random random, List<Factor> factors, int n) {
    double[] counts = new double[n];
    for (int i = 0; i < n; i++) {
      double log = 1;
      for (Factor factor : factors) {
        log += 0.2 * factor.codes()[i];
      }
      counts[i] =
          PoissonDistribution.of(Math.exp(log)).inverseCumulativeProbability(random.nextDouble());
    }
    return counts;
  }

  /** One bare pass over a million rows: the sum of each cell. Returns the sums. */
  @Benchmark
  public double[] baselinePass() {
    double[] sums = new double[CELLS];
    int[] a = factors.get(0).codes();
    int[] b = factors.get(1).codes();
    int[] c = factors.get(2).codes();
    for (int i = 0; i < counts.length; i++) {
      sums[(a[i] * LEVELS[1] + b[i]) * LEVELS[2] + c[i]] += counts[i];
    }
    return sums;
  }

  /** One decomposition of 5,000 rows and 12 columns. */
  @Benchmark
  public DMatrixRMaj baselineColumns() {
    var qr = DecompositionFactory_DDRM.qr(columns.numRows, columns.numCols);
    qr.decompose(columns.copy());
    return qr.getR(null, true);
  }

  /**
   * A million rows, three treatments, every term by deviance, all pairs of the cells: the pairs.
   */
  @Benchmark
  public Comparison millionRows() {
    CountFit fit = fit(model, counts);
    fit.drops(Squares.IN_ORDER, Progress.NONE);
    List<Estimable> means = new ArrayList<>();
    for (int cell = 0; cell < CELLS; cell++) {
      int c = cell % LEVELS[2];
      int b = cell / LEVELS[2] % LEVELS[1];
      means.add(fit.mean(new int[] {cell / LEVELS[2] / LEVELS[1], b, c}, new double[0]));
    }
    return AllPairs.withDefaults().compare(fit.estimates(means, new long[CELLS]), Progress.NONE);
  }

  /**
   * 5,000 rows, three covariates and nine cells, with every term by deviance: how many terms there
   * are.
   */
  @Benchmark
  public int threeCovariates() {
    return fit(slopes, few).drops(Squares.IN_ORDER, Progress.NONE).size();
  }

  private static CountFit fit(Model model, double[] counts) {
    CountModel asked = new CountModel(CountKind.COUNTS, model, true);
    return CountFit.of(asked, counts, null, Progress.NONE).orElseThrow();
  }
}
