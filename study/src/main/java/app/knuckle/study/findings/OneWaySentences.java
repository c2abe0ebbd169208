package app.knuckle.study.findings;

import app.knuckle.stats.compare.AllPairs;
import app.knuckle.stats.compare.Comparison;
import app.knuckle.stats.linear.Effect;
import app.knuckle.stats.linear.OneWay;
import app.knuckle.stats.means.Estimates;
import app.knuckle.study.design.Groups;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Prose;
import java.util.List;

/** Puts an analysis of variance for one factor into words. */
final class OneWaySentences {

  private final Numbers response;
  private final Groups groups;
  private final OneWay fit;
  private final Estimates means;
  private final int decimals;

  private OneWaySentences(Numbers response, Groups groups, OneWay fit, Estimates means) {
    this.response = response;
    this.groups = groups;
    this.fit = fit;
    this.means = means;
    decimals = Numerals.decimalsFor(fit.seOfMean().value());
  }

  static Sentences of(
      Numbers response, Groups groups, OneWay fit, Estimates means, List<Comparison> comparisons) {
    OneWaySentences words = new OneWaySentences(response, groups, fit, means);
    return new Sentences(
        words.finding(),
        words.result(),
        comparisons.isEmpty() ? "" : words.ranking(comparisons.get(0)));
  }

  private String finding() {
    Effect effect = fit.treatment();
    String what = Prose.capital(response.label());
    String among = "between the " + groups.size() + " levels of " + groups.treatment().label();
    if (!effect.f().exists()) {
      return what + " cannot be tested " + among + ": " + effect.f().why() + ".";
    }
    return differs()
        ? what + " differs " + among + ", " + statistic() + "."
        : "No evidence that " + response.label() + " differs " + among + ", " + statistic() + ".";
  }

  private boolean differs() {
    return fit.treatment().p().value() <= fit.alpha();
  }

  private String statistic() {
    Effect effect = fit.treatment();
    return "F("
        + Numerals.df(effect.df())
        + ", "
        + Numerals.df(fit.errorDf())
        + ") = "
        + Numerals.fixed(effect.f(), 2)
        + ", "
        + Numerals.pStatement(effect.p());
  }

  private String result() {
    if (!fit.treatment().f().exists()) {
      return finding();
    }
    String share = Numerals.fixed(100 * fit.treatment().etaSquared().value(), 0);
    return finding()
        + " "
        + Prose.capital(groups.treatment().label())
        + " accounts for "
        + share
        + "% of the spread (\u03b7\u00b2 = "
        + Numerals.share(fit.treatment().etaSquared())
        + ", \u03c9\u00b2 = "
        + Numerals.share(fit.treatment().omegaSquared())
        + "); the residual SD is "
        + Numerals.with(Numerals.fixed(fit.residualSd(), decimals), response.unit())
        + ".";
  }

  /** Who leads, who trails, and who cannot be told apart, in the order of the ranking. */
  private String ranking(Comparison comparison) {
    if (!fit.treatment().f().exists()) {
      return "";
    }
    List<Integer> ranking = AllPairs.ranking(means);
    boolean any = comparison.pairs().stream().anyMatch(pair -> pair.differs());
    if (!any) {
      return "No two of the "
          + groups.size()
          + " means can be told apart; they run from "
          + value(ranking.get(ranking.size() - 1))
          + " ("
          + name(ranking.get(ranking.size() - 1))
          + ") to "
          + Numerals.with(value(ranking.get(0)), response.unit())
          + " ("
          + name(ranking.get(0))
          + ").";
    }
    List<Integer> top = company(comparison, ranking.get(0), ranking);
    int last = ranking.get(ranking.size() - 1);
    List<Integer> bottom = company(comparison, last, ranking);
    if (top.stream().anyMatch(bottom::contains)) {
      return lead(top) + " " + overlap(top, bottom, last);
    }
    List<Integer> between =
        ranking.stream().filter(i -> !top.contains(i) && !bottom.contains(i)).toList();
    String middle = between.isEmpty() ? "" : between(comparison, between) + " ";
    return lead(top) + " " + middle + trail(comparison, bottom, between.isEmpty());
  }

  private String between(Comparison comparison, List<Integer> between) {
    String names = Numerals.list(between.stream().map(this::name).toList());
    String values = " (" + withUnit(between) + ")";
    if (between.size() == 1) {
      return names + values + " lies between.";
    }
    return names
        + values
        + (alike(comparison, between)
            ? " lie between and cannot be told apart."
            : " lie between, in this order.");
  }

  private static boolean alike(Comparison comparison, List<Integer> means) {
    return means.stream()
        .allMatch(i -> means.stream().allMatch(j -> i >= j || !comparison.pair(i, j).differs()));
  }

  /** The means that share a letter with one mean, that mean among them, along the ranking. */
  private static List<Integer> company(Comparison comparison, int mean, List<Integer> ranking) {
    return ranking.stream().filter(i -> i == mean || !comparison.pair(i, mean).differs()).toList();
  }

  private String lead(List<Integer> top) {
    if (top.size() == 1) {
      return name(top.get(0)) + " has the highest mean (" + withUnit(top) + "), above every other.";
    }
    int first = top.get(0);
    List<String> others = top.subList(1, top.size()).stream().map(this::name).toList();
    return name(first)
        + " has the highest mean ("
        + withUnit(List.of(first))
        + ") and cannot be told apart from "
        + Numerals.list(others)
        + " ("
        + withUnit(top.subList(1, top.size()))
        + ").";
  }

  private String trail(Comparison comparison, List<Integer> bottom, boolean nextToTop) {
    int last = bottom.get(bottom.size() - 1);
    if (bottom.size() == 1) {
      return name(last) + " has the lowest (" + withUnit(bottom) + "), below every other.";
    }
    List<Integer> others = bottom.subList(0, bottom.size() - 1);
    if (nextToTop && alike(comparison, bottom)) {
      return Numerals.list(bottom.stream().map(this::name).toList())
          + " ("
          + withUnit(bottom)
          + ") lie below and cannot be told apart.";
    }
    return name(last)
        + " has the lowest ("
        + withUnit(List.of(last))
        + ") and cannot be told apart from "
        + Numerals.list(others.stream().map(this::name).toList())
        + " ("
        + withUnit(others)
        + ").";
  }

  private String overlap(List<Integer> top, List<Integer> bottom, int last) {
    List<String> between = top.stream().filter(bottom::contains).map(this::name).toList();
    return name(last)
        + " has the lowest ("
        + withUnit(List.of(last))
        + "); "
        + Numerals.list(between)
        + " cannot be told apart from either end.";
  }

  private String name(int mean) {
    return groups.levels().get(mean);
  }

  private String value(int mean) {
    return Numerals.fixed(means.mean(mean), decimals);
  }

  private String withUnit(List<Integer> which) {
    List<String> values = which.stream().map(this::value).toList();
    return Numerals.with(Numerals.list(values), response.unit());
  }
}
