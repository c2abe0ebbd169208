package app.knuckle.study.reckon;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.anova.PartialTable;
import app.knuckle.stats.anova.PartialTable.Line;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/**
 * What is known of the table of an analysis of variance, and what follows.
 *
 * @param known entries that were given
 * @param table completed from them
 * @param contradictions entries that do not agree with what follows from the others
 */
public record KnownTable(
    Map<Entry, Double> known, PartialTable table, List<Contradiction> contradictions) {

  /**
   * Tables are printed with few digits: what differs by less than this share is rounding, or by
   * less than half a unit of degrees of freedom.
   */
  private static final double ROUNDED = 0.05;

  private static final double HALF = 0.5;

  /** An entry of the table. */
  public enum Entry {
    /** Degrees of freedom of the effect. */
    EFFECT_DF("df of the effect"),
    /** Sum of squares of the effect. */
    EFFECT_SS("sum of squares of the effect"),
    /** Mean square of the effect. */
    EFFECT_MS("mean square of the effect"),
    /** Ratio of the mean squares. */
    F("F"),
    /** Degrees of freedom of the error. */
    ERROR_DF("df of the error"),
    /** Sum of squares of the error. */
    ERROR_SS("sum of squares of the error"),
    /** Mean square of the error. */
    ERROR_MS("mean square of the error"),
    /** Degrees of freedom of both. */
    TOTAL_DF("df in total"),
    /** Sum of squares of both. */
    TOTAL_SS("sum of squares in total");

    private final String title;

    Entry(String title) {
      this.title = title;
    }

    /** The name of the entry: to stand within a sentence. */
    public String title() {
      return title;
    }
  }

  /**
   * An entry that does not agree with the others.
   *
   * @param entry as given
   * @param follows what the others say
   */
  public record Contradiction(Entry entry, double follows) {}

  public KnownTable {
    known = Map.copyOf(known);
    contradictions = List.copyOf(contradictions);
  }

  /**
   * Completes a table.
   *
   * @param known entries, positive
   * @param alpha level of significance
   * @return the table; what does not follow is NaN or absent there
   */
  public static KnownTable of(Map<Entry, Double> known, double alpha) {
    List<Contradiction> contradictions = new ArrayList<>();
    for (Map.Entry<Entry, Double> one : known.entrySet()) {
      Map<Entry, Double> others = new EnumMap<>(Entry.class);
      others.putAll(known);
      others.remove(one.getKey());
      double follows = value(completed(others, alpha), one.getKey());
      if (Double.isFinite(follows) && !agree(one.getKey(), one.getValue(), follows)) {
        contradictions.add(new Contradiction(one.getKey(), follows));
      }
    }
    PartialTable table = completed(known, alpha);
    List<Contradiction> exceeded = exceeded(table);
    exceeded.stream()
        .filter(e -> contradictions.stream().noneMatch(c -> c.entry() == e.entry()))
        .forEach(contradictions::add);
    contradictions.sort((a, b) -> a.entry().compareTo(b.entry()));
    return new KnownTable(known, exceeded.isEmpty() ? table : given(known), contradictions);
  }

  /**
   * Totals that are smaller than a part of them: nothing follows from such a table.
   *
   * @param table completed
   * @return the totals, each with the part that it is at least; empty where they hold their parts
   */
  public static List<Contradiction> exceeded(PartialTable table) {
    List<Contradiction> exceeded = new ArrayList<>();
    double df = larger(table.effect().df(), table.error().df());
    double ss = larger(table.effect().ss(), table.error().ss());
    if (df >= table.total().df()) {
      exceeded.add(new Contradiction(Entry.TOTAL_DF, df));
    }
    if (ss > table.total().ss()) {
      exceeded.add(new Contradiction(Entry.TOTAL_SS, ss));
    }
    return exceeded;
  }

  private static double larger(double one, double other) {
    return Double.isNaN(one) || other > one ? other : one;
  }

  private static PartialTable given(Map<Entry, Double> known) {
    Quantity none = Quantity.absent(Absence.TOO_LITTLE_KNOWN);
    return new PartialTable(
        line(known, Entry.EFFECT_DF, Entry.EFFECT_SS, Entry.EFFECT_MS),
        line(known, Entry.ERROR_DF, Entry.ERROR_SS, Entry.ERROR_MS),
        new Line(get(known, Entry.TOTAL_DF), get(known, Entry.TOTAL_SS), Double.NaN),
        Quantity.finite(get(known, Entry.F), Absence.TOO_LITTLE_KNOWN),
        none,
        none);
  }

  private static Line line(Map<Entry, Double> known, Entry df, Entry ss, Entry ms) {
    return new Line(get(known, df), get(known, ss), get(known, ms));
  }

  private static boolean agree(Entry entry, double given, double follows) {
    boolean count =
        switch (entry) {
          case EFFECT_DF, ERROR_DF, TOTAL_DF -> true;
          case EFFECT_SS, EFFECT_MS, F, ERROR_SS, ERROR_MS, TOTAL_SS -> false;
        };
    double off = Math.abs(given - follows);
    return off <= ROUNDED * Math.max(Math.abs(given), Math.abs(follows)) || count && off < HALF;
  }

  private static PartialTable completed(Map<Entry, Double> known, double alpha) {
    return PartialTable.complete(
        line(known, Entry.EFFECT_DF, Entry.EFFECT_SS, Entry.EFFECT_MS),
        line(known, Entry.ERROR_DF, Entry.ERROR_SS, Entry.ERROR_MS),
        new Line(get(known, Entry.TOTAL_DF), get(known, Entry.TOTAL_SS), Double.NaN),
        get(known, Entry.F),
        alpha);
  }

  private static double get(Map<Entry, Double> known, Entry entry) {
    return known.getOrDefault(entry, Double.NaN);
  }

  /**
   * An entry of the completed table.
   *
   * @param entry any
   * @return NaN if it does not follow
   */
  public double value(Entry entry) {
    return value(table, entry);
  }

  private static double value(PartialTable table, Entry entry) {
    return switch (entry) {
      case EFFECT_DF -> table.effect().df();
      case EFFECT_SS -> table.effect().ss();
      case EFFECT_MS -> table.effect().ms();
      case F -> table.f().exists() ? table.f().value() : Double.NaN;
      case ERROR_DF -> table.error().df();
      case ERROR_SS -> table.error().ss();
      case ERROR_MS -> table.error().ms();
      case TOTAL_DF -> table.total().df();
      case TOTAL_SS -> table.total().ss();
    };
  }

  /** Entries that are neither given nor follow, in the order of the table. */
  public List<Entry> lacking() {
    List<Entry> lacking = new ArrayList<>();
    for (Entry entry : Entry.values()) {
      if (!Double.isFinite(value(entry))) {
        lacking.add(entry);
      }
    }
    return lacking;
  }
}
