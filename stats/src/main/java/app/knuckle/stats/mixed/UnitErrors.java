package app.knuckle.stats.mixed;

import app.knuckle.stats.mixed.MixedRows.Layout;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.CommonOps_DDRM;

/**
 * Errors of repeated readings that depend on when they were taken: each unit has a covariance of
 * its own, small enough to be inverted as it is. Units seen on the same occasions share it.
 */
final class UnitErrors implements Errors {

  private final MixedRows rows;
  private final Layout layout;
  private final UnitCovariance covariance;
  private final int[][] members;
  private final int[][] places;
  private final int[] unitOf;
  private final int[] positionOf;
  private final DMatrixRMaj[] columns;

  /**
   * Sorts rows into units.
   *
   * @param rows of the model
   * @param layout the columns
   * @param units which unit each row of the records is of
   * @param occasions which occasion each row of the records is of, from 0
   * @param covariance of one unit
   */
  UnitErrors(
      MixedRows rows, Layout layout, RandomTerm units, int[] occasions, UnitCovariance covariance) {
    this.rows = rows;
    this.layout = layout;
    this.covariance = covariance;
    List<List<Integer>> lists = new ArrayList<>();
    units.levels().forEach(u -> lists.add(new ArrayList<>()));
    unitOf = new int[rows.size()];
    for (int i = 0; i < rows.size(); i++) {
      unitOf[i] = units.codes()[rows.row[i]];
      lists.get(unitOf[i]).add(i);
    }
    members = new int[lists.size()][];
    places = new int[lists.size()][];
    positionOf = new int[rows.size()];
    columns = new DMatrixRMaj[lists.size()];
    for (int u = 0; u < members.length; u++) {
      members[u] =
          lists.get(u).stream()
              .sorted(java.util.Comparator.comparingInt(i -> occasions[rows.row[i]]))
              .mapToInt(i -> i)
              .toArray();
      places[u] = Arrays.stream(members[u]).map(i -> occasions[rows.row[i]]).toArray();
      columns[u] = new DMatrixRMaj(members[u].length, layout.size());
      for (int m = 0; m < members[u].length; m++) {
        positionOf[members[u][m]] = m;
        double[] x = layout.row(rows, members[u][m]);
        System.arraycopy(x, 0, columns[u].data, m * x.length, x.length);
      }
    }
  }

  @Override
  public int[] parameters() {
    return covariance.parameters();
  }

  @Override
  public int term() {
    return covariance.term();
  }

  /** What is the same for all units seen on the same occasions. */
  private record Pattern(
      double logDeterminant,
      DMatrixRMaj inverse,
      DMatrixRMaj[] first,
      DMatrixRMaj[][] second,
      DMatrixRMaj[][] bent,
      Traces traces) {}

  @Override
  public Products at(double[] t) {
    int q = parameters().length;
    int c = layout.size();
    Map<List<Integer>, Pattern> known = new HashMap<>();
    DMatrixRMaj all = new DMatrixRMaj(c, c);
    DMatrixRMaj[] first = new DMatrixRMaj[q];
    DMatrixRMaj[][] second = new DMatrixRMaj[q][q];
    DMatrixRMaj[][] bent = covariance.isLinear() ? null : new DMatrixRMaj[q][q];
    for (int a = 0; a < q; a++) {
      first[a] = new DMatrixRMaj(c, c);
      for (int b = a; b < q; b++) {
        second[a][b] = new DMatrixRMaj(c, c);
        if (bent != null) {
          bent[a][b] = new DMatrixRMaj(c, c);
        }
      }
    }
    Traces traces = new Traces(q);
    double logDeterminant = 0;
    for (int u = 0; u < members.length; u++) {
      List<Integer> key = Arrays.stream(places[u]).boxed().toList();
      Pattern p = known.get(key);
      if (p == null) {
        p = pattern(t, places[u]);
        if (p == null) {
          return null;
        }
        known.put(key, p);
      }
      logDeterminant += p.logDeterminant();
      add(all, columns[u], p.inverse());
      for (int a = 0; a < q; a++) {
        add(first[a], columns[u], p.first()[a]);
        traces.first()[a] += p.traces().first()[a];
        for (int b = a; b < q; b++) {
          add(second[a][b], columns[u], p.second()[a][b]);
          traces.second()[a][b] += p.traces().second()[a][b];
          if (bent != null) {
            add(bent[a][b], columns[u], p.bent()[a][b]);
            traces.bent()[a][b] += p.traces().bent()[a][b];
          }
        }
      }
    }
    return new Products(logDeterminant, all, first, second, bent, traces);
  }

  private static void add(DMatrixRMaj sum, DMatrixRMaj x, DMatrixRMaj weight) {
    DMatrixRMaj half = new DMatrixRMaj(weight.numRows, x.numCols);
    CommonOps_DDRM.mult(weight, x, half);
    CommonOps_DDRM.multAddTransA(x, half, sum);
  }

  private Pattern pattern(double[] t, int[] at) {
    int q = parameters().length;
    PositiveDefinite unit = PositiveDefinite.of(covariance.of(t, at));
    if (unit == null) {
      return null;
    }
    DMatrixRMaj k = unit.inverse();
    DMatrixRMaj[] kr = new DMatrixRMaj[q];
    DMatrixRMaj[] first = new DMatrixRMaj[q];
    DMatrixRMaj[][] second = new DMatrixRMaj[q][q];
    DMatrixRMaj[][] bent = new DMatrixRMaj[q][q];
    Traces traces = new Traces(q);
    for (int a = 0; a < q; a++) {
      kr[a] = product(k, covariance.first(t, at, a));
      first[a] = product(kr[a], k);
      traces.first()[a] = CommonOps_DDRM.trace(kr[a]);
    }
    for (int a = 0; a < q; a++) {
      for (int b = a; b < q; b++) {
        second[a][b] = product(kr[a], first[b]);
        traces.second()[a][b] = CommonOps_DDRM.trace(product(kr[a], kr[b]));
        if (!covariance.isLinear()) {
          DMatrixRMaj bend = product(k, covariance.second(t, at, a, b));
          bent[a][b] = product(bend, k);
          traces.bent()[a][b] = CommonOps_DDRM.trace(bend);
        }
      }
    }
    return new Pattern(unit.logDeterminant(), k, first, second, bent, traces);
  }

  private static DMatrixRMaj product(DMatrixRMaj a, DMatrixRMaj b) {
    return CommonOps_DDRM.mult(a, b, null);
  }

  @Override
  public Sums sums(double[] t) {
    if (term() < 0) {
      return null;
    }
    double[] own = new double[members.length];
    double[][] sums = new double[members.length][layout.size()];
    for (int u = 0; u < own.length; u++) {
      DMatrixRMaj k = PositiveDefinite.of(covariance.of(t, places[u])).inverse();
      own[u] = CommonOps_DDRM.elementSum(k);
      CommonOps_DDRM.sumCols(product(k, columns[u]), DMatrixRMaj.wrap(1, sums[u].length, sums[u]));
    }
    return new Sums(own, sums);
  }

  @Override
  public RowProducts rows(double[] t) {
    DMatrixRMaj[] inverses = new DMatrixRMaj[members.length];
    Arrays.setAll(inverses, u -> PositiveDefinite.of(covariance.of(t, places[u])).inverse());
    return (i, products) -> {
      int u = unitOf[i];
      int at = positionOf[i];
      Arrays.fill(products, 0);
      for (int m = 0; m < members[u].length; m++) {
        double weight = inverses[u].get(at, m);
        for (int j = 0; j < products.length; j++) {
          products[j] += weight * columns[u].get(m, j);
        }
      }
      return inverses[u].get(at, at);
    };
  }

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
}
