package app.knuckle.formats.keeping;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.stats.Progress;
import app.knuckle.study.keeping.Study;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * A process that saves, or journals, without pause is killed at any moment; a whole study is left.
 */
class KilledWhileWritingTest {

  private static final int KILLS = Integer.getInteger("knuckle.kills", 12);
  private static final int ROWS = 3000;

  @TempDir private Path folder;

  /** The process that is killed: writes one study after another and says so. */
  public static final class Writer {
    private Writer() {}

    /**
     * Writes for ever.
     *
     * @param args save or journal, and where
     * @throws IOException if it cannot
     */
    public static void main(String[] args) throws IOException {
      Path where = Path.of(args[1]);
      boolean saves = args[0].equals("save");
      Journal journal = saves ? null : Journal.open(where);
      for (int i = 1; ; i++) {
        Study study = StudyFileTest.study("study " + i, ROWS + i);
        if (saves) {
          StudyFile.write(study, where, StudyFile.Stamp.of(where), Progress.NONE);
        } else {
          journal.write(study, Progress.NONE);
        }
        System.out.println(i);
      }
    }
  }

  /** Starts the process, lets it write some times and a while longer, and kills it. */
  private static int killed(String what, Path where, Random random) throws IOException {
    Process process =
        new ProcessBuilder(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-XX:TieredStopAtLevel=1",
                "-cp",
                System.getProperty("java.class.path"),
                Writer.class.getName(),
                what,
                where.toString())
            .redirectError(ProcessBuilder.Redirect.DISCARD)
            .start();
    try (BufferedReader said =
        new BufferedReader(
            new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8))) {
      int wanted = 1 + random.nextInt(6);
      int last = 0;
      for (String line = said.readLine(); line != null; line = said.readLine()) {
        last = Integer.parseInt(line);
        if (last >= wanted) {
          break;
        }
      }
      for (long spin = random.nextInt(2_000_000); spin > 0; spin--) {
        Thread.onSpinWait(); // Some moment within the next writing, never the same.
      }
      process.destroyForcibly().waitFor();
      return last;
    } catch (InterruptedException e) {
      throw new IllegalStateException(e);
    }
  }

  private static int number(Study study) {
    return Integer.parseInt(study.name().replace("study ", ""));
  }

  @Test
  void aSavedStudyIsWholeAndNoOlderThanTheLastSaving() throws IOException {
    Random random = new Random(1);
    for (int kill = 0; kill < KILLS; kill++) {
      Path file = folder.resolve("cove " + kill + ".knuckle");
      int last = killed("save", file, random);
      Study left = StudyFile.read(file, Progress.NONE);
      assertThat(number(left)).isGreaterThanOrEqualTo(last);
      assertThat(left.tables().get(0).table().rows()).isEqualTo(ROWS + number(left));
    }
  }

  @Test
  void aJournalIsFoundAndWhole() throws IOException {
    Random random = new Random(2);
    for (int kill = 0; kill < KILLS; kill++) {
      Path root = folder.resolve("journal " + kill);
      int last = killed("journal", root, random);
      assertThat(Journal.leftBehind(root)).hasSize(1);
      Study left = Journal.recover(Journal.leftBehind(root).get(0));
      assertThat(number(left)).isGreaterThanOrEqualTo(last);
      assertThat(left.tables().get(0).table().rows()).isEqualTo(ROWS + number(left));
      Journal.discard(Journal.leftBehind(root).get(0));
      assertThat(Journal.leftBehind(root)).isEmpty();
    }
  }

  @Test
  void aRunningWindowsJournalIsNotOfferedAndAnOrderlyEndLeavesNone() throws IOException {
    try (Journal journal = Journal.open(folder)) {
      journal.write(StudyFileTest.study("s", 3), Progress.NONE);
      assertThat(Journal.leftBehind(folder)).isEmpty();
    }
    assertThat(Journal.leftBehind(folder)).isEmpty();
  }
}
