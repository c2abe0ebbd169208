package app.knuckle.study.proof;

import app.knuckle.study.design.Inquiry;

/** What a reference case is about. */
public enum Subject {
  /** No treatment: summaries, one sample, how columns are correlated. */
  DESCRIPTION("one sample, summaries, associations"),
  /** Two values of each unit. */
  PAIRS("matched pairs"),
  /** One treatment without blocks. */
  ONE_TREATMENT("one treatment"),
  /** Several treatments, crossed. */
  FACTORIAL("several treatments"),
  /** Complete and incomplete blocks, rows and columns. */
  BLOCKS("blocks, rows and columns"),
  /** Split plots and split blocks. */
  SPLIT("split plots and split blocks"),
  /** Units measured again and again. */
  REPEATED("repeated measures"),
  /** Covariates. */
  COVARIATES("covariates"),
  /** Several responses together. */
  TOGETHER("several responses together"),
  /** Spread that is not equal. */
  UNEQUAL("unequal spread"),
  /** Tests on ranks. */
  RANKS("ranks"),
  /** Tests by permutation. */
  PERMUTATION("rearrangements"),
  /** Random effects. */
  RANDOM_EFFECTS("random effects"),
  /** Counts and shares. */
  COUNTS("counts and shares"),
  /** Questions without records. */
  RECKONER("questions without records");

  private final String title;

  Subject(String title) {
    this.title = title;
  }

  /** What it is called, in the words of the trade. */
  public String title() {
    return title;
  }

  /**
   * What an inquiry is about.
   *
   * @param inquiry of a case
   * @return the first that fits
   */
  static Subject of(Inquiry inquiry) {
    return switch (inquiry.analysis()) {
      case MIXED -> RANDOM_EFFECTS;
      case DEVIANCE -> COUNTS;
      case RANKS -> RANKS;
      case PERMUTATION -> PERMUTATION;
      case SEPARATE_VARIANCES -> UNEQUAL;
      case LEAST_SQUARES -> ofMeans(inquiry);
    };
  }

  private static Subject ofMeans(Inquiry inquiry) {
    if (inquiry.together()) {
      return TOGETHER;
    }
    if (inquiry.treatments().isEmpty()) {
      return DESCRIPTION;
    }
    if (inquiry.pairs() != null) {
      return PAIRS;
    }
    if (!inquiry.wholePlots().isEmpty() || !inquiry.strips().isEmpty()) {
      return SPLIT;
    }
    if (inquiry.unit() != null) {
      return REPEATED;
    }
    if (!inquiry.covariates().isEmpty()) {
      return COVARIATES;
    }
    if (!inquiry.blocks().isEmpty()) {
      return BLOCKS;
    }
    return inquiry.treatments().size() == 1 ? ONE_TREATMENT : FACTORIAL;
  }
}
