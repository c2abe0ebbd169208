package app.knuckle.study.cells;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.linear.Covariate;
import app.knuckle.stats.linear.Factor;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.design.Groups;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.IntPredicate;

/** The columns that play a part, over the rows that are complete in all of them. */
public final class Parts {

  private final Frame frame;
  private final boolean[] used;
  private final boolean whole;
  private final List<String> categories;
  private final Map<String, Factor> factors = new LinkedHashMap<>();

  /**
   * Looks at rows.
   *
   * @param frame the records
   * @param numbers columns of numbers that a row must have
   * @param categories columns whose levels a row must have
   */
  public Parts(Frame frame, Collection<String> numbers, Collection<String> categories) {
    this.frame = frame;
    this.categories = List.copyOf(categories);
    used = frame.allInPlay();
    List<Column> needed = new ArrayList<>();
    numbers.forEach(name -> needed.add(numbers(name)));
    categories.forEach(name -> needed.add(frame.column(name)));
    for (Column column : needed) {
      for (int row = 0; row < used.length; row++) {
        used[row] &= !column.isMissing(row);
      }
    }
    whole = rows() == used.length;
    categories.forEach(name -> factors.put(name, make(name)));
  }

  private Parts(Parts all, IntPredicate where) {
    frame = all.frame;
    categories = all.categories;
    used = all.used.clone();
    for (int row = 0; row < used.length; row++) {
      used[row] &= where.test(row);
    }
    whole = rows() == used.length;
    categories.forEach(name -> factors.put(name, make(name)));
  }

  /**
   * The same over fewer rows.
   *
   * @param where which rows stay
   * @return factors with the levels that these have
   */
  public Parts where(IntPredicate where) {
    return new Parts(this, where);
  }

  private Numbers numbers(String name) {
    if (frame.column(name) instanceof Numbers numbers) {
      return numbers;
    }
    throw Refused.at(
        new Place.WholeColumn(frame.source(), name),
        say("refused.names-not-numbers"),
        say("way.read-numbers-or-choose"));
  }

  /** A column as a factor; levels without a row left are dropped. */
  private Factor make(String name) {
    Categories column = frame.column(name).categories();
    int[] given = column.codes();
    int[] to = new int[column.levels().size()];
    Arrays.fill(to, -1);
    boolean[] seen = new boolean[to.length];
    int unseen = to.length;
    for (int row = 0; row < used.length && unseen > 0; row++) {
      if (used[row] && !seen[given[row]]) {
        seen[given[row]] = true;
        unseen--;
      }
    }
    List<String> levels = new ArrayList<>();
    for (int level = 0; level < to.length; level++) {
      if (seen[level]) {
        to[level] = levels.size();
        levels.add(column.levels().get(level));
      }
    }
    if (levels.size() > Groups.MOST) {
      throw Refused.at(
          new Place.WholeColumn(frame.source(), name),
          say("refused.too-many-levels", String.valueOf(levels.size())),
          say("way.looks-like-label-or"));
    }
    levels.stream()
        .filter(level -> level.length() > MOST_LETTERS)
        .findFirst()
        .ifPresent(
            level -> {
              throw Refused.at(
                  new Place.WholeColumn(frame.source(), name),
                  say("refused.level-too-long", String.valueOf(level.length())),
                  say("way.name-too-long", String.valueOf(MOST_LETTERS)));
            });
    return new Factor(name, levels, whole && unseen == 0 ? given : recoded(given, to));
  }

  private int[] recoded(int[] given, int[] to) {
    int[] codes = new int[used.length];
    for (int row = 0; row < codes.length; row++) {
      codes[row] = used[row] ? to[given[row]] : -1;
    }
    return codes;
  }

  /** A longer text is a note, not the name of a treatment. */
  private static final int MOST_LETTERS = 1_000;

  /**
   * A column as a factor.
   *
   * @param name of a column of categories that was asked for
   * @return with the levels that occur in the rows used
   */
  public Factor factor(String name) {
    return factors.get(name);
  }

  /**
   * Columns as factors.
   *
   * @param names of columns of categories that were asked for
   * @return in the same order
   */
  public List<Factor> factors(Collection<String> names) {
    return names.stream().map(factors::get).toList();
  }

  /**
   * Values of a column.
   *
   * @param name of a column of numbers
   * @return one a row; NaN where the row is not used
   * @throws Refused if it holds names
   */
  public double[] values(String name) {
    double[] values = numbers(name).values().clone();
    for (int row = 0; row < values.length; row++) {
      values[row] = used[row] ? values[row] : Double.NaN;
    }
    return values;
  }

  /**
   * A column as a covariate.
   *
   * @param name of a column of numbers
   * @return NaN where the row is not used
   * @throws Refused if it holds names
   */
  public Covariate covariate(String name) {
    return new Covariate(name, values(name));
  }

  /**
   * Values by the levels of two factors, several of one cell averaged.
   *
   * @param first along the rows
   * @param second along the columns
   * @param values one a row, NaN for none
   * @return NaN where there is none
   */
  public double[][] averaged(Factor first, Factor second, double[] values) {
    double[][] sums = new double[first.size()][second.size()];
    int[][] counts = new int[first.size()][second.size()];
    for (int row = 0; row < values.length; row++) {
      if (used[row]) {
        sums[first.codes()[row]][second.codes()[row]] += values[row];
        counts[first.codes()[row]][second.codes()[row]]++;
      }
    }
    for (int i = 0; i < sums.length; i++) {
      int at = i;
      Arrays.setAll(sums[i], j -> mean(sums[at][j], counts[at][j]));
    }
    return sums;
  }

  private static double mean(double sum, int count) {
    return count == 0
        ? Double.NaN
        : count == 1 ? sum : new BigDecimal(sum / count).round(MEAN_DIGITS).doubleValue();
  }

  /** Equal means must tie, though their sums were rounded in another order. */
  private static final MathContext MEAN_DIGITS = new MathContext(15);

  /**
   * Whether a row is complete in all columns asked for.
   *
   * @param row of the frame, from 0
   * @return false as well for rows out of play
   */
  public boolean isUsed(int row) {
    return used[row];
  }

  /** How many rows are used. */
  public int rows() {
    int count = 0;
    for (boolean one : used) {
      count += one ? 1 : 0;
    }
    return count;
  }
}
