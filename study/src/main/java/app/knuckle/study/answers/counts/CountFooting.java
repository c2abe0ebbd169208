package app.knuckle.study.answers.counts;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Progress;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.compare.Trend;
import app.knuckle.stats.counts.CountChecks;
import app.knuckle.stats.counts.CountFit;
import app.knuckle.stats.counts.CountKind;
import app.knuckle.stats.counts.CountRows;
import app.knuckle.stats.counts.DevianceTest;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.Residuals;
import app.knuckle.stats.linear.Term;
import app.knuckle.stats.means.DegreesOfFreedom;
import app.knuckle.study.answers.asked.Contrasts;
import app.knuckle.study.checks.GroupChecks;
import app.knuckle.study.design.Compare;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.CheckResult;
import app.knuckle.study.findings.CheckResult.Judgement;
import app.knuckle.study.findings.CheckTest;
import app.knuckle.study.findings.CheckedOn;
import app.knuckle.study.findings.GroupCheck;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.words.Phrases;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** What an answer about counts stands on. */
final class CountFooting {

  /** With fewer degrees of freedom the spread is hardly known. */
  private static final int FEWEST_DF = 4;

  /** More than this share of small expected counts makes chi-squared a hint only. */
  private static final double MANY_SMALL = 0.2;

  private final Frame frame;
  private final Inquiry inquiry;
  private final List<Compare> compare;
  private final CountQuestion question;
  private final CountFit fit;
  private final CountChecks stats;
  private final List<CheckResult> checks = new ArrayList<>();
  private final List<GroupCheck> groupChecks = new ArrayList<>();
  private Residuals residuals;

  CountFooting(Frame frame, CountQuestion question, List<Compare> compare, Progress progress) {
    this.frame = frame;
    inquiry = question.inquiry();
    this.compare = compare;
    this.question = question;
    fit = question.fit();
    stats = new CountChecks(fit);
    slopes(progress);
    trends(progress);
    dispersion(CheckTest.PEARSON, stats.pearson());
    dispersion(CheckTest.DEVIANCE, stats.deviance());
    if (fit.figures().n() <= GroupChecks.MOST_VALUES) {
      CountRows rows = CountRows.of(fit);
      outlier(stats.outlier(rows, question.rows().counts(), question.rows().sizes(), progress));
      residuals = residuals(rows);
    }
    if (fit.model().kind() == CountKind.COUNTS) {
      zeros(stats.zeros());
    }
    expected(CheckedOn.Whole.ROWS, stats.ofRows());
    expected(CheckedOn.Whole.CELLS, stats.ofCells(inquiry.treatments()));
  }

  List<CheckResult> checks() {
    return checks;
  }

  List<GroupCheck> groupChecks() {
    return groupChecks;
  }

  /** What is left of each row; null of too many. */
  Residuals residuals() {
    return residuals;
  }

  private Residuals residuals(CountRows rows) {
    double df = fit.model().overdispersion() ? fit.figures().errorDf() - 1.0 : 0;
    return Residuals.ofCounts(
        rows.rows(),
        rows.fitted(),
        rows.residuals(),
        rows.leverages(),
        rows.deletion(),
        new Residuals.OfCounts(rows.pearson(), rows.deviance()),
        df);
  }

  private void slopes(Progress progress) {
    List<Term> treatments =
        fit.model().fixed().terms().stream()
            .filter(t -> inquiry.treatments().containsAll(t.names()))
            .toList();
    for (String covariate : inquiry.covariates()) {
      add(
          CheckTest.PARALLEL_SLOPES,
          covariate,
          fit.slopes(covariate, treatments, progress),
          say("check.slopes.sound", covariate),
          say("check.slopes.odd", covariate));
    }
  }

  private void trends(Progress progress) {
    for (Compare c : compare) {
      if (c.trend() > 0 && c.of().size() == 1) {
        String name = c.of().get(0);
        Factor factor = question.parts().factor(name);
        double[] levels = Contrasts.levelsAsNumbers(factor);
        int degree = Math.min(c.trend(), levels.length - 1);
        add(
            CheckTest.LACK_OF_FIT,
            "",
            fit.remainder(name, Trend.weights(levels, degree), progress),
            say("check.trends.sound", name),
            say("check.trends.odd", name));
      }
    }
  }

  private void add(
      CheckTest test, String covariate, DevianceTest drop, String sound, String unsound) {
    Judgement judgement = Judgement.of(drop.p());
    List<Double> df = new ArrayList<>();
    if (drop.df().exists()) {
      df.add(drop.df().value());
    }
    if (drop.isF() && drop.errorDf().exists()) {
      df.add(drop.errorDf().value());
    }
    checks.add(
        new CheckResult(
            test,
            covariate,
            List.of(),
            drop.isF() ? CheckResult.Kind.F : CheckResult.Kind.CHI_SQUARED,
            drop.statistic(),
            df,
            drop.p(),
            Map.of("deviance", drop.deviance()),
            Map.of(),
            judgement,
            !drop.p().exists()
                ? say("check.impossible", Phrases.why(drop.p()))
                : judgement.isOdd() ? unsound : sound));
  }

  private void dispersion(CheckTest test, CountChecks.Dispersion d) {
    boolean estimated = fit.model().overdispersion();
    Judgement judgement =
        !d.p().exists()
            ? Judgement.CANNOT_TELL
            : !estimated
                ? Judgement.of(d.p())
                : d.df() < FEWEST_DF || d.less().value() <= 0.01
                    ? Judgement.CAUTION
                    : Judgement.SOUND;
    String words =
        !d.p().exists()
            ? say("check.chance.unknown", Phrases.why(d.p()))
            : !estimated
                ? say(judgement.isOdd() ? "check.chance.odd" : "check.chance.sound")
                : d.df() < FEWEST_DF
                    ? say("check.chance.few")
                    : say(
                        d.less().value() <= 0.01 ? "check.chance.less" : "check.chance.estimated");
    GroupCheck.Dispersion found =
        new GroupCheck.Dispersion(
            d.statistic(), List.of((double) d.df()), d.dispersion(), d.p(), d.less());
    groupChecks.add(new GroupCheck(test, CheckedOn.Whole.COUNTS, found, judgement, words));
  }

  private void outlier(CountChecks.Outlier o) {
    Judgement judgement =
        o == null ? Judgement.CANNOT_TELL : Judgement.of(Quantity.of(o.adjustedP()));
    groupChecks.add(
        new GroupCheck(
            CheckTest.DELETION,
            CheckedOn.Whole.COUNTS,
            oddRow(o),
            judgement,
            o == null
                ? say("check.row.unjudged")
                : judgement.isOdd()
                    ? say("check.row.odd", String.valueOf(frame.sourceRow(o.row()) + 1))
                    : say("check.row.sound")));
  }

  private GroupCheck.OddCount oddRow(CountChecks.Outlier o) {
    if (o == null) {
      Quantity none = Quantity.absent(Absence.NO_ROW_BY_ITSELF);
      return new GroupCheck.NoOddRow(none, none, none);
    }
    int row = frame.sourceRow(o.row()) + 1;
    Quantity statistic = Quantity.of(o.statistic());
    Quantity p = Quantity.of(o.p());
    Quantity adjusted = Quantity.of(o.adjustedP());
    return o.df() == DegreesOfFreedom.UNBOUNDED
        ? new GroupCheck.OddByChance(
            row, statistic, Quantity.absent(Absence.NORMAL_DISTRIBUTION), p, adjusted, o.n())
        : new GroupCheck.OddByT(row, statistic, List.of(o.df()), p, adjusted, o.n());
  }

  private void zeros(CountChecks.Zeros z) {
    Judgement judgement = Judgement.of(z.p());
    GroupCheck.Zeros found =
        new GroupCheck.Zeros(z.observed(), Quantity.of(z.expected()), z.z(), z.p());
    groupChecks.add(
        new GroupCheck(
            CheckTest.EXCESS_ZEROS,
            CheckedOn.Whole.COUNTS,
            found,
            judgement,
            !z.p().exists()
                ? say("check.zeros.unexpected")
                : say(judgement.isOdd() ? "check.zeros.odd" : "check.zeros.sound")));
  }

  private void expected(CheckedOn on, CountChecks.Expected e) {
    boolean odd = e.below1() > 0 || e.below5() > MANY_SMALL * e.n();
    GroupCheck.ExpectedCounts found =
        new GroupCheck.ExpectedCounts(e.n(), Quantity.of(e.smallest()), e.below1(), e.below5());
    groupChecks.add(
        new GroupCheck(
            CheckTest.SMALL_EXPECTED,
            on,
            found,
            odd ? Judgement.CAUTION : Judgement.SOUND,
            say("check.expected." + on.key() + (odd ? ".odd" : ".sound"))));
  }
}
