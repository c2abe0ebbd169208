package app.knuckle.stats.mixed;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.mixed.MixedRows.Layout;
import java.util.Arrays;
import java.util.List;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.CommonOps_DDRM;

/**
 * The predicted effects of a random term, with the components taken as known.
 *
 * @param term the term
 * @param effects one a level, in units of the response; they sum to 0
 * @param errors standard errors of prediction; absent where the component is 0
 * @see "Henderson, C. R. (1975). Best linear unbiased estimation and prediction under a selection
 *     model. Biometrics 31, 423-447"
 */
public record Effects(RandomTerm term, List<Double> effects, List<Quantity> errors) {

  public Effects {
    effects = List.copyOf(effects);
    errors = List.copyOf(errors);
  }

  static Effects of(Likelihood likelihood, double[] t, int term) {
    MixedRows rows = likelihood.rows();
    RandomTerm random = rows.random.get(term);
    if (t[term] == 0) {
      return new Effects(
          random,
          random.levels().stream().map(l -> 0.0).toList(),
          random.levels().stream().map(l -> Quantity.absent(Absence.AT_ZERO)).toList());
    }
    Prediction p = new Prediction(likelihood, t, term);
    return new Effects(
        random,
        Arrays.stream(p.effects).map(u -> u * rows.scale).boxed().toList(),
        Arrays.stream(p.variances).mapToObj(v -> Quantity.of(Math.sqrt(v) * rows.scale)).toList());
  }

  /** Mean variance of the difference of two predicted effects, less the true ones. */
  static double meanVariance(Likelihood likelihood, double[] t, int term) {
    Prediction p = new Prediction(likelihood, t, term);
    double m = p.variances.length;
    return 2 * (m * Arrays.stream(p.variances).sum() - p.sum) / (m * (m - 1));
  }

  /** Effects of one term, their prediction error variances and the sum of all covariances. */
  private static final class Prediction {
    private final double[] effects;
    private final double[] variances;
    private final double sum;

    Prediction(Likelihood likelihood, double[] t, int term) {
      Layout layout = likelihood.layout();
      Eliminated p = likelihood.eliminate(likelihood.errors().at(t), t, true);
      int y = p.size() - 1;
      double s = t[term];
      int levels = likelihood.rows().random.get(term).size();
      effects = new double[levels];
      variances = new double[levels];
      if (likelihood.errors().term() != term) {
        int first = firstColumn(layout, term);
        double all = 0;
        for (int l = 0; l < levels; l++) {
          int at = p.outPlace(first + l);
          effects[l] = -p.combination().get(y, first + l);
          variances[l] = p.inverse().get(at, at);
          for (int m = 0; m < levels; m++) {
            all += p.inverse().get(at, p.outPlace(first + m));
          }
        }
        sum = all;
        return;
      }
      Errors.Sums sums = likelihood.errors().sums(t);
      double[] total = new double[p.out().length];
      double own = 0;
      for (int l = 0; l < levels; l++) {
        double[] columns = sums.columns()[l];
        double along = 0;
        for (int j = 0; j < columns.length; j++) {
          along += columns[j] * p.combination().get(y, j);
        }
        effects[l] = s * along;
        double[] with = new double[total.length];
        Arrays.setAll(with, i -> columns[p.out()[i]]);
        Arrays.setAll(total, i -> total[i] + with[i]);
        variances[l] = s * (1 - s * sums.own()[l]) + s * s * form(p.inverse(), with);
        own += s * (1 - s * sums.own()[l]);
      }
      sum = own + s * s * form(p.inverse(), total);
    }

    private static int firstColumn(Layout layout, int term) {
      for (int k = 0; k < layout.terms().length; k++) {
        if (layout.terms()[k] == term) {
          return layout.starts()[k];
        }
      }
      throw new IllegalStateException("No columns of term " + term);
    }

    private static double form(DMatrixRMaj m, double[] x) {
      if (x.length == 0) {
        return 0;
      }
      DMatrixRMaj v = DMatrixRMaj.wrap(x.length, 1, x);
      return CommonOps_DDRM.dot(v, CommonOps_DDRM.mult(m, v, null));
    }
  }
}
