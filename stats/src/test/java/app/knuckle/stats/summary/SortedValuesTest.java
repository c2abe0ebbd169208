package app.knuckle.stats.summary;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.knuckle.stats.Absence;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/** A group made of others is described as if its values had been put together first. */
class SortedValuesTest {

  private static final double ALPHA = 0.05;

  private static Summary together(List<double[]> groups) {
    return Summary.of(
        groups.stream()
            .map(
                g -> {
                  double[] sorted = g.clone();
                  Arrays.sort(sorted);
                  return SortedValues.of(sorted);
                })
            .toList(),
        ALPHA);
  }

  private static double[] all(List<double[]> groups) {
    return groups.stream().flatMapToDouble(Arrays::stream).toArray();
  }

  /** Values that are rounded, so that some are equal, about a mean of the group's own. */
  private static double[] group(Random random, int n, double scale) {
    double mean = random.nextGaussian();
    double round = random.nextBoolean() ? 8 : 1e6;
    return IntStream.range(0, n)
        .mapToDouble(
            i ->
                random.nextInt(40) == 0
                    ? Double.NaN
                    : scale * Math.rint(round * (mean + random.nextGaussian())) / round)
        .toArray();
  }

  @Property(tries = 60)
  void groupsAreDescribedAsTheirValuesTogether(
      @ForAll long seed, @ForAll @IntRange(min = 1, max = 6) int count, @ForAll boolean large) {
    Random random = new Random(seed);
    double scale = Math.pow(10, random.nextInt(9) - 4);
    List<double[]> groups = new ArrayList<>();
    for (int g = 0; g < count; g++) {
      groups.add(group(random, large ? 300 + random.nextInt(400) : random.nextInt(6), scale));
    }
    Summary whole = Summary.of(all(groups), ALPHA);
    Summary merged = together(groups);
    assertThat(merged.n()).isEqualTo(whole.n());
    assertThat(merged.missing()).isEqualTo(whole.missing());
    // Order statistics are values: no digit differs.
    assertThat(merged.min()).isEqualTo(whole.min());
    assertThat(merged.max()).isEqualTo(whole.max());
    assertThat(merged.median()).isEqualTo(whole.median());
    assertThat(merged.lowerQuartile()).isEqualTo(whole.lowerQuartile());
    assertThat(merged.upperQuartile()).isEqualTo(whole.upperQuartile());
    if (whole.n() > 3 && whole.sd().value() > 0) {
      double sd = whole.sd().value();
      assertThat(merged.mean().value()).isCloseTo(whole.mean().value(), within(1e-14 * sd));
      assertThat(merged.sum().value())
          .isCloseTo(whole.sum().value(), within(1e-14 * sd * whole.n()));
      assertThat(merged.sd().value()).isCloseTo(sd, within(1e-13 * sd));
      assertThat(merged.skewness().value()).isCloseTo(whole.skewness().value(), within(1e-12));
      assertThat(merged.kurtosis().value()).isCloseTo(whole.kurtosis().value(), within(1e-12));
    }
  }

  @Test
  void theMiddleOfZerosOfBothSigns() {
    double[] minus = new double[300];
    Arrays.fill(minus, -0.0);
    double[] below = new double[301];
    Arrays.fill(below, -1);
    double[] above = new double[300];
    Arrays.fill(above, 1);
    // 901 values: the middle one is the 451st, after 301 of -1.
    assertThat(together(List.of(above, minus, below)).median().value()).isZero();
    assertThat(together(List.of(above, minus, below)).lowerQuartile().value()).isEqualTo(-1);
    assertThat(together(List.of(above, minus, below)).upperQuartile().value()).isEqualTo(1);
  }

  @Test
  void equalValuesOfAllGroupsHaveNoShape() {
    double[] same = new double[400];
    Arrays.fill(same, 7.1);
    Summary summary = together(List.of(same, same.clone()));
    assertThat(summary.sd().value()).isZero();
    assertThat(summary.skewness().why()).isEqualTo(Absence.ALL_EQUAL);
  }

  @Test
  void valuesFarFromZeroKeepTheirDigits() {
    // 300 times -1 and 300 times 1 about 1e9: variance 600/599.
    double[] low = new double[300];
    Arrays.fill(low, 1e9 - 1);
    double[] high = new double[300];
    Arrays.fill(high, 1e9 + 1);
    Summary summary = together(List.of(low, high));
    assertThat(summary.mean().value()).isEqualTo(1e9);
    assertThat(summary.variance().value()).isCloseTo(600.0 / 599, within(1e-14));
    assertThat(summary.skewness().value()).isCloseTo(0, within(1e-13));
  }
}
