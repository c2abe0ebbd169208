package app.knuckle.formats.plan;

import app.knuckle.figures.export.FigureFile;
import app.knuckle.figures.export.PdfExport;
import app.knuckle.figures.plan.LabelSheet;
import app.knuckle.figures.plan.PlanPicture;
import app.knuckle.figures.scene.Scene;
import app.knuckle.formats.documents.PdfReport;
import app.knuckle.formats.records.RecordsWriter;
import app.knuckle.formats.report.Paper;
import app.knuckle.stats.Progress;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.plan.Arrangement;
import app.knuckle.study.plan.Plan;
import app.knuckle.study.plan.PlanRecords;
import app.knuckle.study.prep.Frame;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;

/** Files of a plan. */
public final class PlanFiles {

  /** Dots an inch, as a figure has. */
  private static final int DPI = 300;

  private static final List<String> BOOKS = List.of("csv", "xlsx", "ods", "pdf");

  private final Plan plan;
  private final Arrangement arrangement;
  private final Paper paper;

  /**
   * Files of a plan.
   *
   * @param plan with its names
   * @param arrangement of its plots
   * @param paper that the field book is printed on
   */
  public PlanFiles(Plan plan, Arrangement arrangement, Paper paper) {
    this.plan = plan;
    this.arrangement = arrangement;
    this.paper = paper;
  }

  /**
   * Writes everything: the plan, its field book in all forms, labels, and its picture in all forms.
   *
   * @param json the plan as a file
   * @param folder that is there
   * @throws IOException if it cannot be written
   */
  public void all(String json, Path folder) throws IOException {
    Files.writeString(folder.resolve("plan.json"), json);
    for (String ending : BOOKS) {
      book(folder.resolve("field-book." + ending));
    }
    labels(folder.resolve("labels.pdf"));
    for (FigureFile format : FigureFile.values()) {
      format.write(picture(), DPI, folder.resolve("plan." + format.ending()));
    }
  }

  /**
   * Writes the field book.
   *
   * @param file its ending says how: .csv, .tsv, .xlsx, .ods, or .pdf to write on by hand
   * @throws IOException if it cannot be written
   * @throws Refused for another ending
   */
  public void book(Path file) throws IOException {
    if (file.getFileName().toString().toLowerCase(Locale.ROOT).endsWith(".pdf")) {
      try (OutputStream pdf = Files.newOutputStream(file)) {
        PdfReport.write(BookPage.of(plan, arrangement).on(paper), pdf);
      }
    } else {
      RecordsWriter.write(Frame.of(PlanRecords.book(plan, arrangement)), file, Progress.NONE);
    }
  }

  /**
   * Writes labels to be cut out, one a plot.
   *
   * @param file a PDF
   * @throws IOException if it cannot be written
   */
  public void labels(Path file) throws IOException {
    try (OutputStream pdf = Files.newOutputStream(file)) {
      PdfExport.write(LabelSheet.of(plan, arrangement, paper.width(), paper.height()), pdf);
    }
  }

  /**
   * Writes the picture of the plots.
   *
   * @param file its ending says how
   * @throws IOException if it cannot be written
   * @throws Refused for an ending that no picture has
   */
  public void picture(Path file) throws IOException {
    String name = file.getFileName().toString().toLowerCase(Locale.ROOT);
    for (FigureFile format : FigureFile.values()) {
      if (name.endsWith("." + format.ending())) {
        format.write(picture(), DPI, file);
        return;
      }
    }
    throw Refused.at(
        new Place.WholeFile(file.getFileName().toString()),
        "a picture cannot be written so",
        "Call it .svg, .pdf or .png");
  }

  private Scene picture() {
    return PlanPicture.of(plan, arrangement);
  }
}
