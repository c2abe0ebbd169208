package app.knuckle.desktop.window;

import app.knuckle.desktop.keeping.StateFolder;
import app.knuckle.desktop.workbench.Banner;
import app.knuckle.desktop.workbench.Workbench;
import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.LocalDateTime;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import javafx.application.Platform;

/**
 * What happens when the program itself is wrong: the window says so in a sentence and goes on, and
 * the details go to a file, each fault once.
 */
final class Faults {

  private final Workbench workbench;
  private final Path file = StateFolder.path().resolve("faults.txt");
  private final Set<String> known = new HashSet<>();

  private Faults(Workbench workbench) {
    this.workbench = workbench;
  }

  /**
   * Watches over the interface thread, which must be the one that calls, and all others.
   *
   * @param workbench whose window says it
   */
  static void watch(Workbench workbench) {
    Faults faults = new Faults(workbench);
    Thread.currentThread().setUncaughtExceptionHandler((thread, fault) -> faults.met(fault));
    Thread.setDefaultUncaughtExceptionHandler(
        (thread, fault) -> Platform.runLater(() -> faults.met(fault)));
  }

  private void met(Throwable fault) {
    StringWriter details = new StringWriter();
    fault.printStackTrace(new PrintWriter(details));
    if (!known.add(details.toString())) {
      return; // A fault of layout comes again with every pulse.
    }
    workbench
        .bannerProperty()
        .set(
            new Banner(
                "Knuckle made a mistake of its own, and goes on: your records and questions are as"
                    + " they were, and Ctrl Z takes back the last step. "
                    + written(details.toString()),
                true,
                List.of()));
  }

  private String written(String details) {
    try {
      Files.createDirectories(file.getParent());
      Files.writeString(
          file,
          LocalDateTime.now() + " " + details + "\n",
          StandardOpenOption.CREATE,
          StandardOpenOption.APPEND);
      return "Its makers can read what happened in " + file + ".";
    } catch (IOException e) {
      return "";
    }
  }
}
