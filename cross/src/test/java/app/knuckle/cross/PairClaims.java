package app.knuckle.cross;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;

/**
 * A family of means under a procedure: p of every pair, decisions, letters.
 *
 * @param labels levels of each mean
 * @param means the means; ranked with ties by the size of the data
 * @param size of the data: means closer than rounding of it tie
 * @param difference left less right
 * @param se its standard error
 * @param df its degrees of freedom
 */
record PairClaims(
    List<Map<String, String>> labels,
    double[] means,
    double size,
    double[][] difference,
    double[][] se,
    double[][] df) {

  /** Means of one stratum closer than this share of the largest tie. */
  private static final double TIED = 1e-12;

  /** Compares all pairs with what the findings hold. */
  void check(Claims claims, JsonNode found, String procedure, double alpha, double overallP) {
    int k = labels.size();
    if (k < 2) {
      return;
    }
    double[][] p = adjusted(procedure);
    boolean guarded = procedure.equals("least-significant-difference") && overallP > alpha;
    Boolean[][] differs = new Boolean[k][k];
    int row = 0;
    for (int i = 0; i < k; i++) {
      for (int j = i + 1; j < k; j++) {
        JsonNode pair = found.path("rows").path(row++);
        String path = procedure + labels.get(i) + labels.get(j);
        claims.number(path, pair, "difference", difference[i][j], size);
        claims.number(path, pair, "se", se[i][j], size * 1e-6);
        if (se[i][j] > 0) {
          claims.number(path, pair, "statistic", difference[i][j] / se[i][j], 1);
          claims.number(path, pair, "df", df[i][j]);
        }
        claims.near(path, pair, "p", p[i][j], 1e-8 * p[i][j] + 1e-11);
        if (!Double.isNaN(p[i][j]) && Math.abs(p[i][j] - alpha) > 1e-9) {
          differs[i][j] = p[i][j] <= alpha && !guarded;
          differs[j][i] = differs[i][j];
          claims.same(path + ".differs", pair.path("differs").asBoolean(), differs[i][j]);
        } else if (Double.isNaN(p[i][j])) {
          claims.same(path + ".differs", pair.path("differs").isNull(), true);
        } else {
          return; // At the very edge the letters may be either.
        }
      }
    }
    letters(claims, found, differs, procedure);
  }

  private static boolean judged(Boolean[][] differs, int i) {
    return Arrays.stream(differs[i]).anyMatch(d -> d != null);
  }

  /** All largest sets of judged means without a pair that differs or that was not judged. */
  private void letters(Claims claims, JsonNode found, Boolean[][] differs, String procedure) {
    int k = labels.size();
    int[] ranking = ranking();
    List<BitSet> sets = new ArrayList<>();
    for (int s = 1; s < 1 << k; s++) {
      BitSet set = BitSet.valueOf(new long[] {s});
      boolean alone = set.cardinality() == 1 && !judged(differs, set.nextSetBit(0));
      boolean fine =
          !alone
              && set.stream()
                  .allMatch(
                      i ->
                          set.stream()
                              .allMatch(j -> i == j || Boolean.FALSE.equals(differs[i][j])));
      if (fine) {
        sets.add(set);
      }
    }
    sets.removeIf(
        a ->
            sets.stream()
                .anyMatch(b -> a.cardinality() < b.cardinality() && a.stream().allMatch(b::get)));
    sets.sort(
        (a, b) -> {
          for (int r : ranking) {
            if (a.get(r) != b.get(r)) {
              return a.get(r) ? -1 : 1;
            }
          }
          return 0;
        });
    for (int i = 0; i < k; i++) {
      StringBuilder own = new StringBuilder();
      for (int s = 0; s < sets.size(); s++) {
        own.append(sets.get(s).get(i) ? String.valueOf((char) ('a' + s)) : "");
      }
      Map<String, String> levels = labels.get(i);
      JsonNode one =
          claims.find(
              found.path("letters"),
              n -> Claims.levels(n.path("levels"), levels),
              "letters of " + levels);
      claims.same(
          procedure + " letters of " + levels + " " + found.path("within"),
          one.path("letters").isNull() ? "" : one.path("letters").asText("?"),
          own.toString());
    }
  }

  /** The largest first; what ties but for rounding in the order of the levels. */
  private int[] ranking() {
    List<Integer> left = new ArrayList<>(IntStream.range(0, means.length).boxed().toList());
    List<Integer> ranked = new ArrayList<>();
    while (!left.isEmpty()) {
      double top = left.stream().mapToDouble(i -> means[i]).max().orElseThrow();
      double slack = TIED * Math.max(size, Math.abs(top));
      int next = left.stream().filter(i -> means[i] >= top - slack).findFirst().orElseThrow();
      ranked.add(next);
      left.remove(Integer.valueOf(next));
    }
    return ranked.stream().mapToInt(i -> i).toArray();
  }

  private double[][] adjusted(String procedure) {
    int k = labels.size();
    double[][] p = new double[k][k];
    List<int[]> known = new ArrayList<>();
    for (int i = 0; i < k; i++) {
      for (int j = i + 1; j < k; j++) {
        double t = Math.abs(difference[i][j] / se[i][j]);
        boolean judged = se[i][j] > 0 && df[i][j] > 0;
        p[i][j] = judged ? 2 * Laws.t(t, df[i][j]) : Double.NaN;
        if (judged) {
          known.add(new int[] {i, j});
        }
      }
    }
    int m = k * (k - 1) / 2;
    if (procedure.equals("newman-keuls") || procedure.equals("duncan")) {
      return stepwise(p, procedure);
    }
    known.sort((a, b) -> Double.compare(p[a[0]][a[1]], p[b[0]][b[1]]));
    double run = 0;
    double fall = 1;
    double[][] own = new double[k][k];
    Arrays.stream(own).forEach(o -> Arrays.fill(o, Double.NaN));
    for (int r = 1; r <= known.size(); r++) {
      int[] ij = known.get(r - 1);
      double raw = p[ij[0]][ij[1]];
      double t = Math.abs(difference[ij[0]][ij[1]] / se[ij[0]][ij[1]]);
      double v = df[ij[0]][ij[1]];
      run = Math.max(run, Math.min(1, (known.size() - r + 1) * raw));
      own[ij[0]][ij[1]] =
          switch (procedure) {
            case "none", "least-significant-difference" -> raw;
            case "bonferroni" -> Math.min(1, m * raw);
            case "sidak", "tamhane" -> -Math.expm1(m * Math.log1p(-Math.min(1, raw)));
            case "holm" -> run;
            case "tukey", "games-howell" -> Laws.range(t * Math.sqrt(2), k, v);
            case "scheffe" -> Laws.f(t * t / (k - 1), k - 1, v);
            default -> Double.NaN;
          };
    }
    for (int r = known.size(); r >= 1; r--) {
      int[] ij = known.get(r - 1);
      if (procedure.equals("hochberg")) {
        fall = Math.min(fall, (known.size() - r + 1) * p[ij[0]][ij[1]]);
        own[ij[0]][ij[1]] = fall;
      } else if (procedure.equals("benjamini-hochberg")) {
        fall = Math.min(fall, known.size() * p[ij[0]][ij[1]] / r);
        own[ij[0]][ij[1]] = fall;
      }
    }
    return own;
  }

  private double[][] stepwise(double[][] p, String procedure) {
    int k = labels.size();
    int[] ranking = ranking();
    double[][] own = new double[k][k];
    for (int a = 0; a < k; a++) {
      for (int b = a + 1; b < k; b++) {
        double largest = 0;
        for (int top = 0; top <= a; top++) {
          for (int end = b; end < k; end++) {
            largest =
                Math.max(largest, rangeP(ranking[top], ranking[end], end - top + 1, procedure));
          }
        }
        int i = Math.min(ranking[a], ranking[b]);
        int j = Math.max(ranking[a], ranking[b]);
        own[i][j] = Double.isNaN(p[i][j]) ? Double.NaN : largest;
      }
    }
    return own;
  }

  private double rangeP(int i, int j, int span, String procedure) {
    double q = Math.abs(difference[i][j] / se[i][j]) * Math.sqrt(2);
    if (procedure.equals("newman-keuls")) {
      return Laws.range(q, span, df[i][j]);
    }
    double largest = 0;
    for (int r = 2; r <= span; r++) {
      largest = Math.max(largest, -Math.expm1(Math.log1p(-Laws.range(q, r, df[i][j])) / (r - 1)));
    }
    return largest;
  }

  /** Each mean against one, with the exact correlations of the differences. */
  void checkReference(
      Claims claims,
      JsonNode found,
      int reference,
      double[][] correlations,
      String direction,
      double alpha) {
    int row = 0;
    for (int i = 0; i < labels.size(); i++) {
      if (i == reference) {
        continue;
      }
      JsonNode pair = found.path("rows").path(row++);
      String path = "dunnett " + labels.get(i);
      claims.number(path, pair, "difference", difference[i][reference], size);
      claims.number(path, pair, "se", se[i][reference], size * 1e-6);
      // Four by nested quadrature take seconds: of these one is asked. Where some differences
      // follow
      // from others, quadrature of the step that they make is right to three digits only.
      boolean dear =
          correlations.length > 4
              || correlations.length == 4 && row > 1
              || !Laws.isRegular(correlations);
      if (!(se[i][reference] > 0) || dear) {
        continue;
      }
      double t = difference[i][reference] / se[i][reference];
      double at = direction.equals("either") ? Math.abs(t) : direction.equals("less") ? -t : t;
      double p = Laws.anyBeyond(at, correlations, df[i][reference], direction.equals("either"));
      // The lattice says its own error.
      double slack = 1e-9 + 3 * pair.path("pError").asDouble(0);
      claims.near(path, pair, "p", p, slack + 1e-8 * p);
      if (Math.abs(p - alpha) > slack + 1e-7) {
        claims.same(path + ".differs", pair.path("differs").asBoolean(), p <= alpha);
      }
    }
    JsonNode matrix = found.path("correlations");
    for (int a = 0; a < matrix.size(); a++) {
      for (int b = 0; b < matrix.size(); b++) {
        double wanted = correlations[a][b];
        double actual = matrix.path(a).path(b).asDouble(Double.NaN);
        claims.compared++;
        if (!(Math.abs(actual - wanted) < 1e-7)) {
          claims.missed.add(
              "correlation " + a + " " + b + ": wanted " + wanted + ", got " + actual);
        }
      }
    }
  }
}
