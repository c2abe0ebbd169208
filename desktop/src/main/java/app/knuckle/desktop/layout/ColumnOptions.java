package app.knuckle.desktop.layout;

import app.knuckle.desktop.controls.SlotChooser.Option;
import app.knuckle.desktop.workbench.ColumnGlance;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.table.Categories;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.Numbers;
import java.util.Comparator;
import java.util.List;
import java.util.function.Predicate;

/** Columns that fit a part of the sentence, those that fit best first. */
final class ColumnOptions {

  private final Question question;

  ColumnOptions(Question question) {
    this.question = question;
  }

  private Inquiry asked() {
    return question.inquiry();
  }

  /** Columns that can be measured: numbers first; others last, since choosing one says why not. */
  List<Option> measurable() {
    return columns(Comparator.comparing(g -> !(g.column() instanceof Numbers)), g -> true);
  }

  /** Columns that can be a treatment: those that name groups first. */
  List<Option> treatable() {
    return columns(
        Comparator.comparing(g -> !(g.column() instanceof Categories) || g.kind().equals("label")),
        g -> true);
  }

  List<Option> naming() {
    return columns(
        Comparator.comparing(g -> !(g.column() instanceof Categories)),
        g -> !asked().measured().contains(g.column().name()));
  }

  List<Option> numbers() {
    return columns(
        Comparator.comparing(g -> false),
        g ->
            g.column() instanceof Numbers
                && !asked().measured().contains(g.column().name())
                && !asked().treatments().contains(g.column().name()));
  }

  /** Treatments of the sentence. */
  List<Option> laid() {
    return columns(
        Comparator.comparing(g -> false), g -> asked().treatments().contains(g.column().name()));
  }

  private List<Option> columns(
      Comparator<ColumnGlance> fittingFirst, Predicate<ColumnGlance> fits) {
    if (question.answer() == null) {
      return List.of();
    }
    return question.answer().glances().stream()
        .filter(fits)
        .sorted(fittingFirst)
        .map(ColumnOptions::option)
        .toList();
  }

  private static Option option(ColumnGlance glance) {
    Column column = glance.column();
    String line = column.unit().isEmpty() ? glance.kind() : glance.kind() + ", " + column.unit();
    return new Option(
        column.name(), column.name(), line, glance.shape(), column instanceof Categories);
  }

  /** Levels of a treatment that occur. */
  List<String> levels(String treatment) {
    return question.answer() == null || question.answer().findings() == null
        ? List.of()
        : question.answer().findings().first().levelsOf(treatment);
  }
}
