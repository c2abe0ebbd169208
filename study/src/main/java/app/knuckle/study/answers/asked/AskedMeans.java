package app.knuckle.study.answers.asked;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Progress;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.linear.Estimable;
import app.knuckle.stats.linear.Estimator;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.means.Estimates;
import app.knuckle.stats.means.LinkScale;
import app.knuckle.study.cells.Combinations;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.findings.MeansResult;
import app.knuckle.study.stages.Same;
import app.knuckle.study.stages.Stage;
import app.knuckle.study.stages.Stages;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.apache.commons.statistics.distribution.TDistribution;

/** The means of one fit by their levels, at the values of covariates that the inquiry names. */
final class AskedMeans {

  /** Standard errors this close, relative, are the same but for rounding. */
  private static final double SAME_ERROR = 1e-9;

  /**
   * What means are made from: a fit, at values of its covariates.
   *
   * @param measured the response
   * @param fit that estimates them
   * @param factors of the model
   * @param covariates of the model
   * @param adjustAt values of some covariates; the others stand at their mean
   */
  record Basis(
      String measured,
      Same<Estimator> fit,
      Same<List<Factor>> factors,
      List<String> covariates,
      Map<String, Double> adjustAt) {}

  private record Wanted(Basis basis, List<String> names, Map<String, String> fixed) {}

  private record Family(Basis basis, List<String> of, List<String> within) {
    List<Object> about() {
      return List.of(basis.measured(), of, within);
    }
  }

  private record AtLevel(Family family, double alpha) {}

  private static final Stage<Wanted, List<Mean>> MEANS =
      new Stage<>(
          (in, stages, progress) -> {
            AskedMeans means = new AskedMeans(in.basis(), stages, progress);
            return Combinations.of(in.fixed(), in.names(), name -> means.factor(name).levels())
                .stream()
                .map(means::mean)
                .toList();
          });

  private static final Stage<Family, Quantity> COMMON_ERROR =
      new Stage<>(
          (in, stages, progress) ->
              new AskedMeans(in.basis(), stages, progress).commonError(in.of(), in.within()));

  private static final Stage<Family, Quantity> COMMON_DF =
      new Stage<>(
          (in, stages, progress) ->
              new AskedMeans(in.basis(), stages, progress).commonDf(in.of(), in.within()));

  private static final Stage<AtLevel, MeansResult> WITH_INTERVALS =
      new Stage<>(
          (in, stages, progress) ->
              new AskedMeans(in.family().basis(), stages, progress)
                  .withIntervals(in.family(), in.alpha()));

  private final Basis basis;
  private final Stages stages;
  private final Progress progress;
  private final Estimator estimator;
  private final double[] at;

  AskedMeans(Basis basis, Stages stages, Progress progress) {
    this.basis = basis;
    this.stages = stages;
    this.progress = progress;
    estimator = basis.fit().value();
    at =
        basis.covariates().stream()
            .mapToDouble(c -> basis.adjustAt().getOrDefault(c, Double.NaN))
            .toArray();
  }

  /**
   * A mean.
   *
   * @param levels of some treatments; it is taken over all levels of the others
   * @param codes the same, one a factor of the model; -1 where none is named
   * @param estimable null if nothing can be said of it
   */
  record Mean(Map<String, String> levels, int[] codes, Estimable estimable) {}

  Estimator estimator() {
    return estimator;
  }

  /** Combinations of levels of some treatments, the last running fastest. */
  List<Mean> means(List<String> names, Map<String, String> fixed) {
    List<Object> about = List.of(basis.measured(), names, fixed);
    return stages.of(MEANS, about, new Wanted(basis, names, fixed), progress);
  }

  Mean mean(Map<String, String> levels) {
    int[] codes = Factor.codes(basis.factors().value(), levels);
    return new Mean(levels, codes, estimator.mean(codes, at));
  }

  Factor factor(String name) {
    return basis.factors().value().stream()
        .filter(f -> f.name().equals(name))
        .findFirst()
        .orElseThrow();
  }

  long count(Mean mean) {
    return estimator.count(mean.codes());
  }

  /** The families of a comparison: one a combination of the levels held fixed. */
  List<Map<String, String>> families(List<String> within) {
    return means(within, Map.of()).stream().map(Mean::levels).toList();
  }

  /** Means with their intervals, and the error that their differences have in common. */
  MeansResult result(List<String> of, List<String> within, double alpha) {
    Family family = new Family(basis, of, within);
    return stages.of(WITH_INTERVALS, family.about(), new AtLevel(family, alpha), progress);
  }

  private MeansResult withIntervals(Family family, double alpha) {
    List<String> all = new ArrayList<>(family.within());
    all.addAll(family.of());
    List<MeansResult.Row> rows =
        means(all, Map.of()).stream().map(mean -> row(mean, alpha)).toList();
    Quantity se = stages.of(COMMON_ERROR, family.about(), family, progress);
    Quantity df = se.exists() ? stages.of(COMMON_DF, family.about(), family, progress) : se;
    return new MeansResult(
        family.of(),
        family.within(),
        adjusted(),
        rows,
        se,
        df.exists()
            ? se.map(s -> s * TDistribution.of(df.value()).inverseSurvivalProbability(alpha / 2))
            : df);
  }

  private MeansResult.Row row(Mean mean, double alpha) {
    long n = count(mean);
    if (mean.estimable() == null || !mean.estimable().isWhole()) {
      Quantity none = Quantity.absent(estimator.noMean());
      Quantity df = estimator.commonDf();
      return new MeansResult.Row(mean.levels(), n, none, none, df, none, none, null);
    }
    Estimates one = estimator.estimates(List.of(mean.estimable()), new long[] {n});
    double value = one.mean(0);
    LinkScale scale = estimator.scale();
    Quantity half = one.halfWidth(0, alpha);
    return new MeansResult.Row(
        mean.levels(),
        n,
        Quantity.of(value).mapFinite(scale::back, Absence.LIMIT_TOO_FAR),
        one.se(0).mapFinite(se -> se * scale.slope(value), Absence.LIMIT_TOO_FAR),
        one.df(0),
        half.mapFinite(h -> scale.back(value - h), Absence.LIMIT_TOO_FAR),
        half.mapFinite(h -> scale.back(value + h), Absence.LIMIT_TOO_FAR),
        null);
  }

  private Quantity commonError(List<String> of, List<String> within) {
    double first = Double.NaN;
    for (Map<String, String> family : families(within)) {
      List<Mean> own = estimable(means(of, family));
      for (int i = 0; i < Math.min(own.size(), ComparedMeans.MOST); i++) {
        for (int j = 0; j < i; j++) {
          Estimable d = own.get(i).estimable().plus(-1, own.get(j).estimable());
          double se = Math.sqrt(estimator.variance(d));
          first = Double.isNaN(first) ? se : first;
          if (!(Math.abs(se - first) <= SAME_ERROR * first)) {
            return Quantity.absent(Absence.OWN_ERRORS);
          }
        }
      }
    }
    return Quantity.finite(first, Absence.NO_DIFFERENCE);
  }

  private Quantity commonDf(List<String> of, List<String> within) {
    for (Map<String, String> family : families(within)) {
      List<Mean> own = estimable(means(of, family));
      if (own.size() > 1) {
        double df = estimator.df(own.get(0).estimable().plus(-1, own.get(1).estimable()));
        return Quantity.finite(df, Absence.NO_NOISE);
      }
    }
    return Quantity.absent(Absence.NO_DIFFERENCE);
  }

  /** Where covariates stand, by their names. */
  private Map<String, Double> adjusted() {
    Map<String, Double> adjusted = new LinkedHashMap<>();
    for (int c = 0; c < at.length; c++) {
      adjusted.put(
          basis.covariates().get(c), Double.isNaN(at[c]) ? estimator.covariateMean(c) : at[c]);
    }
    return adjusted;
  }

  /**
   * The largest set of means whose differences can be estimated, the first of equal ones; the means
   * themselves need not have a value, unless one stands alone.
   */
  static List<Mean> estimable(List<Mean> means) {
    List<List<Mean>> sets = new ArrayList<>();
    for (Mean mean : means) {
      if (mean.estimable() == null) {
        continue;
      }
      sets.stream()
          .filter(set -> set.get(0).estimable().isComparable(mean.estimable()))
          .findFirst()
          .orElseGet(
              () -> {
                sets.add(new ArrayList<>());
                return sets.get(sets.size() - 1);
              })
          .add(mean);
    }
    sets.removeIf(set -> set.size() == 1 && !set.get(0).estimable().isWhole());
    List<Mean> largest = List.of();
    for (List<Mean> set : sets) {
      largest = set.size() > largest.size() ? set : largest;
    }
    return largest;
  }
}
