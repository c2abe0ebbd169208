package app.knuckle.desktop.command;

import app.knuckle.figures.export.FigureFile;
import app.knuckle.figures.export.PdfExport;
import app.knuckle.figures.plan.LabelSheet;
import app.knuckle.figures.plan.PlanPicture;
import app.knuckle.figures.scene.Scene;
import app.knuckle.formats.records.RecordsWriter;
import app.knuckle.formats.report.BookPage;
import app.knuckle.formats.report.PdfReport;
import app.knuckle.stats.Progress;
import app.knuckle.study.contract.PlanFile;
import app.knuckle.study.plan.Arrangement;
import app.knuckle.study.plan.Plan;
import app.knuckle.study.plan.PlanRecords;
import app.knuckle.study.prep.Frame;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.SecureRandom;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Lays out a trial: the arrangement, what it will show, and a book to write in. */
@Command(
    name = "plan",
    mixinStandardHelpOptions = true,
    description = "Lays out a trial and says what it will show; writes a field book and labels.")
final class PlanCommand implements Callable<Integer> {

  /** Dots an inch, as a figure has. */
  private static final int DPI = 300;

  /** Seeds that are drawn are short enough to be written down. */
  private static final int MOST_SEED = 1_000_000_000;

  @Spec private CommandSpec spec;

  @Parameters(index = "0", paramLabel = "PLAN.json", description = "The plan.")
  private Path file;

  @Option(names = "--out", required = true, description = "The folder to write to.")
  private Path out;

  @Override
  public Integer call() {
    return AskedFile.answered(
        spec,
        () -> {
          String asked = AskedFile.text(file);
          Plan plan = PlanFile.read(asked, new SecureRandom().nextInt(MOST_SEED));
          Arrangement arrangement = Arrangement.of(plan);
          String written = PlanFile.text(asked, plan, arrangement, Progress.NONE);
          ResultFolder.add(out, fresh -> write(plan, arrangement, written, fresh));
        });
  }

  private static void write(Plan plan, Arrangement arrangement, String written, Path folder)
      throws IOException {
    Files.writeString(folder.resolve("plan.json"), written);
    Frame book = Frame.of(PlanRecords.book(plan, arrangement));
    for (String ending : List.of("csv", "xlsx", "ods")) {
      RecordsWriter.write(book, folder.resolve("field-book." + ending), Progress.NONE);
    }
    try (OutputStream pdf = Files.newOutputStream(folder.resolve("field-book.pdf"))) {
      PdfReport.write(BookPage.of(plan, arrangement), pdf);
    }
    try (OutputStream pdf = Files.newOutputStream(folder.resolve("labels.pdf"))) {
      PdfExport.write(LabelSheet.of(plan, arrangement), pdf);
    }
    Scene picture = PlanPicture.of(plan, arrangement);
    for (FigureFile format : FigureFile.values()) {
      format.write(picture, DPI, folder.resolve("plan." + format.ending()));
    }
  }
}
