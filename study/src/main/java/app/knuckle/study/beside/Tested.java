package app.knuckle.study.beside;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Facts;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.anova.AnovaTable;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.Analysis;
import app.knuckle.study.findings.TestResult;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * An effect as it was tested, whatever tested it.
 *
 * @param term its columns
 * @param name of the statistic: "F", "t", "H"
 * @param df degrees of freedom of the effect; absent for a test that has none
 * @param errorDf degrees of freedom that it was judged by; absent for a test that has none
 * @param statistic its value
 * @param p probability
 * @param share of the spread that it accounts for, partial eta squared; absent where none is told
 */
public record Tested(
    List<String> term,
    String name,
    Quantity df,
    Quantity errorDf,
    Quantity statistic,
    Quantity p,
    Quantity share) {

  private static final Quantity NONE = Quantity.absent(Absence.NOT_OF_THIS_TEST);

  /** Statistics of rank tests by their key, in the order in which one is looked for. */
  private static final Map<String, String> STATISTICS = new LinkedHashMap<>();

  static {
    STATISTICS.put("u", "U");
    STATISTICS.put("rankSumPositive", "W");
    STATISTICS.put("h", "H");
    STATISTICS.put("chiSquared", "\u03c7\u00b2");
    STATISTICS.put("f", "F");
    STATISTICS.put("statistic", "statistic");
  }

  public Tested {
    term = List.copyOf(term);
  }

  /**
   * The effects of a response, each by the first test that judges it.
   *
   * @param analysis of the response
   * @param inquiry that asked
   * @return by the columns of the term, in the order of the tests
   */
  public static Map<Set<String>, Tested> of(Analysis analysis, Inquiry inquiry) {
    Map<Set<String>, Tested> all = new LinkedHashMap<>();
    for (TestResult test : analysis.tests()) {
      for (Tested one : test.match(new Reading(inquiry.treatments()))) {
        all.putIfAbsent(Set.copyOf(one.term), one);
      }
    }
    return all;
  }

  /** Each kind of test in its own way. */
  private record Reading(List<String> treatments) implements TestResult.Cases<List<Tested>> {

    @Override
    public List<Tested> tTest(TestResult.TTestResult result) {
      var t = result.test().test();
      return List.of(
          new Tested(treatments, "t", Quantity.of(1), t.df(), t.statistic(), t.p(), NONE));
    }

    @Override
    public List<Tested> anova(TestResult.AnovaResult result) {
      List<Tested> all = new ArrayList<>();
      for (AnovaTable.Row row : result.table().rows()) {
        if (!row.isError() && row.effect() != null) {
          var e = row.effect();
          all.add(
              new Tested(
                  row.term().names(),
                  "F",
                  Quantity.of(e.df()),
                  Quantity.of(row.error().errorDf()),
                  e.f(),
                  e.p(),
                  e.partialEtaSquared()));
        }
      }
      return all;
    }

    @Override
    public List<Tested> mixed(TestResult.MixedResult result) {
      return result.rows().stream()
          .filter(row -> row.df().exists())
          .map(
              row ->
                  new Tested(
                      row.term().names(), "F", row.df(), row.errorDf(), row.f(), row.p(), NONE))
          .toList();
    }

    @Override
    public List<Tested> counts(TestResult.CountResult result) {
      return result.rows().stream()
          .filter(row -> row.df().exists())
          .map(
              row ->
                  new Tested(
                      row.term().names(),
                      row.isF() ? "F" : "\u03c7\u00b2",
                      row.df(),
                      row.errorDf(),
                      row.statistic(),
                      row.p(),
                      NONE))
          .toList();
    }

    @Override
    public List<Tested> exact(TestResult.ExactResult result) {
      return List.of(); // The analysis of deviance before it judges the same two groups.
    }

    @Override
    public List<Tested> unequal(TestResult.UnequalResult result) {
      var test = result.test();
      return List.of(
          new Tested(
              List.of(result.treatment()),
              "F",
              Quantity.of(test.df()),
              test.errorDf(),
              test.f(),
              test.p(),
              NONE));
    }

    @Override
    public List<Tested> ranks(TestResult.RankResult result) {
      List<Tested> all = new ArrayList<>();
      if (result.facts().all().get("rows") instanceof List<?> rows && !rows.isEmpty()) {
        for (Object row : rows) {
          Facts facts = (Facts) row;
          all.add(ofFacts(facts, term(facts), facts.quantity("p")));
        }
      } else {
        all.add(ofFacts(result.facts(), treatments, result.p()));
      }
      return all;
    }

    private List<String> term(Facts facts) {
      return facts.all().get("term") instanceof List<?> names
          ? names.stream().map(String::valueOf).toList()
          : treatments;
    }

    private static Tested ofFacts(Facts facts, List<String> term, Quantity p) {
      Optional<String> key =
          STATISTICS.keySet().stream().filter(k -> facts.quantity(k).exists()).findFirst();
      return new Tested(
          term,
          key.map(STATISTICS::get).orElse(""),
          facts.quantity("df"),
          facts.quantity("errorDf"),
          key.map(facts::quantity).orElse(NONE),
          p,
          NONE);
    }

    @Override
    public List<Tested> together(TestResult.TogetherResult result) {
      return List.of(); // It judges several responses; each has effects of its own beside.
    }
  }
}
