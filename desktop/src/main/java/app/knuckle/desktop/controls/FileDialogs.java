package app.knuckle.desktop.controls;

import java.io.File;
import java.util.List;
import java.util.Optional;
import javafx.stage.DirectoryChooser;
import javafx.stage.FileChooser;
import javafx.stage.Window;

/**
 * The platform's own dialogs for files. They lie outside the window and no test can press their
 * keys, so a test answers in their place.
 */
public class FileDialogs {

  private static FileDialogs shown = new FileDialogs();

  /** Asks with the platform's dialogs. */
  protected FileDialogs() {}

  /**
   * The dialogs in use.
   *
   * @return the platform's, unless something answers in their place
   */
  public static FileDialogs shown() {
    return shown;
  }

  /**
   * Answers in place of the platform.
   *
   * @param other what answers
   */
  protected static void replace(FileDialogs other) {
    shown = other;
  }

  /**
   * Where dialogs begin from now on.
   *
   * @param path of a folder; empty, or one that is not there, for the platform's own choice
   */
  public void startIn(String path) {
    File chosen = new File(path);
    folder = path.isEmpty() || !chosen.isDirectory() ? null : chosen;
  }

  private File folder;

  /**
   * Asks for a file to write.
   *
   * @param chooser what is asked
   * @param window before which it stands
   * @return empty if the user leaves
   */
  public Optional<File> save(FileChooser chooser, Window window) {
    chooser.setInitialDirectory(folder);
    return Optional.ofNullable(chooser.showSaveDialog(window));
  }

  /**
   * Asks for files to read.
   *
   * @param chooser what is asked
   * @param window before which it stands
   * @return none if the user leaves
   */
  public List<File> open(FileChooser chooser, Window window) {
    chooser.setInitialDirectory(folder);
    List<File> files = chooser.showOpenMultipleDialog(window);
    return files == null ? List.of() : files;
  }

  /**
   * Asks for a folder.
   *
   * @param chooser what is asked
   * @param window before which it stands
   * @return empty if the user leaves
   */
  public Optional<File> folder(DirectoryChooser chooser, Window window) {
    chooser.setInitialDirectory(folder);
    return Optional.ofNullable(chooser.showDialog(window));
  }
}
