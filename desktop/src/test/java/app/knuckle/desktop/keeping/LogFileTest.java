package app.knuckle.desktop.keeping;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.logging.Level;
import java.util.logging.LogRecord;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class LogFileTest {

  @TempDir Path folder;

  @Test
  void aWarningIsWrittenAndWhatIsNoneIsNot() throws IOException {
    LogFile log = new LogFile(folder.resolve("notes"));
    log.publish(new LogRecord(Level.INFO, "by the way"));
    assertThat(folder.resolve("notes")).doesNotExist();

    log.publish(new LogRecord(Level.WARNING, "a font lacks a letter"));
    log.close();

    assertThat(Files.readString(folder.resolve("notes/knuckle.0.log")))
        .contains("a font lacks a letter")
        .doesNotContain("by the way");
  }

  @Test
  void itNeverGrowsBeyondThreeFilesOfAQuarterOfAMegabyte() throws IOException {
    LogFile log = new LogFile(folder);
    String line = "x".repeat(10_000);
    for (int i = 0; i < 200; i++) {
      log.publish(new LogRecord(Level.WARNING, line));
    }
    log.close();

    try (Stream<Path> files = Files.list(folder)) {
      List<Path> logs = files.toList();
      assertThat(logs).hasSize(3);
      assertThat(logs).allSatisfy(file -> assertThat(Files.size(file)).isLessThan(300_000));
    }
  }

  @Test
  void aFolderThatCannotBeWrittenIsBorne() throws IOException {
    Path file = Files.writeString(folder.resolve("file"), "");
    LogFile log = new LogFile(file.resolve("within"));

    log.publish(new LogRecord(Level.WARNING, "nobody hears"));
    log.publish(new LogRecord(Level.WARNING, "nobody hears again"));
    log.close();

    assertThat(file).isEmptyFile();
  }
}
