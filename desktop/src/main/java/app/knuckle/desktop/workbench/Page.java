package app.knuckle.desktop.workbench;

import app.knuckle.desktop.explain.Topic;
import app.knuckle.study.keeping.NewNames;

/** What takes the place of the joint for a while. */
public sealed interface Page {

  /**
   * A file on its way in, or one that was refused.
   *
   * @param source the file
   */
  record Opening(TableSource source) implements Page {}

  /**
   * A study that is being read while the window opens.
   *
   * @param name what it is called until it says so itself
   */
  record Coming(String name) implements Page {}

  /**
   * Records being typed.
   *
   * @param source whose records are typed further; null for a new table
   */
  record Typing(TableSource source) implements Page {}

  /**
   * New records that call some columns otherwise than the questions do.
   *
   * @param path of the file they were read from
   * @param names that are missing
   */
  record Naming(String path, NewNames names) implements Page {}

  /** All inquiries of the study. */
  record Inquiries() implements Page {}

  /**
   * Two inquiries side by side.
   *
   * @param left the first; null for none chosen yet
   * @param right the second
   */
  record Beside(SlipViewModel left, SlipViewModel right) implements Page {}

  /**
   * A trial being planned.
   *
   * @param plan one of the plans
   */
  record Planning(PlanSlip plan) implements Page {}

  /** The numbers proved on this machine. */
  record Proving() implements Page {}

  /**
   * A page of the manual.
   *
   * @param topic it is about
   */
  record Reading(Topic topic) implements Page {}

  /** How the user wants things to be. */
  record Setting() implements Page {}

  /**
   * Answers without records.
   *
   * @param kept one that is brought back; null for what was typed last
   */
  record Reckoning(app.knuckle.study.reckon.Reckoning kept) implements Page {}

  /**
   * Whether the line below is its own to say: false where the finding of the inquiry goes on
   * standing there.
   */
  default boolean saysItself() {
    return this instanceof Coming
        || this instanceof Inquiries
        || this instanceof Planning
        || this instanceof Reckoning
        || this instanceof Proving;
  }

  /**
   * Whether it gives way to an inquiry that is turned to: what is on its way in does not. Returns
   * false for records that are opened, typed or named.
   */
  default boolean givesWay() {
    return !(this instanceof Opening || this instanceof Typing || this instanceof Naming);
  }
}
