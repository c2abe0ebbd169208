package app.knuckle.stats.resampling;

import app.knuckle.stats.Progress;
import java.util.SplittableRandom;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.stream.IntStream;

/**
 * Seeded random arrangements of some values, in parts side by side. Parts and seeds do not depend
 * on the machine, so neither do the results.
 */
final class RandomArrangements {

  /** Arrangements: the error of a p near 0.05 is then 0.0022. */
  static final int COUNT = 9_999;

  static final long SEED = 20_260_601;

  /** Enough parts for the cores of a desktop. */
  private static final int PARTS = 8;

  /** Between two parts' seeds: an odd number with scattered bits, so that they share no stretch. */
  private static final long APART = 0x9E3779B97F4A7C15L;

  private RandomArrangements() {}

  /**
   * Shows each arrangement to the judge of its part.
   *
   * @param values left as they are
   * @param judges makes one for each part
   * @param progress told and asked on the way
   * @return the judges, one a part, always in the same order
   * @throws java.util.concurrent.CancellationException if stopped
   */
  static <J extends Consumer<double[]>> java.util.List<J> each(
      double[] values, Supplier<J> judges, Progress progress) {
    AtomicInteger done = new AtomicInteger();
    return IntStream.range(0, PARTS)
        .parallel()
        .mapToObj(
            part -> {
              J judge = judges.get();
              SplittableRandom random = new SplittableRandom(SEED + part * APART);
              double[] x = values.clone();
              int own = COUNT * (part + 1) / PARTS - COUNT * part / PARTS;
              for (int r = 0; r < own; r++) {
                progress.check();
                shuffle(x, random);
                judge.accept(x);
                progress.done(done.incrementAndGet() / (double) COUNT);
              }
              return judge;
            })
        .toList();
  }

  /** Fisher and Yates. */
  private static void shuffle(double[] x, SplittableRandom random) {
    for (int i = x.length - 1; i > 0; i--) {
      int j = random.nextInt(i + 1);
      double kept = x[i];
      x[i] = x[j];
      x[j] = kept;
    }
  }
}
