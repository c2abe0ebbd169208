package app.knuckle.stats.ranks;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;

class FenwickTreeTest {

  @Property(tries = 200)
  void countsWhatCountingOneByOneCounts(
      @ForAll @Size(max = 40) List<@IntRange(min = -4, max = 4) Integer> values) {
    double[] all = values.stream().mapToDouble(i -> i == 0 ? -0.0 : i / 3.0).toArray();
    FenwickTree tree = new FenwickTree(all);
    for (int i = 0; i < all.length; i++) {
      int below = 0;
      int equal = 0;
      for (int j = 0; j < i; j++) {
        below += all[j] < all[i] ? 1 : 0;
        equal += all[j] == all[i] ? 1 : 0;
      }
      assertThat(tree.below(all[i])).isEqualTo(below);
      assertThat(tree.equal(all[i])).isEqualTo(equal);
      tree.add(all[i]);
    }
  }
}
