package app.knuckle.stats.ttest;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.compare.Direction;
import app.knuckle.stats.compare.StudentT;
import app.knuckle.stats.distributions.NoncentralT;
import org.apache.commons.numbers.gamma.LogGamma;

/**
 * A t-test.
 *
 * @param form which one
 * @param test the difference with its test and limits
 * @param standardDeviation what the effect size is measured in: pooled, of the sample, or of the
 *     differences
 * @param cohenD difference over that standard deviation
 * @param hedgesFactor what makes d unbiased
 * @param hedgesG d times the factor
 * @param dLow lower limit of d, always of a two-sided interval
 * @param dHigh upper limit of d
 * @see "Hedges, L. V. (1981). Distribution theory for Glass's estimator of effect size. Journal of
 *     Educational Statistics 6, 107-128"
 */
public record TTest(
    Form form,
    StudentT test,
    Quantity standardDeviation,
    Quantity cohenD,
    Quantity hedgesFactor,
    Quantity hedgesG,
    Quantity dLow,
    Quantity dHigh) {

  /** Forms of the t-test. */
  public enum Form {
    /** One sample against an expected value. */
    ONE_SAMPLE("one-sample"),
    /** Two groups of equal spread. Student (1908), Biometrika 6, 1-25. */
    POOLED("pooled"),
    /** Two groups of unequal spread. Welch (1938), Biometrika 29, 350-362. */
    WELCH("welch"),
    /** Matched pairs. */
    PAIRS("pairs");

    private final String key;

    Form(String key) {
      this.key = key;
    }

    /** The name in files, such as "one-sample". */
    public String key() {
      return key;
    }
  }

  /**
   * A sample as a t-test needs it.
   *
   * @param n values, at least 0
   * @param mean their mean, or its deviation from an origin that all samples share
   * @param sumOfSquares about that mean
   */
  public record Sample(long n, double mean, double sumOfSquares) {

    /** Variance of the mean; absent for fewer than two values. */
    Quantity varianceOfMean() {
      return n < 2
          ? Quantity.absent(Absence.A_GROUP_OF_ONE)
          : Quantity.of(sumOfSquares / (n - 1.0) / n);
    }
  }

  /**
   * One sample, or the differences of matched pairs.
   *
   * @param form {@link Form#ONE_SAMPLE} or {@link Form#PAIRS}
   * @param sample its mean less the expected value
   * @param direction in which a difference is looked for
   * @param alpha level of significance
   * @return the test
   */
  public static TTest ofOne(Form form, Sample sample, Direction direction, double alpha) {
    Quantity variance = sample.varianceOfMean();
    Quantity df = variance.map(v -> sample.n() - 1.0);
    StudentT test = StudentT.of(sample.mean(), variance.map(Math::sqrt), df, direction, alpha);
    Quantity sd = variance.map(v -> Math.sqrt(v * sample.n()));
    return withEffect(form, test, sd, df, 1 / Math.sqrt(sample.n()), alpha, test.statistic());
  }

  /**
   * Two groups.
   *
   * @param form {@link Form#POOLED} or {@link Form#WELCH}
   * @param first the first group
   * @param second the second group
   * @param direction in which the difference first less second is looked for
   * @param alpha level of significance
   * @return the test
   */
  public static TTest ofTwo(
      Form form, Sample first, Sample second, Direction direction, double alpha) {
    double difference = first.mean() - second.mean();
    double pooledDf = first.n() + second.n() - 2.0;
    Quantity noError = Quantity.absent(Absence.NO_TWO_VALUES);
    Quantity pooled =
        pooledDf > 0
            ? Quantity.of((first.sumOfSquares() + second.sumOfSquares()) / pooledDf)
            : noError;
    double root = Math.sqrt(1.0 / first.n() + 1.0 / second.n());
    Quantity pooledSe = pooled.map(v -> Math.sqrt(v) * root);
    Quantity df = pooledDf > 0 ? Quantity.of(pooledDf) : noError;
    StudentT plain = StudentT.of(difference, pooledSe, df, direction, alpha);
    StudentT test = form == Form.POOLED ? plain : welch(first, second, direction, alpha);
    // The effect size is that of the pooled form in either.
    return withEffect(form, test, pooled.map(Math::sqrt), df, root, alpha, plain.statistic());
  }

  private static StudentT welch(Sample first, Sample second, Direction direction, double alpha) {
    Quantity a = first.varianceOfMean();
    Quantity b = second.varianceOfMean();
    double difference = first.mean() - second.mean();
    if (!a.exists() || !b.exists()) {
      Quantity none = a.exists() ? b : a;
      return StudentT.of(difference, none, none, direction, alpha);
    }
    double u = a.value();
    double v = b.value();
    double sum = u + v;
    Quantity df =
        sum > 0
            ? Quantity.of(sum * sum / (u * u / (first.n() - 1.0) + v * v / (second.n() - 1.0)))
            : Quantity.absent(Absence.NO_SPREAD_AS_UNIT);
    return StudentT.of(difference, Quantity.of(Math.sqrt(sum)), df, direction, alpha);
  }

  private static TTest withEffect(
      Form form,
      StudentT test,
      Quantity sd,
      Quantity df,
      double root,
      double alpha,
      Quantity statistic) {
    Quantity d =
        sd.exists() && sd.value() == 0
            ? Quantity.absent(Absence.NO_SPREAD_AS_UNIT)
            : sd.map(s -> test.estimate() / s);
    Quantity factor =
        df.exists() && df.value() > 1
            ? df.map(TTest::hedgesFactor)
            : Quantity.absent(Absence.MORE_THAN_ONE_DF_NEEDED);
    boolean limits = d.exists() && statistic.exists();
    Quantity none = limits ? d : d.exists() ? statistic : d;
    return new TTest(
        form,
        test,
        sd,
        d,
        factor,
        factor.exists() ? d.map(x -> x * factor.value()) : factor,
        limits
            ? Quantity.finite(
                root * NoncentralT.noncentralityFor(statistic.value(), df.value(), 1 - alpha / 2),
                Absence.LIMIT_TOO_FAR)
            : none,
        limits
            ? Quantity.finite(
                root * NoncentralT.noncentralityFor(statistic.value(), df.value(), alpha / 2),
                Absence.LIMIT_TOO_FAR)
            : none);
  }

  /** Gamma(v/2) / (sqrt(v/2) Gamma((v-1)/2)). */
  private static double hedgesFactor(double v) {
    return Math.exp(LogGamma.value(v / 2) - LogGamma.value((v - 1) / 2)) / Math.sqrt(v / 2);
  }
}
