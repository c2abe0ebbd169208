package app.knuckle.desktop.workbench;

/** What takes the place of the joint for a while. */
public sealed interface Page {

  /**
   * A file on its way in, or one that was refused.
   *
   * @param source the file
   */
  record Opening(TableSource source) implements Page {}

  /**
   * Records being typed.
   *
   * @param source whose records are typed further; null for a new table
   */
  record Typing(TableSource source) implements Page {}

  /** All inquiries of the study. */
  record Inquiries() implements Page {}

  /**
   * Two inquiries side by side.
   *
   * @param left the first; null for none chosen yet
   * @param right the second
   */
  record Beside(SlipViewModel left, SlipViewModel right) implements Page {}

  /** Make-believe records being planned. */
  record Rehearsing() implements Page {}
}
