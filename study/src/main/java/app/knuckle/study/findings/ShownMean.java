package app.knuckle.study.findings;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.means.LinkScale;
import app.knuckle.study.cells.GroupSummary;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * A mean as figures and reports show it.
 *
 * @param levels of the treatments; empty for all rows
 * @param n rows behind it
 * @param mean absent if it cannot be estimated
 * @param sd of its values; absent where values of several cells make one mean
 * @param se its standard error
 * @param reach of its interval
 * @param letters empty for none
 * @param group its place among the groups; -1 if it is no single group
 */
public record ShownMean(
    Map<String, String> levels,
    long n,
    Quantity mean,
    Quantity sd,
    Quantity se,
    Reach reach,
    String letters,
    int group) {

  /** The name of the mean: its levels; "all rows" for all together. */
  public String name() {
    return GroupSummary.name(levels);
  }

  /**
   * The means of a response that are best shown: those of the cells of all treatments if they were
   * modelled or compared, else of the first term; where nothing was estimated, those of the groups
   * as they are.
   *
   * @param response with its groups
   * @return the means in their order
   */
  static List<ShownMean> of(ResponseFindings response) {
    List<GroupSummary> cells = response.groupSummaries();
    Set<String> all = cells.get(0).levels().keySet();
    Optional<MeansResult> best =
        response.results().means().stream()
            .filter(m -> m.within().isEmpty() && Set.copyOf(m.of()).equals(all))
            .filter(m -> isAsked(response, all))
            .findFirst()
            .or(
                () ->
                    response.results().means().stream()
                        .filter(m -> m.within().isEmpty())
                        .findFirst());
    boolean directed = response.results().isDirected();
    List<ShownMean> shown = new ArrayList<>();
    if (best.isEmpty()) {
      for (GroupSummary cell : cells) {
        var s = analysed(response, cell.levels()).orElse(cell).summary();
        Reach half = Reach.between(s.meanLow(), s.mean(), s.meanHigh());
        shown.add(
            new ShownMean(
                cell.levels(),
                s.n(),
                s.mean(),
                s.sd(),
                s.se(),
                half,
                directed ? "" : rankLetters(response, cell.levels()),
                response.groups().levels().indexOf(cell.level())));
      }
      return shown;
    }
    double factor = response.results().scale().factor();
    for (MeansResult.Row row : best.get().rows()) {
      Optional<GroupSummary> own = analysed(response, row.levels());
      boolean cell = row.levels().keySet().equals(all);
      shown.add(
          new ShownMean(
              row.levels(),
              row.n(),
              row.mean().map(m -> m * factor),
              response.results().scale() != LinkScale.IDENTITY
                  ? Quantity.absent(Absence.COUNTS_HAVE_NO_SD)
                  : own.map(s -> s.summary().sd()).orElse(Quantity.absent(Absence.NOT_ONE_GROUP)),
              row.se().map(se -> se * factor),
              Reach.between(
                  row.low().map(x -> x * factor),
                  row.mean().map(x -> x * factor),
                  row.high().map(x -> x * factor)),
              row.letters() == null || directed ? "" : row.letters(),
              cell && own.isPresent()
                  ? response.groups().levels().indexOf(own.get().level())
                  : -1));
    }
    return shown;
  }

  /** The summary of what the analysis rests on. */
  private static Optional<GroupSummary> analysed(
      ResponseFindings response, Map<String, String> levels) {
    return response.analysed().stream().filter(s -> s.levels().equals(levels)).findFirst();
  }

  private static boolean isAsked(ResponseFindings response, Set<String> all) {
    return response.results().comparisons().stream().anyMatch(c -> all.equals(Set.copyOf(c.of())))
        || response
            .results()
            .variances()
            .flatMap(table -> table.rows().stream())
            .anyMatch(row -> !row.isError() && all.equals(Set.copyOf(row.term().names())));
  }

  /** Letters of a comparison on ranks, which has no means of its own. */
  private static String rankLetters(ResponseFindings response, Map<String, String> levels) {
    for (RankComparison c : response.results().rankComparisons()) {
      int place = c.labels().indexOf(levels);
      if (place >= 0 && c.shown().letters() != null) {
        return c.shown().letters().of(place);
      }
    }
    return "";
  }
}
