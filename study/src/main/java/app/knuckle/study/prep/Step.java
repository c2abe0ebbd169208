package app.knuckle.study.prep;

/** One step of the prep trail. A value: applying it makes a new frame and changes nothing. */
public sealed interface Step permits Missing, Kind, Merge, Order, Relabel, Rename, Keep, SetAside {

  /**
   * Whether the step is switched off.
   *
   * @return true if it is passed over
   */
  boolean off();

  /**
   * Does the step.
   *
   * @param frame what the steps before it made
   * @return the frame after it
   * @throws app.knuckle.study.Refused if the step does not fit the frame
   */
  Frame apply(Frame frame);

  /**
   * What the step does, short: "Merge levels of mesh".
   *
   * @return the title in the trail
   */
  String title();

  /**
   * What the step does, exactly: "'Fine ' and 'fine' become fine".
   *
   * @return the line under the title
   */
  String detail();
}
