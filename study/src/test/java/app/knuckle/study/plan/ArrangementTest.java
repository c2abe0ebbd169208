package app.knuckle.study.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.knuckle.study.Refused;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.apache.commons.statistics.distribution.ChiSquaredDistribution;
import org.junit.jupiter.api.Test;

class ArrangementTest {

  private static <K> Map<K, List<Arrangement.Plot>> by(
      Arrangement arrangement, Function<Arrangement.Plot, K> what) {
    return arrangement.plots().stream().collect(Collectors.groupingBy(what));
  }

  @Property(tries = 100)
  void everyPlanKeepsToItsLayout(
      @ForAll Plan.Layout layout,
      @ForAll @IntRange(min = 2, max = 4) int a,
      @ForAll @IntRange(min = 2, max = 4) int b,
      @ForAll @IntRange(min = 1, max = 5) int replicates,
      @ForAll boolean serpentine,
      @ForAll long seed) {
    boolean one = layout == Plan.Layout.PAIRS || layout == Plan.Layout.LATIN_SQUARE;
    Map<String, List<String>> treatments =
        layout == Plan.Layout.PAIRS
            ? Plans.treatments(2)
            : one ? Plans.treatments(a) : Plans.treatments(a, b);
    int all = layout == Plan.Layout.PAIRS ? 2 : one ? a : a * b;
    // Two plots a block, and replicates that fill blocks.
    int times = layout == Plan.Layout.INCOMPLETE_BLOCKS ? 2 * replicates : replicates;
    Plan plan =
        Plans.plan(layout, treatments, new Plan.Size(times, 2, times, Map.of()), seed, null);
    plan = serpentine ? Plans.serpentine(plan, 0, 0) : plan;
    Arrangement arrangement = Arrangement.of(plan);
    int each = layout == Plan.Layout.LATIN_SQUARE ? times * a : times;
    assertThat(arrangement.plots()).hasSize(all * each);
    assertThat(by(arrangement, Arrangement.Plot::treatments).values())
        .hasSize(all)
        .allMatch(plots -> plots.size() == each);
    assertThat(arrangement.plots().stream().map(Arrangement.Plot::number))
        .containsExactlyElementsOf(
            java.util.stream.IntStream.rangeClosed(1, all * each).boxed().toList());
    assertThat(new HashSet<>(by(arrangement, p -> List.of(p.row(), p.column())).keySet()))
        .hasSize(all * each);
    assertThat(Arrangement.of(plan)).isEqualTo(arrangement);
    switch (layout) {
      case COMPLETELY_RANDOMISED -> assertThat(by(arrangement, Arrangement.Plot::block)).hasSize(1);
      case COMPLETE_BLOCKS, PAIRS -> completeIn(by(arrangement, Arrangement.Plot::block), all);
      case INCOMPLETE_BLOCKS -> completeIn(by(arrangement, Arrangement.Plot::block), 2);
      case LATIN_SQUARE -> {
        completeIn(by(arrangement, Arrangement.Plot::row), a);
        assertThat(by(arrangement, Arrangement.Plot::column).values())
            .allMatch(
                plots ->
                    plots.stream()
                        .collect(Collectors.groupingBy(Arrangement.Plot::treatments))
                        .values()
                        .stream()
                        .allMatch(same -> same.size() == times));
      }
      case SPLIT_PLOT -> {
        completeIn(by(arrangement, Arrangement.Plot::block), all);
        assertThat(by(arrangement, Arrangement.Plot::unit).values())
            .allMatch(plots -> levels(plots, "a") == 1 && levels(plots, "b") == b);
      }
      case SPLIT_BLOCK -> {
        completeIn(by(arrangement, Arrangement.Plot::block), all);
        assertThat(by(arrangement, Arrangement.Plot::row).values())
            .allMatch(plots -> levels(plots, "a") == 1 && levels(plots, "b") == b);
        assertThat(by(arrangement, p -> p.block() + "," + p.column()).values())
            .allMatch(plots -> levels(plots, "b") == 1 && levels(plots, "a") == a);
      }
      case REPEATED ->
          assertThat(by(arrangement, Arrangement.Plot::unit).values())
              .hasSize(a * times)
              .allMatch(plots -> levels(plots, "a") == 1 && levels(plots, "b") == b);
    }
  }

  private static void completeIn(Map<?, List<Arrangement.Plot>> groups, int size) {
    assertThat(groups.values())
        .allMatch(
            plots ->
                plots.size() == size
                    && plots.stream().map(Arrangement.Plot::treatments).distinct().count() == size);
  }

  private static long levels(List<Arrangement.Plot> plots, String treatment) {
    return plots.stream().map(p -> p.treatments().get(treatment)).distinct().count();
  }

  /** Two treatments on two plots each: six arrangements, met equally often over 6,000 seeds. */
  @Test
  void everyPermittedArrangementIsEquallyLikely() {
    evenly(Plan.Layout.COMPLETELY_RANDOMISED, Plans.treatments(2), 2, 6);
    evenly(Plan.Layout.COMPLETE_BLOCKS, Plans.treatments(3), 2, 36);
    evenly(Plan.Layout.SPLIT_PLOT, Plans.treatments(2, 2), 1, 8);
    evenly(Plan.Layout.SPLIT_BLOCK, Plans.treatments(2, 2), 1, 4);
    evenly(Plan.Layout.LATIN_SQUARE, Plans.treatments(3), 1, 12);
    evenly(Plan.Layout.PAIRS, Plans.treatments(2), 3, 8);
  }

  private static void evenly(
      Plan.Layout layout, Map<String, List<String>> treatments, int replicates, int arrangements) {
    Map<Object, Integer> counts = new HashMap<>();
    int seeds = 1000 * arrangements;
    for (long seed = 0; seed < seeds; seed++) {
      Arrangement drawn = Arrangement.of(Plans.plan(layout, treatments, replicates, seed));
      counts.merge(
          drawn.plots().stream().map(Arrangement.Plot::treatments).toList(), 1, Integer::sum);
    }
    assertThat(counts).as(layout.key()).hasSize(arrangements);
    double statistic =
        counts.values().stream().mapToDouble(n -> (n - 1000.0) * (n - 1000.0) / 1000).sum();
    // So unevenly one even chance in ten thousand counts; the seeds are fixed.
    assertThat(ChiSquaredDistribution.of(arrangements - 1.0).survivalProbability(statistic))
        .as(layout.key())
        .isGreaterThan(1e-4);
  }

  /** A plan that was printed must be drawn alike by every later version, on every machine. */
  @Test
  void aSeedKeepsItsPlan() {
    Arrangement drawn =
        Arrangement.of(Plans.plan(Plan.Layout.COMPLETE_BLOCKS, Plans.treatments(3), 3, 20260401));
    assertThat(drawn.plots().stream().map(p -> p.treatments().get("a")))
        .containsExactly("a3", "a2", "a1", "a1", "a2", "a3", "a1", "a2", "a3");
  }

  @Test
  void aSerpentineTurnsBack() {
    Plan plan = Plans.plan(Plan.Layout.COMPLETELY_RANDOMISED, Plans.treatments(3), 4, 1);
    assertThat(
            Arrangement.of(Plans.serpentine(plan, 3, 4)).plots().stream()
                .map(Arrangement.Plot::column))
        .containsExactly(1, 2, 3, 4, 4, 3, 2, 1, 1, 2, 3, 4);
  }

  @Test
  void whatCannotBeLaidOutIsRefusedAtItsKey() {
    assertThatThrownBy(
            () ->
                Arrangement.of(
                    Plans.plan(
                        Plan.Layout.INCOMPLETE_BLOCKS,
                        Plans.treatments(7),
                        new Plan.Size(2, 3, 1, Map.of()),
                        1,
                        null)))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("14 plots do not fall into blocks of 3");
    Plan square = Plans.plan(Plan.Layout.LATIN_SQUARE, Plans.treatments(4), 1, 1);
    assertThatThrownBy(() -> Arrangement.of(Plans.serpentine(square, 2, 8)))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("4 plots wide");
    Plan squares = Plans.plan(Plan.Layout.LATIN_SQUARE, Plans.treatments(40), 13, 1);
    assertThatThrownBy(() -> Arrangement.of(squares))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("20,000");
    assertThatThrownBy(
            () -> Arrangement.of(Plans.plan(Plan.Layout.PAIRS, Plans.treatments(3), 4, 1)))
        .isInstanceOf(Refused.class);
    assertThatThrownBy(
            () -> Arrangement.of(Plans.plan(Plan.Layout.SPLIT_PLOT, Plans.treatments(3), 4, 1)))
        .isInstanceOf(Refused.class);
  }
}
