package app.knuckle.desktop.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class SelectionTest {

  private static Place at(int row, int column) {
    return new Place(row, column);
  }

  @Test
  void anAreaReachesFromItsAnchorInAnyDirection() {
    Selection up = Selection.of(at(5, 3)).stretchedTo(at(2, 1));
    assertThat(up.rows()).containsExactly(2, 3, 4, 5);
    assertThat(up.columns()).containsExactly(1, 2, 3);
    assertThat(up.focus()).isEqualTo(at(2, 1));
    Selection turned = up.stretchedTo(at(6, 3));
    assertThat(turned.rows()).containsExactly(5, 6);
    assertThat(turned.holds(5, 2)).isFalse();
  }

  @Test
  void areasAddUpWithoutWhatLiesBetween() {
    Selection both = Selection.of(at(1, 0)).and(at(4, 2), at(5, 2));
    assertThat(both.rows()).containsExactly(1, 4, 5);
    assertThat(both.columns()).containsExactly(0, 2);
    assertThat(both.holds(1, 0)).isTrue();
    assertThat(both.holds(1, 2)).isFalse();
    assertThat(both.holds(4, 0)).isFalse();
  }

  @Test
  void headsAreNoRows() {
    assertThat(Selection.of(at(Place.HEAD, 1)).rows()).isEmpty();
    assertThat(Selection.between(at(Place.HEAD, 1), at(1, 1)).rows()).containsExactly(0, 1);
  }

  @Test
  void inASmallerSheetTheNearestCellIsSelected() {
    Selection far = Selection.between(at(8, 4), at(9, 4));
    assertThat(far.within(10, 5)).isSameAs(far);
    assertThat(far.within(3, 2)).isEqualTo(Selection.of(at(2, 1)));
    assertThat(far.within(0, 0).focus()).isEqualTo(at(0, 0));
  }
}
