package app.knuckle.stats.summary;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;

class CountsTest {

  @Test
  void aValueOnAnEdgeFallsOnTheSideAskedFor() {
    Histogram h = Histogram.of(new double[] {-1, 0, 1, 1.5, 2, 3}, new double[] {0, 1, 2});
    assertThat(h.counts()).containsExactly(1, 3);
    assertThat(h.countsRightClosed()).containsExactly(2, 2);
    assertThat(h.below()).isEqualTo(1);
    assertThat(h.above()).isEqualTo(1);
  }

  @Test
  void minusZeroIsZero() {
    Histogram h = Histogram.of(new double[] {-0.0, 0.0}, new double[] {0, 1});
    assertThat(h.counts()).containsExactly(2);
    assertThat(h.countsRightClosed()).containsExactly(2);
  }

  @Test
  void edgesThatDoNotRiseAreRefused() {
    assertThatThrownBy(() -> Histogram.of(new double[] {1}, new double[] {0, 0}))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void valuesBelowZeroHaveStemsOfTheirOwn() {
    StemAndLeaf display = StemAndLeaf.of(new double[] {-12, -3, -1, 0, 4, 15});
    assertThat(display.leafUnit()).isEqualTo(1);
    assertThat(display.lineWidth()).isEqualTo(10);
    assertThat(display.lines())
        .containsExactly(
            new StemAndLeaf.Line("-1", "2"),
            new StemAndLeaf.Line("-0", "31"),
            new StemAndLeaf.Line("0", "04"),
            new StemAndLeaf.Line("1", "5"));
  }

  @Property
  void roundEdgesHoldEveryValueAndEveryLeafIsWritten(
      @ForAll @Size(min = 1, max = 150) List<@DoubleRange(min = -1e9, max = 1e9) Double> any) {
    double[] values = any.stream().mapToDouble(Double::doubleValue).toArray();
    Histogram h = Histogram.of(values, Histogram.roundEdges(values));
    assertThat(h.below() + h.above()).isZero();
    assertThat(StemAndLeaf.of(values).lines().stream().mapToInt(l -> l.leaves().length()).sum())
        .isEqualTo(values.length);
  }
}
