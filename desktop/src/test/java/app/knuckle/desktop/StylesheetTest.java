package app.knuckle.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** One stylesheet names the colours; everything else uses their roles. */
class StylesheetTest {

  private static final Path SHEETS = Path.of("src/main/resources/app/knuckle/desktop");

  private static String text(Path file) {
    try {
      return Files.readString(file);
    } catch (IOException e) {
      throw new java.io.UncheckedIOException(e);
    }
  }

  @Test
  void coloursStandInTheTokensOnly() {
    for (String sheet : List.of("knuckle.css", "joints.css")) {
      assertThat(text(SHEETS.resolve(sheet))).as(sheet).doesNotContainPattern("#[0-9a-fA-F]{3,8}");
    }
  }

  @Test
  void everyTokenUsedIsNamed() {
    String tokens = text(SHEETS.resolve("tokens.css"));
    for (String sheet : List.of("knuckle.css", "joints.css")) {
      assertThat(
              Pattern.compile("-kn-[a-z0-9-]+")
                  .matcher(text(SHEETS.resolve(sheet)))
                  .results()
                  .map(MatchResult::group)
                  .distinct())
          .as(sheet)
          .allMatch(token -> tokens.contains(token + ":"));
    }
  }

  @Test
  void noSourceSetsAStyle() throws IOException {
    try (Stream<Path> files = Files.walk(Path.of("src/main/java"))) {
      assertThat(files.filter(f -> f.toString().endsWith(".java")).map(StylesheetTest::text))
          .noneMatch(source -> source.contains("setStyle("));
    }
  }
}
