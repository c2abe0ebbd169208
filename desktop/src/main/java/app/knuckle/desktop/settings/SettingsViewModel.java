package app.knuckle.desktop.settings;

import app.knuckle.desktop.background.Lane;
import app.knuckle.desktop.keeping.StateFolder;
import app.knuckle.desktop.workbench.Workbench;
import app.knuckle.formats.keeping.Settings;
import app.knuckle.formats.keeping.SettingsFile;
import app.knuckle.formats.report.Paper;
import app.knuckle.study.reckon.Summaries;
import app.knuckle.study.table.NumberText;
import app.knuckle.study.words.ExactP;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Phrases;
import java.io.IOException;
import java.util.List;
import java.util.function.Consumer;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;

/** Changes settings, one at a time, and keeps them. */
final class SettingsViewModel {

  private final Workbench workbench;
  private final Lane writing = Lane.inTurn();
  private final ReadOnlyStringWrapper note = new ReadOnlyStringWrapper("");

  SettingsViewModel(Workbench workbench) {
    this.workbench = workbench;
  }

  Settings settings() {
    return workbench.settingsProperty().get();
  }

  private void change(Consumer<Settings.Draft> what) {
    Settings changed = settings().but(what);
    workbench.settingsProperty().set(changed);
    note.set("");
    writing.run(
        progress -> {
          try {
            SettingsFile.write(changed, StateFolder.path());
            return "";
          } catch (IOException e) {
            return "The settings hold until this window closes, as they cannot be kept in "
                + StateFolder.path()
                + ".";
          }
        },
        note::set);
  }

  void appearance(Settings.Appearance appearance) {
    change(d -> d.appearance = appearance);
  }

  void textSize(int size) {
    change(d -> d.textSize = size);
  }

  void openLast(boolean on) {
    change(d -> d.openLast = on);
  }

  String alphaText() {
    return Numerals.plain(settings().alpha());
  }

  void alpha(String text) {
    double alpha = NumberText.parse(text.strip(), text.indexOf(',') >= 0);
    if (alpha > 0 && alpha < 1) {
      change(d -> d.alpha = alpha);
    } else {
      note.set("The level of significance lies between 0 and 1: it stays " + alphaText() + ".");
    }
  }

  List<String> procedures() {
    return Summaries.procedures().stream().map(Phrases::title).toList();
  }

  String procedureTitle() {
    return Phrases.title(settings().procedure());
  }

  void procedure(String title) {
    change(d -> d.procedure = Summaries.procedures().get(procedures().indexOf(title)));
  }

  void comma(boolean on) {
    change(d -> d.numbers = d.numbers.comma(on));
  }

  void zero(boolean on) {
    change(d -> d.numbers = d.numbers.leadingZero(on));
  }

  void hyphen(boolean on) {
    change(d -> d.numbers = d.numbers.hyphen(on));
  }

  void thin(boolean on) {
    change(d -> d.numbers = d.numbers.thinSpace(on));
  }

  void exact(ExactP bound) {
    change(d -> d.numbers = d.numbers.exact(bound));
  }

  void paper(Paper paper) {
    change(d -> d.paper = paper);
  }

  String folderText() {
    return settings().folder().isEmpty() ? "the folder used last" : settings().folder();
  }

  void folder(String folder) {
    change(d -> d.folder = folder);
  }

  ReadOnlyStringProperty noteProperty() {
    return note.getReadOnlyProperty();
  }
}
