package app.knuckle.desktop.workbench;

/**
 * The live line of a joint in the chain.
 *
 * @param state how far the joint is
 * @param words one line
 */
public record Line(State state, String words) {

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
   * A joint that holds an answer.
   *
   * @param twice whether to look at it twice
   * @param words one line
   * @return the line
   */
  public static Line done(boolean twice, String words) {
    return new Line(twice ? State.CAUTION : State.DONE, words);
  }

  /**
   * A joint that waits.
   *
   * @param words for what
   * @return the line
   */
  public static Line notYet(String words) {
    return new Line(State.NOT_YET, words);
  }
}
