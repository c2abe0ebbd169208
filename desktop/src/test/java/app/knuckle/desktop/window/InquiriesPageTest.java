package app.knuckle.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.desktop.demo.DemoStudy;
import app.knuckle.desktop.workbench.Answer;
import app.knuckle.stats.Progress;
import app.knuckle.study.keeping.Study;
import app.knuckle.study.stages.Stages;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The list of all inquiries, without a window. */
class InquiriesPageTest {

  private static List<InquiriesPage.Asked> demo() {
    Study study = DemoStudy.read();
    List<InquiriesPage.Asked> all = new ArrayList<>();
    for (Study.Asked asked : study.asked()) {
      Answer answer =
          Answer.to(
              study.table(asked.table()), asked.inquiry(), null, Stages.once(), Progress.NONE);
      all.add(new InquiriesPage.Asked(all.size(), asked.table(), asked.inquiry().name(), answer));
    }
    return all;
  }

  private static final List<InquiriesPage.Asked> DEMO = demo();

  private static List<InquiriesPage.Row> rows(InquiriesPage page) {
    return page.tables().stream().flatMap(table -> table.rows().stream()).toList();
  }

  @Test
  void everyInquiryStandsUnderItsTableWithItsFinding() {
    InquiriesPage page = InquiriesPage.of(DEMO, "");
    assertThat(page.tables()).hasSize(Driver.TABLES);
    assertThat(rows(page)).extracting(InquiriesPage.Row::place).doesNotHaveDuplicates();
    assertThat(rows(page)).hasSameSizeAs(DEMO);
    assertThat(rows(page)).allSatisfy(row -> assertThat(row.finding()).isNotBlank());
    assertThat(page.summary())
        .startsWith(Driver.INQUIRIES + " inquiries on " + Driver.TABLES + " tables");
  }

  @ParameterizedTest
  @CsvSource({
    "'', 18",
    "'   ', 18",
    "RACK-trial, 3",
    "ranks rack-trial, 1",
    "friedman, 1",
    "start_mm, 1",
    "nothing has this, 0"
  })
  void allWordsOfTheFilterMustFitSomewhereInARow(String filter, int rows) {
    assertThat(rows(InquiriesPage.of(DEMO, filter))).hasSize(rows);
  }

  @Test
  void whatIsNotAnsweredYetSaysSo() {
    InquiriesPage page = InquiriesPage.of(List.of(new InquiriesPage.Asked(0, "t", "q", null)), "");
    assertThat(rows(page).get(0).state()).isEqualTo(InquiriesPage.State.WAITING);
    assertThat(page.summary()).isEqualTo("1 inquiry on 1 table; 1 has no answer yet.");
  }

  @Test
  void allInquiriesOfATableAreOneTable() {
    List<InquiriesPage.Asked> trial =
        DEMO.stream().filter(one -> one.table().equals("rack-trial")).toList();
    EffectsTable table = EffectsTable.of(trial);
    assertThat(table.effects())
        .containsExactly("rack", "mesh", "density", "mesh × density", "start_mm");
    assertThat(table.rows()).hasSize(3);
    // As the reference cases of the trial have it.
    EffectsTable.Row plain = table.rows().get(0);
    assertThat(plain.cells()).containsExactly("< .001", "< .001", "< .001", ".071", "");
    assertThat(plain.found()).containsExactly(true, true, true, false, false);
    assertThat(plain.largest()).isEqualTo("coarse / 60: 16.80 a");
    assertThat(table.rows().get(1).cells()).endsWith(".018", ".011");
    assertThat(EffectsTable.of(List.of(new InquiriesPage.Asked(0, "t", "q", null))).rows())
        .isEmpty();
  }
}
