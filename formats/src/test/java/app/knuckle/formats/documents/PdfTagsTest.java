package app.knuckle.formats.documents;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.figures.scene.Ink;
import app.knuckle.figures.scene.Mark;
import app.knuckle.figures.scene.Scene;
import app.knuckle.formats.report.Block;
import app.knuckle.formats.report.Page;
import app.knuckle.formats.report.Paper;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDMarkedContentReference;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDParentTreeValue;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureNode;
import org.apache.pdfbox.pdmodel.documentinterchange.markedcontent.PDMarkedContent;
import org.apache.pdfbox.text.PDFMarkedContentExtractor;
import org.apache.pdfbox.text.TextPosition;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** A PDF as it is read to somebody who does not see it. */
class PdfTagsTest {

  private static final int ROWS = 150;

  private PDDocument document;

  private record Read(String type, String text) {}

  @BeforeEach
  void write() throws IOException {
    List<List<String>> rows = new ArrayList<>();
    for (int i = 0; i < ROWS; i++) {
      rows.add(List.of("tray " + i, String.valueOf(i), "ab"));
    }
    Scene picture =
        new Scene(100, 50, List.of(new Mark.Bar(0, 0, 100, 50, Ink.DARK, null, Mark.NONE)));
    Page page =
        new Page(
            "Tides",
            List.of(
                new Block.Heading(Block.Part.TITLE, "Tides", 1),
                new Block.Paragraph(
                    Block.Part.RESULTS,
                    "Growth differs between the levels of mesh, F(2, 30) = 4.1, p = .027; and a"
                        + " line that is longer than a page is wide goes on in the next one."),
                new Block.Table(
                    Block.Part.MEANS, "Means", List.of("tray", "n", "letters"), rows, "Below."),
                new Block.Figure(Block.Part.FIGURE, "Means and their errors", picture)));
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    PdfReport.write(page, out);
    document = Loader.loadPDF(out.toByteArray());
  }

  @AfterEach
  void close() throws IOException {
    document.close();
  }

  /** The text of each piece of a page by its number. */
  private static Map<Integer, String> marked(PDPage page) throws IOException {
    PDFMarkedContentExtractor extractor = new PDFMarkedContentExtractor();
    extractor.processPage(page);
    Map<Integer, String> all = new HashMap<>();
    for (PDMarkedContent content : extractor.getMarkedContents()) {
      StringBuilder text = new StringBuilder();
      content.getContents().stream()
          .filter(TextPosition.class::isInstance)
          .forEach(letter -> text.append(((TextPosition) letter).getUnicode()));
      all.put(content.getMCID(), text.toString());
    }
    return all;
  }

  private List<Read> read() throws IOException {
    Map<COSDictionary, Map<Integer, String>> pages = new HashMap<>();
    for (PDPage page : document.getPages()) {
      pages.put(page.getCOSObject(), marked(page));
    }
    List<Read> all = new ArrayList<>();
    gather(document.getDocumentCatalog().getStructureTreeRoot(), pages, all);
    return all;
  }

  private static void gather(
      PDStructureNode node, Map<COSDictionary, Map<Integer, String>> pages, List<Read> all) {
    StringBuilder own = new StringBuilder();
    for (Object kid : node.getKids()) {
      if (kid instanceof PDMarkedContentReference piece) {
        own.append(pages.get(piece.getPage().getCOSObject()).get(piece.getMCID()));
      } else {
        gather((PDStructureElement) kid, pages, all);
      }
    }
    if (node instanceof PDStructureElement element && !own.isEmpty()) {
      all.add(new Read(element.getStructureType(), own.toString().strip()));
    }
  }

  @Test
  void everythingIsReadOnceInOrder() throws IOException {
    List<Read> all = read();
    assertThat(all.get(0)).isEqualTo(new Read("H1", "Tides"));
    assertThat(all.get(1))
        .isEqualTo(
            new Read(
                "P",
                "Growth differs between the levels of mesh, F(2, 30) = 4.1, p = .027; and a line"
                    + " that is longer than a page is wide goes on in the next one."));
    assertThat(all.get(2)).isEqualTo(new Read("Caption", "Table 1. Means"));
    assertThat(all.subList(3, 6))
        .containsExactly(new Read("TH", "tray"), new Read("TH", "n"), new Read("TH", "letters"));
    assertThat(all.subList(6, 9))
        .containsExactly(new Read("TH", "tray 0"), new Read("TD", "0"), new Read("TD", "ab"));
    assertThat(all).as("heads that are repeated are not read").hasSize(3 + 3 * (ROWS + 1) + 2);
    assertThat(all.subList(all.size() - 2, all.size()))
        .containsExactly(
            new Read("P", "Below."), new Read("P", "Figure 1. Means and their errors"));
    assertThat(document.getNumberOfPages()).isGreaterThan(2);
  }

  /** Statistics hold together, and still no line is wider than the page between its margins. */
  @Test
  void noLineLeavesThePage() throws IOException {
    for (int words = 1; words < 40; words++) {
      String text = "it ".repeat(words) + "differs (F(2, 32) = 36.27, p < .001), F(2, 32) = 36.27.";
      ByteArrayOutputStream out = new ByteArrayOutputStream();
      PdfReport.write(
          new Page("Tides", List.of(new Block.Paragraph(Block.Part.RESULTS, text))), out);
      try (PDDocument read = Loader.loadPDF(out.toByteArray())) {
        PDFMarkedContentExtractor extractor = new PDFMarkedContentExtractor();
        extractor.processPage(read.getPage(0));
        assertThat(extractor.getMarkedContents())
            .flatExtracting(PDMarkedContent::getContents)
            .filteredOn(letter -> letter instanceof TextPosition at && !at.getUnicode().isBlank())
            .allSatisfy(
                letter ->
                    assertThat(((TextPosition) letter).getEndX())
                        .isLessThan((float) (Paper.A4.width() - Paper.MARGIN + 1)));
      }
    }
  }

  @Test
  void aPictureHasWordsAndEveryPieceKnowsItsOwner() throws IOException {
    PDStructureElement whole =
        (PDStructureElement) document.getDocumentCatalog().getStructureTreeRoot().getKids().get(0);
    List<PDStructureElement> figures =
        whole.getKids().stream()
            .map(PDStructureElement.class::cast)
            .filter(e -> e.getStructureType().equals("Figure"))
            .toList();
    assertThat(figures).hasSize(1);
    assertThat(figures.get(0).getAlternateDescription()).isEqualTo("Means and their errors");
    assertThat(document.getDocumentCatalog().getMarkInfo().isMarked()).isTrue();
    Map<Integer, ?> owners =
        document.getDocumentCatalog().getStructureTreeRoot().getParentTree().getNumbers();
    int page = 0;
    for (PDPage each : document.getPages()) {
      assertThat(each.getStructParents()).isEqualTo(page);
      COSArray known = (COSArray) ((PDParentTreeValue) owners.get(page++)).getCOSObject();
      assertThat(known.size())
          .isEqualTo(marked(each).keySet().stream().filter(id -> id >= 0).count());
    }
  }
}
