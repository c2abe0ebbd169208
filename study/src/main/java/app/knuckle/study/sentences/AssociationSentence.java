package app.knuckle.study.sentences;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.stats.Quantity;
import app.knuckle.stats.Significance;
import app.knuckle.study.look.Correlations;
import app.knuckle.study.words.ExactP;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Prose;
import java.util.List;

/** Says in a sentence which of several columns are most closely correlated. */
public final class AssociationSentence {

  private AssociationSentence() {}

  /**
   * The closest pair by Pearson's coefficient, and how many pairs are significantly correlated.
   *
   * @param together the columns
   * @param labels of the columns, as they are called in sentences
   * @param alpha level of significance, for each pair by itself
   * @param exact down to which bound p is written as it is
   * @return the sentence
   */
  public static String of(Correlations together, List<String> labels, double alpha, ExactP exact) {
    Correlations.Matrix matrix = together.matrix(Correlations.Measure.PEARSON);
    int pairs = 0;
    int found = 0;
    int first = -1;
    int second = -1;
    for (int i = 0; i < labels.size(); i++) {
      for (int j = i + 1; j < labels.size(); j++) {
        double r = matrix.values()[i][j];
        pairs++;
        if (Double.isNaN(r) || Double.isNaN(matrix.p()[i][j])) {
          continue;
        }
        found += Significance.reached(Quantity.of(matrix.p()[i][j]), alpha) ? 1 : 0;
        if (first < 0 || Math.abs(r) > Math.abs(matrix.values()[first][second])) {
          first = i;
          second = j;
        }
      }
    }
    if (first < 0) {
      return say("together.no.correlation");
    }
    String statistic =
        say(
            "statistic.r",
            Numerals.fixed(matrix.values()[first][second], 2),
            exact.statement(Quantity.of(matrix.p()[first][second])));
    String one = Prose.named(labels.get(first));
    String other = Prose.named(labels.get(second));
    if (pairs == 1) {
      return say(found == 1 ? "together.pair.found" : "together.pair.none", one, other, statistic);
    }
    return found == 0
        ? say("together.none", String.valueOf(labels.size()), one, other, statistic)
        : say("together.some", String.valueOf(found), String.valueOf(pairs), one, other, statistic);
  }
}
