package app.knuckle.desktop.layout;

import app.knuckle.desktop.sentence.Piece;
import app.knuckle.study.design.Analysis;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.Part;
import java.util.ArrayList;
import java.util.List;

/** What the sentence has no word of yet, and could have. */
final class SentenceAdditions {

  private final Question question;
  private final ColumnOptions columns;
  private final Slots slots;

  SentenceAdditions(Question question, ColumnOptions columns, Slots slots) {
    this.question = question;
    this.columns = columns;
    this.slots = slots;
  }

  /** What the sentence has no word of yet, and could have. */
  List<Piece> additions() {
    Inquiry i = question.inquiry();
    List<Piece> more = new ArrayList<>();
    boolean some = !i.measured().isEmpty();
    if (!some) {
      return more;
    }
    if (i.treatments().isEmpty() && i.expected() == null) {
      more.add(
          new Piece.Slot(
              "add-expected",
              "+ an expected value",
              false,
              List::of,
              Slots::ownNumber,
              o -> slots.change(d -> d.expected = Slots.number(o))));
      if (Analysis.whyNotRandom(i).isEmpty()) {
        more.add(new RandomPieces(question, columns, slots).addition());
      }
      return more;
    }
    more.add(
        slots.add(
            "add-measured",
            "+ a response",
            columns::measurable,
            (d, c) -> d.give(Part.MEASURED, c),
            i.measured()));
    if (i.expected() == null) {
      more.add(
          slots.add(
              "add-treatment",
              "+ a treatment",
              columns::treatable,
              (d, c) -> d.give(Part.TREATMENT, c),
              i.treatments()));
      if (i.blocks().size() < 2) {
        more.add(
            slots.add(
                "add-block",
                i.blocks().isEmpty() ? "+ blocks" : "+ columns across the blocks",
                columns::naming,
                (d, c) -> d.give(Part.BLOCK, c),
                i.blocks()));
      }
      more.add(
          slots.add(
              "add-covariate",
              "+ a covariate",
              columns::numbers,
              (d, c) -> d.give(Part.COVARIATE, c),
              i.covariates()));
      addUnits(i, more);
      if (Analysis.whyNotRandom(i).isEmpty()) {
        more.add(new RandomPieces(question, columns, slots).addition());
      }
      if (i.reference().isEmpty() && i.treatments().size() == 1 && i.pairs() == null) {
        String treatment = i.treatments().get(0);
        more.add(
            Slots.choice(
                "add-reference",
                "+ a reference",
                slots.references(treatment).subList(1, slots.references(treatment).size()),
                o -> slots.refer(treatment, o.key())));
      }
    }
    return more;
  }

  private void addUnits(Inquiry i, List<Piece> more) {
    if (i.unit() == null) {
      more.add(
          new Piece.Slot(
              "add-unit",
              "+ a repeated unit",
              false,
              () -> Slots.free(columns::naming, List.of()),
              null,
              o -> slots.change(d -> PlainAnswers.seenRepeatedly(question, d, o.key()))));
    } else if (i.occasions().isEmpty()) {
      more.add(
          slots.add(
              "add-occasion",
              "+ occasions",
              columns::laid,
              (d, c) -> d.give(Part.OCCASION, c),
              List.of()));
    }
    if (i.wholePlots().isEmpty() && i.treatments().size() > 1 && i.occasions().isEmpty()) {
      more.add(
          slots.add(
              "add-whole",
              "+ whole plots",
              columns::laid,
              (d, c) -> d.give(Part.WHOLE_PLOT, c),
              List.of()));
    }
    boolean crossing = i.treatments().size() > 1 && i.blocks().size() == 1;
    if (crossing && i.wholePlots().isEmpty() && i.strips().isEmpty() && i.unit() == null) {
      more.add(
          slots.add(
              "add-strips",
              "+ strips across",
              columns::laid,
              (d, c) -> d.give(Part.STRIP, c),
              List.of()));
    }
    boolean two = i.treatments().size() == 1 && columns.levels(i.treatments().get(0)).size() == 2;
    if (i.pairs() == null && two && i.blocks().isEmpty() && i.unit() == null) {
      more.add(
          new Piece.Slot(
              "add-pairs",
              "+ matched pairs",
              false,
              () -> Slots.free(columns::naming, List.of()),
              null,
              o -> slots.change(d -> d.give(Part.PAIRS, o.key()))));
    }
  }
}
