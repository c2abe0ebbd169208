package app.knuckle.study.plan;

import app.knuckle.stats.Progress;
import app.knuckle.stats.planning.SeededRandom;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Arrays;
import java.util.List;
import org.apache.commons.statistics.distribution.PoissonDistribution;

/**
 * Make-believe records of a plan, with the effects that are expected: to the mean of a plot each
 * layer adds a deviate of its own. The same plan with the same seed gives the same records.
 */
public final class SimulatedRecords {

  /** Digits kept of the spread of single plots, as an instrument would. */
  private static final int DIGITS_OF_SPREAD = 3;

  /** A covariate has mean 0 and standard deviation 1; so much of it is noted. */
  private static final double COVARIATE_UNIT = 0.001;

  private final Plan plan;
  private final Arrangement arrangement;
  private final SeededRandom chance;

  private SimulatedRecords(Plan plan, Arrangement arrangement, long seed) {
    this.plan = plan;
    this.arrangement = arrangement;
    chance = new SeededRandom(seed);
  }

  /**
   * Makes records of all responses, to be looked at: rounded, and marked as made up.
   *
   * @param plan with what it expects
   * @param arrangement of its plots
   * @param spread of single plots
   * @param widening by how much more they scatter at the largest mean than at the least; 1 for
   *     alike
   * @param seed of the deviates
   * @param progress asked on the way
   * @return one row a plot
   * @throws Refused if counts were to have a mean below 0, or the records could not be asked at all
   */
  public static Table of(
      Plan plan,
      Arrangement arrangement,
      SimulatedErrors spread,
      double widening,
      long seed,
      Progress progress) {
    SimulatedRecords made = new SimulatedRecords(plan, arrangement, seed);
    List<Column> columns = PlanRecords.known(plan, arrangement, true);
    for (Plan.Measured measured : plan.measured()) {
      TrueMeans means = new TrueMeans(plan, arrangement, measured);
      TrueMeans.Pair pair =
          PlannedPower.leastCertain(plan, arrangement, measured, progress).orElse(null);
      Values values = made.values(measured, means.expected(pair), spread, widening);
      double unit = Math.pow(10, Math.floor(Math.log10(measured.sd())) - DIGITS_OF_SPREAD + 1);
      if (values.covariate() != null) {
        columns.add(
            new Numbers(
                measured.covariate().name(), "", rounded(values.covariate(), COVARIATE_UNIT)));
      }
      columns.add(
          new Numbers(
              measured.column(),
              measured.unit(),
              spread == SimulatedErrors.COUNTS ? values.values() : rounded(values.values(), unit)));
    }
    return new Table(
        plan.name() + ", " + Table.MAKE_BELIEVE,
        "",
        columns,
        Table.MAKE_BELIEVE + ", " + spread.title() + ", seed " + seed,
        true);
  }

  /**
   * Makes records of one response, as precise as they come.
   *
   * @param means of the plots
   */
  static Table of(
      Plan plan,
      Arrangement arrangement,
      Plan.Measured measured,
      double[] means,
      Mishap mishap,
      long seed) {
    SimulatedRecords chances = new SimulatedRecords(plan, arrangement, seed);
    Values made = chances.values(measured, means, mishap.spread(), mishap.widening());
    double[] left = made.values().clone();
    if (mishap.lost() > 0) {
      for (int i = 0; i < left.length; i++) {
        left[i] = chances.chance.share() < mishap.lost() ? Double.NaN : left[i];
      }
    }
    return PlanRecords.table(plan, arrangement, measured, left, made.covariate());
  }

  private record Values(double[] values, double[] covariate) {}

  private Values values(
      Plan.Measured measured, double[] means, SimulatedErrors spread, double widening) {
    double[] values = means.clone();
    double[] wider = wider(means, widening);
    List<Layer> layers = Layer.of(plan, arrangement.plots(), measured);
    for (Layer layer : layers) {
      boolean plots = layer == layers.get(layers.size() - 1);
      if (plots && spread == SimulatedErrors.COUNTS) {
        continue; // Counts spread by their mean, below.
      }
      double[] own = new double[layer.lie().size()];
      for (int i = 0; i < own.length; i++) {
        own[i] = layer.sd() * (plots ? deviate(spread) : chance.normal());
      }
      for (int i = 0; i < values.length; i++) {
        values[i] += own[layer.lie().codes()[i]] * (plots ? wider[i] : 1);
      }
    }
    double[] covariate = null;
    if (measured.covariate() != null) {
      covariate = new double[values.length];
      for (int i = 0; i < values.length; i++) {
        covariate[i] = chance.normal();
        values[i] += measured.covariate().r() * measured.sd() * covariate[i];
      }
    }
    if (spread == SimulatedErrors.COUNTS) {
      for (int i = 0; i < values.length; i++) {
        values[i] = count(means[i], values[i], measured.name());
      }
    }
    return new Values(values, covariate);
  }

  /** By how much more each plot scatters than those of the least mean. */
  private static double[] wider(double[] means, double widening) {
    double least = Arrays.stream(means).min().orElseThrow();
    double most = Arrays.stream(means).max().orElseThrow();
    return Arrays.stream(means)
        .map(mean -> most > least ? 1 + (widening - 1) * (mean - least) / (most - least) : 1)
        .toArray();
  }

  /** With mean 0 and standard deviation 1. */
  private double deviate(SimulatedErrors spread) {
    return spread == SimulatedErrors.UNIFORM
        // The standard deviation of a uniform distribution is its width over the root of 12.
        ? Math.sqrt(12) * (chance.share() - 0.5)
        : chance.normal();
  }

  private double count(double expected, double mean, String measured) {
    if (expected < 0) {
      throw Refused.at(
          new Place.Key("plan", List.of("measured", "mean")),
          "counts of " + measured + " cannot have a mean below 0",
          "Expect a mean of 0 or more, or let values spread otherwise");
    }
    return mean <= 0
        ? 0
        : PoissonDistribution.of(mean).inverseCumulativeProbability(chance.share());
  }

  private static double[] rounded(double[] values, double unit) {
    int decimals = Math.max(0, (int) -Math.floor(Math.log10(unit)));
    double[] rounded = new double[values.length];
    for (int i = 0; i < values.length; i++) {
      rounded[i] =
          new BigDecimal(values[i]).setScale(decimals, RoundingMode.HALF_EVEN).doubleValue();
    }
    return rounded;
  }
}
