package app.knuckle.stats.counts;

import app.knuckle.stats.Progress;
import app.knuckle.stats.linear.Covariate;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.Fit;
import app.knuckle.stats.linear.Model;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.CommonOps_DDRM;
import org.ejml.dense.row.factory.DecompositionFactory_DDRM;
import org.ejml.dense.row.factory.LinearSolverFactory_DDRM;

/**
 * The top of the likelihood of a count model. Cells of nothing, or of all, may send it to its edge:
 * their fitted value is then their own, and the fit is that of the others.
 *
 * @see "Nelder, J. A. and Wedderburn, R. W. M. (1972). Generalized linear models. J. R. Stat. Soc.
 *     A 135, 370-384"
 * @see "Geyer, C. J. (2009). Likelihood inference in exponential families and directions of
 *     recession. Electronic J. Stat. 3, 259-289"
 */
final class CountSolution {

  private static final int MOST_STEPS = 100;
  private static final int MOST_HALVINGS = 40;

  /** Linear predictors that move by less than this, relative, move once more and then stand. */
  private static final double LAST_STEP = 1e-10;

  /** A predictor that runs away moves by about 1 a step. */
  private static final double RUNS_AWAY = 0.5;

  /** Others have nearly settled when they move by less. */
  private static final double SETTLED = 0.05;

  /** Of a direction that lies in the space of the other cells less than this is left. */
  private static final double NO_DIRECTION = 1e-9;

  private final CountCells cells;
  private final CountKind kind;
  private final Model model;
  private final boolean[] edge;
  private Fit design;
  private double[][] rows;
  private double[] coordinates;
  private double[] predictor;
  private double deviance;

  private CountSolution(CountCells cells, Model model) {
    this.cells = cells;
    this.model = model;
    kind = cells.kind();
    edge = new boolean[cells.size()];
  }

  /**
   * Finds the top.
   *
   * @param cells the counts
   * @param model over the cells
   * @param progress asked on the way
   * @return null if it is not found
   */
  static CountSolution of(CountCells cells, Model model, Progress progress) {
    CountSolution solution = new CountSolution(cells, model);
    double[] start = new double[cells.size()];
    Arrays.setAll(start, c -> solution.kind.start(cells.count(c), cells.sizeOf(c)));
    while (true) {
      if (solution.isAllAtEdge()) {
        return solution.nothingInside();
      }
      solution.lay();
      Boolean stands = solution.climb(start, progress);
      if (stands == null) {
        return null;
      }
      if (stands) {
        return solution;
      }
      start = solution.predictor.clone();
    }
  }

  private boolean isAllAtEdge() {
    return IntStream.range(0, edge.length).allMatch(c -> edge[c]);
  }

  private CountSolution nothingInside() {
    design = null;
    rows = new double[edge.length][];
    coordinates = new double[0];
    predictor = new double[edge.length];
    return this;
  }

  /** Puts the cells that are not separated into orthonormal coordinates. */
  private void lay() {
    design = Fit.of(model, List.of(inside(edge)));
    rows = new double[cells.size()][];
    int[][] codes = model.factors().stream().map(Factor::codes).toArray(int[][]::new);
    double[][] values = model.covariates().stream().map(Covariate::values).toArray(double[][]::new);
    int[] levels = new int[codes.length];
    double[] at = new double[values.length];
    for (int c = 0; c < rows.length; c++) {
      if (!edge[c]) {
        for (int f = 0; f < levels.length; f++) {
          levels[f] = codes[f][c];
        }
        for (int v = 0; v < at.length; v++) {
          at[v] = values[v][c];
        }
        rows[c] = design.vectorOfRow(levels, at);
      }
    }
  }

  /** A response that has no value where a cell is left out. */
  private static double[] inside(boolean[] out) {
    double[] values = new double[out.length];
    Arrays.setAll(values, c -> out[c] ? Double.NaN : 0);
    return values;
  }

  /**
   * Climbs.
   *
   * @return true at the top, false if cells turned out to be separated, null if nowhere
   */
  private Boolean climb(double[] start, Progress progress) {
    predictor = start.clone();
    coordinates = step(start, false);
    if (coordinates == null) {
      return null;
    }
    predictor = predicted(coordinates);
    deviance = devianceAt(predictor);
    boolean last = false;
    for (int count = 0; count < MOST_STEPS; count++) {
      progress.check();
      double[] step = step(predictor, true);
      if (step == null) {
        return null;
      }
      double[] move = predicted(step);
      if (runsAway(step, move)) {
        return false;
      }
      double[] next = null;
      double share = 1;
      for (int halving = 0; halving < MOST_HALVINGS; halving++, share /= 2) {
        double[] tried = predictor.clone();
        for (int c = 0; c < tried.length; c++) {
          tried[c] += edge[c] ? 0 : share * move[c];
        }
        double there = devianceAt(tried);
        if (there <= deviance * (1 + LAST_STEP) + LAST_STEP || last) {
          next = tried;
          deviance = there;
          break;
        }
      }
      if (next == null) {
        return null;
      }
      boolean small = true;
      for (int c = 0; c < next.length; c++) {
        small &= edge[c] || Math.abs(share * move[c]) <= LAST_STEP * (1 + Math.abs(next[c]));
      }
      predictor = next;
      for (int k = 0; k < coordinates.length; k++) {
        coordinates[k] += share * step[k];
      }
      if (last) {
        return true;
      }
      last = small;
    }
    return null;
  }

  private double[] predicted(double[] gamma) {
    double[] eta = new double[rows.length];
    for (int c = 0; c < eta.length; c++) {
      if (!edge[c]) {
        for (int k = 0; k < gamma.length; k++) {
          eta[c] += rows[c][k] * gamma[k];
        }
      }
    }
    return eta;
  }

  private double devianceAt(double[] eta) {
    double sum = 0;
    for (int c = 0; c < eta.length; c++) {
      sum += edge[c] ? 0 : kind.deviance(cells.count(c), cells.sizeOf(c), eta[c]);
    }
    return sum;
  }

  /** Weighted least squares: the step of the coordinates, or these themselves from a start. */
  private double[] step(double[] eta, boolean change) {
    int p = design.rank();
    DMatrixRMaj weighed = new DMatrixRMaj(p, p);
    DMatrixRMaj right = new DMatrixRMaj(p, 1);
    for (int c = 0; c < eta.length; c++) {
      if (edge[c]) {
        continue;
      }
      double w = cells.sizeOf(c) * kind.variance(eta[c]);
      double score = cells.count(c) - cells.sizeOf(c) * kind.mean(eta[c]);
      double target = change ? score : w * eta[c] + score;
      double[] row = rows[c];
      for (int k = 0; k < p; k++) {
        right.data[k] += row[k] * target;
        double wx = w * row[k];
        int at = k * p;
        for (int l = 0; l <= k; l++) {
          weighed.data[at + l] += wx * row[l];
        }
      }
    }
    for (int k = 0; k < p; k++) {
      for (int l = 0; l < k; l++) {
        weighed.data[l * p + k] = weighed.data[k * p + l];
      }
    }
    var solver = LinearSolverFactory_DDRM.symmPosDef(p);
    DMatrixRMaj solution = new DMatrixRMaj(p, 1);
    if (!solver.setA(weighed)) {
      return null;
    }
    solver.solve(right, solution);
    return Arrays.stream(solution.data).allMatch(Double::isFinite) ? solution.data : null;
  }

  /**
   * Whether cells run away while the others have settled; they are taken for separated only if a
   * direction in the space of the model proves it: one that moves each of them outward and no other
   * cell at all.
   */
  private boolean runsAway(double[] step, double[] move) {
    boolean[] away = new boolean[edge.length];
    boolean any = false;
    for (int c = 0; c < edge.length; c++) {
      if (edge[c]) {
        continue;
      }
      away[c] = outward(c) * move[c] > RUNS_AWAY;
      any |= away[c];
      if (!away[c] && Math.abs(move[c]) > SETTLED) {
        return false;
      }
    }
    if (!any) {
      return false;
    }
    double[] direction = apart(step, away);
    for (int c = 0; c < edge.length; c++) {
      if (away[c]) {
        double x = 0;
        for (int k = 0; k < direction.length; k++) {
          x += rows[c][k] * direction[k];
        }
        if (!(outward(c) * x > RUNS_AWAY / 2)) {
          return false;
        }
      }
    }
    for (int c = 0; c < edge.length; c++) {
      edge[c] |= away[c];
    }
    return true;
  }

  /** The way out of a cell of nothing, or of all; 0 for others. */
  private int outward(int c) {
    return cells.count(c) == 0 ? -1 : kind.isAll(cells.count(c), cells.sizeOf(c)) ? 1 : 0;
  }

  /** The part of a direction that no cell but some lies along. */
  private double[] apart(double[] direction, boolean[] but) {
    int p = direction.length;
    DMatrixRMaj others = new DMatrixRMaj(p, p);
    for (int c = 0; c < edge.length; c++) {
      if (edge[c] || but[c]) {
        continue;
      }
      for (int k = 0; k < p; k++) {
        for (int l = 0; l < p; l++) {
          others.data[k * p + l] += rows[c][k] * rows[c][l];
        }
      }
    }
    var eigen = DecompositionFactory_DDRM.eig(p, true, true);
    eigen.decompose(others);
    double[] left = new double[p];
    for (int k = 0; k < p; k++) {
      if (eigen.getEigenvalue(k).real > NO_DIRECTION) {
        continue;
      }
      double[] free = eigen.getEigenVector(k).data;
      double along = 0;
      for (int l = 0; l < p; l++) {
        along += free[l] * direction[l];
      }
      for (int l = 0; l < p; l++) {
        left[l] += along * free[l];
      }
    }
    return left;
  }

  /** Whether no cell is separated. */
  boolean isInside() {
    return IntStream.range(0, edge.length).noneMatch(c -> edge[c]);
  }

  /** The design with the separated cells in it. */
  Fit onAllCells() {
    return Fit.of(model, List.of(new double[edge.length]));
  }

  /** Independent columns on the cells that are not separated. */
  int rank() {
    return design == null ? 0 : design.rank();
  }

  /** The same on the cells that are not separated of another, smaller model. */
  int rankInside(CountSolution smaller) {
    return smaller.isAllAtEdge()
        ? 0
        : Arrays.equals(edge, smaller.edge)
            ? rank()
            : Fit.of(model, List.of(inside(smaller.edge))).rank();
  }

  /** The design of the cells that are not separated; null where all are. */
  Fit design() {
    return design;
  }

  Model model() {
    return model;
  }

  boolean isSeparated(int cell) {
    return edge[cell];
  }

  /** Coordinates of the fixed part of a cell; null of a separated cell. */
  double[] row(int cell) {
    return rows[cell];
  }

  double[] coordinates() {
    return coordinates;
  }

  /** On the scale of the link, of one unit of exposure or one tried. */
  double predictor(int cell) {
    return predictor[cell];
  }

  /**
   * The fitted mean of one unit of exposure, or of one tried; its own where the cell is separated.
   */
  double mean(int cell) {
    return edge[cell] ? cells.count(cell) / cells.sizeOf(cell) : kind.mean(predictor[cell]);
  }

  /** Its variance; 0 of a separated cell. */
  double variance(int cell) {
    return edge[cell] ? 0 : kind.variance(predictor[cell]);
  }

  long rowsAtEdge() {
    return IntStream.range(0, edge.length).filter(c -> edge[c]).mapToLong(cells::rowsOf).sum();
  }

  /** Rows not separated less the rank on them. */
  long residualDf() {
    return cells.rows() - rowsAtEdge() - rank();
  }

  double deviance() {
    double sum = 0;
    for (int c = 0; c < edge.length; c++) {
      sum +=
          edge[c]
              ? 0
              : cells.within(c) + kind.deviance(cells.count(c), cells.sizeOf(c), predictor[c]);
    }
    return sum;
  }

  double pearson() {
    double sum = 0;
    for (int c = 0; c < edge.length; c++) {
      if (edge[c]) {
        continue;
      }
      double unit = variance(c);
      double off = cells.count(c) / cells.sizeOf(c) - mean(c);
      sum += cells.squares(c) / unit + cells.sizeOf(c) * off * off / unit;
    }
    return sum;
  }

  /** That of a model with a mean for each row, less half the deviance. */
  double logLikelihood() {
    double sum = 0;
    for (int c = 0; c < edge.length; c++) {
      sum += edge[c] ? 0 : cells.saturated(c);
    }
    return sum - deviance() / 2;
  }

  /**
   * The inverse of the triangle of the weighted design: times its transpose it is the inverse of
   * the weighted cross products.
   */
  DMatrixRMaj root() {
    int p = rank();
    int n = (int) IntStream.range(0, edge.length).filter(c -> !edge[c]).count();
    DMatrixRMaj weighed = new DMatrixRMaj(n, p);
    int at = 0;
    for (int c = 0; c < edge.length; c++) {
      if (edge[c]) {
        continue;
      }
      double root = Math.sqrt(cells.sizeOf(c) * variance(c));
      for (int k = 0; k < p; k++) {
        weighed.set(at, k, root * rows[c][k]);
      }
      at++;
    }
    var qr = DecompositionFactory_DDRM.qr(n, p);
    qr.decompose(weighed);
    DMatrixRMaj inverse = new DMatrixRMaj(p, p);
    CommonOps_DDRM.invert(qr.getR(null, true), inverse);
    return inverse;
  }
}
