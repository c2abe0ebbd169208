package app.knuckle.desktop.controls;

import app.knuckle.formats.keeping.FilesOfOthers;
import app.knuckle.study.Refused;
import java.io.File;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.control.Alert;
import javafx.scene.control.Button;
import javafx.scene.control.ButtonBar;
import javafx.scene.control.ButtonType;
import javafx.scene.control.DialogPane;
import javafx.scene.control.Label;
import javafx.scene.layout.Region;
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

  /** The dialogs in use: the platform's, unless something answers in their place. */
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

  /** Wide enough for three names of files, narrow enough to be read at a glance. */
  private static final double WORDS_WIDTH = 420;

  private File folder;

  /**
   * Asks whether files may be replaced that are not as Knuckle wrote them.
   *
   * @param others the files
   * @param window before which it stands
   * @return whether they may
   */
  public boolean mayReplace(FilesOfOthers others, Window window) {
    boolean one = others.files().size() == 1;
    ButtonType yes =
        new ButtonType(one ? "Replace it" : "Replace them", ButtonBar.ButtonData.OTHER);
    ButtonType no =
        new ButtonType(
            one ? "Leave it as it is" : "Leave them as they are",
            ButtonBar.ButtonData.CANCEL_CLOSE);
    Alert alert = new Alert(Alert.AlertType.NONE, "", yes, no);
    alert.initOwner(window);
    alert.setTitle("Replace files?");
    DialogPane pane = alert.getDialogPane();
    pane.setId("may-replace");
    pane.getStylesheets().setAll(window.getScene().getStylesheets());
    Label words = Texts.wrapped(others.question(), "dialog-words");
    words.setPrefWidth(WORDS_WIDTH);
    pane.setContent(words);
    for (ButtonType type : pane.getButtonTypes()) {
      Button button = (Button) pane.lookupButton(type);
      button.setMinWidth(Region.USE_PREF_SIZE);
      button.getStyleClass().add(type == no ? "go" : "bar-button");
      // Enter, pressed before anybody has read, loses nothing.
      button.setDefaultButton(type == no);
    }
    return alert.showAndWait().filter(yes::equals).isPresent();
  }

  /** Writes something, as somebody wishes it who may have to be asked. */
  @FunctionalInterface
  public interface Writing {
    /**
     * Begins to write.
     *
     * @param replace whether files may be replaced that are not as Knuckle wrote them
     * @param refused told why it cannot be written
     */
    void begin(boolean replace, Consumer<Refused> refused);
  }

  /**
   * Writes, and once more where files that are not as Knuckle wrote them may be replaced.
   *
   * @param window before which that is asked
   * @param said told why nothing was written
   * @param writing what to do
   */
  public static void write(Window window, Consumer<String> said, Writing writing) {
    Consumer<Refused> saying = refused -> said.accept(refused.refusal().words());
    writing.begin(
        false,
        refused -> {
          if (!(refused instanceof FilesOfOthers others)) {
            saying.accept(refused);
          } else if (shown().mayReplace(others, window)) {
            writing.begin(true, saying);
          } else {
            said.accept(others.question());
          }
        });
  }

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
