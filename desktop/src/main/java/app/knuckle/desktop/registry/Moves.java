package app.knuckle.desktop.registry;

import app.knuckle.desktop.moves.Move;
import app.knuckle.desktop.workbench.Joint;
import app.knuckle.desktop.workbench.Workbench;
import java.util.ArrayList;
import java.util.List;
import java.util.function.BiConsumer;
import java.util.function.Predicate;

/**
 * The registry of what can be done. Menus and keys take the moves of the study from it; the finder
 * lists all of them.
 */
public final class Moves {

  private final StudyMoves study;
  private final AskingMoves asking;
  private final PlaceMoves places;
  private final ThingMoves things;

  /**
   * The registry.
   *
   * @param workbench what is open
   * @param acts moves that need a dialog
   * @param askAgain offers what can be changed
   * @param opens whether a joint of the current inquiry can be gone to
   * @param showing goes to a joint and shows a control there, by its id; empty for the joint itself
   */
  public Moves(
      Workbench workbench,
      StudyActs acts,
      Runnable askAgain,
      Predicate<Joint> opens,
      BiConsumer<Joint, String> showing) {
    AsItStands bench = new AsItStands(workbench);
    study = new StudyMoves(bench, acts, askAgain);
    asking = new AskingMoves(bench, showing);
    places = new PlaceMoves(bench, opens, showing);
    things = new ThingMoves(bench, showing);
  }

  /**
   * What concerns the study as a whole: the moves of its menu, and of the keys that work
   * everywhere.
   */
  public List<Move> ofStudy() {
    return study.all();
  }

  /** The current inquiry, changed in one thing: a copy that is changed by hand first. */
  public List<Move> again() {
    return asking.again();
  }

  /** Everything that can be found by its name: possible or not. */
  public List<Move> all() {
    List<Move> all = new ArrayList<>(ofStudy());
    places.joints(all);
    asking.methods(all);
    asking.procedures(all);
    places.parts(all);
    places.steps(all);
    places.forms(all);
    places.pages(all);
    places.controls(all);
    things.slips(all);
    things.beside(all);
    things.columns(all);
    things.levels(all);
    things.settings(all);
    things.terms(all);
    things.topics(all);
    return all;
  }
}
