package app.knuckle.study.answers.layers;

import app.knuckle.stats.Progress;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.linear.Covariate;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.Stratum;
import app.knuckle.stats.linear.Term;
import app.knuckle.stats.strata.Sphericity;
import app.knuckle.stats.strata.TwoLayers;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.answers.asked.AskedModel;
import app.knuckle.study.answers.asked.LayeredDifferences;
import app.knuckle.study.answers.asked.Questions;
import app.knuckle.study.answers.asked.Slopes;
import app.knuckle.study.cells.Parts;
import app.knuckle.study.checks.LayerChecks;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.Analysis;
import app.knuckle.study.findings.CheckResult;
import app.knuckle.study.findings.ComparisonResult;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;

/** Answers an inquiry about split plots, or about units seen on several occasions. */
public final class TwoLayerAnswer {

  private final Frame frame;
  private final Inquiry inquiry;
  private final String measured;
  private final Parts parts;
  private final Progress progress;
  private final boolean repeated;
  private final List<String> between;
  private final List<String> within;
  private final List<Covariate> covariates;

  public TwoLayerAnswer(Frame frame, Inquiry inquiry, String measured, Progress progress) {
    this.frame = frame;
    this.inquiry = inquiry;
    this.measured = measured;
    this.progress = progress;
    repeated = inquiry.wholePlots().isEmpty();
    within =
        inquiry.treatments().stream()
            .filter(
                t -> repeated ? inquiry.occasions().contains(t) : !inquiry.wholePlots().contains(t))
            .toList();
    between = inquiry.treatments().stream().filter(t -> !within.contains(t)).toList();
    check();
    List<String> names = new ArrayList<>(inquiry.blocks());
    names.addAll(inquiry.treatments());
    if (inquiry.unit() != null) {
      names.add(inquiry.unit());
    }
    List<String> numbers = new ArrayList<>(inquiry.covariates());
    numbers.add(measured);
    parts = new Parts(frame, numbers, names);
    covariates = inquiry.covariates().stream().map(parts::covariate).toList();
  }

  private void check() {
    boolean sloped =
        AskedModel.listed(inquiry).stream()
            .anyMatch(t -> t.names().stream().anyMatch(inquiry.covariates()::contains));
    if (sloped) {
      throw refused(
          "terms",
          "groups with slopes of their own are not answered with two layers of error",
          "Leave the covariate out of the terms; each layer then has one slope on it");
    }
    if (within.isEmpty()) {
      throw refused(
          repeated ? "occasions" : "wholePlots",
          repeated
              ? "no treatment varies within a unit"
              : "every treatment is on whole plots, so there are no subplots",
          repeated ? "Name the occasions" : "Leave the whole plots out");
    }
    if (repeated && inquiry.unit() == null) {
      throw refused("unit", "nothing says who was seen on several occasions", "Name the unit");
    }
    if (!repeated && inquiry.blocks().isEmpty() && inquiry.unit() == null) {
      throw refused(
          "wholePlots",
          "without blocks nothing says which plots make a whole plot",
          "Name the blocks, or the whole plot as the unit");
    }
  }

  private static Refused refused(String key, String what, String wayOn) {
    return Refused.at(new Place.Key("inquiry", List.of(key)), what, wayOn);
  }

  Parts parts() {
    return parts;
  }

  public Analysis analysis() {
    Factor units = units();
    List<String> outer = new ArrayList<>(inquiry.blocks());
    outer.addAll(between);
    List<Term> betweenTerms = new ArrayList<>();
    inquiry.blocks().forEach(block -> betweenTerms.add(Term.of(block)));
    inquiry.covariates().forEach(covariate -> betweenTerms.add(Term.of(covariate)));
    List<Term> withinTerms = new ArrayList<>();
    for (Term term : AskedModel.terms(inquiry, parts)) {
      boolean inner = term.names().stream().anyMatch(within::contains);
      (inner ? withinTerms : betweenTerms).add(term);
    }
    TwoLayers layers =
        TwoLayers.of(
            new TwoLayers.Plan(
                units,
                parts.factors(outer),
                parts.factors(within),
                betweenTerms,
                withinTerms,
                covariates,
                repeated ? "units" : "whole-plot error",
                repeated ? "error within units" : "subplot error"),
            parts.values(measured),
            inquiry.squares(),
            inquiry.alpha());
    progress.check();
    if (layers == null) {
      throw refused(
          repeated ? "unit" : "wholePlots",
          "fewer than two " + (repeated ? "units" : "whole plots") + " are complete",
          "Each must have a value on every " + (repeated ? "occasion" : "subplot"));
    }
    List<String> all = new ArrayList<>(outer);
    all.addAll(within);
    Questions questions =
        new Questions(
            inquiry,
            layers.strata(),
            parts.factors(all),
            inquiry.covariates(),
            layers.table(),
            progress);
    List<ComparisonResult> comparisons = questions.comparisons();
    List<TestResult.TermSphericity> sphericity = repeated ? sphericity(layers) : List.of();
    List<CheckResult> checks = sphericity.stream().map(this::check).toList();
    List<Term> terms = new ArrayList<>(betweenTerms);
    terms.addAll(withinTerms);
    Analysis answered =
        new Analysis(
            List.of(
                new TestResult.AnovaResult(
                    layers.table(),
                    null,
                    Slopes.of(layers.strata(), inquiry.alpha()),
                    null,
                    beside(layers, sphericity, units),
                    List.of())),
            checks,
            questions.meansOf(terms),
            comparisons,
            questions.contrasts(),
            null);
    List<String> names =
        IntStream.range(0, units.size())
            .filter(u -> !layers.leftOut().contains(u))
            .mapToObj(u -> units.levels().get(u))
            .toList();
    double[] whole = LayerChecks.without(parts.values(measured), units, layers.leftOut());
    List<Covariate> varying = layers.strata().layers().get(1).fit().model().covariates();
    List<Covariate> rows =
        covariates.stream()
            .filter(c -> varying.stream().anyMatch(v -> v.name().equals(c.name())))
            .toList();
    return LayerChecks.of(parts, whole, List.of(units), rows, withinTerms)
        .layer(layers.strata().layers().get(0), names, layers.unitDeviations())
        .on(answered, frame);
  }

  /** Who was seen repeatedly, or which plots make a whole plot. */
  private Factor units() {
    if (inquiry.unit() != null) {
      Factor units = parts.factor(inquiry.unit());
      refuseTwoGroups(units);
      return units;
    }
    List<Factor> outer = new ArrayList<>(parts.factors(inquiry.blocks()));
    outer.addAll(parts.factors(inquiry.wholePlots()));
    return Factor.combined("whole plot", outer, parts::isUsed);
  }

  private void refuseTwoGroups(Factor units) {
    for (String name : between) {
      int[] group = new int[units.size()];
      Arrays.fill(group, -1);
      int[] codes = parts.factor(name).codes();
      for (int row = 0; row < codes.length; row++) {
        int unit = units.codes()[row];
        if (unit < 0) {
          continue;
        }
        if (group[unit] >= 0 && group[unit] != codes[row]) {
          throw refused(
              "unit",
              "the unit " + units.levels().get(unit) + " stands in two groups of " + name,
              "Name " + name + " among the occasions, or give each unit a name of its own");
        }
        group[unit] = codes[row];
      }
    }
  }

  /** Of every combination of occasion factors. */
  private List<TestResult.TermSphericity> sphericity(TwoLayers layers) {
    int groups = Arrays.stream(layers.groups()).max().orElse(0) + 1;
    int[] sizes = parts.factors(within).stream().mapToInt(Factor::size).toArray();
    List<TestResult.TermSphericity> all = new ArrayList<>();
    for (Term term : Term.combinations(within, within.size())) {
      boolean[] inTerm = new boolean[sizes.length];
      for (int f = 0; f < sizes.length; f++) {
        inTerm[f] = term.names().contains(within.get(f));
      }
      all.add(
          new TestResult.TermSphericity(
              term.names(),
              Sphericity.ofTerm(layers.values(), sizes, inTerm, layers.groups(), groups)));
    }
    return all;
  }

  private CheckResult check(TestResult.TermSphericity term) {
    Sphericity s = term.test();
    String of = within.size() == 1 ? "" : " of " + Numerals.list(term.of());
    Map<String, Quantity> more = new LinkedHashMap<>();
    more.put("chiSquared", s.chiSquared());
    CheckResult.Judgement judgement = CheckResult.Judgement.of(s.p());
    return new CheckResult(
        "sphericity",
        "mauchly",
        "",
        List.of(),
        s.w(),
        List.of((double) s.df()),
        s.p(),
        more,
        Map.of(),
        judgement,
        judgement == CheckResult.Judgement.CANNOT_TELL
            ? "This cannot be checked: " + s.p().why() + "."
            : judgement == CheckResult.Judgement.SOUND
                ? "Differences between occasions" + of + " spread alike."
                : "Differences between occasions"
                    + of
                    + " do not spread alike: read the corrected p.");
  }

  private TestResult.Layers beside(
      TwoLayers layers, List<TestResult.TermSphericity> sphericity, Factor units) {
    Stratum outer = layers.strata().layers().get(0);
    Quantity sd = outer.errorMs().map(Math::sqrt);
    double grand = layers.grandMean();
    return new TestResult.Layers(
        repeated,
        layers.values().length,
        layers.leftOut().stream().map(u -> units.levels().get(u)).toList(),
        sphericity,
        repeated ? List.of() : differences(layers),
        sd,
        grand == 0
            ? Quantity.absent("the grand mean is 0")
            : sd.map(s -> 100 * s / Math.abs(grand)));
  }

  /** Of one treatment on whole plots and one on subplots; the blocks stand before them. */
  private List<TestResult.Difference> differences(TwoLayers layers) {
    if (between.size() != 1 || within.size() != 1) {
      return List.of();
    }
    int blocks = inquiry.blocks().size();
    return LayeredDifferences.of(
        layers.strata(),
        blocks + 2,
        treatment(between, blocks, 0),
        treatment(within, blocks + 1, 1),
        inquiry.alpha());
  }

  private LayeredDifferences.Treatment treatment(List<String> one, int at, int layer) {
    return new LayeredDifferences.Treatment(one.get(0), at, parts.factor(one.get(0)).size(), layer);
  }
}
