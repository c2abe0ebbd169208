package app.knuckle.figures.scene;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.AffineTransform;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Line2D;
import java.awt.geom.Rectangle2D;

/** Draws a scene on whatever device lends a {@code Graphics2D}. Decides nothing. */
public final class Painter {

  private static final float OUTLINE = 0.6f;

  private Painter() {}

  /**
   * Draws a scene.
   *
   * @param scene what to draw
   * @param g where; its unit is a point
   */
  public static void paint(Scene scene, Graphics2D g) {
    g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
    g.setRenderingHint(
        RenderingHints.KEY_TEXT_ANTIALIASING, RenderingHints.VALUE_TEXT_ANTIALIAS_ON);
    g.setRenderingHint(
        RenderingHints.KEY_FRACTIONALMETRICS, RenderingHints.VALUE_FRACTIONALMETRICS_ON);
    g.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
    g.setColor(colour(Ink.PAPER));
    g.fill(new Rectangle2D.Double(0, 0, scene.width(), scene.height()));
    for (Mark mark : scene.marks()) {
      if (mark instanceof Mark.Bar bar) {
        shape(g, bar.box(), bar.fill(), bar.edge());
      } else if (mark instanceof Mark.Dot dot) {
        Rectangle2D box = dot.box();
        shape(
            g,
            new Ellipse2D.Double(box.getX(), box.getY(), box.getWidth(), box.getHeight()),
            dot.fill(),
            dot.edge());
      } else if (mark instanceof Mark.Line line) {
        g.setColor(colour(line.ink()));
        g.setStroke(
            new BasicStroke((float) line.width(), BasicStroke.CAP_BUTT, BasicStroke.JOIN_MITER));
        g.draw(new Line2D.Double(line.x1(), line.y1(), line.x2(), line.y2()));
      } else if (mark instanceof Mark.Label label) {
        text(g, label);
      }
    }
  }

  private static void shape(Graphics2D g, java.awt.Shape shape, Ink fill, Ink edge) {
    if (fill != null) {
      g.setColor(colour(fill));
      g.fill(shape);
    }
    if (edge != null) {
      g.setColor(colour(edge));
      g.setStroke(new BasicStroke(OUTLINE));
      g.draw(shape);
    }
  }

  private static void text(Graphics2D g, Mark.Label label) {
    AffineTransform before = g.getTransform();
    g.setColor(colour(label.ink()));
    g.setFont(Type.font(label.face(), label.size()));
    g.translate(label.x(), label.y());
    if (label.turned()) {
      g.rotate(-Math.PI / 2);
    }
    g.drawString(
        label.text(),
        (float) (-label.width() / 2),
        (float) Type.baseline(label.face(), label.size()));
    g.setTransform(before);
  }

  private static Color colour(Ink ink) {
    return new Color(ink.rgb());
  }
}
