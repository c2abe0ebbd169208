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
    if (family.isAgainstReference()) {
      return sentence.againstReference();
    }
    if (!family.pairs().stream().allMatch(Pair::isJudged)) {
      return sentence.asFarAsJudged();
    }
    return family.means().length == 2 ? sentence.ofTwo() : sentence.ranking();
  }

  /** Mean ranks are read to a tenth. */
  private static final int RANK_DECIMALS = 1;

  private String againstReference() {
    int reference = family.pairs().get(0).right();
    List<String> found =
        family.pairs().stream().filter(Pair::differs).map(p -> name(p.left())).toList();
    List<String> not =
        family.pairs().stream()
            .filter(p -> p.isJudged() && !p.differs())
            .map(p -> name(p.left()))
            .toList();
    String from = name(reference) + " (" + withUnit(List.of(reference)) + ")";
    List<String> parts = new ArrayList<>();
    if (!found.isEmpty()) {
      parts.add("Told apart from " + from + ": " + Numerals.list(found));
    }
    if (!not.isEmpty()) {
      parts.add(
          found.isEmpty()
              ? "No evidence that any of " + Numerals.list(not) + " differs from " + from
              : "no evidence that " + Numerals.list(not) + differs(not));
    }
    family.pairs().stream()
        .filter(p -> !p.isJudged())
        .map(p -> "no comparison of " + name(p.left()) + ": " + p.p().why())
        .forEach(parts::add);
    return Prose.capital(String.join("; ", parts)) + ".";
  }

  private static String differs(List<String> names) {
    return names.size() == 1 ? " does" : " do";
  }

  private String ofTwo() {
    int high = family.ranking().get(0);
    int low = family.ranking().get(1);
    return differ[high][low]
        ? "The " + noun() + " of " + of(high) + " is above that of " + of(low) + "."
        : "No evidence of a difference between " + of(high) + " and " + of(low) + ".";
  }

  private String of(int mean) {
    return name(mean) + " (" + withUnit(List.of(mean)) + ")";
  }

  private String noun() {
    return family.ranks() ? "mean rank" : "mean";
  }

  /** Which pairs differ, which do not, and which could not be judged, and why. */
  private String asFarAsJudged() {
    if (family.pairs().stream().noneMatch(Pair::isJudged)) {
      return "No two of the "
          + family.names().size()
          + (family.ranks() ? " groups" : " means")
          + " can be compared: "
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
            "the " + noun() + " of " + of(high) + " is above that of " + Numerals.list(lower));
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
        .forEach((why, pairs) -> parts.add("no comparison of " + pairs + ": " + why));
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
          + (family.ranks() ? " groups" : " means")
          + " can be told apart; they run from "
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
    String names =
        Numerals.list(between.stream().map(this::name).toList()) + " (" + withUnit(between) + ")";
    if (between.size() == 1) {
      return "Between lies " + names + ".";
    }
    return "Between lie "
        + names
        + (alike(between) ? ", which cannot be told apart." : ", in this order.");
  }

  private boolean alike(List<Integer> means) {
    return means.stream().allMatch(i -> means.stream().allMatch(j -> i >= j || !differ[i][j]));
  }

  /** The means that share a letter with one mean, that mean among them, along the ranking. */
  private List<Integer> company(int mean, List<Integer> ranking) {
    return ranking.stream().filter(i -> i == mean || !differ[i][mean]).toList();
  }

  private String lead(List<Integer> top) {
    String first = "The highest " + noun() + " is that of " + of(top.get(0));
    return top.size() == 1
        ? first + ", above every other."
        : first + ", " + notApart(top.subList(1, top.size())) + ".";
  }

  private String notApart(List<Integer> others) {
    return "which cannot be told apart from "
        + Numerals.list(others.stream().map(this::name).toList())
        + " ("
        + withUnit(others)
        + ")";
  }

  private String trail(List<Integer> bottom, boolean nextToTop) {
    int last = bottom.get(bottom.size() - 1);
    if (bottom.size() == 1) {
      return "The lowest is that of " + of(last) + ", below every other.";
    }
    if (nextToTop && alike(bottom)) {
      return "Below lie "
          + Numerals.list(bottom.stream().map(this::name).toList())
          + " ("
          + withUnit(bottom)
          + "), which cannot be told apart.";
    }
    return "The lowest is that of "
        + of(last)
        + ", "
        + notApart(bottom.subList(0, bottom.size() - 1))
        + ".";
  }

  private String overlap(List<Integer> top, List<Integer> bottom, int last) {
    List<String> between = top.stream().filter(bottom::contains).map(this::name).toList();
    return "The lowest is that of "
        + of(last)
        + "; "
        + Numerals.list(between)
        + " cannot be told apart from either end.";
  }

  private String name(int mean) {
    return Prose.named(family.names().get(mean));
  }

  private String value(int mean) {
    return Numerals.fixed(family.means()[mean], decimals);
  }

  private String withUnit(List<Integer> which) {
    List<String> values = which.stream().map(this::value).toList();
    return Numerals.with(Numerals.list(values), unit);
  }
}
