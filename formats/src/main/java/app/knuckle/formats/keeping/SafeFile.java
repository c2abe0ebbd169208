package app.knuckle.formats.keeping;

import app.knuckle.study.Refused;
import java.io.BufferedOutputStream;
import java.io.FilterOutputStream;
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
import java.nio.file.attribute.PosixFileAttributeView;
import java.nio.file.attribute.PosixFileAttributes;

/** Writes a file in one piece: whoever reads it finds the old content or the new, never a part. */
public final class SafeFile {

  private SafeFile() {}

  /** Writes to a stream. */
  public interface Content {
    /**
     * Writes all there is to write.
     *
     * @param out where to; it stays open if a library closes it
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
    if (folder == null) {
      throw new IOException("A folder is no file");
    }
    Path part = Unfinished.file(folder);
    try {
      try (FileChannel channel = FileChannel.open(part, StandardOpenOption.WRITE);
          OutputStream out = new BufferedOutputStream(Channels.newOutputStream(channel))) {
        content.writeTo(new Open(out));
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
      Unfinished.end(part);
    }
  }

  /**
   * Writes a file for someone who chose the place.
   *
   * @param target the file
   * @param content what to write
   * @return the file
   * @throws Refused if it cannot be written there, with the reason; the old content is then as it
   *     was
   */
  public static Path writeChosen(Path target, Content content) {
    try {
      write(target, null, content);
      return target;
    } catch (IOException e) {
      throw WriteTrouble.of(target, e);
    }
  }

  /** Libraries close what they write to before it is known to be on the disk. */
  private static final class Open extends FilterOutputStream {
    Open(OutputStream out) {
      super(out);
    }

    @Override
    public void write(byte[] bytes, int from, int length) throws IOException {
      out.write(bytes, from, length);
    }

    @Override
    public void close() throws IOException {
      flush();
    }
  }

  /** A second name for the old content, so that the first is never without any. */
  private static void keep(Path target, Path previous) throws IOException {
    Path spare = Unfinished.file(previous.toAbsolutePath().getParent());
    Files.delete(spare);
    try {
      Files.createLink(spare, target);
    } catch (UnsupportedOperationException | FileSystemException e) {
      Files.copy(target, spare); // Some disks know no second names.
    }
    try {
      move(spare, previous);
    } finally {
      Unfinished.end(spare);
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
    Path like = Unfinished.file(part.toAbsolutePath().getParent());
    try {
      Files.delete(like);
      Files.createFile(like);
      made.setPermissions(Files.getPosixFilePermissions(like));
    } finally {
      Unfinished.end(like);
    }
  }
}
