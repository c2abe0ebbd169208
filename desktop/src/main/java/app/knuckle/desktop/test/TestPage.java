package app.knuckle.desktop.test;

import app.knuckle.desktop.curve.DistributionCurve;
import app.knuckle.desktop.workbench.Answer;
import app.knuckle.figures.scatter.Magnitude;
import app.knuckle.study.design.Analysis;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.RandomPart;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Prose;
import java.util.List;
import java.util.stream.IntStream;

/**
 * What the Test joint says.
 *
 * @param title the question
 * @param line what was tested, how, on how many rows
 * @param sheets tables, the main one first
 * @param fit names and values of the fit
 * @param coefficients of the model, shown on demand; null where there are none
 * @param unit of what is compared: of the response, or mean ranks; empty for none
 * @param squares whether the kind of sums of squares matters, so that it is offered
 */
public record TestPage(
    String title,
    String line,
    List<Sheet> sheets,
    List<Fact> fit,
    Sheet coefficients,
    String unit,
    boolean squares) {

  public TestPage {
    sheets = List.copyOf(sheets);
    fit = List.copyOf(fit);
  }

  /**
   * A table.
   *
   * @param title over it; empty for none
   * @param heads of the columns
   * @param names how many columns on the left hold names
   * @param lines its rows
   */
  public record Sheet(String title, List<String> heads, int names, List<Line> lines) {
    public Sheet {
      heads = List.copyOf(heads);
      lines = List.copyOf(lines);
    }

    /** Head of a column of sentences. */
    static final String MEANING = "what it says";

    /** Where the sentences stand; -1 for none. */
    int meanings() {
      return heads.indexOf(MEANING);
    }

    /** Where the bars stand; -1 for none. */
    int bars() {
      return IntStream.of(heads.indexOf(BARS), heads.indexOf(INTERVALS), heads.indexOf(SHARES))
          .max()
          .orElse(-1);
    }
  }

  /** Head of a column of shares. */
  static final String SHARES = "share of the variance";

  /** Head of a column of intervals. */
  static final String INTERVALS = "interval, 0 marked";

  /** Head of the column of bars. */
  static final String BARS = "signal \u00f7 noise";

  /**
   * A row of a table.
   *
   * @param cells ready to show; empty in the column of bars
   * @param signal length of its bar, from 0 to 1; negative for none
   * @param critical place of the critical value on the bar's scale
   * @param significant whether p is at most alpha
   * @param faint whether it is not judged itself
   * @param interval drawn in place of a bar; null for none
   * @param explained what it means; null where there is nothing to explain
   */
  public record Line(
      List<String> cells,
      double signal,
      double critical,
      boolean significant,
      boolean faint,
      Interval interval,
      Explained explained) {

    /** A row without a bar. */
    static Line plain(List<String> cells, boolean significant, Explained explained) {
      return new Line(cells, -1, -1, significant, false, null, explained);
    }
  }

  /**
   * An interval on a scale of its own.
   *
   * @param low place of its lower end, from 0 to 1
   * @param middle place of the estimate
   * @param high place of its upper end
   * @param none place of no difference
   */
  public record Interval(double low, double middle, double high, double none) {}

  /**
   * A row in words.
   *
   * @param title over the words
   * @param words what it means
   * @param caution what to heed; empty for nothing
   * @param curve where its statistic falls; null for none
   * @param size how far apart the means lie, drawn; null for none
   * @param ways which means to go and compare
   */
  public record Explained(
      String title,
      String words,
      String caution,
      DistributionCurve curve,
      Magnitude size,
      List<Way> ways) {

    /** Words with nothing beside them. */
    static Explained plain(String title, String words) {
      return on(title, words, null);
    }

    /** Words beside a curve. */
    static Explained on(String title, String words, DistributionCurve curve) {
      return new Explained(title, words, "", curve, null, List.of());
    }
  }

  /**
   * A way to the means, or to the records.
   *
   * @param label on its button
   * @param of treatments whose means are compared
   * @param within treatments at each of whose levels that is done
   * @param row of the records, from 0; -1 for a way to the means
   */
  public record Way(String label, List<String> of, List<String> within, int row) {

    /** A way to the means. */
    public Way(String label, List<String> of, List<String> within) {
      this(label, of, within, -1);
    }

    /** A way to a row of the records. */
    static Way toRecord(String label, int row) {
      return new Way(label, List.of(), List.of(), row);
    }
  }

  /**
   * A name and its value.
   *
   * @param name in words
   * @param value ready to show
   * @param meaning one plain sentence
   */
  public record Fact(String name, String value, String meaning) {}

  /**
   * The row that is read out.
   *
   * @param title of the one that was chosen before; another where that is gone
   * @return null where no row is explained
   */
  public Line read(String title) {
    return sheets.stream()
        .flatMap(sheet -> sheet.lines().stream())
        .filter(line -> line.explained() != null && line.explained().title().equals(title))
        .findFirst()
        .orElse(sheets.isEmpty() ? null : mostTelling(sheets.get(0).lines()));
  }

  /**
   * What is read first: the last significant effect, which is the highest interaction; of several
   * rows about one effect the first, which is the usual form or statistic.
   */
  private static Line mostTelling(List<Line> lines) {
    Line found = null;
    for (Line line : lines) {
      boolean more = line.explained() != null && !isAbout(line, found);
      boolean told = found != null && !found.faint() && !(line.significant() && !line.faint());
      found = more && !told ? line : found;
    }
    return found;
  }

  private static boolean isAbout(Line line, Line other) {
    return other != null
        && (line.interval() != null || line.explained().title().equals(other.explained().title()));
  }

  /** The page of an answer with a test, made once. */
  public static TestPage of(Answer answer) {
    return answer.page(TestPage.class, tested -> of(tested.findings()));
  }

  /**
   * The page of findings.
   *
   * @param findings with a test
   * @return the page
   */
  public static TestPage of(Findings findings) {
    ResponseFindings response = findings.first();
    Inquiry inquiry = findings.inquiry();
    TestSheets sheets = new TestSheets(findings);
    findings.together().tests().forEach(sheets::add);
    response.results().tests().forEach(sheets::add);
    int left = findings.records().leftOut().size();
    long n = findings.records().inPlay();
    return new TestPage(
        inquiry.treatments().isEmpty()
            ? inquiry.analysis() == Analysis.MIXED
                ? "Where does the variation lie?"
                : "Is the mean what was expected?"
            : inquiry.treatments().size() > 1
                ? "What do the treatments do?"
                : "Do the treatments differ?",
        Prose.capital(response.measured().title())
            + " \u00b7 "
            + by(inquiry)
            + " \u00b7 "
            + Numerals.count(n, "row", "rows")
            + (left == 0 ? ", none left out" : ", " + Numerals.whole(left) + " left out"),
        sheets.sheets(),
        sheets.facts(),
        sheets.coefficients(),
        findings.inquiry().analysis() == Analysis.RANKS ? "mean rank" : response.measured().unit(),
        sheets.squaresMatter());
  }

  /** How it was judged; with random effects, what is at random. */
  private static String by(Inquiry inquiry) {
    return inquiry.analysis() == Analysis.MIXED && !RandomPart.of(inquiry).isEmpty()
        ? Numerals.list(
                RandomPart.of(inquiry).stream().map(term -> String.join(" \u00d7 ", term)).toList())
            + " at random (REML)"
        : inquiry.approach().words();
  }
}
