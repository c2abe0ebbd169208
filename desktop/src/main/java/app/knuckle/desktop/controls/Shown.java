package app.knuckle.desktop.controls;

import javafx.beans.property.BooleanProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.value.ObservableValue;
import javafx.scene.Node;

/** Whether a view is shown, and what it hears of meanwhile. */
public final class Shown {

  private Shown() {}

  /**
   * Whether a view is shown. Who shows it says so here first, so that it is up to date before it
   * comes into the window.
   *
   * @param view any view
   * @return true unless it was set otherwise
   */
  public static BooleanProperty of(Node view) {
    return (BooleanProperty)
        view.getProperties().computeIfAbsent(Shown.class, key -> new SimpleBooleanProperty(true));
  }

  /** Asked of a view before it is let go. */
  public interface Unfinished {
    /**
     * Whether something was begun in the view that is not done: true if it would be lost with the
     * view.
     */
    boolean isUnfinished();
  }

  /**
   * Whether something was begun in a view that would be lost with it.
   *
   * @param view any view
   * @return false for a view that only shows
   */
  public static boolean isUnfinished(Node view) {
    return view instanceof Unfinished unfinished && unfinished.isUnfinished();
  }

  /**
   * A value as a view hears of it: at once while it is shown; when it is shown again, the latest.
   *
   * @param view that listens
   * @param value that changes
   * @param <T> its type
   * @return changes only while the view is shown
   */
  public static <T> ObservableValue<T> by(Node view, ObservableValue<T> value) {
    return value.when(of(view));
  }
}
