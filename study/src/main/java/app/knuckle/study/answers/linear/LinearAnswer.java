package app.knuckle.study.answers.linear;

import app.knuckle.stats.Progress;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.Significance;
import app.knuckle.stats.compare.Trend;
import app.knuckle.stats.linear.Additivity;
import app.knuckle.stats.linear.AnovaTable;
import app.knuckle.stats.linear.Coefficient;
import app.knuckle.stats.linear.Covariate;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.Fit;
import app.knuckle.stats.linear.Model;
import app.knuckle.stats.linear.OneWay;
import app.knuckle.stats.linear.PowerTransformation;
import app.knuckle.stats.linear.RelativeEfficiency;
import app.knuckle.stats.linear.Residuals;
import app.knuckle.stats.linear.Strata;
import app.knuckle.stats.linear.Stratum;
import app.knuckle.stats.linear.SumTest;
import app.knuckle.stats.linear.Term;
import app.knuckle.stats.summary.GroupMoments;
import app.knuckle.stats.ttest.TTest;
import app.knuckle.stats.unequal.UnequalSpread;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.answers.asked.AskedModel;
import app.knuckle.study.answers.asked.Questions;
import app.knuckle.study.answers.asked.Slopes;
import app.knuckle.study.answers.asked.UnequalMeans;
import app.knuckle.study.cells.Parts;
import app.knuckle.study.checks.Checks;
import app.knuckle.study.checks.GroupChecks;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.Analysis;
import app.knuckle.study.findings.CheckResult;
import app.knuckle.study.findings.ComparisonResult;
import app.knuckle.study.findings.GroupCheck;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.prep.Frame;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** Answers an inquiry about one response with one layer of error. */
public final class LinearAnswer {

  private final Frame frame;
  private final Inquiry inquiry;
  private final String measured;
  private final Parts parts;
  private final Progress progress;
  private final List<Factor> factors;
  private final Model model;
  private final double[] values;

  public LinearAnswer(Frame frame, Inquiry inquiry, String measured, Progress progress) {
    this.frame = frame;
    this.inquiry = inquiry;
    this.measured = measured;
    this.progress = progress;
    List<String> numbers = new ArrayList<>(inquiry.covariates());
    numbers.add(measured);
    List<String> names = new ArrayList<>(inquiry.blocks());
    names.addAll(inquiry.treatments());
    List<String> needed = new ArrayList<>(names);
    if (inquiry.unit() != null) {
      needed.add(inquiry.unit());
    }
    parts = new Parts(frame, numbers, needed);
    factors = parts.factors(names);
    model = AskedModel.of(inquiry, parts, factors);
    values = inquiry.unit() == null ? parts.values(measured) : averaged();
  }

  /** Several readings of a unit count as one: their mean, in the unit's first row. */
  private double[] averaged() {
    double[] readings = parts.values(measured);
    double[] means = new double[readings.length];
    Arrays.fill(means, Double.NaN);
    Map<List<Integer>, List<Integer>> rows = new LinkedHashMap<>();
    for (int row = 0; row < readings.length; row++) {
      if (parts.isUsed(row)) {
        List<Integer> key = new ArrayList<>();
        key.add(parts.factor(inquiry.unit()).codes()[row]);
        for (Factor factor : factors) {
          key.add(factor.codes()[row]);
        }
        rows.computeIfAbsent(key, k -> new ArrayList<>()).add(row);
      }
    }
    for (List<Integer> own : rows.values()) {
      double sum = 0;
      for (int row : own) {
        sum += readings[row] - readings[own.get(0)];
      }
      means[own.get(0)] = readings[own.get(0)] + sum / own.size();
    }
    return means;
  }

  /** Whether there is one treatment and nothing else. */
  private boolean isOneWay() {
    return inquiry.treatments().size() == 1
        && inquiry.blocks().isEmpty()
        && inquiry.covariates().isEmpty();
  }

  public Analysis analysis() {
    for (Factor factor : factors) {
      if (factor.size() < 2) {
        throw Refused.at(
            new Place.WholeColumn("inquiry", factor.name()),
            "all values of " + measured + " have one level of it, " + factor.levels().get(0),
            "Choose a column with two levels or more");
      }
    }
    return inquiry.method() == Inquiry.Method.UNEQUAL_SPREAD ? unequal() : leastSquares();
  }

  private Analysis leastSquares() {
    Fit fit = Fit.of(model, List.of(values));
    progress.check();
    Stratum layer = new Stratum("error", fit, 0, 1);
    AnovaTable table = AnovaTable.of(layer, inquiry.squares(), inquiry.alpha());
    Strata strata = new Strata(List.of(layer));
    Questions questions =
        new Questions(inquiry, strata, factors, inquiry.covariates(), table, progress);
    List<ComparisonResult> comparisons = questions.comparisons();
    List<TestResult> tests = new ArrayList<>();
    GroupMoments moments = isOneWay() ? moments(values) : null;
    if (moments != null && moments.groups() == 2) {
      tests.add(tTest(TTest.Form.POOLED, moments));
    }
    tests.add(
        new TestResult.AnovaResult(
            table,
            moments == null ? null : OneWay.fit(moments, inquiry.alpha()),
            Slopes.of(strata, inquiry.alpha()),
            efficiency(table),
            null,
            Coefficient.of(layer, inquiry.alpha())));
    Analysis answered =
        new Analysis(
            tests,
            checks(layer, table, values),
            questions.meansOf(model.terms()),
            comparisons,
            questions.contrasts(),
            moments == null ? null : transformation(values));
    if (parts.rows() > GroupChecks.MOST_VALUES) {
      return answered;
    }
    Residuals residuals = Residuals.of(fit, values);
    return answered.with(groupChecks(residuals), residuals);
  }

  /** Checks of the groups of a one-way layout, else of what the model leaves. */
  private List<GroupCheck> groupChecks(Residuals residuals) {
    List<GroupCheck> checks = new ArrayList<>();
    if (isOneWay() && factors.get(0).size() <= MOST_CHECKED) {
      Factor factor = factors.get(0);
      checks.addAll(
          GroupChecks.ofGroups(
              factor.levels().stream().map(level -> Map.of(factor.name(), level)).toList(),
              groups(values),
              residuals,
              inquiry.alpha()));
    } else {
      double within = residuals.alikeWithin();
      checks.addAll(GroupChecks.ofOne("residuals", residuals.residuals(), within, false));
      checks.addAll(GroupChecks.spreadOfResiduals(cells(residuals), within, inquiry.alpha()));
    }
    checks.add(GroupChecks.farthest(residuals, frame));
    return checks;
  }

  /** Checks of more groups than this would be a list that nobody reads. */
  private static final int MOST_CHECKED = 60;

  /** Residuals by combination of treatments; none if those are too many. */
  private double[][] cells(Residuals residuals) {
    List<Factor> treatments = parts.factors(inquiry.treatments());
    Map<List<Integer>, List<Double>> cells = new TreeMap<>(LinearAnswer::inLevelOrder);
    for (int i = 0; i < residuals.rows().length; i++) {
      int row = residuals.rows()[i];
      List<Integer> key = treatments.stream().map(f -> f.codes()[row]).toList();
      cells.computeIfAbsent(key, k -> new ArrayList<>()).add(residuals.residuals()[i]);
    }
    return cells.size() > MOST_CHECKED
        ? new double[0][]
        : cells.values().stream()
            .map(list -> list.stream().mapToDouble(x -> x).toArray())
            .toArray(double[][]::new);
  }

  private static int inLevelOrder(List<Integer> one, List<Integer> other) {
    for (int i = 0; i < one.size(); i++) {
      if (!one.get(i).equals(other.get(i))) {
        return Integer.compare(one.get(i), other.get(i));
      }
    }
    return 0;
  }

  private double[][] groups(double[] of) {
    int[] codes = factors.get(0).codes();
    double[][] groups = new double[factors.get(0).size()][];
    for (int g = 0; g < groups.length; g++) {
      int level = g;
      groups[g] =
          java.util.stream.IntStream.range(0, of.length)
              .filter(row -> codes[row] == level && !Double.isNaN(of[row]))
              .mapToDouble(row -> of[row])
              .toArray();
    }
    return groups;
  }

  private GroupMoments moments(double[] values) {
    return GroupMoments.of(values, factors.get(0).codes(), factors.get(0).size());
  }

  private TestResult.TTestResult tTest(TTest.Form form, GroupMoments moments) {
    TTest test =
        TTest.ofTwo(
            form, sample(moments, 0), sample(moments, 1), inquiry.direction(), inquiry.alpha());
    Factor factor = factors.get(0);
    Map<String, Quantity> more = Map.of("pooledSd", test.standardDeviation());
    return new TestResult.TTestResult(
        test,
        inquiry.direction(),
        Map.of(factor.name(), factor.levels().get(0)),
        Map.of(factor.name(), factor.levels().get(1)),
        null,
        more,
        Significance.reached(test.test().p(), inquiry.alpha()));
  }

  private static TTest.Sample sample(GroupMoments moments, int g) {
    return new TTest.Sample(moments.count(g), moments.deviation(g), moments.sumOfSquares(g));
  }

  private PowerTransformation transformation(double[] values) {
    double[][] groups = groups(values);
    boolean few = Arrays.stream(groups).mapToInt(g -> g.length).sum() <= GroupChecks.MOST_VALUES;
    return few ? PowerTransformation.of(groups, inquiry.alpha()) : null;
  }

  private Analysis unequal() {
    if (!isOneWay()) {
      throw Refused.at(
          new Place.Key("inquiry", List.of("method")),
          "unequal spread is answered for one treatment without blocks or covariates",
          "Use least squares, or one treatment");
    }
    GroupMoments moments = moments(values);
    Factor factor = factors.get(0);
    List<TestResult> tests = new ArrayList<>();
    if (moments.groups() == 2) {
      tests.add(tTest(TTest.Form.WELCH, moments));
    }
    tests.add(
        new TestResult.UnequalResult(
            "welch-anova", factor.name(), UnequalSpread.welch(moments, inquiry.alpha())));
    tests.add(
        new TestResult.UnequalResult(
            "brown-forsythe-anova",
            factor.name(),
            UnequalSpread.brownForsythe(moments, inquiry.alpha())));
    UnequalMeans means = new UnequalMeans(inquiry, factor, moments, progress);
    List<ComparisonResult> comparisons = means.comparisons();
    return new Analysis(tests, List.of(), List.of(means.result()), comparisons, List.of(), null);
  }

  /** Rows of a cell of blocks and treatments, if they are the same everywhere; else 0. */
  private long equalCells() {
    Map<List<Integer>, Long> cells = new LinkedHashMap<>();
    long combinations = 1;
    for (Factor factor : factors) {
      combinations *= factor.size();
    }
    for (int row = 0; row < factors.get(0).codes().length; row++) {
      if (parts.isUsed(row)) {
        List<Integer> key = new ArrayList<>();
        for (Factor factor : factors) {
          key.add(factor.codes()[row]);
        }
        cells.merge(key, 1L, Long::sum);
      }
    }
    boolean full = cells.size() == combinations && cells.values().stream().distinct().count() == 1;
    return full ? cells.values().iterator().next() : 0;
  }

  private RelativeEfficiency efficiency(AnovaTable table) {
    if (inquiry.blocks().isEmpty() || !inquiry.covariates().isEmpty()) {
      return null;
    }
    double errorMs = table.rows().get(table.rows().size() - 1).error().errorMs().value();
    AnovaTable.Row first = table.row(Term.of(inquiry.blocks().get(0)));
    if (!(errorMs > 0) || first == null || first.effect() == null) {
      return null;
    }
    Factor block = factors.get(0);
    if (inquiry.blocks().size() == 1 && equalCells() == 1) {
      int combinations = parts.rows() / block.size();
      return RelativeEfficiency.ofBlocks(block.size(), combinations, first.effect().ms(), errorMs);
    }
    AnovaTable.Row second =
        inquiry.blocks().size() == 2 ? table.row(Term.of(inquiry.blocks().get(1))) : null;
    boolean square =
        second != null
            && second.effect() != null
            && inquiry.treatments().size() == 1
            && factors.stream().allMatch(f -> f.size() == block.size())
            && parts.rows() == block.size() * block.size();
    return square
        ? RelativeEfficiency.ofSquare(
            block.size(), first.effect().ms(), second.effect().ms(), errorMs)
        : null;
  }

  private List<CheckResult> checks(Stratum layer, AnovaTable table, double[] values) {
    List<CheckResult> checks = new ArrayList<>();
    if (inquiry.blocks().size() == 1 && inquiry.covariates().isEmpty() && equalCells() > 0) {
      Additivity.Result result = Additivity.of(layer, values);
      checks.add(
          Checks.of(
              "additivity",
              "one-df-non-additivity",
              "",
              result.test(),
              Map.of("remainderSs", Quantity.of(result.remainderSs())),
              "Blocks and treatments add up.",
              "Blocks and treatments do not add up: try another scale."));
    }
    for (String covariate : inquiry.covariates()) {
      progress.check();
      checks.add(parallelSlopes(covariate, values));
      if (parts.rows() <= GroupChecks.MOST_VALUES) {
        checks.add(straightness(covariate, values));
      }
    }
    for (Inquiry.Compare c : inquiry.compare()) {
      if (c.trend() > 0 && c.of().size() == 1) {
        checks.add(remainder(c, layer, values));
      }
    }
    return checks;
  }

  private CheckResult parallelSlopes(String covariate, double[] values) {
    List<Term> parallel =
        model.terms().stream()
            .filter(t -> t.names().size() == 1 || !t.names().contains(covariate))
            .toList();
    List<Term> more = new ArrayList<>(parallel);
    for (Term term : parallel) {
      if (inquiry.treatments().containsAll(term.names())) {
        more.add(term.times(Term.of(covariate)));
      }
    }
    Fit base = Fit.of(model.with(parallel), List.of(values));
    Fit own = Fit.of(model.with(more), List.of(values));
    SumTest test =
        SumTest.of(
            own.rank() - base.rank(),
            Math.max(0, base.error().of(0) - own.error().of(0)),
            own.error().df(),
            own.error().of(0),
            "the slopes cannot be told apart from the groups");
    return Checks.of(
        "slopes",
        "parallel-slopes",
        covariate,
        test,
        Map.of(),
        "The slopes on " + covariate + " are alike in all groups.",
        "The slopes on "
            + covariate
            + " differ between groups: adjusted means depend on where they"
            + " are taken.");
  }

  /** Whether the square of a covariate adds to the model. */
  private CheckResult straightness(String covariate, double[] values) {
    Covariate own =
        model.covariates().stream()
            .filter(c -> c.name().equals(covariate))
            .findFirst()
            .orElseThrow();
    double[] x = own.values();
    double mean = Arrays.stream(x).filter(v -> !Double.isNaN(v)).average().orElse(0);
    // About the mean and scaled, so that the square is as independent of the line as can be.
    double scale =
        Math.max(
            Double.MIN_NORMAL,
            Arrays.stream(x)
                .filter(v -> !Double.isNaN(v))
                .map(v -> Math.abs(v - mean))
                .max()
                .orElse(1));
    double[] squares =
        Arrays.stream(x).map(v -> (v - mean) / scale * ((v - mean) / scale)).toArray();
    Fit base = Fit.of(model, List.of(values));
    Fit bent = Fit.of(model.with(new Covariate(covariate + " squared", squares)), List.of(values));
    SumTest test =
        SumTest.of(
            bent.rank() - base.rank(),
            Math.max(0, base.error().of(0) - bent.error().of(0)),
            bent.error().df(),
            bent.error().of(0),
            "the covariate has too few values for a bend");
    return Checks.of(
        "straightness",
        "added-square",
        covariate,
        test,
        Map.of(),
        "A straight line on " + covariate + " is enough.",
        "The line on "
            + covariate
            + " is bent: try another scale of it, or a second covariate, its"
            + " square.");
  }

  /** What trends leave of a treatment's differences. */
  private CheckResult remainder(Inquiry.Compare c, Stratum layer, double[] values) {
    String name = c.of().get(0);
    Factor factor = parts.factor(name);
    double[] levels = Questions.levelsAsNumbers(factor);
    int degree = Math.min(c.trend(), levels.length - 1);
    double[][] weights = Trend.weights(levels, degree);
    List<Term> others = model.terms().stream().filter(t -> !t.names().contains(name)).toList();
    List<Covariate> covariates = new ArrayList<>(model.covariates());
    List<Term> withTrends = new ArrayList<>(others);
    for (int d = 0; d < degree; d++) {
      double[] column = new double[values.length];
      for (int row = 0; row < column.length; row++) {
        column[row] = parts.isUsed(row) ? weights[d][factor.codes()[row]] : Double.NaN;
      }
      covariates.add(new Covariate("trend " + (d + 1), column));
      withTrends.add(Term.of("trend " + (d + 1)));
    }
    List<Term> withFactor = new ArrayList<>(others);
    withFactor.add(Term.of(name));
    Fit trends = Fit.of(new Model(factors, covariates, withTrends, true), List.of(values));
    Fit main = Fit.of(model.with(withFactor), List.of(values));
    int df = main.rank() - trends.rank();
    SumTest test =
        SumTest.of(
            df,
            df == 0 ? 0 : Math.max(0, trends.error().of(0) - main.error().of(0)),
            layer.errorDf(),
            layer.errorSs(),
            "the trends take up every degree of freedom");
    return Checks.of(
        "trend-remainder",
        "lack-of-fit",
        "",
        test,
        Map.of(),
        "The trends describe the differences between the levels of " + name + ".",
        "The trends leave differences between the levels of "
            + name
            + " that they do not describe.");
  }
}
