package app.knuckle.desktop.test;

import javafx.scene.layout.Pane;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Polyline;
import javafx.scene.text.Text;

/** The density of F with the tail beyond the critical value filled and this F marked. */
final class CurveView extends Pane {

  private static final double HEIGHT = 170;
  private static final double FOOT = 24;
  private static final double HEAD = 24;
  private static final double EDGE = 8;

  private final FCurve curve;

  CurveView(FCurve curve) {
    this.curve = curve;
    setId("f-curve");
    setMinSize(220, HEIGHT);
    setPrefHeight(HEIGHT);
  }

  @Override
  protected void layoutChildren() {
    getChildren().clear();
    double width = getWidth() - 2 * EDGE;
    double base = getHeight() - FOOT;
    double tall = base - HEAD;
    Polyline line = new Polyline();
    line.getStyleClass().add("curve-line");
    Polygon tail = new Polygon();
    tail.getStyleClass().add("curve-tail");
    for (FCurve.Point p : curve.points()) {
      double x = EDGE + p.x() * width;
      double y = base - p.height() * tall;
      line.getPoints().addAll(x, y);
      if (p.x() >= curve.critical()) {
        if (tail.getPoints().isEmpty()) {
          tail.getPoints().addAll(x, base);
        }
        tail.getPoints().addAll(x, y);
      }
    }
    tail.getPoints().addAll(EDGE + width, base);
    Line axis = new Line(EDGE, base, EDGE + width, base);
    axis.getStyleClass().add("curve-axis");
    double at = EDGE + curve.at() * width;
    Line mark = new Line(at, HEAD, at, base);
    mark.getStyleClass().add("curve-mark");
    Text value =
        text(curve.beyond() ? curve.text() + ", far beyond \u2192" : curve.text(), "curve-value");
    double wide = value.getLayoutBounds().getWidth();
    boolean roomRight = at + 6 + wide < getWidth();
    value.relocate(roomRight ? at + 6 : at - 6 - wide, HEAD - 20);
    Text zero = text("0", "curve-tick");
    zero.relocate(EDGE, base + 4);
    Text critical = text("critical " + curve.criticalText(), "curve-tick");
    double middle = critical.getLayoutBounds().getWidth() / 2;
    critical.relocate(EDGE + curve.critical() * width - middle, base + 4);
    getChildren().addAll(tail, line, axis, mark, value, zero, critical);
  }

  private static Text text(String words, String styleClass) {
    Text text = new Text(words);
    text.getStyleClass().add(styleClass);
    return text;
  }
}
