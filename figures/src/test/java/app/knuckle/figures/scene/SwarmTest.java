package app.knuckle.figures.scene;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.Size;

class SwarmTest {

  private static double[] spread(List<Double> places, double inner, double outer) {
    return Swarm.spread(places.stream().mapToDouble(p -> p).toArray(), 2, inner, outer);
  }

  @Property(tries = 200)
  void whereThereIsRoomNoDotHidesAnother(
      @ForAll @Size(min = 2, max = 30) List<@DoubleRange(min = 0, max = 200) Double> places) {
    double[] sideways = spread(places, 0, 4.0 * places.size());
    for (int i = 0; i < sideways.length; i++) {
      for (int j = 0; j < i; j++) {
        double apart = Math.hypot(sideways[i] - sideways[j], places.get(i) - places.get(j));
        assertThat(apart).as("dots %s and %s", i, j).isGreaterThanOrEqualTo(4 - 1e-9);
      }
    }
  }

  @Property(tries = 200)
  void noDotGoesIntoTheMiddleOrOverTheEdge(
      @ForAll @Size(min = 1, max = 60) List<@DoubleRange(min = 0, max = 20) Double> places,
      @ForAll @DoubleRange(min = 0, max = 8) double inner) {
    for (double away : spread(places, inner, inner + 6)) {
      assertThat(Math.abs(away)).isBetween(inner, inner + 6);
    }
    assertThat(spread(places, inner, inner + 6)).isEqualTo(spread(places, inner, inner + 6));
  }
}
