package app.knuckle.study.plan;

import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;

/**
 * A plan while it is being changed: names that are changed are changed wherever they stand, and
 * what does not fit any more is left out.
 */
public final class PlanDraft {

  /** See the record. */
  public String name;

  /** See the record. */
  public long seed;

  /** See the record. */
  public Map<String, List<String>> treatments;

  /** See the record. */
  public List<Map<String, String>> leftOut;

  /** See the record. */
  public Plan.Layout layout;

  /** See the record of sizes. */
  public int replicates;

  /** See the record of sizes. */
  public int blockSize;

  /** See the record of sizes. */
  public int squares;

  /** See the record of sizes. */
  public Map<String, Integer> more;

  /** See the record of roles. */
  public List<String> wholePlots;

  /** See the record of roles. */
  public List<String> strips;

  /** See the record of roles. */
  public List<String> occasions;

  /** See the record of roles. */
  public String unit;

  /** See the record of roles. */
  public String block;

  /** See the record of roles. */
  public boolean counterbalanced;

  /** See the record. */
  public Plan.Field field;

  /** See the record. */
  public List<MeasuredDraft> measured;

  /** See the record. */
  public List<Plan.Effect> effects;

  /** See the record; null where nothing is wanted. */
  public WantedDraft wanted;

  /** See the record. */
  public int rehearsals;

  private PlanDraft(Plan plan) {
    name = plan.name();
    seed = plan.seed();
    treatments = new LinkedHashMap<>(plan.treatments());
    leftOut = new ArrayList<>(plan.leftOut());
    layout = plan.layout();
    replicates = plan.size().replicates();
    blockSize = plan.size().blockSize();
    squares = plan.size().squares();
    more = new LinkedHashMap<>(plan.size().more());
    wholePlots = plan.roles().wholePlots();
    strips = plan.roles().strips();
    occasions = plan.roles().occasions();
    unit = plan.roles().unit();
    block = plan.roles().block();
    counterbalanced = plan.roles().counterbalanced();
    field = plan.field();
    measured = new ArrayList<>(plan.measured().stream().map(MeasuredDraft::new).toList());
    effects = new ArrayList<>(plan.effects());
    wanted = plan.wanted() == null ? null : new WantedDraft(plan.wanted());
    rehearsals = plan.rehearsals();
  }

  /**
   * Changes a plan.
   *
   * @param plan as it is
   * @param change what is done to it
   * @return the changed plan; whether it can be laid out is not asked here
   */
  public static Plan changed(Plan plan, Consumer<PlanDraft> change) {
    PlanDraft draft = new PlanDraft(plan);
    change.accept(draft);
    return draft.plan();
  }

  /**
   * Calls a response otherwise, wherever it stands.
   *
   * @param place of the response, from 0
   * @param to its name from now on
   */
  public void renameMeasured(int place, String to) {
    String from = measured.get(place).name;
    measured.get(place).name = to;
    effects =
        effects.stream()
            .map(e -> e.measured().equals(from) ? new Plan.Effect(to, e.levels(), e.by()) : e)
            .toList();
  }

  /**
   * Calls a treatment otherwise, wherever it stands.
   *
   * @param place of the treatment, from 0
   * @param to its name from now on
   * @throws Refused if another is called so: the two would become one
   */
  public void rename(int place, String to) {
    String from = List.copyOf(treatments.keySet()).get(place);
    if (!to.equals(from) && treatments.containsKey(to)) {
      throw Refused.at(
          new Place.Key("plan", List.of("treatments")),
          "another treatment is called '" + to + "'",
          "Name it otherwise");
    }
    Map<String, List<String>> renamed = new LinkedHashMap<>();
    treatments.forEach((t, levels) -> renamed.put(t.equals(from) ? to : t, levels));
    treatments = renamed;
    leftOut = leftOut.stream().map(c -> renamedKeys(c, from, to)).toList();
    effects =
        effects.stream()
            .map(e -> new Plan.Effect(e.measured(), renamedKeys(e.levels(), from, to), e.by()))
            .toList();
    wholePlots = renamed(wholePlots, from, to);
    strips = renamed(strips, from, to);
    occasions = renamed(occasions, from, to);
    moreBy(levels -> renamedKeys(levels, from, to));
    for (MeasuredDraft m : measured) {
      if (m.stripSd.containsKey(from)) {
        m.stripSd.put(to, m.stripSd.remove(from));
      }
    }
    if (wanted != null) {
      wanted.of = renamed(wanted.of, from, to);
    }
  }

  /**
   * Gives a treatment other levels. As many as before are the same by their places; else those that
   * are gone are gone everywhere.
   *
   * @param treatment its name
   * @param levels their names, in order
   */
  public void setLevels(String treatment, List<String> levels) {
    List<String> before = treatments.get(treatment);
    Map<String, String> now = new HashMap<>();
    for (String level : before) {
      if (before.size() == levels.size()) {
        now.put(level, levels.get(before.indexOf(level)));
      } else if (levels.contains(level)) {
        now.put(level, level);
      }
    }
    treatments.put(treatment, List.copyOf(levels));
    leftOut = leftOut.stream().map(c -> moved(c, treatment, now)).filter(Objects::nonNull).toList();
    effects =
        effects.stream()
            .filter(e -> moved(e.levels(), treatment, now) != null)
            .map(e -> new Plan.Effect(e.measured(), moved(e.levels(), treatment, now), e.by()))
            .toList();
    moreBy(c -> moved(c, treatment, now));
  }

  /**
   * Adds a treatment.
   *
   * @param treatment its name, a new one
   * @param levels their names
   */
  public void add(String treatment, List<String> levels) {
    treatments.put(treatment, List.copyOf(levels));
  }

  /**
   * Takes a treatment out, wherever it stands.
   *
   * @param treatment its name; not the last one
   */
  public void remove(String treatment) {
    treatments.remove(treatment);
    leftOut = leftOut.stream().filter(c -> !c.containsKey(treatment)).toList();
    effects = effects.stream().filter(e -> !e.levels().containsKey(treatment)).toList();
    wholePlots = without(wholePlots, treatment);
    strips = without(strips, treatment);
    occasions = without(occasions, treatment);
    measured.forEach(m -> m.stripSd.remove(treatment));
    moreBy(c -> c.containsKey(treatment) ? null : c);
    if (wanted != null) {
      List<String> of = without(wanted.of, treatment);
      wanted.of = of.isEmpty() ? List.of(treatments.keySet().iterator().next()) : of;
    }
  }

  /**
   * Lays plots out otherwise, with roles that the layout needs where there are none.
   *
   * @param other the layout
   */
  public void lay(Plan.Layout other) {
    layout = other;
    List<String> all = List.copyOf(treatments.keySet());
    List<String> first = all.subList(0, 1);
    List<String> last = all.subList(all.size() - 1, all.size());
    wholePlots = other == Plan.Layout.SPLIT_PLOT ? usual(wholePlots, first) : List.of();
    strips = other == Plan.Layout.SPLIT_BLOCK ? usual(strips, first) : List.of();
    occasions = other == Plan.Layout.REPEATED ? usual(occasions, last) : List.of();
    squares = Math.max(1, squares);
    counterbalanced = counterbalanced && other == Plan.Layout.REPEATED;
    if (other == Plan.Layout.INCOMPLETE_BLOCKS && blockSize < 2) {
      int many = treatments.values().stream().mapToInt(List::size).reduce(1, (a, b) -> a * b);
      blockSize = Math.max(2, (int) Math.round(Math.sqrt(many)));
    }
    if (other != Plan.Layout.COMPLETELY_RANDOMISED && other != Plan.Layout.COMPLETE_BLOCKS) {
      more = new LinkedHashMap<>();
    }
    field = new Plan.Field(0, 0, field.serpentine());
  }

  private static List<String> usual(List<String> now, List<String> otherwise) {
    return now.isEmpty() ? otherwise : now;
  }

  private static List<String> renamed(List<String> names, String from, String to) {
    return names.stream().map(n -> n.equals(from) ? to : n).toList();
  }

  private static List<String> without(List<String> names, String gone) {
    return names.stream().filter(n -> !n.equals(gone)).toList();
  }

  private static Map<String, String> renamedKeys(
      Map<String, String> levels, String from, String to) {
    Map<String, String> renamed = new LinkedHashMap<>();
    levels.forEach((t, level) -> renamed.put(t.equals(from) ? to : t, level));
    return renamed;
  }

  /** Levels by treatment with those of one treatment moved; null where one is gone. */
  private static Map<String, String> moved(
      Map<String, String> levels, String treatment, Map<String, String> now) {
    String before = levels.get(treatment);
    if (before == null) {
      return levels;
    }
    if (!now.containsKey(before)) {
      return null;
    }
    Map<String, String> moved = new LinkedHashMap<>(levels);
    moved.put(treatment, now.get(before));
    return moved;
  }

  private void moreBy(UnaryOperator<Map<String, String>> change) {
    Map<String, Integer> changed = new LinkedHashMap<>();
    more.forEach(
        (line, count) -> {
          Map<String, String> levels = change.apply(Plan.levels(line));
          if (levels != null) {
            changed.put(Plan.line(levels), count);
          }
        });
    more = changed;
  }

  private Plan plan() {
    return new Plan(
        name,
        seed,
        treatments,
        leftOut,
        layout,
        new Plan.Size(replicates, blockSize, squares, more),
        new Plan.Roles(wholePlots, strips, occasions, unit, block, counterbalanced),
        field,
        measured.stream().map(MeasuredDraft::measured).toList(),
        effects,
        wanted == null ? null : wanted.wanted(),
        rehearsals);
  }
}
