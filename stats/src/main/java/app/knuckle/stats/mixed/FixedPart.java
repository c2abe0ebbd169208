package app.knuckle.stats.mixed;

import app.knuckle.stats.mixed.MixedModel.Denominator;
import app.knuckle.stats.mixed.MixedRows.Layout;
import java.util.Arrays;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.CommonOps_DDRM;

/**
 * The fixed part of a mixed model at the estimated variances: generalised least squares, the
 * covariance of the coefficients, and how its uncertainty bears on every combination of them.
 *
 * @see "Kenward, M. G. and Roger, J. H. (1997). Small sample inference for fixed effects from
 *     restricted maximum likelihood. Biometrics 53, 983-997"
 */
final class FixedPart {

  private final double[] coefficients;
  private final DMatrixRMaj covariance;
  private final DMatrixRMaj adjusted;
  private final DMatrixRMaj[] slopes;
  private final double[][] precision;
  private final boolean adjusts;

  /**
   * Estimates the fixed part.
   *
   * @param likelihood of the model
   * @param t the estimates, of the scaled response
   * @param free which of them are not at a limit
   * @param precision covariance of these
   * @param denominator what degrees of freedom and covariance are
   */
  FixedPart(
      Likelihood likelihood,
      double[] t,
      int[] free,
      double[][] precision,
      Denominator denominator) {
    this.precision = precision;
    adjusts = denominator == Denominator.KENWARD_ROGER;
    Errors.Products k = likelihood.errors().at(t);
    Eliminated v = likelihood.eliminate(k, t, false);
    int p = likelihood.layout().fixed();
    int[] fixed = Likelihood.first(p);
    int y = v.size() - 1;
    PositiveDefinite information = PositiveDefinite.of(Likelihood.part(v.product(), fixed, fixed));
    if (information == null) {
      throw new NotEstimable(NotEstimable.Reason.NO_RESIDUAL);
    }
    covariance = information.inverse();
    coefficients =
        CommonOps_DDRM.mult(covariance, Likelihood.part(v.product(), fixed, new int[] {y}), null)
            .data;
    Derivatives d = new Derivatives(likelihood, k, v, fixed);
    slopes = new DMatrixRMaj[free.length];
    Arrays.setAll(slopes, i -> product(product(covariance, d.first(free[i])), covariance));
    adjusted = covariance.copy();
    if (adjusts) {
      adjust(d, free, k.bent() != null);
    }
  }

  private void adjust(Derivatives d, int[] free, boolean curved) {
    DMatrixRMaj sum = new DMatrixRMaj(covariance.numRows, covariance.numRows);
    for (int i = 0; i < free.length; i++) {
      DMatrixRMaj left = product(d.first(free[i]), covariance);
      // What two parameters do together comes twice, the second time transposed; as the sum is
      // added to its transpose below, either may stand for both.
      for (int j = i; j < free.length; j++) {
        DMatrixRMaj term = d.second(free[i], free[j]);
        CommonOps_DDRM.multAdd(-1, left, d.first(free[j]), term);
        if (curved) {
          DMatrixRMaj bend = d.bent(free[i], free[j]);
          if (bend != null) {
            CommonOps_DDRM.add(term, -0.25, bend, term);
          }
        }
        CommonOps_DDRM.add(sum, precision[i][j] * (i == j ? 1 : 2), term, sum);
      }
    }
    DMatrixRMaj outer = product(product(covariance, sum), covariance);
    for (int i = 0; i < adjusted.numRows; i++) {
      for (int j = 0; j < adjusted.numRows; j++) {
        adjusted.add(i, j, outer.get(i, j) + outer.get(j, i));
      }
    }
  }

  static DMatrixRMaj product(DMatrixRMaj a, DMatrixRMaj b) {
    return CommonOps_DDRM.mult(a, b, null);
  }

  /**
   * P, Q and R of Kenward and Roger, the first with its sign taken off; of two different parameters
   * Q or its transpose.
   */
  private static final class Derivatives {
    private final Errors errors;
    private final Layout layout;
    private final Errors.Products k;
    private final Eliminated v;
    private final int[] fixed;

    /** The fixed columns as weights of all, and those times the derivatives of the errors. */
    private final DMatrixRMaj weights;

    private final DMatrixRMaj[] halves;
    private final DMatrixRMaj[] first;

    Derivatives(Likelihood likelihood, Errors.Products k, Eliminated v, int[] fixed) {
      errors = likelihood.errors();
      layout = likelihood.layout();
      this.k = k;
      this.v = v;
      this.fixed = fixed;
      weights = v.weights(fixed);
      halves = Arrays.stream(k.first()).map(f -> product(weights, f)).toArray(DMatrixRMaj[]::new);
      first = new DMatrixRMaj[likelihood.parameters()];
      Arrays.setAll(
          first,
          i -> {
            int a = inner(i);
            return a >= 0
                ? CommonOps_DDRM.multTransB(halves[a], weights, null)
                : CommonOps_DDRM.multTransA(toFixed(i), toFixed(i), null);
          });
    }

    private int inner(int parameter) {
      for (int a = 0; a < errors.parameters().length; a++) {
        if (errors.parameters()[a] == parameter) {
          return a;
        }
      }
      return -1;
    }

    private int[] rows(int parameter) {
      for (int o = 0; o < layout.terms().length; o++) {
        if (layout.terms()[o] == parameter) {
          return v.rowsOf(o);
        }
      }
      throw new IllegalStateException("No parameter " + parameter);
    }

    private DMatrixRMaj toFixed(int parameter) {
      return Likelihood.part(v.product(), rows(parameter), fixed);
    }

    /** X'V^-1 V' V^-1 X. */
    DMatrixRMaj first(int i) {
      return first[i];
    }

    /** X'V^-1 V' V^-1 V' V^-1 X. */
    DMatrixRMaj second(int i, int j) {
      int a = inner(i);
      int b = inner(j);
      if (a >= 0 && b >= 0) {
        return v.twice(weights, halves[a], halves[b], k.second()[Math.min(a, b)][Math.max(a, b)]);
      }
      if (a < 0 && b < 0) {
        DMatrixRMaj between = Likelihood.part(v.product(), rows(i), rows(j));
        return product(CommonOps_DDRM.multTransA(toFixed(i), between, null), toFixed(j));
      }
      int outer = a < 0 ? i : j;
      DMatrixRMaj between =
          CommonOps_DDRM.multTransB(v.weights(rows(outer)), halves[Math.max(a, b)], null);
      return CommonOps_DDRM.multTransA(toFixed(outer), between, null);
    }

    /** X'V^-1 V'' V^-1 X; null where the covariance is linear in both. */
    DMatrixRMaj bent(int i, int j) {
      int a = inner(i);
      int b = inner(j);
      return a < 0 || b < 0
          ? null
          : CommonOps_DDRM.multTransB(
              product(weights, k.bent()[Math.min(a, b)][Math.max(a, b)]), weights, null);
    }
  }

  double value(double[] e) {
    double sum = 0;
    for (int k = 0; k < e.length; k++) {
      sum += e[k] * coefficients[k];
    }
    return sum;
  }

  double[] coefficients() {
    return coefficients;
  }

  /** Of two combinations, adjusted if asked. */
  double covariance(double[] a, double[] b) {
    return form(adjusts ? adjusted : covariance, a, b);
  }

  private static double form(DMatrixRMaj m, double[] a, double[] b) {
    double sum = 0;
    for (int i = 0; i < a.length; i++) {
      double row = 0;
      for (int j = 0; j < b.length; j++) {
        row += m.get(i, j) * b[j];
      }
      sum += a[i] * row;
    }
    return sum;
  }

  /** Satterthwaite's, the same under both denominators. */
  double df(double[] combination) {
    // They do not depend on the size of a combination, whose square could leave the range of a
    // double.
    double size = Arrays.stream(combination).map(Math::abs).max().orElse(1);
    double[] e = Arrays.stream(combination).map(x -> size > 0 ? x / size : x).toArray();
    double variance = form(covariance, e, e);
    double[] g = Arrays.stream(slopes).mapToDouble(s -> form(s, e, e)).toArray();
    return 2 * variance * variance / weighed(g, g);
  }

  private double weighed(double[] a, double[] b) {
    double sum = 0;
    for (int i = 0; i < a.length; i++) {
      for (int j = 0; j < b.length; j++) {
        sum += precision[i][j] * a[i] * b[j];
      }
    }
    return sum;
  }

  /**
   * A test that some rows are 0.
   *
   * @param df of the numerator
   * @param f scaled by the next
   * @param scale 1 for Satterthwaite
   * @param errorDf NaN where it has none
   * @param denominator how it was found
   */
  record Test(int df, double f, double scale, double errorDf, Denominator denominator) {}

  /**
   * Tests that some independent rows are 0.
   *
   * @param rows of coefficients, orthonormal contrasts of effects where there are such
   * @return the test
   */
  Test test(double[][] rows) {
    DMatrixRMaj l = new DMatrixRMaj(rows);
    if (adjusts) {
      Test test = kenwardRoger(l);
      if (test != null) {
        return test;
      }
    }
    return satterthwaite(l);
  }

  private DMatrixRMaj around(DMatrixRMaj l, DMatrixRMaj m) {
    return CommonOps_DDRM.multTransB(product(l, m), l, null);
  }

  /** NaN where the covariance of the rows is not positive definite. */
  private double wald(DMatrixRMaj l, DMatrixRMaj m) {
    PositiveDefinite of = PositiveDefinite.of(around(l, m));
    double[] b = product(l, DMatrixRMaj.wrap(coefficients.length, 1, coefficients)).data;
    return of == null ? Double.NaN : form(of.inverse(), b, b) / l.numRows;
  }

  /** Departures from 0 and from 2 below this are rounding. */
  private static final double ROUNDING = 1e-9;

  private Test kenwardRoger(DMatrixRMaj l) {
    int n = l.numRows;
    double f = wald(l, adjusted);
    PositiveDefinite own = PositiveDefinite.of(around(l, covariance));
    if (Double.isNaN(f) || own == null) {
      return null;
    }
    DMatrixRMaj inverse = own.inverse();
    DMatrixRMaj[] each = new DMatrixRMaj[slopes.length];
    double[] trace = new double[slopes.length];
    for (int i = 0; i < each.length; i++) {
      each[i] = product(inverse, around(l, slopes[i]));
      trace[i] = CommonOps_DDRM.trace(each[i]);
    }
    double a1 = weighed(trace, trace);
    double a2 = 0;
    for (int i = 0; i < each.length; i++) {
      for (int j = 0; j < each.length; j++) {
        a2 += precision[i][j] * CommonOps_DDRM.trace(product(each[i], each[j]));
      }
    }
    double m;
    double lambda;
    if (n == 1) {
      m = 2 / a2;
      lambda = 1;
    } else {
      double b = (a1 + 6 * a2) / (2 * n);
      double g = ((n + 1) * a1 - (n + 4) * a2) / ((n + 2) * a2);
      double d = 3 * n + 2 * (1 - g);
      double a = 1 - a2 / n;
      double v0 = 1 + g / d * b;
      double v1 = 1 - (n - g) / d * b;
      double v2 = 1 - (n + 2 - g) / d * b;
      double ratio = Math.abs(a) < ROUNDING && Math.abs(v1) < ROUNDING ? 1 : a / v1;
      m = 4 + (n + 2) * v2 / (ratio * ratio * v0 - v2);
      boolean two = Math.abs(m - 2) < ROUNDING && Math.abs(a) < ROUNDING;
      // m a / (m - 2), which is 0 over 0 with two degrees of freedom of error.
      lambda = two ? 1 : m * a / (m - 2);
    }
    boolean sound = m > 0 && lambda > 0 && Double.isFinite(m) && Double.isFinite(lambda);
    return sound ? new Test(n, lambda * f, lambda, m, Denominator.KENWARD_ROGER) : null;
  }

  /** Degrees of freedom this close, relative, are the same. */
  private static final double ALIKE = 1e-6;

  /** After Fai and Cornelius (1996), J. Statist. Comput. Simul. 54, 363-378. */
  private Test satterthwaite(DMatrixRMaj l) {
    int n = l.numRows;
    double f = wald(l, covariance);
    double[][] vectors = n == 1 ? new double[][] {{1}} : eigenvectors(around(l, covariance));
    double[] df = new double[n];
    for (int k = 0; k < n; k++) {
      DMatrixRMaj w = DMatrixRMaj.wrap(1, n, vectors[k]);
      df[k] = df(product(w, l).data);
    }
    double least = Arrays.stream(df).min().orElseThrow();
    double most = Arrays.stream(df).max().orElseThrow();
    double mean = Arrays.stream(df).average().orElseThrow();
    double found;
    if (most - least <= ALIKE * most) {
      found = mean;
    } else if (!(least > 2)) {
      found = Double.NaN;
    } else {
      double e = Arrays.stream(df).map(v -> v / (v - 2)).sum();
      found = 2 * e / (e - n);
    }
    return new Test(n, f, 1, found, Denominator.SATTERTHWAITE);
  }

  private static double[][] eigenvectors(DMatrixRMaj m) {
    var eigen = org.ejml.dense.row.factory.DecompositionFactory_DDRM.eig(m.numRows, true, true);
    eigen.decompose(m.copy());
    double[][] vectors = new double[m.numRows][];
    Arrays.setAll(vectors, k -> eigen.getEigenVector(k).data);
    return vectors;
  }
}
