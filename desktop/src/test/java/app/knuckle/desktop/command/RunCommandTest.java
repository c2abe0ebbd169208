package app.knuckle.desktop.command;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.desktop.demo.DemoStudy;
import app.knuckle.formats.keeping.StudyFile;
import app.knuckle.stats.Progress;
import app.knuckle.study.keeping.Study;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class RunCommandTest {

  @TempDir private Path folder;
  private Path table;
  private Path inquiry;

  @BeforeEach
  void write() throws IOException {
    table = Files.writeString(folder.resolve("t.csv"), "feed,y\na,1\na,2\nb,5\nb,6\n");
    inquiry =
        Files.writeString(
            folder.resolve("q.json"),
            """
            {"knuckle": "inquiry", "version": 1, "measured": ["y"], "treatments": ["feed"],
             "compare": [{"of": ["feed"], "procedure": "tukey"}]}
            """);
  }

  private int run(Path records) {
    return KnuckleCommand.run(
        "run",
        "--table",
        records.toString(),
        "--inquiry",
        inquiry.toString(),
        "--out",
        folder.resolve("out").toString());
  }

  @Test
  void writesFindingsReportAndFigure() throws IOException {
    assertThat(run(table)).isZero();
    // Means 1.5 and 5.5: between 16, within 1 on 2 df, F = 32.
    assertThat(Files.readString(folder.resolve("out/findings.json"))).contains("\"f\" : 32.0");
    assertThat(folder.resolve("out/report.html")).content().contains("<svg");
    assertThat(folder.resolve("out/figure.svg")).isNotEmptyFile();
    assertThat(folder.resolve("out/figure.pdf")).isNotEmptyFile();
    assertThat(folder.resolve("out/figure.png")).isNotEmptyFile();
  }

  @Test
  void everyInquiryOfAStudyIsAnsweredAndOneThatCannotBeKeepsNoOtherFromIt() {
    Study demo = DemoStudy.read();
    Study.Asked good = demo.asked().get(0);
    Study.Asked bad =
        new Study.Asked(good.table(), good.inquiry().measuring("gone").named("Gone"), Map.of());
    Study both = new Study("both", demo.tables(), List.of(bad, good));
    Path file = folder.resolve("both.knuckle");
    StudyFile.write(both, file, StudyFile.Stamp.NONE, Progress.NONE);
    Path out = folder.resolve("out");
    assertThat(KnuckleCommand.run("run", file.toString(), "--out", out.toString())).isEqualTo(1);
    assertThat(out.resolve("2 Clearance by feed/findings.json")).content().contains("merge");
    assertThat(out.resolve("1 Gone/findings.json")).doesNotExist();
  }

  @Test
  void statusTellsARefusalFromWrongUsage() throws IOException {
    assertThat(run(folder.resolve("none.csv"))).isEqualTo(1);
    Files.writeString(table, "feed,y\na,1\na,2\n");
    assertThat(run(table)).isEqualTo(1);
    assertThat(KnuckleCommand.run("run", "--table", table.toString())).isEqualTo(2);
  }
}
