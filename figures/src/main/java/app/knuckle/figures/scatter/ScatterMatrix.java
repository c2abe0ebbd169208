package app.knuckle.figures.scatter;

import app.knuckle.figures.scene.Face;
import app.knuckle.figures.scene.Ink;
import app.knuckle.figures.scene.Mark;
import app.knuckle.figures.scene.Scene;
import app.knuckle.figures.scene.Type;
import app.knuckle.figures.scene.ValueAxis;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Every column of numbers against every other: points below the diagonal, words above it.
 *
 * @param names of the columns
 * @param columns values of each, of one length
 * @param rows the row of the table behind each value
 * @param inks colour of each value
 * @param words what is said of each pair, by row and column; above the diagonal
 */
public record ScatterMatrix(
    List<String> names, double[][] columns, int[] rows, Ink[] inks, String[][] words) {

  private static final double SIZE = 10.5;
  private static final double GAP = 6;
  private static final double INSET = 5;
  private static final double DOT = 2.2;

  /** More points than this in a panel hide each other; they are thinned out evenly. */
  private static final int MOST_POINTS = 1_000;

  /**
   * Lays the picture out.
   *
   * @param width in points
   * @param height in points
   * @return the scene
   */
  public Scene laidOut(double width, double height) {
    int k = names.size();
    double wide = (width - GAP * (k - 1)) / k;
    double tall = (height - GAP * (k - 1)) / k;
    List<Mark> marks = new ArrayList<>();
    List<ValueAxis> axes = Arrays.stream(columns).map(ScatterMatrix::axis).toList();
    for (int i = 0; i < k; i++) {
      for (int j = 0; j < k; j++) {
        double left = j * (wide + GAP);
        double top = i * (tall + GAP);
        frame(marks, left, top, wide, tall);
        if (i == j) {
          text(marks, names.get(i), left + wide / 2, top + tall / 2, Face.STRONG, Ink.DARK, wide);
        } else if (j > i) {
          said(marks, words[i][j].split("\n"), left + wide / 2, top + tall / 2, wide);
        } else {
          points(marks, axes, i, j, left, top, wide, tall);
        }
      }
    }
    return new Scene(width, height, marks);
  }

  private static ValueAxis axis(double[] values) {
    return ValueAxis.holding(
        Arrays.stream(values).min().orElse(0), Arrays.stream(values).max().orElse(1), false, 3);
  }

  private static void frame(List<Mark> marks, double x, double y, double w, double h) {
    marks.add(new Mark.Line(x, y, x + w, y, 0.6, Ink.FAINT));
    marks.add(new Mark.Line(x, y + h, x + w, y + h, 0.6, Ink.FAINT));
    marks.add(new Mark.Line(x, y, x, y + h, 0.6, Ink.FAINT));
    marks.add(new Mark.Line(x + w, y, x + w, y + h, 0.6, Ink.FAINT));
  }

  private static void said(List<Mark> marks, String[] lines, double x, double y, double room) {
    double line = Type.height(SIZE) + 2;
    for (int l = 0; l < lines.length; l++) {
      double at = y + (l - (lines.length - 1) / 2.0) * line;
      text(marks, lines[l], x, at, l == 0 ? Face.STRONG : Face.REGULAR, Ink.DARK, room);
    }
  }

  private static void text(
      List<Mark> marks, String text, double x, double y, Face face, Ink ink, double room) {
    String cut = Type.shorten(text, face, SIZE, room - 2 * INSET);
    marks.add(Mark.Label.of(cut, x, y, SIZE, face, ink, false, Mark.Role.REMARK));
  }

  private void points(
      List<Mark> marks,
      List<ValueAxis> axes,
      int up,
      int across,
      double left,
      double top,
      double wide,
      double tall) {
    int step = Math.max(1, rows.length / MOST_POINTS);
    for (int r = 0; r < rows.length; r += step) {
      double x = axes.get(across).place(columns[across][r], left + INSET, left + wide - INSET);
      double y = axes.get(up).place(columns[up][r], top + tall - INSET, top + INSET);
      marks.add(new Mark.Dot(x, y, DOT, inks[r], Ink.PAPER, 0, rows[r]));
    }
  }
}
