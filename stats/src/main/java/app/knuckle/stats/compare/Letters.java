package app.knuckle.stats.compare;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Letters for means: two means share a letter exactly when they were compared and do not differ
 * significantly. A pair that could not be judged shares no letter by itself, and a mean without a
 * judged pair has none.
 *
 * <p>Every largest set of means without a differing pair gets a letter, found by insertion and
 * absorption: start with one set of all means; for each pair that differs, split every set that
 * holds both; drop a set that lies inside another. The sets stand along the ranking of the means,
 * the one with the top mean first.
 *
 * @see "Piepho, H.-P. (2004). Journal of Computational and Graphical Statistics 13, 456-466"
 */
public final class Letters {

  private static final String ALPHABET = "abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ";

  private final List<BitSet> sets;
  private final List<String> letters;

  private Letters(List<BitSet> sets, int means) {
    this.sets = sets;
    letters =
        IntStream.range(0, means)
            .mapToObj(
                mean ->
                    IntStream.range(0, sets.size())
                        .filter(set -> sets.get(set).get(mean))
                        .mapToObj(Letters::name)
                        .reduce("", String::concat))
            .toList();
  }

  /**
   * Letters from decisions.
   *
   * @param ranking indexes of all means, the largest first
   * @param pairs the decisions; a pair that is not listed counts as not differing
   * @return the letters
   */
  public static Letters of(List<Integer> ranking, List<Pair> pairs) {
    int k = ranking.size();
    int[] place = new int[k];
    for (int r = 0; r < k; r++) {
      place[ranking.get(r)] = r;
    }
    // Sets hold places in the ranking, so that they sort by their members' places.
    boolean[][] apart = new boolean[k][k];
    for (Pair pair : pairs) {
      boolean parted = pair.differs() || !pair.isJudged();
      apart[place[pair.left()]][place[pair.right()]] = parted;
      apart[place[pair.right()]][place[pair.left()]] = parted;
    }
    List<BitSet> sets = runs(apart);
    if (sets == null) {
      Sets split = new Sets(k);
      for (Pair pair : pairs) {
        int i = place[pair.left()];
        int j = place[pair.right()];
        if (apart[i][j]) {
          split.split(i, j);
        }
      }
      sets = split.all();
    }
    BitSet alone = unjudged(k, place, pairs);
    sets.removeIf(set -> set.cardinality() == 1 && alone.get(set.nextSetBit(0)));
    sets.sort(alongRanking(k));
    List<BitSet> byIndex = new ArrayList<>();
    for (BitSet set : sets) {
      BitSet means = new BitSet(k);
      set.stream().forEach(r -> means.set(ranking.get(r)));
      byIndex.add(means);
    }
    return new Letters(byIndex, k);
  }

  /**
   * The largest sets where every mean belongs with its neighbours along the ranking, up to some
   * mean and with none beyond, as it is where errors are alike: then a set is a run of means.
   *
   * @param apart which means are parted, by their places
   * @return null where that is not so
   */
  static List<BitSet> runs(boolean[][] apart) {
    int k = apart.length;
    List<BitSet> runs = new ArrayList<>();
    int reached = 0;
    for (int from = 0; from < k; from++) {
      int end = from + 1;
      while (end < k && !apart[from][end]) {
        end++;
      }
      for (int beyond = end; beyond < k; beyond++) {
        if (!apart[from][beyond]) {
          return null;
        }
      }
      if (end < reached) {
        return null;
      }
      if (end > reached) {
        BitSet run = new BitSet(k);
        run.set(from, end);
        runs.add(run);
        reached = end;
      }
    }
    return runs;
  }

  /** Places of the means that have pairs, but none that could be judged. */
  private static BitSet unjudged(int k, int[] place, List<Pair> pairs) {
    BitSet alone = new BitSet(k);
    pairs.forEach(
        pair -> {
          alone.set(place[pair.left()]);
          alone.set(place[pair.right()]);
        });
    pairs.stream()
        .filter(Pair::isJudged)
        .forEach(
            pair -> {
              alone.clear(place[pair.left()]);
              alone.clear(place[pair.right()]);
            });
    return alone;
  }

  /** Sets of means, none inside another, whose members stand as bits in words. */
  private static final class Sets {

    private final List<long[]> sets = new ArrayList<>();

    /** One set of all. */
    Sets(int means) {
      BitSet all = new BitSet(means);
      all.set(0, means);
      sets.add(all.toLongArray());
    }

    /** Parts two means wherever they stand together. */
    void split(int i, int j) {
      List<long[]> halves = new ArrayList<>();
      for (int s = sets.size() - 1; s >= 0; s--) {
        long[] set = sets.get(s);
        if (has(set, i) && has(set, j)) {
          sets.remove(s);
          halves.add(without(set, i));
          halves.add(without(set, j));
        }
      }
      for (long[] half : halves) {
        add(half);
      }
    }

    private void add(long[] half) {
      for (long[] set : sets) {
        if (contains(set, half)) {
          return;
        }
      }
      sets.removeIf(set -> contains(half, set));
      sets.add(half);
    }

    private static boolean has(long[] set, int member) {
      return (set[member >> 6] >>> member & 1) != 0;
    }

    private static long[] without(long[] set, int member) {
      long[] rest = set.clone();
      rest[member >> 6] &= ~(1L << member);
      return rest;
    }

    private static boolean contains(long[] outer, long[] inner) {
      for (int word = 0; word < outer.length; word++) {
        if ((inner[word] & ~outer[word]) != 0) {
          return false;
        }
      }
      return true;
    }

    List<BitSet> all() {
      return new ArrayList<>(sets.stream().map(BitSet::valueOf).toList());
    }
  }

  private static Comparator<BitSet> alongRanking(int k) {
    return (a, b) -> {
      for (int r = 0; r < k; r++) {
        if (a.get(r) != b.get(r)) {
          return a.get(r) ? -1 : 1;
        }
      }
      return 0;
    };
  }

  /** a to z, A to Z, then the same with a prime, and so on. */
  private static String name(int set) {
    int round = set / ALPHABET.length();
    return ALPHABET.charAt(set % ALPHABET.length()) + "'".repeat(round);
  }

  /**
   * Letters of one mean.
   *
   * @param mean its index
   * @return one letter or more, in alphabetical order; empty if none of its pairs could be judged
   */
  public String of(int mean) {
    return letters.get(mean);
  }

  /** How many letters there are: at least 1, unless no pair could be judged. */
  public int count() {
    return sets.size();
  }

  /**
   * Whether a mean carries a letter.
   *
   * @param mean its index
   * @param letter number of the letter, from 0
   * @return true if it is in that set
   */
  public boolean has(int mean, int letter) {
    return sets.get(letter).get(mean);
  }

  /**
   * Text of a letter.
   *
   * @param letter its number, from 0
   * @return such as "a"
   */
  public String text(int letter) {
    return name(letter);
  }
}
