package app.knuckle.desktop.plan;

import app.knuckle.desktop.controls.SlotChooser.Option;
import app.knuckle.desktop.sentence.Piece;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.design.Questions;
import app.knuckle.study.plan.MeasuredDraft;
import app.knuckle.study.plan.Plan;
import app.knuckle.study.plan.PlanDraft;
import app.knuckle.study.plan.WantedDraft;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** What the sentence of a plan has no word of yet, and could have. */
final class PlanAdditions {

  /** A correlation worth noting something for. */
  private static final double USUAL_R = 0.6;

  private static final double USUAL_POWER = 0.8;

  private final Plan plan;
  private final List<Piece> pieces = new ArrayList<>();
  private final PlanSlots slots;
  private final PlanChange change;

  private PlanAdditions(Plan plan, PlanChange change) {
    this.plan = plan;
    this.change = change;
    slots = new PlanSlots(pieces, change);
  }

  /**
   * Ways to add to a plan.
   *
   * @param plan as it is
   * @param change changes it
   * @return chips, each adds one thing with words to be written over
   */
  static List<Piece> of(Plan plan, PlanChange change) {
    PlanAdditions all = new PlanAdditions(plan, change);
    all.fill();
    return all.pieces;
  }

  private void fill() {
    plain(
        "add-plan-treatment",
        "+ treatment",
        d -> d.add(free("treatment", plan.treatments().keySet().stream().toList()), LEVELS));
    plain("add-plan-measured", "+ response", this::response);
    if (plan.measured().stream().anyMatch(m -> m.covariate() == null)) {
      slots.choice("add-plan-covariate", "+ noted beforehand", this::covariates);
    }
    slots.choice("add-plan-effect", "+ expected effect", this::effects);
    boolean more =
        plan.layout() == Plan.Layout.COMPLETELY_RANDOMISED
            || plan.layout() == Plan.Layout.COMPLETE_BLOCKS;
    if (more) {
      slots.choice("add-plan-more", "+ more of some", this::more);
    }
    if (plan.wanted() == null) {
      slots.choice("add-plan-wanted", "+ a difference to find", this::wanted);
    }
    if (plan.field().rows() == 0 && plan.layout() == Plan.Layout.COMPLETELY_RANDOMISED) {
      plain("add-plan-field", "+ field", this::field);
    }
    if (!plan.field().serpentine()) {
      plain(
          "add-plan-serpentine",
          "+ numbered there and back",
          d -> d.field = new Plan.Field(d.field.rows(), d.field.columns(), true));
    }
  }

  private static final List<String> LEVELS = List.of("without", "with");

  /** A chip that does one thing. */
  private void plain(String id, String title, PlanSlots.Draft what) {
    pieces.add(new Piece.Act(id, title, () -> change.change(id, what)));
  }

  private static String free(String name, List<String> taken) {
    String free = name;
    for (int i = 2; taken.contains(free); i++) {
      free = name + " " + i;
    }
    return free;
  }

  private void response(PlanDraft draft) {
    MeasuredDraft another = new MeasuredDraft(plan.measured().get(0));
    another.name = free("response", plan.measured().stream().map(Plan.Measured::name).toList());
    another.unit = "";
    another.covariate = null;
    draft.measured.add(another);
  }

  private Map<Option, PlanSlots.Draft> covariates() {
    Map<Option, PlanSlots.Draft> all = new LinkedHashMap<>();
    for (int i = 0; i < plan.measured().size(); i++) {
      int place = i;
      Plan.Measured m = plan.measured().get(i);
      if (m.covariate() == null) {
        all.put(
            PlanSlots.option(m.name() + " before the trial", "it takes off scatter of " + m.name()),
            d ->
                d.measured.get(place).covariate =
                    new Plan.Covariate(m.name() + " before", USUAL_R));
      }
    }
    return all;
  }

  private Map<Option, PlanSlots.Draft> effects() {
    Map<Option, PlanSlots.Draft> all = new LinkedHashMap<>();
    for (Plan.Measured m : plan.measured()) {
      for (Map<String, String> levels : someLevels()) {
        String of = plan.measured().size() > 1 ? " of " + m.name() : "";
        double by = plan.wanted() == null ? m.sd() : plan.wanted().difference();
        all.put(
            PlanSlots.option(Plan.line(levels) + of, "what it adds is typed then"),
            d -> {
              d.effects = new ArrayList<>(d.effects);
              d.effects.add(new Plan.Effect(m.name(), levels, by));
            });
      }
    }
    return all;
  }

  private Map<Option, PlanSlots.Draft> more() {
    Map<Option, PlanSlots.Draft> all = new LinkedHashMap<>();
    for (Map<String, String> levels : someLevels()) {
      String line = Plan.line(levels);
      if (!plan.size().more().containsKey(line)) {
        all.put(
            PlanSlots.option(line, ""),
            d -> {
              d.more = new LinkedHashMap<>(d.more);
              d.more.put(line, 2 * plan.size().replicates());
            });
      }
    }
    return all;
  }

  /** Single levels first, then whole combinations. */
  private List<Map<String, String>> someLevels() {
    List<Map<String, String>> all = new ArrayList<>();
    plan.treatments().forEach((t, levels) -> levels.forEach(level -> all.add(Map.of(t, level))));
    if (plan.treatments().size() > 1) {
      all.addAll(plan.combinations());
    }
    return all;
  }

  private Map<Option, PlanSlots.Draft> wanted() {
    Map<Option, PlanSlots.Draft> all = new LinkedHashMap<>();
    for (List<String> of : PlanSlots.subsets(plan, plan.treatments().size())) {
      all.put(
          PlanSlots.option("between means of " + String.join(" and ", of), ""),
          d ->
              d.wanted =
                  new WantedDraft(
                      new Plan.Wanted(
                          of,
                          plan.measured().get(0).sd(),
                          Procedure.TUKEY,
                          Questions.USUAL_ALPHA,
                          USUAL_POWER)));
    }
    return all;
  }

  private void field(PlanDraft draft) {
    int plots = plan.combinations().size() * plan.size().replicates();
    int columns = (int) Math.ceil(Math.sqrt(plots));
    draft.field =
        new Plan.Field(
            (int) Math.ceil((double) plots / columns), columns, plan.field().serpentine());
  }
}
