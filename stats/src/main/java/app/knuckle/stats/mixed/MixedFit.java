package app.knuckle.stats.mixed;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Progress;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.linear.Estimable;
import app.knuckle.stats.linear.Estimator;
import app.knuckle.stats.linear.Fit;
import app.knuckle.stats.linear.Term;
import app.knuckle.stats.mixed.MixedModel.Denominator;
import app.knuckle.stats.mixed.MixedModel.WithinUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.apache.commons.statistics.distribution.ChiSquaredDistribution;
import org.apache.commons.statistics.distribution.FDistribution;

/** A mixed model fitted to one response by restricted maximum likelihood. */
public final class MixedFit implements Estimator {

  private final MixedModel model;
  private final Fit fit;
  private final MixedRows rows;
  private final LikelihoodSearch search;
  private final LikelihoodSearch.Top top;
  private final Moments moments;
  private final FixedPart fixed;
  private final double[][] precision;
  private final int[] free;
  private final int variances;

  /**
   * Fits a model.
   *
   * @param model what is asked
   * @param values the response, one a row; NaN where a row takes no part, which it does in every
   *     random term too
   * @param progress asked on the way
   * @return the fit
   * @throws NotEstimable if the rows cannot bear the model
   * @throws java.util.concurrent.CancellationException if stopped
   */
  public static MixedFit of(MixedModel model, double[] values, Progress progress) {
    Fit fit = Fit.of(model.fixed(), List.of(values));
    MixedRows rows = new MixedRows(fit, values, model.random());
    Estimability.check(model, rows);
    Setup setup = Setup.of(model, rows);
    Estimability.checkVariances(model, rows, setup);
    return new MixedFit(model, rows, setup, progress);
  }

  private MixedFit(MixedModel model, MixedRows rows, Setup setup, Progress progress) {
    this.model = model;
    this.rows = rows;
    fit = rows.fit;
    variances = setup.limits().variances();
    moments = setup.moments(rows);
    Estimability.checkResidual(moments);
    search = new LikelihoodSearch(setup.likelihood(), setup.limits());
    top = highest(setup.starts(moments), new boolean[setup.likelihood().parameters()], progress);
    if (top == null) {
      throw new NotEstimable(NotEstimable.Reason.NO_TOP);
    }
    Estimability.checkResidual(top.t(), model.random().size(), variances);
    free =
        IntStream.range(0, top.t().length).filter(i -> i >= variances || top.t()[i] > 0).toArray();
    precision = precision(top.point(), free);
    fixed = new FixedPart(setup.likelihood(), top.t(), free, precision, model.denominator());
  }

  private LikelihoodSearch.Top highest(List<double[]> starts, boolean[] held, Progress progress) {
    LikelihoodSearch.Top best = null;
    for (double[] start : starts) {
      LikelihoodSearch.Top found = search.from(start, held, best, progress);
      if (found != null && (best == null || found.point().value() < best.point().value())) {
        best = found;
      }
    }
    return best;
  }

  /** The inverse of the expected information over what is not at a limit. */
  private static double[][] precision(Likelihood.Point point, int[] free) {
    org.ejml.data.DMatrixRMaj information =
        Likelihood.part(new org.ejml.data.DMatrixRMaj(point.information()), free, free);
    PositiveDefinite inverse = PositiveDefinite.of(information);
    if (inverse == null) {
      throw new NotEstimable(NotEstimable.Reason.NOT_TOLD_APART);
    }
    double[][] w = new double[free.length][free.length];
    for (int i = 0; i < free.length; i++) {
      for (int j = 0; j < free.length; j++) {
        w[i][j] = inverse.inverse().get(i, j);
      }
    }
    return w;
  }

  /** What was asked: as given. */
  public MixedModel model() {
    return model;
  }

  /**
   * How well the model fits. Criteria may be compared between models of one fixed part.
   *
   * @param n rows
   * @param rank of the fixed part
   * @param parameters all variances and correlations, those at a limit counted
   * @param minusTwoLogLikelihood minus twice the restricted log likelihood, free of the coding of
   *     the fixed part
   * @param logCrossProducts what other texts add to it
   * @param totalVariance sum of all variances; absent where occasions have their own
   * @param residualSd square root of the residual variance; absent likewise
   */
  public record Figures(
      int n,
      int rank,
      int parameters,
      double minusTwoLogLikelihood,
      double logCrossProducts,
      Quantity totalVariance,
      Quantity residualSd) {

    /** Akaike's criterion: smaller is better. */
    public double aic() {
      return minusTwoLogLikelihood + 2 * parameters;
    }

    /** Schwarz's criterion, with the rows that the fixed part leaves: smaller is better. */
    public double bic() {
      return minusTwoLogLikelihood + parameters * Math.log(n - rank);
    }
  }

  /** How well the model fits. */
  public Figures figures() {
    boolean own = model.within() == WithinUnit.OWN_VARIANCES;
    return new Figures(
        rows.size(),
        rows.rank(),
        top.t().length,
        likelihood(top.point()),
        fit.logCrossProducts(),
        own ? Quantity.absent(Absence.VARIANCES_OF_OCCASIONS) : Quantity.of(total() * squared()),
        own
            ? Quantity.absent(Absence.VARIANCES_OF_OCCASIONS)
            : Quantity.of(Math.sqrt(residual()) * rows.scale));
  }

  private double squared() {
    return rows.scale * rows.scale;
  }

  private double total() {
    return Arrays.stream(top.t(), 0, variances).sum();
  }

  private double residual() {
    return top.t()[model.random().size()];
  }

  private double likelihood(Likelihood.Point point) {
    return point.value() + (rows.size() - rows.rank()) * Math.log(squared());
  }

  /**
   * Estimates by mean squares, one a random term and the residual: empty where they have no degrees
   * of freedom or errors are not equal.
   */
  public Optional<Moments> moments() {
    return Optional.ofNullable(moments).map(m -> m.times(rows.scale));
  }

  /**
   * The variances with all that is known of them.
   *
   * @param alpha one less the confidence of limits, between 0 and 1
   * @param progress asked on the way
   * @return the random terms in order, then the residual or one an occasion
   * @throws java.util.concurrent.CancellationException if stopped
   */
  public List<Component> components(double alpha, Progress progress) {
    List<Component> components = new ArrayList<>();
    for (int i = 0; i < variances; i++) {
      progress.check();
      components.add(component(i, alpha, progress));
      progress.done((i + 1.0) / variances);
    }
    return components;
  }

  private Component component(int i, double alpha, Progress progress) {
    boolean isRandom = i < model.random().size();
    boolean own = model.within() == WithinUnit.OWN_VARIANCES;
    double variance = top.t()[i] * squared();
    Quantity none = Quantity.absent(Absence.VARIANCES_OF_OCCASIONS);
    Component.Occasion occasion =
        own && !isRandom
            ? new Component.Occasion(
                model.occasions().name(), model.occasions().levels().get(i - model.random().size()))
            : null;
    return new Component(
        isRandom ? model.random().get(i) : null,
        occasion,
        variance,
        precisionOf(i, variance, alpha),
        own ? new Component.Limits(none, none) : limits(i, alpha, progress),
        share(i, own),
        isRandom ? test(i, progress) : null,
        moments == null
            ? Quantity.absent(Absence.NO_MEAN_SQUARES)
            : Quantity.of(moments.rows().get(i).variance() * squared()));
  }

  private int place(int parameter) {
    return Arrays.binarySearch(free, parameter);
  }

  private Component.Precision precisionOf(int i, double variance, double alpha) {
    int at = place(i);
    if (at < 0) {
      Quantity none = Quantity.absent(Absence.AT_ZERO);
      return new Component.Precision(none, none, none, none);
    }
    double se = Math.sqrt(precision[at][at]) * squared();
    double df = 2 * (variance / se) * (variance / se);
    ChiSquaredDistribution distribution = ChiSquaredDistribution.of(df);
    return new Component.Precision(
        Quantity.of(se),
        Quantity.of(df),
        Quantity.finite(
            df * variance / distribution.inverseSurvivalProbability(alpha / 2),
            Absence.FEW_DF_NO_LIMIT),
        Quantity.finite(
            df * variance / distribution.inverseCumulativeProbability(alpha / 2),
            Absence.FEW_DF_NO_LIMIT));
  }

  private Component.Limits limits(int i, double alpha, Progress progress) {
    Profile profile = new Profile(search, top, i, height(alpha), progress);
    return new Component.Limits(
        profile.low().map(v -> v * squared()), profile.high().map(v -> v * squared()));
  }

  private static double height(double alpha) {
    return ChiSquaredDistribution.of(1).inverseSurvivalProbability(alpha);
  }

  private Component.Share share(int i, boolean own) {
    Quantity reliability =
        i >= model.random().size()
            ? Quantity.absent(Absence.RESIDUAL_HAS_NO_LEVELS)
            : top.t()[i] == 0
                ? Quantity.absent(Absence.AT_ZERO)
                : Quantity.of(1 - Effects.meanVariance(setup(), top.t(), i) / (2 * top.t()[i]));
    if (own) {
      return new Component.Share(
          Quantity.absent(Absence.VARIANCES_OF_OCCASIONS),
          Quantity.absent(Absence.VARIANCES_OF_OCCASIONS),
          reliability);
    }
    double share = top.t()[i] / total();
    double variance = 0;
    for (int a : free) {
      for (int b : free) {
        if (a < variances && b < variances) {
          variance +=
              ((a == i ? 1 : 0) - share)
                  * ((b == i ? 1 : 0) - share)
                  * precision[place(a)][place(b)];
        }
      }
    }
    Quantity se =
        place(i) < 0
            ? Quantity.absent(Absence.AT_ZERO)
            : Quantity.of(Math.sqrt(Math.max(0, variance)) / total());
    return new Component.Share(Quantity.of(share), se, reliability);
  }

  private Likelihood setup() {
    return search.likelihood();
  }

  private Component.Test test(int i, Progress progress) {
    if (top.t()[i] == 0) {
      return new Component.Test(Quantity.of(0), Quantity.of(1));
    }
    double[] without = top.t().clone();
    without[i] = 0;
    double[] equal = Setup.equal(top.t().length, variances);
    equal[i] = 0;
    boolean[] held = new boolean[without.length];
    held[i] = true;
    LikelihoodSearch.Top other = highest(List.of(without, equal), held, progress);
    if (other == null) {
      Quantity none = Quantity.absent(Absence.SEARCH_WITHOUT);
      return new Component.Test(none, none);
    }
    double statistic = Math.max(0, other.point().value() - top.point().value());
    return new Component.Test(
        Quantity.of(statistic),
        Quantity.of(
            statistic == 0 ? 1 : ChiSquaredDistribution.of(1).survivalProbability(statistic) / 2));
  }

  /**
   * The correlation between occasions next to each other.
   *
   * @param estimate between -1 and 1
   * @param se its standard error
   * @param statistic likelihood ratio against 0
   * @param p of chi-squared with one degree of freedom
   * @param low lower limit by the likelihood
   * @param high upper limit
   */
  public record Correlation(
      double estimate, Quantity se, Quantity statistic, Quantity p, Quantity low, Quantity high) {}

  /**
   * The correlation between occasions next to each other.
   *
   * @param alpha one less the confidence of its limits
   * @param progress asked on the way
   * @return empty unless errors are of first order
   */
  public Optional<Correlation> correlation(double alpha, Progress progress) {
    if (model.within() != WithinUnit.FIRST_ORDER) {
      return Optional.empty();
    }
    int r = top.t().length - 1;
    double[] none = top.t().clone();
    none[r] = 0;
    boolean[] held = new boolean[none.length];
    held[r] = true;
    LikelihoodSearch.Top other = search.from(none, held, progress);
    Quantity statistic =
        other == null
            ? Quantity.absent(Absence.SEARCH_WITHOUT)
            : Quantity.of(Math.max(0, other.point().value() - top.point().value()));
    Profile profile = new Profile(search, top, r, height(alpha), progress);
    return Optional.of(
        new Correlation(
            top.t()[r],
            Quantity.of(Math.sqrt(precision[place(r)][place(r)])),
            statistic,
            statistic.map(s -> ChiSquaredDistribution.of(1).survivalProbability(s)),
            profile.low(),
            profile.high()));
  }

  /**
   * A likelihood-ratio test.
   *
   * @param statistic at least 0
   * @param df degrees of freedom
   * @param p of chi-squared
   */
  public record Ratio(double statistic, int df, double p) {}

  /**
   * Whether all occasions have one variance.
   *
   * @param progress asked on the way
   * @return empty unless each has its own
   */
  public Optional<Ratio> equalVariances(Progress progress) {
    if (model.within() != WithinUnit.OWN_VARIANCES || model.random().isEmpty()) {
      return Optional.empty();
    }
    MixedModel equal =
        new MixedModel(
            model.fixed(), model.random(), WithinUnit.EQUAL, null, null, model.denominator());
    Setup setup = Setup.of(equal, rows);
    LikelihoodSearch.Top found = null;
    for (double[] start : setup.starts(setup.moments(rows))) {
      LikelihoodSearch.Top one =
          new LikelihoodSearch(setup.likelihood(), setup.limits())
              .from(start, new boolean[start.length], progress);
      found =
          found == null || one != null && one.point().value() < found.point().value() ? one : found;
    }
    if (found == null) {
      return Optional.empty();
    }
    int df = variances - model.random().size() - 1;
    double statistic = Math.max(0, found.point().value() - top.point().value());
    return Optional.of(
        new Ratio(statistic, df, ChiSquaredDistribution.of(df).survivalProbability(statistic)));
  }

  /**
   * The test of a term of the fixed part.
   *
   * @param term the term
   * @param df of the numerator
   * @param f scaled
   * @param scale by which; 1 for Satterthwaite
   * @param errorDf of the denominator, need not be whole
   * @param p probability
   * @param criticalF at alpha
   * @param denominator how it was judged
   */
  public record Row(
      Term term,
      Quantity df,
      Quantity f,
      Quantity scale,
      Quantity errorDf,
      Quantity p,
      Quantity criticalF,
      Denominator denominator) {}

  /**
   * The tests of the fixed part.
   *
   * @param alpha level of significance
   * @return one a term, in order
   */
  public List<Row> tests(double alpha) {
    return fit.model().terms().stream().map(term -> test(term, alpha)).toList();
  }

  private Row test(Term term, double alpha) {
    double[][] hypothesis = fit.hypothesis(term);
    if (hypothesis.length == 0) {
      Quantity none = Quantity.absent(Absence.EMPTY_CELLS);
      return new Row(term, none, none, none, none, none, none, model.denominator());
    }
    FixedPart.Test test = fixed.test(hypothesis);
    Quantity errorDf =
        Quantity.finite(
            Double.isNaN(test.f()) ? Double.NaN : test.errorDf(), Absence.DIRECTIONS_WITHOUT_DF);
    return new Row(
        term,
        Quantity.of(test.df()),
        Quantity.finite(test.f(), Absence.DIRECTIONS_WITHOUT_DF),
        Quantity.of(test.scale()),
        errorDf,
        errorDf.map(m -> FDistribution.of(test.df(), m).survivalProbability(test.f())),
        errorDf.mapFinite(
            m -> FDistribution.of(test.df(), m).inverseSurvivalProbability(alpha),
            Absence.DIRECTIONS_WITHOUT_DF),
        test.denominator());
  }

  /** The predicted effects of every random term: one a term, in order. */
  public List<Effects> effects() {
    return IntStream.range(0, model.random().size())
        .mapToObj(k -> Effects.of(setup(), top.t(), k))
        .toList();
  }

  /** What the model leaves of each row, in the order of the rows. */
  public MixedResiduals left() {
    return MixedResiduals.of(setup(), top.t(), fixed.coefficients(), model);
  }

  @Override
  public Estimable mean(int[] levels, double[] at) {
    double[] deviations = at.clone();
    Arrays.setAll(deviations, c -> at[c] - fit.model().covariates().get(c).origin());
    return estimable(fit.meanOf(levels, deviations));
  }

  /**
   * The slope on a covariate.
   *
   * @param covariate from 0
   * @return null if it cannot be estimated
   */
  public Estimable slope(int covariate) {
    double[] weights = fit.slopeOf(covariate);
    return weights == null ? null : estimable(weights);
  }

  private Estimable estimable(double[] weights) {
    double[] v = fit.vector(weights);
    return v == null
        ? null
        : new Estimable(new double[][] {Arrays.stream(v).map(x -> x * rows.scale).toArray()});
  }

  @Override
  public double value(Estimable e) {
    return fixed.value(e.vectors()[0]);
  }

  @Override
  public double variance(Estimable e) {
    return covariance(e, e);
  }

  @Override
  public double covariance(Estimable a, Estimable b) {
    return fixed.covariance(a.vectors()[0], b.vectors()[0]);
  }

  @Override
  public double df(Estimable e) {
    return fixed.df(e.vectors()[0]);
  }

  @Override
  public double origin() {
    return fit.origin(0);
  }

  @Override
  public long count(int[] levels) {
    return fit.count(levels);
  }

  @Override
  public double covariateMean(int covariate) {
    return fit.covariateMean(covariate);
  }

  @Override
  public Quantity commonDf() {
    return Quantity.absent(Absence.EMPTY_CELLS);
  }

  @Override
  public Quantity errorMs() {
    return Quantity.absent(Absence.ERRORS_OF_COMBINATIONS);
  }
}
