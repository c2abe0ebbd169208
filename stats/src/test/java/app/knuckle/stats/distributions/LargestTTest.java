package app.knuckle.stats.distributions;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/** Every way to the tail of the largest t gives what another way, or a known case, gives. */
class LargestTTest {
  private static double[][] products(double[]... loadings) {
    int n = loadings[0].length;
    double[][] r = new double[n][n];
    for (int i = 0; i < n; i++) {
      for (int j = 0; j < n; j++) {
        for (double[] l : loadings) {
          r[i][j] += l[i] * l[j];
        }
        r[i][j] = i == j ? 1 : r[i][j];
      }
    }
    return r;
  }

  @Property(tries = 8, seed = "271828182")
  void threeByPanelsAreThreeByTheirLoadings(
      @ForAll long seed,
      @ForAll @DoubleRange(min = 0.2, max = 4) double t,
      @ForAll boolean twoSided) {
    double[] l = new Random(seed).doubles(3, -0.95, 0.95).toArray();
    double exact = DunnettDistribution.of(l, 9, twoSided).survivalProbability(t);
    assertThat(new LargestOfThreeT(products(l), 9, twoSided).tail(t).p())
        .isCloseTo(exact, within(1e-9));
  }

  /** A second shared variable that nobody has changes nothing; turned by an angle it is found. */
  @Property(tries = 5, seed = "271828182")
  void sharedVariablesMayBeTurned(
      @ForAll long seed, @ForAll @DoubleRange(min = 0, max = 4) double t) {
    Random random = new Random(seed);
    int n = 5;
    double[][] plain = new double[n][];
    double[][] turned = new double[n][];
    double c = Math.cos(0.7);
    double s = Math.sin(0.7);
    for (int i = 0; i < n; i++) {
      double a = 0.3 + 0.4 * random.nextDouble();
      double b = 0.5 * random.nextDouble() - 0.25;
      plain[i] = new double[] {a, b};
      turned[i] = new double[] {c * a - s * b, s * a + c * b};
    }
    LargestT.Tail one = FactorT.of(plain, 12, true, FactorT.MOST_PLACES).tail(t);
    LargestT.Tail other = FactorT.of(turned, 12, true, FactorT.MOST_PLACES).tail(t);
    assertThat(other.p()).isCloseTo(one.p(), within(1e-9));
  }

  /** The lattice meets, within the error it tells, what quadrature gives. */
  @Property(tries = 4, seed = "271828182")
  void theLatticeErrsByLessThanItTells(
      @ForAll long seed, @ForAll @IntRange(min = 4, max = 7) int n) {
    Random random = new Random(seed);
    double[] shared = random.doubles(n, 0.6, 0.8).toArray();
    double[] more = random.doubles(n, -0.3, 0.3).toArray();
    double[][] r = products(shared, more);
    double[][] loadings = new double[n][];
    for (int i = 0; i < n; i++) {
      loadings[i] = new double[] {shared[i], more[i]};
    }
    LargestT.Tail exact = FactorT.of(loadings, 15, true, FactorT.MOST_PLACES).tail(2.3);
    // Held against the nearest product form, so that the second variable is left to the lattice.
    LargestT.Tail found = CorrelatedT.byLattice(r, 15, true).tail(2.3);
    assertThat(found.p()).isCloseTo(exact.p(), within(2 * found.error() + 1e-8));
    assertThat(found.error()).isLessThan(1e-4);
  }

  @Test
  void theSameQuestionHasTheSameAnswer() {
    Random random = new Random(3);
    double[][] r = products(random.doubles(6, 0.5, 0.8).toArray(), random.doubles(6).toArray());
    for (int i = 0; i < 6; i++) {
      for (int j = 0; j < 6; j++) {
        r[i][j] = i == j ? 1 : Math.min(0.9, r[i][j] * 0.7 + (i + j == 5 ? 0.1 : 0));
      }
    }
    assertThat(LargestT.of(r, 8, true).tail(2.1)).isEqualTo(LargestT.of(r, 8, true).tail(2.1));
  }

  @Property(tries = 4, seed = "271828182")
  void theCriticalValueLeavesItsProbability(
      @ForAll @IntRange(min = 3, max = 6) int n, @ForAll boolean twoSided) {
    double[] one = IntStream.range(0, n).mapToDouble(i -> 0.5 + 0.3 * i / n).toArray();
    double[] two = IntStream.range(0, n).mapToDouble(i -> i % 2 == 0 ? 0.3 : -0.2).toArray();
    LargestT distribution = LargestT.of(products(one, two), 11, twoSided);
    assertThat(distribution.tail(distribution.inverseSurvivalProbability(0.05)).p())
        .isCloseTo(0.05, within(1e-7));
  }

  /** Statistics that are the same one count once, however often they are named. */
  @Test
  void correlationsMayBeSingular() {
    double[][] r = {{1, 1, 0.5, 0.5}, {1, 1, 0.5, 0.5}, {0.5, 0.5, 1, 1}, {0.5, 0.5, 1, 1}};
    double two =
        DunnettDistribution.of(new double[] {Math.sqrt(.5), Math.sqrt(.5)}, 10, true)
            .survivalProbability(2.5);
    LargestT.Tail four = LargestT.of(r, 10, true).tail(2.5);
    assertThat(four.p()).isCloseTo(two, within(four.error() + 2e-6));
  }
}
