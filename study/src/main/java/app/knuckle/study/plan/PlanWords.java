package app.knuckle.study.plan;

import app.knuckle.stats.compare.Procedure;
import app.knuckle.stats.power.PlannedDifference;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Phrases;
import app.knuckle.study.words.Prose;
import java.util.List;
import java.util.OptionalInt;

/** What a plan will show, in sentences. */
public final class PlanWords {

  /** A difference that is found four times in five. */
  private static final double MOSTLY = 0.8;

  /** From here on a power is as good as certain. */
  private static final double NEARLY_CERTAIN = 0.995;

  /** Below this a power is as good as none. */
  private static final double HARDLY = 0.005;

  private PlanWords() {}

  /**
   * A layout in words.
   *
   * @param layout how plots lie
   * @return to stand behind "laid out"
   */
  public static String layout(Plan.Layout layout) {
    return switch (layout) {
      case COMPLETELY_RANDOMISED -> "completely at random";
      case COMPLETE_BLOCKS -> "in complete blocks";
      case LATIN_SQUARE -> "in Latin squares";
      case INCOMPLETE_BLOCKS -> "in incomplete blocks";
      case SPLIT_PLOT -> "as split plots";
      case SPLIT_BLOCK -> "as split blocks";
      case REPEATED -> "on units seen again and again";
      case PAIRS -> "in pairs";
    };
  }

  /**
   * So many repeats of a layout.
   *
   * @param layout how plots lie
   * @param repeats how many
   * @return with their noun, such as "5 blocks"
   */
  public static String repeats(Plan.Layout layout, int repeats) {
    return switch (layout) {
      case COMPLETELY_RANDOMISED -> repeats + " of each";
      case COMPLETE_BLOCKS, SPLIT_PLOT, SPLIT_BLOCK -> Numerals.count(repeats, "block", "blocks");
      case LATIN_SQUARE -> Numerals.count(repeats, "square", "squares");
      case INCOMPLETE_BLOCKS -> Numerals.count(repeats, "replicate", "replicates");
      case REPEATED -> Numerals.count(repeats, "unit a group", "units a group");
      case PAIRS -> Numerals.count(repeats, "pair", "pairs");
    };
  }

  /**
   * What repeats of a layout are called.
   *
   * @param layout how plots lie
   * @return for the axis of a curve
   */
  public static String repeatsAxis(Plan.Layout layout) {
    return switch (layout) {
      case COMPLETELY_RANDOMISED -> "plots of each combination";
      case COMPLETE_BLOCKS, SPLIT_PLOT, SPLIT_BLOCK -> "blocks";
      case LATIN_SQUARE -> "squares";
      case INCOMPLETE_BLOCKS -> "replicates";
      case REPEATED -> "units of each group";
      case PAIRS -> "pairs";
    };
  }

  /**
   * A probability in words of a table or sentence.
   *
   * @param power from 0 to 1
   * @return such as ".92"; "> .99" for what is as good as certain
   */
  public static String power(double power) {
    if (power >= NEARLY_CERTAIN) {
      return "> .99";
    }
    return power < HARDLY ? "< .01" : Numerals.fixed(power, 2).substring(1);
  }

  /**
   * A kind of difference.
   *
   * @param differing treatments whose levels differ
   * @return to stand behind "between"
   */
  public static String kind(List<String> differing) {
    return differing.size() == 1
        ? "two levels of " + differing.get(0)
        : "two combinations of " + Numerals.list(differing);
  }

  /**
   * What the difference wanted is found with, and what else follows from the plan.
   *
   * @param plan what is wanted
   * @param measured of what
   * @param shows what follows
   * @return a few sentences
   */
  public static String shows(Plan plan, Plan.Measured measured, Shows shows) {
    if (!shows.why().isEmpty()) {
      return Prose.capital(shows.why()) + ".";
    }
    if (plan.wanted() == null) {
      return "No difference is wanted yet.";
    }
    if (shows.kinds().isEmpty()) {
      return "The means that are wanted cannot be compared in this plan.";
    }
    Shows.Kind hardest = shows.kinds().get(0);
    PlannedDifference test = hardest.test();
    String power = power(test.power(plan.wanted().difference()));
    return "A difference of "
        + Numerals.with(Numerals.plain(plan.wanted().difference()), measured.unit())
        + " between "
        + kind(hardest.differing())
        + " would be found with probability "
        + power
        + " ("
        + procedure(plan.wanted().procedure())
        + ", \u03b1 = "
        + Numerals.plain(plan.wanted().alpha())
        + "). Its interval will reach about \u00b1 "
        + amount(test.expectedHalfWidth(), measured)
        + ". The smallest difference found four times in five is "
        + amount(test.least(MOSTLY), measured)
        + ".";
  }

  private static String procedure(Procedure procedure) {
    return procedure == Procedure.NONE ? "each pair by itself" : Phrases.title(procedure);
  }

  private static String amount(double value, Plan.Measured measured) {
    return Numerals.with(Numerals.fixed(value, Numerals.decimalsFor(value / 2)), measured.unit());
  }

  /**
   * The plan in one line.
   *
   * @param plan what is wanted
   * @param plots how many there are
   * @param measured of what
   * @param shows what follows
   * @return one sentence
   */
  public static String finding(Plan plan, int plots, Plan.Measured measured, Shows shows) {
    String laid =
        Prose.capital(String.join(" by ", plan.treatments().keySet()))
            + ", "
            + Numerals.count(plots, "plot", "plots")
            + " "
            + layout(plan.layout());
    if (shows.kinds().isEmpty()) {
      return laid + ".";
    }
    Shows.Kind hardest = shows.kinds().get(0);
    double power = hardest.test().power(plan.wanted().difference());
    boolean enough = power >= plan.wanted().power();
    return laid
        + (enough ? ": enough for " : ": too few for ")
        + Numerals.with(Numerals.plain(plan.wanted().difference()), measured.unit())
        + " between "
        + kind(hardest.differing())
        + ", found with probability "
        + power(power)
        + needed(plan, shows.needed())
        + ".";
  }

  private static String needed(Plan plan, OptionalInt needed) {
    if (needed.isEmpty()) {
      return "; no number of repeats up to 1,000 gives " + power(plan.wanted().power());
    }
    int n = needed.getAsInt();
    if (n == plan.repeats()) {
      return "";
    }
    return "; "
        + repeats(plan.layout(), n)
        + (n < plan.repeats() ? " would do" : " would be needed");
  }
}
