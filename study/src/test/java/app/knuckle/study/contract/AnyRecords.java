package app.knuckle.study.contract;

import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.IntToDoubleFunction;
import java.util.stream.IntStream;

/** Records in the making: columns of levels that are crossed or drawn, and responses over them. */
final class AnyRecords {

  /** Levels that are easily confused once they are joined, quoted, read as numbers or trimmed. */
  private static final List<String> HOSTILE =
      List.of(
          "a", "a, b", "b, c", "c", "5 x 5", "\"q\"", "7", "07", "a / b", "x = y", "b", "1e3", "é");

  private final Random random;
  private final boolean hostile;
  private final Map<String, List<String>> levels = new LinkedHashMap<>();
  private final Map<String, int[]> codes = new LinkedHashMap<>();
  private final Map<String, double[]> numbers = new LinkedHashMap<>();
  private int rows;

  /**
   * Starts with no columns.
   *
   * @param random where they come from
   * @param hostile whether levels have names that are easily confused
   */
  AnyRecords(Random random, boolean hostile) {
    this.random = random;
    this.hostile = hostile;
  }

  int between(int low, int high) {
    return low + random.nextInt(high - low + 1);
  }

  boolean oneIn(int n) {
    return random.nextInt(n) == 0;
  }

  int rows() {
    return rows;
  }

  List<String> levels(String column) {
    return levels.get(column);
  }

  /** Every combination of columns, so often each; now and then some are lost or shuffled. */
  void crossed(List<String> names, int[] sizes, int each, int lostOneIn) {
    List<int[]> all = new ArrayList<>();
    int cells = Arrays.stream(sizes).reduce(1, (a, b) -> a * b);
    for (int cell = 0; cell < cells; cell++) {
      for (int i = 0; i < each; i++) {
        if (lostOneIn == 0 || !oneIn(lostOneIn)) {
          int[] own = new int[sizes.length];
          int rest = cell;
          for (int f = sizes.length - 1; f >= 0; f--) {
            own[f] = rest % sizes[f];
            rest /= sizes[f];
          }
          all.add(own);
        }
      }
    }
    if (oneIn(2)) {
      Collections.shuffle(all, random);
    }
    rows = all.size();
    for (int f = 0; f < sizes.length; f++) {
      int at = f;
      column(names.get(f), sizes[f], all.stream().mapToInt(own -> own[at]).toArray());
    }
  }

  /** One column of groups of unequal size, a lone row among them at times. */
  void groups(String name, int size) {
    List<Integer> own = new ArrayList<>();
    for (int g = 0; g < size; g++) {
      own.addAll(Collections.nCopies(oneIn(8) ? 1 : between(2, 7), g));
    }
    rows = own.size();
    column(name, size, own.stream().mapToInt(x -> x).toArray());
  }

  /** So many rows and no column yet. */
  void bare(int count) {
    rows = count;
  }

  /** A column of levels drawn for each row. */
  void drawn(String name, int size) {
    column(name, size, IntStream.range(0, rows).map(r -> random.nextInt(size)).toArray());
  }

  /** A column whose code is computed from those of others. */
  void column(String name, int size, int[] own) {
    List<String> texts = new ArrayList<>(IntStream.range(0, size).mapToObj(l -> name + l).toList());
    if (hostile && size <= HOSTILE.size()) {
      List<String> pool = new ArrayList<>(HOSTILE);
      Collections.shuffle(pool, random);
      texts = pool.subList(0, size);
    }
    levels.put(name, List.copyOf(texts));
    codes.put(name, own);
  }

  /** The code of each row. */
  int[] codes(String column) {
    return codes.get(column);
  }

  /** A response to some columns: on a grid, at an offset, or with groups that do not vary. */
  void response(String name, List<String> from) {
    double steps = new double[] {1000, 1000, 2, 1}[random.nextInt(4)];
    double offset = new double[] {0, 10, 10, -3, 1000}[random.nextInt(5)];
    boolean exact = oneIn(12);
    double[] sum = effects(from, 1.5);
    int still = !from.isEmpty() && oneIn(10) ? random.nextInt(levels.get(from.get(0)).size()) : -1;
    number(
        name,
        r -> {
          boolean moves = !exact && !(still >= 0 && codes.get(from.get(0))[r] == still);
          double value = sum[r] + (moves ? random.nextGaussian() : 0);
          return Math.rint((value + offset) * steps) / steps + 0.0; // No -0, which no file holds.
        });
  }

  /** Counts about a mean that depends on some columns; some groups have none. */
  void counts(String name, List<String> from, String exposure) {
    double[] sum = effects(from, 0.7);
    double mean = new double[] {0.8, 4, 4, 40}[random.nextInt(4)];
    double[] size = exposure == null ? null : numbers.get(exposure);
    int none = oneIn(3) ? random.nextInt(levels.get(from.get(0)).size()) : -1;
    number(
        name,
        r ->
            codes.get(from.get(0))[r] == none
                ? 0
                : poisson(mean * Math.exp(sum[r]) * (size == null ? 1 : size[r])));
  }

  /** How many of those tried; some groups have none or all. */
  void successes(String name, List<String> from, String outOf) {
    double[] sum = effects(from, 0.8);
    double[] tried = outOf == null ? null : numbers.get(outOf);
    int edge = oneIn(3) ? random.nextInt(levels.get(from.get(0)).size()) : -1;
    boolean all = oneIn(2);
    number(
        name,
        r -> {
          double of = tried == null ? 1 : tried[r];
          if (codes.get(from.get(0))[r] == edge) {
            return all ? of : 0;
          }
          double p = 1 / (1 + Math.exp(-sum[r]));
          return IntStream.range(0, (int) of).filter(i -> random.nextDouble() < p).count();
        });
  }

  /** A column of numbers. */
  void number(String name, IntToDoubleFunction value) {
    numbers.put(name, IntStream.range(0, rows).mapToDouble(value).toArray());
  }

  /** Loses some values of columns, now and then. */
  void gaps(String... columns) {
    for (String name : columns) {
      if (oneIn(3)) {
        double[] own = numbers.get(name);
        Arrays.setAll(own, r -> oneIn(15) ? Double.NaN : own[r]);
      }
    }
  }

  private double[] effects(List<String> from, double size) {
    double[] sum = new double[rows];
    for (String of : from) {
      double[] own = new double[levels.get(of).size()];
      Arrays.setAll(own, l -> oneIn(3) ? 0 : random.nextGaussian() * size);
      int[] code = codes.get(of);
      Arrays.setAll(sum, r -> sum[r] + (code[r] < 0 ? 0 : own[code[r]]));
    }
    return sum;
  }

  private double poisson(double mean) {
    double limit = Math.exp(-Math.min(mean, 500));
    double product = random.nextDouble();
    int count = 0;
    while (product > limit) {
      product *= random.nextDouble();
      count++;
    }
    return count;
  }

  Table table() {
    List<Column> columns = new ArrayList<>();
    levels.forEach(
        (name, texts) -> columns.add(new Categories(name, "", codes.get(name), texts, false)));
    numbers.forEach((name, values) -> columns.add(new Numbers(name, "mm", values)));
    return new Table("tray", "tray.csv", columns, "");
  }
}
