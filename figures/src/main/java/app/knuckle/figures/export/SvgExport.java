package app.knuckle.figures.export;

import app.knuckle.figures.scene.Face;
import app.knuckle.figures.scene.Painter;
import app.knuckle.figures.scene.Scene;
import app.knuckle.figures.scene.Type;
import app.knuckle.study.words.Numerals;
import java.awt.Dimension;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.StringWriter;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import org.apache.batik.dom.GenericDOMImplementation;
import org.apache.batik.svggen.SVGGeneratorContext;
import org.apache.batik.svggen.SVGGraphics2D;
import org.w3c.dom.Document;
import org.w3c.dom.Element;

/** Writes a scene as SVG with real text and the letters of its type. */
public final class SvgExport {

  /** Hundredths of a point: far below what a printer resolves, and half the file size. */
  private static final int DECIMALS = 2;

  private static final double MM_PER_POINT = 25.4 / 72;

  private SvgExport() {}

  /**
   * Writes a scene.
   *
   * @param scene what to write
   * @param out where to; not closed
   * @throws IOException if it cannot be written
   */
  public static void write(Scene scene, OutputStream out) throws IOException {
    Writer writer = new OutputStreamWriter(out, StandardCharsets.UTF_8);
    stream(scene, writer);
    writer.flush();
  }

  /**
   * A scene as a part of a page with type of its own: each figure carries only the letters that it
   * uses, which must not be taken for the page's or another figure's type.
   *
   * @param scene what to write
   * @param own stands before the names of its typefaces
   * @return the element
   * @throws IOException if the type cannot be read
   */
  public static String element(Scene scene, String own) throws IOException {
    String element = element(scene);
    for (Face face : Face.values()) {
      String family = Type.font(face, 1).getFamily(Locale.ROOT);
      // Names that begin with another's are met as a whole: they stand between quotation marks.
      element = element.replace("'" + family + "'", "'" + own + family + "'");
    }
    return element;
  }

  /**
   * A scene as text to stand inside an HTML page.
   *
   * @param scene what to write
   * @return an svg element
   * @throws IOException never in practice
   */
  public static String element(Scene scene) throws IOException {
    StringWriter writer = new StringWriter();
    stream(scene, writer);
    String text = writer.toString();
    return text.substring(text.indexOf("<svg"));
  }

  private static void stream(Scene scene, Writer writer) throws IOException {
    Document document =
        GenericDOMImplementation.getDOMImplementation()
            .createDocument(SVGGraphics2D.SVG_NAMESPACE_URI, "svg", null);
    SVGGeneratorContext context = SVGGeneratorContext.createDefault(document);
    context.setComment("Knuckle");
    context.setPrecision(DECIMALS);
    SVGGraphics2D g = new SVGGraphics2D(context, false);
    g.setSVGCanvasSize(
        new Dimension((int) Math.ceil(scene.width()), (int) Math.ceil(scene.height())));
    Painter.paint(scene, g);
    Element root = g.getRoot();
    root.setAttribute("width", Numerals.fixed(scene.width() * MM_PER_POINT, DECIMALS) + "mm");
    root.setAttribute("height", Numerals.fixed(scene.height() * MM_PER_POINT, DECIMALS) + "mm");
    root.setAttribute(
        "viewBox",
        "0 0 "
            + Numerals.fixed(scene.width(), DECIMALS)
            + " "
            + Numerals.fixed(scene.height(), DECIMALS));
    Element style = document.createElementNS(SVGGraphics2D.SVG_NAMESPACE_URI, "style");
    style.setTextContent(EmbeddedType.rules(scene));
    root.insertBefore(style, root.getFirstChild());
    g.stream(root, writer, true, false);
  }
}
