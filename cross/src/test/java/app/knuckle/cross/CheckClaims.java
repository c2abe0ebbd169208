package app.knuckle.cross;

import com.fasterxml.jackson.databind.JsonNode;
import java.math.BigDecimal;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import java.util.stream.IntStream;

/** Checks of the footing: normality, spread, outliers. */
final class CheckClaims {
  private final Claims claims;
  private final double alpha;

  CheckClaims(Claims claims, double alpha) {
    this.claims = claims;
    this.alpha = alpha;
  }

  /** Normality of a group, or of residuals of data of some size. */
  void normality(Predicate<JsonNode> on, String where, double[] x, double size) {
    JsonNode w = claims.check("shapiro-wilk", on);
    JsonNode a = claims.check("anderson-darling", on);
    JsonNode l = claims.check("lilliefors", on);
    double[] s = Plain.sorted(x);
    int n = s.length;
    boolean alike = n < 2 || s[n - 1] - s[0] <= Plain.ALIKE * size;
    double ss = Plain.squares(s);
    if (alike) {
      for (JsonNode c : List.of(w, a, l)) {
        claims.near(where + c.path("test"), c, "p", Double.NaN, 0);
        claims.same(where + c.path("test") + " judgement", c.path("judgement").isNull(), true);
      }
      return;
    }
    double blur = 10 * Plain.ALIKE * size / Math.sqrt(ss);
    if (n >= 3) {
      shapiro(w, where, s, ss, blur);
    }
    double mean = Plain.mean(s);
    double sd = Math.sqrt(ss / (n - 1));
    double sum = 0;
    double d = 0;
    for (int i = 0; i < n; i++) {
      double z = (s[i] - mean) / sd;
      double mirror = (s[n - 1 - i] - mean) / sd;
      sum += (2 * i + 1) * (Math.log(1 - Laws.normal(z)) + Math.log(Laws.normal(mirror)));
      double f = 1 - Laws.normal(z);
      d = Math.max(d, Math.max((i + 1.0) / n - f, f - (double) i / n));
    }
    claims.near(where + "anderson", a, "statistic", -n - sum / n, 1e-9 * n + n * blur);
    claims.near(where + "lilliefors", l, "statistic", d, 1e-9 + blur);
  }

  private void shapiro(JsonNode found, String where, double[] s, double ss, double blur) {
    int n = s.length;
    double[] m = new double[n];
    double mm = 0;
    for (int i = 0; i < n; i++) {
      m[i] = -Laws.normalQuantile((i + 1 - 0.375) / (n + 0.25));
      mm += m[i] * m[i];
    }
    double u = 1 / Math.sqrt(n);
    double[] a = new double[n];
    double last =
        m[n - 1] / Math.sqrt(mm)
            + 0.221157 * u
            - 0.147981 * u * u
            - 2.071190 * Math.pow(u, 3)
            + 4.434685 * Math.pow(u, 4)
            - 2.706056 * Math.pow(u, 5);
    double next =
        n > 5
            ? m[n - 2] / Math.sqrt(mm)
                + 0.042981 * u
                - 0.293762 * u * u
                - 1.752461 * Math.pow(u, 3)
                + 5.682633 * Math.pow(u, 4)
                - 3.582633 * Math.pow(u, 5)
            : 0;
    double phi =
        n > 5
            ? (mm - 2 * m[n - 1] * m[n - 1] - 2 * m[n - 2] * m[n - 2])
                / (1 - 2 * last * last - 2 * next * next)
            : (mm - 2 * m[n - 1] * m[n - 1]) / (1 - 2 * last * last);
    for (int i = 0; i < n; i++) {
      a[i] = n == 3 ? (i - 1) * Math.sqrt(0.5) : m[i] / Math.sqrt(phi);
    }
    if (n > 3) {
      a[n - 1] = last;
      a[0] = -last;
    }
    if (n > 5) {
      a[n - 2] = next;
      a[1] = -next;
    }
    double top = 0;
    double aa = 0;
    for (int i = 0; i < n; i++) {
      top += a[i] * (s[i] - s[0]);
      aa += a[i] * a[i];
    }
    double w = Math.min(1, top * top / (aa * ss));
    claims.near(where + "shapiro", found, "statistic", w, 1e-9 + blur);
    if (n == 3) {
      double p = 6 / Math.PI * (Math.asin(Math.sqrt(w)) - Math.asin(Math.sqrt(0.75)));
      claims.near(where + "shapiro", found, "p", Math.max(0, p), 1e-6 + Math.sqrt(blur));
    }
  }

  /** What a model leaves: where it makes the groups mirror each other, no test can tell. */
  void spreadOfResiduals(double[][] groups, double size) {
    double[][] sizes = new double[groups.length][];
    boolean mirrored = groups.length > 1;
    for (int g = 0; g < groups.length; g++) {
      sizes[g] =
          Arrays.stream(groups[g])
              .map(Math::abs)
              .filter(v -> v > Plain.ALIKE * size)
              .sorted()
              .toArray();
      mirrored &= sizes[g].length == sizes[0].length;
      for (int i = 0; mirrored && i < sizes[g].length; i++) {
        mirrored = Math.abs(sizes[g][i] - sizes[0][i]) <= 2 * Plain.ALIKE * size;
      }
    }
    if (!mirrored || Arrays.stream(groups).allMatch(g -> g.length < 2)) {
      spread(groups, size);
      return;
    }
    for (String test : List.of("levene-absolute", "levene-squared", "bartlett")) {
      JsonNode found = claims.check(test, o -> o.asText().equals("groups"));
      claims.near(test, found, "p", Double.NaN, 0);
      claims.same(test + " judgement", found.path("judgement").isNull(), true);
    }
  }

  /** All tests of equal spread over groups of data of some size. */
  void spread(double[][] groups, double size) {
    Predicate<JsonNode> on = o -> o.asText().equals("groups");
    int k = groups.length;
    if (k < 2 || Arrays.stream(groups).allMatch(g -> g.length < 2)) {
      return;
    }
    double[][] centred = new double[k][];
    double[][] about = new double[k][];
    boolean alike = true;
    boolean alikeMedian = true;
    for (int g = 0; g < k; g++) {
      double mean = Plain.mean(groups[g]);
      double median = Plain.median(groups[g]);
      centred[g] = Arrays.stream(groups[g]).map(v -> Math.abs(v - mean)).toArray();
      about[g] = Arrays.stream(groups[g]).map(v -> Math.abs(v - median)).toArray();
      alike &= alike(centred[g], size);
      alikeMedian &= alike(about[g], size);
    }
    levene("levene-absolute", on, centred, alike, size);
    double[][] squared = new double[k][];
    Arrays.setAll(squared, g -> Arrays.stream(centred[g]).map(v -> v * v).toArray());
    levene("levene-squared", on, squared, alike, size);
    levene("brown-forsythe", on, about, alikeMedian, size);
    bartlett(on, groups, size);
    fligner(on, groups, size);
    if (k == 2) {
      ratio(on, groups, size);
    }
  }

  private static boolean alike(double[] x, double size) {
    double[] s = Plain.sorted(x);
    return s[s.length - 1] - s[0] <= Plain.ALIKE * size;
  }

  private void levene(
      String test, Predicate<JsonNode> on, double[][] scores, boolean alike, double size) {
    JsonNode found = claims.check(test, on);
    int k = scores.length;
    int n = Plain.flat(scores).length;
    double within = Arrays.stream(scores).mapToDouble(Plain::squares).sum();
    double between = Plain.squares(Plain.flat(scores)) - within;
    double f = between / (k - 1) / (within / (n - k));
    if (alike) {
      claims.near(test, found, "statistic", Double.NaN, 0);
      claims.same(test + " judgement", found.path("judgement").isNull(), true);
      return;
    }
    double blur = 1e3 * Plain.ALIKE * size / Math.sqrt(within);
    if (blur < 1e-3 && !test.equals("levene-squared")) {
      claims.near(test, found, "statistic", f, (1e-9 + blur) * (f + 1));
    } else if (size < 100) {
      claims.near(test, found, "statistic", f, 1e-6 * (f + 1));
    }
  }

  private void bartlett(Predicate<JsonNode> on, double[][] groups, double size) {
    JsonNode found = claims.check("bartlett", on);
    int k = groups.length;
    double n = Plain.flat(groups).length;
    double pooled = 0;
    double logs = 0;
    double inverse = 0;
    boolean known = true;
    for (double[] g : groups) {
      known &= g.length > 1 && !alike(g, size);
      pooled += Plain.squares(g);
      logs += (g.length - 1) * Math.log(Plain.variance(g));
      inverse += 1.0 / (g.length - 1);
    }
    double b =
        ((n - k) * Math.log(pooled / (n - k)) - logs)
            / (1 + (inverse - 1 / (n - k)) / (3.0 * (k - 1)));
    claims.near("bartlett", found, "statistic", known ? b : Double.NaN, 1e-6 * (1 + Math.abs(b)));
  }

  /** Ranks of distances from the median, those alike but for rounding tied. */
  private void fligner(Predicate<JsonNode> on, double[][] groups, double size) {
    JsonNode found = claims.check("fligner-killeen", on);
    double[] distances =
        Plain.flat(
            Arrays.stream(groups)
                .map(
                    g -> {
                      BigDecimal[] own =
                          Arrays.stream(g).mapToObj(Plain::exact).toArray(BigDecimal[]::new);
                      BigDecimal median = Plain.median(own);
                      return Arrays.stream(own)
                          .mapToDouble(v -> v.subtract(median).abs().doubleValue())
                          .toArray();
                    })
                .toArray(double[][]::new));
    double[] sorted = Plain.sorted(distances);
    Double[] classes =
        Arrays.stream(distances)
            .mapToObj(
                d -> {
                  int i = Arrays.binarySearch(sorted, d);
                  while (i > 0 && sorted[i] - sorted[i - 1] <= Plain.ALIKE * size) {
                    i--;
                  }
                  return sorted[i];
                })
            .toArray(Double[]::new);
    double[] ranks = Plain.ranks(classes);
    int n = ranks.length;
    double[] a =
        Arrays.stream(ranks).map(r -> -Laws.normalQuantile(0.5 + r / (2 * (n + 1.0)))).toArray();
    double v = Plain.variance(a);
    double mean = Arrays.stream(a).sum() / n;
    double x = 0;
    int at = 0;
    for (double[] group : groups) {
      double own = Arrays.stream(a, at, at + group.length).sum() / group.length;
      at += group.length;
      x += group.length * (own - mean) * (own - mean) / v;
    }
    claims.near(
        "fligner", found, "statistic", v > 1e-20 ? x : Double.NaN, 1e-8 * (1 + Math.abs(x)));
  }

  private void ratio(Predicate<JsonNode> on, double[][] groups, double size) {
    JsonNode found = claims.check("variance-ratio", on);
    boolean known = true;
    for (double[] g : groups) {
      known &= g.length > 1 && !alike(g, size);
    }
    double f = Plain.variance(groups[0]) / Plain.variance(groups[1]);
    claims.near("variance-ratio", found, "statistic", known ? f : Double.NaN, 1e-6 * Math.abs(f));
    if (known) {
      double d1 = groups[0].length - 1;
      double d2 = groups[1].length - 1;
      double up = Laws.f(f, d1, d2);
      double down = Laws.f(1 / f, d2, d1);
      claims.near("variance-ratio", found, "p", Math.min(1, 2 * Math.min(up, down)), 1e-6);
      claims.near(
          "variance-ratio",
          found,
          "low",
          f / Laws.fQuantile(alpha / 2, d1, d2),
          1e-6 * Math.abs(f));
    }
  }

  /** Grubbs and the fences. */
  void odd(Map<String, String> on, double[] x) {
    double size = Arrays.stream(x).map(Math::abs).max().orElse(0);
    Predicate<JsonNode> own = o -> o.isObject() && Claims.levels(o, on);
    JsonNode found = claims.check("grubbs", own);
    int n = x.length;
    boolean known = n >= 3 && !alike(x, size);
    if (!known) {
      claims.near("grubbs " + on, found, "p", Double.NaN, 0);
      claims.same("grubbs judgement", found.path("judgement").isNull(), true);
      return;
    }
    double mean = Plain.mean(x);
    double sd = Math.sqrt(Plain.variance(x));
    double far = Arrays.stream(x).map(v -> Math.abs(v - mean)).max().orElse(0) / sd;
    double room = (n - 1.0) * (n - 1.0) - n * far * far;
    double blur = 100 * Plain.ALIKE * size / sd;
    claims.near("grubbs " + on, found, "statistic", far, 1e-9 + blur);
    boolean bound = room <= 1e-10 * n * n + blur * n * n;
    double p =
        bound ? 0 : Math.min(1, 2 * n * Laws.t(Math.sqrt(n * (n - 2) * far * far / room), n - 2));
    claims.near("grubbs " + on, found, "p", p, bound ? 0 : 1e-7 + Math.sqrt(blur));
    JsonNode fences = claims.check("fences", own);
    double[] s = Plain.sorted(x);
    claims.number("fences", fences, "lowerQuartile", Plain.quantile(s, 0.25));
  }

  /** The row farthest from what a model says of it. */
  void farthest(Dense fit, double[] y, double dfe, double size) {
    JsonNode found = claims.check("studentised-residual", o -> o.asText().equals("residuals"));
    double[] t =
        IntStream.range(0, y.length)
            .mapToDouble(
                i -> {
                  double h = fit.leverage(i);
                  double r = fit.residuals[i];
                  double left = fit.rss - r * r / (1 - h);
                  boolean own = h > 1 - 1e-10 || dfe < 2;
                  // What is left of the spread without the row must be more than rounding.
                  double noise = 4 * Plain.ALIKE * size;
                  return own || left <= noise * noise * y.length
                      ? Double.NaN
                      : Math.abs(r) / Math.sqrt((1 - h) * left / (dfe - 1));
                })
            .filter(v -> !Double.isNaN(v))
            .toArray();
    double top = Arrays.stream(t).max().orElse(Double.NaN);
    double actual = Math.abs(found.path("statistic").asDouble(Double.NaN));
    claims.compared++;
    double slack = 1e-6 + 1e4 * Plain.ALIKE * size / Math.sqrt(fit.rss / Math.max(1, dfe));
    if (Double.isNaN(top)
        ? !Double.isNaN(actual)
        : !(Math.abs(actual - top) <= slack * (1 + top * top * top))) {
      claims.missed.add("studentised residual: wanted " + top + ", got " + found.path("statistic"));
    }
  }
}
