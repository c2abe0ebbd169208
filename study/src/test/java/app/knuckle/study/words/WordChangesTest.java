package app.knuckle.study.words;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.stream.Collectors;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.StringLength;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class WordChangesTest {

  private static String marked(String before, String now) {
    return WordChanges.of(before, now).stream()
        .map(p -> p.changed() ? "[" + p.text() + "]" : p.text())
        .collect(Collectors.joining());
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "F = 3.49, p = .018 | F = 2.10, p = .018 | F = [2.10, ]p = .018",
        "coarse grew most | coarse grew most by far | coarse grew [most by far]",
        "no evidence that growth differs | growth differs | growth differs",
        "'' | all new | [all new]",
      })
  void newWordsAreMarked(String before, String now, String marked) {
    assertThat(marked(before, now)).isEqualTo(marked);
  }

  @Property(tries = 300)
  void theStretchesMakeTheTextAndATextBesideItselfIsUnchanged(
      @ForAll @StringLength(max = 30) String before, @ForAll @StringLength(max = 30) String now) {
    assertThat(
            WordChanges.of(before, now).stream()
                .map(WordChanges.Piece::text)
                .collect(Collectors.joining()))
        .isEqualTo(now);
    assertThat(WordChanges.of(now, now)).noneMatch(WordChanges.Piece::changed);
  }
}
