package app.knuckle.desktop.workbench;

import app.knuckle.desktop.background.Lane;
import app.knuckle.formats.keeping.StudyFile;
import app.knuckle.formats.records.FileForm;
import app.knuckle.formats.records.RecordsFile;
import app.knuckle.stats.Progress;
import app.knuckle.study.Refusal;
import app.knuckle.study.Refused;
import app.knuckle.study.design.FirstGuess;
import app.knuckle.study.keeping.Study;
import app.knuckle.study.table.Table;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyDoubleProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

/** Where a table comes from, and how its file is read. */
public final class TableSource {

  /** Rows of a preview: what a reader takes in at a glance. */
  private static final int PREVIEW_ROWS = 12;

  private final Path file;
  private volatile StudyFile.Stamp stamp = StudyFile.Stamp.NONE;
  private final ReadOnlyObjectWrapper<FileForm> form = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyObjectWrapper<Table> table = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyObjectWrapper<Refusal> refusal = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyObjectWrapper<List<List<String>>> preview =
      new ReadOnlyObjectWrapper<>(List.of());
  private final Lane reading = Lane.ofLatest();
  private FirstGuess guess;

  /** A table that is already there, as those of the demo are. */
  TableSource(Table ready) {
    file = null;
    table.set(ready);
  }

  /** A table that a study kept, with the file it once came from. */
  TableSource(Study.Kept kept) {
    file = kept.path().isEmpty() ? null : Path.of(kept.path());
    form.set(kept.form().isEmpty() ? null : FileForm.of(kept.form()).orElse(null));
    stamp = file == null ? StudyFile.Stamp.NONE : StudyFile.Stamp.of(file);
    table.set(kept.table());
  }

  /** A file to read. */
  TableSource(Path file) {
    this.file = file;
    read();
  }

  private record Read(
      FileForm form,
      Table table,
      FirstGuess guess,
      List<List<String>> preview,
      Refusal refusal,
      StudyFile.Stamp stamp) {}

  private void take(Read read) {
    stamp = read.stamp();
    form.set(read.form());
    preview.set(read.preview());
    refusal.set(read.refusal());
    if (read.table() != null) {
      guess = read.guess();
      String name = table.get() == null ? read.table().name() : table.get().name();
      table.set(read.table().named(name));
    }
  }

  /** The table gets another name, so that no two of a study have the same. */
  void rename(String name) {
    Table now = table.get();
    table.set(now.named(name));
  }

  /**
   * Other records in place of those that were typed.
   *
   * @param typed the table
   */
  public void replace(Table typed) {
    guess = null;
    Table now = table.get();
    // What was made up stays so, whatever is typed to it.
    table.set(new Table(now.name(), "", typed.columns(), typed.howRead(), now.makeBelieve()));
  }

  /**
   * What the records were most likely made to answer: made while a file was read; of other tables
   * now.
   */
  FirstGuess guess() {
    return guess == null ? FirstGuess.of(table.get()) : guess;
  }

  /** The table as a study keeps it: the table with its file and form. */
  Study.Kept kept() {
    return new Study.Kept(
        table.get(),
        file == null ? "" : file.toString(),
        form.get() == null ? Map.of() : form.get().settings());
  }

  /**
   * Whether there is a file to read again: false for records that were typed, pasted or made up.
   */
  public boolean hasFile() {
    return file != null;
  }

  /** Whether the file was written since it was read: false if it is gone. */
  public boolean changedOnDisk() {
    StudyFile.Stamp now = file == null ? StudyFile.Stamp.NONE : StudyFile.Stamp.of(file);
    return now.size() >= 0 && !now.equals(stamp);
  }

  /** Reads the file again; the trail then runs on what it holds now. */
  public void refresh() {
    if (file != null) {
      read();
    }
  }

  /**
   * Reads the file again in another form. The table stays as it is until that has worked.
   *
   * @param other the form
   */
  public void readAs(FileForm other) {
    if (!other.equals(form.get())) {
      form.set(other);
      read();
    }
  }

  private void read() {
    FileForm wanted = form.get();
    reading.run(progress -> read(wanted, progress), this::take);
  }

  private Read read(FileForm wanted, Progress progress) {
    FileForm used = wanted;
    StudyFile.Stamp seen = StudyFile.Stamp.of(file);
    List<List<String>> first = List.of();
    try {
      used = wanted == null ? RecordsFile.guess(file) : wanted;
      first = RecordsFile.preview(file, used, PREVIEW_ROWS);
      Table read = RecordsFile.read(file, used, progress);
      return new Read(used, read, FirstGuess.of(read), first, null, seen);
    } catch (Refused e) {
      return new Read(used, null, null, first, e.refusal(), seen);
    }
  }

  /** The table as read: null until it has been read once. */
  public ReadOnlyObjectProperty<Table> tableProperty() {
    return table.getReadOnlyProperty();
  }

  /** The table as read: null until it has been read once. */
  public Table table() {
    return table.get();
  }

  /** How the file is read: null for a table that is not from a file. */
  public ReadOnlyObjectProperty<FileForm> formProperty() {
    return form.getReadOnlyProperty();
  }

  /** Why the file could not be read in the form chosen last: null when it could. */
  public ReadOnlyObjectProperty<Refusal> refusalProperty() {
    return refusal.getReadOnlyProperty();
  }

  /**
   * The first rows of the file in the form chosen last: cells row by row; empty when not even those
   * can be read.
   */
  public ReadOnlyObjectProperty<List<List<String>>> previewProperty() {
    return preview.getReadOnlyProperty();
  }

  /** Whether the file is being read. */
  public ReadOnlyBooleanProperty busyProperty() {
    return reading.busyProperty();
  }

  /** How far the reading is: from 0 to 1; negative when it cannot be told. */
  public ReadOnlyDoubleProperty progressProperty() {
    return reading.progressProperty();
  }

  /** The name to show: of the table, or of the file while there is no table. */
  public String name() {
    return table.get() != null ? table.get().name() : file.getFileName().toString();
  }
}
