package app.knuckle.desktop.command;

import app.knuckle.formats.documents.ReportFile;
import app.knuckle.formats.report.BesidePage;
import app.knuckle.stats.Progress;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.answers.Answering;
import app.knuckle.study.beside.Abreast;
import app.knuckle.study.beside.Beside;
import app.knuckle.study.contract.BesideFile;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.keeping.InquiryNames;
import app.knuckle.study.keeping.Study;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;

/** Two inquiries of a study side by side, as files. */
final class BesideResults {

  private BesideResults() {}

  /**
   * Writes beside.json and beside.html.
   *
   * @param study with both
   * @param names of two inquiries
   * @param out the folder
   * @throws Refused if there is no such inquiry, one cannot be answered, or nothing can be written
   */
  static void write(Study study, List<String> names, Path out) {
    Beside beside = Beside.of(answer(study, names.get(0)), answer(study, names.get(1)));
    try {
      Files.createDirectories(out);
      Path part = out.resolve("beside.json.part");
      Files.writeString(part, BesideFile.text(beside));
      Files.move(part, out.resolve("beside.json"), StandardCopyOption.REPLACE_EXISTING);
      ReportFile.HTML.write(BesidePage.of(new Abreast(beside)), out.resolve("beside.html"));
    } catch (IOException e) {
      throw new Refused(
          Refused.at(
                  new Place.WholeFile(out.toString()),
                  "nothing can be written there",
                  "Choose another folder")
              .refusal(),
          e);
    }
  }

  private static Findings answer(Study study, String name) {
    InquiryNames all = InquiryNames.of(study);
    int place = all.place(name, study.name());
    Study.Asked asked = study.asked().get(place);
    return Answering.of(
        study.table(asked.table()), asked.inquiry().named(all.names().get(place)), Progress.NONE);
  }
}
