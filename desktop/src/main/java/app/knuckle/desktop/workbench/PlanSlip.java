package app.knuckle.desktop.workbench;

import app.knuckle.study.plan.Plan;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

/** A plan of a trial that is open. */
public final class PlanSlip {

  private final Object id;
  private final ReadOnlyObjectWrapper<Plan> plan = new ReadOnlyObjectWrapper<>();

  PlanSlip(Object id, Plan plan) {
    this.id = id;
    this.plan.set(plan);
  }

  /** What of a plan is kept for the history. */
  record Kept(Object id, Plan plan) {}

  Kept kept() {
    return new Kept(id, plan.get());
  }

  void set(Plan other) {
    plan.set(other);
  }

  /** The plan: never null. */
  public Plan plan() {
    return plan.get();
  }

  /** The plan as it changes. */
  public ReadOnlyObjectProperty<Plan> planProperty() {
    return plan.getReadOnlyProperty();
  }

  Object id() {
    return id;
  }
}
