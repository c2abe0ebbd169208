import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import javafx.css.Stylesheet;

/** Puts a parsed form beside each sheet of styles of a folder: the toolkit prefers it, and starts sooner. */
public final class Sheets {

  public static void main(String[] args) throws IOException {
    List<Path> sheets;
    try (Stream<Path> all = Files.walk(Path.of(args[0]))) {
      sheets = all.filter(file -> file.toString().endsWith(".css")).toList();
    }
    for (Path sheet : sheets) {
      String name = sheet.getFileName().toString().replace(".css", ".bss");
      Stylesheet.convertToBinary(sheet.toFile(), sheet.resolveSibling(name).toFile());
    }
  }
}
