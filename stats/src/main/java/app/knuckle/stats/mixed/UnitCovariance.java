package app.knuckle.stats.mixed;

import org.ejml.data.DMatrixRMaj;

/** The covariance of the readings of one unit, by their occasions. */
sealed interface UnitCovariance {

  /** Which parameters it has, by their place among all. */
  int[] parameters();

  /** The random term that is in it; -1 for none. */
  int term();

  /** Whether it is linear in its parameters. */
  boolean isLinear();

  /** The covariance of readings on some occasions. */
  DMatrixRMaj of(double[] t, int[] occasions);

  /** Its derivative by one of its own parameters. */
  DMatrixRMaj first(double[] t, int[] occasions, int parameter);

  /** Its derivative by two of them. */
  DMatrixRMaj second(double[] t, int[] occasions, int one, int other);

  /** Made from what an element is. */
  private static DMatrixRMaj matrix(int[] occasions, Element element) {
    DMatrixRMaj m = new DMatrixRMaj(occasions.length, occasions.length);
    for (int i = 0; i < occasions.length; i++) {
      for (int j = 0; j < occasions.length; j++) {
        m.set(i, j, element.of(occasions[i], occasions[j]));
      }
    }
    return m;
  }

  /** An element of a matrix. */
  interface Element {
    /** By the occasions of its row and column. */
    double of(int i, int j);
  }

  /**
   * A random unit, if it is one of the terms, and a variance for every occasion.
   *
   * @param term place of the unit among the random terms; -1 for none
   * @param residual place of the variance of the first occasion
   * @param occasions how many there are
   */
  record OwnVariances(int term, int residual, int occasions) implements UnitCovariance {
    @Override
    public int[] parameters() {
      int own = term < 0 ? 0 : 1;
      int[] places = new int[own + occasions];
      java.util.Arrays.setAll(places, a -> a < own ? term : residual + a - own);
      return places;
    }

    @Override
    public boolean isLinear() {
      return true;
    }

    @Override
    public DMatrixRMaj of(double[] t, int[] at) {
      double unit = term < 0 ? 0 : t[term];
      return matrix(at, (i, j) -> unit + (i == j ? t[residual + i] : 0));
    }

    @Override
    public DMatrixRMaj first(double[] t, int[] at, int parameter) {
      int occasion = parameters()[parameter] - residual;
      return parameters()[parameter] == term
          ? matrix(at, (i, j) -> 1)
          : matrix(at, (i, j) -> i == j && i == occasion ? 1 : 0);
    }

    @Override
    public DMatrixRMaj second(double[] t, int[] at, int one, int other) {
      return new DMatrixRMaj(at.length, at.length);
    }
  }

  /**
   * One variance, and a correlation to the power of the steps between two occasions.
   *
   * @param residual place of the variance; the correlation stands after it
   */
  record FirstOrder(int residual) implements UnitCovariance {
    @Override
    public int[] parameters() {
      return new int[] {residual, residual + 1};
    }

    @Override
    public int term() {
      return -1;
    }

    @Override
    public boolean isLinear() {
      return false;
    }

    @Override
    public DMatrixRMaj of(double[] t, int[] at) {
      return matrix(at, (i, j) -> t[residual] * power(t[residual + 1], Math.abs(i - j)));
    }

    @Override
    public DMatrixRMaj first(double[] t, int[] at, int parameter) {
      double r = t[residual + 1];
      return parameter == 0
          ? matrix(at, (i, j) -> power(r, Math.abs(i - j)))
          : matrix(at, (i, j) -> t[residual] * slope(r, Math.abs(i - j)));
    }

    @Override
    public DMatrixRMaj second(double[] t, int[] at, int one, int other) {
      double r = t[residual + 1];
      return one == 0 && other == 0
          ? new DMatrixRMaj(at.length, at.length)
          : one == 0
              ? matrix(at, (i, j) -> slope(r, Math.abs(i - j)))
              : matrix(at, (i, j) -> t[residual] * curve(r, Math.abs(i - j)));
    }

    private static double power(double r, int d) {
      return d == 0 ? 1 : Math.pow(r, d);
    }

    private static double slope(double r, int d) {
      return d == 0 ? 0 : d * power(r, d - 1);
    }

    private static double curve(double r, int d) {
      return d < 2 ? 0 : d * (d - 1.0) * power(r, d - 2);
    }
  }
}
