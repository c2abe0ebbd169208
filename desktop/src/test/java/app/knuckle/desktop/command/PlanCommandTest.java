package app.knuckle.desktop.command;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A season by script: plan, book out, book filled, book asked. */
class PlanCommandTest {

  private static final String PLAN =
      """
      {"knuckle": "plan", "version": 1, "name": "Mesh by density", "seed": 20260401,
       "treatments": {"mesh": ["fine", "coarse"], "density": ["60", "120", "240"]},
       "layout": "complete-blocks", "replicates": 5, "block": "rack",
       "measured": [{"name": "growth", "unit": "mm", "mean": 14, "sd": 1.1, "blockSd": 1.0}],
       "wanted": {"of": ["mesh"], "difference": 2}}
      """;

  @TempDir private Path folder;

  /** US letter is 612 by 792 points. */
  @Test
  void whatIsPrintedIsOnThePaperThatIsWanted() throws IOException {
    Path plan = Files.writeString(folder.resolve("p.json"), PLAN);
    Path out = folder.resolve("season");
    assertThat(
            KnuckleCommand.run("plan", plan.toString(), "--out", out.toString(), "--paper=letter"))
        .isZero();
    for (String name : List.of("labels.pdf", "field-book.pdf")) {
      try (PDDocument pdf = Loader.loadPDF(out.resolve(name).toFile())) {
        PDRectangle box = pdf.getPage(0).getMediaBox();
        // A field book lies on its side.
        double shorter = Math.min(box.getWidth(), box.getHeight());
        double longer = Math.max(box.getWidth(), box.getHeight());
        assertThat(shorter).as(name).isCloseTo(612, within(0.5));
        assertThat(longer).as(name).isCloseTo(792, within(0.5));
      }
    }
    assertThat(
            KnuckleCommand.run("plan", plan.toString(), "--out", out.toString(), "--paper=quarto"))
        .isEqualTo(2);
  }

  /** Whoever plans again, with another seed, keeps what was written into the book. */
  @Test
  void aBookThatWasFilledIsNotReplaced() throws IOException {
    Path plan = Files.writeString(folder.resolve("p.json"), PLAN);
    String out = folder.resolve("season").toString();
    assertThat(KnuckleCommand.run("plan", plan.toString(), "--out", out)).isZero();
    assertThat(KnuckleCommand.run("plan", plan.toString(), "--out", out)).isZero();
    Path book = folder.resolve("season/field-book.csv");
    String filled = Files.readString(book) + "filled";
    Files.writeString(book, filled);
    assertThat(KnuckleCommand.run("plan", plan.toString(), "--out", out)).isEqualTo(1);
    assertThat(book).hasContent(filled);
    assertThat(KnuckleCommand.run("plan", plan.toString(), "--out", out, "--replace")).isZero();
    assertThat(book).content().doesNotContain("filled");
    String asked = folder.resolve("season/plan.json").toString();
    assertThat(KnuckleCommand.run("plan", asked, "--out", out)).as("in its place").isZero();
  }

  @Test
  void aPlanBecomesABookAndTheFilledBookIsAskedAsPlanned() throws IOException {
    Path plan = Files.writeString(folder.resolve("p.json"), PLAN);
    Path out = folder.resolve("season");
    assertThat(KnuckleCommand.run("plan", plan.toString(), "--out", out.toString())).isZero();
    assertThat(out)
        .isDirectoryContaining("glob:**field-book.xlsx")
        .isDirectoryContaining("glob:**field-book.ods")
        .isDirectoryContaining("glob:**plan.svg")
        .isDirectoryContaining("glob:**plan.png");
    JsonNode planned = new ObjectMapper().readTree(out.resolve("plan.json").toFile());
    Path inquiry = Files.writeString(folder.resolve("i.json"), planned.path("inquiry").toString());
    Path filled = folder.resolve("filled.csv");
    Files.write(filled, filled(Files.readAllLines(out.resolve("field-book.csv"))));
    Path answer = folder.resolve("answer");
    assertThat(
            KnuckleCommand.run(
                "run",
                "--table",
                filled.toString(),
                "--inquiry",
                inquiry.toString(),
                "--only",
                "findings",
                "--out",
                answer.toString()))
        .isZero();
    JsonNode found = new ObjectMapper().readTree(answer.resolve("findings.json").toFile());
    assertThat(found.path("design").path("skeleton")).isEqualTo(planned.path("skeleton"));
    // Coarse bags were given 2 mm more than fine ones in every rack.
    JsonNode pair = found.path("comparisons").path(0).path("rows").path(0);
    assertThat(Math.abs(pair.path("difference").asDouble())).isCloseTo(2, within(1e-9));
    assertThat(pair.path("differs").asBoolean()).isTrue();
  }

  /** Each plot gets its rack, 2 for coarse, and something that racks and bags do not explain. */
  private static List<String> filled(List<String> book) {
    assertThat(book).hasSize(31);
    assertThat(book.get(0)).isEqualTo("plot,row,column,rack,mesh,density,growth (mm),notes");
    List<String> filled = new ArrayList<>(book.subList(0, 1));
    for (String line : book.subList(1, book.size())) {
      String[] cells = line.split(",");
      int rack = Integer.parseInt(cells[3]);
      // Within each mesh the remainders sum to 0, so the difference stays 2.
      double left = (rack - 3) * (Integer.parseInt(cells[5]) == 120 ? 0.2 : -0.1);
      double growth = 12 + rack + (cells[4].equals("coarse") ? 2 : 0) + left;
      filled.add(line.substring(0, line.length() - 1) + growth + ",");
    }
    return filled;
  }

  @Test
  void everyPlotHasItsLabelAndItsLine() throws IOException {
    Path plan = Files.writeString(folder.resolve("p.json"), PLAN);
    Path out = Files.createDirectory(folder.resolve("out"));
    Path kept = Files.writeString(out.resolve("findings.json"), "of something else");
    assertThat(KnuckleCommand.run("plan", plan.toString(), "--out", out.toString())).isZero();
    assertThat(kept).hasContent("of something else");
    try (PDDocument labels = Loader.loadPDF(out.resolve("labels.pdf").toFile())) {
      // 30 plots, 24 to a sheet.
      assertThat(labels.getNumberOfPages()).isEqualTo(2);
      assertThat(new PDFTextStripper().getText(labels)).contains("30", "rack 5", "mesh: fine");
    }
    try (PDDocument book = Loader.loadPDF(out.resolve("field-book.pdf").toFile())) {
      assertThat(new PDFTextStripper().getText(book)).contains("growth (mm)", "____");
    }
  }

  @Test
  void whatIsNoPlanAndWhatIsNotThereAreRefused() throws IOException {
    Path plan = Files.writeString(folder.resolve("p.json"), PLAN.replace("rack", "mesh"));
    Path out = folder.resolve("out");
    assertThat(KnuckleCommand.run("plan", plan.toString(), "--out", out.toString())).isEqualTo(1);
    assertThat(out).doesNotExist();
    assertThat(KnuckleCommand.run("plan", "none.json", "--out", out.toString())).isEqualTo(1);
    assertThat(KnuckleCommand.run("plan", plan.toString())).isEqualTo(2);
  }
}
