package app.knuckle.cross;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;

/** One layer of error: any treatments, blocks, covariates and terms, balanced or not. */
final class LinearClaims {
  private final Made made;
  private final Claims claims;
  private final List<String> blocks;
  private final List<String> covariates;
  private final List<String> treatments;
  private final List<List<String>> terms = new ArrayList<>();
  private final Used used;
  private final double[] y;
  private final double size;
  private final Dense full;
  private final double dfe;
  private final double mse;
  private final double sst;

  /** A spread this small is what rounding leaves. */
  private final boolean noSpread;

  LinearClaims(Made made, Claims claims) {
    this.made = made;
    this.claims = claims;
    blocks = made.texts("blocks");
    covariates = made.texts("covariates");
    treatments = made.texts("treatments");
    List<String> names = new ArrayList<>(blocks);
    names.addAll(treatments);
    List<String> numbers = new ArrayList<>(covariates);
    numbers.add("y");
    used = new Used(made.sheet(), names, numbers);
    blocks.forEach(b -> terms.add(List.of(b)));
    covariates.forEach(c -> terms.add(List.of(c)));
    treatments.forEach(t -> terms.add(List.of(t)));
    if (treatments.size() == 2 && !made.asked().path("terms").asText().equals("main")) {
      terms.add(treatments);
    }
    double[] raw = used.values("y");
    double largest = Arrays.stream(raw).map(Math::abs).max().orElse(0);
    // The mean of a covariate far from 0 is rounded too.
    for (String c : covariates) {
      largest =
          Math.max(largest, Arrays.stream(used.values(c)).map(Math::abs).max().orElse(0) / 100);
    }
    size = largest;
    y = Arrays.stream(raw).map(v -> v - raw[0]).toArray();
    full = new Dense(matrix(terms), y);
    dfe = used.n() - full.rank;
    mse = full.rss / dfe;
    sst = Plain.squares(raw);
    double noise = Plain.ALIKE * size;
    noSpread = full.rss <= noise * noise * used.n();
  }

  /** Whether every column has two levels left: else it is refused. */
  static boolean possible(Made made) {
    List<String> names = new ArrayList<>(made.texts("blocks"));
    names.addAll(made.texts("treatments"));
    List<String> numbers = new ArrayList<>(made.texts("covariates"));
    numbers.add("y");
    Used used = new Used(made.sheet(), names, numbers);
    return used.n() > 1 && names.stream().allMatch(n -> used.size(n) > 1);
  }

  /** Sum-to-zero coding: level j has 1 in column j, the last -1 everywhere. */
  private static double[] coding(int level, int levels) {
    double[] own = new double[levels - 1];
    if (level == levels - 1) {
      Arrays.fill(own, -1);
    } else {
      own[level] = 1;
    }
    return own;
  }

  private int width(List<String> term) {
    int width = 1;
    for (String name : term) {
      width *= covariates.contains(name) ? 1 : used.size(name) - 1;
    }
    return width;
  }

  private double[][] matrix(List<List<String>> of) {
    double[][] x = new double[used.n()][];
    Map<String, double[]> centred = new LinkedHashMap<>();
    for (String c : covariates) {
      double[] own = used.values(c);
      double mean = Plain.mean(own);
      centred.put(c, Arrays.stream(own).map(v -> v - mean).toArray());
    }
    for (int i = 0; i < x.length; i++) {
      List<Double> row = new ArrayList<>(List.of(1.0));
      for (List<String> term : of) {
        double[] product = {1};
        for (String name : term) {
          product =
              times(
                  product,
                  covariates.contains(name)
                      ? new double[] {centred.get(name)[i]}
                      : coding(used.codes(name)[i], used.size(name)));
        }
        Arrays.stream(product).forEach(row::add);
      }
      x[i] = row.stream().mapToDouble(v -> v).toArray();
    }
    return x;
  }

  private static double[] times(double[] a, double[] b) {
    double[] product = new double[a.length * b.length];
    Arrays.setAll(product, k -> a[k / b.length] * b[k % b.length]);
    return product;
  }

  /** The row of a mean: averaged over the levels of what is not named, covariates at their mean. */
  private double[] row(Map<String, String> at) {
    List<Double> row = new ArrayList<>(List.of(1.0));
    for (List<String> term : terms) {
      double[] product = {1};
      for (String name : term) {
        double[] own;
        if (covariates.contains(name)) {
          own = new double[1];
        } else if (at.containsKey(name)) {
          own = coding(used.levels(name).indexOf(at.get(name)), used.size(name));
        } else {
          own = new double[used.size(name) - 1];
        }
        product = times(product, own);
      }
      Arrays.stream(product).forEach(row::add);
    }
    return row.stream().mapToDouble(v -> v).toArray();
  }

  private Dense fit(List<List<String>> of) {
    return new Dense(matrix(of), y);
  }

  private static boolean within(List<String> inner, List<String> outer) {
    return outer.containsAll(inner) && outer.size() > inner.size();
  }

  /** Sum of squares and df of a term; null where it has no row. */
  private double[] squares(int t, String kind) {
    List<String> term = terms.get(t);
    Dense with;
    Dense without;
    switch (kind) {
      case "in-order" -> {
        without = fit(terms.subList(0, t));
        with = fit(terms.subList(0, t + 1));
      }
      case "after-its-peers" -> {
        List<List<String>> others =
            new ArrayList<>(
                terms.stream().filter(s -> !within(term, s) && !s.equals(term)).toList());
        without = fit(others);
        others.add(term);
        with = fit(others);
      }
      default -> {
        int columns = 1 + terms.stream().mapToInt(this::width).sum();
        boolean contained = terms.stream().anyMatch(s -> within(term, s));
        if (full.rank < columns && contained && !known(t)) {
          return null;
        }
        with = full;
        without = new Dense(withoutColumns(t), y);
      }
    }
    double df = with.rank - without.rank;
    return df == 0 ? null : new double[] {Math.max(0, without.rss - with.rss), df};
  }

  private int start(int t) {
    return 1 + terms.subList(0, t).stream().mapToInt(this::width).sum();
  }

  private boolean known(int t) {
    int columns = 1 + terms.stream().mapToInt(this::width).sum();
    return IntStream.range(0, width(terms.get(t)))
        .allMatch(
            k -> {
              double[] unit = new double[columns];
              unit[start(t) + k] = 1;
              return full.estimable(unit);
            });
  }

  private double[][] withoutColumns(int t) {
    double[][] x = matrix(terms);
    int from = start(t);
    int to = from + width(terms.get(t));
    return Arrays.stream(x)
        .map(
            r ->
                IntStream.range(0, r.length)
                    .filter(j -> j < from || j >= to)
                    .mapToDouble(j -> r[j])
                    .toArray())
        .toArray(double[][]::new);
  }

  void check() {
    JsonNode anova = claims.test("analysis-of-variance");
    String kind = made.asked().path("squares").asText("after-all");
    Map<List<String>, Double> ps = new LinkedHashMap<>();
    for (int t = 0; t < terms.size(); t++) {
      List<String> term = terms.get(t);
      JsonNode row =
          claims.find(anova.path("rows"), r -> texts(r.path("term")).equals(term), "row " + term);
      double[] own = squares(t, kind);
      if (own == null) {
        claims.number("row " + term, row, "ss", Double.NaN);
        continue;
      }
      double blur = Plain.ALIKE * size * Math.sqrt(sst);
      claims.near("row " + term, row, "ss", own[0], 1e-9 * own[0] + 1e-12 * sst + blur);
      claims.number("row " + term, row, "df", own[1]);
      boolean tested = dfe > 0 && !noSpread;
      double f = tested ? own[0] / own[1] / mse : Double.NaN;
      double soft = 1e-8 + 100 * Plain.ALIKE * size / Math.sqrt(Math.max(full.rss, 1e-300));
      if (full.rss > 1e-20 * sst) {
        claims.near("row " + term, row, "f", f, soft * (f + 1));
      }
      if (tested && full.rss > 1e-20 * sst) {
        double p = Laws.f(f, own[1], dfe);
        ps.put(term, p);
        claims.near("row " + term, row, "p", p, 10 * soft * p * (1 + dfe) + 1e-11);
        double partial = own[0] / (own[0] + full.rss);
        claims.near("row " + term, row, "partialEtaSquared", partial, 1e-8 + soft);
        double omega = (own[0] - own[1] * mse) / (sst + mse);
        claims.near("row " + term, row, "omegaSquared", omega, 1e-8 + soft);
        double critical = Laws.fQuantile(made.alpha(), own[1], dfe);
        claims.near("row " + term, row, "criticalF", critical, 1e-8 * critical);
      }
    }
    JsonNode fit = anova.path("fit");
    claims.number("fit", fit, "n", used.n());
    claims.number("fit", fit, "rank", full.rank);
    claims.number("fit", fit, "errorDf", dfe);
    claims.number("fit", fit, "grandMean", Plain.mean(used.values("y")), size);
    if (dfe > 0) {
      claims.number("fit", fit, "residualSd", noSpread ? 0 : Math.sqrt(mse), size);
    }
    means();
    comparisons(ps);
    checks();
    if (treatments.size() == 1
        && blocks.isEmpty()
        && covariates.isEmpty()
        && dfe > 0
        && used.size(treatments.get(0)) == 2) {
      SampleClaims.twoGroups(made, claims, used.groups("group", used.values("y")), "pooled");
    }
  }

  static List<String> texts(JsonNode list) {
    List<String> all = new ArrayList<>();
    list.forEach(n -> all.add(n.asText()));
    return all;
  }

  private void means() {
    double origin = used.values("y")[0];
    for (JsonNode family : claims.findings.path("means")) {
      for (JsonNode found : family.path("rows")) {
        Map<String, String> levels = new LinkedHashMap<>();
        found
            .path("levels")
            .properties()
            .forEach(e -> levels.put(e.getKey(), e.getValue().asText()));
        double[] l = row(levels);
        boolean known = full.estimable(l);
        claims.number(
            "mean " + levels, found, "mean", known ? origin + full.value(l) : Double.NaN, size);
        if (known && dfe > 0 && !noSpread) {
          claims.number(
              "mean " + levels, found, "se", Math.sqrt(mse * full.product(l, l)), size * 1e-3);
        }
      }
    }
  }

  private void comparisons(Map<List<String>, Double> ps) {
    int at = 0;
    for (JsonNode asked : made.asked().path("compare")) {
      List<String> of = texts(asked.path("of"));
      for (Map<String, String> family : used.combinations(texts(asked.path("within")))) {
        JsonNode found = claims.findings.path("comparisons").path(at++);
        claims.same("family", Claims.levels(found.path("within"), family), true);
        List<Map<String, String>> labels = new ArrayList<>();
        List<double[]> rows = new ArrayList<>();
        for (Map<String, String> levels : used.combinations(of)) {
          Map<String, String> all = new LinkedHashMap<>(family);
          all.putAll(levels);
          double[] l = row(all);
          if (full.estimable(l)) {
            labels.add(levels);
            rows.add(l);
          }
        }
        compare(
            found,
            asked.path("procedure").asText(),
            labels,
            rows,
            ps.getOrDefault(of, 0.0),
            of,
            !family.isEmpty());
      }
    }
  }

  private void compare(
      JsonNode found,
      String procedure,
      List<Map<String, String>> labels,
      List<double[]> rows,
      double overall,
      List<String> of,
      boolean inside) {
    int k = rows.size();
    double[] means = rows.stream().mapToDouble(full::value).toArray();
    double[][] d = new double[k][k];
    double[][] se = new double[k][k];
    double[][] df = new double[k][k];
    for (int i = 0; i < k; i++) {
      for (int j = 0; j < k; j++) {
        double[] l = minus(rows.get(i), rows.get(j));
        d[i][j] = means[i] - means[j];
        se[i][j] = dfe > 0 ? noSpread ? 0 : Math.sqrt(mse * full.product(l, l)) : Double.NaN;
        df[i][j] = dfe;
      }
    }
    PairClaims pairs = new PairClaims(labels, means, size, d, se, df);
    if (!procedure.equals("dunnett")) {
      pairs.check(claims, found, procedure, made.alpha(), inside ? 0 : overall);
      return;
    }
    Map<String, String> wanted = new LinkedHashMap<>();
    of.forEach(t -> wanted.put(t, made.asked().path("reference").path(t).asText()));
    int reference = labels.indexOf(wanted);
    if (reference < 0 || dfe <= 0 || noSpread || k < 2) {
      return;
    }
    int[] others = IntStream.range(0, k).filter(i -> i != reference).toArray();
    double[][] r = new double[others.length][others.length];
    for (int a = 0; a < r.length; a++) {
      for (int b = 0; b < r.length; b++) {
        double[] l = minus(rows.get(others[a]), rows.get(reference));
        double[] m = minus(rows.get(others[b]), rows.get(reference));
        r[a][b] = full.product(l, m) / Math.sqrt(full.product(l, l) * full.product(m, m));
      }
    }
    pairs.checkReference(claims, found, reference, r, made.direction(), made.alpha());
  }

  private static double[] minus(double[] a, double[] b) {
    double[] d = a.clone();
    Arrays.setAll(d, j -> a[j] - b[j]);
    return d;
  }

  private void checks() {
    CheckClaims checks = new CheckClaims(claims, made.alpha());
    boolean oneWay = treatments.size() == 1 && blocks.isEmpty() && covariates.isEmpty();
    checks.normality(o -> o.asText().equals("residuals"), "residuals ", full.residuals, size);
    checks.farthest(full, y, dfe, size);
    if (oneWay) {
      double[][] groups = used.groups(treatments.get(0), used.values("y"));
      for (int g = 0; g < groups.length; g++) {
        Map<String, String> on = Map.of(treatments.get(0), used.levels(treatments.get(0)).get(g));
        double own = Arrays.stream(groups[g]).map(Math::abs).max().orElse(0);
        checks.normality(o -> o.isObject() && Claims.levels(o, on), on.toString(), groups[g], own);
        checks.odd(on, groups[g]);
      }
      checks.spread(groups, size);
      return;
    }
    List<double[]> cells = new ArrayList<>();
    for (Map<String, String> levels : used.combinations(treatments)) {
      double[] own =
          IntStream.range(0, used.n())
              .filter(
                  i ->
                      treatments.stream()
                          .allMatch(
                              t -> used.levels(t).get(used.codes(t)[i]).equals(levels.get(t))))
              .mapToDouble(i -> full.residuals[i])
              .toArray();
      if (own.length > 0) {
        cells.add(own);
      }
    }
    checks.spreadOfResiduals(cells.toArray(double[][]::new), size);
  }
}
