package app.knuckle.desktop.look;

import app.knuckle.figures.scatter.GroupScatter;
import app.knuckle.figures.scatter.NormalQuantiles;
import app.knuckle.figures.scatter.Scatter;
import app.knuckle.figures.scatter.ScatterLayout;
import app.knuckle.figures.scatter.ScatterMatrix;
import app.knuckle.figures.scene.Ink;
import app.knuckle.figures.scene.Multiples;
import app.knuckle.figures.scene.Scene;
import app.knuckle.figures.spread.Shapes;
import app.knuckle.figures.spread.ShapesLayout;
import app.knuckle.figures.spread.SpreadLayout;
import app.knuckle.figures.spread.SpreadPicture;
import app.knuckle.figures.spread.StemsLayout;
import app.knuckle.stats.Absence;
import app.knuckle.stats.Progress;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.summary.StemAndLeaf;
import app.knuckle.stats.summary.Summary;
import app.knuckle.study.cells.GroupSummary;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.look.BellShape;
import app.knuckle.study.look.Correlations;
import app.knuckle.study.look.Frequencies;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.Arrays;
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
 * @param measured all columns that are asked about
 * @param response that is looked at
 * @param frame its records
 */
public record LookPage(
    String title,
    String by,
    List<String> others,
    Supplier<SpreadPicture> picture,
    List<List<String>> groupings,
    List<String> measured,
    ResponseFindings response,
    Frame frame) {

  /** More groups than this cannot be distinguished in one picture. */
  private static final int MOST_DRAWN = 60;

  /** More columns than this against each other are too small to be seen. */
  private static final int MOST_COLUMNS = 8;

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
        findings.inquiry().treatments().isEmpty()
            ? "all rows together"
            : "by " + response.groups().treatment().label(),
        others(findings, frame),
        picture,
        groupings(response),
        findings.inquiry().measured(),
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

  /** Whether there is a picture: false for no group with a value, or too many. */
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
   * @param names how many columns hold names
   */
  record Summaries(List<String> heads, List<List<String>> rows, int names) {

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
    List<SummaryColumn> columns = SummaryColumn.of(response.summaries().get(0));
    columns.forEach(c -> heads.add(c.head()));
    List<GroupSummary> groups =
        response.summaries().stream()
            .filter(s -> !s.levels().isEmpty())
            .filter(s -> List.copyOf(s.levels().keySet()).equals(grouping))
            .collect(Collectors.toCollection(ArrayList::new));
    if (by >= 0) {
      Comparator<GroupSummary> order =
          by == 0
              ? Comparator.comparing(GroupSummary::level)
              : Comparator.comparingDouble(g -> columns.get(by - 1).value().apply(g));
      groups.sort(falling ? order.reversed() : order);
    }
    List<List<String>> rows = new ArrayList<>();
    groups.forEach(g -> rows.add(row(g.level(), g, columns)));
    rows.add(row("all together", response.summaries().get(0), columns));
    return new Summaries(heads, rows, 1);
  }

  private List<String> row(String name, GroupSummary group, List<SummaryColumn> columns) {
    int decimals = response.decimals();
    List<String> cells = new ArrayList<>(List.of(name));
    columns.forEach(c -> cells.add(c.text().apply(group, decimals)));
    return cells;
  }

  /** What the picture shows. */
  String line(LookKind kind, String other) {
    String what =
        switch (kind) {
          case DOTS -> dots();
          case STACKED -> "a dot is a row; those in one bin stand on top of each other";
          case HISTOGRAM -> "counts in bins, with the normal curve of each group's mean and SD";
          case DENSITY -> "a smooth curve of where values lie; a stroke is a row";
          case STEMS -> "a digit a value, behind the digits it has in common with others";
          case QUANTILES ->
              "ordered values against those of a normal distribution; the band is where each would lie 19 times in 20";
          case TOGETHER -> "every column of numbers against every other; a dot is a row";
          case ORDER -> "values in the order of the records, a colour for each group";
          case AGAINST ->
              other.isEmpty()
                  ? "there is no other column of numbers"
                  : "against " + other + ", with a line for each group";
        };
    return by + " \u00b7 " + what;
  }

  /** The picture, to be laid out in a width and height. */
  BiFunction<Double, Double, Scene> drawn(LookSettings look) {
    return switch (look.kind()) {
      case DOTS -> (w, h) -> SpreadLayout.of(picture.get(), w, h);
      case STACKED -> shapes(Shapes.Kind.STACKS, look);
      case HISTOGRAM -> shapes(Shapes.Kind.HISTOGRAM, look);
      case DENSITY -> shapes(Shapes.Kind.DENSITY, look);
      case STEMS ->
          (w, h) ->
              Multiples.of(
                  panels(g -> (x, y) -> StemsLayout.of(stem(g), x, y), LookPage::leaf), w, h);
      case QUANTILES ->
          (w, h) ->
              Multiples.of(
                  panels(g -> (x, y) -> ScatterLayout.of(quantiles(g), x, y), g -> ""), w, h);
      case ORDER -> scatter(() -> GroupScatter.inOrder(response));
      case AGAINST ->
          scatter(
              () ->
                  look.other().isEmpty()
                      ? GroupScatter.inOrder(response)
                      : GroupScatter.against(
                          response,
                          ((Numbers) frame.column(look.other())).values(),
                          frame.column(look.other()).title()));
      case TOGETHER -> {
        Supplier<ScatterMatrix> matrix = once(this::matrix);
        yield (w, h) -> matrix.get().laidOut(w, h);
      }
    };
  }

  private List<Multiples.Panel> panels(
      Function<SpreadPicture.Group, BiFunction<Double, Double, Scene>> layout,
      Function<SpreadPicture.Group, String> remark) {
    return picture.get().groups().stream()
        .filter(g -> g.values().length > 0)
        .map(
            g ->
                new Multiples.Panel(
                    g.name() + ", n = " + g.values().length + remark.apply(g), layout.apply(g)))
        .toList();
  }

  private static String leaf(SpreadPicture.Group group) {
    return ", a leaf is worth " + Numerals.plain(stem(group).leafUnit());
  }

  private static StemAndLeaf stem(SpreadPicture.Group group) {
    return StemAndLeaf.of(group.values());
  }

  private Scatter quantiles(SpreadPicture.Group group) {
    Summary s = group.summary().summary();
    return NormalQuantiles.of(
        group.values(),
        s.mean().value(),
        s.sd().exists() ? s.sd().value() : 0,
        i -> group.rows()[i],
        response.measured().title());
  }

  /** What is looked at. */
  String title(LookKind kind) {
    return kind == LookKind.TOGETHER && hasSeveral()
        ? Numerals.count(columns().size(), "column", "columns") + " against each other"
        : title;
  }

  /** The columns that are set against each other: those measured, or all there are. */
  private List<String> columns() {
    if (measured.size() > 1) {
      return measured;
    }
    List<String> all = new ArrayList<>(List.of(response.measured().name()));
    all.addAll(others);
    return all.subList(0, Math.min(MOST_COLUMNS, all.size()));
  }

  /** Whether there is more than one column of numbers. */
  boolean hasSeveral() {
    return columns().size() > 1;
  }

  private ScatterMatrix matrix() {
    Correlations together = Correlations.of(frame, columns());
    Correlations.Matrix pearson = together.matrix(Correlations.Measure.PEARSON);
    int k = together.names().size();
    String[][] words = new String[k][k];
    for (int i = 0; i < k; i++) {
      for (int j = 0; j < k; j++) {
        words[i][j] =
            "r = "
                + Numerals.fixed(quantity(pearson.values()[i][j]), 2)
                + "\n"
                + (Double.isNaN(pearson.p()[i][j])
                    ? "p unknown"
                    : Numerals.pStatement(quantity(pearson.p()[i][j])));
      }
    }
    Ink[] ofRow = new Ink[frame.rows()];
    for (int g = 0; g < response.groups().size(); g++) {
      for (int row : response.rowsOf(g)) {
        ofRow[row] = GroupScatter.ink(g);
      }
    }
    Ink[] inks =
        Arrays.stream(together.rows())
            .mapToObj(row -> ofRow[row] == null ? Ink.MUTED : ofRow[row])
            .toArray(Ink[]::new);
    return new ScatterMatrix(
        together.names().stream().map(n -> frame.column(n).title()).toList(),
        together.columns(),
        together.rows(),
        inks,
        words);
  }

  private static Quantity quantity(double value) {
    return Double.isNaN(value) ? Quantity.absent(Absence.NOT_COMPUTED) : Quantity.of(value);
  }

  /** The table that belongs to a picture, where that is not the summaries; null for those. */
  Summaries table(LookSettings look, Progress progress) {
    return switch (look.kind()) {
      case HISTOGRAM, STACKED -> frequencies(look);
      case QUANTILES -> bellShapes(progress);
      case TOGETHER -> associations(look.measure());
      case DOTS, DENSITY, STEMS, ORDER, AGAINST -> null;
    };
  }

  private double[] all() {
    return picture.get().groups().stream()
        .flatMapToDouble(g -> Arrays.stream(g.values()))
        .toArray();
  }

  /** Edges as they are typed. */
  List<Double> edges(String text) {
    return Arrays.stream(Frequencies.edges(text, all())).boxed().toList();
  }

  /** The edges that were chosen, as they could be typed; blank for none. */
  String ownEdges(Inquiry inquiry) {
    List<Double> own = inquiry.edges().getOrDefault(response.measured().name(), List.of());
    return own.stream().map(Numerals::plain).collect(Collectors.joining(" "));
  }

  /** Counts between edges of one's own; null for bins of one width that nobody chose. */
  Frequencies counted(LookSettings look) {
    double[] values = all();
    if (values.length == 0) {
      return null;
    }
    List<double[]> groups = picture.get().groups().stream().map(g -> g.values()).toList();
    return Frequencies.of(groups, Frequencies.edges(look.edges(), values), look.rightClosed());
  }

  private Summaries frequencies(LookSettings look) {
    Frequencies counted = counted(look);
    if (counted == null) {
      return null;
    }
    List<String> heads = new ArrayList<>(List.of("from", "to"));
    for (SpreadPicture.Group group : picture.get().groups()) {
      heads.addAll(List.of(group.name(), "%", "up to here %"));
    }
    double[] edges = counted.edges();
    int groups = counted.counts().length;
    long[] so = new long[groups];
    List<List<String>> rows = new ArrayList<>();
    for (int b = 0; b + 1 < edges.length; b++) {
      List<String> row =
          new ArrayList<>(List.of(Numerals.plain(edges[b]), Numerals.plain(edges[b + 1])));
      for (int g = 0; g < groups; g++) {
        double n = Math.max(1, picture.get().groups().get(g).values().length);
        so[g] += counted.counts()[g][b];
        row.add(Numerals.whole(counted.counts()[g][b]));
        row.add(Numerals.fixed(100 * counted.counts()[g][b] / n, 1));
        row.add(Numerals.fixed(100 * so[g] / n, 1));
      }
      rows.add(row);
    }
    if (Arrays.stream(counted.outside()).anyMatch(n -> n > 0)) {
      List<String> row = new ArrayList<>(List.of("beyond", "the edges"));
      for (int outside : counted.outside()) {
        row.addAll(List.of(Numerals.whole(outside), "", ""));
      }
      rows.add(row);
    }
    return new Summaries(heads, rows, 2);
  }

  private Summaries bellShapes(Progress progress) {
    List<SpreadPicture.Group> groups = picture.get().groups();
    List<BellShape> shapes = BellShape.of(groups.stream().map(g -> g.values()).toList(), progress);
    String times = "p \u00d7 " + groups.size();
    List<String> heads =
        new ArrayList<>(
            List.of("group", "n", "Shapiro-Wilk W", "p", "Anderson-Darling A\u00b2", "p"));
    if (groups.size() > 1) {
      heads.add(4, times);
      heads.add(times);
    }
    List<List<String>> rows = new ArrayList<>();
    for (int g = 0; g < groups.size(); g++) {
      BellShape s = shapes.get(g);
      List<String> row =
          new ArrayList<>(
              List.of(
                  groups.get(g).name(),
                  Numerals.whole(s.n()),
                  Numerals.fixed(s.shapiroWilk(), 3),
                  Numerals.p(s.shapiroWilkP()),
                  Numerals.fixed(s.andersonDarling(), 3),
                  Numerals.p(s.andersonDarlingP())));
      if (groups.size() > 1) {
        row.add(4, Numerals.p(BellShape.times(s.shapiroWilkP(), groups.size())));
        row.add(Numerals.p(BellShape.times(s.andersonDarlingP(), groups.size())));
      }
      rows.add(row);
    }
    return new Summaries(heads, rows, 1);
  }

  private Summaries associations(Correlations.Measure measure) {
    Correlations together = Correlations.of(frame, columns());
    Correlations.Matrix matrix = together.matrix(measure);
    List<String> heads = new ArrayList<>(List.of(measure.title()));
    heads.addAll(together.names());
    List<List<String>> rows = new ArrayList<>();
    for (int i = 0; i < together.names().size(); i++) {
      List<String> row = new ArrayList<>(List.of(together.names().get(i)));
      for (int j = 0; j < together.names().size(); j++) {
        String value = Numerals.fixed(quantity(matrix.values()[i][j]), 3);
        double p = matrix.p()[i][j];
        row.add(Double.isNaN(p) ? value : value + " (" + Numerals.pStatement(quantity(p)) + ")");
      }
      rows.add(row);
    }
    rows.add(
        new ArrayList<>(
            List.of(Numerals.count(together.rows().length, "complete row", "complete rows"))));
    while (rows.get(rows.size() - 1).size() < heads.size()) {
      rows.get(rows.size() - 1).add("");
    }
    return new Summaries(heads, rows, 1);
  }

  private static BiFunction<Double, Double, Scene> scatter(Supplier<Scatter> maker) {
    Supplier<Scatter> scatter = once(maker);
    return (w, h) -> ScatterLayout.of(scatter.get(), w, h);
  }

  private BiFunction<Double, Double, Scene> shapes(Shapes.Kind kind, LookSettings look) {
    Frequencies own =
        kind == Shapes.Kind.HISTOGRAM && !look.edges().isBlank() ? counted(look) : null;
    return (w, h) ->
        ShapesLayout.of(
            new Shapes(picture.get().groups(), picture.get().valueTitle(), kind, look.bins(), own),
            w,
            h);
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
