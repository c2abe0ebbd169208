package app.knuckle.figures.means;

import app.knuckle.figures.scene.Face;
import app.knuckle.figures.scene.Type;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** Puts brackets on levels above the plot, short ones lowest, so that none meets another. */
final class BracketLevels {

  private static final double APART = 3;

  private final MeansFigure figure;
  private final double size;

  BracketLevels(MeansFigure figure, double size) {
    this.figure = figure;
    this.size = size;
  }

  /**
   * A bracket in its place.
   *
   * @param left end, in points
   * @param right end
   * @param middle of its text
   * @param level from 0, the lowest
   * @param text its p
   */
  record Placed(double left, double right, double middle, int level, String text) {}

  int levels(MeansFrame frame) {
    return placed(frame).stream().mapToInt(Placed::level).max().orElse(-1) + 1;
  }

  List<Placed> placed(MeansFrame frame) {
    List<MeansFigure.Bracket> order = new ArrayList<>(figure.brackets());
    order.sort(
        Comparator.comparingInt((MeansFigure.Bracket b) -> b.right() - b.left())
            .thenComparing(MeansFigure.Bracket::left));
    List<Placed> all = new ArrayList<>();
    for (MeansFigure.Bracket b : order) {
      double left = frame.centre(b.left());
      double right = frame.centre(b.right());
      double half = Type.width(b.text(), Face.REGULAR, size) / 2;
      double middle =
          Math.min(
              frame.width - MeansFrame.MARGIN - half,
              Math.max(MeansFrame.MARGIN + half, (left + right) / 2));
      double from = Math.min(left, middle - half) - APART;
      double to = Math.max(right, middle + half) + APART;
      int level = 0;
      while (isTaken(all, level, from, to, size)) {
        level++;
      }
      all.add(new Placed(left, right, middle, level, b.text()));
    }
    return all;
  }

  private static boolean isTaken(List<Placed> all, int level, double from, double to, double size) {
    return all.stream()
        .filter(p -> p.level() == level)
        .anyMatch(
            p -> {
              double half = Type.width(p.text(), Face.REGULAR, size) / 2;
              return Math.min(p.left(), p.middle() - half) < to
                  && Math.max(p.right(), p.middle() + half) > from;
            });
  }
}
