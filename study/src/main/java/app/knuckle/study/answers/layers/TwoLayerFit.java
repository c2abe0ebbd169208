package app.knuckle.study.answers.layers;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.anova.AnovaTable;
import app.knuckle.stats.linear.Covariate;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.Strata;
import app.knuckle.stats.linear.Term;
import app.knuckle.stats.strata.Sphericity;
import app.knuckle.stats.strata.TwoLayers;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.answers.asked.AskedModel;
import app.knuckle.study.answers.asked.LayeredDifferences;
import app.knuckle.study.cells.Parts;
import app.knuckle.study.checks.LayerChecks;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.CheckResult;
import app.knuckle.study.findings.CheckTest;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Phrases;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;

/** Split plots, or units seen on several occasions. */
final class TwoLayerFit implements LayeredFit {

  private final Inquiry inquiry;
  private final String measured;
  private final Parts parts;
  private final boolean repeated;
  private final List<String> between;
  private final List<String> within;
  private final Factor units;
  private final List<Term> betweenTerms = new ArrayList<>();
  private final List<Term> withinTerms = new ArrayList<>();
  private final TwoLayers layers;
  private final List<TestResult.TermSphericity> sphericity;
  private final LayerChecks left;

  /**
   * Fits a response.
   *
   * @param frame the records
   * @param inquiry as {@link Inquiry#fitting} gives it
   * @param measured the response
   * @throws Refused if the design is not one of two layers, or too few units are whole
   */
  TwoLayerFit(Frame frame, Inquiry inquiry, String measured) {
    this.inquiry = inquiry;
    this.measured = measured;
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
    units = units();
    inquiry.blocks().forEach(block -> betweenTerms.add(Term.of(block)));
    inquiry.covariates().forEach(covariate -> betweenTerms.add(Term.of(covariate)));
    for (Term term : AskedModel.terms(inquiry, parts)) {
      boolean inner = term.names().stream().anyMatch(within::contains);
      (inner ? withinTerms : betweenTerms).add(term);
    }
    List<Covariate> covariates = inquiry.covariates().stream().map(parts::covariate).toList();
    layers =
        TwoLayers.of(
            new TwoLayers.Plan(
                units,
                parts.factors(outer()),
                parts.factors(within),
                betweenTerms,
                withinTerms,
                covariates,
                say(repeated ? "source.units" : "source.error.wholePlots"),
                say(repeated ? "source.error.within" : "source.error.subplots")),
            parts.values(measured));
    if (layers == null) {
      throw refused(
          repeated ? "unit" : "wholePlots",
          say(repeated ? "refused.fewer-than-two-units" : "refused.fewer-than-two-whole-plots"),
          say(repeated ? "way.a-value-on-every-occasion" : "way.a-value-on-every-subplot"));
    }
    sphericity = repeated ? termSphericity() : List.of();
    left = left(covariates);
  }

  private void check() {
    boolean sloped =
        AskedModel.listed(inquiry).stream()
            .anyMatch(t -> t.names().stream().anyMatch(inquiry.covariates()::contains));
    if (sloped) {
      throw refused(
          "terms", say("refused.own-slopes-in-layers"), say("way.leave-covariate-out-terms"));
    }
    if (within.isEmpty()) {
      throw refused(
          repeated ? "occasions" : "wholePlots",
          say(repeated ? "refused.no-treatment-varies-within" : "refused.every-treatment-on-whole"),
          say(repeated ? "way.name-occasions" : "way.leave-whole-plots"));
    }
    if (repeated && inquiry.unit() == null) {
      throw refused("unit", say("refused.nothing-says-who-was"), say("way.name-unit"));
    }
    if (!repeated && inquiry.blocks().isEmpty() && inquiry.unit() == null) {
      throw refused(
          "wholePlots", say("refused.no-blocks-for-whole-plots"), say("way.name-blocks-or-whole"));
    }
  }

  private static Refused refused(String key, String what, String wayOn) {
    return Refused.at(new Place.Key("inquiry", List.of(key)), what, wayOn);
  }

  private LayerChecks left(List<Covariate> covariates) {
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
        .layer(layers.strata().layers().get(0), names, layers.unitDeviations());
  }

  private List<String> outer() {
    List<String> outer = new ArrayList<>(inquiry.blocks());
    outer.addAll(between);
    return outer;
  }

  @Override
  public Strata strata() {
    return layers.strata();
  }

  @Override
  public AnovaTable table(double alpha) {
    return layers.table(inquiry.squares(), alpha);
  }

  @Override
  public List<Factor> factors() {
    List<String> all = outer();
    all.addAll(within);
    return parts.factors(all);
  }

  @Override
  public List<Term> terms() {
    List<Term> terms = new ArrayList<>(betweenTerms);
    terms.addAll(withinTerms);
    return terms;
  }

  @Override
  public List<CheckResult> checks() {
    return sphericity.stream().map(this::check).toList();
  }

  @Override
  public LayerChecks left() {
    return left;
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
    return Factor.combined(say("source.wholePlot"), outer, parts::isUsed);
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
              say("refused.unit-stands-two-groups", units.levels().get(unit), name),
              say("way.name-among-occasions-or", name));
        }
        group[unit] = codes[row];
      }
    }
  }

  /** Of every combination of occasion factors. */
  private List<TestResult.TermSphericity> termSphericity() {
    int groups = Arrays.stream(layers.groups()).max().orElse(0) + 1;
    int[] sizes = parts.factors(within).stream().mapToInt(Factor::size).toArray();
    List<TestResult.TermSphericity> all = new ArrayList<>();
    for (Term term : Term.combinations(within, within.size())) {
      boolean[] inTerm = new boolean[sizes.length];
      for (int f = 0; f < sizes.length; f++) {
        inTerm[f] = term.names().contains(within.get(f));
      }
      all.add(
          new TestResult.TermSphericity(term.names(), layers.sphericity(sizes, inTerm, groups)));
    }
    return all;
  }

  private CheckResult check(TestResult.TermSphericity term) {
    Sphericity s = term.test();
    String key = within.size() == 1 ? "check.occasions" : "check.occasions.of";
    String of = Numerals.list(term.of());
    Map<String, Quantity> more = new LinkedHashMap<>();
    more.put("chiSquared", s.chiSquared());
    CheckResult.Judgement judgement = CheckResult.Judgement.of(s.p());
    return new CheckResult(
        CheckTest.MAUCHLY,
        "",
        List.of(),
        CheckResult.Kind.MAUCHLY,
        s.w(),
        List.of((double) s.df()),
        s.p(),
        more,
        Map.of(),
        judgement,
        judgement == CheckResult.Judgement.CANNOT_TELL
            ? say("check.impossible", Phrases.why(s.p()))
            : say(key + (judgement == CheckResult.Judgement.SOUND ? ".sound" : ".odd"), of));
  }

  @Override
  public TestResult.Layers layers(double alpha) {
    Quantity sd = layers.strata().layers().get(0).errorMs().map(Math::sqrt);
    return new TestResult.Layers(
        repeated,
        layers.values().length,
        LayeredFit.named(units, layers.leftOut()),
        sphericity,
        repeated ? List.of() : differences(alpha),
        sd,
        sd.percentOf(layers.grandMean(), Absence.GRAND_MEAN_ZERO));
  }

  /** Of one treatment on whole plots and one on subplots; the blocks stand before them. */
  private List<TestResult.Difference> differences(double alpha) {
    if (between.size() != 1 || within.size() != 1) {
      return List.of();
    }
    int blocks = inquiry.blocks().size();
    return LayeredDifferences.of(
        layers.strata(),
        blocks + 2,
        LayeredFit.treatment(parts.factor(between.get(0)), blocks, 0),
        LayeredFit.treatment(parts.factor(within.get(0)), blocks + 1, 1),
        alpha);
  }
}
