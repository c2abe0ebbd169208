package app.knuckle.desktop.window;

import app.knuckle.desktop.controls.Shown;
import app.knuckle.desktop.workbench.Joint;
import app.knuckle.desktop.workbench.SlipViewModel;
import java.util.Collection;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.Map;
import javafx.scene.Node;

/**
 * The views of joints that were looked at lately. What was not looked at for long is let go, with
 * its pixels, and made anew when it is looked at again; a view at which something is unfinished
 * stays.
 */
final class Views {

  /** As many as someone goes back and forth between: all joints of one inquiry, and some more. */
  private static final int MOST = 12;

  private record Key(SlipViewModel slip, Joint joint) {}

  /** The one looked at longest ago is first. */
  private final Map<Key, Node> views = new LinkedHashMap<>(16, 0.75f, true);

  /** The view of a joint, looked at now. */
  Node of(SlipViewModel slip, Joint joint) {
    Node view = views.computeIfAbsent(new Key(slip, joint), Views::make);
    letGo();
    return view;
  }

  private static Node make(Key key) {
    Node view = Joints.of(key.joint()).view().apply(key.slip());
    Shown.of(view).set(false);
    return view;
  }

  private void letGo() {
    int many = views.size() - MOST;
    Iterator<Node> oldest = views.values().iterator();
    while (many > 0 && oldest.hasNext()) {
      Node view = oldest.next();
      if (!Shown.of(view).get() && !Shown.isUnfinished(view)) {
        oldest.remove();
        many--;
      }
    }
  }

  /** Lets go of the views of all other inquiries; they are closed. */
  void retain(Collection<SlipViewModel> open) {
    views
        .entrySet()
        .removeIf(
            e -> {
              boolean closed = !open.contains(e.getKey().slip());
              if (closed) {
                Shown.of(e.getValue()).set(false); // It hears of nothing any more.
              }
              return closed;
            });
  }

  /** How many are held. */
  int size() {
    return views.size();
  }
}
