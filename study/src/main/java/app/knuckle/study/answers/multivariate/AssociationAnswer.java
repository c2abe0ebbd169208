package app.knuckle.study.answers.multivariate;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Progress;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.associations.Associations;
import app.knuckle.stats.checks.MultivariateNormality;
import app.knuckle.stats.checks.MultivariateNormalityTest;
import app.knuckle.stats.summary.Histogram;
import app.knuckle.stats.summary.StemAndLeaf;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.cells.Parts;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.Associated;
import app.knuckle.study.findings.CheckResult;
import app.knuckle.study.findings.CheckTest;
import app.knuckle.study.findings.CheckedOn;
import app.knuckle.study.findings.GroupCheck;
import app.knuckle.study.findings.Results;
import app.knuckle.study.prep.Frame;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntFunction;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.apache.commons.statistics.distribution.ChiSquaredDistribution;

/** Answers how several responses are correlated, without any treatment. */
public final class AssociationAnswer {

  private final Inquiry inquiry;
  private final Progress progress;
  private final double[][] columns;
  private final int[] rows;

  /**
   * Takes the rows that have a value of every response.
   *
   * @param frame the records
   * @param inquiry with several responses and no treatment
   * @param progress asked on the way
   * @throws Refused if fewer than two rows are complete
   */
  public AssociationAnswer(Frame frame, Inquiry inquiry, Progress progress) {
    this.inquiry = inquiry;
    this.progress = progress;
    Parts parts = new Parts(frame, inquiry.measured(), List.of());
    columns =
        inquiry.measured().stream()
            .map(name -> Arrays.stream(parts.values(name)).filter(v -> !Double.isNaN(v)).toArray())
            .toArray(double[][]::new);
    double[] complete = parts.values(inquiry.measured().get(0));
    rows =
        IntStream.range(0, complete.length)
            .filter(r -> !Double.isNaN(complete[r]))
            .map(r -> frame.sourceRow(r) + 1)
            .toArray();
    if (columns[0].length < 2) {
      throw Refused.at(
          new Place.WholeFile(frame.source()),
          say("refused.fewer-than-two-rows"),
          say("way.choose-other-columns"));
    }
  }

  /** Correlations and covariances: as they stand in the findings. */
  public Associated associated() {
    return new Associated(
        Stream.of(
                Associations.pearson(columns, inquiry.alpha()),
                Associations.spearman(columns),
                Associations.kendall(columns))
            .map(own -> new Associated.Measured(inquiry.measured(), own))
            .toList(),
        new Associated.Measured(inquiry.measured(), Associations.covariance(columns)),
        each(this::histogram),
        each(this::stemAndLeaf),
        distances());
  }

  /** How far each row lies from the mean of all; under normality about chi-squared. */
  private List<Associated.Distance> distances() {
    MultivariateNormality normality = MultivariateNormality.of(columns);
    if (normality == null || rows.length > MOST_DISTANCES) {
      return List.of();
    }
    ChiSquaredDistribution distribution = ChiSquaredDistribution.of(columns.length);
    double[] distances = normality.distances();
    return IntStream.range(0, rows.length)
        .mapToObj(
            i ->
                new Associated.Distance(
                    rows[i],
                    distances[i],
                    Quantity.of(distribution.survivalProbability(distances[i]))))
        .toList();
  }

  /** Distances of more rows than this are not read one by one. */
  private static final int MOST_DISTANCES = 20_000;

  private <V> List<V> each(IntFunction<V> about) {
    return IntStream.range(0, columns.length).mapToObj(about).toList();
  }

  private Associated.Histogram histogram(int column) {
    String name = inquiry.measured().get(column);
    List<Double> chosen = inquiry.edges().get(name);
    Histogram h =
        Histogram.of(
            columns[column],
            chosen == null
                ? Histogram.roundEdges(columns[column])
                : chosen.stream().mapToDouble(Double::doubleValue).toArray());
    return new Associated.Histogram(
        name,
        Arrays.stream(h.edges()).boxed().toList(),
        Arrays.stream(h.counts()).asLongStream().boxed().toList(),
        Arrays.stream(h.countsRightClosed()).asLongStream().boxed().toList(),
        h.below(),
        h.above());
  }

  private Associated.StemAndLeaf stemAndLeaf(int column) {
    StemAndLeaf display = StemAndLeaf.of(columns[column]);
    return new Associated.StemAndLeaf(
        inquiry.measured().get(column),
        display.leafUnit(),
        display.lineWidth(),
        display.mostLines(),
        display.lines().stream()
            .map(line -> new Associated.Line(line.stem(), line.leaves()))
            .toList());
  }

  /** Whether the responses together could be normal: checks alone. */
  public Results results() {
    MultivariateNormality normality = MultivariateNormality.of(columns);
    List<GroupCheck> checks = new ArrayList<>();
    if (normality != null) {
      checks.add(check(CheckTest.MARDIA_SKEWNESS, normality.skewness()));
      checks.add(check(CheckTest.MARDIA_KURTOSIS, normality.kurtosis()));
      checks.add(check(CheckTest.HENZE_ZIRKLER, normality.henzeZirkler(progress)));
    }
    return Results.NONE.checking(checks, Optional.empty());
  }

  private static GroupCheck check(CheckTest test, MultivariateNormalityTest found) {
    CheckResult.Judgement judgement = CheckResult.Judgement.of(found.p());
    return new GroupCheck(
        test,
        new CheckedOn.Group(Map.of()),
        found,
        judgement,
        !judgement.isOdd() ? say("check.together.normal") : say("check.together.skewed"));
  }
}
