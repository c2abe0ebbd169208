package app.knuckle.desktop.compare;

import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.figures.style.Shown;
import app.knuckle.figures.style.Style;
import javafx.scene.control.Button;

/** Sets a bracket over the pair that was read last into the figure, or takes it away. */
final class PairBracket extends Button {

  private final SlipViewModel slip;
  private final ComparePage page;
  private Style.Couple couple;

  PairBracket(SlipViewModel slip, ComparePage page) {
    this.slip = slip;
    this.page = page;
    setId("pair-bracket");
    getStyleClass().add("small-button");
    Texts.hint(this, "The figure joins the two means by a bracket with its p. Key: B");
    setOnAction(event -> turn());
    say();
  }

  /** The pair that is read now, by row and column of the board. */
  void of(int row, int column) {
    couple = new Style.Couple(page.rungs().get(row).name(), page.rungs().get(column).name());
    say();
  }

  void turn() {
    if (couple != null) {
      slip.styleProperty().set(slip.styleProperty().get().bracketing(couple));
      say();
    }
  }

  private void say() {
    Style style = slip.styleProperty().get();
    boolean there =
        couple != null
            && style.shown().above() == Shown.Above.BRACKETS
            && style.bracketed().stream().anyMatch(c -> c.isOf(couple.first(), couple.second()));
    setText(there ? "Take its bracket out of the figure" : "Bracket this pair in the figure");
    setDisable(couple == null);
  }
}
