package app.knuckle.stats;

import java.util.concurrent.CancellationException;

/** How a long computation asks whether it is still wanted, and tells how far it is. */
public interface Progress {

  /** Never stops and tells nobody. */
  Progress NONE =
      new Progress() {
        @Override
        public boolean stopped() {
          return false;
        }

        @Override
        public void done(double share) {
          // Nobody listens.
        }
      };

  /** Says whether the answer is no longer wanted: true once the computation should end. */
  boolean stopped();

  /**
   * Tells how much is done.
   *
   * @param share from 0 to 1
   */
  void done(double share);

  /**
   * Ends the computation if it is no longer wanted.
   *
   * @throws CancellationException if {@link #stopped()}
   */
  default void check() {
    if (stopped()) {
      throw new CancellationException("The answer is no longer wanted.");
    }
  }
}
