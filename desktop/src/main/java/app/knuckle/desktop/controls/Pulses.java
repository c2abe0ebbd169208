package app.knuckle.desktop.controls;

import java.util.LinkedList;
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

  private final List<Runnable> pieces = new LinkedList<>();
  private boolean resting = true;

  /**
   * Makes further pieces after those still to be made.
   *
   * @param further the pieces, in order
   */
  public void add(List<? extends Runnable> further) {
    put(further, pieces.size());
  }

  /**
   * Makes other pieces before those still to be made, which are no longer looked at.
   *
   * @param urgent the pieces, in order
   */
  public void addFirst(List<? extends Runnable> urgent) {
    put(urgent, 0);
  }

  private void put(List<? extends Runnable> more, int at) {
    if (!Platform.isFxApplicationThread()) {
      more.forEach(Runnable::run);
      return;
    }
    pieces.addAll(at, more);
    WAITING.addAndGet(more.size());
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

  /** Pieces still to be made, anywhere: 0 when all that is shown is whole. */
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
        Runnable piece = pieces.remove(0);
        WAITING.decrementAndGet();
        piece.run();
      }
    } finally {
      if (pieces.isEmpty()) {
        stop();
      }
    }
  }
}
