package app.knuckle.stats.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Balanced orders. */
class WilliamsSquaresTest {

  @ParameterizedTest
  @ValueSource(ints = {2, 3, 4, 5, 6, 7, 8, 11, 12})
  void everyPlaceAndEveryNeighbourComesEquallyOften(int treatments) {
    int[][] orders = WilliamsSquares.orders(treatments);
    int[][] places = new int[treatments][treatments];
    int[][] follows = new int[treatments][treatments];
    for (int[] order : orders) {
      assertThat(Arrays.stream(order).sorted().toArray())
          .isEqualTo(IntStream.range(0, treatments).toArray());
      for (int place = 0; place < treatments; place++) {
        places[place][order[place]]++;
        if (place > 0) {
          follows[order[place - 1]][order[place]]++;
        }
      }
    }
    int times = orders.length / treatments;
    assertThat(times).isEqualTo(treatments % 2 == 0 ? 1 : 2);
    for (int i = 0; i < treatments; i++) {
      for (int j = 0; j < treatments; j++) {
        assertThat(places[i][j]).isEqualTo(times);
        assertThat(follows[i][j]).isEqualTo(i == j ? 0 : times);
      }
    }
  }

  @Test
  void oneTreatmentHasNoOrder() {
    assertThatThrownBy(() -> WilliamsSquares.orders(1))
        .isInstanceOf(IllegalArgumentException.class);
  }
}
