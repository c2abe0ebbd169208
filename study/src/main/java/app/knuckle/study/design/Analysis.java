package app.knuckle.study.design;

import static app.knuckle.stats.compare.Procedure.DUNN_HOLM;
import static app.knuckle.stats.compare.Procedure.GAMES_HOWELL;
import static app.knuckle.stats.compare.Procedure.NEMENYI;
import static app.knuckle.stats.compare.Procedure.TUKEY;

import app.knuckle.stats.compare.Procedure;
import app.knuckle.stats.compare.Procedure.Setting;
import app.knuckle.stats.mixed.MixedModel.WithinUnit;
import app.knuckle.study.words.Phrases;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;

/**
 * How a response is analysed. Which responses and designs an analysis takes, and why not another,
 * is said here and nowhere else: offers, ways on, Find and refusals read it.
 */
public enum Analysis {
  /** Least squares: normal errors of equal variance. */
  LEAST_SQUARES("least-squares", EnumSet.of(Response.MEASURED), TUKEY, Setting.MEANS) {
    @Override
    String misfit(Inquiry inquiry) {
      return null;
    }
  },
  /** A linear mixed model: variances of random effects are estimated by REML. */
  MIXED("mixed", EnumSet.of(Response.MEASURED), TUKEY, Setting.OWN_ERRORS) {
    @Override
    String misfit(Inquiry inquiry) {
      Inquiry mixed = inquiry.but(d -> d.approach = Approach.MIXED);
      if (!takesRandom(inquiry)) {
        return "random";
      }
      return RandomPart.of(mixed).isEmpty() && mixed.random().within() != WithinUnit.FIRST_ORDER
          ? "mixed"
          : null;
    }
  },
  /** A generalised linear model: effects are tested by the deviance they account for. */
  DEVIANCE("deviance", EnumSet.of(Response.COUNTED, Response.PROPORTION), TUKEY, Setting.MEANS) {
    @Override
    String misfit(Inquiry inquiry) {
      boolean fits =
          inquiry.unit() == null
              && inquiry.wholePlots().isEmpty()
              && inquiry.strips().isEmpty()
              && inquiry.pairs() == null
              && inquiry.expected() == null
              && !inquiry.together()
              && !inquiry.treatments().isEmpty();
      return fits ? null : "deviance";
    }
  },
  /** Groups whose variances are estimated separately (Welch). */
  SEPARATE_VARIANCES(
      "unequal-spread", EnumSet.of(Response.MEASURED), GAMES_HOWELL, Setting.OWN_SPREADS) {
    @Override
    String misfit(Inquiry inquiry) {
      boolean fits =
          inquiry.treatments().size() == 1
              && inquiry.blocks().isEmpty()
              && inquiry.covariates().isEmpty()
              && inquiry.unit() == null
              && inquiry.wholePlots().isEmpty()
              && inquiry.strips().isEmpty()
              && inquiry.pairs() == null;
      return fits ? null : "unequal-spread";
    }
  },
  /** Ranks in place of values. */
  RANKS("ranks", EnumSet.of(Response.MEASURED), DUNN_HOLM, Setting.RANKS) {
    @Override
    String misfit(Inquiry inquiry) {
      boolean fits =
          inquiry.treatments().size() <= 1
              && inquiry.blocks().size() <= 1
              && inquiry.covariates().isEmpty()
              && inquiry.strips().isEmpty()
              && !inquiry.together();
      return fits ? null : "ranks";
    }

    @Override
    public Procedure usual(HasParts inquiry) {
      return isInBlocks(inquiry) ? NEMENYI : super.usual(inquiry);
    }

    @Override
    public Setting setting(HasParts inquiry) {
      return isInBlocks(inquiry) ? Setting.RANKS_IN_BLOCKS : super.setting(inquiry);
    }

    private boolean isInBlocks(HasParts inquiry) {
      return !inquiry.blocks().isEmpty() || inquiry.unit() != null;
    }
  },
  /** Values permuted among the groups. */
  PERMUTATION("permutation", EnumSet.of(Response.MEASURED), TUKEY, Setting.MEANS) {
    @Override
    String misfit(Inquiry inquiry) {
      boolean fits =
          !inquiry.treatments().isEmpty()
              && inquiry.unit() == null
              && inquiry.wholePlots().isEmpty()
              && inquiry.strips().isEmpty()
              && inquiry.pairs() == null
              && !inquiry.together();
      return fits ? null : "permutation";
    }
  };

  private final String key;
  private final Set<Response> responses;
  private final Procedure usual;
  private final Setting setting;

  Analysis(String key, Set<Response> responses, Procedure usual, Setting setting) {
    this.key = key;
    this.responses = responses;
    this.usual = usual;
    this.setting = setting;
  }

  /** What its phrases are called by; in files too, where the response is a measurement. */
  public String key() {
    return key;
  }

  /** Whether it knows what to do with numbers of a kind. */
  public boolean takes(Response response) {
    return responses.contains(response);
  }

  /** What speaks against it in a design, by the key of its phrase; null if it fits. */
  abstract String misfit(Inquiry inquiry);

  /**
   * Why it does not fit a design.
   *
   * @param inquiry the design, whatever its analysis
   * @return a clause such as "needs one treatment"; empty if it fits
   */
  public Optional<String> whyNot(Inquiry inquiry) {
    return Optional.ofNullable(misfit(inquiry)).map(Analysis::needs);
  }

  /**
   * Why nothing can be random in a design.
   *
   * @param inquiry the design
   * @return a clause; empty if something can
   */
  public static Optional<String> whyNotRandom(Inquiry inquiry) {
    return takesRandom(inquiry) ? Optional.empty() : Optional.of(needs("random"));
  }

  private static boolean takesRandom(Inquiry inquiry) {
    return inquiry.pairs() == null
        && inquiry.strips().isEmpty()
        && !inquiry.together()
        && inquiry.expected() == null;
  }

  private static String needs(String misfit) {
    return Phrases.say("misfit." + misfit);
  }

  /** The procedure by which its pairs are compared unless another is chosen. */
  public Procedure usual(HasParts inquiry) {
    return usual;
  }

  /** What its pairs are compared on: means, means with separate variances, or ranks. */
  public Setting setting(HasParts inquiry) {
    return setting;
  }

  /** Whether pairs of its groups are compared at all. */
  public boolean comparesPairs() {
    return switch (this) {
      case LEAST_SQUARES, MIXED, DEVIANCE, SEPARATE_VARIANCES, RANKS -> true;
      case PERMUTATION -> false;
    };
  }

  /** Whether contrasts and trends of its means have a meaning. */
  public boolean takesContrasts() {
    return switch (this) {
      case LEAST_SQUARES, MIXED, DEVIANCE -> true;
      case SEPARATE_VARIANCES, RANKS, PERMUTATION -> false;
    };
  }
}
