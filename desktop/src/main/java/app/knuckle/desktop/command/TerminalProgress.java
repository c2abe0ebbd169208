package app.knuckle.desktop.command;

import app.knuckle.stats.Progress;
import java.io.PrintWriter;
import java.time.Duration;
import java.time.Instant;

/** Says on a terminal how far something is that takes long; a script hears nothing of it. */
final class TerminalProgress implements Progress, AutoCloseable {

  /** What is done sooner needs no word. */
  private static final Duration LONG = Duration.ofMillis(500);

  private static final int PERCENT = 100;

  private final PrintWriter terminal;
  private final boolean heard;
  private Instant said = Instant.now();
  private boolean begun;

  /**
   * Progress of what begins now.
   *
   * @param terminal to say it on
   * @param heard whether anybody reads along
   */
  TerminalProgress(PrintWriter terminal, boolean heard) {
    this.terminal = terminal;
    this.heard = heard;
  }

  @Override
  public boolean stopped() {
    return false;
  }

  @Override
  public synchronized void done(double share) {
    Instant now = Instant.now();
    if (heard && Duration.between(said, now).compareTo(LONG) > 0) {
      terminal.print("\r" + Math.round(share * PERCENT) + "% ");
      terminal.flush();
      said = now;
      begun = true;
    }
  }

  /** Leaves the line to what comes next. */
  @Override
  public synchronized void close() {
    if (begun) {
      terminal.print("\r     \r");
      terminal.flush();
    }
  }
}
