package app.knuckle.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

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

  /** What WCAG 2.2 asks of words, and of marks and the focus (1.4.3, 1.4.11). */
  private static final double OF_WORDS = 4.5;

  private static final double OF_MARKS = 3;

  /** Slots, gaps, cautions, the finding with its tag, the current slip, the strongest pair. */
  private static final String[][] WORDS_ON = {
    {"accent", "accent-soft"},
    {"problem", "problem-soft"},
    {"caution", "caution-soft"},
    {"on-band", "band"},
    {"on-band", "band-soft"},
    {"on-ink", "ink"},
    {"on-ink", "strength-3"}
  };

  private static final Pattern TOKEN = Pattern.compile("(-[a-z0-9-]+): (#[0-9A-F]{6})");

  private static Map<String, String> tokens(String... sheets) {
    Map<String, String> tokens = new LinkedHashMap<>();
    for (String sheet : sheets) {
      TOKEN
          .matcher(text(SHEETS.resolve(sheet)))
          .results()
          .forEach(found -> tokens.put(found.group(1), found.group(2)));
    }
    return tokens;
  }

  private static double luminance(String colour) {
    double luminance = 0;
    double[] weights = {0.2126, 0.7152, 0.0722};
    for (int i = 0; i < weights.length; i++) {
      double share = Integer.parseInt(colour.substring(1 + 2 * i, 3 + 2 * i), 16) / 255.0;
      luminance +=
          weights[i] * (share <= 0.04045 ? share / 12.92 : Math.pow((share + 0.055) / 1.055, 2.4));
    }
    return luminance;
  }

  private static double contrast(Map<String, String> tokens, String one, String other) {
    double a = luminance(tokens.get("-kn-" + one));
    double b = luminance(tokens.get("-kn-" + other));
    return (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05);
  }

  @ParameterizedTest
  @ValueSource(strings = {"tokens.css", "tokens-dark.css", "tokens-contrast.css"})
  void wordsAndMarksStandOutInEveryAppearance(String sheet) {
    Map<String, String> tokens = tokens("tokens.css", sheet);
    for (String paper : List.of("paper", "ground")) {
      for (String word :
          List.of("ink", "muted", "accent", "caution", "problem", "letter", "sound")) {
        assertThat(contrast(tokens, word, paper))
            .as(word + " on " + paper)
            .isGreaterThanOrEqualTo(OF_WORDS);
      }
    }
    for (String[] words : WORDS_ON) {
      assertThat(contrast(tokens, words[0], words[1]))
          .as(words[0] + " on " + words[1])
          .isGreaterThanOrEqualTo(OF_WORDS);
    }
    for (String mark :
        List.of("part-measured", "part-treatment", "part-covariate", "part-block", "accent")) {
      assertThat(contrast(tokens, mark, "paper")).as(mark).isGreaterThanOrEqualTo(OF_MARKS);
    }
  }

  /** An appearance says every colour anew: one that it forgets would be that of the light one. */
  @ParameterizedTest
  @ValueSource(strings = {"tokens-dark.css", "tokens-contrast.css"})
  void anAppearanceNamesEveryRole(String sheet) {
    assertThat(tokens(sheet).keySet()).isEqualTo(tokens("tokens.css").keySet());
  }

  @Test
  void noSourceSetsAStyle() throws IOException {
    try (Stream<Path> files = Files.walk(Path.of("src/main/java"))) {
      assertThat(files.filter(f -> f.toString().endsWith(".java")).map(StylesheetTest::text))
          .noneMatch(source -> source.contains("setStyle("));
    }
  }
}
