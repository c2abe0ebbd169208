package app.knuckle.bench;

import app.knuckle.stats.anova.OneWay;
import app.knuckle.stats.summary.GroupMoments;
import java.util.Random;
import java.util.concurrent.TimeUnit;
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

/** One-way analysis of ten million rows in twelve groups, against a loop that only sums. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
public class OneWayBench {

  private static final int ROWS = 10_000_000;
  private static final int GROUPS = 12;

  private double[] values;
  private int[] groups;

  /** Makes the rows. */
  @Setup
  public void rows() {
    Random random = new Random(1);
    values = random.doubles(ROWS, 5, 15).toArray();
    groups = random.ints(ROWS, 0, GROUPS).toArray();
  }

  /**
   * The least that any analysis must do: read every row once and sum by group. Returns the sums.
   */
  @Benchmark
  public double[] baselineSumPerGroup() {
    double[] sums = new double[GROUPS];
    for (int i = 0; i < values.length; i++) {
      sums[groups[i]] += values[i];
    }
    return sums;
  }

  /**
   * What the analysis needs, in the plainest loop: how many there are, their sum and their squares
   * by group. Returns the squares.
   */
  @Benchmark
  public double[] neededPerGroup() {
    int[] counts = new int[GROUPS];
    double[] sums = new double[GROUPS];
    double[] squares = new double[GROUPS];
    double middle = values[0];
    for (int i = 0; i < values.length; i++) {
      int g = groups[i];
      double v = values[i] - middle;
      counts[g]++;
      sums[g] += v;
      squares[g] += v * v;
    }
    for (int g = 0; g < GROUPS; g++) {
      squares[g] -= sums[g] * sums[g] / counts[g];
    }
    return squares;
  }

  /** The whole analysis. */
  @Benchmark
  public OneWay analysis() {
    return OneWay.fit(GroupMoments.of(values, groups, GROUPS), 0.05);
  }
}
