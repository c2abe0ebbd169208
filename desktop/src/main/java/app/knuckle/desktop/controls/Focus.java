package app.knuckle.desktop.controls;

import javafx.scene.Node;
import javafx.scene.Parent;

/** Keeps the keyboard where it was while a page is made anew. */
public final class Focus {

  private Focus() {}

  /**
   * Makes a page anew; what had the keyboard before has it after, if it has an identifier and is
   * still there.
   *
   * @param page whose content changes
   * @param change makes it anew
   */
  public static void keep(Parent page, Runnable change) {
    Node owner = page.getScene() == null ? null : page.getScene().getFocusOwner();
    String id = owner != null && isWithin(owner, page) ? owner.getId() : null;
    change.run();
    if (id != null) {
      Node again = find(page, id);
      if (again != null) {
        again.requestFocus();
      }
    }
  }

  private static boolean isWithin(Node node, Parent page) {
    for (Node at = node; at != null; at = at.getParent()) {
      if (at == page) {
        return true;
      }
    }
    return false;
  }

  /** Walks, since identifiers hold characters that a selector would not take. */
  private static Node find(Parent parent, String id) {
    for (Node child : parent.getChildrenUnmodifiable()) {
      if (id.equals(child.getId())) {
        return child;
      }
      Node found = child instanceof Parent inner ? find(inner, id) : null;
      if (found != null) {
        return found;
      }
    }
    return null;
  }
}
