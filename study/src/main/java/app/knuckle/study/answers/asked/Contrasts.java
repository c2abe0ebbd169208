package app.knuckle.study.answers.asked;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.compare.Contrast;
import app.knuckle.stats.compare.Direction;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.stats.compare.Trend;
import app.knuckle.stats.linear.Estimable;
import app.knuckle.stats.linear.Estimator;
import app.knuckle.stats.linear.Factor;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.design.Compare;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.ContrastResult;
import app.knuckle.study.table.Nearest;
import app.knuckle.study.table.NumberText;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;

/** Contrasts and trends that an inquiry asks of means. */
public final class Contrasts {

  /** Weights whose sum is below this share of their sizes sum to zero but for rounding. */
  private static final double SUMS_TO_ZERO = 1e-9;

  private final Inquiry inquiry;
  private final AskedMeans means;
  private final Estimator estimator;

  Contrasts(Inquiry inquiry, AskedMeans means) {
    this.inquiry = inquiry;
    this.means = means;
    estimator = means.estimator();
  }

  /**
   * Every contrast and trend that the inquiry asks.
   *
   * @return one a question, in order
   * @throws Refused if a trend runs over levels that are no numbers
   */
  List<ContrastResult> all() {
    List<ContrastResult> results = new ArrayList<>();
    int planned =
        inquiry.compare().stream()
            .filter(c -> c.isContrast() && c.procedure() == Procedure.BONFERRONI)
            .mapToInt(c -> Math.max(1, c.trend()))
            .sum();
    for (Compare c : inquiry.compare()) {
      if (c.trend() > 0) {
        trends(c, planned, results);
      } else if (c.isContrast()) {
        results.add(contrast(c, c.weights(), c.name(), planned, 0));
      }
    }
    return results;
  }

  private void trends(Compare c, int planned, List<ContrastResult> results) {
    if (c.of().size() != 1) {
      throw Refused.at(
          new Place.Key("inquiry", List.of("compare", "trend")),
          say("refused.trend-runs-over-one"),
          say("way.name-one-whose-levels"));
    }
    Factor factor = means.factor(c.of().get(0));
    double[] levels = levelsAsNumbers(factor);
    int degree = Math.min(c.trend(), levels.length - 1);
    double[][] weights = Trend.weights(levels, degree);
    for (int d = 0; d < degree; d++) {
      double[] own = weights[d];
      List<Compare.Weight> of =
          IntStream.range(0, own.length)
              .mapToObj(
                  i -> new Compare.Weight(Map.of(factor.name(), factor.levels().get(i)), own[i]))
              .toList();
      results.add(
          contrast(
              c, of, say("contrast.trend", String.valueOf(d + 1), factor.name()), planned, d + 1));
    }
  }

  /**
   * Levels of a factor as numbers.
   *
   * @param factor whose levels are read
   * @return one a level, in order
   * @throws Refused if one is not a number, or two are the same one
   */
  public static double[] levelsAsNumbers(Factor factor) {
    double[] levels =
        factor.levels().stream().mapToDouble(l -> NumberText.parse(l, false)).toArray();
    for (int i = 0; i < levels.length; i++) {
      if (Double.isNaN(levels[i])) {
        throw Refused.at(
            new Place.Key("inquiry", List.of("compare", "trend")),
            say("refused.level-not-number", factor.levels().get(i), factor.name()),
            say("way.trends-run-over-levels"));
      }
      for (int j = 0; j < i; j++) {
        if (levels[j] == levels[i]) {
          throw Refused.at(
              new Place.Key("inquiry", List.of("compare", "trend")),
              say(
                  "refused.levels-one-number",
                  factor.levels().get(j),
                  factor.levels().get(i),
                  factor.name()),
              say("way.merge-levels-of"));
        }
      }
    }
    return levels;
  }

  private ContrastResult contrast(
      Compare c, List<Compare.Weight> weights, String name, int planned, int degree) {
    double sum = 0;
    double size = 0;
    Estimable total = null;
    Absence why = null;
    for (Compare.Weight w : weights) {
      AskedMeans.Mean mean = means.mean(known(c.of(), w));
      sum += w.weight();
      size += Math.abs(w.weight());
      if (mean.estimable() == null) {
        why = Absence.EMPTY_CELLS;
      } else {
        total =
            total == null
                ? mean.estimable().times(w.weight())
                : total.plus(w.weight(), mean.estimable());
      }
    }
    if (why == null && total != null && !total.isWhole()) {
      why = estimator.noMean();
    }
    if (why == null && !(Math.abs(sum) <= SUMS_TO_ZERO * size)) {
      why = Absence.WEIGHTS_NOT_ZERO;
    }
    if (!c.procedure().isFor(Procedure.Use.CONTRASTS)) {
      throw notOfContrasts(c.procedure());
    }
    int family = family(c, planned);
    Contrast contrast = why != null || total == null ? null : tested(total, c.procedure(), family);
    return new ContrastResult(name, c.of(), weights, contrast, why, c.procedure(), family, degree);
  }

  /** The levels of a mean that is weighed; it is taken over all levels of what is not named. */
  private Map<String, String> known(List<String> of, Compare.Weight w) {
    for (Map.Entry<String, String> named : w.levels().entrySet()) {
      String name = named.getKey();
      if (!of.contains(name)) {
        throw Refused.at(
            new Place.Key("inquiry", List.of("compare", "weights", name)),
            say("refused.means-not-of", Numerals.list(of), name),
            Nearest.suggestion(name, of));
      }
      if (!means.factor(name).levels().contains(named.getValue())) {
        throw Refused.at(
            new Place.Key("inquiry", List.of("compare", "weights", name)),
            say("refused.no-level", named.getValue()),
            Nearest.suggestion(named.getValue(), means.factor(name).levels()));
      }
    }
    if (w.levels().isEmpty()) {
      throw Refused.at(
          new Place.Key("inquiry", List.of("compare", "weights")),
          say("refused.weight-names-no-level"),
          say("way.name-level", Numerals.list(of)));
    }
    return w.levels();
  }

  private Contrast tested(Estimable e, Procedure procedure, int family) {
    double variance = estimator.variance(e);
    double df = estimator.df(e);
    Absence noError = Absence.NO_NOISE;
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
  private int family(Compare c, int planned) {
    return c.procedure() == Procedure.SCHEFFE
        ? AskedMeans.estimable(means.means(c.of(), Map.of())).size() - 1
        : c.procedure() == Procedure.BONFERRONI ? planned : 0;
  }

  private static Refused notOfContrasts(Procedure procedure) {
    return Refused.at(
        new Place.Key("inquiry", List.of("compare", "procedure")),
        say("refused.does-not-adjust-contrasts", procedure.key()),
        say("way.use-scheffe-bonferroni-or"));
  }
}
