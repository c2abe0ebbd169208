package app.knuckle.study.answers.ranks;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Progress;
import app.knuckle.study.design.Analysis;
import app.knuckle.study.design.Compare;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.Results;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.stages.Stages;

/** The way to an answer on ranks, or by permutation. */
public final class RankAnswer {

  private RankAnswer() {}

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
    if (inquiry.compare().stream().anyMatch(Compare::isContrast)) {
      throw RankQuestion.refused(
          "compare", say("refused.contrasts-not-answered-on"), say("way.compare-pairs"));
    }
    RankQuestion question =
        inquiry.analysis() == Analysis.PERMUTATION
            ? new PermutationAnswer(frame, inquiry, measured, progress, stages)
            : onRanks(frame, inquiry, measured, progress);
    return question.results();
  }

  private static RankQuestion onRanks(
      Frame frame, Inquiry inquiry, String measured, Progress progress) {
    if (inquiry.treatments().size() > 1
        || inquiry.blocks().size() > 1
        || !inquiry.covariates().isEmpty()) {
      throw RankQuestion.refused(
          "method", say("refused.ranks-answer-one-treatment"), say("way.use-least-squares-for"));
    }
    if (inquiry.treatments().isEmpty() || inquiry.pairs() != null) {
      return new RankPairedAnswer(frame, inquiry, measured, progress);
    }
    RankQuestion groups = new RankGroupsAnswer(frame, inquiry, measured, progress);
    return groups.within == null
        ? groups
        : new RankBlocksAnswer(frame, inquiry, measured, progress);
  }
}
