package app.knuckle.study.sentences;

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
import app.knuckle.study.words.Prose;
import java.util.ArrayList;
import java.util.List;

/** Says what a change of the question did to the answer. */
public final class BesideSentence {

  /** Of effects that only one answer has this says nothing. */
  private static final String ALIKE = "what both answers judge came out alike";

  /** How a clause begins whose subject is the change. */
  private static final String IT = "it ";

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
        return "\u2018"
            + side.inquiry().name()
            + "\u2019 could not be tested, so nothing can be matched: "
            + side.refusal().get().words();
      }
    }
    BesideSentence words = new BesideSentence(beside, exact);
    List<String> became = new ArrayList<>();
    words.spread(became);
    List<EffectBeside> crossed = beside.effects().stream().filter(EffectBeside::crossed).toList();
    crossed.forEach(effect -> became.add(words.crossing(effect)));
    words.pairs(became);
    if (became.isEmpty() && words.isMatched()) {
      became.add(ALIKE);
    } else if (became.isEmpty()) {
      became.add("the two answers judge different things, so nothing can be matched");
    } else if (crossed.isEmpty() && words.isMatched()) {
      became.add(ALIKE);
    }
    String change = words.change();
    String what = String.join("; ", became);
    boolean act = what.startsWith(IT) && change.matches("(without )?adjusting [^,]*");
    return Prose.capital(change) + (act ? what.substring(IT.length() - 1) : ": " + what) + ".";
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
      all.add("with the records of " + right.table().name());
    }
    if (!a.measured().equals(b.measured())) {
      all.add("with " + named(right, b.measured()) + " measured");
    }
    if (!a.treatments().equals(b.treatments())) {
      all.add(
          b.treatments().isEmpty()
              ? "without a treatment"
              : "with " + Numerals.list(b.treatments()) + " as treatment");
    }
    if (!a.covariates().equals(b.covariates())) {
      all.add(
          b.covariates().isEmpty()
              ? "without adjusting for " + named(left, a.covariates())
              : "adjusting for " + named(right, b.covariates()));
    }
    if (a.method() != b.method()) {
      all.add("judged by " + b.method().words());
    }
    if (!a.blocks().equals(b.blocks())) {
      all.add(
          b.blocks().isEmpty()
              ? "without blocks"
              : "with " + Numerals.list(b.blocks()) + " as blocks");
    }
    if (!beside.onlyLeft().isEmpty()) {
      all.add("without " + Numerals.count(beside.onlyLeft().size(), "row", "rows"));
    }
    if (!beside.onlyRight().isEmpty()) {
      all.add("with " + Numerals.count(beside.onlyRight().size(), "row more", "rows more"));
    }
    if (a.alpha() != b.alpha()) {
      all.add("at \u03b1 = " + b.alpha());
    }
    if (!a.compare().equals(b.compare())) {
      all.add("compared otherwise");
    }
    if (all.isEmpty()) {
      all.add(a.named("").equals(b.named("")) ? "asked alike" : "asked otherwise");
    }
    return String.join(", ", all);
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
  private void spread(List<String> became) {
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
        became.add(
            IT
                + (now.value() < before.value() ? "cut" : "raised")
                + " the residual SD"
                + ofResponse(fit.measured())
                + " from "
                + from
                + " to "
                + Numerals.with(to, unit(fit.measured())));
      }
    }
  }

  /** Named where there are several. */
  private String ofResponse(String measured) {
    return beside.fits().size() > 1 ? " of " + named(left, List.of(measured)) : "";
  }

  private String unit(String measured) {
    Findings known = left.frame().has(measured) ? left : right;
    return known.frame().column(measured) instanceof Numbers numbers ? numbers.unit() : "";
  }

  private String crossing(EffectBeside effect) {
    Quantity before = effect.left().orElseThrow().p();
    Quantity now = effect.right().orElseThrow().p();
    String name =
        effect.term().isEmpty()
            ? "the difference"
            : (effect.term().size() > 1 ? "the interaction " : "")
                + String.join(" \u00d7 ", effect.term())
                + ofResponse(effect.measured());
    return Significance.reached(now, right.inquiry().alpha())
        ? name
            + ", not found before ("
            + exact.statement(before)
            + "), now is ("
            + exact.statement(now)
            + ")"
        : name
            + ", found before ("
            + exact.statement(before)
            + "), no longer is ("
            + exact.statement(now)
            + ")";
  }

  private void pairs(List<String> became) {
    long more = beside.pairs().stream().filter(p -> !p.inLeft()).count();
    long fewer = beside.pairs().stream().filter(PairBeside::inLeft).count();
    if (more > 0) {
      became.add(Numerals.count(more, "pair more is", "pairs more are") + " told apart");
    }
    if (fewer > 0) {
      became.add(Numerals.count(fewer, "pair is", "pairs are") + " no longer told apart");
    }
  }
}
