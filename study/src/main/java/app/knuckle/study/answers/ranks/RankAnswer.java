package app.knuckle.study.answers.ranks;

import app.knuckle.stats.Progress;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.prep.Frame;

/** The way to an answer on ranks, or by permutation. */
public final class RankAnswer {

  private RankAnswer() {}

  public static RankQuestion to(Frame frame, Inquiry inquiry, String measured, Progress progress) {
    if (inquiry.compare().stream().anyMatch(Inquiry.Compare::isContrast)) {
      throw RankQuestion.refused("compare", "contrasts are not answered on ranks", "Compare pairs");
    }
    if (inquiry.treatments().size() > 1
        || inquiry.blocks().size() > 1
        || !inquiry.covariates().isEmpty()) {
      throw RankQuestion.refused(
          "method",
          "ranks answer one treatment, with one column of blocks at most",
          "Use least squares for this design, or permutation");
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
