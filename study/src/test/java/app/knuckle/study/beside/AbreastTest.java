package app.knuckle.study.beside;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.knuckle.study.contract.AnyInquiry;
import app.knuckle.study.design.Part;
import app.knuckle.study.findings.Findings;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;

/** Two or three answers, whatever they are. */
class AbreastTest {

  @Property(tries = 80, seed = "2645751311")
  void everyAnswerStandsInItsColumn(@ForAll Random random) {
    AnyInquiry any = AnyInquiry.of(random);
    Optional<Findings> answer = any.answer();
    Optional<Findings> bolder = any.answer(asked -> asked.at(0.3));
    Optional<Findings> plain = any.answer(asked -> asked.but(d -> d.clear(Part.COVARIATE)));
    if (answer.isEmpty() || bolder.isEmpty() || plain.isEmpty()) {
      return; // Nothing to put side by side.
    }
    Findings first = answer.get();
    Findings second = bolder.get();
    Findings third = plain.get();
    Beside one = Beside.of(first, second);
    Beside other = Beside.of(first, third);
    Abreast three = new Abreast(List.of(one, other));
    assertThat(three.answers()).containsExactly(first, second, third);
    agrees(three.effects(), one.effects().size(), other.effects().size());
    for (Beside.EffectBeside effect : other.effects()) {
      Abreast.Line<Tested> line =
          three.effects().stream()
              .filter(l -> l.measured().equals(effect.measured()))
              .filter(l -> l.about().equals(effect.term()))
              .findFirst()
              .orElseThrow();
      assertThat(line.answers().get(0)).isEqualTo(effect.left());
      assertThat(line.answers().get(2)).isEqualTo(effect.right());
      assertThat(line.changed().contains(2)).isEqualTo(effect.crossed());
    }
    agrees(three.means(), one.means().size(), other.means().size());
    agrees(three.fits(), one.fits().size(), other.fits().size());
    agrees(three.footing(), one.footing().size(), other.footing().size());
    Abreast two = new Abreast(one);
    assertThat(two.effects()).hasSameSizeAs(one.effects());
    assertThat(two.means()).hasSameSizeAs(one.means());
  }

  /** No line is lost, none is made up, and each has a place for every answer. */
  private static void agrees(List<? extends Abreast.Line<?>> lines, int one, int other) {
    assertThat(lines.size()).isBetween(Math.max(one, other), one + other);
    assertThat(lines).allSatisfy(line -> assertThat(line.answers()).hasSize(3));
    assertThat(lines).extracting(l -> List.of(l.measured(), l.about())).doesNotHaveDuplicates();
  }

  @Property(tries = 5, seed = "3")
  void fourAnswersAreTooMany(@ForAll Random random) {
    AnyInquiry any = AnyInquiry.of(random);
    Optional<Findings> answer = any.answer();
    if (answer.isEmpty()) {
      return;
    }
    Findings first = answer.get();
    Beside same = Beside.of(first, first);
    assertThatThrownBy(() -> new Abreast(List.of(same, same, same)))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> new Abreast(List.of())).isInstanceOf(IllegalArgumentException.class);
  }
}
