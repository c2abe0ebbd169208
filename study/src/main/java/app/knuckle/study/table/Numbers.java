package app.knuckle.study.table;

/** A column of numbers. Missing cells are NaN; every other value is finite. */
public final class Numbers implements Column {

  private final String name;
  private final String unit;
  private final double[] values;

  /**
   * A column of numbers.
   *
   * @param name as the user wrote it
   * @param unit empty for none
   * @param values NaN where missing; handed over, not to be changed afterwards
   */
  public Numbers(String name, String unit, double[] values) {
    this.name = name;
    this.unit = unit;
    this.values = values;
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
   *
   * @return one value a row, NaN when missing
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
   * A number in the shortest form that reads back as the same double: "60", "14.2".
   *
   * @param value finite
   * @return its text
   */
  public static String text(double value) {
    if (value == Math.rint(value) && Math.abs(value) < WHOLE_UP_TO) {
      return Long.toString((long) value);
    }
    return Double.toString(value);
  }

  /** Whole numbers up to here are written out; a double holds all of them exactly. */
  private static final double WHOLE_UP_TO = 0x1.0p53;
}
