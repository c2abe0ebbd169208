package app.knuckle.cross;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;

/** One sample, pairs, two groups, and groups of unequal spread. */
final class SampleClaims {
  private SampleClaims() {}

  private static void t(
      Made made, Claims claims, double d, double se, double df, double sd, double scale) {
    JsonNode found = claims.test("t-test");
    claims.number("t", found, "difference", d, scale);
    boolean tested = se > 0 && df > 0;
    // Means are rounded where they lie, far from zero at times.
    double soft = 1e-8 + 100 * Plain.ALIKE * scale / se;
    if (se > 1e-12 * scale || !(se >= 0)) {
      claims.near(
          "t", found, "statistic", tested ? d / se : Double.NaN, soft * (1 + Math.abs(d / se)));
    }
    if (!tested || se <= 1e-12 * scale) {
      return;
    }
    double t = d / se;
    double up = Laws.t(t, df);
    double down = Laws.t(-t, df);
    double p = Plain.p(made.direction(), Math.min(1, 2 * Math.min(up, down)), up, down);
    claims.number("t", found, "df", df);
    claims.near("t", found, "p", p, 10 * soft * (1 + Math.abs(t)) * p + 1e-11);
    boolean two = made.direction().equals("either");
    double half = se * Laws.tQuantile(two ? made.alpha() / 2 : made.alpha(), df);
    claims.number(
        "t", found, "low", made.direction().equals("less") ? Double.NaN : d - half, scale);
    claims.number(
        "t", found, "high", made.direction().equals("greater") ? Double.NaN : d + half, scale);
    claims.number("t", found, "cohenD", d / sd, 1 + scale / sd);
    if (Math.abs(p - made.alpha()) > 1e-9) {
      claims.same("differs", found.path("differs").asBoolean(), p <= made.alpha());
      // One p decides the finding too.
      String finding = claims.findings.path("sentences").path("finding").asText();
      claims.same("finding: " + finding, !finding.contains("No evidence"), p <= made.alpha());
    }
  }

  static void twoGroups(Made made, Claims claims, double[][] groups, String form) {
    double n = groups[0].length;
    double m = groups[1].length;
    double sp2 = (Plain.squares(groups[0]) + Plain.squares(groups[1])) / (n + m - 2);
    double d = Plain.mean(groups[0]) - Plain.mean(groups[1]);
    double scale = Plain.largest(groups);
    if (Math.sqrt(sp2) <= Plain.ALIKE * scale * 100) {
      return;
    }
    if (form.equals("pooled")) {
      t(made, claims, d, Math.sqrt(sp2 * (1 / n + 1 / m)), n + m - 2, Math.sqrt(sp2), scale);
      return;
    }
    double u = Plain.variance(groups[0]) / n;
    double v = Plain.variance(groups[1]) / m;
    double df = (u + v) * (u + v) / (u * u / (n - 1) + v * v / (m - 1));
    t(made, claims, d, Math.sqrt(u + v), df, Math.sqrt(sp2), scale);
  }

  static void oneSample(Made made, Claims claims) {
    Used used = new Used(made.sheet(), List.of(), List.of("y"));
    double[] x = used.values("y");
    if (x.length < 2) {
      return;
    }
    double expected = made.asked().path("expected").asDouble();
    double sd = Math.sqrt(Plain.variance(x));
    double scale = Plain.largest(new double[][] {x});
    double[] away = java.util.Arrays.stream(x).map(v -> v - expected).toArray();
    if (sd > 1e-12 * scale) {
      t(made, claims, Plain.mean(away), sd / Math.sqrt(x.length), x.length - 1, sd, scale);
    }
    CheckClaims checks = new CheckClaims(claims, made.alpha());
    checks.normality(o -> o.isObject() && o.isEmpty(), "sample ", x, scale);
    checks.odd(Map.of(), x);
  }

  /** Pairs with both values, the first level less the second. */
  static List<double[]> both(Made made) {
    Used used = new Used(made.sheet(), List.of("tank", "time"), List.of("y"));
    List<double[]> both = new ArrayList<>();
    for (int tank = 0; tank < used.size("tank"); tank++) {
      double[] own = {Double.NaN, Double.NaN};
      for (int i = 0; i < used.n(); i++) {
        if (used.codes("tank")[i] == tank) {
          own[used.codes("time")[i]] = used.values("y")[i];
        }
      }
      if (!Double.isNaN(own[0]) && !Double.isNaN(own[1])) {
        both.add(own);
      }
    }
    return both;
  }

  static void pairs(Made made, Claims claims) {
    List<double[]> both = both(made);
    if (both.size() < 2) {
      return;
    }
    double[] d = both.stream().mapToDouble(p -> p[0] - p[1]).toArray();
    double sd = Math.sqrt(Plain.variance(d));
    double scale = both.stream().mapToDouble(p -> Math.abs(p[0])).max().orElse(0);
    if (sd > 1e-12 * scale) {
      t(made, claims, Plain.mean(d), sd / Math.sqrt(d.length), d.length - 1, sd, scale);
      new CheckClaims(claims, made.alpha())
          .normality(o -> o.asText().equals("differences"), "differences ", d, scale);
    }
  }

  static void unequal(Made made, Claims claims) {
    Used used = new Used(made.sheet(), List.of("group"), List.of("y"));
    double[][] groups = used.groups("group", used.values("y"));
    int k = groups.length;
    double size = Plain.largest(groups);
    double w = 0;
    double centre = 0;
    double n = used.n();
    boolean lone = false;
    boolean still = false;
    for (double[] g : groups) {
      lone |= g.length < 2;
      still |= g.length > 1 && Math.sqrt(Plain.variance(g)) <= Plain.ALIKE * size;
      w += g.length / Plain.variance(g);
      centre += g.length / Plain.variance(g) * (Plain.mean(g) - groups[0][0]);
    }
    centre /= w;
    double top = 0;
    double a = 0;
    double spread = 0;
    for (double[] g : groups) {
      double own = g.length / Plain.variance(g);
      double d = Plain.mean(g) - groups[0][0] - centre;
      top += own * d * d;
      a += (1 - own / w) * (1 - own / w) / (g.length - 1);
      spread += (1 - g.length / n) * Plain.variance(g);
    }
    double f = top / (k - 1) / (1 + 2 * (k - 2) * a / (k * k - 1.0));
    double df2 = (k * k - 1.0) / (3 * a);
    JsonNode welch = claims.test("welch-anova").path("rows").path(0);
    boolean known = !lone && !still;
    double blur = 1e-8;
    claims.near("welch", welch, "f", known ? f : Double.NaN, blur * (1 + f));
    if (known) {
      double p = Laws.f(f, k - 1, df2);
      claims.near("welch", welch, "p", p, 1e-6 * p + 1e-10);
    }
    double[] values = used.values("y");
    double within = java.util.Arrays.stream(groups).mapToDouble(Plain::squares).sum();
    double star = (Plain.squares(values) - within) / spread;
    JsonNode brown = claims.test("brown-forsythe-anova").path("rows").path(0);
    if (lone || Math.sqrt(spread) > 100 * Plain.ALIKE * size) {
      claims.near("brown", brown, "f", lone ? Double.NaN : star, 1e-7 * (1 + star));
    }
    if (k == 2 && known) {
      twoGroups(made, claims, groups, "welch");
    }
    pairs(made, claims, used, groups, size);
  }

  private static void pairs(Made made, Claims claims, Used used, double[][] groups, double size) {
    int k = groups.length;
    double[] means = new double[k];
    double[][] d = new double[k][k];
    double[][] se = new double[k][k];
    double[][] df = new double[k][k];
    List<Map<String, String>> labels = new ArrayList<>();
    double[] u = new double[k];
    for (int g = 0; g < k; g++) {
      means[g] = Arrays.stream(groups[g]).map(v -> v - groups[0][0]).average().orElseThrow();
      labels.add(Map.of("group", used.levels("group").get(g)));
      double v = Plain.variance(groups[g]);
      u[g] = Math.sqrt(v) <= Plain.ALIKE * size ? 0 : v / groups[g].length;
    }
    for (int i = 0; i < k; i++) {
      for (int j = 0; j < k; j++) {
        d[i][j] = means[i] - means[j];
        se[i][j] = Math.sqrt(u[i] + u[j]);
        df[i][j] =
            (u[i] + u[j])
                * (u[i] + u[j])
                / (u[i] * u[i] / (groups[i].length - 1) + u[j] * u[j] / (groups[j].length - 1));
      }
    }
    String procedure = made.asked().path("compare").path(0).path("procedure").asText();
    new PairClaims(labels, means, size, d, se, df)
        .check(claims, claims.findings.path("comparisons").path(0), procedure, made.alpha(), 0);
  }
}
