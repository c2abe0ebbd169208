package app.knuckle.desktop.window;

import app.knuckle.desktop.controls.FileDialogs;
import java.io.File;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.stage.DirectoryChooser;
import javafx.stage.FileChooser;
import javafx.stage.Window;

/** Answers the platform's dialogs with files of a test. */
final class DialogAnswers extends FileDialogs {

  private final Path folder;
  private final Path records;

  private DialogAnswers(Path folder, Path records) {
    this.folder = folder;
    this.records = records;
  }

  /** From now on saving goes to a folder, and opening takes one file. */
  static void give(Path folder, Path records) {
    replace(new DialogAnswers(folder, records));
  }

  static void stop() {
    replace(new FileDialogs() {});
  }

  @Override
  public Optional<File> save(FileChooser chooser, Window window) {
    return Optional.of(folder.resolve(chooser.getInitialFileName()).toFile());
  }

  @Override
  public List<File> open(FileChooser chooser, Window window) {
    return List.of(records.toFile());
  }

  @Override
  public Optional<File> folder(DirectoryChooser chooser, Window window) {
    return Optional.of(folder.toFile());
  }
}
