package app.knuckle.study.answers.counts;

import app.knuckle.stats.Facts;
import app.knuckle.stats.Progress;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.compare.Trend;
import app.knuckle.stats.counts.CountChecks;
import app.knuckle.stats.counts.CountFit;
import app.knuckle.stats.counts.CountKind;
import app.knuckle.stats.counts.CountRows;
import app.knuckle.stats.counts.Drop;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.Residuals;
import app.knuckle.stats.linear.Term;
import app.knuckle.stats.means.DegreesOfFreedom;
import app.knuckle.study.answers.asked.Contrasts;
import app.knuckle.study.checks.GroupChecks;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.CheckResult;
import app.knuckle.study.findings.CheckResult.Judgement;
import app.knuckle.study.findings.GroupCheck;
import app.knuckle.study.prep.Frame;
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
  private final CountQuestion question;
  private final CountFit fit;
  private final CountChecks stats;
  private final List<CheckResult> checks = new ArrayList<>();
  private final List<GroupCheck> groupChecks = new ArrayList<>();
  private Residuals residuals;

  CountFooting(Frame frame, Inquiry inquiry, CountQuestion question, Progress progress) {
    this.frame = frame;
    this.inquiry = inquiry;
    this.question = question;
    fit = question.fit();
    stats = new CountChecks(fit);
    slopes();
    trends();
    dispersion("pearson-chi-squared", stats.pearson());
    dispersion("deviance-chi-squared", stats.deviance());
    if (fit.figures().n() <= GroupChecks.MOST_VALUES) {
      CountRows rows = CountRows.of(fit);
      outlier(stats.outlier(rows, question.rows().counts(), question.rows().sizes(), progress));
      residuals = residuals(rows);
    }
    if (fit.model().kind() == CountKind.COUNTS) {
      zeros(stats.zeros());
    }
    expected("rows", stats.ofRows());
    expected("cells", stats.ofCells(inquiry.treatments()));
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
    double df = fit.model().extraSpread() ? fit.figures().errorDf() - 1.0 : 0;
    return Residuals.ofCounts(
        rows.rows(),
        rows.fitted(),
        rows.residuals(),
        rows.leverages(),
        rows.deletion(),
        new Residuals.OfCounts(rows.pearson(), rows.deviance()),
        df);
  }

  private void slopes() {
    List<Term> treatments =
        fit.model().fixed().terms().stream()
            .filter(t -> inquiry.treatments().containsAll(t.names()))
            .toList();
    for (String covariate : inquiry.covariates()) {
      add(
          "slopes",
          "parallel-slopes",
          covariate,
          fit.slopes(covariate, treatments),
          "The slopes on " + covariate + " are alike in all groups.",
          "The slopes on "
              + covariate
              + " differ between groups: adjusted means depend on where they are taken.");
    }
  }

  private void trends() {
    for (Inquiry.Compare c : inquiry.compare()) {
      if (c.trend() > 0 && c.of().size() == 1) {
        String name = c.of().get(0);
        Factor factor = question.parts().factor(name);
        double[] levels = Contrasts.levelsAsNumbers(factor);
        int degree = Math.min(c.trend(), levels.length - 1);
        add(
            "trend-remainder",
            "lack-of-fit",
            "",
            fit.remainder(name, Trend.weights(levels, degree)),
            "The trends describe the differences between the levels of " + name + ".",
            "The trends leave differences between the levels of "
                + name
                + " that they do not describe.");
      }
    }
  }

  private void add(
      String about, String test, String covariate, Drop drop, String sound, String unsound) {
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
            about,
            test,
            covariate,
            List.of(),
            drop.statistic(),
            df,
            drop.p(),
            Map.of("deviance", drop.deviance()),
            Map.of(),
            judgement,
            !drop.p().exists()
                ? "This cannot be checked: " + drop.p().why() + "."
                : judgement.isOdd() ? unsound : sound));
  }

  private void dispersion(String test, CountChecks.Dispersion d) {
    boolean estimated = fit.model().extraSpread();
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
            ? "Whether counts spread as by chance cannot be told: " + d.p().why() + "."
            : !estimated
                ? judgement.isOdd()
                    ? "The rows spread more than chance would have them, so that p is too small:"
                        + " let the spread be estimated."
                    : "The rows spread as by chance."
                : d.df() < FEWEST_DF
                    ? "So few rows are left that the spread is hardly known."
                    : d.less().value() <= 0.01
                        ? "The rows spread less than chance would have them: are they counts of"
                            + " things that are independent?"
                        : "The spread is taken from the rows themselves.";
    Facts facts =
        new Facts()
            .put("statistic", d.statistic())
            .put("df", List.of((double) d.df()))
            .put("dispersion", d.dispersion())
            .put("p", d.p())
            .put("pLess", d.less());
    groupChecks.add(new GroupCheck("dispersion", test, null, facts, judgement, words));
  }

  private void outlier(CountChecks.Outlier o) {
    Quantity none = Quantity.absent("no row can be judged by itself");
    Judgement judgement =
        o == null ? Judgement.CANNOT_TELL : Judgement.of(Quantity.of(o.adjustedP()));
    Facts facts = new Facts();
    if (o == null) {
      facts.put("statistic", none).put("p", none).put("adjustedP", none);
    } else {
      boolean known = o.df() != DegreesOfFreedom.UNBOUNDED;
      facts
          .put("row", frame.sourceRow(o.row()) + 1)
          .put("statistic", Quantity.of(o.statistic()))
          .put("df", known ? List.of(o.df()) : Quantity.absent("normal distribution"))
          .put("p", Quantity.of(o.p()))
          .put("adjustedP", Quantity.of(o.adjustedP()))
          .put("n", o.n());
    }
    groupChecks.add(
        new GroupCheck(
            "outliers",
            "deletion",
            null,
            facts,
            judgement,
            o == null
                ? "No row can be judged by itself."
                : judgement.isOdd()
                    ? "Row "
                        + (frame.sourceRow(o.row()) + 1)
                        + " stands apart from what the model says of it: look at its record before"
                        + " anything else."
                    : "No row stands apart from what the model says of it."));
  }

  private void zeros(CountChecks.Zeros z) {
    Judgement judgement = Judgement.of(z.p());
    Facts facts =
        new Facts()
            .put("observed", z.observed())
            .put("expected", Quantity.of(z.expected()))
            .put("statistic", z.z())
            .put("p", z.p());
    groupChecks.add(
        new GroupCheck(
            "zeros",
            "excess-zeros",
            null,
            facts,
            judgement,
            !z.p().exists()
                ? "Hardly a 0 is expected."
                : judgement.isOdd()
                    ? "There are more zeros than such counts would have: were some of these rows"
                        + " never reached by what was counted?"
                    : "There are about as many zeros as such counts would have."));
  }

  private void expected(String on, CountChecks.Expected e) {
    boolean odd = e.below1() > 0 || e.below5() > MANY_SMALL * e.n();
    Facts facts =
        new Facts()
            .put("n", e.n())
            .put("smallest", Quantity.of(e.smallest()))
            .put("below1", e.below1())
            .put("below5", e.below5());
    groupChecks.add(
        new GroupCheck(
            "expected-counts",
            "small-expected",
            on,
            facts,
            odd ? Judgement.CAUTION : Judgement.SOUND,
            odd
                ? "Some "
                    + on
                    + " expect so few that probabilities from chi-squared are a hint only."
                : "All " + on + " expect enough."));
  }
}
