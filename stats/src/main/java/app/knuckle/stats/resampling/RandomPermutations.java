package app.knuckle.stats.resampling;

import app.knuckle.stats.Progress;
import java.util.List;
import java.util.SplittableRandom;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.function.ToLongFunction;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * Seeded random arrangements of some values, in parts side by side. Parts and seeds do not depend
 * on the machine, so neither do the results.
 */
final class RandomPermutations {

  /** Arrangements at first: the error of a p near 0.05 is then 0.0022. */
  static final int FIRST = 9_999;

  static final long SEED = 20_260_601;

  /** More are drawn while p lies within so many of its standard errors of the level. */
  private static final double ERRORS = 3;

  /** No more than this, however near to the level p lies: its error is then some 0.0002. */
  private static final long MOST = 1_279_999;

  /** No more values than this are shuffled, so that large layouts are answered while one waits. */
  private static final long MOST_VALUES = 400_000_000;

  /** Enough parts for the cores of a desktop. */
  private static final int PARTS = 8;

  /** Between two parts' seeds: an odd number with scattered bits, so that they share no stretch. */
  private static final long APART = 0x9E3779B97F4A7C15L;

  private RandomPermutations() {}

  /**
   * What was drawn.
   *
   * @param judges one a part, always in the same order
   * @param count arrangements in all
   * @param p share of those as extreme as the one observed, that one among them
   * @param <J> judge
   */
  record Drawn<J>(List<J> judges, long count, double p) {
    /** The standard error of p. */
    double monteCarloSe() {
      return se(p, count);
    }
  }

  private static double se(double p, long count) {
    return Math.sqrt(p * (1 - p) / count);
  }

  /** One part: its judge, and where its drawing stands. */
  private record Part<J>(J judge, SplittableRandom random, double[] x) {}

  /**
   * Shows each arrangement to the judge of its part, until p lies clear of a level.
   *
   * @param values left as they are
   * @param judges makes one for each part
   * @param extreme how many of the arrangements that some judges saw are as extreme as the observed
   * @param alpha the level that p is held against
   * @param progress told and asked on the way
   * @return what was drawn
   * @throws java.util.concurrent.CancellationException if stopped
   */
  static <J extends Consumer<double[]>> Drawn<J> each(
      double[] values,
      Supplier<J> judges,
      ToLongFunction<J> extreme,
      double alpha,
      Progress progress) {
    List<Part<J>> parts =
        IntStream.range(0, PARTS)
            .mapToObj(
                part ->
                    new Part<>(
                        judges.get(), new SplittableRandom(SEED + part * APART), values.clone()))
            .toList();
    long most = Math.max(FIRST, Math.min(MOST, MOST_VALUES / Math.max(1, values.length)));
    AtomicLong done = new AtomicLong();
    long before = 0;
    long count = FIRST;
    while (true) {
      draw(parts, before, count, done, progress);
      List<J> all = parts.stream().map(Part::judge).toList();
      double p = (all.stream().mapToLong(extreme).sum() + 1.0) / (count + 1.0);
      if (Math.abs(p - alpha) > ERRORS * se(p, count) || count >= most) {
        return new Drawn<>(all, count, p);
      }
      before = count;
      count = Math.min(most, 2 * count + 1);
    }
  }

  private static <J extends Consumer<double[]>> void draw(
      List<Part<J>> parts, long from, long to, AtomicLong done, Progress progress) {
    Stream<Integer> places = IntStream.range(0, PARTS).boxed();
    places
        .parallel()
        .forEach(
            place -> {
              Part<J> part = parts.get(place);
              long own = share(to, place) - share(from, place);
              for (long r = 0; r < own; r++) {
                progress.check();
                shuffle(part.x(), part.random());
                part.judge().accept(part.x());
                progress.done(done.incrementAndGet() / (double) to);
              }
            });
  }

  /** How many of so many arrangements a part draws. */
  private static long share(long count, int place) {
    return count * (place + 1) / PARTS - count * place / PARTS;
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
