package app.knuckle.desktop.command;

import app.knuckle.formats.documents.ProofDocument;
import app.knuckle.formats.report.ProofPage;
import app.knuckle.stats.Progress;
import app.knuckle.study.Version;
import app.knuckle.study.proof.Circumstances;
import app.knuckle.study.proof.Proof;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** Computes every shipped reference case on this machine and says how well it agrees. */
@Command(
    name = "verify",
    mixinStandardHelpOptions = true,
    description =
        "Proves the numbers on this machine: every shipped reference case is computed and"
            + " compared. Exit status 1 when anything falls short.")
final class VerifyCommand implements Callable<Integer> {

  private static final int FELL_SHORT = 1;

  @Spec private CommandSpec spec;

  @Option(
      names = "--out",
      description = "A folder for verify.json, and a page to sign as .html and .pdf.")
  private Path out;

  @Mixin private PaperOption paper;

  @Mixin private ReplaceOption replacing;

  @Override
  public Integer call() {
    Proof proof = Proof.run(Progress.NONE);
    print(proof, spec.commandLine().getOut());
    int written = AskedFile.answered(spec, () -> write(proof));
    return proof.holds() ? written : FELL_SHORT;
  }

  private void write(Proof proof) {
    if (out == null) {
      return;
    }
    Circumstances where = Circumstances.here(Version.NUMBER);
    replacing.folder(out).add(fresh -> ProofDocument.write(proof, where, paper.paper(), fresh));
  }

  private static void print(Proof proof, PrintWriter terminal) {
    List<List<String>> rows = new ArrayList<>(List.of(ProofPage.HEADS));
    rows.addAll(ProofPage.rows(proof));
    int columns = ProofPage.HEADS.size();
    int[] wide = new int[columns];
    for (List<String> row : rows) {
      for (int c = 0; c < columns; c++) {
        wide[c] = Math.max(wide[c], row.get(c).length());
      }
    }
    for (List<String> row : rows) {
      StringBuilder line = new StringBuilder();
      for (int c = 0; c < columns; c++) {
        String blanks = " ".repeat(wide[c] - row.get(c).length());
        line.append(c == 0 ? row.get(c) + blanks : "  " + blanks + row.get(c));
      }
      terminal.println(line);
    }
    proof.lines().forEach(line -> line.fellShort().forEach(terminal::println));
    terminal.println(ProofPage.finding(proof));
    terminal.flush();
  }
}
