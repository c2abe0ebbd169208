package app.knuckle.desktop.command;

import java.io.IOException;
import java.nio.file.DirectoryNotEmptyException;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.List;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * The folder that a run writes to. Results are written into a fresh folder beside it and take the
 * place of the old ones when all of them are whole, so that no run leaves a mixture, or half a
 * file. What else lies in the folder stays.
 */
final class ResultFolder {
  /** Names what a run has written, a name a line: nothing else is ever taken away. */
  private static final String LIST = ".knuckle-written";

  /** With the number of the process that writes, so that what a killed one left can be told. */
  private static final Pattern FRESH = Pattern.compile("\\.knuckle-results-(\\d+)-\\d+");

  private static final Set<Path> UNFINISHED = ConcurrentHashMap.newKeySet();

  static {
    Runtime.getRuntime().addShutdownHook(new Thread(ResultFolder::deleteUnfinished));
  }

  private ResultFolder() {}

  /** What writes the results. */
  interface Results {
    void write(Path folder) throws IOException;
  }

  /**
   * Writes results.
   *
   * @param folder where they shall be
   * @param results writes them into an empty folder
   * @throws IOException if that fails; the folder is then as it was
   */
  static void write(Path folder, Results results) throws IOException {
    write(folder, results, true);
  }

  /**
   * Writes results that always have the same names, beside whatever else is there.
   *
   * @param folder where they shall be
   * @param results writes them into an empty folder
   * @throws IOException if that fails; the folder is then as it was
   */
  static void add(Path folder, Results results) throws IOException {
    write(folder, results, false);
  }

  private static void write(Path folder, Results results, boolean anew) throws IOException {
    Path parent = folder.toAbsolutePath().getParent();
    if (parent == null) {
      throw new IOException("There is nothing above this folder to write beside it");
    }
    Files.createDirectories(parent);
    sweep(parent);
    long own = ProcessHandle.current().pid();
    Path fresh = Files.createTempDirectory(parent, ".knuckle-results-" + own + "-");
    UNFINISHED.add(fresh);
    try {
      results.write(fresh);
      Files.createDirectories(folder);
      if (anew) {
        clear(folder);
        String names =
            list(fresh).stream()
                .map(file -> file.getFileName() + "\n")
                .collect(Collectors.joining());
        Files.writeString(fresh.resolve(LIST), names);
      }
      for (Path file : list(fresh)) {
        Files.move(file, folder.resolve(file.getFileName()), StandardCopyOption.REPLACE_EXISTING);
      }
    } finally {
      delete(fresh);
      UNFINISHED.remove(fresh);
    }
  }

  /** A run that is told to end runs no finally. */
  private static void deleteUnfinished() {
    for (Path fresh : UNFINISHED) {
      try {
        delete(fresh);
      } catch (IOException e) {
        // The next run sweeps it.
      }
    }
  }

  /** Takes away what runs that were killed left in a folder. */
  private static void sweep(Path parent) throws IOException {
    for (Path left : Files.isReadable(parent) ? list(parent) : List.<Path>of()) {
      Matcher name = FRESH.matcher(left.getFileName().toString());
      if (name.matches()
          && Files.isDirectory(left, LinkOption.NOFOLLOW_LINKS)
          && ProcessHandle.of(Long.parseLong(name.group(1))).isEmpty()) {
        delete(left);
      }
    }
  }

  /**
   * Takes away the results of an earlier run, which do not answer what was asked now.
   *
   * @param folder where they are, if anywhere
   * @throws IOException if one cannot be taken away
   */
  static void clear(Path folder) throws IOException {
    Path list = folder.resolve(LIST);
    if (!Files.isRegularFile(list, LinkOption.NOFOLLOW_LINKS)) {
      return;
    }
    Path base = folder.toAbsolutePath().normalize();
    for (String name : Files.readAllLines(list)) {
      Path file = base.resolve(name).normalize();
      boolean inside = !name.isBlank() && base.equals(file.getParent());
      if (inside && Files.isRegularFile(file, LinkOption.NOFOLLOW_LINKS)) {
        Files.delete(file);
      }
    }
    Files.delete(list);
  }

  private static List<Path> list(Path folder) throws IOException {
    try (Stream<Path> files = Files.list(folder)) {
      return files.sorted().toList();
    }
  }

  private static void delete(Path folder) throws IOException {
    Files.walkFileTree(
        folder,
        new SimpleFileVisitor<>() {
          @Override
          public FileVisitResult visitFile(Path file, BasicFileAttributes attributes)
              throws IOException {
            Files.delete(file);
            return FileVisitResult.CONTINUE;
          }

          @Override
          public FileVisitResult postVisitDirectory(Path visited, IOException e)
              throws IOException {
            try {
              Files.delete(visited);
            } catch (DirectoryNotEmptyException notEmpty) {
              // Someone else put a file there: it is theirs.
            }
            return FileVisitResult.CONTINUE;
          }
        });
  }
}
