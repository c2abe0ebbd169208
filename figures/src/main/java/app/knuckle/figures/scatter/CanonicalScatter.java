package app.knuckle.figures.scatter;

import app.knuckle.figures.scene.Ink;
import app.knuckle.figures.style.Palette;
import app.knuckle.stats.multivariate.MultivariateTest;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.findings.TestResult;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * The units of an inquiry about several responses on the canonical variates of its one treatment,
 * with a cross at the mean of each group (Rencher and Christensen 2012, section 8.4).
 */
public final class CanonicalScatter {

  /** Arm of a cross, as a share of the range of the scores. */
  private static final double ARM = 0.03;

  private static final double CROSS_WIDTH = 1.6;

  private CanonicalScatter() {}

  /**
   * The picture.
   *
   * @param findings of several responses together
   * @param palette of the groups
   * @return empty unless one treatment was tested on responses together
   */
  public static Optional<Scatter> of(Findings findings, Palette palette) {
    return term(findings)
        .map(row -> scatter(findings, row.test(), palette))
        .filter(s -> !s.points().isEmpty());
  }

  private static Optional<TestResult.TogetherRow> term(Findings findings) {
    return findings
        .together()
        .rowsTogether()
        .filter(r -> r.test() != null && !r.centroids().isEmpty())
        .findFirst();
  }

  private static Scatter scatter(Findings findings, MultivariateTest test, Palette palette) {
    ResponseFindings first = findings.first();
    int[] codes = first.groups().codes();
    int[] rows =
        IntStream.range(0, codes.length)
            .filter(r -> codes[r] >= 0)
            .filter(r -> findings.responses().stream().noneMatch(y -> y.measured().isMissing(r)))
            .toArray();
    double[] x = scores(findings, test.coefficients().get(0), rows);
    boolean two = test.coefficients().size() > 1;
    // With one variate alone the groups stand one above another.
    double[] y =
        two
            ? scores(findings, test.coefficients().get(1), rows)
            : Arrays.stream(rows).mapToDouble(r -> codes[r] + 1).toArray();
    List<Scatter.Point> points = new ArrayList<>();
    for (int i = 0; i < rows.length; i++) {
      points.add(new Scatter.Point(x[i], y[i], palette.line(codes[rows[i]]), rows[i]));
    }
    List<Scatter.Path> crosses = new ArrayList<>();
    List<Scatter.Key> keys = new ArrayList<>();
    List<String> levels = first.groups().levels();
    for (int g = 0; g < levels.size(); g++) {
      Ink ink = palette.line(g);
      keys.add(new Scatter.Key(levels.get(g), ink));
      int group = g;
      int[] own = IntStream.range(0, rows.length).filter(i -> codes[rows[i]] == group).toArray();
      if (own.length > 0) {
        cross(crosses, mean(x, own), mean(y, own), ARM * range(x), ARM * range(y), ink);
      }
    }
    return new Scatter(
        points,
        crosses,
        title(test, 0),
        two ? title(test, 1) : first.groups().treatment().title(),
        keys);
  }

  /** Scores less those of the mean of all rows. */
  private static double[] scores(Findings findings, MultivariateTest.Variate variate, int[] rows) {
    double[] scores = new double[rows.length];
    for (int v = 0; v < findings.responses().size(); v++) {
      double coefficient = variate.raw().get(v);
      double[] values = findings.responses().get(v).measured().values();
      double grand = Arrays.stream(rows).mapToDouble(r -> values[r]).average().orElse(0);
      for (int i = 0; i < rows.length; i++) {
        scores[i] += coefficient * (values[rows[i]] - grand);
      }
    }
    return scores;
  }

  private static String title(MultivariateTest test, int place) {
    double all = test.eigenvalues().stream().mapToDouble(Math::abs).sum();
    long percent = Math.round(100 * test.eigenvalues().get(place) / all);
    return (place == 0 ? "First" : "Second") + " canonical variate (" + percent + "%)";
  }

  private static double mean(double[] values, int[] places) {
    return Arrays.stream(places).mapToDouble(i -> values[i]).average().orElse(0);
  }

  private static double range(double[] values) {
    return Arrays.stream(values).max().orElse(1) - Arrays.stream(values).min().orElse(0);
  }

  private static void cross(
      List<Scatter.Path> paths, double x, double y, double across, double up, Ink ink) {
    paths.add(
        new Scatter.Path(
            new double[] {x - across, x + across}, new double[] {y, y}, ink, CROSS_WIDTH));
    paths.add(
        new Scatter.Path(new double[] {x, x}, new double[] {y - up, y + up}, ink, CROSS_WIDTH));
  }
}
