package app.knuckle.formats.report;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.figures.inquiry.InquiryFigure;
import app.knuckle.figures.scene.Face;
import app.knuckle.figures.scene.Ink;
import app.knuckle.figures.scene.Mark;
import app.knuckle.figures.scene.Scene;
import app.knuckle.formats.documents.DocxReport;
import app.knuckle.formats.documents.HtmlReport;
import app.knuckle.formats.documents.PdfReport;
import app.knuckle.formats.documents.TextReport;
import app.knuckle.stats.Progress;
import app.knuckle.study.answers.Answering;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.Part;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.prep.SetAside;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;
import java.util.stream.Collectors;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.poi.xwpf.usermodel.XWPFDocument;
import org.apache.poi.xwpf.usermodel.XWPFParagraph;
import org.apache.poi.xwpf.usermodel.XWPFRun;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The page and what is written from it, on numbers worked by hand. */
class PageTest {

  /** Cells of two rows: means 1, 5, 3, 9 by mesh and density; the last row is set aside. */
  private static Findings trays(Inquiry inquiry) {
    int[] mesh = {0, 0, 0, 0, 1, 1, 1, 1, 0};
    int[] density = {0, 0, 1, 1, 0, 0, 1, 1, 0};
    double[] growth = {0, 2, 4, 6, 2, 4, 8, 10, 99};
    double[] width = {1, 2, 3, 4, 5, 6, 7, 8, 9};
    Table table =
        new Table(
            "trays",
            "trays.csv",
            List.of(
                new Numbers("growth_mm", "mm", growth),
                new Numbers("width_mm", "mm", width),
                new Categories("mesh", "", mesh, List.of("fine", "<b>& coarse_1"), false),
                new Categories("density", "", density, List.of("60", "240"), false)),
            "");
    return Answering.of(table, inquiry, Progress.NONE);
  }

  private static Inquiry crossed() {
    return Inquiry.about("growth_mm", "mesh")
        .but(
            d -> {
              d.name = "… changed";
              d.give(Part.TREATMENT, List.of("mesh", "density"));
              d.prepare = List.of(new SetAside(List.of(9), "washed away", false));
            });
  }

  /** A figure of 85 by 62 mm with a word on it. */
  private static final InquiryFigure FIGURE =
      new InquiryFigure(
          new Scene(
              240.94,
              175.75,
              List.of(
                  Mark.Label.of("60", 50, 50, 8, Face.REGULAR, Ink.DARK, false, Mark.Role.GROUP))),
          "Means of growth",
          null);

  private static Page page() {
    return Page.of(trays(crossed()), FIGURE);
  }

  private static String text(Page page, Block.Part part) {
    return page.blocks().stream()
        .filter(b -> b.part() == part && b instanceof Block.Paragraph)
        .map(b -> ((Block.Paragraph) b).text())
        .collect(Collectors.joining(" "));
  }

  private static Block.Table table(Page page, Block.Part part) {
    return page.blocks().stream()
        .filter(b -> b.part() == part && b instanceof Block.Table)
        .map(Block.Table.class::cast)
        .findFirst()
        .orElseThrow();
  }

  @Test
  void theMethodsSayWhatWasDone() {
    assertThat(page().title()).as("not after what was changed").startsWith("Growth by mesh ×");
    assertThat(text(page(), Block.Part.METHODS))
        .startsWith("Growth (mm) was measured in 8 rows of trays.")
        .contains("mesh (2 levels: fine, <b>& coarse_1) and density (2 levels: 60, 240)")
        .contains("2 × 2 factorial, completely randomised")
        .contains("least squares, each effect after all others (type III squares), at α = 0.05")
        .contains("Left out: row 9 (set aside: washed away).")
        .endsWith("Computed with Knuckle 0.1.0.");
  }

  @Test
  void twoTreatmentsMakeATableDownAndAcross() {
    // Every cell differs by 2 within: error mean square 2, SE of a mean of two 1.
    Block.Table means = table(page(), Block.Part.MEANS);
    assertThat(means.heads()).containsExactly("mesh \\ density", "60", "240");
    assertThat(means.rows().get(0)).containsExactly("fine", "1.0", "5.0");
    assertThat(means.rows().get(1)).containsExactly("<b>& coarse_1", "3.0", "9.0");
    assertThat(means.note()).contains("SE of a mean 1.0; n = 2.");
    Block.Table analysis = table(page(), Block.Part.ANALYSIS);
    // Sums of squares 18, 50, 2 and 8 on 4 df.
    assertThat(analysis.rows().get(0)).startsWith("mesh", "1", "18.00", "18.00", "9.00");
    assertThat(analysis.rows().get(2)).startsWith("mesh × density", "1", "2.00");
    assertThat(analysis.rows().get(4)).startsWith("total", "7", "78.00");
  }

  @Test
  void aRefusedInquirySaysWhatIsMissing() {
    Page page = Page.of(trays(Inquiry.about("growth_mm", null)), null);
    assertThat(text(page, Block.Part.RESULTS)).contains("no treatment is chosen yet");
    assertThat(page.blocks()).noneMatch(Block.Figure.class::isInstance);
  }

  @Test
  void columnsLookedAtTogetherHaveTheirCorrelations() {
    Page page =
        Page.of(
            trays(
                Inquiry.about("growth_mm", null)
                    .but(
                        d -> {
                          d.give(Part.MEASURED, List.of("growth_mm", "width_mm"));
                          d.together = true;
                        })),
            null);
    Block.Table matrix = table(page, Block.Part.MEANS);
    assertThat(matrix.rows().get(0).get(1)).isEqualTo("1.00");
    assertThat(matrix.rows().get(0).get(2)).isEqualTo(matrix.rows().get(1).get(1));
    assertThat(text(page, Block.Part.RESULTS)).contains("growth and width");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "Growth differs, F(2, 30) = 4.1, p < .001. | F,p",
        "It differs, Welch's F(2, 9.1) = 4.1, p = .02. | F,p",
        "by 2 mm (95% interval 1 to 3), t(20) = 3.38, p = .003 | t,p",
        "χ²(2) = 20.7, p > .99, r = 0.7 | χ²,p,r",
        "feed F is no statistic and neither is t or p alone |",
        "group p2 = 3, mapp = 3 and H of mean |"
      })
  void statisticsAreSetApart(String words, String italic) {
    List<Block.Paragraph.Run> runs = new Block.Paragraph(Block.Part.RESULTS, words).runs();
    assertThat(runs.stream().map(Block.Paragraph.Run::text).collect(Collectors.joining()))
        .isEqualTo(words);
    assertThat(
            runs.stream()
                .filter(Block.Paragraph.Run::italic)
                .map(Block.Paragraph.Run::text)
                .collect(Collectors.joining(",")))
        .isEqualTo(italic == null ? "" : italic);
  }

  @Test
  void markdownAndLatexEscapeWhatTheyWouldTakeForTheirs() {
    String md = TextReport.markdown(page(), n -> "figure.svg");
    assertThat(md)
        .contains("\\<b\\>& coarse\\_1")
        .contains("| fine | 1.0 | 5.0 |")
        .contains("*F*(1, 4) = ")
        .contains("![Means of growth](figure.svg)");
    String tex = TextReport.latex(page(), n -> "figure.pdf");
    assertThat(tex)
        .contains("$<$b$>$\\& coarse\\_1")
        .contains("fine & 1.0 & 5.0 \\\\")
        .contains("\\textit{F}(1, 4) = ")
        .contains("\\includegraphics{figure.pdf}");
    assertThat(TextReport.plain(page())).contains("fine\t1.0\t5.0\n");
  }

  private static byte[] docx() throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    DocxReport.write(page(), out);
    return out.toByteArray();
  }

  @Test
  void theDocumentHasHeadingsTablesItalicsAndItsFigureWithWords() throws IOException {
    try (XWPFDocument read = new XWPFDocument(new ByteArrayInputStream(docx()))) {
      assertThat(read.getProperties().getCoreProperties().getTitle()).isEqualTo(page().title());
      List<XWPFParagraph> paragraphs = read.getParagraphs();
      assertThat(paragraphs.get(0).getStyle()).isEqualTo("Heading1");
      assertThat(read.getStyles().getStyle("Heading1").getName()).isEqualTo("heading 1");
      List<String> italics =
          paragraphs.stream()
              .flatMap(p -> p.getRuns().stream())
              .filter(XWPFRun::isItalic)
              .map(XWPFRun::text)
              .distinct()
              .toList();
      assertThat(italics).contains("F", "p");
      assertThat(read.getTables()).isNotEmpty();
      assertThat(read.getTables()).allMatch(t -> t.getRow(0).isRepeatHeader());
      assertThat(read.getTables().get(1).getRow(1).getCell(1).getText()).isEqualTo("1.0");
      assertThat(paragraphs)
          .filteredOn(p -> "Caption".equals(p.getStyle()))
          .allMatch(p -> p.getCTP().sizeOfFldSimpleArray() == 1);
      var picture =
          paragraphs.stream()
              .flatMap(p -> p.getRuns().stream())
              .flatMap(r -> r.getEmbeddedPictures().stream())
              .findFirst()
              .orElseThrow();
      assertThat(picture.getDescription()).isEqualTo("Means of growth");
      assertThat(picture.getWidth()).isBetween(240.0, 242.0); // 85 mm in points
    }
  }

  @Test
  void theSamePageGivesTheSameBytes() throws IOException {
    assertThat(docx()).isEqualTo(docx());
  }

  private static byte[] pdf(Page page) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    PdfReport.write(page, out);
    return out.toByteArray();
  }

  @Test
  void thePagesCanBeReadAndHaveBookmarksAndNumbers() throws IOException {
    List<List<String>> rows = new java.util.ArrayList<>();
    for (int i = 0; i < 200; i++) {
      rows.add(List.of("group \u2603 " + i, String.valueOf(i), "x".repeat(i)));
    }
    Page page =
        new Page(
            "Long",
            List.of(
                new Block.Heading(Block.Part.TITLE, "Long", 1),
                new Block.Paragraph(
                    Block.Part.RESULTS, "After it, F(2, 30) = 4.1, p < .001 of fifty."),
                new Block.Table(
                    Block.Part.MEANS, "Many", List.of("pair", "n", "note"), rows, "Below.")));
    try (PDDocument read = Loader.loadPDF(pdf(page))) {
      assertThat(read.getNumberOfPages()).isGreaterThan(2);
      String text = new PDFTextStripper().getText(read);
      assertThat(text)
          .as("no ligature swallows letters")
          .contains("After it, F(2, 30) = 4.1, p < .001 of fifty.")
          .contains("group ? 199")
          .contains("1 / " + read.getNumberOfPages());
      assertThat(text.split("pair n").length - 1).isEqualTo(read.getNumberOfPages());
      assertThat(read.getDocumentCatalog().getDocumentOutline().getFirstChild().getTitle())
          .isEqualTo("Long");
      assertThat(read.getDocumentInformation().getTitle()).isEqualTo("Long");
    }
    assertThat(pdf(page())).isEqualTo(pdf(page()));
  }

  @Test
  void figuresThatArePanelsStandTogetherAtTheEnd() {
    Page both =
        Page.joined("Spring trials", List.of(page().panel(true), page(), page().panel(true)));
    List<Block.Figure> figures =
        both.blocks().stream()
            .filter(Block.Figure.class::isInstance)
            .map(Block.Figure.class::cast)
            .toList();
    assertThat(figures).hasSize(2);
    Block.Figure own = figures.get(0);
    assertThat(own.caption()).doesNotStartWith("A: ");
    assertThat(figures.get(1).caption()).isEqualTo("A: " + own.caption() + " B: " + own.caption());
    assertThat(figures.get(1).picture().marks()).hasSize(2 * (own.picture().marks().size() + 1));
  }

  @Test
  void severalInquiriesAreNumberedThroughAndTheirFiguresKeepTheirOwnType() throws IOException {
    Page both = Page.joined("Spring trials", List.of(page(), page()));
    String html = HtmlReport.text(both);
    assertThat(html)
        .contains("<h1>Spring trials</h1>", "Table 1. ", "Table 4. ", "Figure 1. ", "Figure 2. ")
        .contains("'Figure 1 IBM Plex Sans'", "'Figure 2 IBM Plex Sans'")
        .doesNotContain("'IBM Plex Sans'");
    assertThat(TextReport.markdown(both, n -> "figure-" + n + ".svg"))
        .contains("(figure-1.svg)", "(figure-2.svg)", "## Growth by mesh");
    assertThat(TextReport.latex(both, n -> "figure-" + n + ".pdf")).contains("\\subsection{");
    assertThat(pdf(both)).isNotEmpty();
  }
}
