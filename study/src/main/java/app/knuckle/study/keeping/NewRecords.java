package app.knuckle.study.keeping;

import app.knuckle.stats.Progress;
import app.knuckle.study.Refused;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.prep.Edit;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.prep.Merge;
import app.knuckle.study.prep.SetAside;
import app.knuckle.study.prep.Step;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Table;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;

/**
 * A question put to new records, such as those of another season.
 *
 * @param asked with the steps that fit the new records
 * @param leftAway what was left away and why, a sentence each
 */
public record NewRecords(Study.Asked asked, List<String> leftAway) {

  public NewRecords {
    leftAway = List.copyOf(leftAway);
  }

  /**
   * The question with the steps that fit, after others.
   *
   * @param asked of the old records
   * @param fresh the new ones
   * @param first what is done to the new records before
   * @return the question for them, of a table of that name
   */
  public static NewRecords of(Study.Asked asked, Table fresh, List<Step> first) {
    Inquiry after =
        asked
            .inquiry()
            .but(d -> d.prepare = Stream.concat(first.stream(), d.prepare.stream()).toList());
    return of(new Study.Asked(asked.table(), after, asked.figure(), asked.page()), fresh);
  }

  /**
   * The question with the steps that fit. Row 12 of last year is another row than row 12 of this
   * year, and a level that was misspelt once need not be again. A column that is missing is refused
   * when the question is answered.
   *
   * @param asked of the old records
   * @param fresh the new ones
   * @return the question for them, of a table of that name
   */
  public static NewRecords of(Study.Asked asked, Table fresh) {
    List<Step> kept = new ArrayList<>();
    List<String> leftAway = new ArrayList<>();
    Frame frame = Frame.of(fresh);
    for (Step step : asked.inquiry().prepare()) {
      if (isOfRows(step) || isWithoutObject(step, frame)) {
        leftAway.add(
            asked.inquiry().name()
                + ": left away, as the records are new: "
                + step.title()
                + " ("
                + step.detail()
                + ")");
      } else {
        kept.add(step);
        frame = framed(fresh, kept, frame);
      }
    }
    Inquiry question = asked.inquiry().but(d -> d.prepare = kept);
    return new NewRecords(
        new Study.Asked(fresh.name(), question, asked.figure(), asked.page()), leftAway);
  }

  private static boolean isOfRows(Step step) {
    return step instanceof SetAside || step instanceof Edit;
  }

  /**
   * The records after the steps; as they were where the last one is refused, which is said later.
   */
  private static Frame framed(Table fresh, List<Step> steps, Frame before) {
    try {
      return Frame.of(fresh, steps, Progress.NONE);
    } catch (Refused e) {
      return before;
    }
  }

  /** A merge of levels that the column does not have. */
  private static boolean isWithoutObject(Step step, Frame frame) {
    return step instanceof Merge merge
        && frame.has(merge.column())
        && frame.column(merge.column()) instanceof Categories column
        && !column.levels().containsAll(merge.levels());
  }
}
