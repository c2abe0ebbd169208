package app.knuckle.study.answers.ranks;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Progress;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.anova.AnovaTable;
import app.knuckle.stats.anova.OneWay;
import app.knuckle.stats.compare.Direction;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.Fit;
import app.knuckle.stats.linear.Model;
import app.knuckle.stats.linear.Squares;
import app.knuckle.stats.linear.Stratum;
import app.knuckle.stats.linear.Term;
import app.knuckle.stats.resampling.Permutation;
import app.knuckle.stats.resampling.PermutationP;
import app.knuckle.stats.resampling.ReducedModel;
import app.knuckle.stats.summary.GroupMoments;
import app.knuckle.study.answers.asked.AskedModel;
import app.knuckle.study.answers.asked.FitInputs;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.RankNumbers;
import app.knuckle.study.findings.Results;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.findings.Told;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.stages.Stage;
import app.knuckle.study.stages.Stages;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Phrases;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Answers by permuting the values among the groups. */
final class PermutationAnswer extends RankQuestion {

  private final Stages stages;

  PermutationAnswer(
      Frame frame, Inquiry inquiry, String measured, Progress progress, Stages stages) {
    super(frame, inquiry, measured, progress);
    this.stages = stages;
  }

  /** So many arrangements are drawn that p lies clear of the level, so that they depend on it. */
  private record DrawnInputs(FitInputs of, double alpha, Direction direction) {}

  private static final Stage<DrawnInputs, Map<Term, ReducedModel.Result>> OF_TERMS =
      new Stage<>(
          (in, stages, progress) ->
              new PermutationAnswer(
                      in.of().frame(), in.of().fitting(), in.of().measured(), progress, stages)
                  .arrange(in.alpha()));

  private static final Stage<DrawnInputs, PermutationP> OF_GROUPS =
      new Stage<>(
          (in, stages, progress) -> {
            PermutationAnswer answer =
                new PermutationAnswer(
                    in.of().frame(), in.of().fitting(), in.of().measured(), progress, stages);
            return Permutation.of(
                answer.split(answer.treatment()), in.direction(), in.alpha(), progress);
          });

  private DrawnInputs drawn() {
    return new DrawnInputs(
        FitInputs.of(frame, inquiry, measured), inquiry.alpha(), inquiry.direction());
  }

  @Override
  Results results() {
    if (inquiry.pairs() != null
        || inquiry.treatments().isEmpty()
        || inquiry.unit() != null
        || !inquiry.wholePlots().isEmpty()
        || !inquiry.strips().isEmpty()) {
      throw refused(
          "method",
          say("refused.permutation-answered-for-treatments"),
          say("way.use-ranks-or-least"));
    }
    boolean plain =
        inquiry.treatments().size() == 1
            && inquiry.blocks().isEmpty()
            && inquiry.covariates().isEmpty();
    return plain ? oneTreatment() : terms();
  }

  /** Each term of a larger design, by what the model without it leaves. */
  private Results terms() {
    Terms terms = fitted();
    AnovaTable table = table(terms, inquiry.alpha());
    Map<Term, ReducedModel.Result> drawn = stages.of(OF_TERMS, measured, drawn(), progress);
    List<RankNumbers.DrawnRow> rows = new ArrayList<>();
    Told told = new Told(say("permutation.terms"));
    for (Term term : terms.fit().model().terms()) {
      AnovaTable.Row row = table.row(term);
      if (!drawn.containsKey(term)) {
        continue;
      }
      ReducedModel.Result p = drawn.get(term);
      Quantity none = Quantity.absent(Absence.EMPTY_OR_NO_NOISE);
      Quantity known = p == null ? none : Quantity.of(p.p());
      rows.add(
          new RankNumbers.DrawnRow(
              new RankNumbers.FTest(
                  row.source(),
                  term.names(),
                  row.effect().df(),
                  row.effect().ss(),
                  row.effect().f(),
                  row.error().errorDf(),
                  known,
                  row.effect().p()),
              p == null ? null : p.arrangements(),
              p == null ? null : p.seed(),
              p == null ? none : Quantity.of(p.monteCarloSe()),
              Optional.ofNullable(p).map(ReducedModel.Result::reference)));
      String before = rows.size() == 1 ? "" : say("list.parts");
      told =
          told.and(
              known.exists()
                  ? new Told(
                      List.of(before + say("permutation.term", row.source()), ""), List.of(known))
                  : new Told(
                      before + say("permutation.untested", row.source(), Phrases.why(known))));
    }
    if (rows.isEmpty()) {
      throw refused("terms", say("refused.no-term-treatments-model"), say("way.choose-term"));
    }
    return of(
        List.of(
            new TestResult.RankResult(
                "permutation",
                new RankNumbers.RearrangedTerms("reduced-residuals", rows),
                told.and(new Told(".")))),
        List.of(),
        List.of());
  }

  private record Terms(Fit fit, double[] values) {}

  private Terms fitted() {
    List<String> names = new ArrayList<>(inquiry.blocks());
    names.addAll(inquiry.treatments());
    double[] values = parts.values(measured);
    Model model = AskedModel.of(inquiry, parts, parts.factors(names));
    return new Terms(Fit.of(model, List.of(values)), values);
  }

  private static AnovaTable table(Terms terms, double alpha) {
    return AnovaTable.of(new Stratum("error", terms.fit(), 0, 1), Squares.AFTER_ALL, alpha);
  }

  /** By term of the treatments that can be tested; null where no arrangement tells anything. */
  private Map<Term, ReducedModel.Result> arrange(double alpha) {
    Terms terms = fitted();
    AnovaTable table = table(terms, alpha);
    ReducedModel reduced = new ReducedModel(terms.fit(), terms.values());
    Map<Term, ReducedModel.Result> drawn = new LinkedHashMap<>();
    for (Term term : terms.fit().model().terms()) {
      AnovaTable.Row row = table.row(term);
      boolean asked = term.names().stream().anyMatch(inquiry.treatments()::contains);
      if (asked && row != null && row.effect() != null) {
        drawn.put(term, reduced.test(term, alpha, progress));
      }
    }
    return drawn;
  }

  private Results oneTreatment() {
    Factor factor = treatment();
    double[][] groups = split(factor);
    PermutationP own = stages.of(OF_GROUPS, measured, drawn(), progress);
    double[] values = parts.values(measured);
    OneWay fit =
        OneWay.fit(GroupMoments.of(values, factor.codes(), factor.size()), inquiry.alpha());
    RankNumbers numbers =
        groups.length == 2
            ? new RankNumbers.Rearranged(
                "difference-of-means",
                two(factor),
                fit.estimates().difference(0, 1),
                fit.treatment().f(),
                Quantity.of(own.in(inquiry.direction())),
                own)
            : new RankNumbers.RearrangedGroups(
                "one-way-f",
                List.of(
                    new RankNumbers.PermutedRow(
                        new RankNumbers.FTest(
                            factor.name(),
                            List.of(factor.name()),
                            fit.treatment().df(),
                            fit.treatment().ss(),
                            fit.treatment().f(),
                            fit.errorDf(),
                            Quantity.of(own.pEither()),
                            fit.treatment().p()),
                        own.reference())),
                own.arrangements(),
                own.seed(),
                own.monteCarloSe());
    return of(
        List.of(result("permutation", numbers, said(own, groups.length, fit))),
        List.of(),
        List.of());
  }

  /** The statistic, and how many arrangements it was held against. */
  private static String said(PermutationP own, int groups, OneWay fit) {
    String statistic =
        groups == 2
            ? say(
                "permutation.difference",
                Numerals.fixed(
                    fit.estimates().difference(0, 1),
                    fit.estimates().seOfDifference(0, 1).exists()
                        ? Numerals.decimalsFor(fit.estimates().seOfDifference(0, 1).value())
                        : 2))
            : fit.treatment().f().exists()
                ? say("permutation.f", Numerals.fixed(fit.treatment().f(), 2))
                : "";
    String arrangements = Numerals.whole(own.arrangements());
    return statistic
        + own.monteCarloSe()
            .map(se -> say("permutation.drawn", arrangements, Numerals.fixed(se, 4)))
            .orElseGet(() -> say("permutation.all", arrangements));
  }
}
