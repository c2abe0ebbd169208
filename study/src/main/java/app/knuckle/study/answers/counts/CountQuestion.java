package app.knuckle.study.answers.counts;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Absence;
import app.knuckle.stats.Progress;
import app.knuckle.stats.counts.CountFit;
import app.knuckle.stats.counts.CountKind;
import app.knuckle.stats.counts.CountModel;
import app.knuckle.stats.linear.Factor;
import app.knuckle.stats.linear.Model;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.answers.asked.AskedModel;
import app.knuckle.study.cells.Parts;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.Response;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.words.Phrases;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** One count fitted: what depends neither on comparisons nor on how they are judged. */
final class CountQuestion {

  private final Inquiry inquiry;
  private final Parts parts;
  private final List<Factor> factors;
  private final CountedRows rows;
  private final CountFit fit;

  CountQuestion(Frame frame, Inquiry inquiry, String measured, Progress progress) {
    this.inquiry = inquiry;
    List<String> numbers = new ArrayList<>(inquiry.covariates());
    numbers.add(measured);
    for (String size : Arrays.asList(inquiry.outOf(), inquiry.exposure())) {
      if (size != null) {
        numbers.add(size);
      }
    }
    List<String> names = new ArrayList<>(inquiry.blocks());
    names.addAll(inquiry.treatments());
    Parts all = new Parts(frame, numbers, names);
    rows = CountedRows.of(frame, inquiry, measured, all.values(measured));
    parts = all.where(row -> !Double.isNaN(rows.counts()[row]));
    factors = parts.factors(names);
    for (Factor factor : factors) {
      if (factor.size() < 2) {
        throw Refused.at(
            new Place.WholeColumn("inquiry", factor.name()),
            factor.levels().isEmpty()
                ? say("refused.one-level", measured)
                : say("refused.one-level-named", measured, factor.levels().get(0)),
            say("way.choose-column-with-two"));
      }
    }
    boolean proportions = inquiry.response() == Response.PROPORTION;
    boolean singles = proportions && rows.isOfSingles();
    if (singles && Boolean.TRUE.equals(inquiry.overdispersion())) {
      throw Refused.at(
          new Place.Key("inquiry", List.of("extraSpread")),
          Phrases.why(Absence.SINGLES),
          say("way.leave-out-or-count"));
    }
    requireSome(inquiry, measured);
    Model model = AskedModel.of(inquiry, parts, factors);
    fit =
        CountFit.of(
                new CountModel(
                    proportions ? CountKind.PROPORTIONS : CountKind.COUNTS,
                    model,
                    inquiry.dispersionIsEstimated(singles)),
                rows.counts(),
                rows.sizes(),
                progress)
            .orElseThrow(
                () ->
                    Refused.at(
                        new Place.WholeColumn(frame.source(), measured),
                        say("refused.means-not-found"),
                        say("way.look-for-value-stands")));
  }

  /** Of nothing but zeros, or of all, nothing can be compared. */
  private void requireSome(Inquiry inquiry, String measured) {
    boolean none = true;
    boolean all = inquiry.response() == Response.PROPORTION;
    for (int row = 0; row < rows.counts().length; row++) {
      double y = rows.counts()[row];
      if (!Double.isNaN(y)) {
        none &= y == 0;
        all &= y == (rows.sizes() == null ? 1 : rows.sizes()[row]);
      }
    }
    if (none || all) {
      throw Refused.at(
          new Place.WholeColumn("inquiry", measured),
          none
              ? say("refused.every-count-0-nothing", measured)
              : say("refused.all-those-tried-among", measured),
          say("way.ask-about-another-response"));
    }
  }

  /** The question as the fit sees it. */
  Inquiry inquiry() {
    return inquiry;
  }

  Parts parts() {
    return parts;
  }

  List<Factor> factors() {
    return factors;
  }

  CountedRows rows() {
    return rows;
  }

  CountFit fit() {
    return fit;
  }
}
