package app.knuckle.study.rehearsal;

import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.apache.commons.statistics.distribution.PoissonDistribution;

/**
 * A plan of make-believe records: groups with a mean, a spread and a size each. The same plan with
 * the same seed gives the same records.
 *
 * @param measured name of the response
 * @param treatment name of the treatment
 * @param groups the groups, in their order
 * @param shape how values spread about a mean
 * @param seed where the random numbers start
 */
public record Rehearsal(
    String measured, String treatment, List<Group> groups, Shape shape, long seed) {

  /** More records than this are no rehearsal. */
  public static final int MOST_RECORDS = 1_000_000;

  /** Decimals kept, as an instrument would: three digits of the spread. */
  private static final int DIGITS_OF_SPREAD = 3;

  public Rehearsal {
    groups = List.copyOf(groups);
  }

  /**
   * A group.
   *
   * @param name of the level
   * @param mean of its values
   * @param sd standard deviation of its values, 0 or more; counts spread by their mean alone
   * @param n how many units
   */
  public record Group(String name, double mean, double sd, int n) {}

  /** How values spread about their mean. */
  public enum Shape {
    /** Bell-shaped. */
    NORMAL("bell-shaped"),
    /** Every value between two ends alike. */
    UNIFORM("even between two ends"),
    /** Whole numbers, Poisson with the mean given. */
    COUNTS("counts");

    private final String title;

    Shape(String title) {
      this.title = title;
    }

    /**
     * The name on screen.
     *
     * @return in plain words
     */
    public String title() {
      return title;
    }
  }

  /**
   * Makes the records.
   *
   * @return a table of a treatment and a response
   * @throws Refused if the plan cannot be carried out, naming the group
   */
  public Table records() {
    check();
    int rows = groups.stream().mapToInt(Group::n).sum();
    int[] codes = new int[rows];
    double[] values = new double[rows];
    Random random = new Random(seed);
    double finest = groups.stream().mapToDouble(Group::sd).filter(sd -> sd > 0).min().orElse(1);
    double unit = Math.pow(10, Math.floor(Math.log10(finest)) - DIGITS_OF_SPREAD + 1);
    int row = 0;
    for (int g = 0; g < groups.size(); g++) {
      for (int i = 0; i < groups.get(g).n(); i++) {
        codes[row] = g;
        values[row++] = value(groups.get(g), random, unit);
      }
    }
    return new Table(
        "rehearsal",
        "",
        List.of(
            new Categories(treatment, "", codes, groups.stream().map(Group::name).toList(), false),
            new Numbers(measured, app.knuckle.study.table.Units.of(measured), values)),
        "make-believe, " + shape.title() + ", seed " + seed);
  }

  private double value(Group group, Random random, double unit) {
    double value =
        switch (shape) {
          case NORMAL -> group.mean() + group.sd() * random.nextGaussian();
          // The standard deviation of a uniform distribution is its width over the root of 12.
          case UNIFORM -> group.mean() + group.sd() * Math.sqrt(12) * (random.nextDouble() - 0.5);
          case COUNTS ->
              group.mean() == 0
                  ? 0
                  : PoissonDistribution.of(group.mean())
                      .inverseCumulativeProbability(random.nextDouble());
        };
    return shape == Shape.COUNTS ? value : rounded(value, unit);
  }

  private static double rounded(double value, double unit) {
    return new java.math.BigDecimal(value)
        .setScale(
            Math.max(0, (int) -Math.floor(Math.log10(unit))), java.math.RoundingMode.HALF_EVEN)
        .doubleValue();
  }

  private void check() {
    Set<String> names = new HashSet<>();
    long rows = 0;
    for (Group g : groups) {
      if (g.name().isBlank() || !names.add(g.name())) {
        throw wrong(g.name(), "each group needs a name of its own", "Name it otherwise");
      }
      if (g.n() < 1) {
        throw wrong(g.name(), "it has no unit", "A group has at least 1");
      }
      if (!Double.isFinite(g.mean()) || !(g.sd() >= 0) || Double.isInfinite(g.sd())) {
        throw wrong(g.name(), "mean and SD must be numbers, the SD not below 0", "Write them anew");
      }
      if (shape == Shape.COUNTS && g.mean() < 0) {
        throw wrong(g.name(), "a count is never below 0", "Give a mean of 0 or more");
      }
      rows += g.n();
    }
    if (groups.isEmpty() || rows > MOST_RECORDS) {
      throw wrong(
          "",
          groups.isEmpty() ? "there is no group" : "there are " + rows + " records",
          "Give between 1 and " + MOST_RECORDS + " records in all");
    }
    if (measured.isBlank() || treatment.isBlank() || measured.equals(treatment)) {
      throw wrong("", "what was measured and what was done need a name each", "Name both");
    }
  }

  private static Refused wrong(String group, String what, String wayOn) {
    return Refused.at(
        new Place.WholeFile(group.isBlank() ? "rehearsal" : "rehearsal, " + group), what, wayOn);
  }
}
