package app.knuckle.desktop.look;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.stats.Progress;
import app.knuckle.study.answers.Answering;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.Part;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import java.util.List;
import org.junit.jupiter.api.Test;

class LookPageTest {

  /** Cells of two rows: means 1, 5, 3, 9 by mesh and density. */
  private static LookPage page() {
    int[] mesh = {0, 0, 0, 0, 1, 1, 1, 1};
    int[] density = {0, 0, 1, 1, 0, 0, 1, 1};
    double[] growth = {0, 2, 4, 6, 2, 4, 8, 10};
    Table table =
        new Table(
            "tray",
            "tray.csv",
            List.of(
                new Numbers("growth", "mm", growth),
                new Categories("mesh", "", mesh, List.of("fine", "coarse"), false),
                new Categories("density", "", density, List.of("60", "240"), false)),
            "");
    Inquiry inquiry =
        Inquiry.about("growth", "mesh")
            .but(d -> d.give(Part.TREATMENT, List.of("mesh", "density")));
    Findings findings = Answering.of(table, inquiry, Progress.NONE);
    return LookPage.of(findings, findings.frame());
  }

  @Test
  void summariesOfAnyGroupingSortedByAnyColumn() {
    LookPage page = page();
    assertThat(page.groupings())
        .contains(List.of("mesh"), List.of("density"))
        .first()
        .isEqualTo(List.of("mesh", "density"));
    List<String> cells = List.of("mesh", "density");
    int mean = page.summaries(cells, -1, false).heads().indexOf("mean");
    assertThat(names(page.summaries(cells, mean, true)))
        .containsExactly("coarse / 240", "fine / 240", "coarse / 60", "fine / 60", "all together");
    assertThat(names(page.summaries(cells, mean, false)))
        .startsWith("fine / 60")
        .endsWith("all together");
    LookPage.Summaries byMesh = page.summaries(List.of("mesh"), -1, false);
    assertThat(names(byMesh)).containsExactly("fine", "coarse", "all together");
    assertThat(byMesh.rows().get(1).get(mean)).startsWith("6");
    assertThat(byMesh.asText().lines()).hasSize(4).allMatch(l -> l.split("\t").length == 12);
  }

  private static List<String> names(LookPage.Summaries summaries) {
    return summaries.rows().stream().map(r -> r.get(0)).toList();
  }
}
