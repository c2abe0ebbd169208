package app.knuckle.formats.records;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.stats.Progress;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import java.io.IOException;
import java.math.BigDecimal;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Files written from known numbers in every way that people write them: each number is read as it
 * was, or the file says what is in doubt. The writing follows the standards alone (RFC 4180, the
 * XML of the workbooks), none of the program's own code.
 */
class MadeFilesTest {
  private static final int FILES = Integer.getInteger("files.made", 2000);

  @TempDir Path folder;

  /** A table with words in its first columns and numbers in the others. */
  private record Made(
      List<String> heads, List<List<String>> words, List<List<BigDecimal>> numbers) {
    int rows() {
      return words.get(0).size();
    }

    static Made of(Random random) {
      int rows = 3 + random.nextInt(10);
      List<String> heads = new ArrayList<>();
      List<List<String>> words = new ArrayList<>();
      List<List<BigDecimal>> numbers = new ArrayList<>();
      for (int c = 0; c < 1 + random.nextInt(2); c++) {
        heads.add("word" + c);
        List<String> column = new ArrayList<>();
        for (int r = 0; r < rows; r++) {
          column.add(
              List.of(
                      "kelp",
                      "green paste",
                      "a \"quoted\" one",
                      "with, comma",
                      "semi;colon",
                      "b\u00e4y")
                  .get(random.nextInt(6)));
        }
        words.add(column);
      }
      for (int c = 0; c < 1 + random.nextInt(3); c++) {
        heads.add("y" + c);
        int decimals = random.nextInt(5);
        int size = 1 + random.nextInt(5);
        List<BigDecimal> column = new ArrayList<>();
        for (int r = 0; r < rows; r++) {
          boolean missing = random.nextInt(9) == 0 && r > 0;
          BigDecimal value =
              new BigDecimal(random.nextInt((int) Math.pow(10, size)))
                  .add(BigDecimal.valueOf(random.nextInt((int) Math.pow(10, decimals)), decimals));
          column.add(missing ? null : random.nextInt(5) == 0 ? value.negate() : value);
        }
        numbers.add(column);
      }
      return new Made(heads, words, numbers);
    }
  }

  @Test
  void everyNumberIsReadAsItWasWrittenOrTheFileIsInDoubt() throws IOException {
    int read = 0;
    int doubted = 0;
    for (int i = 0; i < FILES; i++) {
      Random random = new Random(27182818L + i);
      Made made = Made.of(random);
      Path file =
          switch (random.nextInt(4)) {
            case 0 -> ods(made, random, i);
            case 1 -> xlsx(made, random, i);
            default -> text(made, random, i);
          };
      FileForm form = RecordsFile.guess(file);
      if (form instanceof FileForm.Text text && !text.doubt().isEmpty()) {
        doubted++;
      } else {
        judge(made, RecordsFile.read(file, form, Progress.NONE), file);
        read++;
      }
      Files.delete(file);
    }
    assertThat(read).isGreaterThan(FILES * 9 / 10);
    assertThat(doubted).isLessThan(FILES / 10 + 1);
  }

  private static void judge(Made made, Table table, Path file) throws IOException {
    String what =
        file.toString().endsWith(".csv") ? Files.readString(file, StandardCharsets.ISO_8859_1) : "";
    assertThat(table.rows()).as(what).isEqualTo(made.rows());
    for (int c = 0; c < made.words().size(); c++) {
      for (int r = 0; r < made.rows(); r++) {
        assertThat(table.columns().get(c).text(r)).as(what).isEqualTo(made.words().get(c).get(r));
      }
    }
    for (int c = 0; c < made.numbers().size(); c++) {
      Column column = table.columns().get(made.words().size() + c);
      assertThat(column).as(what + table.howRead()).isInstanceOf(Numbers.class);
      for (int r = 0; r < made.rows(); r++) {
        BigDecimal wanted = made.numbers().get(c).get(r);
        Double found = ((Numbers) column).value(r);
        assertThat(found)
            .as(what + table.howRead())
            .isEqualTo(Double.valueOf(wanted == null ? Double.NaN : wanted.doubleValue()));
      }
    }
  }

  /** By RFC 4180, with any of the usual delimiters, marks and encodings. */
  private Path text(Made made, Random random, int number) throws IOException {
    char delimiter = ",;\t|".charAt(random.nextInt(4));
    boolean comma = delimiter != ',' && random.nextInt(3) == 0;
    boolean always = random.nextInt(5) == 0;
    String end = random.nextBoolean() ? "\n" : "\r\n";
    StringBuilder text = new StringBuilder(random.nextInt(4) == 0 ? "\uFEFF" : "");
    row(text, made.heads(), delimiter, always, end);
    for (int r = 0; r < made.rows(); r++) {
      List<String> cells = new ArrayList<>();
      for (List<String> column : made.words()) {
        cells.add(column.get(r));
      }
      for (List<BigDecimal> column : made.numbers()) {
        String plain = column.get(r) == null ? "" : column.get(r).toPlainString();
        cells.add(comma ? plain.replace('.', ',') : plain);
      }
      row(text, cells, delimiter, always, end);
    }
    boolean marked = text.charAt(0) == '\uFEFF';
    Charset charset =
        marked || random.nextBoolean() ? StandardCharsets.UTF_8 : Charset.forName("windows-1252");
    return Files.write(folder.resolve("made" + number + ".csv"), text.toString().getBytes(charset));
  }

  private static void row(
      StringBuilder text, List<String> cells, char delimiter, boolean always, String end) {
    for (int c = 0; c < cells.size(); c++) {
      String cell = cells.get(c);
      boolean quoted =
          always || cell.indexOf(delimiter) >= 0 || cell.indexOf('"') >= 0 || cell.contains("\n");
      text.append(c > 0 ? String.valueOf(delimiter) : "");
      text.append(quoted ? '"' + cell.replace("\"", "\"\"") + '"' : cell);
    }
    text.append(end);
  }

  private static String xml(String text) {
    return text.replace("&", "&amp;").replace("<", "&lt;").replace("\"", "&quot;");
  }

  /** A number in one of the ways that XML allows. */
  private static String written(BigDecimal value, Random random) {
    return switch (random.nextInt(3)) {
      case 0 -> value.toPlainString();
      case 1 -> value.unscaledValue() + "E" + -value.scale();
      default -> Double.toString(value.doubleValue());
    };
  }

  private Path ods(Made made, Random random, int number) throws IOException {
    StringBuilder rows = new StringBuilder("<table:table-row>");
    made.heads().forEach(head -> rows.append(odsWord(head)));
    rows.append("</table:table-row>");
    for (int r = 0; r < made.rows(); r++) {
      rows.append("<table:table-row>");
      for (List<String> column : made.words()) {
        rows.append(odsWord(column.get(r)));
      }
      for (List<BigDecimal> column : made.numbers()) {
        rows.append(
            column.get(r) == null
                ? "<table:table-cell/>"
                : "<table:table-cell office:value-type=\"float\" office:value=\""
                    + written(column.get(r), random)
                    + "\"/>");
      }
      rows.append("</table:table-row>");
    }
    return zip(
        "made" + number + ".ods",
        "mimetype",
        "application/vnd.oasis.opendocument.spreadsheet",
        "content.xml",
        "<office:document-content"
            + " xmlns:office=\"urn:oasis:names:tc:opendocument:xmlns:office:1.0\""
            + " xmlns:table=\"urn:oasis:names:tc:opendocument:xmlns:table:1.0\""
            + " xmlns:text=\"urn:oasis:names:tc:opendocument:xmlns:text:1.0\">"
            + "<office:body><office:spreadsheet><table:table table:name=\"s\">"
            + rows
            + "</table:table></office:spreadsheet></office:body></office:document-content>");
  }

  private static String odsWord(String text) {
    return "<table:table-cell office:value-type=\"string\"><text:p>"
        + xml(text)
        + "</text:p></table:table-cell>";
  }

  private Path xlsx(Made made, Random random, int number) throws IOException {
    StringBuilder rows = new StringBuilder();
    for (int r = -1; r < made.rows(); r++) {
      rows.append("<row r=\"").append(r + 2).append("\">");
      for (int c = 0; c < made.heads().size(); c++) {
        String place = "" + (char) ('A' + c) + (r + 2);
        int words = made.words().size();
        if (r < 0 || c < words) {
          String word = r < 0 ? made.heads().get(c) : made.words().get(c).get(r);
          rows.append("<c r=\"").append(place).append("\" t=\"inlineStr\"><is><t>");
          rows.append(xml(word)).append("</t></is></c>");
        } else if (made.numbers().get(c - words).get(r) != null) {
          rows.append("<c r=\"").append(place).append("\"><v>");
          rows.append(written(made.numbers().get(c - words).get(r), random)).append("</v></c>");
        }
      }
      rows.append("</row>");
    }
    String main = "http://schemas.openxmlformats.org/spreadsheetml/2006/main";
    String relations = "http://schemas.openxmlformats.org/officeDocument/2006/relationships";
    String packaged = "http://schemas.openxmlformats.org/package/2006/relationships";
    return zip(
        "made" + number + ".xlsx",
        "[Content_Types].xml",
        "<Types xmlns=\"http://schemas.openxmlformats.org/package/2006/content-types\">"
            + "<Default Extension=\"rels\""
            + " ContentType=\"application/vnd.openxmlformats-package.relationships+xml\"/>"
            + "<Override PartName=\"/xl/workbook.xml\" ContentType=\"application/vnd."
            + "openxmlformats-officedocument.spreadsheetml.sheet.main+xml\"/>"
            + "<Override PartName=\"/xl/worksheets/sheet1.xml\" ContentType=\"application/vnd."
            + "openxmlformats-officedocument.spreadsheetml.worksheet+xml\"/></Types>",
        "_rels/.rels",
        "<Relationships xmlns=\""
            + packaged
            + "\"><Relationship Id=\"r1\" Type=\""
            + relations
            + "/officeDocument\" Target=\"xl/workbook.xml\"/></Relationships>",
        "xl/workbook.xml",
        "<workbook xmlns=\""
            + main
            + "\" xmlns:r=\""
            + relations
            + "\"><sheets><sheet name=\"s\" sheetId=\"1\" r:id=\"r1\"/></sheets></workbook>",
        "xl/_rels/workbook.xml.rels",
        "<Relationships xmlns=\""
            + packaged
            + "\"><Relationship Id=\"r1\" Type=\""
            + relations
            + "/worksheet\" Target=\"worksheets/sheet1.xml\"/></Relationships>",
        "xl/worksheets/sheet1.xml",
        "<worksheet xmlns=\"" + main + "\"><sheetData>" + rows + "</sheetData></worksheet>");
  }

  private Path zip(String name, String... parts) throws IOException {
    Path file = folder.resolve(name);
    try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(file))) {
      for (int i = 0; i < parts.length; i += 2) {
        zip.putNextEntry(new ZipEntry(parts[i]));
        zip.write(parts[i + 1].getBytes(StandardCharsets.UTF_8));
      }
    }
    return file;
  }
}
