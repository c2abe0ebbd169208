package app.knuckle.stats.resampling;

import app.knuckle.stats.Outcome;
import app.knuckle.stats.compare.Direction;
import java.util.Optional;

/**
 * Shares of arrangements that are as extreme as the groups observed.
 *
 * @param pEither either way
 * @param pGreater the first above the second
 * @param pLess the first below the second
 * @param arrangements how many there were
 * @param seed of random ones; empty where all were counted
 * @param monteCarloSe standard error of the share that was asked for; empty where all were counted
 * @param reference how often each F occurred; empty where nothing is left to judge by
 */
public record PermutationP(
    double pEither,
    double pGreater,
    double pLess,
    long arrangements,
    Optional<Long> seed,
    Optional<Double> monteCarloSe,
    Optional<PermutationDistribution> reference)
    implements Outcome {

  /**
   * The share that is asked for.
   *
   * @param direction of the question
   * @return between 0 and 1
   */
  public double in(Direction direction) {
    return switch (direction) {
      case EITHER -> pEither;
      case GREATER -> pGreater;
      case LESS -> pLess;
    };
  }
}
