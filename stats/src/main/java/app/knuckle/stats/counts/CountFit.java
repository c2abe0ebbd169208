package app.knuckle.stats.counts;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Progress;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.linear.Covariate;
import app.knuckle.stats.linear.Estimable;
import app.knuckle.stats.linear.Estimator;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.Fit;
import app.knuckle.stats.linear.Model;
import app.knuckle.stats.linear.Squares;
import app.knuckle.stats.linear.Term;
import app.knuckle.stats.means.Covariance;
import app.knuckle.stats.means.DegreesOfFreedom;
import app.knuckle.stats.means.LinkScale;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.IntStream;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.CommonOps_DDRM;

/** Counts or proportions fitted to the terms of a design. */
public final class CountFit implements Estimator {

  /** A dispersion this small, of whole counts, is 0 but for rounding. */
  private static final double NO_DISPERSION = 1e-20;

  private final CountModel asked;
  private final CountCells cells;
  private final CountSolution solution;
  private final Fit all;
  private final DMatrixRMaj root;
  private final DMatrixRMaj covariance;
  private final long residualDf;
  private final double pearson;
  private final double nullDeviance;
  private final Map<List<Term>, Optional<CountSolution>> solutions = new ConcurrentHashMap<>();

  /**
   * Fits a model.
   *
   * @param model what is asked
   * @param counts one a row, whole and at least 0; NaN where a row takes no part
   * @param sizes exposure, or how many were tried, above 0; null where each is 1
   * @param progress asked on the way
   * @return empty if no top of the likelihood is found
   * @throws java.util.concurrent.CancellationException if stopped
   */
  public static Optional<CountFit> of(
      CountModel model, double[] counts, double[] sizes, Progress progress) {
    CountCells cells = new CountCells(model, counts, sizes);
    CountSolution solution = CountSolution.of(cells, cells.model(), progress);
    return solution == null
        ? Optional.empty()
        : Optional.of(new CountFit(model, cells, solution, progress));
  }

  private CountFit(CountModel model, CountCells cells, CountSolution solution, Progress progress) {
    asked = model;
    this.cells = cells;
    this.solution = solution;
    all = solution.isInside() ? solution.design() : solution.onAllCells();
    residualDf = solution.residualDf();
    pearson = solution.pearson();
    root = solution.rank() == 0 ? null : solution.root();
    covariance = root == null ? null : CommonOps_DDRM.multTransB(root, root, null);
    solutions.put(model.fixed().terms(), Optional.of(solution));
    nullDeviance = with(List.of(), progress).map(CountSolution::deviance).orElse(Double.NaN);
  }

  /** What was asked: as given. */
  public CountModel model() {
    return asked;
  }

  CountCells cells() {
    return cells;
  }

  CountSolution solution() {
    return solution;
  }

  DMatrixRMaj covariance() {
    return covariance;
  }

  /** A model of some of the terms, found once. */
  private Optional<CountSolution> with(List<Term> terms, Progress progress) {
    return solutions.computeIfAbsent(
        List.copyOf(terms), t -> solved(cells.model().with(t), progress));
  }

  private Optional<CountSolution> solved(Model model, Progress progress) {
    return Optional.ofNullable(CountSolution.of(cells, model, progress));
  }

  /** Pearson's chi-squared over its degrees of freedom: absent without degrees of freedom. */
  public Quantity dispersion() {
    return residualDf > 0
        ? Quantity.of(pearson / residualDf)
        : Quantity.absent(Absence.NO_ROW_LEFT);
  }

  /** By which every variance is multiplied; NaN where it cannot be told. */
  double spread() {
    if (!asked.overdispersion()) {
      return 1;
    }
    Quantity phi = dispersion();
    return phi.exists() && phi.value() > NO_DISPERSION ? phi.value() : Double.NaN;
  }

  /**
   * Whether every row is one that was tried, so that rows show no spread of their own: true for a
   * column of 0 and 1.
   */
  public boolean isOfSingles() {
    if (cells.kind() != CountKind.PROPORTIONS) {
      return false;
    }
    for (int c = 0; c < cells.size(); c++) {
      if (cells.sizeOf(c) != cells.rowsOf(c)) {
        return false;
      }
    }
    return true;
  }

  /**
   * How well the model fits.
   *
   * @param n rows
   * @param rank of the design on all rows
   * @param errorDf residual degrees of freedom
   * @param atEdge rows whose fitted value is their own, because the likelihood has no top for them
   * @param residualDeviance of the model
   * @param nullDeviance of one mean, or rate, for all
   * @param pearson Pearson's chi-squared
   * @param dispersion that over its degrees of freedom; absent where rows are single trials
   * @param logLikelihood with all constants, of the distribution itself
   */
  public record Figures(
      long n,
      int rank,
      long errorDf,
      long atEdge,
      double residualDeviance,
      double nullDeviance,
      double pearson,
      Quantity dispersion,
      double logLikelihood) {}

  /** How well the model fits. */
  public Figures figures() {
    return new Figures(
        cells.rows(),
        all.rank(),
        residualDf,
        solution.rowsAtEdge(),
        solution.deviance(),
        nullDeviance,
        pearson,
        isOfSingles() ? Quantity.absent(Absence.SINGLES) : dispersion(),
        solution.logLikelihood());
  }

  /** Akaike's criterion: absent where the spread is estimated, as there is no likelihood then. */
  public Quantity aic() {
    return asked.overdispersion()
        ? Quantity.absent(Absence.ESTIMATED_SPREAD)
        : Quantity.of(-2 * solution.logLikelihood() + 2 * all.rank());
  }

  /**
   * The analysis of deviance.
   *
   * @param kind after which other terms each is judged
   * @param progress asked on the way
   * @return one drop a term, in order
   */
  public List<DevianceTest> drops(Squares kind, Progress progress) {
    List<Term> terms = asked.fixed().terms();
    List<DevianceTest> drops = new ArrayList<>();
    for (int t = 0; t < terms.size(); t++) {
      progress.check();
      drops.add(drop(terms.get(t), t, kind, progress));
      progress.done((t + 1.0) / terms.size());
    }
    return drops;
  }

  private DevianceTest drop(Term term, int place, Squares kind, Progress progress) {
    List<Term> terms = asked.fixed().terms();
    return switch (kind) {
      case IN_ORDER ->
          between(term, terms.subList(0, place), terms.subList(0, place + 1), progress);
      case AFTER_ITS_PEERS -> {
        List<Term> peers =
            terms.stream().filter(s -> !s.equals(term) && !s.contains(term)).toList();
        List<Term> with = terms.stream().filter(s -> !s.contains(term)).toList();
        yield between(term, peers, with, progress);
      }
      case AFTER_ALL -> {
        boolean contained = terms.stream().anyMatch(s -> s.contains(term));
        boolean tested = solution.design() != null && solution.design().hypothesis(term).length > 0;
        yield contained && !tested
            ? DevianceTest.absent(term, noMean())
            : between(term, terms.stream().filter(s -> !s.equals(term)).toList(), terms, progress);
      }
    };
  }

  private DevianceTest between(Term term, List<Term> fewer, List<Term> more, Progress progress) {
    return dropped(term, with(fewer, progress), with(more, progress));
  }

  /** A drop in deviance with its test. */
  DevianceTest judged(Term term, int df, double deviance) {
    return DevianceTest.of(
        term,
        df,
        deviance,
        asked.overdispersion() ? spread() : 1,
        asked.overdispersion(),
        residualDf);
  }

  /**
   * The test of the whole model against one mean for all.
   *
   * @param progress asked on the way
   * @return absent in its quantities where there is no term
   */
  public DevianceTest whole(Progress progress) {
    return asked.fixed().terms().isEmpty()
        ? DevianceTest.absent(new Term(List.of()), Absence.NO_TERM)
        : between(new Term(List.of()), List.of(), asked.fixed().terms(), progress);
  }

  /**
   * Whether groups have slopes of their own on a covariate: what deviance drops by when its
   * products with treatments join, tested against the dispersion of the larger model.
   *
   * @param covariate its name
   * @param treatments terms of treatments alone
   * @param progress asked on the way
   * @return absent in its quantities where there is no such product
   */
  public DevianceTest slopes(String covariate, List<Term> treatments, Progress progress) {
    Term slope = Term.of(covariate);
    List<Term> parallel =
        asked.fixed().terms().stream()
            .filter(t -> t.isSameAs(slope) || !t.names().contains(covariate))
            .toList();
    List<Term> own = new ArrayList<>(parallel);
    treatments.forEach(t -> own.add(t.times(slope)));
    Optional<CountSolution> small = with(parallel, progress);
    Optional<CountSolution> large = with(own, progress);
    if (small.isEmpty() || large.isEmpty()) {
      return DevianceTest.absent(slope, Absence.NO_TOP);
    }
    int df = large.get().rankInside(small.get()) - small.get().rank();
    long errorDf = large.get().residualDf();
    double phi = errorDf > 0 ? large.get().pearson() / errorDf : Double.NaN;
    return df == 0
        ? DevianceTest.absent(slope, Absence.ONE_VALUE_NO_SLOPE)
        : DevianceTest.of(
            slope,
            df,
            Math.max(0, small.get().deviance() - large.get().deviance()),
            phi,
            asked.overdispersion(),
            errorDf);
  }

  /**
   * What trends leave of a treatment's differences.
   *
   * @param name of the treatment
   * @param trends one a degree: a value for each of its levels
   * @param progress asked on the way
   * @return the drop in deviance from the trends to the main effect
   */
  public DevianceTest remainder(String name, double[][] trends, Progress progress) {
    Factor factor =
        cells.model().factors().stream()
            .filter(f -> f.name().equals(name))
            .findFirst()
            .orElseThrow();
    List<Term> others =
        asked.fixed().terms().stream().filter(t -> !t.names().contains(name)).toList();
    List<Covariate> covariates = new ArrayList<>(cells.model().covariates());
    List<Term> withTrends = new ArrayList<>(others);
    for (int d = 0; d < trends.length; d++) {
      double[] column = new double[cells.size()];
      for (int c = 0; c < column.length; c++) {
        column[c] = trends[d][factor.codes()[c]];
      }
      String trend = unused("trend " + (d + 1));
      covariates.add(new Covariate(trend, column));
      withTrends.add(Term.of(trend));
    }
    List<Term> main = new ArrayList<>(others);
    main.add(Term.of(name));
    Optional<CountSolution> small =
        solved(new Model(cells.model().factors(), covariates, withTrends, true), progress);
    return dropped(Term.of(name), small, with(main, progress));
  }

  /**
   * Whether two groups differ, by merging them: what deviance rises by when both have one mean.
   * Serves where one of them is separated and has no mean of its own.
   *
   * @param treatments whose combinations are the groups
   * @param left levels of one group, by treatment
   * @param right levels of the other
   * @param progress asked on the way
   * @return absent in its quantities where merging changes nothing
   */
  public DevianceTest merged(
      List<String> treatments,
      Map<String, String> left,
      Map<String, String> right,
      Progress progress) {
    List<Factor> of =
        cells.model().factors().stream().filter(f -> treatments.contains(f.name())).toList();
    String name = unused("groups");
    int[] codes = Factor.combinations(of, cells.size());
    int from = combination(of, left);
    int to = combination(of, right);
    int size = of.stream().mapToInt(Factor::size).reduce(1, (a, b) -> a * b);
    // The names of the combined levels are places: two combinations may read alike.
    List<String> names = IntStream.range(0, size).mapToObj(String::valueOf).toList();
    int[] joined = Arrays.stream(codes).map(code -> code == from ? to : code).toArray();
    return dropped(
        Term.of(name),
        grouped(treatments, new Factor(name, names, joined), progress),
        grouped(treatments, new Factor(name, names, codes), progress));
  }

  /** A name that no column of the model has. */
  private String unused(String wish) {
    String name = wish;
    while (isUsed(name)) {
      name += "'";
    }
    return name;
  }

  private boolean isUsed(String name) {
    return cells.model().factors().stream().anyMatch(f -> f.name().equals(name))
        || cells.model().covariates().stream().anyMatch(c -> c.name().equals(name));
  }

  /** The place of some levels among the combinations of factors. */
  private static int combination(List<Factor> factors, Map<String, String> levels) {
    int[] codes = Factor.codes(factors, levels);
    int place = 0;
    for (int f = 0; f < codes.length; f++) {
      place = place * factors.get(f).size() + codes[f];
    }
    return place;
  }

  /** The model with all groups of treatments as one factor. */
  private Optional<CountSolution> grouped(
      List<String> treatments, Factor groups, Progress progress) {
    List<Factor> factors =
        new ArrayList<>(
            cells.model().factors().stream().filter(f -> !treatments.contains(f.name())).toList());
    factors.add(groups);
    List<Term> terms =
        new ArrayList<>(
            asked.fixed().terms().stream()
                .filter(t -> t.names().stream().noneMatch(treatments::contains))
                .toList());
    terms.add(Term.of(groups.name()));
    return solved(new Model(factors, cells.model().covariates(), terms, true), progress);
  }

  private DevianceTest dropped(
      Term term, Optional<CountSolution> small, Optional<CountSolution> large) {
    if (small.isEmpty() || large.isEmpty()) {
      return DevianceTest.absent(term, Absence.NO_TOP);
    }
    int df = large.get().rankInside(small.get()) - small.get().rank();
    return df == 0
        ? DevianceTest.absent(term, Absence.NOTHING_APART)
        : judged(term, df, Math.max(0, small.get().deviance() - large.get().deviance()));
  }

  @Override
  public LinkScale scale() {
    return cells.kind().scale();
  }

  @Override
  public Absence noMean() {
    return solution.rowsAtEdge() == 0
        ? Absence.EMPTY_CELLS
        : switch (cells.kind()) {
          case COUNTS -> Absence.EVERY_COUNT_ZERO;
          case PROPORTIONS -> Absence.NONE_OR_ALL_TRIED;
        };
  }

  @Override
  public Estimable mean(int[] levels, double[] at) {
    if (solution.design() == null) {
      return null;
    }
    double[] deviations = at.clone();
    for (int c = 0; c < at.length; c++) {
      // At the mean over all rows, separated ones among them.
      deviations[c] = Double.isNaN(at[c]) ? covariateMean(c) : at[c];
    }
    return solution.design().combination(solution.design().meanOf(levels, deviations));
  }

  /**
   * The slope on a covariate.
   *
   * @param covariate from 0
   * @return null if it cannot be estimated
   */
  public Estimable slope(int covariate) {
    if (solution.design() == null) {
      return null;
    }
    double[] weights = solution.design().slopeOf(covariate);
    Estimable slope = weights == null ? null : solution.design().combination(weights);
    return slope == null || !slope.isWhole() ? null : slope;
  }

  @Override
  public double value(Estimable e) {
    double sum = 0;
    for (int k = 0; k < e.vectors()[0].length; k++) {
      sum += e.vectors()[0][k] * solution.coordinates()[k];
    }
    return sum;
  }

  @Override
  public double variance(Estimable e) {
    return covariance(e, e);
  }

  @Override
  public double covariance(Estimable a, Estimable b) {
    return spread() * BilinearForms.of(covariance, a.vectors()[0], b.vectors()[0]);
  }

  private double[] spherical(double[] v) {
    double[] u = new double[v.length];
    for (int i = 0; i < v.length; i++) {
      for (int k = 0; k < v.length; k++) {
        u[k] += root.get(i, k) * v[i];
      }
    }
    return u;
  }

  /**
   * The variances of all pairs of many means cost what one coordinate a direction costs: each mean
   * is put once into coordinates in which a variance is a squared length.
   */
  @Override
  public Covariance covariances(List<Estimable> means) {
    double[][] u = means.stream().map(e -> spherical(e.vectors()[0])).toArray(double[][]::new);
    return new Covariance() {
      @Override
      public double variance(int i) {
        return means.get(i).isWhole() ? between(i, i) : Double.NaN;
      }

      @Override
      public double between(int i, int j) {
        double sum = 0;
        for (int k = 0; k < u[i].length; k++) {
          sum += u[i][k] * u[j][k];
        }
        return spread() * sum;
      }

      @Override
      public double ofDifference(int i, int j) {
        double sum = 0;
        for (int k = 0; k < u[i].length; k++) {
          double d = u[i][k] - u[j][k];
          sum += d * d;
        }
        return spread() * sum;
      }
    };
  }

  @Override
  public double df(Estimable e) {
    return asked.overdispersion()
        ? Double.isNaN(spread()) ? Double.NaN : residualDf
        : DegreesOfFreedom.UNBOUNDED;
  }

  @Override
  public double origin() {
    return 0;
  }

  /** Rows with some levels. */
  @Override
  public long count(int[] levels) {
    long sum = 0;
    for (int c = 0; c < cells.size(); c++) {
      sum += has(c, levels) ? cells.rowsOf(c) : 0;
    }
    return sum;
  }

  @Override
  public boolean isSeparated(int[] levels) {
    boolean any = false;
    for (int c = 0; c < cells.size(); c++) {
      if (has(c, levels)) {
        if (!solution.isSeparated(c)) {
          return false;
        }
        any = true;
      }
    }
    return any;
  }

  /** Whether a cell has some levels; -1 for any. */
  private boolean has(int cell, int[] levels) {
    int[] own = cells.levels(cell);
    for (int f = 0; f < own.length; f++) {
      if (levels[f] >= 0 && levels[f] != own[f]) {
        return false;
      }
    }
    return true;
  }

  @Override
  public double covariateMean(int covariate) {
    double sum = 0;
    for (int c = 0; c < cells.size(); c++) {
      sum += cells.rowsOf(c) * cells.at(c)[covariate];
    }
    return sum / cells.rows();
  }

  @Override
  public Quantity commonDf() {
    return asked.overdispersion()
        ? solution.residualDf() > 0
            ? Quantity.of(solution.residualDf())
            : Quantity.absent(Absence.NO_ROW_LEFT)
        : Quantity.of(DegreesOfFreedom.UNBOUNDED);
  }

  @Override
  public Quantity errorMs() {
    return Quantity.absent(Absence.COUNTS_HAVE_NO_MEAN_SQUARE);
  }

  @Override
  public Absence noError() {
    return asked.overdispersion() ? Absence.NO_ROW_LEFT : Absence.NO_FINITE_MEAN;
  }
}
