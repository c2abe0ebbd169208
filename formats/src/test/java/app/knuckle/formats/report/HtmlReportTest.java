package app.knuckle.formats.report;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.formats.documents.HtmlReport;
import app.knuckle.stats.Progress;
import app.knuckle.study.answers.Answering;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import java.util.List;
import org.junit.jupiter.api.Test;

class HtmlReportTest {

  @Test
  void namesFromTheRecordsAreEscaped() throws java.io.IOException {
    int[] codes = {0, 0, 1, 1};
    Table table =
        new Table(
            "t",
            "t.csv",
            List.of(
                new Numbers("y", "", new double[] {1, 2, 5, 6}),
                new Categories("g", "", codes, List.of("<script>", "b & c"), false)),
            "");
    Findings findings = Answering.of(table, Inquiry.about("y", "g"), Progress.NONE);
    String page = HtmlReport.text(Page.of(findings, null));
    assertThat(page)
        .contains("&lt;script&gt;", "b &amp; c", "<i>t</i>(2) = 5.66")
        .doesNotContain("<script>");
  }

  @Test
  void anInquiryMayHaveTheNameOfItsTable() throws java.io.IOException {
    Table table =
        new Table(
            "t",
            "t.csv",
            List.of(
                new Numbers("y", "", new double[] {1, 2, 5, 6}),
                new Categories("g", "", new int[] {0, 0, 1, 1}, List.of("a", "b"), false)),
            "");
    Findings findings = Answering.of(table, Inquiry.about("y", "g").named("t"), Progress.NONE);
    assertThat(HtmlReport.text(Page.of(findings, null))).contains("<i>t</i>(2) = 5.66");
  }
}
