package app.knuckle.study.answers.linear;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Progress;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.anova.Additivity;
import app.knuckle.stats.linear.Covariate;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.Fit;
import app.knuckle.stats.linear.Model;
import app.knuckle.stats.linear.Residuals;
import app.knuckle.stats.linear.Strata;
import app.knuckle.stats.linear.Stratum;
import app.knuckle.stats.linear.SumTest;
import app.knuckle.stats.linear.Term;
import app.knuckle.stats.summary.GroupMoments;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.answers.asked.AskedModel;
import app.knuckle.study.cells.Parts;
import app.knuckle.study.checks.Checks;
import app.knuckle.study.checks.GroupChecks;
import app.knuckle.study.design.Analysis;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.CheckResult;
import app.knuckle.study.findings.CheckTest;
import app.knuckle.study.findings.CheckedOn;
import app.knuckle.study.findings.GroupCheck;
import app.knuckle.study.prep.Frame;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * One response fitted with one layer of error, and what was checked of that: whatever does not
 * depend on what is compared, nor on how it is judged.
 */
final class LinearFit {

  private final Frame frame;
  private final Inquiry inquiry;
  private final String measured;
  private final Parts parts;
  private final List<Factor> factors;
  private final Model model;
  private final double[] values;
  private final long equalCells;
  private final GroupMoments moments;
  private Stratum layer;
  private Strata strata;
  private Checked checked;

  /** What the fit stands on: found when it is first asked for. */
  private record Checked(
      List<CheckResult> checks, Residuals residuals, List<GroupCheck> groupChecks) {}

  /**
   * Fits a response.
   *
   * @param frame the records
   * @param inquiry as {@link Inquiry#fitting} gives it
   * @param measured the response
   * @param progress asked on the way
   */
  LinearFit(Frame frame, Inquiry inquiry, String measured, Progress progress) {
    this.frame = frame;
    this.inquiry = inquiry;
    this.measured = measured;
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
    requireLevels();
    equalCells = countEqualCells();
    moments = isOneWay() ? moments(values) : null;
    if (inquiry.analysis() != Analysis.SEPARATE_VARIANCES) {
      layer = new Stratum("error", Fit.of(model, List.of(values)), 0, 1);
      strata = new Strata(List.of(layer));
      progress.check();
    }
  }

  private void requireLevels() {
    for (Factor factor : factors) {
      if (factor.size() < 2) {
        throw Refused.at(
            new Place.WholeColumn("inquiry", factor.name()),
            say("refused.one-level-named", measured, factor.levels().get(0)),
            say("way.choose-column-with-two"));
      }
    }
  }

  private Checked checked(Progress progress) {
    if (checked == null) {
      List<CheckResult> checks = makeChecks(progress);
      Residuals residuals =
          parts.rows() <= GroupChecks.MOST_VALUES ? Residuals.of(layer.fit(), values) : null;
      checked =
          new Checked(checks, residuals, residuals == null ? List.of() : groupChecks(residuals));
    }
    return checked;
  }

  /**
   * Whether a power of the response may be looked for: of a one-way layout that is not too large.
   */
  boolean isTransformable() {
    return moments != null && moments.total() <= GroupChecks.MOST_VALUES;
  }

  /** The question as the fit sees it. */
  Inquiry inquiry() {
    return inquiry;
  }

  Parts parts() {
    return parts;
  }

  List<Factor> factors() {
    return factors;
  }

  Model model() {
    return model;
  }

  /** The response, one value a unit; NaN where there is none. To be read only. */
  double[] values() {
    return values;
  }

  /** Of one treatment and nothing else; null for another design. */
  GroupMoments moments() {
    return moments;
  }

  /** The fitted layer; null where variances are separate. */
  Stratum layer() {
    return layer;
  }

  /** The same as the only one of its strata. */
  Strata strata() {
    return strata;
  }

  /** What the model leaves of each row; null of too many rows. */
  Residuals residuals(Progress progress) {
    return checked(progress).residuals();
  }

  /** Rows of a cell of blocks and treatments, if they are the same everywhere; else 0. */
  long equalCells() {
    return equalCells;
  }

  /** Checks of the model itself. */
  List<CheckResult> checks(Progress progress) {
    return checked(progress).checks();
  }

  /** Checks of the groups, with intervals at a level of significance. */
  List<GroupCheck> groupChecks(double alpha, Progress progress) {
    return GroupChecks.at(alpha, checked(progress).groupChecks());
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
  boolean isOneWay() {
    return inquiry.treatments().size() == 1
        && inquiry.blocks().isEmpty()
        && inquiry.covariates().isEmpty();
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
              residuals));
    } else {
      double within = residuals.alikeWithin();
      checks.addAll(
          GroupChecks.ofOne(CheckedOn.Whole.RESIDUALS, residuals.residuals(), within, false));
      checks.addAll(GroupChecks.spreadOfResiduals(cells(residuals), within));
    }
    checks.add(GroupChecks.farthest(residuals, frame));
    return checks;
  }

  /** Checks of more groups than this would be a list that nobody reads. */
  private static final int MOST_CHECKED = 60;

  /** Residuals by combination of treatments; none if those are too many. */
  private double[][] cells(Residuals residuals) {
    List<Factor> treatments = parts.factors(inquiry.treatments());
    Map<List<Integer>, List<Double>> cells = new TreeMap<>(LinearFit::inLevelOrder);
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

  double[][] groups(double[] of) {
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

  /** Rows in every cell where all cells have as many; else 0. */
  private long countEqualCells() {
    double combinations = factors.stream().mapToDouble(Factor::size).reduce(1, (a, b) -> a * b);
    if (combinations > parts.rows()) {
      return 0;
    }
    int[] cells = Factor.combinations(factors, factors.get(0).codes().length);
    int[] counts = new int[(int) combinations];
    for (int row = 0; row < cells.length; row++) {
      if (parts.isUsed(row)) {
        counts[cells[row]]++;
      }
    }
    return Arrays.stream(counts).allMatch(n -> n == counts[0]) ? counts[0] : 0;
  }

  private List<CheckResult> makeChecks(Progress progress) {
    List<CheckResult> checks = new ArrayList<>();
    if (inquiry.blocks().size() == 1 && inquiry.covariates().isEmpty() && equalCells > 0) {
      Additivity.Result result = Additivity.of(layer, values);
      checks.add(
          Checks.of(
              CheckTest.NON_ADDITIVITY,
              "",
              result.test(),
              Map.of("remainderSs", Quantity.of(result.remainderSs())),
              say("check.additive.sound"),
              say("check.additive.odd")));
    }
    for (String covariate : inquiry.covariates()) {
      progress.check();
      checks.add(parallelSlopes(covariate, values));
      if (parts.rows() <= GroupChecks.MOST_VALUES) {
        checks.add(straightness(covariate, values));
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
            Absence.SLOPES_LIKE_GROUPS);
    return Checks.of(
        CheckTest.PARALLEL_SLOPES,
        covariate,
        test,
        Map.of(),
        say("check.slopes.sound", covariate),
        say("check.slopes.odd", covariate));
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
            Absence.NO_BEND);
    return Checks.of(
        CheckTest.ADDED_SQUARE,
        covariate,
        test,
        Map.of(),
        say("check.straight.sound", covariate),
        say("check.straight.odd", covariate));
  }
}
