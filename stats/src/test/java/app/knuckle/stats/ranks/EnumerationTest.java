package app.knuckle.stats.ranks;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.knuckle.stats.Progress;
import app.knuckle.stats.compare.Direction;
import app.knuckle.stats.resampling.Permutation;
import app.knuckle.stats.resampling.PermutationP;
import java.util.Arrays;
import java.util.function.ToDoubleFunction;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;

/** Exact distributions against every arrangement, one by one; whole values, so that ties abound. */
class EnumerationTest {

  private static final double SAME = 1e-9;

  @Property(tries = 60)
  void rankSumsAreCountedAsIfOneByOne(
      @ForAll @Size(min = 2, max = 5) int[] first, @ForAll @Size(min = 2, max = 5) int[] second) {
    double[] x = few(first);
    double[] y = few(second);
    double[] ranks = Ranks.of(join(x, y)).ranks;
    double observed = Arrays.stream(ranks, 0, x.length).sum();
    double mean = x.length * (ranks.length + 1) / 2.0;
    Share share = new Share(observed);
    Share apart = new Share(Math.abs(observed - mean));
    for (int mask = 0; mask < 1 << ranks.length; mask++) {
      if (Integer.bitCount(mask) == x.length) {
        share.add(sum(ranks, mask));
        apart.add(Math.abs(sum(ranks, mask) - mean));
      }
    }
    for (Direction direction : Direction.values()) {
      RankTest.ExactSum exact = RankSum.mannWhitney(x, y, direction, 0.05).exact();
      double p = direction == Direction.EITHER ? apart.p(Direction.GREATER) : share.p(direction);
      assertThat(exact.p().value()).isCloseTo(p, within(SAME));
    }
  }

  @Property(tries = 60)
  void signedRanksAreCountedAsIfOneByOne(@ForAll @Size(min = 2, max = 9) int[] some) {
    double[] differences = Arrays.stream(few(some)).map(d -> d - 3).filter(d -> d != 0).toArray();
    if (differences.length == 0) {
      return;
    }
    double[] ranks = Ranks.of(Arrays.stream(differences).map(Math::abs).toArray()).ranks;
    double observed = 0;
    for (int i = 0; i < ranks.length; i++) {
      observed += differences[i] > 0 ? ranks[i] : 0;
    }
    Share share = new Share(observed);
    for (int mask = 0; mask < 1 << ranks.length; mask++) {
      share.add(sum(ranks, mask));
    }
    PairedRanks paired = PairedRanks.of(differences, new double[differences.length]);
    for (Direction direction : Direction.values()) {
      RankTest.ExactSigns exact = paired.signedRank(direction, 0.05, Double.NaN).signs().exact();
      assertThat(exact.p().value()).isCloseTo(share.p(direction), within(SAME));
    }
  }

  @Property(tries = 40)
  void permutationsOfThreeGroupsAreCountedAsIfOneByOne(
      @ForAll @Size(7) int[] some, @ForAll @IntRange(min = 1, max = 4) int firstSize) {
    double[] values = few(some);
    int second = firstSize + (7 - firstSize) / 2;
    double[][] groups = {
      Arrays.copyOfRange(values, 0, firstSize),
      Arrays.copyOfRange(values, firstSize, second),
      Arrays.copyOfRange(values, second, 7)
    };
    ToDoubleFunction<int[]> spread =
        codes -> {
          double[] sums = new double[3];
          for (int i = 0; i < 7; i++) {
            sums[codes[i]] += values[i];
          }
          double total = 0;
          for (int g = 0; g < 3; g++) {
            total += sums[g] * sums[g] / groups[g].length;
          }
          return total;
        };
    int[] own = new int[7];
    Arrays.setAll(own, i -> i < firstSize ? 0 : i < second ? 1 : 2);
    double observed = spread.applyAsDouble(own);
    long atLeast = 0;
    long all = 0;
    for (int word = 0; word < Math.pow(3, 7); word++) {
      int[] codes = new int[7];
      int rest = word;
      int[] sizes = new int[3];
      for (int i = 0; i < 7; i++) {
        codes[i] = rest % 3;
        sizes[codes[i]]++;
        rest /= 3;
      }
      if (sizes[0] == groups[0].length && sizes[1] == groups[1].length) {
        all++;
        atLeast += spread.applyAsDouble(codes) >= observed - SAME ? 1 : 0;
      }
    }
    PermutationP found = Permutation.of(groups, Direction.EITHER, 0.05, Progress.NONE);
    assertThat(found.arrangements()).isEqualTo(all);
    assertThat(found.pEither()).isCloseTo((double) atLeast / all, within(SAME));
  }

  @Property(tries = 100)
  void selectedSumsAreThoseOfAllSumsSorted(
      @ForAll @Size(min = 1, max = 60) int[] first, @ForAll @Size(min = 1, max = 60) int[] second) {
    double[] x = Arrays.stream(first).mapToDouble(i -> i % 1000).toArray();
    double[] y = few(second);
    double[] all =
        Arrays.stream(x).flatMap(a -> Arrays.stream(y).map(b -> a - b)).sorted().toArray();
    OrderStatistics found = OrderStatistics.differences(x, y);
    double[] walsh = new double[(int) OrderStatistics.doubledWalshAverages(x).size()];
    int at = 0;
    for (int i = 0; i < x.length; i++) {
      for (int j = i; j < x.length; j++) {
        walsh[at++] = x[i] + x[j];
      }
    }
    Arrays.sort(walsh);
    for (int i = 0; i < all.length; i += 7) {
      assertThat(found.at(i)).isEqualTo(all[i]);
    }
    for (int i = 0; i < walsh.length; i += 7) {
      assertThat(OrderStatistics.doubledWalshAverages(x).at(i)).isEqualTo(walsh[i]);
    }
  }

  /** Shares of arrangements on either side of the one observed. */
  private static final class Share {
    private final double observed;
    private long above;
    private long below;
    private long all;

    Share(double observed) {
      this.observed = observed;
    }

    void add(double sum) {
      above += sum >= observed - SAME ? 1 : 0;
      below += sum <= observed + SAME ? 1 : 0;
      all++;
    }

    double p(Direction direction) {
      double up = (double) above / all;
      double down = (double) below / all;
      return switch (direction) {
        case EITHER -> Math.min(1, 2 * Math.min(up, down));
        case GREATER -> up;
        case LESS -> down;
      };
    }
  }

  private static double sum(double[] ranks, int mask) {
    double sum = 0;
    for (int i = 0; i < ranks.length; i++) {
      sum += (mask >> i & 1) * ranks[i];
    }
    return sum;
  }

  private static double[] few(int[] some) {
    return Arrays.stream(some).mapToDouble(i -> Math.floorMod(i, 7)).toArray();
  }

  private static double[] join(double[] x, double[] y) {
    double[] all = Arrays.copyOf(x, x.length + y.length);
    System.arraycopy(y, 0, all, x.length, y.length);
    return all;
  }
}
