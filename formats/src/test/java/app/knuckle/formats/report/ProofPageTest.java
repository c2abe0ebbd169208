package app.knuckle.formats.report;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.formats.documents.ProofDocument;
import app.knuckle.formats.documents.TextReport;
import app.knuckle.study.proof.Circumstances;
import app.knuckle.study.proof.Proof;
import app.knuckle.study.proof.Subject;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The page on which the numbers are proved. */
class ProofPageTest {

  @TempDir private Path folder;

  private static final Circumstances WHERE =
      new Circumstances("0.1.0", "abc", "a runtime", "a system", "2026-11-29T19:00:00Z");

  private static Proof proof(String... fellShort) {
    return new Proof(
        List.of(
            new Proof.Line(Subject.RANKS, 9, 1_474, 12.41, 15.96, List.of()),
            new Proof.Line(Subject.COUNTS, 33, 10_880, 3.2, 15.8, List.of(fellShort))));
  }

  @Test
  void whatHoldsIsSaidInOneSentence() {
    assertThat(ProofPage.finding(proof()))
        .isEqualTo(
            "12,354 numbers of 42 reference questions were computed anew and compared: all agree.");
    assertThat(ProofPage.rows(proof()).get(0))
        .containsExactly("ranks", "9", "1,474", "12.4", "16.0", "\u2013");
  }

  @Test
  void whatFellShortIsNamed() throws IOException {
    Proof proof = proof("c01, first.rows[0].f: wanted 2.0, got 2.1");
    assertThat(proof.holds()).isFalse();
    assertThat(ProofPage.finding(proof)).endsWith("1 do not agree as they should.");
    assertThat(TextReport.plain(ProofPage.of(proof, WHERE))).contains("wanted 2.0, got 2.1");
    ProofDocument.write(proof, WHERE, Paper.LETTER, folder);
    assertThat(Files.readString(folder.resolve("verify.json")))
        .contains("\"holds\" : false")
        .contains("\"checksum\" : \"abc\"")
        .contains("wanted 2.0, got 2.1");
    assertThat(folder.resolve("verify.html")).exists();
    assertThat(folder.resolve("verify.pdf")).exists();
  }
}
