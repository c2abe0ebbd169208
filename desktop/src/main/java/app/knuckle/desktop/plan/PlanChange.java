package app.knuckle.desktop.plan;

import app.knuckle.study.plan.PlanDraft;
import java.util.function.Consumer;

/** Changes a plan. */
interface PlanChange {

  /**
   * Changes the plan, if that makes sense.
   *
   * @param where the slot that the change comes from: what goes on there is undone at once
   * @param change what is done
   * @return false if it makes no sense; the plan is then as it was
   */
  boolean change(String where, Consumer<PlanDraft> change);
}
