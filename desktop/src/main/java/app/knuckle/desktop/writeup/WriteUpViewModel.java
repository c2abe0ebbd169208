package app.knuckle.desktop.writeup;

import app.knuckle.desktop.background.Lane;
import app.knuckle.desktop.keeping.NamedSettings;
import app.knuckle.desktop.keeping.StateFolder;
import app.knuckle.desktop.workbench.Answer;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.figures.export.FigureFile;
import app.knuckle.figures.inquiry.InquiryFigure;
import app.knuckle.figures.style.Style;
import app.knuckle.formats.documents.ReportFile;
import app.knuckle.formats.report.Block;
import app.knuckle.formats.report.Others;
import app.knuckle.formats.report.Page;
import app.knuckle.formats.report.PageSettings;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.Refused;
import app.knuckle.study.design.Compare;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.beans.value.ChangeListener;
import javafx.beans.value.WeakChangeListener;

/** The page of a slip, which of its parts are wanted, and how it is taken away. */
final class WriteUpViewModel {

  private final SlipViewModel slip;
  private final Lane making = Lane.ofLatest();
  private final Lane writing = Lane.inTurn();
  private final ReadOnlyObjectWrapper<Shown> shown = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyStringWrapper note = new ReadOnlyStringWrapper("");
  private final NamedSettings styles =
      new NamedSettings(StateFolder.path().resolve("page-styles.properties"));
  private final ChangeListener<Answer> answered = (o, before, now) -> refresh();

  /** Another inquiry does not keep this page when it is closed. */
  private final WeakChangeListener<Answer> weakly = new WeakChangeListener<>(answered);

  private SlipViewModel heard;
  private String focused = "";
  private Page whole;
  private PageSettings madeFor = PageSettings.USUAL;

  /**
   * The page on screen.
   *
   * @param settings that it was made for
   * @param slots its blocks
   */
  record Shown(PageSettings settings, List<PageSettings.Slot> slots) {

    Page page() {
      return new Page(
              slots.isEmpty() ? "" : slots.get(0).block().words(),
              slots.stream().map(PageSettings.Slot::block).toList())
          .on(settings.paper());
    }
  }

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
    PageSettings settings = settings();
    hear(settings.beside());
    Others others = StudyDocument.others(slip);
    making.run(
        progress -> {
          InquiryFigure figure =
              answer.isTested() && style != null
                  ? InquiryFigure.of(answer.findings(), style)
                  : null;
          return Page.of(answer.findings(), figure, settings, others);
        },
        made -> {
          whole = made;
          madeFor = settings;
          choose();
        });
  }

  /** The inquiry that stands beside this one is heard of while it does. */
  private void hear(String name) {
    SlipViewModel other = slip.othersByName().get(name);
    if (other != heard) {
      if (heard != null) {
        heard.answerProperty().removeListener(weakly);
      }
      if (other != null) {
        other.answerProperty().addListener(weakly);
      }
      heard = other;
    }
  }

  /** The inquiries that may stand beside this one, by name. */
  List<String> others() {
    return List.copyOf(slip.othersByName().keySet());
  }

  /** Puts another inquiry onto the page, or leaves it away: of the same records if there is one. */
  void beside(boolean on) {
    String first =
        slip.othersByName().entrySet().stream()
            .sorted(Comparator.comparing(other -> other.getValue().source() != slip.source()))
            .map(Map.Entry::getKey)
            .findFirst()
            .orElse("");
    change(
        s ->
            s.want(Block.Part.BESIDE, on)
                .but(d -> d.beside = on && d.beside.isEmpty() ? first : d.beside));
  }

  /** Shows what is wanted now; what is said otherwise, or with other columns, is made anew. */
  void choose() {
    PageSettings now = settings();
    if (whole == null) {
      return;
    }
    if (now.saysOtherThan(madeFor)) {
      refresh();
    } else {
      shown.set(new Shown(now, now.slots(whole)));
    }
  }

  /** What is asked of the page. */
  PageSettings settings() {
    return PageSettings.of(slip.pageProperty().get());
  }

  /** Whether there are several responses, whose means may share a table. */
  boolean isOfSeveral() {
    Answer answer = slip.answer();
    return answer != null && answer.findings() != null && answer.findings().responses().size() > 1;
  }

  /** The procedures that the inquiry compares means by. */
  List<Procedure> procedures() {
    return slip.inquiry().compare().stream().map(Compare::procedure).distinct().toList();
  }

  /** The names of the styles that are kept. */
  List<String> styles() {
    return styles.names();
  }

  /** The name of the style that the page is made in; empty where it is in none that is kept. */
  Optional<String> style() {
    Map<String, String> now = settings().style();
    return styles.names().stream()
        .filter(name -> styles.of(name).filter(now::equals).isPresent())
        .findFirst();
  }

  /** Makes the page in a style that is kept. */
  void style(String name) {
    styles.of(name).ifPresent(style -> change(s -> s.in(style)));
  }

  void keepStyle(String name) {
    try {
      styles.keep(name.strip(), settings().style());
      say("This style is kept as \u201c" + name.strip() + "\u201d.");
    } catch (IOException e) {
      say("The style cannot be kept: the folder for Knuckle's own notes cannot be written.");
    }
  }

  void forgetStyle(String name) {
    try {
      styles.forget(name);
      say("\u201c" + name + "\u201d is no longer kept; this page stays as it is.");
    } catch (IOException e) {
      say("The style stays: the folder for Knuckle's own notes cannot be written.");
    }
  }

  /** Asks something else of the page. */
  void change(UnaryOperator<PageSettings> change) {
    slip.pageProperty().set(change.apply(settings()).kept());
  }

  ReadOnlyObjectProperty<Shown> shownProperty() {
    return shown.getReadOnlyProperty();
  }

  /** Shows the page again as it is asked for. */
  void show() {
    shown.set(null);
    choose();
  }

  /** Where the keyboard shall stand when the page is shown next. */
  void focus(String place) {
    focused = place;
  }

  /** Told once. */
  String focused() {
    String place = focused;
    focused = "";
    return place;
  }

  /** What became of the last page that was taken away. */
  ReadOnlyStringProperty noteProperty() {
    return note.getReadOnlyProperty();
  }

  void say(String words) {
    note.set(words);
  }

  String suggestedName(ReportFile kind) {
    return FigureFile.safeName(slip.inquiry().name()) + "." + kind.ending();
  }

  /** Writes the page, and beside it the figure that its text names. */
  void write(ReportFile kind, Path target, boolean replace, Consumer<Refused> otherwise) {
    Page page = shown.get().page();
    note.set("Writing " + target.getFileName() + " \u2026");
    writing.run(
        progress -> kind.write(page, target, replace),
        written -> note.set("Written: " + written.getFileName()),
        otherwise);
  }
}
