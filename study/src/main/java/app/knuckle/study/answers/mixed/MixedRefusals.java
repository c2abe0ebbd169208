package app.knuckle.study.answers.mixed;

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
          random(
              names + " has one level only, so its variance cannot be seen",
              "Leave it out of the random part");
      case LEVEL_PER_ROW ->
          random(
              names + " has a level for every row, so it is the residual itself",
              "Leave it out of the random part");
      case CONFOUNDED ->
          random(
              names + " says nothing that the fixed part does not say",
              "Take it out of the random part, or make one of the two random");
      case SAME_GROUPS ->
          random(names + " group the rows alike", "Leave one of them out of the random part");
      case NOT_TOLD_APART ->
          random(
              "the variances of " + names + " cannot be told apart in these rows",
              "Leave one of the random terms out");
      case TOO_FEW_ROWS ->
          random(
              measured + " has too few values for so many variances",
              "Ask for fewer terms, or measure more");
      case FEW_READINGS ->
          within(
              "the occasion " + names + " has fewer than two readings",
              "Let readings hang together as equal, or leave the occasion out");
      case TWO_READINGS ->
          within(
              "the unit " + e.sources().get(0) + " has two readings of " + e.sources().get(1),
              "Let readings hang together as equal, or keep one of them");
      case NOTHING_LEFT ->
          random(
              "the fixed part explains every difference of " + measured,
              "Ask for fewer fixed terms");
      case NO_RESIDUAL ->
          random(
              "nothing varies within the levels of the random terms, so nothing is left to judge"
                  + " by",
              "Leave the finest random term out");
      case NO_TOP ->
          random(
              "the search for the variances of " + measured + " does not come to an end",
              "Leave a random term out, or look for a value that stands apart");
    };
  }

  private static Refused random(String what, String wayOn) {
    return Refused.at(new Place.Key("inquiry", List.of("random")), what, wayOn);
  }

  private static Refused within(String what, String wayOn) {
    return Refused.at(new Place.Key("inquiry", List.of("withinUnit")), what, wayOn);
  }
}
