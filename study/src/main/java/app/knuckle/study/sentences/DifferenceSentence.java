package app.knuckle.study.sentences;

import app.knuckle.stats.compare.Pair;
import app.knuckle.stats.means.LinkScale;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.words.ExactP;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Prose;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Collectors;

/** Says by how much means lie apart that were told apart. */
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
   * @return a sentence; empty if no pair was told apart
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
      said.add(Numerals.count(apart.size() - MOST_LISTED, "pair more", "pairs more"));
    }
    String within =
        family.within().entrySet().stream()
            .map(e -> e.getKey() + " " + Prose.named(e.getValue()))
            .collect(Collectors.joining(", "));
    return (within.isEmpty() ? "Told apart were " : "At " + within + ", told apart were ")
        + String.join("; ", said)
        + ".";
  }

  /** Ratios are read to a tenth or two. */
  private static final int RATIO_DECIMALS = 2;

  private static String of(LinkScale scale) {
    return switch (scale) {
      case IDENTITY -> "";
      case LOGARITHM -> " as many";
      case LOG_ODDS -> " the odds";
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
    String by =
        family.ranks()
            ? Numerals.fixed(effect.size(), shown) + " mean ranks"
            : family.isOfRatios()
                ? Numerals.fixed(effect.size(), shown) + " times" + of(family.scale())
                : Numerals.with(Numerals.fixed(effect.size(), shown), unit);
    String interval =
        pair.low().exists() && pair.high().exists()
            ? Numerals.confidence(alpha)
                + "% interval "
                + Numerals.fixed(effect.low(), shown)
                + " to "
                + Numerals.fixed(effect.high(), shown)
                + ", "
            : "";
    String p = pair.p().exists() ? exact.statement(pair.p()) : "";
    String beside = (interval + p).replaceAll(", $", "");
    return Prose.named(above)
        + " above "
        + Prose.named(below)
        + " by "
        + by
        + (beside.isEmpty() ? "" : " (" + beside + ")");
  }
}
