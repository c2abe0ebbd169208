package app.knuckle.study.answers.counts;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.Response;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.table.Numbers;
import java.util.Arrays;

/**
 * What was counted, row by row, and out of what.
 *
 * @param counts whole and at least 0; NaN where a row takes no part
 * @param sizes exposure, or how many were tried, above 0; null where each is 1
 */
record CountedRows(double[] counts, double[] sizes) {

  /** A rate near the largest number leaves none for what is formed of it. */
  private static final double MOST_RATE = 1e290;

  /**
   * Reads counts.
   *
   * @param frame the records
   * @param inquiry counts or proportions
   * @param measured the counts
   * @param values of it, NaN where a row takes no part
   * @return rows of which something was tried
   * @throws Refused naming the first row that holds no count
   */
  static CountedRows of(Frame frame, Inquiry inquiry, String measured, double[] values) {
    boolean proportions = inquiry.response() == Response.PROPORTION;
    String column = proportions ? inquiry.outOf() : inquiry.exposure();
    double[] sizes = column == null ? null : numbers(frame, column).values().clone();
    double[] counts = values.clone();
    for (int row = 0; row < counts.length; row++) {
      if (Double.isNaN(counts[row])) {
        continue;
      }
      double y = counts[row];
      if (y < 0 || y != Math.rint(y)) {
        throw refused(
            frame,
            row,
            measured,
            say("refused.value-no-count", Numbers.text(y)),
            say("way.counts-whole-numbers-0"));
      }
      if (sizes != null && proportions) {
        double of = sizes[row];
        if (of < 0 || of != Math.rint(of)) {
          throw refused(
              frame,
              row,
              column,
              say("refused.value-no-count", Numbers.text(of)),
              say("way.how-many-were-tried"));
        }
        if (y > of) {
          throw refused(
              frame,
              row,
              measured,
              say("refused.more-than-tried", Numbers.text(y), Numbers.text(of)),
              say("way.no-more-than-tried"));
        }
        counts[row] = of == 0 ? Double.NaN : y;
      } else if (sizes != null && !(sizes[row] > 0)) {
        throw refused(
            frame,
            row,
            column,
            say("refused.exposure-not-above-0", Numbers.text(sizes[row])),
            say("way.set-row-aside-or"));
      } else if (sizes != null && y / sizes[row] > MOST_RATE) {
        throw refused(
            frame,
            row,
            column,
            say("refused.rate-too-large", Numbers.text(y), Numbers.text(sizes[row])),
            say("way.use-smaller-unit"));
      } else if (proportions && y > 1) {
        throw refused(
            frame,
            row,
            measured,
            say("refused.value-neither-0-nor", Numbers.text(y)),
            say("way.name-column-with-how"));
      }
    }
    return new CountedRows(counts, sizes);
  }

  private static Numbers numbers(Frame frame, String column) {
    if (frame.column(column) instanceof Numbers numbers) {
      return numbers;
    }
    throw Refused.at(
        new Place.WholeColumn(frame.source(), column),
        say("refused.names-not-numbers"),
        say("way.read-numbers-or-choose"));
  }

  private static Refused refused(Frame frame, int row, String column, String what, String wayOn) {
    return Refused.at(
        new Place.Cell(frame.source(), frame.sourceRow(row) + 1L, column), what, wayOn);
  }

  /** Whether every row is a single trial. */
  boolean isOfSingles() {
    return sizes == null || Arrays.stream(rows()).allMatch(row -> sizes[row] == 1);
  }

  private int[] rows() {
    return java.util.stream.IntStream.range(0, counts.length)
        .filter(row -> !Double.isNaN(counts[row]))
        .toArray();
  }
}
