package app.knuckle.formats.report;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.knuckle.formats.documents.DocxReport;
import app.knuckle.formats.documents.PdfReport;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.poi.xwpf.usermodel.XWPFDocument;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** The paper that pages are printed on. */
class PaperTest {

  private static final String LONG =
      "Growth differs between the levels of mesh, and this line goes on for longer than any sheet"
          + " of paper is wide, so that it has to be broken somewhere before the margin.";
  private static final Page PAGE =
      new Page(
          "Growth",
          List.of(
              new Block.Heading(Block.Part.TITLE, "Growth", 1),
              new Block.Paragraph(Block.Part.RESULTS, LONG)));

  @Test
  void sheetsAreAsLargeAsTheirNorms() {
    assertThat(Paper.A4.width()).isCloseTo(PDRectangle.A4.getWidth(), within(0.01));
    assertThat(Paper.A4.height()).isCloseTo(PDRectangle.A4.getHeight(), within(0.01));
    assertThat(Paper.LETTER.width()).isCloseTo(8.5 * 72, within(1e-9));
    assertThat(Paper.LETTER.height()).isCloseTo(11 * 72, within(1e-9));
  }

  @ParameterizedTest
  @EnumSource(Paper.class)
  void documentsAreOnThePaperOfTheirPage(Paper paper) throws IOException {
    ByteArrayOutputStream pdf = new ByteArrayOutputStream();
    PdfReport.write(PAGE.on(paper), pdf);
    try (PDDocument read = Loader.loadPDF(pdf.toByteArray())) {
      PDRectangle sheet = read.getPage(0).getMediaBox();
      assertThat(sheet.getWidth()).isCloseTo((float) paper.width(), within(0.01f));
      assertThat(sheet.getHeight()).isCloseTo((float) paper.height(), within(0.01f));
    }
    ByteArrayOutputStream docx = new ByteArrayOutputStream();
    DocxReport.write(PAGE.on(paper), docx);
    try (XWPFDocument read = new XWPFDocument(new ByteArrayInputStream(docx.toByteArray()))) {
      var sheet = read.getDocument().getBody().getSectPr().getPgSz();
      assertThat(((Number) sheet.getW()).doubleValue()).isCloseTo(20 * paper.width(), within(1.0));
      assertThat(((Number) sheet.getH()).doubleValue()).isCloseTo(20 * paper.height(), within(1.0));
    }
  }

  @ParameterizedTest
  @EnumSource(Paper.class)
  void pagesKeepTheirPaper(Paper paper) {
    PageSettings settings = PageSettings.USUAL.but(d -> d.paper = paper);
    assertThat(PageSettings.of(settings.kept())).isEqualTo(settings);
    assertThat(settings.page(PAGE).paper()).isEqualTo(paper);
    assertThat(Page.joined("All", List.of(PAGE.on(paper), PAGE)).paper()).isEqualTo(paper);
    assertThat(PageSettings.USUAL.kept()).isEqualTo(Map.of());
  }
}
