package app.knuckle.desktop.compare;

import app.knuckle.desktop.controls.Texts;
import java.util.ArrayList;
import java.util.List;
import javafx.css.PseudoClass;
import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;

/** Ranked means on one scale, with their letters in aligned columns. */
final class Ladder extends Pane {

  private static final PseudoClass DIMMED = PseudoClass.getPseudoClass("dimmed");
  private static final double ROW = 38;
  private static final double FOOT = 48;
  private static final double LONGEST_NAME = 300;
  private static final double CHARACTER = 7.6;
  private static final double VALUE = 64;
  private static final double LETTER = 16;
  private static final double GAP = 16;
  private static final double DOT = 6;

  private final ComparePage page;
  private final double names;
  private final List<Rung> rungs = new ArrayList<>();
  private final List<Line> grid = new ArrayList<>();
  private final List<Label> ticks = new ArrayList<>();
  private final Label scale;

  private record Rung(
      Region ground, Label name, Line whisker, Circle dot, Label value, List<Label> letters) {}

  Ladder(ComparePage page) {
    this.page = page;
    int longest = page.rungs().stream().mapToInt(r -> r.name().length()).max().orElse(0);
    names = Math.min(LONGEST_NAME, longest * CHARACTER + GAP);
    setId("ladder");
    getStyleClass().add("ladder");
    for (ComparePage.Tick tick : page.ticks()) {
      Line line = new Line();
      line.getStyleClass().add("ladder-grid");
      grid.add(line);
      ticks.add(Texts.line(tick.text(), "ladder-tick"));
    }
    scale = Texts.line(page.scaleTitle(), "ladder-scale");
    getChildren().addAll(grid);
    getChildren().addAll(ticks);
    getChildren().add(scale);
    for (int i = 0; i < page.rungs().size(); i++) {
      rungs.add(rung(i));
    }
    setMinWidth(names + VALUE + 200 + LETTER * page.letters());
    setPrefHeight(ROW * page.rungs().size() + FOOT);
    setMinHeight(USE_PREF_SIZE);
  }

  private Rung rung(int index) {
    ComparePage.Rung shown = page.rungs().get(index);
    Region ground = new Region();
    ground.getStyleClass().add("rung");
    Label name = Texts.line(shown.name(), "rung-name");
    name.setId("rung-" + index);
    Line whisker = new Line();
    whisker.getStyleClass().add("rung-whisker");
    Circle dot = new Circle(DOT);
    dot.getStyleClass().add("rung-dot");
    Label value = Texts.line(shown.mean(), "rung-value");
    List<Label> letters = new ArrayList<>();
    for (int l = 0; l < shown.has().size(); l++) {
      boolean has = shown.has().get(l);
      Label letter = Texts.line(has ? letterAt(shown, l) : "", "rung-letter");
      letters.add(letter);
    }
    getChildren().addAll(ground, whisker, dot, name, value);
    getChildren().addAll(letters);
    for (Region part : List.of(ground, name, value)) {
      part.setOnMouseEntered(event -> dimAllButCompany(index));
      part.setOnMouseExited(event -> pointAtNothing());
    }
    return new Rung(ground, name, whisker, dot, value, letters);
  }

  /** The letter of a column, read off the mean's own letters. */
  private static String letterAt(ComparePage.Rung shown, int column) {
    int before = 0;
    for (int l = 0; l < column; l++) {
      before += shown.has().get(l) ? 1 : 0;
    }
    return shown.letters().replaceAll("(.'*)", "$1 ").split(" ")[before];
  }

  /** Dims the means that differ from one. */
  private void dimAllButCompany(int index) {
    for (int other = 0; other < rungs.size(); other++) {
      boolean shares = other == index;
      for (int l = 0; l < page.letters(); l++) {
        shares |= page.rungs().get(index).has().get(l) && page.rungs().get(other).has().get(l);
      }
      dim(other, !shares);
    }
  }

  /** Dims all means but the two of a pair. */
  void point(int row, int column) {
    for (int i = 0; i < rungs.size(); i++) {
      dim(i, i != row && i != column);
    }
  }

  /** Dims nothing. */
  void pointAtNothing() {
    for (int i = 0; i < rungs.size(); i++) {
      dim(i, false);
    }
  }

  private void dim(int index, boolean dimmed) {
    Rung rung = rungs.get(index);
    rung.name().pseudoClassStateChanged(DIMMED, dimmed);
    rung.value().pseudoClassStateChanged(DIMMED, dimmed);
    rung.dot().pseudoClassStateChanged(DIMMED, dimmed);
    rung.whisker().pseudoClassStateChanged(DIMMED, dimmed);
    rung.letters().forEach(l -> l.pseudoClassStateChanged(DIMMED, dimmed));
  }

  @Override
  protected void layoutChildren() {
    double letters = LETTER * page.letters();
    double left = names + GAP;
    double right = getWidth() - letters - VALUE - GAP;
    double bottom = ROW * rungs.size();
    for (int t = 0; t < ticks.size(); t++) {
      double x = left + page.ticks().get(t).at() * (right - left);
      Line line = grid.get(t);
      line.setStartX(x);
      line.setEndX(x);
      line.setStartY(0);
      line.setEndY(bottom);
      Label tick = ticks.get(t);
      tick.autosize();
      tick.relocate(x - tick.getWidth() / 2, bottom + 4);
    }
    scale.autosize();
    scale.relocate(left + (right - left - scale.getWidth()) / 2, bottom + 24);
    for (int i = 0; i < rungs.size(); i++) {
      place(i, left, right, letters);
    }
  }

  private void place(int index, double left, double right, double letters) {
    Rung rung = rungs.get(index);
    ComparePage.Rung shown = page.rungs().get(index);
    double middle = (index + 0.5) * ROW;
    double x = left + shown.at() * (right - left);
    rung.ground().resizeRelocate(0, index * ROW, getWidth(), ROW);
    rung.name().resize(names, ROW);
    rung.name().relocate(0, index * ROW);
    rung.whisker().setStartX(left + shown.low() * (right - left));
    rung.whisker().setEndX(left + shown.high() * (right - left));
    rung.whisker().setStartY(middle);
    rung.whisker().setEndY(middle);
    rung.dot().setCenterX(x);
    rung.dot().setCenterY(middle);
    double valueLeft = getWidth() - letters - VALUE;
    rung.value().resize(VALUE - GAP, ROW);
    rung.value().relocate(valueLeft, index * ROW);
    for (int l = 0; l < rung.letters().size(); l++) {
      Label letter = rung.letters().get(l);
      letter.resize(LETTER, ROW);
      letter.relocate(getWidth() - letters + l * LETTER, index * ROW);
    }
  }
}
