package app.knuckle.desktop.window;

import app.knuckle.desktop.workbench.Answer;
import app.knuckle.desktop.workbench.Joint;
import app.knuckle.desktop.workbench.Line;
import java.util.ArrayList;
import java.util.Arrays;
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

  /**
   * A joint in the chain.
   *
   * @param joint which
   * @param line its live line
   */
  public record Link(Joint joint, Line line) {

    /**
     * Whether the joint can be opened: it holds something, or the waiting is ended there. Returns
     * false while it waits for another joint.
     */
    public boolean opens() {
      return line.state() != Line.State.NOT_YET || joint == Joint.RECORDS || joint == Joint.LAYOUT;
    }
  }

  /**
   * The chain of an answer.
   *
   * @param answer null before the first one
   * @return the page
   */
  public static ChainPage of(Answer answer) {
    return answer == null ? made(null) : answer.page(ChainPage.class, ChainPage::made);
  }

  /** The chain while no records are open: the page; no joint opens. */
  public static ChainPage ofNothing() {
    ChainPage waiting = made(null);
    List<Link> links = new ArrayList<>(waiting.links);
    links.set(0, new Link(Joint.RECORDS, Line.notYet("no records open")));
    links.set(1, new Link(Joint.LAYOUT, Line.notYet("waits for records")));
    return new ChainPage(links);
  }

  private static ChainPage made(Answer answer) {
    return new ChainPage(
        Arrays.stream(Joint.values())
            .map(joint -> new Link(joint, Joints.of(joint).line().apply(answer)))
            .toList());
  }
}
