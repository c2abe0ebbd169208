package app.knuckle.study.plan;

import app.knuckle.stats.planning.IncompleteBlocks;
import app.knuckle.stats.power.PlannedDifference;
import app.knuckle.study.design.DesignReading;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;

/**
 * What a trial will show of one response.
 *
 * @param design as the inquiry will read it
 * @param effects of the treatments; none where there is no error to judge against
 * @param kinds of differences between the means that are compared, the least certain first; none
 *     where nothing is wanted or nothing can be judged
 * @param curve power of the first kind over how often the layout is repeated
 * @param needed repeats that give the power wanted; empty where nothing is wanted, or no number up
 *     to 1,000 does
 * @param incomplete the design of incomplete blocks; empty for others
 * @param rehearsed from simulated records; empty where that was not asked
 * @param why nothing can be judged, without the full stop; empty where something can
 */
public record Shows(
    DesignReading design,
    List<Effect> effects,
    List<Kind> kinds,
    List<Point> curve,
    OptionalInt needed,
    Optional<IncompleteBlocks> incomplete,
    Optional<Rehearsed> rehearsed,
    String why) {

  public Shows {
    effects = List.copyOf(effects);
    kinds = List.copyOf(kinds);
    curve = List.copyOf(curve);
  }

  /**
   * The test of an effect.
   *
   * @param term its treatments
   * @param df of the effect
   * @param errorDf of the error that it is judged against
   * @param ncp noncentrality under the effects expected
   * @param power probability that it is found
   */
  public record Effect(List<String> term, double df, double errorDf, double ncp, double power) {}

  /**
   * A kind of difference between two means.
   *
   * @param differing treatments whose levels differ
   * @param test standard error, degrees of freedom and what has to be passed
   */
  public record Kind(List<String> differing, PlannedDifference test) {}

  /**
   * A point of the curve.
   *
   * @param repeats of the layout
   * @param power that the difference wanted is found
   */
  public record Point(int repeats, double power) {}

  /**
   * What simulated records showed.
   *
   * @param runs made
   * @param power share in which the difference wanted was found
   */
  public record Rehearsed(int runs, double power) {
    /** The Monte-Carlo standard error of the power. */
    public double mcse() {
      return Math.sqrt(power * (1 - power) / runs);
    }
  }
}
