package app.knuckle.desktop.workbench;

import java.util.ArrayList;
import java.util.List;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

/** The page that lies over the slips, if one does, and files that are being read behind it. */
final class Cover {

  private final ReadOnlyObjectWrapper<Page> page = new ReadOnlyObjectWrapper<>();
  private final List<Page> waiting = new ArrayList<>();

  ReadOnlyObjectProperty<Page> property() {
    return page.getReadOnlyProperty();
  }

  Page page() {
    return page.get();
  }

  void show(Page shown) {
    page.set(shown);
  }

  /** Takes the page away, whatever waits. */
  void lift() {
    page.set(null);
  }

  /** A file is read; its page is shown once those before it are gone. */
  void waitFor(Page opening) {
    waiting.add(opening);
    turn();
  }

  /** What was waited for has come. */
  void came(Page opening) {
    waiting.remove(opening);
    turn();
  }

  /** Leaves the page: a file that could not be read, or records that are not wanted after all. */
  void leave() {
    came(page.get());
  }

  /** A list of all inquiries gives way to the one that is turned to. */
  void giveWay() {
    if (page.get() != null && page.get().givesWay()) {
      leave();
    }
  }

  private void turn() {
    page.set(waiting.isEmpty() ? null : waiting.get(0));
  }
}
