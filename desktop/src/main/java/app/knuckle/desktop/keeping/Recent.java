package app.knuckle.desktop.keeping;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** Studies opened or saved lately, the latest first. */
public final class Recent {

  private static final int MOST = 8;

  private final Path list;

  Recent(Path folder) {
    list = folder.resolve("recent.txt");
  }

  /**
   * The files that are still there.
   *
   * @return at most eight
   */
  public List<Path> files() {
    try {
      return Files.exists(list)
          ? Files.readAllLines(list).stream().map(Path::of).filter(Files::exists).toList()
          : List.of();
    } catch (IOException e) {
      return List.of(); // A list that cannot be read is no list.
    }
  }

  /** Puts a file first. */
  void add(Path file) {
    List<Path> all = new ArrayList<>(files());
    all.remove(file.toAbsolutePath());
    all.add(0, file.toAbsolutePath());
    try {
      Files.createDirectories(list.getParent());
      Files.write(list, all.stream().limit(MOST).map(Path::toString).toList());
    } catch (IOException e) {
      return; // The list is a convenience only.
    }
  }
}
