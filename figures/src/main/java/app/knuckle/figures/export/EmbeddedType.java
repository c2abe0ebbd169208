package app.knuckle.figures.export;

import app.knuckle.figures.scene.Face;
import app.knuckle.figures.scene.Mark;
import app.knuckle.figures.scene.Scene;
import app.knuckle.figures.scene.Type;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.Base64;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TTFSubsetter;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;

/**
 * The letters that a scene uses, as type inside a file, so that it looks the same where the type is
 * not installed.
 */
final class EmbeddedType {

  /** What a browser asks of a font; kerning and other scripts are left away. */
  private static final List<String> TABLES =
      List.of(
          "head", "hhea", "loca", "maxp", "cvt ", "prep", "glyf", "hmtx", "fpgm", "gasp", "name",
          "OS/2", "post", "cmap");

  private EmbeddedType() {}

  /** Rules of a style sheet, one for each face that the scene uses. */
  static String rules(Scene scene) throws IOException {
    StringBuilder rules = new StringBuilder();
    for (Face face : Face.values()) {
      Set<Integer> letters = new TreeSet<>();
      for (Mark mark : scene.marks()) {
        if (mark instanceof Mark.Label label && label.face() == face) {
          label.text().codePoints().forEach(letters::add);
        }
      }
      if (!letters.isEmpty()) {
        rules
            .append("@font-face{font-family:'")
            .append(Type.font(face, 1).getFamily(Locale.ROOT))
            .append("';src:url(data:font/ttf;base64,")
            .append(Base64.getEncoder().encodeToString(subset(face, letters)))
            .append(")}");
      }
    }
    return rules.toString();
  }

  private static byte[] subset(Face face, Set<Integer> letters) throws IOException {
    try (InputStream in = Type.open(face);
        TrueTypeFont font = new TTFParser().parse(new RandomAccessReadBuffer(in))) {
      TTFSubsetter subsetter = new TTFSubsetter(font, TABLES);
      letters.forEach(subsetter::add);
      ByteArrayOutputStream out = new ByteArrayOutputStream();
      subsetter.writeToStream(out);
      return out.toByteArray();
    }
  }
}
