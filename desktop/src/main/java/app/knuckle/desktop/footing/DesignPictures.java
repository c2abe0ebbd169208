package app.knuckle.desktop.footing;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.desktop.workbench.Answer;
import app.knuckle.figures.scatter.Bars;
import app.knuckle.figures.scatter.GroupScatter;
import app.knuckle.figures.scatter.Scatter;
import app.knuckle.figures.scene.Ink;
import app.knuckle.stats.compare.Trend;
import app.knuckle.stats.linear.Residuals;
import app.knuckle.study.cells.GroupSummary;
import app.knuckle.study.design.Compare;
import app.knuckle.study.design.Groups;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;

/** Pictures of the checks that a design asks for: blocks, occasions, trends, several responses. */
final class DesignPictures {

  private final Answer answer;
  private final ResponseFindings response;
  private final Inquiry inquiry;

  DesignPictures(Answer answer) {
    this.answer = answer;
    response = answer.findings().first();
    inquiry = answer.findings().inquiry();
  }

  /**
   * What blocks and treatments do not add up to, against the product of their effects: where they
   * multiply, the points rise or fall along a line (Tukey 1949; Daniel 1976, chapter 4).
   */
  Scatter additivity() {
    Residuals left = response.results().residuals().orElse(null);
    if (left == null || inquiry.blocks().size() != 1) {
      return null;
    }
    Groups blocks = Groups.of(answer.frame(), inquiry.blocks().get(0));
    double[] ofBlock = effects(left, blocks.codes(), blocks.size());
    int[] cells = response.groups().codes();
    double[] ofCell = effects(left, cells, response.groups().size());
    List<Scatter.Point> points = new ArrayList<>();
    double low = 0;
    double high = 0;
    double xx = 0;
    double xy = 0;
    for (int i = 0; i < left.rows().length; i++) {
      int row = left.rows()[i];
      if (blocks.codes()[row] < 0 || cells[row] < 0) {
        continue;
      }
      double x = ofBlock[blocks.codes()[row]] * ofCell[cells[row]];
      points.add(new Scatter.Point(x, left.residuals()[i], Ink.DEEP, row));
      low = Math.min(low, x);
      high = Math.max(high, x);
      xx += x * x;
      xy += x * left.residuals()[i];
    }
    double slope = xx > 0 ? xy / xx : 0;
    Scatter.Path line =
        new Scatter.Path(
            new double[] {low, high}, new double[] {slope * low, slope * high}, Ink.MUTED, 1);
    return new Scatter(points, List.of(line), "effect of block \u00d7 of treatment", "residual");
  }

  /** How far the mean of what the model says of each group lies from that of all. */
  private static double[] effects(Residuals left, int[] codes, int groups) {
    double[] sums = new double[groups];
    int[] counts = new int[groups];
    double[] values = new double[left.rows().length];
    for (int i = 0; i < values.length; i++) {
      values[i] = left.fitted()[i] + left.residuals()[i];
      int code = codes[left.rows()[i]];
      if (code >= 0) {
        sums[code] += values[i];
        counts[code]++;
      }
    }
    double mean = Arrays.stream(values).average().orElse(0);
    return IntStream.range(0, groups).mapToDouble(g -> sums[g] / counts[g] - mean).toArray();
  }

  /** The spread of the differences between each two occasions, which should be alike. */
  Bars occasions() {
    Residuals left = response.results().residuals().orElse(null);
    if (left == null || inquiry.occasions().size() != 1 || inquiry.unit() == null) {
      return null;
    }
    Groups units = Groups.of(answer.frame(), inquiry.unit());
    Groups times = Groups.of(answer.frame(), inquiry.occasions().get(0));
    double[][] at = new double[units.size()][times.size()];
    Arrays.stream(at).forEach(unit -> Arrays.fill(unit, Double.NaN));
    for (int i = 0; i < left.rows().length; i++) {
      int row = left.rows()[i];
      if (units.codes()[row] >= 0 && times.codes()[row] >= 0) {
        at[units.codes()[row]][times.codes()[row]] = left.residuals()[i];
      }
    }
    List<String> names = new ArrayList<>();
    List<Double> spreads = new ArrayList<>();
    for (int a = 0; a < times.size(); a++) {
      for (int b = a + 1; b < times.size(); b++) {
        int one = a;
        int other = b;
        names.add(times.levels().get(a) + " \u2212 " + times.levels().get(b));
        spreads.add(
            deviation(
                Arrays.stream(at)
                    .mapToDouble(unit -> unit[one] - unit[other])
                    .filter(d -> !Double.isNaN(d))
                    .toArray()));
      }
    }
    double[] sds = spreads.stream().mapToDouble(d -> d).toArray();
    String unit = response.measured().unit();
    return names.isEmpty() || names.size() > CheckPictures.MOST_BARS
        ? null
        : new Bars(
            names,
            sds,
            new boolean[sds.length],
            unit.isEmpty() ? "SD of differences" : "SD of differences (" + unit + ")");
  }

  private static double deviation(double[] values) {
    double mean = DoubleStream.of(values).average().orElse(0);
    double squares = DoubleStream.of(values).map(v -> (v - mean) * (v - mean)).sum();
    return values.length < 2 ? 0 : Math.sqrt(squares / (values.length - 1));
  }

  /** Values over a dose, with the trend of the asked degree through the means of its levels. */
  Scatter trend() {
    int degree = inquiry.compare().stream().mapToInt(Compare::trend).max().orElse(0);
    List<String> of =
        inquiry.compare().stream().filter(c -> c.trend() > 0).findFirst().orElseThrow().of();
    if (!(answer.frame().column(of.get(0)) instanceof Numbers dose)) {
      return null;
    }
    List<GroupSummary> groups =
        response.summaries().stream()
            .filter(s -> List.copyOf(s.levels().keySet()).equals(of))
            .filter(s -> s.summary().mean().exists())
            .toList();
    double[] x = groups.stream().mapToDouble(g -> Double.parseDouble(g.level())).toArray();
    double[] means = groups.stream().mapToDouble(g -> g.summary().mean().value()).toArray();
    double[] fitted = new double[x.length];
    Arrays.fill(fitted, DoubleStream.of(means).average().orElse(0));
    for (double[] weights : Trend.weights(x, Math.min(degree, x.length - 1))) {
      double size = IntStream.range(0, x.length).mapToDouble(i -> weights[i] * means[i]).sum();
      for (int i = 0; i < x.length; i++) {
        fitted[i] += size * weights[i];
      }
    }
    List<Scatter.Point> points = new ArrayList<>();
    for (int row = 0; row < dose.size(); row++) {
      if (answer.frame().inPlay(row)
          && !dose.isMissing(row)
          && !response.measured().isMissing(row)) {
        points.add(
            new Scatter.Point(dose.value(row), response.measured().value(row), Ink.DEEP, row));
      }
    }
    return new Scatter(
        points,
        List.of(new Scatter.Path(x, fitted, Ink.AMBER, 1.6)),
        dose.title(),
        response.measured().title());
  }

  /** The first two responses against each other, group by group. */
  Scatter together() {
    List<String> measured = inquiry.measured();
    return measured.size() < 2
        ? null
        : GroupScatter.against(
            response,
            ((Numbers) answer.frame().column(other(measured))).values(),
            answer.frame().column(other(measured)).title());
  }

  private String other(List<String> measured) {
    String shown = response.measured().name();
    return measured.stream().filter(m -> !m.equals(shown)).findFirst().orElse(shown);
  }

  /** Said under the pictures of occasions. */
  static String most(Bars bars) {
    int most = 0;
    for (int i = 1; i < bars.heights().length; i++) {
      most = bars.heights()[i] > bars.heights()[most] ? i : most;
    }
    return say(
        "footing.largest",
        bars.names().get(most),
        Numerals.fixed(bars.heights()[most], Numerals.decimalsFor(bars.heights()[most])));
  }
}
