package app.knuckle.desktop.window;

import javafx.animation.AnimationTimer;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;

/** Shows a control by its id, which may come only with the next pulses. */
final class Places {

  /** Long pages come part by part; what is not there after so many pulses does not come. */
  private static final int MOST_PULSES = 120;

  private Places() {}

  /**
   * Puts the keyboard on a control as soon as it is there. A step's form opens; a slot or a way to
   * take something away waits to be used.
   *
   * @param within where it will be
   * @param id of a control, or of an entry of a menu
   * @param missing what is done where it does not come
   */
  static void show(Parent within, String id, Runnable missing) {
    new AnimationTimer() {
      private int pulses;

      @Override
      public void handle(long now) {
        if (reach(within, id)) {
          stop();
        } else if (++pulses > MOST_PULSES) {
          stop();
          missing.run();
        }
      }
    }.start();
  }

  private static boolean reach(Parent within, String id) {
    Node there = within.lookup("#" + id);
    if (there != null && there.isVisible()) {
      there.requestFocus();
      return true;
    }
    for (Node node : within.lookupAll(".menu-button")) {
      if (node instanceof MenuButton menu) {
        for (MenuItem item : menu.getItems()) {
          if (id.equals(item.getId()) && !menu.isDisabled()) {
            menu.requestFocus();
            item.fire();
            return true;
          }
        }
      }
    }
    return false;
  }
}
