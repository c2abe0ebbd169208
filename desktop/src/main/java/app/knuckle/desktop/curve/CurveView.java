package app.knuckle.desktop.curve;

import javafx.scene.layout.Pane;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Polyline;
import javafx.scene.text.Text;

/**
 * The distribution of a statistic with the tail beyond the critical value filled and the one seen
 * marked.
 */
public final class CurveView extends Pane {

  private static final double HEIGHT = 170;
  private static final double FOOT = 24;
  private static final double HEAD = 24;
  private static final double EDGE = 8;

  private final DistributionCurve curve;

  /**
   * A drawing.
   *
   * @param curve what is drawn
   */
  public CurveView(DistributionCurve curve) {
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
    for (DistributionCurve.Point p : curve.points()) {
      line.getPoints().addAll(EDGE + p.x() * width, base - p.height() * tall);
    }
    for (DistributionCurve.Shaded tail : curve.tails()) {
      getChildren().add(tail(tail, width, base, tall));
    }
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
    Text zero = text(curve.origin().text(), "curve-tick");
    zero.relocate(
        EDGE
            + curve.origin().at() * width
            - (curve.origin().at() > 0 ? zero.getLayoutBounds().getWidth() / 2 : 0),
        base + 4);
    getChildren().addAll(line, axis, mark, value, zero);
    for (DistributionCurve.Shaded tail : curve.tails()) {
      boolean alone = curve.tails().size() == 1;
      Text critical = text((alone ? "critical " : "") + tail.text(), "curve-tick");
      double middle = critical.getLayoutBounds().getWidth() / 2;
      critical.relocate(EDGE + tail.at() * width - middle, base + 4);
      getChildren().add(critical);
    }
  }

  private Polygon tail(DistributionCurve.Shaded tail, double width, double base, double tall) {
    Polygon shape = new Polygon();
    shape.getStyleClass().add("curve-tail");
    double last = 0;
    for (DistributionCurve.Point p : curve.points()) {
      if (tail.above() ? p.x() >= tail.at() : p.x() <= tail.at()) {
        double x = EDGE + p.x() * width;
        if (shape.getPoints().isEmpty()) {
          shape.getPoints().addAll(x, base);
        }
        shape.getPoints().addAll(x, base - p.height() * tall);
        last = x;
      }
    }
    shape.getPoints().addAll(last, base);
    return shape;
  }

  private static Text text(String words, String styleClass) {
    Text text = new Text(words);
    text.getStyleClass().add(styleClass);
    return text;
  }
}
