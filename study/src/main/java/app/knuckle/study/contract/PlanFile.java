package app.knuckle.study.contract;

import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.Refused;
import app.knuckle.study.design.Questions;
import app.knuckle.study.plan.Plan;
import app.knuckle.study.table.Nearest;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Plans of trials as JSON, as they are asked. */
public final class PlanFile {

  static final String FILE = "plan";

  /** What the program adds; a plan that was written may be read again. */
  static final List<String> ADDED =
      List.of("arrangement", "skeleton", "shows", "alsoShows", "inquiry");

  private static final List<String> KEYS =
      List.of(
          "knuckle",
          "version",
          "name",
          "seed",
          "treatments",
          "leftOut",
          "layout",
          "replicates",
          "blockSize",
          "squares",
          "wholePlots",
          "strips",
          "occasions",
          "order",
          "unit",
          "block",
          "more",
          "field",
          "measured",
          "effects",
          "wanted",
          "rehearsals");

  /** Names that the book uses for itself. */
  private static final Set<String> TAKEN =
      Set.of("plot", "row", "column", "order", "notes", "whole plot");

  private static final double USUAL_POWER = 0.8;
  private static final int MOST_REHEARSALS = 1_000_000;
  private static final int MOST_REPLICATES = 20_000;

  private PlanFile() {}

  /**
   * Reads a plan.
   *
   * @param json as documented
   * @param seed of a plan that names none
   * @return the plan
   * @throws Refused if it cannot be read or makes no sense, naming the key
   */
  public static Plan read(String json, long seed) {
    JsonNode node = JsonText.read(FILE, json);
    Keys keys = new Keys(FILE, List.of());
    List<String> known = new ArrayList<>(KEYS);
    known.addAll(ADDED);
    keys.known(node, known);
    if (!FILE.equals(keys.text(node, "knuckle"))) {
      throw keys.wrong("knuckle", "this is no plan", "Write \"plan\" here");
    }
    if (keys.whole(node, "version", 1, 1) != 1) {
      throw keys.wrong("version", "this version of plans is not known", "Write 1 here");
    }
    Map<String, List<String>> treatments = treatments(node, keys);
    Plan.Layout layout = layout(node, keys);
    Plan plan =
        new Plan(
            keys.text(node, "name", "Plan"),
            seed(node, keys, seed),
            treatments,
            leftOut(node, keys, treatments),
            layout,
            size(node, keys),
            roles(node, keys, treatments),
            field(node, keys),
            measured(node, keys, treatments),
            effects(node, keys, treatments),
            wanted(node, keys, treatments),
            keys.whole(node, "rehearsals", 0, 0));
    if (plan.rehearsals() > MOST_REHEARSALS) {
      throw keys.wrong("rehearsals", "that is more than a million", "Ask for fewer");
    }
    names(plan, keys);
    more(plan, keys);
    return plan;
  }

  private static long seed(JsonNode node, Keys keys, long usual) {
    JsonNode seed = node.get("seed");
    if (seed == null) {
      return usual;
    }
    if (!seed.isIntegralNumber() || !seed.canConvertToLong()) {
      throw keys.wrong("seed", "a whole number is needed here", "");
    }
    return seed.asLong();
  }

  private static Map<String, List<String>> treatments(JsonNode node, Keys keys) {
    Map<String, List<String>> treatments = new LinkedHashMap<>();
    Keys inside = keys.in("treatments");
    for (String name : keys.names(node, "treatments")) {
      List<String> levels = inside.texts(node.get("treatments"), name);
      if (levels.size() < 2 || new HashSet<>(levels).size() < levels.size()) {
        throw inside.wrong(name, "a treatment has two levels or more, each with its own name", "");
      }
      if (levels.stream().anyMatch(String::isBlank) || name.isBlank()) {
        throw inside.wrong(name, "a name is empty", "Name every level");
      }
      treatments.put(name, levels);
    }
    if (treatments.isEmpty()) {
      throw keys.wrong("treatments", "there is no treatment", "Name one with its levels");
    }
    return treatments;
  }

  private static Plan.Layout layout(JsonNode node, Keys keys) {
    String key = keys.text(node, "layout");
    List<String> known = Arrays.stream(Plan.Layout.values()).map(Plan.Layout::key).toList();
    return Arrays.stream(Plan.Layout.values())
        .filter(l -> l.key().equals(key))
        .findFirst()
        .orElseThrow(
            () ->
                keys.wrong(
                    "layout",
                    "this version does not know '" + key + "' here",
                    Nearest.suggestion(key, known)));
  }

  private static List<Map<String, String>> leftOut(
      JsonNode node, Keys keys, Map<String, List<String>> treatments) {
    List<Map<String, String>> all = new ArrayList<>();
    for (JsonNode one : keys.list(node, "leftOut")) {
      all.add(levels(one, keys.in("leftOut"), treatments));
    }
    return all;
  }

  /** Levels by treatment, all of them known. */
  private static Map<String, String> levels(
      JsonNode node, Keys keys, Map<String, List<String>> treatments) {
    keys.known(node, treatments.keySet());
    Map<String, String> levels = new LinkedHashMap<>();
    for (String treatment : (Iterable<String>) node::fieldNames) {
      String level = keys.text(node, treatment);
      if (!treatments.get(treatment).contains(level)) {
        throw keys.wrong(
            treatment,
            "there is no level '" + level + "' of " + treatment,
            Nearest.suggestion(level, treatments.get(treatment)));
      }
      levels.put(treatment, level);
    }
    if (levels.isEmpty()) {
      throw keys.wrong("start", "no level is named here", "Name one");
    }
    return levels;
  }

  private static Plan.Size size(JsonNode node, Keys keys) {
    Map<String, Integer> more = new LinkedHashMap<>();
    for (String of : keys.names(node, "more")) {
      more.put(of, within(keys.in("more"), of, keys.in("more").whole(node.get("more"), of, 1, 1)));
    }
    return new Plan.Size(
        within(keys, "replicates", keys.whole(node, "replicates", 1, 1)),
        keys.whole(node, "blockSize", 2, 0),
        within(keys, "squares", keys.whole(node, "squares", 1, 1)),
        more);
  }

  private static int within(Keys keys, String key, int count) {
    if (count > MOST_REPLICATES) {
      throw keys.wrong(key, "that would be more than 20,000 plots", "Plan fewer");
    }
    return count;
  }

  private static Plan.Roles roles(JsonNode node, Keys keys, Map<String, List<String>> treatments) {
    return new Plan.Roles(
        some(node, keys, "wholePlots", treatments),
        some(node, keys, "strips", treatments),
        some(node, keys, "occasions", treatments),
        keys.text(node, "unit", ""),
        keys.text(node, "block", ""),
        "counterbalanced".equals(order(node, keys)));
  }

  private static String order(JsonNode node, Keys keys) {
    keys.oneOf(node, "order", Set.of("fixed", "counterbalanced"));
    return keys.text(node, "order", "fixed");
  }

  private static List<String> some(
      JsonNode node, Keys keys, String key, Map<String, List<String>> treatments) {
    List<String> names = keys.texts(node, key);
    for (String name : names) {
      if (!treatments.containsKey(name)) {
        throw keys.wrong(
            key, "'" + name + "' is no treatment", Nearest.suggestion(name, treatments.keySet()));
      }
    }
    return names;
  }

  private static Plan.Field field(JsonNode node, Keys keys) {
    if (!node.has("field")) {
      return new Plan.Field(0, 0, false);
    }
    JsonNode field = node.get("field");
    Keys inside = keys.in("field");
    inside.known(field, List.of("rows", "columns", "numbers"));
    inside.oneOf(field, "numbers", Set.of("plain", "serpentine"));
    if (field.has("rows") != field.has("columns")) {
      throw inside.wrong(
          field.has("rows") ? "columns" : "rows", "a field has rows and columns", "Give both");
    }
    return new Plan.Field(
        inside.whole(field, "rows", 1, 0),
        inside.whole(field, "columns", 1, 0),
        "serpentine".equals(inside.text(field, "numbers", "plain")));
  }

  private static List<Plan.Measured> measured(
      JsonNode node, Keys keys, Map<String, List<String>> treatments) {
    List<Plan.Measured> all = new ArrayList<>();
    Keys inside = keys.in("measured");
    for (JsonNode one : keys.list(node, "measured")) {
      inside.known(
          one,
          List.of(
              "name",
              "unit",
              "mean",
              "sd",
              "blockSd",
              "wholePlotSd",
              "stripSd",
              "unitSd",
              "covariate"));
      all.add(
          new Plan.Measured(
              inside.text(one, "name"),
              inside.text(one, "unit", ""),
              inside.sensible("mean", inside.number(one, "mean", 0)),
              spread(one, inside, "sd", true),
              spread(one, inside, "blockSd", false),
              spread(one, inside, "wholePlotSd", false),
              strips(one, inside, treatments),
              spread(one, inside, "unitSd", false),
              covariate(one, inside)));
    }
    if (all.isEmpty()) {
      throw keys.wrong("measured", "nothing will be measured", "Name what will be");
    }
    return all;
  }

  private static double spread(JsonNode node, Keys keys, String key, boolean needed) {
    double sd = keys.sensible(key, needed ? keys.number(node, key) : keys.number(node, key, 0));
    if (sd < 0 || needed && sd == 0) {
      throw keys.wrong(key, "a standard deviation is above 0", "");
    }
    return sd;
  }

  private static Map<String, Double> strips(
      JsonNode node, Keys keys, Map<String, List<String>> treatments) {
    Map<String, Double> strips = keys.numbersByName(node, "stripSd");
    if (!strips.isEmpty()) {
      keys.in("stripSd").known(node.get("stripSd"), treatments.keySet());
    }
    for (Map.Entry<String, Double> strip : strips.entrySet()) {
      if (strip.getValue() < 0) {
        throw keys.in("stripSd").wrong(strip.getKey(), "a standard deviation is above 0", "");
      }
    }
    return strips;
  }

  private static Plan.Covariate covariate(JsonNode node, Keys keys) {
    if (!node.hasNonNull("covariate")) {
      return null;
    }
    Keys inside = keys.in("covariate");
    JsonNode covariate = node.get("covariate");
    inside.known(covariate, List.of("name", "r"));
    double r = inside.number(covariate, "r");
    if (!(Math.abs(r) < 1)) {
      throw inside.wrong("r", "a correlation lies between -1 and 1", "");
    }
    return new Plan.Covariate(inside.text(covariate, "name"), r);
  }

  private static List<Plan.Effect> effects(
      JsonNode node, Keys keys, Map<String, List<String>> treatments) {
    List<String> measured = new ArrayList<>();
    node.path("measured").forEach(m -> measured.add(m.path("name").asText()));
    List<Plan.Effect> effects = new ArrayList<>();
    Keys inside = keys.in("effects");
    for (JsonNode one : keys.list(node, "effects")) {
      inside.known(one, List.of("measured", "levels", "by"));
      String of = inside.text(one, "measured", measured.isEmpty() ? "" : measured.get(0));
      if (!measured.contains(of)) {
        throw inside.wrong(
            "measured", "'" + of + "' is not measured", Nearest.suggestion(of, measured));
      }
      effects.add(
          new Plan.Effect(
              of,
              levels(one.path("levels"), inside.in("levels"), treatments),
              inside.sensible("by", inside.number(one, "by"))));
    }
    return effects;
  }

  private static Plan.Wanted wanted(
      JsonNode node, Keys keys, Map<String, List<String>> treatments) {
    if (!node.hasNonNull("wanted")) {
      return null;
    }
    JsonNode wanted = node.get("wanted");
    Keys inside = keys.in("wanted");
    inside.known(wanted, List.of("of", "difference", "procedure", "alpha", "power"));
    List<String> of = some(wanted, inside, "of", treatments);
    if (of.isEmpty()) {
      throw inside.wrong("of", "no treatment is named here", "Name one or more");
    }
    double difference = inside.sensible("difference", inside.number(wanted, "difference"));
    if (difference == 0) {
      throw inside.wrong("difference", "a difference of 0 is not found", "Name another");
    }
    String procedure = inside.text(wanted, "procedure", Procedure.TUKEY.key());
    Set<Procedure> known =
        Set.of(Procedure.TUKEY, Procedure.LEAST_SIGNIFICANT_DIFFERENCE, Procedure.NONE);
    return new Plan.Wanted(
        of,
        Math.abs(difference),
        Procedure.of(procedure)
            .filter(known::contains)
            .orElseThrow(
                () ->
                    inside.wrong(
                        "procedure",
                        "what '" + procedure + "' will show is not known beforehand",
                        "Use tukey, least-significant-difference or none")),
        share(wanted, inside, "alpha", Questions.USUAL_ALPHA),
        share(wanted, inside, "power", USUAL_POWER));
  }

  private static double share(JsonNode node, Keys keys, String key, double usual) {
    double share = keys.number(node, key, usual);
    if (!(share > 0 && share < 1)) {
      throw keys.wrong(key, "it lies between 0 and 1", "");
    }
    return share;
  }

  /** Refuses replicates of their own where there are no such combinations, or no choice of them. */
  private static void more(Plan plan, Keys keys) {
    for (String of : plan.size().more().keySet()) {
      if (plan.combinations().stream().noneMatch(c -> Plan.isOf(of, c))) {
        throw keys.in("more")
            .wrong(of, "no combination is called so", "Write it as \"mesh=fine, density=60\"");
      }
      if (plan.layout() != Plan.Layout.COMPLETELY_RANDOMISED
          && plan.layout() != Plan.Layout.COMPLETE_BLOCKS) {
        throw keys.wrong("more", "this layout has all combinations equally often", "Leave it out");
      }
    }
  }

  /** Refuses names that would stand twice over the columns of the book. */
  private static void names(Plan plan, Keys keys) {
    Set<String> names = new HashSet<>(TAKEN);
    names.add(plan.blockName());
    names.add(plan.unitName());
    for (String treatment : plan.treatments().keySet()) {
      if (!names.add(treatment)) {
        throw keys.wrong(
            "treatments", "'" + treatment + "' is a column of its own", "Name it otherwise");
      }
    }
    for (Plan.Measured measured : plan.measured()) {
      boolean twice = !names.add(measured.column()) || measured.name().isBlank();
      if (measured.covariate() != null) {
        twice |= !names.add(measured.covariate().name()) || measured.covariate().name().isBlank();
      }
      if (twice) {
        throw keys.wrong("measured", "each column needs a name of its own", "Name it otherwise");
      }
    }
  }

  /**
   * Writes a plan as it can be read again: what is asked, without what follows from it.
   *
   * @param plan any plan
   * @return JSON
   */
  public static ObjectNode asked(Plan plan) {
    ObjectNode node = JsonNodeFactory.instance.objectNode();
    node.put("knuckle", FILE).put("version", 1).put("name", plan.name()).put("seed", plan.seed());
    ObjectNode treatments = node.putObject("treatments");
    plan.treatments().forEach((t, levels) -> levels.forEach(treatments.withArray(t)::add));
    plan.leftOut().forEach(out -> out.forEach(node.withArray("leftOut").addObject()::put));
    node.put("layout", plan.layout().key()).put("replicates", plan.size().replicates());
    if (plan.size().blockSize() > 0) {
      node.put("blockSize", plan.size().blockSize());
    }
    node.put("squares", plan.size().squares());
    plan.roles().wholePlots().forEach(t -> node.withArray("wholePlots").add(t));
    plan.roles().strips().forEach(t -> node.withArray("strips").add(t));
    plan.roles().occasions().forEach(t -> node.withArray("occasions").add(t));
    node.put("order", plan.roles().counterbalanced() ? "counterbalanced" : "fixed");
    node.put("unit", plan.roles().unit()).put("block", plan.roles().block());
    if (!plan.size().more().isEmpty()) {
      plan.size().more().forEach(node.putObject("more")::put);
    }
    ObjectNode field = node.putObject("field");
    if (plan.field().rows() > 0) {
      field.put("rows", plan.field().rows()).put("columns", plan.field().columns());
    }
    field.put("numbers", plan.field().serpentine() ? "serpentine" : "plain");
    for (Plan.Measured m : plan.measured()) {
      ObjectNode one = node.withArray("measured").addObject();
      one.put("name", m.name()).put("unit", m.unit()).put("mean", m.mean()).put("sd", m.sd());
      one.put("blockSd", m.blockSd()).put("wholePlotSd", m.wholePlotSd());
      m.stripSd().forEach(one.putObject("stripSd")::put);
      one.put("unitSd", m.unitSd());
      if (m.covariate() != null) {
        one.putObject("covariate").put("name", m.covariate().name()).put("r", m.covariate().r());
      }
    }
    for (Plan.Effect effect : plan.effects()) {
      ObjectNode one = node.withArray("effects").addObject().put("measured", effect.measured());
      effect.levels().forEach(one.putObject("levels")::put);
      one.put("by", effect.by());
    }
    if (plan.wanted() != null) {
      ObjectNode wanted = node.putObject("wanted");
      plan.wanted().of().forEach(wanted.putArray("of")::add);
      wanted.put("difference", plan.wanted().difference());
      wanted.put("procedure", plan.wanted().procedure().key());
      wanted.put("alpha", plan.wanted().alpha()).put("power", plan.wanted().power());
    }
    return node.put("rehearsals", plan.rehearsals());
  }

  /**
   * The same as text.
   *
   * @param plan any plan
   * @return JSON
   */
  public static String text(Plan plan) {
    return asked(plan).toString();
  }

  /**
   * A plan, if it makes sense: the same that would be read of its file.
   *
   * @param plan as typed
   * @return the same
   * @throws Refused if it makes no sense, naming the key
   */
  public static Plan checked(Plan plan) {
    return read(text(plan), plan.seed());
  }
}
