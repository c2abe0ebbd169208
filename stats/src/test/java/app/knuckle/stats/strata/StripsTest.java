package app.knuckle.stats.strata;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.knuckle.stats.anova.AnovaTable;
import app.knuckle.stats.linear.Estimable;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.Fit;
import app.knuckle.stats.linear.Model;
import app.knuckle.stats.linear.Squares;
import app.knuckle.stats.linear.Strata;
import app.knuckle.stats.linear.Term;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;

/** The layers of a split block are those of one model with every interaction with the blocks. */
class StripsTest {

  private static final int R = 4;
  private static final int A = 3;
  private static final int B = 2;
  private static final double SAME = 1e-9;

  private static Factor factor(String name, int levels, int step) {
    int[] codes = new int[R * A * B];
    Arrays.setAll(codes, i -> i / step % levels);
    return new Factor(name, IntStream.range(0, levels).mapToObj(l -> name + l).toList(), codes);
  }

  private static final Factor RACK = factor("rack", R, A * B);
  private static final Factor MESH = factor("mesh", A, B);
  private static final Factor DENSITY = factor("density", B, 1);

  private static Strips strips(double[] growth) {
    List<Term> terms = Term.combinations(List.of("mesh", "density"), 2);
    Strips.Plan plan =
        new Strips.Plan(
            RACK,
            List.of(MESH),
            List.of(DENSITY),
            terms,
            List.of("mesh error", "density error", "error"));
    return Strips.of(plan, growth);
  }

  private static double[] growth(long seed) {
    return new Random(seed).doubles(R * A * B, 5, 15).toArray();
  }

  @Property(tries = 40)
  void eachLayerIsTestedAgainstItsInteractionWithTheBlocks(@ForAll long seed) {
    double[] growth = growth(seed);
    List<Term> all = Term.combinations(List.of("rack", "mesh", "density"), 3);
    Fit fit =
        Fit.of(
            new Model(
                List.of(RACK, MESH, DENSITY), List.of(), all.subList(0, all.size() - 1), true),
            List.of(growth));
    AnovaTable table = strips(growth).table(Squares.AFTER_ALL, 0.05);
    check(table, 0, fit, Term.of("rack"), R - 1);
    check(table, 1, fit, Term.of("mesh"), A - 1);
    check(table, 2, fit, Term.of("rack", "mesh"), (R - 1) * (A - 1));
    check(table, 3, fit, Term.of("density"), B - 1);
    check(table, 4, fit, Term.of("rack", "density"), (R - 1) * (B - 1));
    check(table, 5, fit, Term.of("mesh", "density"), (A - 1) * (B - 1));
    AnovaTable.Row error = table.rows().get(6);
    assertThat(error.error().errorDf()).isEqualTo((R - 1) * (A - 1) * (B - 1));
    assertThat(error.error().errorSs()).isCloseTo(fit.error().of(0), within(SAME));
  }

  private static void check(AnovaTable table, int place, Fit fit, Term term, int df) {
    AnovaTable.Row row = table.rows().get(place);
    double ss = row.isError() ? row.error().errorSs() : row.effect().ss();
    assertThat(row.isError() ? row.error().errorDf() : row.effect().df()).isEqualTo(df);
    assertThat(ss)
        .as(row.source())
        .isCloseTo(fit.squares(term, Squares.IN_ORDER).of(0), within(SAME));
  }

  @Property(tries = 40)
  void meansArePlainAndTheirDifferencesRestOnTheirOwnStrips(@ForAll long seed) {
    double[] growth = growth(seed);
    Strips strips = strips(growth);
    Strata strata = strips.strata();
    Estimable cell = strata.mean(new int[] {-1, 1, 0});
    double plain =
        IntStream.range(0, growth.length)
            .filter(i -> MESH.codes()[i] == 1 && DENSITY.codes()[i] == 0)
            .mapToDouble(i -> growth[i])
            .average()
            .orElseThrow();
    assertThat(strata.origin() + strata.value(cell)).isCloseTo(plain, within(SAME));
    // Cochran and Cox: 2 Ea / rb between strips, 2 Eb / ra across, 2 (Ea + (b - 1) Ec) / rb within.
    double ea = strata.layers().get(1).errorMs().value();
    double eb = strata.layers().get(2).errorMs().value();
    double ec = strata.layers().get(3).errorMs().value();
    assertThat(variance(strata, 0, -1, 1, -1)).isCloseTo(2 * ea / (R * B), within(SAME));
    assertThat(variance(strata, -1, 0, -1, 1)).isCloseTo(2 * eb / (R * A), within(SAME));
    assertThat(variance(strata, 0, 0, 1, 0))
        .isCloseTo(2 * (ea + (B - 1) * ec) / (R * B), within(SAME));
    assertThat(variance(strata, 0, 0, 0, 1))
        .isCloseTo(2 * (eb + (A - 1) * ec) / (R * A), within(SAME));
  }

  private static double variance(Strata strata, int a, int b, int c, int d) {
    Estimable difference =
        strata.mean(new int[] {-1, a, b}).plus(-1, strata.mean(new int[] {-1, c, d}));
    return strata.covariance(difference, difference);
  }
}
