package app.knuckle.stats.strata;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;

/** Corrections of terms of two occasion factors, 3 x 2, against those of plain occasions. */
class SphericityPropertiesTest {

  private static final int[] SIZES = {3, 2};

  @Property(tries = 40)
  void aMainEffectIsThatOfAveragesAndAnInteractionThatOfDifferences(@ForAll long seed) {
    Random random = new Random(seed);
    double[][] values = new double[9][6];
    int[] groups = new int[9];
    for (int u = 0; u < 9; u++) {
      groups[u] = u % 2;
      for (int j = 0; j < 6; j++) {
        values[u][j] = random.nextGaussian() * (1 + j) + (j > 0 ? 0.5 * values[u][j - 1] : 0);
      }
    }
    double[][] averages = fold(values, 0.5);
    double[][] differences = fold(values, -1);
    same(
        Sphericity.ofTerm(values, SIZES, new boolean[] {true, false}, groups, 2, 0),
        Sphericity.of(averages, groups, 2));
    same(
        Sphericity.ofTerm(values, SIZES, new boolean[] {true, true}, groups, 2, 0),
        Sphericity.of(differences, groups, 2));
  }

  /** Both levels of the second factor as their average, or as the first less the second. */
  private static double[][] fold(double[][] values, double second) {
    return Arrays.stream(values)
        .map(
            v -> {
              double[] folded = new double[3];
              Arrays.setAll(
                  folded, j -> (second > 0 ? second : 1) * v[2 * j] + second * v[2 * j + 1]);
              return folded;
            })
        .toArray(double[][]::new);
  }

  private static void same(Sphericity found, Sphericity expected) {
    assertThat(found.greenhouseGeisser().value())
        .isCloseTo(expected.greenhouseGeisser().value(), within(1e-10));
    assertThat(found.w().value()).isCloseTo(expected.w().value(), within(1e-10));
    assertThat(found.p().value()).isCloseTo(expected.p().value(), within(1e-10));
  }
}
