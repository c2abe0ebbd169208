package app.knuckle.figures.scene;

import java.awt.Font;
import java.awt.FontFormatException;
import java.awt.font.FontRenderContext;
import java.awt.geom.Rectangle2D;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The shipped type and its measures. Text is measured once, with one context, since every device
 * would measure a little differently.
 */
public final class Type {

  private static final FontRenderContext CONTEXT = new FontRenderContext(null, true, true);

  /** The font files, unpacked once: every figure written takes its letters from them. */
  private static final Map<Face, byte[]> FILES = new EnumMap<>(Face.class);

  private static final Map<Face, Font> FONTS = new EnumMap<>(Face.class);

  /** Height of a line over the size of its type, as designed in both faces. */
  private static final double LEADING = 1.2;

  static {
    for (Face face : Face.values()) {
      try (InputStream in =
          Type.class.getResourceAsStream("/app/knuckle/figures/fonts/" + face.file())) {
        FILES.put(face, in.readAllBytes());
        FONTS.put(face, font(face));
      } catch (IOException | FontFormatException e) {
        throw new IllegalStateException("The shipped font " + face.file() + " is broken", e);
      }
    }
  }

  private Type() {}

  private static Font font(Face face) throws IOException, FontFormatException {
    Optional<Path> file = FontFiles.of(face.file());
    return file.isPresent()
        ? Font.createFont(Font.TRUETYPE_FONT, file.get().toFile())
        : Font.createFont(Font.TRUETYPE_FONT, open(face));
  }

  /**
   * The bytes of a font.
   *
   * @param face which
   * @return a stream to close
   */
  public static InputStream open(Face face) {
    return new ByteArrayInputStream(FILES.get(face));
  }

  /**
   * A font.
   *
   * @param face which
   * @param size in points
   * @return the font
   */
  public static Font font(Face face, double size) {
    return FONTS.get(face).deriveFont((float) size);
  }

  /**
   * How wide a text is.
   *
   * @param text one line
   * @param face its face
   * @param size in points
   * @return points
   */
  public static double width(String text, Face face, double size) {
    return font(face, size).getStringBounds(text, CONTEXT).getWidth();
  }

  /**
   * How high a line is.
   *
   * @param size in points
   * @return points
   */
  public static double height(double size) {
    return size * LEADING;
  }

  /** How far below the middle of a line its baseline stands. */
  static double baseline(Face face, double size) {
    Rectangle2D capital = font(face, size).createGlyphVector(CONTEXT, "H").getVisualBounds();
    return capital.getHeight() / 2;
  }

  /**
   * Whether every letter of a text is in the type.
   *
   * @param text any text
   * @return false if one would show as an empty box
   */
  public static boolean covers(String text) {
    return FONTS.get(Face.REGULAR).canDisplayUpTo(text) < 0;
  }

  /**
   * Breaks a text at its blanks so that no line is wider than asked, if that can be done.
   *
   * @param text the text
   * @param face its face
   * @param size in points
   * @param width at most so many points
   * @return the lines; a word wider than that stands alone on a line of its own
   */
  public static List<String> wrap(String text, Face face, double size, double width) {
    List<String> lines = new ArrayList<>();
    StringBuilder line = new StringBuilder();
    for (String word : text.split(" ")) {
      String longer = line.isEmpty() ? word : line + " " + word;
      if (!line.isEmpty() && width(longer, face, size) > width) {
        lines.add(line.toString());
        line.setLength(0);
        line.append(word);
      } else {
        line.setLength(0);
        line.append(longer);
      }
    }
    lines.add(line.toString());
    return lines;
  }

  /**
   * A text cut in its middle so that it fits.
   *
   * @param text the text
   * @param face its face
   * @param size in points
   * @param width at most so many points
   * @return the text, or its start and end with an ellipsis between
   */
  public static String shorten(String text, Face face, double size, double width) {
    if (width(text, face, size) <= width) {
      return text;
    }
    for (int kept = text.length() - 1; kept > 1; kept--) {
      int head = (kept + 1) / 2;
      String cut =
          text.substring(0, head) + "\u2026" + text.substring(text.length() - (kept - head));
      if (width(cut, face, size) <= width) {
        return cut;
      }
    }
    return "\u2026";
  }
}
