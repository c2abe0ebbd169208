package app.knuckle.desktop.command;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Questions without records, from the command line. */
class ReckonCommandTest {

  @TempDir private Path folder;

  private Path ask(String text) throws IOException {
    return Files.writeString(folder.resolve("q.json"), text);
  }

  @Test
  void anAnswerIsWrittenWhereItIsWanted() throws IOException {
    Path question =
        ask(
            """
            {"kind": "complete-table",
             "given": {"effect": {"df": 2, "ss": 10}, "error": {"df": 10}, "total": {"ss": 30}}}
            """);
    Path file = folder.resolve("a.json");
    for (Path out : new Path[] {folder, file}) {
      assertThat(KnuckleCommand.run("reckon", question.toString(), "--out", out.toString()))
          .isZero();
    }
    // Mean squares 10 / 2 and 20 / 10.
    assertThat(file).content().contains("\"f\" : 2.5");
    assertThat(folder.resolve("answer.json")).hasSameTextualContentAs(file);
  }

  @Test
  void whatIsNoQuestionAndWhatIsNotThereAreRefused() throws IOException {
    assertThat(KnuckleCommand.run("reckon", ask("{").toString())).isEqualTo(1);
    assertThat(KnuckleCommand.run("reckon", ask("{\"kind\": \"gone\"}").toString())).isEqualTo(1);
    assertThat(KnuckleCommand.run("reckon", folder.resolve("none").toString())).isEqualTo(1);
    assertThat(KnuckleCommand.run("reckon")).isEqualTo(2);
  }
}
