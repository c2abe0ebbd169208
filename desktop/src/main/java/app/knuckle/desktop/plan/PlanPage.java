package app.knuckle.desktop.plan;

import app.knuckle.figures.plan.PowerCurve;
import app.knuckle.stats.planning.IncompleteBlocks;
import app.knuckle.study.design.DesignReading;
import app.knuckle.study.plan.Alternatives;
import app.knuckle.study.plan.Plan;
import app.knuckle.study.plan.PlanWords;
import app.knuckle.study.plan.Shows;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What a plan will show of one response, ready to be read.
 *
 * @param words in sentences
 * @param curve of power over repeats; empty where nothing is wanted or can be judged
 * @param skeleton source, df, power
 * @param kinds differences, where there are several kinds: between what, probability, half-width,
 *     least difference
 * @param alternatives what is otherwise, and the probability then
 * @param notes what else is to be known
 * @param finding in one line
 */
record PlanPage(
    String words,
    Optional<PowerCurve> curve,
    List<List<String>> skeleton,
    List<List<String>> kinds,
    List<List<String>> alternatives,
    List<String> notes,
    String finding) {

  private static final double MOSTLY = 0.8;

  /** What rounding leaves of no effect. */
  private static final double NO_EFFECT = 1e-9;

  static PlanPage of(
      Plan plan,
      int plots,
      Plan.Measured measured,
      Shows shows,
      List<Alternatives.Alternative> alternatives) {
    return new PlanPage(
        PlanWords.shows(plan, measured, shows),
        curve(plan, shows),
        skeleton(plan, shows),
        shows.kinds().size() > 1
            ? shows.kinds().stream().map(kind -> kind(plan, kind)).toList()
            : List.of(),
        alternatives.stream().map(a -> List.of(a.words(), PlanWords.power(a.power()))).toList(),
        notes(plan, shows),
        PlanWords.finding(plan, plots, measured, shows));
  }

  private static Optional<PowerCurve> curve(Plan plan, Shows shows) {
    if (shows.curve().isEmpty()) {
      return Optional.empty();
    }
    int least = shows.needed().orElse(0);
    return Optional.of(
        new PowerCurve(
            shows.curve(),
            plan.wanted().power(),
            plan.repeats(),
            least == 0 ? "" : PlanWords.repeats(plan.layout(), least) + " would do",
            least,
            "probability to find it, over " + PlanWords.repeatsAxis(plan.layout())));
  }

  private static List<List<String>> skeleton(Plan plan, Shows shows) {
    List<List<String>> rows = new ArrayList<>();
    for (DesignReading.Source source : shows.design().skeleton()) {
      String power =
          shows.effects().stream()
              .filter(e -> e.term().equals(source.term()))
              // Where no effect is expected there is nothing to be found.
              .map(e -> e.ncp() > NO_EFFECT ? PlanWords.power(e.power()) : Numerals.NONE)
              .findFirst()
              .orElse("");
      String role = source.term().equals(List.of(plan.blockName())) ? " (block)" : "";
      rows.add(
          List.of(
              source.source().replace(" x ", " \u00d7 ") + role,
              String.valueOf(source.df()),
              source.against(),
              power));
    }
    return rows;
  }

  private static List<String> kind(Plan plan, Shows.Kind kind) {
    double half = kind.test().expectedHalfWidth();
    double least = kind.test().least(MOSTLY);
    return List.of(
        PlanWords.kind(kind.differing()),
        PlanWords.power(kind.test().power(plan.wanted().difference())),
        "\u00b1 " + Numerals.fixed(half, Numerals.decimalsFor(half / 2)),
        Numerals.fixed(least, Numerals.decimalsFor(least / 2)));
  }

  private static List<String> notes(Plan plan, Shows shows) {
    List<String> notes = new ArrayList<>();
    if (shows.incomplete().isPresent()) {
      IncompleteBlocks blocks = shows.incomplete().orElseThrow();
      int treatments = plan.combinations().size();
      notes.add(
          "Blocks do not hold everything: the differences are known "
              + Numerals.fixed(blocks.efficiency(treatments), 3)
              + " times as well as complete blocks of the same scatter would know them; at best "
              + Numerals.fixed(blocks.bound(treatments), 3)
              + " could be reached. "
              + (blocks.resolvable()
                  ? "Blocks make up whole replicates."
                  : "Blocks do not make up whole replicates."));
    }
    boolean mixed =
        plan.layout() == Plan.Layout.SPLIT_PLOT || plan.layout() == Plan.Layout.SPLIT_BLOCK;
    if (mixed && shows.kinds().size() > 1) {
      notes.add(
          "Where noise of two kinds meets in a difference its degrees of freedom are"
              + " approximate (Satterthwaite).");
    }
    if (plan.effects().isEmpty() && plan.wanted() != null) {
      notes.add(
          "Power in the skeleton: two levels half the difference above and below the others, and"
              + " no other effect. Expect an effect to see its own.");
    }
    return notes;
  }
}
