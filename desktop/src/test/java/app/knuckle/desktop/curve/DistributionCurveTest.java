package app.knuckle.desktop.curve;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.knuckle.stats.families.Distribution;
import app.knuckle.stats.families.DistributionKind;
import app.knuckle.stats.families.Tail;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A distribution drawn with the tail beyond a value. */
class DistributionCurveTest {

  private static DistributionCurve of(
      DistributionKind kind, List<Double> given, double value, Tail side) {
    Distribution distribution = kind.of(given, side).orElseThrow();
    return DistributionCurve.of(kind.statistic(), distribution, value, side);
  }

  @ParameterizedTest
  @CsvSource({
    "NORMAL, 0, 0, 1.96, BOTH",
    "T, 5, 0, -2.5, BELOW",
    "F, 3, 16, 3.2, ABOVE",
    "CHI_SQUARED, 4, 0, 400, ABOVE",
    "RANGE, 4, 20, 3.9, ABOVE",
    "RANK_SUM, 5, 6, 4, BOTH",
    "POISSON, 3.5, 0, 9, ABOVE",
    "BINOMIAL, 12, 0.3, 99, ABOVE"
  })
  void everythingIsDrawnWithinThePicture(
      DistributionKind kind, double first, double second, double value, Tail side) {
    List<Double> given = List.of(first, second).subList(0, kind.parameters().size());
    DistributionCurve curve = of(kind, given, value, side);
    assertThat(curve.points())
        .allSatisfy(
            point -> {
              assertThat(point.x()).isBetween(-1e-9, 1 + 1e-9);
              assertThat(point.height()).isBetween(0.0, 1.0);
            });
    assertThat(curve.points()).anySatisfy(p -> assertThat(p.height()).isEqualTo(1));
    assertThat(curve.at()).isBetween(0.0, 1.0);
    assertThat(curve.tails()).hasSize(side == Tail.BOTH ? 2 : 1);
    assertThat(curve.text()).startsWith(kind.statistic() + " = ");
  }

  @Test
  void bothTailsLieAsFarFromTheMiddle() {
    DistributionCurve curve = of(DistributionKind.T, List.of(9.0), 2.26, Tail.BOTH);
    assertThat(curve.tails().get(0).above()).isFalse();
    assertThat(curve.tails().get(1).above()).isTrue();
    assertThat(curve.tails().get(0).at() + curve.tails().get(1).at()).isCloseTo(1, within(1e-12));
    assertThat(curve.tails().get(0).text()).isEqualTo("\u22122.26");
    assertThat(curve.origin().at()).isCloseTo(0.5, within(1e-12));
  }

  /** Of ranks the tail of the other side begins at the mirror image: U of 2 and 2 about 2. */
  @Test
  void tailsOfRanksAreMirrored() {
    DistributionCurve curve = of(DistributionKind.RANK_SUM, List.of(2.0, 2.0), 4, Tail.BOTH);
    assertThat(curve.tails()).extracting(DistributionCurve.Shaded::text).containsExactly("0", "4");
  }

  @Test
  void whatLiesFarOutIsToldAtTheEdge() {
    DistributionCurve curve = of(DistributionKind.T, List.of(9.0), -200, Tail.BELOW);
    assertThat(curve.beyond()).isTrue();
    assertThat(curve.at()).isZero();
  }
}
