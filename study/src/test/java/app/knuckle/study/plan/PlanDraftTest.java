package app.knuckle.study.plan;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.contract.PlanFile;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Plans as they are changed. */
class PlanDraftTest {

  private static Plan plan() {
    Plan two =
        Plans.plan(
            Plan.Layout.SPLIT_BLOCK,
            Plans.treatments(2, 3),
            new Plan.Size(4, 0, 1, Map.of()),
            7,
            Plans.wanted(Procedure.TUKEY, "a", "b"));
    return PlanDraft.changed(
        two,
        d -> {
          d.effects = List.of(new Plan.Effect("growth", Map.of("a", "a1", "b", "b2"), 1.5));
          d.leftOut = List.of(Map.of("a", "a2", "b", "b3"));
        });
  }

  @Test
  void nothingChangedIsTheSamePlan() {
    assertThat(PlanDraft.changed(plan(), d -> {})).isEqualTo(plan());
  }

  @Test
  void aTreatmentIsCalledOtherwiseWhereverItStands() {
    Plan renamed = PlanDraft.changed(plan(), d -> d.rename(0, "mesh"));
    assertThat(renamed.treatments().keySet()).containsExactly("mesh", "b");
    assertThat(renamed.roles().strips()).containsExactly("mesh");
    assertThat(renamed.wanted().of()).containsExactly("mesh", "b");
    assertThat(renamed.effects().get(0).levels()).isEqualTo(Map.of("mesh", "a1", "b", "b2"));
    assertThat(renamed.leftOut()).containsExactly(Map.of("mesh", "a2", "b", "b3"));
    assertThat(renamed.measured().get(0).stripSd())
        .containsEntry("mesh", 0.7)
        .doesNotContainKey("a");
    assertThat(PlanDraft.changed(renamed, d -> d.rename(0, "a"))).isEqualTo(plan());
  }

  @Test
  void asManyLevelsAreTheSameByTheirPlaces() {
    Plan renamed = PlanDraft.changed(plan(), d -> d.setLevels("b", List.of("x", "y", "z")));
    assertThat(renamed.effects().get(0).levels()).containsEntry("b", "y");
    assertThat(renamed.leftOut().get(0)).containsEntry("b", "z");
  }

  @Test
  void levelsThatAreGoneAreGoneEverywhere() {
    Plan fewer = PlanDraft.changed(plan(), d -> d.setLevels("b", List.of("b1", "b2")));
    assertThat(fewer.effects()).hasSize(1);
    assertThat(fewer.leftOut()).isEmpty();
  }

  @Test
  void aTreatmentIsTakenOutWhereverItStands() {
    Plan one = PlanDraft.changed(plan(), d -> d.remove("a"));
    assertThat(one.treatments().keySet()).containsExactly("b");
    assertThat(one.wanted().of()).containsExactly("b");
    assertThat(one.effects()).isEmpty();
    assertThat(one.leftOut()).isEmpty();
    assertThat(one.roles().strips()).isEmpty();
    Plan laid = PlanDraft.changed(one, d -> d.lay(Plan.Layout.COMPLETE_BLOCKS));
    assertThat(PlanFile.checked(laid)).isEqualTo(laid);
  }

  @Test
  void moreOfSomeKeepsItsNames() {
    Plan more =
        PlanDraft.changed(
            Plans.plan(Plan.Layout.COMPLETELY_RANDOMISED, Plans.treatments(2, 2), 3, 1),
            d -> {
              d.more = new LinkedHashMap<>(Map.of("a=a1, b=b2", 6));
              d.rename(1, "density");
              d.setLevels("density", List.of("few", "many"));
            });
    assertThat(more.size().more()).isEqualTo(Map.of("a=a1, density=many", 6));
  }

  /** Whichever layout is chosen can be laid out at once, and is read again as the same. */
  @ParameterizedTest
  @EnumSource(Plan.Layout.class)
  void anyLayoutCanBeChosen(Plan.Layout layout) {
    Plan two =
        PlanDraft.changed(
            Plans.plan(Plan.Layout.COMPLETE_BLOCKS, Plans.treatments(2), 4, 3),
            d -> d.measured.get(0).stripSd.clear());
    Plan start =
        layout == Plan.Layout.PAIRS || layout == Plan.Layout.LATIN_SQUARE
            ? two
            : PlanDraft.changed(two, d -> d.add("b", List.of("b1", "b2", "b3")));
    Plan laid = PlanDraft.changed(start, d -> d.lay(layout));
    assertThat(Arrangement.of(laid).plots()).isNotEmpty();
    assertThat(PlanFile.checked(laid)).isEqualTo(laid);
  }
}
