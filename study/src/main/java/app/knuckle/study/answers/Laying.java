package app.knuckle.study.answers;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Progress;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.cells.CellGroups;
import app.knuckle.study.cells.GroupSummary;
import app.knuckle.study.cells.PlotGrid;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.Part;
import app.knuckle.study.findings.RecordsUsed;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.sentences.Contradictions;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.NumberText;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;

/** Lays a question out over its records: which rows take part, and what is odd about that. */
final class Laying {

  private final Table table;
  private final Frame frame;
  private final Inquiry inquiry;

  private Laying(Table table, Frame frame, Inquiry inquiry) {
    this.table = table;
    this.frame = frame;
    this.inquiry = inquiry;
  }

  /**
   * Lays a question out.
   *
   * @param table as read
   * @param frame its records after the trail
   * @param inquiry as {@link Inquiry#laying()} gives it
   * @param progress asked on the way
   * @return the layout
   * @throws Refused if the columns cannot play their parts
   */
  static Laid of(Table table, Frame frame, Inquiry inquiry, Progress progress) {
    return new Laying(table, frame, inquiry).laid(progress);
  }

  private Laid laid(Progress progress) {
    checkParts();
    checkLevels();
    inquiry.covariates().forEach(this::response);
    List<Numbers> measured = inquiry.measured().stream().map(this::response).toList();
    if (inquiry.together()) {
      measured.forEach(this::requireARow);
    }
    List<? extends Column> beside = beside(measured);
    List<Laid.Response> responses = new ArrayList<>();
    boolean[] used = new boolean[frame.rows()];
    Map<Integer, String> left = new TreeMap<>(frame.leftOut());
    for (int r = 0; r < measured.size(); r++) {
      progress.check();
      Numbers values = complete(measured.get(r), beside);
      Analysed analysed = Analysed.of(frame, inquiry, values);
      responses.add(response(values, analysed.values(), progress));
      leaveOut(measured.get(r), analysed.dropped(), used, left);
    }
    return new Laid(responses, records(used, left), PlotGrid.of(frame, inquiry, measured.get(0)));
  }

  private Laid.Response response(Numbers values, Numbers analysed, Progress progress) {
    CellGroups cells = new CellGroups(frame, inquiry.treatments(), values);
    List<GroupSummary> summaries = cells.summaries(progress);
    return new Laid.Response(
        values,
        cells,
        cells.filled(),
        summaries,
        analysed == values
            ? summaries
            : new CellGroups(frame, inquiry.treatments(), analysed).summaries(progress),
        Contradictions.of(inquiry, values, cells),
        hasARow(values));
  }

  /**
   * Columns without whose value nothing is said of a response: all responses where they are one
   * answer, and what a count is out of.
   */
  private List<? extends Column> beside(List<Numbers> measured) {
    if (Laid.isTogether(inquiry) || Laid.isAssociated(inquiry)) {
      return measured;
    }
    return Stream.of(inquiry.outOf(), inquiry.exposure())
        .filter(Objects::nonNull)
        .map(frame::column)
        .toList();
  }

  /** A response where other columns have a value too. */
  private static Numbers complete(Numbers own, List<? extends Column> others) {
    if (others.isEmpty()) {
      return own;
    }
    double[] values = own.values().clone();
    for (int row = 0; row < values.length; row++) {
      int at = row;
      if (others.stream().anyMatch(other -> other.isMissing(at))) {
        values[row] = Double.NaN;
      }
    }
    return new Numbers(own.name(), own.unit(), values);
  }

  /** No column can play two parts. */
  private void checkParts() {
    inquiry.random().terms().forEach(term -> term.forEach(frame::column));
    Set<String> seen = new LinkedHashSet<>();
    List<String> all = Part.alone().stream().flatMap(part -> inquiry.in(part).stream()).toList();
    for (String name : all) {
      frame.column(name);
      if (!seen.add(name)) {
        throw Refused.at(
            new Place.WholeColumn(table.source(), name),
            say("refused.column-plays-two-parts"),
            say("way.give-one-part-only"));
      }
    }
  }

  /** Numbers too large to be told from each other are no levels. */
  private void checkLevels() {
    for (String name : Laid.needed(inquiry)) {
      if (frame.column(name) instanceof Numbers numbers) {
        for (int row = 0; row < numbers.size(); row++) {
          if (frame.inPlay(row) && Double.isInfinite(numbers.value(row))) {
            throw insensible(numbers, row);
          }
        }
      }
    }
  }

  private Numbers response(String measured) {
    Column column = frame.column(measured);
    if (column instanceof Categories categories) {
      throw notNumbers(categories);
    }
    Numbers numbers = (Numbers) column;
    double most = LARGEST / Math.sqrt(numbers.size());
    boolean[] inPlay = frame.allInPlay();
    double largest = 0;
    for (int row = 0; row < inPlay.length; row++) {
      double size = Math.abs(numbers.value(row));
      if (inPlay[row] && size > most) {
        throw insensible(numbers, row);
      }
      largest = inPlay[row] && size > largest ? size : largest;
    }
    if (largest > 0 && largest < SMALLEST) {
      throw Refused.at(
          new Place.WholeColumn(table.source(), measured),
          say("refused.values-too-small"),
          say("way.use-smaller-unit"));
    }
    return numbers;
  }

  /** Squares of sensible numbers, and the sum of these over all rows, are numbers themselves. */
  private Refused insensible(Numbers numbers, int row) {
    return Refused.at(
        new Place.Cell(table.source(), frame.sourceRow(row) + 1L, numbers.name()),
        Double.isInfinite(numbers.value(row))
            ? say("refused.value-infinite")
            : say("refused.value-too-large", numbers.text(row)),
        Double.isInfinite(numbers.value(row))
            ? say("way.mark-missing-or-set")
            : say("way.use-larger-unit-or"));
  }

  /** Squares of smaller values have no digits left. */
  private static final double SMALLEST = 1e-151;

  /** A tenth of the root of the largest double. */
  private static final double LARGEST = 1e153;

  /** Some row must have a value of everything that is asked about. */
  private void requireARow(Numbers response) {
    if (!hasARow(response)) {
      throw Laid.noRow(table, inquiry, response);
    }
  }

  private boolean hasARow(Numbers response) {
    List<Column> columns = Laid.needed(inquiry).stream().map(frame::column).toList();
    for (int row = 0; row < frame.rows(); row++) {
      int at = row;
      if (frame.inPlay(row)
          && !response.isMissing(row)
          && columns.stream().noneMatch(c -> c.isMissing(at))) {
        return true;
      }
    }
    return false;
  }

  private Refused notNumbers(Categories column) {
    for (int row = 0; row < column.size(); row++) {
      String text = column.text(row);
      if (!column.isMissing(row) && Double.isNaN(NumberText.parse(text, false))) {
        return Refused.at(
            new Place.Cell(table.source(), frame.sourceRow(row) + 1L, column.name()),
            say("refused.not-a-number-measured", text, column.name()),
            say("way.choose-column-numbers-or", text));
      }
    }
    return Refused.at(
        new Place.WholeColumn(table.source(), column.name()),
        say("refused.column-read-categories"),
        say("way.read-numbers-use-measured"));
  }

  private void leaveOut(
      Numbers response, Map<Integer, String> dropped, boolean[] used, Map<Integer, String> left) {
    List<Column> columns =
        new ArrayList<>(Laid.needed(inquiry).stream().map(frame::column).toList());
    columns.add(response);
    List<String> missing =
        columns.stream().map(column -> say("records.missing", column.name())).toList();
    boolean[] whole = frame.allInPlay();
    for (int c = 0; c < missing.size(); c++) {
      Column column = columns.get(c);
      for (int row = 0; row < whole.length; row++) {
        if (column.isMissing(row) && whole[row]) {
          whole[row] = false;
          left.putIfAbsent(row, missing.get(c));
        }
      }
    }
    dropped.forEach(
        (row, why) -> {
          whole[row] = false;
          left.putIfAbsent(row, why);
        });
    for (int row = 0; row < used.length; row++) {
      used[row] |= whole[row];
    }
  }

  private RecordsUsed records(boolean[] used, Map<Integer, String> left) {
    int inPlay = 0;
    for (boolean one : used) {
      inPlay += one ? 1 : 0;
    }
    left.keySet().removeIf(row -> used[row]);
    List<RecordsUsed.LeftOut> leftOut =
        left.entrySet().stream()
            .map(e -> new RecordsUsed.LeftOut(frame.sourceRow(e.getKey()) + 1, e.getValue()))
            .toList();
    return new RecordsUsed(frame.rows(), inPlay, leftOut);
  }
}
