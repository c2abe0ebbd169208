package app.knuckle.study.words;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class ProseTest {

  @Test
  void aLongNameIsShortenedAndTheWordsAroundItStay() {
    String name = "k".repeat(10_000);
    assertThat(Prose.bounded("there is no column '" + name + "'. Known are y and z"))
        .isEqualTo("there is no column '" + "k".repeat(59) + "\u2026'. Known are y and z");
    assertThat(Prose.bounded("no 'a name " + "of words ".repeat(100) + "'"))
        .hasSizeLessThan(80)
        .endsWith("\u2026'");
    assertThat(Prose.bounded("short 'names' stay")).isEqualTo("short 'names' stay");
    assertThat(Prose.bounded("words ".repeat(1_000))).hasSizeLessThanOrEqualTo(600);
  }

  @Test
  void aSignOfTwoCharactersIsNotCutInTwo() {
    assertThat(Prose.bounded("a" + "\ud83e\uddaa".repeat(100)))
        .isEqualTo("a" + "\ud83e\uddaa".repeat(29) + "\u2026");
  }

  @Test
  void whatCannotBeSeenIsShown() {
    assertThat(Prose.visible("a\u0001b\u001b[31m")).isEqualTo("a\u2401b\u241b[31m");
    assertThat(Prose.visible("x\u202egnp.exe\u2066\u200f")).isEqualTo("x\ufffdgnp.exe\ufffd\ufffd");
    assertThat(Prose.visible("\ud800 \ufffe \uffff \u0085"))
        .isEqualTo("\ufffd \ufffd \ufffd \ufffd");
    assertThat(Prose.visible("caf\u00e9 \ud83e\uddaa\n")).isEqualTo("caf\u00e9 \ud83e\uddaa\n");
  }
}
