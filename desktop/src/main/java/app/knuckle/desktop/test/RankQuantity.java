package app.knuckle.desktop.test;

import app.knuckle.stats.Facts;
import app.knuckle.stats.Quantity;
import app.knuckle.study.words.Numerals;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;

/**
 * A quantity of a test on ranks: where it stands among the facts, its name and what it says.
 *
 * @param path of keys, with dots between
 * @param title its name
 * @param meaning a plain sentence
 */
record RankQuantity(String path, String title, String meaning) {

  /** In the order in which they are read. */
  static final List<RankQuantity> ALL =
      List.of(
          of(
              "u",
              "U",
              "How often a value of the first group beats one of the second; a tie is half."),
          of("rankSumPositive", "rank sum, above", "Ranks of the differences above 0, added."),
          of("rankSumNegative", "rank sum, below", "Ranks of the differences below 0, added."),
          of("positive", "differences above 0", "Counted."),
          of("negative", "differences below 0", "Counted."),
          of("zeros", "differences of 0", "They tell neither way and are left out."),
          of("h", "H, corrected for ties", "How far the mean ranks lie apart."),
          of("chiSquared", "\u03c7\u00b2, corrected for ties", "How far the rank sums lie apart."),
          of("median", "median of all", "The value that half of all records exceed."),
          of("statistic", "statistic", "Read against the law of the test."),
          of("f", "F", "Signal over noise, of the ranks."),
          of("df", "degrees of freedom", "Which law it is read against."),
          of("z", "z", "The statistic, in standard deviations from where chance puts it."),
          of("normalCorrected.z", "z", "In standard deviations from where chance puts it."),
          of("p", "p", "How often chance alone would go as far."),
          of("exact.p", "p, exact", "Counted over all arrangements of the ranks."),
          of("exactP", "p, exact", "Counted over all arrangements of the ranks."),
          of(
              "normalCorrected.p",
              "p, normal law",
              "Near enough for larger groups; with a step of one half."),
          of("pratt.p", "p, zeros ranked too", "As Pratt ranks: zeros take ranks, then drop out."),
          of("fP", "p of F", "Closer than the p of \u03c7\u00b2 when there are few blocks."),
          of("correctedP", "p, with a step of one half", "For few values in a cell."),
          of("pIncreasing", "p of a rise", "From the first level to the last."),
          of("pDecreasing", "p of a fall", "From the first level to the last."),
          of("exact.pIncreasing", "p of a rise, exact", "Counted over all arrangements."),
          of("exact.pDecreasing", "p of a fall, exact", "Counted over all arrangements."),
          of(
              "monteCarloSe",
              "chance error of p",
              "Another seed would give a p about so far from this."),
          of("arrangements", "arrangements", "So many were compared with the one seen."),
          of("difference", "difference of the means", "First less second."),
          of(
              "shift",
              "shift",
              "How much higher the first group lies: the middle of all differences."),
          of("centre", "centre", "The middle of the averages of all pairs of values."),
          of(
              "probabilityOfSuperiority",
              "chance to be higher",
              "That a value of the first group beats one of the second; 0.5 is a draw."),
          of(
              "rankBiserial",
              "rank-biserial correlation",
              "From \u22121, always lower, to 1, always higher."),
          of(
              "epsilonSquared",
              "\u03b5\u00b2",
              "The share of the spread of ranks that the groups explain."),
          of(
              "kendallW",
              "Kendall's W",
              "How well blocks agree on the order: 0 not at all, 1 wholly."),
          of("blocksUsed", "blocks or units used", "Each gives one ranking."));

  private static RankQuantity of(String path, String title, String meaning) {
    return new RankQuantity(path, title, meaning);
  }

  boolean isP() {
    String key = path.substring(path.lastIndexOf('.') + 1);
    return key.equals("p")
        || key.endsWith("P")
        || key.equals("pIncreasing")
        || key.equals("pDecreasing");
  }

  /** Its value as it is shown; null where the facts have none. */
  String text(Facts facts) {
    String[] keys = path.split("\\.");
    for (String key : Arrays.copyOf(keys, keys.length - 1)) {
      if (!(facts.all().get(key) instanceof Facts inner)) {
        return null;
      }
      facts = inner;
    }
    String key = keys[keys.length - 1];
    Object value = facts.all().get(key);
    if (value instanceof Facts estimate) {
      return estimate(estimate);
    }
    if (value instanceof List<?> several) {
      return several.stream()
          .map(v -> number(((Number) v).doubleValue()))
          .collect(Collectors.joining(", "));
    }
    Quantity quantity = facts.quantity(key);
    if (!quantity.exists()) {
      return null;
    }
    String text = isP() ? Numerals.p(quantity) : number(quantity.value());
    boolean between = key.equals("probabilityOfSuperiority") && facts.all().containsKey("low");
    return between ? text + interval(facts) : text;
  }

  /** An estimate with its interval, open on a side that is not asked. */
  private static String estimate(Facts facts) {
    Quantity middle = facts.quantity("estimate");
    return !middle.exists() ? null : number(middle.value()) + interval(facts);
  }

  private static String interval(Facts facts) {
    if (!facts.quantity("low").exists() && !facts.quantity("high").exists()) {
      return " (too few for an interval)";
    }
    return " (" + limit(facts, "low") + " to " + limit(facts, "high") + ")";
  }

  private static String limit(Facts facts, String key) {
    Quantity limit = facts.quantity(key);
    return limit.exists() ? number(limit.value()) : key.equals("low") ? "any lower" : "any higher";
  }

  private static String number(double value) {
    return value == Math.rint(value) ? Numerals.whole((long) value) : Numerals.fixed(value, 3);
  }
}
