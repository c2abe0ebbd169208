package app.knuckle.desktop.keeping;

import app.knuckle.figures.export.FigureFile;
import java.util.HashSet;
import java.util.Locale;
import java.util.Set;

/**
 * Names of files and folders made of names in the records, kept apart and of a length that fits.
 */
public final class FileNames {
  /** With an ending, and four bytes a letter, within the 255 bytes that file systems have. */
  private static final int MOST_LETTERS = 50;

  private final Set<String> taken = new HashSet<>();

  /**
   * A file's name, another one each time.
   *
   * @param name any
   * @return its letters and digits; a number behind, where another has the same
   */
  public String apart(String name) {
    String base = shortened(FigureFile.safeName(name));
    String own = base;
    // Some file systems do not tell capitals from small letters.
    for (int copy = 2; !taken.add(own.toLowerCase(Locale.ROOT)); copy++) {
      own = base + "-" + copy;
    }
    return own;
  }

  /**
   * A folder's name.
   *
   * @param name any
   * @return with what no file system takes replaced; may be empty
   */
  public static String folder(String name) {
    return shortened(name.replaceAll("[^\\p{L}\\p{N} ._(),-]", "_").strip()).strip();
  }

  private static String shortened(String name) {
    return name.codePointCount(0, name.length()) <= MOST_LETTERS
        ? name
        : name.substring(0, name.offsetByCodePoints(0, MOST_LETTERS));
  }
}
