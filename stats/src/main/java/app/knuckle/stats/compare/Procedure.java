package app.knuckle.stats.compare;

import java.util.Arrays;
import java.util.Optional;

/** The procedures for all pairs of means, strictest first. */
public enum Procedure {
  /** Any contrast at all is covered, not only pairs. Scheffe (1953), Biometrika 40, 87-104. */
  SCHEFFE("scheffe", "Scheffé", true),
  /** Each pair at alpha over the number of pairs. Dunn (1961), JASA 56, 52-64. */
  BONFERRONI("bonferroni", "Bonferroni", true),
  /** A little sharper than Bonferroni. Sidak (1967), JASA 62, 626-633. */
  SIDAK("sidak", "Šidák", true),
  /**
   * All pairs at once, exact for equal n. Tukey (1953); unequal n: Kramer (1956), Biometrics 12,
   * 307-310.
   */
  TUKEY("tukey", "Tukey", true),
  /** Step down from the smallest p. Holm (1979), Scandinavian Journal of Statistics 6, 65-70. */
  HOLM("holm", "Holm", false),
  /** Step up from the largest p. Hochberg (1988), Biometrika 75, 800-802. */
  HOCHBERG("hochberg", "Hochberg", false),
  /** Ranges that shrink with the span. Newman (1939), Biometrika 31, 20-30; Keuls (1952). */
  NEWMAN_KEULS("newman-keuls", "Newman-Keuls", false),
  /** Ranges at a level that grows with the span. Duncan (1955), Biometrics 11, 1-42. */
  DUNCAN("duncan", "Duncan", false),
  /**
   * The share of false discoveries is held, not their chance. Benjamini and Hochberg (1995), JRSS B
   * 57, 289-300.
   */
  BENJAMINI_HOCHBERG("benjamini-hochberg", "Benjamini-Hochberg", false),
  /** Plain t for each pair, only once the overall F test is significant. Fisher (1935). */
  LEAST_SIGNIFICANT_DIFFERENCE(
      "least-significant-difference", "least significant difference", true),
  /** Plain t for each pair, as if it were the only one. */
  NONE("none", "no adjustment", true),
  /**
   * Tukey's range with spread and degrees of freedom of each pair's own. Games and Howell (1976),
   * Journal of Educational Statistics 1, 113-125.
   */
  GAMES_HOWELL("games-howell", "Games-Howell", true),
  /**
   * Sidak with spread and degrees of freedom of each pair's own. Tamhane (1979), JASA 74, 471-480.
   */
  TAMHANE("tamhane", "Tamhane", true),
  /** Each mean against a reference. Dunnett (1955), JASA 50, 1096-1121. */
  DUNNETT("dunnett", "Dunnett", true),
  /** Mean ranks pair by pair. Dunn (1964), Technometrics 6, 241-252. */
  DUNN_NONE("dunn-none", "Dunn, no adjustment", false),
  /** Dunn's pairs by Bonferroni. */
  DUNN_BONFERRONI("dunn-bonferroni", "Dunn-Bonferroni", false),
  /** Dunn's pairs by Sidak. */
  DUNN_SIDAK("dunn-sidak", "Dunn-\u0160id\u00e1k", false),
  /** Dunn's pairs by Holm. */
  DUNN_HOLM("dunn-holm", "Dunn-Holm", false),
  /** Dunn's pairs by Benjamini and Hochberg. */
  DUNN_BENJAMINI_HOCHBERG("dunn-benjamini-hochberg", "Dunn-Benjamini-Hochberg", false),
  /** Each pair ranked by itself. Dwass (1960), Steel (1960). */
  DWASS_STEEL("dwass-steel", "Dwass-Steel", false),
  /** t on mean ranks by Holm. Conover and Iman (1979). */
  CONOVER_HOLM("conover-holm", "Conover-Holm", false),
  /** Mean ranks within blocks. Nemenyi (1963). */
  NEMENYI("nemenyi", "Nemenyi", false),
  /** Each group ranked with a reference. Steel (1959), Biometrics 15, 560-572. */
  STEEL("steel", "Steel", false);

  private final String key;
  private final String title;
  private final boolean interval;

  Procedure(String key, String title, boolean interval) {
    this.key = key;
    this.title = title;
    this.interval = interval;
  }

  /**
   * Whether it compares ranks.
   *
   * @return false for procedures on means
   */
  public boolean isOnRanks() {
    return compareTo(DUNN_NONE) >= 0;
  }

  /**
   * The name in files.
   *
   * @return such as "newman-keuls"
   */
  public String key() {
    return key;
  }

  /**
   * The name on screen and in sentences.
   *
   * @return such as "Newman-Keuls"
   */
  public String title() {
    return title;
  }

  /**
   * Whether simultaneous intervals are defined.
   *
   * @return true if there is one critical value for all pairs
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
