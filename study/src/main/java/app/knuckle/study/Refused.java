package app.knuckle.study;

/**
 * An input that cannot be taken, with the place and the way on. Nothing already held is touched.
 */
public class Refused extends RuntimeException {

  private static final long serialVersionUID = 1L;

  private final transient Refusal refusal;

  /**
   * A refusal on its way to the user.
   *
   * @param refusal what to say
   */
  public Refused(Refusal refusal) {
    this(refusal, null);
  }

  /**
   * A refusal with the failure behind it.
   *
   * @param refusal what to say
   * @param cause what failed; null for none
   */
  public Refused(Refusal refusal, Throwable cause) {
    super(refusal.words(), cause);
    this.refusal = refusal;
  }

  /**
   * Refuses.
   *
   * @param where the place
   * @param what what is wrong, without the full stop
   * @param wayOn what to do, without the full stop; may be empty
   * @return the exception to throw
   */
  public static Refused at(Place where, String what, String wayOn) {
    return new Refused(new Refusal(where, what, wayOn));
  }

  /** What to say. */
  public Refusal refusal() {
    return refusal;
  }
}
