package app.knuckle.study.design;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.study.Rows;
import app.knuckle.study.table.Table;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What a freshly read sheet is taken for. */
class FirstGuessTest {

  /** Every combination of the levels of some columns, levels parted by commas. */
  private static List<String> every(String... levels) {
    List<String> rows = new ArrayList<>(List.of(""));
    for (String column : levels) {
      List<String> longer = new ArrayList<>();
      for (String row : rows) {
        for (String level : column.split(",")) {
          longer.add((row + " " + level).strip());
        }
      }
      rows = longer;
    }
    return rows;
  }

  private static Inquiry guess(String head, List<String> rows) {
    return FirstGuess.of(Rows.measured(head, rows)).inquiry();
  }

  @Test
  void labelsBlocksAndWhatWasMeasuredBeforeAreNoTreatments() {
    Table table =
        Rows.of(
            "bag rack mesh density start_mm growth_mm",
            "b1 R1 fine 60 1.2 7.2",
            "b2 R1 coarse 60 2.3 8.3",
            "b3 R1 fine 60 3.1 9.4",
            "b4 R2 coarse 120 4.5 6.5",
            "b5 R2 fine 120 5.2 5.6",
            "b6 R2 coarse 120 6.6 4.7");
    FirstGuess guess = FirstGuess.of(table);
    assertThat(guess.inquiry().measured()).containsExactly("growth_mm");
    assertThat(guess.inquiry().treatments()).containsExactly("mesh", "density");
    assertThat(guess.inquiry().name()).isEqualTo("Growth mm by mesh \u00d7 density");
    assertThat(guess.reason()).contains("start_mm was measured beforehand");
  }

  @Test
  void whatComesBackEveryWeekIsTheUnit() {
    Inquiry guess = guess("float week", every("f1,f2,f3,f4", "1,2,3"));
    assertThat(guess.unit()).isEqualTo("float");
    assertThat(guess.treatments()).containsExactly("week");
    assertThat(guess.occasions()).containsExactly("week");
  }

  @Test
  void aUnitThatComesBackWithinOneTreatmentIsTheUnit() {
    List<String> rows =
        every("f1,f2,f3,f4", "dawn,dusk").stream()
            .map(row -> (row.matches("f[12].*") ? "fine " : "coarse ") + row)
            .toList();
    Inquiry guess = guess("mesh float light", rows);
    assertThat(guess.unit()).isEqualTo("float");
    assertThat(guess.treatments()).containsExactly("mesh", "light");
    assertThat(guess.occasions()).containsExactly("light");
  }

  @Test
  void rowsOfABasketThatGotOneThingAsAWholeCountAsOneUnit() {
    List<String> rows =
        every("k1,k2,k3,k4", "a,b,c").stream()
            .map(row -> (row.matches("k[12].*") ? "fine " : "coarse ") + row.substring(0, 2))
            .toList();
    FirstGuess guess = FirstGuess.of(Rows.measured("mesh basket", rows));
    assertThat(guess.inquiry().unit()).isEqualTo("basket");
    assertThat(guess.inquiry().occasions()).isEmpty();
    assertThat(guess.reason()).contains("Rows of one basket had the same mesh");
  }

  @Test
  void aColumnThatHoldsEveryGroupOnceIsABlock() {
    Inquiry guess = guess("shelf mesh", every("s1,s2,s3", "fine,coarse,none"));
    assertThat(guess.blocks()).containsExactly("shelf");
    assertThat(guess.treatments()).containsExactly("mesh");
    assertThat(guess.unit()).isNull();
  }

  @Test
  void oneRowInEveryCombinationLeavesNothingToJudgeAnInteractionBy() {
    FirstGuess guess = FirstGuess.of(Rows.measured("mesh feed", every("a,b,c", "x,y,z")));
    assertThat(guess.inquiry().treatments()).containsExactly("mesh", "feed");
    assertThat(guess.inquiry().terms()).isEqualTo(Terms.MAIN);
    assertThat(guess.reason()).contains("Every combination has one row");
  }

  @Test
  void twoColumnsThatAlwaysChangeTogetherAreNotBothTreatments() {
    List<String> rows =
        every("fine blue,coarse red".replace(' ', '_'), "1,2,3").stream()
            .map(row -> row.replace('_', ' ').replaceAll(" \\d$", ""))
            .toList();
    assertThat(guess("mesh tag", rows).treatments()).containsExactly("mesh");
  }

  @Test
  void aSheetWithNoMeasurementWaits() {
    FirstGuess guess =
        FirstGuess.of(Rows.of("mesh feed", "fine x", "coarse y", "fine y", "coarse x"));
    assertThat(guess.inquiry().measured()).isEmpty();
    assertThat(guess.reason()).contains("waits for you");
    assertThat(guess.inquiry().name()).isEqualTo("New inquiry");
  }

  @Test
  void inASheetWithAColumnForEachGroupTheValuesWereMeasuredNotTheNumbersOfTheRows() {
    Table table =
        Rows.of(
            "tray clay slate tile",
            "1 31 47 30",
            "2 25 69 32",
            "3 28 56 27",
            "4 37 59 33",
            "5 44 61 40",
            "6 39 52 36",
            "7 33 48 29",
            "8 36 55 -");
    Inquiry guess = FirstGuess.of(table).inquiry();
    assertThat(guess.measured()).containsExactly("value");
    assertThat(guess.treatments()).containsExactly("group");
  }
}
