package app.knuckle.cross;

import com.fasterxml.jackson.databind.JsonNode;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/** Tests on ranks of independent groups, by sorting, counting and enumeration. */
final class RankClaims {
  private final Made made;
  private final Claims claims;

  RankClaims(Made made, Claims claims) {
    this.made = made;
    this.claims = claims;
  }

  void two() {
    Used used = new Used(made.sheet(), List.of("group"), List.of("y"));
    double[][] g = used.groups("group", used.values("y"));
    int m = g[0].length;
    int n = g[1].length;
    double[] all = Plain.flat(g);
    double[] ranks = Plain.ranks(Plain.boxed(all));
    double sum = Arrays.stream(ranks, 0, m).sum();
    double u = sum - m * (m + 1) / 2.0;
    double big = m + n;
    double variance = m * n / 12.0 * (big + 1 - Plain.ties(ranks) / (big * (big - 1)));
    JsonNode found = claims.test("mann-whitney");
    claims.number("u", found, "u", u);
    claims.number("u", found, "varianceOfU", variance, 1);
    if (Arrangements.ways(m, n) <= Arrangements.FEW) {
      double middle = m * (big + 1) / 2;
      double[] count = new double[3];
      List<int[]> choices = Arrangements.choices(m + n, m);
      for (int[] choice : choices) {
        double own = IntStream.of(choice).mapToDouble(i -> ranks[i]).sum();
        count[0] += Math.abs(own - middle) >= Math.abs(sum - middle) ? 1 : 0;
        count[1] += own >= sum ? 1 : 0;
        count[2] += own <= sum ? 1 : 0;
      }
      double c = choices.size();
      claims.tails(
          made.direction(), "exact", found.path("exact"), count[0] / c, count[1] / c, count[2] / c);
      claims.number("exact", found.path("exact"), "arrangements", c);
      claims.p(
          "u", found, "p", Plain.p(made.direction(), count[0] / c, count[1] / c, count[2] / c));
    }
    if (variance > 0) {
      double z = (u - m * n / 2.0) / Math.sqrt(variance);
      claims.tails(
          made.direction(),
          "normal",
          found.path("normal"),
          2 * Laws.normal(Math.abs(z)),
          Laws.normal(z),
          Laws.normal(-z));
    }
    BigDecimal[] differences = new BigDecimal[m * n];
    Arrays.setAll(differences, i -> Plain.minus(g[0][i / n], g[1][i % n]));
    claims.number(
        "shift", found.path("shift"), "estimate", Plain.median(differences).doubleValue(), 1e-3);
    mood(used, g);
  }

  private void mood(Used used, double[][] g) {
    JsonNode found = claims.test("mood-median");
    double[] all = Plain.flat(g);
    BigDecimal median =
        Plain.median(Arrays.stream(all).mapToObj(Plain::exact).toArray(BigDecimal[]::new));
    double total = Arrays.stream(all).filter(v -> Plain.exact(v).compareTo(median) > 0).count();
    double n = all.length;
    double chi = 0;
    for (double[] group : g) {
      double above = Arrays.stream(group).filter(v -> Plain.exact(v).compareTo(median) > 0).count();
      double d = above - group.length * total / n;
      chi += d * d / (group.length * total / n) + d * d / (group.length * (n - total) / n);
    }
    boolean known = total > 0 && total < n;
    claims.number("mood", found, "statistic", known ? chi : Double.NaN, 1);
    if (known) {
      claims.p("mood", found, "p", Laws.chi2(chi, g.length - 1));
    }
  }

  void groups() {
    Used used = new Used(made.sheet(), List.of("group"), List.of("y"));
    double[][] g = used.groups("group", used.values("y"));
    int k = g.length;
    if (k < 3) {
      return; // Gaps left two groups, which are asked of elsewhere.
    }
    double[] all = Plain.flat(g);
    double n = all.length;
    double[] ranks = Plain.ranks(Plain.boxed(all));
    double[][] own = new double[k][];
    int at = 0;
    double sum = 0;
    double[] means = new double[k];
    for (int j = 0; j < k; j++) {
      own[j] = Arrays.copyOfRange(ranks, at, at + g[j].length);
      at += g[j].length;
      means[j] = Arrays.stream(own[j]).sum() / own[j].length;
      sum += means[j] * means[j] * own[j].length;
    }
    double ties = Plain.ties(ranks);
    double c = 1 - ties / (n * n * n - n);
    double h = (12 / (n * (n + 1)) * sum - 3 * (n + 1)) / c;
    JsonNode row = claims.test("kruskal-wallis").path("rows").path(0);
    claims.near("h", row, "h", c > 0 ? h : Double.NaN, 1e-9 * (1 + h));
    if (c > 0) {
      claims.near("h", row, "p", Laws.chi2(h, k - 1), 1e-9);
    }
    int[] sizes = Arrays.stream(g).mapToInt(x -> x.length).toArray();
    if (Arrangements.ways(sizes) <= 60_000) {
      claims.p("h", row, "exactP", exact(own, sizes));
    }
    mood(used, g);
    if (made.sheet().ordered().contains("group")) {
      rising(g);
    }
    pairs(used, g, own, means, ties, c > 0 ? h : Double.NaN);
  }

  private static double exact(double[][] own, int[] sizes) {
    double[] all = Plain.flat(own);
    double observed = 0;
    for (double[] o : own) {
      double s = Arrays.stream(o).sum();
      observed += s * s / o.length;
    }
    double[] count = new double[2];
    Arrangements.place(all, 0, sizes.clone(), sizes, new double[sizes.length], observed, count);
    return count[0] / count[1];
  }

  private void rising(double[][] g) {
    if (g.length < 2) {
      return;
    }
    JsonNode found = claims.test("jonckheere-terpstra");
    double j = 0;
    double ss = 0;
    double n = Plain.flat(g).length;
    double a = 0;
    double b = 0;
    double c = 0;
    for (int i = 0; i < g.length; i++) {
      double l = g[i].length;
      ss += l * l;
      a += l * (l - 1) * (2 * l + 5);
      b += l * (l - 1) * (l - 2);
      c += l * (l - 1);
      for (int later = i + 1; later < g.length; later++) {
        for (double x : g[i]) {
          for (double y : g[later]) {
            j += y > x ? 1 : y == x ? 0.5 : 0;
          }
        }
      }
    }
    double ta = 0;
    double tb = 0;
    double tc = 0;
    double[] all = Plain.flat(g);
    for (double x : all) {
      double t = Arrays.stream(all).filter(y -> y == x).count();
      ta += (t - 1) * (2 * t + 5);
      tb += (t - 1) * (t - 2);
      tc += t - 1;
    }
    double v =
        (n * (n - 1) * (2 * n + 5) - a - ta) / 72
            + (n > 2 ? b * tb / (36 * n * (n - 1) * (n - 2)) : 0)
            + c * tc / (8 * n * (n - 1));
    claims.number("j", found, "statistic", j);
    if (v > 1e-9) {
      double z = (j - (n * n - ss) / 4) / Math.sqrt(v);
      claims.near("j", found, "z", z, 1e-9 * (1 + Math.abs(z)));
      claims.p("j", found, "pIncreasing", Laws.normal(z));
    }
  }

  private void pairs(
      Used used, double[][] g, double[][] own, double[] means, double ties, double h) {
    int k = g.length;
    double n = Plain.flat(g).length;
    double dunn = n * (n + 1) / 12 - ties / (12 * (n - 1));
    double squares = Arrays.stream(Plain.flat(own)).map(r -> r * r).sum();
    double s2 = (squares - n * (n + 1) * (n + 1) / 4) / (n - 1) * (n - 1 - h) / (n - k);
    boolean spread = !Double.isNaN(h);
    boolean within =
        Arrays.stream(g).anyMatch(x -> Plain.sorted(x)[0] != Plain.sorted(x)[x.length - 1]);
    List<double[]> raw = new ArrayList<>();
    for (int i = 0; i < k; i++) {
      for (int j = i + 1; j < k; j++) {
        double scale = 1.0 / g[i].length + 1.0 / g[j].length;
        double z = (means[i] - means[j]) / Math.sqrt(dunn * scale);
        double t = (means[i] - means[j]) / Math.sqrt(s2 * scale);
        raw.add(
            new double[] {
              2 * Laws.normal(Math.abs(z)),
              within && n > k ? 2 * Laws.t(Math.abs(t), n - k) : Double.NaN
            });
      }
    }
    for (int which = 0; which < 2; which++) {
      int at = which;
      JsonNode found = claims.comparison(which == 0 ? "dunn-holm" : "conover-holm");
      double[] holm = Plain.holm(raw.stream().mapToDouble(r -> r[at]).toArray());
      for (int r = 0; r < holm.length; r++) {
        double wanted = spread ? holm[r] : Double.NaN;
        claims.near(
            which == 0 ? "dunn" : "conover",
            found.path("rows").path(r),
            "p",
            wanted,
            1e-8 * wanted + 1e-12);
      }
    }
    JsonNode dwass = claims.comparison("dwass-steel");
    JsonNode steel = claims.comparison("steel");
    int row = 0;
    double[] l = new double[Math.max(0, k - 1)];
    for (int i = 1; i < k; i++) {
      l[i - 1] = Math.sqrt(g[i].length / (double) (g[i].length + g[0].length));
    }
    boolean two = made.direction().equals("either");
    for (int i = 0; i < k; i++) {
      for (int j = i + 1; j < k; j++) {
        double z = z(g[i], g[j]);
        double q = Math.sqrt(2) * z;
        double p =
            Double.isNaN(z) ? Double.NaN : Laws.range(Math.abs(q), k, Double.POSITIVE_INFINITY);
        claims.near("dwass", dwass.path("rows").path(row++), "p", p, 1e-8 * p + 1e-11);
        if (i == 0 && used.levels("group").get(0).equals("g0")) {
          double[][] r = new double[k - 1][k - 1];
          for (int a = 0; a < r.length; a++) {
            for (int b = 0; b < r.length; b++) {
              r[a][b] = a == b ? 1 : l[a] * l[b];
            }
          }
          double at = two ? Math.abs(z) : made.direction().equals("less") ? z : -z;
          double own1 =
              Double.isNaN(z) ? Double.NaN : Laws.anyBeyond(at, r, Double.POSITIVE_INFINITY, two);
          claims.near("steel", steel.path("rows").path(j - 1), "p", own1, 1e-7 * own1 + 1e-9);
        }
      }
    }
  }

  /** U of two groups, standardised, ties corrected. */
  private static double z(double[] x, double[] y) {
    double m = x.length;
    double n = y.length;
    double[] ranks = Plain.ranks(Plain.boxed(Plain.flat(new double[][] {x, y})));
    double u = Arrays.stream(ranks, 0, x.length).sum() - m * (m + 1) / 2;
    double v = m * n / 12 * (m + n + 1 - Plain.ties(ranks) / ((m + n) * (m + n - 1)));
    return v > 1e-12 ? (u - m * n / 2) / Math.sqrt(v) : Double.NaN;
  }
}
