package app.knuckle.desktop.controls;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import javafx.collections.ObservableList;
import javafx.scene.Node;
import javafx.scene.layout.Pane;

/**
 * The sections of a page, each made anew only where what it shows has changed: to style and lay out
 * a new node costs the window a hundred times what it costs to leave one where it is.
 *
 * <p>What a section does when it is used asks the slip as it is then, since the section may be
 * older than the answer.
 */
public final class Sections {

  private record Section(Object shown, Node node) {}

  private final ObservableList<Node> children;
  private final List<Node> nodes = new ArrayList<>();
  private Map<String, Section> before = new HashMap<>();
  private Map<String, Section> now = new HashMap<>();

  /** Sections of a page. */
  public Sections(Pane page) {
    children = page.getChildren();
  }

  /**
   * Adds a section.
   *
   * @param name that no other section of the page has
   * @param shown what it shows, as a value; equal values look alike
   * @param make makes its node
   */
  public void add(String name, Object shown, Supplier<Node> make) {
    Section known = before.get(name);
    Section section =
        known != null && known.shown.equals(shown) ? known : new Section(shown, make.get());
    now.put(name, section);
    nodes.add(section.node);
  }

  /** Adds a node that looks after itself. */
  public void add(Node node) {
    nodes.add(node);
  }

  /** Puts into the page what was added since the last time, and takes out what was not. */
  public void done() {
    put(nodes, children);
    nodes.clear();
    before = now;
    now = new HashMap<>();
  }

  /**
   * Makes children those of a list; whatever is there already stays where it is, as it is.
   *
   * @param nodes in their order, each once
   * @param children of a page
   */
  public static void put(List<Node> nodes, ObservableList<Node> children) {
    children.retainAll(nodes);
    for (int i = 0; i < nodes.size(); i++) {
      if (i >= children.size() || children.get(i) != nodes.get(i)) {
        children.remove(nodes.get(i));
        children.add(i, nodes.get(i));
      }
    }
  }
}
