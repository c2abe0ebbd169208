package app.knuckle.study.answers.mixed;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.design.Compare;
import app.knuckle.study.design.Inquiry;
import java.util.List;
import java.util.stream.Stream;

/** Refuses comparisons that have no meaning where effects are random. */
final class MixedProcedures {

  private MixedProcedures() {}

  static void check(Inquiry inquiry, Inquiry fixed) {
    for (Compare c : inquiry.compare()) {
      Stream.concat(c.of().stream(), c.within().stream())
          .filter(column -> !fixed.treatments().contains(column))
          .findFirst()
          .ifPresent(
              column -> {
                throw Refused.at(
                    new Place.Key("inquiry", List.of("compare", "of")),
                    say("refused.random-levels-not-compared", column),
                    say("way.look-at-predicted-effects"));
              });
      Procedure procedure = c.procedure();
      if (procedure != null
          && !procedure.isOnRanks()
          && !procedure.fits(Procedure.Setting.OWN_ERRORS)) {
        throw Refused.at(
            new Place.Key("inquiry", List.of("compare", "procedure")),
            say("refused.needs-one-error", procedure.key()),
            say("way.use-tukey-holm-bonferroni"));
      }
    }
  }
}
