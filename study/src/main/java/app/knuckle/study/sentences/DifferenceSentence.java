package app.knuckle.study.sentences;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.compare.Pair;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.words.ExactP;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Phrases;
import app.knuckle.study.words.Prose;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Collectors;

/** Says by how much means differ that differ significantly. */
public final class DifferenceSentence {

  /** More pairs than this are counted, not listed: they are for the table of differences. */
  private static final int MOST_LISTED = 12;

  /** Mean ranks are read to a tenth. */
  private static final int RANK_DECIMALS = 1;

  private DifferenceSentence() {}

  /**
   * The differences of a family, the largest first.
   *
   * @param family of means
   * @param unit of the response; empty for none
   * @param decimals that suit the means
   * @param alpha level of significance, between 0 and 1
   * @param exact down to which bound p is written as it is
   * @return a sentence; empty if no pair differs significantly
   */
  public static String of(
      ComparedMeans family, String unit, int decimals, double alpha, ExactP exact) {
    List<Pair> apart =
        family.pairs().stream()
            .filter(Pair::differs)
            .sorted(Comparator.comparingDouble((Pair p) -> Math.abs(p.difference())).reversed())
            .toList();
    if (apart.isEmpty()) {
      return "";
    }
    List<String> said = new ArrayList<>();
    for (Pair pair : apart.subList(0, Math.min(MOST_LISTED, apart.size()))) {
      said.add(of(pair, family, unit, decimals, alpha, exact));
    }
    if (apart.size() > MOST_LISTED) {
      said.add(Phrases.count("apart.more", apart.size() - MOST_LISTED));
    }
    String within =
        family.within().entrySet().stream()
            .map(e -> say("apart.level", e.getKey(), Prose.named(e.getValue())))
            .collect(Collectors.joining(say("list.between")));
    String all = String.join(say("list.parts"), said);
    return within.isEmpty() ? say("apart.all", all) : say("apart.within", within, all);
  }

  /** Ratios are read to a tenth or two. */
  private static final int RATIO_DECIMALS = 2;

  private static String by(String size, ComparedMeans family, String unit) {
    if (family.ranks()) {
      return say("apart.by.ranks", size);
    }
    return switch (family.scale()) {
      case IDENTITY -> Numerals.with(size, unit);
      case LOGARITHM -> say("apart.by.times", size);
      case LOG_ODDS -> say("apart.by.odds", size);
    };
  }

  private static String of(
      Pair pair, ComparedMeans family, String unit, int decimals, double alpha, ExactP exact) {
    boolean leftAbove = pair.difference() > 0;
    String above = family.names().get(leftAbove ? pair.left() : pair.right());
    String below = family.names().get(leftAbove ? pair.right() : pair.left());
    int shown = family.ranks() ? RANK_DECIMALS : decimals;
    ComparedMeans.Effect effect = family.effect(pair, !leftAbove);
    shown = family.isOfRatios() ? RATIO_DECIMALS : shown;
    List<String> beside = new ArrayList<>();
    if (pair.low().exists() && pair.high().exists()) {
      beside.add(
          say(
              "apart.interval",
              Numerals.confidence(alpha),
              Numerals.fixed(effect.low(), shown),
              Numerals.fixed(effect.high(), shown)));
    }
    if (pair.p().exists()) {
      beside.add(exact.statement(pair.p()));
    }
    String by = by(Numerals.fixed(effect.size(), shown), family, unit);
    return beside.isEmpty()
        ? say("apart.pair", Prose.named(above), Prose.named(below), by)
        : say(
            "apart.pair.beside",
            Prose.named(above),
            Prose.named(below),
            by,
            String.join(say("list.between"), beside));
  }
}
