package app.knuckle.formats.plan;

import app.knuckle.formats.report.Block;
import app.knuckle.formats.report.Page;
import app.knuckle.study.plan.Arrangement;
import app.knuckle.study.plan.Plan;
import app.knuckle.study.plan.PlanRecords;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Table;
import java.util.ArrayList;
import java.util.List;

/** The field book of a plan as a page to print and write on. */
public final class BookPage {

  /** Where something is to be written by hand. */
  private static final String LINE = "_".repeat(12);

  private BookPage() {}

  /**
   * Makes the page.
   *
   * @param plan with its names
   * @param arrangement of its plots
   * @return a table with one row a plot, and lines where nothing is known yet
   */
  public static Page of(Plan plan, Arrangement arrangement) {
    Table book = PlanRecords.book(plan, arrangement);
    List<List<String>> rows = new ArrayList<>();
    for (int row = 0; row < book.rows(); row++) {
      List<String> cells = new ArrayList<>();
      for (Column column : book.columns()) {
        cells.add(column.isMissing(row) ? LINE : column.text(row));
      }
      rows.add(cells);
    }
    List<String> heads = book.columns().stream().map(Column::name).toList();
    return new Page(
        plan.name(),
        List.of(
            new Block.Heading(Block.Part.TITLE, plan.name(), 1),
            new Block.Paragraph(
                Block.Part.METHODS,
                arrangement.plots().size()
                    + " plots, laid out by chance from seed "
                    + plan.seed()
                    + "."),
            new Block.Table(Block.Part.SUMMARIES, "Field book", heads, rows, "")));
  }
}
