package app.knuckle.study.prep;

import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;

/** Columns over other rows. */
final class Rows {

  private Rows() {}

  /** The column whose row i is row {@code from[i]} of the one given. */
  static Column picked(Column column, int[] from) {
    if (column instanceof Numbers numbers) {
      double[] values = new double[from.length];
      for (int i = 0; i < from.length; i++) {
        values[i] = numbers.value(from[i]);
      }
      return new Numbers(numbers.name(), numbers.unit(), values);
    }
    Categories c = (Categories) column;
    int[] codes = new int[from.length];
    for (int i = 0; i < from.length; i++) {
      codes[i] = c.code(from[i]);
    }
    return new Categories(c.name(), c.unit(), codes, c.levels(), c.ordered());
  }
}
