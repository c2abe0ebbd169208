package app.knuckle.desktop.command;

import app.knuckle.formats.records.RecordsFile;
import app.knuckle.stats.Progress;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.keeping.Study;
import app.knuckle.study.prep.Edit;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.prep.Merge;
import app.knuckle.study.prep.SetAside;
import app.knuckle.study.prep.Step;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Nearest;
import app.knuckle.study.table.Table;
import app.knuckle.study.words.Prose;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** The questions of a study put to new records, such as those of another season. */
final class NewRecords {

  private NewRecords() {}

  /**
   * The study with other records.
   *
   * @param study with its tables
   * @param given a file, or NAME=FILE where there are several tables; none for the study as it is
   * @param reading how the files are read
   * @param errors told of steps that were about rows of the old records
   * @return the study; its inquiries as they were, but for steps about rows of the old records
   * @throws Refused if there is no such table, or a file cannot be read
   */
  static Study into(Study study, List<String> given, ReadingOptions reading, PrintWriter errors) {
    Study changed = study;
    for (String one : given) {
      changed = into(changed, one, reading, errors);
    }
    return changed;
  }

  private static Study into(Study study, String given, ReadingOptions reading, PrintWriter errors) {
    List<String> names = study.tables().stream().map(t -> t.table().name()).toList();
    int sign = given.indexOf('=');
    boolean named = sign > 0 && names.contains(given.substring(0, sign));
    if (!named && names.size() != 1) {
      throw Refused.at(
          new Place.WholeFile(study.name()),
          "the study has " + names.size() + " tables, and '" + given + "' names none of them",
          "Write NAME=FILE. " + Nearest.suggestion(given, names));
    }
    String name = named ? given.substring(0, sign) : names.get(0);
    Path file = Path.of(named ? given.substring(sign + 1) : given);
    Table read = RecordsFile.read(file, reading.form(file), Progress.NONE);
    Table fresh = new Table(name, read.file(), read.columns(), read.howRead());
    List<Study.Kept> tables = new ArrayList<>();
    for (Study.Kept kept : study.tables()) {
      tables.add(
          kept.table().name().equals(name)
              ? new Study.Kept(fresh, file.toString(), kept.form())
              : kept);
    }
    List<Study.Asked> asked = new ArrayList<>();
    for (Study.Asked question : study.asked()) {
      asked.add(question.table().equals(name) ? onNewRows(question, fresh, errors) : question);
    }
    return new Study(study.name(), tables, asked);
  }

  /**
   * The question with the steps that fit the new records. Row 12 of last year is another row than
   * row 12 of this year, and a level that was misspelt once need not be again; a column that is
   * missing is refused when the question is answered.
   */
  private static Study.Asked onNewRows(Study.Asked asked, Table fresh, PrintWriter errors) {
    List<Step> kept = new ArrayList<>();
    Frame frame = Frame.of(fresh);
    for (Step step : asked.inquiry().prepare()) {
      boolean ofRows = step instanceof SetAside || step instanceof Edit;
      if (ofRows || isWithoutObject(step, frame)) {
        errors.println(
            Prose.visible(
                asked.inquiry().name()
                    + ": left away, as the records are new: "
                    + step.title()
                    + " ("
                    + step.detail()
                    + ")"));
        continue;
      }
      kept.add(step);
      try {
        frame = Frame.of(fresh, kept, Progress.NONE);
      } catch (Refused e) {
        // Said when the question is answered, with the step and the way on.
        return new Study.Asked(
            asked.table(), withPrepare(asked, kept, step), asked.figure(), asked.page());
      }
    }
    return new Study.Asked(
        asked.table(), withPrepare(asked, kept, null), asked.figure(), asked.page());
  }

  /** The question with these steps, and with all that came after one of them. */
  private static Inquiry withPrepare(Study.Asked asked, List<Step> kept, Step last) {
    List<Step> all = asked.inquiry().prepare();
    List<Step> steps = new ArrayList<>(kept);
    if (last != null) {
      steps.addAll(all.subList(all.indexOf(last) + 1, all.size()));
    }
    return asked.inquiry().but(d -> d.prepare = steps);
  }

  /** A merge of levels that the column does not have. */
  private static boolean isWithoutObject(Step step, Frame frame) {
    return step instanceof Merge merge
        && frame.has(merge.column())
        && frame.column(merge.column()) instanceof Categories column
        && !column.levels().containsAll(merge.levels());
  }
}
