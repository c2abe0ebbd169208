package app.knuckle.formats.plan;

import app.knuckle.figures.export.FigureFile;
import app.knuckle.figures.export.PdfExport;
import app.knuckle.figures.plan.LabelSheet;
import app.knuckle.figures.plan.PlanPicture;
import app.knuckle.figures.scene.Scene;
import app.knuckle.formats.documents.PdfReport;
import app.knuckle.formats.keeping.SafeFile;
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
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.atomic.AtomicInteger;

/** Files of a plan. */
public final class PlanFiles {

  /** Dots an inch, as a figure has. */
  private static final int DPI = 300;

  private static final List<String> BOOKS = List.of("csv", "xlsx", "ods", "pdf");

  /** The plan itself among its files. */
  public static final String PLAN = "plan.json";

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
   * @param progress may stop it
   * @throws IOException if it cannot be written
   */
  public void all(String json, Path folder, Progress progress) throws IOException {
    Files.writeString(folder.resolve(PLAN), json);
    List<Runnable> files = new ArrayList<>();
    for (String ending : BOOKS) {
      files.add(() -> book(folder.resolve("field-book." + ending)));
    }
    files.add(() -> labels(folder.resolve("labels.pdf")));
    for (FigureFile format : FigureFile.values()) {
      files.add(() -> picture(folder.resolve("plan." + format.ending())));
    }
    AtomicInteger written = new AtomicInteger();
    files.parallelStream()
        .forEach(
            file -> {
              progress.check();
              file.run();
              progress.done((double) written.incrementAndGet() / files.size());
            });
  }

  /**
   * Writes the field book.
   *
   * @param file its ending says how: .csv, .tsv, .xlsx, .ods, or .pdf to write on by hand
   * @throws Refused for another ending, or if it cannot be written there
   */
  public void book(Path file) {
    if (file.getFileName().toString().toLowerCase(Locale.ROOT).endsWith(".pdf")) {
      SafeFile.writeChosen(
          file, pdf -> PdfReport.write(BookPage.of(plan, arrangement).on(paper), pdf));
    } else {
      RecordsWriter.write(Frame.of(PlanRecords.book(plan, arrangement)), file, Progress.NONE);
    }
  }

  /**
   * Writes labels to be cut out, one a plot.
   *
   * @param file a PDF
   * @throws Refused if it cannot be written there
   */
  public void labels(Path file) {
    List<Scene> labels = LabelSheet.of(plan, arrangement, paper.width(), paper.height());
    SafeFile.writeChosen(file, pdf -> PdfExport.write(labels, pdf));
  }

  /**
   * Writes the picture of the plots.
   *
   * @param file its ending says how
   * @throws Refused for an ending that no picture has, or if it cannot be written there
   */
  public void picture(Path file) {
    String name = file.getFileName().toString();
    FigureFile format =
        FigureFile.of(name)
            .orElseThrow(
                () ->
                    Refused.at(
                        new Place.WholeFile(name),
                        "a picture cannot be written so",
                        "Call it .svg, .pdf or .png"));
    SafeFile.writeChosen(file, out -> format.write(picture(), DPI, out));
  }

  private Scene picture() {
    return PlanPicture.of(plan, arrangement);
  }
}
