package app.knuckle.study.sentences;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Quantity;
import app.knuckle.stats.Significance;
import app.knuckle.study.beside.Beside;
import app.knuckle.study.beside.Beside.EffectBeside;
import app.knuckle.study.beside.Beside.FitBeside;
import app.knuckle.study.beside.Beside.PairBeside;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.words.ExactP;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Phrases;
import app.knuckle.study.words.Prose;
import java.util.ArrayList;
import java.util.List;

/** Says what a change of the question did to the answer. */
public final class BesideSentence {

  private final Beside beside;
  private final ExactP exact;
  private final Findings left;
  private final Findings right;

  private BesideSentence(Beside beside, ExactP exact) {
    this.exact = exact;
    this.beside = beside;
    left = beside.left();
    right = beside.right();
  }

  /**
   * The sentence: what was changed, what became of the spread that is left, which effects crossed
   * alpha, how many pairs with them.
   *
   * @param beside two answers
   * @param exact down to which bound p is written as it is
   * @return a sentence or two
   */
  public static String of(Beside beside, ExactP exact) {
    for (Findings side : List.of(beside.left(), beside.right())) {
      if (side.refusal().isPresent()) {
        return say("beside.refused", side.inquiry().name(), side.refusal().get().words());
      }
    }
    BesideSentence words = new BesideSentence(beside, exact);
    List<String> became = new ArrayList<>();
    String change = words.change();
    boolean act = change.equals(words.adjusting());
    words.spread(became, act);
    act = act && !became.isEmpty();
    List<EffectBeside> crossed = beside.effects().stream().filter(EffectBeside::crossed).toList();
    crossed.forEach(effect -> became.add(words.crossing(effect)));
    words.pairs(became);
    if (words.isMatched() && (became.isEmpty() || crossed.isEmpty())) {
      became.add(say("beside.alike"));
    } else if (became.isEmpty()) {
      became.add(say("beside.unlike"));
    }
    return say(
        act ? "beside.adjusting" : "beside.told",
        Prose.capital(change),
        String.join(say("list.parts"), became));
  }

  private boolean isMatched() {
    return beside.effects().stream().anyMatch(e -> e.left().isPresent() && e.right().isPresent());
  }

  /** What was asked otherwise; the largest change first. */
  private String change() {
    Inquiry a = left.inquiry();
    Inquiry b = right.inquiry();
    List<String> all = new ArrayList<>();
    if (!beside.sameTable()) {
      all.add(say("beside.table", right.table().name()));
    }
    if (!a.measured().equals(b.measured())) {
      all.add(say("beside.measured", named(right, b.measured())));
    }
    if (!a.treatments().equals(b.treatments())) {
      all.add(
          b.treatments().isEmpty()
              ? say("beside.no.treatment")
              : say("beside.treatments", Numerals.list(b.treatments())));
    }
    if (!a.covariates().equals(b.covariates())) {
      all.add(adjusting());
    }
    if (!a.approach().equals(b.approach())) {
      all.add(say("beside.method", b.approach().words()));
    }
    if (!a.blocks().equals(b.blocks())) {
      all.add(
          b.blocks().isEmpty()
              ? say("beside.no.blocks")
              : say("beside.blocks", Numerals.list(b.blocks())));
    }
    if (!beside.onlyLeft().isEmpty()) {
      all.add(Phrases.count("beside.rows.fewer", beside.onlyLeft().size()));
    }
    if (!beside.onlyRight().isEmpty()) {
      all.add(Phrases.count("beside.rows.more", beside.onlyRight().size()));
    }
    if (a.alpha() != b.alpha()) {
      all.add(say("beside.alpha", String.valueOf(b.alpha())));
    }
    if (!a.compare().equals(b.compare())) {
      all.add(say("beside.compared"));
    }
    if (all.isEmpty()) {
      all.add(say(a.named("").equals(b.named("")) ? "beside.same" : "beside.other"));
    }
    return String.join(say("list.between"), all);
  }

  /** What is adjusted for now, or no longer. */
  private String adjusting() {
    return right.inquiry().covariates().isEmpty()
        ? say("beside.no.covariates", named(left, left.inquiry().covariates()))
        : say("beside.covariates", named(right, right.inquiry().covariates()));
  }

  private static String named(Findings findings, List<String> columns) {
    return Numerals.list(
        columns.stream()
            .map(
                name ->
                    findings.frame().has(name)
                        ? label(findings.frame().column(name))
                        : Prose.named(name))
            .toList());
  }

  private static String label(Column column) {
    return column.label();
  }

  /** The residual SD of each response, where it is shown otherwise than before. */
  private void spread(List<String> became, boolean act) {
    for (FitBeside fit : beside.fits()) {
      Quantity before = Beside.of(fit.left(), f -> f.residualSd());
      Quantity now = Beside.of(fit.right(), f -> f.residualSd());
      if (!before.exists() || !now.exists()) {
        continue;
      }
      int decimals = Numerals.decimalsFor(Math.max(before.value(), now.value())) + 1;
      String from = Numerals.fixed(before, decimals);
      String to = Numerals.fixed(now, decimals);
      if (!from.equals(to)) {
        String key = now.value() < before.value() ? "beside.cut" : "beside.raised";
        became.add(
            say(
                act && became.isEmpty() ? key + ".did" : key,
                ofResponse(fit.measured()),
                from,
                Numerals.with(to, unit(fit.measured()))));
      }
    }
  }

  /** Named where there are several. */
  private String ofResponse(String measured) {
    return beside.fits().size() > 1 ? say("beside.of", named(left, List.of(measured))) : "";
  }

  private String unit(String measured) {
    Findings known = left.frame().has(measured) ? left : right;
    return known.frame().column(measured) instanceof Numbers numbers ? numbers.unit() : "";
  }

  private String crossing(EffectBeside effect) {
    Quantity before = effect.left().orElseThrow().p();
    Quantity now = effect.right().orElseThrow().p();
    return say(
        Significance.reached(now, right.inquiry().alpha()) ? "beside.now.found" : "beside.now.lost",
        name(effect),
        exact.statement(before),
        exact.statement(now));
  }

  private String name(EffectBeside effect) {
    return effect.term().isEmpty()
        ? say("beside.difference")
        : say(
            effect.term().size() > 1 ? "beside.interaction" : "beside.effect",
            String.join(" \u00d7 ", effect.term()),
            ofResponse(effect.measured()));
  }

  private void pairs(List<String> became) {
    long more = beside.pairs().stream().filter(p -> !p.inLeft()).count();
    long fewer = beside.pairs().stream().filter(PairBeside::inLeft).count();
    if (more > 0) {
      became.add(Phrases.count("beside.pairs.more", more));
    }
    if (fewer > 0) {
      became.add(Phrases.count("beside.pairs.fewer", fewer));
    }
  }
}
