package app.knuckle.stats.checks;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

class DistancesTest {

  @Test
  void ofOneMeasureTheyAreSquaredStandardScores() {
    // Mean 4, variance 20/3 of 1, 3, 5, 7.
    double[] d = MultivariateNormality.of(new double[][] {{1, 3, 5, 7}}).distances();
    assertThat(d).containsExactly(new double[] {1.35, 0.15, 0.15, 1.35}, within(1e-12));
  }

  @Property(tries = 60)
  void theyAddUpToMeasuresTimesRowsLessOneOnAnyScale(
      @ForAll long seed, @ForAll @IntRange(min = 1, max = 4) int measures) {
    Random random = new Random(seed);
    double[][] columns = new double[measures][12];
    for (double[] column : columns) {
      Arrays.setAll(column, i -> random.nextGaussian());
    }
    double[] d = MultivariateNormality.of(columns).distances();
    assertThat(Arrays.stream(d).sum()).isCloseTo(measures * 11.0, within(1e-8));
    double[][] scaled = columns.clone();
    scaled[0] = Arrays.stream(columns[0]).map(v -> 1000 * v - 7).toArray();
    assertThat(MultivariateNormality.of(scaled).distances()).containsExactly(d, within(1e-8));
  }
}
