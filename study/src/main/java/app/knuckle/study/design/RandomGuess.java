package app.knuckle.study.design;

import app.knuckle.study.prep.Frame;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;

/**
 * Whether a guessed question is better asked with random effects: where plots were lost, occasions
 * missed, blocks are incomplete, or groupings lie within each other. Complete balanced designs stay
 * as they are.
 *
 * @param inquiry with what is random
 * @param reason why, a sentence
 */
record RandomGuess(Inquiry inquiry, String reason) {

  /** Levels of a grouping that says more than one row belongs together. */
  private static final int FEWEST_LEVELS = 2;

  /**
   * Looks for a reason.
   *
   * @param frame the records
   * @param inquiry guessed with fixed effects alone
   * @param groups whether a column's name says that it groups units
   * @return empty if the guess may stay
   */
  static Optional<RandomGuess> of(Frame frame, Inquiry inquiry, Predicate<Column> groups) {
    if (inquiry.measured().size() != 1 || inquiry.treatments().isEmpty()) {
      return Optional.empty();
    }
    Rows rows = new Rows(frame, inquiry);
    if (!inquiry.occasions().isEmpty() && inquiry.blocks().isEmpty()) {
      return rows.misses(with(inquiry.occasions(), RandomPart.unit(inquiry)))
          ? mixed(
              inquiry,
              List.of(),
              "Some missed a reading: with "
                  + inquiry.unit()
                  + " at random nobody is left out for it.")
          : Optional.empty();
    }
    if (inquiry.unit() != null) {
      return Optional.empty();
    }
    if (!inquiry.wholePlots().isEmpty()) {
      return rows.misses(with(inquiry.blocks(), inquiry.treatments()))
          ? mixed(
              inquiry,
              List.of(),
              "Some plots have no value: with blocks and whole plots at random the others of their"
                  + " whole plot still count.")
          : Optional.empty();
    }
    return nested(frame, inquiry, groups, rows).or(() -> incomplete(frame, inquiry, groups, rows));
  }

  /** Groupings within each other, the innermost with several rows. */
  private static Optional<RandomGuess> nested(
      Frame frame, Inquiry inquiry, Predicate<Column> groups, Rows rows) {
    List<String> chain = new ArrayList<>();
    List<List<String>> terms = new ArrayList<>();
    int levels = 1;
    for (Column column : frame.columns()) {
      if (!groups.test(column) || plays(inquiry, column) || !isGrouping(column)) {
        continue;
      }
      List<String> longer = with(chain, List.of(column.name()));
      int combined = rows.combinations(longer);
      if (combined >= FEWEST_LEVELS * levels && combined < rows.count()) {
        chain = longer;
        terms.add(longer);
        levels = combined;
      }
    }
    if (terms.size() < 2) {
      return Optional.empty();
    }
    List<String> names = List.copyOf(chain);
    return mixed(
        inquiry.but(d -> d.clear(Part.BLOCK)),
        terms,
        Numerals.list(names) + " group the rows within each other, so they are taken at random.");
  }

  /** Blocks that do not hold every group. */
  private static Optional<RandomGuess> incomplete(
      Frame frame, Inquiry inquiry, Predicate<Column> groups, Rows rows) {
    if (!inquiry.blocks().isEmpty()) {
      return Optional.empty();
    }
    for (Column column : frame.columns()) {
      boolean fits = groups.test(column) && !plays(inquiry, column) && column instanceof Categories;
      if (fits && rows.connects(column.name(), inquiry.treatments())) {
        return mixed(
            inquiry,
            List.of(List.of(column.name())),
            column.name()
                + " does not hold every group, so it is taken at random: what lies between its"
                + " levels is used too.");
      }
    }
    return Optional.empty();
  }

  private static boolean plays(Inquiry inquiry, Column column) {
    return inquiry.treatments().contains(column.name())
        || inquiry.measured().contains(column.name())
        || inquiry.covariates().contains(column.name());
  }

  private static boolean isGrouping(Column column) {
    return column instanceof Categories || column instanceof Numbers numbers && isWhole(numbers);
  }

  private static boolean isWhole(Numbers numbers) {
    for (double value : numbers.values()) {
      if (!Double.isNaN(value) && value != Math.rint(value)) {
        return false;
      }
    }
    return true;
  }

  private static Optional<RandomGuess> mixed(
      Inquiry inquiry, List<List<String>> terms, String reason) {
    Inquiry changed =
        Redesign.of(
            inquiry,
            d -> {
              d.approach = Approach.MIXED;
              d.random = d.random.with(terms);
            });
    return changed.analysis() == Analysis.MIXED
        ? Optional.of(new RandomGuess(changed, reason))
        : Optional.empty();
  }

  private static List<String> with(List<String> one, List<String> other) {
    List<String> all = new ArrayList<>(one);
    all.addAll(other);
    return all;
  }

  /** Rows that have a value of the response, by the levels of other columns. */
  private static final class Rows {
    private final Frame frame;
    private final List<Integer> rows = new ArrayList<>();

    Rows(Frame frame, Inquiry inquiry) {
      this.frame = frame;
      Column measured = frame.column(inquiry.measured().get(0));
      for (int row = 0; row < frame.rows(); row++) {
        if (frame.inPlay(row) && !measured.isMissing(row)) {
          rows.add(row);
        }
      }
    }

    int count() {
      return rows.size();
    }

    private Map<List<String>, Integer> counts(List<String> names) {
      List<Column> columns = names.stream().map(frame::column).toList();
      Map<List<String>, Integer> counts = new HashMap<>();
      for (int row : rows) {
        counts.merge(columns.stream().map(c -> c.text(row)).toList(), 1, Integer::sum);
      }
      return counts;
    }

    int combinations(List<String> names) {
      return counts(names).size();
    }

    /**
     * Whether combinations are missing that the records as laid out have: fewer have a value than
     * stand in the sheet, or some stand there less often than others.
     */
    boolean misses(List<String> names) {
      List<Column> columns = names.stream().map(frame::column).toList();
      Map<List<String>, Integer> valued = counts(names);
      Map<List<String>, Integer> all = new HashMap<>();
      for (int row = 0; row < frame.rows(); row++) {
        int at = row;
        if (frame.inPlay(row)) {
          all.merge(columns.stream().map(c -> c.text(at)).toList(), 1, Integer::sum);
        }
      }
      return valued.size() < all.size() || new HashSet<>(valued.values()).size() > 1;
    }

    /** Whether every group stands in several levels of a column, and not all of them in each. */
    boolean connects(String block, List<String> treatments) {
      List<String> all = new ArrayList<>(treatments);
      all.add(block);
      Map<List<String>, Set<String>> blocksOf = new HashMap<>();
      for (List<String> cell : counts(all).keySet()) {
        blocksOf
            .computeIfAbsent(cell.subList(0, treatments.size()), k -> new HashSet<>())
            .add(cell.get(treatments.size()));
      }
      int blocks = combinations(List.of(block));
      return blocks > 2
          && blocks < rows.size()
          && blocksOf.values().stream().allMatch(own -> own.size() > 1)
          && blocksOf.values().stream().anyMatch(own -> own.size() < blocks);
    }
  }
}
