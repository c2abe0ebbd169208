package app.knuckle.stats.compare;

import app.knuckle.stats.Quantity;
import app.knuckle.stats.distributions.DunnettDistribution;
import app.knuckle.stats.means.Estimates;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Every mean against one of them.
 *
 * @param direction in which differences are looked for
 * @param reference place of the mean that the others are compared with
 * @param pairs the others less the reference, in the order of the means
 * @param criticalValue of t
 * @param criticalDifference when all pairs share one standard error
 * @param correlations of the statistics, in the order of the pairs
 */
public record AgainstReference(
    Direction direction,
    int reference,
    List<Pair> pairs,
    Quantity criticalValue,
    Quantity criticalDifference,
    List<List<Double>> correlations) {

  private static final String OWN_ERRORS = "pairs have standard errors of their own";
  private static final String ONE_SIDED =
      "the question has a direction, so there is one limit only";

  /** Standard errors this close, relative, are the same but for rounding. */
  private static final double SAME_ERROR = 1e-12;

  public AgainstReference {
    pairs = List.copyOf(pairs);
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
          plain.isEmpty() ? Quantity.absent("there is one mean only") : plain.get(0).statistic();
      return new AgainstReference(direction, reference, List.of(), none, none, List.of());
    }
    double reference2 = squared(means.seOfDifference(others.get(0), reference));
    // l_i^2 = 1 - own variance / variance of the difference; n_i / (n_i + n_0) in a one-way layout.
    double[] loadings = loadings(means, others, reference);
    double df = plain.get(0).df().value();
    DunnettDistribution law = DunnettDistribution.of(loadings, df, direction == Direction.EITHER);
    double critical = law.inverseSurvivalProbability(alpha);
    List<Pair> pairs = new ArrayList<>();
    boolean same = true;
    for (int i = 0; i < others.size(); i++) {
      StudentT t = plain.get(i);
      same &= Math.abs(squared(t.se()) - reference2) <= SAME_ERROR * reference2;
      pairs.add(pair(others.get(i), reference, t, law, critical, direction, alpha));
    }
    List<List<Double>> correlations = new ArrayList<>();
    for (int i = 0; i < loadings.length; i++) {
      List<Double> row = new ArrayList<>();
      for (int j = 0; j < loadings.length; j++) {
        row.add(i == j ? 1 : loadings[i] * loadings[j]);
      }
      correlations.add(row);
    }
    return new AgainstReference(
        direction,
        reference,
        pairs,
        Quantity.of(critical),
        same ? plain.get(0).se().map(s -> critical * s) : Quantity.absent(OWN_ERRORS),
        correlations);
  }

  private static double squared(Quantity se) {
    return se.value() * se.value();
  }

  private static double[] loadings(Estimates means, List<Integer> others, int reference) {
    double[] loadings = new double[others.size()];
    if (loadings.length == 1) {
      return loadings; // One difference has nothing to share.
    }
    double shared = sharedVariance(means, others, reference);
    double[] errors =
        others.stream().mapToDouble(i -> means.seOfDifference(i, reference).value()).toArray();
    if (loadings.length == 2) {
      double r = shared / (errors[0] * errors[1]);
      loadings[0] = Math.sqrt(Math.min(MOST_SHARED, Math.abs(r)));
      loadings[1] = Math.copySign(loadings[0], r);
      return loadings;
    }
    for (int i = 0; i < loadings.length; i++) {
      // Covariates may leave differences that share nothing, or all but everything.
      double own = shared / (errors[i] * errors[i]);
      loadings[i] = Math.sqrt(Math.min(MOST_SHARED, Math.max(0, own)));
    }
    return loadings;
  }

  /**
   * Differences that share more than this count as sharing this much, which errs on the safe side.
   */
  private static final double MOST_SHARED = 1 - 1e-5;

  /**
   * What all differences share: the variance of the reference, averaged over pairs of the others.
   */
  private static double sharedVariance(Estimates means, List<Integer> others, int reference) {
    double sum = 0;
    int count = 0;
    for (int a = 0; a < others.size(); a++) {
      for (int b = 0; b < a; b++) {
        double ar = squared(means.seOfDifference(others.get(a), reference));
        double br = squared(means.seOfDifference(others.get(b), reference));
        double ab = squared(means.seOfDifference(others.get(a), others.get(b)));
        sum += (ar + br - ab) / 2;
        count++;
      }
    }
    return sum / count;
  }

  private static Pair pair(
      int i,
      int reference,
      StudentT t,
      DunnettDistribution law,
      double critical,
      Direction direction,
      double alpha) {
    double value = t.statistic().value();
    double p =
        switch (direction) {
          case EITHER -> law.survivalProbability(Math.abs(value));
          case GREATER -> law.survivalProbability(value);
          case LESS -> law.survivalProbability(-value);
        };
    double half = critical * t.se().value();
    Quantity none = Quantity.absent(ONE_SIDED);
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
        p <= alpha);
  }
}
