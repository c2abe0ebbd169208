package app.knuckle.study.plan;

import app.knuckle.stats.planning.IncompleteBlocks;
import app.knuckle.stats.planning.SeededRandom;
import app.knuckle.stats.planning.WilliamsSquares;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Treatments on plots, laid out by chance within what the layout allows.
 *
 * @param plots in the order of their numbers
 * @param incomplete the design of incomplete blocks; empty for other layouts
 */
public record Arrangement(List<Plot> plots, Optional<IncompleteBlocks> incomplete) {

  /** More plots are no trial that anyone plants. */
  private static final int MOST_PLOTS = 20_000;

  public Arrangement {
    plots = List.copyOf(plots);
  }

  /**
   * A plot.
   *
   * @param number from 1
   * @param row of the field, from 1
   * @param column of the field, from 1
   * @param block empty for none
   * @param unit who, or which whole plot or strip; empty for none
   * @param treatments levels by treatment
   */
  public record Plot(
      int number, int row, int column, String block, String unit, Map<String, String> treatments) {}

  /** A plot before it has a place. */
  private record Sown(String block, String unit, Map<String, String> treatments, int line) {}

  /**
   * Lays out a plan. The same plan with the same seed is laid out alike on every machine.
   *
   * @param plan with its seed
   * @return the arrangement
   * @throws Refused if the plan cannot be laid out
   */
  public static Arrangement of(Plan plan) {
    if (plan.combinations().isEmpty()) {
      throw refused("leftOut", "no combination is made", "Leave fewer of them out");
    }
    if (plots(plan) > MOST_PLOTS) {
      throw refused(
          plan.layout() == Plan.Layout.LATIN_SQUARE ? "squares" : "replicates",
          "that would be more than 20,000 plots",
          "Plan fewer");
    }
    SeededRandom chance = new SeededRandom(plan.seed());
    Optional<IncompleteBlocks> incomplete =
        plan.layout() == Plan.Layout.INCOMPLETE_BLOCKS
            ? Optional.of(incomplete(plan, chance))
            : Optional.empty();
    List<Sown> sown =
        switch (plan.layout()) {
          case COMPLETELY_RANDOMISED -> anywhere(plan, chance);
          case COMPLETE_BLOCKS -> blocks(plan, chance);
          case LATIN_SQUARE -> squares(plan, chance);
          case INCOMPLETE_BLOCKS -> incompleteBlocks(plan, chance, incomplete.orElseThrow());
          case SPLIT_PLOT -> splitPlots(plan, chance);
          case SPLIT_BLOCK -> strips(plan, chance);
          case REPEATED -> repeated(plan, chance);
          case PAIRS -> pairs(plan, chance);
        };
    return new Arrangement(placed(plan, sown), incomplete);
  }

  private static double plots(Plan plan) {
    List<Map<String, String>> all = plan.combinations();
    if (plan.layout() == Plan.Layout.LATIN_SQUARE) {
      return (double) all.size() * all.size() * plan.size().squares();
    }
    return all.stream().mapToDouble(plan::replicates).sum();
  }

  private static Refused refused(String key, String what, String wayOn) {
    return Refused.at(new Place.Key("plan", List.of(key)), what, wayOn);
  }

  private static List<Sown> anywhere(Plan plan, SeededRandom chance) {
    List<Map<String, String>> all = new ArrayList<>();
    for (Map<String, String> combination : plan.combinations()) {
      for (int r = 0; r < plan.replicates(combination); r++) {
        all.add(combination);
      }
    }
    int wide = plan.combinations().size();
    List<Sown> sown = new ArrayList<>();
    for (Map<String, String> combination : chance.shuffled(all)) {
      sown.add(new Sown("", "", combination, sown.size() / wide));
    }
    return sown;
  }

  private static List<Sown> blocks(Plan plan, SeededRandom chance) {
    int blocks = plan.size().replicates();
    List<Sown> sown = new ArrayList<>();
    for (int b = 1; b <= blocks; b++) {
      List<Map<String, String>> own = new ArrayList<>();
      for (Map<String, String> combination : plan.combinations()) {
        int all = plan.replicates(combination);
        if (all % blocks != 0) {
          throw refused(
              "more",
              all + " replicates do not come equally often in " + blocks + " blocks",
              "Name a multiple of " + blocks);
        }
        for (int r = 0; r < all / blocks; r++) {
          own.add(combination);
        }
      }
      for (Map<String, String> combination : chance.shuffled(own)) {
        sown.add(new Sown(String.valueOf(b), "", combination, b - 1));
      }
    }
    return sown;
  }

  private static List<Sown> squares(Plan plan, SeededRandom chance) {
    List<Map<String, String>> all = plan.combinations();
    int size = all.size();
    if (size < 2) {
      throw refused("treatments", "a square has two combinations or more", "Name more levels");
    }
    List<Sown> sown = new ArrayList<>();
    int squares = Math.max(1, plan.size().squares());
    for (int s = 0; s < squares; s++) {
      int[][] square = chance.latinSquare(size);
      for (int r = 0; r < size; r++) {
        for (int c = 0; c < size; c++) {
          String block = squares == 1 ? "" : String.valueOf(s + 1);
          sown.add(new Sown(block, "", all.get(square[r][c]), s * size + r));
        }
      }
    }
    return sown;
  }

  private static IncompleteBlocks incomplete(Plan plan, SeededRandom chance) {
    int treatments = plan.combinations().size();
    int size = plan.size().blockSize();
    if (size < 2 || size >= treatments) {
      throw refused(
          "blockSize",
          "an incomplete block holds 2 plots or more, and fewer than " + treatments,
          "Name a size between these, or lay out complete blocks");
    }
    if (treatments * plan.size().replicates() % size != 0) {
      throw refused(
          "blockSize",
          treatments * plan.size().replicates() + " plots do not fall into blocks of " + size,
          "Name a size that divides them, or other replicates");
    }
    return IncompleteBlocks.search(treatments, size, plan.size().replicates(), chance);
  }

  private static List<Sown> incompleteBlocks(
      Plan plan, SeededRandom chance, IncompleteBlocks design) {
    List<Map<String, String>> names = chance.shuffled(plan.combinations());
    List<Sown> sown = new ArrayList<>();
    List<List<Integer>> blocks =
        design.resolvable() ? design.blocks() : chance.shuffled(design.blocks());
    int b = 0;
    for (List<Integer> block : blocks) {
      b++;
      List<Map<String, String>> own = new ArrayList<>();
      for (int t : block) {
        own.add(names.get(t));
      }
      for (Map<String, String> combination : chance.shuffled(own)) {
        sown.add(new Sown(String.valueOf(b), "", combination, b - 1));
      }
    }
    return sown;
  }

  private static List<Sown> splitPlots(Plan plan, SeededRandom chance) {
    List<String> whole = plan.roles().wholePlots();
    List<String> sub = plan.others(whole);
    if (whole.isEmpty() || sub.isEmpty()) {
      throw refused(
          "wholePlots",
          "some treatments lie on whole plots, and some within",
          "Name one or more, not all");
    }
    List<Sown> sown = new ArrayList<>();
    int line = 0;
    for (int b = 1; b <= plan.size().replicates(); b++) {
      int w = 0;
      for (Map<String, String> outer : chance.shuffled(plan.combinations(whole))) {
        w++;
        for (Map<String, String> inner : chance.shuffled(plan.combinations(sub))) {
          Map<String, String> both = together(plan, outer, inner);
          if (plan.combinations().contains(both)) {
            sown.add(new Sown(String.valueOf(b), b + "." + w, both, line));
          }
        }
        line++;
      }
    }
    return sown;
  }

  private static Map<String, String> together(
      Plan plan, Map<String, String> one, Map<String, String> other) {
    Map<String, String> both = new LinkedHashMap<>();
    for (String treatment : plan.treatments().keySet()) {
      both.put(treatment, one.containsKey(treatment) ? one.get(treatment) : other.get(treatment));
    }
    return both;
  }

  private static List<Sown> strips(Plan plan, SeededRandom chance) {
    List<String> first = plan.roles().strips();
    List<String> second = plan.others(first);
    if (first.isEmpty() || second.isEmpty()) {
      throw refused(
          "strips",
          "some treatments lie in strips, the others across",
          "Name one or more, not all");
    }
    List<Sown> sown = new ArrayList<>();
    int line = 0;
    for (int b = 1; b <= plan.size().replicates(); b++) {
      List<Map<String, String>> across = chance.shuffled(plan.combinations(second));
      for (Map<String, String> strip : chance.shuffled(plan.combinations(first))) {
        for (Map<String, String> other : across) {
          Map<String, String> both = together(plan, strip, other);
          if (plan.combinations().contains(both)) {
            sown.add(new Sown(String.valueOf(b), "", both, line));
          }
        }
        line++;
      }
    }
    return sown;
  }

  private static List<Sown> repeated(Plan plan, SeededRandom chance) {
    List<String> within = plan.roles().occasions();
    if (within.isEmpty()) {
      throw refused("occasions", "nothing varies within a unit", "Name the occasions");
    }
    List<Map<String, String>> units = new ArrayList<>();
    for (Map<String, String> group : plan.combinations(plan.others(within))) {
      for (int r = 0; r < plan.size().replicates(); r++) {
        units.add(group);
      }
    }
    List<Sown> sown = new ArrayList<>();
    int u = 0;
    Iterator<List<Map<String, String>>> orders = orders(plan, chance, units.size()).iterator();
    for (Map<String, String> group : chance.shuffled(units)) {
      u++;
      for (Map<String, String> occasion : orders.next()) {
        Map<String, String> both = together(plan, group, occasion);
        if (plan.combinations().contains(both)) {
          sown.add(new Sown("", String.valueOf(u), both, u - 1));
        }
      }
    }
    return sown;
  }

  /**
   * Occasions of each unit: as given; or counterbalanced, by orders of a Williams square whose
   * treatments and rows are drawn by chance, each row once before one comes again.
   */
  private static List<List<Map<String, String>>> orders(Plan plan, SeededRandom chance, int units) {
    List<Map<String, String>> given = plan.combinations(plan.roles().occasions());
    List<List<Map<String, String>>> orders = new ArrayList<>();
    if (!plan.roles().counterbalanced() || given.size() < 2) {
      return Collections.nCopies(units, given);
    }
    List<Map<String, String>> drawn = chance.shuffled(given);
    int[][] square = WilliamsSquares.orders(given.size());
    while (orders.size() < units) {
      for (int[] row : chance.shuffled(Arrays.asList(square))) {
        orders.add(Arrays.stream(row).mapToObj(drawn::get).toList());
      }
    }
    return orders;
  }

  private static List<Sown> pairs(Plan plan, SeededRandom chance) {
    if (plan.combinations().size() != 2) {
      throw refused("treatments", "a pair has two treatments", "Name two levels of one");
    }
    List<Sown> sown = new ArrayList<>();
    for (int p = 1; p <= plan.size().replicates(); p++) {
      for (Map<String, String> one : chance.shuffled(plan.combinations())) {
        sown.add(new Sown(String.valueOf(p), "", one, p - 1));
      }
    }
    return sown;
  }

  /** Gives plots their places and numbers: a line is a row, unless the field says otherwise. */
  private static List<Plot> placed(Plan plan, List<Sown> sown) {
    int wide = wide(plan, sown);
    List<List<Sown>> rows = new ArrayList<>();
    for (int i = 0; i < sown.size(); i++) {
      boolean first =
          wide > 0 ? i % wide == 0 : i == 0 || sown.get(i).line() != sown.get(i - 1).line();
      if (first) {
        rows.add(new ArrayList<>());
      }
      rows.get(rows.size() - 1).add(sown.get(i));
    }
    List<Plot> plots = new ArrayList<>();
    for (int r = 0; r < rows.size(); r++) {
      List<Sown> row = rows.get(r);
      // Numbers turn back, not the treatments: columns of a square must stay what they are.
      boolean back = plan.field().serpentine() && r % 2 == 1;
      for (int i = 0; i < row.size(); i++) {
        int column = back ? row.size() - 1 - i : i;
        Sown one = row.get(column);
        plots.add(
            new Plot(
                plots.size() + 1, r + 1, column + 1, one.block(), one.unit(), one.treatments()));
      }
    }
    return plots;
  }

  /** Columns of the field; 0 where a row is a line. */
  private static int wide(Plan plan, List<Sown> sown) {
    int wide = plan.field().columns();
    if (wide > 0 && (double) wide * plan.field().rows() < sown.size()) {
      throw refused(
          "field",
          sown.size() + " plots do not fit into " + plan.field().rows() + " x " + wide,
          "Make the field larger");
    }
    boolean lines =
        plan.layout() == Plan.Layout.LATIN_SQUARE || plan.layout() == Plan.Layout.SPLIT_BLOCK;
    int line = (int) sown.stream().filter(s -> s.line() == 0).count();
    if (wide > 0 && lines && wide != line) {
      throw refused(
          "field",
          "rows and columns of this layout are those of the field, " + line + " plots wide",
          "Give the field " + line + " columns, or leave it out");
    }
    return wide;
  }
}
