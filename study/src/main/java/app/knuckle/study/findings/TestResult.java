package app.knuckle.study.findings;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.anova.AnovaTable;
import app.knuckle.stats.anova.OneWay;
import app.knuckle.stats.anova.RelativeEfficiency;
import app.knuckle.stats.compare.Direction;
import app.knuckle.stats.compare.StudentT;
import app.knuckle.stats.counts.CountFit;
import app.knuckle.stats.counts.CountKind;
import app.knuckle.stats.counts.DevianceTest;
import app.knuckle.stats.counts.ExactCounts;
import app.knuckle.stats.linear.Coefficient;
import app.knuckle.stats.linear.Effect;
import app.knuckle.stats.linear.Squares;
import app.knuckle.stats.linear.Term;
import app.knuckle.stats.means.LinkScale;
import app.knuckle.stats.mixed.Component;
import app.knuckle.stats.mixed.Effects;
import app.knuckle.stats.mixed.MixedFit;
import app.knuckle.stats.mixed.MixedModel.WithinUnit;
import app.knuckle.stats.mixed.Moments;
import app.knuckle.stats.multivariate.MultivariateTest;
import app.knuckle.stats.ranks.ExactDistribution;
import app.knuckle.stats.strata.Sphericity;
import app.knuckle.stats.ttest.TTest;
import app.knuckle.stats.unequal.UnequalSpread;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** A test, with everything that a screen shows of it. */
public sealed interface TestResult {

  /**
   * Whether a difference was looked for in one direction only: false for a test that knows no
   * direction.
   */
  default boolean isDirected() {
    return false;
  }

  /**
   * Something that a test judged.
   *
   * @param term the columns whose effect it is; empty for the question as a whole
   * @param p its probability
   */
  record Judged(List<String> term, Quantity p) {
    public Judged {
      term = List.copyOf(term);
    }
  }

  /** What the test judged, in the order in which it is shown. */
  List<Judged> judged();

  /**
   * The p of a term.
   *
   * @param term its treatments, in any order
   * @return absent where it is not judged
   */
  default Quantity pOf(Term term) {
    return judged().stream()
        .filter(j -> new Term(j.term()).isSameAs(term))
        .map(Judged::p)
        .findFirst()
        .orElse(Quantity.absent(Absence.NO_OVERALL_TEST));
  }

  /** The analysis of variance in it: empty for a test that is none. */
  default Optional<AnovaTable> variances() {
    return Optional.empty();
  }

  /** What was tested of several responses together: one a term; none for a test of one response. */
  default List<TogetherRow> rowsTogether() {
    return List.of();
  }

  /** The fit of a one-way layout in it; empty for a test of another design. */
  default Optional<OneWay> ofGroups() {
    return Optional.empty();
  }

  /** The analysis of deviance in it; empty for a test of what was not counted. */
  default Optional<CountResult> ofDeviance() {
    return Optional.empty();
  }

  /** What each level adds to the mean of all levels; none where no such model was fitted. */
  default List<Coefficient> coefficients() {
    return List.of();
  }

  /** The exact test of two groups of counts in it; empty for another test. */
  default Optional<ExactResult> exactly() {
    return Optional.empty();
  }

  /** The scale on which its effects add up. */
  LinkScale scale();

  /** The t test of two groups, of pairs or of one sample in it; empty for another test. */
  default Optional<TTestResult> ofDifference() {
    return Optional.empty();
  }

  /** The test on ranks, or by permutation, in it; empty for another test. */
  default Optional<RankResult> onRanks() {
    return Optional.empty();
  }

  /** The mixed model in it; empty for a test of fixed effects alone. */
  default Optional<MixedResult> withRandom() {
    return Optional.empty();
  }

  /**
   * What is said of each kind of test. Whoever says something has an answer for every kind, or does
   * not compile.
   *
   * @param <R> what is said
   */
  interface Cases<R> {
    /** Of two groups, pairs, or one sample. */
    R tTest(TTestResult test);

    /** Of a linear model. */
    R anova(AnovaResult test);

    /** Of a mixed model. */
    R mixed(MixedResult test);

    /** Of counts or proportions. */
    R counts(CountResult test);

    /** Of two groups of counts, exactly. */
    R exact(ExactResult test);

    /** Of groups with a spread of their own. */
    R unequal(UnequalResult test);

    /** On ranks, or by permutation. */
    R ranks(RankResult test);

    /** Of several responses together. */
    R together(TogetherResult test);
  }

  /**
   * What is said of this kind.
   *
   * @param cases one a kind
   * @param <R> what is said
   * @return what the kind's case gives
   */
  <R> R match(Cases<R> cases);

  /**
   * A t-test.
   *
   * @param test the numbers
   * @param direction in which a difference was looked for
   * @param left levels of the first group; null for one sample
   * @param right levels of the second group; null for one sample
   * @param expected what one sample is compared with; null for two groups
   * @param more numbers of this form, by their key
   * @param differs whether p is at most alpha
   */
  record TTestResult(
      TTest test,
      Direction direction,
      Map<String, String> left,
      Map<String, String> right,
      Double expected,
      Map<String, Quantity> more,
      boolean differs)
      implements TestResult {
    @Override
    public boolean isDirected() {
      return direction != Direction.EITHER;
    }

    @Override
    public List<Judged> judged() {
      return List.of(new Judged(List.of(), test.test().p()));
    }

    @Override
    public Optional<TTestResult> ofDifference() {
      return Optional.of(this);
    }

    @Override
    public LinkScale scale() {
      return LinkScale.IDENTITY;
    }

    @Override
    public <R> R match(Cases<R> cases) {
      return cases.tTest(this);
    }
  }

  /**
   * An analysis of variance.
   *
   * @param table its rows
   * @param oneWay effect sizes of one treatment alone; null elsewhere
   * @param covariates slopes
   * @param relativeEfficiency of blocks; null where it has no meaning
   * @param layers what a layout of two layers has beside; null elsewhere
   * @param coefficients of the model, where it has one layer
   */
  record AnovaResult(
      AnovaTable table,
      OneWay oneWay,
      List<Slope> covariates,
      RelativeEfficiency relativeEfficiency,
      Layers layers,
      List<Coefficient> coefficients)
      implements TestResult {
    public AnovaResult {
      covariates = List.copyOf(covariates);
      coefficients = List.copyOf(coefficients);
    }

    @Override
    public List<Judged> judged() {
      return table.rows().stream()
          .filter(r -> !r.isError() && r.effect() != null)
          .map(r -> new Judged(r.term().names(), tested(r).p()))
          .toList();
    }

    /**
     * The F test by which an effect is decided: where sphericity was rejected for its occasions,
     * with the degrees of freedom that Greenhouse and Geisser's estimate leaves.
     *
     * @param row of a term that could be estimated
     * @return its degrees of freedom and p
     * @see "Greenhouse, S. W. and Geisser, S. (1959). On methods in the analysis of profile data.
     *     Psychometrika 24, 95-112"
     */
    public Tested tested(AnovaTable.Row row) {
      Effect effect = row.effect();
      double errorDf = row.error().errorDf();
      Tested plain =
          new Tested(effect.df(), errorDf, effect.p(), Quantity.absent(Absence.NOTHING_TO_CORRECT));
      Quantity epsilon = epsilon(row);
      Sphericity s = layers == null ? null : layers.correcting(table, row);
      return s == null || !epsilon.exists() || !CheckResult.Judgement.of(s.p()).isOdd()
          ? plain
          : new Tested(
              effect.df() * epsilon.value(), errorDf * epsilon.value(), correctedP(row), epsilon);
    }

    /**
     * The p of an effect at the degrees of freedom that Greenhouse and Geisser's estimate leaves.
     *
     * @param row of a term
     * @return absent for effects between units
     */
    public Quantity correctedP(AnovaTable.Row row) {
      return epsilon(row)
          .map(
              e ->
                  AnovaTable.correctedP(
                      row.effect().f().value(), row.effect().df(), row.error().errorDf(), e));
    }

    /**
     * Greenhouse and Geisser's estimate for an effect.
     *
     * @param row of a term
     * @return absent for effects between units
     */
    public Quantity epsilon(AnovaTable.Row row) {
      Sphericity s = layers == null ? null : layers.correcting(table, row);
      return s == null || row.effect() == null || !row.effect().f().exists()
          ? Quantity.absent(Absence.NOTHING_TO_CORRECT)
          : s.greenhouseGeisser();
    }

    @Override
    public Optional<AnovaTable> variances() {
      return Optional.of(table);
    }

    @Override
    public Optional<OneWay> ofGroups() {
      return Optional.ofNullable(oneWay);
    }

    @Override
    public LinkScale scale() {
      return LinkScale.IDENTITY;
    }

    @Override
    public <R> R match(Cases<R> cases) {
      return cases.anova(this);
    }
  }

  /**
   * An F test as it is decided.
   *
   * @param df of the numerator; need not be whole where they were corrected
   * @param errorDf of the denominator
   * @param p probability
   * @param epsilon by which both were multiplied; absent where they were not
   */
  record Tested(double df, double errorDf, Quantity p, Quantity epsilon) {}

  /**
   * The slope of a covariate.
   *
   * @param name of the covariate
   * @param mean over the rows used
   * @param test the slope against 0
   */
  record Slope(String name, double mean, StudentT test) {}

  /**
   * What a layout of two layers has beside its table.
   *
   * @param repeated whether it is of units seen repeatedly, rather than of split plots
   * @param units whole units used
   * @param unitsLeftOut names of the others
   * @param sphericity of the occasions of each term; empty for split plots
   * @param differences standard errors of each kind of difference, for split plots
   * @param wholePlotSd root of the error mean square of whole plots, for one value
   * @param wholePlotCvPercent the same in percent of the grand mean's size
   */
  record Layers(
      boolean repeated,
      int units,
      List<String> unitsLeftOut,
      List<TermSphericity> sphericity,
      List<Difference> differences,
      Quantity wholePlotSd,
      Quantity wholePlotCvPercent) {
    public Layers {
      sphericity = List.copyOf(sphericity);
      unitsLeftOut = List.copyOf(unitsLeftOut);
      differences = List.copyOf(differences);
    }

    /**
     * The sphericity that a row's p is corrected for.
     *
     * @param table the row stands in
     * @param row of a term
     * @return null if it has no occasion among its treatments, or is judged between units
     */
    public Sphericity correcting(AnovaTable table, AnovaTable.Row row) {
      return repeated && row.error() == table.finest() ? of(row.term().names()) : null;
    }

    private Sphericity of(Collection<String> term) {
      TermSphericity best = null;
      for (TermSphericity s : sphericity) {
        boolean more = best == null || s.of().size() > best.of().size();
        best = more && term.containsAll(s.of()) ? s : best;
      }
      return best == null ? null : best.test();
    }
  }

  /**
   * The sphericity of a term.
   *
   * @param of its occasion factors
   * @param test the tests and corrections
   */
  record TermSphericity(List<String> of, Sphericity test) {}

  /**
   * The standard error of one kind of difference.
   *
   * @param between treatments whose levels differ
   * @param within treatments whose levels are the same
   * @param se standard error
   * @param df its degrees of freedom
   * @param leastSignificantDifference at alpha
   * @param weightedT Cochran and Cox's weighted t, for differences that rest on both layers
   * @param weightedLeastSignificantDifference with that t
   */
  record Difference(
      List<String> between,
      List<String> within,
      Quantity se,
      Quantity df,
      Quantity leastSignificantDifference,
      Quantity weightedT,
      Quantity weightedLeastSignificantDifference) {}

  /**
   * A mixed model.
   *
   * @param rows tests of the fixed part
   * @param fit how well the model fits
   * @param variation where the variation lies
   * @param covariates slopes
   * @param mean of all rows, where nothing else is fixed; null elsewhere
   */
  record MixedResult(
      List<MixedFit.Row> rows,
      MixedFit.Figures fit,
      Variation variation,
      List<Slope> covariates,
      StudentT mean)
      implements TestResult {
    public MixedResult {
      rows = List.copyOf(rows);
      covariates = List.copyOf(covariates);
    }

    @Override
    public List<Judged> judged() {
      return rows.stream()
          .filter(r -> r.df().exists())
          .map(r -> new Judged(r.term().names(), r.p()))
          .toList();
    }

    @Override
    public Optional<MixedResult> withRandom() {
      return Optional.of(this);
    }

    @Override
    public LinkScale scale() {
      return LinkScale.IDENTITY;
    }

    @Override
    public <R> R match(Cases<R> cases) {
      return cases.mixed(this);
    }
  }

  /**
   * Where the variation of a mixed model lies.
   *
   * @param components random terms in order, then the residual
   * @param within how repeated readings are correlated
   * @param correlation of occasions next to each other, if errors fade
   * @param equalVariances test that all occasions have one variance, if each has its own
   * @param moments estimates by mean squares, where there are any
   * @param effects predicted, one a random term
   * @param criteria AIC of each way in which repeated readings may be correlated, as far as they
   *     can be fitted; empty without repeated readings
   */
  record Variation(
      List<Component> components,
      WithinUnit within,
      Optional<MixedFit.Correlation> correlation,
      Optional<MixedFit.Ratio> equalVariances,
      Optional<Moments> moments,
      List<Effects> effects,
      Map<WithinUnit, Double> criteria) {
    public Variation {
      components = List.copyOf(components);
      effects = List.copyOf(effects);
      criteria = Map.copyOf(criteria);
    }
  }

  /**
   * An analysis of deviance.
   *
   * @param fit how well the model fits
   * @param aic absent where the spread is estimated
   * @param rows what deviance drops by, one a term
   * @param whole the same of all terms together
   * @param judging by what, and at which level
   * @param covariates slopes, on the scale on which effects add up
   * @param scale this scale
   */
  record CountResult(
      CountFit.Figures fit,
      Quantity aic,
      List<DevianceTest> rows,
      DevianceTest whole,
      Judging judging,
      List<Slope> covariates,
      LinkScale scale)
      implements TestResult {
    public CountResult {
      rows = List.copyOf(rows);
      covariates = List.copyOf(covariates);
    }

    /**
     * How effects are judged.
     *
     * @param overdispersion whether the dispersion is estimated
     * @param squares after which other terms each is judged
     * @param alpha level of significance
     */
    public record Judging(boolean overdispersion, Squares squares, double alpha) {}

    /** Whether the spread is estimated: false where it is that of the distribution. */
    public boolean overdispersion() {
      return judging.overdispersion();
    }

    /**
     * The share of the deviance of one mean for all that the model explains: absent where there is
     * none.
     */
    public Quantity explained() {
      return fit.nullDeviance() > 0
          ? Quantity.of(1 - fit.residualDeviance() / fit.nullDeviance())
          : Quantity.absent(Absence.ALL_ROWS_ALIKE);
    }

    @Override
    public List<Judged> judged() {
      return rows.stream()
          .filter(r -> r.df().exists())
          .map(r -> new Judged(r.term().names(), r.p()))
          .toList();
    }

    @Override
    public Optional<CountResult> ofDeviance() {
      return Optional.of(this);
    }

    @Override
    public <R> R match(Cases<R> cases) {
      return cases.counts(this);
    }
  }

  /**
   * One of two groups of counts.
   *
   * @param levels of the group
   * @param count their total
   * @param size total exposure, or how many were tried
   */
  record Side(Map<String, String> levels, double count, double size) {}

  /**
   * An exact test of two groups of counts.
   *
   * @param kind of count
   * @param direction in which a difference was looked for
   * @param left the first group
   * @param right the second
   * @param test the numbers; empty if there are too many tables to count
   * @param differs whether p is at most alpha
   */
  record ExactResult(
      CountKind kind,
      Direction direction,
      Side left,
      Side right,
      Optional<ExactCounts> test,
      boolean differs)
      implements TestResult {
    @Override
    public boolean isDirected() {
      return direction != Direction.EITHER;
    }

    @Override
    public List<Judged> judged() {
      return List.of(
          new Judged(
              List.of(),
              test.map(t -> Quantity.of(t.p(direction)))
                  .orElse(Quantity.absent(Absence.TOO_MANY_TABLES))));
    }

    @Override
    public Optional<ExactResult> exactly() {
      return Optional.of(this);
    }

    @Override
    public LinkScale scale() {
      return LinkScale.IDENTITY;
    }

    @Override
    public <R> R match(Cases<R> cases) {
      return cases.exact(this);
    }
  }

  /**
   * A one-way test of groups with separate variances.
   *
   * @param kind "welch-anova" or "brown-forsythe-anova"
   * @param treatment its column
   * @param test the numbers
   */
  record UnequalResult(String kind, String treatment, UnequalSpread.FTest test)
      implements TestResult {
    @Override
    public List<Judged> judged() {
      return List.of(new Judged(List.of(), test.p()));
    }

    @Override
    public LinkScale scale() {
      return LinkScale.IDENTITY;
    }

    @Override
    public <R> R match(Cases<R> cases) {
      return cases.unequal(this);
    }
  }

  /**
   * Several responses together.
   *
   * @param measured their names
   * @param squares key of the kind of sums
   * @param rows one a term
   * @param error sums of squares and products of the error
   * @param errorDf its degrees of freedom
   * @param n rows used
   * @param responses the same terms, response by response
   */
  record TogetherResult(
      List<String> measured,
      String squares,
      List<TogetherRow> rows,
      double[][] error,
      double errorDf,
      int n,
      List<AnovaTable> responses)
      implements TestResult {
    public TogetherResult {
      measured = List.copyOf(measured);
      rows = List.copyOf(rows);
      responses = List.copyOf(responses);
    }

    @Override
    public List<TogetherRow> rowsTogether() {
      return rows;
    }

    /** After Wilks, of the terms that can be tested. */
    @Override
    public List<Judged> judged() {
      return rows.stream()
          .filter(r -> r.test() != null && r.test().of("wilks") != null)
          .map(r -> new Judged(r.term(), Quantity.of(r.test().of("wilks").p())))
          .toList();
    }

    @Override
    public LinkScale scale() {
      return LinkScale.IDENTITY;
    }

    @Override
    public <R> R match(Cases<R> cases) {
      return cases.together(this);
    }
  }

  /**
   * A term tested on several responses together.
   *
   * @param source its name
   * @param term its columns
   * @param test the statistics; null if it cannot be tested
   * @param products sums of squares and products; null if they cannot be estimated
   * @param centroids means of groups on the canonical variates, for one treatment alone
   */
  record TogetherRow(
      String source,
      List<String> term,
      MultivariateTest test,
      double[][] products,
      List<Centroid> centroids) {}

  /**
   * A group on the canonical variates.
   *
   * @param levels of the group
   * @param n its rows
   * @param scores one a variate, less those of the mean of all rows
   */
  record Centroid(Map<String, String> levels, long n, List<Double> scores) {}

  /**
   * A test with numbers of its own: on ranks, or by permutation.
   *
   * @param kind such as "kruskal-wallis"
   * @param numbers what it found
   * @param told the finding, a sentence
   * @param distribution that an exact p was read from; empty where p follows a known distribution
   */
  record RankResult(
      String kind, RankNumbers numbers, Told told, Optional<ExactDistribution> distribution)
      implements TestResult {

    /** A test whose p follows a known distribution. */
    public RankResult(String kind, RankNumbers numbers, Told told) {
      this(kind, numbers, told, Optional.empty());
    }

    @Override
    public boolean isDirected() {
      return numbers.direction() != Direction.EITHER;
    }

    @Override
    public List<Judged> judged() {
      return List.of(new Judged(List.of(), p()));
    }

    /** Probability in the direction asked. */
    public Quantity p() {
      return numbers.p();
    }

    @Override
    public Optional<RankResult> onRanks() {
      return Optional.of(this);
    }

    @Override
    public LinkScale scale() {
      return LinkScale.IDENTITY;
    }

    @Override
    public <R> R match(Cases<R> cases) {
      return cases.ranks(this);
    }

    /** The same, with more said after its finding. */
    public RankResult saying(String more) {
      return new RankResult(kind, numbers, told.and(new Told(more)), distribution);
    }

    /** The same, with the distribution that its p was counted from. */
    public RankResult countedFrom(Optional<ExactDistribution> counted) {
      return new RankResult(kind, numbers, told, counted);
    }
  }
}
