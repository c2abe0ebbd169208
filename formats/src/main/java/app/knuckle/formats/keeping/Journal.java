package app.knuckle.formats.keeping;

import app.knuckle.stats.Progress;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.keeping.Study;
import app.knuckle.study.table.Table;
import java.io.Closeable;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.FileTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;

/**
 * What is not saved yet, written beside the running window every few seconds, so that a crash loses
 * no more than these. Each window has a folder of its own, locked while it runs; a folder whose
 * lock is free was left behind by a crash.
 */
public final class Journal implements Closeable {

  private static final String LOCK = "lock";

  /** Where the study's own file is named, with what that file was like. */
  private static final String HOME = "file";

  private final Path folder;
  private final FileChannel channel;
  private final Map<Table, String> parts = new IdentityHashMap<>();
  private int written;

  private Journal(Path folder, FileChannel channel) {
    this.folder = folder;
    this.channel = channel;
  }

  /**
   * Opens a journal.
   *
   * @param root the folder that holds all journals; made if it is not there
   * @return the journal of this window
   * @throws IOException if nothing can be written there
   */
  public static Journal open(Path root) throws IOException {
    Files.createDirectories(root);
    Path folder = Files.createTempDirectory(root, "window-");
    FileChannel channel =
        FileChannel.open(folder.resolve(LOCK), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
    channel.lock();
    return new Journal(folder, channel);
  }

  /**
   * Writes down a study. Tables already written are not written again.
   *
   * @param study the study as it is now
   * @param progress may stop it; what was written before then still holds
   * @throws IOException if it cannot be written
   */
  public synchronized void write(Study study, Progress progress) throws IOException {
    Set<Table> open = java.util.Collections.newSetFromMap(new IdentityHashMap<>());
    for (Study.Kept kept : study.tables()) {
      open.add(kept.table());
      if (!parts.containsKey(kept.table())) {
        String part = ++written + ".csv";
        SafeFile.write(
            folder.resolve(part),
            null,
            out -> TableText.write(kept.table().columns(), out, progress));
        parts.put(kept.table(), part);
      }
    }
    byte[] json = StudyParts.json(study, kept -> parts.get(kept.table()));
    SafeFile.write(folder.resolve(StudyParts.JSON), null, out -> out.write(json));
    for (Table closed : new HashSet<>(parts.keySet())) {
      if (!open.contains(closed)) {
        Files.deleteIfExists(folder.resolve(parts.remove(closed)));
      }
    }
  }

  /**
   * Remembers the file of the study, so that work brought back knows where it belongs.
   *
   * @param file of the study; null when it has none
   * @param stamp what the file was like when it was last read or written here
   * @throws IOException if it cannot be written
   */
  public synchronized void belongs(Path file, StudyFile.Stamp stamp) throws IOException {
    if (file == null) {
      Files.deleteIfExists(folder.resolve(HOME));
      return;
    }
    String text =
        stamp.size()
            + " "
            + stamp.modified().to(TimeUnit.NANOSECONDS)
            + "\n"
            + file.toAbsolutePath();
    SafeFile.write(
        folder.resolve(HOME), null, out -> out.write(text.getBytes(StandardCharsets.UTF_8)));
  }

  /**
   * The file of a study left behind.
   *
   * @param file the file
   * @param stamp what it was like when the study was last read or written
   */
  public record Home(Path file, StudyFile.Stamp stamp) {}

  /**
   * The file that work left behind belongs to.
   *
   * @param folder one of {@link #leftBehind}
   * @return empty when the study had none
   */
  public static Optional<Home> home(Path folder) {
    try {
      String[] lines = Files.readString(folder.resolve(HOME)).split("\n", 2);
      String[] stamp = lines[0].split(" ");
      return Optional.of(
          new Home(
              Path.of(lines[1]),
              new StudyFile.Stamp(
                  Long.parseLong(stamp[0]),
                  FileTime.from(Long.parseLong(stamp[1]), TimeUnit.NANOSECONDS))));
    } catch (IOException | RuntimeException e) {
      return Optional.empty(); // Without it the work is still whole; it has no file yet.
    }
  }

  /**
   * Leaves the journal as a crash would: what it holds is offered at the next start.
   *
   * @throws IOException if it cannot be let go
   */
  public synchronized void leave() throws IOException {
    channel.close();
  }

  /** Ends the journal in good order; what it held is saved or no longer wanted. */
  @Override
  public synchronized void close() throws IOException {
    channel.close();
    discard(folder);
  }

  /**
   * Journals that a crash left behind.
   *
   * @param root the folder that holds all journals
   * @return their folders, the latest first; folders without any study are cleared away
   */
  public static List<Path> leftBehind(Path root) {
    List<Path> left = new ArrayList<>();
    if (!Files.isDirectory(root)) {
      return left;
    }
    try (Stream<Path> folders = Files.list(root)) {
      for (Path folder : folders.filter(Files::isDirectory).toList()) {
        if (isFree(folder)) {
          if (Files.exists(folder.resolve(StudyParts.JSON))) {
            left.add(folder);
          } else {
            discard(folder);
          }
        }
      }
    } catch (IOException e) {
      return left; // A journal that cannot be listed cannot be offered.
    }
    left.sort(Comparator.comparing(Journal::writtenAt).reversed());
    return left;
  }

  private static long writtenAt(Path folder) {
    return StudyFile.Stamp.of(folder.resolve(StudyParts.JSON)).modified().toMillis();
  }

  private static boolean isFree(Path folder) {
    try (FileChannel lock =
            FileChannel.open(
                folder.resolve(LOCK), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
        FileLock held = lock.tryLock()) {
      return held != null;
    } catch (OverlappingFileLockException e) {
      return false; // A window of this very process.
    } catch (IOException e) {
      return false;
    }
  }

  /**
   * Reads what a crash left behind.
   *
   * @param folder one of {@link #leftBehind}
   * @return the study
   * @throws Refused if it is not whole
   */
  public static Study recover(Path folder) {
    Place where = new Place.WholeFile("the journal of unsaved work");
    try {
      return StudyParts.read(part -> part(folder, part), where, Progress.NONE);
    } catch (IOException e) {
      throw new Refused(
          Refused.at(where, "it cannot be read", "Open the study as it was saved last").refusal(),
          e);
    }
  }

  private static InputStream part(Path folder, String part) throws IOException {
    Path file = folder.resolve(part).normalize();
    return file.startsWith(folder) && Files.exists(file) ? Files.newInputStream(file) : null;
  }

  /**
   * Clears a journal away.
   *
   * @param folder one of {@link #leftBehind}
   */
  public static void discard(Path folder) {
    try (Stream<Path> files = Files.list(folder)) {
      for (Path file : files.toList()) {
        Files.deleteIfExists(file);
      }
      Files.deleteIfExists(folder);
    } catch (IOException | UncheckedIOException e) {
      // What cannot be deleted now is offered, and can be discarded, at the next start.
      return;
    }
  }
}
