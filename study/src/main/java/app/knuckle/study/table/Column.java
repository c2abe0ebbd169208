package app.knuckle.study.table;

/** One column of a table. Immutable. */
public sealed interface Column permits Numbers, Categories {

  /** The name as the user wrote it: not empty. */
  String name();

  /** The unit, such as "mm"; empty when there is none. */
  String unit();

  /** Rows of the column: the number, missing cells counted. */
  int size();

  /**
   * Whether a cell has no value.
   *
   * @param row from 0
   * @return true if it is missing
   */
  boolean isMissing(int row);

  /**
   * A cell as text.
   *
   * @param row from 0
   * @return empty when missing
   */
  String text(int row);

  /** Cells without a value. */
  default int missing() {
    int count = 0;
    for (int i = 0; i < size(); i++) {
      count += isMissing(i) ? 1 : 0;
    }
    return count;
  }

  /**
   * The name without its unit and with blanks for underscores: "growth" for growth_mm. Returns the
   * name for sentences and axes.
   */
  default String label() {
    return Units.label(name(), unit());
  }

  /** The label with the unit behind it: "growth (mm)". Returns the title for axes and tables. */
  default String title() {
    return unit().isEmpty() ? label() : label() + " (" + unit() + ")";
  }

  /**
   * The column as categories: its own levels, or its numbers as texts in ascending order. Returns
   * with its levels in their order.
   */
  Categories categories();
}
