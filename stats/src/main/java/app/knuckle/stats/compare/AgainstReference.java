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

  public AgainstReference {
    pairs = List.copyOf(pairs);
    pErrors = List.copyOf(pErrors);
    correlations = List.copyOf(correlations);
  }

  /**
   * Compares by Dunnett's procedure, exact also for unequal n.
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
    List<Integer> others =
        IntStream.range(0, means.size()).filter(i -> i != reference).boxed().toList();
    List<StudentT> plain = new ArrayList<>();
    for (int i : others) {
      plain.add(
          StudentT.of(
              means.difference(i, reference),
              means.seOfDifference(i, reference),
              means.dfOfDifference(i, reference),
              direction,
              alpha));
    }
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
        unjudged.add(
            new Pair(
                others.get(i),
                reference,
                t.estimate(),
                t.se(),
                t.df(),
                t.statistic(),
                p,
                p,
                p,
                p,
                false));
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
    double reference2 = squared(means.seOfDifference(others.get(0), reference));
    double[][] correlations = correlations(means, others, reference);
    double df = DegreesOfFreedom.orInfinity(plain.get(0).df().value());
    LargestT law = LargestT.of(correlations, df, direction == Direction.EITHER);
    double critical = law.inverseSurvivalProbability(alpha);
    List<Pair> pairs = new ArrayList<>();
    List<Double> errors = new ArrayList<>();
    boolean same = true;
    for (int i = 0; i < others.size(); i++) {
      StudentT t = plain.get(i);
      same &= Math.abs(squared(t.se()) - reference2) <= SAME_ERROR * reference2;
      LargestT.Tail tail = tail(law, t.statistic().value(), direction);
      errors.add(tail.error());
      pairs.add(pair(others.get(i), reference, t, tail.p(), critical, direction, alpha));
    }
    return new AgainstReference(
        direction,
        reference,
        pairs,
        errors,
        Quantity.of(critical),
        same ? plain.get(0).se().map(s -> critical * s) : Quantity.absent(Absence.OWN_ERRORS),
        Arrays.stream(correlations).map(row -> Arrays.stream(row).boxed().toList()).toList());
  }

  private static double squared(Quantity se) {
    return se.value() * se.value();
  }

  /** Of the differences from the reference, exactly as their variances say. */
  private static double[][] correlations(Estimates means, List<Integer> others, int reference) {
    int n = others.size();
    double[] variances =
        others.stream().mapToDouble(i -> squared(means.seOfDifference(i, reference))).toArray();
    double[][] r = new double[n][n];
    for (int a = 0; a < n; a++) {
      r[a][a] = 1;
      for (int b = 0; b < a; b++) {
        double apart = squared(means.seOfDifference(others.get(a), others.get(b)));
        double shared = (variances[a] + variances[b] - apart) / 2;
        double own = shared / Math.sqrt(variances[a] * variances[b]);
        r[a][b] = Math.max(-1, Math.min(1, own));
        r[b][a] = r[a][b];
      }
    }
    return r;
  }

  private static LargestT.Tail tail(LargestT law, double t, Direction direction) {
    return switch (direction) {
      case EITHER -> law.tail(Math.abs(t));
      case GREATER -> law.tail(t);
      case LESS -> law.tail(-t);
    };
  }

  private static Pair pair(
      int i,
      int reference,
      StudentT t,
      double p,
      double critical,
      Direction direction,
      double alpha) {
    double half = critical * t.se().value();
    Quantity none = Quantity.absent(Absence.ONE_LIMIT);
    return new Pair(
        i,
        reference,
        t.estimate(),
        t.se(),
        t.df(),
        t.statistic(),
        Quantity.of(p),
        direction == Direction.LESS ? none : Quantity.of(t.estimate() - half),
        direction == Direction.GREATER ? none : Quantity.of(t.estimate() + half),
        Quantity.of(critical),
        Significance.reached(p, alpha));
  }
}
