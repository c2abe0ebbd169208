package app.knuckle.stats.planning;

/**
 * Orders in which a unit meets all treatments, balanced: each treatment stands equally often at
 * each place, and each follows each other equally often.
 *
 * @see "Williams, E. J. (1949). Experimental designs balanced for the estimation of residual
 *     effects of treatments. Australian Journal of Scientific Research A 2, 149-168"
 */
public final class WilliamsSquares {

  private WilliamsSquares() {}

  /**
   * The orders.
   *
   * @param treatments how many, 2 or more
   * @return one row an order, as many as treatments if their number is even, else twice as many;
   *     treatments are numbered from 0
   */
  public static int[][] orders(int treatments) {
    if (treatments < 2) {
      throw new IllegalArgumentException("One treatment has no order");
    }
    int[] first = new int[treatments];
    for (int place = 0; place < treatments; place++) {
      // 0, 1, t - 1, 2, t - 2, ...: neighbours differ by each number once.
      first[place] = place % 2 == 1 ? (place + 1) / 2 : (treatments - place / 2) % treatments;
    }
    boolean odd = treatments % 2 == 1;
    int[][] orders = new int[odd ? 2 * treatments : treatments][treatments];
    for (int row = 0; row < treatments; row++) {
      for (int place = 0; place < treatments; place++) {
        int treatment = (first[place] + row) % treatments;
        orders[row][place] = treatment;
        if (odd) {
          orders[treatments + row][treatments - 1 - place] = treatment;
        }
      }
    }
    return orders;
  }
}
