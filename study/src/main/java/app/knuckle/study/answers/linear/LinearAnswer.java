package app.knuckle.study.answers.linear;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Progress;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.anova.AnovaTable;
import app.knuckle.stats.anova.PowerTransformation;
import app.knuckle.stats.compare.Direction;
import app.knuckle.stats.compare.Trend;
import app.knuckle.stats.linear.Covariate;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.Fit;
import app.knuckle.stats.linear.Model;
import app.knuckle.stats.linear.Residuals;
import app.knuckle.stats.linear.Stratum;
import app.knuckle.stats.linear.SumTest;
import app.knuckle.stats.linear.Term;
import app.knuckle.stats.summary.GroupMoments;
import app.knuckle.stats.ttest.TTest;
import app.knuckle.stats.unequal.UnequalSpread;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.answers.asked.AskedQuestions;
import app.knuckle.study.answers.asked.Contrasts;
import app.knuckle.study.answers.asked.FitInputs;
import app.knuckle.study.answers.asked.UnequalMeans;
import app.knuckle.study.cells.Parts;
import app.knuckle.study.checks.Checks;
import app.knuckle.study.design.Analysis;
import app.knuckle.study.design.Compare;
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
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/** Answers an inquiry about one response with one layer of error. */
public final class LinearAnswer {

  private static final Stage<FitInputs, LinearFit> FIT =
      new Stage<>(
          (in, stages, progress) ->
              new LinearFit(in.frame(), in.fitting(), in.measured(), progress));

  private record TestInputs(Same<LinearFit> fit, double alpha, Direction direction) {}

  private static final Stage<TestInputs, List<TestResult>> TESTS =
      new Stage<>(
          (in, stages, progress) -> LinearTests.of(in.fit().value(), in.alpha(), in.direction()));

  private record TransformationInputs(Same<LinearFit> fit, double alpha) {}

  private static final Stage<TransformationInputs, Optional<PowerTransformation>> TRANSFORMATION =
      new Stage<>(
          (in, stages, progress) ->
              PowerTransformation.of(
                  in.fit().value().groups(in.fit().value().values()), in.alpha()));

  private final Inquiry inquiry;
  private final Progress progress;
  private final Stages stages;
  private final String measured;
  private final LinearFit fitted;
  private final Parts parts;
  private final List<Factor> factors;
  private final Model model;
  private final double[] values;

  private LinearAnswer(
      Frame frame, Inquiry inquiry, String measured, Progress progress, Stages stages) {
    this.inquiry = inquiry;
    this.measured = measured;
    this.progress = progress;
    this.stages = stages;
    fitted = stages.of(FIT, measured, FitInputs.of(frame, inquiry, measured), progress);
    parts = fitted.parts();
    factors = fitted.factors();
    model = fitted.model();
    values = fitted.values();
  }

  /**
   * Answers about a response.
   *
   * @param frame the records
   * @param inquiry the question
   * @param measured the response
   * @param progress asked on the way
   * @param stages of the inquiry
   * @return the analysis
   * @throws app.knuckle.study.Refused if the design does not fit, or the records do not
   */
  public static Results to(
      Frame frame, Inquiry inquiry, String measured, Progress progress, Stages stages) {
    LinearAnswer answer = new LinearAnswer(frame, inquiry, measured, progress, stages);
    return inquiry.analysis() == Analysis.SEPARATE_VARIANCES
        ? answer.unequal()
        : answer.leastSquares();
  }

  /**
   * Compares the means of a response, and nothing else: for those who ask a thousand times.
   *
   * @param frame the records
   * @param inquiry the question, by least squares
   * @param measured the response
   * @param progress asked on the way
   * @return the comparisons alone
   * @throws app.knuckle.study.Refused if the design does not fit, or the records do not
   */
  public static Results compared(Frame frame, Inquiry inquiry, String measured, Progress progress) {
    LinearAnswer answer = new LinearAnswer(frame, inquiry, measured, progress, Stages.once());
    AskedQuestions questions =
        answer.questions(
            term ->
                AnovaTable.of(answer.fitted.layer(), inquiry.squares(), inquiry.alpha()).pOf(term));
    return Results.NONE.estimating(List.of(), questions.comparisons(), List.of());
  }

  private AskedQuestions questions(Function<Term, Quantity> overall) {
    return new AskedQuestions(
        inquiry,
        new AskedQuestions.Fitted(
            measured, fitted.strata(), factors, inquiry.covariates(), overall),
        progress,
        stages);
  }

  private Results leastSquares() {
    List<TestResult> tests =
        stages.of(
            TESTS,
            measured,
            new TestInputs(new Same<>(fitted), inquiry.alpha(), inquiry.direction()),
            progress);
    AnovaTable table = tests.get(tests.size() - 1).variances().orElseThrow();
    AskedQuestions questions = questions(table::pOf);
    List<ComparisonResult> comparisons = questions.comparisons();
    Results answered =
        Results.of(tests)
            .checking(checks(fitted.layer()))
            .estimating(questions.meansOf(model.terms()), comparisons, questions.contrasts());
    if (fitted.isTransformable()) {
      answered =
          answered.transforming(
              stages.of(
                  TRANSFORMATION,
                  measured,
                  new TransformationInputs(new Same<>(fitted), inquiry.alpha()),
                  progress));
    }
    Optional<Residuals> residuals = Optional.ofNullable(fitted.residuals(progress));
    return residuals.isEmpty()
        ? answered
        : answered.checking(fitted.groupChecks(inquiry.alpha(), progress), residuals);
  }

  private List<CheckResult> checks(Stratum layer) {
    List<CheckResult> checks = new ArrayList<>(Checks.at(fitted.checks(progress), inquiry.alpha()));
    for (Compare c : inquiry.compare()) {
      if (c.trend() > 0 && c.of().size() == 1) {
        checks.add(remainder(c, layer, values));
      }
    }
    return checks;
  }

  private Results unequal() {
    if (!fitted.isOneWay()) {
      throw Refused.at(
          new Place.Key("inquiry", List.of("method")),
          say("refused.unequal-spread-answered-for"),
          say("way.use-least-squares-or"));
    }
    GroupMoments moments = fitted.moments();
    Factor factor = factors.get(0);
    List<TestResult> tests = new ArrayList<>();
    if (moments.groups() == 2) {
      tests.add(
          new LinearTests(fitted, inquiry.alpha(), inquiry.direction()).tTest(TTest.Form.WELCH));
    }
    tests.add(
        new TestResult.UnequalResult(
            "welch-anova", factor.name(), UnequalSpread.welch(moments, inquiry.alpha())));
    tests.add(
        new TestResult.UnequalResult(
            "brown-forsythe-anova",
            factor.name(),
            UnequalSpread.brownForsythe(moments, inquiry.alpha())));
    UnequalMeans means = new UnequalMeans(inquiry, factor, moments, progress);
    List<ComparisonResult> comparisons = means.comparisons();
    return Results.of(tests).estimating(List.of(means.result()), comparisons, List.of());
  }

  /** What trends leave of a treatment's differences. */
  private CheckResult remainder(Compare c, Stratum layer, double[] values) {
    String name = c.of().get(0);
    Factor factor = parts.factor(name);
    double[] levels = Contrasts.levelsAsNumbers(factor);
    int degree = Math.min(c.trend(), levels.length - 1);
    double[][] weights = Trend.weights(levels, degree);
    List<Term> others = model.terms().stream().filter(t -> !t.names().contains(name)).toList();
    List<Covariate> covariates = new ArrayList<>(model.covariates());
    List<Term> withTrends = new ArrayList<>(others);
    for (int d = 0; d < degree; d++) {
      double[] column = new double[values.length];
      for (int row = 0; row < column.length; row++) {
        column[row] = parts.isUsed(row) ? weights[d][factor.codes()[row]] : Double.NaN;
      }
      covariates.add(new Covariate("trend " + (d + 1), column));
      withTrends.add(Term.of("trend " + (d + 1)));
    }
    List<Term> withFactor = new ArrayList<>(others);
    withFactor.add(Term.of(name));
    Fit trends = Fit.of(new Model(factors, covariates, withTrends, true), List.of(values));
    Fit main = Fit.of(model.with(withFactor), List.of(values));
    int df = main.rank() - trends.rank();
    SumTest test =
        SumTest.of(
            df,
            df == 0 ? 0 : Math.max(0, trends.error().of(0) - main.error().of(0)),
            layer.errorDf(),
            layer.errorSs(),
            Absence.TRENDS_TAKE_ALL);
    return Checks.of(
        CheckTest.LACK_OF_FIT,
        "",
        test,
        Map.of(),
        say("check.trends.sound", name),
        say("check.trends.odd", name));
  }
}
