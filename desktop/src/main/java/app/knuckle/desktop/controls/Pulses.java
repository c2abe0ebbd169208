package app.knuckle.desktop.controls;

import java.util.ArrayDeque;
import java.util.Collection;
import java.util.Deque;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;

/**
 * Makes a large part of a window piece by piece, one before each painting, so that the window
 * answers in between. Off the interface thread, where nobody waits, everything is made at once.
 */
public final class Pulses extends AnimationTimer {

  private static final AtomicInteger WAITING = new AtomicInteger();

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
    WAITING.addAndGet(further.size());
    start();
  }

  /**
   * Does something before the next painting, however often it is asked for until then.
   *
   * @param piece always the same object
   */
  public void once(Runnable piece) {
    if (pieces.remove(piece)) {
      WAITING.decrementAndGet();
    }
    add(List.of(piece));
  }

  /**
   * Pieces still to be made, anywhere.
   *
   * @return 0 when all that is shown is whole
   */
  public static int waiting() {
    return WAITING.get();
  }

  @Override
  public void handle(long now) {
    // Every other painting is left to whatever else waits, so that two pieces never add up.
    resting = !resting;
    if (resting) {
      return;
    }
    try {
      if (!pieces.isEmpty()) {
        pieces.peek().run();
      }
    } finally {
      if (pieces.poll() != null) {
        WAITING.decrementAndGet();
      }
      if (pieces.isEmpty()) {
        stop();
      }
    }
  }
}
