package app.knuckle.desktop.controls;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.ComboBoxBase;
import javafx.scene.control.Control;
import javafx.scene.control.Labeled;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.Pane;

/**
 * Lets a page that was just made come into the window from top to bottom, some parts before each
 * painting: styling all of it at once would be felt. It takes the page apart and puts it together
 * again as it was; what its view writes anew meanwhile stays as the view wrote it.
 */
public final class Unrolling {

  /**
   * Weight of what is styled before one painting; a label weighs two. A third of the time in which
   * nobody feels a wait, on a slow machine.
   */
  private static final int PIECE = 30;

  /** The same where code has not run yet, and takes several times as long. */
  private static final int FIRST_PIECE = 10;

  private static final int LABEL = 2;
  private static final int CONTROL = 6;
  private static final int LIST = 16;

  /** The first comes before nothing: what else the same event changed is painted first. */
  private final List<Runnable> pieces = new ArrayList<>(List.of(() -> {}));

  private final int most;

  private Unrolling(int most) {
    this.most = most;
  }

  /**
   * Begins; the first parts are there at the next painting.
   *
   * @param page not yet in a window
   * @param pulses to which its parts are given
   */
  public static void begin(Node page, Pulses pulses) {
    pulses.addFirst(new Unrolling(PIECE).of(page));
  }

  /**
   * Takes a page apart into the smallest pieces.
   *
   * @param page not yet in a window
   * @return what puts it together again, in order
   */
  public static List<Runnable> pieces(Node page) {
    return new Unrolling(FIRST_PIECE).of(page);
  }

  private List<Runnable> of(Node page) {
    take(page);
    return pieces;
  }

  /**
   * Begins to put parts into an empty pane.
   *
   * @param pane where they belong
   * @param parts from first to last
   * @param pulses to which they are given
   */
  public static void into(Pane pane, List<? extends Node> parts, Pulses pulses) {
    Unrolling unrolling = new Unrolling(PIECE);
    unrolling.put(pane, List.copyOf(parts));
    pulses.add(unrolling.pieces);
  }

  private void take(Node node) {
    if (node instanceof ScrollPane scroll && scroll.getContent() != null) {
      take(scroll.getContent());
    } else if (node instanceof BorderPane border) {
      List.copyOf(border.getChildren()).forEach(this::take);
    } else if (node instanceof Pane pane && weight(pane) > most) {
      takeApart(pane);
    }
  }

  private void takeApart(Pane pane) {
    List<Node> all = List.copyOf(pane.getChildren());
    pane.getChildren().clear();
    put(pane, all);
  }

  private void put(Pane pane, List<Node> all) {
    int from = 0;
    while (from < all.size()) {
      int to = from;
      int weight = 0;
      while (to < all.size() && (to == from || weight + weight(all.get(to)) <= most)) {
        weight += weight(all.get(to));
        to++;
      }
      int begin = from;
      List<Node> more = all.subList(from, to);
      pieces.add(
          () -> {
            if (pane.getChildren().equals(all.subList(0, begin))) {
              pane.getChildren().addAll(more);
            }
          });
      if (more.size() == 1) {
        take(more.get(0));
      }
      from = to;
    }
  }

  private static int weight(Node node) {
    if (node instanceof ScrollPane scroll) {
      return CONTROL + (scroll.getContent() == null ? 0 : weight(scroll.getContent()));
    }
    if (node instanceof ComboBoxBase) {
      return LIST;
    }
    if (node instanceof Labeled labeled) {
      return LABEL + (labeled.getGraphic() == null ? 0 : weight(labeled.getGraphic()));
    }
    if (node instanceof Control) {
      return CONTROL;
    }
    int all = 1;
    if (node instanceof Parent parent) {
      for (Node child : parent.getChildrenUnmodifiable()) {
        all += weight(child);
      }
    }
    return all;
  }
}
