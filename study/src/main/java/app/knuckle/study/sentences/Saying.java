package app.knuckle.study.sentences;

import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.findings.Results;
import app.knuckle.study.findings.Sentences;
import app.knuckle.study.look.Correlations;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.words.ExactP;

/** Says what was found: the words of findings, made of nothing but their numbers. */
public final class Saying {

  private Saying() {}

  /**
   * The finding, the result and the ranking of a response.
   *
   * @param response its answers; words that it has are not looked at
   * @param inquiry the question
   * @param exact down to which bound p is written as it is
   * @return why there is no answer, if there is none
   */
  public static Sentences of(ResponseFindings response, Inquiry inquiry, ExactP exact) {
    if (response.refusal() != null) {
      return new Sentences(response.refusal().shown(), response.refusal().shown(), "");
    }
    Numbers measured = response.measured();
    Results analysis = response.results();
    Sentences words =
        response
            .oneWay()
            .map(
                fit ->
                    OneWaySentences.of(
                        measured,
                        response.groups(),
                        fit,
                        ComparedMeans.of(analysis),
                        DesignSentences.ofTwoGroups(measured, inquiry, analysis, exact),
                        exact))
            .orElseGet(() -> DesignSentences.of(measured, inquiry, analysis, exact));
    String edge = EdgeSentence.of(analysis, response.summaries(), inquiry, exact);
    return edge.isEmpty()
        ? words
        : new Sentences(words.finding(), words.result(), (words.ranking() + " " + edge).strip());
  }

  /**
   * The finding about all responses together.
   *
   * @param ofAll what was computed about them; has a test
   * @param first of the responses
   * @param inquiry the question
   * @param exact down to which bound p is written as it is
   * @return a sentence
   */
  public static String together(Results ofAll, Numbers first, Inquiry inquiry, ExactP exact) {
    return DesignSentences.of(first, inquiry, ofAll, exact).finding();
  }

  /**
   * Which of the responses are correlated.
   *
   * @param frame the records after the trail
   * @param inquiry the question
   * @param exact down to which bound p is written as it is
   * @return a sentence
   */
  public static String associated(Frame frame, Inquiry inquiry, ExactP exact) {
    return AssociationSentence.of(
        Correlations.of(frame, inquiry.measured()),
        inquiry.measured().stream().map(name -> frame.column(name).label()).toList(),
        inquiry.alpha(),
        exact);
  }

  /**
   * The same findings in words with p written otherwise.
   *
   * @param findings what was found
   * @param exact down to which bound p is written as it is
   * @return findings whose numbers are the same
   */
  public static Findings again(Findings findings, ExactP exact) {
    if (exact.equals(ExactP.USUAL)) {
      return findings; // These are the words that findings have.
    }
    Inquiry inquiry = findings.inquiry();
    String together =
        findings.foundTogether().isEmpty()
            ? ""
            : findings.associations().isPresent()
                ? associated(findings.frame(), inquiry, exact)
                : together(findings.together(), findings.first().measured(), inquiry, exact);
    return findings.saying(
        findings.responses().stream().map(r -> r.saying(of(r, inquiry, exact))).toList(), together);
  }
}
