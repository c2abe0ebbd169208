package app.knuckle.stats.anova;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Quantity;
import org.apache.commons.statistics.distribution.FDistribution;

/**
 * An analysis of variance of one effect, some of whose entries are known: the others follow, since
 * sums of squares and degrees of freedom add up and F is the ratio of the mean squares.
 *
 * @param effect the effect
 * @param error the error
 * @param total both together
 * @param f the ratio of the mean squares
 * @param p its probability
 * @param criticalF at the level of significance
 */
public record PartialTable(
    Line effect, Line error, Line total, Quantity f, Quantity p, Quantity criticalF) {

  /**
   * A line; NaN where an entry is not known.
   *
   * @param df degrees of freedom
   * @param ss sum of squares
   * @param ms mean square
   */
  public record Line(double df, double ss, double ms) {

    /** Nothing known. */
    public static final Line UNKNOWN = new Line(Double.NaN, Double.NaN, Double.NaN);

    /** The entry that follows from the other two. */
    private Line whole() {
      return new Line(first(df, ss / ms), first(ss, df * ms), first(ms, ss / df));
    }
  }

  /** What follows from rounded entries may be no degrees of freedom at all. */
  private static final double FEWEST_DF = 0.1;

  private static final double MOST_DF = 1e12;

  private static boolean hasLaw(double df) {
    return df >= FEWEST_DF && df <= MOST_DF;
  }

  /** Rounds of filling in: each adds at least one entry or nothing more follows. */
  private static final int ROUNDS = 12;

  private static double first(double known, double follows) {
    return Double.isNaN(known) ? follows : known;
  }

  /**
   * Completes a table.
   *
   * @param effect what is known of the effect
   * @param error what is known of the error
   * @param total what is known of both together
   * @param f the ratio of mean squares; NaN if it is not known
   * @param alpha level of significance
   * @return the table; what does not follow is NaN, or absent
   */
  public static PartialTable complete(Line effect, Line error, Line total, double f, double alpha) {
    Line a = effect;
    Line b = error;
    Line t = total;
    double ratio = f;
    for (int round = 0; round < ROUNDS; round++) {
      a = a.whole();
      b = b.whole();
      a = new Line(first(a.df(), t.df() - b.df()), first(a.ss(), t.ss() - b.ss()), a.ms());
      b = new Line(first(b.df(), t.df() - a.df()), first(b.ss(), t.ss() - a.ss()), b.ms());
      t = new Line(first(t.df(), a.df() + b.df()), first(t.ss(), a.ss() + b.ss()), t.ms());
      ratio = first(ratio, a.ms() / b.ms());
      a = new Line(a.df(), a.ss(), first(a.ms(), ratio * b.ms()));
      b = new Line(b.df(), b.ss(), first(b.ms(), a.ms() / ratio));
      // With the total and F: error = total / (1 + F df1 / df2).
      b = new Line(b.df(), first(b.ss(), t.ss() / (1 + ratio * a.df() / b.df())), b.ms());
    }
    boolean known = hasLaw(a.df()) && hasLaw(b.df());
    Quantity none = Quantity.absent(Absence.TOO_LITTLE_KNOWN);
    FDistribution distribution = known ? FDistribution.of(a.df(), b.df()) : null;
    Quantity q = Double.isFinite(ratio) ? Quantity.of(ratio) : none;
    return new PartialTable(
        a,
        b,
        t,
        q,
        known ? q.map(distribution::survivalProbability) : none,
        known
            ? Quantity.finite(
                distribution.inverseSurvivalProbability(alpha), Absence.FEW_DF_NO_CRITICAL_VALUE)
            : none);
  }
}
