package app.knuckle.bench;

import app.knuckle.desktop.controls.Pulses;
import app.knuckle.desktop.demo.DemoStudy;
import app.knuckle.desktop.workbench.Joint;
import app.knuckle.desktop.workbench.SlipViewModel;
import javafx.application.Application;
import javafx.application.Platform;

/**
 * What the window holds once thirty inquiries were opened and every joint of each was looked at.
 */
public final class WindowMemory extends WindowScript {

  private static final int INQUIRIES = 30;
  private static final double MEGABYTE = 1 << 20;
  private static final int PAINTED_MS = 120;
  private static final int COLLECTIONS = 8;
  private static final double ALMOST = 0.999;

  /** Starts the application from a class that is none, as the class path needs it. */
  static final class Start {
    private Start() {}

    /**
     * Measures and prints.
     *
     * @param args none
     */
    public static void main(String[] args) {
      Application.launch(WindowMemory.class);
    }
  }

  @Override
  void script() {
    System.out.printf("%-40s %8.1f MB%n", "an empty window", held());
    inWindow(() -> workbench.open(DemoStudy.read()));
    while (workbench.slips().size() < INQUIRIES) {
      inWindow(workbench::copyCurrent);
      until(() -> workbench.currentProperty().get().answer() != null);
    }
    for (SlipViewModel slip : workbench.slips()) {
      inWindow(() -> workbench.currentProperty().set(slip));
      for (Joint joint : Joint.values()) {
        inWindow(() -> slip.jointProperty().set(joint));
        until(() -> Pulses.waiting() == 0);
        pause(PAINTED_MS);
      }
    }
    System.out.printf("%-40s %8.1f MB%n", INQUIRIES + " inquiries, every joint seen", held());
    while (workbench.slips().size() > 1) {
      inWindow(() -> workbench.close(workbench.currentProperty().get()));
    }
    System.out.printf("%-40s %8.1f MB%n", "all but one closed again", held());
    Platform.exit();
  }

  /**
   * What is left after the collector has run, in MB. The toolkit gives up pixels when it paints
   * next after a collection, so it is made to paint.
   */
  private double held() {
    Runtime runtime = Runtime.getRuntime();
    for (int i = 0; i < COLLECTIONS; i++) {
      System.gc();
      double seen = i % 2 == 0 ? ALMOST : 1;
      // The toolkit's pool looks at all that it holds when it paints, and so keeps it: at last it
      // is not asked to.
      if (i < COLLECTIONS / 2) {
        inWindow(() -> stage.getScene().getRoot().setOpacity(seen));
      }
      pause(PAINTED_MS);
    }
    return (runtime.totalMemory() - runtime.freeMemory()) / MEGABYTE;
  }
}
