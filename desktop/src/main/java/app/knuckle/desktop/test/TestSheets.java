package app.knuckle.desktop.test;

import app.knuckle.desktop.test.TestPage.Sheet;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.findings.TestResult;
import java.util.ArrayList;
import java.util.List;

/** The sheets of tests, one kind after the other, and what stands beside them. */
final class TestSheets implements TestResult.Cases<Void> {

  private final Findings findings;
  private final ResponseFindings response;
  private final Inquiry inquiry;
  private final List<Sheet> sheets = new ArrayList<>();
  private final List<TestPage.Fact> facts = new ArrayList<>();
  private Sheet coefficients;
  private boolean squaresMatter;

  TestSheets(Findings findings) {
    this.findings = findings;
    response = findings.first();
    inquiry = findings.inquiry();
  }

  void add(TestResult test) {
    test.match(this);
  }

  @Override
  public Void anova(TestResult.AnovaResult test) {
    VarianceSheet sheet = new VarianceSheet(response, inquiry, test);
    sheets.add(sheet.sheet());
    facts.addAll(sheet.facts());
    squaresMatter |= sheet.squaresMatter();
    coefficients =
        test.coefficients().isEmpty() ? null : CoefficientSheet.of(test.coefficients(), inquiry);
    return null;
  }

  @Override
  public Void tTest(TestResult.TTestResult test) {
    sheets.add(MeanSheets.tTest(response, inquiry, test));
    facts.addAll(MeanSheets.facts(response, test));
    return null;
  }

  @Override
  public Void mixed(TestResult.MixedResult test) {
    MixedSheets mixed = new MixedSheets(response, inquiry, test);
    sheets.addAll(mixed.sheets());
    facts.addAll(mixed.facts());
    return null;
  }

  @Override
  public Void counts(TestResult.CountResult test) {
    sheets.add(CountSheets.of(response, inquiry, test));
    facts.addAll(CountSheets.facts(test));
    squaresMatter |= test.rows().size() > 1;
    return null;
  }

  @Override
  public Void exact(TestResult.ExactResult test) {
    sheets.add(CountSheets.of(test));
    return null;
  }

  @Override
  public Void unequal(TestResult.UnequalResult test) {
    sheets.add(MeanSheets.unequal(response, inquiry, test));
    return null;
  }

  @Override
  public Void ranks(TestResult.RankResult test) {
    sheets.addAll(RankSheets.of(test, inquiry));
    return null;
  }

  @Override
  public Void together(TestResult.TogetherResult test) {
    sheets.addAll(MultivariateSheets.of(test, findings));
    return null;
  }

  List<Sheet> sheets() {
    return sheets;
  }

  /** What stands beside the sheets. */
  List<TestPage.Fact> facts() {
    return facts;
  }

  /** The coefficients of the model; null for none. */
  Sheet coefficients() {
    return coefficients;
  }

  /** Whether the kind of squares changes something. */
  boolean squaresMatter() {
    return squaresMatter;
  }
}
