package app.knuckle.bench;

import app.knuckle.stats.Outcome;
import app.knuckle.stats.Progress;
import app.knuckle.stats.checks.Normality;
import app.knuckle.stats.compare.Direction;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.stats.ranks.RankPairs;
import app.knuckle.stats.ranks.RankSum;
import app.knuckle.stats.ranks.RanksOfGroups;
import app.knuckle.stats.resampling.Permutation;
import java.util.Arrays;
import java.util.Random;
import java.util.SplittableRandom;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
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

/** Ranks and permutations beside a sort, a plain table of sums, and bare shuffling. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
public class RanksBench {

  private static final int SHUFFLES = 9_999;

  private double[][] twelve;
  private double[] rows;
  private double[] fiveThousand;
  private double[] first;
  private double[] second;
  private double[][] layout;

  /** Makes the values. */
  @Setup
  public void values() {
    Random random = new Random(2);
    twelve =
        IntStream.range(0, 12)
            .mapToObj(
                g -> IntStream.range(0, 1000).mapToDouble(i -> random.nextGaussian()).toArray())
            .toArray(double[][]::new);
    rows = Arrays.stream(twelve).flatMapToDouble(Arrays::stream).toArray();
    fiveThousand = Arrays.copyOf(rows, 5000);
    first = Arrays.copyOfRange(rows, 0, 100);
    second = Arrays.copyOfRange(rows, 100, 200);
    layout =
        IntStream.range(0, 4)
            .mapToObj(g -> Arrays.copyOfRange(rows, 250 * g, 250 * (g + 1)))
            .toArray(double[][]::new);
  }

  /** One sort of 12,000 rows: sorted. */
  @Benchmark
  public double[] baselineSortOfRows() {
    double[] copy = rows.clone();
    Arrays.sort(copy);
    return copy;
  }

  /** Kruskal-Wallis and all pairs by Dwass and Steel: the test and the pairs. */
  @Benchmark
  public Object twelveGroups() {
    RanksOfGroups several = new RanksOfGroups(twelve);
    return new Object[] {
      several.kruskalWallis(), RankPairs.of(several, Procedure.DWASS_STEEL, 0.05)
    };
  }

  /** One sort of 5,000 values: sorted. */
  @Benchmark
  public double[] baselineSortOfFiveThousand() {
    double[] copy = fiveThousand.clone();
    Arrays.sort(copy);
    return copy;
  }

  /** Shapiro and Wilk's test of 5,000 values. */
  @Benchmark
  public Outcome shapiroWilk() {
    return Normality.shapiroWilk(fiveThousand, 0);
  }

  /** Ways to each sum of 100 of 200 ranks, in a plain table: the table's last row. */
  @Benchmark
  public double[] baselineTableOfSums() {
    double[][] ways = new double[101][100 * 100 + 1];
    ways[0][0] = 1;
    for (int rank = 1; rank <= 200; rank++) {
      for (int chosen = Math.min(rank, 100); chosen >= 1; chosen--) {
        int shift = rank - chosen; // Sums less the smallest possible one.
        if (shift > 100) {
          continue;
        }
        double[] from = ways[chosen - 1];
        double[] to = ways[chosen];
        for (int s = to.length - 1; s >= shift; s--) {
          to[s] += from[s - shift];
        }
      }
    }
    return ways[100];
  }

  /** The rank-sum test of 100 against 100. */
  @Benchmark
  public Outcome rankSum() {
    return RankSum.mannWhitney(first, second, Direction.EITHER, 0.05);
  }

  /** Shuffling 1,000 values and summing four groups, as often as the test does. */
  @Benchmark
  public double baselineShuffles() {
    SplittableRandom random = new SplittableRandom(1);
    double[] x = Arrays.copyOf(rows, 1000);
    double total = 0;
    for (int time = 0; time < SHUFFLES; time++) {
      for (int i = x.length - 1; i > 0; i--) {
        int j = random.nextInt(i + 1);
        double kept = x[i];
        x[i] = x[j];
        x[j] = kept;
      }
      for (int g = 0; g < 4; g++) {
        double sum = 0;
        for (int i = 250 * g; i < 250 * (g + 1); i++) {
          sum += x[i];
        }
        total += sum * sum;
      }
    }
    return total;
  }

  /** The permutation test of four groups of 250. */
  @Benchmark
  public Outcome permutation() {
    return Permutation.of(layout, Direction.EITHER, 1e-9, Progress.NONE);
  }
}
