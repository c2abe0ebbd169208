package app.knuckle.stats.compare;

import static org.assertj.core.api.Assertions.assertThat;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

class LettersTest {

  private static final Quantity NONE = Quantity.absent(Absence.NOT_WISHED);

  private static Pair pair(int left, int right, boolean differs) {
    Quantity p = Quantity.of(differs ? 0.01 : 0.5);
    return new Pair(left, right, 0, NONE, NONE, NONE, p, NONE, NONE, NONE, differs);
  }

  private static Pair unjudged(int left, int right) {
    return new Pair(left, right, 0, NONE, NONE, NONE, NONE, NONE, NONE, NONE, false);
  }

  private static void requireSharedUnlessApart(Letters letters, List<Pair> pairs) {
    for (Pair pair : pairs) {
      boolean shared =
          IntStream.range(0, letters.count())
              .anyMatch(l -> letters.has(pair.left(), l) && letters.has(pair.right(), l));
      assertThat(shared).isEqualTo(!pair.differs());
    }
  }

  @Test
  void anUnjudgedPairSharesNoLetterByItself() {
    Letters letters =
        Letters.of(List.of(0, 1, 2), List.of(unjudged(0, 1), pair(0, 2, false), pair(1, 2, false)));
    assertThat(List.of(letters.of(0), letters.of(1), letters.of(2)))
        .containsExactly("a", "b", "ab");
  }

  @Test
  void aMeanOfUnjudgedPairsOnlyHasNoLetter() {
    Letters letters =
        Letters.of(List.of(0, 1, 2), List.of(unjudged(0, 1), unjudged(0, 2), pair(1, 2, true)));
    assertThat(List.of(letters.of(0), letters.of(1), letters.of(2))).containsExactly("", "a", "b");
    assertThat(letters.count()).isEqualTo(2);
  }

  @Property
  void meansShareALetterExactlyWhenTheyWereNotToldApart(
      @ForAll @IntRange(min = 2, max = 14) int k,
      @ForAll @DoubleRange(min = 0, max = 1) double share,
      @ForAll long seed) {
    Random random = new Random(seed);
    List<Pair> pairs = new ArrayList<>();
    for (int i = 0; i < k; i++) {
      for (int j = i + 1; j < k; j++) {
        pairs.add(pair(i, j, random.nextDouble() < share));
      }
    }
    Letters letters = Letters.of(IntStream.range(0, k).boxed().toList(), pairs);
    requireSharedUnlessApart(letters, pairs);
    for (int a = 0; a < letters.count(); a++) {
      for (int b = 0; b < letters.count(); b++) {
        int outer = a;
        int inner = b;
        boolean inside =
            a != b
                && IntStream.range(0, k)
                    .allMatch(m -> !letters.has(m, inner) || letters.has(m, outer));
        assertThat(inside).as("set %d inside set %d is superfluous", b, a).isFalse();
      }
    }
  }

  /**
   * Where errors are alike, whether two means differ significantly depends on their distance alone.
   */
  @Property
  void alongOneScaleEveryLetterIsARun(
      @ForAll @IntRange(min = 2, max = 90) int k,
      @ForAll @DoubleRange(min = 0, max = 1) double least,
      @ForAll long seed) {
    double[] means = new Random(seed).doubles(k).map(x -> -x).sorted().map(x -> -x).toArray();
    List<Pair> pairs = new ArrayList<>();
    for (int i = 0; i < k; i++) {
      for (int j = i + 1; j < k; j++) {
        pairs.add(pair(i, j, means[i] - means[j] > least));
      }
    }
    Letters letters = Letters.of(IntStream.range(0, k).boxed().toList(), pairs);
    requireSharedUnlessApart(letters, pairs);
    for (int l = 0; l < letters.count(); l++) {
      int letter = l;
      int[] held = IntStream.range(0, k).filter(m -> letters.has(m, letter)).toArray();
      assertThat(held[held.length - 1] - held[0]).isEqualTo(held.length - 1);
    }
  }

  @Test
  void aLetterMaySkipAMeanBetween() {
    // Three ranked means: the middle one differs from both ends, the ends do not differ.
    Letters letters =
        Letters.of(
            List.of(0, 1, 2), List.of(pair(0, 1, true), pair(0, 2, false), pair(1, 2, true)));
    assertThat(List.of(letters.of(0), letters.of(1), letters.of(2))).containsExactly("a", "b", "a");
  }

  @Test
  void beyondTheAlphabetLettersStayApart() {
    int k = 120;
    List<Pair> pairs = new ArrayList<>();
    for (int i = 0; i < k; i++) {
      for (int j = i + 1; j < k; j++) {
        pairs.add(pair(i, j, true));
      }
    }
    Letters letters = Letters.of(IntStream.range(0, k).boxed().toList(), pairs);
    assertThat(IntStream.range(0, k).mapToObj(letters::of).distinct()).hasSize(k);
  }
}
