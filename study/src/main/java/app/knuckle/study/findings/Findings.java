package app.knuckle.study.findings;

import app.knuckle.study.Refusal;
import app.knuckle.study.cells.PlotGrid;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.Response;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.table.Numbers;
import app.knuckle.study.table.Table;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Everything that one inquiry answers.
 *
 * @param table the records
 * @param inquiry the question
 * @param frame the records after the trail
 * @param records which of them took part
 * @param responses one a measured column, in order
 * @param together what is computed about all of them together; empty when asked one by one
 * @param plan what was laid out where, for the first response; null without a treatment
 * @param associations how the responses are correlated; empty unless that was asked
 * @param foundTogether the finding about all responses together; empty when asked one by one
 */
public record Findings(
    Table table,
    Inquiry inquiry,
    Frame frame,
    RecordsUsed records,
    List<ResponseFindings> responses,
    Results together,
    PlotGrid plan,
    Optional<Associated> associations,
    String foundTogether) {

  public Findings {
    responses = List.copyOf(responses);
  }

  /** The response that the screens show. */
  public ResponseFindings first() {
    return responses.get(0);
  }

  /**
   * The same with another response first.
   *
   * @param index of the response, in the order of the inquiry
   * @return the findings as they are if there is no such response
   */
  public Findings showing(int index) {
    if (index <= 0 || index >= responses.size()) {
      return this;
    }
    List<ResponseFindings> turned = new ArrayList<>(responses);
    turned.add(0, turned.remove(index));
    return new Findings(
        table, inquiry, frame, records, turned, together, plan, associations, foundTogether);
  }

  /**
   * The same in other words.
   *
   * @param others the responses in other words
   * @param foundOfAll the finding about all of them together; empty when asked one by one
   * @return findings with the same numbers
   */
  public Findings saying(List<ResponseFindings> others, String foundOfAll) {
    return new Findings(
        table, inquiry, frame, records, others, together, plan, associations, foundOfAll);
  }

  /**
   * The answer in one sentence: about the responses together if they were asked so, else about the
   * first.
   */
  public String finding() {
    return foundTogether.isEmpty() ? first().words().finding() : foundTogether;
  }

  /**
   * The same answer to the question under another name.
   *
   * @param name of the inquiry
   * @return the findings
   */
  public Findings named(String name) {
    return new Findings(
        table,
        inquiry.named(name),
        frame,
        records,
        responses,
        together,
        plan,
        associations,
        foundTogether);
  }

  /** Why there is no test, if there is none: the first refusal among the responses. */
  public Optional<Refusal> refusal() {
    return responses.stream().map(ResponseFindings::refusal).filter(r -> r != null).findFirst();
  }

  /**
   * A response as people read it: shares of those tried in per cent, counts for each unit of
   * exposure; any other as it is.
   *
   * @param response one of these
   * @return one value a row of the frame
   */
  public Numbers shown(ResponseFindings response) {
    Numbers measured = response.measured();
    String column = inquiry.outOf() != null ? inquiry.outOf() : inquiry.exposure();
    boolean shares = inquiry.response() == Response.PROPORTION;
    if (!shares && column == null) {
      return measured;
    }
    double[] values = measured.values().clone();
    Numbers sizes = column == null ? null : (Numbers) frame.column(column);
    for (int row = 0; row < values.length; row++) {
      double of = sizes == null ? 1 : sizes.value(row);
      values[row] = of > 0 ? (shares ? 100 : 1) * values[row] / of : Double.NaN;
    }
    return new Numbers(
        measured.name(),
        shares ? (column == null ? "%" : "% of " + column) : "per " + column,
        values);
  }
}
