package app.knuckle.desktop.keeping;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFileAttributeView;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.Locale;
import java.util.function.UnaryOperator;
import java.util.logging.Level;
import java.util.logging.Logger;

/**
 * The folder in which the application keeps its own notes: the journal, files lately opened, the
 * log.
 */
public final class StateFolder {

  private StateFolder() {}

  /**
   * The property {@code knuckle.state} if it is set, else the place that the desktop names: the
   * folder, which need not be there yet.
   */
  public static Path path() {
    String set = System.getProperty("knuckle.state");
    return set != null
        ? Path.of(set)
        : path(System.getProperty("os.name"), System.getProperty("user.home"), System::getenv);
  }

  /**
   * Makes the folder, for its owner's eyes alone where the system knows such things: what lies in
   * it says which studies were open, and holds their records.
   *
   * @param folder as {@link #path()} gives it
   */
  public static void make(Path folder) {
    try {
      Files.createDirectories(folder);
      PosixFileAttributeView view =
          Files.getFileAttributeView(folder, PosixFileAttributeView.class);
      if (view != null) {
        view.setPermissions(PosixFilePermissions.fromString("rwx------"));
      }
    } catch (IOException e) {
      // A folder that cannot be written to keeps nobody from working.
      Logger.getLogger(StateFolder.class.getName()).log(Level.WARNING, folder.toString(), e);
    }
  }

  /**
   * Where each kind of system has such notes kept.
   *
   * @param system its name, as Java gives it
   * @param home the user's folder
   * @param environment the value of a variable, null for none
   * @return the folder
   */
  static Path path(String system, String home, UnaryOperator<String> environment) {
    String name = system.toLowerCase(Locale.ROOT);
    if (name.startsWith("mac")) {
      return Path.of(home, "Library", "Application Support", "Knuckle");
    }
    boolean windows = name.startsWith("windows");
    String told = environment.apply(windows ? "LOCALAPPDATA" : "XDG_STATE_HOME");
    if (told != null && !told.isBlank()) {
      return Path.of(told, windows ? "Knuckle" : "knuckle");
    }
    return windows
        ? Path.of(home, "AppData", "Local", "Knuckle")
        : Path.of(home, ".local", "state", "knuckle");
  }
}
