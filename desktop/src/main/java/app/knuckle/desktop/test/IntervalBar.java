package app.knuckle.desktop.test;

/** An interval with its estimate, against a mark at no difference. */
final class IntervalBar extends CellDrawing {

  private static final double WIDTH = 170;
  private static final double HEIGHT = 18;
  private static final double THICK = 4;
  private static final double DOT = 9;

  IntervalBar(TestPage.Interval interval) {
    super(WIDTH, HEIGHT);
    double room = WIDTH - DOT;
    double edge = DOT / 2;
    add("signal-track", 0, (HEIGHT - 1) / 2, WIDTH, 1);
    double from = edge + interval.low() * room;
    double to = edge + interval.high() * room;
    add("signal-fill", from, (HEIGHT - THICK) / 2, Math.max(1, to - from), THICK);
    add("signal-notch", edge + interval.none() * room - 1, 0, 2, HEIGHT);
    double middle = edge + interval.middle() * room;
    add("interval-dot", middle - DOT / 2, (HEIGHT - DOT) / 2, DOT, DOT);
  }
}
