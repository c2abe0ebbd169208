package app.knuckle.figures.scatter;

import app.knuckle.stats.compare.Pair;
import app.knuckle.study.findings.ComparedMeans;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/** The differences of a family of means with their intervals. */
public final class PairIntervals {

  /** Pairs drawn against 0; more of them are not read one by one. */
  private static final int MOST = 200;

  private PairIntervals() {}

  /**
   * The differences, the largest first.
   *
   * @param family of means
   * @param unit of the response; empty for none
   * @param word what is shown for a name of the records
   * @return empty without pairs, and for so many that no one reads them one by one
   */
  public static Optional<Intervals> of(
      ComparedMeans family, String unit, UnaryOperator<String> word) {
    if (family.pairs().isEmpty() || family.pairs().size() > MOST) {
      return Optional.empty();
    }
    List<Intervals.Row> rows = new ArrayList<>();
    for (Pair p : family.pairs()) {
      // All pairs from the higher side; differences from a reference keep their sign.
      boolean turned = !family.isAgainstReference() && p.difference() < 0;
      ComparedMeans.Effect effect = family.effect(p, turned);
      String left = word.apply(family.names().get(turned ? p.right() : p.left()));
      String right = word.apply(family.names().get(turned ? p.left() : p.right()));
      rows.add(
          new Intervals.Row(
              left + (family.isOfRatios() ? " \u00f7 " : " \u2212 ") + right,
              effect.low().value(),
              effect.size(),
              effect.high().value(),
              p.differs()));
    }
    rows.sort(Comparator.comparingDouble(r -> -r.difference()));
    String what =
        switch (family.scale()) {
          case IDENTITY -> family.ranks() ? "difference of mean ranks" : "difference";
          case LOGARITHM -> "ratio";
          case LOG_ODDS -> "odds ratio";
        };
    boolean plain = unit.isEmpty() || family.isOfRatios();
    return Optional.of(
        new Intervals(rows, plain ? what : what + " (" + unit + ")", family.isOfRatios() ? 1 : 0));
  }
}
