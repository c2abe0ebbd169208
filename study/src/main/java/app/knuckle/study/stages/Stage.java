package app.knuckle.study.stages;

import app.knuckle.stats.Progress;

/**
 * A step on the way to an answer: how a value is made from its inputs. A stage is a constant, so
 * that it can see nothing but what stands in its inputs.
 *
 * @param <I> a record of just the inputs; what cannot be compared cheaply stands in it as a {@link
 *     Same}
 * @param <V> what is made; it must hold on to neither the stages nor the progress
 */
public final class Stage<I extends Record, V> {

  /**
   * How a value is made.
   *
   * @param <I> its inputs
   * @param <V> its kind
   */
  @FunctionalInterface
  public interface Maker<I, V> {
    /**
     * Makes the value.
     *
     * @param inputs all that it depends on
     * @param stages for what it is made from in turn
     * @param progress asked on the way
     * @return the value
     */
    V make(I inputs, Stages stages, Progress progress);
  }

  private final Maker<I, V> maker;

  /** A stage that is made in one way. */
  public Stage(Maker<I, V> maker) {
    this.maker = maker;
  }

  V make(I inputs, Stages stages, Progress progress) {
    return maker.make(inputs, stages, progress);
  }
}
