package app.knuckle.stats.compare;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.knuckle.stats.Samples;
import app.knuckle.stats.anova.OneWay;
import app.knuckle.stats.means.Estimates;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;

class AdjustmentTest {

  @Test
  void fourProbabilitiesByHand() {
    double[] p = {0.04, 0.01, 0.03, 0.02};
    assertThat(Adjustment.holm(p)).containsExactly(new double[] {0.06, 0.04, 0.06, 0.06}, tiny());
    assertThat(Adjustment.hochberg(p))
        .containsExactly(new double[] {0.04, 0.04, 0.04, 0.04}, tiny());
    assertThat(Adjustment.benjaminiHochberg(p))
        .containsExactly(new double[] {0.04, 0.04, 0.04, 0.04}, tiny());
    assertThat(Adjustment.bonferroni(0.3, 4)).isEqualTo(1);
    assertThat(Adjustment.sidak(0.1, 2)).isCloseTo(0.19, tiny());
  }

  private static org.assertj.core.data.Offset<Double> tiny() {
    return within(1e-12);
  }

  @Property
  void fromTheStrictestToTheMildestAndNeverBelowTheirOwn(
      @ForAll @Size(min = 1, max = 12) List<@DoubleRange(max = 1) Double> family) {
    double[] p = family.stream().mapToDouble(Double::doubleValue).toArray();
    double[] holm = Adjustment.holm(p);
    double[] hochberg = Adjustment.hochberg(p);
    double[] discovery = Adjustment.benjaminiHochberg(p);
    for (int i = 0; i < p.length; i++) {
      double bonferroni = Adjustment.bonferroni(p[i], p.length);
      assertThat(Adjustment.sidak(p[i], p.length)).isLessThanOrEqualTo(bonferroni + 1e-12);
      assertThat(holm[i]).isBetween(p[i] - 1e-15, bonferroni + 1e-12);
      assertThat(hochberg[i]).isBetween(p[i] - 1e-15, holm[i] + 1e-12);
      assertThat(discovery[i]).isBetween(p[i] - 1e-15, hochberg[i] + 1e-12);
    }
  }

  @Property
  void theOrderOfProbabilitiesIsKept(
      @ForAll @Size(min = 2, max = 12) List<@DoubleRange(max = 1) Double> family) {
    double[] p = family.stream().mapToDouble(Double::doubleValue).toArray();
    for (double[] adjusted :
        new double[][] {
          Adjustment.holm(p), Adjustment.hochberg(p), Adjustment.benjaminiHochberg(p)
        }) {
      Integer[] order = IntStream.range(0, p.length).boxed().toArray(Integer[]::new);
      Arrays.sort(order, (a, b) -> Double.compare(p[a], p[b]));
      for (int i = 1; i < order.length; i++) {
        assertThat(adjusted[order[i]]).isGreaterThanOrEqualTo(adjusted[order[i - 1]] - 1e-15);
      }
    }
  }

  /** One against one is a t test; with more, between the plain p and Bonferroni's. */
  @Property(tries = 40)
  void againstAReferenceLiesBetweenNoAdjustmentAndBonferroni(
      @ForAll long seed, @ForAll @IntRange(min = 2, max = 6) int k) {
    Estimates means = OneWay.fit(Samples.moments(Samples.groups(seed, k)), 0.05).estimates();
    for (Direction direction : Direction.values()) {
      AgainstReference all = AgainstReference.dunnett(means, 0, direction, 0.05);
      assertThat(all.pairs()).hasSize(k - 1);
      for (Pair pair : all.pairs()) {
        int other = pair.left() == 0 ? pair.right() : pair.left();
        StudentT plain =
            StudentT.of(
                means.difference(other, 0),
                means.seOfDifference(other, 0),
                means.dfOfDifference(other, 0),
                direction,
                0.05);
        double own = plain.p().value();
        assertThat(pair.p().value())
            .isBetween(own - 1e-9, Adjustment.bonferroni(own, k - 1) + 1e-9);
        if (k == 2) {
          assertThat(pair.p().value()).isCloseTo(own, within(1e-9));
        }
        assertThat(pair.differs()).isEqualTo(pair.p().value() <= 0.05);
      }
    }
  }

  @Property(tries = 100)
  void trendsAreOrthogonalAndBlindToOriginAndUnit(
      @ForAll long seed, @ForAll @IntRange(min = 3, max = 8) int k) {
    double[] levels = Samples.normal(seed, k);
    Arrays.sort(levels);
    int degree = Math.min(4, k - 1);
    double[][] weights = Trend.weights(levels, degree);
    double[][] moved =
        Trend.weights(Arrays.stream(levels).map(x -> 25 * x - 400).toArray(), degree);
    for (int a = 0; a < degree; a++) {
      assertThat(Arrays.stream(weights[a]).sum()).isCloseTo(0, within(1e-9));
      assertThat(weights[a][k - 1]).isPositive();
      for (int b = 0; b < degree; b++) {
        int other = b;
        double[] own = weights[a];
        double dot = IntStream.range(0, k).mapToDouble(i -> own[i] * weights[other][i]).sum();
        assertThat(dot).isCloseTo(a == b ? 1 : 0, within(1e-9));
      }
      assertThat(moved[a]).containsExactly(weights[a], within(1e-6));
    }
  }

  @Test
  void evenlySpacedTrendsAreThoseOfTheTables() {
    double[][] four = Trend.weights(new double[] {10, 20, 30, 40}, 3);
    double[][] table = {{-3, -1, 1, 3}, {1, -1, -1, 1}, {-1, 3, -3, 1}};
    for (int d = 0; d < 3; d++) {
      double length = Math.sqrt(Arrays.stream(table[d]).map(x -> x * x).sum());
      assertThat(four[d])
          .containsExactly(Arrays.stream(table[d]).map(x -> x / length).toArray(), within(1e-12));
    }
  }
}
