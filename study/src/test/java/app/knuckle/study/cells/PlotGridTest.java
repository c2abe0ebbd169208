package app.knuckle.study.cells;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.stats.Progress;
import app.knuckle.study.Rows;
import app.knuckle.study.answers.Answering;
import app.knuckle.study.contract.AnyInquiry;
import app.knuckle.study.contract.InquiryFile;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.table.Table;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What was laid out where, and how that reads. */
class PlotGridTest {

  /** Two meshes by three densities in three racks, a bag in each; the tide has come twice. */
  private static Table bags() {
    List<String> rows = new ArrayList<>();
    for (int i = 0; i < 36; i++) {
      rows.add(String.format("b%d m%d d%d r%d t%d", i / 2, i / 2 % 2, i / 4 % 3, i / 12, i % 2));
    }
    return Rows.measured("bag mesh density rack tide", rows);
  }

  private static Findings found(Table table, String asked) {
    String json = "{`knuckle`:`inquiry`,`version`:1,`measured`:[`y_mm`]," + asked + "}";
    return Answering.of(table, InquiryFile.read(json.replace('`', '"')), Progress.NONE);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "`treatments`:[`mesh`] | '' | mesh | '' | 1 x 2 | one treatment at 2 levels",
        "`treatments`:[`mesh`,`density`] | mesh | density | '' | 2 x 3 | 2 × 3 factorial",
        "`treatments`:[`mesh`,`density`],`blocks`:[`rack`] | mesh | density | rack | 2 x 3 "
            + "| 2 × 3 factorial in randomised complete blocks",
        "`treatments`:[`mesh`,`tide`],`blocks`:[`rack`],`wholePlots`:[`mesh`] "
            + "| rack | mesh | tide | 3 x 2 | split plot",
        "`treatments`:[`mesh`,`tide`],`unit`:`bag`,`occasions`:[`tide`] "
            + "| bag | tide | mesh | 18 x 2 | repeated on each bag",
        "`treatments`:[`mesh`],`blocks`:[`rack`,`density`] | rack | density | mesh | 3 x 3 | ''"
      })
  void everyDesignHasItsPlan(
      String asked, String rows, String columns, String colours, String size, String reads) {
    Findings findings = found(bags(), asked);
    PlotGrid plan = findings.plan();
    assertThat(plan.rowsTitle()).isEqualTo(rows);
    assertThat(plan.columnsTitle()).isEqualTo(columns);
    assertThat(plan.colourTitle()).isEqualTo(colours);
    assertThat(plan.cells().size() + plan.moreRows() + " x " + plan.columns().size())
        .isEqualTo(size);
    assertThat(counted(plan)).isEqualTo(36);
    assertThat(findings.first().design().readsAs()).contains(reads);
  }

  private static int counted(PlotGrid plan) {
    return plan.cells().stream().flatMap(List::stream).mapToInt(PlotGrid.Cell::n).sum();
  }

  /** Every row in play lies in one cell, which leads to its first record. */
  @Property(tries = 200, seed = "74889103")
  void everyRowLiesInItsCell(@ForAll Random random) {
    AnyInquiry any = AnyInquiry.of(random);
    Optional<Findings> answer = any.answer();
    if (answer.isEmpty()) {
      return;
    }
    Findings findings = answer.get();
    PlotGrid plan = findings.plan();
    if (plan == null) {
      return;
    }
    int values = 0;
    for (List<PlotGrid.Cell> row : plan.cells()) {
      assertThat(row).hasSameSizeAs(plan.columns());
      for (PlotGrid.Cell cell : row) {
        values += cell.n();
        assertThat(cell.row() >= 0).isEqualTo(cell.n() > 0);
        assertThat(cell.colours().size()).isEqualTo(Math.min(cell.n(), PlotGrid.MOST_DOTS));
        assertThat(cell.colours()).allMatch(c -> c < Math.max(1, plan.colours().size()));
      }
    }
    assertThat(values).as(any.toString()).isLessThanOrEqualTo(any.table().rows());
  }
}
