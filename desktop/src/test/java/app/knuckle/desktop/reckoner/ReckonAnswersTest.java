package app.knuckle.desktop.reckoner;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.stats.Progress;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.stats.families.DistributionKind;
import app.knuckle.stats.families.Tail;
import app.knuckle.study.reckon.KnownTable.Entry;
import app.knuckle.study.reckon.Reckoning;
import app.knuckle.study.reckon.SizeQuestion;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** What follows from what is typed, without a window. */
class ReckonAnswersTest {

  private static Map<String, String> with(Map<String, String> typed, String... more) {
    Map<String, String> all = new HashMap<>(typed);
    for (int i = 0; i < more.length; i += 2) {
      all.put(more[i], more[i + 1]);
    }
    return all;
  }

  private static Map<String, String> example(Reckoning.Kind kind) {
    return ReckonExamples.of(kind);
  }

  @Test
  void aPartOfATableGivesTheRest() {
    TableAnswer answer = TableAnswer.of(example(Reckoning.Kind.PARTIAL_TABLE));
    // 41.28 / 3 over 3.217; 28 times 3.217.
    assertThat(answer.follows())
        .containsEntry(Entry.EFFECT_MS, "13.76")
        .containsEntry(Entry.ERROR_DF, "28")
        .containsEntry(Entry.ERROR_SS, "90.08")
        .containsEntry(Entry.F, "4.277")
        .doesNotContainKey(Entry.EFFECT_DF);
    assertThat(answer.p()).isEqualTo(".013");
    assertThat(answer.wrong()).isEmpty();
  }

  @Test
  void whatContradictsIsMarkedAndSaid() {
    TableAnswer answer =
        TableAnswer.of(with(example(Reckoning.Kind.PARTIAL_TABLE), Entry.ERROR_DF.name(), "12"));
    assertThat(answer.wrong()).contains(Entry.ERROR_DF);
    assertThat(answer.words()).contains("at least one of them is wrong");
  }

  @Test
  void atAStricterLevelChanceMayGiveTheSame() {
    TableAnswer answer =
        TableAnswer.of(with(example(Reckoning.Kind.PARTIAL_TABLE), TableAnswer.ALPHA, "0,01"));
    assertThat(answer.words()).contains("no more than chance may give (p = .013)");
    assertThat(TableAnswer.of(Map.of(TableAnswer.ALPHA, "5")).words()).contains("between 0 and 1");
    assertThat(TableAnswer.of(Map.of()).words()).startsWith("Type what is known");
  }

  private static Map<String, String> tail(
      DistributionKind distribution, Tail side, String... more) {
    return with(Map.of(TailAnswer.LAW, distribution.name(), TailAnswer.SIDE, side.name()), more);
  }

  @Test
  void anyTwoGiveTheThird() {
    TailAnswer value =
        TailAnswer.of(
            tail(DistributionKind.T, Tail.BOTH, "parameter-0", "20", TailAnswer.TAIL, "0.05"));
    assertThat(value.value()).isEqualTo("2.086");
    assertThat(value.tail()).isEmpty();
    TailAnswer tail =
        TailAnswer.of(
            tail(DistributionKind.T, Tail.BOTH, "parameter-0", "20", TailAnswer.VALUE, "2.0860"));
    assertThat(tail.tail()).isEqualTo("0.05");
    TailAnswer df =
        TailAnswer.of(
            tail(
                DistributionKind.T,
                Tail.BOTH,
                TailAnswer.VALUE,
                "2.085963",
                TailAnswer.TAIL,
                "0.05"));
    assertThat(df.parameter()).isEqualTo("20");
  }

  /**
   * Of counts nothing is rounded: 2.5 and more are 3 and more, but the words say what was typed.
   */
  @Test
  void countsAreSaidAsTheyAreTyped() {
    TailAnswer answer =
        TailAnswer.of(
            tail(
                DistributionKind.BINOMIAL,
                Tail.ABOVE,
                "parameter-0",
                "4",
                "parameter-1",
                "0.5",
                TailAnswer.VALUE,
                "2.5"));
    // 3 or 4 of 4: 5 of 16.
    assertThat(answer.words()).isEqualTo("P(count \u2265 2.5) = 0.3125.");
  }

  @ParameterizedTest
  @EnumSource(DistributionKind.class)
  void aLawThatLacksItsNumbersAsksForThem(DistributionKind distribution) {
    TailAnswer answer =
        TailAnswer.of(tail(distribution, distribution.sides().get(0), TailAnswer.TAIL, "0.05"));
    assertThat(answer.curve().isPresent()).isEqualTo(distribution.parameters().isEmpty());
    if (!distribution.parameters().isEmpty()) {
      assertThat(answer.words()).startsWith("Type " + distribution.parameters().get(0));
    }
  }

  @ParameterizedTest
  @CsvSource({
    "T, 0.05, -3, There is no such law",
    "T, 2, 20, lies between 0 and 1",
    "SIGNED_RANK, 0.001, 3, Not even the outermost value"
  })
  void whatCannotBeIsSaid(
      DistributionKind distribution, String tail, String parameter, String words) {
    TailAnswer answer =
        TailAnswer.of(
            tail(distribution, Tail.ABOVE, "parameter-0", parameter, TailAnswer.TAIL, tail));
    assertThat(answer.words()).contains(words);
    assertThat(answer.curve()).isEmpty();
  }

  /** A side that the distribution does not have gives way to its usual one. */
  @Test
  void aLawWithoutTwoTailsIsAskedForOne() {
    assertThat(TailAnswer.side(tail(DistributionKind.F, Tail.BOTH))).isEqualTo(Tail.ABOVE);
    assertThat(TailAnswer.side(tail(DistributionKind.T, Tail.BELOW))).isEqualTo(Tail.BELOW);
  }

  private static SummaryAnswer summaries(String... more) {
    return SummaryAnswer.of(with(example(Reckoning.Kind.SUMMARIES), more), 3, Progress.NONE);
  }

  @Test
  void summariesAreLetteredAndTheFindingSaysNoMoreThanTheTest() {
    SummaryAnswer answer = summaries();
    assertThat(answer.letters()).containsExactly("a", "a", "b");
    assertThat(answer.words())
        .startsWith("F(2, 23) = ")
        .contains("(one spread)")
        .endsWith("the 3 means are not all equal.");
    assertThat(answer.tests()).hasSize(3);
    assertThat(answer.pairs()).hasSize(3);
    assertThat(answer.means().orElseThrow().rows()).hasSize(3);
  }

  /** The finding rests on spreads as the letters do. */
  @Test
  void aProcedureWithSpreadsOfItsOwnComesWithWelch() {
    SummaryAnswer answer = summaries(SummaryAnswer.PROCEDURE, Procedure.GAMES_HOWELL.name());
    assertThat(answer.tests().get(0).get(0)).isEqualTo("Welch");
    assertThat(answer.words()).contains("(Welch)");
  }

  /** SE of 9 is a third of SD. */
  @Test
  void standardErrorsAreTheSameAsWhatTheyStandFor() {
    Map<String, String> typed = new LinkedHashMap<>();
    Map<String, String> other = new LinkedHashMap<>();
    for (int row = 0; row < 2; row++) {
      for (Map<String, String> one : List.of(typed, other)) {
        one.put("n-" + row, "9");
        one.put("mean-" + row, String.valueOf(5 + row));
      }
      typed.put("spread-" + row, "1.2");
      other.put("spread-" + row, "0.4");
    }
    other.put(SummaryAnswer.SPREAD, SummaryAnswer.Spread.SE.name());
    SummaryAnswer bySd = SummaryAnswer.of(typed, 2, Progress.NONE);
    SummaryAnswer bySe = SummaryAnswer.of(other, 2, Progress.NONE);
    assertThat(bySe.words()).isEqualTo(bySd.words());
    assertThat(bySe.pairs()).isEqualTo(bySd.pairs());
    assertThat(bySd.pairs().get(0).get(0)).isEqualTo("group 1 \u2212 group 2");
  }

  @Test
  void rowsThatAreNotWholeAreLeftOutAndTooFewAreSaid() {
    SummaryAnswer answer = summaries("n-1", "8.5");
    assertThat(answer.letters()).containsExactly("a", "", "b");
    assertThat(summaries("n-1", "", "n-2", "0").words()).startsWith("Two groups or more");
    assertThat(summaries("spread-0", "0", "spread-1", "0", "spread-2", "0").words())
        .startsWith("There is no noise");
  }

  private static SizeAnswer size(String... more) {
    return SizeAnswer.of(with(example(Reckoning.Kind.SIZE), more));
  }

  /** 34 in each find 0.8 SD with probability .9: in any table. */
  @Test
  void theSizeIsThatOfTheTables() {
    SizeAnswer answer = size();
    assertThat(answer.needed()).isEqualTo("take 34 in each group.");
    assertThat(answer.power()).startsWith(" in each group it is found with probability .69");
    assertThat(answer.curve().orElseThrow().least()).isEqualTo(34);
    assertThat(answer.curve().orElseThrow().now()).isEqualTo(20);
  }

  @ParameterizedTest
  @EnumSource(SizeQuestion.Test.class)
  void everyTestIsAnswered(SizeQuestion.Test test) {
    SizeAnswer answer = size(SizeAnswer.TEST, test.name());
    assertThat(answer.needed()).matches("take \\d+ .*\\.");
    assertThat(answer.curve()).isPresent();
  }

  @ParameterizedTest
  @CsvSource({
    "effect, 0, a difference is needed",
    "effect, x, a difference is needed",
    "power, 1, probabilities lie between",
    "alpha, '', probabilities lie between"
  })
  void whatMakesNoSenseIsSaid(String field, String text, String words) {
    SizeAnswer answer = size(field, text);
    assertThat(answer.needed()).contains(words);
    assertThat(answer.curve()).isEmpty();
  }

  @Test
  void anEffectHasFewerDegreesOfFreedomThanCells() {
    assertThat(size(SizeAnswer.TEST, "FACTORIAL", SizeAnswer.DF, "4").needed())
        .contains("below the cells");
    assertThat(size(SizeAnswer.N, "1").power()).contains("a size from 2 on");
    assertThat(size(SizeAnswer.EFFECT, "0.0001").needed()).contains("not even a million");
  }

  @ParameterizedTest
  @CsvSource({
    "1234.5678, 1235",
    "0.00012345, 0.0001234",
    "28, 28",
    "-2.08596, -2.086",
    "NaN, ''",
    "0, 0"
  })
  void fourDigitsAreShown(double value, String shown) {
    assertThat(Typed.shown(value)).isEqualTo(shown);
  }
}
