package app.knuckle.study.prep;

import app.knuckle.stats.Progress;
import java.util.List;
import java.util.Map;

/** One step of the prep trail. A value: applying it makes a new frame and changes nothing. */
public sealed interface Step
    permits Missing,
        Kind,
        Merge,
        Order,
        Relabel,
        Rename,
        Compute,
        Calculate,
        Stack,
        Spread,
        Edit,
        Keep,
        SetAside {

  /** Whether the step is switched off: true if it is passed over. */
  boolean off();

  /**
   * The same step, switched on or off.
   *
   * @param switchedOff whether it is passed over
   * @return the step
   */
  Step switched(boolean switchedOff);

  /**
   * Does the step.
   *
   * @param frame what the steps before it made
   * @param progress asked on the way
   * @return the frame after it
   * @throws app.knuckle.study.Refused if the step does not fit the frame
   * @throws java.util.concurrent.CancellationException if stopped
   */
  Frame apply(Frame frame, Progress progress);

  /**
   * The columns that the step must find by name: none for a step about rows, or about whatever
   * columns there are.
   */
  List<String> reads();

  /**
   * The columns that have another name after the step: the new name by the old one; empty for most
   * steps.
   */
  default Map<String, String> renames() {
    return Map.of();
  }

  /**
   * The levels that are called otherwise after the step: by column, the new level by the old one;
   * empty for most steps.
   */
  default Map<String, Map<String, String>> relabels() {
    return Map.of();
  }

  /**
   * Whether levels that the step called otherwise can be distinguished again without it: false
   * where several became one.
   */
  default boolean isReversible() {
    return true;
  }

  /**
   * Whether other rows and columns come of the step, so that a question may have lost what it was
   * about: false for a step that keeps the rows.
   */
  default boolean reshapes() {
    return false;
  }

  /** What the step does, short: "Merge levels of mesh". Returns the title in the trail. */
  String title();

  /**
   * What the step does, exactly: "'Fine ' and 'fine' become fine". Returns the line under the
   * title.
   */
  String detail();
}
