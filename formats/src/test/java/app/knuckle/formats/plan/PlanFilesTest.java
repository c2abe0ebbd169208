package app.knuckle.formats.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.knuckle.formats.records.RecordsFile;
import app.knuckle.formats.report.Paper;
import app.knuckle.stats.Progress;
import app.knuckle.study.Refused;
import app.knuckle.study.fieldbook.FilledBook;
import app.knuckle.study.plan.Arrangement;
import app.knuckle.study.plan.Plan;
import app.knuckle.study.table.Table;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What a plan is taken to the field as. */
class PlanFilesTest {

  @TempDir private Path folder;

  private static final Plan PLAN =
      new Plan(
          "Mesh",
          3,
          Map.of("mesh", List.of("fine", "coarse")),
          List.of(),
          Plan.Layout.COMPLETE_BLOCKS,
          new Plan.Size(3, 0, 1, Map.of()),
          new Plan.Roles(List.of(), List.of(), List.of(), "", "rack"),
          new Plan.Field(0, 0, false),
          List.of(new Plan.Measured("growth", "mm", 14, 1, 0, 0, Map.of(), 0, null)),
          List.of(),
          null,
          0);

  private static final PlanFiles FILES = new PlanFiles(PLAN, Arrangement.of(PLAN), Paper.A4);

  /** A blank book that is opened again is known as the book of its plan. */
  @ParameterizedTest
  @ValueSource(strings = {"book.csv", "book.tsv", "book.xlsx", "book.ods"})
  void aBookIsReadAgainAsWhatItIs(String name) throws IOException {
    Path file = folder.resolve(name);
    FILES.book(file);
    Table read = RecordsFile.read(file, RecordsFile.guess(file), Progress.NONE);
    assertThat(read.rows()).isEqualTo(6);
    assertThat(FilledBook.of(PLAN, read).orElseThrow().differences())
        .containsExactly("Nothing is measured yet in growth (mm)");
  }

  @ParameterizedTest
  @ValueSource(strings = {"plan.svg", "plan.PDF", "plan.png"})
  void aPictureIsWrittenAsItsEndingSays(String name) throws IOException {
    FILES.picture(folder.resolve(name));
    assertThat(Files.size(folder.resolve(name))).isGreaterThan(500);
  }

  @Test
  void anEndingThatNoPictureHasIsRefused() {
    assertThatThrownBy(() -> FILES.picture(folder.resolve("plan.gif")))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("Call it .svg, .pdf or .png");
    assertThat(folder.resolve("plan.gif")).doesNotExist();
  }

  @Test
  void allOfItLiesInOneFolder() throws IOException {
    FILES.all("{}\n", folder, Progress.NONE);
    try (var names = Files.list(folder)) {
      assertThat(names.map(path -> path.getFileName().toString()))
          .containsExactlyInAnyOrder(
              "plan.json",
              "field-book.csv",
              "field-book.xlsx",
              "field-book.ods",
              "field-book.pdf",
              "labels.pdf",
              "plan.svg",
              "plan.pdf",
              "plan.png");
    }
  }
}
