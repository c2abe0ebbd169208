package app.knuckle.study.keeping;

import app.knuckle.study.design.Inquiry;
import app.knuckle.study.prep.Step;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** What a change to an inquiry is called, so that it can be undone by name. */
public final class Change {

  private Change() {}

  /**
   * The name of a change.
   *
   * @param before the inquiry before it
   * @param after the inquiry after it
   * @return such as "merge levels of mesh", beginning with a small letter
   */
  public static String of(Inquiry before, Inquiry after) {
    if (!before.prepare().equals(after.prepare())) {
      return ofTrail(before.prepare(), after.prepare());
    }
    if (!before.measured().equals(after.measured())) {
      return "measure " + names(after.measured());
    }
    if (!before.treatments().equals(after.treatments())) {
      return "treatment " + names(after.treatments());
    }
    if (!before.covariates().equals(after.covariates())) {
      return "covariates " + names(after.covariates());
    }
    if (!before.blocks().equals(after.blocks())) {
      return "blocks " + names(after.blocks());
    }
    if (!before.approach().equals(after.approach())) {
      return "another method";
    }
    if (before.alpha() != after.alpha()) {
      return "\u03b1 = " + after.alpha();
    }
    if (!before.compare().equals(after.compare())) {
      return "compare by another procedure";
    }
    return before.name().equals(after.name()) ? "change" : "name the inquiry " + after.name();
  }

  private static String names(List<String> columns) {
    return columns.isEmpty() ? "nothing" : String.join(", ", columns);
  }

  private static String ofTrail(List<Step> before, List<Step> after) {
    List<Step> added = new ArrayList<>(after);
    before.forEach(added::remove);
    List<Step> gone = new ArrayList<>(before);
    after.forEach(gone::remove);
    if (added.isEmpty() && gone.isEmpty()) {
      return "reorder the trail";
    }
    if (added.isEmpty()) {
      return "take out: " + small(gone.get(0).title());
    }
    if (gone.size() == 1 && added.size() == 1) {
      Step old = gone.get(0);
      Step now = added.get(0);
      if (old.switched(now.off()).equals(now)) {
        return "switch " + (now.off() ? "off: " : "on: ") + small(now.title());
      }
    }
    return small(added.get(added.size() - 1).title());
  }

  private static String small(String title) {
    return title.substring(0, 1).toLowerCase(Locale.ROOT) + title.substring(1);
  }
}
