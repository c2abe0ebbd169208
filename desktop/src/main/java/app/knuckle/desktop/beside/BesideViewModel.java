package app.knuckle.desktop.beside;

import app.knuckle.desktop.background.Lane;
import app.knuckle.desktop.workbench.Answer;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.formats.documents.ReportFile;
import app.knuckle.formats.report.BesidePage;
import app.knuckle.formats.report.Block;
import app.knuckle.formats.report.Page;
import app.knuckle.formats.report.PageSettings;
import app.knuckle.formats.report.Paper;
import app.knuckle.study.Refused;
import app.knuckle.study.beside.Abreast;
import app.knuckle.study.beside.Beside;
import app.knuckle.study.findings.Findings;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleObjectProperty;

/** Which two or three inquiries are side by side, and what that shows. */
final class BesideViewModel {

  private final ObjectProperty<SlipViewModel> left = new SimpleObjectProperty<>();
  private final ObjectProperty<SlipViewModel> right = new SimpleObjectProperty<>();
  private final ObjectProperty<SlipViewModel> third = new SimpleObjectProperty<>();
  private final ReadOnlyObjectWrapper<Shown> shown = new ReadOnlyObjectWrapper<>();
  private final Lane matching = Lane.ofLatest();
  private final Lane writing = Lane.inTurn();

  /**
   * What is shown.
   *
   * @param abreast the answers; null while one of them is missing
   * @param sentences what each change did
   * @param matched blocks of what can be matched
   * @param missing what is missing, a sentence; empty where nothing is
   */
  record Shown(Abreast abreast, List<String> sentences, List<Block> matched, String missing) {}

  ObjectProperty<SlipViewModel> leftProperty() {
    return left;
  }

  ObjectProperty<SlipViewModel> rightProperty() {
    return right;
  }

  /** Empty while two are side by side. */
  ObjectProperty<SlipViewModel> thirdProperty() {
    return third;
  }

  ReadOnlyObjectProperty<Shown> shownProperty() {
    return shown.getReadOnlyProperty();
  }

  /** Matches the answers as they are now, beside the window. */
  void refresh() {
    List<SlipViewModel> others = new ArrayList<>(Collections.singletonList(right.get()));
    if (third.get() != null) {
      others.add(third.get());
    }
    String missing =
        missing(left.get())
            + others.stream().map(BesideViewModel::missing).collect(Collectors.joining());
    if (!missing.isEmpty()) {
      shown.set(new Shown(null, List.of(), List.of(), missing.strip()));
      return;
    }
    Findings first = left.get().answer().findings();
    List<Findings> later = others.stream().map(slip -> slip.answer().findings()).toList();
    matching.run(
        progress -> {
          Abreast abreast =
              new Abreast(later.stream().map(other -> Beside.of(first, other)).toList());
          return new Shown(abreast, BesidePage.sentences(abreast), BesidePage.matched(abreast), "");
        },
        shown::set);
  }

  private static String missing(SlipViewModel slip) {
    if (slip == null) {
      return "Choose an inquiry. ";
    }
    Answer answer = slip.answer();
    return answer == null
        ? slip.inquiry().name() + " is being answered. "
        : answer.findings() == null
            ? slip.inquiry().name() + " has no answer: " + answer.refusal().words() + " "
            : "";
  }

  /** The other way round. */
  void exchange() {
    SlipViewModel was = left.get();
    left.set(right.get());
    right.set(was);
  }

  /** The answers as a page of their own, on the paper of the first. */
  Page page() {
    Paper paper = PageSettings.of(left.get().pageProperty().get()).paper();
    return BesidePage.of(shown.get().abreast()).on(paper);
  }

  /** Writes the page. */
  void write(
      ReportFile kind,
      Path target,
      boolean replace,
      Consumer<String> said,
      Consumer<Refused> otherwise) {
    Page page = page();
    writing.run(
        progress -> kind.write(page, target, replace),
        written -> said.accept("Written: " + written.getFileName()),
        otherwise);
  }
}
