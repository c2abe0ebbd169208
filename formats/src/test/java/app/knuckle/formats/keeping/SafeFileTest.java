package app.knuckle.formats.keeping;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Duration;
import java.time.Instant;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class SafeFileTest {
  @TempDir Path folder;

  private static void write(Path file, String text) throws IOException {
    SafeFile.write(file, null, out -> out.write(text.getBytes()));
  }

  @Test
  void whoMayReadAFileStaysAsItWas() throws IOException {
    Path file = Files.writeString(folder.resolve("a.knuckle"), "old");
    Files.setPosixFilePermissions(file, PosixFilePermissions.fromString("rw-rw-r--"));
    write(file, "new");
    assertThat(Files.readString(file)).isEqualTo("new");
    assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(file)))
        .isEqualTo("rw-rw-r--");
  }

  @Test
  void aNewFileIsAsOpenAsAnyOther() throws IOException {
    Path like = Files.createFile(folder.resolve("like"));
    write(folder.resolve("b.knuckle"), "new");
    assertThat(Files.getPosixFilePermissions(folder.resolve("b.knuckle")))
        .isEqualTo(Files.getPosixFilePermissions(like));
  }

  @Test
  void aLinkStaysALink() throws IOException {
    Path file = Files.writeString(folder.resolve("a.knuckle"), "old");
    Path link = Files.createSymbolicLink(folder.resolve("link.knuckle"), file);
    write(link, "new");
    assertThat(Files.isSymbolicLink(link)).isTrue();
    assertThat(Files.readString(file)).isEqualTo("new");
  }

  @Test
  void whatAKilledWriterLeftIsSweptAndWhatOneAtWorkWritesStays() throws IOException {
    Path file = folder.resolve("a.knuckle");
    Path left = Files.createFile(folder.resolve(".knuckle-4194305-123.part"));
    Files.setLastModifiedTime(left, FileTime.from(Instant.now().minus(Duration.ofHours(1))));
    Path atWork = Files.createFile(folder.resolve(".knuckle-4194305-456.part"));
    write(file, "new");
    assertThat(left).doesNotExist();
    assertThat(atWork).exists();
  }
}
