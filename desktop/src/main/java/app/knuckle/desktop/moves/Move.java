package app.knuckle.desktop.moves;

import java.util.List;

/**
 * Something that can be done.
 *
 * @param id of its own
 * @param title what it does, short
 * @param purpose what it is for, in a line
 * @param words that people use for it, beside those of the title
 * @param keys that do it, as the toolkit writes them: "Shortcut+S"; empty for none
 * @param whyNot why it cannot be done now and what to do first; empty where it can
 * @param act does it; on the interface thread
 */
public record Move(
    String id,
    String title,
    String purpose,
    List<String> words,
    String keys,
    String whyNot,
    Runnable act) {

  public Move {
    words = List.copyOf(words);
  }

  /** Whether it can be done now: false where something is missing. */
  public boolean isPossible() {
    return whyNot.isEmpty();
  }

  /** Does it, if it can be done. */
  public void run() {
    if (isPossible()) {
      act.run();
    }
  }
}
