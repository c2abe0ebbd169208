package app.knuckle.figures.export;

import app.knuckle.figures.scene.Scene;
import java.io.IOException;
import java.io.OutputStream;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** Kinds of files that a figure is written as. */
public enum FigureFile {
  /** Scalable, with real text. */
  SVG,
  /** Scalable, with embedded type. */
  PDF,
  /** Of a given resolution. */
  PNG;

  /** The ending of its name: without a dot. */
  public String ending() {
    return name().toLowerCase(Locale.ROOT);
  }

  /**
   * A name that every file system takes.
   *
   * @param name any
   * @return its letters and digits, with hyphens between; "figure" if there are none
   */
  public static String safeName(String name) {
    String bare = name.replaceAll("[^\\p{L}\\p{N}]+", "-").replaceAll("^-|-$", "");
    return bare.isEmpty() ? "figure" : bare;
  }

  /**
   * The kind that a name says.
   *
   * @param name of a file, in any case
   * @return empty for an ending that no figure has
   */
  public static Optional<FigureFile> of(String name) {
    return Arrays.stream(values())
        .filter(kind -> name.toLowerCase(Locale.ROOT).endsWith("." + kind.ending()))
        .findFirst();
  }

  /**
   * Writes a figure.
   *
   * @param scene laid out
   * @param dpi dots an inch; for PNG alone
   * @param out where to; not closed
   * @throws IOException if it cannot be written there
   */
  public void write(Scene scene, int dpi, OutputStream out) throws IOException {
    switch (this) {
      case SVG -> SvgExport.write(scene, out);
      case PDF -> PdfExport.write(scene, out);
      case PNG -> PngExport.write(scene, dpi, out);
    }
  }
}
