package app.knuckle.desktop.figure;

import app.knuckle.desktop.shell.Answer;
import app.knuckle.desktop.shell.SlipViewModel;
import app.knuckle.figures.export.PdfExport;
import app.knuckle.figures.export.PngExport;
import app.knuckle.figures.export.SvgExport;
import app.knuckle.figures.means.MeansFigure;
import app.knuckle.figures.means.MeansLayout;
import app.knuckle.figures.scene.Scene;
import java.io.File;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.function.UnaryOperator;
import javafx.beans.binding.Bindings;
import javafx.beans.binding.ObjectBinding;
import javafx.beans.property.IntegerProperty;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.beans.property.SimpleIntegerProperty;
import javafx.concurrent.Task;

/** The figure of a slip, its style, and its way into files. */
final class FigureViewModel {

  /** What a file holds. */
  enum Format {
    SVG("svg"),
    PDF("pdf"),
    PNG("png");

    private final String ending;

    Format(String ending) {
      this.ending = ending;
    }

    String ending() {
      return ending;
    }
  }

  private static final int USUAL_DPI = 600;

  private final SlipViewModel slip;
  private final ObjectBinding<MeansFigure> figure;
  private final IntegerProperty dpi = new SimpleIntegerProperty(USUAL_DPI);
  private final ReadOnlyStringWrapper note = new ReadOnlyStringWrapper("");

  FigureViewModel(SlipViewModel slip) {
    this.slip = slip;
    figure = Bindings.createObjectBinding(this::make, slip.answerProperty(), slip.styleProperty());
  }

  private MeansFigure make() {
    Answer answer = slip.answer();
    return answer == null || !answer.isTested()
        ? null
        : MeansFigure.of(answer.findings(), slip.styleProperty().get());
  }

  ObjectBinding<MeansFigure> figureBinding() {
    return figure;
  }

  MeansFigure.Style style() {
    return slip.styleProperty().get();
  }

  void restyle(UnaryOperator<MeansFigure.Style> change) {
    slip.styleProperty().set(change.apply(style()));
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

  String suggestedName(Format format) {
    String bare = slip.inquiry().name().replaceAll("[^\\p{L}\\p{N}]+", "-").replaceAll("^-|-$", "");
    return (bare.isEmpty() ? "figure" : bare) + "." + format.ending();
  }

  /** Writes beside the file first, so that an export that fails leaves the old file whole. */
  void export(Format format, File file) {
    Scene scene = MeansLayout.of(figure.get());
    int resolution = dpi.get();
    Task<Path> task =
        new Task<>() {
          @Override
          protected Path call() throws IOException {
            Path target = file.toPath();
            Path beside = target.resolveSibling(target.getFileName() + ".part");
            try (OutputStream out = Files.newOutputStream(beside)) {
              switch (format) {
                case SVG -> SvgExport.write(scene, out);
                case PDF -> PdfExport.write(scene, out);
                case PNG -> PngExport.write(scene, resolution, out);
              }
            }
            return Files.move(beside, target, StandardCopyOption.REPLACE_EXISTING);
          }
        };
    note.set("Writing " + file.getName() + " \u2026");
    task.setOnSucceeded(event -> note.set("Written: " + file.getName()));
    task.setOnFailed(
        event -> note.set(file.getName() + " cannot be written there. Choose another folder."));
    Thread worker = new Thread(task, "figure-export");
    worker.setDaemon(true);
    worker.start();
  }
}
