package app.knuckle.desktop.workbench;

/** The joints of the chain, in the order in which people work. */
public enum Joint {
  /** The table and its prep trail. */
  RECORDS("Records"),
  /** The design sentence and what follows from it. */
  LAYOUT("Layout"),
  /** The groups before any test. */
  LOOK("Look"),
  /** Whether the answer can stand on these data. */
  FOOTING("Footing"),
  /** The tests. */
  TEST("Test"),
  /** Which means differ. */
  COMPARE("Compare"),
  /** The picture of the means. */
  FIGURE("Figure"),
  /** The page that goes into the paper. */
  WRITE_UP("Write-up");

  private final String title;

  Joint(String title) {
    this.title = title;
  }

  /** The name on screen, such as "Records". */
  public String title() {
    return title;
  }
}
