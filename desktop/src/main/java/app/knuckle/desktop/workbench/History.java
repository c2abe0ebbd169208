package app.knuckle.desktop.workbench;

import app.knuckle.study.reckon.Reckoning;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;

/** Everything that was done in the window, by name, so that it can be undone and done again. */
public final class History {

  /** The slips at one moment, which of them was in front, and the plans: questions, no answers. */
  record Desk(
      List<SlipViewModel.Kept> slips,
      Object current,
      List<PlanSlip.Kept> plans,
      List<Reckoning> reckonings) {
    Desk {
      slips = List.copyOf(slips);
      plans = List.copyOf(plans);
      reckonings = List.copyOf(reckonings);
    }
  }

  private record Moment(String change, Desk desk) {}

  private final List<Moment> moments = new ArrayList<>();
  private final ReadOnlyStringWrapper undo = new ReadOnlyStringWrapper("");
  private final ReadOnlyStringWrapper redo = new ReadOnlyStringWrapper("");
  private final Consumer<Desk> restore;
  private int now = -1;

  History(Consumer<Desk> restore) {
    this.restore = restore;
  }

  /** Begins anew; what was before cannot be undone. */
  void begin(Desk desk) {
    moments.clear();
    now = -1;
    did("", desk);
  }

  /** Something was done. */
  void did(String change, Desk desk) {
    if (now >= 0 && moments.get(now).desk().equals(desk)) {
      return;
    }
    moments.subList(now + 1, moments.size()).clear();
    moments.add(new Moment(change, desk));
    now++;
    tell();
  }

  /** The last change again under the same name: what followed from it belongs to it. */
  void followedBy(Desk desk) {
    if (now >= 0) {
      moments.set(now, new Moment(moments.get(now).change(), desk));
    }
  }

  /** Undoes the last change. */
  public void undo() {
    if (now > 0) {
      now--;
      restore.accept(moments.get(now).desk());
      tell();
    }
  }

  /** Does again what was undone last. */
  public void redo() {
    if (now + 1 < moments.size()) {
      now++;
      restore.accept(moments.get(now).desk());
      tell();
    }
  }

  private void tell() {
    undo.set(now > 0 ? moments.get(now).change() : "");
    redo.set(now + 1 < moments.size() ? moments.get(now + 1).change() : "");
  }

  /** What would be undone: its name; empty when there is nothing. */
  public ReadOnlyStringProperty undoProperty() {
    return undo.getReadOnlyProperty();
  }

  /** What would be done again: its name; empty when there is nothing. */
  public ReadOnlyStringProperty redoProperty() {
    return redo.getReadOnlyProperty();
  }
}
