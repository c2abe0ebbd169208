package app.knuckle.formats.records;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.knuckle.formats.workbooks.Area;
import app.knuckle.stats.Progress;
import app.knuckle.study.Refused;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RecordsFileTest {

  @TempDir private Path folder;

  private Path file(String name, String text, Charset charset) throws IOException {
    return Files.write(folder.resolve(name), text.getBytes(charset));
  }

  private Table read(String text) throws IOException {
    return read(file("tanks.csv", text, StandardCharsets.UTF_8));
  }

  private static Table read(Path file) {
    return RecordsFile.read(file, RecordsFile.guess(file), Progress.NONE);
  }

  @ParameterizedTest(name = "{0}")
  @CsvSource(
      delimiter = '~',
      textBlock =
          """
          comma     ~ feed,rate_l_h|kelp,1.5|paste,2.25         ~ comma, UTF-8
          semicolon ~ feed;rate_l_h|kelp;1,5|paste;2,25         ~ semicolon, decimal comma, UTF-8
          quoted    ~ feed,rate_l_h|"kelp",1.5|"paste","2.25"   ~ comma, UTF-8
          """)
  void delimiterQuoteAndDecimalMarkAreGuessed(String name, String text, String words)
      throws IOException {
    Path file = file(name + ".csv", text.replace('|', '\n'), StandardCharsets.UTF_8);
    Table table = read(file);
    assertThat(RecordsFile.guess(file).words()).isEqualTo(words);
    assertThat(((Numbers) table.columns().get(1)).values()).containsExactly(1.5, 2.25);
    assertThat(table.columns().get(1).unit()).isEqualTo("L/h");
    assertThat(((Categories) table.columns().get(0)).levels()).containsExactly("kelp", "paste");
  }

  @Test
  void encodingsAreGuessed() throws IOException {
    for (Charset charset :
        List.of(
            StandardCharsets.UTF_8, Charset.forName("windows-1252"), StandardCharsets.UTF_16LE)) {
      String mark = charset.equals(StandardCharsets.UTF_16LE) ? "\uFEFF" : "";
      Table table = read(file("e.csv", mark + "größe_mm,art\n1,ö\n2,é\n", charset));
      assertThat(table.columns().get(0).name()).as(charset.name()).isEqualTo("größe_mm");
      assertThat(table.columns().get(1).text(0)).isEqualTo("ö");
    }
  }

  @Test
  void blanksAndTheUsualMarksAreMissingAndCodesStayWords() throws IOException {
    Table table = read("id,y,empty\n001,1,\n002,NA,\n003,n/a,\n004,-,\n005, 7 ,\n");
    assertThat(table.columns().get(0)).isInstanceOf(Categories.class);
    assertThat(((Numbers) table.columns().get(1)).values())
        .containsExactly(1, Double.NaN, Double.NaN, Double.NaN, 7);
    assertThat(table.columns().get(2).missing()).isEqualTo(5);
  }

  @Test
  void aWordAmongNumbersMakesTheColumnCategoriesWithoutLosingACell() throws IOException {
    Table table = read("y,g\n1.50,a\n2,a\ntorn,b\n4,b\n");
    assertThat(((Categories) table.columns().get(0)).levels())
        .containsExactly("1.50", "2", "torn", "4");
  }

  @Test
  void aFileWithoutHeaderGetsNumberedColumns() throws IOException {
    Table table = read("1,2\n3,4\n");
    assertThat(table.rows()).isEqualTo(2);
    assertThat(table.columns().get(1).name()).isEqualTo("column 2");
  }

  @Test
  void raggedRowsAreNamed() throws IOException {
    assertThatThrownBy(() -> read("a,b,c\n1,2,3\n1,2\n4,5,6\n7,8,9,10\n"))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("tanks.csv, row 2: it has 2 cells where 3 are expected")
        .hasMessageContaining("2 and 4");
  }

  @ParameterizedTest(name = "{0}")
  @CsvSource(
      delimiter = '~',
      textBlock =
          """
          empty.csv   ~ ''                ~ the file is empty
          header.csv  ~ 'a,b|'            ~ no row of records under the header
          blank.csv   ~ ' | |'            ~ nothing but blanks
          binary.csv  ~ 'a,b|NUL'         ~ not a text file
          quote.csv   ~ 'a,b|"1,2|3,4|'   ~ a quotation mark is opened and not closed
          broken.xlsx ~ 'no workbook'     ~ cut off or damaged
          """)
  void badFilesAreRefusedInPlainWords(String name, String text, String says) throws IOException {
    // A cell without an end must grow past the reader's limit before it is seen to have none.
    String body = text.replace('|', '\n').replace("NUL", "\0");
    body = name.startsWith("quote") ? body + "x".repeat(20_000_000) : body;
    Path file = file(name, body, StandardCharsets.UTF_8);
    assertThatThrownBy(() -> read(file)).isInstanceOf(Refused.class).hasMessageContaining(says);
  }

  @Test
  void missingFoldersOldWorkbooksAndWrongEncodingsAreRefused() throws IOException {
    assertThatThrownBy(() -> read(folder.resolve("none.csv"))).hasMessageContaining("no such file");
    assertThatThrownBy(() -> read(folder)).hasMessageContaining("this is a folder");
    Path old =
        Files.write(
            folder.resolve("locked.xlsx"),
            new byte[] {(byte) 0xD0, (byte) 0xCF, 0x11, (byte) 0xE0});
    assertThatThrownBy(() -> read(old)).hasMessageContaining("protected by a password");
    Path western = file("w.csv", "a,b\né,1\n", Charset.forName("windows-1252"));
    FileForm.Text utf8 = new FileForm.Text(StandardCharsets.UTF_8, ',', '"', false, 0, true);
    assertThat(RecordsFile.read(western, utf8, Progress.NONE).howRead()).contains("windows-1252");
    FileForm.Text ascii = new FileForm.Text(StandardCharsets.US_ASCII, ',', '"', false, 0, true);
    assertThatThrownBy(() -> RecordsFile.read(western, ascii, Progress.NONE))
        .hasMessageContaining("not written in US-ASCII");
  }

  @Test
  void aSheetOfAWorkbookIsRead() throws IOException {
    Path file = folder.resolve("book.xlsx");
    try (OutputStream out = Files.newOutputStream(file);
        Workbook book = new Workbook(out, "test", "1.0")) {
      book.newWorksheet("notes").value(0, 0, "nothing here");
      Worksheet sheet = book.newWorksheet("tanks");
      sheet.value(0, 0, "feed");
      sheet.value(0, 1, "rate");
      sheet.value(1, 0, "kelp");
      sheet.value(1, 1, 0.1);
      sheet.value(2, 0, "paste");
      sheet.value(3, 0, "paste");
      sheet.value(3, 1, 60);
    }
    FileForm.Workbook guess = (FileForm.Workbook) RecordsFile.guess(file);
    assertThat(guess.sheets()).containsExactly("notes", "tanks");
    FileForm chosen = new FileForm.Workbook(guess.sheets(), "tanks", Area.ALL, true);
    Table table = RecordsFile.read(file, chosen, Progress.NONE);
    assertThat(((Numbers) table.columns().get(1)).values()).containsExactly(0.1, Double.NaN, 60);
    assertThat(RecordsFile.preview(file, chosen, 2).get(1)).isEqualTo(Arrays.asList("kelp", "0.1"));
  }

  @Test
  void wholeNumbersWithAndWithoutDecimalsAreSaidToBeOne(@TempDir Path other) throws IOException {
    Path file =
        Files.writeString(other.resolve("a.csv"), "dose,y\n1.0,1.5\n1,2.50\n2,2.5\n2,3\n3.0,3\n");
    Table table = RecordsFile.read(file, RecordsFile.guess(file), Progress.NONE);
    assertThat(((Numbers) table.column("dose").orElseThrow()).writtenInTwoWays())
        .containsExactly("1");
    assertThat(((Numbers) table.column("y").orElseThrow()).writtenInTwoWays()).isEmpty();
  }
}
