package app.knuckle.stats.counts;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.knuckle.stats.compare.Direction;
import java.math.BigDecimal;
import java.math.BigInteger;
import java.math.MathContext;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.apache.commons.statistics.distribution.BinomialDistribution;
import org.apache.commons.statistics.distribution.PoissonDistribution;
import org.junit.jupiter.api.Test;

class ExactCountsTest {

  private static BigInteger choose(long n, long k) {
    BigInteger product = BigInteger.ONE;
    for (long i = 0; i < k; i++) {
      product = product.multiply(BigInteger.valueOf(n - i)).divide(BigInteger.valueOf(i + 1));
    }
    return product;
  }

  private static double share(BigInteger some, BigInteger all) {
    return new BigDecimal(some).divide(new BigDecimal(all), MathContext.DECIMAL64).doubleValue();
  }

  /** All tables counted in whole numbers. */
  @Property(tries = 80)
  void fishersTestCountsTables(
      @ForAll @IntRange(min = 1, max = 25) int leftOf,
      @ForAll @IntRange(min = 1, max = 25) int rightOf,
      @ForAll @IntRange(min = 0, max = 25) int left,
      @ForAll @IntRange(min = 0, max = 25) int right) {
    long x = Math.min(left, leftOf);
    long z = Math.min(right, rightOf);
    long total = x + z;
    BigInteger greater = BigInteger.ZERO;
    BigInteger less = BigInteger.ZERO;
    BigInteger either = BigInteger.ZERO;
    BigInteger own = choose(leftOf, x).multiply(choose(rightOf, z));
    for (long i = Math.max(0, total - rightOf); i <= Math.min(leftOf, total); i++) {
      BigInteger ways = choose(leftOf, i).multiply(choose(rightOf, total - i));
      greater = i >= x ? greater.add(ways) : greater;
      less = i <= x ? less.add(ways) : less;
      either = ways.compareTo(own) <= 0 ? either.add(ways) : either;
    }
    BigInteger all = choose((long) leftOf + rightOf, total);
    ExactCounts test = ExactCounts.fisher(x, leftOf, z, rightOf, Direction.EITHER, 0.05);
    assertThat(test.greater()).isCloseTo(share(greater, all), within(1e-12));
    assertThat(test.less()).isCloseTo(share(less, all), within(1e-12));
    assertThat(test.either()).isCloseTo(share(either, all), within(1e-12));
    assertThat(test.mid(Direction.GREATER) + test.mid(Direction.LESS)).isCloseTo(1, within(1e-12));
  }

  @Test
  void twoRatesAreJudgedGivenTheirTotal() {
    ExactCounts test = ExactCounts.rates(7, 2, 3, 3, Direction.EITHER, 0.05);
    BinomialDistribution distribution = BinomialDistribution.of(10, 0.4);
    assertThat(test.greater()).isCloseTo(distribution.survivalProbability(6), within(1e-12));
    assertThat(test.less()).isCloseTo(distribution.cumulativeProbability(7), within(1e-12));
    assertThat(test.ratio().value()).isCloseTo(3.5, within(1e-12));
    assertThat(ExactCounts.rates(0, 2, 0, 3, Direction.EITHER, 0.05).either()).isEqualTo(1);
    assertThat(ExactCounts.rates(60_000, 1, 60_000, 1, Direction.EITHER, 0.05)).isNull();
  }

  @Test
  void pOfTheLikeliestCountIsOneAndNotMore() {
    // 15 of 25 where 3 hours of 5 were watched: no count is likelier.
    ExactCounts counts = ExactCounts.rates(15, 3, 10, 2, Direction.EITHER, 0.05);
    assertThat(counts.either()).isEqualTo(1);
  }

  @Property(tries = 60)
  void limitsLeaveTheirTails(
      @ForAll @IntRange(min = 1, max = 30) int of, @ForAll @IntRange(min = 0, max = 30) int some) {
    int x = Math.min(some, of);
    CountIntervals exact = CountIntervals.exact(x, of, 0.05);
    if (x > 0) {
      assertThat(BinomialDistribution.of(of, exact.low()).survivalProbability(x - 1))
          .isCloseTo(0.025, within(1e-9));
    } else {
      assertThat(exact.low()).isZero();
    }
    if (x < of) {
      assertThat(BinomialDistribution.of(of, exact.high()).cumulativeProbability(x))
          .isCloseTo(0.025, within(1e-9));
    } else {
      assertThat(exact.high()).isEqualTo(1);
    }
    CountIntervals rate = CountIntervals.garwood(x, 0.1);
    assertThat(PoissonDistribution.of(rate.high()).cumulativeProbability(x))
        .isCloseTo(0.05, within(1e-9));
    CountIntervals wilson = CountIntervals.wilson(x, of, 0.05);
    assertThat((double) x / of).isBetween(wilson.low(), wilson.high());
  }
}
