package app.knuckle.desktop.footing;

import app.knuckle.desktop.explain.Topic;
import app.knuckle.desktop.footing.FootingPage.Check;
import app.knuckle.stats.linear.Residuals;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.GroupCheck;
import app.knuckle.study.findings.GroupCheck.Dispersion;
import app.knuckle.study.findings.GroupCheck.ExpectedCounts;
import app.knuckle.study.findings.GroupCheck.OddCount;
import app.knuckle.study.findings.GroupCheck.Zeros;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.List;

/** What counts and proportions stand on, a card each. */
final class CountCards {

  private CountCards() {}

  static List<Check> of(ResponseFindings response, Residuals left, Inquiry inquiry, WaysOn ways) {
    List<Check> cards = new ArrayList<>();
    Topic topic = Topic.of(inquiry, false);
    for (GroupCheck check : response.analysis().groupChecks()) {
      if (check.numbers() instanceof Dispersion spread && check.test().startsWith("pearson")) {
        cards.add(
            card(
                "Rows spread as expected",
                topic,
                check,
                "They spread "
                    + Numerals.fixed(spread.dispersion(), 2)
                    + " times as much as by chance (\u03c7\u00b2 = "
                    + Numerals.fixed(spread.statistic(), 1)
                    + ", "
                    + Numerals.pStatement(spread.p())
                    + ").",
                left,
                check.judgement().isOdd() && Boolean.FALSE.equals(inquiry.extraSpread())
                    ? ways.estimatedSpread()
                    : List.of()));
      } else if (check.numbers() instanceof OddCount row) {
        cards.add(outlier(check, row, left, ways));
      } else if (check.numbers() instanceof Zeros zeros) {
        cards.add(
            card(
                "Zeros",
                topic,
                check,
                Numerals.plain(zeros.observed())
                    + " rows are 0; about "
                    + Numerals.fixed(zeros.expected(), 1)
                    + " would be.",
                null,
                List.of()));
      } else if (check.numbers() instanceof ExpectedCounts expected) {
        cards.add(small(check, expected, inquiry, ways));
      }
    }
    return cards;
  }

  private static Check card(
      String title, Topic topic, GroupCheck check, String numbers, Residuals left, List<WayOn> on) {
    return new Check(
        title,
        topic,
        check.judgement(),
        left == null ? null : CheckPictures.againstFitted(left),
        null,
        (check.p().exists() ? numbers + " " : "") + check.words(),
        List.of(),
        on);
  }

  private static Check outlier(GroupCheck check, OddCount row, Residuals left, WaysOn ways) {
    return card(
        "Odd ones out",
        Topic.ODD_VALUES,
        check,
        "Row "
            + row.row()
            + " stands out most, "
            + Numerals.pStatement(row.adjustedP())
            + " for the most extreme of "
            + Numerals.whole(left.rows().length)
            + ".",
        left,
        check.judgement().isOdd() ? ways.without(row.row()) : List.of());
  }

  private static Check small(
      GroupCheck check, ExpectedCounts expected, Inquiry inquiry, WaysOn ways) {
    // Ranks of counts answer for what was counted alone, whatever it was out of.
    boolean alone = inquiry.outOf() == null && inquiry.exposure() == null;
    return new Check(
        "Enough expected in " + check.on(),
        Topic.of(inquiry, false),
        check.judgement(),
        null,
        null,
        "Of "
            + Numerals.plain(expected.n())
            + " "
            + check.on()
            + " "
            + Numerals.plain(expected.below5())
            + " expect fewer than 5, "
            + Numerals.plain(expected.below1())
            + " fewer than 1. "
            + check.words(),
        List.of(),
        check.judgement().isOdd() && alone ? ways.methods(Inquiry.Method.RANKS) : List.of());
  }
}
