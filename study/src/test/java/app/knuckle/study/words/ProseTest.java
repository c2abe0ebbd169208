package app.knuckle.study.words;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class ProseTest {

  @Test
  void whatCannotBeSeenIsShown() {
    assertThat(Prose.visible("a\u0001b\u001b[31m")).isEqualTo("a\u2401b\u241b[31m");
    assertThat(Prose.visible("x\u202egnp.exe\u2066\u200f")).isEqualTo("x\ufffdgnp.exe\ufffd\ufffd");
    assertThat(Prose.visible("\ud800 \ufffe \uffff \u0085"))
        .isEqualTo("\ufffd \ufffd \ufffd \ufffd");
    assertThat(Prose.visible("caf\u00e9 \ud83e\uddaa\n")).isEqualTo("caf\u00e9 \ud83e\uddaa\n");
  }
}
