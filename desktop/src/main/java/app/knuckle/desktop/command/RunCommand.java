package app.knuckle.desktop.command;

import app.knuckle.figures.export.PdfExport;
import app.knuckle.figures.export.PngExport;
import app.knuckle.figures.export.SvgExport;
import app.knuckle.figures.means.MeansFigure;
import app.knuckle.figures.means.MeansLayout;
import app.knuckle.figures.scene.Scene;
import app.knuckle.formats.records.RecordsFile;
import app.knuckle.formats.report.HtmlReport;
import app.knuckle.stats.Progress;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.contract.FindingsFile;
import app.knuckle.study.contract.InquiryFile;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.table.Table;
import java.io.IOException;
import java.io.OutputStream;
import java.io.PrintWriter;
import java.nio.charset.MalformedInputException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** Computes an inquiry and writes findings, report and figure, with no display. */
@Command(
    name = "run",
    mixinStandardHelpOptions = true,
    description = "Answers an inquiry about a table and writes findings, report and figure.")
final class RunCommand implements Callable<Integer> {

  private static final int DPI = 300;

  @Spec private CommandSpec spec;

  @Option(names = "--table", required = true, description = "The records.")
  private Path table;

  @Option(names = "--inquiry", required = true, description = "The question, as JSON.")
  private Path inquiry;

  @Option(names = "--out", required = true, description = "The folder to write to.")
  private Path out;

  @Override
  public Integer call() {
    System.setProperty("java.awt.headless", "true");
    PrintWriter errors = spec.commandLine().getErr();
    try {
      Inquiry question = InquiryFile.read(text(inquiry));
      Table records = RecordsFile.read(table, RecordsFile.guess(table), Progress.NONE);
      Findings findings = Findings.of(records, question, Progress.NONE);
      write(findings);
      findings.refusal().ifPresent(refusal -> errors.println(refusal.words()));
      return findings.refusal().isPresent() ? KnuckleCommand.NOT_COMPUTED : 0;
    } catch (Refused e) {
      errors.println(e.refusal().words());
      return KnuckleCommand.NOT_COMPUTED;
    } catch (IOException e) {
      errors.println(out + ": the findings cannot be written there. " + e.getMessage());
      return KnuckleCommand.NOT_COMPUTED;
    }
  }

  private static String text(Path file) {
    try {
      return Files.readString(file);
    } catch (MalformedInputException e) {
      throw new Refused(
          Refused.at(
                  new Place.WholeFile(file.toString()),
                  "this is not UTF-8 text",
                  "Save it as UTF-8")
              .refusal(),
          e);
    } catch (IOException e) {
      throw new Refused(
          Refused.at(
                  new Place.WholeFile(file.toString()),
                  "the inquiry cannot be read",
                  "Check the name and the folder")
              .refusal(),
          e);
    }
  }

  private void write(Findings findings) throws IOException {
    Files.createDirectories(out);
    Files.writeString(out.resolve("findings.json"), FindingsFile.text(findings));
    String picture = "";
    String caption = "";
    if (findings.refusal().isEmpty()) {
      MeansFigure figure =
          MeansFigure.of(findings, MeansFigure.Style.usual(findings.first().groups().size()));
      Scene scene = MeansLayout.of(figure);
      picture = SvgExport.element(scene);
      caption = figure.caption();
      try (OutputStream svg = Files.newOutputStream(out.resolve("figure.svg"));
          OutputStream pdf = Files.newOutputStream(out.resolve("figure.pdf"));
          OutputStream png = Files.newOutputStream(out.resolve("figure.png"))) {
        SvgExport.write(scene, svg);
        PdfExport.write(scene, pdf);
        PngExport.write(scene, DPI, png);
      }
    }
    Files.writeString(out.resolve("report.html"), HtmlReport.text(findings, picture, caption));
  }
}
