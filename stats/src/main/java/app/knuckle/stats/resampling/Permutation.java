package app.knuckle.stats.resampling;

import app.knuckle.stats.Alike;
import app.knuckle.stats.Progress;
import app.knuckle.stats.compare.Direction;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;

/**
 * The share of permutations of the values among the groups that are at least as extreme as the
 * groups observed: all of them when they are few, else seeded random ones.
 *
 * @see "Pitman, E. J. G. (1937). Journal of the Royal Statistical Society Supplement 4, 119-130"
 */
public final class Permutation {

  /** Up to so many arrangements are enumerated. */
  private static final double MOST_ENUMERATED = 1_000_000;

  /** Sums of squares that differ by less than this share are equal but for rounding. */
  private static final double SAME = 1e-11;

  private final double[] values;
  private final int[] sizes;
  private final Progress progress;
  private final double blur;
  private final double fixed;
  private final double total;
  private final int errorDf;
  private double observedSpread;
  private double observedFirst;

  private Permutation(double[][] groups, Progress progress) {
    // About one of the values, so that sums keep their digits.
    double origin = groups[0][0];
    values = Arrays.stream(groups).flatMapToDouble(Arrays::stream).map(v -> v - origin).toArray();
    sizes = Arrays.stream(groups).mapToInt(g -> g.length).toArray();
    this.progress = progress;
    blur = Alike.within(Arrays.stream(groups).flatMapToDouble(Arrays::stream).toArray());
    int at = 0;
    for (int g = 0; g < sizes.length; g++) {
      double sum = 0;
      for (int i = 0; i < sizes[g]; i++) {
        sum += values[at++];
      }
      observedSpread += sum * sum / sizes[g];
      observedFirst += g == 0 ? sum : 0;
    }
    double sum = Arrays.stream(values).sum();
    fixed = sum * sum / values.length;
    total = Arrays.stream(values).map(v -> v * v).sum() - fixed;
    errorDf = values.length - sizes.length;
  }

  /**
   * Rearranges.
   *
   * @param groups two or more, none empty
   * @param direction whose share is held against the level
   * @param alpha the level: more arrangements are drawn while the share lies within its own error
   * @param progress told and asked on the way
   * @return pEither (of the spread between the groups), pGreater and pLess (of the first group's
   *     mean), arrangements; for random ones their seed and the standard error of p; reference, how
   *     often each F occurred, unless every group is one value
   * @throws java.util.concurrent.CancellationException if stopped
   */
  public static PermutationP of(
      double[][] groups, Direction direction, double alpha, Progress progress) {
    return new Permutation(groups, progress).shares(direction, alpha);
  }

  private PermutationP shares(Direction direction, double alpha) {
    if (AllPermutations.count(sizes) <= MOST_ENUMERATED) {
      Tally all = new Tally();
      AllPermutations.each(values, sizes, progress, all::judge);
      return new PermutationP(
          all.atLeast / (double) all.count,
          all.greater / (double) all.count,
          all.less / (double) all.count,
          all.count,
          Optional.empty(),
          Optional.empty(),
          reference(List.of(all)));
    }
    RandomPermutations.Drawn<Tally> drawn =
        RandomPermutations.each(values, Tally::new, t -> t.in(direction), alpha, progress);
    List<Tally> parts = drawn.judges();
    double count = drawn.count() + 1.0;
    return new PermutationP(
        (parts.stream().mapToLong(t -> t.atLeast).sum() + 1) / count,
        (parts.stream().mapToLong(t -> t.greater).sum() + 1) / count,
        (parts.stream().mapToLong(t -> t.less).sum() + 1) / count,
        drawn.count(),
        Optional.of(RandomPermutations.SEED),
        Optional.of(drawn.monteCarloSe()),
        reference(parts));
  }

  private Optional<PermutationDistribution> reference(List<Tally> parts) {
    return errorDf < 1
        ? Optional.empty()
        : Optional.of(PermutationCounts.together(parts.stream().map(t -> t.fs).toList()));
  }

  /** F of a spread: between the groups, over what is left within them. */
  private double f(double spread) {
    double between = spread - fixed;
    double within = total - between;
    return within > SAME * total
        ? Math.max(0, between) / (sizes.length - 1) / (within / errorDf)
        : Double.POSITIVE_INFINITY;
  }

  /** Counts arrangements by how they compare with the one observed. */
  private final class Tally implements Consumer<double[]> {
    private long atLeast;
    private long greater;
    private long less;
    private long count;
    private final PermutationCounts fs =
        errorDf < 1 ? null : new PermutationCounts(f(observedSpread), sizes.length - 1, errorDf);

    private long in(Direction direction) {
      return switch (direction) {
        case EITHER -> atLeast;
        case GREATER -> greater;
        case LESS -> less;
      };
    }

    @Override
    public void accept(double[] x) {
      double[] sums = new double[sizes.length];
      int at = 0;
      for (int g = 0; g < sizes.length; g++) {
        double sum = 0;
        for (int i = 0; i < sizes[g]; i++) {
          sum += x[at++];
        }
        sums[g] = sum;
      }
      judge(sums);
    }

    void judge(double[] sums) {
      double spread = 0;
      double blurred = 0;
      for (int g = 0; g < sums.length; g++) {
        spread += sums[g] * sums[g] / sizes[g];
        blurred += 2 * blur * Math.abs(sums[g]) / sizes[g];
      }
      double slack = SAME * Math.max(Math.abs(observedSpread), 1e-300) + blurred;
      double firstSlack = blur;
      atLeast += spread >= observedSpread - slack ? 1 : 0;
      greater += sums[0] >= observedFirst - firstSlack ? 1 : 0;
      less += sums[0] <= observedFirst + firstSlack ? 1 : 0;
      count++;
      if (fs != null) {
        fs.add(f(spread));
      }
    }
  }
}
