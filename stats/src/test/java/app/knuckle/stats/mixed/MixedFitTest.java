package app.knuckle.stats.mixed;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import app.knuckle.stats.Progress;
import app.knuckle.stats.anova.AnovaTable;
import app.knuckle.stats.linear.Estimable;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.Fit;
import app.knuckle.stats.linear.Model;
import app.knuckle.stats.linear.Squares;
import app.knuckle.stats.linear.Strata;
import app.knuckle.stats.linear.Stratum;
import app.knuckle.stats.linear.Term;
import java.util.Arrays;
import java.util.List;
import net.jqwik.api.Assume;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;

/** Identities that hold of every experiment of their kind. */
class MixedFitTest {

  private static final Offset<Double> CLOSE = within(1e-8);

  private static AnovaTable table(Model model, double[] values) {
    return AnovaTable.of(
        new Stratum("error", Fit.of(model, List.of(values)), 0, 1), Squares.AFTER_ALL, 0.05);
  }

  private static Component component(MixedFit fit, int k) {
    return fit.components(0.05, Progress.NONE).get(k);
  }

  @Property(tries = 40)
  void completeBlocksAtRandomJudgeTreatmentsAsFixedOnesDo(
      @ForAll long seed,
      @ForAll @IntRange(min = 2, max = 5) int treatments,
      @ForAll @IntRange(min = 3, max = 7) int blocks) {
    Made made = Made.complete(seed, treatments, blocks, 1);
    AnovaTable fixed = table(made.fixed(made.block(), made.treatment()), made.values());
    AnovaTable.Row row = fixed.row(Term.of("t"));
    double ofBlocks = fixed.row(Term.of("b")).effect().ms();
    double ofError = fixed.finest().errorMs().value();
    Assume.that(ofBlocks > 1.01 * ofError);

    MixedFit fit = made.fit(made.fixed(made.treatment()), made.random(made.block()));

    MixedFit.Row mixed = fit.tests(0.05).get(0);
    assertThat(mixed.f().value()).isCloseTo(row.effect().f().value(), CLOSE);
    assertThat(mixed.errorDf().value()).isCloseTo(row.error().errorDf(), within(1e-6));
    assertThat(mixed.scale().value()).isCloseTo(1, CLOSE);
    assertThat(component(fit, 0).variance()).isCloseTo((ofBlocks - ofError) / treatments, CLOSE);
    Strata strata = new Strata(List.of(fixed.finest()));
    Estimable before = difference(strata.mean(new int[] {-1, 0}), strata.mean(new int[] {-1, 1}));
    Estimable after =
        difference(fit.mean(new int[] {0}, new double[0]), fit.mean(new int[] {1}, new double[0]));
    assertThat(fit.variance(after)).isCloseTo(strata.variance(before), CLOSE);
    assertThat(fit.value(after)).isCloseTo(strata.value(before), CLOSE);
  }

  private static Estimable difference(Estimable a, Estimable b) {
    return a.plus(-1, b);
  }

  @Property(tries = 40)
  void splitPlotsHaveTwoLayersOfNoise(
      @ForAll long seed,
      @ForAll @IntRange(min = 2, max = 3) int treatments,
      @ForAll @IntRange(min = 3, max = 6) int blocks) {
    int inner = 3;
    Made plots = Made.complete(seed, treatments, blocks, inner);
    int[] third = new int[plots.values().length];
    Arrays.setAll(third, i -> i / (treatments * blocks));
    Factor within = Made.factor("s", third);
    Model all =
        new Model(
            List.of(plots.block(), plots.treatment(), within),
            List.of(),
            List.of(Term.of("b"), Term.of("t"), Term.of("b", "t"), Term.of("s"), Term.of("t", "s")),
            true);
    AnovaTable fixed = table(all, plots.values());
    double whole = fixed.row(Term.of("b", "t")).effect().ms();
    double error = fixed.finest().errorMs().value();
    double ofBlocks = fixed.row(Term.of("b")).effect().ms();
    Assume.that(whole > 1.01 * error && ofBlocks > 1.01 * whole);
    Model asked =
        new Model(
            List.of(plots.treatment(), within),
            List.of(),
            List.of(Term.of("t"), Term.of("s"), Term.of("t", "s")),
            true);

    List<MixedFit.Row> rows =
        plots
            .fit(asked, plots.random(plots.block()), plots.random(plots.block(), plots.treatment()))
            .tests(0.05);

    assertThat(rows.get(0).f().value())
        .isCloseTo(fixed.row(Term.of("t")).effect().ms() / whole, within(1e-7));
    assertThat(rows.get(0).errorDf().value())
        .isCloseTo((treatments - 1.0) * (blocks - 1), within(1e-5));
    assertThat(rows.get(1).f().value())
        .isCloseTo(fixed.row(Term.of("s")).effect().ms() / error, within(1e-7));
    assertThat(rows.get(2).errorDf().value())
        .isCloseTo(treatments * (blocks - 1.0) * (inner - 1), within(1e-5));
  }

  @Property(tries = 40)
  void linesThatAreTheQuestionHaveAClosedForm(
      @ForAll long seed,
      @ForAll @IntRange(min = 3, max = 9) int lines,
      @ForAll @IntRange(min = 2, max = 6) int each) {
    Made made = Made.complete(seed, 1, lines, each);
    AnovaTable fixed = table(made.fixed(made.block()), made.values());
    double among = fixed.row(Term.of("b")).effect().ms();
    double error = fixed.finest().errorMs().value();
    Assume.that(among > 1.01 * error);

    MixedFit fit = made.fit(made.fixed(), made.random(made.block()));

    double variance = (among - error) / each;
    int dfa = lines - 1;
    int dfe = lines * (each - 1);
    Component line = component(fit, 0);
    assertThat(line.variance()).isCloseTo(variance, CLOSE);
    assertThat(line.precision().df().value())
        .isCloseTo(
            Math.pow(among - error, 2) / (among * among / dfa + error * error / dfe), within(1e-6));
    assertThat(line.moment().value()).isCloseTo(variance, CLOSE);
    assertThat(line.share().reliability().value())
        .isCloseTo(each * variance / (each * variance + error), CLOSE);
    assertThat(fit.figures().minusTwoLogLikelihood())
        .isCloseTo(
            dfa * Math.log(among)
                + dfe * Math.log(error)
                + dfa
                + dfe
                + (lines * each - 1) * Math.log(2 * Math.PI),
            CLOSE);
    assertThat(fit.effects().get(0).effects().stream().mapToDouble(u -> u).sum())
        .isCloseTo(0, CLOSE);
  }

  @Property(tries = 30)
  void anotherUnitMovesTheLikelihoodAndNothingElse(
      @ForAll long seed, @ForAll @IntRange(min = 1, max = 1000) int factor) {
    Made made = Made.of(seed, 3, 5, 3, 0.6);
    double[] turned = Arrays.stream(made.values()).map(y -> 1e5 - factor * y).toArray();
    Made other = new Made(made.treatment(), made.block(), made.plot(), turned);

    MixedFit one =
        made.fit(made.fixed(made.treatment()), made.random(made.block()), made.random(made.plot()));
    MixedFit two =
        other.fit(
            other.fixed(other.treatment()),
            other.random(other.block()),
            other.random(other.plot()));

    assertThat(two.tests(0.05).get(0).f().value())
        .isCloseTo(one.tests(0.05).get(0).f().value(), within(1e-5));
    int left = one.figures().n() - one.figures().rank();
    assertThat(two.figures().minusTwoLogLikelihood())
        .isCloseTo(
            one.figures().minusTwoLogLikelihood() + left * Math.log((double) factor * factor),
            within(1e-6));
  }

  @Property(tries = 40)
  void aComponentAtZeroIsAsIfItWereNotThere(@ForAll long seed) {
    Made made = Made.of(seed, 2, 6, 2, 1);
    double[] centred = made.values().clone();
    // Blocks are made to differ less than chance would have them: all block means alike.
    for (int b = 0; b < 6; b++) {
      double sum = 0;
      for (int i = 0; i < centred.length; i++) {
        sum += made.block().codes()[i] == b ? centred[i] : 0;
      }
      for (int i = 0; i < centred.length; i++) {
        centred[i] -= made.block().codes()[i] == b ? sum / 4 : 0;
      }
    }
    Made level = new Made(made.treatment(), made.block(), made.plot(), centred);

    MixedFit fit = level.fit(level.fixed(level.treatment()), level.random(level.block()));

    AnovaTable plain = table(level.fixed(level.treatment()), centred);
    double error = plain.finest().errorMs().value();
    Component block = component(fit, 0);
    assertThat(block.atZero()).isTrue();
    assertThat(block.test().p().value()).isEqualTo(1);
    assertThat(block.limits().low().value()).isZero();
    assertThat(fit.tests(0.05).get(0).f().value())
        .isCloseTo(plain.row(Term.of("t")).effect().f().value(), CLOSE);
    assertThat(fit.tests(0.05).get(0).errorDf().value()).isCloseTo(22, CLOSE);
    assertThat(fit.figures().minusTwoLogLikelihood())
        .isCloseTo(22 * (Math.log(2 * Math.PI) + Math.log(error) + 1), CLOSE);
  }

  @Test
  void incompleteBlocksGiveWhatYatesRecovers() {
    // Four treatments in all six pairs: t = 4, k = 2, r = 3, lambda = 1.
    int[][] pairs = {{0, 1}, {0, 2}, {0, 3}, {1, 2}, {1, 3}, {2, 3}};
    int[] t = new int[12];
    int[] b = new int[12];
    double[] y = {8.1, 6.4, 9.9, 7.7, 11.2, 9.6, 5.5, 6.6, 7.8, 10.4, 9.9, 10.8};
    for (int i = 0; i < 12; i++) {
      b[i] = i / 2;
      t[i] = pairs[i / 2][i % 2];
    }
    Made made = new Made(Made.factor("t", t), Made.factor("b", b), null, y);

    MixedFit fit = made.fit(made.fixed(made.treatment()), made.random(made.block()));

    List<Component> components = fit.components(0.05, Progress.NONE);
    double w = 1 / components.get(1).variance();
    double w2 = 1 / (components.get(1).variance() + 2 * components.get(0).variance());
    double grand = Arrays.stream(y).sum();
    double[] adjusted = new double[4];
    for (int i = 0; i < 4; i++) {
      double total = 0;
      double blocks = 0;
      for (int j = 0; j < 12; j++) {
        total += t[j] == i ? y[j] : 0;
        blocks += t[j] == i ? y[j / 2 * 2] + y[j / 2 * 2 + 1] : 0;
      }
      double q = total - blocks / 2;
      double q2 = blocks / 2 - 3 * grand / 12;
      adjusted[i] = (w * q + w2 * q2) / (w * 4 / 2.0 + w2 * (3 - 1) / 2.0);
    }
    for (int i = 1; i < 4; i++) {
      Estimable d =
          difference(
              fit.mean(new int[] {0}, new double[0]), fit.mean(new int[] {i}, new double[0]));
      assertThat(fit.value(d)).isCloseTo(adjusted[0] - adjusted[i], CLOSE);
    }
  }

  @Test
  void whatCannotBeToldApartIsRefusedByName() {
    Made made = Made.complete(7, 3, 4, 2);
    assertThatThrownBy(
            () -> made.fit(made.fixed(made.treatment(), made.block()), made.random(made.block())))
        .isInstanceOfSatisfying(
            NotEstimable.class,
            e -> {
              assertThat(e.reason()).isEqualTo(NotEstimable.Reason.CONFOUNDED);
              assertThat(e.sources()).containsExactly("b");
            });
    assertThatThrownBy(
            () -> made.fit(made.fixed(), made.random(made.block()), made.random(made.block())))
        .isInstanceOfSatisfying(
            NotEstimable.class,
            e -> assertThat(e.reason()).isEqualTo(NotEstimable.Reason.SAME_GROUPS));
    Made single = Made.complete(7, 3, 4, 1);
    assertThatThrownBy(() -> single.fit(single.fixed(), single.random(single.plot())))
        .isInstanceOfSatisfying(
            NotEstimable.class,
            e -> assertThat(e.reason()).isEqualTo(NotEstimable.Reason.LEVEL_PER_ROW));
    Made alike =
        new Made(
            made.treatment(),
            made.block(),
            made.plot(),
            Arrays.stream(made.treatment().codes()).mapToDouble(c -> c).toArray());
    assertThatThrownBy(() -> alike.fit(alike.fixed(alike.treatment()), alike.random(alike.block())))
        .isInstanceOfSatisfying(
            NotEstimable.class,
            e -> assertThat(e.reason()).isEqualTo(NotEstimable.Reason.NOTHING_LEFT));
  }
}
