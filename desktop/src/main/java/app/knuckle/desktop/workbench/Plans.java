package app.knuckle.desktop.workbench;

import app.knuckle.desktop.background.Lane;
import app.knuckle.study.fieldbook.FilledBook;
import app.knuckle.study.plan.Plan;
import app.knuckle.study.table.Table;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.collections.FXCollections;
import javafx.collections.ObservableList;

/** The plans of trials on a workbench. */
public final class Plans {

  private final ObservableList<PlanSlip> all = FXCollections.observableArrayList();
  private final Lane recognising = Lane.inTurn();
  private final Did did;

  /** What is told of changes. */
  interface Did {
    /**
     * Something was done.
     *
     * @param change what it is called
     * @param further whether it goes on with the change before, and is undone with it
     */
    void change(String change, boolean further);
  }

  Plans(Did did) {
    this.did = did;
  }

  /** The plans, in the order in which they were made. */
  public ObservableList<PlanSlip> all() {
    return all;
  }

  /**
   * Adds a plan.
   *
   * @param plan under a name that another may have too
   * @return the plan as it is open
   */
  public PlanSlip add(Plan plan) {
    PlanSlip slip = new PlanSlip(new Object(), plan);
    all.add(slip);
    did.change("plan " + plan.name(), false);
    return slip;
  }

  /**
   * Changes a plan.
   *
   * @param slip one of the plans
   * @param plan what it is from now on
   * @param further whether this goes on with the change before
   */
  public void change(PlanSlip slip, Plan plan, boolean further) {
    boolean same = slip.plan().equals(plan);
    slip.set(plan);
    if (!same) {
      did.change("change the plan " + plan.name(), further);
    }
  }

  /**
   * Takes a plan off the bench.
   *
   * @param slip one of the plans
   */
  public void remove(PlanSlip slip) {
    all.remove(slip);
    did.change("remove the plan " + slip.plan().name(), false);
  }

  /**
   * Looks whether records are the filled book of a plan, beside the interface thread.
   *
   * @param table records that were opened
   * @param found told if they are
   */
  void recognise(Table table, Consumer<FilledBook> found) {
    List<Plan> plans = all.stream().map(PlanSlip::plan).toList();
    if (!plans.isEmpty()) {
      recognising.run(
          progress ->
              plans.stream()
                  .map(plan -> FilledBook.of(plan, table))
                  .flatMap(Optional::stream)
                  .findFirst(),
          book -> book.ifPresent(found));
    }
  }

  List<PlanSlip.Kept> kept() {
    return all.stream().map(PlanSlip::kept).toList();
  }

  /** Puts plans there that were there before, or are read from a file. */
  void restore(List<PlanSlip.Kept> kept) {
    List<PlanSlip> wanted = new ArrayList<>();
    for (PlanSlip.Kept one : kept) {
      PlanSlip slip =
          all.stream()
              .filter(s -> s.id() == one.id())
              .findFirst()
              .orElseGet(() -> new PlanSlip(one.id(), one.plan()));
      slip.set(one.plan());
      wanted.add(slip);
    }
    if (!all.equals(wanted)) {
      all.setAll(wanted);
    }
  }
}
