package app.knuckle.stats.resampling;

import app.knuckle.stats.Progress;
import app.knuckle.stats.linear.Covariate;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.Fit;
import app.knuckle.stats.linear.Residuals;
import app.knuckle.stats.linear.Term;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;

/**
 * The p of a term of a linear model by permuting what the model without the term leaves.
 *
 * <p>The fit of the reduced model lies in the space of the others, so that it changes neither the
 * term's sum of squares after all others nor the error: only its residuals are permuted.
 *
 * @see "Freedman, D. and Lane, D. (1983). Journal of Business and Economic Statistics 1, 292-298"
 */
public final class ReducedModel {

  /** An F that differs by less than this share is the same but for rounding. */
  private static final double SAME = 1e-10;

  private final double[][] vectors;
  private final int[] vectorOf;
  private final Residuals residuals;
  private final double[] coordinates;
  private final Fit fit;

  /**
   * A model whose terms are to be tested.
   *
   * @param fit of one response
   * @param values the response row by row; NaN for rows that took no part
   */
  public ReducedModel(Fit fit, double[] values) {
    this.fit = fit;
    residuals = Residuals.of(fit, values);
    coordinates = fit.coordinates(0);
    int[] rows = residuals.rows();
    vectorOf = new int[rows.length];
    List<Factor> factors = fit.model().factors();
    List<Covariate> covariates = fit.model().covariates();
    Map<List<Double>, Integer> seen = new HashMap<>();
    List<double[]> found = new java.util.ArrayList<>();
    for (int i = 0; i < rows.length; i++) {
      int row = rows[i];
      int[] levels = factors.stream().mapToInt(f -> f.codes()[row]).toArray();
      double[] at = covariates.stream().mapToDouble(c -> c.values()[row]).toArray();
      List<Double> key = new java.util.ArrayList<>();
      Arrays.stream(levels).forEach(level -> key.add((double) level));
      Arrays.stream(at).forEach(key::add);
      vectorOf[i] =
          seen.computeIfAbsent(
              key,
              k -> {
                found.add(fit.vector(fit.meanOf(levels, at)));
                return found.size() - 1;
              });
    }
    vectors = found.toArray(double[][]::new);
  }

  /**
   * The probability of a term.
   *
   * @param p share of arrangements with an F at least as large, the one observed among them
   * @param arrangements random ones
   * @param seed of them
   * @param monteCarloSe standard error of p
   * @param reference how often each F occurred
   */
  public record Result(
      double p,
      long arrangements,
      long seed,
      double monteCarloSe,
      PermutationDistribution reference) {}

  /**
   * Rearranges for a term.
   *
   * @param term one of the model's
   * @param alpha the level: more arrangements are drawn while p lies within its own error
   * @param progress told and asked on the way
   * @return null if the term cannot be estimated or there is no error
   * @throws java.util.concurrent.CancellationException if stopped
   */
  public Result test(Term term, double alpha, Progress progress) {
    double[][] directions = fit.directions(term);
    int errorDf = fit.error().df();
    if (directions == null || errorDf < 1) {
      return null;
    }
    double[] own = new double[coordinates.length];
    for (double[] direction : directions) {
      double along = dot(direction, coordinates);
      for (int k = 0; k < own.length; k++) {
        own[k] += along * direction[k];
      }
    }
    double[] left = new double[vectorOf.length];
    for (int i = 0; i < left.length; i++) {
      left[i] = residuals.residuals()[i] + dot(vectors[vectorOf[i]], own);
    }
    double all = dot(left, left);
    double observed = ratio(left, directions, all);
    RandomPermutations.Drawn<Judge> drawn =
        RandomPermutations.each(
            left,
            () -> new Judge(directions, all, observed, errorDf),
            judge -> judge.atLeast,
            alpha,
            progress);
    return new Result(
        drawn.p(),
        drawn.count(),
        RandomPermutations.SEED,
        drawn.monteCarloSe(),
        PermutationCounts.together(drawn.judges().stream().map(j -> j.fs).toList()));
  }

  private final class Judge implements Consumer<double[]> {
    private final double[][] directions;
    private final double all;
    private final double observed;
    private final double degrees;
    private final PermutationCounts fs;
    private long atLeast;

    Judge(double[][] directions, double all, double observed, int errorDf) {
      this.directions = directions;
      this.all = all;
      this.observed = observed;
      degrees = (double) errorDf / directions.length;
      fs = new PermutationCounts(observed * degrees, directions.length, errorDf);
    }

    @Override
    public void accept(double[] x) {
      double ratio = ratio(x, directions, all);
      atLeast += ratio >= observed * (1 - SAME) ? 1 : 0;
      fs.add(ratio * degrees);
    }
  }

  /** The term's sum of squares over the error's: F but for the degrees of freedom. */
  private double ratio(double[] x, double[][] directions, double all) {
    double[] sums = new double[vectors.length];
    for (int i = 0; i < x.length; i++) {
      sums[vectorOf[i]] += x[i];
    }
    double[] z = new double[coordinates.length];
    for (int v = 0; v < vectors.length; v++) {
      for (int k = 0; k < z.length; k++) {
        z[k] += sums[v] * vectors[v][k];
      }
    }
    double own = 0;
    for (double[] direction : directions) {
      double along = dot(direction, z);
      own += along * along;
    }
    double error = all - dot(z, z);
    return error > 0 ? own / error : Double.POSITIVE_INFINITY;
  }

  private static double dot(double[] a, double[] b) {
    double sum = 0;
    for (int k = 0; k < a.length; k++) {
      sum += a[k] * b[k];
    }
    return sum;
  }
}
