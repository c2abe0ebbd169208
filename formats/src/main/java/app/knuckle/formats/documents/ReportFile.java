package app.knuckle.formats.documents;

import app.knuckle.figures.export.FigureFile;
import app.knuckle.figures.scene.Scene;
import app.knuckle.formats.keeping.FilesOfOthers;
import app.knuckle.formats.keeping.ResultFolder;
import app.knuckle.formats.keeping.SafeFile;
import app.knuckle.formats.keeping.WriteTrouble;
import app.knuckle.formats.report.Block;
import app.knuckle.formats.report.Page;
import app.knuckle.study.Refused;
import app.knuckle.study.words.Numerals;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.IntFunction;

/** Kinds of files that a page is written as. */
public enum ReportFile {
  /** One file, with its figures. */
  HTML("Page (.html)"),
  /** An office document, with its figures. */
  DOCX("Document (.docx)"),
  /** Pages with embedded type, with the figures. */
  PDF("PDF"),
  /** Text with marks; figures stand beside it as SVG. */
  MD("Markdown (.md)"),
  /** For LaTeX; figures stand beside it as PDF. */
  TEX("LaTeX (.tex)"),
  /** Its tables alone, as text. */
  CSV("Tables (.csv)"),
  /** Its tables alone, a sheet each. */
  XLSX("Tables (.xlsx)");

  /** Figures beside a page know no dots. */
  private static final int NO_DPI = 0;

  private final String title;

  ReportFile(String title) {
    this.title = title;
  }

  /** The name on a control, such as "Document (.docx)". */
  public String title() {
    return title;
  }

  /** The ending of its name, and its name in files and options: without a dot. */
  public String ending() {
    return name().toLowerCase(Locale.ROOT);
  }

  /** The endings of all kinds in words, such as "html, docx and pdf". */
  public static String known() {
    return Numerals.list(Arrays.stream(values()).map(ReportFile::ending).toList());
  }

  /**
   * The kind of an ending.
   *
   * @param ending without a dot, in any case
   * @return empty for none
   */
  public static Optional<ReportFile> of(String ending) {
    return Arrays.stream(values()).filter(k -> k.ending().equalsIgnoreCase(ending)).findFirst();
  }

  /** The kind of the figures that stand beside the page; empty where the page holds them. */
  private Optional<FigureFile> beside() {
    return switch (this) {
      case HTML, DOCX, PDF, CSV, XLSX -> Optional.empty();
      case MD -> Optional.of(FigureFile.SVG);
      case TEX -> Optional.of(FigureFile.PDF);
    };
  }

  /**
   * Writes a page, and its figures beside it where the page cannot hold them; they are called after
   * the page, so that those of another are not written over.
   *
   * @param page to write
   * @param target the file
   * @param replace whether figures may replace files that are not as Knuckle wrote them
   * @return the file
   * @throws Refused if it cannot be written there; what was there is then as it was
   * @throws FilesOfOthers if a figure would replace one that may not be replaced
   */
  public Path write(Page page, Path target, boolean replace) {
    try {
      writeWithFigures(page, target, replace);
      return target;
    } catch (IOException e) {
      throw WriteTrouble.of(target, e);
    }
  }

  private void writeWithFigures(Page page, Path target, boolean replace) throws IOException {
    Path file = Files.isSymbolicLink(target) ? target.toRealPath() : target.toAbsolutePath();
    Path called = file.getFileName();
    if (called == null) {
      throw new IOException("A folder is no file");
    }
    String name = called.toString();
    String bare = name.contains(".") ? name.substring(0, name.lastIndexOf('.')) : name;
    String figures = bare + "-figure";
    List<Block.Figure> all = figures(page);
    if (beside().isEmpty() || all.isEmpty()) {
      write(page, file, figures);
      return;
    }
    if (!Files.isDirectory(file.getParent())) {
      throw new NoSuchFileException(file.getParent().toString());
    }
    ResultFolder.of(file.getParent(), replace)
        .choosing(name)
        .add(
            fresh -> {
              write(page, fresh.resolve(name), figures);
              for (int f = 0; f < all.size(); f++) {
                Scene picture = all.get(f).picture();
                SafeFile.write(
                    fresh.resolve(name(figures, f + 1, all.size())),
                    null,
                    out -> beside().get().write(picture, NO_DPI, out));
              }
            });
  }

  private static List<Block.Figure> figures(Page page) {
    return page.blocks().stream()
        .filter(Block.Figure.class::isInstance)
        .map(Block.Figure.class::cast)
        .toList();
  }

  private String name(String figures, int number, int all) {
    return figures
        + (all == 1 ? "" : "-" + number)
        + "."
        + beside().map(FigureFile::ending).orElse("");
  }

  /**
   * Writes a page whose figures stand beside it already. It writes beside the file first, so that
   * what fails leaves an old file whole.
   *
   * @param page to write
   * @param target the file
   * @param figures what their files are called, without number and ending
   * @throws IOException if it cannot be written there
   */
  public void write(Page page, Path target, String figures) throws IOException {
    int all = figures(page).size();
    IntFunction<String> names = number -> name(figures, number, all);
    SafeFile.write(target, null, out -> write(page, names, out));
  }

  private void write(Page page, IntFunction<String> names, OutputStream out) throws IOException {
    switch (this) {
      case HTML -> out.write(HtmlReport.text(page).getBytes(StandardCharsets.UTF_8));
      case DOCX -> DocxReport.write(page, out);
      case PDF -> PdfReport.write(page, out);
      case MD -> out.write(TextReport.markdown(page, names).getBytes(StandardCharsets.UTF_8));
      case CSV -> TableReport.csv(page, out);
      case XLSX -> TableReport.xlsx(page, out);
      case TEX -> out.write(TextReport.latex(page, names).getBytes(StandardCharsets.UTF_8));
    }
  }
}
