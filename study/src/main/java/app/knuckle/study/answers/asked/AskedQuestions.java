package app.knuckle.study.answers.asked;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Progress;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.compare.AgainstReference;
import app.knuckle.stats.compare.AllPairs;
import app.knuckle.stats.compare.Comparison;
import app.knuckle.stats.linear.Estimator;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.Term;
import app.knuckle.stats.means.Estimates;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.answers.asked.AskedMeans.Mean;
import app.knuckle.study.design.Compare;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.findings.ComparisonResult;
import app.knuckle.study.findings.ContrastResult;
import app.knuckle.study.findings.MeansResult;
import app.knuckle.study.stages.Same;
import app.knuckle.study.stages.Stages;
import app.knuckle.study.table.Nearest;
import app.knuckle.study.words.Phrases;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;

/** What an inquiry asks of means: the means themselves, and their differences. */
public final class AskedQuestions {

  private final Inquiry inquiry;
  private final Estimator estimator;
  private final AskedMeans means;
  private final Function<Term, Quantity> overall;
  private final Progress progress;
  private final List<ComparisonResult> comparisons = new ArrayList<>();

  /**
   * A response that was fitted.
   *
   * @param measured its name
   * @param estimator what was estimated
   * @param factors blocks and treatments, as the models have them
   * @param covariates by their names
   * @param overall p of the test of a term, which guards the least significant difference
   */
  public record Fitted(
      String measured,
      Estimator estimator,
      List<Factor> factors,
      List<String> covariates,
      Function<Term, Quantity> overall) {
    public Fitted {
      factors = List.copyOf(factors);
      covariates = List.copyOf(covariates);
    }
  }

  /**
   * What an inquiry asks of a fit.
   *
   * @param inquiry the question
   * @param fit what was estimated
   * @param progress asked on the way
   * @param stages of the inquiry
   */
  public AskedQuestions(Inquiry inquiry, Fitted fit, Progress progress, Stages stages) {
    this.inquiry = inquiry;
    this.progress = progress;
    estimator = fit.estimator();
    overall = fit.overall();
    means =
        new AskedMeans(
            new AskedMeans.Basis(
                fit.measured(),
                new Same<>(estimator),
                new Same<>(fit.factors()),
                fit.covariates(),
                inquiry.adjustAt()),
            stages,
            progress);
  }

  /**
   * Means of every term made of treatments alone, then those that comparisons ask beside, then
   * those of the cells of all treatments: a model without their interaction has them too.
   *
   * @param terms of the model
   * @return one a term, then one a comparison
   */
  public List<MeansResult> meansOf(List<Term> terms) {
    List<MeansResult> results = new ArrayList<>();
    Set<List<Object>> known = new HashSet<>();
    for (Term term : terms) {
      if (inquiry.treatments().containsAll(term.names())
          && known.add(List.of(Set.copyOf(term.names()), Set.of()))) {
        List<String> of = inquiry.treatments().stream().filter(term.names()::contains).toList();
        results.add(result(of, List.of()));
      }
    }
    for (Compare c : inquiry.compare()) {
      if (!c.of().isEmpty() && known.add(List.of(Set.copyOf(c.of()), Set.copyOf(c.within())))) {
        results.add(result(c.of(), c.within()));
      }
    }
    List<String> all = inquiry.treatments();
    double cells =
        all.stream().mapToDouble(name -> means.factor(name).size()).reduce(1, (a, b) -> a * b);
    if (cells <= ComparedMeans.MOST && known.add(List.of(Set.copyOf(all), Set.of()))) {
      results.add(result(all, List.of()));
    }
    return results;
  }

  private MeansResult result(List<String> of, List<String> within) {
    MeansResult bare = means.result(of, within, inquiry.alpha());
    return bare.lettered(levels -> letters(of, within, levels));
  }

  private String letters(List<String> of, List<String> within, Map<String, String> levels) {
    for (ComparisonResult c : comparisons) {
      boolean same =
          c.allPairs().isPresent()
              && Set.copyOf(c.of()).equals(Set.copyOf(of))
              && c.within().keySet().equals(Set.copyOf(within));
      int place = same ? c.labels().indexOf(only(of, levels)) : -1;
      if (place >= 0 && levels.entrySet().containsAll(c.within().entrySet())) {
        return c.allPairs().orElseThrow().letters().of(place);
      }
    }
    return null;
  }

  private static Map<String, String> only(List<String> names, Map<String, String> levels) {
    Map<String, String> own = new LinkedHashMap<>();
    names.forEach(name -> own.put(name, levels.get(name)));
    return own;
  }

  /** Those that can be compared with the reference. */
  private List<Mean> around(List<Mean> all, Compare c) {
    if (!c.toReference()) {
      return AskedMeans.estimable(all);
    }
    Map<String, String> levels = referenceLevels(c.of());
    if (all.stream()
        .anyMatch(
            m -> only(c.of(), m.levels()).equals(levels) && estimator.isSeparated(m.codes()))) {
      return List.of();
    }
    return all.stream()
        .filter(m -> only(c.of(), m.levels()).equals(levels) && m.estimable() != null)
        .findFirst()
        .map(
            reference ->
                all.stream()
                    .filter(
                        m ->
                            m.estimable() != null
                                && m.estimable().isComparable(reference.estimable()))
                    .toList())
        .orElse(AskedMeans.estimable(all));
  }

  /**
   * Every comparison of means that the inquiry asks.
   *
   * @return one a family, in order; too many means are left out
   * @throws Refused if a procedure or a reference does not fit
   */
  public List<ComparisonResult> comparisons() {
    for (Compare c : inquiry.compare()) {
      if (!c.isContrast() && !c.of().isEmpty()) {
        for (Map<String, String> family : means.families(c.within())) {
          progress.check();
          compare(c, family);
        }
      }
    }
    return comparisons;
  }

  private void compare(Compare c, Map<String, String> family) {
    if (c.procedure().isOnRanks()) {
      throw Refused.at(
          new Place.Key("inquiry", List.of("compare", "procedure")),
          say("refused.compares-ranks-not-means", c.procedure().key()),
          say("way.use-tukey-for-instance"));
    }
    List<Mean> compared = around(means.means(c.of(), family), c);
    if (compared.size() > ComparedMeans.MOST) {
      return; // Said among what is odd about the design.
    }
    long[] counts = compared.stream().mapToLong(means::count).toArray();
    Estimates estimates =
        estimator.estimates(compared.stream().map(Mean::estimable).toList(), counts);
    List<Map<String, String>> labels =
        compared.stream().map(m -> only(c.of(), m.levels())).toList();
    if (c.toReference()) {
      int reference = labels.indexOf(referenceLevels(c.of()));
      AgainstReference against =
          reference < 0 && !isReferenceAtEdge(c, family)
              ? null
              : AgainstReference.of(
                  c.procedure(), estimates, reference, inquiry.direction(), inquiry.alpha());
      if (against == null) {
        throw noReference(c.of());
      }
      comparisons.add(
          new ComparisonResult(
              c.of(),
              family,
              labels,
              estimates,
              new ComparisonResult.EachWithReference(against),
              c.procedure(),
              List.of()));
      return;
    }
    Comparison pairs =
        AllPairs.withDefaults()
            .with(c.procedure())
            .withAlpha(inquiry.alpha())
            .withOverallTest(overall(c))
            .compare(estimates, progress);
    comparisons.add(
        new ComparisonResult(
            c.of(),
            family,
            labels,
            estimates,
            new ComparisonResult.EachWithEach(pairs),
            c.procedure(),
            List.of()));
  }

  /** Whether the reference has counts, but no finite mean: it is compared in another way then. */
  private boolean isReferenceAtEdge(Compare c, Map<String, String> family) {
    Map<String, String> levels = new LinkedHashMap<>(family);
    levels.putAll(referenceLevels(c.of()));
    return !levels.containsValue(null) && estimator.isSeparated(means.mean(levels).codes());
  }

  /** The F test that guards the least significant difference: that of this very term. */
  private Quantity overall(Compare c) {
    return c.within().isEmpty()
        ? overall.apply(new Term(c.of()))
        : Quantity.absent(Absence.NO_OVERALL_TEST);
  }

  private Map<String, String> referenceLevels(List<String> of) {
    Map<String, String> levels = new LinkedHashMap<>();
    of.forEach(name -> levels.put(name, inquiry.reference().get(name)));
    return levels;
  }

  private Refused noReference(List<String> of) {
    for (String name : of) {
      String level = inquiry.reference().get(name);
      if (level == null) {
        return Refused.at(
            new Place.Key("inquiry", List.of("reference")),
            say("refused.no-reference-level-named", name),
            say("way.name-one", String.join(", ", means.factor(name).levels())));
      }
      if (!means.factor(name).levels().contains(level)) {
        return Refused.at(
            new Place.Key("inquiry", List.of("reference", name)),
            say("refused.no-level", level),
            Nearest.suggestion(level, means.factor(name).levels()));
      }
    }
    return Refused.at(
        new Place.Key("inquiry", List.of("reference")),
        say("refused.reference-has-no-mean", Phrases.why(estimator.noMean())),
        say("way.choose-another-reference"));
  }

  /**
   * Every contrast and trend that the inquiry asks.
   *
   * @return one a question, in order
   * @throws Refused if a trend runs over levels that are no numbers
   */
  public List<ContrastResult> contrasts() {
    return new Contrasts(inquiry, means).all();
  }
}
