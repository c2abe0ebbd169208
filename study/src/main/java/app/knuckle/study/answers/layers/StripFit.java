package app.knuckle.study.answers.layers;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.anova.AnovaTable;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.Strata;
import app.knuckle.stats.linear.Term;
import app.knuckle.stats.strata.Strips;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.answers.asked.AskedModel;
import app.knuckle.study.answers.asked.LayeredDifferences;
import app.knuckle.study.cells.Parts;
import app.knuckle.study.checks.LayerChecks;
import app.knuckle.study.design.Analysis;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.CheckResult;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;

/** A split-block layout: treatments in strips across those of others. */
final class StripFit implements LayeredFit {

  private final Inquiry inquiry;
  private final String measured;
  private final Parts parts;
  private final List<String> first;
  private final List<String> second;
  private final Factor block;
  private final List<Term> terms;
  private final Strips strips;
  private final LayerChecks left;

  /**
   * Fits a response.
   *
   * @param frame the records
   * @param inquiry as {@link Inquiry#fitting} gives it
   * @param measured the response
   * @throws Refused if the design is none of strips, or too few blocks are whole
   */
  StripFit(Frame frame, Inquiry inquiry, String measured) {
    this.inquiry = inquiry;
    this.measured = measured;
    first = inquiry.treatments().stream().filter(inquiry.strips()::contains).toList();
    second = inquiry.treatments().stream().filter(t -> !first.contains(t)).toList();
    check();
    List<String> names = new ArrayList<>(inquiry.blocks());
    names.addAll(inquiry.treatments());
    parts = new Parts(frame, List.of(measured), names);
    terms = AskedModel.terms(inquiry, parts);
    block = parts.factor(inquiry.blocks().get(0));
    strips =
        Strips.of(
            new Strips.Plan(
                block,
                parts.factors(first),
                parts.factors(second),
                terms,
                List.of(
                    say("source.error.strips", Numerals.list(first)),
                    say("source.error.strips", Numerals.list(second)),
                    say("source.error.crossings"))),
            parts.values(measured));
    if (strips == null) {
      throw refused(say("refused.fewer-than-two-blocks"), say("way.each-must-have-value"));
    }
    left = makeLeft();
  }

  private void check() {
    if (second.isEmpty()) {
      throw refused(say("refused.every-treatment-strips-none"), say("way.name-fewer-them"));
    }
    if (inquiry.blocks().size() != 1) {
      throw refused(say("refused.strips-lie-blocks-one"), say("way.name-column-blocks"));
    }
    boolean more =
        !inquiry.covariates().isEmpty()
            || !inquiry.wholePlots().isEmpty()
            || inquiry.unit() != null
            || inquiry.pairs() != null;
    if (more || inquiry.analysis() != Analysis.LEAST_SQUARES) {
      throw refused(say("refused.strips-answered-by-least"), say("way.leave-these-out"));
    }
  }

  private static Refused refused(String what, String wayOn) {
    return Refused.at(new Place.Key("inquiry", List.of("strips")), what, wayOn);
  }

  @Override
  public Strata strata() {
    return strips.strata();
  }

  @Override
  public AnovaTable table(double alpha) {
    return strips.table(inquiry.squares(), alpha);
  }

  @Override
  public List<Factor> factors() {
    List<String> all = new ArrayList<>(inquiry.blocks());
    all.addAll(first);
    all.addAll(second);
    return parts.factors(all);
  }

  @Override
  public List<Term> terms() {
    List<Term> all = new ArrayList<>(List.of(Term.of(block.name())));
    all.addAll(terms);
    return all;
  }

  @Override
  public List<CheckResult> checks() {
    return List.of();
  }

  @Override
  public LayerChecks left() {
    return left;
  }

  private LayerChecks makeLeft() {
    List<Factor> lanes =
        List.of(lanes(say("source.strip"), first), lanes(say("source.strip.across"), second));
    List<Term> crossing =
        terms.stream()
            .filter(t -> t.names().stream().anyMatch(first::contains))
            .filter(t -> t.names().stream().anyMatch(second::contains))
            .toList();
    double[] whole = LayerChecks.without(parts.values(measured), block, strips.leftOut());
    return LayerChecks.of(parts, whole, lanes, List.of(), crossing)
        .layer(strips.strata().layers().get(1), names(first), strips.deviations().get(0))
        .layer(strips.strata().layers().get(2), names(second), strips.deviations().get(1));
  }

  /** Names of strips as they are laid out: block after block, the last treatment changing first. */
  private List<String> names(List<String> treatments) {
    List<String> names =
        IntStream.range(0, block.size())
            .filter(b -> !strips.leftOut().contains(b))
            .mapToObj(b -> block.levels().get(b))
            .toList();
    for (Factor factor : parts.factors(treatments)) {
      names =
          names.stream()
              .flatMap(name -> factor.levels().stream().map(level -> name + ", " + level))
              .toList();
    }
    return names;
  }

  /** Strips of some treatments in each block. */
  private Factor lanes(String name, List<String> treatments) {
    List<Factor> all = new ArrayList<>(List.of(block));
    all.addAll(parts.factors(treatments));
    return Factor.combined(name, all, parts::isUsed);
  }

  @Override
  public TestResult.Layers layers(double alpha) {
    Quantity sd = strips.strata().layers().get(1).errorMs().map(Math::sqrt);
    return new TestResult.Layers(
        false,
        strips.blocks(),
        LayeredFit.named(block, strips.leftOut()),
        List.of(),
        differences(alpha),
        sd,
        sd.percentOf(strips.grandMean(), Absence.GRAND_MEAN_ZERO));
  }

  /** Of one treatment in strips across one other; the block stands before them. */
  private List<TestResult.Difference> differences(double alpha) {
    if (first.size() != 1 || second.size() != 1) {
      return List.of();
    }
    return LayeredDifferences.of(
        strips.strata(),
        3,
        LayeredFit.treatment(parts.factor(first.get(0)), 1, 1),
        LayeredFit.treatment(parts.factor(second.get(0)), 2, 2),
        alpha);
  }
}
