package app.knuckle.formats.records;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.knuckle.stats.Progress;
import app.knuckle.study.Refused;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Sheets whose XML is written by hand: what each attribute says is what is read. */
class OdsBookTest {
  private static final String HEAD =
      """
      <?xml version="1.0" encoding="UTF-8"?>
      <office:document-content
        xmlns:office="urn:oasis:names:tc:opendocument:xmlns:office:1.0"
        xmlns:style="urn:oasis:names:tc:opendocument:xmlns:style:1.0"
        xmlns:table="urn:oasis:names:tc:opendocument:xmlns:table:1.0"
        xmlns:text="urn:oasis:names:tc:opendocument:xmlns:text:1.0">
      <office:automatic-styles>
       <style:style style:name="ta1" style:family="table">
        <style:table-properties table:display="true"/></style:style>
       <style:style style:name="ta2" style:family="table">
        <style:table-properties table:display="false"/></style:style>
      </office:automatic-styles><office:body><office:spreadsheet>
      """;
  private static final String TAIL =
      "</office:spreadsheet></office:body></office:document-content>";

  @TempDir Path folder;

  private static String words(String... cells) {
    StringBuilder row = new StringBuilder("<table:table-row>");
    for (String cell : cells) {
      row.append("<table:table-cell office:value-type=\"string\"><text:p>")
          .append(cell)
          .append("</text:p></table:table-cell>");
    }
    return row.append("</table:table-row>").toString();
  }

  private static String number(String value) {
    return "<table:table-cell office:value-type=\"float\" office:value=\""
        + value
        + "\"><text:p>shown</text:p></table:table-cell>";
  }

  private static String word(String text) {
    return "<table:table-cell office:value-type=\"string\"><text:p>"
        + text
        + "</text:p></table:table-cell>";
  }

  private static String row(String... cells) {
    return "<table:table-row>" + String.join("", cells) + "</table:table-row>";
  }

  private static String sheet(String name, String style, String... rows) {
    return "<table:table table:name=\""
        + name
        + "\" table:style-name=\""
        + style
        + "\">"
        + String.join("", rows)
        + "</table:table>";
  }

  private Table read(String... sheets) throws IOException {
    Path file = folder.resolve("tray.ods");
    try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(file))) {
      zip.putNextEntry(new ZipEntry("mimetype"));
      zip.write(
          "application/vnd.oasis.opendocument.spreadsheet".getBytes(StandardCharsets.US_ASCII));
      zip.putNextEntry(new ZipEntry("content.xml"));
      zip.write((HEAD + String.join("", sheets) + TAIL).getBytes(StandardCharsets.UTF_8));
    }
    return RecordsFile.read(file, RecordsFile.guess(file), Progress.NONE);
  }

  private static Column column(Table table, int index) {
    return table.columns().get(index);
  }

  @ParameterizedTest
  @CsvSource({"1e-05, 1e-5", "1.5e+3, 1500", "1E+20, 1e20", "-0.25, -0.25", "12, 12"})
  void aNumberIsWhatItsAttributeSays(String written, double meant) throws IOException {
    Table table = read(sheet("a", "ta1", words("t", "y"), row(word("A"), number(written))));
    assertThat(((Numbers) column(table, 1)).value(0)).isEqualTo(meant);
  }

  @Test
  void whatIsNoNumberIsNotReadAsOne() throws IOException {
    Table table = read(sheet("a", "ta1", words("t", "y"), row(word("A"), number("2,25"))));
    assertThat(column(table, 1)).isInstanceOf(Categories.class);
    assertThat(column(table, 1).text(0)).isEqualTo("2,25");
  }

  @Test
  void aRepeatedRowIsARepeatedRow() throws IOException {
    String repeated =
        "<table:table-row table:number-rows-repeated=\"100000\">"
            + word("A")
            + number("3")
            + "</table:table-row>";
    String blank =
        "<table:table-row table:number-rows-repeated=\"1048000\"><table:table-cell/>"
            + "</table:table-row>";
    Table table = read(sheet("a", "ta1", words("t", "y"), repeated, blank));
    assertThat(table.rows()).isEqualTo(100_000);
  }

  @Test
  void repeatedCellsStandSideBySideAndBlankOnesKeepTheirPlace() throws IOException {
    Table table =
        read(
            sheet(
                "a",
                "ta1",
                words("t", "x", "y", "z"),
                row(
                    word("A"),
                    "<table:table-cell/>",
                    "<table:table-cell table:number-columns-repeated=\"2\""
                        + " office:value-type=\"float\" office:value=\"7\"/>"),
                row(word("B"), number("1"), number("2"), number("3"))));
    assertThat(column(table, 1).isMissing(0)).isTrue();
    assertThat(((Numbers) column(table, 3)).value(0)).isEqualTo(7);
  }

  @Test
  void theFirstSheetThatIsShownIsRead() throws IOException {
    Table table =
        read(
            sheet("notes", "ta2", words("a", "b"), words("c", "d"), words("e", "f")),
            sheet("data", "ta1", words("t", "y"), row(word("A"), number("1"))));
    assertThat(table.columns().get(0).name()).isEqualTo("t");
    assertThat(table.howRead()).contains("sheet data");
  }

  @Test
  void aFormulaWithoutAValueIsMissingAndSaysWhere() throws IOException {
    Table table =
        read(
            sheet(
                "a",
                "ta1",
                words("t", "y"),
                row(word("A"), "<table:table-cell table:formula=\"of:=[.C1]\"/>"),
                row(word("B"), number("2"))));
    assertThat(column(table, 1).isMissing(0)).isTrue();
    assertThat(table.howRead()).contains("1 formula without a stored value").contains("B2");
  }

  @Test
  void coveredCellsAndNotesAreNoValues() throws IOException {
    String covered = "<table:covered-table-cell office:value-type=\"float\" office:value=\"9\"/>";
    String noted =
        "<table:table-cell office:value-type=\"string\"><office:annotation><text:p>why</text:p>"
            + "</office:annotation><text:p>A<text:s text:c=\"2\"/>b</text:p></table:table-cell>";
    Table table =
        read(sheet("a", "ta1", words("t", "y"), row(noted, covered), row(word("B"), number("2"))));
    assertThat(column(table, 0).text(0)).isEqualTo("A  b");
    assertThat(column(table, 1).isMissing(0)).isTrue();
  }

  @Test
  void tooManyColumnsAreRefusedBeforeTheyAreMade() {
    String wide =
        "<table:table-row><table:table-cell table:number-columns-repeated=\"99999999\""
            + " office:value-type=\"float\" office:value=\"7\"/></table:table-row>";
    assertThatThrownBy(() -> read(sheet("a", "ta1", wide, wide)))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("columns");
  }
}
