package app.knuckle.desktop.footing;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.desktop.Asked;
import app.knuckle.desktop.shell.Answer;
import app.knuckle.study.design.Inquiry.Method;
import app.knuckle.study.findings.CheckResult.Judgement;
import java.net.URISyntaxException;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Only the cards that the design needs, and ways on where the footing gives. */
class FootingPageTest {

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
        "rack-trial | `blocks`:[`rack`] | Blocks add up | Parallel slopes",
        "rack-trial | `covariates`:[`start_mm`] | Parallel slopes on start_mm | Blocks add up",
        "rack-trial | `covariates`:[`start_mm`] | Straight on start_mm | Occasions spread alike",
        "rack-trial | `method`:`permutation` | Balance | Occasions spread alike"
      })
  void cardsFollowTheDesign(String file, String keys, String there, String notThere)
      throws URISyntaxException {
    Answer answer = Asked.demo(file, RACKS + "," + keys);
    assertThat(titles(answer)).contains(there).doesNotContain(notThere);
  }

  @Test
  void everyLayerOfErrorHasItsOwnShape() throws URISyntaxException {
    Answer answer =
        Asked.demo(
            "tumbling",
            "`measured`:[`meat_yield_pct`],`treatments`:[`tide_zone`,`tumbling`],"
                + "`blocks`:[`cove`],`wholePlots`:[`tide_zone`]");
    assertThat(titles(answer)).startsWith("Bell-shaped residuals", "Bell-shaped whole-plot error");
    FootingPage.Check plots = card(answer, "Bell-shaped whole-plot error");
    assertThat(plots.scatter().points()).hasSize(12);
    assertThat(plots.words()).contains("lies farthest from what the model says of it");
  }

  @Test
  void anOddRowIsNamedAndCanBeSetAsideBesideThisInquiry() {
    StringBuilder rows = new StringBuilder("feed,y\n");
    for (int i = 0; i < 20; i++) {
      rows.append(i % 2 == 0 ? "kelp," : "mix,").append(i == 7 ? 90 : 10 + i % 5).append('\n');
    }
    Answer answer = Asked.rows(rows.toString(), "`measured`:[`y`],`treatments`:[`feed`]");
    FootingPage.Check odd = card(answer, "Odd ones out");
    assertThat(odd.judgement()).isEqualTo(Judgement.UNSOUND);
    assertThat(odd.words()).contains("(row 8)").contains("look at its record");
    WayOn way = odd.ways().get(0);
    assertThat(way.label()).startsWith("Ask without row 8");
    Answer without = Asked.of(Asked.made(rows.toString()), way.inquiry());
    assertThat(without.findings().records().inPlay()).isEqualTo(19);
    assertThat(card(without, "Odd ones out").judgement()).isEqualTo(Judgement.SOUND);
  }

  @Test
  void unequalSpreadLeadsToOwnSpreadsRanksAndTheLogScale() {
    StringBuilder rows = new StringBuilder("pump,flow\n");
    for (int i = 0; i < 12; i++) {
      rows.append("airlift,").append(20 + 0.1 * (i * 5 % 12)).append('\n');
      rows.append("screw,").append(5 + 4.0 * (i * 7 % 12)).append('\n');
    }
    Answer answer = Asked.rows(rows.toString(), "`measured`:[`flow`],`treatments`:[`pump`]");
    FootingPage.Check spread = card(answer, "Equal spread");
    assertThat(spread.judgement()).isNotEqualTo(Judgement.SOUND);
    assertThat(spread.words()).contains("Screw varies most").contains("Brown-Forsythe F = ");
    assertThat(spread.ways())
        .extracting(w -> w.inquiry().method())
        .containsExactly(Method.UNEQUAL_SPREAD, Method.RANKS, Method.LEAST_SQUARES);
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
    assertThat(slopes.ways().get(0).label()).contains("its own slope");
    assertThat(slopes.ways().get(0).inquiry().terms().chosen()).contains(List.of("feed", "start"));
  }

  @Test
  void fewRowsAreSaidToShowLargeDifferencesOnly() {
    Answer answer =
        Asked.rows("g,y\na,1\na,2\nb,4\nb,5.5\n", "`measured`:[`y`],`treatments`:[`g`]");
    assertThat(card(answer, "Balance").words())
        .isEqualTo("2 groups, 2 rows each. So few rows show large differences only.");
  }
}
