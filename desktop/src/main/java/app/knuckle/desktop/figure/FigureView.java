package app.knuckle.desktop.figure;

import app.knuckle.desktop.controls.Card;
import app.knuckle.desktop.controls.Choice;
import app.knuckle.desktop.controls.Picture;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.shell.SlipViewModel;
import app.knuckle.figures.export.PngExport;
import app.knuckle.figures.means.MeansFigure;
import app.knuckle.figures.means.MeansLayout;
import app.knuckle.figures.means.Whisker;
import app.knuckle.figures.scene.Mark;
import java.io.File;
import java.util.List;
import javafx.collections.FXCollections;
import javafx.embed.swing.SwingFXUtils;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Spinner;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;

/** The Figure joint: the picture, and at its right what is on it, its size, and where it goes. */
public final class FigureView extends BorderPane {

  private static final List<Integer> RESOLUTIONS = List.of(150, 300, 600, 1200);

  /** Sharp on any screen and in any document, and still small. */
  private static final double CLIPBOARD_SCALE = 4;

  private final FigureViewModel model;
  private final Picture picture = new Picture();
  private final Label caption = Texts.wrapped("", "joint-line");
  private final Choice<MeansFigure.Form> forms;
  private final Button exchange = new Button("Exchange axis and colours");
  private final Choice<Whisker> whiskers;
  private final CheckBox letters = new CheckBox("Letters from Compare");
  private final CheckBox values = new CheckBox("Every value as a circle");
  private final Spinner<Double> width;
  private final Spinner<Double> height;

  /**
   * The view of a slip's figure.
   *
   * @param slip the slip
   */
  public FigureView(SlipViewModel slip) {
    model = new FigureViewModel(slip);
    setId("figure");
    getStyleClass().add("joint");
    forms =
        new Choice<>(
            "figure-form",
            List.of(MeansFigure.Form.values()),
            MeansFigure.Form::title,
            form -> model.restyle(s -> s.with(form)));
    whiskers =
        new Choice<>(
            "figure-whiskers",
            List.of(Whisker.values()),
            Whisker::title,
            whisker -> model.restyle(s -> s.with(whisker)));
    letters.setId("figure-letters");
    values.setId("figure-values");
    letters.setOnAction(e -> model.restyle(s -> s.showing(letters.isSelected(), s.values())));
    values.setOnAction(e -> model.restyle(s -> s.showing(s.letters(), values.isSelected())));
    width = millimetres("figure-width", model.style().widthMm());
    height = millimetres("figure-height", model.style().heightMm());
    width.valueProperty().addListener((o, a, mm) -> model.restyle(s -> s.sized(mm, s.heightMm())));
    height.valueProperty().addListener((o, a, mm) -> model.restyle(s -> s.sized(s.widthMm(), mm)));
    caption.setId("figure-caption");
    VBox paper = new VBox(picture);
    paper.getStyleClass().add("paper");
    VBox.setVgrow(picture, Priority.ALWAYS);
    VBox.setVgrow(paper, Priority.ALWAYS);
    Label enlarged = Texts.line("", "joint-line");
    enlarged
        .textProperty()
        .bind(
            picture
                .enlargementProperty()
                .map(
                    times ->
                        "Shown at "
                            + Math.round(100 * times.doubleValue())
                            + "% of its true size"));
    exchange.setId("figure-exchange");
    exchange.getStyleClass().add("bar-button");
    exchange.setOnAction(event -> model.restyle(MeansFigure.Style::exchange));
    HBox above = new HBox(forms, exchange, enlarged);
    above.getStyleClass().add("above-figure");
    VBox middle = new VBox(above, paper, caption);
    middle.getStyleClass().add("below");
    setCenter(middle);
    ScrollPane scroll = new ScrollPane(side());
    scroll.setFitToWidth(true);
    scroll.getStyleClass().add("side-scroll");
    setRight(scroll);
    model.figureBinding().addListener((o, before, now) -> show(now));
    show(model.figureBinding().get());
  }

  private static Spinner<Double> millimetres(String id, double now) {
    Spinner<Double> spinner =
        new Spinner<>(MeansFigure.Style.SMALLEST_MM, MeansFigure.Style.LARGEST_MM, now, 1);
    spinner.setId(id);
    spinner.setEditable(true);
    spinner.getStyleClass().add("millimetres");
    return spinner;
  }

  private VBox side() {
    Card on =
        new Card("On the picture", Texts.line("whiskers", "fact-name"), whiskers, letters, values);
    FlowPane presets = new FlowPane();
    presets.getStyleClass().add("ways");
    for (Preset preset : Preset.values()) {
      Button button = new Button(preset.title());
      button.setId("preset-" + preset.name().toLowerCase(java.util.Locale.ROOT));
      button.getStyleClass().add("small-button");
      button.setOnAction(event -> model.restyle(preset::apply));
      presets.getChildren().add(button);
    }
    Card size =
        new Card("Size", presets, Texts.fact("width, mm", width), Texts.fact("height, mm", height));
    ComboBox<Integer> dpi = new ComboBox<>(FXCollections.observableArrayList(RESOLUTIONS));
    dpi.setId("figure-dpi");
    dpi.setValue(model.dpiProperty().get());
    dpi.setOnAction(event -> model.dpiProperty().set(dpi.getValue()));
    FlowPane exports = new FlowPane();
    exports.getStyleClass().add("exports");
    for (FigureViewModel.Format format : FigureViewModel.Format.values()) {
      Button button = new Button(format.name());
      button.setId("export-" + format.ending());
      button.getStyleClass().add("go");
      button.setOnAction(event -> export(format));
      exports.getChildren().add(button);
    }
    Button copy = new Button("Copy");
    copy.setId("figure-copy");
    copy.getStyleClass().add("go");
    copy.setOnAction(event -> copy());
    exports.getChildren().add(copy);
    Label note = Texts.wrapped("", "joint-line");
    note.setId("export-note");
    note.textProperty().bind(model.noteProperty());
    Card away = new Card("Take it away", Texts.fact("dots per inch of PNG", dpi), exports, note);
    VBox side = new VBox(on, size, away);
    side.getStyleClass().add("side");
    return side;
  }

  private void show(MeansFigure figure) {
    if (figure == null) {
      picture.clear();
      return;
    }
    forms.show(figure.style().form());
    whiskers.show(figure.style().whisker());
    letters.setSelected(figure.style().letters());
    values.setSelected(figure.style().values());
    exchange.setVisible(!figure.series().isEmpty());
    exchange.setManaged(!figure.series().isEmpty());
    width.getValueFactory().setValue(figure.style().widthMm());
    height.getValueFactory().setValue(figure.style().heightMm());
    caption.setText(figure.caption());
    picture.show(
        (w, h) -> MeansLayout.of(figure),
        dot -> dot.row() == Mark.NONE ? "" : "row " + (dot.row() + 1));
  }

  private void export(FigureViewModel.Format format) {
    FileChooser chooser = new FileChooser();
    chooser.setTitle("Write the figure");
    chooser.setInitialFileName(model.suggestedName(format));
    chooser
        .getExtensionFilters()
        .add(new FileChooser.ExtensionFilter(format.name(), "*." + format.ending()));
    File file = chooser.showSaveDialog(getScene().getWindow());
    if (file != null && model.figureBinding().get() != null) {
      model.export(format, file);
    }
  }

  private void copy() {
    MeansFigure figure = model.figureBinding().get();
    if (figure != null) {
      ClipboardContent content = new ClipboardContent();
      content.putImage(
          SwingFXUtils.toFXImage(PngExport.image(MeansLayout.of(figure), CLIPBOARD_SCALE), null));
      Clipboard.getSystemClipboard().setContent(content);
      model.say("The picture is on the clipboard.");
    }
  }
}
