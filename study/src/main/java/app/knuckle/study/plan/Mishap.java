package app.knuckle.study.plan;

/**
 * How trials are made up and judged when they are not as the plan hopes.
 *
 * @param spread of single plots
 * @param widening by how much more values scatter where the largest mean is than where the least
 *     is, growing evenly between; 1 for alike. Counts spread by their mean and take none
 * @param lost share of plots whose value is lost, by chance in each trial, from 0 to below 1
 * @param judged how they are judged
 */
public record Mishap(SimulatedErrors spread, double widening, double lost, Judged judged) {

  /** All as planned. */
  public static final Mishap NONE = new Mishap(SimulatedErrors.NORMAL, 1, 0, Judged.AS_PLANNED);

  /** How simulated trials are analysed. */
  public enum Judged {
    /** As the plan's own records will be. */
    AS_PLANNED("as planned"),
    /** On ranks, pairs after Dunn, adjusted after Holm. */
    RANKS("on ranks"),
    /** Each group with a variance of its own (Welch), pairs after Games and Howell. */
    OWN_SPREADS("each group by its own spread"),
    /** What plots lie in taken at random, by restricted maximum likelihood. */
    RANDOM("what plots lie in as random");

    private final String title;

    Judged(String title) {
      this.title = title;
    }

    /** The name on screen, such as "on ranks". */
    public String title() {
      return title;
    }
  }

  /** The same with nothing lost. */
  Mishap whole() {
    return new Mishap(spread, widening, 0, judged);
  }
}
