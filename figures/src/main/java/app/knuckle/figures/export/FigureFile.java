package app.knuckle.figures.export;

import app.knuckle.figures.scene.Scene;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Locale;

/** Kinds of files that a figure is written as. */
public enum FigureFile {
  /** Scalable, with real text. */
  SVG,
  /** Scalable, with embedded type. */
  PDF,
  /** Of a given resolution. */
  PNG;

  /**
   * The ending of its name.
   *
   * @return without a dot
   */
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
   * Writes a figure. It writes beside the file first, so that what fails leaves an old file whole.
   *
   * @param scene laid out
   * @param dpi dots an inch; for PNG alone
   * @param target the file
   * @throws IOException if it cannot be written there
   */
  public void write(Scene scene, int dpi, Path target) throws IOException {
    Path beside = target.resolveSibling(target.getFileName() + ".part");
    try (OutputStream out = Files.newOutputStream(beside)) {
      switch (this) {
        case SVG -> SvgExport.write(scene, out);
        case PDF -> PdfExport.write(scene, out);
        case PNG -> PngExport.write(scene, dpi, out);
      }
    }
    Files.move(beside, target, StandardCopyOption.REPLACE_EXISTING);
  }

  /**
   * Writes a figure for someone who chose the place.
   *
   * @param scene laid out
   * @param dpi dots an inch; for PNG alone
   * @param target the file
   * @return the file
   * @throws Refused if it cannot be written there
   */
  public Path writeChosen(Scene scene, int dpi, Path target) {
    try {
      write(scene, dpi, target);
      return target;
    } catch (IOException e) {
      throw new Refused(
          Refused.at(
                  new Place.WholeFile(target.toString()),
                  "the figure cannot be written there",
                  "Choose another folder")
              .refusal(),
          e);
    }
  }
}
