package app.knuckle.study.answers.asked;

import app.knuckle.stats.Progress;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.compare.AgainstReference;
import app.knuckle.stats.compare.AllPairs;
import app.knuckle.stats.compare.Comparison;
import app.knuckle.stats.compare.Contrast;
import app.knuckle.stats.compare.Direction;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.stats.compare.Trend;
import app.knuckle.stats.linear.Estimable;
import app.knuckle.stats.linear.Estimator;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.Term;
import app.knuckle.stats.means.Estimates;
import app.knuckle.stats.means.LinkScale;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.findings.ComparisonResult;
import app.knuckle.study.findings.ContrastResult;
import app.knuckle.study.findings.MeansResult;
import app.knuckle.study.stages.Stages;
import app.knuckle.study.table.Nearest;
import app.knuckle.study.table.NumberText;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import org.apache.commons.statistics.distribution.TDistribution;

/** What an inquiry asks of means, answered from what was estimated. */
public final class Questions {

  private static final String OWN_ERRORS =
      "the standard error of a difference is not the same for all pairs";

  /** Standard errors this close, relative, are the same but for rounding. */
  private static final double SAME_ERROR = 1e-9;

  /** Weights whose sum is below this share of their sizes sum to zero but for rounding. */
  private static final double SUMS_TO_ZERO = 1e-9;

  private final Inquiry inquiry;
  private final Estimator estimator;
  private final List<Factor> factors;
  private final List<String> covariates;
  private final double[] at;
  private final Function<Term, Quantity> overall;
  private final Progress progress;
  private final Stages stages;
  private final String measured;
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
  public Questions(Inquiry inquiry, Fitted fit, Progress progress, Stages stages) {
    this.inquiry = inquiry;
    this.progress = progress;
    this.stages = stages;
    measured = fit.measured();
    estimator = fit.estimator();
    factors = fit.factors();
    covariates = fit.covariates();
    overall = fit.overall();
    at =
        covariates.stream()
            .mapToDouble(c -> inquiry.adjustAt().getOrDefault(c, Double.NaN))
            .toArray();
  }

  private record Mean(Map<String, String> levels, int[] codes, Estimable estimable) {}

  /** What is the same for one fit, whatever is compared and however it is judged. */
  private <V> V known(String what, Object of, Supplier<V> make) {
    return stages.of(
        what + " of " + measured + ": " + of,
        List.of(new Stages.Same(estimator), inquiry.adjustAt()),
        make);
  }

  private List<Mean> means(List<String> names, Map<String, String> fixed) {
    return known("means", List.of(names, fixed), () -> makeMeans(names, fixed));
  }

  /** Combinations of levels of some treatments, the last running fastest. */
  private List<Mean> makeMeans(List<String> names, Map<String, String> fixed) {
    List<Map<String, String>> all = new ArrayList<>();
    all.add(fixed);
    for (String name : names) {
      List<Map<String, String>> more = new ArrayList<>();
      for (Map<String, String> known : all) {
        for (String level : factor(name).levels()) {
          Map<String, String> levels = new LinkedHashMap<>(known);
          levels.put(name, level);
          more.add(levels);
        }
      }
      all = more;
    }
    return all.stream().map(this::mean).toList();
  }

  private Mean mean(Map<String, String> levels) {
    int[] codes = new int[factors.size()];
    Arrays.fill(codes, -1);
    for (int f = 0; f < codes.length; f++) {
      String level = levels.get(factors.get(f).name());
      codes[f] = level == null ? -1 : factors.get(f).levels().indexOf(level);
    }
    return new Mean(levels, codes, estimator.mean(codes, at));
  }

  private Factor factor(String name) {
    return factors.stream().filter(f -> f.name().equals(name)).findFirst().orElseThrow();
  }

  private long count(Mean mean) {
    return estimator.count(mean.codes());
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
    for (Inquiry.Compare c : inquiry.compare()) {
      if (!c.of().isEmpty() && known.add(List.of(Set.copyOf(c.of()), Set.copyOf(c.within())))) {
        results.add(result(c.of(), c.within()));
      }
    }
    List<String> all = inquiry.treatments();
    double cells = all.stream().mapToDouble(name -> factor(name).size()).reduce(1, (a, b) -> a * b);
    if (cells <= ComparedMeans.MOST && known.add(List.of(Set.copyOf(all), Set.of()))) {
      results.add(result(all, List.of()));
    }
    return results;
  }

  private MeansResult result(List<String> of, List<String> within) {
    MeansResult bare =
        stages.of(
            "adjusted means of " + measured + ": " + List.of(of, within),
            List.of(new Stages.Same(estimator), inquiry.adjustAt(), inquiry.alpha()),
            () -> bare(of, within));
    return bare.lettered(levels -> letters(of, within, levels));
  }

  private MeansResult bare(List<String> of, List<String> within) {
    List<String> all = new ArrayList<>(within);
    all.addAll(of);
    List<Mean> means = means(all, Map.of());
    List<MeansResult.Row> rows = new ArrayList<>();
    for (Mean mean : means) {
      rows.add(row(mean));
    }
    Map<String, Double> adjusted = new LinkedHashMap<>();
    for (int c = 0; c < at.length; c++) {
      adjusted.put(covariates.get(c), Double.isNaN(at[c]) ? estimator.covariateMean(c) : at[c]);
    }
    Quantity se = known("error", List.of(of, within), () -> commonError(of, within));
    Quantity df = se.exists() ? known("df", List.of(of, within), () -> commonDf(of, within)) : se;
    return new MeansResult(
        of,
        within,
        adjusted,
        rows,
        se,
        df.exists()
            ? se.map(
                s ->
                    s
                        * TDistribution.of(df.value())
                            .inverseSurvivalProbability(inquiry.alpha() / 2))
            : df);
  }

  private MeansResult.Row row(Mean mean) {
    long n = count(mean);
    if (mean.estimable() == null || !mean.estimable().isWhole()) {
      Quantity none = Quantity.absent(estimator.noMean());
      Quantity df = estimator.commonDf();
      return new MeansResult.Row(mean.levels(), n, none, none, df, none, none, null);
    }
    Estimates one = estimator.estimates(List.of(mean.estimable()), new long[] {n});
    double value = one.mean(0);
    LinkScale scale = estimator.scale();
    Quantity half = one.halfWidth(0, inquiry.alpha());
    return new MeansResult.Row(
        mean.levels(),
        n,
        Quantity.of(scale.back(value)),
        one.se(0).map(se -> se * scale.slope(value)),
        one.df(0),
        half.map(h -> scale.back(value - h)),
        half.map(h -> scale.back(value + h)),
        null);
  }

  private String letters(List<String> of, List<String> within, Map<String, String> levels) {
    for (ComparisonResult c : comparisons) {
      boolean same =
          c.pairs() != null
              && Set.copyOf(c.of()).equals(Set.copyOf(of))
              && c.within().keySet().equals(Set.copyOf(within));
      int place = same ? c.labels().indexOf(only(of, levels)) : -1;
      if (place >= 0 && levels.entrySet().containsAll(c.within().entrySet())) {
        return c.pairs().letters().of(place);
      }
    }
    return null;
  }

  private static Map<String, String> only(List<String> names, Map<String, String> levels) {
    Map<String, String> own = new LinkedHashMap<>();
    names.forEach(name -> own.put(name, levels.get(name)));
    return own;
  }

  /** The families of a comparison: one a combination of the levels held fixed. */
  private List<Map<String, String>> families(List<String> within) {
    return means(within, Map.of()).stream().map(Mean::levels).toList();
  }

  private Quantity commonError(List<String> of, List<String> within) {
    double first = Double.NaN;
    for (Map<String, String> family : families(within)) {
      List<Mean> means = estimable(means(of, family));
      for (int i = 0; i < Math.min(means.size(), ComparedMeans.MOST); i++) {
        for (int j = 0; j < i; j++) {
          Estimable d = means.get(i).estimable().plus(-1, means.get(j).estimable());
          double se = Math.sqrt(estimator.variance(d));
          first = Double.isNaN(first) ? se : first;
          if (!(Math.abs(se - first) <= SAME_ERROR * first)) {
            return Quantity.absent(OWN_ERRORS);
          }
        }
      }
    }
    return Quantity.finite(first, "there is no difference to estimate");
  }

  private Quantity commonDf(List<String> of, List<String> within) {
    for (Map<String, String> family : families(within)) {
      List<Mean> means = estimable(means(of, family));
      if (means.size() > 1) {
        double df = estimator.df(means.get(0).estimable().plus(-1, means.get(1).estimable()));
        return Quantity.finite(df, LayeredDifferences.NO_NOISE);
      }
    }
    return Quantity.absent("there is no difference to estimate");
  }

  /**
   * The largest set of means whose differences can be estimated, the first of equal ones; the means
   * themselves need not have a value.
   */
  private static List<Mean> estimable(List<Mean> means) {
    List<List<Mean>> sets = new ArrayList<>();
    for (Mean mean : means) {
      if (mean.estimable() == null) {
        continue;
      }
      sets.stream()
          .filter(set -> set.get(0).estimable().isComparable(mean.estimable()))
          .findFirst()
          .orElseGet(
              () -> {
                sets.add(new ArrayList<>());
                return sets.get(sets.size() - 1);
              })
          .add(mean);
    }
    List<Mean> largest = List.of();
    for (List<Mean> set : sets) {
      largest = set.size() > largest.size() ? set : largest;
    }
    return largest;
  }

  /** Those that can be compared with the reference. */
  private List<Mean> around(List<Mean> means, Inquiry.Compare c) {
    if (!c.toReference()) {
      return estimable(means);
    }
    Map<String, String> levels = referenceLevels(c.of());
    return means.stream()
        .filter(m -> only(c.of(), m.levels()).equals(levels) && m.estimable() != null)
        .findFirst()
        .map(
            reference ->
                means.stream()
                    .filter(
                        m ->
                            m.estimable() != null
                                && m.estimable().isComparable(reference.estimable()))
                    .toList())
        .orElse(estimable(means));
  }

  /**
   * Every comparison of means that the inquiry asks.
   *
   * @return one a family, in order; too many means are left out
   * @throws Refused if a procedure or a reference does not fit
   */
  public List<ComparisonResult> comparisons() {
    for (Inquiry.Compare c : inquiry.compare()) {
      if (!c.isContrast() && !c.of().isEmpty()) {
        for (Map<String, String> family : families(c.within())) {
          progress.check();
          compare(c, family);
        }
      }
    }
    return comparisons;
  }

  private void compare(Inquiry.Compare c, Map<String, String> family) {
    if (c.procedure().isOnRanks()) {
      throw Refused.at(
          new Place.Key("inquiry", List.of("compare", "procedure")),
          "'" + c.procedure().key() + "' compares ranks, not means",
          "Use tukey for instance, or ask on ranks");
    }
    List<Mean> means = around(means(c.of(), family), c);
    if (means.size() > ComparedMeans.MOST) {
      return; // Said among what is odd about the design.
    }
    long[] counts = means.stream().mapToLong(this::count).toArray();
    Estimates estimates = estimator.estimates(means.stream().map(Mean::estimable).toList(), counts);
    List<Map<String, String>> labels = means.stream().map(m -> only(c.of(), m.levels())).toList();
    if (c.toReference()) {
      int reference = labels.indexOf(referenceLevels(c.of()));
      AgainstReference against =
          reference < 0
              ? null
              : AgainstReference.dunnett(
                  estimates, reference, inquiry.direction(), inquiry.alpha());
      if (against == null) {
        throw noReference(c.of());
      }
      comparisons.add(
          new ComparisonResult(
              c.of(), family, labels, estimates, null, against, c.procedure().key()));
      return;
    }
    Comparison pairs =
        AllPairs.withDefaults()
            .with(c.procedure())
            .withAlpha(inquiry.alpha())
            .withOverallTest(overall(c))
            .compare(estimates, progress);
    comparisons.add(
        new ComparisonResult(c.of(), family, labels, estimates, pairs, null, c.procedure().key()));
  }

  /** The F test that guards the least significant difference: that of this very term. */
  private Quantity overall(Inquiry.Compare c) {
    return c.within().isEmpty()
        ? overall.apply(new Term(c.of()))
        : Quantity.absent("no overall test");
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
            "no reference level of " + name + " is named",
            "Name one of " + String.join(", ", factor(name).levels()));
      }
      if (!factor(name).levels().contains(level)) {
        return Refused.at(
            new Place.Key("inquiry", List.of("reference", name)),
            "there is no level '" + level + "'",
            Nearest.suggestion(level, factor(name).levels()));
      }
    }
    return Refused.at(
        new Place.Key("inquiry", List.of("reference")),
        "the reference's mean does not exist: " + estimator.noMean(),
        "Choose another reference");
  }

  /**
   * Every contrast and trend that the inquiry asks.
   *
   * @return one a question, in order
   * @throws Refused if a trend runs over levels that are no numbers
   */
  public List<ContrastResult> contrasts() {
    List<ContrastResult> results = new ArrayList<>();
    int planned =
        inquiry.compare().stream()
            .filter(c -> c.isContrast() && c.procedure() == Procedure.BONFERRONI)
            .mapToInt(c -> Math.max(1, c.trend()))
            .sum();
    for (Inquiry.Compare c : inquiry.compare()) {
      if (c.trend() > 0) {
        trends(c, planned, results);
      } else if (c.isContrast()) {
        results.add(contrast(c, c.weights(), c.name(), planned, 0));
      }
    }
    return results;
  }

  private void trends(Inquiry.Compare c, int planned, List<ContrastResult> results) {
    if (c.of().size() != 1) {
      throw Refused.at(
          new Place.Key("inquiry", List.of("compare", "trend")),
          "a trend runs over one treatment",
          "Name one whose levels are numbers");
    }
    Factor factor = factor(c.of().get(0));
    double[] levels = levelsAsNumbers(factor);
    int degree = Math.min(c.trend(), levels.length - 1);
    double[][] weights = Trend.weights(levels, degree);
    for (int d = 0; d < degree; d++) {
      double[] own = weights[d];
      List<Inquiry.Weight> of =
          IntStream.range(0, own.length)
              .mapToObj(
                  i -> new Inquiry.Weight(Map.of(factor.name(), factor.levels().get(i)), own[i]))
              .toList();
      results.add(
          contrast(c, of, "trend of degree " + (d + 1) + " over " + factor.name(), planned, d + 1));
    }
  }

  /**
   * Levels of a factor as numbers.
   *
   * @param factor whose levels are read
   * @return one a level, in order
   * @throws Refused if one is not a number
   */
  public static double[] levelsAsNumbers(Factor factor) {
    double[] levels =
        factor.levels().stream().mapToDouble(l -> NumberText.parse(l, false)).toArray();
    for (int i = 0; i < levels.length; i++) {
      if (Double.isNaN(levels[i])) {
        throw Refused.at(
            new Place.Key("inquiry", List.of("compare", "trend")),
            "the level '" + factor.levels().get(i) + "' of " + factor.name() + " is not a number",
            "Trends run over levels that are numbers");
      }
    }
    return levels;
  }

  private ContrastResult contrast(
      Inquiry.Compare c, List<Inquiry.Weight> weights, String name, int planned, int degree) {
    double sum = 0;
    double size = 0;
    Estimable total = null;
    String why = "";
    for (Inquiry.Weight w : weights) {
      Mean mean = mean(known(c.of(), w));
      sum += w.weight();
      size += Math.abs(w.weight());
      if (mean.estimable() == null) {
        why = Estimator.EMPTY_CELLS;
      } else {
        total =
            total == null
                ? mean.estimable().times(w.weight())
                : total.plus(w.weight(), mean.estimable());
      }
    }
    if (why.isEmpty() && total != null && !total.isWhole()) {
      why = estimator.noMean();
    }
    if (why.isEmpty() && !(Math.abs(sum) <= SUMS_TO_ZERO * size)) {
      why = "the weights do not sum to zero, so they weigh no difference";
    }
    if (!c.procedure().isFor(Procedure.Use.CONTRASTS)) {
      throw notOfContrasts(c.procedure());
    }
    int family = family(c, planned);
    Contrast contrast =
        !why.isEmpty() || total == null ? null : tested(total, c.procedure(), family);
    return new ContrastResult(name, c.of(), weights, contrast, why, c.procedure(), family, degree);
  }

  /** The levels of a mean that is weighed; it is taken over all levels of what is not named. */
  private Map<String, String> known(List<String> of, Inquiry.Weight w) {
    for (Map.Entry<String, String> named : w.levels().entrySet()) {
      String name = named.getKey();
      if (!of.contains(name)) {
        throw Refused.at(
            new Place.Key("inquiry", List.of("compare", "weights", name)),
            "these are means of " + Numerals.list(of) + ", not of " + name,
            Nearest.suggestion(name, of));
      }
      if (!factor(name).levels().contains(named.getValue())) {
        throw Refused.at(
            new Place.Key("inquiry", List.of("compare", "weights", name)),
            "there is no level '" + named.getValue() + "'",
            Nearest.suggestion(named.getValue(), factor(name).levels()));
      }
    }
    if (w.levels().isEmpty()) {
      throw Refused.at(
          new Place.Key("inquiry", List.of("compare", "weights")),
          "a weight names no level",
          "Name a level of " + Numerals.list(of));
    }
    return w.levels();
  }

  private Contrast tested(Estimable e, Procedure procedure, int family) {
    double variance = estimator.variance(e);
    double df = estimator.df(e);
    String noError = "there is no estimate of the noise";
    Contrast plain =
        Contrast.plain(
            estimator.value(e),
            Quantity.finite(Math.sqrt(variance), noError),
            df > 0 ? Quantity.of(df) : Quantity.absent(noError),
            estimator.errorMs(),
            Direction.EITHER,
            inquiry.alpha());
    return procedure == Procedure.SCHEFFE
        ? plain.scheffe(family, inquiry.alpha())
        : procedure == Procedure.BONFERRONI ? plain.bonferroni(family, inquiry.alpha()) : plain;
  }

  /** What a contrast is adjusted for: the df of its means, how many were planned, or nothing. */
  private int family(Inquiry.Compare c, int planned) {
    return c.procedure() == Procedure.SCHEFFE
        ? estimable(means(c.of(), Map.of())).size() - 1
        : c.procedure() == Procedure.BONFERRONI ? planned : 0;
  }

  private static Refused notOfContrasts(Procedure procedure) {
    return Refused.at(
        new Place.Key("inquiry", List.of("compare", "procedure")),
        "'" + procedure.key() + "' does not adjust contrasts",
        "Use scheffe, bonferroni or none");
  }
}
