package app.knuckle.study.answers.asked;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.compare.Direction;
import app.knuckle.stats.compare.StudentT;
import app.knuckle.stats.linear.Covariate;
import app.knuckle.stats.linear.Estimable;
import app.knuckle.stats.linear.Estimator;
import app.knuckle.stats.linear.Strata;
import app.knuckle.study.findings.TestResult;
import java.util.ArrayList;
import java.util.List;
import java.util.function.IntFunction;

/** Slopes on covariates; where units are divided, one between them and one within. */
public final class Slopes {

  private Slopes() {}

  /**
   * Every slope that can be estimated.
   *
   * @param strata the layers of a fit
   * @param alpha level of significance, between 0 and 1
   * @return layer by layer
   */
  public static List<TestResult.Slope> of(Strata strata, double alpha) {
    List<TestResult.Slope> slopes = new ArrayList<>();
    boolean several = strata.layers().size() > 1;
    for (int layer = 0; layer < strata.layers().size(); layer++) {
      List<Covariate> covariates = strata.layers().get(layer).fit().model().covariates();
      for (int c = 0; c < covariates.size(); c++) {
        Estimable e = strata.slope(layer, c);
        if (e != null) {
          String name = covariates.get(c).name();
          String shown = several ? say(layer == 0 ? "slope.between" : "slope.within", name) : name;
          StudentT test = test(strata, e, Absence.NO_NOISE, alpha);
          slopes.add(new TestResult.Slope(shown, mean(strata, name), test));
        }
      }
    }
    return slopes;
  }

  /**
   * Every slope of a fit with one layer that can be estimated.
   *
   * @param fit what was estimated
   * @param slope of a covariate, from 0; null if it cannot be estimated
   * @param covariates by their names
   * @param alpha level of significance, between 0 and 1
   * @return in the order of the covariates
   */
  public static List<TestResult.Slope> of(
      Estimator fit, IntFunction<Estimable> slope, List<String> covariates, double alpha) {
    List<TestResult.Slope> slopes = new ArrayList<>();
    for (int c = 0; c < covariates.size(); c++) {
      Estimable e = slope.apply(c);
      if (e != null) {
        StudentT test = test(fit, e, fit.noError(), alpha);
        slopes.add(new TestResult.Slope(covariates.get(c), fit.covariateMean(c), test));
      }
    }
    return slopes;
  }

  private static StudentT test(Estimator fit, Estimable e, Absence noError, double alpha) {
    double df = fit.df(e);
    return StudentT.of(
        fit.value(e),
        Quantity.finite(Math.sqrt(fit.variance(e)), noError),
        df > 0 ? Quantity.of(df) : Quantity.absent(noError),
        Direction.EITHER,
        alpha);
  }

  /** Mean of a covariate, which the coarsest layer knows. */
  private static double mean(Strata strata, String covariate) {
    List<Covariate> all = strata.layers().get(0).fit().model().covariates();
    for (int c = 0; c < all.size(); c++) {
      if (all.get(c).name().equals(covariate)) {
        return strata.layers().get(0).fit().covariateMean(c);
      }
    }
    return Double.NaN;
  }
}
