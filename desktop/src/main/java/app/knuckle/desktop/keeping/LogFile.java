package app.knuckle.desktop.keeping;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.logging.FileHandler;
import java.util.logging.Handler;
import java.util.logging.Level;
import java.util.logging.LogManager;
import java.util.logging.LogRecord;
import java.util.logging.Logger;
import java.util.logging.SimpleFormatter;

/**
 * Takes what libraries warn of into a file, which begins anew when it is full. Nothing reaches the
 * terminal, and no file is made while there is nothing to say.
 */
public final class LogFile extends Handler {

  private static final int BYTES = 1 << 18;
  private static final int FILES = 3;

  private final Path folder;
  private Handler file;

  /**
   * A log.
   *
   * @param folder where its files are, made when the first line is written
   */
  LogFile(Path folder) {
    this.folder = folder;
    setLevel(Level.WARNING);
  }

  /** Sends all warnings of this program there, in place of the terminal. */
  public static void start() {
    LogManager.getLogManager().reset();
    Logger.getLogger("").addHandler(new LogFile(StateFolder.path()));
  }

  @Override
  public synchronized void publish(LogRecord line) {
    if (!isLoggable(line)) {
      return;
    }
    if (file == null) {
      try {
        Files.createDirectories(folder);
        file = new FileHandler(folder.resolve("knuckle.%g.log").toString(), BYTES, FILES, true);
        file.setFormatter(new SimpleFormatter());
      } catch (IOException e) {
        // A folder that cannot be written to keeps nobody from working.
        setLevel(Level.OFF);
        return;
      }
    }
    file.publish(line);
  }

  @Override
  public synchronized void flush() {
    if (file != null) {
      file.flush();
    }
  }

  @Override
  public synchronized void close() {
    if (file != null) {
      file.close();
      file = null;
    }
  }
}
