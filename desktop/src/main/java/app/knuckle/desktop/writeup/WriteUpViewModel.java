package app.knuckle.desktop.writeup;

import app.knuckle.desktop.background.Lane;
import app.knuckle.desktop.workbench.Answer;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.figures.export.FigureFile;
import app.knuckle.figures.inquiry.InquiryFigure;
import app.knuckle.figures.style.Style;
import app.knuckle.formats.report.Block;
import app.knuckle.formats.report.HtmlReport;
import app.knuckle.formats.report.Page;
import app.knuckle.formats.report.ReportFile;
import app.knuckle.formats.report.TextReport;
import app.knuckle.study.Place;
import app.knuckle.study.Refused;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;

/** The page of a slip, which of its parts are wanted, and how it is taken away. */
final class WriteUpViewModel {

  private final SlipViewModel slip;
  private final Lane making = Lane.ofLatest();
  private final Lane writing = Lane.inTurn();
  private final ReadOnlyObjectWrapper<Page> shown = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyStringWrapper note = new ReadOnlyStringWrapper("");
  private Page whole;

  WriteUpViewModel(SlipViewModel slip) {
    this.slip = slip;
  }

  /** Makes the page of the answer beside the window. */
  void refresh() {
    Answer answer = slip.answer();
    if (answer == null || answer.findings() == null) {
      return;
    }
    Style style = slip.styleProperty().get();
    making.run(
        progress -> {
          InquiryFigure figure =
              answer.isTested() && style != null
                  ? InquiryFigure.of(answer.findings(), style)
                  : null;
          return Page.of(answer.findings(), figure);
        },
        made -> {
          whole = made;
          choose();
        });
  }

  /** Shows the parts that are wanted now. */
  void choose() {
    if (whole != null) {
      shown.set(whole.only(Block.Part.wanted(slip.pageProperty().get())));
    }
  }

  boolean has(Block.Part part) {
    return Block.Part.wanted(slip.pageProperty().get()).contains(part);
  }

  void want(Block.Part part, boolean wanted) {
    slip.pageProperty().set(part.said(slip.pageProperty().get(), wanted));
  }

  ReadOnlyObjectProperty<Page> shownProperty() {
    return shown.getReadOnlyProperty();
  }

  /** What became of the last page that was taken away. */
  ReadOnlyStringProperty noteProperty() {
    return note.getReadOnlyProperty();
  }

  void say(String words) {
    note.set(words);
  }

  String html() {
    try {
      return HtmlReport.piece(shown.get());
    } catch (IOException e) {
      throw new UncheckedIOException("A piece without figures reads no file", e);
    }
  }

  String plain() {
    return TextReport.plain(shown.get());
  }

  String suggestedName(ReportFile kind) {
    return FigureFile.safeName(slip.inquiry().name()) + "." + kind.ending();
  }

  /** Writes the page, and beside it the figure that its text names. */
  void write(ReportFile kind, Path target) {
    Page page = shown.get();
    note.set("Writing " + target.getFileName() + " \u2026");
    writing.run(
        progress -> {
          try {
            kind.write(page, target);
            return target;
          } catch (IOException e) {
            throw new Refused(
                Refused.at(
                        new Place.WholeFile(target.toString()),
                        "the page cannot be written there",
                        "Choose another folder, or close the file elsewhere")
                    .refusal(),
                e);
          }
        },
        written -> note.set("Written: " + written.getFileName()),
        refused -> note.set(refused.refusal().words()));
  }
}
