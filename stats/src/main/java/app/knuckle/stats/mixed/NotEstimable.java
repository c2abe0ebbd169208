package app.knuckle.stats.mixed;

import java.util.List;

/** A mixed model that its rows cannot bear. */
public final class NotEstimable extends RuntimeException {

  private static final long serialVersionUID = 1;

  /** What is in the way. */
  public enum Reason {
    /** A random term has one level only. */
    ONE_LEVEL,
    /** A random term has a level for every row: it is the residual. */
    LEVEL_PER_ROW,
    /** A random term says nothing that the fixed part does not say. */
    CONFOUNDED,
    /** Two random terms group the rows alike. */
    SAME_GROUPS,
    /** The variances cannot be estimated apart from each other. */
    NOT_TOLD_APART,
    /** There are fewer rows than so many variances need. */
    TOO_FEW_ROWS,
    /** An occasion has fewer than two readings. */
    FEW_READINGS,
    /** A unit has two readings of one occasion. */
    TWO_READINGS,
    /** The fixed part explains every difference. */
    NOTHING_LEFT,
    /** With the random terms nothing varies within their levels. */
    NO_RESIDUAL,
    /** The search found no top. */
    NO_TOP
  }

  private final Reason reason;
  private final transient List<String> sources;

  NotEstimable(Reason reason, String... sources) {
    super(reason + " " + List.of(sources));
    this.reason = reason;
    this.sources = List.of(sources);
  }

  /** What is in the way. */
  public Reason reason() {
    return reason;
  }

  /** Which terms, occasions or units it is about: their names; may be empty. */
  public List<String> sources() {
    return sources;
  }
}
