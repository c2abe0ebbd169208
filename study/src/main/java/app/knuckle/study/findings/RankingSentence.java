package app.knuckle.study.findings;

import app.knuckle.stats.compare.AllPairs;
import app.knuckle.stats.compare.Comparison;
import app.knuckle.stats.means.Estimates;
import app.knuckle.study.words.Numerals;
import java.util.List;

/**
 * Ranks compared means in words.
 *
 * @param names of the means
 * @param means the estimates
 * @param unit of the response; empty for none
 * @param decimals that suit the means
 */
record RankingSentence(List<String> names, Estimates means, String unit, int decimals) {

  /** Who leads, who trails, and who cannot be told apart, in the order of the ranking. */
  String of(Comparison comparison) {
    if (comparison.pairs().isEmpty()) {
      return "";
    }
    List<Integer> ranking = AllPairs.ranking(means);
    boolean any = comparison.pairs().stream().anyMatch(pair -> pair.differs());
    if (!any) {
      return "No two of the "
          + names.size()
          + " means can be told apart; they run from "
          + value(ranking.get(ranking.size() - 1))
          + " ("
          + name(ranking.get(ranking.size() - 1))
          + ") to "
          + Numerals.with(value(ranking.get(0)), unit)
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
    return names.get(mean);
  }

  private String value(int mean) {
    return Numerals.fixed(means.mean(mean), decimals);
  }

  private String withUnit(List<Integer> which) {
    List<String> values = which.stream().map(this::value).toList();
    return Numerals.with(Numerals.list(values), unit);
  }
}
