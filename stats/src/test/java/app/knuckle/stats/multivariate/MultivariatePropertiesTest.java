package app.knuckle.stats.multivariate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.apache.commons.statistics.distribution.FDistribution;

class MultivariatePropertiesTest {

  /** Sums of squares and products of so many random directions. */
  private static double[][] products(long seed, int responses, int directions) {
    Random random = new Random(seed);
    double[][] sum = new double[responses][responses];
    for (int d = 0; d < directions; d++) {
      double[] v = random.doubles(responses, -1, 1).toArray();
      for (int i = 0; i < responses; i++) {
        for (int j = 0; j < responses; j++) {
          sum[i][j] += v[i] * v[j];
        }
      }
    }
    return sum;
  }

  private static double[][] mixed(double[][] s, double[][] a) {
    int p = s.length;
    double[][] out = new double[p][p];
    for (int i = 0; i < p; i++) {
      for (int j = 0; j < p; j++) {
        for (int k = 0; k < p; k++) {
          for (int l = 0; l < p; l++) {
            out[i][j] += a[i][k] * s[k][l] * a[j][l];
          }
        }
      }
    }
    return out;
  }

  @Property(tries = 60)
  void oneResponseIsTheAnalysisOfVariance(
      @ForAll @IntRange(min = 1, max = 5) int df,
      @ForAll @IntRange(min = 3, max = 40) int errorDf,
      @ForAll long seed) {
    double h = products(seed, 1, df)[0][0];
    double e = products(seed + 1, 1, errorDf)[0][0];
    MultivariateTest test =
        MultivariateTest.of(df, new double[][] {{h}}, errorDf, new double[][] {{e}});
    double f = (h / df) / (e / errorDf);
    double p = FDistribution.of(df, errorDf).survivalProbability(f);
    for (MultivariateTest.Statistic s : test.statistics()) {
      assertThat(s.f()).as(s.name()).isCloseTo(f, within(1e-8 * (1 + f)));
      assertThat(s.p()).as(s.name()).isCloseTo(p, within(1e-9));
    }
    assertThat(test.of("wilks").value()).isCloseTo(e / (e + h), within(1e-10));
  }

  /** With one direction all four are the same function of Hotelling's T squared. */
  @Property(tries = 60)
  void twoGroupsAreHotellingsTest(
      @ForAll @IntRange(min = 2, max = 4) int responses, @ForAll long seed) {
    int errorDf = 20;
    MultivariateTest test =
        MultivariateTest.of(
            1, products(seed, responses, 1), errorDf, products(seed + 1, responses, errorDf));
    double root = test.eigenvalues().get(0);
    assertThat(test.of("wilks").value()).isCloseTo(1 / (1 + root), within(1e-9));
    assertThat(test.of("pillai").value()).isCloseTo(root / (1 + root), within(1e-9));
    assertThat(test.of("hotelling-lawley").value()).isCloseTo(root, within(1e-9 * (1 + root)));
    double f = root * (errorDf - responses + 1) / responses;
    for (MultivariateTest.Statistic s : test.statistics()) {
      assertThat(s.f()).as(s.name()).isCloseTo(f, within(1e-7 * (1 + f)));
    }
  }

  @Property(tries = 60)
  void mixturesOfTheResponsesChangeNothing(@ForAll long seed) {
    double[][] h = products(seed, 3, 2);
    double[][] e = products(seed + 1, 3, 15);
    double[][] a = {{2, 1, 0}, {0, 1, -1}, {1, 0, 3}};
    MultivariateTest plain = MultivariateTest.of(2, h, 15, e);
    MultivariateTest other = MultivariateTest.of(2, mixed(h, a), 15, mixed(e, a));
    for (MultivariateTest.Statistic s : plain.statistics()) {
      double value = other.of(s.name()).value();
      assertThat(value).as(s.name()).isCloseTo(s.value(), within(1e-7 * (1 + s.value())));
    }
  }

  @Property(tries = 60)
  void groupsOfOneCovarianceMatrixHaveNoStatistic(@ForAll long seed) {
    double[][] same = products(seed, 2, 9);
    BoxM none = BoxM.of(new long[] {10, 10, 10}, new double[][][] {same, same, same});
    assertThat(none.m().value()).isCloseTo(0, within(1e-7));
    assertThat(none.p().value()).isCloseTo(1, within(1e-6));
    double[][] wide = mixed(same, new double[][] {{3, 0}, {0, 3}});
    BoxM some = BoxM.of(new long[] {10, 10, 10}, new double[][][] {same, same, wide});
    assertThat(some.p().value()).isLessThan(0.01);
    assertThat(BoxM.of(new long[] {2, 10}, new double[][][] {same, same}).p().exists()).isFalse();
  }
}
