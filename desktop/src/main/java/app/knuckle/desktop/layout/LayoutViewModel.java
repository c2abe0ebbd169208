package app.knuckle.desktop.layout;

import app.knuckle.desktop.controls.SlotChooser.Option;
import app.knuckle.desktop.records.ColumnGlance;
import app.knuckle.desktop.shell.SlipViewModel;
import app.knuckle.study.design.FirstGuess;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.NumberText;
import app.knuckle.study.table.Numbers;
import java.util.Comparator;
import java.util.List;

/** What can be chosen in the design sentence, and what a choice does. */
final class LayoutViewModel {

  private static final List<Double> LEVELS = List.of(0.1, 0.05, 0.01, 0.001);

  private final SlipViewModel slip;

  LayoutViewModel(SlipViewModel slip) {
    this.slip = slip;
  }

  /** The response now, or words for a gap. */
  String measured() {
    return slip.inquiry().measured().stream().findFirst().orElse("choose what was measured");
  }

  /** The treatment now, or words for a gap. */
  String treatment() {
    return slip.inquiry().treatments().stream().findFirst().orElse("choose a treatment");
  }

  boolean isMeasuredMissing() {
    return slip.inquiry().measured().isEmpty();
  }

  boolean isTreatmentMissing() {
    return slip.inquiry().treatments().isEmpty();
  }

  /** The level of significance now. */
  String alpha() {
    return "\u03b1 = " + slip.inquiry().alpha();
  }

  /** Columns that can be measured: numbers first; others last, since choosing one says why not. */
  List<Option> measurable() {
    return columns(Comparator.comparing(g -> !(g.column() instanceof Numbers)));
  }

  /** Columns that can be a treatment: those that name groups first. */
  List<Option> treatable() {
    return columns(
        Comparator.comparing(g -> !(g.column() instanceof Categories) || g.kind().equals("label")));
  }

  private List<Option> columns(Comparator<ColumnGlance> fittingFirst) {
    if (slip.answer() == null) {
      return List.of();
    }
    return slip.answer().glances().stream()
        .sorted(fittingFirst)
        .map(LayoutViewModel::option)
        .toList();
  }

  private static Option option(ColumnGlance glance) {
    Column column = glance.column();
    String line = column.unit().isEmpty() ? glance.kind() : glance.kind() + ", " + column.unit();
    return new Option(
        column.name(), column.name(), line, glance.shape(), column instanceof Categories);
  }

  /** Usual levels of significance. */
  List<Option> levels() {
    return LEVELS.stream().map(LayoutViewModel::level).toList();
  }

  private static Option level(double alpha) {
    String line =
        alpha == Inquiry.USUAL_ALPHA
            ? "the usual level"
            : alpha > Inquiry.USUAL_ALPHA ? "more easily content" : "stricter";
    return new Option(String.valueOf(alpha), "\u03b1 = " + alpha, line, List.of(), false);
  }

  /** A level of the user's own; null when what was typed is none. */
  Option ownLevel(String typed) {
    String bare = typed.replace("\u03b1", "").replace("=", "").strip();
    double alpha = NumberText.parse(bare, bare.indexOf(',') >= 0);
    return alpha > 0 && alpha < 1
        ? new Option(String.valueOf(alpha), "\u03b1 = " + alpha, "your own level", List.of(), false)
        : null;
  }

  void measure(Option column) {
    change(slip.inquiry().measuring(column.key()));
  }

  void treat(Option column) {
    change(slip.inquiry().treating(column.key()));
  }

  void judgeAt(Option level) {
    slip.inquiryProperty().set(slip.inquiry().at(Double.parseDouble(level.key())));
  }

  /** A slip that was named after its question is named after the new one; own names stay. */
  private void change(Inquiry changed) {
    boolean own = !slip.inquiry().name().equals(nameOf(slip.inquiry()));
    slip.inquiryProperty().set(own ? changed : changed.named(nameOf(changed)));
  }

  private String nameOf(Inquiry inquiry) {
    if (slip.answer() == null || slip.answer().frame() == null) {
      return inquiry.name();
    }
    return FirstGuess.name(inquiry, slip.answer().frame());
  }
}
