package app.knuckle.desktop.layout;

import app.knuckle.desktop.sentence.Piece;
import app.knuckle.desktop.workbench.Answer;
import app.knuckle.study.design.FirstGuess;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.Inquiry.Draft;
import app.knuckle.study.design.Redesign;
import app.knuckle.study.table.Column;
import java.util.List;
import java.util.function.Consumer;

/** What the design sentence says, what can be chosen in it, and what a choice does. */
final class LayoutViewModel {

  /** More heads than this are found faster by typing into a slot. */
  private static final int MOST_HEADS = 24;

  private final Question question;
  private final SentencePieces pieces;
  private final SentenceAdditions additions;

  LayoutViewModel(Question question) {
    this.question = question;
    ColumnOptions columns = new ColumnOptions(question);
    Slots slots = new Slots(columns, this::change);
    pieces = new SentencePieces(question, columns, slots);
    additions = new SentenceAdditions(question, columns, slots);
  }

  private Inquiry asked() {
    return question.inquiry();
  }

  /** The sentence now, with its slots. */
  List<Piece> sentence(String rows) {
    return pieces.sentence(rows);
  }

  /** What the sentence has no word of yet, and could have. */
  List<Piece> additions() {
    return additions.additions();
  }

  /** The columns by name; none where they are too many to be seen at once. */
  List<String> columnNames() {
    Answer answer = question.answer();
    return answer == null || answer.frame() == null || answer.frame().columns().size() > MOST_HEADS
        ? List.of()
        : answer.frame().columns().stream().map(Column::name).toList();
  }

  /** Other readings of the sheet. */
  List<ShapeOffers.Offer> offers() {
    return ShapeOffers.of(asked(), question.answer());
  }

  /** Takes another reading. */
  void take(ShapeOffers.Offer offer) {
    question.ask(offer.inquiry());
  }

  /** Terms of the model. */
  TermChips terms() {
    return new TermChips(question);
  }

  /** What three plain answers lead to. */
  PlainAnswers plainly() {
    return new PlainAnswers(question, this::change);
  }

  /** A slip that was named after its question is named after the new one; own names stay. */
  private void change(Consumer<Draft> what) {
    Inquiry changed = Redesign.of(asked(), what);
    String given = nameOf(asked());
    boolean own = !asked().name().equals(given) && !asked().name().equals(Inquiry.CHANGED + given);
    question.ask(own ? changed : changed.named(nameOf(changed)));
  }

  private String nameOf(Inquiry inquiry) {
    if (question.answer() == null || question.answer().frame() == null) {
      return inquiry.name();
    }
    return FirstGuess.name(inquiry, question.answer().frame());
  }
}
