package app.knuckle.desktop.footing;

import app.knuckle.desktop.explain.Topic;
import app.knuckle.desktop.footing.FootingPage.Check;
import app.knuckle.stats.Facts;
import app.knuckle.stats.linear.Residuals;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.GroupCheck;
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
      switch (check.test()) {
        case "pearson-chi-squared" ->
            cards.add(
                card(
                    "Rows spread as expected",
                    topic,
                    check,
                    "They spread "
                        + Numerals.fixed(check.facts().quantity("dispersion"), 2)
                        + " times as much as by chance (\u03c7\u00b2 = "
                        + Numerals.fixed(check.facts().quantity("statistic"), 1)
                        + ", "
                        + Numerals.pStatement(check.facts().quantity("p"))
                        + ").",
                    left,
                    check.judgement().isOdd() && Boolean.FALSE.equals(inquiry.extraSpread())
                        ? ways.estimatedSpread()
                        : List.of()));
        case "deletion" -> cards.add(outlier(check, left, ways));
        case "excess-zeros" ->
            cards.add(
                card(
                    "Zeros",
                    topic,
                    check,
                    Numerals.plain(check.facts().quantity("observed").value())
                        + " rows are 0; about "
                        + Numerals.fixed(check.facts().quantity("expected"), 1)
                        + " would be.",
                    null,
                    List.of()));
        case "small-expected" -> cards.add(small(check, inquiry, ways));
        default -> {
          // What other methods stand on has cards of its own.
        }
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
        (check.facts().quantity("p").exists() ? numbers + " " : "") + check.words(),
        List.of(),
        on);
  }

  private static Check outlier(GroupCheck check, Residuals left, WaysOn ways) {
    Facts facts = check.facts();
    return card(
        "Odd ones out",
        Topic.ODD_VALUES,
        check,
        "Row "
            + facts.all().get("row")
            + " stands out most, "
            + Numerals.pStatement(facts.quantity("adjustedP"))
            + " for the most extreme of "
            + Numerals.whole(left.rows().length)
            + ".",
        left,
        check.judgement().isOdd() ? ways.without((Integer) facts.all().get("row")) : List.of());
  }

  private static Check small(GroupCheck check, Inquiry inquiry, WaysOn ways) {
    Facts facts = check.facts();
    // Ranks of counts answer for what was counted alone, whatever it was out of.
    boolean alone = inquiry.outOf() == null && inquiry.exposure() == null;
    return new Check(
        "Enough expected in " + check.on(),
        Topic.of(inquiry, false),
        check.judgement(),
        null,
        null,
        "Of "
            + Numerals.plain(facts.quantity("n").value())
            + " "
            + check.on()
            + " "
            + Numerals.plain(facts.quantity("below5").value())
            + " expect fewer than 5, "
            + Numerals.plain(facts.quantity("below1").value())
            + " fewer than 1. "
            + check.words(),
        List.of(),
        check.judgement().isOdd() && alone ? ways.methods(Inquiry.Method.RANKS) : List.of());
  }
}
