package app.knuckle.study.design;

import app.knuckle.stats.linear.Squares;

/**
 * Which effects a model has, and how they are tested.
 *
 * @param together whether several responses are one multivariate answer, not asked one by one
 * @param terms which terms are fixed
 * @param squares kind of the sums of squares
 * @param random what is random; that of the design unless the analysis is mixed
 * @param overdispersion whether the dispersion of counts is estimated; null for what is usual
 */
public record ModelSpec(
    boolean together, Terms terms, Squares squares, RandomPart random, Boolean overdispersion) {

  /** All terms, each adjusted for all others; random what the design makes so. */
  public static final ModelSpec USUAL =
      new ModelSpec(false, Terms.ALL, Squares.AFTER_ALL, RandomPart.OF_DESIGN, null);

  /** What of it an approach has a use for. */
  ModelSpec of(Approach approach) {
    return new ModelSpec(
        together,
        terms,
        squares,
        approach.analysis() == Analysis.MIXED ? random : RandomPart.OF_DESIGN,
        approach.response().isCounted() ? overdispersion : null);
  }
}
