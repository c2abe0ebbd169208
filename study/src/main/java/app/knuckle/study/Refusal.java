package app.knuckle.study;

import app.knuckle.study.words.Prose;

/**
 * Why an input is not taken.
 *
 * @param where the place
 * @param what what is wrong there, a sentence without its full stop
 * @param wayOn what to do, a sentence without its full stop; may be empty
 */
public record Refusal(Place where, String what, String wayOn) {

  /** Names within are shortened, so that every refusal can be read. */
  public Refusal {
    what = Prose.bounded(what);
    wayOn = Prose.bounded(wayOn);
  }

  /**
   * The whole refusal as the command line and the findings say it: one or two sentences, place
   * first.
   */
  public String words() {
    return where.words() + ": " + rest();
  }

  /**
   * The refusal as the window says it, where a place within a file of keys would mean nothing: one
   * or two sentences; the place first, if it is one of the records.
   */
  public String shown() {
    return where instanceof Place.Key ? Prose.capital(rest()) : words();
  }

  private String rest() {
    return what + "." + (wayOn.isEmpty() ? "" : " " + wayOn + ".");
  }
}
