package app.knuckle.desktop.plan;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.desktop.controls.SlotChooser.Option;
import app.knuckle.desktop.sentence.Piece;
import app.knuckle.stats.Progress;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.Refused;
import app.knuckle.study.contract.PlanFile;
import app.knuckle.study.plan.Alternatives;
import app.knuckle.study.plan.Arrangement;
import app.knuckle.study.plan.Plan;
import app.knuckle.study.plan.PlanDraft;
import app.knuckle.study.plan.PlannedPower;
import app.knuckle.study.plan.Shows;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** The sentence of a plan, what it can be given, and what its page says, without a window. */
class PlanPageTest {

  /** Keeps a plan as its page does: what makes no sense changes nothing. */
  private static final class Desk implements PlanChange {
    private Plan plan;

    Desk(Plan plan) {
      this.plan = plan;
    }

    @Override
    public boolean change(String where, Consumer<PlanDraft> change) {
      try {
        plan = PlanFile.checked(PlanDraft.changed(plan, change));
        return true;
      } catch (Refused e) {
        return false;
      }
    }

    List<Piece> sentence() {
      return PlanSentence.of(plan, this);
    }

    List<Piece> additions() {
      return PlanAdditions.of(plan, this);
    }

    Piece.Typed typed(String id) {
      return sentence().stream()
          .filter(p -> p instanceof Piece.Typed t && t.id().equals(id))
          .map(Piece.Typed.class::cast)
          .findFirst()
          .orElseThrow(() -> new AssertionError("There is no slot " + id));
    }

    Piece.Slot slot(String id) {
      return java.util.stream.Stream.concat(sentence().stream(), additions().stream())
          .filter(p -> p instanceof Piece.Slot s && s.id().equals(id))
          .map(Piece.Slot.class::cast)
          .findFirst()
          .orElseThrow(() -> new AssertionError("There is no slot " + id));
    }

    void choose(String id, String words) {
      Piece.Slot slot = slot(id);
      slot.chosen()
          .accept(
              slot.options().get().stream()
                  .filter(o -> o.title().contains(words))
                  .findFirst()
                  .orElseThrow());
    }

    String words() {
      return sentence().stream().map(PlanPageTest::words).collect(Collectors.joining());
    }
  }

  private static String words(Piece piece) {
    if (piece instanceof Piece.Words words) {
      return words.text();
    }
    if (piece instanceof Piece.Typed typed) {
      return typed.text();
    }
    return piece instanceof Piece.Slot slot ? slot.text() : "";
  }

  private static Plan laid(Plan.Layout layout) {
    Plan start = PlanDraft.changed(PlanStart.plan(), d -> d.seed = 20260401);
    boolean one = layout == Plan.Layout.PAIRS;
    return PlanDraft.changed(
        start,
        d -> {
          if (one) {
            d.remove("density");
            d.setLevels("mesh", List.of("fine", "coarse"));
          }
          d.lay(layout);
        });
  }

  @Test
  void theExampleReadsAsASentence() {
    assertThat(new Desk(laid(Plan.Layout.COMPLETE_BLOCKS)).words())
        .isEqualTo(
            "We will measure growth in mm. The treatments are mesh at fine, medium, coarse and"
                + " density at 60, 120, 240, in every combination, laid out in complete blocks, 5"
                + " of them, each called a rack. We expect means near 14 mm, single values to"
                + " scatter by 1.1, each rack by 1. We want to find a difference of 2 mm between"
                + " means of mesh, judged by Tukey at \u03b1 = 0.05, with probability 0.8.");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          COMPLETELY_RANDOMISED | laid out completely at random, 5 plots of each. We expect
          LATIN_SQUARE | laid out in Latin squares, 1 of them. We expect
          INCOMPLETE_BLOCKS | in incomplete blocks of 3 plots, 5 replicates of each combination, each called a rack
          SPLIT_PLOT | as split plots with mesh on whole plots, in 5 blocks, each called a rack
          SPLIT_BLOCK | as split blocks with mesh in strips across the others, in 5 blocks
          REPEATED | seen again and again: each unit is seen at every level of density in the order given, 5 of them in each group
          PAIRS | laid out in pairs, 5 of them, each called a rack
          """)
  void everyLayoutSaysWhatItNeeds(Plan.Layout layout, String words) {
    assertThat(new Desk(laid(layout)).words()).contains(words.strip());
  }

  /** Whatever stands in a slot can be typed there again, and changes nothing. */
  @ParameterizedTest
  @EnumSource(Plan.Layout.class)
  void whatStandsThereMakesSense(Plan.Layout layout) {
    Plan plan =
        PlanDraft.changed(
            laid(layout),
            d -> {
              d.effects = List.of(new Plan.Effect("growth", Map.of("mesh", "fine"), -1.5));
              d.measured.get(0).covariate = new Plan.Covariate("start", 0.5);
            });
    Desk desk = new Desk(PlanFile.checked(plan));
    String words = desk.words();
    for (Piece piece : desk.sentence()) {
      if (piece instanceof Piece.Typed typed) {
        assertThat(typed.typed().test(typed.text())).as(typed.id()).isTrue();
        assertThat(desk.words()).as(typed.id()).isEqualTo(words);
        assertThat(Arrangement.of(desk.plan)).as(typed.id()).isEqualTo(Arrangement.of(plan));
      }
    }
  }

  /** Whatever is offered can be chosen: the plan that follows can be laid out. */
  @ParameterizedTest
  @EnumSource(Plan.Layout.class)
  void whatIsOfferedCanBeChosen(Plan.Layout layout) {
    List<Piece> pieces = new ArrayList<>(new Desk(laid(layout)).sentence());
    pieces.addAll(new Desk(laid(layout)).additions());
    for (Piece piece : pieces) {
      if (piece instanceof Piece.Slot slot && !slot.id().equals("plan-layout")) {
        int offered = slot.options().get().size();
        assertThat(offered).as(slot.id()).isPositive();
        for (int i = 0; i < offered; i++) {
          Desk desk = new Desk(laid(layout));
          Option option = desk.slot(slot.id()).options().get().get(i);
          desk.slot(slot.id()).chosen().accept(option);
          assertThat(PlanFile.checked(desk.plan)).as(slot.id()).isEqualTo(desk.plan);
        }
      }
    }
  }

  @Test
  void chipsAddWhatTheyName() {
    Desk desk = new Desk(laid(Plan.Layout.COMPLETELY_RANDOMISED));
    for (String id :
        List.of(
            "add-plan-treatment", "add-plan-measured", "add-plan-field", "add-plan-serpentine")) {
      desk.additions().stream()
          .filter(p -> p instanceof Piece.Act act && act.id().equals(id))
          .forEach(p -> ((Piece.Act) p).run().run());
    }
    assertThat(desk.plan.treatments()).containsEntry("treatment", List.of("without", "with"));
    assertThat(desk.plan.measured()).extracting(Plan.Measured::name).contains("response");
    assertThat(desk.plan.field().serpentine()).isTrue();
    // 18 combinations of 5 plots: 90 into a square that holds them.
    assertThat(desk.plan.field().rows() * desk.plan.field().columns()).isGreaterThanOrEqualTo(90);
    assertThat(Arrangement.of(desk.plan).plots()).hasSize(90);
    desk.choose("add-plan-covariate", "growth before");
    desk.choose("add-plan-effect", "mesh=fine of growth");
    desk.choose("add-plan-more", "mesh=coarse");
    desk.choose("plan-combinations", "mesh=fine, density=60, treatment=with");
    assertThat(desk.words())
        .contains("having noted growth before beforehand, which goes along with growth by r = 0.6")
        .contains("and mesh=fine to add 2")
        .contains("but 10 of mesh=coarse")
        .contains("but without mesh=fine, density=60, treatment=with");
  }

  @Test
  void whatIsTakenOutIsGone() {
    Desk desk = new Desk(laid(Plan.Layout.COMPLETE_BLOCKS));
    desk.choose("add-plan-effect", "mesh=fine");
    for (String id : List.of("plan-effect-out-0", "plan-treatment-out-1", "plan-wanted-out")) {
      desk.sentence().stream()
          .filter(p -> p instanceof Piece.Out out && out.id().equals(id))
          .forEach(p -> ((Piece.Out) p).run().run());
    }
    assertThat(desk.plan.effects()).isEmpty();
    assertThat(desk.plan.treatments().keySet()).containsExactly("mesh");
    assertThat(desk.plan.wanted()).isNull();
    desk.choose("add-plan-wanted", "mesh");
    assertThat(desk.plan.wanted().of()).containsExactly("mesh");
  }

  @ParameterizedTest
  @CsvSource({
    "plan-replicates, 0",
    "plan-replicates, 2.5",
    "plan-sd-0, 0",
    "plan-sd-0, x",
    "plan-alpha, 1",
    "plan-levels-0, fine",
    "plan-treatment-0, density",
    "plan-difference, 0",
    "plan-block, growth (mm)",
    "plan-measured-0, ''"
  })
  void whatMakesNoSenseChangesNothing(String slot, String text) {
    Plan plan = laid(Plan.Layout.COMPLETE_BLOCKS);
    Desk desk = new Desk(plan);
    assertThat(desk.typed(slot).typed().test(text)).isFalse();
    assertThat(desk.plan).isEqualTo(plan);
  }

  private static PlanPage page(Plan plan) {
    Arrangement arrangement = Arrangement.of(plan);
    Plan.Measured measured = plan.measured().get(0);
    Shows shows = PlannedPower.of(plan, arrangement, measured, Progress.NONE);
    return PlanPage.of(
        plan, arrangement.plots().size(), measured, shows, Alternatives.of(plan, 0, Progress.NONE));
  }

  @ParameterizedTest
  @EnumSource(Plan.Layout.class)
  void everyLayoutHasAPage(Plan.Layout layout) {
    PlanPage page = page(laid(layout));
    assertThat(page.words()).startsWith("A difference of 2 mm between two levels of mesh");
    assertThat(page.curve()).isPresent();
    // Strips that cross take no covariate: nothing can be said of one.
    assertThat(page.alternatives().isEmpty()).isEqualTo(layout == Plan.Layout.SPLIT_BLOCK);
    assertThat(page.finding()).startsWith("Mesh").endsWith(".");
    assertThat(page.skeleton())
        .allSatisfy(row -> assertThat(row).hasSize(4))
        .hasSizeGreaterThanOrEqualTo(layout == Plan.Layout.PAIRS ? 0 : 3);
  }

  /** What the engine cannot answer is said, and not called a lack of error. */
  @Test
  void aCovariateOfCrossedStripsIsSaidNotToServe() {
    Plan plan =
        PlanDraft.changed(
            laid(Plan.Layout.SPLIT_BLOCK),
            d -> d.measured.get(0).covariate = new Plan.Covariate("start", 0.5));
    assertThat(page(plan).words())
        .startsWith("Strips are answered by least squares, without covariates");
  }

  /** An effect that is not expected has no power to speak of. */
  @Test
  void whereNoEffectIsExpectedNoneIsShown() {
    List<List<String>> skeleton = page(laid(Plan.Layout.COMPLETE_BLOCKS)).skeleton();
    assertThat(skeleton.get(0)).containsExactly("rack (block)", "4", "error", "");
    assertThat(skeleton.get(1).get(3)).startsWith(".9");
    assertThat(skeleton.get(2).get(3)).isEqualTo("\u2013");
  }

  @Test
  void differencesOfSeveralKindsAreTold() {
    Desk desk = new Desk(laid(Plan.Layout.SPLIT_PLOT));
    desk.choose("plan-wanted-of", "mesh and density");
    PlanPage page = page(desk.plan);
    assertThat(page.kinds()).hasSize(3);
    assertThat(page.notes()).anyMatch(note -> note.contains("Satterthwaite"));
    assertThat(page(laid(Plan.Layout.INCOMPLETE_BLOCKS)).notes())
        .anyMatch(note -> note.contains("at best"));
  }

  @Test
  void whatCannotBeJudgedIsSaidAsThatAndNoMore() {
    Plan once = PlanDraft.changed(laid(Plan.Layout.COMPLETELY_RANDOMISED), d -> d.replicates = 1);
    assertThat(page(once).words()).isEqualTo("The plan leaves no noise to judge against.");
    Plan nothing = PlanDraft.changed(laid(Plan.Layout.COMPLETE_BLOCKS), d -> d.wanted = null);
    assertThat(page(nothing).words()).isEqualTo("No difference is wanted yet.");
    assertThat(page(nothing).curve()).isEmpty();
  }

  @Test
  void tooFewAndNeverEnoughAreSaid() {
    Plan small =
        PlanDraft.changed(
            laid(Plan.Layout.COMPLETE_BLOCKS),
            d -> {
              d.replicates = 2;
              d.wanted.difference = 0.5;
              d.wanted.procedure = Procedure.TUKEY;
            });
    assertThat(page(small).finding()).contains("too few for 0.5 mm").contains("would be needed");
    Plan never = PlanDraft.changed(small, d -> d.wanted.difference = 0.001);
    assertThat(page(never).finding()).contains("no number of repeats up to 1,000");
  }
}
