package app.knuckle.study.answers.mixed;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.mixed.NotEstimable;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.words.Numerals;
import java.util.List;

/** Says why records cannot bear a mixed model, and the way on. */
final class MixedRefusals {

  private MixedRefusals() {}

  static Refused of(NotEstimable e, String measured) {
    String names = Numerals.list(e.sources());
    return switch (e.reason()) {
      case ONE_LEVEL ->
          random(say("refused.has-one-level-only", names), say("way.leave-out-random-part"));
      case LEVEL_PER_ROW ->
          random(say("refused.level-for-every-row", names), say("way.leave-out-random-part"));
      case CONFOUNDED ->
          random(say("refused.confounded-with-fixed", names), say("way.take-out-random-part"));
      case SAME_GROUPS ->
          random(say("refused.group-rows-alike", names), say("way.leave-one-them-out"));
      case NOT_TOLD_APART ->
          random(say("refused.variances-cannot-be-told", names), say("way.leave-one-random-terms"));
      case TOO_FEW_ROWS ->
          random(say("refused.too-few-values", measured), say("way.ask-for-fewer-terms"));
      case FEW_READINGS ->
          within(
              say("refused.occasion-has-fewer-than", names),
              say("way.hang-as-equal-or-leave-occasion"));
      case TWO_READINGS ->
          within(
              say("refused.unit-has-two-readings", e.sources().get(0), e.sources().get(1)),
              say("way.hang-as-equal-or-keep-one"));
      case NOTHING_LEFT ->
          random(
              say("refused.fixed-part-explains-every", measured), say("way.ask-for-fewer-fixed"));
      case NO_RESIDUAL ->
          random(say("refused.nothing-varies-within-levels"), say("way.leave-finest-random-term"));
      case NO_TOP ->
          random(say("refused.variances-not-found", measured), say("way.leave-random-term-out"));
    };
  }

  private static Refused random(String what, String wayOn) {
    return Refused.at(new Place.Key("inquiry", List.of("random")), what, wayOn);
  }

  private static Refused within(String what, String wayOn) {
    return Refused.at(new Place.Key("inquiry", List.of("withinUnit")), what, wayOn);
  }
}
