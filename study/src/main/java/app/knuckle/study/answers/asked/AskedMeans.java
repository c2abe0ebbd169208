package app.knuckle.study.answers.asked;

import app.knuckle.stats.linear.Estimable;
import app.knuckle.stats.linear.Estimator;
import app.knuckle.stats.linear.Factor;
import app.knuckle.study.cells.Combinations;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.stages.Stages;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;

/** The means of one fit by their levels, at the values of covariates that the inquiry names. */
final class AskedMeans {

  private final Inquiry inquiry;
  private final Stages stages;
  private final String measured;
  private final Estimator estimator;
  private final List<Factor> factors;
  private final List<String> covariates;
  private final double[] at;

  AskedMeans(Inquiry inquiry, AskedQuestions.Fitted fit, Stages stages) {
    this.inquiry = inquiry;
    this.stages = stages;
    measured = fit.measured();
    estimator = fit.estimator();
    factors = fit.factors();
    covariates = fit.covariates();
    at =
        covariates.stream()
            .mapToDouble(c -> inquiry.adjustAt().getOrDefault(c, Double.NaN))
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

  /** What is the same for one fit, whatever is compared and however it is judged. */
  <V> V known(String what, Object of, Supplier<V> make) {
    return stages.of(
        what + " of " + measured + ": " + of,
        List.of(new Stages.Same(estimator), inquiry.adjustAt()),
        make);
  }

  /** Combinations of levels of some treatments, the last running fastest. */
  List<Mean> means(List<String> names, Map<String, String> fixed) {
    return known(
        "means",
        List.of(names, fixed),
        () ->
            Combinations.of(fixed, names, name -> factor(name).levels()).stream()
                .map(this::mean)
                .toList());
  }

  Mean mean(Map<String, String> levels) {
    int[] codes = Factor.codes(factors, levels);
    return new Mean(levels, codes, estimator.mean(codes, at));
  }

  Factor factor(String name) {
    return factors.stream().filter(f -> f.name().equals(name)).findFirst().orElseThrow();
  }

  long count(Mean mean) {
    return estimator.count(mean.codes());
  }

  /** Where covariates stand, by their names. */
  Map<String, Double> adjusted() {
    Map<String, Double> adjusted = new LinkedHashMap<>();
    for (int c = 0; c < at.length; c++) {
      adjusted.put(covariates.get(c), Double.isNaN(at[c]) ? estimator.covariateMean(c) : at[c]);
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
