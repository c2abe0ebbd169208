package app.knuckle.desktop.test;

import app.knuckle.stats.Outcome;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.ranks.RankTest.BrunnerMunzel;
import app.knuckle.stats.ranks.RankTest.Friedman;
import app.knuckle.stats.ranks.RankTest.KruskalWallis;
import app.knuckle.stats.ranks.RankTest.MannWhitney;
import app.knuckle.stats.ranks.RankTest.Median;
import app.knuckle.stats.ranks.RankTest.Middle;
import app.knuckle.stats.ranks.RankTest.Normal;
import app.knuckle.stats.ranks.RankTest.Quade;
import app.knuckle.stats.ranks.RankTest.Shift;
import app.knuckle.stats.ranks.RankTest.Sign;
import app.knuckle.stats.ranks.RankTest.SignedRank;
import app.knuckle.stats.ranks.RankTest.Trend;
import app.knuckle.study.findings.RankNumbers;
import app.knuckle.study.words.Numerals;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * A quantity of a test on ranks: its name, what it says and where it is found.
 *
 * @param title its name
 * @param meaning a plain sentence
 * @param isP whether it is a probability of chance
 * @param where in an outcome it stands
 */
record RankQuantity(String title, String meaning, boolean isP, Where where) {

  /** In the order in which they are read. */
  static final List<RankQuantity> ALL =
      List.of(
          number(
              "U",
              "How often a value of the first group beats one of the second; a tie is half.",
              in(MannWhitney.class, MannWhitney::u)),
          number(
              "rank sum, above",
              "Ranks of the differences above 0, added.",
              in(SignedRank.class, t -> t.signs().rankSumPositive())),
          number(
              "rank sum, below",
              "Ranks of the differences below 0, added.",
              in(SignedRank.class, t -> t.signs().rankSumNegative())),
          number("differences above 0", "Counted.", in(Sign.class, Sign::positive)),
          number("differences below 0", "Counted.", in(Sign.class, Sign::negative)),
          number(
              "differences of 0",
              "They tell neither way and are left out.",
              in(SignedRank.class, SignedRank::zeros).or(in(Sign.class, Sign::zeros))),
          number(
              "H, corrected for ties",
              "How far the mean ranks lie apart.",
              in(KruskalWallis.class, KruskalWallis::h)),
          number(
              "\u03c7\u00b2, corrected for ties",
              "How far the rank sums lie apart.",
              in(Friedman.class, Friedman::chiSquared)),
          number(
              "median of all",
              "The value that half of all records exceed.",
              in(RankNumbers.AboveMedian.class, RankNumbers.AboveMedian::median)
                  .or(in(Sign.class, Sign::median))),
          number(
              "statistic",
              "Read against the law of the test.",
              in(BrunnerMunzel.class, BrunnerMunzel::statistic)
                  .or(in(Median.class, Median::statistic))
                  .or(in(Trend.class, Trend::statistic))
                  .or(in(RankNumbers.WithGaps.class, RankNumbers.WithGaps::statistic))),
          number(
              "F",
              "Signal over noise, of the ranks.",
              in(Friedman.class, Friedman::f)
                  .or(in(Quade.class, Quade::f))
                  .or(in(RankNumbers.Rearranged.class, RankNumbers.Rearranged::f))),
          number(
              "degrees of freedom",
              "Which law it is read against.",
              in(BrunnerMunzel.class, BrunnerMunzel::df)
                  .or(in(KruskalWallis.class, KruskalWallis::df))
                  .or(in(Median.class, Median::df))
                  .or(in(Friedman.class, Friedman::df))
                  .or(in(Quade.class, Quade::df))
                  .or(in(RankNumbers.WithGaps.class, RankNumbers.WithGaps::df))),
          number(
              "z",
              "The statistic, in standard deviations from where chance puts it.",
              in(Trend.class, Trend::z)),
          number(
              "z",
              "In standard deviations from where chance puts it.",
              in(MannWhitney.class, t -> z(t.normalCorrected()))
                  .or(in(SignedRank.class, t -> z(t.signs().normalCorrected())))),
          probability(
              "p", "How often chance alone would go as far.", in(RankNumbers.class, Outcome::p)),
          probability(
              "p, exact",
              "Counted over all arrangements of the ranks.",
              in(MannWhitney.class, t -> p(t.exact()))
                  .or(in(SignedRank.class, t -> p(t.signs().exact())))
                  .or(in(Trend.class, t -> p(t.exact())))),
          probability(
              "p, exact",
              "Counted over all arrangements of the ranks.",
              in(KruskalWallis.class, KruskalWallis::exactP)
                  .or(in(Median.class, Median::exactP))
                  .or(in(Friedman.class, Friedman::exactP))),
          probability(
              "p, normal law",
              "Near enough for larger groups; with a step of one half.",
              in(MannWhitney.class, t -> p(t.normalCorrected()))
                  .or(in(SignedRank.class, t -> p(t.signs().normalCorrected())))),
          probability(
              "p, zeros ranked too",
              "As Pratt ranks: zeros take ranks, then drop out.",
              in(SignedRank.class, t -> t.pratt().p())),
          probability(
              "p of F",
              "Closer than the p of \u03c7\u00b2 when there are few blocks.",
              in(Friedman.class, Friedman::fP)),
          probability(
              "p, with a step of one half",
              "For few values in a cell.",
              in(Median.class, Median::correctedP)),
          probability(
              "p of a rise",
              "From the first level to the last.",
              in(Trend.class, Trend::pIncreasing)),
          probability(
              "p of a fall",
              "From the first level to the last.",
              in(Trend.class, Trend::pDecreasing)),
          probability(
              "p of a rise, exact",
              "Counted over all arrangements.",
              in(Trend.class, t -> t.exact() == null ? null : t.exact().pIncreasing())),
          probability(
              "p of a fall, exact",
              "Counted over all arrangements.",
              in(Trend.class, t -> t.exact() == null ? null : t.exact().pDecreasing())),
          number(
              "chance error of p",
              "Another seed would give a p about so far from this.",
              in(RankNumbers.Rearranged.class, t -> t.shares().monteCarloSe())),
          number(
              "arrangements",
              "So many were compared with the one seen.",
              in(RankNumbers.OfGroups.class, RankNumbers.OfGroups::arrangements)
                  .or(in(RankNumbers.Rearranged.class, t -> t.shares().arrangements()))),
          number(
              "difference of the means",
              "First less second.",
              in(RankNumbers.Rearranged.class, RankNumbers.Rearranged::difference)),
          number(
              "shift",
              "How much higher the first group lies: the middle of all differences.",
              in(MannWhitney.class, MannWhitney::shift)
                  .or(in(SignedRank.class, SignedRank::shift))),
          number(
              "centre",
              "The middle of the averages of all pairs of values.",
              in(SignedRank.class, SignedRank::centre).or(in(Sign.class, Sign::centre))),
          number(
              "chance to be higher",
              "That a value of the first group beats one of the second; 0.5 is a draw.",
              in(MannWhitney.class, MannWhitney::probabilityOfSuperiority)
                  .or(
                      in(
                          BrunnerMunzel.class,
                          t -> new Between(t.probabilityOfSuperiority(), t.low(), t.high())))),
          number(
              "rank-biserial correlation",
              "From \u22121, always lower, to 1, always higher.",
              in(MannWhitney.class, MannWhitney::rankBiserial)
                  .or(in(SignedRank.class, t -> t.signs().rankBiserial()))),
          number(
              "\u03b5\u00b2",
              "The share of the spread of ranks that the groups explain.",
              in(KruskalWallis.class, KruskalWallis::epsilonSquared)),
          number(
              "Kendall's W",
              "How well blocks agree on the order: 0 not at all, 1 wholly.",
              in(Friedman.class, Friedman::kendallW)),
          number(
              "blocks or units used",
              "Each gives one ranking.",
              in(RankNumbers.InBlocks.class, RankNumbers.InBlocks::blocksUsed)
                  .or(in(RankNumbers.WithGaps.class, RankNumbers.WithGaps::blocksUsed))));

  /** A value of some kinds of outcome; null of others. */
  private interface Where extends Function<Outcome, Object> {

    default Where or(Where other) {
      return outcome -> {
        Object value = apply(outcome);
        return value == null ? other.apply(outcome) : value;
      };
    }
  }

  /** A value between two limits. */
  private record Between(double value, Quantity low, Quantity high) {}

  private static <T> Where in(Class<T> kind, Function<T, Object> value) {
    return outcome -> kind.isInstance(outcome) ? value.apply(kind.cast(outcome)) : null;
  }

  private static RankQuantity number(String title, String meaning, Where where) {
    return new RankQuantity(title, meaning, false, where);
  }

  private static RankQuantity probability(String title, String meaning, Where where) {
    return new RankQuantity(title, meaning, true, where);
  }

  private static Quantity p(Outcome perhaps) {
    return perhaps == null ? null : perhaps.p();
  }

  private static Double z(Normal perhaps) {
    return perhaps == null ? null : perhaps.z();
  }

  /** Its value as it is shown; null where the outcomes have none. */
  String text(List<Outcome> outcomes) {
    return outcomes.stream()
        .map(where)
        .filter(Objects::nonNull)
        .map(this::text)
        .filter(Objects::nonNull)
        .findFirst()
        .orElse(null);
  }

  private String text(Object value) {
    if (value instanceof Optional<?> perhaps) {
      return perhaps.map(this::text).orElse(null);
    }
    if (value instanceof Shift shift) {
      return number(shift.estimate()) + interval(shift.low(), shift.high());
    }
    if (value instanceof Middle middle) {
      return number(middle.estimate()) + interval(middle.limits().low(), middle.limits().high());
    }
    if (value instanceof Between between) {
      return number(between.value()) + interval(between.low(), between.high());
    }
    if (value instanceof List<?> several) {
      return several.stream()
          .map(v -> number(((Number) v).doubleValue()))
          .collect(Collectors.joining(", "));
    }
    Quantity quantity =
        value instanceof Quantity own ? own : Quantity.of(((Number) value).doubleValue());
    return !quantity.exists() ? null : isP ? Numerals.p(quantity) : number(quantity.value());
  }

  private static String interval(Quantity low, Quantity high) {
    return !low.exists() && !high.exists()
        ? " (too few for an interval)"
        : " (" + limit(low, "any lower") + " to " + limit(high, "any higher") + ")";
  }

  private static String limit(Quantity limit, String none) {
    return limit.exists() ? number(limit.value()) : none;
  }

  private static String number(double value) {
    return value == Math.rint(value) ? Numerals.whole((long) value) : Numerals.fixed(value, 3);
  }
}
