package app.knuckle.cross;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;

/** Split plots, repeated measures and split blocks, from sums over their tables. */
final class LayerClaims {
  private final Made made;
  private final Claims claims;

  LayerClaims(Made made, Claims claims) {
    this.made = made;
    this.claims = claims;
  }

  /** Values by block, first and second treatment, less the first; blocks that miss one left out. */
  private record Table3(double[][][] y, double origin, double size) {
    double mean(int block, int first, int second) {
      double sum = 0;
      int n = 0;
      for (int r = 0; r < y.length; r++) {
        for (int i = 0; i < y[0].length; i++) {
          for (int j = 0; j < y[0][0].length; j++) {
            boolean in =
                (block < 0 || block == r)
                    && (first < 0 || first == i)
                    && (second < 0 || second == j);
            sum += in ? y[r][i][j] : 0;
            n += in ? 1 : 0;
          }
        }
      }
      return sum / n;
    }
  }

  private static Table3 table(
      Used used, String block, String first, String second, boolean wholeBlocks) {
    double[] y = used.values("y");
    int a = first == null ? 1 : used.size(first);
    double[][][] all = new double[used.size(block)][a][used.size(second)];
    for (double[][] one : all) {
      for (double[] two : one) {
        Arrays.fill(two, Double.NaN);
      }
    }
    for (int i = 0; i < y.length; i++) {
      all[used.codes(block)[i]][first == null ? 0 : used.codes(first)[i]][used.codes(second)[i]] =
          y[i] - y[0];
    }
    double[][][] whole =
        Arrays.stream(all)
            .filter(b -> Arrays.stream(b).flatMapToDouble(Arrays::stream).noneMatch(Double::isNaN))
            .toArray(double[][][]::new);
    boolean fine = whole.length == all.length || wholeBlocks;
    double size = Arrays.stream(y).map(Math::abs).max().orElse(0);
    return fine && whole.length > 1 ? new Table3(whole, y[0], size) : null;
  }

  private JsonNode row(String source) {
    return claims.find(
        claims.test("analysis-of-variance").path("rows"),
        r -> r.path("source").asText().equals(source),
        "row " + source);
  }

  private void row(
      String source,
      double ss,
      double df,
      double errorMs,
      double errorDf,
      double total,
      double size) {
    JsonNode row = row(source);
    claims.near(
        source,
        row,
        "ss",
        ss,
        1e-9 * ss + 1e-11 * total + 10 * Plain.ALIKE * size * Math.sqrt(total));
    claims.number(source, row, "df", df);
    if (!(errorMs > 1e-12 * total) || !(errorDf > 0)) {
      return;
    }
    double f = ss / df / errorMs;
    double soft = 1e-8 + 1e3 * Plain.ALIKE * size / Math.sqrt(errorMs);
    claims.near(source, row, "f", f, soft * (1 + f));
    claims.near(source, row, "p", Laws.f(f, df, errorDf), soft * (1 + errorDf));
  }

  /** Differences of two means, in the first comparison of such a family. */
  private void difference(int comparison, double d, double variance, double df, double size) {
    JsonNode found = claims.findings.path("comparisons").path(comparison).path("rows").path(0);
    claims.number("comparison " + comparison, found, "difference", d, size);
    if (variance > 1e-12) {
      double slack = 1e-8 * Math.sqrt(variance) + 100 * Plain.ALIKE * size;
      claims.near("comparison " + comparison, found, "se", Math.sqrt(variance), slack);
      claims.near(
          "comparison " + comparison,
          found,
          "df",
          df,
          1e-6 * df + 1e3 * Plain.ALIKE * size / Math.sqrt(variance) * df);
    }
  }

  private void se(Map<String, String> levels, double variance, double df, double size) {
    for (JsonNode family : claims.findings.path("means")) {
      for (JsonNode found : family.path("rows")) {
        if (Claims.levels(found.path("levels"), levels)) {
          boolean known = variance > 0;
          if (Math.abs(variance) > 1e-10) {
            claims.near(
                "mean " + levels,
                found,
                "se",
                known ? Math.sqrt(variance) : Double.NaN,
                1e-7 * Math.sqrt(Math.abs(variance)) + 1e3 * Plain.ALIKE * size);
            claims.near("mean " + levels, found, "df", known ? df : Double.NaN, 1e-5 * df);
          }
          return;
        }
      }
    }
    claims.missed.add("there is no mean of " + levels);
  }

  void splitPlot() {
    Used used = new Used(made.sheet(), List.of("rack", "zone", "mesh"), List.of("y"));
    Table3 t = table(used, "rack", "zone", "mesh", false);
    if (t == null) {
      return; // Whole plots that miss a part leave the table unbalanced.
    }
    double r = t.y().length;
    double a = t.y()[0].length;
    double b = t.y()[0][0].length;
    double grand = t.mean(-1, -1, -1);
    double blocks = 0;
    double sa = 0;
    double sb = 0;
    double cells = 0;
    double plots = 0;
    double total = 0;
    for (int i = 0; i < r; i++) {
      blocks += a * b * square(t.mean(i, -1, -1) - grand);
      for (int j = 0; j < a; j++) {
        plots += b * square(t.mean(i, j, -1) - grand);
        for (int k = 0; k < b; k++) {
          total += square(t.y()[i][j][k] - grand);
        }
      }
    }
    for (int j = 0; j < a; j++) {
      sa += r * b * square(t.mean(-1, j, -1) - grand);
      for (int k = 0; k < b; k++) {
        cells += r * square(t.mean(-1, j, k) - grand);
      }
    }
    for (int k = 0; k < b; k++) {
      sb += r * a * square(t.mean(-1, -1, k) - grand);
    }
    double dfa = (r - 1) * (a - 1);
    double dfb = a * (r - 1) * (b - 1);
    double ea = (plots - blocks - sa) / dfa;
    double eb = (total - plots - sb - (cells - sa - sb)) / dfb;
    row("rack", blocks, r - 1, ea, dfa, total, t.size());
    row("zone", sa, a - 1, ea, dfa, total, t.size());
    row("mesh", sb, b - 1, eb, dfb, total, t.size());
    double v = (ea + (b - 1) * eb) / b;
    double mixed = square(ea + (b - 1) * eb) / (ea * ea / dfa + square((b - 1) * eb) / dfb);
    int family = 2;
    difference(0, t.mean(-1, 0, -1) - t.mean(-1, 1, -1), 2 * ea / (r * b), dfa, t.size());
    difference(1, t.mean(-1, -1, 0) - t.mean(-1, -1, 1), 2 * eb / (r * a), dfb, t.size());
    difference(family, t.mean(-1, 0, 0) - t.mean(-1, 0, 1), 2 * eb / r, dfb, t.size());
    difference(family + (int) a, t.mean(-1, 0, 0) - t.mean(-1, 1, 0), 2 * v / r, mixed, t.size());
  }

  private static double square(double x) {
    return x * x;
  }

  void repeated() {
    Used used = new Used(made.sheet(), List.of("taster", "day"), List.of("y"));
    Table3 t = table(used, "taster", null, "day", true);
    if (t == null) {
      return;
    }
    int n = t.y().length;
    int k = t.y()[0][0].length;
    double grand = t.mean(-1, -1, -1);
    double units = 0;
    double days = 0;
    double total = 0;
    for (int i = 0; i < n; i++) {
      units += k * square(t.mean(i, -1, -1) - grand);
      for (int j = 0; j < k; j++) {
        total += square(t.y()[i][0][j] - grand);
      }
    }
    for (int j = 0; j < k; j++) {
      days += n * square(t.mean(-1, -1, j) - grand);
    }
    double df = (n - 1.0) * (k - 1);
    double e = (total - units - days) / df;
    row("day", days, k - 1, e, df, total, t.size());
    difference(0, t.mean(-1, -1, 0) - t.mean(-1, -1, 1), 2 * e / n, df, t.size());
    if (e < 1e-10 * total || k < 3 || n < k + 1) {
      return;
    }
    // Covariances of orthonormal contrasts: of the days, centred both ways.
    double[][] s = new double[k][k];
    for (int i = 0; i < n; i++) {
      for (int p = 0; p < k; p++) {
        for (int q = 0; q < k; q++) {
          s[p][q] +=
              (t.y()[i][0][p] - t.mean(-1, -1, p)) * (t.y()[i][0][q] - t.mean(-1, -1, q)) / (n - 1);
        }
      }
    }
    double[][] c = new double[k][k];
    double trace = 0;
    double squares = 0;
    for (int p = 0; p < k; p++) {
      for (int q = 0; q < k; q++) {
        double row = Arrays.stream(s[p]).sum() / k;
        double column = Arrays.stream(s[q]).sum() / k;
        double all = Arrays.stream(s).flatMapToDouble(Arrays::stream).sum() / (k * k);
        c[p][q] = s[p][q] - row - column + all;
        squares += c[p][q] * c[p][q];
      }
      trace += c[p][p];
    }
    double d = k - 1;
    double gg = trace * trace / (d * squares);
    double f = days / d / e;
    claims.near(
        "epsilon",
        row("day"),
        "pGreenhouseGeisser",
        Laws.f(f, gg * d, gg * df),
        1e-6 + 1e4 * Plain.ALIKE * t.size() / Math.sqrt(e));
  }

  void strips() {
    Used used = new Used(made.sheet(), List.of("rack", "zone", "mesh"), List.of("y"));
    Table3 t = table(used, "rack", "zone", "mesh", true);
    if (t == null || used.size("rack") != t.y().length) {
      return;
    }
    int r = t.y().length;
    int a = t.y()[0].length;
    int b = t.y()[0][0].length;
    double grand = t.mean(-1, -1, -1);
    double blocks = 0;
    double sa = 0;
    double sb = 0;
    double sra = 0;
    double srb = 0;
    double sab = 0;
    double total = 0;
    for (int i = 0; i < r; i++) {
      blocks += a * b * square(t.mean(i, -1, -1) - grand);
      for (int j = 0; j < a; j++) {
        sra += b * square(t.mean(i, j, -1) - t.mean(i, -1, -1) - t.mean(-1, j, -1) + grand);
      }
      for (int k = 0; k < b; k++) {
        srb += a * square(t.mean(i, -1, k) - t.mean(i, -1, -1) - t.mean(-1, -1, k) + grand);
        for (int j = 0; j < a; j++) {
          total += square(t.y()[i][j][k] - grand);
        }
      }
    }
    for (int j = 0; j < a; j++) {
      sa += r * b * square(t.mean(-1, j, -1) - grand);
      for (int k = 0; k < b; k++) {
        sab += r * square(t.mean(-1, j, k) - t.mean(-1, j, -1) - t.mean(-1, -1, k) + grand);
      }
    }
    for (int k = 0; k < b; k++) {
      sb += r * a * square(t.mean(-1, -1, k) - grand);
    }
    double dfa = (r - 1.0) * (a - 1);
    double dfb = (r - 1.0) * (b - 1);
    double df = dfa * (b - 1);
    double ea = sra / dfa;
    double eb = srb / dfb;
    double e = (total - blocks - sa - sb - sab - sra - srb) / df;
    if (Math.min(Math.min(ea, eb), e) < 1e-10 * total) {
      return;
    }
    row("zone", sa, a - 1.0, ea, dfa, total, t.size());
    row("mesh", sb, b - 1.0, eb, dfb, total, t.size());
    double error = ea + eb - e;
    double errorDf = square(error) / (ea * ea / dfa + eb * eb / dfb + e * e / df);
    JsonNode rack = row("rack");
    if (Math.abs(error) > 1e-9) {
      double f = blocks / (r - 1) / error;
      claims.near(
          "blocks",
          rack,
          "f",
          error > 0 ? f : Double.NaN,
          1e-6 * (1 + Math.abs(f)) + 1e4 * Plain.ALIKE * t.size() / Math.abs(error));
      if (error > 0) {
        claims.near("blocks", rack, "errorDf", errorDf, 1e-5 * errorDf);
      }
    }
    Map<String, String> zone = Map.of("zone", used.levels("zone").get(0));
    Map<String, String> mesh = Map.of("mesh", used.levels("mesh").get(0));
    double va = ea / (r * b) + (eb - e) / (r * a * b);
    double vb = eb / (r * a) + (ea - e) / (r * a * b);
    double c1 = ea / (r * b);
    se(
        zone,
        va,
        square(va)
            / (square(c1) / dfa + square(eb / (r * a * b)) / dfb + square(e / (r * a * b)) / df),
        t.size());
    se(
        mesh,
        vb,
        square(vb)
            / (square(eb / (r * a)) / dfb
                + square(ea / (r * a * b)) / dfa
                + square(e / (r * a * b)) / df),
        t.size());
    Map<String, String> cell = new java.util.LinkedHashMap<>(zone);
    cell.putAll(mesh);
    double vc = ((ea - e) / b + (eb - e) / a + e) / r;
    double ce = e * (1 - 1.0 / a - 1.0 / b) / r;
    se(
        cell,
        vc,
        square(vc) / (square(ea / b / r) / dfa + square(eb / a / r) / dfb + square(ce) / df),
        t.size());
    difference(0, t.mean(-1, 0, -1) - t.mean(-1, 1, -1), 2 * ea / (r * b), dfa, t.size());
    difference(1, t.mean(-1, -1, 0) - t.mean(-1, -1, 1), 2 * eb / (r * a), dfb, t.size());
    double v2 = 2 * ((a - 1) * e + eb) / (r * a);
    double d2 = square((a - 1) * e + eb) / (square((a - 1) * e) / df + eb * eb / dfb);
    difference(2, t.mean(-1, 0, 0) - t.mean(-1, 0, 1), v2, d2, t.size());
  }

  /** Several responses together, by traces and determinants of two by two matrices. */
  void together() {
    Used used = new Used(made.sheet(), List.of("group"), List.of("y", "z"));
    double[][] x = {used.values("y"), used.values("z")};
    double[][] h = new double[2][2];
    double[][] e = new double[2][2];
    List<double[][]> groups = new ArrayList<>();
    for (double[] v : x) {
      groups.add(used.groups("group", v));
    }
    int k = groups.get(0).length;
    double n = used.n();
    for (int p = 0; p < 2; p++) {
      for (int q = 0; q < 2; q++) {
        double mp = Plain.mean(x[p]);
        double mq = Plain.mean(x[q]);
        for (int g = 0; g < k; g++) {
          double[] one = groups.get(p)[g];
          double[] two = groups.get(q)[g];
          h[p][q] += one.length * (Plain.mean(one) - mp) * (Plain.mean(two) - mq);
          for (int i = 0; i < one.length; i++) {
            e[p][q] += (one[i] - Plain.mean(one)) * (two[i] - Plain.mean(two));
          }
        }
      }
    }
    double det = e[0][0] * e[1][1] - e[0][1] * e[1][0];
    double v = n - k;
    double size = Math.max(Plain.largest(groups.get(0)), Plain.largest(groups.get(1)));
    if (k < 2 || v < 2 || det < 1e-3 * e[0][0] * e[1][1] || !(e[0][0] > 0) || size > 1e4) {
      return;
    }
    double q = k - 1.0;
    double s00 = e[0][0] + h[0][0];
    double s11 = e[1][1] + h[1][1];
    double s01 = e[0][1] + h[0][1];
    double all = s00 * s11 - s01 * s01;
    double wilks = det / all;
    double pillai = (h[0][0] * s11 + h[1][1] * s00 - 2 * h[0][1] * s01) / all;
    double hotelling = (h[0][0] * e[1][1] + h[1][1] * e[0][0] - 2 * h[0][1] * e[0][1]) / det;
    JsonNode row = claims.test("multivariate").path("rows").path(0);
    for (JsonNode statistic : row.path("statistics")) {
      switch (statistic.path("name").asText()) {
        case "wilks" -> {
          claims.near("wilks", statistic, "value", wilks, 1e-8);
          double t =
              5 + q * q - 4 <= 0 ? 1 : q == 1 ? 1 : Math.sqrt((4 * q * q - 4) / (q * q + 4 - 5));
          double w = v + q - (2 + q + 1) / 2;
          double df2 = w * t - (2 * q - 2) / 2;
          double root = Math.pow(wilks, 1 / t);
          double f = (1 - root) / root * df2 / (2 * q);
          claims.near("wilks", statistic, "f", f, 1e-7 * (1 + f));
          claims.near("wilks", statistic, "p", Laws.f(f, 2 * q, df2), 1e-8);
        }
        case "pillai" -> claims.near("pillai", statistic, "value", pillai, 1e-8);
        case "hotelling-lawley" ->
            claims.near("hotelling", statistic, "value", hotelling, 1e-7 * (1 + hotelling));
        default -> {}
      }
    }
    // Summaries are of the rows complete in all of them, as the tests are.
    for (JsonNode summary : claims.findings.path("summaries")) {
      if (summary.path("group").isEmpty()) {
        claims.number("summary", summary, "n", n);
      }
    }
  }
}
