package app.knuckle.stats.anova;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Progress;
import app.knuckle.stats.compare.AllPairs;
import app.knuckle.stats.compare.Comparison;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.stats.summary.GroupMoments;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Random;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Test;

class OneWayPropertiesTest {

  /** Rows of a layout: values with a gap here and there, and the group of each. */
  record Rows(double[] values, int[] groups, int k) {

    OneWay fit() {
      return OneWay.fit(GroupMoments.of(values, groups, k), 0.05);
    }

    Rows shuffled(long seed) {
      List<Integer> order = new ArrayList<>();
      for (int i = 0; i < values.length; i++) {
        order.add(i);
      }
      Collections.shuffle(order, new Random(seed));
      return new Rows(
          order.stream().mapToDouble(i -> values[i]).toArray(),
          order.stream().mapToInt(i -> groups[i]).toArray(),
          k);
    }

    Rows moved(double scale, double shift) {
      double[] moved = values.clone();
      for (int i = 0; i < moved.length; i++) {
        moved[i] = moved[i] * scale + shift;
      }
      return new Rows(moved, groups, k);
    }
  }

  @Provide
  Arbitrary<Rows> layouts() {
    return Arbitraries.longs()
        .map(
            seed -> {
              Random random = new Random(seed);
              int k = 2 + random.nextInt(5);
              int n = 3 * k + random.nextInt(40);
              double[] values = new double[n];
              int[] groups = new int[n];
              for (int i = 0; i < n; i++) {
                groups[i] = i < 2 * k ? i % k : random.nextInt(k);
                values[i] = 10 + groups[i] * random.nextDouble() + random.nextGaussian();
                values[i] = i >= 2 * k && random.nextInt(9) == 0 ? Double.NaN : values[i];
              }
              return new Rows(values, groups, k);
            });
  }

  @Property(tries = 200)
  void squaresAddUpAndTheOrderOfRowsDoesNotMatter(@ForAll("layouts") Rows rows, @ForAll long seed) {
    OneWay fit = rows.fit();
    double grand = 0;
    long n = 0;
    for (double v : rows.values()) {
      grand += Double.isNaN(v) ? 0 : v;
      n += Double.isNaN(v) ? 0 : 1;
    }
    grand /= n;
    double total = 0;
    for (double v : rows.values()) {
      total += Double.isNaN(v) ? 0 : (v - grand) * (v - grand);
    }
    assertThat(fit.treatment().ss() + fit.errorSs()).isCloseTo(total, within(1e-10 * total));
    assertThat(rows.shuffled(seed).fit().treatment().f().value())
        .isCloseTo(fit.treatment().f().value(), within(1e-9 * fit.treatment().f().value()));
  }

  @Property(tries = 200)
  void shiftAndScaleLeaveTheTestAlone(@ForAll("layouts") Rows rows) {
    double f = rows.fit().treatment().f().value();
    assertThat(rows.moved(-250, 0).fit().treatment().f().value()).isCloseTo(f, within(1e-9 * f));
    // A shift rounds the values themselves: 1e6 leaves them ten digits.
    assertThat(rows.moved(1, 1e6).fit().treatment().f().value())
        .isCloseTo(f, within(1e-6 * (f + 1)));
  }

  @Property(tries = 100)
  void withTwoGroupsEveryProcedureIsTheTTestAndFIsItsSquare(@ForAll("layouts") Rows all) {
    int[] two = all.groups().clone();
    for (int i = 0; i < two.length; i++) {
      two[i] = two[i] % 2;
    }
    OneWay fit = new Rows(all.values(), two, 2).fit();
    double p = fit.treatment().p().value();
    for (Procedure procedure : EnumSet.range(Procedure.SCHEFFE, Procedure.NONE)) {
      Comparison one =
          AllPairs.withDefaults().with(procedure).compare(fit.estimates(), Progress.NONE);
      double t = one.pairs().get(0).statistic().value();
      assertThat(t * t).isCloseTo(fit.treatment().f().value(), within(1e-9 * (1 + t * t)));
      assertThat(one.pairs().get(0).p().value()).as(procedure.key()).isCloseTo(p, within(1e-10));
    }
  }

  @Test
  void handWorkedExample() {
    // Means 2, 4, 9 of three values each; grand mean 5; between 3(9 + 1 + 16) = 78, within 6.
    OneWay fit =
        new Rows(
                new double[] {1, 2, 3, 3, 4, 5, 8, 9, 10}, new int[] {0, 0, 0, 1, 1, 1, 2, 2, 2}, 3)
            .fit();
    assertThat(fit.treatment().ss()).isEqualTo(78);
    assertThat(fit.errorSs()).isEqualTo(6);
    assertThat(fit.treatment().f().value()).isEqualTo(39);
    assertThat(fit.seOfDifference().value()).isCloseTo(Math.sqrt(2.0 / 3), within(1e-15));
  }

  @Test
  void anOutlierAsFirstValueCostsNoDigits() {
    double[] values = new double[2000];
    int[] groups = new int[2000];
    for (int i = 0; i < values.length; i++) {
      values[i] = i < 2 ? 1e9 : i % 4 < 2 ? 0.25 : 0.75;
      groups[i] = i % 2;
    }
    GroupMoments moments = GroupMoments.of(values, groups, 2);
    // 1 value of 1e9 and 999 of 1/4 or 3/4: SS = sum of squares - square of the sum / n, exactly.
    java.math.BigDecimal sum = java.math.BigDecimal.ZERO;
    java.math.BigDecimal squares = java.math.BigDecimal.ZERO;
    for (int i = 0; i < values.length; i += 2) {
      java.math.BigDecimal v = java.math.BigDecimal.valueOf(values[i]);
      sum = sum.add(v);
      squares = squares.add(v.multiply(v));
    }
    double exact =
        squares
            .subtract(sum.multiply(sum).divide(java.math.BigDecimal.valueOf(1000)))
            .doubleValue();
    assertThat(moments.sumOfSquares(0)).isCloseTo(exact, within(1e-12 * exact));
  }

  @Test
  void whatCannotBeHadIsAbsentWithItsReason() {
    OneWay equal = new Rows(new double[] {4, 4, 4, 4}, new int[] {0, 0, 1, 1}, 2).fit();
    assertThat(equal.treatment().f().why()).isEqualTo(Absence.ALL_EQUAL);
    OneWay lone = new Rows(new double[] {4, 5}, new int[] {0, 1}, 2).fit();
    assertThat(lone.treatment().p().why()).isEqualTo(Absence.NO_TWO_VALUES);
    OneWay still = new Rows(new double[] {4, 4, 5, 5}, new int[] {0, 0, 1, 1}, 2).fit();
    assertThat(still.treatment().f().why()).isEqualTo(Absence.EQUAL_WITHIN_GROUPS);
    Comparison pairs = AllPairs.withDefaults().compare(still.estimates(), Progress.NONE);
    assertThat(pairs.pairs().get(0).p().exists()).isFalse();
    assertThat(pairs.letters().of(0)).isEqualTo(pairs.letters().of(1));
  }
}
