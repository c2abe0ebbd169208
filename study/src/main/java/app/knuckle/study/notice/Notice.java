package app.knuckle.study.notice;

import app.knuckle.study.prep.Stack;
import app.knuckle.study.prep.Step;
import java.util.List;
import java.util.Optional;

/**
 * Something odd about the records.
 *
 * @param column where; empty for the table as a whole
 * @param words what is odd, a sentence
 * @param rows of the frame, from 0, that show it; the first ones if there are very many
 * @param fixes what can be done about it, the likeliest first; may be empty
 */
public record Notice(String column, String words, List<Integer> rows, List<Fix> fixes) {

  public Notice {
    rows = List.copyOf(rows);
    fixes = List.copyOf(fixes);
  }

  /** The columns that it offers to stack: the first such step; empty if another thing is odd. */
  public Optional<Stack> stack() {
    return fixes.stream()
        .flatMap(fix -> fix.steps().stream())
        .filter(Stack.class::isInstance)
        .map(Stack.class::cast)
        .findFirst();
  }

  /**
   * A way to mend it.
   *
   * @param label what it does, short
   * @param steps of the prep trail
   */
  public record Fix(String label, List<Step> steps) {
    public Fix {
      steps = List.copyOf(steps);
    }
  }
}
