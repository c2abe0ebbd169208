package app.knuckle.formats.keeping;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.knuckle.stats.Progress;
import app.knuckle.study.keeping.Study;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;

/**
 * A disk that really is full: {@code bench/faults} mounts a small one. What was saved stays whole,
 * and no half file is left.
 */
@EnabledIfSystemProperty(named = "knuckle.small.disk", matches = ".+")
class FullDiskTest {

  private static final int ROWS = 300;

  private final Path disk = Path.of(System.getProperty("knuckle.small.disk", "/nowhere"));

  /** Fills the disk, does something, and makes room again. */
  private void whileFull(Act act) throws IOException {
    Path filler = disk.resolve("filler");
    try (var out = Files.newOutputStream(filler)) {
      byte[] some = new byte[1 << 12];
      for (int i = 0; i < 1 << 20; i++) {
        out.write(some);
      }
    } catch (IOException full) {
      act.run(); // The disk has no room for another byte.
    } finally {
      Files.deleteIfExists(filler);
    }
  }

  private interface Act {
    void run() throws IOException;
  }

  private static void save(Study study, Path file) {
    StudyFile.write(study, file, StudyFile.Stamp.of(file), Progress.NONE);
  }

  private long parts(Path folder) throws IOException {
    try (Stream<Path> all = Files.list(folder)) {
      return all.filter(file -> file.toString().endsWith(".part")).count();
    }
  }

  @Test
  void aSavedStudyOutlivesASavingWithoutRoom() throws IOException {
    Path file = disk.resolve("cove.knuckle");
    save(StudyFileTest.study("first", ROWS), file);
    whileFull(
        () -> {
          assertThatThrownBy(() -> save(StudyFileTest.study("second", ROWS + 1), file))
              .hasMessageContaining("the disk is full");
          assertThat(StudyFile.read(file, Progress.NONE).name()).isEqualTo("first");
          assertThat(parts(disk)).isZero();
        });
    save(StudyFileTest.study("third", ROWS + 2), file);
    assertThat(StudyFile.read(file, Progress.NONE).name()).isEqualTo("third");
    Files.delete(file);
  }

  @Test
  void whatWasJournalledStaysAndJournallingGoesOnWhenThereIsRoom() throws IOException {
    Path root = disk.resolve("journal");
    Journal journal = Journal.open(root);
    journal.write(StudyFileTest.study("first", ROWS), Progress.NONE);
    whileFull(
        () ->
            assertThatThrownBy(
                    () -> journal.write(StudyFileTest.study("second", ROWS + 1), Progress.NONE))
                .isInstanceOf(IOException.class));
    journal.leave();
    Path left = Journal.leftBehind(root).get(0);
    assertThat(Journal.recover(left).name()).isEqualTo("first");
    Journal again = Journal.open(root);
    again.write(StudyFileTest.study("third", ROWS + 2), Progress.NONE);
    again.leave();
    assertThat(Journal.leftBehind(root))
        .extracting(folder -> Journal.recover(folder).name())
        .contains("first", "third");
    Journal.leftBehind(root).forEach(Journal::discard);
  }
}
