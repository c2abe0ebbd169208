package app.knuckle.study.beside;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.stats.Progress;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.answers.Answering;
import app.knuckle.study.contract.AnyInquiry;
import app.knuckle.study.contract.BesideFile;
import app.knuckle.study.design.Approach;
import app.knuckle.study.design.Compare;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.Part;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.prep.SetAside;
import app.knuckle.study.sentences.BesideSentence;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import app.knuckle.study.words.ExactP;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

/** Two answers side by side. */
class BesideTest {

  /**
   * Two groups of five: 2.8 apart on average, and nearly all of the spread within them follows the
   * start. In the eleventh row stands what was set aside.
   */
  private static final Table TABLE =
      new Table(
          "trays",
          "",
          List.of(
              new Categories(
                  "mesh",
                  "",
                  new int[] {0, 0, 0, 0, 0, 1, 1, 1, 1, 1, 1},
                  List.of("fine", "coarse"),
                  false),
              new Numbers("start_mm", "mm", new double[] {1, 2, 3, 4, 5, 1, 2, 3, 4, 5, 3}),
              new Numbers(
                  "growth_mm", "mm", new double[] {10, 13, 15, 18, 20, 12, 16, 18, 20, 24, 90})),
          "");

  private static Inquiry plain() {
    return Inquiry.about("growth_mm", "mesh")
        .but(
            d -> {
              d.name = "plain";
              d.prepare = List.of(new SetAside(List.of(11), "washed away", false));
              d.compare = List.of(Compare.pairs(List.of("mesh"), Procedure.TUKEY));
            });
  }

  private static Findings answer(Inquiry inquiry) {
    return Answering.of(TABLE, inquiry, Progress.NONE);
  }

  private static Beside adjusted() {
    return Beside.of(
        answer(plain()),
        answer(plain().but(d -> d.give(Part.COVARIATE, List.of("start_mm"))).named("adjusted")));
  }

  @Test
  void adjustingFindsWhatWasNotFoundBefore() {
    Beside beside = adjusted();
    Beside.EffectBeside mesh = beside.effects().get(0);
    assertThat(mesh.term()).containsExactly("mesh");
    // Within groups the squares are 62.8 and 80; on 8 df their mean is 17.85.
    assertThat(mesh.left().orElseThrow().p().value()).isGreaterThan(0.05);
    assertThat(mesh.right().orElseThrow().p().value()).isLessThan(0.01);
    assertThat(mesh.crossed()).isTrue();
    assertThat(beside.effects().get(1).term()).containsExactly("start_mm");
    assertThat(beside.effects().get(1).left()).isEmpty();
    assertThat(beside.effects().get(1).crossed()).isFalse();
    // The slopes are 2.5 and 2.8, both of squares 10: 142.8 - 53^2 / 20 = 2.35 is left, on 7 df.
    assertThat(beside.fits().get(0).right().orElseThrow().residualSd().value())
        .isEqualTo(Math.sqrt(2.35 / 7), org.assertj.core.api.Assertions.within(1e-12));
    assertThat(beside.pairs()).hasSize(1);
    assertThat(beside.pairs().get(0).inLeft()).isFalse();
    assertThat(beside.means()).hasSize(2);
    assertThat(BesideSentence.of(beside, ExactP.USUAL))
        .startsWith(
            "Adjusting for start cut the residual SD from 4.22 to 0.58 mm; mesh, not found before (p = ")
        .endsWith("; 1 more pair differs significantly.");
    assertThat(BesideFile.keys(beside)).containsExactly("covariates");
    assertThat(BesideFile.text(beside)).contains("\"right\" : [ \"start_mm\" ]");
  }

  @Test
  void rowsThatOnlyOneUsedAreNamed() {
    Beside beside = Beside.of(answer(plain()), answer(plain().but(d -> d.prepare = List.of())));
    assertThat(beside.onlyLeft()).isEmpty();
    assertThat(beside.onlyRight()).containsExactly(11);
    assertThat(BesideSentence.of(beside, ExactP.USUAL))
        .startsWith("With 1 row more: it raised the residual SD");
    assertThat(BesideFile.keys(beside)).containsExactly("prepare");
  }

  @Test
  void otherMethodsMatchByWhatTheyJudge() {
    Beside beside =
        Beside.of(
            answer(plain()),
            answer(
                plain()
                    .but(
                        d -> {
                          d.approach = Approach.RANKS;
                          d.compare = List.of();
                        })));
    assertThat(beside.effects()).hasSize(1);
    assertThat(beside.effects().get(0).left().orElseThrow().name()).isEqualTo("t");
    assertThat(beside.effects().get(0).right().orElseThrow().name()).isEqualTo("U");
    assertThat(beside.fits().get(0).right()).isEmpty();
    assertThat(BesideSentence.of(beside, ExactP.USUAL)).startsWith("Judged by ranks");
  }

  @Test
  void differentResponsesAreNotMatched() {
    Beside beside =
        Beside.of(
            answer(plain()), answer(plain().but(d -> d.give(Part.MEASURED, List.of("start_mm")))));
    assertThat(beside.effects()).hasSize(2).noneMatch(Beside.EffectBeside::crossed);
    assertThat(beside.pairs()).isEmpty();
    assertThat(BesideSentence.of(beside, ExactP.USUAL))
        .isEqualTo(
            "With start measured: the two answers judge different things, so nothing can be"
                + " matched.");
  }

  private static Optional<Findings> any(AnyInquiry any, boolean changed) {
    return any.answer(asked -> changed ? asked.at(0.2).but(d -> d.clear(Part.COVARIATE)) : asked);
  }

  @Property(tries = 60, seed = "2718281828")
  void anAnswerBesideItselfMarksNothing(@ForAll Random random) {
    AnyInquiry made = AnyInquiry.of(random);
    any(made, false)
        .ifPresent(
            findings -> {
              Beside beside = Beside.of(findings, findings);
              assertThat(beside.effects()).noneMatch(Beside.EffectBeside::crossed);
              assertThat(beside.effects()).allMatch(e -> e.left().equals(e.right()));
              assertThat(beside.pairs()).isEmpty();
              assertThat(beside.onlyLeft()).isEmpty();
              assertThat(beside.footing()).noneMatch(Beside.CheckBeside::changed);
              assertThat(BesideFile.keys(beside)).isEmpty();
              assertThat(BesideFile.text(beside)).doesNotContain("NaN");
            });
  }

  @Property(tries = 60, seed = "3141592653")
  void oneBesideTheOtherMirrorsTheOtherBesideTheOne(@ForAll Random random) {
    AnyInquiry made = AnyInquiry.of(random);
    Optional<Findings> one = any(made, false);
    Optional<Findings> other = any(made, true);
    if (one.isEmpty() || other.isEmpty()) {
      return;
    }
    Beside there = Beside.of(one.get(), other.get());
    Beside back = Beside.of(other.get(), one.get());
    assertThat(back.onlyLeft()).isEqualTo(there.onlyRight());
    assertThat(mirrored(back.effects())).isEqualTo(new HashSet<>(there.effects()));
    assertThat(back.pairs().stream().filter(p -> p.inLeft()).count())
        .isEqualTo(there.pairs().stream().filter(p -> !p.inLeft()).count());
    assertThat(BesideFile.keys(back)).containsExactlyInAnyOrderElementsOf(BesideFile.keys(there));
    assertThat(BesideSentence.of(there, ExactP.USUAL)).endsWith(".").doesNotContain("null");
  }

  private static Set<Beside.EffectBeside> mirrored(List<Beside.EffectBeside> effects) {
    Set<Beside.EffectBeside> all = new HashSet<>();
    for (Beside.EffectBeside e : effects) {
      all.add(new Beside.EffectBeside(e.measured(), e.term(), e.right(), e.left(), e.crossed()));
    }
    return all;
  }
}
