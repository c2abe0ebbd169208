package app.knuckle.desktop.explain;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.desktop.Asked;
import app.knuckle.stats.compare.Procedure;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Which page is about a question, and about a procedure. */
class TopicTest {

  private static final Set<Topic> OF_PROCEDURES =
      EnumSet.of(
          Topic.LEAST_SIGNIFICANT_DIFFERENCE,
          Topic.TUKEY,
          Topic.ADJUSTED_P,
          Topic.SCHEFFE,
          Topic.STEP_DOWN_RANGES,
          Topic.GAMES_HOWELL,
          Topic.DUNNETT,
          Topic.PAIRS_ON_RANKS);

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "`measured`:[`y`],`expected`:3 | false | ONE_SAMPLE",
        "`measured`:[`y`,`z`],`together`:true | false | ASSOCIATIONS",
        "`measured`:[`y`],`treatments`:[`a`] | true | TWO_GROUPS",
        "`measured`:[`y`],`treatments`:[`a`] | false | ONE_TREATMENT",
        "`measured`:[`y`],`treatments`:[`a`],`pairs`:`u` | true | MATCHED_PAIRS",
        "`measured`:[`y`],`treatments`:[`a`,`b`] | false | SEVERAL_TREATMENTS",
        "`measured`:[`y`],`treatments`:[`a`],`blocks`:[`r`] | true | BLOCKS",
        "`measured`:[`y`],`treatments`:[`a`],`blocks`:[`r`,`c`] | false | ROWS_AND_COLUMNS",
        "`measured`:[`y`],`treatments`:[`a`,`b`],`wholePlots`:[`a`],`blocks`:[`r`] | false"
            + " | SPLIT_PLOTS",
        "`measured`:[`y`],`treatments`:[`a`,`b`],`strips`:[`a`],`blocks`:[`r`] | false"
            + " | SPLIT_BLOCKS",
        "`measured`:[`y`],`treatments`:[`a`],`unit`:`u`,`occasions`:[`a`] | false"
            + " | REPEATED_MEASURES",
        "`measured`:[`y`],`treatments`:[`a`],`covariates`:[`x`],`blocks`:[`r`] | false"
            + " | COVARIATES",
        "`measured`:[`y`,`z`],`treatments`:[`a`],`together`:true | false | SEVERAL_RESPONSES",
        "`measured`:[`y`],`treatments`:[`a`],`method`:`unequal-spread` | true | UNEQUAL_SPREAD",
        "`measured`:[`y`],`treatments`:[`a`],`method`:`ranks` | true | RANKS_OF_TWO_GROUPS",
        "`measured`:[`y`],`treatments`:[`a`],`method`:`ranks` | false | RANKS_OF_SEVERAL_GROUPS",
        "`measured`:[`y`],`treatments`:[`a`],`pairs`:`u`,`method`:`ranks` | true | RANKS_OF_PAIRS",
        "`measured`:[`y`],`expected`:3,`method`:`ranks` | false | RANKS_OF_PAIRS",
        "`measured`:[`y`],`treatments`:[`a`],`blocks`:[`r`],`method`:`ranks` | false"
            + " | RANKS_IN_BLOCKS",
        "`measured`:[`y`],`treatments`:[`a`],`method`:`permutation` | true | REARRANGEMENT",
        "`measured`:[`y`],`treatments`:[`a`],`random`:[`r`] | false | RANDOM_EFFECTS",
        "`measured`:[`y`],`treatments`:[`a`],`method`:`counts` | false | COUNTS",
        "`measured`:[`y`],`treatments`:[`a`],`outOf`:`n`,`method`:`proportions` | false | SHARES"
      })
  void aQuestionHasThePageOfItsMethodOrDesign(String keys, boolean two, Topic page) {
    assertThat(Topic.of(Asked.inquiry(keys), two)).isEqualTo(page);
  }

  @Test
  void everyPageOfAProcedureIsReachedByOne() {
    assertThat(Arrays.stream(Procedure.values()).map(Topic::of))
        .containsAll(OF_PROCEDURES)
        .allMatch(OF_PROCEDURES::contains);
    assertThat(Topic.of(Procedure.HOLM)).isEqualTo(Topic.ADJUSTED_P);
    assertThat(Topic.of(Procedure.STEEL)).isEqualTo(Topic.PAIRS_ON_RANKS);
  }

  @Test
  void aPageIsCalledAsItsFileIs() {
    assertThat(Topic.STEP_DOWN_RANGES.slug()).isEqualTo("step-down-ranges");
  }
}
