package app.knuckle.study.design;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.stats.compare.Direction;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.design.Inquiry.Compare;
import app.knuckle.study.design.Inquiry.Method;
import app.knuckle.study.design.Inquiry.Terms;
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
                d.treatments = List.of("mesh", "density");
                d.blocks = List.of("rack");
                d.covariates = List.of("start");
                d.compare = List.of(Compare.pairs(List.of("mesh", "density"), Procedure.HOLM));
              });

  @Test
  void aColumnLeavesThePartItHadWhenItComesIntoAnother() {
    Inquiry moved = Redesign.of(TRIAL, d -> d.blocks = List.of("density"));
    assertThat(moved.treatments()).containsExactly("mesh");
    assertThat(moved.blocks()).containsExactly("density");
    Inquiry back = Redesign.of(moved, d -> d.treatments = List.of("mesh", "density"));
    assertThat(back.blocks()).isEmpty();
    Inquiry covariate = Redesign.of(TRIAL, d -> d.covariates = List.of("growth"));
    assertThat(covariate.measured()).isEmpty();
  }

  @Test
  void whatHungOnATreatmentGoesWithIt() {
    Inquiry hung =
        TRIAL.but(
            d -> {
              d.wholePlots = List.of("density");
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
              d.treatments = List.of("mesh");
              d.covariates = List.of();
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
              d.method = Method.MIXED;
              d.random =
                  d.random.with(
                      List.of(List.of("rack"), List.of("rack", "bag"), List.of("bag", "reading")));
            });
    Inquiry response = Redesign.of(mixed, d -> d.measured = List.of("reading"));
    assertThat(response.random().terms()).containsExactly(List.of("rack"), List.of("rack", "bag"));
    Inquiry covariate = Redesign.of(mixed, d -> d.covariates = List.of("bag"));
    assertThat(covariate.random().terms()).containsExactly(List.of("rack"));
  }

  @Test
  void theProcedureStaysWhereItFitsAndGivesWayWhereItDoesNot() {
    Inquiry one = Redesign.of(TRIAL, d -> d.treatments = List.of("density"));
    assertThat(one.compare()).containsExactly(Compare.pairs(List.of("density"), Procedure.HOLM));
    Inquiry ranks =
        Redesign.of(
            one,
            d -> {
              d.covariates = List.of();
              d.method = Method.RANKS;
            });
    assertThat(ranks.compare().get(0).procedure()).isEqualTo(Procedure.NEMENYI);
    Inquiry free = Redesign.of(ranks, d -> d.blocks = List.of());
    assertThat(free.compare().get(0).procedure()).isEqualTo(Procedure.DUNN_HOLM);
    Inquiry spread = Redesign.of(free, d -> d.method = Method.UNEQUAL_SPREAD);
    assertThat(spread.compare().get(0).procedure()).isEqualTo(Procedure.GAMES_HOWELL);
    Inquiry shuffled = Redesign.of(free, d -> d.method = Method.PERMUTATION);
    assertThat(shuffled.compare()).isEmpty();
  }

  @Test
  void aMethodThatNoLongerFitsFallsBackToLeastSquares() {
    Inquiry one = Inquiry.about("growth", "mesh").but(d -> d.method = Method.UNEQUAL_SPREAD);
    assertThat(Redesign.of(one, d -> d.blocks = List.of("rack")).method())
        .isEqualTo(Method.LEAST_SQUARES);
    assertThat(Redesign.whyNot(TRIAL, Method.RANKS)).contains("one treatment");
    assertThat(Redesign.whyNot(TRIAL, Method.PERMUTATION)).isNull();
    assertThat(Redesign.whyNot(TRIAL.but(d -> d.unit = "bag"), Method.PERMUTATION))
        .contains("repeated units");
  }

  @Test
  void directionsHaveAMeaningForTwoGroupsOneSampleAndAReference() {
    assertThat(Redesign.hasDirection(Inquiry.about("growth", "mesh"), 3)).isFalse();
    assertThat(Redesign.hasDirection(Inquiry.about("growth", "mesh"), 2)).isTrue();
    assertThat(Redesign.hasDirection(TRIAL.but(d -> d.treatments = List.of()), 0)).isTrue();
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
                  case 0 -> d.measured = some;
                  case 1 -> d.treatments = some;
                  case 2 -> d.blocks = some;
                  case 3 -> d.covariates = some;
                  case 4 -> d.unit = some.isEmpty() ? null : some.get(0);
                  case 5 -> d.occasions = d.treatments;
                  case 6 -> d.pairs = some.isEmpty() ? null : some.get(0);
                  case 7 -> d.method = Method.values()[random.nextInt(4)];
                  default -> d.wholePlots = d.treatments;
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
      assertThat(Redesign.whyNot(inquiry, inquiry.method())).isNull();
      for (Compare compare : inquiry.compare()) {
        assertThat(inquiry.treatments()).containsAll(compare.of());
      }
    }
  }
}
