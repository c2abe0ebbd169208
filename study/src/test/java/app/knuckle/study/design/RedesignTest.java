package app.knuckle.study.design;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.stats.compare.Direction;
import app.knuckle.stats.compare.Procedure;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

/** What follows when one part of the sentence changes. */
class RedesignTest {

  private static final Inquiry TRIAL =
      Inquiry.about("growth", "mesh")
          .but(
              d -> {
                d.give(Part.TREATMENT, List.of("mesh", "density"));
                d.give(Part.BLOCK, List.of("rack"));
                d.give(Part.COVARIATE, List.of("start"));
                d.compare = List.of(Compare.pairs(List.of("mesh", "density"), Procedure.HOLM));
              });

  @Test
  void aColumnLeavesThePartItHadWhenItComesIntoAnother() {
    Inquiry moved = Redesign.of(TRIAL, d -> d.give(Part.BLOCK, List.of("density")));
    assertThat(moved.treatments()).containsExactly("mesh");
    assertThat(moved.blocks()).containsExactly("density");
    Inquiry back = Redesign.of(moved, d -> d.give(Part.TREATMENT, List.of("mesh", "density")));
    assertThat(back.blocks()).isEmpty();
    Inquiry covariate = Redesign.of(TRIAL, d -> d.give(Part.COVARIATE, List.of("growth")));
    assertThat(covariate.measured()).isEmpty();
  }

  @Test
  void whatHungOnATreatmentGoesWithIt() {
    Inquiry hung =
        TRIAL.but(
            d -> {
              d.give(Part.WHOLE_PLOT, List.of("density"));
              d.reference = Map.of("density", "60", "mesh", "fine");
              d.adjustAt = Map.of("start", 15.0);
              d.terms =
                  new Terms(
                      Terms.Choice.CHOSEN, List.of(List.of("mesh"), List.of("mesh", "density")));
            });
    Inquiry less =
        Redesign.of(
            hung,
            d -> {
              d.give(Part.TREATMENT, List.of("mesh"));
              d.clear(Part.COVARIATE);
            });
    assertThat(less.wholePlots()).isEmpty();
    assertThat(less.reference()).isEqualTo(Map.of("mesh", "fine"));
    assertThat(less.adjustAt()).isEmpty();
    assertThat(less.terms().chosen()).containsExactly(List.of("mesh"));
  }

  @Test
  void randomTermsHoldNothingThatWasMeasured() {
    Inquiry mixed =
        TRIAL.but(
            d -> {
              d.approach = Approach.MIXED;
              d.random =
                  d.random.with(
                      List.of(List.of("rack"), List.of("rack", "bag"), List.of("bag", "reading")));
            });
    Inquiry response = Redesign.of(mixed, d -> d.give(Part.MEASURED, List.of("reading")));
    assertThat(response.random().terms()).containsExactly(List.of("rack"), List.of("rack", "bag"));
    Inquiry covariate = Redesign.of(mixed, d -> d.give(Part.COVARIATE, List.of("bag")));
    assertThat(covariate.random().terms()).containsExactly(List.of("rack"));
  }

  @Test
  void theProcedureStaysWhereItFitsAndGivesWayWhereItDoesNot() {
    Inquiry one = Redesign.of(TRIAL, d -> d.give(Part.TREATMENT, List.of("density")));
    assertThat(one.compare()).containsExactly(Compare.pairs(List.of("density"), Procedure.HOLM));
    Inquiry ranks =
        Redesign.of(
            one,
            d -> {
              d.clear(Part.COVARIATE);
              d.approach = Approach.RANKS;
            });
    assertThat(ranks.compare().get(0).procedure()).isEqualTo(Procedure.NEMENYI);
    Inquiry free = Redesign.of(ranks, d -> d.clear(Part.BLOCK));
    assertThat(free.compare().get(0).procedure()).isEqualTo(Procedure.DUNN_HOLM);
    Inquiry spread = Redesign.of(free, d -> d.approach = Approach.SEPARATE_VARIANCES);
    assertThat(spread.compare().get(0).procedure()).isEqualTo(Procedure.GAMES_HOWELL);
    Inquiry shuffled = Redesign.of(free, d -> d.approach = Approach.PERMUTATION);
    assertThat(shuffled.compare()).isEmpty();
  }

  @Test
  void aMethodThatNoLongerFitsFallsBackToLeastSquares() {
    Inquiry one =
        Inquiry.about("growth", "mesh").but(d -> d.approach = Approach.SEPARATE_VARIANCES);
    assertThat(Redesign.of(one, d -> d.give(Part.BLOCK, List.of("rack"))).approach())
        .isEqualTo(Approach.LEAST_SQUARES);
    assertThat(Approach.RANKS.whyNot(TRIAL).orElseThrow()).contains("one treatment");
    assertThat(Approach.PERMUTATION.whyNot(TRIAL)).isEmpty();
    assertThat(Approach.PERMUTATION.whyNot(TRIAL.but(d -> d.give(Part.UNIT, "bag"))).orElseThrow())
        .contains("repeated units");
  }

  @Test
  void directionsHaveAMeaningForTwoGroupsOneSampleAndAReference() {
    assertThat(Redesign.hasDirection(Inquiry.about("growth", "mesh"), 3)).isFalse();
    assertThat(Redesign.hasDirection(Inquiry.about("growth", "mesh"), 2)).isTrue();
    assertThat(Redesign.hasDirection(TRIAL.but(d -> d.clear(Part.TREATMENT)), 0)).isTrue();
    assertThat(Redesign.hasDirection(TRIAL.but(d -> d.direction = Direction.LESS), 3)).isTrue();
  }

  /** Whatever is changed, no column stands in two parts, and nothing hangs on what is not there. */
  @Property(tries = 300)
  void theSentenceStaysConsistent(@ForAll Random random) {
    List<String> names = new ArrayList<>(List.of("a", "b", "c", "d", "e"));
    Inquiry inquiry = TRIAL;
    for (int change = 0; change < 12; change++) {
      Collections.shuffle(names, random);
      List<String> some = List.copyOf(names.subList(0, random.nextInt(3)));
      int part = random.nextInt(9);
      inquiry =
          Redesign.of(
              inquiry,
              d -> {
                switch (part) {
                  case 0 -> d.give(Part.MEASURED, some);
                  case 1 -> d.give(Part.TREATMENT, some);
                  case 2 -> d.give(Part.BLOCK, some);
                  case 3 -> d.give(Part.COVARIATE, some);
                  case 4 -> d.give(Part.UNIT, some.isEmpty() ? null : some.get(0));
                  case 5 -> d.give(Part.OCCASION, d.treatments());
                  case 6 -> d.give(Part.PAIRS, some.isEmpty() ? null : some.get(0));
                  case 7 -> d.approach = Approach.all().get(random.nextInt(4));
                  default -> d.give(Part.WHOLE_PLOT, d.treatments());
                }
              });
      List<String> all = new ArrayList<>(inquiry.measured());
      all.addAll(inquiry.treatments());
      all.addAll(inquiry.blocks());
      all.addAll(inquiry.covariates());
      if (inquiry.unit() != null) {
        all.add(inquiry.unit());
      }
      if (inquiry.pairs() != null) {
        all.add(inquiry.pairs());
      }
      assertThat(all).doesNotHaveDuplicates();
      assertThat(inquiry.treatments()).containsAll(inquiry.wholePlots());
      assertThat(inquiry.treatments()).containsAll(inquiry.occasions());
      assertThat(inquiry.approach().whyNot(inquiry)).isEmpty();
      for (Compare compare : inquiry.compare()) {
        assertThat(inquiry.treatments()).containsAll(compare.of());
      }
    }
  }
}
