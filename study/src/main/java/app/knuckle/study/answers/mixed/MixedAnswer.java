package app.knuckle.study.answers.mixed;

import app.knuckle.stats.Progress;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.compare.Direction;
import app.knuckle.stats.compare.StudentT;
import app.knuckle.stats.linear.Estimable;
import app.knuckle.stats.linear.Residuals;
import app.knuckle.stats.mixed.Component;
import app.knuckle.stats.mixed.MixedFit;
import app.knuckle.stats.mixed.MixedModel.WithinUnit;
import app.knuckle.stats.mixed.MixedResiduals;
import app.knuckle.study.Refused;
import app.knuckle.study.answers.asked.AskedQuestions;
import app.knuckle.study.answers.asked.FitInputs;
import app.knuckle.study.answers.asked.Slopes;
import app.knuckle.study.checks.GroupChecks;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.Part;
import app.knuckle.study.findings.CheckedOn;
import app.knuckle.study.findings.ComparisonResult;
import app.knuckle.study.findings.GroupCheck;
import app.knuckle.study.findings.Results;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.stages.Same;
import app.knuckle.study.stages.Stage;
import app.knuckle.study.stages.Stages;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Answers an inquiry about one response with random effects. */
public final class MixedAnswer {

  private static final Stage<FitInputs, MixedQuestion> FIT =
      new Stage<>(
          (in, stages, progress) ->
              new MixedQuestion(in.frame(), in.fitting(), in.measured(), progress));

  private record TestInputs(FitInputs of, Same<MixedQuestion> question, double alpha) {}

  private static final Stage<TestInputs, TestResult.MixedResult> TEST =
      new Stage<>((in, stages, progress) -> test(in, progress));

  private record LeftInputs(Same<MixedFit> fit) {}

  private static final Stage<LeftInputs, MixedResiduals> LEFT =
      new Stage<>((in, stages, progress) -> in.fit().value().left());

  private final Frame frame;
  private final Inquiry inquiry;
  private final Progress progress;
  private final Stages stages;
  private final String measured;
  private final MixedQuestion question;
  private final MixedFit fit;

  private MixedAnswer(
      Frame frame, Inquiry inquiry, String measured, Progress progress, Stages stages) {
    this.frame = frame;
    this.inquiry = inquiry;
    this.progress = progress;
    this.stages = stages;
    this.measured = measured;
    question = stages.of(FIT, measured, FitInputs.of(frame, inquiry, measured), progress);
    fit = question.fit();
  }

  /**
   * Answers about a response.
   *
   * @param frame the records
   * @param inquiry the question, whose method is mixed
   * @param measured the response
   * @param progress asked on the way
   * @param stages of the inquiry
   * @return the analysis
   * @throws app.knuckle.study.Refused if the records cannot bear the model
   */
  public static Results to(
      Frame frame, Inquiry inquiry, String measured, Progress progress, Stages stages) {
    return new MixedAnswer(frame, inquiry, measured, progress, stages).results();
  }

  private Results results() {
    MixedProcedures.check(inquiry, question.asked());
    TestResult.MixedResult test =
        stages.of(
            TEST,
            measured,
            new TestInputs(
                FitInputs.of(frame, inquiry, measured), new Same<>(question), inquiry.alpha()),
            progress);
    Inquiry asked =
        inquiry.but(
            d -> {
              d.give(Part.TREATMENT, question.asked().treatments());
              d.give(Part.BLOCK, question.asked().blocks());
              d.terms = question.asked().terms();
            });
    AskedQuestions questions =
        new AskedQuestions(
            asked,
            new AskedQuestions.Fitted(
                measured, fit, question.factors(), inquiry.covariates(), test::pOf),
            progress,
            stages);
    List<ComparisonResult> comparisons = questions.comparisons();
    Results answered =
        Results.of(List.of(test))
            .checking(MixedChecks.of(test))
            .estimating(
                asked.treatments().isEmpty() ? List.of() : questions.meansOf(question.terms()),
                comparisons,
                questions.contrasts());
    return checked(answered, test);
  }

  private static TestResult.MixedResult test(TestInputs in, Progress progress) {
    MixedFit fit = in.question().value().fit();
    Inquiry inquiry = in.of().fitting();
    double alpha = in.alpha();
    List<MixedFit.Row> rows = fit.tests(alpha);
    List<Component> components = fit.components(alpha, progress);
    return new TestResult.MixedResult(
        rows,
        fit.figures(),
        new TestResult.Variation(
            components,
            inquiry.random().within(),
            fit.correlation(alpha, progress),
            fit.equalVariances(progress),
            fit.moments(),
            fit.effects(),
            criteria(in, progress)),
        Slopes.of(fit, fit::slope, inquiry.covariates(), alpha),
        rows.isEmpty() ? mean(fit, alpha) : null);
  }

  /** More rows are not fitted in other ways as well, which nobody may look at. */
  private static final int MOST_FITTED_THRICE = 5_000;

  /** AIC of each way in which readings of a unit may be correlated. */
  private static Map<WithinUnit, Double> criteria(TestInputs in, Progress progress) {
    MixedFit fit = in.question().value().fit();
    Inquiry inquiry = in.of().fitting();
    Map<WithinUnit, Double> criteria = new EnumMap<>(WithinUnit.class);
    boolean repeated = inquiry.unit() != null && inquiry.occasions().size() == 1;
    if (!repeated || fit.figures().n() > MOST_FITTED_THRICE) {
      return criteria;
    }
    WithinUnit own = inquiry.random().within();
    for (WithinUnit within : WithinUnit.values()) {
      progress.check();
      Inquiry other = inquiry.but(d -> d.random = d.random.with(within));
      try {
        criteria.put(
            within,
            within == own
                ? fit.figures().aic()
                : new MixedQuestion(in.of().frame(), other, in.of().measured(), progress)
                    .fit()
                    .figures()
                    .aic());
      } catch (Refused e) {
        // What cannot be fitted has no criterion; choosing it says why.
      }
    }
    return criteria;
  }

  private static StudentT mean(MixedFit fit, double alpha) {
    Estimable mean = fit.mean(new int[0], new double[0]);
    StudentT less =
        StudentT.of(
            fit.value(mean),
            Quantity.of(Math.sqrt(fit.variance(mean))),
            Quantity.of(fit.df(mean)),
            Direction.EITHER,
            alpha);
    double origin = fit.origin();
    return new StudentT(
        less.estimate() + origin,
        less.se(),
        less.df(),
        less.statistic(),
        less.p(),
        less.low().map(x -> x + origin),
        less.high().map(x -> x + origin));
  }

  /** Checks of what is left, unless the rows are too many to be looked at one by one. */
  private Results checked(Results answered, TestResult.MixedResult test) {
    if (test.fit().n() > GroupChecks.MOST_VALUES) {
      return answered;
    }
    MixedResiduals left = stages.of(LEFT, measured, new LeftInputs(new Same<>(fit)), progress);
    boolean firstOrder = inquiry.random().within() == WithinUnit.FIRST_ORDER;
    double df = fit.moments().map(m -> m.rows().get(m.rows().size() - 1).df() - 1.0).orElse(0.0);
    Residuals residuals =
        Residuals.given(
            left.rows(),
            left.fitted(),
            left.conditional(),
            left.marginal(),
            left.studentised(),
            df);
    List<GroupCheck> checks =
        new ArrayList<>(
            GroupChecks.ofOne(
                CheckedOn.Whole.RESIDUALS,
                firstOrder ? left.studentised() : left.conditional(),
                residuals.alikeWithin(),
                false));
    if (df > 0) {
      checks.add(GroupChecks.farthest(residuals, frame));
    }
    double[][] groups = question.groups(left);
    checks.addAll(GroupChecks.spreadOfResiduals(groups, residuals.alikeWithin()));
    return answered.checking(checks, Optional.of(residuals));
  }
}
