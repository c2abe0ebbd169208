package app.knuckle.study.answers.asked;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Progress;
import app.knuckle.stats.Quantity;
import app.knuckle.stats.compare.AllPairs;
import app.knuckle.stats.compare.Comparison;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.means.Estimates;
import app.knuckle.stats.summary.GroupMoments;
import app.knuckle.stats.unequal.UnequalSpread;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.design.Compare;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.findings.ComparisonResult;
import app.knuckle.study.findings.MeansResult;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Means of groups with separate variances, and their pairs. */
public final class UnequalMeans {

  private final Inquiry inquiry;
  private final Factor factor;
  private final Estimates estimates;
  private final Progress progress;
  private final List<ComparisonResult> comparisons = new ArrayList<>();

  /**
   * Means of groups that spread each in their own way.
   *
   * @param inquiry the question
   * @param factor the treatment
   * @param moments of its groups
   * @param progress asked on the way
   */
  public UnequalMeans(Inquiry inquiry, Factor factor, GroupMoments moments, Progress progress) {
    this.inquiry = inquiry;
    this.factor = factor;
    this.progress = progress;
    estimates = UnequalSpread.estimates(moments);
  }

  /**
   * Every comparison that the inquiry asks.
   *
   * @return one a family
   * @throws Refused if a procedure needs equal spreads
   */
  public List<ComparisonResult> comparisons() {
    for (Compare c : inquiry.compare()) {
      boolean own = c.procedure().fits(Procedure.Setting.OWN_SPREADS);
      if (c.isContrast() || c.toReference() || !own) {
        throw Refused.at(
            new Place.Key("inquiry", List.of("compare", "procedure")),
            say("refused.takes-all-spreads-be", c.procedure().key()),
            say("way.use-games-howell-tamhane"));
      }
      if (estimates.size() > ComparedMeans.MOST) {
        continue; // Said among what is odd about the design.
      }
      Comparison pairs =
          AllPairs.withDefaults()
              .with(c.procedure())
              .withAlpha(inquiry.alpha())
              .compare(estimates, progress);
      comparisons.add(
          new ComparisonResult(
              c.of(),
              Map.of(),
              labels(),
              estimates,
              new ComparisonResult.EachWithEach(pairs),
              c.procedure(),
              List.of()));
    }
    return comparisons;
  }

  private List<Map<String, String>> labels() {
    return factor.levels().stream().map(level -> Map.of(factor.name(), level)).toList();
  }

  /** The means with their intervals, lettered by the first comparison: one row a group. */
  public MeansResult result() {
    List<MeansResult.Row> rows = new ArrayList<>();
    for (int i = 0; i < estimates.size(); i++) {
      double mean = estimates.mean(i);
      Quantity half = estimates.halfWidth(i, inquiry.alpha());
      rows.add(
          new MeansResult.Row(
              labels().get(i),
              estimates.count(i),
              Quantity.of(mean),
              estimates.se(i),
              estimates.df(i),
              half.map(h -> mean - h),
              half.map(h -> mean + h),
              comparisons.isEmpty()
                  ? null
                  : comparisons.get(0).allPairs().orElseThrow().letters().of(i)));
    }
    Quantity own = Quantity.absent(Absence.OWN_SPREADS);
    return new MeansResult(List.of(factor.name()), List.of(), Map.of(), rows, own, own);
  }
}
