package app.knuckle.study.look;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Progress;
import app.knuckle.stats.Quantity;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.sentences.AssociationSentence;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import app.knuckle.study.words.ExactP;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;

class LookTest {

  private static Frame frame(double[]... columns) {
    List<Numbers> made =
        java.util.stream.IntStream.range(0, columns.length)
            .mapToObj(c -> new Numbers("x" + c, "", columns[c]))
            .toList();
    return Frame.of(new Table("t", "", List.copyOf(made), ""));
  }

  private static final double NONE = Double.NaN;

  @Test
  void rowsThatLackAValueTakeNoPart() {
    Correlations all =
        Correlations.of(
            frame(new double[] {1, NONE, 3, 4}, new double[] {2, 5, NONE, 8}), List.of("x0", "x1"));
    assertThat(all.rows()).containsExactly(0, 3);
    assertThat(all.columns()[1]).containsExactly(2, 8);
    assertThat(all.canBeSaid()).isFalse();
    assertThat(all.matrix(Correlations.Measure.PEARSON).values()[0][1]).isNaN();
  }

  @Test
  void theMatricesOfAHandWorkedPair() {
    // x 1 2 3 4, y 1 3 2 4: products of deviations 4, squares 5 and 5, so r = 0.8; the ranks are
    // the values, so Spearman's is the same; five pairs agree and one does not: tau = 4/6.
    Correlations all =
        Correlations.of(
            frame(new double[] {1, 2, 3, 4}, new double[] {1, 3, 2, 4}), List.of("x0", "x1"));
    assertThat(all.matrix(Correlations.Measure.PEARSON).values()[0][1])
        .isCloseTo(0.8, within(1e-15));
    assertThat(all.matrix(Correlations.Measure.SPEARMAN).values()[1][0])
        .isCloseTo(0.8, within(1e-15));
    assertThat(all.matrix(Correlations.Measure.KENDALL).values()[0][1])
        .isCloseTo(2 / 3.0, within(1e-15));
    Correlations.Matrix covariance = all.matrix(Correlations.Measure.COVARIANCE);
    assertThat(covariance.values()[0][1]).isCloseTo(4 / 3.0, within(1e-15));
    assertThat(covariance.values()[0][0]).isCloseTo(5 / 3.0, within(1e-15));
    assertThat(covariance.p()[0][1]).isNaN();
  }

  @Test
  void theClosestPairIsSaid() {
    double[] x = {1, 2, 3, 4, 5, 6};
    double[] y = {1.1, 1.9, 3.2, 3.9, 5.1, 6};
    double[] z = {5, 1, 4, 4, 2, 5};
    List<String> names = List.of("x0", "x1", "x2");
    Correlations three = Correlations.of(frame(x, y, z), names);
    assertThat(
            AssociationSentence.of(three, List.of("length", "mean", "depth"), 0.05, ExactP.USUAL))
        .startsWith(
            "1 of 3 pairs of columns were found to go together, each judged by itself; closest")
        .contains("‘mean’", "r = 1.00, p < .001");
    Correlations two = Correlations.of(frame(x, z), List.of("x0", "x1"));
    assertThat(AssociationSentence.of(two, List.of("length", "depth"), 0.05, ExactP.USUAL))
        .startsWith("No evidence that they go together: length and depth, r = ");
    double[] same = new double[6];
    assertThat(
            AssociationSentence.of(
                Correlations.of(frame(x, same), List.of("x0", "x1")),
                List.of("a", "b"),
                0.05,
                ExactP.USUAL))
        .contains("no pair of them has a correlation");
  }

  @Test
  void eachGroupIsTestedByItselfAndManyGroupsCost() {
    double[] even = new double[30];
    Arrays.setAll(even, i -> i);
    double[] skewed = new double[30];
    Arrays.setAll(skewed, i -> Math.exp(i / 3.0));
    List<BellShape> shapes =
        BellShape.of(
            List.of(even, skewed, new double[] {1, 2}, new double[BellShape.MOST_VALUES + 1]),
            Progress.NONE);
    assertThat(shapes.get(0).shapiroWilkP().value()).isGreaterThan(0.05);
    assertThat(shapes.get(1).shapiroWilkP().value()).isLessThan(0.001);
    assertThat(shapes.get(1).andersonDarlingP().value()).isLessThan(0.001);
    assertThat(shapes.get(2).shapiroWilkP().exists()).isFalse();
    assertThat(shapes.get(3).shapiroWilk().why()).isEqualTo(Absence.OVER_20000);
    assertThat(BellShape.times(Quantity.of(0.02), 4).value()).isCloseTo(0.08, within(1e-15));
    assertThat(BellShape.times(Quantity.of(0.6), 4).value()).isEqualTo(1);
  }
}
