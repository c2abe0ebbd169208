package app.knuckle.figures.scatter;

import app.knuckle.stats.Quantity;
import app.knuckle.study.beside.Beside;
import app.knuckle.study.beside.Beside.MeanBeside;
import app.knuckle.study.cells.GroupSummary;
import app.knuckle.study.findings.ShownMean;
import java.util.List;
import java.util.Optional;

/**
 * Means of two answers, each pair at one place.
 *
 * @param title of the axis
 * @param means in their order
 */
public record MovedMeans(String title, List<Moved> means) {

  public MovedMeans {
    means = List.copyOf(means);
  }

  /**
   * A mean before and after.
   *
   * @param name of it
   * @param before its value; absent where only the second answer has it
   * @param halfBefore half the length of its interval
   * @param after its value; absent where only the first answer has it
   * @param halfAfter half the length of its interval
   */
  public record Moved(
      String name, Quantity before, Quantity halfBefore, Quantity after, Quantity halfAfter) {}

  /**
   * The means of a response.
   *
   * @param beside two answers
   * @param measured the response
   * @return those that at least one of them has
   */
  public static MovedMeans of(Beside beside, String measured) {
    List<Moved> moved =
        beside.means().stream()
            .filter(m -> m.measured().equals(measured))
            .map(MovedMeans::moved)
            .filter(m -> m.before.exists() || m.after.exists())
            .toList();
    String title =
        List.of(beside.left(), beside.right()).stream()
            .flatMap(f -> f.responses().stream())
            .filter(r -> r.measured().name().equals(measured))
            .map(r -> r.measured().title())
            .findFirst()
            .orElse(measured);
    return new MovedMeans(title, moved);
  }

  private static Moved moved(MeanBeside mean) {
    Optional<ShownMean> left = mean.left();
    Optional<ShownMean> right = mean.right();
    return new Moved(
        GroupSummary.name(mean.levels()),
        Beside.of(left, ShownMean::mean),
        Beside.of(left, m -> m.reach().up()),
        Beside.of(right, ShownMean::mean),
        Beside.of(right, m -> m.reach().up()));
  }
}
