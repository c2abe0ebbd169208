package app.knuckle.formats.report;

import app.knuckle.figures.export.FigureFile;
import app.knuckle.figures.export.PngExport;
import app.knuckle.figures.export.SvgExport;
import app.knuckle.figures.inquiry.InquiryFigure;
import app.knuckle.figures.scene.Scene;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** Kinds of files that a page is written as. */
public enum ReportFile {
  /** One file, with its figure. */
  HTML("Page (.html)"),
  /** An office document, with its figure. */
  DOCX("Document (.docx)"),
  /** Pages with embedded type, with the figure. */
  PDF("PDF"),
  /** Text with marks; the figure stands beside it as figure.svg. */
  MD("Markdown (.md)"),
  /** For LaTeX; the figure stands beside it as figure.pdf. */
  TEX("LaTeX (.tex)");

  /** Dots an inch that printers of journals ask for. */
  public static final int DPI = 600;

  private static final double MM_PER_POINT = 25.4 / 72;

  private final String title;

  ReportFile(String title) {
    this.title = title;
  }

  /**
   * The name on a control.
   *
   * @return such as "Document (.docx)"
   */
  public String title() {
    return title;
  }

  /**
   * The ending of its name, and its name in files and options.
   *
   * @return without a dot
   */
  public String ending() {
    return name().toLowerCase(Locale.ROOT);
  }

  /**
   * The figure that stands in a file of its own beside the page.
   *
   * @return empty where the page holds it
   */
  public Optional<FigureFile> figureBeside() {
    return switch (this) {
      case HTML, DOCX, PDF -> Optional.empty();
      case MD -> Optional.of(FigureFile.SVG);
      case TEX -> Optional.of(FigureFile.PDF);
    };
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

  /**
   * Writes a page. It writes beside the file first, so that what fails leaves an old file whole.
   *
   * @param page to write
   * @param figure of it; null for none
   * @param target the file
   * @throws IOException if it cannot be written there
   */
  public void write(Page page, InquiryFigure figure, Path target) throws IOException {
    Scene scene = figure == null ? null : figure.scene();
    Path beside = target.resolveSibling(target.getFileName() + ".part");
    switch (this) {
      case HTML ->
          Files.writeString(
              beside, HtmlReport.text(page, scene == null ? "" : SvgExport.element(scene)));
      case DOCX -> {
        try (OutputStream out = Files.newOutputStream(beside)) {
          DocxReport.write(page, scene == null ? null : picture(figure), out);
        }
      }
      case PDF -> {
        try (OutputStream out = Files.newOutputStream(beside)) {
          PdfReport.write(page, scene, out);
        }
      }
      case MD -> Files.writeString(beside, TextReport.markdown(page, beside(scene, "figure.svg")));
      case TEX -> Files.writeString(beside, TextReport.latex(page, beside(scene, "figure.pdf")));
    }
    Files.move(beside, target, StandardCopyOption.REPLACE_EXISTING);
  }

  private static String beside(Scene scene, String file) {
    return scene == null ? "" : file;
  }

  private static DocxReport.Picture picture(InquiryFigure figure) throws IOException {
    ByteArrayOutputStream png = new ByteArrayOutputStream();
    PngExport.write(figure.scene(), DPI, png);
    return new DocxReport.Picture(
        png.toByteArray(),
        figure.scene().width() * MM_PER_POINT,
        figure.scene().height() * MM_PER_POINT,
        figure.caption());
  }
}
