package app.knuckle.study.words;

import com.github.difflib.DiffUtils;
import com.github.difflib.patch.AbstractDelta;
import java.util.ArrayList;
import java.util.List;

/** Which words of a text are new beside an older one. */
public final class WordChanges {

  private WordChanges() {}

  /**
   * A stretch of words.
   *
   * @param text with its blanks
   * @param changed whether the older text does not have it
   */
  public record Piece(String text, boolean changed) {}

  /**
   * The newer text with what is new in it marked.
   *
   * @param before the older text
   * @param now the newer text
   * @return stretches that make the newer text, changed and unchanged in turn
   */
  public static List<Piece> of(String before, String now) {
    List<String> old = words(before);
    List<String> words = words(now);
    boolean[] changed = new boolean[words.size()];
    for (AbstractDelta<String> delta : DiffUtils.diff(old, words).getDeltas()) {
      for (int i = 0; i < delta.getTarget().size(); i++) {
        changed[delta.getTarget().getPosition() + i] = true;
      }
    }
    List<Piece> pieces = new ArrayList<>();
    StringBuilder piece = new StringBuilder();
    for (int i = 0; i < changed.length; i++) {
      if (i > 0 && changed[i] != changed[i - 1]) {
        pieces.add(new Piece(piece.toString(), changed[i - 1]));
        piece.setLength(0);
      }
      piece.append(words.get(i));
    }
    if (!piece.isEmpty()) {
      pieces.add(new Piece(piece.toString(), changed[changed.length - 1]));
    }
    return pieces;
  }

  /** Words with the blanks that follow them, so that together they are the text. */
  private static List<String> words(String text) {
    return text.isEmpty() ? List.of() : List.of(text.split("(?<=\\s)(?=\\S)"));
  }
}
