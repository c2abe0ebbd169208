package app.knuckle.bench;

import app.knuckle.desktop.demo.DemoStudy;
import app.knuckle.figures.inquiry.InquiryFigure;
import app.knuckle.figures.scene.Face;
import app.knuckle.figures.scene.Type;
import app.knuckle.figures.style.Style;
import app.knuckle.formats.documents.DocxReport;
import app.knuckle.formats.documents.PdfReport;
import app.knuckle.formats.report.Block;
import app.knuckle.formats.report.Page;
import app.knuckle.formats.report.PageSettings;
import app.knuckle.stats.Progress;
import app.knuckle.study.answers.Answering;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.keeping.Study;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.poi.xwpf.usermodel.XWPFDocument;
import org.apache.poi.xwpf.usermodel.XWPFTable;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/**
 * The page of a factorial trial: made, and written as a document and as PDF, with and without its
 * figure, beside the libraries writing the same words alone.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
public class PageBench {

  private static final int LINES_A_PAGE = 50;
  private static final float SIZE = 10;
  private static final float LEADING = 14;

  private Findings findings;
  private Page page;
  private Page words;
  private final List<String> lines = new ArrayList<>();

  /** Answers an inquiry of the demo study. */
  @Setup
  public void answer() {
    Study demo = DemoStudy.read();
    Study.Asked asked = demo.asked().get(1);
    findings = Answering.of(demo.table(asked.table()), asked.inquiry(), Progress.NONE);
    page = made();
    words =
        new Page(
            page.title(),
            page.blocks().stream().filter(b -> !(b instanceof Block.Figure)).toList());
    for (Block block : words.blocks()) {
      lines.add(plain(block.words()));
      if (block instanceof Block.Table table) {
        table.rows().forEach(row -> row.forEach(cell -> lines.add(plain(cell))));
      }
    }
  }

  /** Signs that every font has. */
  private static String plain(String text) {
    return text.replaceAll("[^ -~]", "x");
  }

  /** The page from the findings, its figure laid out. */
  @Benchmark
  public Page made() {
    InquiryFigure figure =
        InquiryFigure.of(findings, Style.usual(findings.first().shownMeans().size()));
    return Page.of(findings, figure, PageSettings.USUAL);
  }

  /** A document with its figure. */
  @Benchmark
  public int documentWithFigure() throws IOException {
    return document(page);
  }

  /** A document of words and tables. */
  @Benchmark
  public int documentOfWords() throws IOException {
    return document(words);
  }

  private static int document(Page page) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    DocxReport.write(page, out);
    return out.size();
  }

  /** The same words as bare paragraphs and tables of the library. */
  @Benchmark
  public int bareDocument() throws IOException {
    try (XWPFDocument document = new XWPFDocument()) {
      for (Block block : words.blocks()) {
        document.createParagraph().createRun().setText(block.words());
        if (block instanceof Block.Table table) {
          XWPFTable bare = document.createTable(table.rows().size(), table.heads().size());
          for (int r = 0; r < table.rows().size(); r++) {
            for (int c = 0; c < table.heads().size(); c++) {
              bare.getRow(r).getCell(c).setText(table.rows().get(r).get(c));
            }
          }
        }
      }
      ByteArrayOutputStream out = new ByteArrayOutputStream();
      document.write(out);
      return out.size();
    }
  }

  /** PDF with its figure. */
  @Benchmark
  public int pdfWithFigure() throws IOException {
    return pdf(page);
  }

  /** PDF of words and tables. */
  @Benchmark
  public int pdfOfWords() throws IOException {
    return pdf(words);
  }

  private static int pdf(Page page) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    PdfReport.write(page, out);
    return out.size();
  }

  /** The same words as bare lines of the library, in one embedded font. */
  @Benchmark
  public int barePdf() throws IOException {
    try (PDDocument document = new PDDocument();
        InputStream file = Type.open(Face.REGULAR)) {
      PDFont font = PDType0Font.load(document, file);
      for (int from = 0; from < lines.size(); from += LINES_A_PAGE) {
        PDPage sheet = new PDPage();
        document.addPage(sheet);
        try (PDPageContentStream text = new PDPageContentStream(document, sheet)) {
          text.beginText();
          text.setFont(font, SIZE);
          text.newLineAtOffset(LEADING, sheet.getMediaBox().getHeight() - LEADING);
          for (String line : lines.subList(from, Math.min(lines.size(), from + LINES_A_PAGE))) {
            text.showText(line);
            text.newLineAtOffset(0, -LEADING);
          }
          text.endText();
        }
      }
      ByteArrayOutputStream out = new ByteArrayOutputStream();
      document.save(out);
      return out.size();
    }
  }
}
