package app.knuckle.study.plan;

import app.knuckle.stats.compare.Procedure;
import app.knuckle.stats.power.PlannedDifference;
import app.knuckle.study.cells.Combinations;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/**
 * A trial that is planned.
 *
 * @param name as the user calls it
 * @param seed of the chance by which treatments are laid out
 * @param treatments their levels, by name, in order
 * @param leftOut combinations that are not made
 * @param layout how plots lie
 * @param size how many there are
 * @param roles which treatments lie on what, and what blocks and units are called
 * @param field where plots lie
 * @param measured what will be measured
 * @param effects what is added to the mean of some levels
 * @param wanted what is to be found; null for nothing
 * @param rehearsals how often the trial is made up and answered
 */
public record Plan(
    String name,
    long seed,
    Map<String, List<String>> treatments,
    List<Map<String, String>> leftOut,
    Layout layout,
    Size size,
    Roles roles,
    Field field,
    List<Measured> measured,
    List<Effect> effects,
    Wanted wanted,
    int rehearsals) {

  public Plan {
    treatments = Collections.unmodifiableMap(new LinkedHashMap<>(treatments));
    leftOut = List.copyOf(leftOut);
    measured = List.copyOf(measured);
    effects = List.copyOf(effects);
  }

  /** How plots lie. */
  public enum Layout {
    /** Anything anywhere. */
    COMPLETELY_RANDOMISED("completely-randomised"),
    /** Every combination once in each block. */
    COMPLETE_BLOCKS("complete-blocks"),
    /** Every combination once in each row and column. */
    LATIN_SQUARE("latin-square"),
    /** Blocks that hold fewer than all combinations. */
    INCOMPLETE_BLOCKS("incomplete-blocks"),
    /** Some treatments on whole plots, the others within. */
    SPLIT_PLOT("split-plot"),
    /** Some treatments in strips across those of the others. */
    SPLIT_BLOCK("split-block"),
    /** Units seen on several occasions. */
    REPEATED("repeated"),
    /** Two treatments side by side. */
    PAIRS("pairs");

    private final String key;

    Layout(String key) {
      this.key = key;
    }

    /** The name in files, such as "complete-blocks". */
    public String key() {
      return key;
    }
  }

  /**
   * How many plots there are.
   *
   * @param replicates of each combination, or blocks, or units of a group, or pairs
   * @param blockSize plots of an incomplete block; 0 for none
   * @param squares of a Latin square
   * @param more replicates of some combinations, by "mesh=fine" or "mesh=fine, density=60"
   */
  public record Size(int replicates, int blockSize, int squares, Map<String, Integer> more) {
    public Size {
      more = Collections.unmodifiableMap(new LinkedHashMap<>(more));
    }
  }

  /**
   * Which treatments lie on what.
   *
   * @param wholePlots on whole plots
   * @param strips in strips
   * @param occasions that vary within a unit
   * @param unit what a unit is called; empty for none
   * @param block what a block is called; empty for none
   * @param counterbalanced whether each unit meets occasions in an order of its own, balanced over
   *     units, rather than all in the order given
   */
  public record Roles(
      List<String> wholePlots,
      List<String> strips,
      List<String> occasions,
      String unit,
      String block,
      boolean counterbalanced) {
    public Roles {
      wholePlots = List.copyOf(wholePlots);
      strips = List.copyOf(strips);
      occasions = List.copyOf(occasions);
    }

    /**
     * Roles with occasions in the order given.
     *
     * @param wholePlots on whole plots
     * @param strips in strips
     * @param occasions that vary within a unit
     * @param unit what a unit is called; empty for none
     * @param block what a block is called; empty for none
     */
    public Roles(
        List<String> wholePlots,
        List<String> strips,
        List<String> occasions,
        String unit,
        String block) {
      this(wholePlots, strips, occasions, unit, block, false);
    }
  }

  /**
   * Where plots lie.
   *
   * @param rows of the field; 0 where a row is a block
   * @param columns of the field; 0 likewise
   * @param serpentine whether numbers turn back at the end of a row
   */
  public record Field(int rows, int columns, boolean serpentine) {}

  /**
   * What will be measured.
   *
   * @param name of the column
   * @param unit empty for none
   * @param mean that is expected
   * @param sd of single plots
   * @param blockSd of blocks
   * @param wholePlotSd of whole plots
   * @param stripSd of strips, by their treatment
   * @param unitSd of units
   * @param covariate measured beforehand; null for none
   */
  public record Measured(
      String name,
      String unit,
      double mean,
      double sd,
      double blockSd,
      double wholePlotSd,
      Map<String, Double> stripSd,
      double unitSd,
      Covariate covariate) {
    public Measured {
      stripSd = Map.copyOf(stripSd);
    }

    /** The column that it is written into: its name, with the unit behind it. */
    public String column() {
      return unit.isEmpty() ? name : name + " (" + unit + ")";
    }
  }

  /**
   * What is measured beforehand.
   *
   * @param name of the column
   * @param r its correlation with the response within groups
   */
  public record Covariate(String name, double r) {}

  /**
   * What is added to the mean of some levels.
   *
   * @param measured the response
   * @param levels by treatment
   * @param by how much
   */
  public record Effect(String measured, Map<String, String> levels, double by) {
    public Effect {
      levels = Collections.unmodifiableMap(new LinkedHashMap<>(levels));
    }
  }

  /**
   * What is to be found.
   *
   * @param of treatments whose means are compared
   * @param difference of two of them
   * @param procedure none, the least significant difference, or Tukey's
   * @param alpha level of significance
   * @param power with which it is to be found
   */
  public record Wanted(
      List<String> of, double difference, Procedure procedure, double alpha, double power) {
    public Wanted {
      of = List.copyOf(of);
    }
  }

  /** What a block is called: "block", or for pairs "pair", unless the plan names it. */
  public String blockName() {
    String usual = layout == Layout.PAIRS ? "pair" : "block";
    return roles.block().isEmpty() ? usual : roles.block();
  }

  /**
   * What lies within blocks and is treated as one is called: "whole plot" on split plots, else the
   * plan's name of a unit, or "unit".
   */
  public String unitName() {
    String usual = roles.unit().isEmpty() ? "unit" : roles.unit();
    return layout == Layout.SPLIT_PLOT ? "whole plot" : usual;
  }

  /** How often the layout is repeated: squares of a Latin square, else replicates. */
  public int repeats() {
    return layout == Layout.LATIN_SQUARE ? size.squares() : size.replicates();
  }

  /**
   * A difference of two of the means that are compared.
   *
   * @param se its standard error
   * @param df degrees of freedom of that
   * @return compared by the procedure wanted
   */
  PlannedDifference difference(double se, double df) {
    int means = combinations(wanted.of()).size();
    return PlannedDifference.of(se, df, means, wanted.procedure(), wanted.alpha());
  }

  /**
   * The same so many times as large, with as much room as it needs.
   *
   * @param times from 1
   * @return the plan
   */
  Plan times(int times) {
    Map<String, Integer> more = new LinkedHashMap<>();
    size.more().forEach((of, count) -> more.put(of, count * times));
    return sized(
        new Size(size.replicates() * times, size.blockSize(), size.squares() * times, more));
  }

  /**
   * The same repeated otherwise, with as much room as it needs.
   *
   * @param repeats replicates, or squares
   * @return the plan
   */
  Plan repeated(int repeats) {
    return sized(new Size(repeats, size.blockSize(), repeats, size.more()));
  }

  /** Whether it can be repeated any number of times. */
  boolean isRepeatable() {
    return size.more().isEmpty() && layout != Layout.INCOMPLETE_BLOCKS;
  }

  private Plan sized(Size other) {
    return new Plan(
        name,
        seed,
        treatments,
        leftOut,
        layout,
        other,
        roles,
        new Field(0, 0, false),
        measured,
        effects,
        wanted,
        rehearsals);
  }

  /**
   * Combinations of the levels of some treatments, the last changing fastest, without those that
   * are left out.
   *
   * @param names of treatments
   * @return levels by treatment
   */
  public List<Map<String, String>> combinations(List<String> names) {
    List<Map<String, String>> all = Combinations.of(names, treatments::get);
    return all.stream()
        .filter(c -> leftOut.stream().noneMatch(out -> c.entrySet().containsAll(out.entrySet())))
        .toList();
  }

  /** The combinations that are made: of all treatments. */
  public List<Map<String, String>> combinations() {
    return combinations(List.copyOf(treatments.keySet()));
  }

  /**
   * Treatments but some.
   *
   * @param without these
   * @return the others, in order
   */
  public List<String> others(List<String> without) {
    return treatments.keySet().stream().filter(t -> !without.contains(t)).toList();
  }

  /** Replicates of a combination: its own where they are named. */
  int replicates(Map<String, String> combination) {
    for (Map.Entry<String, Integer> more : size.more().entrySet()) {
      if (isOf(more.getKey(), combination)) {
        return more.getValue();
      }
    }
    return size.replicates();
  }

  /**
   * Whether a combination has levels that are named in a line.
   *
   * @param line such as "mesh=fine, density=60"
   * @param combination levels by treatment
   * @return true if it has all of them
   */
  public static boolean isOf(String line, Map<String, String> combination) {
    Map<String, String> levels = levels(line);
    return !levels.isEmpty() && combination.entrySet().containsAll(levels.entrySet());
  }

  /**
   * The levels that are named in a line.
   *
   * @param line such as "mesh=fine, density=60"
   * @return by treatment; empty if it is no such line
   */
  public static Map<String, String> levels(String line) {
    Map<String, String> levels = new LinkedHashMap<>();
    for (String part : line.split(",")) {
      String[] pair = part.split("=", 2);
      if (pair.length < 2) {
        return Map.of();
      }
      levels.put(pair[0].strip(), pair[1].strip());
    }
    return levels;
  }

  /**
   * Levels in a line.
   *
   * @param levels by treatment
   * @return such as "mesh=fine, density=60"
   */
  public static String line(Map<String, String> levels) {
    return levels.entrySet().stream()
        .map(e -> e.getKey() + "=" + e.getValue())
        .collect(Collectors.joining(", "));
  }
}
