package app.knuckle.study.rehearsal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.knuckle.stats.summary.Summary;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import java.util.Arrays;
import java.util.List;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class RehearsalTest {

  private static Rehearsal plan(Rehearsal.Shape shape, long seed, Rehearsal.Group... groups) {
    return new Rehearsal("growth_mm", "mesh", List.of(groups), shape, seed);
  }

  private static double[] values(Table table) {
    return ((Numbers) table.columns().get(1)).values();
  }

  @ParameterizedTest
  @EnumSource
  void theRecordsAreAsPlannedAndTheSameAgain(Rehearsal.Shape shape) {
    Rehearsal.Group group = new Rehearsal.Group("fine", 25, 5, 20_000);
    double[] values = values(plan(shape, 7, group).records());
    assertThat(values).isEqualTo(values(plan(shape, 7, group).records()));
    assertThat(values).isNotEqualTo(values(plan(shape, 8, group).records()));
    Summary s = Summary.of(Arrays.stream(values).sorted().toArray(), 0.05);
    // Four standard errors: 5 / sqrt(20000) for the mean, less than 5 / sqrt(40000) for the SD.
    assertThat(s.mean().value()).isCloseTo(25, Offset.offset(4 * 5 / Math.sqrt(20_000)));
    assertThat(s.sd().value()).isCloseTo(5, Offset.offset(4 * 5 / Math.sqrt(40_000) * 1.5));
  }

  @Test
  void aPlanThatCannotBeCarriedOutSaysWhy() {
    assertThatThrownBy(
            () ->
                plan(
                        Rehearsal.Shape.NORMAL,
                        1,
                        new Rehearsal.Group("a", 1, 1, 2),
                        new Rehearsal.Group("a", 1, 1, 2))
                    .records())
        .hasMessageContaining("rehearsal, a: each group needs a name of its own");
    assertThatThrownBy(
            () -> plan(Rehearsal.Shape.COUNTS, 1, new Rehearsal.Group("a", -1, 0, 2)).records())
        .hasMessageContaining("a count is never below 0");
  }
}
