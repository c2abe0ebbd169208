package app.knuckle.study.sentences;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Significance;
import app.knuckle.stats.anova.OneWay;
import app.knuckle.stats.linear.Effect;
import app.knuckle.study.design.Groups;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.findings.Sentences;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.words.ExactP;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Phrases;
import app.knuckle.study.words.Prose;
import java.util.List;

/** Puts an analysis of variance for one factor into words. */
final class OneWaySentences {

  private final Numbers response;
  private final Groups groups;
  private final OneWay fit;
  private final int decimals;
  private final ExactP exact;

  private OneWaySentences(Numbers response, Groups groups, OneWay fit, ExactP exact) {
    this.exact = exact;
    this.response = response;
    this.groups = groups;
    this.fit = fit;
    decimals = Numerals.decimalsFor(fit.seOfMean().value());
  }

  /**
   * The sentences.
   *
   * @param response what was measured
   * @param groups that have a value of it
   * @param fit the analysis of variance
   * @param families of means that are compared
   * @param ofTwo the finding of the t test of two groups; null for others
   * @param exact down to which bound p is written as it is
   * @return finding, result and ranking
   */
  static Sentences of(
      Numbers response,
      Groups groups,
      OneWay fit,
      List<ComparedMeans> families,
      String ofTwo,
      ExactP exact) {
    OneWaySentences words = new OneWaySentences(response, groups, fit, exact);
    String finding = ofTwo == null ? words.finding() : ofTwo;
    return new Sentences(
        finding,
        words.result(finding),
        families.isEmpty() || !fit.treatment().f().exists()
            ? ""
            : RankingSentence.of(families.get(0), response.unit(), words.decimals));
  }

  private String finding() {
    Effect effect = fit.treatment();
    String what = Prose.capital(response.label());
    String levels = String.valueOf(groups.size());
    String treatment = groups.treatment().label();
    if (!effect.f().exists()) {
      return say("oneway.untestable", what, levels, treatment, Phrases.why(effect.f()));
    }
    return differs()
        ? say("oneway.apart", what, levels, treatment, statistic())
        : say("oneway.alike", response.label(), levels, treatment, statistic());
  }

  private boolean differs() {
    return Significance.reached(fit.treatment().p(), fit.alpha());
  }

  private String statistic() {
    Effect effect = fit.treatment();
    return say(
        "statistic.f",
        Numerals.df(effect.df()),
        Numerals.df(fit.errorDf()),
        Numerals.fixed(effect.f(), 2),
        exact.statement(effect.p()));
  }

  private String result(String finding) {
    if (!fit.treatment().f().exists()) {
      return finding;
    }
    return finding
        + " "
        + say(
            "oneway.share",
            Prose.capital(groups.treatment().label()),
            Numerals.fixed(100 * fit.treatment().etaSquared().value(), 0),
            Numerals.share(fit.treatment().etaSquared()),
            Numerals.share(fit.treatment().omegaSquared()),
            Numerals.with(Numerals.fixed(fit.residualSd(), decimals), response.unit()));
  }
}
