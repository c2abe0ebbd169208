package app.knuckle.formats;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.formats.documents.DocxReport;
import app.knuckle.formats.documents.HtmlReport;
import app.knuckle.formats.documents.PdfReport;
import app.knuckle.formats.documents.TextReport;
import app.knuckle.formats.keeping.StudyFile;
import app.knuckle.formats.report.Page;
import app.knuckle.stats.Progress;
import app.knuckle.study.Refused;
import app.knuckle.study.answers.Answering;
import app.knuckle.study.contract.AnyInquiry;
import app.knuckle.study.contract.FindingsFile;
import app.knuckle.study.contract.InquiryFile;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.keeping.Study;
import app.knuckle.study.table.Table;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;

/** Saved and opened, a study asks the same and is answered the same; its report is whole. */
class AnyStudyTest {

  private static final Pattern TAG = Pattern.compile("<(/?)(table|tr|td|th|p|h1|h2|body|html)\\b");

  private static final Pattern NUMBER = Pattern.compile("-?\\d+\\.\\d+(E-?\\d+)?");

  @Property(tries = 150, seed = "26535897")
  void anAnswerOutlivesItsStudy(@ForAll Random random) throws IOException {
    AnyInquiry any = AnyInquiry.of(random);
    Inquiry inquiry;
    try {
      inquiry = InquiryFile.read(any.asked());
    } catch (Refused e) {
      return;
    }
    Path file = Files.createTempFile("any", StudyFile.ENDING);
    try {
      Study study =
          new Study(
              "any",
              List.of(new Study.Kept(any.table(), "tray.csv", Map.of())),
              List.of(new Study.Asked(any.table().name(), inquiry, Map.of())));
      StudyFile.write(study, file, StudyFile.Stamp.of(file), Progress.NONE);
      Study opened = StudyFile.read(file, Progress.NONE);
      Study.Asked asked = opened.asked().get(0);
      assertThat(asked.inquiry()).isEqualTo(inquiry);
      assertThat(answer(opened.table(asked.table()), asked.inquiry()))
          .isEqualTo(answer(any.table(), inquiry));
    } catch (RuntimeException | AssertionError e) {
      throw new AssertionError(any.toString(), e);
    } finally {
      Files.delete(file);
      Files.deleteIfExists(StudyFile.previous(file));
    }
  }

  /** The findings as they are written, or why there are none; its report on the way. */
  private static String answer(Table table, Inquiry inquiry) {
    try {
      Findings findings = Answering.of(table, inquiry, Progress.NONE);
      Page page = Page.of(findings, null);
      assertThat(TextReport.markdown(page, n -> "figure.svg")).doesNotContain("NaN");
      assertThat(TextReport.latex(page, n -> "figure.pdf")).doesNotContain("NaN");
      String report;
      try {
        report = HtmlReport.text(page);
        DocxReport.write(page, OutputStream.nullOutputStream());
        PdfReport.write(page, OutputStream.nullOutputStream());
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
      assertThat(report).doesNotContain("NaN").doesNotContain(">null<").doesNotContain("<script");
      int open = 0;
      for (Matcher tag = TAG.matcher(report); tag.find(); ) {
        open += tag.group(1).isEmpty() ? 1 : -1;
        assertThat(open).isNotNegative();
      }
      assertThat(open).as("every element ends").isZero();
      // The distribution of the range remembers what it was asked: last digits may differ.
      return NUMBER
          .matcher(FindingsFile.text(findings))
          .replaceAll(n -> String.format(Locale.ROOT, "%.9e", Double.parseDouble(n.group())));
    } catch (Refused e) {
      return e.getMessage();
    }
  }
}
