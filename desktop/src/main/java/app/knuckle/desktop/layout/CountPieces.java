package app.knuckle.desktop.layout;

import app.knuckle.desktop.controls.SlotChooser.Option;
import app.knuckle.desktop.sentence.Piece;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.Part;
import app.knuckle.study.design.Response;
import app.knuckle.study.findings.TestResult;
import java.util.ArrayList;
import java.util.List;

/** What the sentence says of counts: out of what, and how they spread. */
final class CountPieces {

  private final Question question;
  private final ColumnOptions columns;
  private final Slots slots;

  CountPieces(Question question, ColumnOptions columns, Slots slots) {
    this.question = question;
    this.columns = columns;
    this.slots = slots;
  }

  private Inquiry asked() {
    return question.inquiry();
  }

  /** Out of how many, or for each of what. */
  void outOf(List<Piece> s) {
    boolean shares = asked().response() == Response.PROPORTION;
    String column = shares ? asked().outOf() : asked().exposure();
    s.add(new Piece.Words(shares ? " of " : " per "));
    s.add(
        new Piece.Slot(
            shares ? "slot-out-of" : "slot-exposure",
            column != null ? column : shares ? "one in each row" : "row",
            false,
            () -> options(shares),
            null,
            o ->
                slots.change(
                    d -> {
                      String chosen = o.key().equals(Slots.OUT) ? null : o.key();
                      if (shares) {
                        d.give(Part.OUT_OF, chosen);
                      } else {
                        d.give(Part.EXPOSURE, chosen);
                      }
                    })));
  }

  private List<Option> options(boolean shares) {
    List<Option> options = new ArrayList<>();
    options.add(
        shares
            ? Slots.plain(Slots.OUT, "one in each row", "the column holds 0 and 1")
            : Slots.plain(Slots.OUT, "row", "every row was looked at alike"));
    options.addAll(columns.numbers());
    return options;
  }

  /** How the spread is known. */
  void spread(List<Piece> s) {
    s.add(new Piece.Words(" Rows spread "));
    s.add(
        Slots.choice(
            "slot-spread",
            isEstimated() ? "in their own way" : "as by chance alone",
            List.of(
                Slots.plain(
                    "true",
                    "in their own way",
                    "the usual: trays treated alike differ by more than chance among animals"),
                Slots.plain(
                    "false",
                    "as by chance alone",
                    "each thing counted is independent of all others")),
            o -> slots.change(d -> d.overdispersion = Boolean.valueOf(o.key()))));
    s.add(new Piece.Words("."));
  }

  /** As it was said; else as it was answered. */
  private boolean isEstimated() {
    if (asked().overdispersion() != null) {
      return asked().overdispersion();
    }
    return question.answer() == null
        || question.answer().findings() == null
        || question.answer().findings().first().results().tests().stream()
            .flatMap(test -> test.ofDeviance().stream())
            .allMatch(TestResult.CountResult::overdispersion);
  }
}
