package app.knuckle.stats.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import net.jqwik.api.Assume;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class IncompleteBlocksTest {

  /** Where every two treatments meet equally often, the bound t(k-1)/(k(t-1)) is reached. */
  @ParameterizedTest
  @CsvSource({"7, 3, 3", "9, 3, 4", "4, 2, 3", "5, 4, 4", "6, 3, 10"})
  void balancedBlocksAreFound(int treatments, int size, int replicates) {
    IncompleteBlocks blocks =
        IncompleteBlocks.search(treatments, size, replicates, new SeededRandom(1));
    double bound = treatments * (size - 1.0) / (size * (treatments - 1.0));
    assertThat(blocks.efficiency(treatments)).isCloseTo(bound, within(1e-9));
  }

  @ParameterizedTest
  @CsvSource({"30, 6, 4", "24, 6, 3", "25, 5, 3"})
  void resolvableBlocksAreNearlyAsGoodAsCanBe(int treatments, int size, int replicates) {
    IncompleteBlocks blocks =
        IncompleteBlocks.search(treatments, size, replicates, new SeededRandom(1));
    assertThat(blocks.resolvable()).isTrue();
    assertThat(blocks.efficiency(treatments))
        .isBetween(0.99 * blocks.bound(treatments), blocks.bound(treatments) + 1e-9);
  }

  @Property(tries = 40)
  void everyTreatmentComesEquallyOftenAndNoDesignPassesTheBound(
      @ForAll @IntRange(min = 3, max = 14) int treatments,
      @ForAll @IntRange(min = 2, max = 6) int size,
      @ForAll @IntRange(min = 2, max = 5) int replicates,
      @ForAll long seed) {
    Assume.that(size < treatments && treatments * replicates % size == 0);
    IncompleteBlocks blocks =
        IncompleteBlocks.search(treatments, size, replicates, new SeededRandom(seed));
    int[] counts = new int[treatments];
    for (List<Integer> block : blocks.blocks()) {
      assertThat(block).hasSize(size).doesNotHaveDuplicates();
      block.forEach(t -> counts[t]++);
    }
    assertThat(counts).containsOnly(replicates);
    double bound = treatments * (size - 1.0) / (size * (treatments - 1.0));
    assertThat(blocks.efficiency(treatments)).isLessThan(bound + 1e-9);
    assertThat(blocks.efficiency(treatments)).isLessThan(blocks.bound(treatments) + 1e-9);
    if (blocks.resolvable()) {
      int each = treatments / size;
      for (int r = 0; r < replicates; r++) {
        assertThat(
                blocks.blocks().subList(r * each, (r + 1) * each).stream()
                    .flatMap(List::stream)
                    .distinct()
                    .count())
            .isEqualTo(treatments);
      }
    }
  }
}
