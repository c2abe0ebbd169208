package app.knuckle.figures.export;

import java.io.IOException;
import java.io.InputStream;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;

/** Type for PDF whose text can be selected letter by letter. */
public final class PdfType {

  private PdfType() {}

  /**
   * Puts a typeface into a document, without ligatures: a glyph for "ft" has no letters of its own,
   * so that "after" would be copied as "a er".
   *
   * @param document that takes it
   * @param file a TrueType font; read, not closed
   * @return the typeface
   * @throws IOException if it cannot be read
   */
  public static PDFont load(PDDocument document, InputStream file) throws IOException {
    TrueTypeFont font = new TTFParser().parse(new RandomAccessReadBuffer(file));
    font.setEnableGsub(false);
    return PDType0Font.load(document, font, true);
  }
}
