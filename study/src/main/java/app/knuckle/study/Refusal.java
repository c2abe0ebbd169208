package app.knuckle.study;

/**
 * Why an input is not taken.
 *
 * @param where the place
 * @param what what is wrong there, a sentence without its full stop
 * @param wayOn what to do, a sentence without its full stop; may be empty
 */
public record Refusal(Place where, String what, String wayOn) {

  /**
   * The whole refusal as the window, the command line and the findings say it.
   *
   * @return one or two sentences, place first
   */
  public String words() {
    return where.words() + ": " + what + "." + (wayOn.isEmpty() ? "" : " " + wayOn + ".");
  }
}
