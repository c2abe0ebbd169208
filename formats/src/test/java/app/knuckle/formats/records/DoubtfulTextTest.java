package app.knuckle.formats.records;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.knuckle.stats.Progress;
import app.knuckle.study.Refused;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Texts that can be read in two ways: the right one, or none without a word. */
class DoubtfulTextTest {
  @TempDir Path folder;

  private Path write(String text) throws IOException {
    return Files.writeString(folder.resolve("tray.csv"), text);
  }

  private static FileForm.Text guess(Path file) {
    return (FileForm.Text) RecordsFile.guess(file);
  }

  private static double[] numbers(Path file, FileForm form, String column) {
    Table table = RecordsFile.read(file, form, Progress.NONE);
    return table.columns().stream()
        .filter(c -> c.name().equals(column))
        .map(c -> ((Numbers) c).values())
        .findFirst()
        .orElseThrow();
  }

  @Test
  void commasBesideWholeNumbersPartThousands() throws IOException {
    Path file = write("t\ty\nA\t850\nA\t912\nB\t1,034\nB\t1,200\n");
    FileForm.Text form = guess(file);
    assertThat(numbers(file, form, "y")).containsExactly(850, 912, 1034, 1200);
    assertThat(form.words()).contains("comma between thousands");
  }

  @Test
  void pointsBesideLargeWholeNumbersPartThousands() throws IOException {
    Path file = write("t;y\nA;850\nA;912\nB;1.034\nB;1.200\n");
    assertThat(numbers(file, guess(file), "y")).containsExactly(850, 912, 1034, 1200);
  }

  @Test
  void pointsBesideSmallWholeNumbersAreDecimal() throws IOException {
    Path file = write("t,y\nA,2\nA,3\nB,1.125\nB,1.375\n");
    assertThat(numbers(file, guess(file), "y")).containsExactly(2, 3, 1.125, 1.375);
  }

  @Test
  void threeDecimalsWithALeadingZeroAreDecimal() throws IOException {
    Path file = write("t;y\nA;0,981\nA;1,034\nB;1,200\n");
    FileForm.Text form = guess(file);
    assertThat(form.doubt()).isEmpty();
    assertThat(numbers(file, form, "y")).containsExactly(.981, 1.034, 1.2);
  }

  @Test
  void whatMayBeEitherIsAsked() throws IOException {
    Path file = write("t;y\nA;1,034\nA;1,200\nB;2,311\n");
    FileForm.Text form = guess(file);
    assertThat(form.doubt()).contains("1,034");
    assertThat(numbers(file, form.marked(true, false), "y")).containsExactly(1.034, 1.2, 2.311);
    assertThat(numbers(file, form.marked(false, true), "y")).containsExactly(1034, 1200, 2311);
  }

  @Test
  void pointsAlwaysBeforeThreeDigitsStayDecimal() throws IOException {
    Path file = write("t,y\nA,12.345\nA,11.872\nB,12.101\n");
    FileForm.Text form = guess(file);
    assertThat(form.doubt()).isEmpty();
    assertThat(numbers(file, form, "y")).containsExactly(12.345, 11.872, 12.101);
  }

  private static final String STRAY =
      "t,note,y\nA,fine,1\nA,\"lost tag,2\nB,fine,3\nB,fine,4\nC,fine,5\nC,fine,6\nD,\"x\",7\nD,fine,8\n";

  @Test
  void aStrayQuotationMarkIsNoticed() throws IOException {
    Path file = write(STRAY);
    FileForm.Text form = guess(file);
    assertThat(form.quote()).isEqualTo(FileForm.Text.NO_QUOTE);
    assertThat(form.doubt()).contains("row").contains("quotation mark");
    assertThat(RecordsFile.read(file, form, Progress.NONE).rows()).isEqualTo(8);
    assertThatThrownBy(() -> RecordsFile.read(file, form.quoted('"'), Progress.NONE))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("row 2")
        .hasMessageContaining("quotation mark");
  }

  @Test
  void notesOfSeveralLinesAreNotes() throws IOException {
    Path file = write("t,note,y\nA,\"first line\nsecond, with a comma\",1\nB,fine,2\n");
    FileForm.Text form = guess(file);
    assertThat(form.doubt()).isEmpty();
    assertThat(RecordsFile.read(file, form, Progress.NONE).rows()).isEqualTo(2);
  }

  @Test
  void aMarkOfTheByteOrderBeforeAQuotedNameIsNoLetterOfIt() throws IOException {
    Path file = write("\uFEFF\"t\",\"y\"\nA,1\nB,2\n");
    assertThat(RecordsFile.read(file, guess(file), Progress.NONE).columns().get(0).name())
        .isEqualTo("t");
  }

  @Test
  void aLetterOfAnotherEncodingFarDownIsRead() throws IOException {
    StringBuilder text = new StringBuilder("t,y\n");
    for (int i = 0; i < 60_000; i++) {
      text.append("tray ").append(i % 7).append(',').append(i).append('\n');
    }
    text.append("b\u00e4y,1\n");
    Path file = folder.resolve("late.csv");
    Files.write(file, text.toString().getBytes(Charset.forName("windows-1252")));
    FileForm.Text form = guess(file);
    assertThat(form.charset()).isEqualTo(StandardCharsets.UTF_8);
    Table table = RecordsFile.read(file, form, Progress.NONE);
    assertThat(table.columns().get(0).text(60_000)).isEqualTo("b\u00e4y");
    assertThat(table.howRead()).contains("windows-1252");
  }

  @Test
  void headsThatAreBlankNumbersOrTwiceTheSameAreHeads() throws IOException {
    Path file = write("t,,2024,t,NA\nA,1,2,3,4\nB,5,6,7,8\n");
    Table table = RecordsFile.read(file, guess(file), Progress.NONE);
    assertThat(table.rows()).isEqualTo(2);
    assertThat(table.columns().stream().map(c -> c.name()))
        .containsExactly("t", "column 2", "2024", "t (2)", "NA");
    assertThat(table.howRead()).contains("numbered");
  }

  @Test
  void rowsLeftOutAboveAreSaid() throws IOException {
    Path file = write("Clearance trial,,\nt,x,y\nA,1,2\nB,3,4\n");
    assertThat(RecordsFile.read(file, guess(file), Progress.NONE).howRead())
        .contains("1 row above left out");
  }

  @Test
  void aPipeIsNoFile() throws Exception {
    Path pipe = folder.resolve("pipe.csv");
    int made = new ProcessBuilder("mkfifo", pipe.toString()).start().waitFor();
    assertThat(made).isZero();
    assertThatThrownBy(() -> RecordsFile.guess(pipe))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("pipe");
  }
}
