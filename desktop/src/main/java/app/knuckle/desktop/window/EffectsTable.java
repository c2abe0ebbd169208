package app.knuckle.desktop.window;

import app.knuckle.stats.Significance;
import app.knuckle.study.beside.Tested;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.findings.ResponseFindings;
import app.knuckle.study.findings.ShownMean;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * All inquiries of a table at once: a row for each response of each, a column for each effect.
 *
 * @param effects over the columns
 * @param rows in the order of the inquiries
 */
record EffectsTable(List<String> effects, List<Row> rows) {

  /**
   * A response of an inquiry.
   *
   * @param place of the inquiry among all, from 0
   * @param name of the inquiry, and of the response where it has several
   * @param cells p of each effect; empty where it has none
   * @param found whether each effect was found
   * @param largest the largest mean with its letters; empty where there is none
   */
  record Row(int place, String name, List<String> cells, List<Boolean> found, String largest) {}

  /**
   * The table.
   *
   * @param all inquiries of one table of records, in their order; unanswered ones are left away
   * @return the table
   */
  static EffectsTable of(List<InquiriesPage.Asked> all) {
    Map<Set<String>, String> effects = new LinkedHashMap<>();
    for (InquiriesPage.Asked one : all) {
      for (ResponseFindings response : responses(one)) {
        Tested.of(response.results(), findings(one).inquiry())
            .forEach(
                (term, tested) ->
                    effects.putIfAbsent(
                        term,
                        term.isEmpty() ? "difference" : String.join(" \u00d7 ", tested.term())));
      }
    }
    List<Row> rows = new ArrayList<>();
    for (InquiriesPage.Asked one : all) {
      List<ResponseFindings> responses = responses(one);
      for (ResponseFindings response : responses) {
        rows.add(row(one, response, effects.keySet(), responses.size() > 1));
      }
    }
    return new EffectsTable(List.copyOf(effects.values()), rows);
  }

  private static Findings findings(InquiriesPage.Asked one) {
    return one.answer() == null ? null : one.answer().findings();
  }

  private static List<ResponseFindings> responses(InquiriesPage.Asked one) {
    return findings(one) == null ? List.of() : findings(one).responses();
  }

  private static Row row(
      InquiriesPage.Asked one, ResponseFindings response, Set<Set<String>> effects, boolean named) {
    Inquiry inquiry = findings(one).inquiry();
    Map<Set<String>, Tested> tested = Tested.of(response.results(), inquiry);
    List<String> cells = new ArrayList<>();
    List<Boolean> found = new ArrayList<>();
    for (Set<String> term : effects) {
      Tested effect = tested.get(term);
      cells.add(effect == null ? "" : Numerals.p(effect.p()));
      found.add(effect != null && Significance.reached(effect.p(), inquiry.alpha()));
    }
    String name = one.name() + (named ? ": " + response.measured().label() : "");
    return new Row(one.place(), name, cells, found, largest(response));
  }

  private static String largest(ResponseFindings response) {
    return response.shownMeans().stream()
        .filter(mean -> mean.mean().exists() && !mean.levels().isEmpty())
        .max(Comparator.comparingDouble(mean -> mean.mean().value()))
        .map(mean -> said(mean, response.decimals()))
        .orElse("");
  }

  private static String said(ShownMean mean, int decimals) {
    return (mean.name() + ": " + Numerals.fixed(mean.mean(), decimals) + " " + mean.letters())
        .strip();
  }
}
