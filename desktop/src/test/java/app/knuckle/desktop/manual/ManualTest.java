package app.knuckle.desktop.manual;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.desktop.controls.Meanings;
import app.knuckle.desktop.explain.Topic;
import app.knuckle.study.proof.ProofCase;
import app.knuckle.study.proof.Subject;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.commonmark.node.AbstractVisitor;
import org.commonmark.node.Link;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;

/** The manual says of every method what a reader needs, and says nothing that is not so. */
class ManualTest {

  private static final Set<Topic> OF_NO_METHOD = EnumSet.of(Topic.HANDBOOK, Topic.WORDS);

  private static final List<String> PARTS =
      List.of(
          "When it serves, and when not",
          "How it is reckoned",
          "What is shown",
          "A worked example",
          "Sources",
          "Proved by");

  private static final List<ProofCase> CASES = ProofCase.all();
  private static final Pattern CASE = Pattern.compile("`([a-z0-9-]+)`");
  private static final Pattern NUMBER = Pattern.compile("(< )?[−.\\d][\\d.,]*( %)?");

  static Stream<Topic> methods() {
    return EnumSet.complementOf(EnumSet.copyOf(OF_NO_METHOD)).stream();
  }

  static Stream<WorkedExample> examples() {
    return methods().flatMap(topic -> WorkedExample.of(topic).stream());
  }

  @Test
  void theContentsNameEveryPageOnceInTheOrderOfTopics() {
    List<Topic> named =
        Manual.contents().stream()
            .flatMap(section -> section.entries().stream())
            .map(Manual.Entry::topic)
            .toList();
    assertThat(named).containsExactly(Topic.values());
  }

  @Test
  void aPageIsCalledInTheContentsAsItCallsItself() {
    for (Manual.Section section : Manual.contents()) {
      assertThat(section.title()).isNotBlank();
      for (Manual.Entry entry : section.entries()) {
        assertThat(Manual.source(entry.topic())).startsWith("# " + entry.title() + "\n");
      }
    }
  }

  @ParameterizedTest
  @MethodSource("methods")
  void aPageAsksItsQuestionAndAnswersIt(Topic topic) {
    String source = Manual.source(topic);
    String question = source.split("\n\n")[1];
    assertThat(question).endsWith("?");
    List<String> parts =
        source.lines().filter(line -> line.startsWith("## ")).map(l -> l.substring(3)).toList();
    assertThat(parts).isEqualTo(PARTS);
    assertThat(WorkedExample.of(topic)).isNotEmpty();
  }

  @ParameterizedTest
  @EnumSource(Topic.class)
  void linksLeadToPages(Topic topic) {
    Manual.page(topic)
        .accept(
            new AbstractVisitor() {
              @Override
              public void visit(Link link) {
                String to = link.getDestination();
                assertThat(Manual.target(to).isPresent() || to.equals("../README.md"))
                    .as(to)
                    .isTrue();
              }
            });
  }

  @ParameterizedTest
  @MethodSource("methods")
  void whatProvesAPageIsShipped(Topic topic) {
    String proved = Manual.source(topic).split("## Proved by\n")[1];
    Set<String> files =
        CASES.stream().map(one -> one.file().replace(".json", "")).collect(Collectors.toSet());
    Set<Subject> named = EnumSet.noneOf(Subject.class);
    Matcher cases = CASE.matcher(proved);
    while (cases.find()) {
      String name = cases.group(1);
      assertThat(files).contains(name);
      CASES.stream()
          .filter(one -> one.file().equals(name + ".json"))
          .forEach(one -> named.add(one.subject()));
    }
    for (Subject subject : Subject.values()) {
      if (proved.replace('\n', ' ').contains("*" + subject.title() + "*")) {
        assertThat(named).contains(subject);
      }
    }
    assertThat(named.isEmpty()).isEqualTo(proved.startsWith("Held by"));
  }

  @ParameterizedTest
  @MethodSource("examples")
  void anExampleSaysWhatTheProgramFinds(WorkedExample example) {
    assertThat(example.missed()).isEmpty();
  }

  /** A number in an example that nothing is held against might be wrong: most are. */
  @ParameterizedTest
  @MethodSource("methods")
  void mostNumbersOfAnExampleAreHeldAgainstTheProgram(Topic topic) {
    List<WorkedExample> examples = WorkedExample.of(topic);
    long held = examples.stream().mapToLong(e -> e.claims().size()).sum();
    String told = examples.get(0).told();
    long numbers = Arrays.stream(told.split("\\s+")).filter(w -> NUMBER.matcher(w).find()).count();
    assertThat(held).isGreaterThanOrEqualTo(Math.min(2, numbers));
  }

  @Test
  void everyWordOfTheHeadsIsExplained() {
    String page = Manual.source(Topic.WORDS);
    Meanings.all()
        .forEach(
            (term, meaning) -> assertThat(page).contains("| " + term + " | " + meaning + " |"));
  }
}
