package app.knuckle.study.notice;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.stats.Progress;
import app.knuckle.study.Refused;
import app.knuckle.study.prep.Effect;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.prep.Stack;
import app.knuckle.study.prep.Step;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

/** Every oddity is seen, and vanishes once its fix is taken. */
class NoticesTest {

  private static final Numbers MEASURED =
      new Numbers("y", "mm", new double[] {1.5, 2.5, 3.1, 4.2, 5.9, 6.3});

  private static Categories words(String name, String... cells) {
    List<String> levels = new ArrayList<>(new LinkedHashSet<>(List.of(cells)));
    levels.remove("");
    int[] codes = Arrays.stream(cells).mapToInt(levels::indexOf).toArray();
    return new Categories(name, "", codes, levels, false);
  }

  private static void seenAndMended(String says, Column... columns) {
    Table table = new Table("t", "", List.of(columns), "");
    List<Notice> notices = Notices.of(Frame.of(table), Progress.NONE);
    assertThat(notices).extracting(Notice::words).anyMatch(w -> w.contains(says));
    Notice notice =
        notices.stream().filter(n -> n.words().contains(says)).findFirst().orElseThrow();
    List<Step> fix = notice.fixes().get(0).steps();
    List<Notice> after = Notices.of(Frame.of(table, fix, Progress.NONE), Progress.NONE);
    assertThat(after).extracting(Notice::words).noneMatch(w -> w.contains(says));
  }

  @Test
  void strayLevels() {
    seenAndMended(
        "differ in capitals or blanks",
        words("g", "fine", "Fine ", "fine", "b", "b", "b"),
        MEASURED);
    // An accent of its own, and a digit of full width.
    seenAndMended(
        "look alike", words("g", "caf\u00e9", "cafe\u0301", "caf\u00e9", "b", "b", "b"), MEASURED);
    seenAndMended(
        "look alike", words("g", "bag 1", "bag \uff11", "bag 1", "b", "b", "b"), MEASURED);
    seenAndMended("stands in one row only", words("g", "a", "a", "c", "b", "b", "b"), MEASURED);
  }

  @Test
  void numbersThatCannotBeToldApart() {
    assertThat(
            Notices.of(
                Frame.of(
                    new Table(
                        "t",
                        "",
                        List.of(
                            words("tank", "9007199254740993", "9007199254740992", "12"),
                            new Numbers("dose", "", new double[] {1, Double.POSITIVE_INFINITY, 2})),
                        "")),
                Progress.NONE))
        .extracting(Notice::words)
        .anyMatch(w -> w.startsWith("tank holds whole numbers of 16 digits or more"))
        .anyMatch(w -> w.startsWith("dose holds numbers too large to be distinguished"));
  }

  @Test
  void numbersThatAreNone() {
    seenAndMended(
        "looks like a code for missing", new Numbers("z", "", new double[] {1, 2.5, -99, 4, 5, 3}));
    seenAndMended(
        "perhaps each number is a name",
        new Numbers("rack", "", new double[] {1, 2, 3, 1, 2, 3}),
        MEASURED);
  }

  @Test
  void numbersThatNeverCameNameNothing() {
    assertThat(NumberNotices.looksLikeNames(new double[0])).isFalse();
    assertThat(NumberNotices.looksLikeNames(new double[] {1, 1, 1})).isFalse();
    assertThat(NumberNotices.looksLikeNames(new double[] {1, 2, 1, 2})).isTrue();
  }

  @Test
  void wordsThatAreNumbersOrDates() {
    seenAndMended("mixes decimal commas", words("z", "1.5", "2,5", "3.5", "4.5", "5.5", "6.5"));
    seenAndMended("holds numbers, but for", words("z", "1.5", "2.5", "torn", "4.5", "5.5", "6.5"));
    seenAndMended(
        "holds dates",
        words("d", "3.6.2026", "1.6.2026", "2.6.2026", "1.6.2026", "3.6.2026", "2.6.2026"));
  }

  @Test
  void rowsThatStandTwice() {
    Numbers y = new Numbers("y", "", new double[] {1.5, 2.5, 1.5, 4.2, 5.9, 6.3});
    seenAndMended("repeats an earlier one", words("g", "a", "b", "a", "b", "a", "b"), y);
    String[] tanks = {"T1", "T2", "T3", "T4", "T5", "T6", "T7", "T8", "T9", "T10", "T11", "T1"};
    double[] values = {1, 2, 3, 4.5, 5, 6, 7, 8, 9, 10, 11, 12};
    seenAndMended(
        "names each row, but T1 stands", words("tank", tanks), new Numbers("y", "", values));
  }

  @Test
  void wideSheetsAreStacked() {
    Numbers first = new Numbers("day_0", "", new double[] {1, 2, 3});
    Numbers second = new Numbers("day_3", "", new double[] {2, 3, 4});
    seenAndMended("several occasions", first, second);
    seenAndMended(
        "a column for each group",
        new Numbers("fine", "", new double[] {1.5, 2.5, 3.5}),
        new Numbers("coarse", "", new double[] {2.5, 3.5, 4.5}));
  }

  private static Numbers numbers(String name, double... values) {
    return new Numbers(name, "", values);
  }

  private static String stacked(Column... columns) {
    Frame frame = Frame.of(new Table("t", "", List.of(columns), ""));
    return Notices.of(frame, Progress.NONE).stream()
        .flatMap(n -> n.fixes().stream())
        .flatMap(f -> f.steps().stream())
        .filter(Stack.class::isInstance)
        .map(Stack.class::cast)
        .map(s -> String.join(" ", s.columns()) + " > " + s.names() + ", " + s.values())
        .findFirst()
        .orElse("none");
  }

  @Test
  void sheetsOfCountsAreStackedUnderTheNameThatTheirColumnsShare() {
    double none = Double.NaN;
    Numbers fine = numbers("fine", 0, 3, 1, 2, none);
    Numbers coarse = numbers("coarse", 7, 12, 9, none, none);
    Numbers open = numbers("open", 22, 17, 31, 19, 25);
    assertThat(stacked(fine, coarse, open)).isEqualTo("fine coarse open > group, value");
    assertThat(stacked(words("tray", "a", "b", "c", "d", "e"), fine, coarse))
        .isEqualTo("fine coarse > group, value");
    assertThat(stacked(numbers("no", 1, 2, 3, 4, 5), fine, coarse))
        .isEqualTo("fine coarse > group, value");
    assertThat(stacked(numbers("spat_low", 1, 5, 0, 8, 3), numbers("spat_high", 3, 9, 12, 7, 5)))
        .isEqualTo("spat_low spat_high > group, spat");
    assertThat(stacked(numbers("score_1", 1, 5), numbers("score_2", 3, 9)))
        .isEqualTo("score_1 score_2 > occasion, score");
    assertThat(stacked(numbers("day_0", 1, 5), numbers("day_7", 3, 9)))
        .isEqualTo("day_0 day_7 > day, value");
    // Measurements in units, a treatment beside them, sizes that do not compare: no groups.
    assertThat(
            stacked(
                new Numbers("a_mm", "mm", new double[] {1, 2}),
                new Numbers("b_g", "g", new double[] {1, 2})))
        .isEqualTo("none");
    assertThat(stacked(words("feed", "x", "x", "y", "y", "y"), fine, coarse)).isEqualTo("none");
    assertThat(stacked(numbers("a", 1, 2), numbers("b", 100, 200))).isEqualTo("none");
    assertThat(stacked(numbers("rack", 1, 1, 2, 2), numbers("dead", 5, 6, 9, 8)))
        .as("a treatment written as numbers")
        .isEqualTo("none");
  }

  @Test
  void rowsForTheEyeAreNoRecords() {
    double none = Double.NaN;
    seenAndMended(
        "1 row is blank", words("g", "a", "a", "", "b", "b"), numbers("y", 1, 2, none, 3, 4.5));
    seenAndMended(
        "one cell only, perhaps a title",
        words("g", "a", "a", "north cove", "b", "b"),
        words("h", "u", "u", "", "v", "v"),
        numbers("y", 1, 2, none, 3, 4.5));
    seenAndMended(
        "looks like a total",
        words("g", "a", "a", "b", "b", "Total"),
        numbers("y", 1, 2, 3, 4, 10));
    seenAndMended(
        "looks like a total",
        words("g", "a", "a", "b", "b", ""),
        numbers("y", 1, 2, 3, 4.5, 10.5),
        numbers("z", 2, 2, 3, 4.25, 11.25));
    seenAndMended(
        "The first row holds units",
        words("g", "", "a", "a", "b", "b"),
        words("y", "(mm)", "1.5", "2.5", "3", "4"));
  }

  @Test
  void unitsUnderTheHeadsBecomeUnits() {
    Table table =
        new Table(
            "t",
            "",
            List.of(words("g", "", "a", "a", "b", "b"), words("y", "(mm)", "1", "2", "3", "4")),
            "");
    List<Step> fix = Notices.of(Frame.of(table), Progress.NONE).get(0).fixes().get(0).steps();
    Frame mended = Frame.of(table, fix, Progress.NONE);
    assertThat(mended.column("y").unit()).isEqualTo("mm");
    assertThat(mended.column("y")).isInstanceOf(Numbers.class);
    assertThat(mended.inPlay(0)).isFalse();
  }

  @Test
  void aNameInTheFirstRowOfItsBlockIsFilledDown() {
    Column y = numbers("y", 1, 2, 3, 4.5, 5, 6);
    Table table = new Table("t", "", List.of(words("g", "a", "", "", "b", "", ""), y), "");
    Notice notice = Notices.of(Frame.of(table), Progress.NONE).get(0);
    assertThat(notice.words()).contains("first row of each block");
    Frame mended = Frame.of(table, notice.fixes().get(0).steps(), Progress.NONE);
    assertThat(IntStream.range(0, 6).mapToObj(mended.column("g")::text))
        .containsExactly("a", "a", "a", "b", "b", "b");
    // Gaps here and there are gaps.
    Table gaps = new Table("t", "", List.of(words("g", "a", "", "a", "b", "", "b"), y), "");
    assertThat(Notices.of(Frame.of(gaps), Progress.NONE))
        .extracting(Notice::words)
        .noneMatch(w -> w.contains("each block"));
  }

  @Test
  void cleanRecordsAreLeftInPeace() {
    Table table =
        new Table("t", "", List.of(words("g", "a", "a", "b", "b", "c", "c"), MEASURED), "");
    assertThat(Notices.of(Frame.of(table), Progress.NONE)).isEmpty();
  }

  private static final List<String> CELLS =
      List.of(
          "fine",
          "Fine ",
          "fine",
          "coarse",
          "coarse",
          "",
          "1.5",
          "2,5",
          "-99",
          "3",
          "3.6.2026",
          "2026-06-01",
          "medium",
          "medium",
          "kelp");

  private static final double[] NUMBERS = {1, 2, 3, 1, 2, 3, -99, 999, 4.5, 5.25, 12.5, Double.NaN};

  /** A sheet as nobody should keep one: words, codes, dates and gaps, rows twice. */
  private static Table untidy(Random random) {
    int rows = 2 + random.nextInt(20);
    List<Column> columns = new ArrayList<>();
    for (int c = 0; c < 1 + random.nextInt(4); c++) {
      int most = 1 + random.nextInt(CELLS.size());
      if (random.nextBoolean()) {
        String[] cells = new String[rows];
        Arrays.setAll(cells, i -> CELLS.get(random.nextInt(most)));
        columns.add(words("w" + c, cells));
      } else {
        int few = 1 + random.nextInt(NUMBERS.length);
        double[] values = new double[rows];
        Arrays.setAll(values, i -> NUMBERS[random.nextInt(few)]);
        columns.add(new Numbers(random.nextBoolean() ? "day_" + c : "n" + c, "", values));
      }
    }
    return new Table("t", "", columns, "");
  }

  @Property(tries = 300, seed = "69314718")
  void whatIsOfferedCanBeTakenAndIsThenDone(@ForAll Random random) {
    Table table = untidy(random);
    Frame frame = Frame.of(table);
    for (Notice notice : Notices.of(frame, Progress.NONE)) {
      assertThat(notice.words()).isNotBlank().doesNotContain("null").doesNotContain("NaN");
      for (Notice.Fix fix : notice.fixes()) {
        Frame mended = Frame.of(table, fix.steps(), Progress.NONE);
        assertThat(Effect.of(frame, mended).words()).as("%s", fix).isNotBlank();
        assertThat(Notices.of(mended, Progress.NONE))
            .as("%s taken for %s", fix, notice)
            .noneMatch(n -> n.column().equals(notice.column()) && n.words().equals(notice.words()));
      }
    }
  }

  /** One fix after the other, the records come to rest. */
  @Property(tries = 150, seed = "14142135")
  void fixesComeToAnEnd(@ForAll Random random) {
    Table table = untidy(random);
    List<Step> steps = new ArrayList<>();
    List<Notice> left = Notices.of(Frame.of(table), Progress.NONE);
    for (int turn = 0; turn < 40 && left.stream().anyMatch(n -> !n.fixes().isEmpty()); turn++) {
      Notice next = left.stream().filter(n -> !n.fixes().isEmpty()).findFirst().orElseThrow();
      steps.addAll(next.fixes().get(0).steps());
      try {
        left = Notices.of(Frame.of(table, steps, Progress.NONE), Progress.NONE);
      } catch (Refused e) {
        throw new AssertionError(next + " after " + steps, e);
      }
    }
    assertThat(left).as("%s", steps).allMatch(n -> n.fixes().isEmpty());
  }
}
