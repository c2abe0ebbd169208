package app.knuckle.stats.linear;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.compare.Direction;
import app.knuckle.stats.compare.StudentT;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * A coefficient of a model in sum-to-zero coding: what a level, or a combination of levels, adds to
 * the mean of all; of a covariate the slope, and what a level adds to it. Those of a factor add up
 * to 0, and all are told, also the one that follows from the others.
 *
 * @param names of its term; empty for the general mean
 * @param levels of its factors
 * @param test its estimate with standard error, t and interval
 * @see "Searle, S. R. (1987). Linear models for unbalanced data, chapter 9"
 */
public record Coefficient(List<String> names, Map<String, String> levels, StudentT test) {

  /** More than these are not read. */
  private static final int MOST = 400;

  public Coefficient {
    names = List.copyOf(names);
  }

  /**
   * The coefficients of a layer.
   *
   * @param layer with its fit
   * @param alpha one less the confidence of the intervals
   * @return the general mean first, at the mean of every covariate, then term by term; without
   *     those that empty cells leave undetermined; none if there are too many to be read
   */
  public static List<Coefficient> of(Stratum layer, double alpha) {
    Fit fit = layer.fit();
    Model model = fit.model();
    int count = 1;
    for (Term term : model.terms()) {
      int combinations = 1;
      for (int f : model.product(term).factors()) {
        combinations *= model.factors().get(f).size();
      }
      count += combinations;
    }
    if (count > MOST) {
      return List.of();
    }
    List<Coefficient> all = new ArrayList<>();
    if (model.intercept()) {
      double[] weights = new double[model.starts()[model.terms().size()]];
      weights[0] = 1;
      double origin = fit.origin(layer.response());
      add(all, layer, List.of(), Map.of(), weights, origin, alpha);
    }
    for (Term term : model.terms()) {
      int[] levels = new int[model.factors().size()];
      each(all, layer, term, model.product(term).factors(), levels, 0, alpha);
    }
    return all;
  }

  /** Walks through all combinations of the levels of a term. */
  private static void each(
      List<Coefficient> all,
      Stratum layer,
      Term term,
      int[] factors,
      int[] levels,
      int at,
      double alpha) {
    Model model = layer.fit().model();
    if (at < factors.length) {
      for (int l = 0; l < model.factors().get(factors[at]).size(); l++) {
        levels[factors[at]] = l;
        each(all, layer, term, factors, levels, at + 1, alpha);
      }
      return;
    }
    Map<String, String> named = new LinkedHashMap<>();
    for (int f : factors) {
      Factor factor = model.factors().get(f);
      named.put(factor.name(), factor.levels().get(levels[f]));
    }
    add(all, layer, term.names(), named, layer.fit().effectOf(term, levels), 0, alpha);
  }

  private static void add(
      List<Coefficient> all,
      Stratum layer,
      List<String> names,
      Map<String, String> levels,
      double[] weights,
      double origin,
      double alpha) {
    double[] vector = layer.fit().vector(weights);
    if (vector == null) {
      return;
    }
    double[] coordinates = layer.fit().coordinates(layer.response());
    double estimate = origin;
    double length = 0;
    for (int k = 0; k < vector.length; k++) {
      estimate += vector[k] * coordinates[k];
      length += vector[k] * vector[k];
    }
    double squared = length;
    Quantity se = layer.errorMs().map(ms -> Math.sqrt(ms * squared));
    Quantity df =
        layer.errorDf() > 0 ? Quantity.of(layer.errorDf()) : Quantity.absent(Absence.NO_NOISE);
    all.add(new Coefficient(names, levels, StudentT.of(estimate, se, df, Direction.EITHER, alpha)));
  }
}
