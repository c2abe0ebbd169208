package app.knuckle.desktop.records;

import app.knuckle.desktop.shell.Answer;
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

  /** The part that a column plays. */
  public enum Part {
    /** The response. */
    MEASURED("measured"),
    /** What was done. */
    TREATMENT("treatment"),
    /** None. */
    NONE("");

    private final String title;

    Part(String title) {
      this.title = title;
    }

    /**
     * The name in the column's head.
     *
     * @return empty for none
     */
    public String title() {
      return title;
    }
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

    /**
     * Kind and unit in one line.
     *
     * @return such as "number, mm"
     */
    public String line() {
      return unit.isEmpty() ? glance.kind() : glance.kind() + ", " + unit;
    }
  }

  /**
   * The column to look at first.
   *
   * @return the response if there is one, else the first column
   */
  public String mostOfInterest() {
    return columns.stream()
        .filter(c -> c.part() == Part.MEASURED)
        .findFirst()
        .orElse(columns.get(0))
        .name();
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
    Part part =
        inquiry.measured().contains(name)
            ? Part.MEASURED
            : inquiry.treatments().contains(name) ? Part.TREATMENT : Part.NONE;
    int odd = (int) notices.stream().filter(n -> n.column().equals(name)).count();
    return new Head(index, name, glance.column().unit(), glance, part, odd);
  }
}
