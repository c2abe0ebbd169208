package app.knuckle.study.sentences;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.stats.Progress;
import app.knuckle.study.Rows;
import app.knuckle.study.answers.Answering;
import app.knuckle.study.contract.InquiryFile;
import app.knuckle.study.design.DesignReading;
import app.knuckle.study.table.Table;
import java.util.List;
import org.junit.jupiter.api.Test;

/** The question in words and in symbols, for every kind of design. */
class WhatIsAskedTest {

  private static final Table TANKS =
      Rows.of(
          "mesh feed tank start rate shell",
          "fine kelp t1 1.0 4 11",
          "fine kelp t2 2.5 6 12",
          "fine mix t3 1.5 5 14",
          "fine mix t4 2.0 9 13",
          "coarse kelp t1 1.2 7 18",
          "coarse kelp t2 2.2 8 15",
          "coarse mix t3 1.8 12 17",
          "coarse mix t4 2.8 10 19");

  private static DesignReading reading(String keys) {
    String json = "{`knuckle`:`inquiry`,`version`:1," + keys + "}";
    return Answering.of(TANKS, InquiryFile.read(json.replace('`', '"')), Progress.NONE)
        .first()
        .design();
  }

  @Test
  void twoGroupsInEitherDirectionOrInOne() {
    DesignReading either = reading("`measured`:[`rate`],`treatments`:[`mesh`]");
    assertThat(either.questions()).containsExactly("Is mean rate the same at both levels of mesh?");
    assertThat(either.hypotheses())
        .containsExactly(
            "H\u2080: \u03bc(fine) = \u03bc(coarse).",
            "H\u2081: \u03bc(fine) \u2260 \u03bc(coarse).");
    DesignReading less = reading("`measured`:[`rate`],`treatments`:[`mesh`],`direction`:`less`");
    assertThat(less.questions()).containsExactly("Is mean rate of fine below that of coarse?");
    assertThat(less.hypotheses())
        .containsExactly(
            "H\u2080: \u03bc(fine) \u2265 \u03bc(coarse).",
            "H\u2081: \u03bc(fine) < \u03bc(coarse).");
  }

  @Test
  void columnsWithoutATreatmentAreAskedHowTheyGoTogether() {
    DesignReading both = reading("`measured`:[`rate`,`shell`],`treatments`:[],`together`:true");
    assertThat(both.questions()).containsExactly("How do rate and shell go together?");
    assertThat(both.hypotheses())
        .containsExactly(
            "H\u2080: the correlation of each pair of columns is 0.",
            "H\u2081: it is not, pair by pair.");
  }

  @Test
  void oneSampleAgainstWhatWasExpected() {
    DesignReading one = reading("`measured`:[`rate`],`expected`:8,`direction`:`greater`");
    assertThat(one.questions()).containsExactly("Is mean rate above 8?");
    assertThat(one.hypotheses())
        .containsExactly("H\u2080: \u03bc \u2264 8.", "H\u2081: \u03bc > 8.");
    assertThat(reading("`measured`:[`rate`],`expected`:8,`method`:`ranks`").hypotheses())
        .containsExactly(
            "H\u2080: the median of rate = 8.", "H\u2081: the median of rate \u2260 8.");
  }

  @Test
  void treatmentsTogetherAskWhetherTheirEffectsAddUp() {
    DesignReading both = reading("`measured`:[`rate`],`treatments`:[`mesh`,`feed`]");
    assertThat(both.questions())
        .containsExactly(
            "Is mean rate the same at both levels of mesh?",
            "Is mean rate the same at both levels of feed?",
            "Does the effect of mesh on rate depend on feed?");
    assertThat(both.hypotheses())
        .containsExactly(
            "H\u2080: \u03bc(fine) = \u03bc(coarse), whatever the feed.",
            "H\u2080: \u03bc(kelp) = \u03bc(mix), whatever the mesh.",
            "H\u2080: the effects of mesh and feed on rate add up.",
            "H\u2081, of each in turn: it does not hold.");
    assertThat(
            reading("`measured`:[`rate`],`treatments`:[`mesh`,`feed`],`terms`:`main`").questions())
        .hasSize(2);
  }

  @Test
  void aCovariateIsHeldAlikeOrHasSlopesOfItsOwn() {
    DesignReading alike =
        reading("`measured`:[`rate`],`treatments`:[`mesh`],`covariates`:[`start`]");
    assertThat(alike.questions())
        .containsExactly("Is mean rate the same at both levels of mesh at the same start?");
    assertThat(alike.hypotheses()).first().asString().endsWith("at the same start.");
    DesignReading own =
        reading(
            "`measured`:[`rate`],`treatments`:[`mesh`,`feed`],`covariates`:[`start`],"
                + "`terms`:[[`mesh`],[`feed`],[`mesh`,`start`]]");
    assertThat(own.questions()).contains("Does the slope of rate on start depend on mesh?");
    assertThat(own.hypotheses())
        .contains("H\u2080: the slopes on start are parallel at every level of mesh.");
  }

  @Test
  void ranksAskWhoTendsToBeHigher() {
    DesignReading groups = reading("`measured`:[`rate`],`treatments`:[`mesh`],`method`:`ranks`");
    assertThat(groups.questions())
        .containsExactly("Does rate tend to be higher at some level of mesh?");
    assertThat(groups.hypotheses()).last().asString().contains("tends to be higher or lower");
    DesignReading pairs =
        reading(
            "`measured`:[`rate`],`treatments`:[`mesh`],`pairs`:`tank`,`method`:`ranks`,"
                + "`direction`:`greater`");
    assertThat(pairs.hypotheses())
        .isEqualTo(
            List.of(
                "H\u2080: fine \u2212 coarse within a tank lies at or below 0.",
                "H\u2081: fine \u2212 coarse within a tank tends to be above 0."));
  }

  @Test
  void responsesTogetherAreOneQuestion() {
    assertThat(
            reading("`measured`:[`rate`,`shell`],`together`:true,`treatments`:[`mesh`]")
                .questions())
        .containsExactly(
            "Are the means of rate and shell, taken together, the same at both levels of mesh?");
  }

  @Test
  void manyLevelsAreNumbered() {
    DesignReading many = reading("`measured`:[`rate`],`treatments`:[`mesh`,`tank`],`terms`:`main`");
    assertThat(many.hypotheses()).anyMatch(h -> h.contains("\u03bc(t1) = \u03bc(t2)"));
    Table table =
        Rows.of("y day", "1 d1", "2 d2", "3 d3", "4 d4", "5 d5", "6 d6", "8 d1", "9 d2", "7 d3");
    String json =
        "{\"knuckle\":\"inquiry\",\"version\":1,\"measured\":[\"y\"],\"treatments\":[\"day\"]}";
    assertThat(
            Answering.of(table, InquiryFile.read(json), Progress.NONE)
                .first()
                .design()
                .hypotheses())
        .first()
        .isEqualTo(
            "H\u2080: \u03bc\u2081 = \u03bc\u2082 = \u2026 = \u03bc\u2086 over the 6 levels of day.");
  }
}
