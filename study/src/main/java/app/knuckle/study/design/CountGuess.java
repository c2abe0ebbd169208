package app.knuckle.study.design;

import app.knuckle.study.prep.Frame;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;

/**
 * Whether what was measured looks like counts, and how it would be asked then.
 *
 * @param words why
 * @param label of the move that asks so
 * @param inquiry the question under that reading
 */
public record CountGuess(String words, String label, Inquiry inquiry) {

  /** Counts of a larger mean are judged well enough as they are. */
  private static final double SMALL_MEAN = 20;

  /** So many zeros measurements do not have. */
  private static final double MANY_ZEROS = 0.15;

  /** Names of how many there were to begin with. */
  private static final Pattern TRIED =
      Pattern.compile("(.*_)?(stocked|tried|total|of|out_of|set|sown|planted|examined|initial|n)");

  /** Names of how long, or how much, was looked at. */
  private static final Pattern EXPOSURE =
      Pattern.compile(
          "(.*_)?(hours?|minutes?|days?|weeks?|area|volume|litres?|exposure|effort)(_.*)?");

  /**
   * Looks at a question.
   *
   * @param frame its records
   * @param inquiry asked by another method
   * @return readings as counts, the likeliest first; none where nothing looks like it
   */
  public static List<CountGuess> of(Frame frame, Inquiry inquiry) {
    List<CountGuess> guesses = new ArrayList<>();
    boolean possible =
        !inquiry.response().isCounted()
            && inquiry.measured().size() == 1
            && frame.has(inquiry.measured().get(0))
            && Approach.COUNTS.whyNot(inquiry).isEmpty();
    if (!possible || !(frame.column(inquiry.measured().get(0)) instanceof Numbers y)) {
      return guesses;
    }
    Shape shape = Shape.of(frame, y);
    if (!shape.whole()) {
      return guesses;
    }
    Optional<Column> tried =
        frame.columns().stream()
            .filter(c -> isFree(c, inquiry) && named(TRIED, c) && holds(frame, (Numbers) c, y))
            .findFirst();
    tried.ifPresent(
        of ->
            guesses.add(
                new CountGuess(
                    y.name()
                        + " never exceeds "
                        + of.name()
                        + ", so it may be how many of those: a share from many says more than one"
                        + " from few.",
                    "Judge " + y.name() + " out of " + of.name(),
                    proportions(inquiry, of.name()))));
    if (shape.most() == 1) {
      guesses.add(
          new CountGuess(
              y.name() + " holds 0 and 1 only, as a yes or no has.",
              "Judge it as proportions",
              proportions(inquiry, null)));
    } else if (shape.mean() < SMALL_MEAN || shape.zeros() > MANY_ZEROS) {
      Optional<Column> exposure =
          frame.columns().stream()
              .filter(c -> isFree(c, inquiry) && named(EXPOSURE, c) && isAbove0(frame, (Numbers) c))
              .findFirst();
      guesses.add(
          new CountGuess(
              y.name() + " looks like counts: whole numbers, small ones among them.",
              exposure
                  .map(e -> "Judge them as counts for each " + e.name())
                  .orElse("Judge them as counts"),
              counts(inquiry, exposure.map(Column::name).orElse(null))));
    }
    return guesses;
  }

  private static Inquiry proportions(Inquiry inquiry, String of) {
    return Redesign.of(
            inquiry,
            d -> {
              d.approach = Approach.PROPORTIONS;
              d.give(Part.OUT_OF, of);
            })
        .named(Inquiry.CHANGED + "as proportions");
  }

  private static Inquiry counts(Inquiry inquiry, String exposure) {
    return Redesign.of(
            inquiry,
            d -> {
              d.approach = Approach.COUNTS;
              d.give(Part.EXPOSURE, exposure);
            })
        .named(Inquiry.CHANGED + "as counts");
  }

  private static boolean isFree(Column column, Inquiry inquiry) {
    return column instanceof Numbers
        && Part.alone().stream().noneMatch(part -> inquiry.in(part).contains(column.name()));
  }

  private static boolean named(Pattern pattern, Column column) {
    return pattern.matcher(column.name().toLowerCase(Locale.ROOT)).matches();
  }

  /** Whether a column holds whole numbers, none below those of another. */
  private static boolean holds(Frame frame, Numbers of, Numbers y) {
    for (int row = 0; row < frame.rows(); row++) {
      double size = of.value(row);
      boolean both = frame.inPlay(row) && !of.isMissing(row) && !y.isMissing(row);
      if (both && (size != Math.rint(size) || size < y.value(row))) {
        return false;
      }
    }
    return true;
  }

  private static boolean isAbove0(Frame frame, Numbers column) {
    for (int row = 0; row < frame.rows(); row++) {
      if (frame.inPlay(row) && !column.isMissing(row) && !(column.value(row) > 0)) {
        return false;
      }
    }
    return true;
  }

  /** What the values are like. */
  private record Shape(boolean whole, double most, double mean, double zeros) {
    static Shape of(Frame frame, Numbers y) {
      boolean whole = true;
      double most = 0;
      double sum = 0;
      int zeros = 0;
      int n = 0;
      for (int row = 0; row < frame.rows(); row++) {
        if (frame.inPlay(row) && !y.isMissing(row)) {
          double value = y.value(row);
          whole &= value >= 0 && value == Math.rint(value);
          most = Math.max(most, value);
          sum += value;
          zeros += value == 0 ? 1 : 0;
          n++;
        }
      }
      return new Shape(whole && n > 0, most, sum / Math.max(1, n), (double) zeros / Math.max(1, n));
    }
  }
}
