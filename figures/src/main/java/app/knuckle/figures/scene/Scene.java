package app.knuckle.figures.scene;

import java.util.List;

/**
 * A picture laid out.
 *
 * @param width in points
 * @param height in points
 * @param marks from back to front
 */
public record Scene(double width, double height, List<Mark> marks) {

  public Scene {
    marks = List.copyOf(marks);
  }
}
