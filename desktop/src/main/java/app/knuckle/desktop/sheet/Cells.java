package app.knuckle.desktop.sheet;

import java.util.List;

/** What a sheet shows. It is asked at each painting, for the cells in view only. */
public interface Cells {

  /** The columns: from left to right. */
  List<Head> heads();

  /** How many rows there are: at least 0. */
  int rows();

  /**
   * What a cell says.
   *
   * @param row from 0
   * @param column from 0
   * @return empty for nothing
   */
  String text(int row, int column);

  /**
   * What a cell holds, where it says that in short.
   *
   * @param row from 0
   * @param column from 0
   * @return what is written over when the cell is opened
   */
  default String whole(int row, int column) {
    return text(row, column);
  }

  /**
   * What a row is called.
   *
   * @param row from 0
   * @return its number
   */
  default String name(int row) {
    return String.valueOf(row + 1);
  }

  /**
   * Why a row is struck through.
   *
   * @param row from 0
   * @return empty if it is not
   */
  default String struck(int row) {
    return "";
  }

  /**
   * What is odd about a cell.
   *
   * @param row from 0
   * @param column from 0
   * @return empty for nothing
   */
  default String odd(int row, int column) {
    return "";
  }

  /**
   * What stands above a column.
   *
   * @param name of the column
   * @param line under it: its kind and unit
   * @param part that the column plays
   * @param bars heights from 0 to 1
   * @param levels whether the bars stand for levels
   * @param mark what to look at, such as "2 odd"
   * @param right whether its cells stand at the right edge
   * @param width in pixels
   */
  record Head(
      String name,
      String line,
      Part part,
      List<Double> bars,
      boolean levels,
      String mark,
      boolean right,
      double width) {

    public Head {
      bars = List.copyOf(bars);
    }

    /**
     * A column with nothing but its name.
     *
     * @param name of the column
     * @param width in pixels
     * @return the head
     */
    public static Head named(String name, double width) {
      return new Head(name, "", Part.NONE, List.of(), false, "", false, width);
    }
  }

  /** The part that a column plays in the question, each with a colour of its own. */
  enum Part {
    /** None. */
    NONE(""),
    /** A response. */
    MEASURED("measured"),
    /** What was done. */
    TREATMENT("treatment"),
    /** A treatment that varies within a unit. */
    OCCASION("occasion"),
    /** A number known beforehand. */
    COVARIATE("covariate"),
    /** What holds units that are alike. */
    BLOCK("block"),
    /** Who was measured again and again. */
    UNIT("unit"),
    /** What matches two values. */
    PAIRS("pairs");

    private final String title;

    Part(String title) {
      this.title = title;
    }

    /** The name in the column's head: empty for none. */
    public String title() {
      return title;
    }
  }
}
