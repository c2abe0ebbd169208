package app.knuckle.desktop.compare;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.desktop.compare.Balance.Pan;
import app.knuckle.study.design.Compare;
import java.util.List;
import java.util.Map;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

class BalanceTest {

  private static Map<String, String> group(int level) {
    return Map.of("feed", "F" + level);
  }

  @Property(tries = 100)
  void sharesOfEitherPanAddUpToOneAndReadAsFractions(
      @ForAll @IntRange(min = 1, max = 9) int left, @ForAll @IntRange(min = 1, max = 9) int right) {
    Balance balance = Balance.empty(List.of("feed"));
    for (int g = 0; g < left + right; g++) {
      balance = balance.put(group(g), g < left ? Pan.LEFT : Pan.RIGHT);
    }
    assertThat(balance.isReady()).isTrue();
    assertThat(Balance.fraction(balance.weight(group(0)))).isEqualTo(left == 1 ? "1" : "1/" + left);
    double sum = balance.asked("q").weights().stream().mapToDouble(Compare.Weight::weight).sum();
    assertThat(sum).isBetween(-1e-12, 1e-12);
  }

  @Test
  void aWeightOfOnesOwnMustBeMatchedOnTheOtherPan() {
    Balance balance =
        Balance.empty(List.of("feed"))
            .put(group(1), Pan.LEFT)
            .put(group(2), Pan.LEFT)
            .put(group(3), Pan.RIGHT)
            .weighing(group(1), Balance.weight("2/3").orElseThrow());
    assertThat(balance.isReady()).as("7/6 against 1").isFalse();
    assertThat(Balance.fraction(balance.load(Pan.LEFT))).isEqualTo("7/6");
    Balance matched = balance.weighing(group(2), Balance.weight("1/3").orElseThrow());
    assertThat(matched.isReady()).isTrue();
    assertThat(matched.asked("q").weights().get(0).weight()).isEqualTo(2.0 / 3);
    assertThat(matched.put(group(4), Pan.LEFT).weight(group(1))).isEqualTo(1.0 / 3);
  }

  @Test
  void whatIsNoWeightIsNotTaken() {
    for (String text : List.of("", "heavy", "1/0", "-1/2", "0", "1/")) {
      assertThat(Balance.weight(text)).as(text).isEmpty();
    }
    assertThat(Balance.weight("0.25")).hasValue(0.25);
    assertThat(Balance.fraction(Math.PI)).startsWith("3.14159");
  }
}
