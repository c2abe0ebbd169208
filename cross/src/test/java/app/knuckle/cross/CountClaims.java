package app.knuckle.cross;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.List;
import java.util.Map;
import java.util.function.DoubleUnaryOperator;

/**
 * Counts and proportions of groups of one treatment: every group has its own fitted value, so that
 * all there is to say has a closed form.
 */
final class CountClaims {
  private final Made made;
  private final Claims claims;
  private final boolean out;
  private final double[][] y;
  private final double[][] sizes;
  private final Used used;

  CountClaims(Made made, Claims claims) {
    this.made = made;
    this.claims = claims;
    out = made.kind() == Made.Kind.PROPORTIONS;
    used = new Used(made.sheet(), List.of("group"), List.of("y"));
    y = used.groups("group", used.values("y"));
    sizes = used.groups("group", used.values("size"));
    if (!out && !made.asked().has("exposure")) {
      for (double[] one : sizes) {
        java.util.Arrays.fill(one, 1);
      }
    }
  }

  private static double sum(double[] x) {
    return java.util.Arrays.stream(x).sum();
  }

  private static double share(double k, double of) {
    return k == 0 ? 0 : 2 * k * Math.log(k / of);
  }

  /** Deviance of rows at a rate, or at a share of what was tried. */
  private double deviance(double[] counts, double[] of, double rate) {
    double total = 0;
    for (int i = 0; i < counts.length; i++) {
      double mean = rate * of[i];
      total += share(counts[i], mean);
      total += out ? share(of[i] - counts[i], of[i] - mean) : -2 * (counts[i] - mean);
    }
    return total;
  }

  private double pearson(double[] counts, double[] of, double rate) {
    double total = 0;
    for (int i = 0; i < counts.length; i++) {
      double mean = rate * of[i];
      double variance = out ? mean * (1 - rate) : mean;
      total += variance > 0 ? (counts[i] - mean) * (counts[i] - mean) / variance : 0;
    }
    return total;
  }

  void oneWay() {
    int k = y.length;
    JsonNode test = claims.test("analysis-of-deviance");
    if (k < 2 || test.path("fit").isNull()) {
      return;
    }
    double[] rate = new double[k];
    double residual = 0;
    double pearson = 0;
    boolean inside = true;
    for (int g = 0; g < k; g++) {
      rate[g] = sum(y[g]) / sum(sizes[g]);
      residual += deviance(y[g], sizes[g], rate[g]);
      pearson += pearson(y[g], sizes[g], rate[g]);
      inside &= rate[g] > 0 && !(out && rate[g] == 1);
    }
    double total =
        deviance(Plain.flat(y), Plain.flat(sizes), sum(Plain.flat(y)) / sum(Plain.flat(sizes)));
    JsonNode row = test.path("rows").path(0);
    double size = Math.max(1, total);
    claims.number("group", row, "df", k - 1);
    claims.number("group", row, "deviance", total - residual, size);
    claims.number("residual", test.path("rows").path(1), "deviance", residual, size);
    double df = used.n() - k;
    boolean estimated = made.asked().path("extraSpread").asBoolean();
    if (!inside) {
      return; // A separated group takes no part in the dispersion: reference cases hold that.
    }
    double spread = estimated ? pearson / df : 1;
    if (estimated && (df <= 0 || pearson < 1e-12)) {
      return;
    }
    if (estimated) {
      claims.number("group", row, "f", (total - residual) / (k - 1) / spread, size / spread);
      claims.p("group", row, "p", Laws.f((total - residual) / (k - 1) / spread, k - 1, df));
    } else {
      claims.p("group", row, "p", Laws.chi2(total - residual, k - 1));
    }
    DoubleUnaryOperator link = r -> out ? Math.log(r / (1 - r)) : Math.log(r);
    double[] variance = new double[k];
    JsonNode means = claims.findings.path("means").path(0).path("rows");
    for (int g = 0; g < k; g++) {
      variance[g] = spread / (sum(y[g]) * (out ? 1 - rate[g] : 1));
      JsonNode mean = row(means, "levels", Map.of("group", used.levels("group").get(g)));
      claims.number("mean", mean, "mean", rate[g]);
      claims.number("mean", mean, "linkMean", link.applyAsDouble(rate[g]), 1);
      claims.number("mean", mean, "linkSe", Math.sqrt(variance[g]));
    }
    pairs(rate, link, variance, estimated ? df : Double.POSITIVE_INFINITY);
  }

  private JsonNode row(JsonNode rows, String key, Map<String, String> levels) {
    return claims.find(rows, r -> Claims.levels(r.path(key), levels), "row of " + levels);
  }

  private void pairs(double[] rate, DoubleUnaryOperator link, double[] variance, double df) {
    JsonNode comparison = claims.findings.path("comparisons").path(0);
    int k = rate.length;
    double[] p = new double[k * (k - 1) / 2];
    int at = 0;
    for (int g = 0; g < k; g++) {
      for (int h = g + 1; h < k; h++, at++) {
        JsonNode pair = comparison.path("rows").path(at);
        double d = link.applyAsDouble(rate[g]) - link.applyAsDouble(rate[h]);
        double se = Math.sqrt(variance[g] + variance[h]);
        claims.number("pair", pair, "difference", d, 1);
        claims.number("pair", pair, "se", se);
        double t = Math.abs(d) / se;
        p[at] = 2 * (Double.isInfinite(df) ? Laws.normal(t) : Laws.t(t, df));
      }
    }
    double[] wanted = comparison.path("procedure").asText().equals("holm") ? Plain.holm(p) : p;
    for (int i = 0; i < p.length; i++) {
      claims.near("pair", comparison.path("rows").path(i), "p", Math.min(1, wanted[i]), 1e-8);
    }
  }
}
