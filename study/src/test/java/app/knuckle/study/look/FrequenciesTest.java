package app.knuckle.study.look;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.knuckle.study.Refused;
import java.util.Arrays;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class FrequenciesTest {

  private static final double[] VALUES = {1, 2, 2, 3.5, 4, 7.9};

  @Test
  void edgesAreTypedOneByOneOrByTheirWidth() {
    assertThat(Frequencies.edges("1 3; 4 10", VALUES)).containsExactly(1, 3, 4, 10);
    assertThat(Frequencies.edges("1, 3, 4.5", VALUES)).containsExactly(1, 3, 4.5);
    assertThat(Frequencies.edges("by 2", VALUES)).containsExactly(0, 2, 4, 6, 8);
    assertThat(Frequencies.edges("By 0.1", new double[] {0.05, 0.31}))
        .containsExactly(0, 0.1, 0.2, 0.3, 0.4);
    assertThat(Frequencies.edges("  ", VALUES)).hasSizeGreaterThan(1);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {"5", "3 1", "2 2 3", "1 two 3", "by", "by 0", "by -1", "by 1e-9", "1e999 2"})
  void whatCannotBeEdgesIsSaid(String typed) {
    assertThatThrownBy(() -> Frequencies.edges(typed, VALUES))
        .isInstanceOf(Refused.class)
        .hasMessageContaining("by 2");
  }

  @Test
  void aValueOnAnEdgeBelongsWhereItIsSaidTo() {
    double[] edges = {1, 2, 4};
    List<double[]> groups = List.of(VALUES, new double[] {2});
    // 1 | 2 2 3.5 4 and 7.9 beyond; closed at the right: 1 2 2 | 3.5 4.
    Frequencies left = Frequencies.of(groups, edges, false);
    assertThat(left.counts()[0]).containsExactly(1, 4);
    assertThat(left.counts()[1]).containsExactly(0, 1);
    assertThat(left.outside()).containsExactly(1, 0);
    Frequencies right = Frequencies.of(groups, edges, true);
    assertThat(right.counts()[0]).containsExactly(3, 2);
    assertThat(right.counts()[1]).containsExactly(1, 0);
  }

  @Property(tries = 300)
  void noValueIsLostWhateverTheWidth(
      @ForAll @Size(min = 1, max = 40) List<@DoubleRange(min = -50, max = 50) Double> values,
      @ForAll @DoubleRange(min = 0.5, max = 40) double width,
      @ForAll boolean rightClosed) {
    double[] all = values.stream().mapToDouble(Double::doubleValue).toArray();
    double[] edges = Frequencies.edges("by " + width, all);
    Frequencies counted = Frequencies.of(List.of(all), edges, rightClosed);
    assertThat(Arrays.stream(counted.counts()[0]).sum()).isEqualTo(all.length);
    assertThat(counted.outside()).containsExactly(0);
  }
}
