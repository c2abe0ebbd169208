package app.knuckle.desktop.look;

import app.knuckle.figures.spread.SpreadPicture;
import app.knuckle.stats.summary.Summary;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.GroupSummary;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.List;

/**
 * What the Look joint says.
 *
 * @param title the response that is looked at, with its unit
 * @param line what the picture shows
 * @param picture dots and boxes; null when there is no group with a value
 * @param heads of the table of summaries
 * @param rows of the table of summaries
 */
public record LookPage(
    String title, String line, SpreadPicture picture, List<String> heads, List<List<String>> rows) {

  /** More groups than this cannot be told apart in one picture. */
  private static final int MOST_DRAWN = 60;

  /**
   * The page of findings.
   *
   * @param findings any
   * @return the page
   */
  public static LookPage of(Findings findings) {
    ResponseFindings response = findings.first();
    List<String> heads = new ArrayList<>();
    heads.add(response.groups().treatment().name());
    heads.addAll(
        List.of(
            "n",
            "missing",
            "mean",
            "SD",
            "SE",
            "median",
            "lower quartile",
            "upper quartile",
            "smallest",
            "largest",
            "CV %"));
    int decimals = response.decimals();
    List<List<String>> rows = new ArrayList<>();
    for (GroupSummary group : response.groupSummaries()) {
      rows.add(row(group.level(), group.summary(), decimals));
    }
    rows.add(row("all together", response.summaries().get(0).summary(), decimals));
    boolean drawn = response.groups().size() > 0 && response.groups().size() <= MOST_DRAWN;
    SpreadPicture picture = drawn ? SpreadPicture.of(response) : null;
    return new LookPage(
        response.measured().title(),
        "by " + response.groups().treatment().label() + " \u00b7 " + shown(picture),
        picture,
        heads,
        rows);
  }

  private static String shown(SpreadPicture picture) {
    if (picture == null) {
      return "too many groups to draw; the table has them all";
    }
    String box = "the box spans the quartiles, its line is the median, the open dot the mean";
    return picture.dots()
        ? "a dot is a row; " + box
        : box + "; the rows are too many to be seen singly";
  }

  private static List<String> row(String name, Summary s, int decimals) {
    return List.of(
        name,
        Numerals.whole(s.n()),
        Numerals.whole(s.missing()),
        Numerals.fixed(s.mean(), decimals),
        Numerals.fixed(s.sd(), decimals),
        Numerals.fixed(s.se(), decimals),
        Numerals.fixed(s.median(), decimals),
        Numerals.fixed(s.lowerQuartile(), decimals),
        Numerals.fixed(s.upperQuartile(), decimals),
        Numerals.fixed(s.min(), decimals),
        Numerals.fixed(s.max(), decimals),
        Numerals.fixed(s.cvPercent(), 1));
  }
}
