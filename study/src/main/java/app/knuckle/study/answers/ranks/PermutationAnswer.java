package app.knuckle.study.answers.ranks;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Facts;
import app.knuckle.stats.Progress;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.anova.AnovaTable;
import app.knuckle.stats.anova.OneWay;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.Fit;
import app.knuckle.stats.linear.Model;
import app.knuckle.stats.linear.Squares;
import app.knuckle.stats.linear.Stratum;
import app.knuckle.stats.linear.Term;
import app.knuckle.stats.resampling.Permutation;
import app.knuckle.stats.resampling.ReducedModel;
import app.knuckle.stats.summary.GroupMoments;
import app.knuckle.study.answers.asked.AskedModel;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.Analysis;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.findings.Told;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.stages.Stages;
import app.knuckle.study.words.Phrases;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;

/** Answers by rearranging the values among the groups. */
final class PermutationAnswer extends RankQuestion {

  private final Stages stages;

  PermutationAnswer(
      Frame frame, Inquiry inquiry, String measured, Progress progress, Stages stages) {
    super(frame, inquiry, measured, progress);
    this.stages = stages;
  }

  /** Arrangements are drawn once for a design, however they are judged. */
  private <V> V drawn(String what, Supplier<V> draw) {
    return stages.of(
        what + " of " + measured, List.of(new Stages.Same(frame), inquiry.fitting(measured)), draw);
  }

  @Override
  Analysis analysis() {
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
  private Analysis terms() {
    List<String> names = new ArrayList<>(inquiry.blocks());
    names.addAll(inquiry.treatments());
    List<Factor> factors = parts.factors(names);
    Model model = AskedModel.of(inquiry, parts, factors);
    double[] values = parts.values(measured);
    Fit fit = Fit.of(model, List.of(values));
    AnovaTable table =
        AnovaTable.of(new Stratum("error", fit, 0, 1), Squares.AFTER_ALL, inquiry.alpha());
    Map<Term, ReducedModel.Result> drawn =
        drawn("arrangements", () -> arrange(model, table, new ReducedModel(fit, values)));
    List<Facts> rows = new ArrayList<>();
    Told told = new Told(say("permutation.terms"));
    for (Term term : model.terms()) {
      AnovaTable.Row row = table.row(term);
      if (!drawn.containsKey(term)) {
        continue;
      }
      ReducedModel.Result p = drawn.get(term);
      Quantity none = Quantity.absent(Absence.EMPTY_OR_NO_NOISE);
      Quantity known = p == null ? none : Quantity.of(p.p());
      Facts facts =
          new Facts()
              .put("source", row.source())
              .put("term", term.names())
              .put("df", row.effect().df())
              .put("ss", row.effect().ss())
              .put("f", row.effect().f())
              .put("errorDf", row.error().errorDf())
              .put("p", known)
              .put("normalTheoryP", row.effect().p())
              .put("arrangements", p == null ? null : p.arrangements())
              .put("seed", p == null ? null : p.seed())
              .put("monteCarloSe", p == null ? none : Quantity.of(p.monteCarloSe()));
      rows.add(p == null ? facts : facts.put("reference", p.reference()));
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
    Facts facts = new Facts().put("form", "reduced-residuals").put("rows", rows);
    return of(
        List.of(
            new TestResult.RankResult(
                "permutation",
                facts,
                rows.get(rows.size() - 1).quantity("p"),
                told.and(new Told(".")))),
        List.of(),
        List.of());
  }

  /** By term of the treatments that can be tested; null where no arrangement tells anything. */
  private Map<Term, ReducedModel.Result> arrange(
      Model model, AnovaTable table, ReducedModel reduced) {
    Map<Term, ReducedModel.Result> drawn = new LinkedHashMap<>();
    for (Term term : model.terms()) {
      AnovaTable.Row row = table.row(term);
      boolean asked = term.names().stream().anyMatch(inquiry.treatments()::contains);
      if (asked && row != null && row.effect() != null) {
        drawn.put(term, reduced.test(term, progress));
      }
    }
    return drawn;
  }

  private Analysis oneTreatment() {
    Factor factor = treatment();
    double[][] groups = split(factor);
    Facts own = drawn("arrangements", () -> Permutation.of(groups, progress));
    double[] values = parts.values(measured);
    OneWay fit =
        OneWay.fit(GroupMoments.of(values, factor.codes(), factor.size()), inquiry.alpha());
    Facts facts = new Facts();
    if (groups.length == 2) {
      facts
          .put("form", "difference-of-means")
          .putAll(two(factor))
          .put("difference", fit.estimates().difference(0, 1))
          .put("f", fit.treatment().f())
          .put(
              "p",
              switch (inquiry.direction()) {
                case EITHER -> own.all().get("pEither");
                case GREATER -> own.all().get("pGreater");
                case LESS -> own.all().get("pLess");
              })
          .putAll(own);
    } else {
      Facts row =
          new Facts()
              .put("source", factor.name())
              .put("term", List.of(factor.name()))
              .put("df", fit.treatment().df())
              .put("ss", fit.treatment().ss())
              .put("f", fit.treatment().f())
              .put("errorDf", fit.errorDf())
              .put("p", own.all().get("pEither"))
              .put("normalTheoryP", fit.treatment().p());
      if (own.all().containsKey("reference")) {
        row.put("reference", own.all().get("reference"));
      }
      facts
          .put("form", "one-way-f")
          .put("rows", List.of(row))
          .put("arrangements", own.all().get("arrangements"));
      if (own.all().containsKey("seed")) {
        facts.put("seed", own.all().get("seed"));
        facts.put("monteCarloSe", own.all().get("monteCarloSe"));
      }
    }
    Facts p =
        new Facts().put("p", groups.length == 2 ? facts.all().get("p") : own.all().get("pEither"));
    TestResult.RankResult words = result("permutation", p, "");
    return of(
        List.of(new TestResult.RankResult("permutation", facts, words.p(), words.told())),
        List.of(),
        List.of());
  }
}
