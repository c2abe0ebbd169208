package app.knuckle.desktop.shell;

import app.knuckle.stats.compare.Comparison;
import app.knuckle.study.findings.ResponseFindings;
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
    return new Link(
        Joint.LAYOUT,
        caution ? State.CAUTION : State.DONE,
        Numerals.count(response.groups().size(), "group", "groups")
            + " of "
            + response.groups().treatment().label());
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

  private static Link test(Answer answer) {
    if (answer == null || !answer.isTested()) {
      return new Link(Joint.TEST, State.NOT_YET, "waits for two groups");
    }
    ResponseFindings response = answer.findings().first();
    return response.fit().treatment().p().exists()
        ? new Link(Joint.TEST, State.DONE, Numerals.pStatement(response.fit().treatment().p()))
        : new Link(Joint.TEST, State.CAUTION, "no test possible");
  }

  private static Link compare(Answer answer) {
    if (answer == null || !answer.isTested()) {
      return new Link(Joint.COMPARE, State.NOT_YET, "waits for the test");
    }
    ResponseFindings response = answer.findings().first();
    if (response.comparison().isEmpty()) {
      return new Link(Joint.COMPARE, State.NOT_YET, "too many groups to pair");
    }
    Comparison comparison = response.comparison().get();
    String line =
        Numerals.count(response.groups().size(), "mean", "means")
            + " \u00b7 "
            + Numerals.count(comparison.letters().count(), "letter", "letters");
    return new Link(Joint.COMPARE, response.overallDiffers() ? State.DONE : State.CAUTION, line);
  }

  private static Link figure(Answer answer) {
    return answer == null || !answer.isTested()
        ? new Link(Joint.FIGURE, State.NOT_YET, "waits for the test")
        : new Link(Joint.FIGURE, State.DONE, "means with letters");
  }
}
