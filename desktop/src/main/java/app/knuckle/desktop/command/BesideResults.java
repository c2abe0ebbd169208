package app.knuckle.desktop.command;

import app.knuckle.formats.documents.ReportFile;
import app.knuckle.formats.keeping.ResultFolder;
import app.knuckle.formats.report.BesidePage;
import app.knuckle.formats.report.Page;
import app.knuckle.stats.Progress;
import app.knuckle.study.Refused;
import app.knuckle.study.answers.Answering;
import app.knuckle.study.beside.Abreast;
import app.knuckle.study.beside.Beside;
import app.knuckle.study.contract.BesideFile;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.keeping.InquiryNames;
import app.knuckle.study.keeping.Study;
import java.nio.file.Files;
import java.util.List;

/** Two inquiries of a study side by side, as files. */
final class BesideResults {

  private BesideResults() {}

  /**
   * Writes beside.json and beside.html.
   *
   * @param study with both
   * @param names of two inquiries
   * @param folder to write to
   * @throws Refused if there is no such inquiry, one cannot be answered, or nothing can be written
   */
  static void write(Study study, List<String> names, ResultFolder folder) {
    Beside beside = Beside.of(answer(study, names.get(0)), answer(study, names.get(1)));
    folder.add(
        fresh -> {
          Files.writeString(fresh.resolve("beside.json"), BesideFile.text(beside));
          Page page = BesidePage.of(new Abreast(beside));
          ReportFile.HTML.write(page, fresh.resolve("beside.html"), false);
        });
  }

  private static Findings answer(Study study, String name) {
    InquiryNames all = InquiryNames.of(study);
    int place = all.place(name, study.name());
    Study.Asked asked = study.asked().get(place);
    return Answering.of(
        study.table(asked.table()), asked.inquiry().named(all.names().get(place)), Progress.NONE);
  }
}
