package app.knuckle.formats.report;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.study.proof.Circumstances;
import app.knuckle.study.proof.Proof;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Phrases;
import java.util.ArrayList;
import java.util.List;

/** The proof of the numbers as a page to be signed and filed. */
public final class ProofPage {

  /** Heads of the table of subjects. */
  public static final List<String> HEADS = Phrases.cells("proof.agreement.heads");

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
    String title = say("proof.title");
    List<Block> blocks = new ArrayList<>();
    blocks.add(new Block.Heading(Block.Part.TITLE, title, 1));
    blocks.add(new Block.Paragraph(Block.Part.RESULTS, finding(proof)));
    blocks.add(
        new Block.Table(
            Block.Part.ANALYSIS,
            say("proof.agreement"),
            HEADS,
            rows(proof),
            say("proof.agreement.note")));
    for (Proof.Line line : proof.lines()) {
      line.fellShort().forEach(what -> blocks.add(new Block.Paragraph(Block.Part.RESULTS, what)));
    }
    blocks.add(
        new Block.Table(
            Block.Part.SUMMARIES,
            say("proof.where"),
            Phrases.cells("proof.where.heads"),
            List.of(
                List.of(say("proof.where.program"), where.version()),
                List.of(say("proof.where.checksum"), where.checksum()),
                List.of(say("proof.where.runtime"), where.runtime()),
                List.of(say("proof.where.system"), where.system()),
                List.of(say("proof.where.date"), where.date())),
            ""));
    blocks.add(new Block.Paragraph(Block.Part.METHODS, say("proof.signed", LINE)));
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
    return say(
        proof.holds() ? "proof.agree" : "proof.fell.short",
        Numerals.whole(proof.numbers()),
        Numerals.whole(proof.cases()),
        Numerals.whole(fellShort));
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
