package app.knuckle.stats.anova;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;

/**
 * How much blocking gained: how many times the plots a completely randomised layout would have
 * needed.
 *
 * @param value against a completely randomised layout
 * @param dfCorrection for the degrees of freedom that blocks cost; absent for a Latin square
 * @param corrected value times the correction; absent for a Latin square
 * @param rowsAlone of a Latin square against blocks that are its rows alone, which is what its
 *     columns gained; absent for blocks
 * @param columnsAlone against blocks that are its columns alone; absent for blocks
 * @see "Cochran, W. G. and Cox, G. M. (1957). Experimental designs, 2nd ed., sections 4.31, 4.37"
 */
public record RelativeEfficiency(
    Quantity value,
    Quantity dfCorrection,
    Quantity corrected,
    Quantity rowsAlone,
    Quantity columnsAlone) {

  private static final Quantity NOT_HERE = Quantity.absent(Absence.NOT_FOR_THIS_LAYOUT);

  /**
   * Of complete blocks, each treatment combination once in each.
   *
   * @param blocks how many blocks
   * @param combinations how many treatment combinations
   * @param blockMs mean square of the blocks
   * @param errorMs error mean square, above 0
   * @return the efficiency
   */
  public static RelativeEfficiency ofBlocks(
      int blocks, int combinations, double blockMs, double errorMs) {
    double b = blocks;
    double t = combinations;
    double value = ((b - 1) * blockMs + b * (t - 1) * errorMs) / ((b * t - 1) * errorMs);
    double d1 = (b - 1) * (t - 1);
    double d2 = t * (b - 1);
    double correction = (d1 + 1) * (d2 + 3) / ((d1 + 3) * (d2 + 1));
    return new RelativeEfficiency(
        Quantity.of(value),
        Quantity.of(correction),
        Quantity.of(value * correction),
        NOT_HERE,
        NOT_HERE);
  }

  /**
   * Of a Latin square.
   *
   * @param size rows, columns and treatments
   * @param rowMs mean square of the rows
   * @param columnMs mean square of the columns
   * @param errorMs error mean square, above 0
   * @return the efficiency
   */
  public static RelativeEfficiency ofSquare(
      int size, double rowMs, double columnMs, double errorMs) {
    double k = size;
    return new RelativeEfficiency(
        Quantity.of((rowMs + columnMs + (k - 1) * errorMs) / ((k + 1) * errorMs)),
        NOT_HERE,
        NOT_HERE,
        Quantity.of((columnMs + (k - 1) * errorMs) / (k * errorMs)),
        Quantity.of((rowMs + (k - 1) * errorMs) / (k * errorMs)));
  }
}
