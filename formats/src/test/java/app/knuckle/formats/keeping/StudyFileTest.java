package app.knuckle.formats.keeping;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.knuckle.stats.Progress;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.Refused;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.keeping.Study;
import app.knuckle.study.plan.Plan;
import app.knuckle.study.prep.Edit;
import app.knuckle.study.prep.Merge;
import app.knuckle.study.reckon.Reckoning;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.networknt.schema.JsonSchema;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.NotBlank;
import net.jqwik.api.constraints.Size;
import net.jqwik.api.constraints.UniqueElements;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class StudyFileTest {

  @TempDir private Path folder;

  /** A study whose name tells one from another. */
  static Study study(String name, int rows) {
    double[] values = new double[rows];
    Arrays.setAll(values, i -> i / 7.0);
    int[] codes = new int[rows];
    Arrays.setAll(codes, i -> i % 3 - 1);
    Table table =
        new Table(
            "tanks",
            "tanks.csv",
            List.of(
                new Numbers("rate_l_h", "L/h", values),
                new Categories("feed", "", codes, List.of("=kelp, \"fine\"", "b"), true)),
            "rows",
            true);
    Inquiry inquiry =
        Inquiry.about("rate_l_h", "feed")
            .named("Rate by feed")
            .after(
                List.of(
                    new Merge("feed", List.of("b"), "c", true),
                    new Edit(List.of(new Edit.Cell(1, "rate_l_h", "5")), false)));
    return new Study(
        name,
        List.of(new Study.Kept(table, "/records/tanks.csv", Map.of("sheet", "a"))),
        List.of(
            new Study.Asked("tanks", inquiry, Map.of("form", "BARS"), Map.of("sources", "yes"))),
        List.of(plan()),
        List.of(
            new Reckoning(
                Reckoning.Kind.TAIL,
                "t",
                Map.of("law", "T", "tail", "0.05"),
                new Reckoning.Said("t is 2.", List.of(List.of("df", "t"), List.of("60", "2.00"))),
                true)));
  }

  /** Everything that a plan can say. */
  private static Plan plan() {
    return new Plan(
        "Mesh by density",
        -7,
        Map.of("mesh", List.of("fine", "coarse")),
        List.of(),
        Plan.Layout.COMPLETELY_RANDOMISED,
        new Plan.Size(4, 0, 1, Map.of("mesh=fine", 8)),
        new Plan.Roles(List.of(), List.of(), List.of(), "bag", "rack"),
        new Plan.Field(3, 4, true),
        List.of(
            new Plan.Measured(
                "growth",
                "mm",
                14,
                1.1,
                1,
                0.5,
                Map.of("mesh", 0.2),
                0.3,
                new Plan.Covariate("start", 0.6))),
        List.of(new Plan.Effect("growth", Map.of("mesh", "fine"), 1.5)),
        new Plan.Wanted(List.of("mesh"), 2, Procedure.TUKEY, 0.05, 0.8),
        100);
  }

  private static void same(Study a, Study b) {
    assertThat(a.name()).isEqualTo(b.name());
    assertThat(a.asked()).isEqualTo(b.asked());
    assertThat(a.plans()).isEqualTo(b.plans());
    assertThat(a.reckonings()).isEqualTo(b.reckonings());
    assertThat(a.tables()).hasSameSizeAs(b.tables());
    for (int i = 0; i < a.tables().size(); i++) {
      assertThat(a.tables().get(i).form()).isEqualTo(b.tables().get(i).form());
      same(a.tables().get(i).table(), b.tables().get(i).table());
    }
  }

  private static void same(Table a, Table b) {
    assertThat(a.makeBelieve()).isEqualTo(b.makeBelieve());
    for (int c = 0; c < a.columns().size(); c++) {
      Column x = a.columns().get(c);
      Column y = b.columns().get(c);
      assertThat(x.name() + x.unit()).isEqualTo(y.name() + y.unit());
      if (x instanceof Numbers n) {
        assertThat(n.values()).isEqualTo(((Numbers) y).values());
      } else {
        assertThat(((Categories) x).codes()).isEqualTo(((Categories) y).codes());
        assertThat(((Categories) x).levels()).isEqualTo(((Categories) y).levels());
        assertThat(((Categories) x).ordered()).isEqualTo(((Categories) y).ordered());
      }
    }
  }

  private static void write(Study study, Path file) {
    StudyFile.write(study, file, StudyFile.Stamp.of(file), Progress.NONE);
  }

  @Test
  void whatIsSavedIsOpenedAndTheVersionBeforeIsKept() throws IOException {
    Path file = folder.resolve("cove.knuckle");
    write(study("first", 10), file);
    write(study("second", 12), file);
    same(StudyFile.read(file, Progress.NONE), study("second", 12));
    same(StudyFile.read(StudyFile.previous(file), Progress.NONE), study("first", 10));
    try (var all = Files.list(folder)) {
      assertThat(all).as("nothing else is left in the folder").hasSize(2);
    }
  }

  @Test
  void whatIsSavedKeepsToItsSchema() throws IOException {
    JsonSchema schema =
        JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012)
            .getSchema(StudyFile.class.getResourceAsStream("study.schema.json"));
    byte[] json = StudyParts.json(study("s", 3), kept -> "tables/1.csv");
    assertThat(schema.validate(new ObjectMapper().readTree(json))).isEmpty();
  }

  @Property(tries = 40)
  void anyTableComesBackAsItWas(
      @ForAll @Size(min = 1, max = 8) List<Double> values,
      @ForAll @Size(min = 1, max = 4) @UniqueElements List<@NotBlank String> levels)
      throws IOException {
    List<String> names =
        levels.stream().filter(l -> !l.contains("\r") && !l.contains("\0")).toList();
    double[] numbers =
        values.stream().mapToDouble(v -> Double.isInfinite(v) ? 1 : v == 0 ? 0 : v).toArray();
    int[] codes = new int[numbers.length];
    Arrays.setAll(codes, i -> i % (names.size() + 1) - 1);
    Table table =
        new Table(
            "t",
            "",
            List.of(new Numbers("x", "", numbers), new Categories("g", "", codes, names, false)),
            "");
    Path file = Files.createTempFile("study", ".knuckle");
    write(new Study("s", List.of(new Study.Kept(table, "", Map.of())), List.of()), file);
    same(StudyFile.read(file, Progress.NONE).tables().get(0).table(), table);
    Files.delete(file);
    Files.deleteIfExists(StudyFile.previous(file));
  }

  private Path changed(UnaryOperator<String> json, UnaryOperator<String> csv) throws IOException {
    Path whole = folder.resolve("whole.knuckle");
    write(study("s", 5), whole);
    Path bad = folder.resolve("bad.knuckle");
    Map<String, String> parts = new LinkedHashMap<>();
    try (ZipFile zip = new ZipFile(whole.toFile())) {
      for (ZipEntry e : zip.stream().toList()) {
        String text = new String(zip.getInputStream(e).readAllBytes(), StandardCharsets.UTF_8);
        parts.put(e.getName(), e.getName().endsWith("json") ? json.apply(text) : csv.apply(text));
      }
    }
    try (ZipOutputStream out = new ZipOutputStream(Files.newOutputStream(bad))) {
      for (Map.Entry<String, String> part : parts.entrySet()) {
        out.putNextEntry(new ZipEntry(part.getKey()));
        out.write(part.getValue().getBytes(StandardCharsets.UTF_8));
        out.closeEntry();
      }
    }
    return bad;
  }

  @ParameterizedTest(name = "{0} becomes {1}")
  @CsvSource(
      delimiter = '~',
      textBlock =
          """
          "version" : 1    ~ "version" : 99   ~ saved by a newer Knuckle, in version 99
          "howRead"        ~ "howReed"        ~ the nearest known name is 'howRead'
          "knuckle" : "st  ~ "knuckle" : "xx  ~ no study of Knuckle
          "kind" : "num    ~ "kind" : "bum    ~ no kind 'bumber'
          "table" : "tanks ~ "table" : "tonks ~ no table 'tonks'
          "rows" : 5       ~ "rows" : 6       ~ there are 5 rows where 6 belong
          "tables/1.csv    ~ "tables/2.csv    ~ its part tables/2.csv is not there
          }                ~ ]                ~ study.json is not whole at line
          """)
  void aStudyChangedByHandIsRefusedAtItsPlace(String from, String to, String says)
      throws IOException {
    Path bad = changed(json -> json.replace(from, to), csv -> csv);
    assertThatThrownBy(() -> StudyFile.read(bad, Progress.NONE))
        .isInstanceOf(Refused.class)
        .hasMessageMatching("(?is).*" + java.util.regex.Pattern.quote(says) + ".*");
  }

  @Test
  void aWrongCellATruncatedFileAndABombAreRefused() throws IOException {
    Path cell = changed(json -> json, csv -> csv.replace("0.14285714285714285", "torn"));
    assertThatThrownBy(() -> StudyFile.read(cell, Progress.NONE))
        .hasMessageContaining("tables/1.csv, row 2: 'torn' is no number of rate_l_h");
    byte[] bytes = Files.readAllBytes(folder.resolve("whole.knuckle"));
    Path cut = Files.write(folder.resolve("cut.knuckle"), Arrays.copyOf(bytes, bytes.length / 2));
    assertThatThrownBy(() -> StudyFile.read(cut, Progress.NONE))
        .hasMessageContaining("cut off or damaged");
    Path bomb = folder.resolve("bomb.knuckle");
    try (ZipOutputStream out = new ZipOutputStream(Files.newOutputStream(bomb))) {
      out.putNextEntry(new ZipEntry("study.json"));
      byte[] nothing = new byte[1 << 20];
      for (int i = 0; i < 64; i++) {
        out.write(nothing);
      }
    }
    assertThatThrownBy(() -> StudyFile.read(bomb, Progress.NONE))
        .hasMessageContaining("far larger than any file of records");
  }

  @Test
  void neitherAnotherProgramsWorkNorAFullOrClosedFolderLosesAnything() throws IOException {
    Path file = folder.resolve("cove.knuckle");
    StudyFile.Stamp stamp =
        StudyFile.write(study("mine", 5), file, StudyFile.Stamp.NONE, Progress.NONE);
    write(study("theirs, longer", 9), file);
    assertThatThrownBy(() -> StudyFile.write(study("mine again", 5), file, stamp, Progress.NONE))
        .hasMessageContaining("another program has saved this study");
    assertThat(StudyFile.read(file, Progress.NONE).name()).isEqualTo("theirs, longer");
    Path nowhere = folder.resolve("gone").resolve("cove.knuckle");
    assertThatThrownBy(() -> write(study("s", 5), nowhere))
        .hasMessageContaining("the folder is not there");
    // A full disk shows as a failing write: the file is as it was, and no part is left behind.
    assertThatThrownBy(
            () ->
                SafeFile.write(
                    file,
                    StudyFile.previous(file),
                    out -> {
                      out.write(1);
                      throw new IOException("No space left on device");
                    }))
        .hasMessageContaining("No space left");
    assertThat(StudyFile.read(file, Progress.NONE).name()).isEqualTo("theirs, longer");
    try (var all = Files.list(folder)) {
      assertThat(all.filter(f -> f.toString().endsWith(".part"))).isEmpty();
    }
  }

  @Test
  void aFolderIsNoStudy() throws IOException {
    Path named = Files.createDirectory(folder.resolve("named.knuckle"));
    assertThatThrownBy(() -> StudyFile.read(named, Progress.NONE))
        .hasMessageContaining("this is a folder");
  }

  @ParameterizedTest
  @ValueSource(strings = {"0", "-1", "\"abc\"", "1.5", "null"})
  void aVersionThatNoProgramWroteIsRefused(String version) throws IOException {
    Path file = folder.resolve("v.knuckle");
    try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(file))) {
      zip.putNextEntry(new ZipEntry("study.json"));
      zip.write(
          ("{\"knuckle\":\"study\",\"version\":"
                  + version
                  + ",\"name\":\"s\",\"tables\":[],\"inquiries\":[]}")
              .getBytes());
    }
    assertThatThrownBy(() -> StudyFile.read(file, Progress.NONE))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("version");
  }
}
