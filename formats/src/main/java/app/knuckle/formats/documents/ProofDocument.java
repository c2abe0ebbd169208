package app.knuckle.formats.documents;

import app.knuckle.formats.report.Page;
import app.knuckle.formats.report.Paper;
import app.knuckle.formats.report.ProofPage;
import app.knuckle.study.proof.Circumstances;
import app.knuckle.study.proof.Proof;
import app.knuckle.study.proof.ProofFile;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;

/** The proof as files. */
public final class ProofDocument {

  private static final String NAME = "verify.";

  private ProofDocument() {}

  /**
   * Writes verify.json and the page to be signed, as .html and .pdf.
   *
   * @param proof what was found
   * @param where what was proved where
   * @param paper of the page
   * @param folder that is there
   * @throws IOException if it cannot be written
   */
  public static void write(Proof proof, Circumstances where, Paper paper, Path folder)
      throws IOException {
    Files.writeString(folder.resolve(NAME + "json"), ProofFile.text(proof, where));
    Page page = ProofPage.of(proof, where).on(paper);
    for (ReportFile kind : List.of(ReportFile.HTML, ReportFile.PDF)) {
      kind.write(page, folder.resolve(NAME + kind.ending()), NAME);
    }
  }
}
