package app.knuckle.formats.report;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.formats.documents.HtmlReport;
import app.knuckle.stats.Progress;
import app.knuckle.study.answers.Answering;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import java.io.IOException;
import java.util.List;
import org.junit.jupiter.api.Test;

class HtmlReportTest {

  private static String page(String name, String... levels) throws IOException {
    Table table =
        new Table(
            "t",
            "t.csv",
            List.of(
                new Numbers("y", "", new double[] {1, 2, 5, 6}),
                new Categories("g", "", new int[] {0, 0, 1, 1}, List.of(levels), false)),
            "");
    Inquiry inquiry = Inquiry.about("y", "g").named(name);
    return HtmlReport.text(Page.of(Answering.of(table, inquiry, Progress.NONE), null));
  }

  @Test
  void namesFromTheRecordsAreEscaped() throws IOException {
    assertThat(page("", "<script>", "b & c"))
        .contains("&lt;script&gt;", "b &amp; c", "<i>t</i>(2) = 5.66")
        .doesNotContain("<script>");
  }

  @Test
  void anInquiryMayHaveTheNameOfItsTable() throws IOException {
    assertThat(page("t", "a", "b")).contains("<i>t</i>(2) = 5.66");
  }
}
