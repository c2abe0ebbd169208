package app.knuckle.cross;

import com.fasterxml.jackson.databind.JsonNode;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/** Tests on ranks, by sorting, counting and enumeration; and by rearranging the values. */
final class RankClaims {
  private final Made made;
  private final Claims claims;
  private static final int FEW = 100_000;

  RankClaims(Made made, Claims claims) {
    this.made = made;
    this.claims = claims;
  }

  private void tails(String path, JsonNode node, double either, double greater, double less) {
    claims.p(path, node, "pEither", either);
    claims.p(path, node, "pGreater", greater);
    claims.p(path, node, "pLess", less);
    claims.p(path, node, "p", Plain.p(made.direction(), either, greater, less));
  }

  /** All choices of m of n things. */
  private static List<int[]> choices(int n, int m) {
    List<int[]> all = new ArrayList<>();
    int[] at = IntStream.range(0, m).toArray();
    while (true) {
      all.add(at.clone());
      int i = m - 1;
      while (i >= 0 && at[i] == n - m + i) {
        i--;
      }
      if (i < 0) {
        return all;
      }
      at[i]++;
      for (int j = i + 1; j < m; j++) {
        at[j] = at[j - 1] + 1;
      }
    }
  }

  private static double ways(int... sizes) {
    double ways = 1;
    int placed = 0;
    for (int size : sizes) {
      for (int i = 1; i <= size; i++) {
        ways = ways * ++placed / i;
      }
    }
    return Math.rint(ways);
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
    if (ways(m, n) <= FEW) {
      double middle = m * (big + 1) / 2;
      double[] count = new double[3];
      List<int[]> choices = choices(m + n, m);
      for (int[] choice : choices) {
        double own = IntStream.of(choice).mapToDouble(i -> ranks[i]).sum();
        count[0] += Math.abs(own - middle) >= Math.abs(sum - middle) ? 1 : 0;
        count[1] += own >= sum ? 1 : 0;
        count[2] += own <= sum ? 1 : 0;
      }
      double c = choices.size();
      tails("exact", found.path("exact"), count[0] / c, count[1] / c, count[2] / c);
      claims.number("exact", found.path("exact"), "arrangements", c);
      claims.p(
          "u", found, "p", Plain.p(made.direction(), count[0] / c, count[1] / c, count[2] / c));
    }
    if (variance > 0) {
      double z = (u - m * n / 2.0) / Math.sqrt(variance);
      tails(
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
    if (ways(sizes) <= 60_000) {
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
    place(all, 0, sizes.clone(), sizes, new double[sizes.length], observed, count);
    return count[0] / count[1];
  }

  private static void place(
      double[] all,
      int at,
      int[] left,
      int[] sizes,
      double[] sums,
      double observed,
      double[] count) {
    if (at == all.length) {
      double own = 0;
      for (int g = 0; g < sums.length; g++) {
        own += sums[g] * sums[g] / sizes[g];
      }
      count[0] += own >= observed * (1 - 1e-12) - 1e-12 ? 1 : 0;
      count[1]++;
      return;
    }
    for (int g = 0; g < left.length; g++) {
      if (left[g] > 0) {
        left[g]--;
        sums[g] += all[at];
        place(all, at + 1, left, sizes, sums, observed, count);
        sums[g] -= all[at];
        left[g]++;
      }
    }
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

  private JsonNode comparison(String procedure) {
    return claims.find(
        claims.findings.path("comparisons"),
        x -> x.path("procedure").asText().equals(procedure),
        procedure);
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
      JsonNode found = comparison(which == 0 ? "dunn-holm" : "conover-holm");
      double[] holm = holm(raw.stream().mapToDouble(r -> r[at]).toArray());
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
    JsonNode dwass = comparison("dwass-steel");
    JsonNode steel = comparison("steel");
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

  private static double[] holm(double[] p) {
    if (Arrays.stream(p).anyMatch(Double::isNaN)) {
      return p;
    }
    double[] own = new double[p.length];
    for (int i = 0; i < p.length; i++) {
      for (int j = 0; j < p.length; j++) {
        if (p[j] <= p[i]) {
          double at = p[j];
          double below = Arrays.stream(p).filter(x -> x < at).count();
          own[i] = Math.max(own[i], Math.min(1, (p.length - below) * at));
        }
      }
    }
    return own;
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

  void signed() {
    List<double[]> both;
    if (made.kind() == Made.Kind.RANK_PAIRS) {
      both = SampleClaims.both(made);
    } else {
      double expected = made.asked().path("expected").asDouble();
      double[] y = new Used(made.sheet(), List.of(), List.of("y")).values("y");
      both = Arrays.stream(y).mapToObj(v -> new double[] {v, expected}).toList();
    }
    BigDecimal[] d = both.stream().map(p -> Plain.minus(p[0], p[1])).toArray(BigDecimal[]::new);
    BigDecimal[] used = Arrays.stream(d).filter(x -> x.signum() != 0).toArray(BigDecimal[]::new);
    if (d.length == 0) {
      return;
    }
    BigDecimal[] sizes = Arrays.stream(used).map(BigDecimal::abs).toArray(BigDecimal[]::new);
    double[] ranks = Plain.ranks(sizes);
    double positive =
        IntStream.range(0, used.length)
            .filter(i -> used[i].signum() > 0)
            .mapToDouble(i -> ranks[i])
            .sum();
    JsonNode found = claims.test("signed-rank");
    claims.number("signed", found, "rankSumPositive", positive);
    if (used.length <= 16) {
      double greater = 0;
      double less = 0;
      double all = 1 << used.length;
      for (int signs = 0; signs < all; signs++) {
        double sum = 0;
        for (int i = 0; i < used.length; i++) {
          sum += (signs >> i & 1) == 1 ? ranks[i] : 0;
        }
        greater += sum >= positive ? 1 / all : 0;
        less += sum <= positive ? 1 / all : 0;
      }
      tails("signed", found.path("exact"), Math.min(1, 2 * Math.min(greater, less)), greater, less);
    }
    List<BigDecimal> walsh = new ArrayList<>();
    for (int i = 0; i < d.length; i++) {
      for (int j = i; j < d.length; j++) {
        walsh.add(d[i].add(d[j]).divide(BigDecimal.valueOf(2)));
      }
    }
    double expected = made.asked().path("expected").asDouble(0);
    double centre = Plain.median(walsh.toArray(BigDecimal[]::new)).doubleValue() + expected;
    JsonNode shift = found.path(made.kind() == Made.Kind.RANK_PAIRS ? "shift" : "centre");
    claims.number("signed", shift, "estimate", centre, Math.abs(expected) + 1e-3);
    int ups = (int) Arrays.stream(used).filter(x -> x.signum() > 0).count();
    double greater = 0;
    double less = 0;
    for (int i = 0; i <= used.length; i++) {
      double share = ways(i, used.length - i) / Math.pow(2, used.length);
      greater += i >= ups ? share : 0;
      less += i <= ups ? share : 0;
    }
    tails("sign", claims.test("sign"), Math.min(1, 2 * Math.min(greater, less)), greater, less);
  }

  void blocks() {
    Used used = new Used(made.sheet(), List.of("rack", "mesh"), List.of("y"));
    int k = used.size("mesh");
    double[][] all = new double[used.size("rack")][k];
    Arrays.stream(all).forEach(r -> Arrays.fill(r, Double.NaN));
    for (int i = 0; i < used.n(); i++) {
      all[used.codes("rack")[i]][used.codes("mesh")[i]] = used.values("y")[i];
    }
    double[][] whole =
        Arrays.stream(all)
            .filter(r -> Arrays.stream(r).noneMatch(Double::isNaN))
            .toArray(double[][]::new);
    int b = whole.length;
    if (b < 2) {
      return;
    }
    double[] sums = new double[k];
    double squares = 0;
    double[][] ranked = new double[b][];
    for (int i = 0; i < b; i++) {
      ranked[i] = Plain.ranks(Plain.boxed(whole[i]));
      for (int j = 0; j < k; j++) {
        sums[j] += ranked[i][j];
        squares += ranked[i][j] * ranked[i][j];
      }
    }
    double b0 = b * k * (k + 1.0) * (k + 1) / 4;
    double top =
        Arrays.stream(sums).map(s -> (s - b * (k + 1) / 2.0) * (s - b * (k + 1) / 2.0)).sum();
    double chi = (k - 1) * top / (squares - b0);
    boolean known = squares - b0 > 1e-9;
    JsonNode row = claims.test("friedman").path("rows").path(0);
    claims.near("friedman", row, "chiSquared", known ? chi : Double.NaN, 1e-9 * (1 + chi));
    if (known) {
      claims.near("friedman", row, "p", Laws.chi2(chi, k - 1), 1e-10);
      double f = (b - 1) * chi / (b * (k - 1) - chi);
      if (b * (k - 1) - chi > 1e-9) {
        claims.near("friedman", row, "f", f, 1e-8 * (1 + f));
        claims.near("friedman", row, "fP", Laws.f(f, k - 1, (b - 1.0) * (k - 1)), 1e-8);
      }
    }
    JsonNode nemenyi = comparison("nemenyi");
    JsonNode dunn = comparison("dunn-sidak");
    JsonNode conover = comparison("conover-holm");
    double spread =
        2 * (b * squares - Arrays.stream(sums).map(s -> s * s).sum()) / ((b - 1.0) * (k - 1));
    List<Double> raw = new ArrayList<>();
    int at = 0;
    for (int i = 0; i < k; i++) {
      for (int j = i + 1; j < k; j++) {
        double d = (sums[i] - sums[j]) / b;
        double q = Math.abs(d) / Math.sqrt(k * (k + 1) / (12.0 * b));
        double z = Math.abs(d) / Math.sqrt(k * (k + 1) / (6.0 * b));
        claims.near(
            "nemenyi",
            nemenyi.path("rows").path(at),
            "p",
            Laws.range(q, k, Double.POSITIVE_INFINITY),
            1e-9);
        double m = k * (k - 1) / 2.0;
        claims.near(
            "dunn",
            dunn.path("rows").path(at++),
            "p",
            -Math.expm1(m * Math.log1p(-Math.min(1, 2 * Laws.normal(z)))),
            1e-8);
        raw.add(
            spread > 1e-9
                ? 2 * Laws.t(Math.abs(sums[i] - sums[j]) / Math.sqrt(spread), (b - 1.0) * (k - 1))
                : Double.NaN);
      }
    }
    double[] holm = holm(raw.stream().mapToDouble(x -> x).toArray());
    for (int r = 0; r < holm.length; r++) {
      claims.near("conover", conover.path("rows").path(r), "p", holm[r], 1e-8 * holm[r] + 1e-12);
    }
    quade(whole, ranked);
    if (made.sheet().ordered().contains("mesh")) {
      page(sums, ranked);
    }
  }

  private void page(double[] sums, double[][] ranked) {
    int k = sums.length;
    int b = ranked.length;
    double l = IntStream.range(0, k).mapToDouble(j -> (j + 1) * sums[j]).sum();
    double v = 0;
    for (double[] r : ranked) {
      v +=
          Arrays.stream(r).map(x -> (x - (k + 1) / 2.0) * (x - (k + 1) / 2.0)).sum()
              * k
              * (k * k - 1.0)
              / (12.0 * (k - 1));
    }
    JsonNode found = claims.test("page");
    claims.number("page", found, "statistic", l);
    if (v > 1e-9) {
      double z = (l - b * k * (k + 1.0) * (k + 1) / 4) / Math.sqrt(v);
      claims.near("page", found, "z", z, 1e-9 * (1 + Math.abs(z)));
    }
  }

  private void quade(double[][] whole, double[][] ranked) {
    int b = whole.length;
    int k = whole[0].length;
    BigDecimal[] ranges =
        Arrays.stream(whole)
            .map(r -> Plain.minus(Plain.sorted(r)[k - 1], Plain.sorted(r)[0]))
            .toArray(BigDecimal[]::new);
    double[] q = Plain.ranks(ranges);
    double a = 0;
    double[] s = new double[k];
    for (int i = 0; i < b; i++) {
      for (int j = 0; j < k; j++) {
        double own = q[i] * (ranked[i][j] - (k + 1) / 2.0);
        a += own * own;
        s[j] += own;
      }
    }
    double t = Arrays.stream(s).map(x -> x * x).sum() / b;
    double f = (b - 1) * t / (a - t);
    JsonNode found = claims.test("quade");
    boolean known = a - t > 1e-9;
    claims.near("quade", found, "f", known ? f : Double.NaN, 1e-8 * (1 + Math.abs(f)));
  }

  void permutation() {
    Used used = new Used(made.sheet(), List.of("group"), List.of("y"));
    double[][] g = used.groups("group", used.values("y"));
    int[] sizes = Arrays.stream(g).mapToInt(x -> x.length).toArray();
    if (ways(sizes) > FEW) {
      return;
    }
    BigDecimal[] all =
        Arrays.stream(Plain.flat(g)).mapToObj(Plain::exact).toArray(BigDecimal[]::new);
    JsonNode found = claims.test("permutation");
    if (g.length == 2) {
      BigDecimal observed = sum(all, IntStream.range(0, sizes[0]).toArray());
      BigDecimal total = sum(all, IntStream.range(0, all.length).toArray());
      BigDecimal n = BigDecimal.valueOf(all.length);
      BigDecimal middle = total.multiply(BigDecimal.valueOf(sizes[0]));
      BigDecimal away = observed.multiply(n).subtract(middle).abs();
      double[] count = new double[3];
      List<int[]> choices = choices(all.length, sizes[0]);
      for (int[] choice : choices) {
        BigDecimal own = sum(all, choice);
        count[0] += own.multiply(n).subtract(middle).abs().compareTo(away) >= 0 ? 1 : 0;
        count[1] += own.compareTo(observed) >= 0 ? 1 : 0;
        count[2] += own.compareTo(observed) <= 0 ? 1 : 0;
      }
      double c = choices.size();
      tails("permutation", found, count[0] / c, count[1] / c, count[2] / c);
      return;
    }
    // Whole numbers on the grid of the data, about one of them, so that sums are exact.
    int scale = Arrays.stream(all).mapToInt(x -> x.stripTrailingZeros().scale()).max().orElse(0);
    double[] whole =
        Arrays.stream(all)
            .mapToDouble(x -> x.subtract(all[0]).scaleByPowerOfTen(scale).doubleValue())
            .toArray();
    double observed = 0;
    int at = 0;
    for (int size : sizes) {
      double s = Arrays.stream(whole, at, at + size).sum();
      at += size;
      observed += s * s / size;
    }
    double[] count = new double[2];
    place(whole, 0, sizes.clone(), sizes, new double[sizes.length], observed, count);
    claims.p("permutation", found.path("rows").path(0), "p", count[0] / count[1]);
  }

  private static BigDecimal sum(BigDecimal[] all, int[] which) {
    BigDecimal sum = BigDecimal.ZERO;
    for (int i : which) {
      sum = sum.add(all[i]);
    }
    return sum;
  }

  void associated() {
    Used used = new Used(made.sheet(), List.of(), List.of("y", "z"));
    double[] x = used.values("y");
    double[] y = used.values("z");
    if (x.length < 3) {
      return;
    }
    boolean still = Plain.squares(x) == 0 || Plain.squares(y) == 0;
    for (JsonNode form : claims.findings.path("associations")) {
      JsonNode cells = form.path("coefficients");
      double wanted =
          switch (form.path("form").asText()) {
            case "pearson" -> pearson(x, y);
            case "spearman" -> pearson(Plain.ranks(Plain.boxed(x)), Plain.ranks(Plain.boxed(y)));
            default -> kendall(x, y);
          };
      claims.compared++;
      JsonNode found = cells.path(0).path(1);
      boolean right = still ? found.isNull() : Math.abs(found.asDouble(Double.NaN) - wanted) < 1e-8;
      if (!right) {
        claims.missed.add(form.path("form") + ": wanted " + wanted + ", got " + found);
      }
      if (Plain.squares(x) == 0 && !cells.path(0).path(0).isNull()) {
        claims.missed.add(form.path("form") + " of a constant with itself: " + cells);
      }
    }
  }

  private static double pearson(double[] x, double[] y) {
    double mx = Plain.mean(x);
    double my = Plain.mean(y);
    double xy = IntStream.range(0, x.length).mapToDouble(i -> (x[i] - mx) * (y[i] - my)).sum();
    return xy / Math.sqrt(Plain.squares(x) * Plain.squares(y));
  }

  private static double kendall(double[] x, double[] y) {
    double s = 0;
    double nx = 0;
    double ny = 0;
    for (int i = 0; i < x.length; i++) {
      for (int j = 0; j < i; j++) {
        double a = Math.signum(x[i] - x[j]);
        double b = Math.signum(y[i] - y[j]);
        s += a * b;
        nx += a * a;
        ny += b * b;
      }
    }
    return s / Math.sqrt(nx * ny);
  }
}
