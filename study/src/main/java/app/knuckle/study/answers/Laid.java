package app.knuckle.study.answers;

import static app.knuckle.study.words.Phrases.say;

import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import app.knuckle.study.cells.CellGroups;
import app.knuckle.study.cells.GroupSummary;
import app.knuckle.study.cells.PlotGrid;
import app.knuckle.study.design.Analysis;
import app.knuckle.study.design.Groups;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.Part;
import app.knuckle.study.design.Response;
import app.knuckle.study.findings.RecordsUsed;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.List;

/**
 * A question laid out over its records, before anything is fitted.
 *
 * @param responses one a measured column, in order
 * @param records which rows take part
 * @param plan what was laid out where, for the first response; null without a treatment
 */
record Laid(List<Response> responses, RecordsUsed records, PlotGrid plan) {

  Laid {
    responses = List.copyOf(responses);
  }

  /**
   * A response over the cells of the treatments.
   *
   * @param values of the response
   * @param cells that the treatments make
   * @param groups those of them that have a value
   * @param summaries of all rows, of each treatment, of the cells; intervals at the usual alpha
   * @param analysed the same summaries of the values that the analysis rests on
   * @param odd what the records cannot bear, sentences
   * @param answerable whether some row has a value of all that is asked about
   */
  record Response(
      Numbers values,
      CellGroups cells,
      Groups groups,
      List<GroupSummary> summaries,
      List<GroupSummary> analysed,
      List<String> odd,
      boolean answerable) {

    Response {
      summaries = List.copyOf(summaries);
      analysed = List.copyOf(analysed);
      odd = List.copyOf(odd);
    }
  }

  /** Whether all responses are answered by one test. */
  static boolean isTogether(Inquiry inquiry) {
    return inquiry.together()
        && inquiry.measured().size() > 1
        && !inquiry.treatments().isEmpty()
        && inquiry.analysis() == Analysis.LEAST_SQUARES;
  }

  /** Whether it is asked how responses are correlated, with no treatment. */
  static boolean isAssociated(Inquiry inquiry) {
    return inquiry.together() && inquiry.treatments().isEmpty() && inquiry.measured().size() > 1;
  }

  /** Columns that a row must have, beside the response. */
  static List<String> needed(Inquiry inquiry) {
    List<String> needed = new ArrayList<>();
    Part.alone().stream()
        .filter(part -> part != Part.MEASURED)
        .forEach(part -> needed.addAll(inquiry.in(part)));
    if (inquiry.together()) {
      needed.addAll(inquiry.measured());
    }
    inquiry.random().terms().stream()
        .flatMap(List::stream)
        .filter(column -> !needed.contains(column))
        .forEach(needed::add);
    return needed.stream().distinct().toList();
  }

  static Refused noRow(Table table, Inquiry inquiry, Numbers response) {
    List<String> all = new ArrayList<>(List.of(response.name()));
    needed(inquiry).stream().filter(n -> !all.contains(n)).forEach(all::add);
    return Refused.at(
        new Place.WholeFile(table.name()),
        say("refused.no-row-with-values", Numerals.list(all)),
        say("way.keep-more-rows-or"));
  }
}
