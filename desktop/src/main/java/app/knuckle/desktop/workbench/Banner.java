package app.knuckle.desktop.workbench;

import java.util.List;

/**
 * A message above the joint, with what can be done about it. It stands in no one's way.
 *
 * @param words what happened, a sentence or two
 * @param trouble whether something went wrong
 * @param ways what can be done; a way to dismiss it is always there
 */
public record Banner(String words, boolean trouble, List<Way> ways) {

  public Banner {
    ways = List.copyOf(ways);
  }

  /**
   * Something to do about it.
   *
   * @param title on its button
   * @param action what it does
   */
  public record Way(String title, Runnable action) {}
}
