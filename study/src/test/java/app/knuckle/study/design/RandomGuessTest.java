package app.knuckle.study.design;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.study.Rows;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class RandomGuessTest {

  private static List<String> every(String... columns) {
    List<String> rows = List.of("");
    for (String column : columns) {
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

  @Test
  void completeBlocksStayFixed() {
    Inquiry guess =
        FirstGuess.of(Rows.measured("rack mesh", every("R1,R2,R3,R4", "fine,coarse"))).inquiry();
    assertThat(guess.blocks()).containsExactly("rack");
    assertThat(guess.approach()).isEqualTo(Approach.LEAST_SQUARES);
  }

  @Test
  void incompleteBlocksAreTakenAtRandom() {
    List<String> rows =
        List.of(
            "R1 a", "R1 b", "R2 a", "R2 c", "R3 a", "R3 d", "R4 b", "R4 c", "R5 b", "R5 d", "R6 c",
            "R6 d");
    FirstGuess guess = FirstGuess.of(Rows.measured("rack feed", rows));
    assertThat(guess.inquiry().treatments()).containsExactly("feed");
    assertThat(guess.inquiry().approach()).isEqualTo(Approach.MIXED);
    assertThat(RandomPart.of(guess.inquiry())).containsExactly(List.of("rack"));
    assertThat(guess.reason()).contains("rack does not hold every group");
  }

  @Test
  void groupingsWithinEachOtherAreTakenAtRandomFromTheOutsideInward() {
    List<String> rows = every("north,south,mid", "R1,R2", "fine,coarse", "1,2");
    FirstGuess guess = FirstGuess.of(Rows.measured("cove rack mesh reading", rows));
    assertThat(guess.inquiry().approach()).isEqualTo(Approach.MIXED);
    assertThat(RandomPart.of(guess.inquiry()))
        .containsExactly(List.of("cove"), List.of("cove", "rack"));
    assertThat(guess.reason()).contains("within each other");
  }

  @Test
  void aMissedReadingPutsTheUnitAtRandom() {
    List<String> rows = new ArrayList<>(every("f1,f2,f3,f4", "w1,w2,w3"));
    Inquiry whole = FirstGuess.of(Rows.measured("float week", rows)).inquiry();
    assertThat(whole.approach()).isEqualTo(Approach.LEAST_SQUARES);
    List<String> lines = new ArrayList<>(List.of("float week y_mm"));
    for (int i = 0; i < rows.size(); i++) {
      lines.add(rows.get(i) + (i == 4 ? " -" : " " + (3.17 + 0.61 * i)));
    }
    FirstGuess lost = FirstGuess.of(Rows.of(lines.toArray(String[]::new)));
    assertThat(lost.inquiry().occasions()).containsExactly("week");
    assertThat(lost.inquiry().approach()).isEqualTo(Approach.MIXED);
    assertThat(RandomPart.of(lost.inquiry())).containsExactly(List.of("float"));
    assertThat(lost.reason()).contains("nobody is left out");
  }

  @Test
  void theRandomPartFollowsFromTheDesign() {
    Inquiry.Draft d = new Inquiry.Draft();
    d.give(Part.MEASURED, List.of("y"));
    d.give(Part.TREATMENT, List.of("zone", "mesh"));
    d.give(Part.BLOCK, List.of("cove"));
    d.give(Part.WHOLE_PLOT, List.of("zone"));
    d.approach = Approach.MIXED;
    assertThat(RandomPart.of(d.inquiry()))
        .containsExactly(List.of("cove"), List.of("cove", "zone"));
    d.clear(Part.BLOCK);
    d.give(Part.UNIT, "line");
    assertThat(RandomPart.of(d.inquiry())).containsExactly(List.of("zone", "line"));
    d.clear(Part.WHOLE_PLOT);
    d.give(Part.OCCASION, List.of("mesh"));
    assertThat(RandomPart.of(d.inquiry())).containsExactly(List.of("zone", "line"));
    d.approach = Approach.LEAST_SQUARES;
    assertThat(d.inquiry().random()).isEqualTo(RandomPart.OF_DESIGN);
  }

  @Test
  void whatIsRandomByItselfLeavesTheFixedPart() {
    Inquiry.Draft d = new Inquiry.Draft();
    d.give(Part.MEASURED, List.of("y"));
    d.give(Part.TREATMENT, List.of("year", "mesh", "line"));
    d.give(Part.BLOCK, List.of("rack", "tier"));
    d.approach = Approach.MIXED;
    d.random =
        RandomPart.OF_DESIGN.with(
            List.of(List.of("line"), List.of("rack"), List.of("year", "mesh")));
    Inquiry fixed = RandomPart.fixed(d.inquiry());
    assertThat(fixed.treatments()).containsExactly("year", "mesh");
    assertThat(fixed.blocks()).containsExactly("tier");
    assertThat(fixed.terms().chosen()).containsExactly(List.of("year"), List.of("mesh"));
  }
}
