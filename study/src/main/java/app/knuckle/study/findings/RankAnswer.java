package app.knuckle.study.findings;

import app.knuckle.stats.Facts;
import app.knuckle.stats.Progress;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.OneWay;
import app.knuckle.stats.ranks.Blocks;
import app.knuckle.stats.ranks.PairedRanks;
import app.knuckle.stats.ranks.RankPairs;
import app.knuckle.stats.ranks.RankSum;
import app.knuckle.stats.ranks.SeveralGroups;
import app.knuckle.stats.resampling.Permutation;
import app.knuckle.stats.summary.GroupMoments;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.table.Categories;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Prose;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;

/** Answers an inquiry on ranks, or by permutation. */
final class RankAnswer {

  private final Inquiry inquiry;
  private final Frame frame;
  private final String measured;
  private final Parts parts;
  private final Progress progress;
  private final String within;

  RankAnswer(Frame frame, Inquiry inquiry, String measured, Progress progress) {
    this.inquiry = inquiry;
    this.frame = frame;
    this.measured = measured;
    this.progress = progress;
    within =
        inquiry.unit() != null
            ? inquiry.unit()
            : inquiry.blocks().isEmpty() ? null : inquiry.blocks().get(0);
    List<String> names = new ArrayList<>(inquiry.treatments());
    if (within != null) {
      names.add(within);
    }
    if (inquiry.pairs() != null) {
      names.add(inquiry.pairs());
    }
    check();
    parts = new Parts(frame, List.of(measured), names);
  }

  private void check() {
    if (inquiry.treatments().size() > 1
        || inquiry.blocks().size() > 1
        || !inquiry.covariates().isEmpty()) {
      throw refused(
          "method",
          inquiry.method().key() + " answer one treatment, with one column of blocks at most",
          "Use least squares for this design");
    }
    boolean contrast = inquiry.compare().stream().anyMatch(Inquiry.Compare::isContrast);
    if (contrast) {
      throw refused("compare", "contrasts are not answered on ranks", "Compare pairs");
    }
  }

  private static Refused refused(String key, String what, String wayOn) {
    return Refused.at(new Place.Key("inquiry", List.of(key)), what, wayOn);
  }

  Analysis analysis() {
    if (inquiry.method() == Inquiry.Method.PERMUTATION) {
      return permutation();
    }
    if (inquiry.treatments().isEmpty() || inquiry.pairs() != null) {
      return paired();
    }
    return within == null ? groups() : blocks();
  }

  private Analysis of(
      List<TestResult> tests, List<GroupCheck> checks, List<RankComparison> comparisons) {
    return new Analysis(
        tests, List.of(), List.of(), List.of(), List.of(), null, checks, comparisons);
  }

  private Factor treatment() {
    Factor factor = parts.factor(inquiry.treatments().get(0));
    if (factor.size() < 2) {
      throw Refused.at(
          new Place.WholeColumn("inquiry", factor.name()),
          "fewer than two levels have a value of " + measured,
          "Choose a column with two levels or more");
    }
    return factor;
  }

  private double[][] split(Factor factor) {
    double[] values = parts.values(measured);
    int[] codes = factor.codes();
    double[][] groups = new double[factor.size()][];
    for (int g = 0; g < groups.length; g++) {
      int level = g;
      groups[g] =
          IntStream.range(0, values.length)
              .filter(row -> codes[row] == level)
              .mapToDouble(row -> values[row])
              .toArray();
    }
    return groups;
  }

  private static List<Map<String, String>> labels(Factor factor) {
    return factor.levels().stream().map(level -> Map.of(factor.name(), level)).toList();
  }

  private Facts two(Factor factor) {
    return new Facts()
        .put("direction", inquiry.direction().key())
        .put("left", labels(factor).get(0))
        .put("right", labels(factor).get(1));
  }

  private TestResult result(String kind, String name, Facts facts, String statistic) {
    Quantity p = facts.quantity("p");
    String among =
        inquiry.treatments().isEmpty()
            ? "from the expected value"
            : "between the levels of " + inquiry.treatments().get(0);
    String label = frame.column(measured).label();
    String words =
        !p.exists()
            ? Prose.capital(label) + " cannot be tested " + among + ": " + p.why() + "."
            : (p.value() <= inquiry.alpha()
                    ? Prose.capital(label) + " differs " + among
                    : "No evidence that " + label + " differs " + among)
                + ", "
                + name
                + ": "
                + (statistic.isEmpty() ? "" : statistic + ", ")
                + Numerals.pStatement(p)
                + ".";
    return new TestResult.RankResult(kind, facts, p, words);
  }

  private Analysis groups() {
    Factor factor = treatment();
    double[][] groups = split(factor);
    List<TestResult> tests = new ArrayList<>();
    SeveralGroups several = new SeveralGroups(groups);
    if (groups.length == 2) {
      Facts u =
          two(factor)
              .putAll(
                  RankSum.mannWhitney(groups[0], groups[1], inquiry.direction(), inquiry.alpha()));
      tests.add(
          result("mann-whitney", "rank-sum test", u, "U = " + Numerals.fixed(u.quantity("u"), 1)));
      tests.add(
          result(
              "brunner-munzel",
              "Brunner-Munzel test",
              two(factor)
                  .putAll(
                      RankSum.brunnerMunzel(
                          groups[0], groups[1], inquiry.direction(), inquiry.alpha())),
              ""));
    } else {
      tests.add(kruskalWallis(factor, several));
    }
    tests.add(mood(factor, groups, several));
    if (groups.length > 2 && isOrdered(factor)) {
      Facts ordered = new Facts().put("order", factor.levels()).putAll(several.jonckheere());
      tests.add(result("jonckheere-terpstra", "Jonckheere-Terpstra test", ordered, ""));
    }
    return of(tests, List.of(), comparisons(factor, several));
  }

  private boolean isOrdered(Factor factor) {
    return !(frame.column(factor.name()) instanceof Categories categories) || categories.ordered();
  }

  private TestResult kruskalWallis(Factor factor, SeveralGroups several) {
    Facts row = new Facts().put("source", factor.name()).put("term", List.of(factor.name()));
    Facts own = several.kruskalWallis();
    own.all()
        .forEach(
            (key, value) -> {
              if (!key.equals("arrangements")) {
                row.put(key, value);
              }
            });
    Facts facts =
        new Facts()
            .put("n", parts.rows())
            .put("rows", List.of(row))
            .put("ranks", ranks(factor, several.rankSums(), split(factor)));
    if (own.all().containsKey("arrangements")) {
      facts.put("arrangements", own.all().get("arrangements"));
    }
    Quantity p = own.quantity("p");
    TestResult plain =
        result(
            "kruskal-wallis",
            "Kruskal-Wallis test",
            own,
            "H(" + (factor.size() - 1) + ") = " + Numerals.fixed(own.quantity("h"), 2));
    return new TestResult.RankResult(
        "kruskal-wallis", facts, p, ((TestResult.RankResult) plain).words());
  }

  private static List<Facts> ranks(Factor factor, double[] sums, double[][] groups) {
    List<Facts> ranks = new ArrayList<>();
    for (int g = 0; g < sums.length; g++) {
      ranks.add(
          new Facts()
              .put("levels", labels(factor).get(g))
              .put("n", groups[g].length)
              .put("rankSum", sums[g])
              .put("meanRank", sums[g] / groups[g].length));
    }
    return ranks;
  }

  private TestResult mood(Factor factor, double[][] groups, SeveralGroups several) {
    Facts own = several.moodMedian();
    List<?> above = (List<?>) own.all().get("above");
    List<Facts> counts = new ArrayList<>();
    for (int g = 0; g < groups.length; g++) {
      double a = (Double) above.get(g);
      counts.add(
          new Facts()
              .put("levels", labels(factor).get(g))
              .put("above", a)
              .put("notAbove", groups[g].length - a));
    }
    Facts facts = new Facts().put("median", own.all().get("median")).put("counts", counts);
    own.all()
        .forEach(
            (key, value) -> {
              if (!key.equals("above") && !key.equals("median")) {
                facts.put(key, value);
              }
            });
    return result("mood-median", "median test", facts, "");
  }

  private List<RankComparison> comparisons(Factor factor, SeveralGroups several) {
    List<RankComparison> comparisons = new ArrayList<>();
    for (Inquiry.Compare c : inquiry.compare()) {
      progress.check();
      if (c.toReference()) {
        int reference = factor.levels().indexOf(inquiry.reference().get(factor.name()));
        if (reference < 0) {
          throw refused(
              "reference",
              "no reference level of " + factor.name() + " is named, or it has no value",
              "Name one of " + String.join(", ", factor.levels()));
        }
        comparisons.add(
            new RankComparison(
                c.of(),
                labels(factor),
                true,
                RankPairs.steel(several, reference, inquiry.direction(), inquiry.alpha())));
      } else if (RankPairs.INDEPENDENT.contains(c.procedure().key())) {
        comparisons.add(
            new RankComparison(
                c.of(),
                labels(factor),
                false,
                RankPairs.of(several, c.procedure().key(), inquiry.alpha())));
      } else {
        throw wrongProcedure(c.procedure(), "independent groups");
      }
    }
    return comparisons;
  }

  private static Refused wrongProcedure(Procedure procedure, String what) {
    return refused(
        "compare",
        "'" + procedure.key() + "' does not compare " + what,
        "Use dunn-holm for instance");
  }

  private Analysis paired() {
    PairedRanks ranks;
    double expected = Double.NaN;
    Facts head = new Facts().put("direction", inquiry.direction().key());
    Object on;
    if (inquiry.pairs() == null) {
      double[] values =
          Arrays.stream(parts.values(measured)).filter(v -> !Double.isNaN(v)).toArray();
      expected = inquiry.expected();
      double[] same = new double[values.length];
      Arrays.fill(same, expected);
      ranks = PairedRanks.of(values, same);
      on = Map.of();
    } else {
      Factor factor = treatment();
      if (factor.size() != 2) {
        throw refused(
            "pairs",
            "pairs match the two levels of one treatment",
            "Name a treatment with two levels, or blocks in place of pairs");
      }
      ranks = matched(factor);
      head = two(factor);
      on = "differences";
    }
    if (ranks.differences().length == 0) {
      throw refused("pairs", "there is nothing to compare", "Check the columns");
    }
    Facts signed =
        new Facts()
            .putAll(head)
            .putAll(ranks.signedRank(inquiry.direction(), inquiry.alpha(), expected));
    Facts sign =
        new Facts().putAll(head).putAll(ranks.sign(inquiry.direction(), inquiry.alpha(), expected));
    List<TestResult> tests = new ArrayList<>();
    tests.add(
        result(
            "signed-rank",
            "signed-rank test",
            signed,
            "W = " + Numerals.fixed(signed.quantity("rankSumPositive"), 1)));
    tests.add(result("sign", "sign test", sign, ""));
    double[] values =
        inquiry.pairs() == null
            ? Arrays.stream(parts.values(measured)).filter(v -> !Double.isNaN(v)).toArray()
            : ranks.differences();
    return of(tests, GroupChecks.ofOne(on, values, inquiry.pairs() == null), List.of());
  }

  private PairedRanks matched(Factor factor) {
    Factor pair = parts.factor(inquiry.pairs());
    double[][] found = new double[2][pair.size()];
    Arrays.fill(found[0], Double.NaN);
    Arrays.fill(found[1], Double.NaN);
    double[] values = parts.values(measured);
    for (int row = 0; row < values.length; row++) {
      if (parts.isUsed(row)) {
        double before = found[factor.codes()[row]][pair.codes()[row]];
        if (!Double.isNaN(before)) {
          throw Refused.at(
              new Place.WholeColumn("inquiry", inquiry.pairs()),
              "'" + pair.levels().get(pair.codes()[row]) + "' has two values at one level",
              "Each pair has one value at each level");
        }
        found[factor.codes()[row]][pair.codes()[row]] = values[row];
      }
    }
    int[] whole =
        IntStream.range(0, pair.size())
            .filter(p -> !Double.isNaN(found[0][p]) && !Double.isNaN(found[1][p]))
            .toArray();
    return PairedRanks.of(
        Arrays.stream(whole).mapToDouble(p -> found[0][p]).toArray(),
        Arrays.stream(whole).mapToDouble(p -> found[1][p]).toArray());
  }

  private Analysis blocks() {
    Factor factor = treatment();
    Factor block = parts.factor(within);
    double[][] all = new double[block.size()][factor.size()];
    for (double[] row : all) {
      Arrays.fill(row, Double.NaN);
    }
    double[] values = parts.values(measured);
    for (int row = 0; row < values.length; row++) {
      if (parts.isUsed(row)) {
        double[] own = all[block.codes()[row]];
        if (!Double.isNaN(own[factor.codes()[row]])) {
          throw Refused.at(
              new Place.WholeColumn("inquiry", within),
              "'" + block.levels().get(block.codes()[row]) + "' has two values of one treatment",
              "Average them, or name smaller blocks");
        }
        own[factor.codes()[row]] = values[row];
      }
    }
    double[][] whole =
        Arrays.stream(all)
            .filter(row -> Arrays.stream(row).noneMatch(Double::isNaN))
            .toArray(double[][]::new);
    List<TestResult> tests = new ArrayList<>();
    List<RankComparison> comparisons = new ArrayList<>();
    if (whole.length < 2) {
      throw refused(
          "blocks", "fewer than two blocks are complete", "Each needs a value of every treatment");
    }
    Blocks ranked = new Blocks(whole);
    tests.add(friedman(factor, ranked, whole.length, all.length - whole.length));
    tests.add(result("quade", "Quade test", ranked.quade(), ""));
    if (isOrdered(factor)) {
      tests.add(
          result(
              "page",
              "Page test",
              new Facts().put("order", factor.levels()).putAll(ranked.page()),
              ""));
    }
    tests.add(skillingsMack(factor, all));
    for (Inquiry.Compare c : inquiry.compare()) {
      if (c.toReference() || !Blocks.PROCEDURES.contains(c.procedure().key())) {
        throw wrongProcedure(c.procedure(), "treatments within blocks");
      }
      comparisons.add(
          new RankComparison(
              c.of(), labels(factor), false, ranked.pairs(c.procedure().key(), inquiry.alpha())));
    }
    return of(tests, List.of(), comparisons);
  }

  private TestResult friedman(Factor factor, Blocks ranked, int used, int left) {
    Facts own = ranked.friedman();
    Facts row =
        new Facts().put("source", factor.name()).put("term", List.of(factor.name())).putAll(own);
    double[] sums = ranked.rankSums();
    List<Facts> ranks = new ArrayList<>();
    for (int j = 0; j < sums.length; j++) {
      ranks.add(
          new Facts()
              .put("levels", labels(factor).get(j))
              .put("n", used)
              .put("rankSum", sums[j])
              .put("meanRank", sums[j] / used));
    }
    Facts facts =
        new Facts()
            .put("blocksUsed", used)
            .put("blocksLeftOut", left)
            .put("rows", List.of(row))
            .put("ranks", ranks);
    TestResult.RankResult words =
        (TestResult.RankResult)
            result(
                "friedman",
                "Friedman test",
                own,
                "\u03c7\u00b2("
                    + (factor.size() - 1)
                    + ") = "
                    + Numerals.fixed(own.quantity("chiSquared"), 2));
    return new TestResult.RankResult("friedman", facts, own.quantity("p"), words.words());
  }

  private TestResult skillingsMack(Factor factor, double[][] all) {
    Facts own = Blocks.skillingsMack(all);
    List<?> sums = (List<?>) own.all().get("sums");
    List<Facts> adjusted = new ArrayList<>();
    for (int j = 0; j < sums.size(); j++) {
      adjusted.add(new Facts().put("levels", labels(factor).get(j)).put("value", sums.get(j)));
    }
    Facts facts =
        new Facts()
            .put("blocksUsed", own.all().get("blocksUsed"))
            .put("adjustedSums", adjusted)
            .put("statistic", own.all().get("statistic"))
            .put("df", own.all().get("df"))
            .put("p", own.all().get("p"));
    return result("skillings-mack", "Skillings-Mack test", facts, "");
  }

  private Analysis permutation() {
    if (within != null || inquiry.pairs() != null || inquiry.treatments().isEmpty()) {
      throw refused(
          "method",
          "permutation is answered for one treatment without blocks or pairs",
          "Use ranks or least squares for this design");
    }
    Factor factor = treatment();
    double[][] groups = split(factor);
    Facts own = Permutation.of(groups, progress);
    double[] values = parts.values(measured);
    OneWay fit =
        OneWay.fit(GroupMoments.of(values, factor.codes(), factor.size()), inquiry.alpha());
    Facts facts = new Facts();
    if (groups.length == 2) {
      facts
          .put("form", "difference-of-means")
          .putAll(two(factor))
          .put("difference", fit.estimates().difference(0, 1))
          .put(
              "p",
              switch (inquiry.direction()) {
                case EITHER -> own.all().get("pEither");
                case GREATER -> own.all().get("pGreater");
                case LESS -> own.all().get("pLess");
              })
          .putAll(own);
    } else {
      facts
          .put("form", "one-way-f")
          .put(
              "rows",
              List.of(
                  new Facts()
                      .put("source", factor.name())
                      .put("term", List.of(factor.name()))
                      .put("df", fit.treatment().df())
                      .put("ss", fit.treatment().ss())
                      .put("f", fit.treatment().f())
                      .put("errorDf", fit.errorDf())
                      .put("p", own.all().get("pEither"))
                      .put("normalTheoryP", fit.treatment().p())))
          .put("arrangements", own.all().get("arrangements"));
      if (own.all().containsKey("seed")) {
        facts.put("seed", own.all().get("seed"));
        facts.put("monteCarloSe", own.all().get("monteCarloSe"));
      }
    }
    Facts p =
        new Facts().put("p", groups.length == 2 ? facts.all().get("p") : own.all().get("pEither"));
    TestResult.RankResult words =
        (TestResult.RankResult) result("permutation", "permutation test", p, "");
    return of(
        List.of(new TestResult.RankResult("permutation", facts, words.p(), words.words())),
        List.of(),
        List.of());
  }
}
