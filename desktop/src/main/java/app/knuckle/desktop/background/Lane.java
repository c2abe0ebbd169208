package app.knuckle.desktop.background;

import app.knuckle.stats.Progress;
import app.knuckle.study.Refused;
import java.util.ArrayDeque;
import java.util.Queue;
import java.util.concurrent.Executor;
import java.util.concurrent.Executors;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyDoubleProperty;
import javafx.beans.property.ReadOnlyDoubleWrapper;
import javafx.concurrent.Task;

/**
 * The one way to work beside the interface thread. A lane holds one piece of work at a time: it is
 * started, tells how far it is, is cancelled or overtaken, and ends well, refused or by a fault.
 *
 * <p>Everything here is called, and answers, on the interface thread; only the work itself is not.
 */
public final class Lane {

  private static final Executor THREADS =
      Executors.newCachedThreadPool(
          work -> {
            Thread thread = new Thread(work, "beside the window");
            thread.setDaemon(true);
            return thread;
          });

  private final boolean inTurn;
  private final Queue<Piece<?>> waiting = new ArrayDeque<>();
  private final ReadOnlyBooleanWrapper busy = new ReadOnlyBooleanWrapper();
  private final ReadOnlyDoubleWrapper progress = new ReadOnlyDoubleWrapper(-1);
  private Piece<?> running;

  private Lane(boolean inTurn) {
    this.inTurn = inTurn;
  }

  /**
   * A lane for answers of which only the latest counts: what is asked later overtakes what is still
   * running, which is then told to stop and never heard of again. Returns an empty lane.
   */
  public static Lane ofLatest() {
    return new Lane(false);
  }

  /**
   * A lane in which nothing is overtaken: one piece after the other, as they came. Returns an empty
   * lane.
   */
  public static Lane inTurn() {
    return new Lane(true);
  }

  /**
   * Starts work that cannot be refused.
   *
   * @param work done beside the interface thread; asks on the way whether it is still wanted
   * @param then told of its result
   * @param <T> what the work gives
   */
  public <T> void run(Function<Progress, T> work, Consumer<T> then) {
    run(
        work,
        then,
        refused -> {
          throw new IllegalStateException("Work that cannot be refused was", refused);
        });
  }

  /**
   * Starts work.
   *
   * @param work done beside the interface thread; asks on the way whether it is still wanted
   * @param then told of its result
   * @param otherwise told when the work was refused; any other failure is a fault of the program
   * @param <T> what the work gives
   */
  public <T> void run(Function<Progress, T> work, Consumer<T> then, Consumer<Refused> otherwise) {
    Piece<T> piece = new Piece<>(work, then, otherwise);
    if (inTurn && running != null) {
      waiting.add(piece);
      return;
    }
    stop();
    start(piece);
  }

  /** Gives up what is running and what waits. */
  public void cancel() {
    waiting.clear();
    stop();
    busy.set(false);
  }

  private void stop() {
    Piece<?> before = running;
    letGo();
    if (before != null) {
      before.cancel();
    }
  }

  /** What a piece gave is not held any longer than its taker wants it. */
  private void letGo() {
    running = null;
    progress.unbind();
    progress.set(-1);
  }

  private void start(Piece<?> piece) {
    running = piece;
    progress.bind(piece.progressProperty());
    busy.set(true);
    THREADS.execute(piece);
  }

  /** Whether a piece ended in its own time; then the lane is free, or the next one starts. */
  private boolean ends(Piece<?> piece) {
    if (piece != running) {
      return false; // Overtaken on the way here.
    }
    letGo();
    if (waiting.isEmpty()) {
      busy.set(false);
    } else {
      start(waiting.remove());
    }
    return true;
  }

  /** Whether something is being done: true from the start of a piece to its end. */
  public ReadOnlyBooleanProperty busyProperty() {
    return busy.getReadOnlyProperty();
  }

  /** Whether something is being done: true from the start of a piece to its end. */
  public boolean isBusy() {
    return busy.get();
  }

  /** How far the piece is: from 0 to 1; negative when it cannot be told. */
  public ReadOnlyDoubleProperty progressProperty() {
    return progress.getReadOnlyProperty();
  }

  /** Work as the toolkit knows it; the work itself sees only whether it is still wanted. */
  private final class Piece<T> extends Task<T> {
    private final Function<Progress, T> work;

    Piece(Function<Progress, T> work, Consumer<T> then, Consumer<Refused> otherwise) {
      this.work = work;
      setOnSucceeded(
          event -> {
            if (ends(this)) {
              then.accept(getValue());
            }
          });
      setOnFailed(
          event -> {
            if (!ends(this)) {
              return;
            }
            if (getException() instanceof Refused refused) {
              otherwise.accept(refused);
            } else {
              throw new IllegalStateException("Work beside the window failed", getException());
            }
          });
    }

    @Override
    protected T call() {
      return work.apply(
          new Progress() {
            @Override
            public boolean stopped() {
              return isCancelled();
            }

            @Override
            public void done(double share) {
              updateProgress(share, 1);
            }
          });
    }
  }
}
