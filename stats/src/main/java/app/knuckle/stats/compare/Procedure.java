package app.knuckle.stats.compare;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * The procedures for comparing means, or mean ranks, strictest first within each setting: all that
 * is known of a procedure but its arithmetic stands here.
 */
public enum Procedure {
  /** Any contrast at all is covered, not only pairs. Scheffe (1953), Biometrika 40, 87-104. */
  SCHEFFE(
      "scheffe",
      Law.ALL_CONTRASTS,
      true,
      in(Setting.MEANS, Setting.OWN_ERRORS),
      Use.ALL_PAIRS,
      Use.CONTRASTS),
  /** Each pair at alpha over the number of pairs. Dunn (1961), JASA 56, 52-64. */
  BONFERRONI(
      "bonferroni",
      Law.BONFERRONI,
      true,
      in(Setting.MEANS, Setting.OWN_ERRORS),
      Use.ALL_PAIRS,
      Use.REFERENCE,
      Use.CONTRASTS),
  /** A little sharper than Bonferroni. Sidak (1967), JASA 62, 626-633. */
  SIDAK(
      "sidak",
      Law.SIDAK,
      true,
      in(Setting.MEANS, Setting.OWN_ERRORS),
      Use.ALL_PAIRS,
      Use.REFERENCE),
  /**
   * All pairs at once, exact for equal n. Tukey (1953); unequal n: Kramer (1956), Biometrics 12,
   * 307-310.
   */
  TUKEY("tukey", Law.RANGE, true, in(Setting.MEANS, Setting.OWN_ERRORS), Use.ALL_PAIRS),
  /** Step down from the smallest p. Holm (1979), Scandinavian Journal of Statistics 6, 65-70. */
  HOLM(
      "holm", Law.HOLM, false, in(Setting.MEANS, Setting.OWN_ERRORS), Use.ALL_PAIRS, Use.REFERENCE),
  /** Step up from the largest p. Hochberg (1988), Biometrika 75, 800-802. */
  HOCHBERG(
      "hochberg",
      Law.HOCHBERG,
      false,
      in(Setting.MEANS, Setting.OWN_ERRORS),
      Use.ALL_PAIRS,
      Use.REFERENCE),
  /** Ranges that shrink with the span. Newman (1939), Biometrika 31, 20-30; Keuls (1952). */
  NEWMAN_KEULS("newman-keuls", Law.STEPPED_RANGE, false, in(Setting.MEANS), Use.ALL_PAIRS),
  /** Ranges at a level that grows with the span. Duncan (1955), Biometrics 11, 1-42. */
  DUNCAN("duncan", Law.STEPPED_RANGE, false, in(Setting.MEANS), Use.ALL_PAIRS),
  /**
   * The share of false discoveries is held, not their chance. Benjamini and Hochberg (1995), JRSS B
   * 57, 289-300.
   */
  BENJAMINI_HOCHBERG(
      "benjamini-hochberg",
      Law.FALSE_DISCOVERIES,
      false,
      in(Setting.MEANS, Setting.OWN_ERRORS),
      Use.ALL_PAIRS,
      Use.REFERENCE),
  /** Plain t for each pair, only once the overall F test is significant. Fisher (1935). */
  LEAST_SIGNIFICANT_DIFFERENCE(
      "least-significant-difference",
      Law.SINGLE,
      true,
      in(Setting.MEANS, Setting.OWN_ERRORS),
      Use.ALL_PAIRS),
  /**
   * Sidak with spread and degrees of freedom of each pair's own. Tamhane (1979), JASA 74, 471-480.
   */
  TAMHANE("tamhane", Law.SIDAK, true, in(Setting.OWN_SPREADS), Use.ALL_PAIRS),
  /**
   * Tukey's range with spread and degrees of freedom of each pair's own. Games and Howell (1976),
   * Journal of Educational Statistics 1, 113-125.
   */
  GAMES_HOWELL("games-howell", Law.RANGE, true, in(Setting.OWN_SPREADS), Use.ALL_PAIRS),
  /** Plain t for each pair, as if it were the only one. */
  NONE(
      "none",
      Law.SINGLE,
      true,
      in(Setting.MEANS, Setting.OWN_ERRORS, Setting.OWN_SPREADS),
      Use.ALL_PAIRS,
      Use.REFERENCE,
      Use.CONTRASTS),
  /** Each mean against a reference. Dunnett (1955), JASA 50, 1096-1121. */
  DUNNETT("dunnett", Law.OWN, true, in(Setting.MEANS, Setting.OWN_ERRORS), Use.REFERENCE),
  /** Mean ranks within blocks. Nemenyi (1963). */
  NEMENYI("nemenyi", Law.OWN, false, in(Setting.RANKS_IN_BLOCKS), Use.ALL_PAIRS),
  /** Mean ranks pair by pair, by Bonferroni. Dunn (1964), Technometrics 6, 241-252. */
  DUNN_BONFERRONI("dunn-bonferroni", Law.BONFERRONI, false, Setting.ON_RANKS, Use.ALL_PAIRS),
  /** Dunn's pairs by Sidak. */
  DUNN_SIDAK("dunn-sidak", Law.SIDAK, false, Setting.ON_RANKS, Use.ALL_PAIRS),
  /** Each pair ranked by itself. Dwass (1960), Steel (1960). */
  DWASS_STEEL("dwass-steel", Law.OWN, false, in(Setting.RANKS), Use.ALL_PAIRS),
  /** Dunn's pairs by Holm. */
  DUNN_HOLM("dunn-holm", Law.HOLM, false, Setting.ON_RANKS, Use.ALL_PAIRS),
  /** Dunn's pairs by Benjamini and Hochberg. */
  DUNN_BENJAMINI_HOCHBERG(
      "dunn-benjamini-hochberg", Law.FALSE_DISCOVERIES, false, Setting.ON_RANKS, Use.ALL_PAIRS),
  /** t on mean ranks by Holm. Conover and Iman (1979). */
  CONOVER_HOLM("conover-holm", Law.HOLM, false, Setting.ON_RANKS, Use.ALL_PAIRS),
  /** Dunn's pairs, each as if it were the only one. */
  DUNN_NONE("dunn-none", Law.SINGLE, false, Setting.ON_RANKS, Use.ALL_PAIRS),
  /** Each group ranked with a reference. Steel (1959), Biometrics 15, 560-572. */
  STEEL("steel", Law.OWN, false, in(Setting.RANKS), Use.REFERENCE);

  /** How a pair is judged as one of its family. */
  public enum Law {
    /** By its own t, as if it were the only one. */
    SINGLE,
    /** By its own p times the number of pairs. */
    BONFERRONI,
    /** By its own p as the least of so many independent ones. */
    SIDAK,
    /** By its own p times the number of those not yet found, from the smallest. */
    HOLM,
    /** By its own p times the number of those not smaller, from the largest. */
    HOCHBERG,
    /** By the share of false discoveries among those not larger. */
    FALSE_DISCOVERIES,
    /** By the range of all means. */
    RANGE,
    /** By the range of the means that it spans. */
    STEPPED_RANGE,
    /** By the largest of all contrasts. */
    ALL_CONTRASTS,
    /** By a distribution of this procedure alone. */
    OWN
  }

  /** What is compared. */
  public enum Setting {
    /** Means that share an estimate of the error. */
    MEANS,
    /** Means whose differences have each their own error and degrees of freedom. */
    OWN_ERRORS,
    /** Means, each with the variance of its own group. */
    OWN_SPREADS,
    /** Mean ranks of independent groups. */
    RANKS,
    /** Mean ranks within blocks. */
    RANKS_IN_BLOCKS;

    private static final Set<Setting> ON_RANKS = EnumSet.of(RANKS, RANKS_IN_BLOCKS);
  }

  /** What a procedure can be asked for. */
  public enum Use {
    /** Every pair. */
    ALL_PAIRS,
    /** Each against a reference. */
    REFERENCE,
    /** Weighed questions. */
    CONTRASTS
  }

  private final String key;
  private final Law distribution;
  private final boolean interval;
  private final Set<Setting> settings;
  private final Set<Use> uses;

  Procedure(String key, Law distribution, boolean interval, Set<Setting> settings, Use... uses) {
    this.key = key;
    this.distribution = distribution;
    this.interval = interval;
    this.settings = settings;
    this.uses = EnumSet.copyOf(List.of(uses));
  }

  private static Set<Setting> in(Setting... settings) {
    return EnumSet.copyOf(List.of(settings));
  }

  /**
   * The procedures that fit.
   *
   * @param setting what is compared
   * @param use what is asked
   * @return the strictest first
   */
  public static List<Procedure> fitting(Setting setting, Use use) {
    return Arrays.stream(values()).filter(p -> p.fits(setting) && p.isFor(use)).toList();
  }

  /**
   * Whether it compares what is there.
   *
   * @param setting what is compared
   * @return true if it does
   */
  public boolean fits(Setting setting) {
    return settings.contains(setting);
  }

  /**
   * Whether it can be asked for something.
   *
   * @param use what
   * @return true if it can
   */
  public boolean isFor(Use use) {
    return uses.contains(use);
  }

  /**
   * Whether it takes the variances of each pair alone, and nothing else: true if every pair has a
   * critical value of its own.
   */
  public boolean hasOwnSpreads() {
    return settings.equals(EnumSet.of(Setting.OWN_SPREADS));
  }

  /** Whether it compares ranks: false for procedures on means. */
  public boolean isOnRanks() {
    return fits(Setting.RANKS) || fits(Setting.RANKS_IN_BLOCKS);
  }

  /**
   * Adjusts the p of a family of pairs for their number.
   *
   * @param p of every pair
   * @return the adjusted p, in the same order
   * @throws IllegalArgumentException if its p do not come from those of single pairs
   */
  public double[] adjust(double[] p) {
    return switch (distribution) {
      case SINGLE -> p;
      case BONFERRONI -> Arrays.stream(p).map(x -> Adjustment.bonferroni(x, p.length)).toArray();
      case SIDAK -> Arrays.stream(p).map(x -> Adjustment.sidak(x, p.length)).toArray();
      case HOLM -> Adjustment.holm(p);
      case HOCHBERG -> Adjustment.hochberg(p);
      case FALSE_DISCOVERIES -> Adjustment.benjaminiHochberg(p);
      case ALL_CONTRASTS, RANGE, STEPPED_RANGE, OWN ->
          throw new IllegalArgumentException(key + " has a law of its own for its pairs");
    };
  }

  /** What judges its pairs. */
  public Law distribution() {
    return distribution;
  }

  /** The name in files, such as "newman-keuls". */
  public String key() {
    return key;
  }

  /**
   * Whether simultaneous intervals are defined: true if there is one critical value for all pairs.
   */
  public boolean hasInterval() {
    return interval;
  }

  /**
   * The procedure of a key.
   *
   * @param key as in files
   * @return empty for an unknown key
   */
  public static Optional<Procedure> of(String key) {
    return Arrays.stream(values()).filter(p -> p.key.equals(key)).findFirst();
  }
}
