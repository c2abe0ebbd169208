package app.knuckle.study.answers.layers;

import app.knuckle.stats.Progress;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.anova.AnovaTable;
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
import app.knuckle.study.stages.Stages;
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
  private final Fitted fitted;
  private final Parts parts;
  private final Progress progress;
  private final boolean repeated;
  private final List<String> between;
  private final List<String> within;
  private final Stages stages;

  public TwoLayerAnswer(
      Frame frame, Inquiry inquiry, String measured, Progress progress, Stages stages) {
    this.frame = frame;
    this.inquiry = inquiry;
    this.measured = measured;
    this.progress = progress;
    this.stages = stages;
    repeated = inquiry.wholePlots().isEmpty();
    within =
        inquiry.treatments().stream()
            .filter(
                t -> repeated ? inquiry.occasions().contains(t) : !inquiry.wholePlots().contains(t))
            .toList();
    between = inquiry.treatments().stream().filter(t -> !within.contains(t)).toList();
    check();
    fitted =
        stages.of(
            "layers of " + measured,
            List.of(new Stages.Same(frame), inquiry.fitting(measured)),
            this::fit);
    parts = fitted.parts();
  }

  /** What does not depend on what is compared, nor on how it is judged. */
  private record Fitted(
      Parts parts,
      Factor units,
      List<Term> betweenTerms,
      List<Term> withinTerms,
      TwoLayers layers,
      List<TestResult.TermSphericity> sphericity,
      LayerChecks checks) {}

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

  private Fitted fit() {
    List<String> names = new ArrayList<>(inquiry.blocks());
    names.addAll(inquiry.treatments());
    if (inquiry.unit() != null) {
      names.add(inquiry.unit());
    }
    List<String> numbers = new ArrayList<>(inquiry.covariates());
    numbers.add(measured);
    Parts own = new Parts(frame, numbers, names);
    List<Covariate> covariates = inquiry.covariates().stream().map(own::covariate).toList();
    Factor units = units(own);
    List<Term> betweenTerms = new ArrayList<>();
    inquiry.blocks().forEach(block -> betweenTerms.add(Term.of(block)));
    inquiry.covariates().forEach(covariate -> betweenTerms.add(Term.of(covariate)));
    List<Term> withinTerms = new ArrayList<>();
    for (Term term : AskedModel.terms(inquiry, own)) {
      boolean inner = term.names().stream().anyMatch(within::contains);
      (inner ? withinTerms : betweenTerms).add(term);
    }
    TwoLayers layers =
        TwoLayers.of(
            new TwoLayers.Plan(
                units,
                own.factors(outer()),
                own.factors(within),
                betweenTerms,
                withinTerms,
                covariates,
                repeated ? "units" : "whole-plot error",
                repeated ? "error within units" : "subplot error"),
            own.values(measured));
    progress.check();
    if (layers == null) {
      throw refused(
          repeated ? "unit" : "wholePlots",
          "fewer than two " + (repeated ? "units" : "whole plots") + " are complete",
          "Each must have a value on every " + (repeated ? "occasion" : "subplot"));
    }
    return new Fitted(
        own,
        units,
        betweenTerms,
        withinTerms,
        layers,
        repeated ? sphericity(own, layers) : List.of(),
        layerChecks(own, units, withinTerms, layers, covariates));
  }

  private LayerChecks layerChecks(
      Parts own,
      Factor units,
      List<Term> withinTerms,
      TwoLayers layers,
      List<Covariate> covariates) {
    List<String> names =
        IntStream.range(0, units.size())
            .filter(u -> !layers.leftOut().contains(u))
            .mapToObj(u -> units.levels().get(u))
            .toList();
    double[] whole = LayerChecks.without(own.values(measured), units, layers.leftOut());
    List<Covariate> varying = layers.strata().layers().get(1).fit().model().covariates();
    List<Covariate> rows =
        covariates.stream()
            .filter(c -> varying.stream().anyMatch(v -> v.name().equals(c.name())))
            .toList();
    return LayerChecks.of(own, whole, List.of(units), rows, withinTerms)
        .layer(layers.strata().layers().get(0), names, layers.unitDeviations());
  }

  private List<String> outer() {
    List<String> outer = new ArrayList<>(inquiry.blocks());
    outer.addAll(between);
    return outer;
  }

  public Analysis analysis() {
    TwoLayers layers = fitted.layers();
    AnovaTable table = layers.table(inquiry.squares(), inquiry.alpha());
    List<String> all = outer();
    all.addAll(within);
    Questions questions =
        new Questions(
            inquiry,
            new Questions.Estimable(
                measured, layers.strata(), parts.factors(all), inquiry.covariates(), table),
            progress,
            stages);
    List<ComparisonResult> comparisons = questions.comparisons();
    List<Term> terms = new ArrayList<>(fitted.betweenTerms());
    terms.addAll(fitted.withinTerms());
    Analysis answered =
        new Analysis(
            List.of(
                new TestResult.AnovaResult(
                    table,
                    null,
                    Slopes.of(layers.strata(), inquiry.alpha()),
                    null,
                    beside(layers, fitted.sphericity(), fitted.units()),
                    List.of())),
            fitted.sphericity().stream().map(this::check).toList(),
            questions.meansOf(terms),
            comparisons,
            questions.contrasts(),
            null);
    return fitted.checks().on(answered, frame);
  }

  /** Who was seen repeatedly, or which plots make a whole plot. */
  private Factor units(Parts own) {
    if (inquiry.unit() != null) {
      Factor units = own.factor(inquiry.unit());
      refuseTwoGroups(own, units);
      return units;
    }
    List<Factor> outer = new ArrayList<>(own.factors(inquiry.blocks()));
    outer.addAll(own.factors(inquiry.wholePlots()));
    return Factor.combined("whole plot", outer, own::isUsed);
  }

  private void refuseTwoGroups(Parts own, Factor units) {
    for (String name : between) {
      int[] group = new int[units.size()];
      Arrays.fill(group, -1);
      int[] codes = own.factor(name).codes();
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
  private List<TestResult.TermSphericity> sphericity(Parts own, TwoLayers layers) {
    int groups = Arrays.stream(layers.groups()).max().orElse(0) + 1;
    int[] sizes = own.factors(within).stream().mapToInt(Factor::size).toArray();
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
        sd.percentOf(grand, "the grand mean is 0"));
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
