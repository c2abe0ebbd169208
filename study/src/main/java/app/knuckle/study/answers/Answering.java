package app.knuckle.study.answers;

import app.knuckle.stats.Facts;
import app.knuckle.stats.Progress;
import app.knuckle.stats.compare.Comparison;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.OneWay;
import app.knuckle.stats.means.Estimates;
import app.knuckle.study.Place;
import app.knuckle.study.Refusal;
import app.knuckle.study.Refused;
import app.knuckle.study.answers.layers.StripAnswer;
import app.knuckle.study.answers.layers.TwoLayerAnswer;
import app.knuckle.study.answers.linear.LinearAnswer;
import app.knuckle.study.answers.ranks.PermutationAnswer;
import app.knuckle.study.answers.ranks.RankAnswer;
import app.knuckle.study.answers.samples.SampleAnswer;
import app.knuckle.study.answers.together.AssociationAnswer;
import app.knuckle.study.answers.together.TogetherAnswer;
import app.knuckle.study.cells.CellGroups;
import app.knuckle.study.cells.GroupSummary;
import app.knuckle.study.cells.Parts;
import app.knuckle.study.cells.PlotGrid;
import app.knuckle.study.design.DesignReading;
import app.knuckle.study.design.Groups;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.Analysis;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.findings.ComparisonResult;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.RecordsUsed;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.findings.Sentences;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.sentences.DesignSentences;
import app.knuckle.study.sentences.DesignWords;
import app.knuckle.study.sentences.OneWaySentences;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.NumberText;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

/** The way from a table and an inquiry to findings, step by step. */
public final class Answering {

  private final Table table;
  private final Inquiry inquiry;
  private final Frame frame;
  private final Progress progress;

  /**
   * Computes the answers.
   *
   * @param table as read
   * @param inquiry the question
   * @param progress asked on the way
   * @return the findings; what cannot be computed is absent with its reason
   * @throws app.knuckle.study.Refused if the question does not fit the records at all
   * @throws java.util.concurrent.CancellationException if stopped
   */
  public static Findings of(Table table, Inquiry inquiry, Progress progress) {
    return new Answering(table, inquiry, progress).findings();
  }

  private Answering(Table table, Inquiry inquiry, Progress progress) {
    this.table = table;
    this.inquiry = inquiry;
    this.progress = progress;
    frame = Frame.of(table, inquiry.prepare(), progress);
  }

  Findings findings() {
    if (inquiry.measured().isEmpty()) {
      throw waiting("nothing is chosen as measured yet", "Choose the column that was measured");
    }
    boolean associated =
        inquiry.together() && inquiry.treatments().isEmpty() && inquiry.measured().size() > 1;
    if (inquiry.treatments().isEmpty() && inquiry.expected() == null && !associated) {
      throw waiting(
          "no treatment is chosen yet",
          "Choose the column that says what was done, or name a value to expect");
    }
    boolean bare = inquiry.treatments().isEmpty();
    if (bare && (inquiry.pairs() != null || inquiry.unit() != null)) {
      throw waiting(
          "pairs and repeated units need a treatment that differs within them",
          "Choose the treatment, or leave out who was paired or repeated");
    }
    checkParts();
    checkCells();
    inquiry.covariates().forEach(this::response);
    List<Numbers> measured = inquiry.measured().stream().map(this::response).toList();
    if (inquiry.together()) {
      measured.forEach(this::requireARow);
    }
    TogetherAnswer together =
        inquiry.together()
                && measured.size() > 1
                && !inquiry.treatments().isEmpty()
                && inquiry.method() == Inquiry.Method.LEAST_SQUARES
            ? new TogetherAnswer(frame, inquiry, progress)
            : null;
    List<ResponseFindings> responses = new ArrayList<>();
    boolean[] used = new boolean[frame.rows()];
    Map<Integer, String> left = new TreeMap<>(frame.leftOut());
    for (int r = 0; r < measured.size(); r++) {
      progress.check();
      boolean complete = together != null || associated;
      responses.add(respond(complete ? complete(measured, r) : measured.get(r), together, r));
      leaveOut(measured.get(r), used, left);
    }
    Analysis ofAll =
        together != null
            ? together.together()
            : associated
                ? new AssociationAnswer(frame, inquiry, progress).analysis()
                : Analysis.NONE;
    return new Findings(
        table,
        inquiry,
        frame,
        records(used, left),
        responses,
        ofAll,
        PlotGrid.of(frame, inquiry, measured.get(0)),
        associated ? new AssociationAnswer(frame, inquiry, progress).facts() : new Facts(),
        ofAll.tests().isEmpty()
            ? ""
            : DesignSentences.together(
                (TestResult.TogetherResult) ofAll.tests().get(0), inquiry.alpha()));
  }

  /** A response where the others have a value too, as what is said of them together needs. */
  private static Numbers complete(List<Numbers> measured, int index) {
    Numbers own = measured.get(index);
    double[] values = own.values().clone();
    for (int row = 0; row < values.length; row++) {
      int at = row;
      if (measured.stream().anyMatch(m -> m.isMissing(at))) {
        values[row] = Double.NaN;
      }
    }
    return new Numbers(own.name(), own.unit(), values);
  }

  private Refused waiting(String what, String wayOn) {
    return Refused.at(new Place.WholeFile(table.name()), what, wayOn);
  }

  /** No column can play two parts. */
  private void checkParts() {
    Set<String> seen = new LinkedHashSet<>();
    List<String> all = new ArrayList<>(inquiry.measured());
    all.addAll(inquiry.treatments());
    all.addAll(inquiry.blocks());
    all.addAll(inquiry.covariates());
    if (inquiry.unit() != null) {
      all.add(inquiry.unit());
    }
    if (inquiry.pairs() != null) {
      all.add(inquiry.pairs());
    }
    for (String name : all) {
      frame.column(name);
      if (!seen.add(name)) {
        throw Refused.at(
            new Place.WholeColumn(table.source(), name),
            "the column plays two parts",
            "Give it one part only");
      }
    }
  }

  private Numbers response(String measured) {
    Column column = frame.column(measured);
    if (column instanceof Categories categories) {
      throw notNumbers(categories);
    }
    Numbers numbers = (Numbers) column;
    double largest = 0;
    for (int row = 0; row < numbers.size(); row++) {
      requireSensible(numbers, row);
      if (frame.inPlay(row) && !numbers.isMissing(row)) {
        largest = Math.max(largest, Math.abs(numbers.value(row)));
      }
    }
    if (largest > 0 && largest < SMALLEST) {
      throw Refused.at(
          new Place.WholeColumn(table.source(), measured),
          "its values are too small to be squared",
          "Use a smaller unit");
    }
    return numbers;
  }

  /** Squares of sensible numbers, and the sum of these over all rows, are numbers themselves. */
  private void requireSensible(Numbers numbers, int row) {
    double size = Math.abs(numbers.value(row));
    if (!frame.inPlay(row) || !(size * Math.sqrt(numbers.size()) > LARGEST)) {
      return;
    }
    throw Refused.at(
        new Place.Cell(table.source(), frame.sourceRow(row) + 1L, numbers.name()),
        Double.isInfinite(size)
            ? "the value is infinite"
            : "the value " + numbers.text(row) + " is too large to be squared",
        Double.isInfinite(size)
            ? "Mark it as missing, or set the row aside with a reason"
            : "Use a larger unit, or mark it as missing");
  }

  /** Squares of smaller values have no digits left. */
  private static final double SMALLEST = 1e-151;

  /** A tenth of the root of the largest double. */
  private static final double LARGEST = 1e153;

  /** More combinations than this are no experiment, and would not be read. */
  private static final double MOST_CELLS = 10_000;

  /** Groups are made of every combination of levels: their number must be one that can be held. */
  private void checkCells() {
    Parts parts = new Parts(frame, List.of(), inquiry.treatments());
    double cells =
        parts.factors(inquiry.treatments()).stream()
            .mapToDouble(Factor::size)
            .reduce(1, (a, b) -> a * b);
    if (inquiry.treatments().size() > 1 && cells > MOST_CELLS) {
      throw Refused.at(
          new Place.Key("inquiry", List.of("treatments")),
          Numerals.list(inquiry.treatments())
              + " have "
              + Numerals.plain(cells)
              + " combinations of levels, too many to be told apart",
          "Leave out the one that is no treatment, or put levels together");
    }
  }

  /** Some row must have a value of everything that is asked about. */
  private void requireARow(Numbers response) {
    List<Column> columns = needed().stream().map(frame::column).toList();
    for (int row = 0; row < frame.rows(); row++) {
      int at = row;
      if (frame.inPlay(row)
          && !response.isMissing(row)
          && columns.stream().noneMatch(c -> c.isMissing(at))) {
        return;
      }
    }
    List<String> all = new ArrayList<>(List.of(response.name()));
    needed().stream().filter(n -> !all.contains(n)).forEach(all::add);
    throw waiting(
        "no row in play has a value of " + Numerals.list(all),
        "Keep more rows, or ask about fewer columns");
  }

  private Refused notNumbers(Categories column) {
    for (int row = 0; row < column.size(); row++) {
      String text = column.text(row);
      if (!column.isMissing(row) && Double.isNaN(NumberText.parse(text, false))) {
        return Refused.at(
            new Place.Cell(table.source(), frame.sourceRow(row) + 1L, column.name()),
            "'" + text + "' is not a number, so " + column.name() + " cannot be measured",
            "Choose a column of numbers, or mark '" + text + "' as missing");
      }
    }
    return Refused.at(
        new Place.WholeColumn(table.source(), column.name()),
        "the column is read as categories",
        "Read it as numbers to use it as measured");
  }

  /** Columns that a row must have, beside the response. */
  private List<String> needed() {
    List<String> needed = new ArrayList<>(inquiry.treatments());
    needed.addAll(inquiry.blocks());
    needed.addAll(inquiry.covariates());
    if (inquiry.unit() != null) {
      needed.add(inquiry.unit());
    }
    if (inquiry.pairs() != null) {
      needed.add(inquiry.pairs());
    }
    if (inquiry.together()) {
      needed.addAll(inquiry.measured());
    }
    return needed;
  }

  private void leaveOut(Numbers response, boolean[] used, Map<Integer, String> left) {
    List<Column> columns = new ArrayList<>(needed().stream().map(frame::column).toList());
    columns.add(response);
    for (int row = 0; row < used.length; row++) {
      if (!frame.inPlay(row)) {
        continue;
      }
      int c = 0;
      while (c < columns.size() && !columns.get(c).isMissing(row)) {
        c++;
      }
      if (c == columns.size()) {
        used[row] = true;
      } else {
        left.putIfAbsent(row, columns.get(c).name() + " is missing");
      }
    }
  }

  private RecordsUsed records(boolean[] used, Map<Integer, String> left) {
    int inPlay = 0;
    for (int row = 0; row < used.length; row++) {
      inPlay += used[row] ? 1 : 0;
      if (used[row]) {
        left.remove(row);
      }
    }
    List<RecordsUsed.LeftOut> leftOut =
        left.entrySet().stream()
            .map(e -> new RecordsUsed.LeftOut(frame.sourceRow(e.getKey()) + 1, e.getValue()))
            .distinct()
            .toList();
    return new RecordsUsed(frame.rows(), inPlay, leftOut);
  }

  private ResponseFindings respond(Numbers response, TogetherAnswer together, int index) {
    CellGroups cells = new CellGroups(frame, inquiry.treatments(), response, inquiry.alpha());
    List<GroupSummary> summaries = cells.summaries(progress);
    Analysis analysis = Analysis.NONE;
    Refusal refusal = null;
    try {
      analysis = analysis(response, together, index);
    } catch (Refused e) {
      refusal = e.refusal();
    }
    Groups groups = cells.filled();
    DesignReading design = DesignWords.of(inquiry, response, cells, analysis);
    OneWay fit = oneWay(analysis);
    Estimates estimates = fit == null ? null : fit.estimates();
    List<Comparison> comparisons =
        fit == null
            ? List.of()
            : analysis.comparisons().stream()
                .map(ComparisonResult::pairs)
                .filter(pairs -> pairs != null)
                .toList();
    Sentences words =
        refusal != null
            ? new Sentences(refusal.shown(), refusal.shown(), "")
            : fit != null
                ? OneWaySentences.of(
                    response,
                    groups,
                    fit,
                    estimates,
                    ComparedMeans.of(analysis),
                    DesignSentences.directed(response, inquiry, analysis))
                : DesignSentences.of(response, inquiry, analysis);
    return new ResponseFindings(
        response, groups, design, summaries, fit, estimates, comparisons, refusal, words, analysis);
  }

  /** The fit that the screens of a one-way layout show; null for another design. */
  private OneWay oneWay(Analysis analysis) {
    return analysis.tests().stream()
        .filter(t -> t instanceof TestResult.AnovaResult)
        .map(t -> ((TestResult.AnovaResult) t).oneWay())
        .filter(fit -> fit != null)
        .findFirst()
        .orElse(null);
  }

  private Analysis analysis(Numbers response, TogetherAnswer together, int index) {
    requireARow(response);
    if (together != null) {
      return together.analysis(index);
    }
    if (inquiry.treatments().isEmpty() && inquiry.expected() == null) {
      return Analysis.NONE; // Only how the responses go together was asked.
    }
    if (inquiry.method() == Inquiry.Method.PERMUTATION) {
      return new PermutationAnswer(frame, inquiry, response.name(), progress).analysis();
    }
    if (inquiry.method() == Inquiry.Method.RANKS) {
      return RankAnswer.to(frame, inquiry, response.name(), progress).analysis();
    }
    if (inquiry.treatments().isEmpty() || inquiry.pairs() != null) {
      return new SampleAnswer(frame, inquiry, response.name()).analysis(frame);
    }
    if (!inquiry.strips().isEmpty()) {
      return new StripAnswer(frame, inquiry, response.name(), progress).analysis();
    }
    if (!inquiry.wholePlots().isEmpty() || !inquiry.occasions().isEmpty()) {
      return new TwoLayerAnswer(frame, inquiry, response.name(), progress).analysis();
    }
    return new LinearAnswer(frame, inquiry, response.name(), progress).analysis();
  }
}
