package app.knuckle.formats.keeping;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.knuckle.stats.Progress;
import app.knuckle.study.Refused;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Files that were written under a clock that has been set back since: they lie in the future. */
class ClockSetBackTest {

  private static final int ROWS = 20;
  private static final FileTime TOMORROW =
      FileTime.from(Instant.now().plus(Duration.ofDays(1)).truncatedTo(ChronoUnit.MILLIS));

  @TempDir private Path folder;

  private Path saved(String name, FileTime when) throws IOException {
    Path file = folder.resolve("cove.knuckle");
    StudyFile.write(StudyFileTest.study(name, ROWS), file, StudyFile.Stamp.of(file), Progress.NONE);
    Files.setLastModifiedTime(file, when);
    return file;
  }

  @Test
  void aStudyFromTomorrowIsSavedOverAndThePreviousOneKept() throws IOException {
    Path file = saved("first", TOMORROW);
    saved("second", FileTime.from(Instant.now()));
    assertThat(StudyFile.read(file, Progress.NONE).name()).isEqualTo("second");
    assertThat(StudyFile.read(StudyFile.previous(file), Progress.NONE).name()).isEqualTo("first");
  }

  @Test
  void whatAnotherProgramWroteIsNoticedThoughItsDateIsEarlier() throws IOException {
    Path file = saved("first", TOMORROW);
    StudyFile.Stamp known = StudyFile.Stamp.of(file);
    saved("other!", FileTime.from(Instant.now()));
    assertThatThrownBy(
            () -> StudyFile.write(StudyFileTest.study("mine", ROWS), file, known, Progress.NONE))
        .isInstanceOf(Refused.class);
    assertThat(StudyFile.read(file, Progress.NONE).name()).isEqualTo("other!");
  }

  @Test
  void whatAKilledWriterLeftTomorrowIsSwept() throws IOException {
    Path left = Files.createFile(folder.resolve(".knuckle-4194305-123.part"));
    Files.setLastModifiedTime(left, TOMORROW);
    saved("first", TOMORROW);
    assertThat(left).doesNotExist();
  }

  @Test
  void everyJournalLeftBehindIsOfferedWhateverItsDate() throws IOException {
    Path root = folder.resolve("journals");
    for (String name : List.of("of tomorrow", "of today")) {
      Journal journal = Journal.open(root);
      journal.write(StudyFileTest.study(name, ROWS), Progress.NONE);
      journal.leave();
      if (name.equals("of tomorrow")) {
        try (Stream<Path> all = Files.walk(root)) {
          for (Path file : all.toList()) {
            Files.setLastModifiedTime(file, TOMORROW);
          }
        }
      }
    }
    assertThat(Journal.leftBehind(root).stream().map(left -> Journal.recover(left).name()))
        .containsExactlyInAnyOrder("of tomorrow", "of today");
  }
}
