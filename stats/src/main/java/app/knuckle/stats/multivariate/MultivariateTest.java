package app.knuckle.stats.multivariate;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.apache.commons.statistics.distribution.ChiSquaredDistribution;
import org.apache.commons.statistics.distribution.FDistribution;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.factory.DecompositionFactory_DDRM;
import org.ejml.interfaces.decomposition.EigenDecomposition_F64;

/**
 * An effect tested on several responses together.
 *
 * @param df degrees of freedom of the effect
 * @param errorDf degrees of freedom of the error
 * @param statistics Wilks, Pillai, Hotelling-Lawley, Roy; without those for which the error has too
 *     few degrees of freedom
 * @param eigenvalues of E^-1 H, the largest first
 * @param coefficients of the canonical variates, one a eigenvalue
 * @param dimensions tests of what is left from a variate on
 * @see "Rencher, A. C. and Christensen, W. F. (2012). Methods of multivariate analysis, 3rd ed.,
 *     chapter 6"
 */
public record MultivariateTest(
    int df,
    double errorDf,
    List<Statistic> statistics,
    List<Double> eigenvalues,
    List<Variate> coefficients,
    List<Dimension> dimensions) {

  public MultivariateTest {
    statistics = List.copyOf(statistics);
    eigenvalues = List.copyOf(eigenvalues);
    coefficients = List.copyOf(coefficients);
    dimensions = List.copyOf(dimensions);
  }

  /**
   * A statistic by its name.
   *
   * @param name such as "wilks"
   * @return null where the error has too few degrees of freedom for it
   */
  public Statistic of(String name) {
    return statistics.stream().filter(s -> s.name().equals(name)).findFirst().orElse(null);
  }

  /**
   * One of the statistics with its F approximation.
   *
   * @param name wilks, pillai, hotelling-lawley, roy
   * @param value of the statistic; for Roy the largest eigenvalue
   * @param f approximate F; for Roy an upper bound
   * @param df its degrees of freedom
   * @param errorDf degrees of freedom of its error
   * @param p its probability; for Roy a lower bound
   * @param partialEtaSquared share of the spread of the best combination
   * @param second another approximation; null for none
   */
  public record Statistic(
      String name,
      double value,
      double f,
      double df,
      double errorDf,
      double p,
      double partialEtaSquared,
      Approximation second) {}

  /**
   * An approximation by an F.
   *
   * @param f the F
   * @param df its degrees of freedom
   * @param errorDf degrees of freedom of its error; 0 or less where the records are too few for it
   * @param p its probability; NaN where the records are too few
   */
  public record Approximation(double f, double df, double errorDf, double p) {

    static Approximation of(double f, double df, double errorDf) {
      double p = errorDf > 0 ? FDistribution.of(df, errorDf).survivalProbability(f) : Double.NaN;
      return new Approximation(f, df, errorDf, p);
    }
  }

  /**
   * A canonical variate.
   *
   * @param raw coefficients of the responses, so that its variance within groups is 1
   * @param standardised coefficients of the responses in units of their own standard deviation
   *     within groups
   * @param structure correlations with the responses within groups
   */
  public record Variate(List<Double> raw, List<Double> standardised, List<Double> structure) {
    public Variate {
      raw = List.copyOf(raw);
      standardised = List.copyOf(standardised);
      structure = List.copyOf(structure);
    }
  }

  /**
   * What is left from a variate on.
   *
   * @param from the variate, the first is 1
   * @param chiSquared Bartlett's statistic
   * @param df its degrees of freedom
   * @param p its probability
   */
  public record Dimension(int from, double chiSquared, int df, double p) {}

  /**
   * Tests an effect.
   *
   * @param df degrees of freedom of the effect, 1 or more
   * @param h its sums of squares and products
   * @param errorDf degrees of freedom of the error, at least the number of responses
   * @param e sums of squares and products of the error, of full rank
   * @return the tests; null if the error matrix has no full rank
   */
  public static MultivariateTest of(int df, double[][] h, double errorDf, double[][] e) {
    int p = e.length;
    if (errorDf < p) {
      return null;
    }
    double[][] root = cholesky(e);
    if (root == null) {
      return null;
    }
    // E = L L': the eigenvalues of E^-1 H are those of L^-1 H L^-T, which is symmetric.
    double[][] half = solved(root, h);
    double[][] middle = solved(root, transposed(half));
    EigenDecomposition_F64<DMatrixRMaj> eigen = DecompositionFactory_DDRM.eig(p, true, true);
    if (!eigen.decompose(new DMatrixRMaj(symmetric(middle)))) {
      return null;
    }
    List<Integer> order = new ArrayList<>();
    for (int i = 0; i < p; i++) {
      order.add(i);
    }
    order.sort((a, b) -> Double.compare(value(eigen, b), value(eigen, a)));
    int s = Math.min(p, df);
    List<Double> values = new ArrayList<>();
    List<Variate> variates = new ArrayList<>();
    for (int i = 0; i < s; i++) {
      values.add(Math.max(0, value(eigen, order.get(i))));
      variates.add(variate(root, eigen.getEigenVector(order.get(i)).getData(), e, errorDf));
    }
    return new MultivariateTest(
        df,
        errorDf,
        statistics(p, df, errorDf, values),
        values,
        variates,
        dimensions(p, df, errorDf, values));
  }

  private static double value(EigenDecomposition_F64<DMatrixRMaj> eigen, int i) {
    return eigen.getEigenvalue(i).real;
  }

  private static List<Statistic> statistics(int p, int q, double v, List<Double> l) {
    double s = Math.min(p, q);
    double m = (Math.abs(p - q) - 1) / 2.0;
    double n = (v - p - 1) / 2;
    double pillai = 0;
    double logWilks = 0;
    double trace = 0;
    for (double x : l) {
      pillai += x / (1 + x);
      logWilks -= Math.log1p(x);
      trace += x;
    }
    double wilks = Math.exp(logWilks);
    double below = p * (double) p + q * (double) q - 5;
    double t = below > 0 ? Math.sqrt((p * (double) p * q * q - 4) / below) : 1;
    double w = v + q - (p + q + 1) / 2.0;
    double df2 = w * t - (p * q - 2) / 2.0;
    double y = -Math.expm1(logWilks / t);
    Approximation forWilks = Approximation.of(y / (1 - y) * df2 / (p * (double) q), p * q, df2);
    Approximation forPillai =
        Approximation.of(
            (2 * n + s + 1) / (2 * m + s + 1) * pillai / (s - pillai),
            s * (2 * m + s + 1),
            s * (2 * n + s + 1));
    Approximation forTrace =
        Approximation.of(
            2 * (s * n + 1) * trace / (s * s * (2 * m + s + 1)),
            s * (2 * m + s + 1),
            2 * (s * n + 1));
    double r = Math.max(p, q);
    Approximation forRoy = Approximation.of(l.get(0) * (v - r + q) / r, r, v - r + q);
    return Stream.of(
            statistic("wilks", wilks, forWilks, -Math.expm1(logWilks / s), null),
            statistic("pillai", pillai, forPillai, pillai / s, null),
            statistic(
                "hotelling-lawley", trace, forTrace, trace / (trace + s), mcKeon(p, q, n, trace)),
            statistic("roy", l.get(0), forRoy, l.get(0) / (1 + l.get(0)), null))
        .filter(found -> found.errorDf() > 0)
        .toList();
  }

  /** McKeon (1974), Biometrika 61, 381-383. */
  private static Approximation mcKeon(int p, int q, double n, double trace) {
    if (n <= 1) {
      return null;
    }
    double b = (p + 2 * n) * (q + 2 * n) / (2 * (2 * n + 1) * (n - 1));
    double df2 = 4 + (p * q + 2) / (b - 1);
    double c = (2 + (p * q + 2) / (b - 1)) / (2 * n);
    return Approximation.of(trace / c * df2 / (p * (double) q), p * q, df2);
  }

  private static Statistic statistic(
      String name, double value, Approximation a, double eta, Approximation second) {
    return new Statistic(name, value, a.f(), a.df(), a.errorDf(), a.p(), eta, second);
  }

  /** Bartlett (1947), JRSS Supplement 9, 176-197. */
  private static List<Dimension> dimensions(int p, int q, double v, List<Double> l) {
    List<Dimension> dimensions = new ArrayList<>();
    for (int j = 1; j <= l.size(); j++) {
      double sum = 0;
      for (int i = j - 1; i < l.size(); i++) {
        sum += Math.log1p(l.get(i));
      }
      double chi = (v + q - (p + q + 1) / 2.0) * sum;
      int df = (p - j + 1) * (q - j + 1);
      dimensions.add(
          new Dimension(j, chi, df, ChiSquaredDistribution.of(df).survivalProbability(chi)));
    }
    return dimensions;
  }

  /** The variate of an eigenvector u: a = sqrt(v) L^-T u, so that a'(E/v)a = 1. */
  private static Variate variate(double[][] root, double[] u, double[][] e, double v) {
    int p = u.length;
    double[] a = new double[p];
    for (int i = p - 1; i >= 0; i--) {
      double sum = u[i] * Math.sqrt(v);
      for (int k = i + 1; k < p; k++) {
        sum -= root[k][i] * a[k];
      }
      a[i] = sum / root[i][i];
    }
    int largest = 0;
    for (int i = 0; i < p; i++) {
      boolean larger =
          Math.abs(a[i]) * Math.sqrt(e[i][i])
              > Math.abs(a[largest]) * Math.sqrt(e[largest][largest]);
      largest = larger ? i : largest;
    }
    double sign = a[largest] < 0 ? -1 : 1;
    List<Double> raw = new ArrayList<>();
    List<Double> standardised = new ArrayList<>();
    List<Double> structure = new ArrayList<>();
    for (int i = 0; i < p; i++) {
      double sd = Math.sqrt(e[i][i] / v);
      double product = 0;
      for (int k = 0; k < p; k++) {
        product += e[i][k] / v * a[k];
      }
      raw.add(sign * a[i]);
      standardised.add(sign * a[i] * sd);
      structure.add(sign * product / sd);
    }
    return new Variate(raw, standardised, structure);
  }

  /**
   * Lower triangle L with L L' = a; null if a has no full rank, judged by what is left of each
   * response beside those before it: EJML's own bound is not relative to the response.
   */
  static double[][] cholesky(double[][] a) {
    int n = a.length;
    double[][] l = new double[n][n];
    for (int j = 0; j < n; j++) {
      double pivot = a[j][j];
      for (int k = 0; k < j; k++) {
        pivot -= l[j][k] * l[j][k];
      }
      if (!(pivot > a[j][j] * SINGULAR)) {
        return null;
      }
      l[j][j] = Math.sqrt(pivot);
      for (int i = j + 1; i < n; i++) {
        double sum = a[i][j];
        for (int k = 0; k < j; k++) {
          sum -= l[i][k] * l[j][k];
        }
        l[i][j] = sum / l[j][j];
      }
    }
    return l;
  }

  /** A response of which less than this share is its own depends on the others. */
  private static final double SINGULAR = 1e-12;

  /** L^-1 b. */
  private static double[][] solved(double[][] l, double[][] b) {
    int n = l.length;
    double[][] x = new double[n][n];
    for (int c = 0; c < n; c++) {
      for (int i = 0; i < n; i++) {
        double sum = b[i][c];
        for (int k = 0; k < i; k++) {
          sum -= l[i][k] * x[k][c];
        }
        x[i][c] = sum / l[i][i];
      }
    }
    return x;
  }

  private static double[][] transposed(double[][] a) {
    double[][] t = new double[a.length][a.length];
    for (int i = 0; i < a.length; i++) {
      for (int j = 0; j < a.length; j++) {
        t[j][i] = a[i][j];
      }
    }
    return t;
  }

  private static double[][] symmetric(double[][] a) {
    double[][] s = transposed(a);
    for (int i = 0; i < a.length; i++) {
      for (int j = 0; j < a.length; j++) {
        s[i][j] = (a[i][j] + s[i][j]) / 2;
        s[j][i] = s[i][j];
      }
    }
    return s;
  }
}
