package app.knuckle.desktop.test;

import app.knuckle.desktop.curve.LawCurve;
import app.knuckle.desktop.test.TestPage.Explained;
import app.knuckle.desktop.test.TestPage.Line;
import app.knuckle.desktop.test.TestPage.Sheet;
import app.knuckle.desktop.test.TestPage.Way;
import app.knuckle.stats.Facts;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.Significance;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.words.ExactP;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;

/** Tests on ranks, and by permutation: each with the quantities of its own. */
final class RankSheets {

  /** Names of tests. */
  private static final Map<String, String> NAMES =
      Map.ofEntries(
          Map.entry("mann-whitney", "Rank-sum test (Mann-Whitney)"),
          Map.entry("brunner-munzel", "Brunner-Munzel test, for unequal spread"),
          Map.entry("signed-rank", "Signed-rank test (Wilcoxon)"),
          Map.entry("sign", "Sign test"),
          Map.entry("kruskal-wallis", "Kruskal-Wallis test"),
          Map.entry("mood-median", "Median test"),
          Map.entry("jonckheere-terpstra", "Ordered alternative (Jonckheere-Terpstra)"),
          Map.entry("friedman", "Friedman test"),
          Map.entry("quade", "Quade test"),
          Map.entry("page", "Ordered alternative (Page)"),
          Map.entry("skillings-mack", "Skillings-Mack test, gaps allowed"),
          Map.entry("permutation", "Permutation test"));

  private RankSheets() {}

  static List<Sheet> of(TestResult.RankResult r, Inquiry inquiry) {
    List<Sheet> sheets = new ArrayList<>();
    String name = NAMES.getOrDefault(r.kind(), r.kind());
    boolean terms = r.facts().all().get("rows") instanceof List<?> rows && rows.size() > 0;
    if (terms && r.kind().equals("permutation")) {
      sheets.add(permuted(name, r, inquiry));
    } else {
      sheets.add(quantities(name, r, inquiry));
    }
    if (r.facts().all().get("ranks") instanceof List<?> ranks) {
      List<Line> lines = new ArrayList<>();
      for (Object each : ranks) {
        Facts f = (Facts) each;
        lines.add(
            Line.plain(
                List.of(
                    String.join(" ", levels(f)),
                    Numerals.df(f.quantity("n").value()),
                    Numerals.fixed(f.quantity("rankSum"), 1),
                    Numerals.fixed(f.quantity("meanRank"), 2)),
                false,
                null));
      }
      sheets.add(new Sheet("Mean ranks", List.of("group", "n", "rank sum", "mean rank"), 1, lines));
    }
    return sheets;
  }

  @SuppressWarnings("unchecked")
  private static List<String> levels(Facts f) {
    return List.copyOf(((Map<String, String>) f.all().get("levels")).values());
  }

  private static Sheet quantities(String name, TestResult.RankResult r, Inquiry inquiry) {
    List<Facts> where = new ArrayList<>(List.of(r.facts()));
    if (r.facts().all().get("rows") instanceof List<?> rows && !rows.isEmpty()) {
      where.add((Facts) rows.get(0));
    }
    boolean differs = Significance.reached(r.p(), inquiry.alpha());
    Explained explained =
        new Explained(
            name,
            r.told().said(ExactP.USUAL),
            differs ? "" : "This test found no difference, so pairs should not be hunted.",
            counted(r, inquiry)
                .or(
                    () ->
                        where.stream()
                            .map(f -> law(f, inquiry))
                            .filter(Objects::nonNull)
                            .findFirst())
                .orElse(null),
            Magnitudes.ofMeanRanks(r.facts()),
            r.kind().equals("kruskal-wallis") || r.kind().equals("friedman")
                ? List.of(new Way("Compare the groups \u2192", inquiry.treatments(), List.of()))
                : List.of());
    List<Line> lines = new ArrayList<>();
    for (RankQuantity quantity : RankQuantity.ALL) {
      String value =
          where.stream().map(quantity::text).filter(Objects::nonNull).findFirst().orElse(null);
      if (value != null) {
        lines.add(
            Line.plain(
                List.of(quantity.title(), value, quantity.meaning()),
                quantity.path().equals("p") && differs,
                lines.isEmpty() ? explained : null));
      }
    }
    if (r.facts().all().get("unitsLeftOut") instanceof List<?> left && !left.isEmpty()) {
      String names = Numerals.list(left.stream().map(String::valueOf).toList());
      lines.add(
          Line.plain(
              List.of("left out", Numerals.whole(left.size()), "Incomplete: " + names + "."),
              false,
              null));
    }
    return new Sheet(name, List.of("quantity", "value", Sheet.MEANING), 1, lines);
  }

  /** The law that an exact p was counted from; empty where there is none, or nothing to mark. */
  private static Optional<LawCurve> counted(TestResult.RankResult r, Inquiry inquiry) {
    String key = r.kind().equals("signed-rank") ? "rankSumPositive" : "u";
    Quantity seen = r.facts().quantity(key);
    return r.law()
        .filter(law -> seen.exists())
        .map(
            law ->
                LawCurve.ofCounted(
                    key.equals("u") ? "U" : "W",
                    seen.value(),
                    law,
                    inquiry.direction(),
                    inquiry.alpha()));
  }

  /** The law that p was read against; null where p was counted without one being kept. */
  private static LawCurve law(Facts f, Inquiry inquiry) {
    double alpha = inquiry.alpha();
    LawCurve counted = reference(f, f.quantity("f"), alpha);
    if (counted != null) {
      return counted;
    }
    for (String name : List.of("h", "chiSquared")) {
      if (f.quantity(name).exists() && f.quantity("df").exists()) {
        String sign = name.equals("h") ? "H" : "\u03c7\u00b2";
        return LawCurve.ofChiSquared(sign, f.quantity(name), f.quantity("df").value(), alpha);
      }
    }
    Facts normal = f.all().get("normalCorrected") instanceof Facts own ? own : f;
    return LawCurve.ofZ(normal.quantity("z"), inquiry.direction(), alpha);
  }

  /** How often each F occurred among the arrangements, with the one seen; null if not counted. */
  @SuppressWarnings("unchecked")
  private static LawCurve reference(Facts f, Quantity seen, double alpha) {
    return f.all().get("reference") instanceof Facts counted
        ? LawCurve.ofCounts(
            seen,
            counted.quantity("width").value(),
            (List<Double>) counted.all().get("counts"),
            alpha)
        : null;
  }

  private static Sheet permuted(String name, TestResult.RankResult r, Inquiry inquiry) {
    List<Line> lines = new ArrayList<>();
    for (Object each : (List<?>) r.facts().all().get("rows")) {
      Facts f = (Facts) each;
      Quantity p = f.quantity("p");
      boolean differs = Significance.reached(p, inquiry.alpha());
      String source = String.valueOf(f.all().get("source")).replace(" x ", " \u00d7 ");
      String words =
          "Of all arrangements of the values"
              + (f.all().containsKey("arrangements")
                  ? " that the model without " + source + " leaves"
                  : "")
              + ", a share of "
              + Numerals.p(p)
              + " gives an F as large as the one seen: the steps count how often each F came. The law of"
              + " F would say "
              + Numerals.p(f.quantity("normalTheoryP"))
              + ".";
      LawCurve curve = reference(f, f.quantity("f"), inquiry.alpha());
      lines.add(
          new Line(
              List.of(
                  source,
                  Numerals.df(f.quantity("df").value()),
                  Numerals.df(f.quantity("errorDf").value()),
                  "",
                  Numerals.fixed(f.quantity("f"), 2),
                  Numerals.p(p),
                  Numerals.p(f.quantity("normalTheoryP"))),
              f.quantity("f").exists() ? Math.min(1, f.quantity("f").value() / 10) : -1,
              -1,
              differs,
              false,
              null,
              Explained.on(source + ", in words", words, curve)));
    }
    return new Sheet(
        name,
        List.of(
            "source",
            "df",
            "df of noise",
            TestPage.BARS,
            "F",
            "p by permutation",
            "p by the law of F"),
        1,
        lines);
  }
}
