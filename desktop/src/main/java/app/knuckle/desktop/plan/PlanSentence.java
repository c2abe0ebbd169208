package app.knuckle.desktop.plan;

import app.knuckle.desktop.controls.SlotChooser.Option;
import app.knuckle.desktop.sentence.Piece;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.plan.Plan;
import app.knuckle.study.plan.PlanWords;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The sentence of a plan, in the future tense: what will be done, expected and wanted. */
final class PlanSentence {

  private final Plan plan;
  private final PlanSlots slots;
  private final List<Piece> pieces = new ArrayList<>();

  private PlanSentence(Plan plan, PlanChange change) {
    this.plan = plan;
    slots = new PlanSlots(pieces, change);
  }

  /**
   * The sentence.
   *
   * @param plan as it is
   * @param change changes it
   * @return the pieces
   */
  static List<Piece> of(Plan plan, PlanChange change) {
    PlanSentence sentence = new PlanSentence(plan, change);
    sentence.measured();
    sentence.treatments();
    sentence.layout();
    sentence.expected();
    sentence.wanted();
    return sentence.pieces;
  }

  private void measured() {
    slots.words("We will measure ");
    int all = plan.measured().size();
    for (int i = 0; i < all; i++) {
      int place = i;
      Plan.Measured m = plan.measured().get(i);
      slots.words(i == 0 ? "" : i == all - 1 ? " and " : ", ");
      slots.name(
          "plan-measured-" + i, m.name(), "a response", (d, name) -> d.renameMeasured(place, name));
      slots.words(" in ");
      slots.anything(
          "plan-unit-" + i, m.unit(), "unit", (d, unit) -> d.measured.get(place).unit = unit);
      if (all > 1) {
        slots.out(
            "plan-measured-out-" + i,
            "Do not measure " + m.name(),
            d -> {
              d.measured.remove(place);
              d.effects = d.effects.stream().filter(e -> !e.measured().equals(m.name())).toList();
            });
      }
    }
    for (int i = 0; i < all; i++) {
      Plan.Measured m = plan.measured().get(i);
      if (m.covariate() != null) {
        covariate(i, m);
      }
    }
    slots.words(". ");
  }

  private void covariate(int place, Plan.Measured m) {
    slots.words(", having noted ");
    slots.name(
        "plan-covariate-" + place,
        m.covariate().name(),
        "what is noted beforehand",
        (d, name) -> d.measured.get(place).covariate = new Plan.Covariate(name, m.covariate().r()));
    slots.words(" beforehand, which goes along with " + m.name() + " by r = ");
    slots.number(
        "plan-r-" + place,
        m.covariate().r(),
        "correlation",
        (d, r) -> d.measured.get(place).covariate = new Plan.Covariate(m.covariate().name(), r));
    slots.out(
        "plan-covariate-out-" + place,
        "Note nothing beforehand",
        d -> d.measured.get(place).covariate = null);
  }

  private void treatments() {
    List<String> names = List.copyOf(plan.treatments().keySet());
    slots.words(names.size() == 1 ? "The treatment is " : "The treatments are ");
    for (int i = 0; i < names.size(); i++) {
      int place = i;
      String name = names.get(i);
      slots.words(i == 0 ? "" : i == names.size() - 1 ? " and " : ", ");
      slots.name("plan-treatment-" + i, name, "a treatment", (d, to) -> d.rename(place, to));
      slots.words(" at ");
      slots.list(
          "plan-levels-" + i,
          plan.treatments().get(name),
          "levels",
          (d, l) -> d.setLevels(name, l));
      if (names.size() > 1) {
        slots.out("plan-treatment-out-" + i, "Leave " + name + " out", d -> d.remove(name));
      }
    }
    if (names.size() > 1) {
      slots.words(", ");
      if (plan.leftOut().isEmpty()) {
        slots.choice("plan-combinations", "in every combination", this::combinations);
      } else {
        slots.words("but without ");
        for (int i = 0; i < plan.leftOut().size(); i++) {
          int place = i;
          slots.words(i == 0 ? "" : ", ");
          slots.fixed(Plan.line(plan.leftOut().get(i)));
          slots.out(
              "plan-combination-in-" + i,
              "Make this combination after all",
              d -> {
                d.leftOut = new ArrayList<>(d.leftOut);
                d.leftOut.remove(place);
              });
        }
      }
    }
  }

  private Map<Option, PlanSlots.Draft> combinations() {
    Map<Option, PlanSlots.Draft> all = new LinkedHashMap<>();
    for (Map<String, String> combination : plan.combinations()) {
      all.put(
          PlanSlots.option(Plan.line(combination), "leave this combination out"),
          d -> {
            d.leftOut = new ArrayList<>(d.leftOut);
            d.leftOut.add(combination);
          });
    }
    return all;
  }

  private void layout() {
    slots.words(", laid out ");
    slots.choice("plan-layout", PlanWords.layout(plan.layout()), this::layouts);
    switch (plan.layout()) {
      case COMPLETELY_RANDOMISED -> {
        slots.words(", ");
        replicates();
        slots.words(" plots of each");
        more();
      }
      case COMPLETE_BLOCKS -> {
        slots.words(", ");
        replicates();
        blocks(" of them");
        more();
      }
      case LATIN_SQUARE -> {
        slots.words(", ");
        slots.count("plan-squares", plan.size().squares(), "squares", (d, n) -> d.squares = n);
        slots.words(" of them");
      }
      case INCOMPLETE_BLOCKS -> {
        slots.words(" of ");
        slots.count("plan-block-size", plan.size().blockSize(), "plots", (d, n) -> d.blockSize = n);
        slots.words(" plots, ");
        replicates();
        blocks(" replicates of each combination");
      }
      case SPLIT_PLOT -> {
        slots.words(" with ");
        some("plan-whole-plots", plan.roles().wholePlots(), (d, of) -> d.wholePlots = of);
        slots.words(" on whole plots, in ");
        replicates();
        blocks(" blocks");
      }
      case SPLIT_BLOCK -> {
        slots.words(" with ");
        some("plan-strips", plan.roles().strips(), (d, of) -> d.strips = of);
        slots.words(" in strips across the others, in ");
        replicates();
        blocks(" blocks");
      }
      case REPEATED -> {
        slots.words(": each ");
        slots.name("plan-unit", plan.unitName(), "unit", (d, name) -> d.unit = name);
        slots.words(" is seen at every level of ");
        some("plan-occasions", plan.roles().occasions(), (d, of) -> d.occasions = of);
        slots.words(" ");
        slots.choice("plan-order", order(plan.roles().counterbalanced()), this::orders);
        slots.words(", ");
        replicates();
        slots.words(" of them in each group");
      }
      case PAIRS -> {
        slots.words(", ");
        replicates();
        blocks(" of them");
      }
    }
    field();
    slots.words(". ");
  }

  private static String order(boolean counterbalanced) {
    return counterbalanced ? "in an order of its own" : "in the order given";
  }

  private Map<Option, PlanSlots.Draft> orders() {
    Map<Option, PlanSlots.Draft> all = new LinkedHashMap<>();
    all.put(
        PlanSlots.option(order(false), "time is what is asked about, or order does not matter"),
        d -> d.counterbalanced = false);
    all.put(
        PlanSlots.option(order(true), "each follows each other equally often, over the units"),
        d -> d.counterbalanced = true);
    return all;
  }

  private void replicates() {
    slots.count(
        "plan-replicates", plan.size().replicates(), "how many", (d, n) -> d.replicates = n);
  }

  private void blocks(String of) {
    slots.words(of + ", each called a ");
    slots.name("plan-block", plan.blockName(), "block", (d, name) -> d.block = name);
  }

  private void more() {
    int i = 0;
    for (Map.Entry<String, Integer> more : plan.size().more().entrySet()) {
      slots.words(i == 0 ? ", but " : ", ");
      slots.count(
          "plan-more-" + i,
          more.getValue(),
          "how many",
          (d, n) -> {
            d.more = new LinkedHashMap<>(d.more);
            d.more.put(more.getKey(), n);
          });
      slots.words(" of ");
      slots.fixed(more.getKey());
      slots.out(
          "plan-more-out-" + i,
          "As many as of the others",
          d -> {
            d.more = new LinkedHashMap<>(d.more);
            d.more.remove(more.getKey());
          });
      i++;
    }
  }

  private void field() {
    Plan.Field field = plan.field();
    if (field.rows() > 0) {
      slots.words(", in a field of ");
      slots.count(
          "plan-rows",
          field.rows(),
          "rows",
          (d, n) -> d.field = new Plan.Field(n, field.columns(), field.serpentine()));
      slots.words(" rows and ");
      slots.count(
          "plan-columns",
          field.columns(),
          "columns",
          (d, n) -> d.field = new Plan.Field(field.rows(), n, field.serpentine()));
      slots.words(" columns");
      slots.out(
          "plan-field-out",
          "Let the field be as the layout needs",
          d -> d.field = new Plan.Field(0, 0, field.serpentine()));
    }
    if (field.serpentine()) {
      slots.words(", numbered there and back");
      slots.out(
          "plan-serpentine-out",
          "Number each row from the same side",
          d -> d.field = new Plan.Field(field.rows(), field.columns(), false));
    }
  }

  private Map<Option, PlanSlots.Draft> layouts() {
    Map<Option, PlanSlots.Draft> all = new LinkedHashMap<>();
    for (Plan.Layout layout : Plan.Layout.values()) {
      all.put(
          PlanSlots.option(PlanWords.layout(layout), PlanSlots.purpose(layout)),
          d -> d.lay(layout));
    }
    return all;
  }

  /** One or more treatments that play a part, the others left to theirs. */
  private void some(String id, List<String> now, PlanSlots.Listed set) {
    slots.choice(
        id,
        now.isEmpty() ? "which treatment" : Numerals.list(now),
        () -> {
          Map<Option, PlanSlots.Draft> all = new LinkedHashMap<>();
          for (List<String> of : PlanSlots.subsets(plan, plan.treatments().size() - 1)) {
            all.put(PlanSlots.option(Numerals.list(of), ""), d -> set.set(d, of));
          }
          if (plan.layout() == Plan.Layout.REPEATED) {
            List<String> of = List.copyOf(plan.treatments().keySet());
            all.put(
                PlanSlots.option(Numerals.list(of), "every unit sees everything"),
                d -> set.set(d, of));
          }
          return all;
        });
  }

  private void expected() {
    boolean several = plan.measured().size() > 1;
    for (int i = 0; i < plan.measured().size(); i++) {
      Plan.Measured m = plan.measured().get(i);
      slots.words(several ? "Of " + m.name() + " we expect means near " : "We expect means near ");
      scatter(i, m);
      effects(m);
      slots.words(". ");
    }
  }

  private void scatter(int place, Plan.Measured m) {
    slots.number("plan-mean-" + place, m.mean(), "mean", (d, v) -> d.measured.get(place).mean = v);
    slots.words(unit(m.unit()) + ", single values to scatter by ");
    slots.number(
        "plan-sd-" + place, m.sd(), "standard deviation", (d, v) -> d.measured.get(place).sd = v);
    boolean blocks =
        switch (plan.layout()) {
          case COMPLETELY_RANDOMISED, REPEATED -> false;
          case COMPLETE_BLOCKS, LATIN_SQUARE, INCOMPLETE_BLOCKS, SPLIT_PLOT, SPLIT_BLOCK, PAIRS ->
              true;
        };
    if (blocks) {
      boolean square = plan.layout() == Plan.Layout.LATIN_SQUARE;
      slots.words(square ? ", rows and columns by " : ", each " + plan.blockName() + " by ");
      slots.number(
          "plan-block-sd-" + place,
          m.blockSd(),
          "standard deviation of blocks",
          (d, v) -> d.measured.get(place).blockSd = v);
    }
    if (plan.layout() == Plan.Layout.SPLIT_PLOT) {
      slots.words(", whole plots by ");
      slots.number(
          "plan-whole-plot-sd-" + place,
          m.wholePlotSd(),
          "standard deviation of whole plots",
          (d, v) -> d.measured.get(place).wholePlotSd = v);
    }
    if (plan.layout() == Plan.Layout.REPEATED) {
      slots.words(", each " + plan.unitName() + " by ");
      slots.number(
          "plan-unit-sd-" + place,
          m.unitSd(),
          "standard deviation of units",
          (d, v) -> d.measured.get(place).unitSd = v);
    }
    if (plan.layout() == Plan.Layout.SPLIT_BLOCK) {
      for (String treatment : plan.treatments().keySet()) {
        slots.words(", strips of " + treatment + " by ");
        slots.number(
            "plan-strip-sd-" + place + "-" + treatment,
            m.stripSd().getOrDefault(treatment, 0.0),
            "standard deviation of strips",
            (d, v) -> d.measured.get(place).stripSd.put(treatment, v));
      }
    }
  }

  private static String unit(String unit) {
    return unit.isEmpty() ? "" : " " + unit;
  }

  private void effects(Plan.Measured m) {
    for (int i = 0; i < plan.effects().size(); i++) {
      int place = i;
      Plan.Effect effect = plan.effects().get(i);
      if (!effect.measured().equals(m.name())) {
        continue;
      }
      slots.words(", and ");
      slots.fixed(Plan.line(effect.levels()));
      slots.words(" to add ");
      slots.number(
          "plan-effect-" + i,
          effect.by(),
          "what it adds",
          (d, v) -> {
            d.effects = new ArrayList<>(d.effects);
            d.effects.set(place, new Plan.Effect(effect.measured(), effect.levels(), v));
          });
      slots.out(
          "plan-effect-out-" + i,
          "Expect nothing of it",
          d -> {
            d.effects = new ArrayList<>(d.effects);
            d.effects.remove(place);
          });
    }
  }

  private void wanted() {
    Plan.Wanted wanted = plan.wanted();
    if (wanted == null) {
      return;
    }
    slots.words("We want to find a difference of ");
    slots.number(
        "plan-difference", wanted.difference(), "difference", (d, v) -> d.wanted.difference = v);
    slots.words(unit(plan.measured().get(0).unit()) + " between means of ");
    slots.choice("plan-wanted-of", Numerals.list(wanted.of()), this::compared);
    slots.words(", judged by ");
    slots.choice("plan-procedure", PlanSlots.procedure(wanted.procedure()), this::procedures);
    slots.words(" at \u03b1 = ");
    slots.number(
        "plan-alpha", wanted.alpha(), "level of significance", (d, v) -> d.wanted.alpha = v);
    slots.words(", with probability ");
    slots.number("plan-power", wanted.power(), "probability", (d, v) -> d.wanted.power = v);
    slots.out("plan-wanted-out", "Want no difference in particular", d -> d.wanted = null);
    slots.words(".");
  }

  private Map<Option, PlanSlots.Draft> compared() {
    Map<Option, PlanSlots.Draft> all = new LinkedHashMap<>();
    for (List<String> of : PlanSlots.subsets(plan, plan.treatments().size())) {
      all.put(
          PlanSlots.option(Numerals.list(of), of.size() > 1 ? "their combinations" : "its levels"),
          d -> d.wanted.of = of);
    }
    return all;
  }

  private Map<Option, PlanSlots.Draft> procedures() {
    Map<Option, PlanSlots.Draft> all = new LinkedHashMap<>();
    for (Procedure procedure :
        Arrays.asList(Procedure.TUKEY, Procedure.LEAST_SIGNIFICANT_DIFFERENCE, Procedure.NONE)) {
      all.put(
          PlanSlots.option(PlanSlots.procedure(procedure), ""),
          d -> d.wanted.procedure = procedure);
    }
    return all;
  }
}
