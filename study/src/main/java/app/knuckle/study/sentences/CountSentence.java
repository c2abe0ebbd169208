package app.knuckle.study.sentences;

import app.knuckle.stats.Quantity;
import app.knuckle.stats.counts.CountKind;
import app.knuckle.stats.counts.Drop;
import app.knuckle.stats.counts.ExactCounts;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.words.ExactP;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Prose;
import java.util.List;

/** Puts tests of counts and proportions into words. */
final class CountSentence {

  private CountSentence() {}

  /** The rows of an analysis of deviance, as they are said. */
  static List<EffectsSentence.Row> rows(TestResult.CountResult test, ExactP exact) {
    return test.rows().stream()
        .map(
            row ->
                row.p().exists()
                    ? new EffectsSentence.Row(row.term().names(), row.p(), statistic(row, exact))
                    : EffectsSentence.Row.unknown(row.term().names()))
        .toList();
  }

  private static String statistic(Drop row, ExactP exact) {
    String df = Numerals.df(row.df().value());
    return (row.isF()
            ? "F(" + df + ", " + Numerals.df(row.errorDf().value()) + ") = "
            : "\u03c7\u00b2(" + df + ") = ")
        + Numerals.fixed(row.statistic(), 2)
        + ", "
        + exact.statement(row.p());
  }

  /** An exact test of two groups. */
  static String of(String label, TestResult.ExactResult test, ExactP written) {
    if (test.test().isEmpty()) {
      return "There are too many possible tables for an exact count.";
    }
    ExactCounts exact = test.test().get();
    boolean proportions = test.kind() == CountKind.PROPORTIONS;
    String name = proportions ? "Fisher's exact test" : "the exact test of two rates";
    String ratio =
        exact.ratio().exists()
            ? ", " + (proportions ? "odds ratio " : "ratio ") + Numerals.fixed(exact.ratio(), 2)
            : "";
    Quantity p = Quantity.of(exact.p(test.direction()));
    String pair =
        Prose.named(String.join(" ", test.left().levels().values()))
            + " and "
            + Prose.named(String.join(" ", test.right().levels().values()));
    return test.differs()
        ? Prose.capital(label)
            + " differs between "
            + pair
            + " by "
            + name
            + ", "
            + written.statement(p)
            + ratio
            + "."
        : "No evidence by "
            + name
            + " that "
            + label
            + " differs between "
            + pair
            + ", "
            + written.statement(p)
            + ratio
            + ".";
  }
}
