package app.knuckle.study.plan;

import app.knuckle.stats.linear.Covariate;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.Fit;
import app.knuckle.stats.linear.Model;
import app.knuckle.stats.linear.Residuals;
import app.knuckle.stats.linear.Term;
import app.knuckle.stats.planning.SeededRandom;
import app.knuckle.study.table.Table;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Records that turn out just as they are expected: the means are the true ones, and each error mean
 * square is what it is on average. Asked as any records are, they tell what a trial will show: an F
 * times its degrees of freedom is the noncentrality, a standard error is the true one.
 *
 * <p>The error of a layer is a vector that is constant on its members and lies across all that is
 * fitted: such vectors change no mean and no sum of squares but their own.
 */
final class ExpectedRecords {

  /** Any: what is left of these deviates is scaled. */
  private static final long SEED = 1;

  private ExpectedRecords() {}

  /**
   * Makes them.
   *
   * @param plan how values scatter
   * @param arrangement of its plots
   * @param measured what is made
   * @param means of the plots
   * @return the records
   */
  static Table of(Plan plan, Arrangement arrangement, Plan.Measured measured, double[] means) {
    SeededRandom chance = new SeededRandom(SEED);
    List<Layer> layers = Layer.of(plan, arrangement.plots(), measured);
    double[] values = means.clone();
    double[] covariate = null;
    List<Factor> wider = new ArrayList<>();
    for (int l = 0; l < layers.size(); l++) {
      Layer layer = layers.get(l);
      boolean plots = l == layers.size() - 1;
      if (layer.judges()) {
        List<Factor> fitted = new ArrayList<>(wider);
        fitted.removeIf(factor -> !isConstant(factor, layer.lie()));
        fitted.add(treatments(plan, arrangement, layer.lie()));
        List<Covariate> along = List.of();
        if (plots && measured.covariate() != null) {
          covariate = across(fitted, List.of(), layer, chance).values();
          along = List.of(new Covariate("covariate", covariate));
        }
        Across error = across(fitted, along, layer, chance);
        double expected = expected(layers, l);
        double sum = 0;
        for (double e : error.values()) {
          sum += e * e;
        }
        double scale = error.df() > 0 && sum > 0 ? Math.sqrt(expected * error.df() / sum) : 0;
        for (int i = 0; i < values.length; i++) {
          values[i] += scale * error.values()[i];
        }
      }
      wider.add(layer.lie());
    }
    return PlanRecords.table(plan, arrangement, measured, values, covariate);
  }

  /** Combinations of those treatments that are the same all over each member of a layer. */
  private static Factor treatments(Plan plan, Arrangement arrangement, Factor members) {
    List<String> names =
        plan.treatments().keySet().stream()
            .filter(
                t ->
                    isConstant(
                        Layer.factor(t, arrangement.plots(), p -> p.treatments().get(t)), members))
            .toList();
    return Layer.factor(
        "treatments",
        arrangement.plots(),
        plot -> names.stream().map(plot.treatments()::get).toList().toString());
  }

  private static boolean isConstant(Factor factor, Factor members) {
    int[] known = new int[members.size()];
    Arrays.fill(known, -1);
    for (int i = 0; i < members.codes().length; i++) {
      int member = members.codes()[i];
      int code = factor.codes()[i];
      if (known[member] >= 0 && known[member] != code) {
        return false;
      }
      known[member] = code;
    }
    return true;
  }

  /** The error mean square of a layer, on average. */
  private static double expected(List<Layer> layers, int l) {
    Layer plots = layers.get(layers.size() - 1);
    double expected = plots.sd() * plots.sd();
    Layer own = layers.get(l);
    return own == plots ? expected : expected + own.plotsOnEach() * own.sd() * own.sd();
  }

  private record Across(double[] values, int df) {}

  /** Deviates of a layer, less all that factors and covariates tell of them. */
  private static Across across(
      List<Factor> factors, List<Covariate> covariates, Layer layer, SeededRandom chance) {
    double[] own = new double[layer.lie().size()];
    for (int i = 0; i < own.length; i++) {
      own[i] = chance.normal();
    }
    int[] codes = layer.lie().codes();
    double[] values = new double[codes.length];
    for (int i = 0; i < values.length; i++) {
      values[i] = own[codes[i]];
    }
    List<Term> terms = new ArrayList<>();
    covariates.forEach(c -> terms.add(Term.of(c.name())));
    factors.forEach(f -> terms.add(Term.of(f.name())));
    Fit fit = Fit.of(new Model(factors, covariates, terms, true), List.of(values));
    double[] left = Residuals.of(fit, values).residuals();
    // Plots of one member count once: what is constant on it has no freedom within.
    int df = layer.lie().size() - fit.rank();
    return new Across(left, df);
  }
}
