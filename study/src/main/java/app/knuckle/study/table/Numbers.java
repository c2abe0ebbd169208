package app.knuckle.study.table;

import java.math.BigDecimal;
import java.util.Arrays;
import java.util.List;

/** A column of numbers. Missing cells are NaN; every other value is finite. */
public final class Numbers implements Column {

  private final String name;
  private final String unit;
  private final double[] values;
  private final List<String> writtenInTwoWays;

  /** Kept if there are few; nothing is lost where two find them at a time. */
  private volatile Categories categories;

  /**
   * A column of numbers.
   *
   * @param name as the user wrote it
   * @param unit empty for none
   * @param values NaN where missing; handed over, not to be changed afterwards
   */
  public Numbers(String name, String unit, double[] values) {
    this(name, unit, values, List.of());
  }

  /**
   * A column as it was read.
   *
   * @param name as the user wrote it
   * @param unit empty for none
   * @param values NaN where missing; handed over, not to be changed afterwards
   * @param writtenInTwoWays numbers that were written with decimals and without, 1.0 and 1
   */
  public Numbers(String name, String unit, double[] values, List<String> writtenInTwoWays) {
    this.name = name;
    this.unit = unit;
    this.values = values;
    this.writtenInTwoWays = List.copyOf(writtenInTwoWays);
  }

  /**
   * Whole numbers of which different texts became one: none if it was not read, or nothing can be
   * confused.
   */
  public List<String> writtenInTwoWays() {
    return writtenInTwoWays;
  }

  @Override
  public String name() {
    return name;
  }

  @Override
  public String unit() {
    return unit;
  }

  @Override
  public int size() {
    return values.length;
  }

  /**
   * One value.
   *
   * @param row from 0
   * @return NaN when missing
   */
  public double value(int row) {
    return values[row];
  }

  /**
   * All values, to be read only: a copy of a million numbers for each reader would be waste.
   * Returns one value a row, NaN when missing.
   */
  public double[] values() {
    return values;
  }

  @Override
  public boolean isMissing(int row) {
    return Double.isNaN(values[row]);
  }

  @Override
  public String text(int row) {
    return isMissing(row) ? "" : text(values[row]);
  }

  /**
   * A number in the shortest form that reads back as the same double: "60", "14.2", "0.0001"; with
   * a power of ten, "1e300", only where it has more zeros than anybody counts.
   *
   * @param value finite
   * @return its text
   */
  public static String text(double value) {
    if (value == Math.rint(value) && Math.abs(value) < WHOLE_UP_TO) {
      return Long.toString((long) value);
    }
    BigDecimal exact = new BigDecimal(Double.toString(value)).stripTrailingZeros();
    int power = exact.precision() - exact.scale() - 1;
    if (Math.abs(power) <= MOST_ZEROS) {
      return exact.toPlainString();
    }
    return exact.movePointLeft(power).stripTrailingZeros().toPlainString() + "e" + power;
  }

  @Override
  public Categories categories() {
    if (categories != null) {
      return categories;
    }
    double[] distinct = distinct();
    int[] codes = new int[values.length];
    for (int row = 0; row < codes.length; row++) {
      codes[row] = isMissing(row) ? Categories.MISSING : Arrays.binarySearch(distinct, values[row]);
    }
    List<String> levels = Arrays.stream(distinct).mapToObj(Numbers::text).toList();
    Categories found = new Categories(name, unit, codes, levels, false);
    if (distinct.length <= FEW) {
      categories = found;
    }
    return found;
  }

  /** The different values in ascending order: few are gathered as they are met, many sorted. */
  private double[] distinct() {
    double[] met = new double[FEW];
    int n = 0;
    for (double value : values) {
      int place = Double.isNaN(value) ? 0 : Arrays.binarySearch(met, 0, n, value);
      if (place < 0) {
        if (n == FEW) {
          return Arrays.stream(values).filter(v -> !Double.isNaN(v)).sorted().distinct().toArray();
        }
        int at = -place - 1;
        System.arraycopy(met, at, met, at + 1, n - at);
        met[at] = value;
        n++;
      }
    }
    return Arrays.copyOf(met, n);
  }

  /** More different values than this are hardly a treatment, and not kept as texts. */
  private static final int FEW = 256;

  /** Whole numbers up to here are written out; a double holds all of them exactly. */
  private static final double WHOLE_UP_TO = 0x1.0p53;

  /** More zeros than this are counted by nobody. */
  private static final int MOST_ZEROS = 15;
}
