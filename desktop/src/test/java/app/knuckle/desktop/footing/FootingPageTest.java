package app.knuckle.desktop.footing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import app.knuckle.desktop.Asked;
import app.knuckle.desktop.workbench.Answer;
import app.knuckle.study.design.Approach;
import app.knuckle.study.findings.CheckResult.Judgement;
import java.net.URISyntaxException;
import java.util.List;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Only the cards that the design needs, and ways on where the footing gives. */
class FootingPageTest {

  private static final Offset<Double> EXACT = Offset.offset(1e-9);

  private static final String RACKS = "`measured`:[`growth_mm`],`treatments`:[`mesh`,`density`]";

  private static List<String> titles(Answer answer) {
    return FootingPage.of(answer).cards().stream().map(FootingPage.Check::title).toList();
  }

  private static FootingPage.Check card(Answer answer, String title) {
    return FootingPage.of(answer).cards().stream()
        .filter(c -> c.title().equals(title))
        .findFirst()
        .orElseThrow(() -> new AssertionError(title + " is none of " + titles(answer)));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '~',
      value = {
        "rack-trial | `blocks`:[`rack`] | Additivity | Parallel slopes",
        "rack-trial | `covariates`:[`start_mm`] | Parallel slopes on start_mm | Additivity",
        "rack-trial | `covariates`:[`start_mm`] | Linearity in start_mm | Sphericity",
        "rack-trial | `method`:`permutation` | Balance | Sphericity"
      })
  void cardsFollowTheDesign(String file, String keys, String there, String notThere)
      throws URISyntaxException {
    Answer answer = Asked.demo(file, RACKS + "," + keys);
    assertThat(titles(answer)).contains(there).doesNotContain(notThere);
  }

  /** Where counts are taken to spread as their distribution says, drops in deviance are judged. */
  @Test
  void deviancesOfKnownSpreadAreChiSquared() {
    StringBuilder rows = new StringBuilder("mesh,depth,spat\n");
    int[] spat = {3, 5, 4, 7, 6, 9, 2, 8, 5, 11, 7, 12};
    for (int i = 0; i < spat.length; i++) {
      rows.append("m%d,%d,%d\n".formatted(i % 3, i * i % 7, spat[i]));
    }
    String asked = "`measured`:[`spat`],`treatments`:[`mesh`],`covariates`:[`depth`],";
    FootingPage.Check known =
        card(
            Asked.rows(rows.toString(), asked + "`method`:`counts`,`extraSpread`:false"),
            "Parallel slopes on depth");
    assertThat(known.words()).contains("\u03c7\u00b2(2) = ").doesNotContain("F(");
    FootingPage.Check estimated =
        card(
            Asked.rows(rows.toString(), asked + "`method`:`counts`,`extraSpread`:true"),
            "Parallel slopes on depth");
    assertThat(estimated.words()).contains("F(2, 6) = ").doesNotContain("\u03c7");
  }

  /** Blocks of effects -1, 0, 1 that double what the treatment does: the product tells it all. */
  @Test
  void blocksThatMultiplyAreSeenAlongALine() {
    StringBuilder rows = new StringBuilder("block,feed,y\n");
    for (int b = 0; b < 3; b++) {
      for (int f = 0; f < 3; f++) {
        rows.append("B%d,F%d,%d\n".formatted(b, f, 100 + 10 * (b - 1) + (f - 1) * (4 + 2 * b)));
      }
    }
    Answer answer =
        Asked.rows(rows.toString(), "`measured`:[`y`],`treatments`:[`feed`],`blocks`:[`block`]");
    FootingPage.Check blocks = card(answer, "Additivity");
    // Block means are 10 apart, feed means 6: each step of both leaves 2 more than their sum.
    assertThat(blocks.scatter().points())
        .extracting(p -> Math.round(p.x()), p -> Math.round(p.y()))
        .contains(tuple(60L, 2L), tuple(-60L, -2L), tuple(0L, 0L));
    assertThat(blocks.scatter().lines().get(0).ys()).containsExactly(new double[] {-2, 2}, EXACT);
  }

  @Test
  void occasionsThatSpreadMostAreNamed() throws URISyntaxException {
    Answer answer =
        Asked.demo(
            "tasting-panel",
            "`prepare`:[{`step`:`stack`,`columns`:[`day_0`,`day_3`,`day_7`],`names`:`day`,"
                + "`values`:`score`}],`measured`:[`score`],`treatments`:[`day`],"
                + "`unit`:`taster`,`occasions`:[`day`]");
    FootingPage.Check alike = card(answer, "Sphericity");
    assertThat(alike.bars().names()).hasSize(3).contains("day_0 \u2212 day_3");
    double[] sds = alike.bars().heights();
    int most = sds[0] > Math.max(sds[1], sds[2]) ? 0 : sds[1] > sds[2] ? 1 : 2;
    assertThat(alike.words())
        .contains("The SD is largest for " + alike.bars().names().get(most) + " (");
  }

  @Test
  void aTrendIsDrawnThroughTheMeansOfItsLevels() {
    Answer answer =
        Asked.rows(
            "dose,y\n0,1\n0,3\n1,4\n1,6\n3,11\n3,9\n",
            "`measured`:[`y`],`treatments`:[`dose`],`compare`:[{`of`:[`dose`],`trend`:1}]");
    // Means 2, 5, 10 at 0, 1, 3: the least squares line is 2.143 + 2.643 x.
    assertThat(card(answer, "Differences beyond the trend").scatter().lines().get(0).ys())
        .containsExactly(new double[] {15.0 / 7, 33.5 / 7, 70.5 / 7}, EXACT);
  }

  @Test
  void severalResponsesAreSetAgainstEachOther() throws URISyntaxException {
    Answer answer =
        Asked.demo(
            "strains",
            "`measured`:[`length_mm`,`width_mm`],`together`:true,`treatments`:[`strain`]");
    FootingPage.Check alike = card(answer, "Equal covariance matrices");
    assertThat(alike.scatter().lines()).hasSize(3);
    assertThat(alike.words()).contains("Box's M");
  }

  @Test
  void everyLayerOfErrorHasItsOwnShape() throws URISyntaxException {
    Answer answer =
        Asked.demo(
            "tumbling",
            "`measured`:[`meat_yield_pct`],`treatments`:[`tide_zone`,`tumbling`],"
                + "`blocks`:[`cove`],`wholePlots`:[`tide_zone`]");
    assertThat(titles(answer))
        .startsWith("Normality of residuals", "Normality of whole-plot error");
    FootingPage.Check plots = card(answer, "Normality of whole-plot error");
    assertThat(plots.scatter().points()).hasSize(12);
    assertThat(plots.words()).contains("The largest deviation is");
  }

  @Test
  void anOddRowIsNamedAndCanBeSetAsideBesideThisInquiry() {
    StringBuilder rows = new StringBuilder("feed,y\n");
    for (int i = 0; i < 20; i++) {
      rows.append(i % 2 == 0 ? "kelp," : "mix,").append(i == 7 ? 90 : 10 + i % 5).append('\n');
    }
    Answer answer = Asked.rows(rows.toString(), "`measured`:[`y`],`treatments`:[`feed`]");
    FootingPage.Check odd = card(answer, "Outliers");
    assertThat(odd.judgement()).isEqualTo(Judgement.UNSOUND);
    assertThat(odd.words()).contains("(row 8)").contains("look at its record");
    WayOn way = odd.ways().get(0);
    assertThat(way.label()).startsWith("Ask without row 8");
    Answer without = Asked.of(Asked.made(rows.toString()), way.inquiry());
    assertThat(without.findings().records().inPlay()).isEqualTo(19);
    assertThat(card(without, "Outliers").judgement()).isEqualTo(Judgement.SOUND);
  }

  @Test
  void unequalSpreadLeadsToOwnSpreadsRanksAndTheLogScale() {
    StringBuilder rows = new StringBuilder("pump,flow\n");
    for (int i = 0; i < 12; i++) {
      rows.append("airlift,").append(20 + 0.1 * (i * 5 % 12)).append('\n');
      rows.append("screw,").append(5 + 4.0 * (i * 7 % 12)).append('\n');
    }
    Answer answer = Asked.rows(rows.toString(), "`measured`:[`flow`],`treatments`:[`pump`]");
    FootingPage.Check spread = card(answer, "Equal variances");
    assertThat(spread.judgement()).isNotEqualTo(Judgement.SOUND);
    assertThat(spread.words())
        .contains("SD from 0.4 (airlift) to 14.4 (screw)")
        .contains("Brown-Forsythe F(1, 22) = ");
    assertThat(spread.ways())
        .extracting(w -> w.inquiry().approach())
        .containsExactly(Approach.SEPARATE_VARIANCES, Approach.RANKS, Approach.LEAST_SQUARES);
    assertThat(spread.ways().get(2).inquiry().measured()).containsExactly("log_flow");
    assertThat(spread.bars()).isNotNull();
  }

  @Test
  void slopesThatAreNotParallelAreDrawnAndCanBeGivenTheirOwn() {
    StringBuilder rows = new StringBuilder("feed,start,y\n");
    for (int i = 0; i < 24; i++) {
      double x = 10 + i / 2;
      double noise = 0.3 * (i * 7 % 5 - 2);
      rows.append(i % 2 == 0 ? "kelp," : "mix,").append(x).append(',');
      rows.append(i % 2 == 0 ? 2 * x + noise : 30 - x + noise).append('\n');
    }
    Answer answer =
        Asked.rows(
            rows.toString(), "`measured`:[`y`],`treatments`:[`feed`],`covariates`:[`start`]");
    FootingPage.Check slopes = card(answer, "Parallel slopes on start");
    assertThat(slopes.judgement()).isEqualTo(Judgement.UNSOUND);
    assertThat(slopes.scatter().lines()).hasSize(2);
    assertThat(slopes.ways().get(0).label()).contains("a separate slope");
    assertThat(slopes.ways().get(0).inquiry().terms().chosen()).contains(List.of("feed", "start"));
  }

  @Test
  void ofFewRowsTheChecksSayThatTheyCannotTell() {
    Answer answer =
        Asked.rows("g,y\na,1\na,2\nb,4\nb,5.5\n", "`measured`:[`y`],`treatments`:[`g`]");
    assertThat(card(answer, "Balance").words())
        .isEqualTo("2 groups, 2 rows each. With so few rows only large differences can be found.");
    assertThat(card(answer, "Balance").judgement()).isEqualTo(Judgement.CAUTION);
    assertThat(card(answer, "Normality of residuals").verdict()).isEqualTo("cannot tell");
    assertThat(card(answer, "Order of the records").verdict()).isEqualTo("cannot tell");
  }

  @Test
  void whereNothingVariesNothingIsCalledSound() {
    Answer answer =
        Asked.rows("g,y\na,5\na,5\na,5\nb,5\nb,5\nb,5\n", "`measured`:[`y`],`treatments`:[`g`]");
    assertThat(card(answer, "Equal variances").words())
        .isEqualTo("Within every group all values are equal.");
    assertThat(FootingPage.of(answer).cards())
        .filteredOn(c -> !c.title().equals("Balance"))
        .extracting(FootingPage.Check::verdict)
        .containsOnly("cannot tell");
  }

  private static final String FEW = "g,y,n\na,0,9\na,1,9\na,2,9\nb,3,9\nb,1,9\nb,2,9\n";

  @Test
  void countsStandOnCardsOfTheirOwn() {
    Answer answer = Asked.rows(FEW, "`measured`:[`y`],`treatments`:[`g`],`method`:`counts`");
    assertThat(titles(answer))
        .contains("Dispersion", "Outliers", "Expected counts of rows")
        .doesNotContain("Same spread");
    assertThat(card(answer, "Expected counts of rows").ways())
        .extracting(WayOn::label)
        .containsExactly("Ask on ranks \u2192");
  }

  /** Ranks know nothing of how many each count is out of, so they are no answer to its share. */
  @ParameterizedTest
  @CsvSource({"proportions, outOf", "counts, exposure"})
  void whatIsCountedOutOfSomethingIsNotSentToRanks(String method, String part) {
    Answer answer =
        Asked.rows(
            FEW,
            "`measured`:[`y`],`treatments`:[`g`],`method`:`%s`,`%s`:`n`".formatted(method, part));
    assertThat(card(answer, "Expected counts of rows").ways()).isEmpty();
  }

  @Test
  void knownSpreadThatIsExceededLeadsToAnEstimatedOne() {
    Answer answer =
        Asked.rows(
            "g,y\na,1\na,30\na,2\nb,40\nb,3\nb,60\n",
            "`measured`:[`y`],`treatments`:[`g`],`method`:`counts`,`extraSpread`:false");
    List<WayOn> ways = card(answer, "Dispersion").ways();
    assertThat(ways).hasSize(1);
    assertThat(ways.get(0).inquiry().overdispersion()).isTrue();
  }
}
