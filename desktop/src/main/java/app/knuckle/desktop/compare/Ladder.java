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

  /**
   * Names take at most this share of the ladder; longer ones wrap, so that numbers stay in sight.
   */
  private static final double NAMES_SHARE = 0.35;

  private static final double CHARACTER = 7.6;
  private static final double VALUE = 64;
  private static final double WIDE_VALUE = 96;
  private static final double HEAD = 22;
  private static final double LETTER = 16;
  private static final double GAP = 16;
  private static final double DOT = 6;
  private static final double LEAST_NAMES = 90;
  private static final double LEAST_SCALE = 130;

  private ComparePage page;
  private final double widestName;
  private double names;
  private final List<Rung> rungs = new ArrayList<>();
  private final List<Line> grid = new ArrayList<>();
  private final List<Label> ticks = new ArrayList<>();
  private final Label scale;
  private final List<Label> heads = new ArrayList<>();
  private final List<Joint> joints = new ArrayList<>();
  private final double head;
  private final double values;

  /** A line between two neighbours that share a letter. */
  private record Joint(int rung, int column, Line line) {}

  private record Rung(
      Region ground,
      Label name,
      Line whisker,
      Circle dot,
      Circle plain,
      List<Label> values,
      List<Label> letters) {}

  Ladder(ComparePage page) {
    this.page = page;
    int longest = page.rungs().stream().mapToInt(r -> r.name().length()).max().orElse(0);
    widestName = Math.min(LONGEST_NAME, longest * CHARACTER + GAP);
    names = widestName;
    setId("ladder");
    getStyleClass().add("ladder");
    for (ComparePage.Tick tick : page.ticks()) {
      Line line = new Line();
      line.getStyleClass().add("ladder-grid");
      grid.add(line);
      ticks.add(Texts.line(tick.text(), "ladder-tick"));
    }
    scale = Texts.line(page.scaleTitle(), "ladder-scale");
    boolean more = page.valueHeads().size() > 1;
    head = more ? HEAD : 0;
    values = more ? WIDE_VALUE * page.valueHeads().size() : VALUE;
    for (int v = 0; more && v < page.valueHeads().size(); v++) {
      heads.add(Texts.line(page.valueHeads().get(v), "ladder-head"));
    }
    joinNeighbours();
    getChildren().addAll(grid);
    getChildren().addAll(ticks);
    getChildren().addAll(heads);
    joints.forEach(j -> getChildren().add(j.line()));
    getChildren().add(scale);
    for (int i = 0; i < page.rungs().size(); i++) {
      rungs.add(rung(i));
    }
    setMinWidth(LEAST_NAMES + values + LEAST_SCALE + LETTER * page.letters());
    setPrefHeight(head + ROW * page.rungs().size() + FOOT);
    setMinHeight(USE_PREF_SIZE);
  }

  /** Whether it has a place for everything that a page shows. */
  boolean takes(ComparePage other) {
    return other.letters() == page.letters()
        && other.valueHeads().equals(page.valueHeads())
        && other.ticks().equals(page.ticks())
        && names(other).equals(names(page));
  }

  private static List<String> names(ComparePage page) {
    return page.rungs().stream().map(ComparePage.Rung::name).toList();
  }

  /** Shows other means of the same names, and their letters, in the places that are there. */
  void show(ComparePage other) {
    List<ComparePage.Rung> before = page.rungs();
    page = other;
    scale.setText(other.scaleTitle());
    for (int i = 0; i < rungs.size(); i++) {
      if (!before.get(i).equals(other.rungs().get(i))) {
        fill(rungs.get(i), other.rungs().get(i));
      }
    }
    joints.forEach(joint -> getChildren().remove(joint.line()));
    joints.clear();
    joinNeighbours();
    int over = grid.size() + ticks.size() + heads.size();
    joints.forEach(joint -> getChildren().add(over, joint.line()));
    requestLayout();
  }

  private static void fill(Rung rung, ComparePage.Rung shown) {
    rung.plain().setVisible(!Double.isNaN(shown.plain()));
    rung.dot().setVisible(!Double.isNaN(shown.at()));
    rung.whisker()
        .setVisible(!Double.isNaN(shown.at()) && !Double.isNaN(shown.low() + shown.high()));
    for (int v = 0; v < rung.values().size(); v++) {
      rung.values().get(v).setText(shown.values().get(v));
    }
    for (int l = 0; l < rung.letters().size(); l++) {
      rung.letters().get(l).setText(shown.has().get(l) ? letterAt(shown, l) : "");
    }
  }

  private void joinNeighbours() {
    for (int i = 0; i + 1 < page.rungs().size(); i++) {
      for (int l = 0; l < page.letters(); l++) {
        if (page.rungs().get(i).has().get(l) && page.rungs().get(i + 1).has().get(l)) {
          Line line = new Line();
          line.getStyleClass().add("rung-joint");
          joints.add(new Joint(i, l, line));
        }
      }
    }
  }

  private Rung rung(int index) {
    ComparePage.Rung shown = page.rungs().get(index);
    Region ground = new Region();
    ground.getStyleClass().add("rung");
    Label name = Texts.line(shown.name(), "rung-name");
    name.setId("rung-" + index);
    name.setWrapText(true);
    Texts.hint(name, shown.name());
    Line whisker = new Line();
    whisker.getStyleClass().add("rung-whisker");
    Circle dot = new Circle(DOT);
    dot.getStyleClass().add("rung-dot");
    Circle plain = new Circle(DOT - 1);
    plain.getStyleClass().add("rung-plain");
    List<Label> values = new ArrayList<>();
    for (int v = 0; v < shown.values().size(); v++) {
      values.add(Texts.line("", v == 0 ? "rung-value" : "rung-more"));
    }
    List<Label> letters = new ArrayList<>();
    for (int l = 0; l < shown.has().size(); l++) {
      letters.add(Texts.line("", "rung-letter"));
    }
    getChildren().addAll(ground, whisker, plain, dot, name);
    getChildren().addAll(values);
    getChildren().addAll(letters);
    List<Region> parts = new ArrayList<>(values);
    parts.addAll(List.of(ground, name));
    for (Region part : parts) {
      part.setOnMouseEntered(event -> dimAllButCompany(index));
      part.setOnMouseExited(event -> pointAtNothing());
    }
    Rung rung = new Rung(ground, name, whisker, dot, plain, values, letters);
    fill(rung, shown);
    return rung;
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
    rung.values().forEach(v -> v.pseudoClassStateChanged(DIMMED, dimmed));
    rung.plain().pseudoClassStateChanged(DIMMED, dimmed);
    rung.dot().pseudoClassStateChanged(DIMMED, dimmed);
    rung.whisker().pseudoClassStateChanged(DIMMED, dimmed);
    rung.letters().forEach(l -> l.pseudoClassStateChanged(DIMMED, dimmed));
  }

  @Override
  protected void layoutChildren() {
    double letters = LETTER * page.letters();
    names = Math.min(widestName, Math.max(LEAST_NAMES, NAMES_SHARE * getWidth()));
    double left = names + GAP;
    double right = getWidth() - letters - values - GAP;
    double bottom = head + ROW * rungs.size();
    for (int t = 0; t < ticks.size(); t++) {
      double x = left + page.ticks().get(t).at() * (right - left);
      Line line = grid.get(t);
      line.setStartX(x);
      line.setEndX(x);
      line.setStartY(head);
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
    double each = values / page.valueHeads().size();
    for (int v = 0; v < heads.size(); v++) {
      heads.get(v).resize(each - GAP, HEAD);
      heads.get(v).relocate(getWidth() - letters - values + v * each, 0);
    }
    for (Joint joint : joints) {
      double x = getWidth() - letters + (joint.column() + 0.5) * LETTER;
      joint.line().setStartX(x);
      joint.line().setEndX(x);
      joint.line().setStartY(head + (joint.rung() + 0.5) * ROW + LETTER / 2);
      joint.line().setEndY(head + (joint.rung() + 1.5) * ROW - LETTER / 2);
    }
  }

  private void place(int index, double left, double right, double letters) {
    Rung rung = rungs.get(index);
    ComparePage.Rung shown = page.rungs().get(index);
    double top = head + index * ROW;
    double middle = top + ROW / 2;
    double x = left + (rung.dot().isVisible() ? shown.at() : 0) * (right - left);
    rung.ground().resizeRelocate(0, top, getWidth(), ROW);
    rung.name().resize(names, ROW);
    rung.name().relocate(0, top);
    boolean reaches = rung.whisker().isVisible();
    rung.whisker().setStartX(left + (reaches ? shown.low() : 0) * (right - left));
    rung.whisker().setEndX(left + (reaches ? shown.high() : 0) * (right - left));
    rung.whisker().setStartY(middle);
    rung.whisker().setEndY(middle);
    rung.dot().setCenterX(x);
    rung.dot().setCenterY(middle);
    rung.plain().setCenterX(left + (rung.plain().isVisible() ? shown.plain() : 0) * (right - left));
    rung.plain().setCenterY(middle);
    double each = values / rung.values().size();
    for (int v = 0; v < rung.values().size(); v++) {
      rung.values().get(v).resize(each - GAP, ROW);
      rung.values().get(v).relocate(getWidth() - letters - values + v * each, top);
    }
    for (int l = 0; l < rung.letters().size(); l++) {
      Label letter = rung.letters().get(l);
      letter.resize(LETTER, ROW);
      letter.relocate(getWidth() - letters + l * LETTER, top);
    }
  }
}
