package app.knuckle.desktop.sheet;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import javafx.scene.text.Font;
import javafx.scene.text.Text;
import javafx.scene.text.TextAlignment;

/** Paints the part of a sheet that is in view. It decides nothing but where a text is cut. */
final class SheetPainter {

  private static final double EDGE = 8;
  private static final double BAND = 4;
  private static final double NAME_LINE = 19;
  private static final double SMALL_LINE = 36;
  private static final double BARS_FOOT = 66;
  private static final double BARS_TALL = 18;
  private static final double BARS_WIDE = 60;
  private static final double BAR_WIDEST = 10;
  private static final double LEAST_BAR = 2;
  private static final double LEVEL_ROUND = 4;
  private static final double PART_LINE = 79;
  private static final double RING = 2;
  private static final String CUT = "\u2026";

  /** Widths kept; more cells than are ever in view at once. */
  private static final int REMEMBERED = 4096;

  private final Ink ink;
  private final Text measured = new Text();
  private final Map<Cut, String> cuts =
      new LinkedHashMap<>(REMEMBERED, 0.75f, true) {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Cut, String> eldest) {
          return size() > REMEMBERED;
        }
      };

  private record Cut(String text, Font font, int room) {}

  /**
   * What is painted.
   *
   * @param cells what they say
   * @param at where they are
   * @param selection which are selected
   * @param focused whether the sheet has the keyboard
   * @param written texts written into cells and not yet taken, by place
   */
  record View(
      Cells cells, Geometry at, Selection selection, boolean focused, Map<Place, String> written) {}

  SheetPainter(Ink ink) {
    this.ink = ink;
  }

  void paint(GraphicsContext g, View view) {
    Geometry at = view.at();
    g.setFill(ink.paper.get());
    g.fillRect(0, 0, at.width(), at.height());
    g.setTextBaseline(VPos.CENTER);
    for (int row = at.firstRow(); row <= at.lastRow(); row++) {
      paintRow(g, view, row);
    }
    paintRing(g, view);
    g.setFill(ink.paper.get());
    g.fillRect(0, 0, at.width(), at.head());
    for (int c = at.firstColumn(); c <= at.lastColumn(); c++) {
      paintHead(g, view, c);
    }
    if (view.selection().focus().row() == Place.HEAD) {
      paintRing(g, view);
    }
    g.setFill(ink.paper.get());
    g.fillRect(0, 0, at.names(), at.height());
    for (int row = at.firstRow(); row <= at.lastRow(); row++) {
      paintName(g, view, row);
    }
    g.setFill(ink.paper.get());
    g.fillRect(0, 0, at.names(), at.head());
    line(g, ink.rule.get(), at.head());
  }

  private void paintRow(GraphicsContext g, View view, int row) {
    Geometry at = view.at();
    double top = at.top(row);
    double tall = at.height(row);
    boolean struck = !view.cells().struck(row).isEmpty();
    for (int c = at.firstColumn(); c <= at.lastColumn(); c++) {
      double left = at.left(c);
      double wide = at.width(c);
      boolean odd = !view.cells().odd(row, c).isEmpty();
      if (view.selection().holds(row, c) || odd) {
        g.setFill(view.selection().holds(row, c) ? ink.selected.get() : ink.odd.get());
        g.fillRect(left, top, wide, tall);
      }
      Place place = new Place(row, c);
      String text = view.written().getOrDefault(place, view.cells().text(row, c));
      if (!text.isEmpty()) {
        Color color = struck ? ink.muted.get() : odd ? ink.oddText.get() : ink.text.get();
        boolean right = view.cells().heads().get(c).right();
        double middle = top + tall / 2;
        text(g, text, ink.font.get(), color, left + EDGE, wide - 2 * EDGE, middle, right);
        if (struck) {
          strike(g, text, left + EDGE, wide - 2 * EDGE, middle, right);
        }
      }
    }
    line(g, ink.hairline.get(), top + tall);
  }

  private void strike(
      GraphicsContext g, String text, double left, double room, double middle, boolean right) {
    double wide = Math.min(room, width(text, ink.font.get()));
    g.fillRect(right ? left + room - wide : left, Math.floor(middle), wide, 1);
  }

  private static void line(GraphicsContext g, Color color, double y) {
    g.setFill(color);
    g.fillRect(0, Math.floor(y) - 1, g.getCanvas().getWidth(), 1);
  }

  private void paintName(GraphicsContext g, View view, int row) {
    Geometry at = view.at();
    double middle = at.top(row) + at.height(row) / 2;
    text(
        g,
        view.cells().name(row),
        ink.font.get(),
        ink.muted.get(),
        EDGE,
        at.names() - EDGE,
        middle,
        false);
    line(g, ink.hairline.get(), at.top(row) + at.height(row));
  }

  private void paintHead(GraphicsContext g, View view, int column) {
    Geometry at = view.at();
    Cells.Head head = view.cells().heads().get(column);
    double left = at.left(column);
    double wide = at.width(column);
    if (view.selection().holds(Place.HEAD, column)) {
      g.setFill(ink.selected.get());
      g.fillRect(left, 0, wide, at.head() - 1);
    }
    String name = view.written().getOrDefault(new Place(Place.HEAD, column), head.name());
    double room = wide - 2 * EDGE;
    double x = left + EDGE;
    if (at.head() < BARS_FOOT) {
      text(g, name, ink.nameFont.get(), ink.text.get(), x, room, at.head() / 2, false);
      return;
    }
    g.setFill(ink.part(head.part()));
    g.fillRect(left + 1, 0, wide - 2, BAND);
    text(g, name, ink.nameFont.get(), ink.text.get(), x, room, NAME_LINE, false);
    text(g, head.line(), ink.smallFont.get(), ink.muted.get(), x, room, SMALL_LINE, false);
    paintBars(g, head.bars(), head.levels(), x);
    String part = head.part().title();
    text(g, part, ink.smallFont.get(), ink.part(head.part()), x, room, PART_LINE, false);
    text(g, head.mark(), ink.smallFont.get(), ink.oddText.get(), x, room, PART_LINE, true);
  }

  private void paintBars(GraphicsContext g, List<Double> bars, boolean levels, double left) {
    double gap = 1;
    double wide = Math.min(BAR_WIDEST, BARS_WIDE / Math.max(1, bars.size()) - gap);
    g.setFill(levels ? ink.focus.get() : ink.bar.get());
    for (int i = 0; i < bars.size(); i++) {
      double tall = bars.get(i) == 0 ? 0 : Math.max(LEAST_BAR, bars.get(i) * BARS_TALL);
      double x = left + i * (wide + gap);
      double round = levels ? LEVEL_ROUND : 0;
      g.fillRoundRect(x, BARS_FOOT - tall, wide, tall, round, round);
    }
  }

  private void paintRing(GraphicsContext g, View view) {
    Place focus = view.selection().focus();
    Geometry at = view.at();
    if (focus.column() < 0 || focus.column() >= at.columns() || focus.row() >= at.rows()) {
      return;
    }
    double thick = view.focused() ? RING : 1;
    g.setStroke(view.focused() ? ink.focus.get() : ink.muted.get());
    g.setLineWidth(thick);
    g.strokeRect(
        at.left(focus.column()) + thick / 2,
        at.top(focus.row()) + thick / 2 - (focus.row() == Place.HEAD ? 0 : 1),
        at.width(focus.column()) - thick,
        at.height(focus.row()) - thick);
  }

  private void text(
      GraphicsContext g,
      String text,
      Font font,
      Color color,
      double left,
      double room,
      double middle,
      boolean right) {
    if (text.isEmpty() || room <= 0) {
      return;
    }
    g.setFont(font);
    g.setFill(color);
    g.setTextAlign(right ? TextAlignment.RIGHT : TextAlignment.LEFT);
    g.fillText(cut(text, font, room), right ? left + room : left, middle);
  }

  /** The text as far as there is room for it. */
  String cut(String text, Font font, double room) {
    if (text.length() * font.getSize() <= room) {
      return text; // No sign of the faces used is wider than it is tall.
    }
    return cuts.computeIfAbsent(
        new Cut(text, font, (int) room),
        key -> {
          if (width(text, font) <= room) {
            return text;
          }
          int fits = 0;
          int beyond = text.length();
          while (beyond - fits > 1) {
            int middle = (fits + beyond) / 2;
            if (width(text.substring(0, middle) + CUT, font) <= room) {
              fits = middle;
            } else {
              beyond = middle;
            }
          }
          return text.substring(0, fits) + CUT;
        });
  }

  private double width(String text, Font font) {
    measured.setFont(font);
    measured.setText(text);
    return measured.getLayoutBounds().getWidth();
  }
}
