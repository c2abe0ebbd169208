package app.knuckle.desktop.figure;

import app.knuckle.desktop.background.Lane;
import app.knuckle.desktop.workbench.Answer;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.figures.export.FigureFile;
import app.knuckle.figures.inquiry.InquiryFigure;
import app.knuckle.figures.means.MeansFigure;
import app.knuckle.figures.means.MeansReading;
import app.knuckle.figures.scene.Scene;
import app.knuckle.figures.style.Form;
import app.knuckle.figures.style.Style;
import app.knuckle.formats.keeping.SafeFile;
import app.knuckle.study.table.NumberText;
import java.io.File;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.function.UnaryOperator;
import javafx.beans.binding.Bindings;
import javafx.beans.binding.ObjectBinding;
import javafx.beans.property.IntegerProperty;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.beans.property.SimpleIntegerProperty;

/** The figure of a slip, its style, and its way into files. */
final class FigureViewModel {

  private static final int USUAL_DPI = 600;

  private final SlipViewModel slip;
  private final ObjectBinding<InquiryFigure> figure;
  private final IntegerProperty dpi = new SimpleIntegerProperty(USUAL_DPI);
  private final ReadOnlyStringWrapper note = new ReadOnlyStringWrapper("");
  private final OwnPresets presets = new OwnPresets();
  private final Lane exporting = Lane.inTurn();
  private String bracketFrom = "";

  FigureViewModel(SlipViewModel slip) {
    this.slip = slip;
    figure = Bindings.createObjectBinding(this::make, slip.answerProperty(), slip.styleProperty());
  }

  private InquiryFigure make() {
    Answer answer = slip.answer();
    return answer == null || !answer.isTested()
        ? null
        : InquiryFigure.of(answer.findings(), style());
  }

  ObjectBinding<InquiryFigure> figureBinding() {
    return figure;
  }

  Style style() {
    return slip.styleProperty().get();
  }

  void restyle(UnaryOperator<Style> change) {
    Style changed = change.apply(style());
    if (!changed.equals(style())) {
      slip.styleProperty().set(changed);
    }
  }

  /** The forms that the answer can be shown in. */
  List<Form> forms() {
    return figure.get() == null ? List.of() : InquiryFigure.forms(slip.answer().findings());
  }

  /** The treatments on the figure. */
  List<String> treatments() {
    return figure.get() == null ? List.of() : MeansReading.treatments(slip.answer().findings());
  }

  /**
   * The treatment that panels can be made of; empty if there are too few, or it has them anyway.
   */
  String panelled() {
    List<String> all = treatments();
    return all.size() < 2 || MeansReading.isCrowded(slip.answer().findings(), style())
        ? ""
        : all.get(Math.floorMod(colours() - 1, all.size()));
  }

  private int colours() {
    return figure.get() == null ? 0 : MeansReading.colours(slip.answer().findings(), style());
  }

  /** Gives the colours to the next treatment. */
  void exchange() {
    int next = (colours() + 1) % Math.max(1, treatments().size());
    restyle(s -> s.with(s.arrangement().turned(next)));
  }

  /** The treatments in the order of their parts: in the colours, on the axis. */
  String exchangeTitle() {
    List<String> all = treatments();
    int turn = colours();
    return all.size() < 2
        ? ""
        : all.get(turn) + " \u21c4 " + all.get(Math.floorMod(turn + 1, all.size()));
  }

  /** The names of the means, which brackets can join. */
  List<String> groups() {
    MeansFigure means = figure.get() == null ? null : figure.get().means();
    return means == null ? List.of() : means.groups().stream().map(MeansFigure.Group::key).toList();
  }

  /** A mean was picked on the picture: the second one picked gets a bracket with the first. */
  void pickForBracket(int group) {
    String name = groups().get(group);
    if (bracketFrom.isEmpty() || bracketFrom.equals(name)) {
      bracketFrom = name;
      say("A bracket from " + name + ": click the mean it goes to.");
    } else {
      Style.Couple couple = new Style.Couple(bracketFrom, name);
      bracketFrom = "";
      say("");
      restyle(s -> s.bracketing(couple));
    }
  }

  /** A number typed in a field: NaN for an empty field, and for a text that is no number. */
  static double number(String text) {
    return text.isBlank() ? Double.NaN : NumberText.parse(text.strip(), false);
  }

  OwnPresets presets() {
    return presets;
  }

  void keepPreset(String name) {
    try {
      presets.keep(name.strip(), style());
      say("Kept as \u201c" + name.strip() + "\u201d.");
    } catch (IOException e) {
      say("The preset cannot be kept: the folder for Knuckle's own notes cannot be written.");
    }
  }

  void forgetPreset(String name) {
    try {
      presets.forget(name);
      say("\u201c" + name + "\u201d is no longer kept.");
    } catch (IOException e) {
      say("The preset stays: the folder for Knuckle's own notes cannot be written.");
    }
  }

  IntegerProperty dpiProperty() {
    return dpi;
  }

  /** What became of the last export. */
  ReadOnlyStringProperty noteProperty() {
    return note.getReadOnlyProperty();
  }

  void say(String words) {
    note.set(words);
  }

  String suggestedName(FigureFile format) {
    return FigureFile.safeName(slip.inquiry().name()) + "." + format.ending();
  }

  void export(FigureFile format, File file) {
    Scene scene = figure.get().scene();
    int resolution = dpi.get();
    Path target = file.toPath();
    note.set("Writing " + file.getName() + " \u2026");
    exporting.run(
        progress -> SafeFile.writeChosen(target, out -> format.write(scene, resolution, out)),
        written -> note.set("Written: " + file.getName()),
        refused -> note.set(refused.refusal().words()));
  }
}
