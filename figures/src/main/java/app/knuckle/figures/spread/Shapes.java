package app.knuckle.figures.spread;

import app.knuckle.study.look.Frequencies;
import java.util.List;

/**
 * The shape of each group's values, one small picture a group on one scale.
 *
 * @param groups as in the picture of dots and boxes
 * @param valueTitle title of the scale
 * @param kind how a shape is drawn
 * @param bins how many bins there are over the whole scale
 * @param counted counts of each group between edges of one's own, of a histogram; null for bins
 */
public record Shapes(
    List<SpreadPicture.Group> groups, String valueTitle, Kind kind, int bins, Frequencies counted) {

  /** Fewest and most bins. */
  public static final int FEWEST_BINS = 3;

  /** Most bins. */
  public static final int MOST_BINS = 60;

  /**
   * Shapes in bins of one width.
   *
   * @param groups as in the picture of dots and boxes
   * @param valueTitle title of the scale
   * @param kind how a shape is drawn
   * @param bins how many bins there are over the whole scale
   */
  public Shapes(List<SpreadPicture.Group> groups, String valueTitle, Kind kind, int bins) {
    this(groups, valueTitle, kind, bins, null);
  }

  public Shapes {
    groups = List.copyOf(groups);
    bins = Math.max(FEWEST_BINS, Math.min(MOST_BINS, bins));
  }

  /** How a shape is drawn. */
  public enum Kind {
    /** Bars of counts, with the normal curve of the same mean and SD. */
    HISTOGRAM,
    /** Every value as a dot, those of one bin on top of each other (Wilkinson 1999). */
    STACKS,
    /** A kernel density. */
    DENSITY
  }
}
