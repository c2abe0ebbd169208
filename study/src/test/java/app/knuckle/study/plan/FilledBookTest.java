package app.knuckle.study.plan;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.stats.Progress;
import app.knuckle.study.answers.Answering;
import app.knuckle.study.contract.PlanFile;
import app.knuckle.study.fieldbook.FilledBook;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Books that come back filled, and simulated ones. */
class FilledBookTest {

  private static Plan plan(Plan.Layout layout) {
    int[] sizes =
        switch (layout) {
          case PAIRS -> new int[] {2};
          case LATIN_SQUARE, INCOMPLETE_BLOCKS, COMPLETELY_RANDOMISED -> new int[] {4};
          case COMPLETE_BLOCKS, SPLIT_PLOT, SPLIT_BLOCK, REPEATED -> new int[] {2, 3};
        };
    return PlanDraft.changed(
        Plans.plan(layout, Plans.treatments(sizes), new Plan.Size(6, 2, 2, Map.of()), 5, null),
        d -> d.lay(layout));
  }

  private static Table filled(Plan plan) {
    return SimulatedRecords.of(
        plan, Arrangement.of(plan), SimulatedErrors.NORMAL, 1, 1, Progress.NONE);
  }

  private static Table with(Table table, Column other) {
    List<Column> columns =
        table.columns().stream().map(c -> c.name().equals(other.name()) ? other : c).toList();
    return new Table(table.name(), "", columns, "");
  }

  @ParameterizedTest
  @EnumSource(Plan.Layout.class)
  void aBookIsKnownAndAskedAsItWasPlanned(Plan.Layout layout) {
    Plan plan = plan(layout);
    Table book = filled(plan);
    FilledBook known = FilledBook.of(plan, book).orElseThrow();
    assertThat(known.differences()).isEmpty();
    assertThat(book.makeBelieve()).isTrue();
    assertThat(Answering.of(book, known.inquiry().orElseThrow(), Progress.NONE).refusal())
        .isEmpty();
  }

  /**
   * Six units and three occasions: each of the six orders once, and the book says which is when.
   */
  @Test
  void anOrderOfItsOwnIsBalancedOverUnits() {
    Plan plan = PlanDraft.changed(plan(Plan.Layout.REPEATED), d -> d.counterbalanced = true);
    assertThat(PlanFile.checked(plan)).isEqualTo(plan);
    Plan alone = PlanDraft.changed(plan, d -> d.remove("a"));
    Table book = PlanRecords.book(alone, Arrangement.of(alone));
    Column level = book.column("b").orElseThrow();
    Column when = book.column("order").orElseThrow();
    Map<String, Integer> follows = new java.util.TreeMap<>();
    for (int row = 0; row < book.rows(); row++) {
      assertThat(when.text(row)).isEqualTo(String.valueOf(row % 3 + 1));
      if (row % 3 > 0) {
        follows.merge(level.text(row - 1) + level.text(row), 1, Integer::sum);
      }
    }
    assertThat(follows).hasSize(6).allSatisfy((pair, times) -> assertThat(times).isEqualTo(2));
  }

  @Test
  void otherRecordsAreNoBook() {
    Plan plan = plan(Plan.Layout.COMPLETE_BLOCKS);
    Table book = filled(plan);
    assertThat(FilledBook.of(plan, without(book, "plot"))).as("no plot numbers").isEmpty();
    Table other = with(without(book, "growth (mm)"), every(book, "a", "another"));
    assertThat(FilledBook.of(plan, other)).as("other treatments, and nothing of it").isEmpty();
  }

  private static Table without(Table table, String column) {
    List<Column> columns = new ArrayList<>(table.columns());
    columns.removeIf(c -> c.name().equals(column));
    return new Table("t", "", columns, "");
  }

  private static Categories every(Table table, String column, String level) {
    return new Categories(column, "", new int[table.rows()], List.of(level), false);
  }

  private static List<String> differences(Plan plan, Table table) {
    return FilledBook.of(plan, table).orElseThrow().differences();
  }

  private static Column called(Column column, String name) {
    if (column instanceof Numbers numbers) {
      return new Numbers(name, numbers.unit(), numbers.values());
    }
    Categories words = (Categories) column;
    int[] codes = new int[words.size()];
    Arrays.setAll(codes, row -> words.levels().indexOf(words.text(row)));
    return new Categories(name, "", codes, words.levels(), false);
  }

  private static Table renamed(Table table, String from, String to) {
    List<Column> columns =
        table.columns().stream().map(c -> c.name().equals(from) ? called(c, to) : c).toList();
    return new Table("t", "", columns, "");
  }

  /** The book as it went out, with values of 1, 2, ... written into it. */
  private static Table written(Plan plan) {
    Table book = PlanRecords.book(plan, Arrangement.of(plan));
    double[] values = new double[book.rows()];
    Arrays.setAll(values, row -> row + 1.0);
    return with(book, new Numbers("growth (mm)", "mm", values));
  }

  @ParameterizedTest
  @EnumSource(Plan.Layout.class)
  void aBookAsItWentOutDiffersInNothingAndSaysThatNothingIsMeasured(Plan.Layout layout) {
    Plan plan = plan(layout);
    Table book = PlanRecords.book(plan, Arrangement.of(plan));
    assertThat(differences(plan, book)).containsExactly("Nothing is measured yet in growth (mm)");
    assertThat(differences(plan, written(plan))).isEmpty();
  }

  @Test
  void aBlockThatWasChangedOrLeftBlankOrTakenAwayIsSaid() {
    Plan plan = plan(Plan.Layout.COMPLETE_BLOCKS);
    Table book = written(plan);
    String block = plan.blockName();
    Categories blocks = (Categories) book.column(block).orElseThrow();
    int[] codes = new int[blocks.size()];
    Arrays.setAll(codes, row -> blocks.levels().indexOf(blocks.text(row)));
    codes[0] = (codes[0] + 1) % blocks.levels().size();
    codes[1] = Categories.MISSING;
    Table changed = with(book, new Categories(block, "", codes, blocks.levels(), false));
    assertThat(differences(plan, changed))
        .containsExactly(
            "Plot 1: block is \u20182\u2019, not \u20181\u2019 as planned",
            "Plot 2: block is blank, not \u20181\u2019 as planned");
    FilledBook gone = FilledBook.of(plan, without(book, block)).orElseThrow();
    assertThat(gone.differences()).containsExactly("The column " + block + " is not there");
    assertThat(gone.inquiry()).as("it cannot be asked as planned").isEmpty();
  }

  @Test
  void aHeadThatWasWrittenOtherwiseIsKnown() {
    Plan plan = plan(Plan.Layout.COMPLETE_BLOCKS);
    for (String head : List.of("Growth (mm)", "GROWTH", "growth [mm]", "shell length")) {
      FilledBook book =
          FilledBook.of(plan, renamed(written(plan), "growth (mm)", head)).orElseThrow();
      assertThat(book.differences())
          .singleElement()
          .asString()
          .startsWith("The column growth (mm) is now called ")
          .contains(head);
      assertThat(book.inquiry().orElseThrow().measured()).containsExactly(head);
    }
    FilledBook treatment = FilledBook.of(plan, renamed(written(plan), "a", "A ")).orElseThrow();
    assertThat(treatment.inquiry().orElseThrow().treatments()).containsExactly("A ", "b");
    Answering.of(
        renamed(written(plan), "a", "A "), treatment.inquiry().orElseThrow(), Progress.NONE);
  }

  @Test
  void aPlotThatIsNoNumberIsSaidAndTheOthersAreKnown() {
    Plan plan = plan(Plan.Layout.COMPLETE_BLOCKS);
    Table book = written(plan);
    List<String> plots = new ArrayList<>();
    int[] codes = new int[book.rows()];
    for (int row = 0; row < codes.length; row++) {
      codes[row] = row;
      plots.add(row == 11 ? "12a" : String.valueOf(row + 1));
    }
    Table lettered = with(book, new Categories("plot", "", codes, plots, false));
    assertThat(differences(plan, lettered))
        .containsExactly(
            "Row 12 has 12a as its plot, which is no plot of the plan", "Plot 12 is not there");
  }

  @Test
  void aPlotThatStandsTwiceAndOneThatIsMissingAreSaid() {
    Plan plan = plan(Plan.Layout.COMPLETELY_RANDOMISED);
    Table book = filled(plan);
    double[] plots = ((Numbers) book.column("plot").orElseThrow()).values().clone();
    plots[3] = 2;
    List<String> said =
        FilledBook.of(plan, with(book, new Numbers("plot", "", plots))).orElseThrow().differences();
    assertThat(said).contains("Plot 2 is in row 2 and in row 4", "Plot 4 is not there");
  }

  @Test
  void aTreatmentThatWasChangedIsSaid() {
    Plan plan = plan(Plan.Layout.COMPLETELY_RANDOMISED);
    Table book = filled(plan);
    Categories a = (Categories) book.column("a").orElseThrow();
    int[] codes = new int[a.size()];
    for (int row = 0; row < codes.length; row++) {
      codes[row] = a.levels().indexOf(a.text(row));
    }
    String planned = a.levels().get(codes[0]);
    codes[0] = (codes[0] + 1) % a.levels().size();
    String found = a.levels().get(codes[0]);
    Table changed = with(book, new Categories("a", "", codes, a.levels(), false));
    assertThat(FilledBook.of(plan, changed).orElseThrow().differences())
        .containsExactly("Plot 1: a is " + found + ", not " + planned + " as planned");
  }

  @Test
  void rowsOfNoPlotAreSaid() {
    Plan plan = plan(Plan.Layout.COMPLETELY_RANDOMISED);
    Table book = filled(plan);
    double[] plots = ((Numbers) book.column("plot").orElseThrow()).values().clone();
    plots[0] = 99;
    plots[1] = Double.NaN;
    assertThat(
            FilledBook.of(plan, with(book, new Numbers("plot", "", plots)))
                .orElseThrow()
                .differences())
        .contains(
            "Row 1 has \u201899\u2019 as its plot, which is no plot of the plan",
            "Row 2 has no plot number",
            "Plots 1, 2 are not there");
  }

  @Test
  void manyDifferencesAreCounted() {
    Plan plan = plan(Plan.Layout.COMPLETELY_RANDOMISED);
    Table book = filled(plan);
    double[] nothing = new double[book.rows()];
    Arrays.fill(nothing, Double.NaN);
    List<String> said =
        FilledBook.of(plan, with(book, new Numbers("plot", "", nothing)))
            .orElseThrow()
            .differences();
    assertThat(said).hasSize(6);
    assertThat(said.get(5)).isEqualTo("And 20 more differences");
  }

  /** Levels that look like numbers may be read as numbers, and be written otherwise. */
  @Test
  void numbersAreTheSameHoweverTheyAreWritten() {
    Plan plan =
        PlanDraft.changed(
            plan(Plan.Layout.COMPLETELY_RANDOMISED),
            d -> d.setLevels("a", List.of("0.50", "1", "1.50", "2")));
    Table book = filled(plan);
    Categories a = (Categories) book.column("a").orElseThrow();
    double[] read = new double[a.size()];
    for (int row = 0; row < read.length; row++) {
      read[row] = Double.parseDouble(a.text(row));
    }
    assertThat(
            FilledBook.of(plan, with(book, new Numbers("a", "", read))).orElseThrow().differences())
        .isEmpty();
  }

  @Test
  void theSameSeedMakesTheSameRecordsAndAnotherOthers() {
    Plan plan = plan(Plan.Layout.SPLIT_PLOT);
    Arrangement arrangement = Arrangement.of(plan);
    Table one = SimulatedRecords.of(plan, arrangement, SimulatedErrors.NORMAL, 1, 1, Progress.NONE);
    Table again =
        SimulatedRecords.of(plan, arrangement, SimulatedErrors.NORMAL, 1, 1, Progress.NONE);
    Table other =
        SimulatedRecords.of(plan, arrangement, SimulatedErrors.NORMAL, 1, 2, Progress.NONE);
    assertThat(values(one)).isEqualTo(values(again)).isNotEqualTo(values(other));
  }

  /** A large trial without blocks has the mean and the spread that were expected. */
  @ParameterizedTest
  @EnumSource(SimulatedErrors.class)
  void valuesSpreadAsExpected(SimulatedErrors spread) {
    Plan plan = Plans.plan(Plan.Layout.COMPLETELY_RANDOMISED, Plans.treatments(2), 9_000, 11);
    double[] values =
        values(SimulatedRecords.of(plan, Arrangement.of(plan), spread, 1, 3, Progress.NONE));
    double mean = Arrays.stream(values).average().orElseThrow();
    double variance =
        Arrays.stream(values).map(v -> (v - mean) * (v - mean)).sum() / (values.length - 1);
    // The mean of a count is its variance.
    double sd = spread == SimulatedErrors.COUNTS ? Math.sqrt(14) : Plans.SD;
    assertThat(mean).isBetween(14 - 5 * sd / Math.sqrt(18_000), 14 + 5 * sd / Math.sqrt(18_000));
    assertThat(Math.sqrt(variance)).isBetween(0.96 * sd, 1.04 * sd);
    if (spread == SimulatedErrors.COUNTS) {
      assertThat(Arrays.stream(values).filter(v -> v != Math.rint(v) || v < 0)).isEmpty();
    }
    if (spread == SimulatedErrors.UNIFORM) {
      double half = Plans.SD * Math.sqrt(3) + 0.01;
      assertThat(Arrays.stream(values).filter(v -> Math.abs(v - 14) > half)).isEmpty();
    }
  }

  private static double[] values(Table table) {
    return ((Numbers) table.column("growth (mm)").orElseThrow()).values();
  }
}
