package app.knuckle.study.answers.asked;

import app.knuckle.study.design.Inquiry;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.stages.Same;

/**
 * What the fit of one response is made from.
 *
 * @param records that are fitted
 * @param fitting the question as the fit sees it
 * @param measured the response
 */
public record FitInputs(Same<Frame> records, Inquiry fitting, String measured) {

  /** Those of a question; what does not bear on the fit is left out. */
  public static FitInputs of(Frame frame, Inquiry inquiry, String measured) {
    return new FitInputs(new Same<>(frame), inquiry.fitting(measured), measured);
  }

  /** The records. */
  public Frame frame() {
    return records.value();
  }
}
