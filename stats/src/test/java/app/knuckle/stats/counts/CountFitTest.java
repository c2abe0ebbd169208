package app.knuckle.stats.counts;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.knuckle.stats.Progress;
import app.knuckle.stats.linear.Estimable;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.Model;
import app.knuckle.stats.linear.Squares;
import app.knuckle.stats.linear.Term;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

class CountFitTest {

  private static final double[] NONE = {};

  /** A deviance below this is what rounding leaves of nothing: with one degree of freedom */
  private static final double NOTHING = 1e-12;

  /** its p lies below 1 by the root of that, sqrt(2 x / pi). */
  private static final double OF_NOTHING = 1e-6;

  private static Factor factor(String name, int size, int... codes) {
    return new Factor(name, IntStream.range(0, size).mapToObj(i -> name + i).toList(), codes);
  }

  private static CountFit fit(
      CountKind kind, boolean extra, List<Factor> factors, List<Term> terms, double[][] ySize) {
    return CountFit.of(
            new CountModel(kind, new Model(factors, List.of(), terms, true), extra),
            ySize[0],
            ySize[1],
            Progress.NONE)
        .orElseThrow();
  }

  /** One treatment: the mean of a group is its pooled rate, and deviance has a closed form. */
  @Property(tries = 60)
  void aGroupsMeanIsItsPooledRate(
      @ForAll long seed, @ForAll @IntRange(min = 2, max = 5) int groups) {
    Random random = new Random(seed);
    int n = groups * 4;
    int[] codes = IntStream.range(0, n).map(i -> i % groups).toArray();
    double[] sizes = random.doubles(n, 0.5, 6).toArray();
    double[] y = IntStream.range(0, n).mapToDouble(i -> 1 + random.nextInt(9)).toArray();
    CountFit fit =
        fit(
            CountKind.COUNTS,
            true,
            List.of(factor("g", groups, codes)),
            List.of(Term.of("g")),
            new double[][] {y, sizes});

    double deviance = 0;
    double pearson = 0;
    for (int g = 0; g < groups; g++) {
      int own = g;
      double total =
          IntStream.range(0, n).filter(i -> codes[i] == own).mapToDouble(i -> y[i]).sum();
      double size =
          IntStream.range(0, n).filter(i -> codes[i] == own).mapToDouble(i -> sizes[i]).sum();
      Estimable mean = fit.mean(new int[] {g}, NONE);
      assertThat(fit.scale().back(fit.value(mean))).isCloseTo(total / size, within(1e-10));
      for (int i = 0; i < n; i++) {
        if (codes[i] == g) {
          double mu = sizes[i] * total / size;
          deviance += 2 * (y[i] * Math.log(y[i] / mu) - (y[i] - mu));
          pearson += (y[i] - mu) * (y[i] - mu) / mu;
        }
      }
      // Of a single total the variance of its logarithm is one over it.
      assertThat(fit.variance(mean)).isCloseTo(fit.dispersion().value() / total, within(1e-9));
    }
    assertThat(fit.figures().residualDeviance()).isCloseTo(deviance, within(1e-9));
    assertThat(fit.figures().pearson()).isCloseTo(pearson, within(1e-9));
  }

  /** Rows pooled or one by one are the same likelihood. */
  @Property(tries = 40)
  void poolingChangesNothing(@ForAll long seed) {
    Random random = new Random(seed);
    int n = 24;
    int[] a = IntStream.range(0, n).map(i -> i % 3).toArray();
    int[] b = IntStream.range(0, n).map(i -> i / 3 % 2).toArray();
    double[] y = IntStream.range(0, n).mapToDouble(i -> random.nextInt(7)).toArray();
    double[] ones = new double[n];
    Arrays.fill(ones, 1);
    List<Factor> factors = List.of(factor("a", 3, a), factor("b", 2, b));
    List<Term> terms = List.of(Term.of("a"), Term.of("b"));
    CountFit pooled = fit(CountKind.COUNTS, false, factors, terms, new double[][] {y, null});
    CountFit single = fit(CountKind.COUNTS, false, factors, terms, new double[][] {y, ones});
    assertThat(single.figures().residualDeviance())
        .isCloseTo(pooled.figures().residualDeviance(), within(1e-9));
    assertThat(single.figures().logLikelihood())
        .isCloseTo(pooled.figures().logLikelihood(), within(1e-9));
    for (int t = 0; t < 2; t++) {
      double deviance = pooled.drops(Squares.IN_ORDER, Progress.NONE).get(t).deviance().value();
      assertThat(single.drops(Squares.IN_ORDER, Progress.NONE).get(t).deviance().value())
          .isCloseTo(deviance, within(1e-9));
      assertThat(single.drops(Squares.IN_ORDER, Progress.NONE).get(t).p().value())
          .isCloseTo(
              pooled.drops(Squares.IN_ORDER, Progress.NONE).get(t).p().value(),
              within(deviance < NOTHING ? OF_NOTHING : 1e-9));
    }
    // In order, drops add up to what the whole model explains.
    double sum =
        pooled.drops(Squares.IN_ORDER, Progress.NONE).stream()
            .mapToDouble(d -> d.deviance().value())
            .sum();
    assertThat(sum)
        .isCloseTo(
            pooled.figures().nullDeviance() - pooled.figures().residualDeviance(), within(1e-9));
  }

  /** Both levels of the second treatment come to the same total. */
  @Test
  void norDoesItWhereATermExplainsNothing() {
    poolingChangesNothing(-290528);
  }

  @Test
  void aGroupOfNothingLiesAtTheEdgeAndTheOthersStand() {
    int[] g = {0, 0, 0, 1, 1, 1, 2, 2, 2};
    double[] y = {0, 0, 0, 3, 5, 4, 8, 6, 10};
    CountFit fit =
        fit(
            CountKind.COUNTS,
            false,
            List.of(factor("g", 3, g)),
            List.of(Term.of("g")),
            new double[][] {y, null});
    assertThat(fit.figures().atEdge()).isEqualTo(3);
    assertThat(fit.figures().errorDf()).isEqualTo(4);
    assertThat(fit.mean(new int[] {0}, NONE).isWhole()).isFalse();
    Estimable one = fit.mean(new int[] {1}, NONE);
    Estimable two = fit.mean(new int[] {2}, NONE);
    assertThat(one.isWhole()).isTrue();
    assertThat(Math.exp(fit.value(two.plus(-1, one)))).isCloseTo(2, within(1e-12));
    // Twelve of none and twelve: made one, 3 rows of 0 and 3 of 4 on average.
    double merged = 2 * 12 * Math.log(2);
    assertThat(
            fit.merged(List.of("g"), Map.of("g", "g0"), Map.of("g", "g1"), Progress.NONE)
                .deviance()
                .value())
        .isCloseTo(merged, within(1e-10));
  }

  /** Where zones compare although one guard has none: differences stand, their means do not. */
  @Test
  void differencesStandWhereMeansDoNot() {
    int[] guard = {0, 0, 0, 0, 1, 1, 1, 1};
    int[] zone = {0, 1, 0, 1, 0, 1, 0, 1};
    double[] y = {4, 8, 6, 12, 0, 0, 0, 0};
    CountFit fit =
        fit(
            CountKind.COUNTS,
            false,
            List.of(factor("guard", 2, guard), factor("zone", 2, zone)),
            List.of(Term.of("guard"), Term.of("zone")),
            new double[][] {y, null});
    Estimable low = fit.mean(new int[] {-1, 0}, NONE);
    Estimable high = fit.mean(new int[] {-1, 1}, NONE);
    assertThat(low.isWhole()).isFalse();
    assertThat(low.isComparable(high)).isTrue();
    assertThat(Math.exp(fit.value(high.plus(-1, low)))).isCloseTo(2, within(1e-12));
  }

  /** Empty, all-zero and all-full cells: what is given is tame, and what is not says why. */
  @Property(tries = 200)
  void cornersGiveNoWildNumber(@ForAll long seed) {
    Random random = new Random(seed);
    int n = 4 + random.nextInt(20);
    int[] a = IntStream.range(0, n).map(i -> random.nextInt(3)).toArray();
    int[] b = IntStream.range(0, n).map(i -> random.nextInt(2)).toArray();
    boolean shares = random.nextBoolean();
    double[] size = IntStream.range(0, n).mapToDouble(i -> 1 + random.nextInt(5)).toArray();
    double[] y = new double[n];
    int[][] kind = new int[3][2];
    Arrays.setAll(kind, i -> new int[] {random.nextInt(3), random.nextInt(3)});
    Arrays.setAll(
        y,
        i ->
            switch (kind[a[i]][b[i]]) {
              case 0 -> 0;
              case 1 -> shares ? size[i] : random.nextInt(4);
              default -> random.nextInt((int) size[i] + 1);
            });
    double total = Arrays.stream(y).sum();
    if (total == 0 || shares && total == Arrays.stream(size).sum()) {
      return;
    }
    List<Term> terms =
        random.nextBoolean()
            ? List.of(Term.of("a"), Term.of("b"), Term.of("a", "b"))
            : List.of(Term.of("a"), Term.of("b"));
    CountFit fit =
        fit(
            shares ? CountKind.PROPORTIONS : CountKind.COUNTS,
            random.nextBoolean(),
            List.of(factor("a", 3, a), factor("b", 2, b)),
            terms,
            new double[][] {y, size});
    assertThat(fit.figures().residualDeviance()).isFinite().isNotNegative();
    for (Squares squares : Squares.values()) {
      for (DevianceTest drop : fit.drops(squares, Progress.NONE)) {
        if (drop.p().exists()) {
          assertThat(drop.p().value()).isBetween(0.0, 1.0);
        } else {
          assertThat(drop.p().why()).isNotNull();
        }
      }
    }
    for (int i = 0; i < 3; i++) {
      for (int j = 0; j < 2; j++) {
        Estimable mean = fit.mean(new int[] {i, j}, NONE);
        if (mean != null && mean.isWhole()) {
          assertThat(Math.abs(fit.value(mean))).isLessThan(20);
        }
      }
    }
    CountRows rows = CountRows.of(fit);
    for (int i = 0; i < rows.fitted().length; i++) {
      assertThat(rows.fitted()[i]).isFinite();
      assertThat(rows.leverages()[i]).isBetween(0.0, 1.0);
    }
  }
}
