package app.knuckle.formats.keeping;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.channels.Channels;
import java.nio.channels.FileChannel;
import java.nio.file.AtomicMoveNotSupportedException;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;

/** Writes a file in one piece: whoever reads it finds the old content or the new, never a part. */
final class SafeFile {

  private SafeFile() {}

  /** Writes to a stream. */
  interface Content {
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
  static void write(Path target, Path previous, Content content) throws IOException {
    Path folder = target.toAbsolutePath().getParent();
    Path part = Files.createTempFile(folder, "." + target.getFileName(), ".part");
    try {
      try (FileChannel channel = FileChannel.open(part, StandardOpenOption.WRITE);
          OutputStream out = new BufferedOutputStream(Channels.newOutputStream(channel))) {
        content.writeTo(out);
        out.flush();
        channel.force(true);
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
}
