package app.knuckle.desktop.test;

import app.knuckle.stats.linear.Effect;
import app.knuckle.stats.linear.OneWay;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Prose;
import java.util.List;

/**
 * What the Test joint says.
 *
 * @param line what was tested, how, on how many rows
 * @param rows of the table
 * @param wordsTitle title of the explanation
 * @param words the selected row explained
 * @param discourage why pairs should not be hunted; empty when they may be
 * @param curve where F falls; null when there is no F
 * @param fit names and values of the fit
 */
public record TestPage(
    String line,
    List<Row> rows,
    String wordsTitle,
    String words,
    String discourage,
    FCurve curve,
    List<Fact> fit) {

  public TestPage {
    rows = List.copyOf(rows);
    fit = List.copyOf(fit);
  }

  /**
   * A line of the table.
   *
   * @param source such as "feed"
   * @param df degrees of freedom
   * @param ss sum of squares
   * @param ms mean square
   * @param f the signal over the noise; empty for error and total
   * @param signal length of the bar, from 0 to 1; negative for none
   * @param critical place of the critical value on the bar's scale
   * @param p written properly
   * @param significant whether p is at most alpha
   * @param eta eta squared
   * @param omega omega squared
   */
  public record Row(
      String source,
      String df,
      String ss,
      String ms,
      String f,
      double signal,
      double critical,
      String p,
      boolean significant,
      String eta,
      String omega) {

    /** A line that is not tested against another. */
    static Row untested(String source, String df, String ss, String ms) {
      return new Row(source, df, ss, ms, "", -1, -1, "", false, "", "");
    }
  }

  /**
   * A name and its value.
   *
   * @param name in words
   * @param value ready to show
   * @param meaning one plain sentence
   */
  public record Fact(String name, String value, String meaning) {}

  /**
   * The page of findings.
   *
   * @param findings with a fit
   * @return the page
   */
  public static TestPage of(Findings findings) {
    ResponseFindings response = findings.first();
    OneWay fit = response.fit();
    Effect effect = fit.treatment();
    long n = fit.moments().total();
    int left = findings.records().leftOut().size();
    String unit = response.measured().unit();
    int decimals = response.decimals();
    int squares = decimals + 1;
    Row treatment =
        new Row(
            response.groups().treatment().name(),
            Numerals.df(effect.df()),
            Numerals.fixed(effect.ss(), squares),
            Numerals.fixed(effect.ms(), squares),
            Numerals.fixed(effect.f(), 2),
            effect.f().exists() ? onBar(effect.f().value()) : -1,
            effect.criticalF().exists() ? onBar(effect.criticalF().value()) : -1,
            Numerals.p(effect.p()),
            response.overallDiffers(),
            Numerals.share(effect.etaSquared()),
            Numerals.share(effect.omegaSquared()));
    Row error =
        Row.untested(
            "error",
            Numerals.df(fit.errorDf()),
            Numerals.fixed(fit.errorSs(), squares),
            Numerals.fixed(fit.errorMs(), squares));
    Row total =
        Row.untested("total", Numerals.df(n - 1.0), Numerals.fixed(fit.totalSs(), squares), "");
    return new TestPage(
        response.measured().title()
            + " \u00b7 least squares \u00b7 "
            + Numerals.count(n, "row", "rows")
            + (left == 0 ? ", none left out" : ", " + Numerals.whole(left) + " left out"),
        List.of(treatment, error, total),
        response.groups().treatment().label() + ", in words",
        words(response),
        response.overallDiffers() || !effect.f().exists()
            ? ""
            : "The overall test shows nothing, so pairs should not be hunted.",
        FCurve.of(effect, fit.errorDf(), findings.inquiry().alpha()),
        fit(response, unit, decimals));
  }

  /** F on a bar that ends at 10, where a signal is strong in any design; 1 is no signal at all. */
  private static double onBar(double f) {
    double longest = 10;
    return Math.min(1, f / longest);
  }

  private static String words(ResponseFindings response) {
    Effect effect = response.fit().treatment();
    String label = response.groups().treatment().label();
    if (!effect.f().exists()) {
      return "There is no F here: " + effect.f().why() + ".";
    }
    String times = Numerals.fixed(effect.f(), 1);
    String p = Numerals.pStatement(effect.p());
    String share = Numerals.fixed(100 * effect.etaSquared().value(), 0);
    return response.overallDiffers()
        ? "The means of the "
            + response.groups().size()
            + " groups lie further apart than chance would put them: the signal is "
            + times
            + " times the noise, "
            + p
            + ". "
            + Prose.capital(label)
            + " accounts for "
            + share
            + "% of the spread."
        : "The means lie no further apart than chance could put them: the signal is "
            + times
            + " times the noise, "
            + p
            + ". This is no evidence of a difference; nor does it show that the means are equal.";
  }

  private static List<Fact> fit(ResponseFindings response, String unit, int decimals) {
    OneWay fit = response.fit();
    return List.of(
        new Fact(
            "grand mean",
            Numerals.with(Numerals.fixed(fit.grandMean(), decimals), unit),
            "The mean of all values."),
        new Fact(
            "residual SD",
            Numerals.with(Numerals.fixed(fit.residualSd(), decimals), unit),
            "How far single values lie from the mean of their group, typically."),
        new Fact(
            "CV",
            fit.cvPercent().exists() ? Numerals.fixed(fit.cvPercent(), 1) + "%" : Numerals.NONE,
            "The residual SD as a share of the grand mean."),
        new Fact(
            "R\u00b2",
            Numerals.share(fit.rSquared()),
            "The share of the spread that the groups account for."),
        new Fact(
            "SE of a mean",
            Numerals.fixed(fit.seOfMean(), decimals),
            "How exactly a group mean is known, at the harmonic mean of the group sizes."),
        new Fact(
            "least significant difference",
            Numerals.fixed(fit.leastSignificantDifference(), decimals),
            "Two means further apart than this differ by a plain t test of that one pair."),
        new Fact(
            "critical F",
            Numerals.fixed(fit.treatment().criticalF(), 2),
            "The F from which the test is significant."));
  }
}
