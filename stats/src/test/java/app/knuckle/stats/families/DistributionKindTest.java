package app.knuckle.stats.families;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.knuckle.stats.distributions.StudentizedRangeDistribution;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;

/** Laws as printed tables have them. */
class DistributionKindTest {

  /**
   * Values are found to nearly all digits; tails are differences of nearly equal numbers at worst.
   */
  private static final double CLOSE = 1e-8;

  private static List<Double> usual(DistributionKind kind) {
    return switch (kind) {
      case NORMAL -> List.of();
      case T, CHI_SQUARED -> List.of(7.0);
      case F -> List.of(3.0, 16.0);
      case RANGE -> List.of(4.0, 20.0);
      case DUNNETT -> List.of(3.0, 20.0);
      case RANK_SUM -> List.of(5.0, 7.0);
      case SIGNED_RANK -> List.of(9.0);
      case BINOMIAL -> List.of(12.0, 0.3);
      case POISSON -> List.of(4.2);
    };
  }

  private static Stream<Arguments> smooth() {
    return Arrays.stream(DistributionKind.values())
        .flatMap(kind -> kind.sides().stream().map(side -> Arguments.of(kind, side)))
        .filter(
            a ->
                distribution((DistributionKind) a.get()[0], (Tail) a.get()[1])
                    instanceof Continuous);
  }

  private static Distribution distribution(DistributionKind kind, Tail side) {
    return kind.of(usual(kind), side).orElseThrow();
  }

  @ParameterizedTest
  @MethodSource("smooth")
  void theTailOfAValueIsTheOneItWasFoundFor(DistributionKind kind, Tail side) {
    Distribution distribution = distribution(kind, side);
    for (double tail : new double[] {0.2, 0.05, 0.01, 0.001}) {
      double value = distribution.value(tail, side).orElseThrow();
      assertThat(distribution.tail(value, side)).isCloseTo(tail, within(CLOSE));
    }
  }

  @ParameterizedTest
  @MethodSource("smooth")
  void theLastParameterIsFoundAgainFromValueAndTail(DistributionKind kind, Tail side) {
    if (kind.parameters().isEmpty()) {
      assertThat(kind.parameter(List.of(), 2, 0.05, side)).isEmpty();
      return;
    }
    List<Double> all = usual(kind);
    double value = distribution(kind, side).value(0.03, side).orElseThrow();
    double found = kind.parameter(all.subList(0, all.size() - 1), value, 0.03, side).orElseThrow();
    assertThat(found).isCloseTo(all.get(all.size() - 1), within(1e-4));
  }

  /** A value of steps has at most the tail, and the value before it more. */
  @ParameterizedTest
  @EnumSource(
      value = DistributionKind.class,
      names = {"RANK_SUM", "SIGNED_RANK", "BINOMIAL", "POISSON"})
  void aStepIsTheFirstThatIsRareEnough(DistributionKind kind) {
    for (Tail side : kind.sides()) {
      Distribution distribution = distribution(kind, side);
      double step = side == Tail.BELOW ? 1 : -1;
      for (double tail : new double[] {0.2, 0.05, 0.025}) {
        double value = distribution.value(tail, side).orElseThrow();
        assertThat(distribution.tail(value, side)).isLessThanOrEqualTo(tail);
        assertThat(distribution.tail(value + step, side)).isGreaterThan(tail);
      }
    }
  }

  @Test
  void aTailThatNoValueHasIsNotFound() {
    // Of 3 pairs the rarest sum has probability 1/8.
    Distribution distribution =
        DistributionKind.SIGNED_RANK.of(List.of(3.0), Tail.ABOVE).orElseThrow();
    assertThat(distribution.value(0.1, Tail.ABOVE)).isEmpty();
    assertThat(distribution.value(0.125, Tail.ABOVE).orElseThrow()).isEqualTo(6);
    assertThat(distribution.tail(6, Tail.ABOVE)).isEqualTo(0.125);
  }

  @Test
  void ranksAreCountedByHand() {
    // 2 and 2: of 6 arrangements U is 0, 1, 2, 2, 3, 4.
    Distribution distribution =
        DistributionKind.RANK_SUM.of(List.of(2.0, 2.0), Tail.BOTH).orElseThrow();
    assertThat(distribution.tail(4, Tail.ABOVE)).isCloseTo(1 / 6.0, within(1e-15));
    assertThat(distribution.tail(3, Tail.ABOVE)).isCloseTo(2 / 6.0, within(1e-15));
    assertThat(distribution.tail(2, Tail.BELOW)).isCloseTo(4 / 6.0, within(1e-15));
    assertThat(distribution.tail(4, Tail.BOTH)).isCloseTo(2 / 6.0, within(1e-15));
    assertThat(distribution.symmetry().orElseThrow()).isEqualTo(2);
  }

  @Test
  void twoMeansRangeAsTheTwoSidedT() {
    // The range of two means over their standard error is the root of two times |t|.
    double q =
        DistributionKind.RANGE
            .of(List.of(2.0, 9.0), Tail.ABOVE)
            .orElseThrow()
            .value(0.05, Tail.ABOVE)
            .orElseThrow();
    double t =
        DistributionKind.T.of(List.of(9.0), Tail.BOTH)
            .orElseThrow()
            .value(0.05, Tail.BOTH)
            .orElseThrow();
    assertThat(q).isCloseTo(t * Math.sqrt(2), within(CLOSE));
  }

  @Test
  void oneComparisonWithAReferenceIsT() {
    for (Tail side : DistributionKind.DUNNETT.sides()) {
      double d =
          DistributionKind.DUNNETT
              .of(List.of(1.0, 9.0), side)
              .orElseThrow()
              .value(0.05, side)
              .orElseThrow();
      double t =
          DistributionKind.T.of(List.of(9.0), side).orElseThrow().value(0.05, side).orElseThrow();
      assertThat(d).isCloseTo(t, within(CLOSE));
    }
  }

  @Test
  void noCountOfTwelveLimitsTheShareAsByHand() {
    // P(0 of 12) = (1 - share)^12 = 0.05.
    double share =
        DistributionKind.BINOMIAL.parameter(List.of(12.0), 0, 0.05, Tail.BELOW).orElseThrow();
    assertThat(share).isCloseTo(1 - Math.pow(0.05, 1 / 12.0), within(1e-9));
    // P(0) = exp(-mean) = 0.05.
    double mean = DistributionKind.POISSON.parameter(List.of(), 0, 0.05, Tail.BELOW).orElseThrow();
    assertThat(mean).isCloseTo(-Math.log(0.05), within(1e-9));
  }

  @ParameterizedTest
  @CsvSource({
    "T, 0",
    "CHI_SQUARED, -1",
    "RANK_SUM, 2.5",
    "SIGNED_RANK, 0",
    "BINOMIAL, 0",
    "POISSON, 0"
  })
  void whatIsNoLawIsNone(DistributionKind kind, double first) {
    List<Double> given = new ArrayList<>(List.of(first));
    while (given.size() < kind.parameters().size()) {
      given.add(3.0);
    }
    assertThat(kind.of(given, kind.sides().get(0))).isEmpty();
  }

  @Test
  void noDegreesOfFreedomGiveAValueATailBelowTheNormal() {
    // At 1.5 the normal distribution has a tail of 0.067; t always has more.
    assertThat(DistributionKind.T.parameter(List.of(), 1.5, 0.05, Tail.ABOVE)).isEmpty();
  }

  @Property(tries = 200)
  void bothTailsAreTwiceOne(
      @ForAll @IntRange(min = 1, max = 40) int df,
      @ForAll @DoubleRange(min = 0, max = 6) double t) {
    Distribution distribution =
        DistributionKind.T.of(List.of((double) df), Tail.BOTH).orElseThrow();
    assertThat(distribution.tail(t, Tail.BOTH)).isEqualTo(distribution.tail(-t, Tail.BOTH));
    assertThat(distribution.tail(t, Tail.BOTH))
        .isCloseTo(2 * distribution.tail(t, Tail.ABOVE), within(1e-15));
    assertThat(distribution.tail(t, Tail.ABOVE) + distribution.tail(t, Tail.BELOW))
        .isCloseTo(1, within(1e-14));
  }

  @Property(tries = 100)
  void slicesOfALawMakeUpItsTail(@ForAll @IntRange(min = 2, max = 8) int means) {
    Continuous distribution =
        (Continuous)
            DistributionKind.RANGE.of(List.of((double) means, 12.0), Tail.ABOVE).orElseThrow();
    double sum = 0;
    for (int i = 0; i < 30; i++) {
      sum += distribution.density(i * 0.1, i * 0.1 + 0.1) * 0.1;
    }
    double below = StudentizedRangeDistribution.of(means, 12).cumulativeProbability(3);
    assertThat(sum).isCloseTo(below, within(1e-9));
  }
}
