package app.knuckle.desktop.writeup;

import app.knuckle.desktop.background.Lane;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.figures.inquiry.InquiryFigure;
import app.knuckle.figures.style.Style;
import app.knuckle.formats.documents.ReportFile;
import app.knuckle.formats.report.Others;
import app.knuckle.formats.report.Page;
import app.knuckle.formats.report.PageSettings;
import app.knuckle.formats.report.ReckoningPage;
import app.knuckle.stats.Progress;
import app.knuckle.study.Refused;
import app.knuckle.study.answers.Answering;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.reckon.Reckoning;
import app.knuckle.study.table.Table;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyDoubleProperty;

/** One document of several inquiries, written beside the window. */
public final class StudyDocument {

  private final Lane writing = Lane.ofLatest();

  /**
   * An inquiry as it is asked now.
   *
   * @param table of its records
   * @param inquiry the question
   * @param found its findings; null if they are not known yet
   * @param style of its figure; null for the usual one
   * @param settings of its page
   * @param others of the study, as they are answered now
   */
  private record Asked(
      Table table,
      Inquiry inquiry,
      Findings found,
      Style style,
      PageSettings settings,
      Others others) {

    static Asked of(SlipViewModel slip) {
      return new Asked(
          slip.source().table(),
          slip.inquiry(),
          slip.answer() == null ? null : slip.answer().findings(),
          slip.styleProperty().get(),
          StudyDocument.settings(slip),
          StudyDocument.others(slip));
    }

    Page page(Progress progress) {
      try {
        Findings findings = found != null ? found : Answering.of(table, inquiry, progress);
        boolean answered = findings.refusal().isEmpty();
        Style drawn = style != null ? style : Style.usual(findings.first().shownMeans().size());
        Page whole =
            Page.of(
                findings,
                answered ? InquiryFigure.of(findings, settings.figure(drawn)) : null,
                settings,
                others);
        return settings.page(whole);
      } catch (Refused e) {
        return Page.ofRefusal(inquiry.name(), e.refusal().words());
      }
    }
  }

  /**
   * The answers that the other inquiries of the study have now.
   *
   * @param slip the inquiry
   * @return what they found, by name
   */
  static Others others(SlipViewModel slip) {
    Map<String, Findings> found = new HashMap<>();
    slip.othersByName()
        .forEach(
            (name, other) -> {
              if (other.answer() != null && other.answer().findings() != null) {
                found.put(name, other.answer().findings().named(name));
              }
            });
    return name -> Optional.ofNullable(found.get(name));
  }

  /**
   * What is asked of the page of an inquiry.
   *
   * @param slip the inquiry
   * @return never null
   */
  public static PageSettings settings(SlipViewModel slip) {
    return PageSettings.of(slip.pageProperty().get());
  }

  /**
   * Puts an inquiry into the document, or leaves it away.
   *
   * @param slip the inquiry
   * @param yes whether it stands there
   */
  public static void choose(SlipViewModel slip, boolean yes) {
    slip.pageProperty().set(settings(slip).but(d -> d.chosen = yes).kept());
  }

  /**
   * Whether the figures of all inquiries in the document are panels of one.
   *
   * @param slips all inquiries
   * @return false if one of them stands on its own
   */
  public static boolean isOfPanels(List<SlipViewModel> slips) {
    return slips.stream().map(StudyDocument::settings).allMatch(PageSettings::panel);
  }

  /**
   * Makes the figures of all inquiries panels of one, or lets each stand on its own.
   *
   * @param slips all inquiries
   * @param yes whether they are panels
   */
  public static void panels(List<SlipViewModel> slips, boolean yes) {
    slips.forEach(s -> s.pageProperty().set(settings(s).but(d -> d.panel = yes).kept()));
  }

  /**
   * Writes the document.
   *
   * @param title of the whole
   * @param slips all inquiries, in their order; those that are not chosen are left away
   * @param reckonings that are kept; likewise
   * @param kind of file
   * @param target the file; an old one stays whole if this fails
   * @param replace whether figures may replace files that are not as Knuckle wrote them
   * @param said told what became of it
   * @param otherwise told why it cannot be written
   */
  public void write(
      String title,
      List<SlipViewModel> slips,
      List<Reckoning> reckonings,
      ReportFile kind,
      Path target,
      boolean replace,
      Consumer<String> said,
      Consumer<Refused> otherwise) {
    List<Asked> asked =
        slips.stream().filter(slip -> settings(slip).chosen()).map(Asked::of).toList();
    List<Page> reckoned = ReckoningPage.of(reckonings);
    if (asked.isEmpty() && reckoned.isEmpty()) {
      said.accept("Nothing is chosen for the document: tick some inquiries.");
      return;
    }
    said.accept("Writing " + target.getFileName() + " \u2026");
    writing.run(
        progress -> {
          List<Page> pages = new ArrayList<>();
          for (Asked one : asked) {
            progress.check();
            pages.add(one.page(progress));
            progress.done((double) pages.size() / (asked.size() + 1));
          }
          pages.addAll(reckoned);
          return kind.write(Page.joined(title, pages), target, replace);
        },
        written -> said.accept("Written: " + written.getFileName()),
        otherwise);
  }

  /** Leaves off. */
  public void cancel() {
    writing.cancel();
  }

  /** Whether it is writing. */
  public ReadOnlyBooleanProperty busyProperty() {
    return writing.busyProperty();
  }

  /** How far it is: a share from 0 to 1; below 0 if that is not known. */
  public ReadOnlyDoubleProperty progressProperty() {
    return writing.progressProperty();
  }
}
