package app.knuckle.stats.mixed;

import app.knuckle.stats.Progress;
import java.util.Arrays;
import java.util.stream.IntStream;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.factory.DecompositionFactory_DDRM;

/**
 * Finds the parameters of largest restricted likelihood within their limits: variances at least 0,
 * some of them above it, a correlation between -1 and 1. Steps are Newton's where the second
 * derivatives allow it, else of the expected information; what leaves the limits or does not raise
 * the likelihood is halved. A variance may come to stand at 0, and come back.
 */
final class LikelihoodSearch {

  /** A step this small, relative, is the last but one. */
  private static final double LAST_STEP = 1e-10;

  /** Steps of a variance below this share of the total are measured by the total. */
  private static final double SMALL_SHARE = 1e-6;

  /** A variance below this share of the total that still falls is 0. */
  private static final double AT_LIMIT = 1e-9;

  /**
   * A step that promises less than this moves minus twice the log likelihood by nothing that any
   * test or limit shows.
   */
  private static final double LITTLE = 1e-6;

  private static final int MOST_STEPS = 100;

  /** So many steps may follow the expected information before a saddle is supposed. */
  private static final int FIRST_SCORING = 20;

  private static final int MOST_HALVINGS = 60;

  /** A climb whose parameters all come this near to a top, relative, ends there. */
  private static final double NEAR = 1e-2;

  /** Two values of the likelihood this close, relative, are the same but for rounding. */
  private static final double SAME_VALUE = 1e-11;

  private final Likelihood likelihood;
  private final Limits limits;

  /**
   * What parameters may be.
   *
   * @param variances how many there are; they stand before all else
   * @param positive whether a variance must be above 0
   */
  record Limits(int variances, boolean[] positive) {}

  /**
   * A place where nothing pulls any more.
   *
   * @param t the parameters
   * @param point the likelihood there
   */
  record Top(double[] t, Likelihood.Point point) {}

  LikelihoodSearch(Likelihood likelihood, Limits limits) {
    this.likelihood = likelihood;
    this.limits = limits;
  }

  Likelihood likelihood() {
    return likelihood;
  }

  Limits limits() {
    return limits;
  }

  /**
   * Climbs from a start.
   *
   * @param start within the limits
   * @param held which parameters keep their start
   * @param progress asked on the way
   * @return the top; null if none is reached
   */
  Top from(double[] start, boolean[] held, Progress progress) {
    return from(start, held, null, progress);
  }

  /**
   * Climbs from a start, and no further than into the reach of a top that is known.
   *
   * @param start within the limits
   * @param held which parameters keep their start
   * @param known where another climb ended; null for none
   * @param progress asked on the way
   * @return the top; the known one if this climb is about to end there; null if none is reached
   */
  Top from(double[] start, boolean[] held, Top known, Progress progress) {
    double[] t = start.clone();
    Likelihood.Point point = likelihood.at(t);
    boolean last = false;
    double before = Double.POSITIVE_INFINITY;
    for (int count = 0; point != null && count < MOST_STEPS; count++) {
      progress.check();
      point = release(t, held, point);
      int[] free = free(t, held);
      if (free.length == 0) {
        return new Top(t, point);
      }
      if (known != null && leadsTo(known, t, point, free)) {
        return known;
      }
      double[] step = step(point, free, count);
      if (step == null) {
        return null;
      }
      double length = length(step, free, t);
      boolean small = length <= LAST_STEP;
      if (last || small) {
        double[] next = moved(t, free, step, 1);
        Likelihood.Point there = next == null ? null : likelihood.at(next);
        if (there != null) {
          t = next;
          point = there;
        }
        if (last && small) {
          return new Top(t, point);
        }
        last = small;
        continue;
      }
      Top next = downhill(t, free, step, point, progress);
      if (next == null) {
        return null;
      }
      boolean lower = next.point().value() < point.value() - rounding(point);
      if (!lower && length > before / 2 && gain(step, free, point) <= LITTLE) {
        return polished(new Top(t, point), held);
      }
      before = length;
      t = next.t();
      point = next.point();
    }
    return null;
  }

  /**
   * The last steps where digits were lost and the likelihood rises no more: Newton's, as long as
   * each promises less than the one before.
   */
  private Top polished(Top reached, boolean[] held) {
    Top best = reached;
    int[] free = free(best.t(), held);
    double[] step = solved(best.point().hessian(), 1, best.point().gradient(), free, false);
    while (step != null) {
      double promised = gain(step, free, best.point());
      double[] next = moved(best.t(), free, step, 1);
      Likelihood.Point there = next == null ? null : likelihood.at(next);
      if (there == null || !Arrays.equals(free(next, held), free)) {
        return best;
      }
      double[] further = solved(there.hessian(), 1, there.gradient(), free, false);
      if (further == null || !(gain(further, free, there) < promised / 2)) {
        return best;
      }
      best = new Top(next, there);
      step = further;
    }
    return best;
  }

  /** Whether a climb stands so near to a top that Newton's next steps lead onto it. */
  private boolean leadsTo(Top known, double[] t, Likelihood.Point point, int[] free) {
    double top = known.point().value();
    if (point.value() < top - rounding(known.point())) {
      return false;
    }
    double total = total(t);
    boolean[] isFree = new boolean[t.length];
    for (int i : free) {
      isFree[i] = true;
    }
    return IntStream.range(0, t.length)
        .allMatch(
            i ->
                isFree[i] && (i >= limits.variances() || known.t()[i] > 0)
                    ? Math.abs(t[i] - known.t()[i]) <= NEAR * size(i, t, total)
                    : t[i] == known.t()[i]);
  }

  /** What a step of a parameter is measured by. */
  private double size(int i, double[] t, double total) {
    return i < limits.variances() ? Math.max(t[i], SMALL_SHARE * total) : 1;
  }

  /** Lets variances at 0 that are pulled upward come back. */
  private Likelihood.Point release(double[] t, boolean[] held, Likelihood.Point point) {
    Likelihood.Point now = point;
    for (int i = 0; i < limits.variances(); i++) {
      if (held[i] || t[i] > 0 || !(now.gradient()[i] < -pull(now, i))) {
        continue;
      }
      double curve = now.hessian()[i][i];
      double total = total(t);
      double back =
          curve > 0 ? Math.min(-now.gradient()[i] / curve, total) : total * SMALL_SHARE * 1e3;
      for (int halving = 0; halving < MOST_HALVINGS; halving++) {
        double[] moved = t.clone();
        moved[i] = back;
        Likelihood.Point there = likelihood.at(moved);
        if (there != null && there.value() < now.value()) {
          t[i] = back;
          now = there;
          break;
        }
        back /= 2;
      }
    }
    return now;
  }

  /** A gradient is rounding below this: it is the difference of a trace and a square. */
  private static double pull(Likelihood.Point point, int i) {
    return 1e-10 * Math.sqrt(2 * point.information()[i][i]);
  }

  private int[] free(double[] t, boolean[] held) {
    return IntStream.range(0, t.length)
        .filter(i -> !held[i] && (i >= limits.variances() || t[i] > 0))
        .toArray();
  }

  private double[] step(Likelihood.Point point, int[] free, int count) {
    double[] newton = solved(point.hessian(), 1, point.gradient(), free, false);
    if (newton != null) {
      return newton;
    }
    double[] away =
        count < FIRST_SCORING ? null : solved(point.hessian(), 1, point.gradient(), free, true);
    return away != null ? away : solved(point.information(), 2, point.gradient(), free, false);
  }

  /**
   * The step that solves the equations.
   *
   * @param turned whether directions of negative curvature are followed downward, so that a saddle
   *     is left in few steps; else a matrix that has some gives null
   */
  private static double[] solved(
      double[][] matrix, double factor, double[] g, int[] free, boolean turned) {
    int n = free.length;
    // Scaled to a diagonal of 1, so that parameters of different size do not matter.
    double[] size = new double[n];
    for (int i = 0; i < n; i++) {
      double own = factor * matrix[free[i]][free[i]];
      size[i] = Math.sqrt(turned ? Math.abs(own) : own);
      if (!(size[i] > 0)) {
        return null;
      }
    }
    DMatrixRMaj scaled = new DMatrixRMaj(n, n);
    DMatrixRMaj right = new DMatrixRMaj(n, 1);
    for (int i = 0; i < n; i++) {
      right.set(i, 0, -g[free[i]] / size[i]);
      for (int j = 0; j < n; j++) {
        scaled.set(i, j, factor * matrix[free[i]][free[j]] / (size[i] * size[j]));
      }
    }
    double[] step = turned ? turned(scaled, right) : straight(scaled, right);
    if (step == null) {
      return null;
    }
    for (int i = 0; i < n; i++) {
      step[i] /= size[i];
    }
    return step;
  }

  private static double[] straight(DMatrixRMaj scaled, DMatrixRMaj right) {
    PositiveDefinite inverse = PositiveDefinite.of(scaled);
    return inverse == null ? null : inverse.times(right).data;
  }

  /** Solves with the absolute values of all eigenvalues. */
  private static double[] turned(DMatrixRMaj scaled, DMatrixRMaj right) {
    int n = scaled.numRows;
    var eigen = DecompositionFactory_DDRM.eig(n, true, true);
    if (!eigen.decompose(scaled.copy())) {
      return null;
    }
    double[] step = new double[n];
    for (int k = 0; k < n; k++) {
      double[] v = eigen.getEigenVector(k).data;
      double along = IntStream.range(0, n).mapToDouble(i -> v[i] * right.data[i]).sum();
      double curve = Math.max(Math.abs(eigen.getEigenvalue(k).real), SMALL_SHARE);
      for (int i = 0; i < n; i++) {
        step[i] += v[i] * along / curve;
      }
    }
    return step;
  }

  /** The longest part of a step, relative to its parameter. */
  private double length(double[] step, int[] free, double[] t) {
    double total = total(t);
    return IntStream.range(0, free.length)
        .mapToDouble(i -> Math.abs(step[i]) / size(free[i], t, total))
        .max()
        .orElse(0);
  }

  /** By how much a step is to lower minus twice the log likelihood, to first order. */
  private static double gain(double[] step, int[] free, Likelihood.Point point) {
    return Math.abs(
        IntStream.range(0, free.length)
            .mapToDouble(i -> step[i] * point.gradient()[free[i]])
            .sum());
  }

  /** Two values of the likelihood no further apart than this are the same. */
  private static double rounding(Likelihood.Point point) {
    return SAME_VALUE * (1 + Math.abs(point.value()));
  }

  private double total(double[] t) {
    return Arrays.stream(t, 0, limits.variances()).sum();
  }

  private Top downhill(
      double[] t, int[] free, double[] step, Likelihood.Point point, Progress progress) {
    double share = 1;
    for (int halving = 0; halving < MOST_HALVINGS; halving++) {
      progress.check();
      double[] next = moved(t, free, step, share);
      Likelihood.Point there = next == null ? null : likelihood.at(next);
      if (there != null && there.value() <= point.value() + rounding(point)) {
        return new Top(next, there);
      }
      share /= 2;
    }
    return null;
  }

  /** Where a step leads; null if it leaves limits that cannot be stood on. */
  private double[] moved(double[] t, int[] free, double[] step, double share) {
    double[] next = t.clone();
    double floor = AT_LIMIT * total(t);
    for (int i = 0; i < free.length; i++) {
      int at = free[i];
      next[at] += share * step[i];
      if (at >= limits.variances()) {
        if (Math.abs(next[at]) >= 1) {
          return null;
        }
      } else if (limits.positive()[at]) {
        if (!(next[at] > 0)) {
          return null;
        }
      } else if (next[at] < floor && step[i] < 0) {
        next[at] = 0;
      }
    }
    return next;
  }
}
