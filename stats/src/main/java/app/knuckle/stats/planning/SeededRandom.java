package app.knuckle.stats.planning;

import java.util.ArrayList;
import java.util.List;
import java.util.random.RandomGenerator;
import java.util.random.RandomGeneratorFactory;

/**
 * Chance that is the same for a seed on every machine: a named generator of the platform, whose
 * whole numbers are cut to a range here, by a rule that no version of the platform can change.
 */
public final class SeededRandom {

  /** The generator's name. */
  public static final String GENERATOR = "L64X128MixRandom";

  private final RandomGenerator generator;

  /**
   * Chance from a seed.
   *
   * @param seed any number
   */
  public SeededRandom(long seed) {
    generator = RandomGeneratorFactory.of(GENERATOR).create(seed);
  }

  /**
   * A whole number, each equally likely.
   *
   * @param bound above 0
   * @return from 0 to bound - 1
   */
  public int below(int bound) {
    long largest = Long.MAX_VALUE - Long.MAX_VALUE % bound;
    long drawn;
    do {
      drawn = generator.nextLong() >>> 1;
    } while (drawn >= largest);
    return (int) (drawn % bound);
  }

  /**
   * A normal deviate, by the polar method of Marsaglia and Bray (1964), SIAM Review 6, 260-264: of
   * mean 0 and standard deviation 1.
   */
  public double normal() {
    double u;
    double s;
    do {
      u = 2 * share() - 1;
      double v = 2 * share() - 1;
      s = u * u + v * v;
    } while (s >= 1 || s == 0);
    return u * Math.sqrt(-2 * Math.log(s) / s);
  }

  /** A share, each of the multiples of 2^-53 below 1 equally likely: from 0, below 1. */
  public double share() {
    return (generator.nextLong() >>> 11) * 0x1.0p-53;
  }

  /**
   * Things in an order of which each is equally likely.
   *
   * @param things any
   * @param <T> their kind
   * @return all of them
   */
  public <T> List<T> shuffled(List<T> things) {
    List<T> all = new ArrayList<>(things);
    for (int i = all.size() - 1; i > 0; i--) {
      int j = below(i + 1);
      T kept = all.get(i);
      all.set(i, all.get(j));
      all.set(j, kept);
    }
    return all;
  }

  /**
   * A Latin square.
   *
   * @param size rows, columns and symbols, at least 2
   * @return symbols from 0, row by row
   * @see "Jacobson, M. T. and Matthews, P. (1996). Generating uniformly distributed random Latin
   *     squares. J. Combin. Designs 4, 405-437"
   */
  public int[][] latinSquare(int size) {
    LatinSquares walk = new LatinSquares(size);
    return walk.walked(this);
  }
}
