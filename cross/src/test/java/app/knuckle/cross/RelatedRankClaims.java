package app.knuckle.cross;

import com.fasterxml.jackson.databind.JsonNode;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/** Tests on ranks of related values, by counting signs and ranking within blocks. */
final class RelatedRankClaims {
  private final Made made;
  private final Claims claims;

  RelatedRankClaims(Made made, Claims claims) {
    this.made = made;
    this.claims = claims;
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
      claims.tails(
          made.direction(),
          "signed",
          found.path("exact"),
          Math.min(1, 2 * Math.min(greater, less)),
          greater,
          less);
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
      double share = Arrangements.ways(i, used.length - i) / Math.pow(2, used.length);
      greater += i >= ups ? share : 0;
      less += i <= ups ? share : 0;
    }
    claims.tails(
        made.direction(),
        "sign",
        claims.test("sign"),
        Math.min(1, 2 * Math.min(greater, less)),
        greater,
        less);
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
    JsonNode nemenyi = claims.comparison("nemenyi");
    JsonNode dunn = claims.comparison("dunn-sidak");
    JsonNode conover = claims.comparison("conover-holm");
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
    double[] holm = Plain.holm(raw.stream().mapToDouble(x -> x).toArray());
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
}
