package app.knuckle.study.answers.counts;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Progress;
import app.knuckle.stats.Significance;
import app.knuckle.stats.compare.Adjustment;
import app.knuckle.stats.counts.CountFit;
import app.knuckle.stats.counts.CountKind;
import app.knuckle.stats.counts.DevianceTest;
import app.knuckle.stats.counts.ExactCounts;
import app.knuckle.stats.linear.Factor;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.answers.asked.AskedQuestions;
import app.knuckle.study.answers.asked.FitInputs;
import app.knuckle.study.answers.asked.Slopes;
import app.knuckle.study.cells.Combinations;
import app.knuckle.study.checks.Checks;
import app.knuckle.study.design.Compare;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.ComparisonResult;
import app.knuckle.study.findings.Results;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.stages.Same;
import app.knuckle.study.stages.Stage;
import app.knuckle.study.stages.Stages;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Answers an inquiry about one response as counts, or as proportions. */
public final class CountAnswer {

  private static final Stage<FitInputs, CountQuestion> FIT =
      new Stage<>(
          (in, stages, progress) ->
              new CountQuestion(in.frame(), in.fitting(), in.measured(), progress));

  private record TestInputs(Same<CountQuestion> question, double alpha) {}

  private static final Stage<TestInputs, TestResult.CountResult> TEST =
      new Stage<>((in, stages, progress) -> test(in.question().value(), in.alpha(), progress));

  private record FootingInputs(
      Same<Frame> frame, Same<CountQuestion> question, List<Compare> compare) {}

  private static final Stage<FootingInputs, CountFooting> FOOTING =
      new Stage<>(
          (in, stages, progress) ->
              new CountFooting(in.frame().value(), in.question().value(), in.compare(), progress));

  private final Frame frame;
  private final Inquiry inquiry;
  private final String measured;
  private final Progress progress;
  private final Stages stages;
  private final CountQuestion question;
  private final CountFit fit;

  private CountAnswer(
      Frame frame, Inquiry inquiry, String measured, Progress progress, Stages stages) {
    this.frame = frame;
    this.inquiry = inquiry;
    this.measured = measured;
    this.progress = progress;
    this.stages = stages;
    question = stages.of(FIT, measured, FitInputs.of(frame, inquiry, measured), progress);
    fit = question.fit();
  }

  /**
   * Answers about a response.
   *
   * @param frame the records
   * @param inquiry the question, whose method is counts or proportions
   * @param measured the response
   * @param progress asked on the way
   * @param stages of the inquiry
   * @return the analysis
   * @throws app.knuckle.study.Refused if the records hold no counts, or cannot bear the model
   */
  public static Results to(
      Frame frame, Inquiry inquiry, String measured, Progress progress, Stages stages) {
    return new CountAnswer(frame, inquiry, measured, progress, stages).results();
  }

  private Results results() {
    for (Compare c : inquiry.compare()) {
      if (c.procedure() != null && c.procedure().hasOwnSpreads()) {
        throw Refused.at(
            new Place.Key("inquiry", List.of("compare", "procedure")),
            say("refused.counts-have-no-own-spread", c.procedure().key()),
            say("way.use-tukey-holm-or"));
      }
    }
    TestResult.CountResult test =
        stages.of(TEST, measured, new TestInputs(new Same<>(question), inquiry.alpha()), progress);
    List<TestResult> tests = new ArrayList<>(List.of(test));
    exact().ifPresent(tests::add);
    AskedQuestions questions =
        new AskedQuestions(
            inquiry,
            new AskedQuestions.Fitted(
                measured, fit, question.factors(), inquiry.covariates(), test::pOf),
            progress,
            stages);
    List<ComparisonResult> comparisons =
        questions.comparisons().stream().map(this::withEdges).toList();
    CountFooting footing =
        stages.of(
            FOOTING,
            measured,
            new FootingInputs(new Same<>(frame), new Same<>(question), inquiry.compare()),
            progress);
    return Results.of(tests)
        .checking(Checks.at(footing.checks(), inquiry.alpha()))
        .estimating(
            questions.meansOf(fit.model().fixed().terms()), comparisons, questions.contrasts())
        .checking(footing.groupChecks(), Optional.ofNullable(footing.residuals()));
  }

  private static TestResult.CountResult test(
      CountQuestion question, double alpha, Progress progress) {
    CountFit fit = question.fit();
    Inquiry inquiry = question.inquiry();
    return new TestResult.CountResult(
        fit.figures(),
        fit.aic(),
        fit.drops(inquiry.squares(), progress),
        fit.whole(progress),
        new TestResult.CountResult.Judging(fit.model().overdispersion(), inquiry.squares(), alpha),
        Slopes.of(fit, fit::slope, inquiry.covariates(), alpha),
        fit.scale());
  }

  /** Pairs with a group of none, or of all, which has no mean, are tested by merging the two. */
  private ComparisonResult withEdges(ComparisonResult c) {
    List<String> names = new ArrayList<>(c.within().keySet());
    names.addAll(c.of());
    boolean cells =
        names.containsAll(inquiry.treatments())
            && (names.size() == 1
                || fit.model().fixed().terms().stream()
                    .anyMatch(t -> t.names().containsAll(names)));
    if (!cells) {
      return c;
    }
    Map<String, String> reference = new LinkedHashMap<>();
    c.of().forEach(name -> reference.put(name, inquiry.reference().get(name)));
    List<Map<String, String>> all = combinations(c);
    List<ComparisonResult.Merged> merged = new ArrayList<>();
    for (int i = 0; i < all.size(); i++) {
      for (int j = i + 1; j < all.size(); j++) {
        boolean turned = c.allPairs().isEmpty() && all.get(i).equals(reference);
        Map<String, String> left = all.get(turned ? j : i);
        Map<String, String> right = all.get(turned ? i : j);
        boolean asked = c.allPairs().isPresent() || right.equals(reference);
        if (asked && !(hasMean(c, left) && hasMean(c, right))) {
          progress.check();
          DevianceTest drop = fit.merged(names, levels(c, left), levels(c, right), progress);
          merged.add(new ComparisonResult.Merged(left, right, drop, drop.p(), false));
        }
      }
    }
    return merged.isEmpty() ? c : c.with(adjusted(merged));
  }

  private static Map<String, String> levels(ComparisonResult c, Map<String, String> group) {
    Map<String, String> levels = new LinkedHashMap<>(c.within());
    levels.putAll(group);
    return levels;
  }

  /** None where none, or all, were counted, and where no row tells it. */
  private boolean hasMean(ComparisonResult c, Map<String, String> group) {
    return c.labels().contains(group)
        && !fit.isSeparated(Factor.codes(question.factors(), levels(c, group)));
  }

  /** Holm's adjustment over the pairs that can be judged. */
  private List<ComparisonResult.Merged> adjusted(List<ComparisonResult.Merged> all) {
    double[] p =
        Adjustment.holm(
            all.stream().filter(m -> m.p().exists()).mapToDouble(m -> m.p().value()).toArray());
    List<ComparisonResult.Merged> adjusted = new ArrayList<>();
    int next = 0;
    for (ComparisonResult.Merged m : all) {
      adjusted.add(
          m.p().exists() ? m.judged(p[next], Significance.reached(p[next++], inquiry.alpha())) : m);
    }
    return adjusted;
  }

  /** Compared combinations of levels that have a row, the last treatment running fastest. */
  private List<Map<String, String>> combinations(ComparisonResult c) {
    return Combinations.of(c.of(), name -> question.parts().factor(name).levels()).stream()
        .filter(group -> fit.count(Factor.codes(question.factors(), levels(c, group))) > 0)
        .toList();
  }

  /** The exact test, where there are two groups and nothing else, and the spread is known. */
  private Optional<TestResult.ExactResult> exact() {
    boolean two =
        inquiry.treatments().size() == 1
            && inquiry.blocks().isEmpty()
            && inquiry.covariates().isEmpty()
            && !fit.model().overdispersion()
            && question.factors().get(0).size() == 2;
    if (!two) {
      return Optional.empty();
    }
    Factor factor = question.factors().get(0);
    double[] counts = new double[2];
    double[] sizes = new double[2];
    CountedRows rows = question.rows();
    for (int row = 0; row < rows.counts().length; row++) {
      if (!Double.isNaN(rows.counts()[row])) {
        counts[factor.codes()[row]] += rows.counts()[row];
        sizes[factor.codes()[row]] += rows.sizes() == null ? 1 : rows.sizes()[row];
      }
    }
    boolean proportions = fit.model().kind() == CountKind.PROPORTIONS;
    ExactCounts test =
        proportions
            ? ExactCounts.fisher(
                (long) counts[0],
                (long) sizes[0],
                (long) counts[1],
                (long) sizes[1],
                inquiry.direction(),
                inquiry.alpha())
            : ExactCounts.rates(
                (long) counts[0],
                sizes[0],
                (long) counts[1],
                sizes[1],
                inquiry.direction(),
                inquiry.alpha());
    return Optional.of(
        new TestResult.ExactResult(
            fit.model().kind(),
            inquiry.direction(),
            side(factor, 0, counts, sizes),
            side(factor, 1, counts, sizes),
            Optional.ofNullable(test),
            test != null && Significance.reached(test.p(inquiry.direction()), inquiry.alpha())));
  }

  private static TestResult.Side side(Factor factor, int level, double[] counts, double[] sizes) {
    return new TestResult.Side(
        Map.of(factor.name(), factor.levels().get(level)), counts[level], sizes[level]);
  }
}
