package app.knuckle.stats.mixed;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.Fit;
import app.knuckle.stats.mixed.MixedModel.WithinUnit;
import java.util.Arrays;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.CommonOps_DDRM;

/** The likelihood without a matrix of rows is that of its definition, which has one. */
class LikelihoodTest {

  /** Two random terms across each other, rows lost at random. */
  @Property(tries = 40)
  void equalErrorsAgreeWithTheDefinition(@ForAll long seed) {
    Made made = Made.of(seed, 3, 4, 3, 0.7);
    MixedModel model =
        made.model(
            made.fixed(made.treatment()), made.random(made.block()), made.random(made.plot()));
    agrees(model, made.values(), 0.7, 0.4, 0.3);
    agrees(model, made.values(), 0, 0.4, 0.3);
    agrees(model, made.values(), 2.5, 0, 0.1);
  }

  @Property(tries = 20)
  void fadingErrorsAgreeWithTheDefinition(@ForAll long seed) {
    Repeated repeated = new Repeated(seed);
    agrees(repeated.model(WithinUnit.FIRST_ORDER), repeated.made.values(), 0.2, 0.8, 0.4);
    agrees(repeated.model(WithinUnit.FIRST_ORDER), repeated.made.values(), 0.2, 0.8, -0.3);
  }

  @Property(tries = 20)
  void ownVariancesAgreeWithTheDefinition(@ForAll long seed) {
    Repeated repeated = new Repeated(seed);
    agrees(repeated.model(WithinUnit.OWN_VARIANCES), repeated.made.values(), 0.2, 0.6, 0.3, 0.9);
    agrees(repeated.model(WithinUnit.OWN_VARIANCES), repeated.made.values(), 0.5, 0, 0.3, 0.9);
  }

  /** Plots seen on three occasions, some of them missed. */
  private static final class Repeated {
    private final Made made;
    private final Factor occasions;

    Repeated(long seed) {
      made = Made.of(seed, 2, 4, 3, 0.75);
      int[] codes = new int[made.values().length];
      Arrays.setAll(codes, i -> i / 8);
      occasions = Made.factor("o", codes);
    }

    MixedModel model(WithinUnit within) {
      RandomTerm unit = made.random(made.plot());
      return new MixedModel(
          made.fixed(made.treatment(), occasions),
          List.of(within == WithinUnit.FIRST_ORDER ? made.random(made.block()) : unit),
          within,
          unit,
          occasions,
          MixedModel.Denominator.SATTERTHWAITE);
    }
  }

  private static void agrees(MixedModel model, double[] values, double... t) {
    MixedRows rows = new MixedRows(Fit.of(model.fixed(), List.of(values)), values, model.random());
    Likelihood likelihood = Setup.of(model, rows).likelihood();
    Likelihood.Point point = likelihood.at(t);
    assertThat(point.value()).isCloseTo(dense(model, rows, t), within(1e-8));
    for (int i = 0; i < t.length; i++) {
      double h = 1e-5 * (t[i] == 0 ? 1 : Math.abs(t[i]));
      double[] up = t.clone();
      up[i] += h;
      if (t[i] == 0) {
        // One side only at the limit.
        assertThat((likelihood.at(up).value() - point.value()) / h)
            .isCloseTo(point.gradient()[i], within(2e-2 * (1 + Math.abs(point.hessian()[i][i]))));
        continue;
      }
      double[] down = t.clone();
      down[i] -= h;
      Likelihood.Point above = likelihood.at(up);
      Likelihood.Point below = likelihood.at(down);
      double slope = (above.value() - below.value()) / (2 * h);
      double size = 1 + Math.abs(point.hessian()[i][i]);
      assertThat(slope).isCloseTo(point.gradient()[i], within(1e-4 * size));
      for (int j = 0; j < t.length; j++) {
        double curve = (above.gradient()[j] - below.gradient()[j]) / (2 * h);
        double scale = 1 + Math.abs(point.hessian()[i][j]);
        assertThat(curve).isCloseTo(point.hessian()[i][j], within(1e-3 * scale * size));
      }
    }
  }

  /** Minus twice the restricted log likelihood, from the covariance of all rows. */
  private static double dense(MixedModel model, MixedRows rows, double[] t) {
    int n = rows.size();
    DMatrixRMaj v = new DMatrixRMaj(n, n);
    int terms = model.random().size();
    for (int i = 0; i < n; i++) {
      for (int j = 0; j < n; j++) {
        double sum = 0;
        for (int k = 0; k < terms; k++) {
          sum += rows.level(k, i) == rows.level(k, j) ? t[k] : 0;
        }
        v.set(i, j, sum + error(model, rows.row[i], rows.row[j], t, terms));
      }
    }
    DMatrixRMaj x = new DMatrixRMaj(rows.fixed);
    DMatrixRMaj y = DMatrixRMaj.wrap(n, 1, rows.response);
    DMatrixRMaj inverse = v.copy();
    CommonOps_DDRM.invert(inverse);
    DMatrixRMaj weighed = CommonOps_DDRM.multTransA(x, inverse, null);
    DMatrixRMaj information = product(weighed, x);
    DMatrixRMaj covariance = information.copy();
    CommonOps_DDRM.invert(covariance);
    DMatrixRMaj fitted = product(x, product(covariance, product(weighed, y)));
    DMatrixRMaj left = CommonOps_DDRM.subtract(y, fitted, null);
    return (n - rows.rank()) * Math.log(2 * Math.PI)
        + Math.log(CommonOps_DDRM.det(v))
        + Math.log(CommonOps_DDRM.det(information))
        + CommonOps_DDRM.dot(left, product(inverse, left));
  }

  private static DMatrixRMaj product(DMatrixRMaj a, DMatrixRMaj b) {
    return CommonOps_DDRM.mult(a, b, null);
  }

  private static double error(MixedModel model, int one, int other, double[] t, int terms) {
    return switch (model.within()) {
      case EQUAL -> one == other ? t[terms] : 0;
      case FIRST_ORDER ->
          model.units().codes()[one] == model.units().codes()[other]
              ? t[terms]
                  * Math.pow(
                      t[terms + 1],
                      Math.abs(model.occasions().codes()[one] - model.occasions().codes()[other]))
              : 0;
      case OWN_VARIANCES -> one == other ? t[terms + model.occasions().codes()[one]] : 0;
    };
  }
}
