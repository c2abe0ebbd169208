package app.knuckle.study.answers.ranks;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Progress;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.Significance;
import app.knuckle.stats.compare.Direction;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.stats.linear.Factor;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.cells.Parts;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.GroupCheck;
import app.knuckle.study.findings.RankComparison;
import app.knuckle.study.findings.RankNumbers;
import app.knuckle.study.findings.Results;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.findings.Told;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Units;
import app.knuckle.study.words.Phrases;
import app.knuckle.study.words.Prose;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntUnaryOperator;
import java.util.stream.IntStream;

/** What every answer on ranks, or by permutation, starts from. */
abstract class RankQuestion {

  private static final Set<String> OF_ONE_SAMPLE = Set.of("signed-rank", "sign");
  private static final Set<String> OF_TWO_SAMPLES =
      Set.of("mann-whitney", "brunner-munzel", "permutation");

  final Inquiry inquiry;
  final Frame frame;
  final String measured;
  final Parts parts;
  final Progress progress;

  /** The column of blocks, or of units; null for none. */
  final String within;

  RankQuestion(Frame frame, Inquiry inquiry, String measured, Progress progress) {
    this.inquiry = inquiry;
    this.frame = frame;
    this.measured = measured;
    this.progress = progress;
    within =
        inquiry.unit() != null
            ? inquiry.unit()
            : inquiry.blocks().isEmpty() ? null : inquiry.blocks().get(0);
    List<String> names = new ArrayList<>(inquiry.treatments());
    names.addAll(inquiry.blocks());
    if (inquiry.unit() != null) {
      names.add(inquiry.unit());
    }
    if (inquiry.pairs() != null) {
      names.add(inquiry.pairs());
    }
    List<String> numbers = new ArrayList<>(inquiry.covariates());
    numbers.add(measured);
    parts = new Parts(frame, numbers, names);
  }

  /** The answer. */
  abstract Results results();

  static Refused refused(String key, String what, String wayOn) {
    return Refused.at(new Place.Key("inquiry", List.of(key)), what, wayOn);
  }

  Results of(List<TestResult> tests, List<GroupCheck> checks, List<RankComparison> comparisons) {
    List<RankComparison> judged =
        tests.stream()
            .limit(1)
            .flatMap(test -> test.onRanks().stream())
            .findFirst()
            .map(
                main ->
                    comparisons.stream().map(c -> c.judgedBy(main.p(), inquiry.alpha())).toList())
            .orElse(comparisons);
    return Results.of(tests).checking(checks, Optional.empty()).ranking(judged);
  }

  Factor treatment() {
    Factor factor = parts.factor(inquiry.treatments().get(0));
    if (factor.size() < 2) {
      throw Refused.at(
          new Place.WholeColumn("inquiry", factor.name()),
          say("refused.fewer-than-two-levels", measured),
          say("way.choose-column-with-two"));
    }
    return factor;
  }

  double[][] split(Factor factor) {
    double[] values = parts.values(measured);
    int[] codes = factor.codes();
    double[][] groups = new double[factor.size()][];
    for (int g = 0; g < groups.length; g++) {
      int level = g;
      groups[g] =
          IntStream.range(0, values.length)
              .filter(row -> codes[row] == level)
              .mapToDouble(row -> values[row])
              .toArray();
    }
    return groups;
  }

  static List<Map<String, String>> labels(Factor factor) {
    return factor.levels().stream().map(level -> Map.of(factor.name(), level)).toList();
  }

  RankNumbers.TwoGroups two(Factor factor) {
    return new RankNumbers.TwoGroups(
        inquiry.direction(), labels(factor).get(0), labels(factor).get(1));
  }

  static List<RankNumbers.MeanRank> meanRanks(Factor factor, double[] sums, IntUnaryOperator n) {
    return IntStream.range(0, sums.length)
        .mapToObj(
            g ->
                new RankNumbers.MeanRank(
                    labels(factor).get(g), n.applyAsInt(g), sums[g], sums[g] / n.applyAsInt(g)))
        .toList();
  }

  /** The result of a test, called as its kind is. */
  TestResult.RankResult result(String kind, RankNumbers numbers, String statistic) {
    return new TestResult.RankResult(kind, numbers, told(kind, numbers.p(), statistic));
  }

  private Told told(String kind, Quantity p, String statistic) {
    String label = frame.column(measured).label();
    boolean one = inquiry.treatments().isEmpty();
    String of = one ? "" : Units.label(inquiry.treatments().get(0));
    if (!p.exists()) {
      return new Told(
          one
              ? say("ranks.untestable.expected", Prose.capital(label), Phrases.why(p))
              : say("ranks.untestable.levels", Prose.capital(label), of, Phrases.why(p)));
    }
    boolean apart = Significance.reached(p, inquiry.alpha());
    String what = apart ? Prose.capital(label) : label;
    String name = say("ranks." + kind);
    String key = apart ? "ranks.apart" : "ranks.alike";
    String found =
        isDirected(kind)
            ? directed(key, kind, what, name)
            : one ? say(key + ".expected", what, name) : say(key + ".levels", what, of, name);
    String value = statistic.isEmpty() ? "" : say("ranks.statistic", statistic);
    return new Told(List.of(found + value, "."), List.of(p));
  }

  /** Whether a test looks in the direction that was asked: those of two samples, or of one. */
  private boolean isDirected(String kind) {
    return inquiry.direction() != Direction.EITHER
        && (OF_ONE_SAMPLE.contains(kind)
            || OF_TWO_SAMPLES.contains(kind)
                && parts.factor(inquiry.treatments().get(0)).size() == 2);
  }

  /** Which of the two is the greater, or is not shown to be. */
  private String directed(String key, String kind, String what, String name) {
    String way = inquiry.direction() == Direction.GREATER ? ".greater" : ".less";
    if (inquiry.treatments().isEmpty()) {
      return say(key + ".expected" + way, what, name);
    }
    List<String> levels = parts.factor(inquiry.treatments().get(0)).levels();
    return say(
        key + (kind.equals("permutation") ? ".means" : ".levels") + way,
        what,
        name,
        Prose.named(levels.get(0)),
        Prose.named(levels.get(1)));
  }

  boolean isOrdered(Factor factor) {
    return !(frame.column(factor.name()) instanceof Categories categories) || categories.ordered();
  }

  static Refused wrongProcedure(Procedure procedure, String what) {
    return refused(
        "compare",
        say("refused.procedure-does-not-compare", procedure.key(), what),
        say("way.use-dunn-holm-for"));
  }
}
