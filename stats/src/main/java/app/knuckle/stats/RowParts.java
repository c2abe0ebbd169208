package app.knuckle.stats;

import java.util.List;
import java.util.stream.IntStream;

/**
 * Many rows taken in parts side by side. Where the parts are cut depends on the number of rows
 * alone, so that what is summed over them does not depend on the machine.
 */
public final class RowParts {

  /** Parts at most: each has sums of its own. */
  private static final int MOST = 8;

  private RowParts() {}

  /**
   * What is made of some rows that follow each other.
   *
   * @param <T> what is made
   */
  @FunctionalInterface
  public interface Part<T> {
    /**
     * Makes it.
     *
     * @param from first row
     * @param to row after the last
     * @return what is made of them
     */
    T of(int from, int to);
  }

  /**
   * Takes all rows.
   *
   * @param <T> what is made of a part
   * @param rows how many there are
   * @param worthwhile rows for which it pays to start another part
   * @param part what to make, with nothing shared between parts
   * @return one or more, in the order of the rows
   */
  public static <T> List<T> each(int rows, int worthwhile, Part<T> part) {
    int parts = Math.max(1, Math.min(MOST, rows / worthwhile));
    return IntStream.range(0, parts)
        .parallel()
        .mapToObj(i -> part.of(edge(rows, i, parts), edge(rows, i + 1, parts)))
        .toList();
  }

  private static int edge(int rows, int part, int parts) {
    return (int) ((long) rows * part / parts);
  }
}
