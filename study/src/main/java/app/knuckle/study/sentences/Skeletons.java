package app.knuckle.study.sentences;

import app.knuckle.stats.anova.AnovaTable;
import app.knuckle.stats.counts.DevianceTest;
import app.knuckle.study.design.DesignReading.Source;
import app.knuckle.study.findings.Results;
import app.knuckle.study.findings.TestResult;
import java.util.ArrayList;
import java.util.List;

/** The skeleton of a design as its tests have it: sources with their degrees of freedom. */
final class Skeletons implements TestResult.Cases<List<Source>> {

  private static final String TOTAL = "total";

  private Skeletons() {}

  static List<Source> of(Results analysis) {
    List<Source> skeleton = new ArrayList<>();
    analysis.tests().forEach(test -> skeleton.addAll(test.match(new Skeletons())));
    return skeleton;
  }

  @Override
  public List<Source> anova(TestResult.AnovaResult test) {
    List<Source> skeleton = new ArrayList<>();
    for (AnovaTable.Row row : test.table().rows()) {
      double df =
          row.isError() ? row.error().errorDf() : row.effect() == null ? 0 : row.effect().df();
      skeleton.add(
          new Source(
              row.source(),
              row.isError() ? List.of() : row.term().names(),
              0,
              (int) df,
              row.isError() ? "" : row.error().error()));
    }
    skeleton.add(new Source(TOTAL, List.of(), 0, (int) test.table().totalDf(), ""));
    return skeleton;
  }

  @Override
  public List<Source> mixed(TestResult.MixedResult test) {
    return MixedWords.skeleton(test);
  }

  @Override
  public List<Source> counts(TestResult.CountResult test) {
    List<Source> skeleton = new ArrayList<>();
    for (DevianceTest row : test.rows()) {
      int df = row.df().exists() ? (int) row.df().value() : 0;
      skeleton.add(new Source(row.term().source(), row.term().names(), 0, df, "residual"));
    }
    skeleton.add(new Source("residual", List.of(), 0, (int) test.fit().errorDf(), ""));
    skeleton.add(new Source(TOTAL, List.of(), 0, (int) test.fit().n() - 1, ""));
    return skeleton;
  }

  @Override
  public List<Source> tTest(TestResult.TTestResult test) {
    return List.of();
  }

  @Override
  public List<Source> unequal(TestResult.UnequalResult test) {
    return List.of();
  }

  @Override
  public List<Source> exact(TestResult.ExactResult test) {
    return List.of();
  }

  @Override
  public List<Source> ranks(TestResult.RankResult test) {
    return List.of();
  }

  @Override
  public List<Source> together(TestResult.TogetherResult test) {
    return List.of();
  }
}
