package app.knuckle.study.plan;

/**
 * How trials are made up and judged when they are not as the plan hopes.
 *
 * @param spread of single plots
 * @param lost share of plots whose value is lost, by chance in each trial, from 0 to below 1
 * @param onRanks whether pairs are judged on ranks, each adjusted after Holm
 */
public record Mishap(Spread spread, double lost, boolean onRanks) {

  /** All as planned. */
  public static final Mishap NONE = new Mishap(Spread.NORMAL, 0, false);
}
