package app.knuckle.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.desktop.compare.ComparePage;
import app.knuckle.desktop.curve.DistributionCurve;
import app.knuckle.desktop.demo.DemoStudy;
import app.knuckle.desktop.footing.FootingPage;
import app.knuckle.desktop.layout.LayoutPage;
import app.knuckle.desktop.look.LookPage;
import app.knuckle.desktop.records.RecordsPage;
import app.knuckle.desktop.test.TestPage;
import app.knuckle.desktop.window.ChainPage;
import app.knuckle.desktop.window.FindingLine;
import app.knuckle.desktop.workbench.Answer;
import app.knuckle.desktop.workbench.Joint;
import app.knuckle.desktop.workbench.Line;
import app.knuckle.figures.inquiry.InquiryFigure;
import app.knuckle.figures.scene.Mark;
import app.knuckle.figures.style.Form;
import app.knuckle.figures.style.Style;
import app.knuckle.stats.Progress;
import app.knuckle.study.answers.Answering;
import app.knuckle.study.cells.PlotGrid;
import app.knuckle.study.design.Approach;
import app.knuckle.study.design.FirstGuess;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.Part;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.keeping.Study;
import app.knuckle.study.prep.Compute;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import java.net.URISyntaxException;
import java.util.List;
import java.util.stream.Stream;
import org.assertj.core.data.Percentage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What the joints say, ready to show, without a window. */
class PagesTest {

  private static Answer demo() {
    Study study = DemoStudy.read();
    Study.Asked asked = study.asked().get(0);
    return Asked.of(study.table(asked.table()), asked.inquiry());
  }

  private static Answer groups(int[] codes, double... values) {
    List<String> levels = List.of("a", "b", "c");
    Table table =
        new Table(
            "t",
            "t.csv",
            List.of(new Numbers("y", "", values), new Categories("g", "", codes, levels, false)),
            "");
    return Asked.of(table, Inquiry.about("y", "g"));
  }

  @Test
  void theTestPageOfAHandWorkedLayout() {
    // Means 2, 4, 9 of three values each: between 78 on 2 df, within 6 on 6 df, F = 39.
    TestPage page =
        TestPage.of(
            groups(new int[] {0, 0, 0, 1, 1, 1, 2, 2, 2}, 1, 2, 3, 3, 4, 5, 8, 9, 10).findings());
    List<TestPage.Line> lines = page.sheets().get(0).lines();
    TestPage.Line g = lines.get(0);
    // Source, df, sum of squares, mean square, bar, F, p, partial shares.
    assertThat(g.cells().subList(0, 2)).containsExactly("g", "2");
    assertThat(g.cells().get(2)).startsWith("78.0");
    assertThat(g.cells().get(5)).isEqualTo("39.00");
    assertThat(g.signal()).as("a bar never leaves its track").isEqualTo(1);
    assertThat(g.cells().get(7)).isEqualTo("0.93");
    assertThat(lines.get(1).cells().get(1)).isEqualTo("6");
    assertThat(lines.get(2).cells().get(2)).startsWith("84.0");
    assertThat(g.explained().words()).contains("39.0 times the noise", "93% of the spread");
    DistributionCurve curve = g.explained().curve();
    assertThat(curve.at()).isBetween(curve.tails().get(0).at(), 1.0);
    // F(2, 6) at 0.05: 6/2 (0.05^(-1/3) - 1) = 5.1433 in closed form for two numerator df.
    assertThat(curve.tails().get(0).text()).isEqualTo("5.14");
    assertThat(page.fit())
        .anyMatch(f -> f.name().equals("grand mean") && f.value().startsWith("5.0"));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "rack-trial | `measured`:[`growth_mm`],`treatments`:[`mesh`,`density`],"
            + "`blocks`:[`rack`],`covariates`:[`start_mm`] | mesh \u00d7 density",
        "rack-trial | `measured`:[`growth_mm`],`treatments`:[`mesh`,`density`],"
            + "`blocks`:[`rack`] | density",
        "strains | `measured`:[`length_mm`,`width_mm`],`together`:true,"
            + "`treatments`:[`strain`] | Wilks",
        "pumps | `measured`:[`flow_l_min`],`treatments`:[`pump`] | equal spread",
      })
  void theMostTellingRowIsReadFirst(String table, String asked, String cell) throws Exception {
    TestPage page = TestPage.of(Asked.demo(table, asked).findings());
    TestPage.Line first = page.read("");
    assertThat(String.join(" ", first.cells())).contains(cell);
    assertThat(page.read(first.explained().title())).isEqualTo(first);
  }

  @Test
  void theComparePageRanksLettersAndReadsPairsFromTheHigherSide() {
    Findings findings =
        groups(new int[] {0, 0, 0, 1, 1, 1, 2, 2, 2}, 1, 2, 3, 3, 4, 5, 8, 9, 10).findings();
    ComparedMeans family = ComparedMeans.of(findings.first().results()).get(0);
    ComparePage page = ComparePage.of(findings, family);
    assertThat(page.rungs()).extracting(ComparePage.Rung::name).containsExactly("c", "b", "a");
    assertThat(page.rungs()).extracting(ComparePage.Rung::letters).containsExactly("a", "b", "b");
    assertThat(page.rungs()).allMatch(r -> r.low() >= 0 && r.high() <= 1 && r.low() < r.at());
    assertThat(page.cells().get(1).get(0).reading())
        .startsWith("c \u2212 a: 7.0")
        .contains("They differ significantly");
    assertThat(page.cells().get(1).get(1).reading()).contains("No evidence of a difference");
    assertThat(page.cells().get(1).get(0).strength()).isPositive();
    assertThat(page.warning()).isEmpty();
    assertThat(page.critical()).startsWith("Means differ significantly from");
  }

  @Test
  void theLayoutMarksLoneGroupsAndSaysSo() {
    Answer answer = groups(new int[] {0, 0, 0, 1, 1, 2}, 1, 2, 3, 4, 5, 6);
    LayoutPage page = LayoutPage.of(answer, "");
    assertThat(page.plan().cells().get(0)).extracting(PlotGrid.Cell::n).containsExactly(3, 2, 1);
    assertThat(page.warnings()).anyMatch(w -> w.startsWith("c has a single value"));
    assertThat(page.skeleton().get(0)).containsExactly("g", "3", "2", "error");
    assertThat(page.skeleton().get(1)).containsExactly("error", "", "3", "");
    assertThat(FindingLine.of(answer).cautions()).hasSize(1);
    assertThat(ChainPage.of(answer).links().get(Joint.LAYOUT.ordinal()).line().state())
        .isEqualTo(Line.State.CAUTION);
  }

  @Test
  void aGapInTheSentenceHoldsTheChainBack() {
    Table table = new Table("t", "", List.of(new Numbers("y", "", new double[] {1, 2})), "");
    Answer answer = Asked.of(table, Inquiry.about("y", null));
    assertThat(ChainPage.of(answer).links())
        .extracting(ChainPage.Link::opens)
        .as("values are looked at before it is said what was done")
        .containsExactly(true, true, true, false, false, false, false, false);
    assertThat(ChainPage.of(answer).links().get(Joint.LAYOUT.ordinal()).line().words())
        .isEqualTo("the sentence has a gap");
    assertThat(FindingLine.of(answer).tag()).isEqualTo("Cannot yet");
    assertThat(FindingLine.of(null).tag()).isEqualTo("Waiting");
    assertThat(LayoutPage.of(answer, "why").warnings().get(0))
        .contains("no treatment is chosen yet");
  }

  @Test
  void recordsAndLookOfTheDemo() {
    Answer answer = demo();
    RecordsPage records = RecordsPage.of(answer, answer.findings().inquiry());
    assertThat(records.columns().get(records.mostOfInterest()).name()).isEqualTo("clearance_l_h");
    assertThat(records.columns())
        .extracting(RecordsPage.Head::line)
        .containsExactly("label", "5 levels", "number, L/h", "2 levels");
    assertThat(records.columns().get(2).glance().cell(0)).isEqualTo("6.77");
    assertThat(records.columns().get(2).glance().cell(7))
        .as("one precision per column")
        .isEqualTo("6.70");
    assertThat(answer.findings().records().leftOut()).hasSize(3);
    LookPage look = LookPage.of(answer.findings(), answer.frame());
    assertThat(look.title()).isEqualTo("clearance (L/h)");
    assertThat(look.picture().get().dots()).isTrue();
  }

  @Test
  void theArrangementsAreCountedAndTheTailIsWhatAlphaAllows() {
    Answer plain = groups(new int[] {0, 0, 0, 1, 1, 1, 2, 2, 2}, 1, 2, 3, 3, 4, 5, 8, 9, 10);
    Inquiry inquiry = plain.findings().inquiry().but(d -> d.approach = Approach.PERMUTATION);
    Findings findings = Answering.of(plain.findings().table(), inquiry, Progress.NONE);
    TestPage.Line row =
        TestPage.of(findings).sheets().get(0).lines().stream()
            .filter(l -> l.explained() != null)
            .findFirst()
            .orElseThrow();
    DistributionCurve curve = row.explained().curve();
    // 1,680 ways to part nine values into three groups of three; F seen is 39.
    assertThat(curve.text()).isEqualTo("F = 39.00");
    assertThat(curve.points()).hasSize(120);
    assertThat(curve.tails().get(0).at()).isBetween(0.0, curve.at());
  }

  @Test
  void adjustedMeansStandBesideThoseMeasuredAndBesideThemselvesPutBack() {
    Study study = DemoStudy.read();
    Study.Asked asked =
        study.asked().stream()
            .filter(a -> !a.inquiry().covariates().isEmpty())
            .findFirst()
            .orElseThrow();
    Compute log = new Compute("log_growth", "growth_mm", Compute.As.LOG, 0, false);
    Inquiry inquiry =
        asked
            .inquiry()
            .but(
                d -> {
                  d.prepare = Stream.concat(d.prepare.stream(), Stream.of(log)).toList();
                  d.give(Part.MEASURED, List.of("log_growth"));
                });
    Findings findings = Asked.of(study.table(asked.table()), inquiry).findings();
    ComparedMeans family = ComparedMeans.of(findings.first().results()).get(0);
    ComparePage page =
        ComparePage.of(findings, family, new ComparePage.Look(false, true), List.of(family));
    assertThat(page.valueHeads()).containsExactly("adjusted", "as measured", "back as growth_mm");
    assertThat(page.rungs().stream().map(ComparePage.Rung::name).toList())
        .as("as entered")
        .isEqualTo(family.names());
    for (ComparePage.Rung rung : page.rungs()) {
      double adjusted = Double.parseDouble(rung.values().get(0));
      assertThat(Double.parseDouble(rung.values().get(2)))
          .isCloseTo(Math.exp(adjusted), Percentage.withPercentage(1));
    }
    assertThat(page.scaleTitle()).contains("95% intervals", "hollow circles");
  }

  @ParameterizedTest(name = "{0}")
  @CsvSource({
    "pumps, flow_l_min, pump, '', '', ''",
    "hatchery, days_to_settle, temperature_c|salinity_psu|aeration, '', '', ''",
    "strains, length_mm, strain, '', '', ''",
    "silt-dose, pumping_rate, silt_mg_l, '', '', ''",
    "tumbling, meat_yield_pct, tide_zone|tumbling, cove, tide_zone, ''",
    "tasting-panel, value, day, '', '', taster"
  })
  void theFirstGuessFitsEveryTableOfTheNursery(
      String file, String measured, String treatments, String block, String whole, String unit)
      throws URISyntaxException {
    Table table = Asked.table(file);
    Inquiry guess = FirstGuess.of(table).inquiry();
    assertThat(guess.measured()).containsExactly(measured);
    assertThat(String.join("|", guess.treatments())).isEqualTo(treatments);
    assertThat(String.join("|", guess.blocks())).isEqualTo(block);
    assertThat(String.join("|", guess.wholePlots())).isEqualTo(whole);
    assertThat(guess.unit() == null ? "" : guess.unit()).isEqualTo(unit);
    assertThat(Asked.of(table, guess).isTested()).isTrue();
  }

  /** Every page of every kind of question; what is expected is the head of its first table. */
  @ParameterizedTest(name = "{0}: {1}")
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '~',
      value = {
        "strains | `measured`:[`length_mm`,`meat_g`],`together`:true,`treatments`:[`strain`] | statistic",
        "pumps | `measured`:[`flow_l_min`],`treatments`:[`pump`],`direction`:`greater` | t-test",
        "pumps | `measured`:[`flow_l_min`],`treatments`:[`pump`],`method`:`unequal-spread` | t-test",
        "pumps | `measured`:[`flow_l_min`],`treatments`:[`pump`],`method`:`ranks` | quantity",
        "pumps | `measured`:[`flow_l_min`],`treatments`:[`pump`],`method`:`permutation` | quantity",
        "pumps | `measured`:[`flow_l_min`],`expected`:40 | t-test",
        "hatchery | `measured`:[`days_to_settle`],`treatments`:[`aeration`,`salinity_psu`],`method`:`permutation` | p by permutation",
        "hatchery | `measured`:[`days_to_settle`],`treatments`:[`aeration`,`salinity_psu`],`compare`:[{`of`:[`aeration`],`within`:[`salinity_psu`],`against`:`all-pairs`,`procedure`:`holm`}] | F",
        "silt-dose | `measured`:[`pumping_rate`],`treatments`:[`silt_mg_l`],`compare`:[{`of`:[`silt_mg_l`],`trend`:2}] | F",
        "silt-dose | `measured`:[`pumping_rate`],`treatments`:[`silt_mg_l`],`method`:`ranks`,`reference`:{`silt_mg_l`:`0`},`compare`:[{`of`:[`silt_mg_l`],`against`:`reference`,`procedure`:`steel`}] | quantity",
        "silt-dose | `measured`:[`pumping_rate`],`treatments`:[`silt_mg_l`],`reference`:{`silt_mg_l`:`0`},`compare`:[{`of`:[`silt_mg_l`],`against`:`reference`,`procedure`:`dunnett`}] | F",
        "tasting-panel | `prepare`:[{`step`:`stack`,`columns`:[`day_0`,`day_3`,`day_7`],`names`:`day`,`values`:`score`}],`measured`:[`score`],`treatments`:[`day`],`unit`:`taster`,`method`:`ranks`,`compare`:[{`of`:[`day`],`against`:`all-pairs`,`procedure`:`nemenyi`}] | quantity"
      })
  void everyPageOfEveryKindOfQuestion(String file, String inquiry, String head) throws Exception {
    Answer answer = Asked.demo(file, inquiry);
    assertThat(answer.isTested()).isTrue();
    assertThat(TestPage.of(answer.findings()).sheets().get(0).heads()).contains(head);
    assertThat(LayoutPage.of(answer, "").readsAs()).isNotEmpty();
    assertThat(LookPage.of(answer.findings(), answer.frame()).groupings()).isNotEmpty();
    assertThat(FootingPage.of(answer).cards()).allMatch(c -> !c.words().contains("NaN"));
    for (ComparedMeans family : ComparedMeans.of(answer.findings().first().results())) {
      assertThat(ComparePage.of(answer.findings(), family).rungs()).hasSizeGreaterThan(1);
    }
    for (Form form : InquiryFigure.forms(answer.findings())) {
      InquiryFigure figure = InquiryFigure.of(answer.findings(), Style.usual(3).with(form));
      assertThat(figure.scene().marks()).as("%s", form).isNotEmpty();
      assertThat(figure.caption()).as("%s", form).doesNotContain("NaN").endsWith(".");
    }
    assertThat(ChainPage.of(answer).links()).hasSize(Joint.values().length);
  }

  /**
   * Nine groups have more slopes than a palette has inks, and can be distinguished all the same.
   */
  @Test
  void slopesOfManyGroupsHaveInksOfTheirOwn() throws URISyntaxException {
    Answer answer =
        Asked.demo(
            "rack-trial",
            "`measured`:[`growth_mm`],`treatments`:[`mesh`,`density`],`covariates`:[`start_mm`]");
    InquiryFigure figure = InquiryFigure.of(answer.findings(), Style.usual(9).with(Form.SLOPES));
    assertThat(
            figure.scene().marks().stream()
                .filter(Mark.Dot.class::isInstance)
                .map(mark -> ((Mark.Dot) mark).fill())
                .distinct())
        .hasSize(9);
  }
}
