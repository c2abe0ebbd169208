package app.knuckle.formats.records;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.knuckle.formats.workbooks.Area;
import app.knuckle.stats.Progress;
import app.knuckle.study.Refused;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.prep.SetAside;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import com.github.miachm.sods.Sheet;
import com.github.miachm.sods.SpreadSheet;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BinaryOperator;
import java.util.function.Consumer;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Workbooks as people have them, and prepared records on their way out. */
class WorkbooksTest {

  private static final int EMPTY_ROWS = 1_000_000;

  @TempDir private Path folder;

  private static Table read(Path file) {
    return RecordsFile.read(file, RecordsFile.guess(file), Progress.NONE);
  }

  private Path untidy() throws IOException {
    Path file = folder.resolve("untidy.xlsx");
    try (OutputStream out = Files.newOutputStream(file);
        Workbook book = new Workbook(out, "test", "1.0")) {
      Worksheet sheet = book.newWorksheet("tanks");
      sheet.value(0, 0, "Clearance trial, June");
      sheet.value(2, 1, "feed");
      sheet.value(2, 2, "rate");
      sheet.value(2, 4, "remember to weigh");
      for (int i = 0; i < 4; i++) {
        sheet.value(3 + i, 1, i % 2 == 0 ? "kelp" : "paste");
        sheet.value(3 + i, 2, 1.5 + i);
      }
    }
    return file;
  }

  @Test
  void titlesAboveAndNotesBesideAreLeftOut() throws IOException {
    FileForm.Workbook guess = (FileForm.Workbook) RecordsFile.guess(untidy());
    assertThat(guess.area().words()).isEqualTo("B3:C");
    Table table = RecordsFile.read(untidy(), guess, Progress.NONE);
    assertThat(table.columns()).extracting(Column::name).containsExactly("feed", "rate");
    FileForm two = new FileForm.Workbook(guess.sheets(), "tanks", Area.of("b3:c5"), true);
    assertThat(RecordsFile.read(untidy(), two, Progress.NONE).rows()).isEqualTo(2);
    assertThat(FileForm.of(two.settings()).orElseThrow().settings()).isEqualTo(two.settings());
  }

  @Test
  void aTitleAboveDelimitedTextIsLeftOut() throws IOException {
    Path file = folder.resolve("t.csv");
    Files.writeString(file, "Clearance trial\n\nfeed,rate\nkelp,1.5\npaste,2\n");
    assertThat(read(file).columns()).extracting(Column::name).containsExactly("feed", "rate");
  }

  @ParameterizedTest
  @CsvSource({"B3:F40, B3:F40", "$b$3:$f, B3:F", "aa10, AA10", "'', ''"})
  void rangesAreReadAsSpreadsheetsWriteThem(String text, String words) {
    assertThat(Area.of(text).words()).isEqualTo(words);
  }

  @ParameterizedTest
  @ValueSource(strings = {"3B", "B0", "C3:B9", "B9:C3", "B3-C9"})
  void noRangeIsRefused(String text) {
    assertThatThrownBy(() -> Area.of(text)).isInstanceOf(Refused.class);
  }

  /** The workbook with the cells of its sheet written by hand. */
  private Path sheet(String cells) throws IOException {
    Path plain = untidy();
    Path file = folder.resolve("hand.xlsx");
    return rewritten(
        plain,
        file.getFileName().toString(),
        (part, text) ->
            part.endsWith("sheet1.xml")
                ? text.replaceFirst(
                    "(?s)<sheetData>.*</sheetData>", "<sheetData>" + cells + "</sheetData>")
                : text);
  }

  /** The same workbook with its parts written anew, each by its name and text. */
  private Path rewritten(Path workbook, String name, BinaryOperator<String> write)
      throws IOException {
    Path file = folder.resolve(name);
    try (ZipFile zip = new ZipFile(workbook.toFile());
        ZipOutputStream out = new ZipOutputStream(Files.newOutputStream(file))) {
      for (ZipEntry e : zip.stream().toList()) {
        String text = new String(zip.getInputStream(e).readAllBytes(), StandardCharsets.UTF_8);
        out.putNextEntry(new ZipEntry(e.getName()));
        out.write(write.apply(e.getName(), text).getBytes(StandardCharsets.UTF_8));
      }
    }
    return file;
  }

  private Path workbook(String name, Consumer<Worksheet> fill) throws IOException {
    Path file = folder.resolve(name);
    try (OutputStream out = Files.newOutputStream(file);
        Workbook book = new Workbook(out, "test", "1.0")) {
      fill.accept(book.newWorksheet("tanks"));
    }
    return file;
  }

  @Test
  void formulasErrorsAndMergedCells() throws IOException {
    Path file =
        sheet(
            """
            <row r="1"><c r="A1" t="inlineStr"><is><t>g</t></is></c><c r="B1" t="inlineStr"><is><t>y</t></is></c></row>
            <row r="2"><c r="A2" t="inlineStr"><is><t>a</t></is></c><c r="B2"><f>1+1.5</f><v>2.5</v></c></row>
            <row r="3"><c r="B3" t="e"><f>1/0</f><v>#DIV/0!</v></c></row>
            <row r="4"><c r="A4" t="inlineStr"><is><t>b</t></is></c><c r="B4"><v>4</v></c></row>
            """);
    Table table = read(file);
    assertThat(((Numbers) table.columns().get(1)).values()).containsExactly(2.5, Double.NaN, 4);
    assertThat(table.columns().get(0).isMissing(1)).isTrue();
    assertThat(table.howRead()).contains("1 cell with an error read as missing");
  }

  @Test
  void aMillionEmptyRowsCostNothing() throws IOException {
    StringBuilder rows =
        new StringBuilder(
            "<row r=\"1\"><c r=\"A1\" t=\"inlineStr\"><is><t>y</t></is></c></row>"
                + "<row r=\"2\"><c r=\"A2\"><v>4</v></c></row>");
    for (int i = 3; i < EMPTY_ROWS; i++) {
      rows.append("<row r=\"").append(i).append("\"/>");
    }
    assertThat(read(sheet(rows.toString())).rows()).isEqualTo(1);
  }

  @Test
  void outsideEntitiesAreNotFetched() throws IOException {
    Path file = sheet("");
    String entity = "<!DOCTYPE a [<!ENTITY x SYSTEM 'file:///etc/hostname'>]>";
    Path bad =
        rewritten(
            file,
            "entity.xlsx",
            (part, text) -> part.endsWith("workbook.xml") ? entity + text : text);
    assertThatThrownBy(() -> read(bad))
        .hasMessageContaining("refers to something outside the file");
  }

  @Test
  void anOpenDocumentSheetIsRead() throws IOException {
    Path file = folder.resolve("book.ods");
    Sheet sheet = new Sheet("tanks", 4, 2);
    sheet.getRange(0, 0, 4, 2).setValues("feed", "rate", "kelp", 1.5, "paste", null, "kelp", 60.0);
    SpreadSheet book = new SpreadSheet();
    book.appendSheet(sheet);
    book.save(file.toFile());
    Table table = read(file);
    assertThat(((Numbers) table.columns().get(1)).values()).containsExactly(1.5, Double.NaN, 60);
    assertThat(table.name()).isEqualTo("book");
  }

  @ParameterizedTest
  @ValueSource(strings = {"csv", "tsv", "xlsx", "ods"})
  void preparedRecordsComeBackAndNoWordBecomesAFormula(String ending) {
    Table table =
        new Table(
            "t",
            "",
            List.of(
                new Categories("g", "", new int[] {0, 1, -1, 0}, List.of("=1+1", "+b"), false),
                new Numbers("y", "", new double[] {-1.5, Double.NaN, 3, 9})),
            "");
    Frame frame = Frame.of(table, List.of(new SetAside(List.of(4), "", false)), Progress.NONE);
    Path file = folder.resolve("out." + ending);
    RecordsWriter.write(frame, file, Progress.NONE);
    Table back = read(file);
    assertThat(((Categories) back.columns().get(0)).levels()).containsExactly("=1+1", "+b");
    if (ending.endsWith("sv")) {
      assertThat(file).content().contains("'=1+1", "'+b");
    }
    assertThat(((Numbers) back.columns().get(1)).values()).containsExactly(-1.5, Double.NaN, 3);
  }

  @Test
  void aControlCharacterIsShownInAWorkbook() {
    Table table =
        new Table(
            "t",
            "",
            List.of(
                new Categories("g", "", new int[] {0, 1}, List.of("a\u0001", "b\ufffe"), false),
                new Numbers("y", "", new double[] {1, 2})),
            "");
    Path file = folder.resolve("out.ods");
    RecordsWriter.write(Frame.of(table), file, Progress.NONE);
    assertThat(((Categories) read(file).columns().get(0)).levels())
        .containsExactly("a\u2401", "b\ufffd");
  }

  @Test
  void anUnknownEndingIsRefused() {
    Frame frame = Frame.of(new Table("t", "", List.of(new Numbers("y", "", new double[1])), ""));
    assertThatThrownBy(() -> RecordsWriter.write(frame, folder.resolve("a.doc"), Progress.NONE))
        .hasMessageContaining("Use .csv, .tsv, .xlsx or .ods");
  }

  @Test
  void aFormulaWithoutAStoredValueIsMissingAndABlankInAFormatMakesNoDate() throws IOException {
    Path file =
        workbook(
            "formula.xlsx",
            sheet -> {
              sheet.value(0, 0, "feed");
              sheet.value(0, 1, "rate");
              sheet.value(1, 0, "kelp");
              sheet.formula(1, 1, "A1+1");
              sheet.value(2, 0, "paste");
              sheet.value(2, 1, 44000.5);
              sheet.style(2, 1).format("0.00_D_M").set();
            });
    Table table = read(file);
    assertThat(table.columns().get(1).isMissing(0)).isTrue();
    assertThat(((Numbers) table.columns().get(1)).value(1)).isEqualTo(44000.5);
    assertThat(table.howRead()).contains("1 formula without a stored value").contains("B2");
  }

  /** Day 44,000 of a workbook is 18 June 2020: 43,831 is the first day of that year. */
  @Test
  void aDateFromAFormulaIsADate() throws IOException {
    Path plain =
        workbook(
            "dates.xlsx",
            sheet -> {
              sheet.value(0, 0, "seen");
              sheet.value(0, 1, "rate");
              for (int row = 1; row < 3; row++) {
                sheet.value(row, 0, 44000);
                sheet.style(row, 0).format("yyyy-mm-dd").set();
                sheet.value(row, 1, 7);
              }
            });
    AtomicInteger computed = new AtomicInteger();
    Path file =
        rewritten(
            plain,
            "computed.xlsx",
            (part, text) -> {
              String now = text.replaceFirst("<v>44000</v>", "<f>DATE(2020,6,18)</f><v>44000</v>");
              computed.addAndGet(now.equals(text) ? 0 : 1);
              return now;
            });
    assertThat(computed).hasValue(1);
    Column seen = read(file).columns().get(0);
    assertThat(seen.text(0)).isEqualTo("2020-06-18");
    assertThat(seen.text(1)).isEqualTo("2020-06-18");
  }
}
