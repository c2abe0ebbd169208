package app.knuckle.study.answers.multivariate;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Progress;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.anova.AnovaTable;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.Fit;
import app.knuckle.stats.linear.Strata;
import app.knuckle.stats.linear.Stratum;
import app.knuckle.stats.linear.Term;
import app.knuckle.stats.multivariate.BoxM;
import app.knuckle.stats.multivariate.MultivariateTest;
import app.knuckle.study.answers.asked.AskedModel;
import app.knuckle.study.answers.asked.AskedQuestions;
import app.knuckle.study.cells.Parts;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.CheckResult;
import app.knuckle.study.findings.CheckTest;
import app.knuckle.study.findings.ComparisonResult;
import app.knuckle.study.findings.Results;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.stages.Same;
import app.knuckle.study.stages.Stage;
import app.knuckle.study.stages.Stages;
import app.knuckle.study.words.Phrases;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Answers an inquiry about several responses together. */
public final class MultivariateAnswer {

  private record FitTogether(Same<Frame> frame, Inquiry laying) {}

  private static final Stage<FitTogether, Fitted> FIT =
      new Stage<>((in, stages, progress) -> Fitted.of(in.frame().value(), in.laying()));

  private final Inquiry inquiry;
  private final Fitted fitted;
  private final Parts parts;
  private final Progress progress;
  private final Stages stages;
  private final List<Factor> factors;
  private final Fit fit;
  private final double[][] values;

  /**
   * Fits all responses at once.
   *
   * @param frame the records
   * @param inquiry with several responses and treatments
   * @param progress asked on the way
   * @param stages of the inquiry
   * @throws Refused if the design does not fit
   */
  public MultivariateAnswer(Frame frame, Inquiry inquiry, Progress progress, Stages stages) {
    this.inquiry = inquiry;
    this.progress = progress;
    this.stages = stages;
    fitted = stages.of(FIT, new FitTogether(new Same<>(frame), inquiry.laying()), progress);
    parts = fitted.parts();
    factors = fitted.factors();
    fit = fitted.fit();
    values = fitted.values();
  }

  /** What does not depend on what is compared, nor on how it is judged. */
  private record Fitted(Parts parts, List<Factor> factors, double[][] values, Fit fit) {
    static Fitted of(Frame frame, Inquiry inquiry) {
      List<String> numbers = new ArrayList<>(inquiry.covariates());
      numbers.addAll(inquiry.measured());
      List<String> names = new ArrayList<>(inquiry.blocks());
      names.addAll(inquiry.treatments());
      Parts parts = new Parts(frame, numbers, names);
      List<Factor> factors = parts.factors(names);
      double[][] values = inquiry.measured().stream().map(parts::values).toArray(double[][]::new);
      Fit fit = Fit.of(AskedModel.of(inquiry, parts, factors), Arrays.asList(values));
      return new Fitted(parts, factors, values, fit);
    }
  }

  /** The multivariate test, and the check of equal covariance matrices: of all responses. */
  public Results together() {
    List<TestResult.TogetherRow> rows = new ArrayList<>();
    for (Term term : fit.model().terms()) {
      progress.check();
      rows.add(row(term));
    }
    List<AnovaTable> tables = new ArrayList<>();
    for (int r = 0; r < values.length; r++) {
      tables.add(table(r));
    }
    TestResult test =
        new TestResult.TogetherResult(
            inquiry.measured(),
            inquiry.squares().key(),
            rows,
            fit.error().products(),
            fit.error().df(),
            fit.rows(),
            tables);
    return Results.of(List.of(test)).checking(List.of(equalCovariances()));
  }

  /**
   * What is computed about one response.
   *
   * @param response its place in the inquiry, from 0
   * @return its table, means and comparisons
   */
  public Results analysis(int response) {
    AnovaTable table = table(response);
    Strata strata = new Strata(List.of(layer(response)));
    AskedQuestions questions =
        new AskedQuestions(
            inquiry,
            new AskedQuestions.Fitted(
                inquiry.measured().get(response),
                strata,
                factors,
                inquiry.covariates(),
                table::pOf),
            progress,
            stages);
    List<ComparisonResult> comparisons = questions.comparisons();
    return Results.of(
            List.of(new TestResult.AnovaResult(table, null, List.of(), null, null, List.of())))
        .estimating(questions.meansOf(fit.model().terms()), comparisons, questions.contrasts());
  }

  private Stratum layer(int response) {
    return new Stratum("error", fit, response, 1);
  }

  private AnovaTable table(int response) {
    return AnovaTable.of(layer(response), inquiry.squares(), inquiry.alpha());
  }

  private TestResult.TogetherRow row(Term term) {
    Fit.Sum sum = fit.squares(term, inquiry.squares());
    if (sum == null || sum.df() == 0) {
      return new TestResult.TogetherRow(term.source(), term.names(), null, null, List.of());
    }
    MultivariateTest test =
        MultivariateTest.of(sum.df(), sum.products(), fit.error().df(), fit.error().products());
    boolean alone = factors.size() == 1 && inquiry.covariates().isEmpty();
    return new TestResult.TogetherRow(
        term.source(),
        term.names(),
        test,
        sum.products(),
        alone && test != null ? centroids(test) : List.of());
  }

  private List<TestResult.Centroid> centroids(MultivariateTest test) {
    Factor factor = factors.get(0);
    List<TestResult.Centroid> centroids = new ArrayList<>();
    double[] grand = new double[values.length];
    for (int r = 0; r < grand.length; r++) {
      grand[r] = mean(values[r], factor, -1);
    }
    for (int level = 0; level < factor.size(); level++) {
      List<Double> scores = new ArrayList<>();
      for (MultivariateTest.Variate variate : test.coefficients()) {
        double score = 0;
        for (int r = 0; r < values.length; r++) {
          score += variate.raw().get(r) * (mean(values[r], factor, level) - grand[r]);
        }
        scores.add(score);
      }
      centroids.add(
          new TestResult.Centroid(
              Map.of(factor.name(), factor.levels().get(level)),
              fit.count(new int[] {level}),
              scores));
    }
    return centroids;
  }

  private static double mean(double[] values, Factor factor, int level) {
    double sum = 0;
    int n = 0;
    for (int row = 0; row < values.length; row++) {
      int code = factor.codes()[row];
      if (code >= 0 && (level < 0 || code == level)) {
        sum += values[row];
        n++;
      }
    }
    return sum / n;
  }

  private CheckResult equalCovariances() {
    Map<List<Integer>, List<Integer>> cells = new LinkedHashMap<>();
    List<Factor> treatments = parts.factors(inquiry.treatments());
    for (int row = 0; row < values[0].length; row++) {
      if (parts.isUsed(row)) {
        List<Integer> key = new ArrayList<>();
        for (Factor factor : treatments) {
          key.add(factor.codes()[row]);
        }
        cells.computeIfAbsent(key, k -> new ArrayList<>()).add(row);
      }
    }
    long[] sizes = cells.values().stream().mapToLong(List::size).toArray();
    double[][][] within = cells.values().stream().map(this::within).toArray(double[][][]::new);
    BoxM m = BoxM.of(sizes, within);
    Map<String, Quantity> more = new LinkedHashMap<>();
    more.put("chiSquared", m.chiSquared());
    more.put("f", m.f());
    more.put("fP", m.fP());
    CheckResult.Judgement judgement = CheckResult.Judgement.of(m.p());
    return new CheckResult(
        CheckTest.BOX_M,
        "",
        inquiry.measured(),
        CheckResult.Kind.BOX,
        m.m(),
        List.of(m.df()),
        m.p(),
        more,
        Map.of("fDf", List.of(m.df(), m.fErrorDf().value())),
        judgement,
        !m.p().exists()
            ? say("check.impossible", Phrases.why(m.p()))
            : say(judgement.isOdd() ? "check.covariances.odd" : "check.covariances.sound"));
  }

  private double[][] within(List<Integer> rows) {
    int p = values.length;
    double[] means = new double[p];
    for (int r = 0; r < p; r++) {
      for (int row : rows) {
        means[r] += values[r][row] / rows.size();
      }
    }
    double[][] sums = new double[p][p];
    for (int a = 0; a < p; a++) {
      for (int b = 0; b < p; b++) {
        for (int row : rows) {
          sums[a][b] += (values[a][row] - means[a]) * (values[b][row] - means[b]);
        }
      }
    }
    return sums;
  }
}
