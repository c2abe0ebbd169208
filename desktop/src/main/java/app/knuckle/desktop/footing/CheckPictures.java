package app.knuckle.desktop.footing;

import app.knuckle.desktop.workbench.Answer;
import app.knuckle.figures.scatter.Bars;
import app.knuckle.figures.scatter.GroupScatter;
import app.knuckle.figures.scatter.NormalQuantiles;
import app.knuckle.figures.scatter.Scatter;
import app.knuckle.figures.scene.Ink;
import app.knuckle.figures.scene.Mark;
import app.knuckle.stats.linear.Residuals;
import app.knuckle.study.cells.GroupSummary;
import app.knuckle.study.checks.Footing;
import app.knuckle.study.table.Numbers;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/** The pictures of the checks. */
final class CheckPictures {

  /** More groups than this can no longer be distinguished in a card. */
  static final int MOST_BARS = Footing.MOST_GROUPS;

  /** More points than this are thinned out, evenly, so that a card is drawn at once. */
  private static final int MOST_POINTS = 1500;

  private CheckPictures() {}

  /** Ordered residuals against normal quantiles. */
  static Scatter quantiles(Residuals left) {
    return NormalQuantiles.ofDeviations(left.residuals(), i -> left.rows()[i], "residual");
  }

  /** The same of deviations that belong to units rather than to rows. */
  static Scatter quantiles(double[] deviations) {
    return NormalQuantiles.ofDeviations(deviations, i -> Mark.NONE, "residual");
  }

  private static Scatter.Path path(double[] xs, double[] ys, Ink ink, double width) {
    return new Scatter.Path(xs, ys, ink, width);
  }

  static Scatter againstFitted(Residuals left) {
    double[] x = left.fitted();
    int at = left.farthest();
    List<Scatter.Point> points = new ArrayList<>();
    for (int i : thinned(x.length, at)) {
      points.add(
          new Scatter.Point(
              x[i], left.residuals()[i], i == at ? Ink.AMBER : Ink.DEEP, left.rows()[i]));
    }
    double low = Arrays.stream(x).min().orElse(0);
    double high = Arrays.stream(x).max().orElse(1);
    Scatter.Path zero = path(new double[] {low, high}, new double[] {0, 0}, Ink.MUTED, 1);
    return new Scatter(points, List.of(zero), "what the model says", "residual");
  }

  static Scatter inOrder(Residuals left) {
    List<Scatter.Point> points = new ArrayList<>();
    int n = left.rows().length;
    for (int i : thinned(n, -1)) {
      points.add(
          new Scatter.Point(left.rows()[i] + 1.0, left.residuals()[i], Ink.DEEP, left.rows()[i]));
    }
    double last = n == 0 ? 1 : left.rows()[n - 1] + 1.0;
    Scatter.Path zero = path(new double[] {1, last}, new double[] {0, 0}, Ink.MUTED, 1);
    return new Scatter(points, List.of(zero), "row", "residual");
  }

  private static int[] thinned(int n, int kept) {
    int step = Math.max(1, n / MOST_POINTS);
    return IntStream.range(0, n).filter(i -> i % step == 0 || i == kept).toArray();
  }

  static Bars spreads(List<GroupSummary> groups, boolean odd, String unit) {
    double[] sds = groups.stream().mapToDouble(g -> g.summary().sd().value()).toArray();
    double middle = Arrays.stream(sds).sorted().skip(sds.length / 2).findFirst().orElse(0);
    boolean[] marked = new boolean[sds.length];
    for (int i = 0; i < sds.length; i++) {
      marked[i] = odd && sds[i] > 1.5 * middle;
    }
    return new Bars(names(groups), sds, marked, unit.isEmpty() ? "SD" : "SD (" + unit + ")");
  }

  static Bars sizes(List<GroupSummary> groups, boolean odd) {
    double[] ns = groups.stream().mapToDouble(g -> g.summary().n()).toArray();
    boolean[] marked = new boolean[ns.length];
    for (int i = 0; i < ns.length; i++) {
      marked[i] = odd && ns[i] < 2;
    }
    return new Bars(names(groups), ns, marked, "rows");
  }

  private static List<String> names(List<GroupSummary> groups) {
    return groups.stream().map(GroupSummary::level).toList();
  }

  /** The response against a covariate, with a line of its own for each group. */
  static Scatter slopes(Answer answer, String covariate) {
    double[] x = ((Numbers) answer.frame().column(covariate)).values();
    return GroupScatter.against(answer.findings().first(), x, covariate);
  }

  /** What the model leaves against a covariate; null where there are no residuals. */
  static Scatter againstCovariate(Answer answer, String covariate) {
    Residuals left = answer.findings().first().results().residuals().orElse(null);
    if (left == null) {
      return null;
    }
    double[] x = ((Numbers) answer.frame().column(covariate)).values();
    List<Scatter.Point> points = new ArrayList<>();
    double low = Double.POSITIVE_INFINITY;
    double high = Double.NEGATIVE_INFINITY;
    for (int i : thinned(left.rows().length, -1)) {
      int row = left.rows()[i];
      points.add(new Scatter.Point(x[row], left.residuals()[i], Ink.DEEP, row));
      low = Math.min(low, x[row]);
      high = Math.max(high, x[row]);
    }
    Scatter.Path zero = path(new double[] {low, high}, new double[] {0, 0}, Ink.MUTED, 1);
    return new Scatter(points, List.of(zero), covariate, "residual");
  }
}
