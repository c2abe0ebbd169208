package app.knuckle.desktop.footing;

import app.knuckle.desktop.workbench.Answer;
import app.knuckle.stats.linear.Term;
import app.knuckle.study.design.Approach;
import app.knuckle.study.design.Changes;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.Part;
import app.knuckle.study.design.RandomPart;
import app.knuckle.study.design.Redesign;
import app.knuckle.study.design.Terms;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.prep.SetAside;
import app.knuckle.study.prep.Step;
import app.knuckle.study.table.Numbers;
import java.util.ArrayList;
import java.util.List;

/** Changed inquiries that an unsound footing leads to, each named after the change. */
final class WaysOn {

  private final Inquiry inquiry;
  private final Frame frame;
  private final Numbers response;

  WaysOn(Answer answer) {
    inquiry = answer.findings().inquiry();
    frame = answer.frame();
    response = answer.findings().first().measured();
  }

  /** The given approaches as far as they fit the design. */
  List<WayOn> approaches(Approach... approaches) {
    List<WayOn> ways = new ArrayList<>();
    for (Approach approach : approaches) {
      Changes.judgedBy(inquiry, approach)
          .ifPresent(changed -> ways.add(new WayOn(approach.wayOn(), changed)));
    }
    return ways;
  }

  /** The logarithm of the response, if all its values are above 0. */
  List<WayOn> logarithm() {
    return Changes.onLogarithm(inquiry, frame, response).stream()
        .map(changed -> new WayOn("Try the log scale \u2192", changed))
        .toList();
  }

  /** With the spread of counts estimated. */
  List<WayOn> estimatedSpread() {
    return List.of(
        new WayOn(
            "Estimate the dispersion \u2192",
            inquiry
                .but(d -> d.overdispersion = true)
                .named(Inquiry.CHANGED + "dispersion estimated")));
  }

  /** With a random grouping of one column among the fixed blocks. */
  List<WayOn> asFixed(List<String> term) {
    List<List<String>> random = new ArrayList<>(RandomPart.of(inquiry));
    if (term.size() > 1 || random.size() < 2 || inquiry.treatments().containsAll(term)) {
      return List.of();
    }
    random.remove(term);
    Inquiry changed =
        Redesign.of(
            inquiry,
            d -> {
              List<String> blocks = new ArrayList<>(d.blocks());
              term.stream().filter(c -> !blocks.contains(c)).forEach(blocks::add);
              d.give(Part.BLOCK, blocks);
              d.random = d.random.with(random);
            });
    return List.of(
        new WayOn(
            "Ask with " + term.get(0) + " fixed \u2192",
            changed.named(Inquiry.CHANGED + term.get(0) + " fixed")));
  }

  /** Without a row of the source. */
  List<WayOn> without(int sourceRow) {
    List<Step> steps = new ArrayList<>(inquiry.prepare());
    steps.add(new SetAside(List.of(sourceRow), "outlier", false));
    return List.of(
        new WayOn(
            "Ask without row " + sourceRow + " \u2192",
            inquiry.after(steps).named(Inquiry.CHANGED + "without row " + sourceRow)));
  }

  /** With a slope of its own for each group of the first treatment. */
  List<WayOn> ownSlopes(String covariate) {
    if (inquiry.treatments().isEmpty()) {
      return List.of();
    }
    List<List<String>> terms = new ArrayList<>();
    Term.combinations(inquiry.treatments(), inquiry.treatments().size())
        .forEach(t -> terms.add(t.names()));
    terms.add(List.of(inquiry.treatments().get(0), covariate));
    Inquiry changed = Redesign.of(inquiry, d -> d.terms = new Terms(Terms.Choice.CHOSEN, terms));
    return List.of(
        new WayOn(
            "Give each " + inquiry.treatments().get(0) + " a separate slope \u2192",
            changed.named(Inquiry.CHANGED + "separate slopes on " + covariate)));
  }
}
