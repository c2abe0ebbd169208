package app.knuckle.desktop.command;

import java.io.IOException;
import java.nio.file.DirectoryNotEmptyException;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * The folder that a run writes to. Results are written into a fresh folder beside it and take the
 * place of the old ones when all of them are whole, so that no run leaves a mixture, or half a
 * file. What else lies in the folder stays.
 */
final class ResultFolder {
  private static final Pattern RESULT =
      Pattern.compile(
          "findings\\.json|report\\.(html|docx|pdf|md|tex)|figure(-.*)?\\.(svg|pdf|png)");

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
    Files.createDirectories(parent);
    Path fresh = Files.createTempDirectory(parent, ".knuckle-results");
    try {
      results.write(fresh);
      Files.createDirectories(folder);
      if (anew) {
        clear(folder);
      }
      for (Path file : list(fresh)) {
        Files.move(file, folder.resolve(file.getFileName()), StandardCopyOption.REPLACE_EXISTING);
      }
    } finally {
      delete(fresh);
    }
  }

  /**
   * Takes away the results of an earlier run, which do not answer what was asked now.
   *
   * @param folder where they are, if anywhere
   * @throws IOException if one cannot be taken away
   */
  static void clear(Path folder) throws IOException {
    if (!Files.isDirectory(folder)) {
      return;
    }
    for (Path file : list(folder)) {
      if (RESULT.matcher(file.getFileName().toString()).matches() && Files.isRegularFile(file)) {
        Files.delete(file);
      }
    }
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
