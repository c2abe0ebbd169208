package app.knuckle.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.stats.Absence;
import app.knuckle.study.words.Phrases;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Properties;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** Everything a page says stands in one place, by key, and nothing else stands there. */
class PhrasesTest {

  private static final Pattern LITERAL = Pattern.compile("\"((?:[^\"\\\\]|\\\\.)*)\"");
  private static final Pattern SAID = Pattern.compile("\\bsay\\(\\s*\"([^\"]+)\"");
  private static final Pattern CELLS = Pattern.compile("Phrases\\.cells\\(\\s*\"([^\"]+)\"");
  private static final Pattern COUNTED = Pattern.compile("Phrases\\.count\\(\\s*\"([^\"]+)\"");
  private static final Pattern PLACE = Pattern.compile("\\{(\\d)}");

  /** Words next to each other, as sentences have them and keys do not. */
  private static final Pattern WORDS = Pattern.compile("[a-z]{2,} [a-z]{2,}");

  /** These name what can be chosen on a screen. */
  private static final List<String> CHOICES = List.of("PageSettings.java", "Block.java");

  /** Where pages are made: what stands here is said by key. */
  private static final List<String> PAGES =
      List.of(
          "study/sentences",
          "study/checks",
          "study/answers",
          "study/prep",
          "study/cells",
          "formats/report",
          "means/MeansCaption");

  private static Properties phrases() throws IOException {
    Properties all = new Properties();
    try (var in =
        new InputStreamReader(
            Phrases.class.getResourceAsStream("phrases.properties"), StandardCharsets.UTF_8)) {
      all.load(in);
    }
    return all;
  }

  private static List<Path> sources() throws IOException {
    try (Stream<Path> all = Files.walk(Path.of(".."))) {
      return all.filter(p -> p.toString().contains("src/main/java"))
          .filter(p -> p.toString().endsWith(".java"))
          .toList();
    }
  }

  private static Set<String> found(Pattern pattern) throws IOException {
    Set<String> found = new TreeSet<>();
    for (Path source : sources()) {
      String code = Files.readString(source);
      if (pattern == SAID && !code.contains("import static " + Phrases.class.getName())) {
        continue; // Others say other things.
      }
      pattern.matcher(code).results().map((MatchResult r) -> r.group(1)).forEach(found::add);
    }
    return found;
  }

  @Test
  void everyKeySaidIsThere() throws IOException {
    Set<String> missing = new TreeSet<>();
    for (String key : found(SAID)) {
      if (!key.endsWith(".")) {
        missing.add(key);
      }
    }
    missing.addAll(found(CELLS));
    for (String key : found(COUNTED)) {
      missing.add(key + ".one");
      missing.add(key + ".other");
    }
    missing.removeIf(Phrases::has);
    assertThat(missing).isEmpty();
  }

  @Test
  void everyKeyThereIsSaid() throws IOException {
    Set<String> literals = found(LITERAL);
    List<String> unused = new ArrayList<>();
    for (Object key : phrases().keySet()) {
      String name = (String) key;
      int last = name.lastIndexOf('.');
      // An ending is put on in code where it is chosen, one after the other.
      boolean chosen =
          literals.contains(name)
              || IntStream.range(1, name.length())
                  .filter(i -> name.charAt(i) == '.')
                  .anyMatch(
                      i ->
                          literals.contains(name.substring(0, i + 1))
                              || literals.contains(name.substring(0, i))
                                  && endings(literals, name.substring(i)));
      if (!chosen || last == name.length() - 1) {
        unused.add(name);
      }
    }
    assertThat(unused).isEmpty();
  }

  private static boolean endings(Set<String> literals, String ending) {
    return ending.equals(".one") || ending.equals(".other") || literals.contains(ending);
  }

  @Test
  void everyAbsenceHasItsWordsAndNothingElseDoes() throws IOException {
    List<String> reasons = Stream.of(Absence.values()).map(a -> "why." + a.key()).toList();
    assertThat(phrases().keySet().stream().filter(k -> ((String) k).startsWith("why.")))
        .containsExactlyInAnyOrderElementsOf(reasons);
  }

  @Test
  void placesAreNumberedWithoutAGap() throws IOException {
    List<String> odd = new ArrayList<>();
    Properties all = phrases();
    for (Object key : all.keySet()) {
      String phrase = all.getProperty((String) key);
      Set<Integer> places = new HashSet<>();
      PLACE.matcher(phrase).results().forEach(r -> places.add(Integer.valueOf(r.group(1))));
      boolean counted = ((String) key).endsWith(".one") || ((String) key).endsWith(".other");
      for (int place : places) {
        for (int before = counted ? 1 : 0; before < place; before++) {
          if (!places.contains(before)) {
            odd.add(key + " lacks {" + before + "}");
          }
        }
      }
      if (phrase.replace("''", "").contains("'")) {
        odd.add(key + " has an apostrophe that is not written twice");
      }
    }
    assertThat(odd).isEmpty();
  }

  @Test
  void pagesMakeNoSentenceInCode() throws IOException {
    List<String> made = new ArrayList<>();
    for (Path source : sources()) {
      String name = source.toString().replace('\\', '/');
      if (PAGES.stream().noneMatch(name::contains) || CHOICES.stream().anyMatch(name::endsWith)) {
        continue;
      }
      for (String line : Files.readAllLines(source)) {
        boolean comment = line.strip().startsWith("*") || line.strip().startsWith("/");
        // Faults are no part of a page.
        boolean other = line.contains("Exception(");
        if (!comment && !other) {
          LITERAL
              .matcher(line)
              .results()
              .map((MatchResult r) -> r.group(1))
              .filter(text -> WORDS.matcher(text).find())
              .forEach(text -> made.add(source.getFileName() + ": " + text));
        }
      }
    }
    assertThat(made).isEmpty();
  }
}
