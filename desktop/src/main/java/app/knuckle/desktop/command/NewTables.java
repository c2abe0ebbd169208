package app.knuckle.desktop.command;

import app.knuckle.formats.records.RecordsFile;
import app.knuckle.stats.Progress;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.keeping.NewNames;
import app.knuckle.study.keeping.NewRecords;
import app.knuckle.study.keeping.Study;
import app.knuckle.study.prep.Step;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Nearest;
import app.knuckle.study.table.Table;
import app.knuckle.study.words.Prose;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** The questions of a study put to new records, such as those of another season. */
final class NewTables {

  private NewTables() {}

  /**
   * The study with other records.
   *
   * @param study with its tables
   * @param given a file, or NAME=FILE where there are several tables; none for the study as it is
   * @param columns what columns are called in the new records, by their old names
   * @param reading how the files are read
   * @param errors told of steps that were about rows of the old records
   * @return the study; its inquiries as they were, but for steps about rows of the old records
   * @throws Refused if there is no such table, or a file cannot be read
   */
  static Study into(
      Study study,
      List<String> given,
      Map<String, String> columns,
      ReadingOptions reading,
      PrintWriter errors) {
    if (!given.isEmpty()) {
      requireKnown(study, columns);
    }
    Study changed = study;
    for (String one : given) {
      changed = into(changed, one, columns, reading, errors);
    }
    return changed;
  }

  /** An old name that nothing had is a slip of the hand. */
  private static void requireKnown(Study study, Map<String, String> columns) {
    Set<String> known = new LinkedHashSet<>();
    for (Study.Kept kept : study.tables()) {
      kept.table().columns().forEach(c -> known.add(c.name()));
    }
    for (String old : columns.keySet()) {
      if (!known.contains(old)) {
        throw Refused.at(
            new Place.WholeFile(study.name()),
            "there is no column '" + old + "' in the study, which --column names",
            Nearest.suggestion(old, List.copyOf(known)));
      }
    }
  }

  private static Study into(
      Study study,
      String given,
      Map<String, String> columns,
      ReadingOptions reading,
      PrintWriter errors) {
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
    Table fresh = read.named(name);
    List<Step> called = called(study, study.table(name), fresh, columns, errors);
    List<Study.Kept> tables = new ArrayList<>();
    for (Study.Kept kept : study.tables()) {
      tables.add(
          kept.table().name().equals(name)
              ? new Study.Kept(fresh, file.toString(), kept.form())
              : kept);
    }
    List<Study.Asked> asked = new ArrayList<>();
    for (Study.Asked question : study.asked()) {
      if (question.table().equals(name)) {
        NewRecords put = NewRecords.of(question, fresh, called);
        put.leftAway().forEach(said -> errors.println(Prose.visible(said)));
        asked.add(put.asked());
      } else {
        asked.add(question);
      }
    }
    return new Study(study.name(), tables, asked, study.plans(), study.reckonings());
  }

  /**
   * Of the names that were given those that this table lacks; of others it is said what they lack.
   */
  private static List<Step> called(
      Study study, Table old, Table fresh, Map<String, String> given, PrintWriter errors) {
    List<Inquiry> questions =
        study.asked().stream()
            .filter(a -> a.table().equals(old.name()))
            .map(Study.Asked::inquiry)
            .toList();
    List<String> known = fresh.columns().stream().map(Column::name).toList();
    Map<String, String> called = new LinkedHashMap<>();
    NewNames names = NewNames.of(questions, old, fresh);
    for (NewNames.Missing missing : names.missing()) {
      String now = given.get(missing.column());
      if (now == null) {
        errors.println(Prose.visible(hint(fresh, missing)));
      } else if (known.contains(now)) {
        called.put(missing.column(), now);
      } else {
        throw Refused.at(
            new Place.WholeFile(fresh.name()),
            "there is no column '" + now + "', which --column names",
            Nearest.suggestion(now, known));
      }
    }
    return names.steps(called);
  }

  private static String hint(Table fresh, NewNames.Missing missing) {
    String column = missing.column();
    return fresh.name()
        + ": there is no column '"
        + column
        + "', which the study asks for. "
        + missing
            .nearest()
            .map(near -> "If it is '" + near + "' now, say --column '" + column + "=" + near + "'.")
            .orElse("If it has another name now, say --column '" + column + "=NAME'.");
  }
}
