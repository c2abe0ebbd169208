package app.knuckle.study.answers.mixed;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Progress;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.Model;
import app.knuckle.stats.linear.Term;
import app.knuckle.stats.mixed.MixedFit;
import app.knuckle.stats.mixed.MixedModel;
import app.knuckle.stats.mixed.MixedModel.WithinUnit;
import app.knuckle.stats.mixed.MixedResiduals;
import app.knuckle.stats.mixed.NotEstimable;
import app.knuckle.stats.mixed.RandomTerm;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.answers.asked.AskedModel;
import app.knuckle.study.cells.Parts;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.RandomPart;
import app.knuckle.study.prep.Frame;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** One response fitted with random effects: what depends neither on comparisons nor on alpha. */
final class MixedQuestion {

  private final Inquiry asked;
  private final List<Factor> factors;
  private final List<Term> terms;
  private final List<List<String>> random;
  private final MixedFit fit;

  MixedQuestion(Frame frame, Inquiry inquiry, String measured, Progress progress) {
    random = RandomPart.of(inquiry);
    asked = RandomPart.fixed(inquiry);
    List<String> fixed = new ArrayList<>(asked.blocks());
    fixed.addAll(asked.treatments());
    Set<String> needed = new LinkedHashSet<>(inquiry.blocks());
    needed.addAll(inquiry.treatments());
    random.forEach(needed::addAll);
    if (inquiry.unit() != null) {
      needed.add(inquiry.unit());
    }
    List<String> numbers = new ArrayList<>(inquiry.covariates());
    numbers.add(measured);
    Parts parts = new Parts(frame, numbers, needed);
    factors = parts.factors(fixed);
    requireLevels(measured);
    Model model = AskedModel.of(asked, parts, factors);
    terms = model.terms();
    WithinUnit within = inquiry.random().within();
    if (random.isEmpty() && within != WithinUnit.FIRST_ORDER) {
      throw Refused.at(
          new Place.Key("inquiry", List.of("random")),
          say("refused.nothing-design-random"),
          say("way.name-random-term-or"));
    }
    List<RandomTerm> drawn = random.stream().map(columns -> term(parts, columns)).toList();
    boolean alike = within == WithinUnit.EQUAL;
    try {
      fit =
          MixedFit.of(
              new MixedModel(
                  model,
                  drawn,
                  within,
                  alike ? null : term(parts, RandomPart.unit(inquiry)),
                  alike ? null : parts.factor(inquiry.occasions().get(0)),
                  inquiry.random().denominator()),
              parts.values(measured),
              progress);
    } catch (NotEstimable e) {
      throw MixedRefusals.of(e, measured);
    }
  }

  private static RandomTerm term(Parts parts, List<String> columns) {
    return RandomTerm.of(parts.factors(columns), parts::isUsed);
  }

  private void requireLevels(String measured) {
    for (Factor factor : factors) {
      if (factor.size() < 2) {
        throw Refused.at(
            new Place.WholeColumn("inquiry", factor.name()),
            say("refused.one-level-named", measured, factor.levels().get(0)),
            say("way.choose-column-with-two"));
      }
    }
  }

  /** The question about the fixed part. */
  Inquiry asked() {
    return asked;
  }

  /** Blocks and treatments of the fixed part. */
  List<Factor> factors() {
    return factors;
  }

  /** Terms of the fixed part. */
  List<Term> terms() {
    return terms;
  }

  /** Columns of the random terms. */
  List<List<String>> random() {
    return random;
  }

  MixedFit fit() {
    return fit;
  }

  /** Conditional residuals by the cells of the treatments. */
  double[][] groups(MixedResiduals left) {
    List<Factor> treatments =
        factors.stream().filter(f -> asked.treatments().contains(f.name())).toList();
    Map<List<Integer>, List<Double>> cells = new LinkedHashMap<>();
    for (int i = 0; i < left.rows().length; i++) {
      int row = left.rows()[i];
      cells
          .computeIfAbsent(
              treatments.stream().map(f -> f.codes()[row]).toList(), k -> new ArrayList<>())
          .add(left.conditional()[i]);
    }
    return cells.values().stream()
        .map(v -> v.stream().mapToDouble(x -> x).toArray())
        .toArray(double[][]::new);
  }
}
