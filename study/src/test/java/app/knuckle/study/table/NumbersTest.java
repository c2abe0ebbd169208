package app.knuckle.study.table;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;

class NumbersTest {

  private static Numbers numbers(double... values) {
    return new Numbers("salinity_psu", "psu", values);
  }

  @Test
  void becomeCategoriesInAscendingOrderWithoutTheMissingOnes() {
    Categories categories = numbers(30, 18, Double.NaN, -2.5, 30).categories();
    assertThat(categories.levels()).containsExactly("-2.5", "18", "30");
    assertThat(categories.codes()).containsExactly(2, 1, Categories.MISSING, 0, 2);
    assertThat(categories.name()).isEqualTo("salinity_psu");
    assertThat(categories.unit()).isEqualTo("psu");
    assertThat(categories.ordered()).isFalse();
  }

  @Test
  void withoutAnyValueHaveNoLevel() {
    assertThat(numbers(Double.NaN).categories().levels()).isEmpty();
  }

  /** A few different values and very many are found in different ways. */
  @Property(tries = 50)
  void everyRowGetsTheTextOfItsValue(
      @ForAll @IntRange(min = 1, max = 1000) int different,
      @ForAll @Size(max = 50) List<@DoubleRange(min = -1e6, max = 1e6) Double> more) {
    double[] values =
        IntStream.range(0, 1200 + more.size())
            .mapToDouble(i -> i < 1200 ? (i * 7919) % different * 0.25 : more.get(i - 1200))
            .toArray();
    Numbers numbers = numbers(values);
    Categories categories = numbers.categories();
    for (int row = 0; row < values.length; row++) {
      assertThat(categories.text(row)).isEqualTo(numbers.text(row));
    }
    assertThat(categories.levels().stream().map(Double::valueOf))
        .isSorted()
        .doesNotHaveDuplicates();
  }

  @Property
  void aNumberReadsBackFromItsTextWhichIsInOrdinaryNotation(@ForAll double value) {
    String text = Numbers.text(value);
    assertThat(Double.parseDouble(text)).isEqualTo(value == 0 ? 0.0 : value);
    assertThat(text).doesNotContain("E", ".0e");
  }

  @Test
  void zerosAreWrittenOutAsLongAsAnybodyCountsThem() {
    assertThat(Numbers.text(0.0001)).isEqualTo("0.0001");
    assertThat(Numbers.text(-12.5)).isEqualTo("-12.5");
    assertThat(Numbers.text(1e15)).isEqualTo("1000000000000000");
    assertThat(Numbers.text(1e300)).isEqualTo("1e300");
    assertThat(Numbers.text(-2.5e-40)).isEqualTo("-2.5e-40");
  }
}
