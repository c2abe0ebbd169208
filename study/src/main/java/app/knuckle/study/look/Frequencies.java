package app.knuckle.study.look;

import app.knuckle.stats.summary.Histogram;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.table.NumberText;
import app.knuckle.study.words.Numerals;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;

/**
 * How many values of each group fall into each bin.
 *
 * @param edges of the bins, rising
 * @param rightClosed whether a value on an edge belongs to the bin below it
 * @param counts by group and bin
 * @param outside values of each group beyond the edges
 */
public record Frequencies(double[] edges, boolean rightClosed, int[][] counts, int[] outside) {

  /** More bins than this are no histogram. */
  private static final int MOST_BINS = 500;

  private static final String BY = "by ";

  /**
   * Counts values.
   *
   * @param groups values of each, finite
   * @param edges two or more, rising
   * @param rightClosed whether a value on an edge belongs to the bin below it
   * @return the counts
   */
  public static Frequencies of(List<double[]> groups, double[] edges, boolean rightClosed) {
    int[][] counts = new int[groups.size()][];
    int[] outside = new int[groups.size()];
    for (int g = 0; g < counts.length; g++) {
      Histogram own = Histogram.of(groups.get(g), edges);
      counts[g] = rightClosed ? own.countsRightClosed() : own.counts();
      outside[g] = own.below() + own.above();
    }
    return new Frequencies(edges.clone(), rightClosed, counts, outside);
  }

  /**
   * Edges as they are typed: {@code 10 12 14 16}, or {@code by 2} for round ones that far apart;
   * blank for those that suit the values.
   *
   * @param text as typed
   * @param values of all groups, finite, one or more
   * @return the edges
   * @throws Refused if there are fewer than two, if they do not rise, or if they make too many bins
   */
  public static double[] edges(String text, double[] values) {
    String bare = text.strip().toLowerCase(Locale.ROOT);
    if (bare.isEmpty()) {
      return Histogram.roundEdges(values);
    }
    if (bare.startsWith(BY)) {
      return apart(number(bare.substring(BY.length())), values);
    }
    double[] edges =
        Arrays.stream(bare.split("[\\s;]+|,\\s+")).mapToDouble(Frequencies::number).toArray();
    if (!Histogram.rising(edges)) {
      throw refused("edges are two or more, each above the one before");
    }
    return edges;
  }

  private static double[] apart(double width, double[] values) {
    double low = Arrays.stream(values).min().orElse(0);
    double high = Arrays.stream(values).max().orElse(1);
    if (!(width > 0) || (high - low) / width > MOST_BINS) {
      throw refused("bins " + Numerals.plain(width) + " wide are none, or more than " + MOST_BINS);
    }
    // Decimal steps, so that an edge is 0.3 and not 0.30000000000000004.
    BigDecimal step = BigDecimal.valueOf(width);
    long first = (long) Math.floor(low / width);
    long last = Math.max(first + 1, (long) Math.ceil(high / width));
    List<Double> edges = new ArrayList<>();
    for (long i = first; i <= last; i++) {
      edges.add(step.multiply(BigDecimal.valueOf(i)).doubleValue());
    }
    return edges.stream().mapToDouble(Double::doubleValue).toArray();
  }

  private static double number(String text) {
    double value = NumberText.parse(text.strip(), false);
    if (Double.isNaN(value) || Double.isInfinite(value)) {
      throw refused("'" + text.strip() + "' is not a number");
    }
    return value;
  }

  private static Refused refused(String what) {
    return Refused.at(
        new Place.Key("histogram", List.of("edges")),
        what,
        "Write edges such as 10 12 14 16, or by 2 for round ones");
  }
}
