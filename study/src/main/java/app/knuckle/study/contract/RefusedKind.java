package app.knuckle.study.contract;

import app.knuckle.study.design.Inquiry;

/** The kind of test that stands in findings where a question was refused: the one it asked for. */
final class RefusedKind {

  private RefusedKind() {}

  static String of(Inquiry inquiry) {
    return switch (inquiry.analysis()) {
      case LEAST_SQUARES ->
          inquiry.pairs() != null || inquiry.treatments().isEmpty()
              ? "t-test"
              : "analysis-of-variance";
      case SEPARATE_VARIANCES -> "welch-anova";
      case MIXED -> "mixed";
      case DEVIANCE -> "analysis-of-deviance";
      case PERMUTATION -> "permutation";
      case RANKS ->
          inquiry.pairs() != null || inquiry.treatments().isEmpty()
              ? "signed-rank"
              : inquiry.unit() != null || !inquiry.blocks().isEmpty()
                  ? "friedman"
                  : "kruskal-wallis";
    };
  }
}
