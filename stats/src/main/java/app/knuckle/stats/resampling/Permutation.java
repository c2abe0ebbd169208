package app.knuckle.stats.resampling;

import app.knuckle.stats.Facts;
import app.knuckle.stats.Progress;
import java.util.Arrays;
import java.util.Random;

/**
 * The share of rearrangements of the values among the groups that are at least as extreme as the
 * groups observed: all of them when they are few, else seeded random ones.
 *
 * @see "Pitman, E. J. G. (1937). Journal of the Royal Statistical Society Supplement 4, 119-130"
 */
public final class Permutation {

  /** Up to so many arrangements are enumerated. */
  private static final double MOST_ENUMERATED = 1_000_000;

  /** Random arrangements beyond: the error of a p near 0.05 is then 0.0022. */
  private static final int RANDOM = 9_999;

  private static final long SEED = 20_260_601;

  /** Sums that differ by less than this share are equal but for rounding. */
  private static final double SAME = 1e-11;

  private final double[] values;
  private final int[] sizes;
  private final Progress progress;
  private final double[] sums;
  private final int[] left;
  private double observedSpread;
  private double observedFirst;
  private long atLeast;
  private long greater;
  private long less;
  private long count;

  private Permutation(double[][] groups, Progress progress) {
    // About one of the values, so that sums keep their digits.
    double origin = groups[0][0];
    values = Arrays.stream(groups).flatMapToDouble(Arrays::stream).map(v -> v - origin).toArray();
    sizes = Arrays.stream(groups).mapToInt(g -> g.length).toArray();
    this.progress = progress;
    sums = new double[sizes.length];
    left = sizes.clone();
    int at = 0;
    for (int g = 0; g < sizes.length; g++) {
      double sum = 0;
      for (int i = 0; i < sizes[g]; i++) {
        sum += values[at++];
      }
      observedSpread += sum * sum / sizes[g];
      observedFirst += g == 0 ? sum : 0;
    }
  }

  /**
   * Rearranges.
   *
   * @param groups two or more, none empty
   * @param progress asked on the way
   * @return pEither (of the spread between the groups), pGreater and pLess (of the first group's
   *     mean), arrangements; for random ones their seed and the standard error of p
   */
  public static Facts of(double[][] groups, Progress progress) {
    return new Permutation(groups, progress).facts();
  }

  private Facts facts() {
    double arrangements = 1;
    int placed = 0;
    for (int size : sizes) {
      for (int i = 1; i <= size; i++) {
        arrangements = arrangements * ++placed / i;
      }
    }
    Facts facts = new Facts();
    if (arrangements <= MOST_ENUMERATED) {
      enumerate(0);
      return facts
          .put("pEither", atLeast / (double) count)
          .put("pGreater", greater / (double) count)
          .put("pLess", less / (double) count)
          .put("arrangements", count);
    }
    shuffle();
    double p = (atLeast + 1.0) / (RANDOM + 1);
    return facts
        .put("pEither", p)
        .put("pGreater", (greater + 1.0) / (RANDOM + 1))
        .put("pLess", (less + 1.0) / (RANDOM + 1))
        .put("arrangements", RANDOM)
        .put("seed", SEED)
        .put("monteCarloSe", Math.sqrt(p * (1 - p) / RANDOM));
  }

  private void enumerate(int at) {
    if (at == values.length) {
      judge();
      return;
    }
    if (at == 2) {
      progress.check();
    }
    for (int g = 0; g < left.length; g++) {
      if (left[g] > 0) {
        left[g]--;
        double kept = sums[g];
        sums[g] += values[at];
        enumerate(at + 1);
        sums[g] = kept;
        left[g]++;
      }
    }
  }

  private void judge() {
    double spread = 0;
    for (int g = 0; g < sums.length; g++) {
      spread += sums[g] * sums[g] / sizes[g];
    }
    double slack = SAME * Math.max(Math.abs(observedSpread), 1e-300);
    double firstSlack = SAME * Math.max(Math.abs(observedFirst), Math.abs(sums[0]));
    atLeast += spread >= observedSpread - slack ? 1 : 0;
    greater += sums[0] >= observedFirst - firstSlack ? 1 : 0;
    less += sums[0] <= observedFirst + firstSlack ? 1 : 0;
    count++;
  }

  private void shuffle() {
    Random random = new Random(SEED);
    double[] x = values.clone();
    for (int r = 0; r < RANDOM; r++) {
      progress.check();
      for (int i = x.length - 1; i > 0; i--) {
        int j = random.nextInt(i + 1);
        double kept = x[i];
        x[i] = x[j];
        x[j] = kept;
      }
      int at = 0;
      for (int g = 0; g < sizes.length; g++) {
        sums[g] = 0;
        for (int i = 0; i < sizes[g]; i++) {
          sums[g] += x[at++];
        }
      }
      judge();
      progress.done((r + 1.0) / RANDOM);
    }
  }
}
