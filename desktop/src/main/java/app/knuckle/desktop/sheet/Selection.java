package app.knuckle.desktop.sheet;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Which cells are selected: areas, of which the last reaches from its anchor to the cell that has
 * the keyboard.
 *
 * @param others areas selected before
 * @param anchor where the last area began
 * @param focus where it ends
 */
record Selection(List<Area> others, Place anchor, Place focus) {

  Selection {
    others = List.copyOf(others);
  }

  /**
   * Cells between two corners.
   *
   * @param top first row
   * @param left first column
   * @param bottom last row
   * @param right last column
   */
  record Area(int top, int left, int bottom, int right) {

    static Area between(Place one, Place other) {
      return new Area(
          Math.min(one.row(), other.row()),
          Math.min(one.column(), other.column()),
          Math.max(one.row(), other.row()),
          Math.max(one.column(), other.column()));
    }

    boolean holds(int row, int column) {
      return row >= top && row <= bottom && column >= left && column <= right;
    }
  }

  /** One cell alone. */
  static Selection of(Place place) {
    return new Selection(List.of(), place, place);
  }

  /** Everything between two corners, with the keyboard at the second. */
  static Selection between(Place anchor, Place focus) {
    return new Selection(List.of(), anchor, focus);
  }

  /** The last area reaches to another cell. */
  Selection stretchedTo(Place place) {
    return new Selection(others, anchor, place);
  }

  /** What is selected stays so, and another area begins. */
  Selection and(Place from, Place to) {
    List<Area> all = new ArrayList<>(others);
    all.add(last());
    return new Selection(all, from, to);
  }

  Area last() {
    return Area.between(anchor, focus);
  }

  boolean holds(int row, int column) {
    return last().holds(row, column) || others.stream().anyMatch(a -> a.holds(row, column));
  }

  /** The rows with a selected cell, rising; the heads are none. */
  int[] rows() {
    BitSet rows = new BitSet();
    areas().forEach(a -> rows.set(Math.max(0, a.top()), Math.max(0, a.bottom() + 1)));
    return rows.stream().toArray();
  }

  /** The columns with a selected cell, rising. */
  int[] columns() {
    return areas()
        .flatMapToInt(a -> IntStream.rangeClosed(a.left(), a.right()))
        .distinct()
        .sorted()
        .toArray();
  }

  private java.util.stream.Stream<Area> areas() {
    return java.util.stream.Stream.concat(others.stream(), java.util.stream.Stream.of(last()));
  }

  /** The same where a sheet has only so many rows and columns. */
  Selection within(int rows, int columns) {
    boolean fits = areas().allMatch(a -> a.bottom() < rows && a.right() < columns) && columns > 0;
    return fits ? this : of(new Place(clamp(focus.row(), rows), clamp(focus.column(), columns)));
  }

  private static int clamp(int at, int count) {
    return Math.max(0, Math.min(at, count - 1));
  }
}
