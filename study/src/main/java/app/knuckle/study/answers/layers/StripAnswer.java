package app.knuckle.study.answers.layers;

import app.knuckle.stats.Progress;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.anova.AnovaTable;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.Term;
import app.knuckle.stats.strata.Strips;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.answers.asked.AskedModel;
import app.knuckle.study.answers.asked.LayeredDifferences;
import app.knuckle.study.answers.asked.Questions;
import app.knuckle.study.cells.Parts;
import app.knuckle.study.checks.LayerChecks;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.Analysis;
import app.knuckle.study.findings.ComparisonResult;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.stages.Stages;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;

/** Answers an inquiry about a split-block layout: treatments in strips across those of others. */
public final class StripAnswer {

  private final Frame frame;
  private final Inquiry inquiry;
  private final String measured;
  private final Progress progress;
  private final Stages stages;
  private final Fitted fitted;
  private final Parts parts;
  private final List<String> first;
  private final List<String> second;

  public StripAnswer(
      Frame frame, Inquiry inquiry, String measured, Progress progress, Stages stages) {
    this.frame = frame;
    this.inquiry = inquiry;
    this.measured = measured;
    this.progress = progress;
    this.stages = stages;
    first = inquiry.treatments().stream().filter(inquiry.strips()::contains).toList();
    second = inquiry.treatments().stream().filter(t -> !first.contains(t)).toList();
    check();
    fitted =
        stages.of(
            "strips of " + measured,
            List.of(new Stages.Same(frame), inquiry.fitting(measured)),
            this::fit);
    parts = fitted.parts();
  }

  /** What does not depend on what is compared, nor on how it is judged. */
  private record Fitted(Parts parts, List<Term> terms, Strips strips, LayerChecks checks) {}

  private Fitted fit() {
    List<String> names = new ArrayList<>(inquiry.blocks());
    names.addAll(inquiry.treatments());
    Parts own = new Parts(frame, List.of(measured), names);
    List<Term> terms = AskedModel.terms(inquiry, own);
    Factor block = own.factor(inquiry.blocks().get(0));
    Strips strips =
        Strips.of(
            new Strips.Plan(
                block,
                own.factors(first),
                own.factors(second),
                terms,
                List.of(
                    "error of " + Numerals.list(first) + " strips",
                    "error of " + Numerals.list(second) + " strips",
                    "error of crossings")),
            own.values(measured));
    progress.check();
    if (strips == null) {
      throw refused(
          "fewer than two blocks are complete", "Each must have a value where strips cross");
    }
    return new Fitted(own, terms, strips, checks(own, strips, block, terms));
  }

  private void check() {
    if (second.isEmpty()) {
      throw refused("every treatment is in strips, so none lies across", "Name fewer of them");
    }
    if (inquiry.blocks().size() != 1) {
      throw refused("strips lie in blocks of one column", "Name the column of the blocks");
    }
    boolean more =
        !inquiry.covariates().isEmpty()
            || !inquiry.wholePlots().isEmpty()
            || inquiry.unit() != null
            || inquiry.pairs() != null;
    if (more || inquiry.method() != Inquiry.Method.LEAST_SQUARES) {
      throw refused(
          "strips are answered by least squares, without covariates, whole plots, units or pairs",
          "Leave these out");
    }
  }

  private static Refused refused(String what, String wayOn) {
    return Refused.at(new Place.Key("inquiry", List.of("strips")), what, wayOn);
  }

  public Analysis analysis() {
    Strips strips = fitted.strips();
    Factor block = parts.factor(inquiry.blocks().get(0));
    AnovaTable table = strips.table(inquiry.squares(), inquiry.alpha());
    List<String> all = new ArrayList<>(inquiry.blocks());
    all.addAll(first);
    all.addAll(second);
    Questions questions =
        new Questions(
            inquiry,
            new Questions.Estimable(
                measured, strips.strata(), parts.factors(all), List.of(), table),
            progress,
            stages);
    List<ComparisonResult> comparisons = questions.comparisons();
    List<Term> asked = new ArrayList<>(List.of(Term.of(block.name())));
    asked.addAll(fitted.terms());
    Analysis answered =
        new Analysis(
            List.of(
                new TestResult.AnovaResult(
                    table, null, List.of(), null, beside(strips, block), List.of())),
            List.of(),
            questions.meansOf(asked),
            comparisons,
            questions.contrasts(),
            null);
    return fitted.checks().on(answered, frame);
  }

  private LayerChecks checks(Parts own, Strips strips, Factor block, List<Term> terms) {
    List<Factor> lanes =
        List.of(lanes(own, "strip", block, first), lanes(own, "strip across", block, second));
    List<Term> crossing =
        terms.stream()
            .filter(t -> t.names().stream().anyMatch(first::contains))
            .filter(t -> t.names().stream().anyMatch(second::contains))
            .toList();
    double[] whole = LayerChecks.without(own.values(measured), block, strips.leftOut());
    return LayerChecks.of(own, whole, lanes, List.of(), crossing)
        .layer(
            strips.strata().layers().get(1),
            names(own, strips, block, first),
            strips.deviations().get(0))
        .layer(
            strips.strata().layers().get(2),
            names(own, strips, block, second),
            strips.deviations().get(1));
  }

  /** Names of strips as they are laid out: block after block, the last treatment changing first. */
  private List<String> names(Parts own, Strips strips, Factor block, List<String> treatments) {
    List<String> names =
        IntStream.range(0, block.size())
            .filter(b -> !strips.leftOut().contains(b))
            .mapToObj(b -> block.levels().get(b))
            .toList();
    for (Factor factor : own.factors(treatments)) {
      names =
          names.stream()
              .flatMap(name -> factor.levels().stream().map(level -> name + ", " + level))
              .toList();
    }
    return names;
  }

  /** Strips of some treatments in each block. */
  private Factor lanes(Parts own, String name, Factor block, List<String> treatments) {
    List<Factor> all = new ArrayList<>(List.of(block));
    all.addAll(own.factors(treatments));
    return Factor.combined(name, all, own::isUsed);
  }

  private TestResult.Layers beside(Strips strips, Factor block) {
    Quantity sd = strips.strata().layers().get(1).errorMs().map(Math::sqrt);
    double grand = strips.grandMean();
    return new TestResult.Layers(
        false,
        strips.blocks(),
        strips.leftOut().stream().map(b -> block.levels().get(b)).toList(),
        List.of(),
        differences(strips),
        sd,
        sd.percentOf(grand, "the grand mean is 0"));
  }

  /** Of one treatment in strips across one other; the block stands before them. */
  private List<TestResult.Difference> differences(Strips strips) {
    if (first.size() != 1 || second.size() != 1) {
      return List.of();
    }
    return LayeredDifferences.of(
        strips.strata(), 3, treatment(first, 1, 1), treatment(second, 2, 2), inquiry.alpha());
  }

  private LayeredDifferences.Treatment treatment(List<String> one, int at, int layer) {
    return new LayeredDifferences.Treatment(one.get(0), at, parts.factor(one.get(0)).size(), layer);
  }
}
