package app.knuckle.study.findings;

import app.knuckle.stats.Outcome;
import app.knuckle.stats.Quantity;
import java.util.List;
import java.util.Optional;

/**
 * A check of one group, of all groups, or of what a model leaves.
 *
 * @param test by which it is made
 * @param on which values it looks at
 * @param numbers what it found
 * @param adjusted its p as one of several groups; empty where it is looked at alone
 * @param units whose values were looked at; empty for rows
 * @param judgement how sound the footing is
 * @param words what it means, a sentence
 */
public record GroupCheck(
    CheckTest test,
    CheckedOn on,
    Outcome numbers,
    Optional<Adjusted> adjusted,
    Optional<OfUnits> units,
    CheckResult.Judgement judgement,
    String words) {

  /** A check that is looked at alone, of rows. */
  public GroupCheck(
      CheckTest test,
      CheckedOn on,
      Outcome numbers,
      CheckResult.Judgement judgement,
      String words) {
    this(test, on, numbers, Optional.empty(), Optional.empty(), judgement, words);
  }

  /** What it checks. */
  public CheckTest.About about() {
    return test.about();
  }

  /**
   * How often chance alone would go as far: between 0 and 1; absent where the check has no such
   * number.
   */
  public Quantity p() {
    return numbers.p();
  }

  /**
   * The same check of units of several rows.
   *
   * @param units their names
   * @param deviations of each from what is said of it
   * @return the check
   */
  public GroupCheck ofUnits(List<String> units, List<Double> deviations) {
    return new GroupCheck(
        test, on, numbers, adjusted, Optional.of(new OfUnits(units, deviations)), judgement, words);
  }

  /**
   * The same check with other numbers.
   *
   * @param others of the same test
   * @return the check
   */
  public GroupCheck with(Outcome others) {
    return new GroupCheck(test, on, others, adjusted, units, judgement, words);
  }

  /**
   * A p as one of several.
   *
   * @param adjustedP by Holm; absent where there is no p to adjust
   * @param bonferroniP by Bonferroni
   */
  public record Adjusted(Quantity adjustedP, Quantity bonferroniP) implements Outcome {}

  /**
   * Units of several rows, pairs among them.
   *
   * @param units their names
   * @param deviations one a unit
   */
  public record OfUnits(List<String> units, List<Double> deviations) implements Outcome {}

  /** The row of counts that stands out most, by what leaving it out changes. */
  public sealed interface OddCount extends Outcome {

    /** Which row: from 1; null where none can be judged. */
    Integer row();

    /** Its p as the most extreme of all rows: absent where no row can be tested by itself. */
    Quantity adjustedP();
  }

  /**
   * The row that stands out most from what a model says of it, by its studentised residual.
   *
   * @param n number of rows
   * @param statistic the residual over its own standard error
   * @param row from 1; null where none can be judged
   * @param df of the error without that row
   * @param p of one row named beforehand
   * @param adjustedP of the most extreme
   */
  public record OddResidual(
      int n, Quantity statistic, Integer row, List<Double> df, Quantity p, Quantity adjustedP)
      implements Outcome {}

  /**
   * A row of counts by what leaving it out changes, the spread being estimated.
   *
   * @param row from 1
   * @param statistic t
   * @param df of the spread without that row
   * @param p of one row named beforehand
   * @param adjustedP of the most extreme
   * @param n number of rows
   */
  public record OddByT(
      Integer row, Quantity statistic, List<Double> df, Quantity p, Quantity adjustedP, int n)
      implements OddCount {}

  /**
   * A row of counts by what leaving it out changes, the spread being that of the distribution.
   *
   * @param row from 1
   * @param statistic z
   * @param df absent
   * @param p of one row named beforehand
   * @param adjustedP of the most extreme
   * @param n number of rows
   */
  public record OddByChance(
      Integer row, Quantity statistic, Quantity df, Quantity p, Quantity adjustedP, int n)
      implements OddCount {}

  /**
   * Counts of which no row can be tested by itself.
   *
   * @param statistic absent
   * @param p absent
   * @param adjustedP absent
   */
  public record NoOddRow(Quantity statistic, Quantity p, Quantity adjustedP) implements OddCount {
    @Override
    public Integer row() {
      return null;
    }
  }

  /**
   * How counts spread beside what chance would make of them.
   *
   * @param statistic chi-squared
   * @param df of it
   * @param dispersion statistic over df; 1 by chance
   * @param p of more spread
   * @param pLess of less spread
   */
  public record Dispersion(
      Quantity statistic, List<Double> df, Quantity dispersion, Quantity p, Quantity pLess)
      implements Outcome {}

  /**
   * Zeros among counts.
   *
   * @param observed rows that are 0
   * @param expected rows that chance would make 0
   * @param statistic z
   * @param p of more zeros
   */
  public record Zeros(long observed, Quantity expected, Quantity statistic, Quantity p)
      implements Outcome {}

  /**
   * How large the expected counts are.
   *
   * @param n rows or cells
   * @param smallest expected count
   * @param below1 how many expect less than 1
   * @param below5 how many expect less than 5
   */
  public record ExpectedCounts(long n, Quantity smallest, long below1, long below5)
      implements Outcome {}
}
