package app.knuckle.desktop.test;

/** F as a bar, with a notch at the critical value. */
final class SignalBar extends CellDrawing {

  private static final double WIDTH = 150;
  private static final double HEIGHT = 6;

  /** How far the notch stands out, so that it is seen over a full bar. */
  private static final double OVER = 4;

  SignalBar(double signal, double critical) {
    super(WIDTH, HEIGHT);
    getStyleClass().add("signal");
    add("signal-track", 0, 0, WIDTH, HEIGHT);
    add("signal-fill", 0, 0, signal * WIDTH, HEIGHT);
    if (critical >= 0) {
      add("signal-notch", critical * WIDTH - 1, -OVER, 2, HEIGHT + 2 * OVER);
    }
  }
}
