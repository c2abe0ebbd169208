package app.knuckle.formats.keeping;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.knuckle.study.Refused;
import java.io.IOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.CancellationException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Whatever keeps a file from being written is said in our own words, and the old file stays. */
class WriteTroubleTest {

  @TempDir private Path folder;

  private static SafeFile.Content text(String text) {
    return out -> out.write(text.getBytes());
  }

  @Test
  void aFolderThatIsGoneIsSaid() {
    Path target = folder.resolve("gone/page.html");
    assertThatThrownBy(() -> SafeFile.writeChosen(target, text("a")))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("the folder is not there");
  }

  @Test
  void aFileInPlaceOfAFolderIsSaid() throws IOException {
    Path file = Files.writeString(folder.resolve("file"), "mine");
    assertThatThrownBy(() -> SafeFile.writeChosen(file.resolve("page.html"), text("a")))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("a file where a folder should be");
    assertThat(file).hasContent("mine");
  }

  @Test
  void whatMayNotBeWrittenIsSaid() {
    assertThat(WriteTrouble.of(folder.resolve("a"), new AccessDeniedException("a")))
        .hasMessageContaining("nothing may be written in this folder");
  }

  /** What is begun and not ended, by a disk or by the user. */
  private void leavesTheOldFileAndNoPart(
      SafeFile.Content content, Class<? extends Exception> thrown, String words)
      throws IOException {
    Path file = Files.writeString(folder.resolve("page.html"), "old");
    assertThatThrownBy(() -> SafeFile.writeChosen(file, content))
        .isInstanceOf(thrown)
        .hasMessageContaining(words)
        .hasMessageNotContaining("in the words of a system");
    assertThat(file).hasContent("old");
    assertThat(folder).isDirectoryNotContaining(left -> !left.equals(file));
  }

  @Test
  void whatFailsOnTheWayLeavesTheOldFileAndNoPart() throws IOException {
    leavesTheOldFileAndNoPart(
        out -> {
          out.write(1);
          throw new IOException("in the words of a system");
        },
        Refused.class,
        "it cannot be written there");
  }

  @Test
  void whatIsCancelledLeavesTheOldFileAndNoPart() throws IOException {
    leavesTheOldFileAndNoPart(
        out -> {
          out.write(1);
          throw new CancellationException("left off");
        },
        CancellationException.class,
        "left off");
  }

  /** What a library closes is not on the disk yet. */
  @Test
  void aLibraryThatClosesWhatItWritesToDoesNoHarm() {
    Path file =
        SafeFile.writeChosen(
            folder.resolve("a"),
            out -> {
              out.write('a');
              out.close();
              out.write('b');
            });
    assertThat(file).hasContent("ab");
  }
}
