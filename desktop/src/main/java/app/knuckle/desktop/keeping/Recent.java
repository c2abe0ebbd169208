package app.knuckle.desktop.keeping;

import app.knuckle.formats.keeping.SafeFile;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** Studies opened or saved lately, the latest first. */
public final class Recent {

  private static final int MOST = 8;

  private final Path list;

  Recent(Path folder) {
    list = folder.resolve("recent.txt");
  }

  /**
   * A study.
   *
   * @param file where it is
   * @param finding that was in front when it was saved last; empty if that is not known
   */
  public record Entry(Path file, String finding) {

    private static Optional<Entry> read(String line) {
      int tab = line.indexOf('\t');
      try {
        Path file = Path.of(tab < 0 ? line : line.substring(0, tab));
        return Optional.of(new Entry(file, tab < 0 ? "" : line.substring(tab + 1)));
      } catch (InvalidPathException e) {
        return Optional.empty(); // Someone wrote into the list by hand.
      }
    }

    private String line() {
      return file + "\t" + finding.replaceAll("\\s+", " ");
    }
  }

  /** The studies that are still there: at most eight. */
  public List<Entry> entries() {
    try {
      return Files.exists(list)
          ? Files.readAllLines(list).stream()
              .flatMap(line -> Entry.read(line).stream())
              .filter(entry -> Files.exists(entry.file()))
              .toList()
          : List.of();
    } catch (IOException e) {
      return List.of(); // A list that cannot be read is no list.
    }
  }

  /** Puts a study first, with what was known of its finding. */
  void opened(Path file) {
    Path absolute = file.toAbsolutePath();
    saved(
        file,
        entries().stream()
            .filter(e -> e.file().equals(absolute))
            .map(Entry::finding)
            .findFirst()
            .orElse(""));
  }

  /** Puts a study first. */
  void saved(Path file, String finding) {
    Path absolute = file.toAbsolutePath();
    List<Entry> all = new ArrayList<>(entries());
    all.removeIf(entry -> entry.file().equals(absolute));
    all.add(0, new Entry(absolute, finding));
    try {
      Files.createDirectories(list.getParent());
      String lines =
          all.stream().limit(MOST).map(e -> e.line() + "\n").collect(Collectors.joining());
      SafeFile.write(list, null, out -> out.write(lines.getBytes(StandardCharsets.UTF_8)));
    } catch (IOException e) {
      return; // The list is a convenience only.
    }
  }
}
