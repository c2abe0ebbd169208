package app.knuckle.stats.distributions;

import org.apache.commons.numbers.gamma.LogGamma;

/**
 * The density of u = ln s, where s = sqrt(chi2(df) / df) estimates the standard deviation of the
 * error whose standard deviation is 1.
 */
final class ScaleDensity {

  /** From here on the estimate counts as the standard deviation itself. */
  private static final double INFINITE_DF = 1e12;

  /** From here on the series below is right to a double (first term left out: 2e-3 / x^11). */
  private static final double STIRLING_FROM = 16;

  /** Abramowitz and Stegun (1964), 6.1.41. */
  private static final double[] STIRLING = {
    1.0 / 12, -1.0 / 360, 1.0 / 1260, -1.0 / 1680, 1.0 / 1188
  };

  private final double df;
  private final double logAtOne;

  /**
   * The density.
   *
   * @param df degrees of freedom, above 0
   */
  ScaleDensity(double df) {
    this.df = df;
    // The density of u is 2 (df/2)^(df/2) / Gamma(df/2) exp(df u - df e^2u / 2). Its constant holds
    // exp(-df/2) too, so that the exponent starts from 0 at u = 0.
    double x = 0.5 * df;
    logAtOne = Math.log(2) + 0.5 * Math.log(x / (2 * Math.PI)) - stirlingError(x);
  }

  /** Whether s is 1 as near as makes no difference. */
  boolean isOne() {
    return df >= INFINITE_DF;
  }

  /** The density at u. */
  double at(double u) {
    return Math.exp(logAtOne + fallen(u));
  }

  /**
   * The logarithm of the density at u over that at 0, its largest. Here expm1 keeps the digits that
   * a large df would lose near 0.
   */
  double fallen(double u) {
    return df * (u - 0.5 * Math.expm1(2 * u));
  }

  /**
   * ln Gamma(x) - [(x - 1/2) ln x - x + ln(2 pi)/2]: what Stirling's formula leaves out. Taken by
   * itself, since the difference of the large terms would lose digits.
   */
  private static double stirlingError(double x) {
    if (x < STIRLING_FROM) {
      return LogGamma.value(x) - ((x - 0.5) * Math.log(x) - x + 0.5 * Math.log(2 * Math.PI));
    }
    double r = 1 / (x * x);
    double series = 0;
    for (int i = STIRLING.length - 1; i >= 0; i--) {
      series = series * r + STIRLING[i];
    }
    return series / x;
  }
}
