package app.knuckle.study.answers.layers;

import app.knuckle.stats.Progress;
import app.knuckle.stats.anova.AnovaTable;
import app.knuckle.study.answers.asked.AskedQuestions;
import app.knuckle.study.answers.asked.FitInputs;
import app.knuckle.study.answers.asked.Slopes;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.ComparisonResult;
import app.knuckle.study.findings.Results;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.stages.Stage;
import app.knuckle.study.stages.Stages;
import java.util.List;

/** Answers an inquiry about split plots, strips, or units seen on several occasions. */
public final class LayeredAnswer {

  private static final Stage<FitInputs, LayeredFit> FIT =
      new Stage<>(
          (in, stages, progress) ->
              in.fitting().strips().isEmpty()
                  ? new TwoLayerFit(in.frame(), in.fitting(), in.measured())
                  : new StripFit(in.frame(), in.fitting(), in.measured()));

  private LayeredAnswer() {}

  /**
   * Answers about a response.
   *
   * @param frame the records
   * @param inquiry with strips, whole plots or occasions
   * @param measured the response
   * @param progress asked on the way
   * @param stages of the inquiry
   * @return the analysis
   * @throws app.knuckle.study.Refused if the design does not fit, or the records do not
   */
  public static Results to(
      Frame frame, Inquiry inquiry, String measured, Progress progress, Stages stages) {
    LayeredFit fit = stages.of(FIT, measured, FitInputs.of(frame, inquiry, measured), progress);
    progress.check();
    double alpha = inquiry.alpha();
    AnovaTable table = fit.table(alpha);
    AskedQuestions questions =
        new AskedQuestions(
            inquiry,
            new AskedQuestions.Fitted(
                measured, fit.strata(), fit.factors(), inquiry.covariates(), table::pOf),
            progress,
            stages);
    // Letters stand beside means: pairs come first.
    List<ComparisonResult> comparisons = questions.comparisons();
    TestResult test =
        new TestResult.AnovaResult(
            table, null, Slopes.of(fit.strata(), alpha), null, fit.layers(alpha), List.of());
    Results answered =
        Results.of(List.of(test))
            .checking(fit.checks())
            .estimating(questions.meansOf(fit.terms()), comparisons, questions.contrasts());
    return fit.left().on(answered, frame);
  }
}
