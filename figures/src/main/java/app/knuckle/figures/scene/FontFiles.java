package app.knuckle.figures.scene;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;

/**
 * The shipped fonts as files. Whoever reads a font from a stream gets a copy in the temporary
 * folder, which stays there when the program is killed; from a file no copy is made.
 */
public final class FontFiles {

  /** Names a folder with the fonts; whoever starts the program knows where it is. */
  private static final String FOLDER = "knuckle.fonts";

  private FontFiles() {}

  /**
   * A font as a file.
   *
   * @param name of the font's file
   * @return empty where nobody said where the fonts are
   */
  public static Optional<Path> of(String name) {
    return Optional.ofNullable(System.getProperty(FOLDER))
        .map(folder -> Path.of(folder, name))
        .filter(Files::isRegularFile);
  }
}
