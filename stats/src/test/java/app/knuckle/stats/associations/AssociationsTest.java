package app.knuckle.stats.associations;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.knuckle.stats.Samples;
import java.util.Arrays;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;

class AssociationsTest {

  /** What stands in the first row of two columns. */
  private static double at(List<List<Double>> matrix) {
    return matrix.get(0).get(1);
  }

  @Property(tries = 100)
  void coefficientsAreSymmetricAndBlindToUnits(
      @ForAll long seed, @ForAll @IntRange(min = 4, max = 40) int n) {
    double[] x = Samples.normal(seed, n);
    double[] y = Samples.normal(seed + 1, n);
    double[] moved = Arrays.stream(x).map(v -> 5 - 2 * v).toArray();
    double r = at(Associations.pearson(new double[][] {x, y}, 0.05).coefficients());
    assertThat(at(Associations.pearson(new double[][] {y, x}, 0.05).coefficients()))
        .isCloseTo(r, within(1e-12));
    assertThat(at(Associations.pearson(new double[][] {moved, y}, 0.05).coefficients()))
        .isCloseTo(-r, within(1e-9));
    assertThat(at(Associations.pearson(new double[][] {x, y}, 0.05).low())).isLessThan(r);
    double rho = at(Associations.spearman(new double[][] {x, y}).coefficients());
    double[] bent = Arrays.stream(x).map(Math::exp).toArray();
    assertThat(at(Associations.spearman(new double[][] {bent, y}).coefficients()))
        .isCloseTo(rho, within(1e-12));
  }

  /** Ranks of values without ties, then Pearson's coefficient of the ranks. */
  @Property(tries = 60)
  void spearmanIsPearsonOfTheRanks(@ForAll long seed) {
    double[] x = Samples.normal(seed, 15);
    double[] y = Samples.normal(seed + 1, 15);
    double[][] ranks = {ranks(x), ranks(y)};
    assertThat(at(Associations.spearman(new double[][] {x, y}).coefficients()))
        .isCloseTo(at(Associations.pearson(ranks, 0.05).coefficients()), within(1e-12));
  }

  private static double[] ranks(double[] values) {
    return Arrays.stream(values)
        .map(v -> Arrays.stream(values).filter(w -> w <= v).count())
        .toArray();
  }

  @Property(tries = 60)
  void kendallCountsPairsThatAgree(
      @ForAll @Size(12) List<@IntRange(max = 5) Integer> first,
      @ForAll @Size(12) List<@IntRange(max = 5) Integer> second) {
    int score = 0;
    for (int i = 0; i < 12; i++) {
      for (int j = 0; j < i; j++) {
        score +=
            Integer.signum(first.get(i) - first.get(j))
                * Integer.signum(second.get(i) - second.get(j));
      }
    }
    double[][] columns = {
      first.stream().mapToDouble(v -> v).toArray(), second.stream().mapToDouble(v -> v).toArray()
    };
    boolean constant =
        first.stream().distinct().count() == 1 || second.stream().distinct().count() == 1;
    if (!constant) {
      assertThat(at(Associations.kendall(columns).scores())).isEqualTo(score);
    }
  }

  @Test
  void threeRowsByHand() {
    double[][] columns = {{1, 2, 3}, {2, 1, 3}};
    // Products 1; squares 2 and 2.
    assertThat(at(Associations.pearson(columns, 0.05).coefficients()))
        .isCloseTo(0.5, within(1e-12));
    assertThat(at(Associations.covariance(columns).matrix())).isCloseTo(0.5, within(1e-12));
    assertThat(at(Associations.kendall(columns).coefficients())).isCloseTo(1.0 / 3, within(1e-12));
  }
}
