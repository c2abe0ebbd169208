package app.knuckle.formats;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.formats.keeping.StudyFile;
import app.knuckle.formats.records.FileForm;
import app.knuckle.formats.records.RecordsFile;
import app.knuckle.formats.records.RecordsWriter;
import app.knuckle.formats.workbooks.Area;
import app.knuckle.stats.Progress;
import app.knuckle.study.Refused;
import app.knuckle.study.design.FirstGuess;
import app.knuckle.study.keeping.Study;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Table;
import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Stream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.lifecycle.AfterProperty;
import net.jqwik.api.lifecycle.BeforeProperty;

/** Whatever a file holds, it is read, or it is said in words why not. */
class AnyFileTest {

  /** What sheets are made of, in the order of how often it stands in one. */
  private static final List<String> PIECES =
      List.of(
          "\t",
          ",",
          ";",
          "\n",
          "1",
          "2.5",
          "fine",
          "\r\n",
          "coarse",
          "3,7",
          "",
          " ",
          "\"",
          "-99",
          "NA",
          "\"a,b\"",
          "2026-11-28",
          "\uFEFF",
          "\u03b1",
          "=1+1",
          "1e400",
          "'",
          "\0",
          "|",
          "# x");

  private static final List<Charset> CHARSETS =
      List.of(
          StandardCharsets.UTF_8,
          StandardCharsets.ISO_8859_1,
          StandardCharsets.UTF_16LE,
          StandardCharsets.UTF_16BE);

  private static final List<String> BOOKS = List.of(".xlsx", ".ods", ".csv", StudyFile.ENDING);

  private Path folder;

  @BeforeProperty
  void makeAFolder() throws IOException {
    folder = Files.createTempDirectory("any-file");
  }

  @AfterProperty
  void takeTheFolderAway() throws IOException {
    try (Stream<Path> files = Files.list(folder)) {
      for (Path file : files.toList()) {
        Files.delete(file);
      }
    }
    Files.delete(folder);
  }

  private static String text(Random random) {
    StringBuilder text = new StringBuilder();
    int most = 1 + random.nextInt(PIECES.size());
    for (int i = random.nextInt(60); i >= 0; i--) {
      text.append(PIECES.get(random.nextInt(most)));
    }
    return text.toString();
  }

  private static Table read(Path file) {
    FileForm form = RecordsFile.guess(file);
    assertThat(RecordsFile.preview(file, form, 5)).hasSizeLessThanOrEqualTo(5);
    return RecordsFile.read(file, form, Progress.NONE);
  }

  private static void isWhole(Table table) {
    assertThat(table.columns()).isNotEmpty();
    assertThat(table.columns()).allMatch(column -> column.size() == table.rows());
    assertThat(table.columns().stream().map(Column::name)).doesNotHaveDuplicates();
    assertThat(FirstGuess.of(Frame.of(table)).reason()).isNotNull();
  }

  private static void isSaid(Refused e) {
    assertThat(e.getMessage()).isNotBlank().doesNotContain("null").doesNotContain("Exception");
  }

  private static List<String> texts(Table table) {
    List<String> texts = new ArrayList<>();
    for (Column column : table.columns()) {
      texts.add(column.name());
      for (int row = 0; row < table.rows(); row++) {
        texts.add(column.text(row));
      }
    }
    return texts;
  }

  @Property(tries = 400, seed = "14142135623")
  void anyTextIsReadOrRefused(@ForAll Random random) throws IOException {
    String text = text(random);
    Path file = Files.writeString(folder.resolve("any.csv"), text, StandardCharsets.UTF_8);
    try {
      isWhole(read(file));
    } catch (Refused e) {
      isSaid(e);
    } catch (RuntimeException | AssertionError e) {
      throw new AssertionError("File: " + text, e);
    }
    try {
      isWhole(RecordsFile.paste("pasted", text));
    } catch (Refused e) {
      isSaid(e);
    } catch (RuntimeException | AssertionError e) {
      throw new AssertionError("Pasted: " + text, e);
    }
  }

  /** Somebody says that the file is written otherwise than it is. */
  @Property(tries = 400, seed = "41421356")
  void anyTextInAnyFormIsReadOrRefused(@ForAll Random random) throws IOException {
    String text = text(random);
    Path file = Files.writeString(folder.resolve("any.csv"), text, StandardCharsets.UTF_8);
    FileForm form =
        new FileForm.Text(
            CHARSETS.get(random.nextInt(CHARSETS.size())),
            ",;\t |".charAt(random.nextInt(5)),
            random.nextBoolean() ? '"' : '\'',
            random.nextBoolean(),
            random.nextInt(4),
            random.nextBoolean());
    try {
      assertThat(RecordsFile.preview(file, form, 5)).hasSizeLessThanOrEqualTo(5);
      isWhole(RecordsFile.read(file, form, Progress.NONE));
    } catch (Refused e) {
      isSaid(e);
    } catch (RuntimeException | AssertionError e) {
      throw new AssertionError(form + ": " + text, e);
    }
  }

  /** Somebody asks for another part of a sheet than the table. */
  @Property(tries = 120, seed = "37309504")
  void anyPartOfASheetIsReadOrRefused(@ForAll Random random) {
    Table table = RecordsFile.paste("sheet", "tank\tfeed\nT1\tkelp\nT2\t\nT3\tpaste\n");
    Path file = folder.resolve("part" + BOOKS.get(random.nextInt(2)));
    RecordsWriter.write(Frame.of(table), file, Progress.NONE);
    FileForm.Workbook whole = (FileForm.Workbook) RecordsFile.guess(file);
    String from = "" + "ABCZ".charAt(random.nextInt(4)) + (1 + random.nextInt(6));
    String to = "" + "CDZ".charAt(random.nextInt(3)) + (1 + random.nextInt(6));
    boolean named = random.nextInt(8) > 0;
    try {
      Area area = Area.of(from + ":" + to);
      FileForm form =
          new FileForm.Workbook(
              whole.sheets(), named ? whole.sheet() : "gone", area, random.nextBoolean());
      isWhole(RecordsFile.read(file, form, Progress.NONE));
    } catch (Refused e) {
      isSaid(e);
    } catch (RuntimeException | AssertionError e) {
      throw new AssertionError(file + " " + from + ":" + to, e);
    }
  }

  /** A file that was cut, or in which bytes were written over, on its way here. */
  @Property(tries = 200, seed = "17320508075")
  void aDamagedFileIsReadOrRefused(@ForAll Random random) throws IOException {
    Table table =
        RecordsFile.paste("sheet", "tank\tfeed\trate\nT1\tkelp\t1.5\nT2\tpaste\t2.5\nT3\t\t-99\n");
    Path file = folder.resolve("damaged" + BOOKS.get(random.nextInt(BOOKS.size())));
    if (StudyFile.is(file)) {
      Files.deleteIfExists(file);
      Study study = new Study("s", List.of(new Study.Kept(table, "", Map.of())), List.of());
      StudyFile.write(study, file, StudyFile.Stamp.NONE, Progress.NONE);
    } else {
      RecordsWriter.write(Frame.of(table), file, Progress.NONE);
      assertThat(texts(read(file))).as("unharmed").isEqualTo(texts(table));
    }
    byte[] bytes = Files.readAllBytes(file);
    byte[] left = random.nextBoolean() ? bytes : Arrays.copyOf(bytes, random.nextInt(bytes.length));
    for (int i = random.nextInt(6); i > 0 && left.length > 0; i--) {
      left[random.nextInt(left.length)] = (byte) random.nextInt(256);
    }
    Files.write(file, left);
    try {
      if (StudyFile.is(file)) {
        StudyFile.read(file, Progress.NONE).tables().forEach(kept -> isWhole(kept.table()));
      } else {
        isWhole(read(file));
      }
    } catch (Refused e) {
      isSaid(e);
    } catch (RuntimeException | AssertionError e) {
      throw new AssertionError(file + " " + Arrays.toString(left), e);
    }
  }
}
