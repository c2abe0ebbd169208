package app.knuckle.study.table;

import java.util.List;

/** A column of categories: a code a row into a list of levels. */
public final class Categories implements Column {

  /** The code of a missing cell. */
  public static final int MISSING = -1;

  private final String name;
  private final String unit;
  private final int[] codes;
  private final List<String> levels;
  private final boolean ordered;

  /**
   * A column of categories.
   *
   * @param name as the user wrote it
   * @param unit empty for none
   * @param codes index of the level of each row, or {@link #MISSING}; handed over, not to be
   *     changed
   * @param levels in their order
   * @param ordered whether that order means something
   */
  public Categories(String name, String unit, int[] codes, List<String> levels, boolean ordered) {
    this.name = name;
    this.unit = unit;
    this.codes = codes;
    this.levels = List.copyOf(levels);
    this.ordered = ordered;
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
    return codes.length;
  }

  /**
   * The level of a row.
   *
   * @param row from 0
   * @return an index into {@link #levels()}, or {@link #MISSING}
   */
  public int code(int row) {
    return codes[row];
  }

  /** The codes of all rows, to be read only: one code a row. */
  public int[] codes() {
    return codes;
  }

  /** The levels, in their order. */
  public List<String> levels() {
    return levels;
  }

  /** Whether the order of the levels means something: true for "low, middle, high". */
  public boolean ordered() {
    return ordered;
  }

  @Override
  public boolean isMissing(int row) {
    return codes[row] == MISSING;
  }

  @Override
  public String text(int row) {
    return isMissing(row) ? "" : levels.get(codes[row]);
  }

  @Override
  public Categories categories() {
    return this;
  }
}
