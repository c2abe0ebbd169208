package app.knuckle.stats;

import app.knuckle.stats.summary.GroupMoments;
import app.knuckle.stats.ttest.TTest;
import java.util.Arrays;
import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.IntStream;

/** Made samples for properties: drawn by a seed, so that a failure can be made again. */
public final class Samples {

  private Samples() {}

  public static double[] normal(long seed, int n) {
    Random random = new Random(seed);
    return IntStream.range(0, n).mapToDouble(i -> 10 + random.nextGaussian()).toArray();
  }

  /** Groups of 3 to 9 values each, whose means and spreads differ a little. */
  public static double[][] groups(long seed, int k) {
    Random random = new Random(seed);
    return IntStream.range(0, k)
        .mapToObj(
            g -> {
              double spread = 0.5 + random.nextDouble();
              double mean = 10 + random.nextDouble();
              return IntStream.range(0, 3 + random.nextInt(7))
                  .mapToDouble(i -> mean + spread * random.nextGaussian())
                  .toArray();
            })
        .toArray(double[][]::new);
  }

  public static double[][] map(double[][] groups, DoubleUnaryOperator each) {
    return Arrays.stream(groups)
        .map(g -> Arrays.stream(g).map(each).toArray())
        .toArray(double[][]::new);
  }

  public static GroupMoments moments(double[]... groups) {
    return GroupMoments.of(flat(groups), codes(groups), groups.length);
  }

  public static double[] flat(double[]... groups) {
    return Arrays.stream(groups).flatMapToDouble(Arrays::stream).toArray();
  }

  public static int[] codes(double[]... groups) {
    return IntStream.range(0, groups.length)
        .flatMap(g -> Arrays.stream(groups[g]).mapToInt(v -> g))
        .toArray();
  }

  public static TTest.Sample sample(double[] values) {
    double mean = Arrays.stream(values).average().orElseThrow();
    return new TTest.Sample(
        values.length, mean, Arrays.stream(values).map(v -> (v - mean) * (v - mean)).sum());
  }
}
