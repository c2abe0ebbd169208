package app.knuckle.desktop.look;

import app.knuckle.figures.scatter.GroupScatter;
import app.knuckle.figures.scatter.Scatter;
import app.knuckle.figures.scatter.ScatterLayout;
import app.knuckle.figures.scene.Scene;
import app.knuckle.figures.spread.Shapes;
import app.knuckle.figures.spread.ShapesLayout;
import app.knuckle.figures.spread.SpreadLayout;
import app.knuckle.figures.spread.SpreadPicture;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.summary.Summary;
import app.knuckle.study.cells.GroupSummary;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.Collectors;

/**
 * What the Look joint says.
 *
 * @param title the response that is looked at, with its unit
 * @param by what the groups are made by
 * @param others columns that the response can be set against
 * @param picture dots and boxes, made when it is drawn; null where there is nothing to draw
 * @param groupings of which there are summaries, that of the pictures first
 * @param response that is looked at
 * @param frame its records
 */
public record LookPage(
    String title,
    String by,
    List<String> others,
    Supplier<SpreadPicture> picture,
    List<List<String>> groupings,
    ResponseFindings response,
    Frame frame) {

  /** More groups than this cannot be told apart in one picture. */
  private static final int MOST_DRAWN = 60;

  /**
   * The page of findings.
   *
   * @param findings any
   * @param frame the records
   * @return the page
   */
  public static LookPage of(Findings findings, Frame frame) {
    ResponseFindings response = findings.first();
    boolean drawn = response.groups().size() > 0 && response.groups().size() <= MOST_DRAWN;
    Supplier<SpreadPicture> picture = drawn ? once(() -> SpreadPicture.of(response)) : null;
    return new LookPage(
        response.measured().title(),
        "by " + response.groups().treatment().label(),
        others(findings, frame),
        picture,
        groupings(response),
        response,
        frame);
  }

  /** What goes over every row is made where pictures are painted, off the window's thread, once. */
  private static <T> Supplier<T> once(Supplier<T> maker) {
    return new Supplier<>() {
      private T made;

      @Override
      public synchronized T get() {
        made = made == null ? maker.get() : made;
        return made;
      }
    };
  }

  /**
   * Whether there is a picture.
   *
   * @return false for no group with a value, or too many
   */
  public boolean isDrawn() {
    return picture != null;
  }

  /** Covariates first, then every other column of numbers. */
  private static List<String> others(Findings findings, Frame frame) {
    List<String> others = new ArrayList<>(findings.inquiry().covariates());
    frame.columns().stream()
        .filter(c -> c instanceof Numbers)
        .map(Column::name)
        .filter(n -> !others.contains(n) && !n.equals(findings.first().measured().name()))
        .forEach(others::add);
    return others;
  }

  private static List<List<String>> groupings(ResponseFindings response) {
    List<List<String>> all =
        response.summaries().stream()
            .map(s -> List.copyOf(s.levels().keySet()))
            .filter(g -> !g.isEmpty())
            .distinct()
            .collect(Collectors.toCollection(ArrayList::new));
    Collections.reverse(all);
    return all.isEmpty() ? List.of(List.of()) : all;
  }

  /**
   * A table of summaries.
   *
   * @param heads of the columns
   * @param rows one a group, all rows together last
   */
  record Summaries(List<String> heads, List<List<String>> rows) {

    /** Cells apart by tabs, rows by lines, as a spreadsheet takes them. */
    String asText() {
      StringBuilder text = new StringBuilder(String.join("\t", heads)).append('\n');
      rows.forEach(row -> text.append(String.join("\t", row)).append('\n'));
      return text.toString();
    }
  }

  /**
   * The summaries of a grouping.
   *
   * @param grouping one of {@link #groupings()}
   * @param by the column to sort by; -1 for the order of the levels
   * @param falling the largest first
   * @return the table
   */
  Summaries summaries(List<String> grouping, int by, boolean falling) {
    List<String> heads = new ArrayList<>(List.of(String.join(" \u00d7 ", grouping)));
    COLUMNS.forEach(c -> heads.add(c.head()));
    List<GroupSummary> groups =
        response.summaries().stream()
            .filter(s -> !s.levels().isEmpty())
            .filter(s -> List.copyOf(s.levels().keySet()).equals(grouping))
            .collect(Collectors.toCollection(ArrayList::new));
    if (by >= 0) {
      Comparator<GroupSummary> order =
          by == 0
              ? Comparator.comparing(GroupSummary::level)
              : Comparator.comparingDouble(g -> COLUMNS.get(by - 1).value().apply(g.summary()));
      groups.sort(falling ? order.reversed() : order);
    }
    List<List<String>> rows = new ArrayList<>();
    groups.forEach(g -> rows.add(row(g.level(), g.summary())));
    rows.add(row("all together", response.summaries().get(0).summary()));
    return new Summaries(heads, rows);
  }

  private List<String> row(String name, Summary summary) {
    int decimals = response.decimals();
    List<String> cells = new ArrayList<>(List.of(name));
    COLUMNS.forEach(c -> cells.add(c.text().apply(summary, decimals)));
    return cells;
  }

  /** A column of the summaries; what has no value sorts as if it were the least. */
  private record SummaryColumn(
      String head, Function<Summary, Double> value, BiFunction<Summary, Integer, String> text) {

    static SummaryColumn of(String head, Function<Summary, Quantity> quantity) {
      return new SummaryColumn(
          head,
          s -> quantity.apply(s).exists() ? quantity.apply(s).value() : Double.NEGATIVE_INFINITY,
          (s, decimals) -> Numerals.fixed(quantity.apply(s), decimals));
    }
  }

  private static final List<SummaryColumn> COLUMNS =
      List.of(
          new SummaryColumn("n", s -> (double) s.n(), (s, d) -> Numerals.whole(s.n())),
          new SummaryColumn(
              "missing", s -> (double) s.missing(), (s, d) -> Numerals.whole(s.missing())),
          SummaryColumn.of("mean", Summary::mean),
          SummaryColumn.of("SD", Summary::sd),
          SummaryColumn.of("SE", Summary::se),
          SummaryColumn.of("median", Summary::median),
          SummaryColumn.of("lower quartile", Summary::lowerQuartile),
          SummaryColumn.of("upper quartile", Summary::upperQuartile),
          SummaryColumn.of("smallest", Summary::min),
          SummaryColumn.of("largest", Summary::max),
          new SummaryColumn(
              "CV %",
              s -> s.cvPercent().exists() ? s.cvPercent().value() : Double.NEGATIVE_INFINITY,
              (s, d) -> Numerals.fixed(s.cvPercent(), 1)));

  /** What the picture shows. */
  String line(LookKind kind, String other) {
    String what =
        switch (kind) {
          case DOTS -> dots();
          case STACKED -> "a dot is a row; those in one bin stand on top of each other";
          case HISTOGRAM -> "counts in bins, with the normal curve of each group's mean and SD";
          case DENSITY -> "a smooth curve of where values lie; a stroke is a row";
          case ORDER -> "values in the order of the records, a colour for each group";
          case AGAINST ->
              other.isEmpty()
                  ? "there is no other column of numbers"
                  : "against " + other + ", with a line for each group";
        };
    return by + " \u00b7 " + what;
  }

  /** The picture, to be laid out in a width and height. */
  BiFunction<Double, Double, Scene> drawn(LookKind kind, String other, int bins) {
    return switch (kind) {
      case DOTS -> (w, h) -> SpreadLayout.of(picture.get(), w, h);
      case STACKED -> shapes(Shapes.Kind.STACKS, bins);
      case HISTOGRAM -> shapes(Shapes.Kind.HISTOGRAM, bins);
      case DENSITY -> shapes(Shapes.Kind.DENSITY, bins);
      case ORDER -> scatter(() -> GroupScatter.inOrder(response));
      case AGAINST ->
          scatter(
              () ->
                  other.isEmpty()
                      ? GroupScatter.inOrder(response)
                      : GroupScatter.against(
                          response,
                          ((Numbers) frame.column(other)).values(),
                          frame.column(other).title()));
    };
  }

  private static BiFunction<Double, Double, Scene> scatter(Supplier<Scatter> maker) {
    Supplier<Scatter> scatter = once(maker);
    return (w, h) -> ScatterLayout.of(scatter.get(), w, h);
  }

  private BiFunction<Double, Double, Scene> shapes(Shapes.Kind kind, int bins) {
    return (w, h) ->
        ShapesLayout.of(
            new Shapes(picture.get().groups(), picture.get().valueTitle(), kind, bins), w, h);
  }

  private String dots() {
    if (!isDrawn()) {
      return "too many groups to draw; the table has them all";
    }
    String box = "the box spans the quartiles, its line is the median, the open dot the mean";
    return SpreadPicture.hasDots(response)
        ? "a dot is a row; " + box
        : box + "; the rows are too many to be seen singly";
  }
}
