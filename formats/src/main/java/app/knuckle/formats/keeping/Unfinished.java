package app.knuckle.formats.keeping;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.DirectoryIteratorException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.NoSuchFileException;
import java.nio.file.NotDirectoryException;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * What is being written and does not stand in its place yet. It goes when it has taken its place or
 * the writing failed, when the program is told to end, and, where the program was killed, with the
 * next writing into the same folder.
 */
final class Unfinished {

  private static final String START = ".knuckle-";
  private static final String END = ".part";

  /** With the number of the process that writes, and one that nobody can foretell. */
  private static final Pattern NAME = Pattern.compile("\\.knuckle-(\\d+)-\\d+(\\.part)?");

  /**
   * A writer on another machine has no process here. What it writes on a disk that both share
   * changes more often than this.
   */
  private static final Duration AT_WORK = Duration.ofMinutes(1);

  private static final Set<Path> ALL = ConcurrentHashMap.newKeySet();

  static {
    // A program that is told to end runs no finally.
    Runtime.getRuntime().addShutdownHook(new Thread(() -> ALL.forEach(Unfinished::deleteIfCan)));
  }

  private Unfinished() {}

  private static String start() {
    return START + ProcessHandle.current().pid() + "-";
  }

  /** An empty file that only its owner may read. */
  static Path file(Path folder) throws IOException {
    sweep(folder);
    return begun(Files.createTempFile(folder, start(), END));
  }

  /** An empty folder. */
  static Path folder(Path parent) throws IOException {
    sweep(parent);
    return begun(Files.createTempDirectory(parent, start()));
  }

  private static Path begun(Path made) {
    ALL.add(made);
    return made;
  }

  /** It has taken its place, or never will. */
  static void end(Path path) throws IOException {
    delete(path);
    ALL.remove(path);
  }

  /** Takes away what writers that were killed left in a folder. */
  static void sweep(Path folder) {
    Instant now = Instant.now();
    List<Path> left = new ArrayList<>();
    try (DirectoryStream<Path> all = Files.newDirectoryStream(folder, START + "*")) {
      for (Path one : all) {
        Matcher name = NAME.matcher(one.getFileName().toString());
        if (name.matches() && !works(name.group(1))) {
          Duration age = Duration.between(Files.getLastModifiedTime(one).toInstant(), now);
          // Under a clock that was set back since, it lies far ahead.
          if (age.abs().compareTo(AT_WORK) > 0) {
            left.add(one);
          }
        }
      }
    } catch (IOException | DirectoryIteratorException e) {
      return; // It is swept the next time.
    }
    left.forEach(Unfinished::deleteIfCan);
  }

  private static boolean works(String process) {
    try {
      Optional<ProcessHandle> handle = ProcessHandle.of(Long.parseLong(process));
      return handle.isPresent();
    } catch (NumberFormatException e) {
      return false; // No system has a process of that number.
    }
  }

  private static void deleteIfCan(Path path) {
    try {
      delete(path);
    } catch (IOException | UncheckedIOException e) {
      return; // It is swept the next time.
    }
  }

  private static void delete(Path path) throws IOException {
    if (!Files.isDirectory(path, LinkOption.NOFOLLOW_LINKS)) {
      Files.deleteIfExists(path);
      return;
    }
    List<Path> inside;
    try (Stream<Path> all = Files.walk(path)) {
      inside = all.sorted(Comparator.reverseOrder()).toList();
    } catch (NoSuchFileException | NotDirectoryException e) {
      return; // Somebody else took it away meanwhile.
    }
    for (Path one : inside) {
      Files.deleteIfExists(one);
    }
  }
}
