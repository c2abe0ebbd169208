package app.knuckle.desktop.controls;

import java.util.ArrayDeque;
import java.util.Collection;
import java.util.Deque;
import java.util.List;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;

/**
 * Makes a large part of a window piece by piece, one before each painting, so that the window
 * answers in between. Off the interface thread, where nobody waits, everything is made at once.
 */
public final class Pulses extends AnimationTimer {

  private final Deque<Runnable> pieces = new ArrayDeque<>();
  private boolean resting = true;

  /**
   * Makes further pieces after those still to be made.
   *
   * @param further the pieces, in order; each may add more
   */
  public void add(Collection<? extends Runnable> further) {
    if (!Platform.isFxApplicationThread()) {
      further.forEach(Runnable::run);
      return;
    }
    pieces.addAll(further);
    start();
  }

  /**
   * Does something before the next painting, however often it is asked for until then.
   *
   * @param piece always the same object
   */
  public void once(Runnable piece) {
    pieces.remove(piece);
    add(List.of(piece));
  }

  @Override
  public void handle(long now) {
    // Every other painting is left to whatever else waits, so that two pieces never add up.
    resting = !resting;
    if (resting) {
      return;
    }
    if (!pieces.isEmpty()) {
      pieces.remove().run();
    }
    if (pieces.isEmpty()) {
      stop();
    }
  }
}
