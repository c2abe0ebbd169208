package app.knuckle.study.stages;

import app.knuckle.stats.Progress;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/**
 * The stages of one inquiry: prepared, laid, fitted, compared. The last value of each is kept with
 * the inputs it was made from; equal inputs give the same value again, so that a change is paid for
 * from its own stage on.
 *
 * <p>May be used by several threads: two that make the same stage at once do so twice.
 */
public final class Stages {

  private record Key(Stage<?, ?> stage, Object about) {}

  private record Made(Object inputs, Object value, int turn) {}

  private final boolean keeps;
  private final Map<Key, Made> last = new ConcurrentHashMap<>();
  private volatile int turn;

  private Stages(boolean keeps) {
    this.keeps = keeps;
  }

  /** Stages that remember: with nothing made yet. */
  public static Stages kept() {
    return new Stages(true);
  }

  /**
   * Stages that are made anew each time, for a question that is asked once: stages that remember
   * nothing.
   */
  public static Stages once() {
    return new Stages(false);
  }

  /**
   * The value of a stage.
   *
   * @param stage how it is made
   * @param inputs all that it is made from
   * @param progress asked on the way
   * @param <I> kind of the inputs
   * @param <V> kind of the value
   * @return the value; what making it throws is not remembered
   */
  public <I extends Record, V> V of(Stage<I, V> stage, I inputs, Progress progress) {
    return of(stage, "", inputs, progress);
  }

  /**
   * The value of a stage of which there are several, one for each of what it is about.
   *
   * @param stage how it is made
   * @param about what it is about, such as a response: each has a memory of its own
   * @param inputs all that it is made from
   * @param progress asked on the way
   * @param <I> kind of the inputs
   * @param <V> kind of the value
   * @return the value; what making it throws is not remembered
   */
  @SuppressWarnings("unchecked") // Under the key of a stage stands only what that stage made.
  public <I extends Record, V> V of(Stage<I, V> stage, Object about, I inputs, Progress progress) {
    Key key = new Key(stage, about);
    Made known = last.get(key);
    V value =
        known != null && known.inputs().equals(inputs)
            ? (V) known.value()
            : stage.make(inputs, this, progress);
    if (keeps) {
      last.put(key, new Made(inputs, value, turn));
    }
    return value;
  }

  /**
   * An answer is whole. Stages that neither it nor the one before asked for are let go: those of a
   * response that is no longer measured, of means that are no longer compared.
   */
  public void answered() {
    int before = turn - 1;
    last.values().removeIf(made -> made.turn() < before);
    turn++;
  }
}
