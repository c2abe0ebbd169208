package app.knuckle.desktop.compare;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.study.design.Compare;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

class ReadyMadeTest {

  private static final List<String> OF = List.of("mesh", "density");

  private static List<Map<String, String>> cells() {
    return Stream.of("fine", "medium", "coarse")
        .flatMap(m -> Stream.of("60", "240").map(d -> Map.of("mesh", m, "density", d)))
        .toList();
  }

  @Test
  void effectsAndTheirChangeWithWeightsThatAddUpToNothing() {
    List<Compare> ready = ReadyMade.of(OF, cells());
    assertThat(ready.stream().map(Compare::name))
        .containsExactly(
            "mesh coarse less fine",
            "density 240 less 60",
            "mesh coarse less fine, from density 60 to 240");
    assertThat(weight(ready.get(0), "coarse", "60")).isEqualTo(0.5);
    assertThat(weight(ready.get(1), "medium", "60")).isEqualTo(-1.0 / 3);
    assertThat(weight(ready.get(2), "coarse", "240")).isEqualTo(1);
    assertThat(weight(ready.get(2), "fine", "240")).isEqualTo(-1);
    assertThat(weight(ready.get(2), "fine", "60")).isEqualTo(1);
    for (Compare q : ready) {
      double sum = q.weights().stream().mapToDouble(Compare.Weight::weight).sum();
      assertThat(sum).as(q.name()).isBetween(-1e-12, 1e-12);
    }
  }

  @Test
  void anEmptyCornerTakesItsQuestionAway() {
    List<Map<String, String>> cells =
        cells().stream()
            .filter(c -> !c.equals(Map.of("mesh", "coarse", "density", "240")))
            .toList();
    assertThat(ReadyMade.of(OF, cells)).hasSize(2);
    assertThat(ReadyMade.of(List.of("mesh"), cells)).isEmpty();
  }

  private static double weight(Compare q, String mesh, String density) {
    return q.weights().stream()
        .filter(w -> w.levels().equals(Map.of("mesh", mesh, "density", density)))
        .mapToDouble(Compare.Weight::weight)
        .sum();
  }
}
