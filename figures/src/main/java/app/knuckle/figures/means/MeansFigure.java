package app.knuckle.figures.means;

import app.knuckle.figures.style.Arrangement;
import app.knuckle.figures.style.Style;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.summary.Summary;
import app.knuckle.study.findings.Reach;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

/**
 * What a figure of groups side by side shows. Texts are those of the records; the style may have
 * own words for them.
 *
 * @param groups from left to right
 * @param clusters names of the clusters that groups stand in; empty when each stands by itself
 * @param panels names of the panels that clusters or groups stand in; empty for none
 * @param series names of the series, which differ in colour; empty for none
 * @param valueTitle title of the value axis, with its unit
 * @param groupTitle title under the groups
 * @param overhead a line above the plot; empty for none
 * @param brackets over pairs of groups
 * @param critical the least difference that counts, drawn as a bar; absent for none
 * @param traces values that are joined from group to group
 * @param style how it is shown
 * @param caption what a reader must know of it
 */
public record MeansFigure(
    List<Group> groups,
    List<String> clusters,
    List<String> panels,
    List<String> series,
    String valueTitle,
    String groupTitle,
    String overhead,
    List<Bracket> brackets,
    Quantity critical,
    List<Trace> traces,
    Style style,
    String caption) {

  public MeansFigure {
    groups = List.copyOf(groups);
    clusters = List.copyOf(clusters);
    panels = List.copyOf(panels);
    series = List.copyOf(series);
    brackets = List.copyOf(brackets);
    traces = List.copyOf(traces);
  }

  /**
   * One group.
   *
   * @param name of its level
   * @param key its name among all means, whatever it stands in
   * @param mean its mean
   * @param reach of its whisker
   * @param letters its letters; empty for none
   * @param values the single values
   * @param rows the rows of the table behind the values, from 0
   * @param summary of its values; null where its mean is not of one group
   * @param n number of values behind it
   * @param cluster place of its cluster; 0 for none
   * @param colour place of its series; -1 for none
   * @param panel place of its panel; 0 for none
   */
  public record Group(
      String name,
      String key,
      double mean,
      Reach reach,
      String letters,
      double[] values,
      int[] rows,
      Summary summary,
      long n,
      int cluster,
      int colour,
      int panel) {}

  /**
   * A bracket over two groups.
   *
   * @param left place of the one
   * @param right place of the other, further right
   * @param text its p
   */
  public record Bracket(int left, int right, String text) {}

  /**
   * The values of a unit.
   *
   * @param groups places of the groups, rising
   * @param values one a group
   */
  public record Trace(int[] groups, double[] values) {}

  /** Whether groups stand in clusters. */
  boolean isClustered() {
    return !series.isEmpty();
  }

  /**
   * Groups in the order asked for: clusters by the mean of their means, single groups by their own;
   * always panel by panel.
   */
  static List<Group> ordered(List<Group> groups, Arrangement.Order order, boolean clustered) {
    List<Group> sorted = new ArrayList<>(groups);
    double sign = order == Arrangement.Order.GIVEN ? 0 : order == Arrangement.Order.RISING ? 1 : -1;
    Comparator<Group> byMean =
        Comparator.comparingDouble(
            g -> sign * (clustered ? average(groups, g.panel(), g.cluster()) : g.mean()));
    sorted.sort(
        Comparator.comparing(Group::panel)
            .thenComparing(byMean)
            .thenComparing(Group::cluster)
            .thenComparing(Group::colour));
    return sorted;
  }

  private static double average(List<Group> groups, int panel, int cluster) {
    return groups.stream()
        .filter(g -> g.panel() == panel && g.cluster() == cluster)
        .mapToDouble(Group::mean)
        .average()
        .orElse(0);
  }

  /** Places of the groups of a cluster. */
  IntStream ofCluster(int cluster) {
    return IntStream.range(0, groups.size()).filter(g -> groups.get(g).cluster() == cluster);
  }

  /** Places of the groups of a panel. */
  IntStream ofPanel(int panel) {
    return IntStream.range(0, groups.size()).filter(g -> groups.get(g).panel() == panel);
  }
}
