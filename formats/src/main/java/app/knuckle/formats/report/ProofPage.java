package app.knuckle.formats.report;

import app.knuckle.study.proof.Circumstances;
import app.knuckle.study.proof.Proof;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.List;

/** The proof of the numbers as a page to be signed and filed. */
public final class ProofPage {

  /** Heads of the table of subjects. */
  public static final List<String> HEADS =
      List.of("subject", "cases", "numbers", "least digits", "median digits", "fell short");

  /** Where a name and a date are written by hand. */
  private static final String LINE = "_".repeat(30);

  private ProofPage() {}

  /**
   * Makes the page.
   *
   * @param proof what was found
   * @param where what was proved where
   * @return the page
   */
  public static Page of(Proof proof, Circumstances where) {
    String title = "The numbers of Knuckle, proved on this machine";
    List<Block> blocks = new ArrayList<>();
    blocks.add(new Block.Heading(Block.Part.TITLE, title, 1));
    blocks.add(new Block.Paragraph(Block.Part.RESULTS, finding(proof)));
    blocks.add(
        new Block.Table(
            Block.Part.ANALYSIS,
            "Agreement with reference cases known to 15 digits",
            HEADS,
            rows(proof),
            "Statistics have to agree to 10 digits, probabilities to 9, those of the studentized"
                + " range to 8. A double has 16."));
    for (Proof.Line line : proof.lines()) {
      line.fellShort().forEach(what -> blocks.add(new Block.Paragraph(Block.Part.RESULTS, what)));
    }
    blocks.add(
        new Block.Table(
            Block.Part.SUMMARIES,
            "What was proved where",
            List.of("what", "which"),
            List.of(
                List.of("program", where.version()),
                List.of("checksum (SHA-256)", where.checksum()),
                List.of("runtime", where.runtime()),
                List.of("system", where.system()),
                List.of("date (UTC)", where.date())),
            ""));
    blocks.add(
        new Block.Paragraph(
            Block.Part.METHODS, "Name " + LINE + "   Date " + LINE + "   Signature " + LINE));
    return new Page(title, blocks);
  }

  /**
   * The proof in a sentence.
   *
   * @param proof what was found
   * @return one sentence
   */
  public static String finding(Proof proof) {
    long fellShort = proof.lines().stream().mapToLong(line -> line.fellShort().size()).sum();
    return Numerals.whole(proof.numbers())
        + " numbers of "
        + Numerals.whole(proof.cases())
        + " reference questions were computed anew and compared: "
        + (proof.holds()
            ? "all agree."
            : Numerals.whole(fellShort) + " do not agree as they should.");
  }

  /**
   * The rows of the table of subjects.
   *
   * @param proof what was found
   * @return cells as text
   */
  public static List<List<String>> rows(Proof proof) {
    return proof.lines().stream()
        .map(
            line ->
                List.of(
                    line.subject().title(),
                    String.valueOf(line.cases()),
                    Numerals.whole(line.numbers()),
                    Numerals.fixed(line.least(), 1),
                    Numerals.fixed(line.median(), 1),
                    line.fellShort().isEmpty()
                        ? Numerals.NONE
                        : String.valueOf(line.fellShort().size())))
        .toList();
  }
}
