package app.knuckle.study.design;

import app.knuckle.study.prep.Frame;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.words.Prose;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
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
      Pattern.compile("rack|block|rep|replicate|batch|shelf|cove|site|row|column|bench|tray|plot");

  /** Names of what was measured before the treatment. */
  private static final Pattern BEFORE = Pattern.compile("(start|initial|before|pre|base)(_.*)?");

  /** A name that ends in a number, with the part before it. */
  private static final Pattern NUMBERED = Pattern.compile("(.*\\D)\\d+");

  /** Names of units. */
  private static final Pattern UNIT = Pattern.compile("(id|unit|tank|bag|taster|subject|no|nr)");

  /**
   * Guesses from the kinds, values and names of the columns.
   *
   * @param frame the records
   * @return the guess
   */
  public static FirstGuess of(Frame frame) {
    List<Column> columns = frame.columns();
    Optional<Column> treatment =
        first(columns, c -> c instanceof Categories && repeats(c) && !named(BLOCK, c))
            .or(() -> first(columns, c -> isSet(c) && !named(UNIT, c) && !isOccasion(c, columns)))
            .or(() -> first(columns, c -> c instanceof Categories && repeats(c)));
    Optional<Column> measured =
        first(columns, c -> isMeasured(c, treatment, columns) && !named(BEFORE, c))
            .or(() -> first(columns, c -> isMeasured(c, treatment, columns)))
            .or(
                () ->
                    first(columns, c -> c instanceof Numbers && !treatment.equals(Optional.of(c))));
    Inquiry inquiry =
        Inquiry.about(
            measured.map(Column::name).orElse(null), treatment.map(Column::name).orElse(null));
    return new FirstGuess(inquiry.named(name(measured, treatment)), reason(measured, treatment));
  }

  private static Optional<Column> first(List<Column> columns, Predicate<Column> fits) {
    return columns.stream().filter(fits).findFirst();
  }

  private static boolean isMeasured(Column c, Optional<Column> treatment, List<Column> columns) {
    return c instanceof Numbers
        && (!isSet(c) || isOccasion(c, columns))
        && !named(UNIT, c)
        && treatment.filter(t -> t.name().equals(c.name())).isEmpty();
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
    return name(
        inquiry.measured().stream().filter(frame::has).findFirst().map(frame::column),
        inquiry.treatments().stream().filter(frame::has).findFirst().map(frame::column));
  }

  private static String name(Optional<Column> measured, Optional<Column> treatment) {
    if (measured.isEmpty()) {
      return "New inquiry";
    }
    String capital = Prose.capital(measured.get().label());
    return treatment.map(t -> capital + " by " + t.label()).orElse(capital);
  }

  private static String reason(Optional<Column> measured, Optional<Column> treatment) {
    if (measured.isEmpty()) {
      return "No column holds measurements, so the sentence waits for you.";
    }
    String first = measured.get().name() + " is the first column of measurements";
    return treatment
        .map(
            t ->
                first
                    + ", and "
                    + t.name()
                    + (t instanceof Numbers ? " has few values, each repeated" : " names groups")
                    + ".")
        .orElse(first + "; no column names groups.");
  }
}
