package app.knuckle.study.design;

import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import java.util.Arrays;
import java.util.List;

/**
 * The groups that a treatment makes of the rows in play.
 *
 * @param treatment the column
 * @param levels its levels that have a row in play, in order
 * @param codes one group a row; negative for rows out of play or without a level
 * @param counts rows in play in each group
 */
public record Groups(Column treatment, List<String> levels, int[] codes, int[] counts) {

  /** More groups than this are surely labels, such as a name for every unit. */
  public static final int MOST = 1000;

  /**
   * The groups of a treatment.
   *
   * @param frame the rows
   * @param treatment name of the column; numbers make groups by their values
   * @return the groups
   * @throws Refused if the column is missing or has more than {@link #MOST} levels
   */
  public static Groups of(Frame frame, String treatment) {
    Column column = frame.column(treatment);
    Categories all = column.categories();
    int[] counts = new int[all.levels().size()];
    int[] codes = all.codes().clone();
    for (int row = 0; row < codes.length; row++) {
      if (!frame.inPlay(row)) {
        codes[row] = Categories.MISSING;
      }
      if (codes[row] != Categories.MISSING) {
        counts[codes[row]]++;
      }
    }
    int present = (int) Arrays.stream(counts).filter(n -> n > 0).count();
    if (present > MOST) {
      throw Refused.at(
          new Place.WholeColumn(frame.source(), treatment),
          "the column has " + present + " different values, too many to be groups",
          "It looks like a label or a measurement: choose the column that says what was done");
    }
    return compact(column, all, codes, counts, present);
  }

  /** Levels without a row are dropped. */
  private static Groups compact(
      Column column, Categories all, int[] codes, int[] counts, int present) {
    int[] to = new int[counts.length];
    int[] kept = new int[present];
    String[] levels = new String[present];
    int next = 0;
    for (int level = 0; level < counts.length; level++) {
      if (counts[level] > 0) {
        to[level] = next;
        kept[next] = counts[level];
        levels[next++] = all.levels().get(level);
      }
    }
    for (int row = 0; row < codes.length; row++) {
      codes[row] = codes[row] == Categories.MISSING ? Categories.MISSING : to[codes[row]];
    }
    return new Groups(column, List.of(levels), codes, kept);
  }

  /** How many groups there are. */
  public int size() {
    return levels.size();
  }
}
