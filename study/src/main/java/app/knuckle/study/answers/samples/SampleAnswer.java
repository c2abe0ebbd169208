package app.knuckle.study.answers.samples;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Alike;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.Significance;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.Fit;
import app.knuckle.stats.linear.Model;
import app.knuckle.stats.linear.Residuals;
import app.knuckle.stats.summary.GroupMoments;
import app.knuckle.stats.ttest.TTest;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.cells.Parts;
import app.knuckle.study.checks.GroupChecks;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.CheckedOn;
import app.knuckle.study.findings.GroupCheck;
import app.knuckle.study.findings.Results;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.prep.Frame;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Answers an inquiry about one sample against an expected value, or about matched pairs. */
public final class SampleAnswer {

  private final Inquiry inquiry;
  private final String measured;
  private final Parts parts;

  private SampleAnswer(Frame frame, Inquiry inquiry, String measured) {
    this.inquiry = inquiry;
    this.measured = measured;
    List<String> names = new ArrayList<>();
    if (inquiry.pairs() != null) {
      names.addAll(inquiry.treatments());
      names.add(inquiry.pairs());
    }
    parts = new Parts(frame, List.of(measured), names);
  }

  /**
   * Answers about a response.
   *
   * @param frame the records
   * @param inquiry with an expected value, or with pairs
   * @param measured the response
   * @return the analysis
   * @throws Refused if the design does not fit, or the records do not
   */
  public static Results to(Frame frame, Inquiry inquiry, String measured) {
    SampleAnswer answer = new SampleAnswer(frame, inquiry, measured);
    return inquiry.pairs() == null ? answer.oneSample(frame) : answer.pairs();
  }

  private static Results of(TestResult test, List<GroupCheck> checks, Residuals left) {
    return Results.of(List.of(test)).checking(checks, Optional.ofNullable(left));
  }

  private Results oneSample(Frame frame) {
    double[] values = parts.values(measured);
    GroupMoments moments = GroupMoments.of(values, new int[values.length], 1);
    if (moments.total() == 0) {
      throw Refused.at(
          new Place.WholeColumn("inquiry", measured),
          say("refused.no-row-has-value"),
          say("way.choose-another-column"));
    }
    double expected = inquiry.expected();
    // The origin less the expected value first: both may be large, their difference is not.
    double away = (moments.origin() - expected) + moments.deviation(0);
    TTest.Sample sample = new TTest.Sample(moments.count(0), away, moments.sumOfSquares(0));
    TTest test = TTest.ofOne(TTest.Form.ONE_SAMPLE, sample, inquiry.direction(), inquiry.alpha());
    Map<String, Quantity> more = new LinkedHashMap<>();
    more.put("mean", Quantity.of(moments.origin() + moments.deviation(0)));
    more.put("meanLow", test.test().low().map(x -> expected + x));
    more.put("meanHigh", test.test().high().map(x -> expected + x));
    TestResult result = result(test, null, null, expected, more);
    if (moments.total() > GroupChecks.MOST_VALUES) {
      return of(result, List.of(), null);
    }
    Model mean = new Model(List.of(), List.of(), List.of(), true);
    Residuals left = Residuals.of(Fit.of(mean, List.of(values)), values);
    double[] present = Arrays.stream(values).filter(v -> !Double.isNaN(v)).toArray();
    List<GroupCheck> checks =
        new ArrayList<>(
            GroupChecks.ofOne(new CheckedOn.Group(Map.of()), present, Alike.within(present), true));
    checks.add(GroupChecks.farthest(left, frame));
    return of(result, checks, left);
  }

  private Results pairs() {
    if (inquiry.treatments().size() != 1 || parts.factor(inquiry.treatments().get(0)).size() != 2) {
      throw Refused.at(
          new Place.Key("inquiry", List.of("pairs")),
          say("refused.pairs-match-two-levels"),
          say("way.name-treatment-with-two"));
    }
    Factor treatment = parts.factor(inquiry.treatments().get(0));
    Factor pair = parts.factor(inquiry.pairs());
    double[][] means = parts.averaged(treatment, pair, parts.values(measured));
    List<double[]> both = new ArrayList<>();
    List<String> units = new ArrayList<>();
    for (int p = 0; p < pair.size(); p++) {
      if (!Double.isNaN(means[0][p]) && !Double.isNaN(means[1][p])) {
        both.add(new double[] {means[0][p], means[1][p]});
        units.add(pair.levels().get(p));
      }
    }
    if (both.isEmpty()) {
      throw Refused.at(
          new Place.Key("inquiry", List.of("pairs")),
          say("refused.nobody-at-both-levels", inquiry.pairs(), treatment.name()),
          say("way.check-column-matches-two"));
    }
    double[] differences = both.stream().mapToDouble(x -> x[0] - x[1]).toArray();
    GroupMoments moments = GroupMoments.of(differences, new int[differences.length], 1);
    TTest.Sample sample =
        new TTest.Sample(
            moments.count(0), moments.origin() + moments.deviation(0), moments.sumOfSquares(0));
    TTest test = TTest.ofOne(TTest.Form.PAIRS, sample, inquiry.direction(), inquiry.alpha());
    Map<String, Quantity> more = new LinkedHashMap<>();
    more.put("pairs", Quantity.of(both.size()));
    more.put("sdOfDifferences", test.standardDeviation());
    more.put("correlation", correlation(both));
    TestResult result =
        result(
            test,
            Map.of(treatment.name(), treatment.levels().get(0)),
            Map.of(treatment.name(), treatment.levels().get(1)),
            null,
            more);
    return of(
        result,
        GroupChecks.ofDifferences(units, differences, Alike.within(parts.values(measured))),
        null);
  }

  private static Quantity correlation(List<double[]> both) {
    double[] first = both.stream().mapToDouble(v -> v[0]).toArray();
    double[] second = both.stream().mapToDouble(v -> v[1]).toArray();
    if (Alike.are(first, Alike.within(first)) || Alike.are(second, Alike.within(second))) {
      return Quantity.absent(Absence.ONE_DOES_NOT_VARY);
    }
    double x = Arrays.stream(first).map(v -> v - first[0]).average().orElse(0);
    double y = Arrays.stream(second).map(v -> v - second[0]).average().orElse(0);
    double xy = 0;
    double xx = 0;
    double yy = 0;
    for (double[] v : both) {
      double dx = v[0] - first[0] - x;
      double dy = v[1] - second[0] - y;
      xy += dx * dy;
      xx += dx * dx;
      yy += dy * dy;
    }
    return Quantity.finite(xy / Math.sqrt(xx * yy), Absence.ONE_DOES_NOT_VARY);
  }

  private TestResult result(
      TTest test,
      Map<String, String> left,
      Map<String, String> right,
      Double expected,
      Map<String, Quantity> more) {
    boolean differs = Significance.reached(test.test().p(), inquiry.alpha());
    return new TestResult.TTestResult(
        test, inquiry.direction(), left, right, expected, more, differs);
  }
}
