package app.knuckle.bench;

import app.knuckle.stats.Progress;
import app.knuckle.stats.compare.AllPairs;
import app.knuckle.stats.compare.Comparison;
import app.knuckle.stats.linear.Estimable;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.Model;
import app.knuckle.stats.linear.Term;
import app.knuckle.stats.mixed.MixedFit;
import app.knuckle.stats.mixed.MixedModel;
import app.knuckle.stats.mixed.RandomTerm;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
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
 * Random effects: the fit with the precision of its variances, the tests after Kenward and Roger
 * and all pairs of cells, beside one decomposition of the mixed-model equations and one pass over
 * the rows.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
public class MixedBench {

  private Trial small;
  private Trial large;
  private DMatrixRMaj equations;
  private DMatrixRMaj reduced;

  /** An experiment with what is fixed and what is random. */
  private record Trial(List<Factor> fixed, List<Factor> random, double[] values) {

    Comparison answer() {
      List<Term> terms = Term.combinations(fixed.stream().map(Factor::name).toList(), 2);
      MixedFit fit =
          MixedFit.of(
              new MixedModel(
                  new Model(fixed, List.of(), terms, true),
                  random.stream().map(f -> RandomTerm.of(List.of(f), row -> true)).toList(),
                  MixedModel.WithinUnit.EQUAL,
                  null,
                  null,
                  MixedModel.Denominator.KENWARD_ROGER),
              values,
              Progress.NONE);
      fit.tests(0.05);
      List<Estimable> means = new ArrayList<>();
      for (int a = 0; a < fixed.get(0).size(); a++) {
        for (int b = 0; b < fixed.get(1).size(); b++) {
          means.add(fit.mean(new int[] {a, b}, new double[0]));
        }
      }
      return AllPairs.withDefaults()
          .compare(fit.estimates(means, new long[means.size()]), Progress.NONE);
    }
  }

  /** Makes the rows. */
  @Setup
  public void rows() {
    Random random = new Random(3);
    small = trial(random, 1_000, 3, 4, new int[] {5, 25, 100});
    int n = 100_000;
    int[] units = IntStream.range(0, n).map(i -> i % 2_000).toArray();
    int[] blocks = IntStream.of(units).map(u -> u / 40).toArray();
    double[] y = new double[n];
    double[] ofUnit = random.doubles(2_000, -1, 1).toArray();
    double[] ofBlock = random.doubles(50, -2, 2).toArray();
    Factor a = factor("a", 3, random.ints(n, 0, 3).toArray());
    Factor b = factor("b", 4, random.ints(n, 0, 4).toArray());
    Arrays.setAll(
        y, i -> 12 + a.codes()[i] + ofUnit[units[i]] + ofBlock[blocks[i]] + random.nextGaussian());
    large =
        new Trial(
            List.of(a, b), List.of(factor("block", 50, blocks), factor("unit", 2_000, units)), y);
    equations = RandomMatrices_DDRM.symmetricPosDef(142, new Random(1));
    reduced = RandomMatrices_DDRM.symmetricPosDef(62, new Random(1));
  }

  private static Trial trial(Random random, int n, int a, int b, int[] levels) {
    List<Factor> drawn = new ArrayList<>();
    double[] y = random.doubles(n).toArray();
    for (int size : levels) {
      double[] effects = random.doubles(size, -2, 2).toArray();
      Factor factor = factor("r" + size, size, random.ints(n, 0, size).toArray());
      Arrays.setAll(y, i -> y[i] + effects[factor.codes()[i]]);
      drawn.add(factor);
    }
    return new Trial(
        List.of(
            factor("a", a, random.ints(n, 0, a).toArray()),
            factor("b", b, random.ints(n, 0, b).toArray())),
        drawn,
        y);
  }

  private static Factor factor(String name, int size, int[] codes) {
    return new Factor(name, IntStream.range(0, size).mapToObj(i -> name + i).toList(), codes);
  }

  /** One dense Cholesky decomposition of 142 equations. */
  @Benchmark
  public DMatrixRMaj baselineEquations() {
    return decomposed(equations);
  }

  /** One of the 62 equations that are left when the units are taken out. */
  @Benchmark
  public DMatrixRMaj baselineReduced() {
    return decomposed(reduced);
  }

  private static DMatrixRMaj decomposed(DMatrixRMaj matrix) {
    var cholesky = DecompositionFactory_DDRM.chol(matrix.numRows, true);
    cholesky.decompose(matrix.copy());
    return cholesky.getT(null);
  }

  /** One bare pass over 100,000 rows: sums of each cell and unit. Returns the sums. */
  @Benchmark
  public double[] baselinePass() {
    double[] sums = new double[12 + 50 + 2_000];
    int[] a = large.fixed().get(0).codes();
    int[] b = large.fixed().get(1).codes();
    int[] block = large.random().get(0).codes();
    int[] unit = large.random().get(1).codes();
    for (int i = 0; i < a.length; i++) {
      double y = large.values()[i];
      sums[a[i] * 4 + b[i]] += y;
      sums[12 + block[i]] += y;
      sums[62 + unit[i]] += y;
    }
    return sums;
  }

  /** 1,000 rows, random terms of 5, 25 and 100 levels, 12 cells. */
  @Benchmark
  public Comparison threeTerms() {
    return small.answer();
  }

  /** 100,000 rows, 2,000 units within 50 blocks, 12 cells. */
  @Benchmark
  public Comparison unitsWithinBlocks() {
    return large.answer();
  }
}
