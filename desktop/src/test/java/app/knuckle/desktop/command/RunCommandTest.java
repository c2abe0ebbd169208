package app.knuckle.desktop.command;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.knuckle.desktop.demo.DemoStudy;
import app.knuckle.formats.keeping.StudyFile;
import app.knuckle.stats.Progress;
import app.knuckle.study.keeping.Study;
import app.knuckle.study.reckon.Reckoning;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
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
  void saysOnTheErrorStreamWhatTheRecordsCannotBear() throws IOException {
    StringBuilder rows = new StringBuilder("feed,y\n");
    for (int i = 0; i < 400; i++) {
      rows.append("mix ").append(i % 150).append(',').append(i * 37 % 101).append('\n');
    }
    Files.writeString(table, rows);
    assertThat(said("--only", "findings"))
        .containsOnlyOnce("The 150 means of feed are not compared");
  }

  @Test
  void saysOnTheErrorStreamWhichLevelsCouldBeTakenForEachOther() throws IOException {
    Files.writeString(table, "feed,y\nmix,1\nmix,2\nMix,3\nMix,4\nkelp,5\nkelp,7\n");
    assertThat(said("--only", "findings")).contains("differ in capitals or blanks only");
    Files.writeString(
        table,
        "feed,y\n9007199254740992,1\n9007199254740992,2\n9007199254740993,3\n9007199254740993,5\n");
    assertThat(said("--only", "findings")).contains("whole numbers of 16 digits or more");
    Files.writeString(table, "feed,y\n1.0,1\n1,2\n2,3\n2,5\n");
    assertThat(said("--only", "findings")).contains("feed writes 1 with and without decimals");
  }

  /** What a run that is answered says on the error stream. */
  private String said(String... options) {
    PrintStream before = System.err;
    ByteArrayOutputStream said = new ByteArrayOutputStream();
    System.setErr(new PrintStream(said, true, StandardCharsets.UTF_8));
    try {
      assertThat(runWith(options)).isZero();
    } finally {
      System.setErr(before);
    }
    return said.toString(StandardCharsets.UTF_8);
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
  void thePageIsWrittenInTheKindsThatAreAskedFor() throws IOException {
    assertThat(runWith("--report", "md,docx")).isZero();
    assertThat(folder.resolve("out/report.md")).content().contains("*t*(2) = ");
    assertThat(folder.resolve("out/report.docx")).isNotEmptyFile();
    assertThat(folder.resolve("out/report.html")).doesNotExist();
    // The next run takes away what it does not write itself.
    assertThat(runWith("--report", "tex")).isZero();
    assertThat(folder.resolve("out/report.md")).doesNotExist();
    assertThat(folder.resolve("out/report.tex")).content().contains("\\textit{t}(2)");
    assertThat(runWith("--report", "word")).isEqualTo(2);
  }

  @Test
  void onlyWhatARunWroteIsEverTakenAway() throws IOException {
    Path mine = Files.createDirectories(folder.resolve("out")).resolve("report.docx");
    Files.writeString(mine, "mine");
    String good = Files.readString(inquiry);
    Files.writeString(inquiry, good.replace("feed", "fed"));
    assertThat(run(table)).isEqualTo(1);
    assertThat(mine).hasContent("mine");
    Files.writeString(inquiry, good);
    assertThat(runWith("--report", "docx")).as("mine stands there").isEqualTo(1);
    assertThat(mine).hasContent("mine");
    assertThat(runWith("--report", "csv")).isZero();
    Files.writeString(inquiry, good.replace("feed", "fed"));
    assertThat(run(table)).isEqualTo(1);
    assertThat(mine).hasContent("mine");
    assertThat(folder.resolve("out/report.csv")).doesNotExist();
    assertThat(folder.resolve("out/findings.json")).doesNotExist();
  }

  @Test
  void whatAKilledRunLeftIsSweptByTheNext() throws IOException {
    // No system has a process of this number.
    Path left = Files.createDirectories(folder.resolve(".knuckle-4194305-1"));
    Files.writeString(left.resolve("findings.json"), "{");
    Files.setLastModifiedTime(left, FileTime.from(Instant.now().minus(Duration.ofHours(1))));
    assertThat(run(table)).isZero();
    assertThat(left).doesNotExist();
  }

  @Test
  void anEmptyTextNamesNoFolder() {
    assertThat(
            KnuckleCommand.run(
                "run", "--table", table.toString(), "--inquiry", inquiry.toString(), "--out", ""))
        .isEqualTo(2);
  }

  @Test
  void aMarkOfByteOrderBeforeAnInquiryIsNoFault() throws IOException {
    Files.writeString(inquiry, "\ufeff" + Files.readString(inquiry));
    assertThat(run(table)).isZero();
  }

  @Test
  void aColumnThatTheStudyNeverHadIsASlip() {
    Study demo = DemoStudy.read();
    Study.Kept kept = demo.tables().get(0);
    Study one =
        new Study(
            "one",
            List.of(kept),
            demo.asked().stream().filter(a -> a.table().equals(kept.table().name())).toList());
    Path file = folder.resolve("one.knuckle");
    StudyFile.write(one, file, StudyFile.Stamp.NONE, Progress.NONE);
    assertThat(
            KnuckleCommand.run(
                "run",
                file.toString(),
                "--table",
                table.toString(),
                "--column",
                "nosuch=y",
                "--out",
                folder.resolve("out").toString()))
        .isEqualTo(1);
    assertThat(folder.resolve("out")).doesNotExist();
  }

  @Test
  void onlyWhatIsAskedForIsWritten() throws IOException {
    assertThat(runWith("--only", "findings")).isZero();
    assertThat(folder.resolve("out/findings.json")).isNotEmptyFile();
    assertThat(folder.resolve("out/report.html")).doesNotExist();
    assertThat(folder.resolve("out/figure.svg")).doesNotExist();
    assertThat(runWith("--only", "figure,report")).isZero();
    assertThat(folder.resolve("out/findings.json")).doesNotExist();
    assertThat(folder.resolve("out/figure.svg")).isNotEmptyFile();
    assertThat(runWith("--only", "everything")).isEqualTo(2);
  }

  @Test
  void twoInquiriesOfAStudyAreWrittenSideBySide() throws IOException {
    Path file = folder.resolve("demo.knuckle");
    StudyFile.write(DemoStudy.read(), file, StudyFile.Stamp.NONE, Progress.NONE);
    Path out = folder.resolve("out");
    String[] args = {
      "run",
      file.toString(),
      "--out",
      out.toString(),
      "--only",
      "findings",
      "--beside",
      "Growth by mesh \u00d7 density",
      "\u2026 adjusted for start length"
    };
    assertThat(KnuckleCommand.run(args)).isZero();
    JsonNode beside = new ObjectMapper().readTree(out.resolve("beside.json").toFile());
    // As the two reference cases of this trial have it: p = .071 and p = .018.
    JsonNode interaction = beside.get("effects").get(3);
    assertThat(interaction.get("term").get(1).asText()).isEqualTo("density");
    assertThat(interaction.get("left").get("p").asDouble()).isCloseTo(.071, within(.0005));
    assertThat(interaction.get("right").get("p").asDouble()).isCloseTo(.018, within(.0005));
    assertThat(interaction.get("crossed").asBoolean()).isTrue();
    assertThat(beside.get("asked").get(0).get("key").asText()).isEqualTo("covariates");
    assertThat(beside.get("sentence").asText())
        .startsWith("Adjusting for start cut the residual SD from 1.15 to 1.05 mm; the interaction")
        .contains("not found before (p = .071), now is (p = .018)");
    assertThat(out.resolve("beside.html")).content().contains("<table");
    args[args.length - 1] = "Gone";
    assertThat(KnuckleCommand.run(args)).isEqualTo(1);
  }

  @Test
  void theQuestionsOfAStudyArePutToNewRecords() throws IOException {
    Study demo = DemoStudy.read();
    Study.Asked asked = demo.asked().get(0);
    Study one =
        new Study(
            "one",
            demo.tables().stream().filter(t -> t.table().name().equals(asked.table())).toList(),
            List.of(asked));
    Path file = folder.resolve("one.knuckle");
    StudyFile.write(one, file, StudyFile.Stamp.NONE, Progress.NONE);
    Path fresh =
        Files.writeString(
            folder.resolve("next-season.csv"),
            "feed,clearance_l_h\nGreen T,1\nGreen T,2\nDiatom C,5\nDiatom C,6\n");
    Path out = folder.resolve("out");
    assertThat(
            KnuckleCommand.run(
                "run", file.toString(), "--table", fresh.toString(), "--out", out.toString()))
        .isZero();
    // Two groups of two: t = -4 / sqrt(1/2).
    assertThat(out.resolve("1 Clearance by feed/findings.json"))
        .content()
        .contains("\"difference\" : -4.0");
    Path renamed =
        Files.writeString(
            folder.resolve("renamed.csv"), "food,clearance_l_h\na,1\na,2\nb,5\nb,6\n");
    String[] args = {
      "run", file.toString(), "--table", renamed.toString(), "--out", out.toString(), "--column", ""
    };
    args[args.length - 1] = "feed=nothing";
    assertThat(KnuckleCommand.run(args)).isEqualTo(1);
    args[args.length - 1] = "feed=food";
    assertThat(KnuckleCommand.run(args)).isZero();
    assertThat(out.resolve("1 Clearance by feed/findings.json"))
        .content()
        .contains("\"difference\" : -4.0");
    Path other = Files.writeString(folder.resolve("other.csv"), "food,x\na,1\n");
    assertThat(
            KnuckleCommand.run(
                "run", file.toString(), "--table", other.toString(), "--out", out.toString()))
        .isEqualTo(1);
  }

  private static Reckoning tail(String name, boolean inDocument) {
    return new Reckoning(
        Reckoning.Kind.TAIL,
        name,
        Map.of("law", "T"),
        new Reckoning.Said(
            "Beyond 2 lies a tail.", List.of(List.of("df", "t"), List.of("60", "2"))),
        inDocument);
  }

  @Test
  void aStudyIsWrittenUpAsOneDocument() throws IOException {
    Study demo = DemoStudy.read();
    Study.Asked bad =
        new Study.Asked(
            "feed-tanks", demo.asked().get(0).inquiry().measuring("gone").named("Gone"), Map.of());
    Study some =
        new Study(
            "Spring",
            demo.tables(),
            List.of(demo.asked().get(0), bad, demo.asked().get(4)),
            List.of(),
            List.of(tail("Left away", false), tail("Tail of t", true)));
    Path file = folder.resolve("spring.knuckle");
    StudyFile.write(some, file, StudyFile.Stamp.NONE, Progress.NONE);
    String out = folder.resolve("out").toString();
    Path page = folder.resolve("spring.md");
    String[] args = {"run", file.toString(), "--out", out, "--write-up", page.toString()};
    assertThat(KnuckleCommand.run(args)).as("one could not be answered").isEqualTo(1);
    assertThat(page)
        .content()
        .contains("# Spring", "## Clearance by feed", "## Gone", "there is no column 'gone'")
        .contains("## Flow by pump", "(spring-figure-1.svg)", "(spring-figure-2.svg)");
    assertThat(page)
        .content()
        .contains("### Tail of t", "| 60 | 2 |", "Beyond 2 lies a tail.")
        .doesNotContain("Left away");
    assertThat(folder.resolve("spring-figure-2.svg")).isNotEmptyFile();
    Path drawn = Files.writeString(folder.resolve("spring-figure-1.svg"), "my own drawing");
    String before = Files.readString(page);
    KnuckleCommand.run(args);
    assertThat(drawn).hasContent("my own drawing");
    assertThat(page).hasContent(before);
    KnuckleCommand.run(append(args, "--replace"));
    assertThat(drawn).content().contains("<svg");
    args[5] = folder.resolve("spring.odd").toString();
    assertThat(KnuckleCommand.run(args)).isEqualTo(2);
  }

  private static String[] append(String[] args, String more) {
    return Stream.concat(Stream.of(args), Stream.of(more)).toArray(String[]::new);
  }

  private int runWith(String... options) {
    List<String> all =
        new ArrayList<>(
            List.of("run", "--table", table.toString(), "--inquiry", inquiry.toString(), "--out"));
    all.add(folder.resolve("out").toString());
    all.addAll(List.of(options));
    return KnuckleCommand.run(all.toArray(String[]::new));
  }

  private double mean(int summary) throws IOException {
    return new ObjectMapper()
        .readTree(folder.resolve("out/findings.json").toFile())
        .at("/summaries/" + summary + "/mean")
        .asDouble();
  }

  @Test
  void whatTheWindowCanChooseAScriptCan() throws IOException {
    Files.writeString(table, "a trial\nfeed;y\na;1,034\na;1,200\nb;2,311\nb;2,500\n");
    assertThat(runWith()).isEqualTo(1);
    assertThat(runWith("--decimal", "comma")).isZero();
    assertThat(mean(1)).isEqualTo(1.117);
    assertThat(runWith("--decimal", "point")).isZero();
    assertThat(mean(1)).isEqualTo(1117);
    assertThat(runWith("--decimal", "comma", "--header", "2", "--delimiter", "semicolon")).isZero();
    assertThat(runWith("--decimal", "comma", "--sheet", "one")).isEqualTo(1);
    assertThat(runWith("--decimal", "often")).isEqualTo(1);
  }

  @Test
  void aStrayQuotationMarkIsRefusedUntilItIsSaidHowToRead() throws IOException {
    Files.writeString(table, "feed,note,y\na,x,1\na,\"lost,2\nb,x,5\nb,x,6\n");
    assertThat(runWith()).isEqualTo(1);
    assertThat(runWith("--quote", "none")).isZero();
    assertThat(mean(2)).isEqualTo(5.5);
  }

  @Test
  void aRefusedRunLeavesNoResultsOfAnEarlierOneAndNothingElseGoes() throws IOException {
    assertThat(run(table)).isZero();
    Path own = Files.writeString(folder.resolve("out/notes.txt"), "mine");
    assertThat(run(folder.resolve("none.csv"))).isEqualTo(1);
    try (Stream<Path> left = Files.list(folder.resolve("out"))) {
      assertThat(left).containsExactly(own);
    }
    try (Stream<Path> left = Files.list(folder)) {
      assertThat(left.map(f -> f.getFileName().toString())).noneMatch(n -> n.startsWith("."));
    }
  }

  @Test
  void responsesWhoseNamesDifferInSignsOnlyHaveFilesOfTheirOwn() throws IOException {
    Files.writeString(table, "feed,y a,y-a\na,1,3\na,2,4\nb,5,7\nb,6,9\n");
    Files.writeString(
        inquiry,
        "{\"knuckle\":\"inquiry\",\"version\":1,\"measured\":[\"y a\",\"y-a\"],"
            + "\"treatments\":[\"feed\"]}");
    assertThat(run(table)).isZero();
    assertThat(folder.resolve("out/figure-y-a.svg")).exists();
    assertThat(folder.resolve("out/figure-y-a-2.svg")).exists();
  }

  @Test
  void whatIsNeitherACommandNorAFileEndsWithStatusTwo() {
    assertThat(KnuckleCommand.run("frobnicate")).isEqualTo(2);
  }

  @Test
  void aStudyThatAsksNothingSaysSo() {
    Study demo = DemoStudy.read();
    Path file = folder.resolve("nothing.knuckle");
    StudyFile.write(
        new Study("nothing", demo.tables(), List.of()), file, StudyFile.Stamp.NONE, Progress.NONE);
    String out = folder.resolve("out").toString();
    assertThat(KnuckleCommand.run("run", file.toString(), "--out", out)).isEqualTo(1);
  }

  @Test
  void statusTellsARefusalFromWrongUsage() throws IOException {
    assertThat(run(folder.resolve("none.csv"))).isEqualTo(1);
    Files.writeString(table, "feed,y\na,1\na,2\n");
    assertThat(run(table)).isEqualTo(1);
    assertThat(KnuckleCommand.run("run", "--table", table.toString())).isEqualTo(2);
  }
}
