package app.knuckle.study.sentences;

import app.knuckle.stats.compare.Pair;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Prose;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.stream.Collectors;

/** Ranks compared means in words. */
public final class RankingSentence {

  private final ComparedMeans family;
  private final String unit;
  private final int decimals;
  private final boolean[][] differ;

  private RankingSentence(ComparedMeans family, String unit, int decimals) {
    this.family = family;
    this.unit = unit;
    this.decimals = decimals;
    int k = family.names().size();
    differ = new boolean[k][k];
    for (Pair pair : family.pairs()) {
      differ[pair.left()][pair.right()] = pair.differs();
      differ[pair.right()][pair.left()] = pair.differs();
    }
  }

  /**
   * Who leads, who trails, and who cannot be told apart, in the order of the ranking.
   *
   * @param family of means
   * @param unit of the response; empty for none
   * @param decimals that suit the means
   * @return empty if there are no pairs
   */
  public static String of(ComparedMeans family, String unit, int decimals) {
    if (family.pairs().isEmpty()) {
      return "";
    }
    RankingSentence sentence =
        new RankingSentence(
            family, family.ranks() ? "" : unit, family.ranks() ? RANK_DECIMALS : decimals);
    String words =
        family.isAgainstReference()
            ? sentence.againstReference()
            : family.pairs().stream().allMatch(Pair::isJudged)
                ? sentence.ranking()
                : sentence.asFarAsJudged();
    return family.ranks()
        ? words
            .replace("the highest mean (", "the highest mean rank (")
            .replace(" means can", " groups can")
        : words;
  }

  /** Mean ranks are read to a tenth. */
  private static final int RANK_DECIMALS = 1;

  private String againstReference() {
    int reference = family.pairs().get(0).right();
    List<String> real =
        family.pairs().stream().filter(Pair::differs).map(p -> name(p.left())).toList();
    List<String> not =
        family.pairs().stream()
            .filter(p -> p.isJudged() && !p.differs())
            .map(p -> name(p.left()))
            .toList();
    String from = " from " + name(reference) + " (" + withUnit(List.of(reference)) + ")";
    List<String> parts = new ArrayList<>();
    if (!real.isEmpty()) {
      parts.add(Numerals.list(real) + (real.size() == 1 ? " differs" : " differ") + from);
    }
    if (!not.isEmpty()) {
      parts.add(
          real.isEmpty()
              ? "No evidence that any of " + Numerals.list(not) + " differs" + from
              : "no evidence that " + Numerals.list(not) + " does");
    }
    family.pairs().stream()
        .filter(p -> !p.isJudged())
        .map(p -> name(p.left()) + " cannot be compared: " + p.p().why())
        .forEach(parts::add);
    return String.join("; ", parts) + ".";
  }

  /** Which pairs differ, which do not, and which could not be judged, and why. */
  private String asFarAsJudged() {
    if (family.pairs().stream().noneMatch(Pair::isJudged)) {
      return "No two of the "
          + family.names().size()
          + " means can be compared: "
          + family.pairs().get(0).p().why()
          + ".";
    }
    List<String> parts = new ArrayList<>();
    for (int high : family.ranking()) {
      List<String> lower =
          family.ranking().stream()
              .filter(low -> differ[high][low] && isAbove(high, low))
              .map(this::name)
              .toList();
      if (!lower.isEmpty()) {
        parts.add(
            name(high) + " (" + withUnit(List.of(high)) + ") lies above " + Numerals.list(lower));
      }
    }
    List<String> alike =
        family.pairs().stream().filter(p -> p.isJudged() && !p.differs()).map(this::both).toList();
    if (!alike.isEmpty()) {
      parts.add("no evidence of a difference between " + String.join(", or ", alike));
    }
    family.pairs().stream()
        .filter(p -> !p.isJudged())
        .collect(
            Collectors.groupingBy(
                p -> p.p().why(),
                LinkedHashMap::new,
                Collectors.mapping(this::both, Collectors.joining(", or "))))
        .forEach((why, pairs) -> parts.add(pairs + " cannot be compared: " + why));
    return Prose.capital(String.join("; ", parts)) + ".";
  }

  private boolean isAbove(int one, int other) {
    return family.ranking().indexOf(one) < family.ranking().indexOf(other);
  }

  private String both(Pair pair) {
    return name(pair.left()) + " and " + name(pair.right());
  }

  private String ranking() {
    List<Integer> ranking = family.ranking();
    List<String> names = family.names();
    boolean any = family.pairs().stream().anyMatch(pair -> pair.differs());
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
    List<Integer> top = company(ranking.get(0), ranking);
    int last = ranking.get(ranking.size() - 1);
    List<Integer> bottom = company(last, ranking);
    if (top.stream().anyMatch(bottom::contains)) {
      return lead(top) + " " + overlap(top, bottom, last);
    }
    List<Integer> between =
        ranking.stream().filter(i -> !top.contains(i) && !bottom.contains(i)).toList();
    String middle = between.isEmpty() ? "" : between(between) + " ";
    return lead(top) + " " + middle + trail(bottom, between.isEmpty());
  }

  private String between(List<Integer> between) {
    String names = Numerals.list(between.stream().map(this::name).toList());
    String values = " (" + withUnit(between) + ")";
    if (between.size() == 1) {
      return names + values + " lies between.";
    }
    return names
        + values
        + (alike(between)
            ? " lie between and cannot be told apart."
            : " lie between, in this order.");
  }

  private boolean alike(List<Integer> means) {
    return means.stream().allMatch(i -> means.stream().allMatch(j -> i >= j || !differ[i][j]));
  }

  /** The means that share a letter with one mean, that mean among them, along the ranking. */
  private List<Integer> company(int mean, List<Integer> ranking) {
    return ranking.stream().filter(i -> i == mean || !differ[i][mean]).toList();
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

  private String trail(List<Integer> bottom, boolean nextToTop) {
    int last = bottom.get(bottom.size() - 1);
    if (bottom.size() == 1) {
      return name(last) + " has the lowest (" + withUnit(bottom) + "), below every other.";
    }
    List<Integer> others = bottom.subList(0, bottom.size() - 1);
    if (nextToTop && alike(bottom)) {
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
    return family.names().get(mean);
  }

  private String value(int mean) {
    return Numerals.fixed(family.means()[mean], decimals);
  }

  private String withUnit(List<Integer> which) {
    List<String> values = which.stream().map(this::value).toList();
    return Numerals.with(Numerals.list(values), unit);
  }
}
