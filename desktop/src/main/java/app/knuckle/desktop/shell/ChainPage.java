package app.knuckle.desktop.shell;

import app.knuckle.desktop.footing.FootingPage;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.Significance;
import app.knuckle.stats.compare.Pair;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.List;

/**
 * What the chain says.
 *
 * @param links one a joint, in order
 */
public record ChainPage(List<Link> links) {

  public ChainPage {
    links = List.copyOf(links);
  }

  /** How far a joint is. */
  public enum State {
    /** It holds an answer. */
    DONE,
    /** It holds an answer to look at twice. */
    CAUTION,
    /** Nothing is asked of it yet, and there is the place to ask. */
    UNASKED,
    /** It waits for something before it. */
    NOT_YET
  }

  /**
   * A joint in the chain.
   *
   * @param joint which
   * @param state how far it is
   * @param line one live line
   */
  public record Link(Joint joint, State state, String line) {

    /**
     * Whether the joint can be opened: it holds something, or the waiting is ended there.
     *
     * @return false while it waits for another joint
     */
    public boolean opens() {
      return state != State.NOT_YET || joint == Joint.RECORDS || joint == Joint.LAYOUT;
    }
  }

  /**
   * The chain of an answer.
   *
   * @param answer null before the first one
   * @return the page
   */
  public static ChainPage of(Answer answer) {
    List<Link> links = new ArrayList<>();
    for (Joint joint : Joint.values()) {
      links.add(
          switch (joint) {
            case RECORDS -> records(answer);
            case LAYOUT -> layout(answer);
            case LOOK -> look(answer);
            case FOOTING -> footing(answer);
            case TEST -> test(answer);
            case COMPARE -> compare(answer);
            case FIGURE -> figure(answer);
          });
    }
    return new ChainPage(links);
  }

  private static Link records(Answer answer) {
    if (answer == null) {
      return new Link(Joint.RECORDS, State.NOT_YET, "reading");
    }
    if (answer.trail().refusal().isPresent()) {
      return new Link(Joint.RECORDS, State.CAUTION, "a step does not fit");
    }
    int rows = answer.frame().rows();
    String line = Numerals.count(rows, "row", "rows");
    int out = answer.frame().leftOut().size();
    return new Link(
        Joint.RECORDS,
        answer.notices().isEmpty() ? State.DONE : State.CAUTION,
        out == 0 ? line : line + " \u00b7 " + Numerals.whole(rows - out) + " in play");
  }

  private static Link layout(Answer answer) {
    if (answer == null || answer.findings() == null) {
      return new Link(Joint.LAYOUT, State.NOT_YET, "the sentence has a gap");
    }
    ResponseFindings response = answer.findings().first();
    boolean caution = !response.design().warnings().isEmpty();
    return new Link(Joint.LAYOUT, caution ? State.CAUTION : State.DONE, design(answer.findings()));
  }

  private static String design(Findings findings) {
    Inquiry inquiry = findings.inquiry();
    ResponseFindings response = findings.first();
    List<String> treatments = inquiry.treatments();
    String line =
        treatments.size() < 2
            ? Numerals.count(response.groups().size(), "group", "groups")
                + (treatments.isEmpty() ? "" : " of " + response.groups().treatment().label())
            : String.join(
                " \u00d7 ",
                treatments.stream().map(t -> "" + response.levelsOf(t).size()).toList());
    if (!inquiry.blocks().isEmpty()) {
      line += " in " + String.join(", ", inquiry.blocks());
    }
    if (inquiry.unit() != null && !inquiry.occasions().isEmpty()) {
      line += ", repeated";
    }
    return inquiry.covariates().isEmpty()
        ? line
        : line + ", + " + String.join(", ", inquiry.covariates());
  }

  private static Link look(Answer answer) {
    if (answer == null || answer.findings() == null) {
      return new Link(Joint.LOOK, State.NOT_YET, "waits for the layout");
    }
    long missing = answer.findings().first().summaries().get(0).summary().missing();
    return new Link(
        Joint.LOOK,
        State.DONE,
        missing == 0
            ? "no value missing"
            : Numerals.count(missing, "value", "values") + " missing");
  }

  private static Link footing(Answer answer) {
    if (answer == null || !answer.isTested()) {
      return new Link(Joint.FOOTING, State.NOT_YET, "waits for the layout");
    }
    FootingPage page = answer.footing();
    if (page.cards().isEmpty()) {
      return new Link(Joint.FOOTING, State.DONE, "nothing to check");
    }
    long odd = page.cards().stream().filter(c -> c.judgement().isOdd()).count();
    long mute = page.cards().stream().filter(FootingPage.Check::mute).count();
    long sound = page.cards().size() - odd - mute;
    List<String> counts = new ArrayList<>();
    if (sound > 0 || mute == 0) {
      counts.add(sound + " sound");
    }
    if (odd > 0) {
      counts.add(Numerals.count(odd, "caution", "cautions"));
    }
    if (mute > 0 && counts.size() < 2) {
      counts.add(mute + " cannot tell");
    }
    return new Link(
        Joint.FOOTING, odd == 0 ? State.DONE : State.CAUTION, String.join(" \u00b7 ", counts));
  }

  private static Link test(Answer answer) {
    if (answer == null || !answer.isTested()) {
      return new Link(Joint.TEST, State.NOT_YET, "waits for two groups");
    }
    ResponseFindings response = answer.findings().first();
    double alpha = answer.findings().inquiry().alpha();
    List<Quantity> together = together(answer);
    List<Quantity> effects = together.isEmpty() ? effects(answer) : together;
    if (effects.size() > 1) {
      long found = effects.stream().filter(p -> Significance.reached(p, alpha)).count();
      return new Link(Joint.TEST, State.DONE, found + " of " + effects.size() + " effects found");
    }
    Quantity p =
        together.isEmpty()
            ? response.leastP(answer.findings().inquiry().treatments())
            : together.get(0);
    return p.exists()
        ? new Link(Joint.TEST, State.DONE, Numerals.pStatement(p))
        : new Link(Joint.TEST, State.CAUTION, "no test possible");
  }

  /** The p of each effect of treatments on the first response. */
  private static List<Quantity> effects(Answer answer) {
    List<Quantity> effects = new ArrayList<>();
    for (TestResult t : answer.findings().first().analysis().tests()) {
      if (t instanceof TestResult.AnovaResult a) {
        a.table().rows().stream()
            .filter(r -> !r.isError() && r.effect() != null)
            .filter(r -> answer.findings().inquiry().treatments().containsAll(r.term().names()))
            .forEach(r -> effects.add(r.effect().p()));
      }
    }
    return effects;
  }

  /** The p of each effect of treatments on the responses together, after Wilks. */
  private static List<Quantity> together(Answer answer) {
    List<Quantity> effects = new ArrayList<>();
    for (TestResult t : answer.findings().together().tests()) {
      if (t instanceof TestResult.TogetherResult all) {
        all.rows().stream()
            .filter(r -> r.test() != null && r.test().of("wilks") != null)
            .filter(r -> answer.findings().inquiry().treatments().containsAll(r.term()))
            .forEach(r -> effects.add(Quantity.of(r.test().of("wilks").p())));
      }
    }
    return effects;
  }

  private static Link compare(Answer answer) {
    if (answer == null || !answer.isTested()) {
      return new Link(Joint.COMPARE, State.NOT_YET, "waits for the test");
    }
    ResponseFindings response = answer.findings().first();
    List<ComparedMeans> families = ComparedMeans.of(response.analysis());
    if (families.isEmpty()) {
      if (response.hasTooManyToCompare()) {
        return new Link(Joint.COMPARE, State.CAUTION, "too many means for pairs");
      }
      Inquiry inquiry = answer.findings().inquiry();
      boolean answered = inquiry.compare().stream().anyMatch(c -> !c.isContrast());
      return answered || inquiry.treatments().isEmpty() || response.groups().size() < 3
          ? new Link(Joint.COMPARE, State.NOT_YET, "nothing more to compare")
          : new Link(Joint.COMPARE, State.UNASKED, "nothing asked yet");
    }
    ComparedMeans first = families.get(0);
    String means =
        Numerals.count(
            first.names().size(),
            first.ranks() ? "group" : "mean",
            first.ranks() ? "groups" : "means");
    String line =
        first.isAgainstReference()
            ? means + " \u00b7 one reference"
            : first.letters().count() == 0
                ? means + " \u00b7 none compared"
                : means + " \u00b7 " + Numerals.count(first.letters().count(), "letter", "letters");
    Quantity p = response.leastP(first.of());
    boolean found =
        p.exists()
            ? Significance.reached(p, answer.findings().inquiry().alpha())
            : first.pairs().stream().anyMatch(Pair::isJudged);
    return new Link(Joint.COMPARE, found ? State.DONE : State.CAUTION, line);
  }

  private static Link figure(Answer answer) {
    if (answer == null || !answer.isTested()) {
      return new Link(Joint.FIGURE, State.NOT_YET, "waits for the test");
    }
    boolean letters =
        answer.findings().first().shownMeans().stream().anyMatch(m -> !m.letters().isEmpty());
    return new Link(Joint.FIGURE, State.DONE, letters ? "means with letters" : "means drawn");
  }
}
