package app.knuckle.stats.ranks;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.knuckle.stats.compare.Direction;
import java.util.List;
import java.util.stream.IntStream;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Test;

class ExactDistributionTest {

  /** Shares are sums of at most a few thousand terms of one size. */
  private static final double ROUNDING = 1e-12;

  /** Of the ten choices of two ranks of five: sums 3 to 9, less 3. */
  @Test
  void isWhatCountingByHandGives() {
    ExactDistribution distribution =
        RankSum.counted(new double[] {1, 2}, new double[] {3, 4, 5}).orElseThrow();
    assertThat(distribution.values()).containsExactly(0.0, 1.0, 2.0, 3.0, 4.0, 5.0, 6.0);
    assertThat(distribution.shares()).containsExactly(0.1, 0.1, 0.2, 0.2, 0.2, 0.1, 0.1);
    assertThat(distribution.mean()).isEqualTo(3);
    assertThat(distribution.p(0, Direction.EITHER)).isEqualTo(0.2, within(ROUNDING));
    assertThat(distribution.p(1, Direction.LESS)).isEqualTo(0.2, within(ROUNDING));
    assertThat(distribution.p(5, Direction.GREATER)).isEqualTo(0.2, within(ROUNDING));
  }

  @Test
  void isNotCountedForMany() {
    assertThat(RankSum.counted(new double[21], new double[20])).isEmpty();
    double[] many = IntStream.rangeClosed(1, 61).asDoubleStream().toArray();
    assertThat(PairedRanks.of(many, new double[61]).counted()).isEmpty();
  }

  @Property(tries = 200)
  void givesThePOfTheRankSumTest(
      @ForAll("samples") List<Integer> x,
      @ForAll("samples") List<Integer> y,
      @ForAll Direction direction) {
    double[] a = values(x);
    double[] b = values(y);
    RankTest.MannWhitney test = RankSum.mannWhitney(a, b, direction, 0.05);
    ExactDistribution distribution = RankSum.counted(a, b).orElseThrow();
    int seen = distribution.values().indexOf(test.u());
    assertThat(distribution.p(seen, direction)).isEqualTo(test.p().value(), within(ROUNDING));
  }

  @Property(tries = 200)
  void givesThePOfTheSignedRankTest(
      @ForAll("samples") List<Integer> x, @ForAll Direction direction) {
    PairedRanks ranks = PairedRanks.of(values(x), new double[x.size()]);
    RankTest.SignedRank test = ranks.signedRank(direction, 0.05, 0);
    ExactDistribution distribution = ranks.counted().orElseThrow();
    int seen = distribution.values().indexOf(test.signs().rankSumPositive());
    assertThat(distribution.p(seen, direction)).isEqualTo(test.p().value(), within(ROUNDING));
  }

  @Provide
  Arbitrary<List<Integer>> samples() {
    return Arbitraries.integers().between(-6, 9).list().ofMinSize(1).ofMaxSize(12);
  }

  private static double[] values(List<Integer> whole) {
    return whole.stream().mapToDouble(Integer::doubleValue).toArray();
  }
}
