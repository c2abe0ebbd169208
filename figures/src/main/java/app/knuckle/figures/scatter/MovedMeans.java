package app.knuckle.figures.scatter;

import app.knuckle.stats.Quantity;
import app.knuckle.study.beside.Abreast;
import app.knuckle.study.beside.Beside;
import app.knuckle.study.findings.ShownMean;
import java.util.List;
import java.util.Optional;

/**
 * Means of two or three answers, those of one group at one place.
 *
 * @param title of the axis
 * @param means in their order
 */
public record MovedMeans(String title, List<Moved> means) {

  public MovedMeans {
    means = List.copyOf(means);
  }

  /**
   * A mean in one answer.
   *
   * @param mean its value; absent where that answer does not have it
   * @param half half the length of its interval
   */
  public record Value(Quantity mean, Quantity half) {}

  /**
   * A mean in all answers.
   *
   * @param name of it
   * @param values one an answer, in their order
   */
  public record Moved(String name, List<Value> values) {
    public Moved {
      values = List.copyOf(values);
    }
  }

  /**
   * The means of a response.
   *
   * @param abreast two or three answers
   * @param measured the response
   * @return those that at least one of them has
   */
  public static MovedMeans of(Abreast abreast, String measured) {
    List<Moved> moved =
        abreast.means().stream()
            .filter(line -> line.measured().equals(measured))
            .map(
                line ->
                    new Moved(
                        line.about().get(0),
                        line.answers().stream().map(MovedMeans::value).toList()))
            .filter(m -> m.values.stream().anyMatch(v -> v.mean.exists()))
            .toList();
    String title =
        abreast.answers().stream()
            .flatMap(f -> f.responses().stream())
            .filter(r -> r.measured().name().equals(measured))
            .map(r -> r.measured().title())
            .findFirst()
            .orElse(measured);
    return new MovedMeans(title, moved);
  }

  private static Value value(Optional<ShownMean> mean) {
    return new Value(Beside.of(mean, ShownMean::mean), Beside.of(mean, m -> m.reach().up()));
  }
}
