package app.knuckle.desktop.shell;

import app.knuckle.stats.Progress;
import javafx.concurrent.Task;

/**
 * A task whose computation asks whether it is still wanted, and knows nothing of the window.
 *
 * @param <T> what it gives
 */
public abstract class Work<T> extends Task<T> {

  /**
   * The task as the computation sees it.
   *
   * @return stopped once the task is cancelled; what is done shows as the task's progress
   */
  protected final Progress progress() {
    return new Progress() {
      @Override
      public boolean stopped() {
        return isCancelled();
      }

      @Override
      public void done(double share) {
        updateProgress(share, 1);
      }
    };
  }
}
