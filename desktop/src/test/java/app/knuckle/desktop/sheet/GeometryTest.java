package app.knuckle.desktop.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

class GeometryTest {

  private static final int MILLION = 1_000_000;

  /** Three columns of 100, rows of 30 under a head of 90, names of 50; 250 by 240 are seen. */
  private static final Geometry SHEET =
      Geometry.of(new double[] {100, 100, 100}, MILLION, 50, 90, 30).sized(250, 240);

  @Test
  void whatIsUnderAPointIsTheCellPaintedThere() {
    Geometry moved = SHEET.scrolled(60, 31);
    assertThat(moved.rowAt(89)).isEqualTo(Place.HEAD);
    assertThat(moved.rowAt(90)).isEqualTo(1);
    assertThat(moved.columnAt(49)).isEqualTo(Place.NAMES);
    assertThat(moved.columnAt(50 + 39)).isZero();
    assertThat(moved.columnAt(50 + 40)).isEqualTo(1);
    assertThat(moved.left(1)).isEqualTo(90);
    assertThat(moved.top(1)).isEqualTo(89);
  }

  @Test
  void beyondTheLastCellThereIsNothing() {
    Geometry small = Geometry.of(new double[] {100}, 2, 50, 90, 30).sized(250, 240);
    assertThat(small.rowAt(90 + 59)).isEqualTo(1);
    assertThat(small.rowAt(90 + 60)).isEqualTo(Place.NOWHERE);
    assertThat(small.columnAt(150)).isEqualTo(Place.NOWHERE);
    assertThat(small.mostX()).isZero();
    assertThat(small.mostY()).isZero();
    assertThat(small.lastRow()).isEqualTo(1);
    assertThat(Geometry.of(new double[0], 0, 50, 90, 30).sized(250, 240).lastRow()).isNegative();
  }

  @Test
  void itGoesNoFurtherThanItsLastRowAndColumn() {
    Geometry end = SHEET.scrolled(1e9, 1e12);
    assertThat(end.lastRow()).isEqualTo(MILLION - 1);
    assertThat(end.top(MILLION - 1) + 30).isEqualTo(240);
    assertThat(end.left(2) + 100).isEqualTo(250);
    assertThat(SHEET.scrolled(-5, -5).scrollX()).isZero();
  }

  @Test
  void headsAreTakenHoldOfAtTheirRightEdge() {
    assertThat(SHEET.edgeAt(153)).isZero();
    assertThat(SHEET.edgeAt(147)).isZero();
    assertThat(SHEET.edgeAt(160)).isEqualTo(Place.NOWHERE);
    assertThat(SHEET.scrolled(100, 0).edgeAt(150)).isEqualTo(1);
  }

  @Property
  void aCellGoneToIsSeenWhole(
      @ForAll @IntRange(max = MILLION - 1) int row,
      @ForAll @IntRange(max = 2) int column,
      @ForAll @IntRange(max = MILLION) int scrolled) {
    Geometry shown = SHEET.scrolled(scrolled, scrolled * 30.0).showing(new Place(row, column));
    assertThat(shown.top(row)).isBetween(90.0, 240.0 - 30);
    assertThat(shown.left(column)).isBetween(50.0, 250.0 - 100);
    assertThat(shown.showing(new Place(row, column)).scrollY()).isEqualTo(shown.scrollY());
  }
}
