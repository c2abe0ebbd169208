package app.knuckle.stats.mixed;

import app.knuckle.stats.mixed.MixedModel.WithinUnit;
import app.knuckle.stats.mixed.NotEstimable.Reason;
import java.util.Arrays;
import java.util.List;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.factory.DecompositionFactory_DDRM;

/** Whether rows can bear a mixed model; if not, says which term is in the way. */
final class Estimability {

  /** Of a square that is less than this share, nothing is left but rounding. */
  private static final double NOTHING = 1e-10;

  /**
   * A residual variance of less than this share of the whole is lost in products of columns, which
   * keep 16 digits: what is found of it is the error of rounding.
   */
  private static final double LOST = 1e-12;

  private Estimability() {}

  static void check(MixedModel model, MixedRows rows) {
    for (RandomTerm term : model.random()) {
      if (term.size() < 2) {
        throw new NotEstimable(Reason.ONE_LEVEL, term.term().source());
      }
      if (term.size() >= rows.size()) {
        throw new NotEstimable(Reason.LEVEL_PER_ROW, term.term().source());
      }
    }
    List<RandomTerm> random = model.random();
    for (int i = 0; i < random.size(); i++) {
      for (int j = 0; j < i; j++) {
        if (sameGroups(random.get(i), random.get(j))) {
          throw new NotEstimable(
              Reason.SAME_GROUPS, random.get(j).term().source(), random.get(i).term().source());
        }
      }
    }
    if (model.within() != WithinUnit.EQUAL) {
      checkOccasions(model, rows);
    }
    int parameters =
        random.size()
            + switch (model.within()) {
              case EQUAL -> 1;
              case FIRST_ORDER -> 2;
              case OWN_VARIANCES -> model.occasions().size();
            };
    if (rows.size() - rows.rank() <= parameters) {
      throw new NotEstimable(Reason.TOO_FEW_ROWS);
    }
    double left = rows.fit.error().of(0);
    double all = Arrays.stream(rows.response).map(y -> y * y).sum() * rows.scale * rows.scale;
    if (!(left > NOTHING * NOTHING * all)) {
      throw new NotEstimable(Reason.NOTHING_LEFT);
    }
  }

  private static void checkOccasions(MixedModel model, MixedRows rows) {
    int occasions = model.occasions().size();
    int[] readings = new int[occasions];
    boolean[] seen = new boolean[model.units().size() * occasions];
    for (int row : rows.row) {
      int occasion = model.occasions().codes()[row];
      int unit = model.units().codes()[row];
      readings[occasion]++;
      if (seen[unit * occasions + occasion]) {
        throw new NotEstimable(
            Reason.TWO_READINGS,
            String.join(", ", model.units().levels().get(unit)),
            model.occasions().levels().get(occasion));
      }
      seen[unit * occasions + occasion] = true;
    }
    for (int o = 0; o < occasions && model.within() == WithinUnit.OWN_VARIANCES; o++) {
      if (readings[o] < 2) {
        throw new NotEstimable(Reason.FEW_READINGS, model.occasions().levels().get(o));
      }
    }
    if (model.units().size() >= rows.size()) {
      throw new NotEstimable(Reason.LEVEL_PER_ROW, model.units().term().source());
    }
  }

  /** Whether two terms put the same rows together. */
  static boolean sameGroups(RandomTerm a, RandomTerm b) {
    if (a.size() != b.size()) {
      return false;
    }
    int[] to = new int[a.size()];
    Arrays.fill(to, -1);
    for (int row = 0; row < a.codes().length; row++) {
      int from = a.codes()[row];
      if (from < 0) {
        continue;
      }
      if (to[from] >= 0 && to[from] != b.codes()[row]) {
        return false;
      }
      to[from] = b.codes()[row];
    }
    return true;
  }

  /**
   * Whether each variance leaves a trace of its own, seen where there is nothing but errors of one
   * size: there P is what the fixed part leaves, M, and twice the information is tr(M G M G).
   */
  static void checkVariances(MixedModel model, MixedRows rows, Setup setup) {
    double[] t = new double[setup.likelihood().parameters()];
    Arrays.fill(t, model.random().size(), setup.limits().variances(), 1);
    Likelihood.Point point = setup.likelihood().at(t);
    double[][] information = point.information();
    int q = t.length;
    for (int k = 0; k < model.random().size(); k++) {
      RandomTerm term = model.random().get(k);
      double[] sizes = new double[term.size()];
      for (int row : rows.row) {
        sizes[term.codes()[row]]++;
      }
      // What the term's own cross products would be without a fixed part.
      double whole = Arrays.stream(sizes).map(n -> n * n).sum() / 2;
      if (!(information[k][k] > NOTHING * whole)) {
        throw new NotEstimable(Reason.CONFOUNDED, term.term().source());
      }
    }
    DMatrixRMaj scaled = new DMatrixRMaj(q, q);
    for (int i = 0; i < q; i++) {
      for (int j = 0; j < q; j++) {
        scaled.set(i, j, information[i][j] / Math.sqrt(information[i][i] * information[j][j]));
      }
    }
    var eigen = DecompositionFactory_DDRM.eig(q, false, true);
    // A parameter without any information leaves no matrix that could be taken apart.
    boolean told = eigen.decompose(scaled);
    for (int i = 0; i < q; i++) {
      if (!told || !(eigen.getEigenvalue(i).real >= NOTHING)) {
        throw new NotEstimable(
            model.random().isEmpty() ? Reason.TOO_FEW_ROWS : Reason.NOT_TOLD_APART,
            model.random().stream().map(r -> r.term().source()).toArray(String[]::new));
      }
    }
  }

  /** Something must vary within the levels of all terms; the response has a variance of 1. */
  static void checkResidual(Moments moments) {
    if (moments != null && !(moments.rows().get(moments.rows().size() - 1).variance() > LOST)) {
      throw new NotEstimable(Reason.NO_RESIDUAL);
    }
  }

  /** What the search found must be more than rounding. */
  static void checkResidual(double[] t, int terms, int variances) {
    double residual = Arrays.stream(t, terms, variances).max().orElse(0);
    if (!(residual > LOST * Arrays.stream(t, 0, variances).sum())) {
      throw new NotEstimable(Reason.NO_RESIDUAL);
    }
  }
}
