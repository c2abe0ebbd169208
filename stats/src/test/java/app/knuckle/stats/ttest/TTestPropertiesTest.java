package app.knuckle.stats.ttest;

import static app.knuckle.stats.Samples.sample;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Samples;
import app.knuckle.stats.anova.OneWay;
import app.knuckle.stats.compare.Direction;
import app.knuckle.stats.summary.GroupMoments;
import app.knuckle.stats.unequal.UnequalSpread;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

class TTestPropertiesTest {

  private static final double ALPHA = 0.05;

  private static TTest of(TTest.Form form, double[][] two, Direction direction) {
    return TTest.ofTwo(form, sample(two[0]), sample(two[1]), direction, ALPHA);
  }

  @Property(tries = 200)
  void bothFormsSquaredAreTheirAnalysesOfVariance(@ForAll long seed) {
    double[][] two = Samples.groups(seed, 2);
    GroupMoments moments = Samples.moments(two);
    double t = of(TTest.Form.POOLED, two, Direction.EITHER).test().statistic().value();
    double f = OneWay.fit(moments, ALPHA).treatment().f().value();
    assertThat(t * t).isCloseTo(f, within(1e-9 * (1 + f)));
    TTest welch = of(TTest.Form.WELCH, two, Direction.EITHER);
    UnequalSpread.FTest own = UnequalSpread.welch(moments, ALPHA);
    double w = welch.test().statistic().value();
    assertThat(w * w).isCloseTo(own.f().value(), within(1e-9 * (1 + f)));
    assertThat(welch.test().df().value()).isCloseTo(own.errorDf().value(), within(1e-8));
    assertThat(welch.test().p().value()).isCloseTo(own.p().value(), within(1e-9));
    UnequalSpread.FTest forsythe = UnequalSpread.brownForsythe(moments, ALPHA);
    assertThat(forsythe.f().value()).isCloseTo(own.f().value(), within(1e-9 * (1 + f)));
  }

  @Property(tries = 200)
  void anIntervalLeavesOutZeroExactlyWhenTheTestIsSignificant(@ForAll long seed) {
    double[][] two = Samples.groups(seed, 2);
    for (TTest.Form form : new TTest.Form[] {TTest.Form.POOLED, TTest.Form.WELCH}) {
      TTest test = of(form, two, Direction.EITHER);
      boolean outside = test.test().low().value() > 0 || test.test().high().value() < 0;
      assertThat(outside).isEqualTo(test.test().p().value() < ALPHA);
      boolean effect = test.dLow().value() > 0 || test.dHigh().value() < 0;
      if (form == TTest.Form.POOLED) {
        assertThat(effect).isEqualTo(outside);
      }
    }
  }

  @Property(tries = 100)
  void directionsShareOneAndTurningTheGroupsTurnsThem(@ForAll long seed) {
    double[][] two = Samples.groups(seed, 2);
    double[][] turned = {two[1], two[0]};
    double greater = of(TTest.Form.WELCH, two, Direction.GREATER).test().p().value();
    double less = of(TTest.Form.WELCH, two, Direction.LESS).test().p().value();
    double either = of(TTest.Form.WELCH, two, Direction.EITHER).test().p().value();
    assertThat(greater + less).isCloseTo(1, within(1e-12));
    assertThat(either).isCloseTo(2 * Math.min(greater, less), within(1e-12));
    TTest back = of(TTest.Form.WELCH, turned, Direction.LESS);
    assertThat(back.test().p().value()).isCloseTo(greater, within(1e-12));
    assertThat(back.cohenD().value())
        .isCloseTo(-of(TTest.Form.WELCH, two, Direction.LESS).cohenD().value(), within(1e-12));
  }

  @Test
  void aSampleByHand() {
    // 1, 2, 3, 6 against 1: mean 3, SS 14, SE sqrt(14 / 3 / 4), t = 2 / SE.
    TTest.Sample sample = new TTest.Sample(4, 3 - 1, 14);
    TTest test = TTest.ofOne(TTest.Form.ONE_SAMPLE, sample, Direction.EITHER, ALPHA);
    double se = Math.sqrt(14.0 / 12);
    assertThat(test.test().statistic().value()).isCloseTo(2 / se, within(1e-12));
    assertThat(test.test().df().value()).isEqualTo(3);
    assertThat(test.cohenD().value()).isCloseTo(2 / Math.sqrt(14.0 / 3), within(1e-12));
    // Hedges' factor on 3 df, Gamma(3/2) / (sqrt(3/2) Gamma(1)), is sqrt(pi) / 2 over sqrt(3/2).
    assertThat(test.hedgesFactor().value())
        .isCloseTo(Math.sqrt(Math.PI) / 2 / Math.sqrt(1.5), within(1e-12));
  }

  @Test
  void whatHasNoSpreadHasNoTestAndSaysWhy() {
    TTest lone =
        TTest.ofOne(TTest.Form.ONE_SAMPLE, new TTest.Sample(1, 2, 0), Direction.EITHER, ALPHA);
    assertThat(lone.test().p().exists()).isFalse();
    assertThat(lone.test().p().why()).isEqualTo(Absence.A_GROUP_OF_ONE);
    TTest same = TTest.ofOne(TTest.Form.PAIRS, new TTest.Sample(5, 2, 0), Direction.EITHER, ALPHA);
    assertThat(same.test().p().exists()).isFalse();
    assertThat(same.cohenD().exists()).isFalse();
  }
}
