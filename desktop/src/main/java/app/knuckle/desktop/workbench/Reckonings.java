package app.knuckle.desktop.workbench;

import app.knuckle.study.reckon.Reckoning;
import java.util.List;
import java.util.function.Consumer;
import javafx.collections.FXCollections;
import javafx.collections.ObservableList;

/** The reckonings that are kept on a workbench. */
public final class Reckonings {

  private final ObservableList<Reckoning> all = FXCollections.observableArrayList();

  /** Held here: one that nobody holds hears no more of the list after a collection. */
  private final ObservableList<Reckoning> shown = FXCollections.unmodifiableObservableList(all);

  private final Consumer<String> did;

  /** Whoever is told of changes, by what they are called. */
  Reckonings(Consumer<String> did) {
    this.did = did;
  }

  /** The reckonings, in the order in which they were kept. */
  public ObservableList<Reckoning> all() {
    return shown;
  }

  /**
   * Keeps a reckoning with the study.
   *
   * @param reckoning what was typed
   */
  public void keep(Reckoning reckoning) {
    all.add(reckoning);
    did.accept("keep " + reckoning.name());
  }

  /**
   * Puts a kept reckoning into the document of the study, or leaves it away.
   *
   * @param reckoning one of them
   * @param yes whether it stands there
   */
  public void choose(Reckoning reckoning, boolean yes) {
    all.replaceAll(one -> one.equals(reckoning) ? one.inDocument(yes) : one);
    did.accept("choose what stands in the document");
  }

  /**
   * Lets a kept reckoning go.
   *
   * @param reckoning one of them
   */
  public void letGo(Reckoning reckoning) {
    all.remove(reckoning);
    did.accept("let go of " + reckoning.name());
  }

  List<Reckoning> kept() {
    return List.copyOf(all);
  }

  /** Puts reckonings there that were there before, or are read from a file. */
  void restore(List<Reckoning> kept) {
    if (!all.equals(kept)) {
      all.setAll(kept);
    }
  }
}
