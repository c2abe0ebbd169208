package app.knuckle.figures.export;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.figures.means.MeansFigure;
import app.knuckle.figures.means.MeansLayout;
import app.knuckle.figures.scene.Scene;
import app.knuckle.figures.style.Style;
import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.study.findings.Reach;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.stream.IntStream;
import javax.imageio.ImageIO;
import javax.xml.parsers.DocumentBuilderFactory;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.w3c.dom.Document;

class ExportTest {

  private static Scene scene() {
    double[] values = {2.5, 3.5};
    return MeansLayout.of(
        new MeansFigure(
            List.of(
                group("Kelp & <dust>", 3, "ab", values), group("Paste", 4, "b", new double[] {4})),
            List.of(),
            List.of(),
            List.of(),
            "Clearance (L/h)",
            "Feed",
            "",
            List.of(),
            Quantity.absent(Absence.NOT_WISHED),
            List.of(),
            Style.usual(2),
            ""));
  }

  private static MeansFigure.Group group(
      String name, double mean, String letters, double[] values) {
    int[] rows = IntStream.range(0, values.length).toArray();
    Quantity half = Quantity.of(0.5);
    return new MeansFigure.Group(
        name, name, mean, Reach.even(half), letters, values, rows, null, values.length, 0, -1, 0);
  }

  @Test
  void svgIsWellFormedOfTrueSizeAndHoldsRealText() throws Exception {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    SvgExport.write(scene(), out);
    DocumentBuilderFactory factory = DocumentBuilderFactory.newInstance();
    factory.setFeature("http://apache.org/xml/features/nonvalidating/load-external-dtd", false);
    Document document =
        factory.newDocumentBuilder().parse(new ByteArrayInputStream(out.toByteArray()));
    assertThat(document.getDocumentElement().getAttribute("width")).isEqualTo("85.00mm");
    assertThat(document.getDocumentElement().getTextContent())
        .contains("Kelp & <dust>", "Clearance (L/h)", "ab");
    assertThat(out.toString(StandardCharsets.UTF_8))
        .as("each family that is named is inside")
        .contains(
            "font-family:'IBM Plex Sans';src:url(data:",
            "font-family:'IBM Plex Sans SemiBold';src:");
    assertThat(out.size()).as("only the letters that are used").isLessThan(60_000);
    ByteArrayOutputStream again = new ByteArrayOutputStream();
    SvgExport.write(scene(), again);
    assertThat(again.toByteArray()).as("two exports are equal").isEqualTo(out.toByteArray());
  }

  @Test
  void pdfTextCanBeSelectedAndItsTypeIsEmbedded() throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    PdfExport.write(scene(), out);
    ByteArrayOutputStream again = new ByteArrayOutputStream();
    PdfExport.write(scene(), again);
    assertThat(again.toByteArray()).as("two exports are equal").isEqualTo(out.toByteArray());
    try (PDDocument document = Loader.loadPDF(out.toByteArray())) {
      // The extractor breaks turned text into lines; its letters are what counts.
      String text = new PDFTextStripper().getText(document).replaceAll("\\s", "");
      assertThat(text).contains("Clearance(L/h)", "Paste", "ab");
      PDResources page = document.getPage(0).getResources();
      PDResources form =
          ((PDFormXObject) page.getXObject(page.getXObjectNames().iterator().next()))
              .getResources();
      assertThat(form.getFontNames()).isNotEmpty();
      for (COSName font : form.getFontNames()) {
        assertThat(form.getFont(font).isEmbedded()).isTrue();
      }
      assertThat(document.getPage(0).getMediaBox().getWidth()).isBetween(240.9f, 241f);
    }
  }

  @Test
  void pngHasTheResolutionAskedForAndThePixelsOfTheScreen() throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    PngExport.write(scene(), 300, out);
    BufferedImage read = ImageIO.read(new ByteArrayInputStream(out.toByteArray()));
    assertThat(read.getWidth()).isEqualTo((int) Math.round(85 / 25.4 * 300));
    // 300 dots per inch are 11811 a metre, in the pHYs chunk.
    int at = out.toString(StandardCharsets.ISO_8859_1).indexOf("pHYs");
    assertThat(java.nio.ByteBuffer.wrap(out.toByteArray(), at + 4, 4).getInt()).isEqualTo(11811);
    BufferedImage screen = PngExport.image(scene(), 300 / 72.0);
    assertThat(screen.getRGB(400, 300)).isEqualTo(read.getRGB(400, 300));
    assertThat(screen.getWidth()).isEqualTo(read.getWidth());
  }
}
