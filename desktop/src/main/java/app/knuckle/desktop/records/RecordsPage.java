package app.knuckle.desktop.records;

import app.knuckle.desktop.sheet.Cells.Part;
import app.knuckle.desktop.workbench.Answer;
import app.knuckle.desktop.workbench.ColumnGlance;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.notice.Notice;
import app.knuckle.study.prep.Frame;
import java.util.List;
import java.util.stream.IntStream;

/**
 * What the Records joint shows.
 *
 * @param frame the records after the trail
 * @param columns their heads
 * @param notices what is odd about them
 */
public record RecordsPage(Frame frame, List<Head> columns, List<Notice> notices) {

  public RecordsPage {
    columns = List.copyOf(columns);
    notices = List.copyOf(notices);
  }

  /**
   * The head of a column.
   *
   * @param index of the column in the frame
   * @param name as the user wrote it
   * @param unit empty for none
   * @param glance its values at a glance
   * @param part that it plays
   * @param notices how many things are odd about it
   */
  public record Head(
      int index, String name, String unit, ColumnGlance glance, Part part, int notices) {

    /** Kind and unit in one line, such as "number, mm". */
    public String line() {
      return unit.isEmpty() ? glance.kind() : glance.kind() + ", " + unit;
    }
  }

  /**
   * The column to look at first: the place of the response if there is one, else of the first
   * column.
   */
  public int mostOfInterest() {
    return IntStream.range(0, columns.size())
        .filter(c -> columns.get(c).part() == Part.MEASURED)
        .findFirst()
        .orElse(0);
  }

  /**
   * Where a column stands.
   *
   * @param name of the column
   * @return from 0; -1 if there is none
   */
  public int indexOf(String name) {
    return IntStream.range(0, columns.size())
        .filter(c -> columns.get(c).name().equals(name))
        .findFirst()
        .orElse(-1);
  }

  /**
   * The head of a column.
   *
   * @param name of a column
   * @return its head; of the first column if there is none of the name
   */
  public Head column(String name) {
    return columns.get(Math.max(0, indexOf(name)));
  }

  /**
   * The page of an answer.
   *
   * @param answer with a frame
   * @param inquiry says which part each column plays
   * @return the page
   */
  public static RecordsPage of(Answer answer, Inquiry inquiry) {
    List<Head> heads =
        IntStream.range(0, answer.glances().size())
            .mapToObj(i -> head(i, answer.glances().get(i), inquiry, answer.notices()))
            .toList();
    return new RecordsPage(answer.frame(), heads, answer.notices());
  }

  private static Head head(int index, ColumnGlance glance, Inquiry inquiry, List<Notice> notices) {
    String name = glance.column().name();
    Part part = part(inquiry, name);
    int odd = (int) notices.stream().filter(n -> n.column().equals(name)).count();
    return new Head(index, name, glance.column().unit(), glance, part, odd);
  }

  private static Part part(Inquiry inquiry, String column) {
    if (inquiry.measured().contains(column)) {
      return Part.MEASURED;
    } else if (inquiry.occasions().contains(column)) {
      return Part.OCCASION;
    } else if (inquiry.treatments().contains(column)) {
      return Part.TREATMENT;
    } else if (inquiry.covariates().contains(column)) {
      return Part.COVARIATE;
    } else if (inquiry.blocks().contains(column)) {
      return Part.BLOCK;
    } else if (column.equals(inquiry.unit())) {
      return Part.UNIT;
    }
    return column.equals(inquiry.pairs()) ? Part.PAIRS : Part.NONE;
  }
}
