package app.knuckle.study.design;

import java.util.List;

/**
 * Which terms are fixed.
 *
 * @param choice all combinations, main effects, or those chosen
 * @param chosen the terms, when they were chosen
 */
public record Terms(Choice choice, List<List<String>> chosen) {

  /** Every combination of the treatments. */
  public static final Terms ALL = new Terms(Choice.ALL, List.of());

  /** Main effects only. */
  public static final Terms MAIN = new Terms(Choice.MAIN, List.of());

  /** How the terms are said. */
  public enum Choice {
    /** Every combination. */
    ALL,
    /** Main effects. */
    MAIN,
    /** One by one. */
    CHOSEN
  }

  public Terms {
    chosen = chosen.stream().map(List::copyOf).toList();
  }
}
