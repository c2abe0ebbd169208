package app.knuckle.desktop.test;

import app.knuckle.desktop.curve.DistributionCurve;
import app.knuckle.desktop.test.TestPage.Explained;
import app.knuckle.desktop.test.TestPage.Line;
import app.knuckle.desktop.test.TestPage.Sheet;
import app.knuckle.desktop.test.TestPage.Way;
import app.knuckle.stats.Absence;
import app.knuckle.stats.Outcome;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.Significance;
import app.knuckle.stats.ranks.ExactDistribution;
import app.knuckle.stats.ranks.RankTest;
import app.knuckle.stats.resampling.PermutationDistribution;
import app.knuckle.study.cells.GroupSummary;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.RankNumbers;
import app.knuckle.study.findings.TestResult;
import app.knuckle.study.words.ExactP;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.TermName;
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
    List<RankNumbers.FRow> terms =
        r.numbers().rows().stream()
            .filter(RankNumbers.FRow.class::isInstance)
            .map(RankNumbers.FRow.class::cast)
            .toList();
    sheets.add(terms.isEmpty() ? quantities(name, r, inquiry) : permuted(name, terms, inquiry));
    if (!r.numbers().ranks().isEmpty()) {
      List<Line> lines =
          r.numbers().ranks().stream()
              .map(
                  rank ->
                      Line.plain(
                          List.of(
                              GroupSummary.name(rank.levels().values()),
                              Numerals.df(rank.n()),
                              Numerals.fixed(rank.rankSum(), 1),
                              Numerals.fixed(rank.meanRank(), 2)),
                          false,
                          null))
              .toList();
      sheets.add(new Sheet("Mean ranks", List.of("group", "n", "rank sum", "mean rank"), 1, lines));
    }
    return sheets;
  }

  private static Sheet quantities(String name, TestResult.RankResult r, Inquiry inquiry) {
    List<Outcome> where = r.numbers().parts();
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
                            .map(outcome -> distribution(outcome, inquiry))
                            .filter(Objects::nonNull)
                            .findFirst())
                .orElse(null),
            Magnitudes.ofMeanRanks(r.numbers().ranks()),
            r.kind().equals("kruskal-wallis") || r.kind().equals("friedman")
                ? List.of(new Way("Compare the groups \u2192", inquiry.treatments(), List.of()))
                : List.of());
    List<Line> lines = new ArrayList<>();
    for (RankQuantity quantity : RankQuantity.ALL) {
      String value = quantity.text(where);
      if (value != null) {
        lines.add(
            Line.plain(
                List.of(quantity.title(), value, quantity.meaning()),
                quantity.title().equals("p") && differs,
                lines.isEmpty() ? explained : null));
      }
    }
    List<String> left = r.numbers().unitsLeftOut();
    if (!left.isEmpty()) {
      String names = Numerals.list(left);
      lines.add(
          Line.plain(
              List.of("left out", Numerals.whole(left.size()), "Incomplete: " + names + "."),
              false,
              null));
    }
    return new Sheet(name, List.of("quantity", "value", Sheet.MEANING), 1, lines);
  }

  /**
   * The distribution that an exact p was counted from; empty where there is none, or nothing to
   * mark.
   */
  private static Optional<DistributionCurve> counted(TestResult.RankResult r, Inquiry inquiry) {
    for (Outcome part : r.numbers().parts()) {
      if (part instanceof RankTest.MannWhitney sums) {
        return r.distribution().map(distribution -> curve("U", sums.u(), distribution, inquiry));
      }
      if (part instanceof RankTest.SignedRank signed) {
        return r.distribution()
            .map(
                distribution ->
                    curve("W", signed.signs().rankSumPositive(), distribution, inquiry));
      }
    }
    return Optional.empty();
  }

  private static DistributionCurve curve(
      String sign, double seen, ExactDistribution distribution, Inquiry inquiry) {
    return DistributionCurve.ofCounted(
        sign, seen, distribution, inquiry.direction(), inquiry.alpha());
  }

  /** The distribution that p was read against; null where p was counted without one being kept. */
  private static DistributionCurve distribution(Outcome test, Inquiry inquiry) {
    double alpha = inquiry.alpha();
    if (test instanceof RankNumbers.Rearranged two) {
      return reference(two.shares().reference(), two.f(), alpha);
    }
    if (test instanceof RankTest.KruskalWallis own) {
      return DistributionCurve.ofChiSquared("H", own.h(), own.df(), alpha);
    }
    if (test instanceof RankTest.Friedman own) {
      return DistributionCurve.ofChiSquared("\u03c7\u00b2", own.chiSquared(), own.df(), alpha);
    }
    Quantity z =
        test instanceof RankTest.MannWhitney own
            ? z(own.normalCorrected())
            : test instanceof RankTest.SignedRank own
                ? z(own.signs().normalCorrected())
                : test instanceof RankTest.Trend own
                    ? own.z()
                    : Quantity.absent(Absence.NOT_OF_THIS_TEST);
    return DistributionCurve.ofZ(z, inquiry.direction(), alpha);
  }

  private static Quantity z(RankTest.Normal perhaps) {
    return perhaps == null ? Quantity.absent(Absence.NOT_OF_THIS_TEST) : Quantity.of(perhaps.z());
  }

  /** How often each F occurred among the arrangements, with the one seen; null if not counted. */
  private static DistributionCurve reference(
      Optional<PermutationDistribution> counted, Quantity seen, double alpha) {
    return counted
        .map(c -> DistributionCurve.ofCounts(seen, c.width(), c.counts(), alpha))
        .orElse(null);
  }

  private static Sheet permuted(String name, List<RankNumbers.FRow> rows, Inquiry inquiry) {
    List<Line> lines = new ArrayList<>();
    for (RankNumbers.FRow f : rows) {
      Quantity p = f.p();
      boolean differs = Significance.reached(p, inquiry.alpha());
      String source = TermName.of(f.term());
      String words =
          "Of all arrangements of the values"
              + (f instanceof RankNumbers.DrawnRow
                  ? " that the model without " + source + " leaves"
                  : "")
              + ", a share of "
              + Numerals.p(p)
              + " gives an F as large as the one seen: the steps count how often each F came. The law of"
              + " F would say "
              + Numerals.p(f.test().normalTheoryP())
              + ".";
      DistributionCurve curve = reference(f.reference(), f.test().f(), inquiry.alpha());
      lines.add(
          new Line(
              List.of(
                  source,
                  Numerals.df(f.test().df()),
                  Numerals.df(f.test().errorDf()),
                  "",
                  Numerals.fixed(f.test().f(), 2),
                  Numerals.p(p),
                  Numerals.p(f.test().normalTheoryP())),
              f.test().f().exists() ? Math.min(1, f.test().f().value() / 10) : -1,
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
