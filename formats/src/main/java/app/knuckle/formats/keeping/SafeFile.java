package app.knuckle.formats.keeping;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.channels.Channels;
import java.nio.channels.FileChannel;
import java.nio.file.AtomicMoveNotSupportedException;
import java.nio.file.DirectoryIteratorException;
import java.nio.file.DirectoryStream;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFileAttributeView;
import java.nio.file.attribute.PosixFileAttributes;
import java.time.Duration;
import java.time.Instant;

/** Writes a file in one piece: whoever reads it finds the old content or the new, never a part. */
public final class SafeFile {

  private SafeFile() {}

  /** Writes to a stream. */
  public interface Content {
    /**
     * Writes all there is to write.
     *
     * @param out where to; not to be closed
     * @throws IOException if it cannot be written
     */
    void writeTo(OutputStream out) throws IOException;
  }

  /**
   * Writes a file.
   *
   * @param target the file
   * @param previous where the old content is kept; null for nowhere
   * @param content what to write
   * @throws IOException if it cannot be written; the old content is then as it was
   */
  public static void write(Path target, Path previous, Content content) throws IOException {
    if (Files.isSymbolicLink(target)) {
      // The file that a link names is replaced, not the link.
      write(target.toRealPath(), previous, content);
      return;
    }
    Path folder = target.toAbsolutePath().getParent();
    sweep(folder, target);
    Path part = Files.createTempFile(folder, "." + target.getFileName(), ".part");
    try {
      try (FileChannel channel = FileChannel.open(part, StandardOpenOption.WRITE);
          OutputStream out = new BufferedOutputStream(Channels.newOutputStream(channel))) {
        content.writeTo(out);
        out.flush();
        channel.force(true);
      }
      if (Files.exists(target)) {
        likeBefore(target, part);
      } else {
        usual(part);
      }
      if (previous != null && Files.exists(target)) {
        keep(target, previous);
      }
      move(part, target);
    } finally {
      Files.deleteIfExists(part);
    }
  }

  /** A second name for the old content, so that the first is never without any. */
  private static void keep(Path target, Path previous) throws IOException {
    Path spare = Files.createTempFile(previous.toAbsolutePath().getParent(), ".previous", ".part");
    Files.delete(spare);
    try {
      Files.createLink(spare, target);
    } catch (UnsupportedOperationException | FileSystemException e) {
      Files.copy(target, spare); // Some disks know no second names.
    }
    try {
      move(spare, previous);
    } finally {
      Files.deleteIfExists(spare);
    }
  }

  private static void move(Path from, Path to) throws IOException {
    try {
      Files.move(from, to, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
    } catch (AtomicMoveNotSupportedException e) {
      Files.move(from, to, StandardCopyOption.REPLACE_EXISTING);
    }
  }

  /** Who may read and write the file, and whose it is, stays as it was. */
  private static void likeBefore(Path target, Path part) throws IOException {
    PosixFileAttributeView own = Files.getFileAttributeView(target, PosixFileAttributeView.class);
    PosixFileAttributeView made = Files.getFileAttributeView(part, PosixFileAttributeView.class);
    if (own == null || made == null) {
      return; // This disk keeps no such thing.
    }
    PosixFileAttributes before = own.readAttributes();
    try {
      made.setGroup(before.group());
    } catch (IOException e) {
      // Only members of a group may give a file to it; then it stays with the writer's.
    }
    made.setPermissions(before.permissions());
  }

  /** A new file is as open as any other that the writer makes: temporary files are not. */
  private static void usual(Path part) throws IOException {
    PosixFileAttributeView made = Files.getFileAttributeView(part, PosixFileAttributeView.class);
    if (made == null) {
      return;
    }
    Path like = part.resolveSibling(part.getFileName() + ".mode");
    try {
      Files.createFile(like);
      made.setPermissions(Files.getPosixFilePermissions(like));
    } finally {
      Files.deleteIfExists(like);
    }
  }

  /** What a writer that was killed left behind, long enough ago that it is not at work any more. */
  private static void sweep(Path folder, Path target) {
    String start = "." + target.getFileName();
    Instant now = Instant.now();
    try (DirectoryStream<Path> parts = Files.newDirectoryStream(folder, ".*.part")) {
      for (Path part : parts) {
        String name = part.getFileName().toString();
        boolean ours = name.startsWith(start) || name.startsWith(".previous");
        Duration age = Duration.between(Files.getLastModifiedTime(part).toInstant(), now);
        // Under a clock that was set back since, it lies far ahead.
        if (ours && age.abs().compareTo(AT_WORK) > 0) {
          Files.deleteIfExists(part);
        }
      }
    } catch (IOException | DirectoryIteratorException e) {
      return; // It is swept the next time.
    }
  }

  /** No study takes as long to write. */
  private static final Duration AT_WORK = Duration.ofMinutes(10);
}
