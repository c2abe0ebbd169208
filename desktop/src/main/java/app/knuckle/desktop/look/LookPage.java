package app.knuckle.desktop.look;

import app.knuckle.figures.scatter.GroupScatter;
import app.knuckle.figures.scatter.Scatter;
import app.knuckle.figures.scatter.ScatterLayout;
import app.knuckle.figures.scene.Scene;
import app.knuckle.figures.spread.Shapes;
import app.knuckle.figures.spread.ShapesLayout;
import app.knuckle.figures.spread.SpreadLayout;
import app.knuckle.figures.spread.SpreadPicture;
import app.knuckle.stats.summary.Summary;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.GroupSummary;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.List;
import java.util.function.BiFunction;

/**
 * What the Look joint says.
 *
 * @param title the response that is looked at, with its unit
 * @param by what the groups are made by
 * @param others columns that the response can be set against
 * @param picture dots and boxes; null when there is no group with a value
 * @param heads of the table of summaries
 * @param rows of the table of summaries
 * @param response that is looked at
 * @param frame its records
 */
public record LookPage(
    String title,
    String by,
    List<String> others,
    SpreadPicture picture,
    List<String> heads,
    List<List<String>> rows,
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
    List<String> heads = new ArrayList<>();
    heads.add(response.groups().treatment().name());
    heads.addAll(
        List.of(
            "n",
            "missing",
            "mean",
            "SD",
            "SE",
            "median",
            "lower quartile",
            "upper quartile",
            "smallest",
            "largest",
            "CV %"));
    int decimals = response.decimals();
    List<List<String>> rows = new ArrayList<>();
    for (GroupSummary group : response.groupSummaries()) {
      rows.add(row(group.level(), group.summary(), decimals));
    }
    rows.add(row("all together", response.summaries().get(0).summary(), decimals));
    boolean drawn = response.groups().size() > 0 && response.groups().size() <= MOST_DRAWN;
    SpreadPicture picture = drawn ? SpreadPicture.of(response) : null;
    return new LookPage(
        response.measured().title(),
        "by " + response.groups().treatment().label(),
        others(findings, frame),
        picture,
        heads,
        rows,
        response,
        frame);
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

  /** The table of summaries, cells apart by tabs. */
  String asText() {
    StringBuilder text = new StringBuilder(String.join("\t", heads)).append('\n');
    rows.forEach(row -> text.append(String.join("\t", row)).append('\n'));
    return text.toString();
  }

  /** What the picture shows. */
  String line(LookKind kind, String other) {
    String what =
        switch (kind) {
          case DOTS -> shown(picture);
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
      case DOTS -> (w, h) -> SpreadLayout.of(picture, w, h);
      case HISTOGRAM -> shapes(Shapes.Kind.HISTOGRAM, bins);
      case DENSITY -> shapes(Shapes.Kind.DENSITY, bins);
      case ORDER -> {
        Scatter order = GroupScatter.inOrder(response);
        yield (w, h) -> ScatterLayout.of(order, w, h);
      }
      case AGAINST -> {
        Scatter pairs =
            other.isEmpty()
                ? GroupScatter.inOrder(response)
                : GroupScatter.against(
                    response,
                    ((Numbers) frame.column(other)).values(),
                    frame.column(other).title());
        yield (w, h) -> ScatterLayout.of(pairs, w, h);
      }
    };
  }

  private BiFunction<Double, Double, Scene> shapes(Shapes.Kind kind, int bins) {
    Shapes shapes = new Shapes(picture.groups(), picture.valueTitle(), kind, bins);
    return (w, h) -> ShapesLayout.of(shapes, w, h);
  }

  private static String shown(SpreadPicture picture) {
    if (picture == null) {
      return "too many groups to draw; the table has them all";
    }
    String box = "the box spans the quartiles, its line is the median, the open dot the mean";
    return picture.dots()
        ? "a dot is a row; " + box
        : box + "; the rows are too many to be seen singly";
  }

  private static List<String> row(String name, Summary s, int decimals) {
    return List.of(
        name,
        Numerals.whole(s.n()),
        Numerals.whole(s.missing()),
        Numerals.fixed(s.mean(), decimals),
        Numerals.fixed(s.sd(), decimals),
        Numerals.fixed(s.se(), decimals),
        Numerals.fixed(s.median(), decimals),
        Numerals.fixed(s.lowerQuartile(), decimals),
        Numerals.fixed(s.upperQuartile(), decimals),
        Numerals.fixed(s.min(), decimals),
        Numerals.fixed(s.max(), decimals),
        Numerals.fixed(s.cvPercent(), 1));
  }
}
