package app.knuckle.desktop.keeping;

import java.nio.file.Path;

/**
 * The folder in which the application keeps its own notes: the journal, and files lately opened.
 */
public final class StateFolder {

  private StateFolder() {}

  /**
   * The property {@code knuckle.state} if it is set, else the place that the desktop names.
   *
   * @return the folder, which need not be there yet
   */
  public static Path path() {
    String set = System.getProperty("knuckle.state");
    if (set != null) {
      return Path.of(set);
    }
    String state = System.getenv("XDG_STATE_HOME");
    return state == null || state.isBlank()
        ? Path.of(System.getProperty("user.home"), ".local", "state", "knuckle")
        : Path.of(state, "knuckle");
  }
}
