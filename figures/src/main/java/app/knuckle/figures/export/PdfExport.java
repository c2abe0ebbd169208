package app.knuckle.figures.export;

import app.knuckle.figures.scene.Face;
import app.knuckle.figures.scene.Painter;
import app.knuckle.figures.scene.Scene;
import app.knuckle.figures.scene.Type;
import de.rototor.pdfbox.graphics2d.PdfBoxGraphics2D;
import de.rototor.pdfbox.graphics2d.PdfBoxGraphics2DFontTextDrawer;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;

/** Writes scenes as PDF pages with real text in embedded type. */
public final class PdfExport {

  /** In place of the time, so that the same figure is the same file. */
  private static final long DOCUMENT = 1;

  private PdfExport() {}

  /**
   * Writes a scene.
   *
   * @param scene what to write
   * @param out where to; not closed
   * @throws IOException if it cannot be written
   */
  public static void write(Scene scene, OutputStream out) throws IOException {
    write(List.of(scene), out);
  }

  /**
   * Writes scenes, each on a page of its own size.
   *
   * @param scenes what to write, at least one
   * @param out where to; not closed
   * @throws IOException if it cannot be written
   */
  public static void write(List<Scene> scenes, OutputStream out) throws IOException {
    try (PDDocument document = new PDDocument()) {
      document.setDocumentId(DOCUMENT);
      for (Scene scene : scenes) {
        PDRectangle size = new PDRectangle((float) scene.width(), (float) scene.height());
        PDPage page = new PDPage(size);
        document.addPage(page);
        try (PDPageContentStream content = new PDPageContentStream(document, page)) {
          content.drawForm(form(document, scene));
        }
      }
      document.save(out);
    }
  }

  /**
   * Paints a scene into a document.
   *
   * @param document that takes the type and the picture
   * @param scene what to paint
   * @return the picture, as large as the scene, to be drawn on a page
   * @throws IOException if the type cannot be read
   */
  public static PDFormXObject form(PDDocument document, Scene scene) throws IOException {
    PdfBoxGraphics2DFontTextDrawer text = new PdfBoxGraphics2DFontTextDrawer();
    for (Face face : Face.values()) {
      try (InputStream font = Type.open(face)) {
        text.registerFont(Type.font(face, 1).getName(), PdfType.load(document, font));
      }
    }
    PdfBoxGraphics2D g =
        new PdfBoxGraphics2D(document, (float) scene.width(), (float) scene.height());
    g.setFontTextDrawer(text);
    Painter.paint(scene, g);
    g.dispose();
    return g.getXFormObject();
  }
}
