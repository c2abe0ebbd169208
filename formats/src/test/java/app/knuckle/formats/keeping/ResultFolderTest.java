package app.knuckle.formats.keeping;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.knuckle.study.Refused;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Duration;
import java.time.Instant;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What Knuckle wrote is replaced; what anybody else did, or changed, is not. */
class ResultFolderTest {

  @TempDir private Path above;
  private Path folder;

  @BeforeEach
  void name() {
    folder = above.resolve("results");
  }

  private ResultFolder.Results writing(String name, String text) {
    return fresh -> Files.writeString(fresh.resolve(name), text);
  }

  @Test
  void whatKnuckleWroteIsReplacedAndWhatWasChangedSinceIsNot() throws IOException {
    Path file = folder.resolve("a.svg");
    ResultFolder.of(folder, false).add(writing("a.svg", "one"));
    ResultFolder.of(folder, false).add(writing("a.svg", "two"));
    assertThat(file).hasContent("two");
    Files.writeString(file, "two, and a word of mine");
    assertThatThrownBy(() -> ResultFolder.of(folder, false).add(writing("a.svg", "three")))
        .isInstanceOf(FilesOfOthers.class)
        .hasMessageContaining("a.svg is there already");
    assertThat(file).hasContent("two, and a word of mine");
    ResultFolder.of(folder, true).add(writing("a.svg", "three"));
    assertThat(file).hasContent("three");
    ResultFolder.of(folder, false).add(writing("a.svg", "four"));
    assertThat(file).hasContent("four");
  }

  @Test
  void aFileThatWasChosenIsReplacedAndNoOther() throws IOException {
    Files.createDirectories(folder);
    Path page = Files.writeString(folder.resolve("page.md"), "mine");
    Path figure = Files.writeString(folder.resolve("page-figure.svg"), "mine");
    ResultFolder.Results both =
        fresh -> {
          Files.writeString(fresh.resolve("page.md"), "page");
          Files.writeString(fresh.resolve("page-figure.svg"), "figure");
        };
    assertThatThrownBy(() -> ResultFolder.of(folder, false).choosing("page.md").add(both))
        .isInstanceOfSatisfying(
            FilesOfOthers.class,
            others ->
                assertThat(others.files())
                    .extracting(Path::getFileName)
                    .containsOnly(figure.getFileName()));
    assertThat(page).hasContent("mine");
    assertThat(figure).hasContent("mine");
    ResultFolder.of(folder, true).choosing("page.md").add(both);
    assertThat(page).hasContent("page");
  }

  @Test
  void onlyWhatIsAsItWasWrittenIsEverTakenAway() throws IOException {
    Path precious = Files.writeString(above.resolve("precious"), "mine");
    ResultFolder.of(folder, false)
        .write(
            fresh -> {
              Files.writeString(fresh.resolve("kept.csv"), "one");
              Files.writeString(fresh.resolve("gone.csv"), "one");
            });
    Files.writeString(folder.resolve("kept.csv"), "my own correction");
    Path list = folder.resolve(".knuckle-written");
    String digest = Files.readString(list).split(" ", 2)[0];
    Files.writeString(list, Files.readString(list) + digest + " ../precious\n");
    ResultFolder.of(folder, false).clear();
    assertThat(folder.resolve("kept.csv")).exists();
    assertThat(folder.resolve("gone.csv")).doesNotExist();
    assertThat(precious).hasContent("mine");
  }

  @Test
  void whatFailsLeavesNothingAndChangesNothing() throws IOException {
    ResultFolder.of(folder, false).write(writing("a.csv", "one"));
    assertThatThrownBy(
            () ->
                ResultFolder.of(folder, false)
                    .write(
                        fresh -> {
                          Files.writeString(fresh.resolve("a.csv"), "tw");
                          throw new IOException("no room");
                        }))
        .isInstanceOf(Refused.class);
    assertThat(folder.resolve("a.csv")).hasContent("one");
    try (Stream<Path> all = Stream.concat(Files.list(folder), Files.list(above))) {
      assertThat(all.map(file -> file.getFileName().toString()))
          .containsExactlyInAnyOrder(".knuckle-written", "a.csv", "results");
    }
  }

  /** Killed at any moment of an exchange: some files are old, some new, and all are Knuckle's. */
  @Test
  void whatWasHalfExchangedIsStillKnown() throws IOException {
    ResultFolder.Results both =
        fresh -> {
          Files.writeString(fresh.resolve("a.csv"), "one");
          Files.writeString(fresh.resolve("b.csv"), "one");
        };
    ResultFolder.of(folder, false).add(both);
    Path list = folder.resolve(".knuckle-written");
    String old = Files.readString(list);
    ResultFolder.of(folder, false)
        .add(
            fresh -> {
              Files.writeString(fresh.resolve("a.csv"), "two");
              Files.writeString(fresh.resolve("b.csv"), "two");
            });
    Files.writeString(list, old + Files.readString(list));
    Files.writeString(folder.resolve("b.csv"), "one");
    ResultFolder.of(folder, false).add(both);
    assertThat(folder.resolve("a.csv")).hasContent("one");
    assertThat(folder.resolve("b.csv")).hasContent("one");
  }

  @Test
  void whatAKilledWriterLeftGoesWithTheNextWriting() throws IOException {
    // No system has a process of this number.
    Path left = Files.createDirectories(folder.resolve(".knuckle-4194305-1"));
    Files.writeString(left.resolve("findings.json"), "{");
    Files.setLastModifiedTime(left, FileTime.from(Instant.now().minus(Duration.ofHours(1))));
    ResultFolder.of(folder, false).write(writing("a.csv", "one"));
    assertThat(left).doesNotExist();
  }
}
