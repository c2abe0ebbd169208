package app.knuckle.desktop.look;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.counts.CountIntervals;
import app.knuckle.stats.summary.Summary;
import app.knuckle.study.cells.CountSummary;
import app.knuckle.study.cells.GroupSummary;
import app.knuckle.study.words.Numerals;
import java.util.List;
import java.util.function.BiFunction;
import java.util.function.Function;

/**
 * A column of the summaries; what has no value sorts as if it were the least.
 *
 * @param head of the column
 * @param value to sort by
 * @param text with so many decimals
 */
record SummaryColumn(
    String head,
    Function<GroupSummary, Double> value,
    BiFunction<GroupSummary, Integer, String> text) {

  /** Shares are read to a tenth of a per cent. */
  private static final int SHARE_DECIMALS = 1;

  private static final List<SummaryColumn> ALWAYS =
      List.of(
          new SummaryColumn(
              "n", g -> (double) g.summary().n(), (g, d) -> Numerals.whole(g.summary().n())),
          new SummaryColumn(
              "missing",
              g -> (double) g.summary().missing(),
              (g, d) -> Numerals.whole(g.summary().missing())));

  private static final List<SummaryColumn> MEASURED =
      List.of(
          ALWAYS.get(0),
          ALWAYS.get(1),
          of("mean", Summary::mean),
          of("SD", Summary::sd),
          of("SE", Summary::se),
          of("median", Summary::median),
          of("lower quartile", Summary::lowerQuartile),
          of("upper quartile", Summary::upperQuartile),
          of("smallest", Summary::min),
          of("largest", Summary::max),
          new SummaryColumn(
              "CV %",
              g -> number(g.summary().cvPercent()),
              (g, d) -> Numerals.fixed(g.summary().cvPercent(), 1)));

  private static final List<SummaryColumn> SHARES =
      List.of(
          ALWAYS.get(0),
          ALWAYS.get(1),
          counted("counted", CountSummary::total, 0),
          counted("of", CountSummary::size, 0),
          counted("share %", c -> 100 * c.total() / c.size(), SHARE_DECIMALS),
          counted("likely from", c -> 100 * exact(c).low(), SHARE_DECIMALS),
          counted("to", c -> 100 * exact(c).high(), SHARE_DECIMALS));

  private static final List<SummaryColumn> RATES =
      List.of(
          ALWAYS.get(0),
          ALWAYS.get(1),
          counted("counted", CountSummary::total, 0),
          counted("in", CountSummary::size, 1),
          counted("for each", c -> c.total() / c.size(), 2),
          counted("likely from", c -> garwood(c).low() / c.size(), 2),
          counted("to", c -> garwood(c).high() / c.size(), 2));

  /** The columns that suit what was measured, or counted. */
  static List<SummaryColumn> of(GroupSummary any) {
    return any.counted().map(c -> c.proportions() ? SHARES : RATES).orElse(MEASURED);
  }

  private static SummaryColumn of(String head, Function<Summary, Quantity> quantity) {
    return new SummaryColumn(
        head,
        g -> number(quantity.apply(g.summary())),
        (g, decimals) -> Numerals.fixed(quantity.apply(g.summary()), decimals));
  }

  private static double number(Quantity quantity) {
    return quantity.exists() ? quantity.value() : Double.NEGATIVE_INFINITY;
  }

  private static SummaryColumn counted(
      String head, Function<CountSummary, Double> value, int decimals) {
    Function<GroupSummary, Quantity> own =
        g ->
            g.counted()
                .filter(c -> c.size() > 0)
                .map(c -> Quantity.of(value.apply(c)))
                .orElse(Quantity.absent(Absence.NOTHING_COUNTED));
    return new SummaryColumn(
        head, g -> number(own.apply(g)), (g, d) -> Numerals.fixed(own.apply(g), decimals));
  }

  private static CountIntervals exact(CountSummary c) {
    return CountIntervals.exact(c.total(), c.size(), c.alpha());
  }

  private static CountIntervals garwood(CountSummary c) {
    return CountIntervals.garwood(c.total(), c.alpha());
  }
}
