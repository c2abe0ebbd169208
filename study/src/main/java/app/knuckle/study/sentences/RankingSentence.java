package app.knuckle.study.sentences;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.compare.Pair;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Phrases;
import app.knuckle.study.words.Prose;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

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
   * Who leads, who trails, and who do not differ significantly, in the order of the ranking.
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
    if (family.means().length == 2) {
      return sentence.ofTwo();
    }
    boolean all = IntStream.range(0, family.means().length).allMatch(i -> family.mean(i).exists());
    return all ? sentence.ranking() : sentence.asFarAsJudged();
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
    List<String> parts = new ArrayList<>();
    if (!found.isEmpty()) {
      parts.add(say("ranking.reference.found", of(reference), Numerals.list(found)));
    }
    if (!not.isEmpty() && found.isEmpty()) {
      parts.add(
          say(
              not.size() == 1 ? "ranking.reference.none.one" : "ranking.reference.none.other",
              Numerals.list(not),
              of(reference)));
    } else if (!not.isEmpty()) {
      parts.add(
          say(
              not.size() == 1 ? "ranking.reference.rest.one" : "ranking.reference.rest.other",
              Numerals.list(not)));
    }
    family.pairs().stream()
        .filter(p -> !p.isJudged())
        .map(p -> say("ranking.reference.absent", name(p.left()), Phrases.why(p.p())))
        .forEach(parts::add);
    return sentence(parts);
  }

  private static String sentence(List<String> parts) {
    return Prose.capital(String.join(say("list.parts"), parts)) + ".";
  }

  private String ofTwo() {
    int high = family.ranking().get(0);
    int low = family.ranking().get(1);
    return differ[high][low]
        ? say("ranking.two.apart", noun(), of(high), of(low))
        : say("ranking.two.alike", of(high), of(low));
  }

  private String of(int mean) {
    return family.mean(mean).exists()
        ? say("ranking.value", name(mean), withUnit(List.of(mean)))
        : name(mean);
  }

  private String noun() {
    return say(family.ranks() ? "ranking.rank" : "ranking.mean");
  }

  /** Which pairs differ, which do not, and which could not be judged, and why. */
  private String asFarAsJudged() {
    if (family.pairs().stream().noneMatch(Pair::isJudged)) {
      return say(
          family.ranks() ? "ranking.incomparable.groups" : "ranking.incomparable.means",
          String.valueOf(family.names().size()),
          Phrases.why(family.pairs().get(0).p()));
    }
    List<String> parts = new ArrayList<>();
    for (int high : family.ranking()) {
      List<String> lower =
          family.ranking().stream()
              .filter(low -> differ[high][low] && isAbove(high, low))
              .map(this::name)
              .toList();
      if (!lower.isEmpty()) {
        parts.add(say("ranking.judged.above", noun(), of(high), Numerals.list(lower)));
      }
    }
    List<String> alike =
        family.pairs().stream().filter(p -> p.isJudged() && !p.differs()).map(this::both).toList();
    if (!alike.isEmpty()) {
      parts.add(say("ranking.judged.alike", String.join(say("list.or"), alike)));
    }
    family.pairs().stream()
        .filter(p -> !p.isJudged())
        .collect(
            Collectors.groupingBy(
                p -> Phrases.why(p.p()),
                LinkedHashMap::new,
                Collectors.mapping(this::both, Collectors.joining(say("list.or")))))
        .forEach((why, pairs) -> parts.add(say("ranking.judged.absent", pairs, why)));
    return sentence(parts);
  }

  private boolean isAbove(int one, int other) {
    return family.ranking().indexOf(one) < family.ranking().indexOf(other);
  }

  private String both(Pair pair) {
    return say("ranking.pair", name(pair.left()), name(pair.right()));
  }

  private String ranking() {
    List<Integer> ranking = family.ranking();
    int first = ranking.get(0);
    int last = ranking.get(ranking.size() - 1);
    if (family.pairs().stream().noneMatch(Pair::differs)) {
      return say(
          family.ranks() ? "ranking.alike.groups" : "ranking.alike.means",
          String.valueOf(family.names().size()),
          value(last),
          name(last),
          Numerals.with(value(first), unit),
          name(first));
    }
    List<Integer> top = company(first, ranking);
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
    String key =
        between.size() == 1
            ? "ranking.between.one"
            : alike(between) ? "ranking.between.alike" : "ranking.between.apart";
    return say(key, names(between), withUnit(between));
  }

  private boolean alike(List<Integer> means) {
    return means.stream().allMatch(i -> means.stream().allMatch(j -> i >= j || !differ[i][j]));
  }

  /** The means that share a letter with one mean, that mean among them, along the ranking. */
  private List<Integer> company(int mean, List<Integer> ranking) {
    return ranking.stream().filter(i -> i == mean || !differ[i][mean]).toList();
  }

  private String lead(List<Integer> top) {
    List<Integer> others = top.subList(1, top.size());
    return others.isEmpty()
        ? say("ranking.lead.alone", noun(), of(top.get(0)))
        : say("ranking.lead.with", noun(), of(top.get(0)), names(others), withUnit(others));
  }

  private String trail(List<Integer> bottom, boolean nextToTop) {
    int last = bottom.get(bottom.size() - 1);
    List<Integer> others = bottom.subList(0, bottom.size() - 1);
    if (others.isEmpty()) {
      return say("ranking.trail.alone", of(last));
    }
    return nextToTop && alike(bottom)
        ? say("ranking.trail.alike", names(bottom), withUnit(bottom))
        : say("ranking.trail.with", of(last), names(others), withUnit(others));
  }

  private String overlap(List<Integer> top, List<Integer> bottom, int last) {
    List<Integer> between = top.stream().filter(bottom::contains).toList();
    return say("ranking.overlap", of(last), names(between));
  }

  private String names(List<Integer> means) {
    return Numerals.list(means.stream().map(this::name).toList());
  }

  private String name(int mean) {
    return Prose.named(family.names().get(mean));
  }

  private String value(int mean) {
    return Numerals.fixed(family.mean(mean), decimals);
  }

  private String withUnit(List<Integer> which) {
    List<String> values = which.stream().map(this::value).toList();
    return Numerals.with(Numerals.list(values), unit);
  }
}
