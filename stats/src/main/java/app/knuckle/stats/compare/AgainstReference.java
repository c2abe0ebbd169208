package app.knuckle.stats.compare;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.Significance;
import app.knuckle.stats.distributions.LargestT;
import app.knuckle.stats.means.DegreesOfFreedom;
import app.knuckle.stats.means.Estimates;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.apache.commons.statistics.distribution.TDistribution;

/**
 * Every mean against one of them.
 *
 * @param direction in which differences are looked for
 * @param reference place of the mean that the others are compared with
 * @param pairs the others less the reference, in the order of the means
 * @param pErrors error of each p's computation; 0 where quadrature gives it
 * @param criticalValue of t
 * @param criticalDifference when all pairs share one standard error
 * @param correlations of the statistics, in the order of the pairs
 */
public record AgainstReference(
    Direction direction,
    int reference,
    List<Pair> pairs,
    List<Double> pErrors,
    Quantity criticalValue,
    Quantity criticalDifference,
    List<List<Double>> correlations) {

  /** Standard errors this close, relative, are the same but for rounding. */
  private static final double SAME_ERROR = 1e-12;

  /** Degrees of freedom this close, relative, are the same but for rounding. */
  private static final double SAME_DF = 1e-9;

  public AgainstReference {
    pairs = List.copyOf(pairs);
    pErrors = List.copyOf(pErrors);
    correlations = List.copyOf(correlations);
  }

  /**
   * Compares by any procedure for a reference.
   *
   * @param procedure Dunnett's, or one that adjusts the p of each difference
   * @param means the estimates
   * @param reference place of the reference
   * @param direction in which differences are looked for
   * @param alpha level of significance
   * @return the comparison
   */
  public static AgainstReference of(
      Procedure procedure, Estimates means, int reference, Direction direction, double alpha) {
    return procedure == Procedure.DUNNETT
        ? dunnett(means, reference, direction, alpha)
        : adjusted(procedure, means, reference, direction, alpha);
  }

  /** Each difference by its own t, the p adjusted for their number. */
  private static AgainstReference adjusted(
      Procedure procedure, Estimates means, int reference, Direction direction, double alpha) {
    List<Integer> others = others(means, reference);
    int m = others.size();
    double each =
        switch (procedure.distribution()) {
          case BONFERRONI -> alpha / m;
          case SIDAK -> -Math.expm1(Math.log1p(-alpha) / m);
          case SINGLE, HOLM, HOCHBERG, FALSE_DISCOVERIES -> alpha;
          case RANGE, STEPPED_RANGE, ALL_CONTRASTS, OWN ->
              throw new IllegalArgumentException(procedure + " is not for a reference");
        };
    List<StudentT> tests =
        others.stream().map(i -> test(means, i, reference, direction, each)).toList();
    double[] p =
        procedure.adjust(
            tests.stream().filter(t -> t.p().exists()).mapToDouble(t -> t.p().value()).toArray());
    boolean alike = alike(tests);
    Quantity none = Quantity.absent(Absence.NO_INTERVAL_DEFINED);
    List<Pair> pairs = new ArrayList<>();
    int next = 0;
    for (int i = 0; i < m; i++) {
      StudentT t = tests.get(i);
      Quantity own = t.p().exists() ? Quantity.of(p[next++]) : t.p();
      boolean interval = procedure.hasInterval();
      pairs.add(
          pair(
              others.get(i),
              reference,
              t,
              own,
              interval ? t.low() : none,
              interval ? t.high() : none,
              interval ? critical(t, direction, each) : none,
              own.exists() && Significance.reached(own, alpha)));
    }
    Quantity critical =
        m == 0
            ? Quantity.absent(Absence.ONE_MEAN)
            : !procedure.hasInterval()
                ? Quantity.absent(Absence.NO_SINGLE_CRITICAL_VALUE)
                : alike ? pairs.get(0).critical() : Quantity.absent(Absence.OWN_ERRORS);
    return new AgainstReference(
        direction,
        reference,
        pairs,
        others.stream().map(i -> 0.0).toList(),
        critical,
        difference(critical, tests),
        List.of());
  }

  private static List<Integer> others(Estimates means, int reference) {
    return IntStream.range(0, means.size()).filter(i -> i != reference).boxed().toList();
  }

  private static StudentT test(
      Estimates means, int i, int reference, Direction direction, double alpha) {
    return StudentT.of(
        means.difference(i, reference),
        means.seOfDifference(i, reference),
        means.dfOfDifference(i, reference),
        direction,
        alpha);
  }

  private static Quantity critical(StudentT t, Direction direction, double alpha) {
    return t.df()
        .map(
            df ->
                TDistribution.of(df)
                    .inverseSurvivalProbability(direction == Direction.EITHER ? alpha / 2 : alpha));
  }

  /** Whether all differences have one number of degrees of freedom. */
  private static boolean alike(List<StudentT> tests) {
    double least = tests.stream().mapToDouble(AgainstReference::df).min().orElse(0);
    double most = tests.stream().mapToDouble(AgainstReference::df).max().orElse(0);
    return most == least || most - least <= SAME_DF * most;
  }

  private static double df(StudentT t) {
    return DegreesOfFreedom.orInfinity(t.df().exists() ? t.df().value() : Double.NaN);
  }

  /** The difference from which on a mean differs from the reference, where one holds for all. */
  private static Quantity difference(Quantity critical, List<StudentT> tests) {
    return !critical.exists()
        ? critical
        : tests.stream().allMatch(t -> same(t.se(), tests.get(0).se()))
            ? tests.get(0).se().map(s -> critical.value() * s)
            : Quantity.absent(Absence.OWN_ERRORS);
  }

  /**
   * Compares by Dunnett's procedure, exact also for unequal n. Where differences have degrees of
   * freedom of their own, the smallest of these serve for all.
   *
   * @param means the estimates
   * @param reference place of the reference
   * @param direction in which differences are looked for
   * @param alpha level of significance
   * @return the comparison
   * @see "Dunnett, C. W. (1964). Biometrics 20, 482-491"
   */
  public static AgainstReference dunnett(
      Estimates means, int reference, Direction direction, double alpha) {
    List<Integer> others = others(means, reference);
    List<StudentT> plain =
        others.stream().map(i -> test(means, i, reference, direction, alpha)).toList();
    boolean possible = !plain.isEmpty() && plain.stream().allMatch(t -> t.statistic().exists());
    if (!possible) {
      Quantity none =
          plain.stream()
              .map(StudentT::statistic)
              .filter(t -> !t.exists())
              .findFirst()
              .orElse(Quantity.absent(Absence.ONE_MEAN));
      List<Pair> unjudged = new ArrayList<>();
      for (int i = 0; i < others.size(); i++) {
        StudentT t = plain.get(i);
        Quantity p = t.statistic().exists() ? none : t.statistic();
        unjudged.add(pair(others.get(i), reference, t, p, p, p, p, false));
      }
      return new AgainstReference(
          direction,
          reference,
          unjudged,
          others.stream().map(i -> 0.0).toList(),
          none,
          none,
          List.of());
    }
    double[][] correlations = correlations(means, others, reference);
    boolean oneDf = alike(plain);
    double df = plain.stream().mapToDouble(AgainstReference::df).min().orElseThrow();
    LargestT distribution = LargestT.of(correlations, df, direction == Direction.EITHER);
    double critical = distribution.inverseSurvivalProbability(alpha);
    List<Pair> pairs = new ArrayList<>();
    List<Double> errors = new ArrayList<>();
    for (int i = 0; i < others.size(); i++) {
      StudentT t = oneDf ? plain.get(i) : plain.get(i).withDf(df);
      LargestT.Tail tail = tail(distribution, t.statistic().value(), direction);
      errors.add(tail.error());
      double half = critical * t.se().value();
      Quantity none = Quantity.absent(Absence.ONE_LIMIT);
      pairs.add(
          pair(
              others.get(i),
              reference,
              t,
              Quantity.of(tail.p()),
              direction == Direction.LESS ? none : Quantity.of(t.estimate() - half),
              direction == Direction.GREATER ? none : Quantity.of(t.estimate() + half),
              Quantity.of(critical),
              Significance.reached(tail.p(), alpha)));
    }
    Quantity forAll = oneDf ? Quantity.of(critical) : Quantity.absent(Absence.OWN_ERRORS);
    return new AgainstReference(
        direction,
        reference,
        pairs,
        errors,
        forAll,
        difference(forAll, plain),
        Arrays.stream(correlations).map(row -> Arrays.stream(row).boxed().toList()).toList());
  }

  private static double squared(Quantity se, double unit) {
    return se.value() / unit * (se.value() / unit);
  }

  /** Whether two standard errors are the same but for rounding. */
  private static boolean same(Quantity se, Quantity other) {
    return Math.abs(se.value() - other.value()) <= SAME_ERROR / 2 * other.value();
  }

  /** Of the differences from the reference, exactly as their variances say. */
  private static double[][] correlations(Estimates means, List<Integer> others, int reference) {
    int n = others.size();
    // In units of one of them, so that no square leaves the range of a double.
    double unit = means.seOfDifference(others.get(0), reference).value();
    double[] variances =
        others.stream()
            .mapToDouble(i -> squared(means.seOfDifference(i, reference), unit))
            .toArray();
    double[][] r = new double[n][n];
    for (int a = 0; a < n; a++) {
      r[a][a] = 1;
      for (int b = 0; b < a; b++) {
        double apart = squared(means.seOfDifference(others.get(a), others.get(b)), unit);
        double shared = (variances[a] + variances[b] - apart) / 2;
        double own = shared / Math.sqrt(variances[a] * variances[b]);
        r[a][b] = Math.max(-1, Math.min(1, own));
        r[b][a] = r[a][b];
      }
    }
    return r;
  }

  private static LargestT.Tail tail(LargestT distribution, double t, Direction direction) {
    return switch (direction) {
      case EITHER -> distribution.tail(Math.abs(t));
      case GREATER -> distribution.tail(t);
      case LESS -> distribution.tail(-t);
    };
  }

  private static Pair pair(
      int i,
      int reference,
      StudentT t,
      Quantity p,
      Quantity low,
      Quantity high,
      Quantity critical,
      boolean differs) {
    return new Pair(
        i, reference, t.estimate(), t.se(), t.df(), t.statistic(), p, low, high, critical, differs);
  }
}
