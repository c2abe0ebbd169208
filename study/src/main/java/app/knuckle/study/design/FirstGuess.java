package app.knuckle.study.design;

import app.knuckle.stats.Progress;
import app.knuckle.study.notice.Notices;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.prep.Stack;
import app.knuckle.study.prep.Step;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Prose;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The question that a freshly read table most likely was made for.
 *
 * @param inquiry the guess; slots that nothing fits are empty
 * @param reason why, a sentence
 */
public record FirstGuess(Inquiry inquiry, String reason) {

  /** More levels than this in a treatment are rare in a designed experiment. */
  private static final int MANY_LEVELS = 24;

  /** A number column with at most this many values, each repeated, was set rather than measured. */
  private static final int FEW_VALUES = 8;

  /** Names of what units are grouped by, rather than treated with. */
  private static final Pattern BLOCK =
      Pattern.compile("cove|rack|block|rep|replicate|batch|shelf|site|row|column|bench|tray|plot");

  /** Names of what was measured before the treatment. */
  private static final Pattern BEFORE = Pattern.compile("(start|initial|before|pre|base)(_.*)?");

  /** A name that ends in a number, with the part before it. */
  private static final Pattern NUMBERED = Pattern.compile("(.*\\D)\\d+");

  /** Names of units. */
  private static final Pattern UNIT =
      Pattern.compile(
          "(id|unit|tank|bag|basket|bucket|cage|pot|oyster|animal|taster|subject|no|nr)(_(id|no|nr))?");

  /** Names of when a unit was looked at. */
  private static final Pattern OCCASION =
      Pattern.compile("(.*_)?(minute|hour|day|week|month|year|time|date|visit|occasion|round)");

  /** A unit of its own comes at least so many times for every level of what was done to it. */
  private static final int FEWEST_UNITS = 2;

  /** Names of treatments that are laid on whole plots, being hard to change within one. */
  private static final Pattern WHOLE_PLOT = Pattern.compile("(.*_)?(zone|field|house|room)");

  /** Treatments beyond this make more questions than a first guess should ask. */
  private static final int MOST_TREATMENTS = 4;

  /** Cells of a laid out design differ at most so many times in their rows. */
  private static final int MOST_UNEQUAL = 2;

  /**
   * Guesses about a table as read; a sheet with a column for each occasion is stacked for that.
   *
   * @param table any
   * @return the guess
   */
  public static FirstGuess of(Table table) {
    FirstGuess plain = of(Frame.of(table));
    if (!plain.inquiry().treatments().isEmpty()) {
      return plain;
    }
    Optional<Step> stack =
        Notices.of(Frame.of(table), Progress.NONE).stream()
            .flatMap(n -> n.fixes().stream())
            .flatMap(f -> f.steps().stream())
            .filter(step -> step instanceof Stack)
            .findFirst();
    if (stack.isEmpty()) {
      return plain;
    }
    List<Step> steps = List.of(stack.get());
    Stack step = (Stack) stack.get();
    FirstGuess stacked = of(Frame.of(table, steps, Progress.NONE), step.values());
    String columns = Numerals.list(step.columns());
    return new FirstGuess(
        stacked.inquiry().after(steps),
        columns + " look like one measurement, so they are stacked. " + stacked.reason());
  }

  /**
   * Guesses from the kinds, values and names of the columns.
   *
   * @param frame the records
   * @return the guess
   */
  public static FirstGuess of(Frame frame) {
    return of(frame, null);
  }

  /**
   * The guess where it is known what was measured.
   *
   * @param values name of the column; null if it is to be guessed
   */
  private static FirstGuess of(Frame frame, String values) {
    List<Column> columns = frame.columns();
    Optional<Column> unit = first(columns, c -> isUnit(frame, c));
    List<Column> free = columns.stream().filter(c -> !unit.equals(Optional.of(c))).toList();
    List<Column> treatments = treatments(frame, free);
    Optional<Column> treatment = treatments.stream().findFirst();
    Optional<Column> measured =
        first(free, c -> c.name().equals(values))
            .or(() -> first(free, c -> isMeasured(c, treatments, free) && !named(BEFORE, c)))
            .or(() -> first(free, c -> isMeasured(c, treatments, free)))
            .or(() -> first(free, c -> c instanceof Numbers && !treatments.contains(c)));
    List<String> names = treatments.stream().map(Column::name).toList();
    List<String> occasions =
        unit.isEmpty()
            ? List.of()
            : treatments.stream()
                .filter(t -> varies(frame, t, unit.get()))
                .map(Column::name)
                .toList();
    Optional<Column> block =
        treatment.isEmpty() || unit.isPresent()
            ? Optional.empty()
            : first(
                columns,
                c ->
                    named(BLOCK, c)
                        && !treatments.contains(c)
                        && isGroups(c, null)
                        && isComplete(frame, treatments, c));
    List<String> wholePlots =
        block.isPresent() && treatments.size() > 1
            ? treatments.stream().filter(t -> named(WHOLE_PLOT, t)).map(Column::name).toList()
            : List.of();
    Inquiry inquiry =
        Redesign.of(
            Inquiry.about(measured.map(Column::name).orElse(null), null),
            d -> {
              d.give(Part.TREATMENT, names);
              d.give(Part.UNIT, names.isEmpty() ? null : unit.map(Column::name).orElse(null));
              d.give(Part.OCCASION, occasions);
              d.give(Part.BLOCK, block.stream().map(Column::name).toList());
              d.give(Part.WHOLE_PLOT, wholePlots.size() < names.size() ? wholePlots : List.of());
            });
    boolean single =
        unit.isEmpty()
            && block.isEmpty()
            && treatments.size() > 1
            && counts(frame, treatments).values().stream().allMatch(n -> n == 1);
    if (single) {
      inquiry = inquiry.but(d -> d.terms = Terms.MAIN);
    }
    String reason = reason(measured, treatment);
    if (single) {
      reason += " Every combination has one row, so whether they add up cannot be asked.";
    }
    for (String part : block.map(Column::name).stream().toList()) {
      reason += " " + part + " holds every group equally often, as blocks do.";
    }
    if (inquiry.unit() != null) {
      reason +=
          occasions.isEmpty()
              ? " Rows of one "
                  + inquiry.unit()
                  + " had the same "
                  + treatment.get().name()
                  + ", so they count as one unit."
              : " " + inquiry.unit() + " comes back at every " + Numerals.list(occasions) + ".";
    }
    Optional<RandomGuess> random =
        RandomGuess.of(frame, inquiry, c -> named(BLOCK, c) || named(UNIT, c));
    if (random.isPresent()) {
      inquiry = random.get().inquiry();
      reason += " " + random.get().reason();
    }
    Optional<Column> before =
        first(
            columns,
            c -> c instanceof Numbers && named(BEFORE, c) && !measured.equals(Optional.of(c)));
    if (before.isPresent() && treatment.isPresent()) {
      reason += " " + before.get().name() + " was measured beforehand: it can be adjusted for.";
    }
    return new FirstGuess(inquiry.named(name(inquiry, frame)), reason);
  }

  /** Whether the rows of a level belong to one unit: it comes back, or got one thing as a whole. */
  private static boolean isUnit(Frame frame, Column c) {
    if (!(c instanceof Categories units) || !everyLevelTwice(units)) {
      return false;
    }
    List<Column> groups =
        frame.columns().stream()
            .filter(t -> isGroups(t, c) && !named(BLOCK, t) && !named(UNIT, t))
            .toList();
    boolean wholly =
        groups.stream()
            .anyMatch(
                t ->
                    !varies(frame, t, c)
                        && distinct(frame, c) >= FEWEST_UNITS * distinct(frame, t));
    boolean comesBack = groups.stream().anyMatch(t -> varies(frame, t, c));
    boolean once =
        groups.stream()
            .filter(t -> wholly || named(OCCASION, t))
            .filter(t -> varies(frame, t, c))
            .anyMatch(t -> counts(frame, List.of(c, t)).values().stream().allMatch(n -> n == 1));
    return named(UNIT, c) && (comesBack || wholly)
        || named(BLOCK, c) && wholly
        || !named(BLOCK, c) && once;
  }

  /** Columns that name groups and cross each other. */
  private static List<Column> treatments(Frame frame, List<Column> columns) {
    List<Column> found = new ArrayList<>();
    for (Column c : columns) {
      boolean names = c instanceof Categories && repeats(c) && !named(BLOCK, c);
      boolean set = isSet(c) && !named(UNIT, c) && !named(BLOCK, c) && !isOccasion(c, columns);
      if ((names || set) && found.size() < MOST_TREATMENTS && crosses(frame, found, c)) {
        found.add(c);
      }
    }
    // A set number that stands alone is a treatment only if nothing names groups.
    if (found.stream().anyMatch(c -> c instanceof Categories)) {
      found.removeIf(c -> !(c instanceof Categories) && !crosses(frame, without(found, c), c));
    }
    if (found.isEmpty()) {
      first(columns, c -> c instanceof Categories && repeats(c)).ifPresent(found::add);
    }
    return found;
  }

  private static List<Column> without(List<Column> columns, Column one) {
    return columns.stream().filter(c -> c != one).toList();
  }

  /** Whether a column comes in every combination with others, about equally often. */
  private static boolean crosses(Frame frame, List<Column> others, Column column) {
    if (others.isEmpty()) {
      return true;
    }
    List<Column> all = new ArrayList<>(others);
    all.add(column);
    Map<List<String>, Integer> counts = counts(frame, all);
    long cells = all.stream().mapToLong(c -> distinct(frame, c)).reduce(1, (a, b) -> a * b);
    int least = counts.values().stream().min(Integer::compare).orElse(0);
    int most = counts.values().stream().max(Integer::compare).orElse(0);
    return counts.size() == cells && most <= MOST_UNEQUAL * least;
  }

  /** Whether every group comes equally often in every level of a column. */
  private static boolean isComplete(Frame frame, List<Column> treatments, Column block) {
    List<Column> all = new ArrayList<>(treatments);
    all.add(block);
    Map<List<String>, Integer> counts = counts(frame, all);
    long cells = all.stream().mapToLong(c -> distinct(frame, c)).reduce(1, (a, b) -> a * b);
    return counts.size() == cells && counts.values().stream().distinct().count() == 1;
  }

  private static Map<List<String>, Integer> counts(Frame frame, List<Column> columns) {
    Map<List<String>, Integer> counts = new HashMap<>();
    for (int row = 0; row < Math.min(frame.rows(), MOST_ROWS); row++) {
      int at = row;
      if (frame.inPlay(row) && columns.stream().noneMatch(c -> c.isMissing(at))) {
        counts.merge(columns.stream().map(c -> c.text(at)).toList(), 1, Integer::sum);
      }
    }
    return counts;
  }

  private static long distinct(Frame frame, Column column) {
    return counts(frame, List.of(column)).size();
  }

  /** Designed experiments have fewer rows than this; of larger tables the first rows are read. */
  private static final int MOST_ROWS = 20_000;

  private static boolean isGroups(Column c, Column but) {
    return c != but && (c instanceof Categories ? repeats(c) : isSet(c));
  }

  private static boolean everyLevelTwice(Categories column) {
    return column.levels().size() > 1 && column.levels().size() * 2 <= column.size();
  }

  /** Whether a column has several values within a level of another. */
  private static boolean varies(Frame frame, Column column, Column within) {
    return counts(frame, List.of(within, column)).size() > distinct(frame, within);
  }

  /**
   * Whether a treatment changes within a unit.
   *
   * @param frame the records
   * @param treatment a column
   * @param unit another
   * @return false if every unit has one level of it
   */
  public static boolean varies(Frame frame, String treatment, String unit) {
    return varies(frame, frame.column(treatment), frame.column(unit));
  }

  private static Optional<Column> first(List<Column> columns, Predicate<Column> fits) {
    return columns.stream().filter(fits).findFirst();
  }

  private static boolean isMeasured(Column c, List<Column> treatments, List<Column> columns) {
    return c instanceof Numbers
        && (!isSet(c) || isOccasion(c, columns))
        && !named(UNIT, c)
        && !treatments.contains(c);
  }

  /** One of several columns that differ in their number only: day_0, day_3, day_7. */
  private static boolean isOccasion(Column c, List<Column> columns) {
    Matcher own = NUMBERED.matcher(c.name());
    return own.matches()
        && columns.stream()
            .filter(other -> other != c)
            .map(other -> NUMBERED.matcher(other.name()))
            .anyMatch(other -> other.matches() && other.group(1).equals(own.group(1)));
  }

  private static boolean named(Pattern pattern, Column c) {
    return pattern.matcher(c.name().toLowerCase(Locale.ROOT)).matches();
  }

  /** Categories with two levels or more, of which most have several rows. */
  private static boolean repeats(Column column) {
    int levels = ((Categories) column).levels().size();
    return levels >= 2 && levels <= MANY_LEVELS && levels * 2 <= column.size();
  }

  /** Numbers of few values, each repeated: 60, 120, 240. */
  private static boolean isSet(Column column) {
    if (!(column instanceof Numbers numbers)) {
      return false;
    }
    Set<Double> distinct = new HashSet<>();
    for (double v : numbers.values()) {
      if (!Double.isNaN(v)) {
        distinct.add(v);
      }
      if (distinct.size() > FEW_VALUES) {
        return false;
      }
    }
    long present = Arrays.stream(numbers.values()).filter(v -> !Double.isNaN(v)).count();
    return distinct.size() >= 2 && distinct.size() * 2L <= present;
  }

  /**
   * The name that an inquiry gets from its question: "Growth by mesh".
   *
   * @param inquiry any
   * @param frame its records
   * @return the name
   */
  public static String name(Inquiry inquiry, Frame frame) {
    Optional<Column> measured =
        inquiry.measured().stream().filter(frame::has).findFirst().map(frame::column);
    if (measured.isEmpty()) {
      return "New inquiry";
    }
    String capital = Prose.capital(measured.get().label());
    List<String> by =
        inquiry.treatments().stream().filter(frame::has).map(t -> frame.column(t).label()).toList();
    String name = by.isEmpty() ? capital : capital + " by " + String.join(" \u00d7 ", by);
    return switch (inquiry.analysis()) {
      case RANKS, PERMUTATION, DEVIANCE, SEPARATE_VARIANCES ->
          name + ", " + inquiry.approach().name();
      case MIXED -> name + ", " + random(inquiry) + " random";
      case LEAST_SQUARES ->
          inquiry.covariates().isEmpty()
              ? name
              : name + ", adjusted for " + String.join(" and ", inquiry.covariates());
    };
  }

  private static String random(Inquiry inquiry) {
    List<List<String>> terms = RandomPart.of(inquiry);
    return terms.isEmpty()
        ? "readings"
        : Numerals.list(terms.stream().map(term -> term.get(term.size() - 1)).distinct().toList());
  }

  private static String reason(Optional<Column> measured, Optional<Column> treatment) {
    if (measured.isEmpty()) {
      return "No column holds measurements, so the sentence waits for you.";
    }
    String first = "The first column of measurements is " + Prose.named(measured.get().name());
    return treatment
        .map(
            t ->
                first
                    + ", and "
                    + Prose.named(t.name())
                    + (t instanceof Numbers ? " has few values, each repeated" : " names groups")
                    + ".")
        .orElse(first + "; no column names groups.");
  }
}
