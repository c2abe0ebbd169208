package app.knuckle.cross;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.Arrays;
import java.util.List;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.CommonOps_DDRM;

/**
 * Treatments in blocks that are drawn at random: the restricted likelihood by whole matrices, and
 * where every block has every treatment equally often the analysis of variance.
 */
final class MixedClaims {
  /** A variance that differs from the best by this share is less likely. */
  private static final double STEP = 1e-3;

  private final Claims claims;
  private final Used used;
  private final double[] y;
  private final int[] block;
  private final int[] mesh;

  MixedClaims(Made made, Claims claims) {
    this.claims = claims;
    used = new Used(made.sheet(), List.of("rack", "mesh"), List.of("y"));
    double[] own = used.values("y");
    double origin = Plain.mean(own);
    y = Arrays.stream(own).map(v -> v - origin).toArray();
    block = used.codes("rack");
    mesh = used.codes("mesh");
  }

  /**
   * Minus twice the restricted log-likelihood, whatever contrasts the effects are coded by: less
   * the log of the determinant of their cross products.
   */
  private double minusTwoLogLikelihood(double between, double within) {
    int n = y.length;
    int p = used.size("mesh");
    DMatrixRMaj v = new DMatrixRMaj(n, n);
    DMatrixRMaj x = new DMatrixRMaj(n, p);
    DMatrixRMaj response = new DMatrixRMaj(n, 1, true, y);
    for (int i = 0; i < n; i++) {
      for (int j = 0; j < n; j++) {
        v.set(i, j, (block[i] == block[j] ? between : 0) + (i == j ? within : 0));
      }
      x.set(i, 0, 1);
      for (int j = 1; j < p; j++) {
        x.set(i, j, mesh[i] == p - 1 ? -1 : mesh[i] == j - 1 ? 1 : 0);
      }
    }
    DMatrixRMaj inverse = new DMatrixRMaj(n, n);
    CommonOps_DDRM.invert(v, inverse);
    DMatrixRMaj weighted = new DMatrixRMaj(p, n);
    CommonOps_DDRM.multTransA(x, inverse, weighted);
    DMatrixRMaj cross = new DMatrixRMaj(p, p);
    CommonOps_DDRM.mult(weighted, x, cross);
    DMatrixRMaj plain = new DMatrixRMaj(p, p);
    CommonOps_DDRM.multTransA(x, x, plain);
    DMatrixRMaj right = new DMatrixRMaj(p, 1);
    CommonOps_DDRM.mult(weighted, response, right);
    DMatrixRMaj b = new DMatrixRMaj(p, 1);
    CommonOps_DDRM.solve(cross, right, b);
    DMatrixRMaj fitted = new DMatrixRMaj(n, 1);
    CommonOps_DDRM.mult(x, b, fitted);
    CommonOps_DDRM.subtract(response, fitted, fitted);
    DMatrixRMaj turned = new DMatrixRMaj(n, 1);
    CommonOps_DDRM.mult(inverse, fitted, turned);
    return (n - p) * Math.log(2 * Math.PI)
        + Math.log(CommonOps_DDRM.det(v))
        + Math.log(CommonOps_DDRM.det(cross) / CommonOps_DDRM.det(plain))
        + CommonOps_DDRM.dot(fitted, turned);
  }

  void blocks() {
    JsonNode test = claims.test("mixed");
    JsonNode components = test.path("components");
    if (used.size("mesh") < 2 || components.size() != 2) {
      return;
    }
    double between = components.path(0).path("variance").asDouble();
    double within = components.path(1).path("variance").asDouble();
    if (!(within > 1e-6 * Plain.variance(y)) || y.length > 60) {
      return; // Whole matrices lose too many digits.
    }
    double best = minusTwoLogLikelihood(between, within);
    claims.near(
        "fit", test.path("fit"), "minusTwoLogLikelihood", best, 1e-7 * (1 + Math.abs(best)));
    double slack = 1e-9 * (1 + Math.abs(best));
    double step = STEP * (between + within);
    claims.same(
        "most likely: between more",
        minusTwoLogLikelihood(between + step, within) >= best - slack,
        true);
    claims.same(
        "most likely: within more",
        minusTwoLogLikelihood(between, within + step) >= best - slack,
        true);
    claims.same(
        "most likely: within less",
        minusTwoLogLikelihood(between, within * (1 - STEP)) >= best - slack,
        true);
    if (between > step) {
      claims.same(
          "most likely: between less",
          minusTwoLogLikelihood(between - step, within) >= best - slack,
          true);
    }
    balanced(test, between, within);
  }

  private void balanced(JsonNode test, double between, double within) {
    int blocks = used.size("rack");
    int treatments = used.size("mesh");
    int n = y.length;
    int[][] cells = new int[blocks][treatments];
    double[] byBlock = new double[blocks];
    double[] byMesh = new double[treatments];
    double sum = 0;
    double squares = 0;
    for (int i = 0; i < n; i++) {
      cells[block[i]][mesh[i]]++;
      byBlock[block[i]] += y[i];
      byMesh[mesh[i]] += y[i];
      sum += y[i];
      squares += y[i] * y[i];
    }
    int each = cells[0][0];
    if (each == 0 || Arrays.stream(cells).flatMapToInt(Arrays::stream).anyMatch(c -> c != each)) {
      return;
    }
    double c = sum * sum / n;
    double ssBlocks = Arrays.stream(byBlock).map(b -> b * b).sum() * blocks / n - c;
    double ssMesh = Arrays.stream(byMesh).map(b -> b * b).sum() * treatments / n - c;
    double df = n - blocks - treatments + 1;
    double mse = (squares - c - ssBlocks - ssMesh) / df;
    double moment = (ssBlocks / (blocks - 1) - mse) / (treatments * each);
    if (moment <= 1e-6 * mse) {
      return;
    }
    claims.near("within", test.path("components").path(1), "variance", mse, 1e-6 * mse);
    claims.near(
        "between", test.path("components").path(0), "variance", moment, 1e-5 * (moment + mse));
    JsonNode row = test.path("rows").path(0);
    double f = ssMesh / (treatments - 1) / mse;
    claims.near("mesh", row, "f", f, 1e-6 * (1 + f));
    claims.near("mesh", row, "errorDf", df, 1e-5 * df);
    claims.near("mesh", row, "p", Laws.f(f, treatments - 1, df), 1e-6);
    JsonNode pair = claims.findings.path("comparisons").path(0).path("rows").path(0);
    double se = Math.sqrt(2 * mse / (blocks * each));
    claims.near("pair", pair, "se", se, 1e-6 * se);
    claims.near("pair", pair, "df", df, 1e-5 * df);
  }
}
