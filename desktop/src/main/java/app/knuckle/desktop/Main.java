package app.knuckle.desktop;

import app.knuckle.desktop.command.KnuckleCommand;
import app.knuckle.desktop.keeping.LogFile;

/** Starts Knuckle. Not an {@code Application} itself, so that JavaFX works from the class path. */
public final class Main {

  private Main() {}

  /**
   * Runs the command line; without a command, opens the window.
   *
   * @param args as typed
   */
  public static void main(String[] args) {
    LogFile.start();
    // Pictures are drawn by AWT, which needs no display for that and must not share the window's.
    System.setProperty("java.awt.headless", "true");
    int status = KnuckleCommand.run(args);
    if (status != 0) {
      System.exit(status);
    }
  }
}
