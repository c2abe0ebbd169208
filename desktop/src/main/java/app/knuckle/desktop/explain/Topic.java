package app.knuckle.desktop.explain;

import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.Response;
import java.util.Locale;

/** What the manual has a page about, in the order of its contents. */
public enum Topic {
  ONE_SAMPLE,
  TWO_GROUPS,
  MATCHED_PAIRS,
  ONE_TREATMENT,
  SEVERAL_TREATMENTS,
  BLOCKS,
  ROWS_AND_COLUMNS,
  INCOMPLETE_BLOCKS,
  SPLIT_PLOTS,
  SPLIT_BLOCKS,
  REPEATED_MEASURES,
  COVARIATES,
  SEVERAL_RESPONSES,
  ASSOCIATIONS,
  UNEQUAL_SPREAD,
  RANKS_OF_TWO_GROUPS,
  RANKS_OF_PAIRS,
  RANKS_OF_SEVERAL_GROUPS,
  RANKS_IN_BLOCKS,
  REARRANGEMENT,
  RANDOM_EFFECTS,
  COUNTS,
  SHARES,
  LEAST_SIGNIFICANT_DIFFERENCE,
  TUKEY,
  ADJUSTED_P,
  SCHEFFE,
  STEP_DOWN_RANGES,
  GAMES_HOWELL,
  DUNNETT,
  PAIRS_ON_RANKS,
  CONTRASTS,
  TRENDS,
  WITHIN_LEVELS,
  LETTERS,
  BELL_SHAPE,
  EQUAL_SPREAD,
  ADDITIVITY,
  SPHERICITY,
  ODD_VALUES,
  ORDER_AND_BALANCE,
  STEPS,
  TRANSFORMATIONS,
  PLAN_A_TRIAL,
  POWER_AND_SIZE,
  FROM_SUMMARIES,
  PARTIAL_TABLE,
  TAILS,
  HANDBOOK,
  WORDS;

  /** The name of its page, such as "one-treatment". */
  public String slug() {
    return name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  /**
   * How an inquiry is answered.
   *
   * @param inquiry any
   * @param two whether its treatment has but two levels
   * @return the page of its method, or of its design
   */
  public static Topic of(Inquiry inquiry, boolean two) {
    return switch (inquiry.analysis()) {
      case MIXED -> RANDOM_EFFECTS;
      case DEVIANCE -> inquiry.response() == Response.COUNTED ? COUNTS : SHARES;
      case PERMUTATION -> REARRANGEMENT;
      case SEPARATE_VARIANCES -> UNEQUAL_SPREAD;
      case RANKS -> ofRanks(inquiry, two);
      case LEAST_SQUARES -> ofMeans(inquiry, two);
    };
  }

  private static Topic ofRanks(Inquiry inquiry, boolean two) {
    if (inquiry.pairs() != null || inquiry.treatments().isEmpty()) {
      return RANKS_OF_PAIRS;
    }
    if (!inquiry.blocks().isEmpty() || inquiry.unit() != null) {
      return RANKS_IN_BLOCKS;
    }
    return two ? RANKS_OF_TWO_GROUPS : RANKS_OF_SEVERAL_GROUPS;
  }

  private static Topic ofMeans(Inquiry inquiry, boolean two) {
    if (inquiry.treatments().isEmpty()) {
      return inquiry.together() ? ASSOCIATIONS : ONE_SAMPLE;
    }
    if (inquiry.together()) {
      return SEVERAL_RESPONSES;
    }
    if (inquiry.pairs() != null) {
      return MATCHED_PAIRS;
    }
    if (!inquiry.strips().isEmpty()) {
      return SPLIT_BLOCKS;
    }
    if (!inquiry.wholePlots().isEmpty()) {
      return SPLIT_PLOTS;
    }
    if (!inquiry.occasions().isEmpty()) {
      return REPEATED_MEASURES;
    }
    if (!inquiry.covariates().isEmpty()) {
      return COVARIATES;
    }
    if (inquiry.blocks().size() > 1) {
      return ROWS_AND_COLUMNS;
    }
    if (!inquiry.blocks().isEmpty()) {
      return BLOCKS;
    }
    if (inquiry.treatments().size() > 1) {
      return SEVERAL_TREATMENTS;
    }
    return two ? TWO_GROUPS : ONE_TREATMENT;
  }

  /**
   * How means are compared.
   *
   * @param procedure any
   * @param within whether anew at each level of another treatment
   * @return the page of the procedure, or of that
   */
  public static Topic of(Procedure procedure, boolean within) {
    return within ? WITHIN_LEVELS : of(procedure);
  }

  /**
   * How all means are compared.
   *
   * @param procedure any
   * @return its page
   */
  public static Topic of(Procedure procedure) {
    return switch (procedure) {
      case LEAST_SIGNIFICANT_DIFFERENCE, NONE -> LEAST_SIGNIFICANT_DIFFERENCE;
      case TUKEY -> TUKEY;
      case BONFERRONI, SIDAK, HOLM, HOCHBERG, BENJAMINI_HOCHBERG -> ADJUSTED_P;
      case SCHEFFE -> SCHEFFE;
      case NEWMAN_KEULS, DUNCAN -> STEP_DOWN_RANGES;
      case TAMHANE, GAMES_HOWELL -> GAMES_HOWELL;
      case DUNNETT -> DUNNETT;
      case NEMENYI,
          DUNN_BONFERRONI,
          DUNN_SIDAK,
          DUNN_HOLM,
          DUNN_BENJAMINI_HOCHBERG,
          DUNN_NONE,
          DWASS_STEEL,
          CONOVER_HOLM,
          STEEL ->
          PAIRS_ON_RANKS;
    };
  }
}
