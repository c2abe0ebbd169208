package app.knuckle.desktop.test;

import app.knuckle.figures.scatter.Magnitude;
import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.study.cells.GroupSummary;
import app.knuckle.study.findings.MeansResult;
import app.knuckle.study.findings.RankNumbers;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.DoubleStream;

/** How big an effect is, in units of the response, beside the spread of single values. */
final class Magnitudes {

  /** More means in a row, or more rows, are no longer taken in at a glance. */
  private static final int MOST = 12;

  private Magnitudes() {}

  /** The means of a term; null where there are none, or too many to be seen. */
  static Magnitude ofTerm(ResponseFindings response, List<String> term, Quantity sd) {
    MeansResult means =
        response.results().means().stream()
            .filter(m -> m.within().isEmpty() && Set.copyOf(m.of()).equals(Set.copyOf(term)))
            .findFirst()
            .orElse(null);
    if (means == null || means.rows().stream().anyMatch(r -> !r.mean().exists())) {
      return null;
    }
    Map<Map<String, String>, List<Magnitude.Dot>> rows = new LinkedHashMap<>();
    for (MeansResult.Row mean : means.rows()) {
      Map<String, String> others = new LinkedHashMap<>(mean.levels());
      String level = others.remove(term.get(0));
      rows.computeIfAbsent(others, key -> new ArrayList<>())
          .add(new Magnitude.Dot(level, mean.mean().value()));
    }
    List<Magnitude.Row> all =
        rows.entrySet().stream()
            .map(e -> new Magnitude.Row(GroupSummary.name(e.getKey().values()), e.getValue()))
            .toList();
    boolean many = all.size() > MOST || all.get(0).dots().size() > MOST;
    return many ? null : of(all, sd, response.decimals());
  }

  /** The mean rank of each group; null where there are none, or too many to be seen. */
  static Magnitude ofMeanRanks(List<RankNumbers.MeanRank> ranks) {
    if (ranks.size() > MOST) {
      return null;
    }
    List<Magnitude.Dot> dots =
        ranks.stream()
            .map(r -> new Magnitude.Dot(GroupSummary.name(r.levels().values()), r.meanRank()))
            .toList();
    return dots.size() < 2 ? null : new Magnitude(List.of(new Magnitude.Row("", dots)), null);
  }

  /** The two means of a t-test, or the one and what it was expected to be. */
  static Magnitude ofTwo(ResponseFindings response, TestResult.TTestResult test) {
    boolean alone = test.left() == null;
    Quantity sd = spread(test);
    double difference = test.test().test().estimate();
    List<Magnitude.Dot> dots;
    if (alone) {
      dots =
          List.of(
              new Magnitude.Dot("expected", test.expected()),
              new Magnitude.Dot("mean", test.expected() + difference));
    } else {
      String right = String.join(" ", test.right().values());
      double mean = response.summaryOf(test.right()).summary().mean().value();
      dots =
          List.of(
              new Magnitude.Dot(String.join(" ", test.left().values()), mean + difference),
              new Magnitude.Dot(right, mean));
    }
    return of(List.of(new Magnitude.Row("", dots)), sd, response.decimals());
  }

  /** Cohen's d is the difference in units of the spread of single values. */
  private static Quantity spread(TestResult.TTestResult test) {
    Quantity d = test.test().cohenD();
    double difference = test.test().test().estimate();
    return d.exists() && d.value() != 0
        ? Quantity.of(Math.abs(difference / d.value()))
        : Quantity.absent(Absence.SPREAD_UNKNOWN);
  }

  private static Magnitude of(List<Magnitude.Row> rows, Quantity sd, int decimals) {
    double[] values =
        rows.stream().flatMapToDouble(r -> r.dots().stream().mapToDouble(d -> d.value())).toArray();
    double middle = DoubleStream.of(values).average().orElse(0);
    if (!sd.exists()) {
      return new Magnitude(rows, null);
    }
    String words =
        "where single values lie around a mean here: \u00b1 " + Numerals.fixed(sd, decimals);
    return new Magnitude(rows, new Magnitude.Band(middle - sd.value(), middle + sd.value(), words));
  }
}
