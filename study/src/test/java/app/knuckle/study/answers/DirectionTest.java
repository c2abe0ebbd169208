package app.knuckle.study.answers;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.knuckle.stats.Progress;
import app.knuckle.stats.compare.Pair;
import app.knuckle.study.contract.InquiryFile;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.findings.ShownMean;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import java.io.IOException;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Two groups asked about in a direction: one number says everything that is said of them. */
class DirectionTest {

  /** Two-sided, p lies between alpha and twice alpha, so that the direction decides. */
  private static final double[] CLOSE = {5.0, 6.0, 7.0, 8.0, 6.5, 3.5, 4.5, 5.5, 6.5, 4.4};

  private static ResponseFindings ask(String direction, String method, String procedure) {
    Column group = Asking.words("pump", CLOSE.length, i -> i < 5 ? "old" : "new");
    Column y = Asking.numbers("rate", CLOSE.length, i -> CLOSE[i]);
    String inquiry =
        "{'knuckle':'inquiry','version':1,'measured':['rate'],'treatments':['pump'],"
            + "'direction':'%s','method':'%s','compare':[{'of':['pump'],'procedure':'%s'}]}";
    return Answering.of(
            new Table("t", "", List.of(y, group), ""),
            InquiryFile.read(inquiry.formatted(direction, method, procedure).replace('\'', '"')),
            Progress.NONE)
        .first();
  }

  @ParameterizedTest
  @CsvSource({"least-squares, tukey", "unequal-spread, games-howell", "ranks, dunn-holm"})
  void aDirectedTestIsContradictedByNoComparison(String method, String procedure) {
    assertThat(ask("either", method, procedure).words().ranking())
        .startsWith("No evidence of a difference");
    ResponseFindings directed = ask("greater", method, procedure);
    assertThat(ComparedMeans.of(directed.results())).isEmpty();
    assertThat(directed.shownComparison()).isEmpty();
    assertThat(directed.words().ranking()).isEmpty();
    assertThat(directed.shownMeans()).allMatch(mean -> mean.letters().isEmpty());
  }

  @Test
  void theDirectionDecidesTheFindingAndTheLeastP() {
    ResponseFindings either = ask("either", "least-squares", "tukey");
    ResponseFindings greater = ask("greater", "least-squares", "tukey");
    double two = either.leastP(List.of("pump")).value();
    assertThat(two).isBetween(0.05, 0.10);
    assertThat(greater.leastP(List.of("pump")).value()).isCloseTo(two / 2, within(1e-12));
    assertThat(either.words().finding()).startsWith("No evidence");
    assertThat(either.words().ranking()).startsWith("No evidence of a difference");
    assertThat(greater.words().finding()).startsWith("Rate is greater at old");
  }

  /**
   * Three values beyond three: U counts 2 of 20 orders, p = .10; Dunn's normal distribution says
   * .0495.
   */
  @Test
  void twoGroupsOnRanksAreJudgedByOneNumber() throws IOException {
    for (String procedure : List.of("dunn-holm", "dunn-none", "dwass-steel", "conover-holm")) {
      Findings findings =
          Answering.of(
              new Table(
                  "t",
                  "t.csv",
                  List.of(
                      new Numbers("y", "", new double[] {1, 2, 3, 4, 5, 6}),
                      new Categories(
                          "g", "", new int[] {0, 0, 0, 1, 1, 1}, List.of("x", "z"), false)),
                  ""),
              InquiryFile.read(
                  ("{'knuckle':'inquiry','version':1,'measured':['y'],'treatments':['g'],"
                          + "'method':'ranks','compare':[{'of':['g'],'procedure':'"
                          + procedure
                          + "'}]}")
                      .replace('\'', '"')),
              Progress.NONE);
      ResponseFindings found = findings.first();
      assertThat(found.words().finding()).startsWith("No evidence").endsWith("p = .10.");
      assertThat(found.words().ranking()).startsWith("No evidence of a difference");
      assertThat(found.shownMeans()).extracting(ShownMean::letters).containsOnly("a");
      Pair shown = ComparedMeans.of(found.results()).get(0).pairs().get(0);
      assertThat(shown.differs()).isFalse();
      assertThat(shown.p()).isEqualTo(found.leastP(List.of("g")));
    }
  }
}
