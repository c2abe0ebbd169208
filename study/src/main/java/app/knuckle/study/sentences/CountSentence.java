package app.knuckle.study.sentences;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Quantity;
import app.knuckle.stats.counts.CountKind;
import app.knuckle.stats.counts.DevianceTest;
import app.knuckle.stats.counts.ExactCounts;
import app.knuckle.study.cells.GroupSummary;
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

  private static String statistic(DevianceTest row, ExactP exact) {
    String df = Numerals.df(row.df().value());
    String value = Numerals.fixed(row.statistic(), 2);
    String p = exact.statement(row.p());
    return row.isF()
        ? say("statistic.f", df, Numerals.df(row.errorDf().value()), value, p)
        : say("statistic.chi", df, value, p);
  }

  /** An exact test of two groups. */
  static String of(String label, TestResult.ExactResult test, ExactP written) {
    if (test.test().isEmpty()) {
      return say("counts.too.many");
    }
    ExactCounts exact = test.test().get();
    boolean proportions = test.kind() == CountKind.PROPORTIONS;
    String direction =
        switch (test.direction()) {
          case EITHER -> "";
          case GREATER -> ".greater";
          case LESS -> ".less";
        };
    return say(
        (test.differs() ? "counts.apart" : "counts.alike") + direction,
        test.differs() ? Prose.capital(label) : label,
        Prose.named(GroupSummary.name(test.left().levels())),
        Prose.named(GroupSummary.name(test.right().levels())),
        say(proportions ? "counts.fisher" : "counts.rates"),
        written.statement(Quantity.of(exact.p(test.direction()))),
        !exact.ratio().exists()
            ? ""
            : say(proportions ? "counts.odds" : "counts.ratio", Numerals.fixed(exact.ratio(), 2)));
  }
}
