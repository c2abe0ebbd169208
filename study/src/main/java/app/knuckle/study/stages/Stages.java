package app.knuckle.study.stages;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Supplier;

/**
 * The stages of one inquiry: prepared, laid, fitted, compared. The last value of each is kept with
 * the inputs it was made from; equal inputs give the same value again, so that a change is paid for
 * from its own stage on.
 *
 * <p>A stage must be made from its inputs alone. May be used by several threads: two that make the
 * same stage at once do so twice.
 */
public final class Stages {

  private record Made(Object inputs, Object value, int turn) {}

  private final boolean keeps;
  private final Map<String, Made> last = new ConcurrentHashMap<>();
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
   * @param stage its name; of what it is about, where there are several
   * @param inputs all that it is made from, as a value: what cannot be compared cheaply goes in as
   *     a {@link Same}
   * @param make makes it; what it throws is not remembered
   * @param <V> its kind, the same for a name
   * @return the value
   */
  @SuppressWarnings("unchecked")
  public <V> V of(String stage, Object inputs, Supplier<V> make) {
    Made known = last.get(stage);
    V value = known != null && known.inputs().equals(inputs) ? (V) known.value() : make.get();
    if (keeps) {
      last.put(stage, new Made(inputs, value, turn));
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

  /**
   * Something that is equal to itself only.
   *
   * @param value compared by identity
   */
  public record Same(Object value) {
    @Override
    public boolean equals(Object other) {
      return other instanceof Same same && same.value == value;
    }

    @Override
    public int hashCode() {
      return System.identityHashCode(value);
    }
  }
}
