package app.knuckle.study.plan;

/** How simulated values vary about their mean on single plots. */
public enum SimulatedErrors {
  /** Bell-shaped. */
  NORMAL("bell-shaped"),
  /** Every value between two ends alike. */
  UNIFORM("even between two ends"),
  /** Whole numbers, Poisson with the mean of the plot. */
  COUNTS("counts");

  private final String title;

  SimulatedErrors(String title) {
    this.title = title;
  }

  /** The name on screen, in plain words. */
  public String title() {
    return title;
  }
}
