package app.knuckle.formats.report;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.formats.documents.RtfReport;
import app.knuckle.formats.documents.TableReport;
import app.knuckle.formats.report.Block.Part;
import app.knuckle.formats.report.PageSettings.Length;
import app.knuckle.formats.report.PageSettings.Precision;
import app.knuckle.formats.report.PageSettings.Slot;
import app.knuckle.stats.Progress;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.answers.Answering;
import app.knuckle.study.design.Compare;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import app.knuckle.study.words.ExactP;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What someone asks of a page, and what then stands on it. */
class PageSettingsTest {

  /** Groups of three with means 2, 3.5 and 9; every group has variance 1, so SE = 1 / root 3. */
  private static Page whole(PageSettings settings, String... measured) {
    return Page.of(Answering.of(TABLE, inquiry(List.of(measured)), Progress.NONE), null, settings);
  }

  private static final Table TABLE = table();

  private static Table table() {
    double[] growth = {1, 2, 3, 2.5, 3.5, 4.5, 8, 9, 10};
    double[] width = {3, 2, 1, 5, 6, 7, 3, 4, 5};
    int[] mesh = {0, 0, 0, 1, 1, 1, 2, 2, 2};
    return new Table(
        "trays",
        "trays.csv",
        List.of(
            new Numbers("growth_mm", "mm", growth),
            new Numbers("width_mm", "mm", width),
            new Categories("mesh", "", mesh, List.of("line 1.5", "fine", "coarse"), false)),
        "");
  }

  private static Inquiry inquiry(List<String> measured) {
    return Inquiry.about("growth_mm", "mesh")
        .but(
            d -> {
              d.give(app.knuckle.study.design.Part.MEASURED, measured);
              d.compare = List.of(Compare.pairs(List.of("mesh"), Procedure.TUKEY));
            });
  }

  private static Page usual() {
    return whole(PageSettings.USUAL, "growth_mm");
  }

  private static Slot slot(PageSettings settings, Page whole, Part part) {
    return settings.slots(whole).stream()
        .filter(s -> s.block().part() == part)
        .findFirst()
        .orElseThrow();
  }

  private static String results(Length length) {
    PageSettings settings = PageSettings.USUAL.but(d -> d.length = length);
    return slot(settings, whole(settings, "growth_mm"), Part.RESULTS).said();
  }

  @Test
  void onlyWhatIsNotAsUsualIsKept() {
    assertThat(PageSettings.USUAL.kept()).isEmpty();
    PageSettings some = PageSettings.USUAL.want(Part.MEANS, false).want(Part.SOURCES, true);
    assertThat(some.kept()).isEqualTo(Map.of("means", "no", "sources", "yes"));
    assertThat(some.want(Part.SOURCES, false).want(Part.MEANS, true).kept()).isEmpty();
  }

  @Test
  void partsStandInTheOrderThatWasAskedFor() {
    PageSettings moved = PageSettings.USUAL.moved(Part.MEANS, -99).moved(Part.METHODS, 99);
    List<Part> parts = moved.page(usual()).blocks().stream().map(Block::part).distinct().toList();
    assertThat(parts)
        .startsWith(Part.TITLE, Part.MEANS, Part.RESULTS)
        .endsWith(Part.METHODS)
        .doesNotContain(Part.DIFFERENCES, Part.SOURCES);
    assertThat(moved.moved(Part.TITLE, 3)).isEqualTo(moved);
  }

  @Test
  void whatBelongsToOneOfSeveralResponsesStaysTogether() {
    Page two = whole(PageSettings.USUAL, "growth_mm", "width_mm");
    List<String> words =
        PageSettings.USUAL.moved(Part.MEANS, -99).page(two).blocks().stream()
            .filter(b -> b instanceof Block.Table)
            .map(Block::words)
            .toList();
    assertThat(words)
        .containsExactly(
            "Means of growth (mm)",
            "Analysis of variance",
            "Means of width (mm)",
            "Analysis of variance");
  }

  @Test
  void severalResponsesMayShareOneTableOfMeans() {
    PageSettings one = PageSettings.USUAL.but(d -> d.oneTable = true);
    List<Block.Table> means =
        one.page(whole(one, "growth_mm", "width_mm")).blocks().stream()
            .filter(b -> b.part() == Part.MEANS)
            .map(Block.Table.class::cast)
            .toList();
    assertThat(means).hasSize(1);
    assertThat(means.get(0).heads()).containsExactly("mesh", "growth (mm)", "width (mm)");
    assertThat(means.get(0).rows().get(2).get(0)).isEqualTo("coarse");
    assertThat(means.get(0).rows().get(2).get(1)).isEqualTo("9.00 a");
    assertThat(means.get(0).rows().get(1).get(2)).startsWith("6.00 ");
    assertThat(one.page(whole(one, "growth_mm")).blocks())
        .filteredOn(b -> b.part() == Part.MEANS)
        .hasSize(1);
  }

  @Test
  void resultsAreOneSentenceOrAParagraphOrInFull() {
    assertThat(results(Length.SENTENCE)).hasSizeLessThan(results(Length.PARAGRAPH).length());
    assertThat(results(Length.PARAGRAPH)).startsWith(results(Length.SENTENCE));
    // The largest difference first: 9 - 2, 9 - 3.5; 2 and 3.5 do not differ significantly.
    assertThat(results(Length.FULL))
        .startsWith(results(Length.PARAGRAPH))
        .contains("Significant differences: coarse above line 1.5 by 7.00 mm (95% interval ")
        .contains("; coarse above fine by 5.50 mm (95% interval ")
        .doesNotContain("fine above");
  }

  @ParameterizedTest
  @CsvSource({"BOTH, SD SE", "SD, SD", "SE, SE", "INTERVAL, 95% from|to"})
  void besideAMeanStandsWhatWasAskedFor(Precision precision, String heads) {
    PageSettings settings = PageSettings.USUAL.but(d -> d.precision = precision);
    Slot means = slot(settings, whole(settings, "growth_mm"), Part.MEANS);
    List<String> shown = ((Block.Table) means.block()).heads();
    assertThat(String.join("|", shown.subList(3, shown.size() - 1)))
        .isEqualTo(heads.replace("SD SE", "SD|SE"));
  }

  @Test
  void ownWordsStayAndSayWhenThePageWouldSayOthers() {
    Page before = usual();
    Slot results = slot(PageSettings.USUAL, before, Part.RESULTS);
    PageSettings own = PageSettings.USUAL.written(results, "Coarse mesh, of course.");
    Slot written = slot(own, before, Part.RESULTS);
    assertThat(written.block().words()).isEqualTo("Coarse mesh, of course.");
    assertThat(written.said()).isEqualTo(results.said());
    assertThat(written.isOutdated()).isFalse();
    Page after = whole(PageSettings.USUAL, "width_mm");
    Slot outdated = slot(own, after, Part.RESULTS);
    assertThat(outdated.block().words()).isEqualTo("Coarse mesh, of course.");
    assertThat(outdated.isOutdated()).isTrue();
    assertThat(own.written(outdated, outdated.block().words()).slots(after))
        .noneMatch(Slot::isOutdated);
    assertThat(own.written(outdated, outdated.said())).isEqualTo(PageSettings.USUAL);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '"',
      value = {
        "F(2, 6) = 3.49, p = .018 | F(2, 6) = 3,49, p = ,018 | F(2, 6) = 3.49, p = 0.018",
        "p < .001 at line 1.5, by −1.50 | p < ,001 at line 1.5, by −1,50"
            + " | p < 0.001 at line 1.5, by −1.50",
      })
  void numbersAreWrittenAsAskedAndNamesStay(String usual, String comma, String zero) {
    Set<String> names = Set.of("line 1.5", "fine");
    assertThat(
            new NumberStyle(true, false, false, false, ExactP.USUAL).text(usual, names, Set.of()))
        .isEqualTo(comma);
    assertThat(
            new NumberStyle(false, true, false, false, ExactP.USUAL).text(usual, names, Set.of()))
        .isEqualTo(zero);
    assertThat(NumberStyle.USUAL.text(usual, names, Set.of())).isEqualTo(usual);
    assertThat(
            new NumberStyle(false, false, true, false, ExactP.USUAL)
                .text("by −1.50", names, Set.of()))
        .isEqualTo("by -1.50");
  }

  @Test
  void namesInTheFirstColumnStayAndNumbersAreWrittenAsAsked() {
    PageSettings comma =
        PageSettings.USUAL.but(
            d -> d.numbers = new NumberStyle(true, true, true, false, ExactP.USUAL));
    Block.Table means = (Block.Table) slot(comma, usual(), Part.MEANS).block();
    assertThat(means.rows().get(0)).startsWith("line 1.5", "3", "2,00", "1,00", "0,58");
  }

  @Property(tries = 200)
  void whatIsKeptComesBack(@ForAll("settings") PageSettings settings) {
    assertThat(PageSettings.of(settings.kept())).isEqualTo(settings);
  }

  @Provide
  Arbitrary<PageSettings> settings() {
    Arbitrary<Part> part = Arbitraries.of(Part.class);
    Arbitrary<NumberStyle> numbers =
        Combinators.combine(
                Arbitraries.of(true, false),
                Arbitraries.of(true, false),
                Arbitraries.of(true, false),
                Arbitraries.of(true, false),
                Arbitraries.of(NumberStyle.EXACT_P))
            .as(NumberStyle::new);
    return Combinators.combine(
            part.list().ofMaxSize(4),
            part,
            Arbitraries.integers().between(-12, 12),
            Arbitraries.of(Length.class),
            Arbitraries.of(Precision.class),
            numbers,
            Arbitraries.strings().ofMaxLength(20))
        .as(
            (turned, moved, by, length, precision, style, text) -> {
              PageSettings made =
                  PageSettings.USUAL
                      .moved(moved, by)
                      .decimals(Part.MEANS, OptionalInt.of(Math.floorMod(by, 7)))
                      .but(
                          d -> {
                            d.length = length;
                            d.precision = precision;
                            d.numbers = style;
                            d.terms = d.terms.called(Procedure.HOLM, by % 4 == 0 ? text : "");
                            d.chosen = by % 2 == 0;
                            d.oneTable = by % 3 == 0;
                            d.panel = by % 5 == 0;
                            d.beside = by % 2 == 0 ? text : "";
                          })
                      .written(slot(PageSettings.USUAL, usual(), Part.RESULTS), text);
              for (Part p : turned) {
                made = made.want(p, !made.wanted().get(p));
              }
              return made;
            });
  }

  @Test
  void aTableHasAsManyDecimalsAsWereAskedFor() {
    PageSettings four =
        PageSettings.USUAL
            .want(Part.SUMMARIES, true)
            .decimals(Part.MEANS, OptionalInt.of(4))
            .decimals(Part.ANALYSIS, OptionalInt.of(0));
    Page page = four.page(whole(four, "growth_mm"));
    assertThat(row(page, Part.MEANS))
        .containsExactly("line 1.5", "3", "2.0000", "1.0000", "0.5774", "b");
    assertThat(row(page, Part.SUMMARIES)).as("another table").contains("2.00", "1.00");
    // 3 ((2 - 29/6)^2 + (3.5 - 29/6)^2 + (9 - 29/6)^2) = 81.5
    assertThat(row(page, Part.ANALYSIS)).startsWith("mesh", "2", "82");
    assertThat(four.saysOtherThan(PageSettings.USUAL)).isTrue();
    assertThat(four.decimals(Part.MEANS, OptionalInt.empty()).kept())
        .doesNotContainKey("decimals means");
    assertThat(PageSettings.of(Map.of("decimals means", "9", "decimals title", "2")))
        .as("what cannot be")
        .isEqualTo(PageSettings.USUAL);
  }

  @Test
  void pIsExactDownToTheBoundInTextAndTables() {
    // F = 40.75 on 2 and 6 df: p = (1 + 40.75 / 3)^-3 = 0.000322.
    PageSettings four = PageSettings.USUAL.but(d -> d.numbers = d.numbers.exact(new ExactP(4)));
    Page page = four.page(whole(four, "growth_mm"));
    assertThat(row(page, Part.ANALYSIS)).contains("40.75", ".0003");
    assertThat(slot(four, page, Part.RESULTS).said()).contains("F(2, 6) = 40.75, p = .0003");
    assertThat(row(PageSettings.USUAL.page(usual()), Part.ANALYSIS)).contains("< .001");
  }

  @Test
  void anotherInquiryStandsBesideThisOne() {
    PageSettings asked =
        PageSettings.USUAL.want(Part.BESIDE, true).but(d -> d.beside = "at a half");
    Inquiry question = inquiry(List.of("growth_mm"));
    Findings findings = Answering.of(TABLE, question, Progress.NONE);
    Findings other = Answering.of(TABLE, question.at(0.5).named("at a half"), Progress.NONE);
    Page page =
        asked.page(
            Page.of(
                findings,
                null,
                asked,
                name -> name.equals("at a half") ? Optional.of(other) : Optional.empty()));
    List<Block> blocks = page.blocks().stream().filter(b -> b.part() == Part.BESIDE).toList();
    assertThat(blocks.get(0).words()).isEqualTo("Beside ‘at a half’");
    // The means 2 and 3.5 are 1.5 apart with a standard error of 0.82 on 6 df.
    assertThat(blocks)
        .extracting(Block::words)
        .contains("Only in ‘at a half’ a significant difference was found: line 1.5 and fine.");
    PageSettings renamed = asked.renamed("at a half", "bold").renamed("another", "one");
    assertThat(renamed.beside()).isEqualTo("bold");
    assertThat(words(renamed, findings)).contains("There is no answer of ‘bold’");
    assertThat(words(renamed.but(d -> d.beside = ""), findings)).contains("No inquiry is chosen");
  }

  private static String words(PageSettings settings, Findings findings) {
    return slot(settings, Page.of(findings, null, settings), Part.BESIDE).said();
  }

  @Test
  void aThinSpaceStandsBeforeUnitsOnly() {
    PageSettings thin = PageSettings.USUAL.but(d -> d.numbers = d.numbers.thinSpace(true));
    String said = slot(thin, whole(thin, "growth_mm"), Part.RANKING).said();
    assertThat(said).contains("9.00\u2009mm").doesNotContain("9.00 mm");
    assertThat(said.replace('\u2009', ' '))
        .isEqualTo(slot(PageSettings.USUAL, usual(), Part.RANKING).said());
  }

  @Test
  void aThinSpaceLeavesNamesAlone() {
    NumberStyle thin = NumberStyle.USUAL.thinSpace(true);
    assertThat(thin.text("Mesh 60 mm, by 2.0 mm.", Set.of("Mesh 60 mm"), Set.of("mm")))
        .isEqualTo("Mesh 60 mm, by 2.0\u2009mm.");
  }

  @Test
  void proceduresAreCalledByOwnWordsAndNamesStay() {
    PageSettings own =
        PageSettings.USUAL
            .want(Part.SOURCES, true)
            .but(d -> d.terms = d.terms.called(Procedure.TUKEY, "Tukey's (HSD) test"));
    Page page = whole(own, "growth_mm");
    assertThat(slot(own, page, Part.METHODS).said())
        .contains("in all pairs by Tukey's (HSD) test")
        .doesNotContain("by Tukey at");
    assertThat(slot(own, page, Part.SOURCES).said()).doesNotContain("HSD");
    assertThat(PageSettings.of(own.kept())).isEqualTo(own);
    assertThat(own.but(d -> d.terms = d.terms.called(Procedure.TUKEY, " ")).terms())
        .isEqualTo(OwnTerms.NONE);
    Page named =
        new Page(
            "t",
            List.of(new Block.Paragraph(Part.METHODS, "Tukey bay, by Tukey.")),
            Set.of("Tukey bay"));
    assertThat(slot(own, named, Part.METHODS).said())
        .isEqualTo("Tukey bay, by Tukey's (HSD) test.");
  }

  private static List<String> row(Page page, Part part) {
    return page.blocks().stream()
        .filter(b -> b.part() == part)
        .map(b -> ((Block.Table) b).rows().get(0))
        .findFirst()
        .orElseThrow();
  }

  @Property(tries = 100)
  void aStyleIsAllButWhatThePageSays(
      @ForAll("settings") PageSettings one, @ForAll("settings") PageSettings other) {
    PageSettings dressed = one.in(other.style());
    assertThat(dressed.style()).isEqualTo(other.style());
    assertThat(dressed.own()).isEqualTo(one.own());
    assertThat(dressed.chosen()).isEqualTo(one.chosen());
    assertThat(dressed.in(one.style())).isEqualTo(one);
  }

  @Test
  void tablesAloneAreForASpreadsheet() throws IOException {
    Page page = PageSettings.USUAL.page(usual());
    ByteArrayOutputStream text = new ByteArrayOutputStream();
    TableReport.csv(page, text);
    assertThat(text.toString(StandardCharsets.UTF_8).lines())
        .contains(
            "Means of growth (mm)", "mesh,n,mean,SD,SE,letters", "line 1.5,3,2.00,1.00,0.58,b");
    ByteArrayOutputStream book = new ByteArrayOutputStream();
    TableReport.xlsx(page, book);
    try (XSSFWorkbook read = new XSSFWorkbook(new ByteArrayInputStream(book.toByteArray()))) {
      assertThat(read.getNumberOfSheets()).isEqualTo(2);
      var row = read.getSheetAt(1).getRow(2);
      assertThat(row.getCell(0).getStringCellValue()).isEqualTo("line 1.5");
      assertThat(row.getCell(2).getNumericCellValue()).isEqualTo(2);
      assertThat(row.getCell(2).getCellStyle().getDataFormatString()).isEqualTo("0.00");
    }
  }

  @Test
  void richTextSaysAllInAscii() {
    String rtf = RtfReport.text(PageSettings.USUAL.page(usual()));
    assertThat(rtf).startsWith("{\\rtf1").endsWith("}").contains("{\\i F}(2, 6) = ");
    assertThat(rtf.chars()).allMatch(c -> c == '\n' || c >= ' ' && c < 0x7f);
    assertThat(rtf).contains("\\trowd", "line 1.5\\cell", "\\u951?");
    long open = rtf.chars().filter(c -> c == '{').count();
    assertThat(rtf.chars().filter(c -> c == '}').count()).isEqualTo(open);
  }
}
