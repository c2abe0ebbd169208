package app.knuckle.stats.planning;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.factory.DecompositionFactory_DDRM;

/**
 * Treatments in blocks that hold fewer than all of them.
 *
 * @param blocks treatments from 0, one list a block
 * @param replicates how often each treatment comes
 * @param resolvable whether the blocks fall into complete replicates
 */
public record IncompleteBlocks(List<List<Integer>> blocks, int replicates, boolean resolvable) {

  /** The search starts anew until so many plots were laid out; the best start is taken. */
  private static final int PLOTS_TRIED = 3_000;

  private static final int LEAST_STARTS = 6;

  /** Of this share an eigenvalue is 0: the mean of all. */
  private static final double NO_INFORMATION = 1e-9;

  public IncompleteBlocks {
    blocks = blocks.stream().map(List::copyOf).toList();
  }

  /**
   * Looks for blocks in which pairs of treatments meet as equally often as they can, by exchanges.
   *
   * @param treatments how many, at least 2
   * @param blockSize how many a block holds, fewer than all
   * @param replicates how often each comes; times treatments it is a multiple of the block size
   * @param chance where the search begins
   * @return the best that was found; resolvable where the block size divides the treatments
   */
  public static IncompleteBlocks search(
      int treatments, int blockSize, int replicates, SeededRandom chance) {
    boolean resolvable = treatments % blockSize == 0;
    IncompleteBlocks best = null;
    double efficiency = -1;
    int starts = Math.max(LEAST_STARTS, PLOTS_TRIED / (treatments * replicates));
    for (int start = 0; start < starts; start++) {
      IncompleteBlocks found =
          new Exchange(treatments, blockSize, replicates, resolvable, chance).best();
      double own = found.efficiency(treatments);
      if (own > efficiency) {
        best = found;
        efficiency = own;
      }
    }
    return best;
  }

  /**
   * Average efficiency beside complete blocks: the harmonic mean of the positive eigenvalues of the
   * information on treatments, over the replicates.
   *
   * @param treatments how many
   * @return from 0 to 1; 0 where some cannot be compared within blocks
   */
  public double efficiency(int treatments) {
    DMatrixRMaj information = new DMatrixRMaj(treatments, treatments);
    for (List<Integer> block : blocks) {
      for (int a : block) {
        information.add(a, a, 1);
        for (int b : block) {
          information.add(a, b, -1.0 / block.size());
        }
      }
    }
    var eigen = DecompositionFactory_DDRM.eig(treatments, false, true);
    eigen.decompose(information);
    double[] values =
        IntStream.range(0, treatments)
            .mapToDouble(i -> eigen.getEigenvalue(i).real)
            .sorted()
            .toArray();
    if (treatments > 1 && values[1] < NO_INFORMATION * replicates) {
      return 0;
    }
    double sum = Arrays.stream(values).skip(1).map(v -> 1 / v).sum();
    return (treatments - 1) / sum / replicates;
  }

  /**
   * What no design of this size exceeds.
   *
   * @param treatments how many
   * @return Patterson and Williams' bound where it is resolvable, else that of any block design
   * @see "Patterson, H. D. and Williams, E. R. (1976). A new class of resolvable incomplete block
   *     designs. Biometrika 63, 83-92"
   */
  public double bound(int treatments) {
    double k = blocks.get(0).size();
    if (!resolvable) {
      return treatments * (k - 1) / (k * (treatments - 1));
    }
    double s = treatments / k;
    double both = (treatments - 1.0) * (replicates - 1);
    return both / (both + replicates * (s - 1));
  }

  /** Exchanges of two treatments of different blocks, as long as pairs meet more evenly. */
  private static final class Exchange {
    private final int treatments;
    private final int replicates;
    private final boolean resolvable;
    private final int[][] blocks;
    private final int[][] meet;

    Exchange(
        int treatments, int blockSize, int replicates, boolean resolvable, SeededRandom chance) {
      this.treatments = treatments;
      this.replicates = replicates;
      this.resolvable = resolvable;
      List<Integer> all = new ArrayList<>();
      List<Integer> once = IntStream.range(0, treatments).boxed().toList();
      for (int r = 0; r < replicates; r++) {
        all.addAll(chance.shuffled(once));
      }
      blocks = new int[all.size() / blockSize][blockSize];
      for (int i = 0; i < blocks.length * blockSize; i++) {
        blocks[i / blockSize][i % blockSize] = all.get(i);
      }
      meet = new int[treatments][treatments];
      for (int[] block : blocks) {
        for (int a : block) {
          for (int b : block) {
            meet[a][b]++;
          }
        }
      }
    }

    IncompleteBlocks best() {
      boolean changed = true;
      while (changed) {
        changed = false;
        for (int a = 0; a < blocks.length; a++) {
          for (int b = a + 1; b < blocks.length; b++) {
            changed |= sameReplicate(a, b) && improved(a, b);
          }
        }
      }
      return new IncompleteBlocks(
          Arrays.stream(blocks).map(block -> Arrays.stream(block).boxed().toList()).toList(),
          replicates,
          resolvable);
    }

    private boolean sameReplicate(int a, int b) {
      int each = blocks.length / replicates;
      return !resolvable || a / each == b / each;
    }

    /** Takes the best exchange between two blocks, if it makes pairs meet more evenly. */
    private boolean improved(int a, int b) {
      long best = 0;
      int[] at = null;
      for (int i = 0; i < blocks[a].length; i++) {
        for (int j = 0; j < blocks[b].length; j++) {
          int x = blocks[a][i];
          int y = blocks[b][j];
          if (x == y || holds(blocks[a], y) || holds(blocks[b], x)) {
            // Twice in a block is allowed only where nothing else is possible.
            if (!repairs(a, b, x, y)) {
              continue;
            }
          }
          long gain = gain(a, b, i, j);
          if (gain > best) {
            best = gain;
            at = new int[] {i, j};
          }
        }
      }
      if (at == null) {
        return false;
      }
      swap(a, b, at[0], at[1]);
      return true;
    }

    private boolean repairs(int a, int b, int x, int y) {
      return x != y && (times(blocks[a], x) > 1 || times(blocks[b], y) > 1);
    }

    private static boolean holds(int[] block, int treatment) {
      return times(block, treatment) > 0;
    }

    private static int times(int[] block, int treatment) {
      int count = 0;
      for (int t : block) {
        count += t == treatment ? 1 : 0;
      }
      return count;
    }

    private long squares(int[] of) {
      long sum = 0;
      for (int x : of) {
        for (int t = 0; t < treatments; t++) {
          if (t != x) {
            sum += (long) meet[x][t] * meet[x][t];
          }
          // A treatment that meets itself wastes a plot.
          sum += t == x ? (long) treatments * treatments * (meet[x][x] - replicates) : 0;
        }
      }
      return sum;
    }

    private long gain(int a, int b, int i, int j) {
      int[] of =
          IntStream.concat(Arrays.stream(blocks[a]), Arrays.stream(blocks[b])).distinct().toArray();
      long before = squares(of);
      swap(a, b, i, j);
      long after = squares(of);
      swap(a, b, i, j);
      return before - after;
    }

    private void swap(int a, int b, int i, int j) {
      remove(blocks[a], i);
      remove(blocks[b], j);
      int x = blocks[a][i];
      blocks[a][i] = blocks[b][j];
      blocks[b][j] = x;
      add(blocks[a], i);
      add(blocks[b], j);
    }

    private void remove(int[] block, int i) {
      for (int k = 0; k < block.length; k++) {
        if (k != i) {
          meet[block[i]][block[k]]--;
          meet[block[k]][block[i]]--;
        }
      }
    }

    private void add(int[] block, int i) {
      for (int k = 0; k < block.length; k++) {
        if (k != i) {
          meet[block[i]][block[k]]++;
          meet[block[k]][block[i]]++;
        }
      }
    }
  }
}
