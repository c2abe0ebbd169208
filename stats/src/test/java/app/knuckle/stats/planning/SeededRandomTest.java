package app.knuckle.stats.planning;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.apache.commons.statistics.distribution.ChiSquaredDistribution;
import org.junit.jupiter.api.Test;

class SeededRandomTest {

  /** So rarely does an even chance count so unevenly. The seeds are fixed, so it fails or not. */
  private static final double UNEVEN = 1e-4;

  @Test
  void everyOrderIsEquallyLikely() {
    SeededRandom chance = new SeededRandom(7);
    Map<Object, Integer> counts = new HashMap<>();
    for (int i = 0; i < 24_000; i++) {
      counts.merge(chance.shuffled(List.of("a", "b", "c", "d")), 1, Integer::sum);
    }
    assertEven(counts, 24);
  }

  @Test
  void everyLatinSquareOfThreeIsEquallyLikely() {
    SeededRandom chance = new SeededRandom(7);
    Map<Object, Integer> counts = new HashMap<>();
    for (int i = 0; i < 12_000; i++) {
      counts.merge(Arrays.deepToString(chance.latinSquare(3)), 1, Integer::sum);
    }
    assertEven(counts, 12);
  }

  @Test
  void everyLatinSquareOfFourIsMet() {
    SeededRandom chance = new SeededRandom(7);
    Map<Object, Integer> counts = new HashMap<>();
    for (int i = 0; i < 28_800; i++) {
      counts.merge(Arrays.deepToString(chance.latinSquare(4)), 1, Integer::sum);
    }
    assertEven(counts, 576);
  }

  private static void assertEven(Map<Object, Integer> counts, int arrangements) {
    assertThat(counts).hasSize(arrangements);
    double expected =
        counts.values().stream().mapToInt(Integer::intValue).sum() / (double) arrangements;
    double statistic =
        counts.values().stream().mapToDouble(n -> (n - expected) * (n - expected) / expected).sum();
    assertThat(ChiSquaredDistribution.of(arrangements - 1.0).survivalProbability(statistic))
        .isGreaterThan(UNEVEN);
  }

  @Property(tries = 40)
  void aSquareHasEachSymbolOnceInEachLine(
      @ForAll @IntRange(min = 2, max = 12) int size, @ForAll long seed) {
    int[][] square = new SeededRandom(seed).latinSquare(size);
    for (int i = 0; i < size; i++) {
      Set<Integer> row = new HashSet<>();
      Set<Integer> column = new HashSet<>();
      for (int j = 0; j < size; j++) {
        row.add(square[i][j]);
        column.add(square[j][i]);
      }
      assertThat(row).hasSize(size);
      assertThat(column).hasSize(size);
    }
  }

  /** Mean and variance of 40,000 normal deviates lie within five of their standard errors. */
  @Test
  void deviatesAreNormal() {
    SeededRandom chance = new SeededRandom(3);
    double sum = 0;
    double squares = 0;
    double fourth = 0;
    int n = 40_000;
    for (int i = 0; i < n; i++) {
      double z = chance.normal();
      sum += z;
      squares += z * z;
      fourth += z * z * z * z;
    }
    double root = Math.sqrt(n);
    assertThat(Math.abs(sum / n)).isLessThan(5 / root);
    assertThat(Math.abs(squares / n - 1)).isLessThan(5 * Math.sqrt(2) / root);
    assertThat(Math.abs(fourth / n - 3)).isLessThan(5 * Math.sqrt(96) / root);
  }
}
