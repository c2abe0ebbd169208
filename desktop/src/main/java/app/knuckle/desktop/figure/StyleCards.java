package app.knuckle.desktop.figure;

import app.knuckle.desktop.controls.Card;
import app.knuckle.desktop.controls.FileDialogs;
import app.knuckle.desktop.controls.GoButton;
import app.knuckle.desktop.controls.Pick;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.figures.export.FigureFile;
import app.knuckle.figures.export.PngExport;
import app.knuckle.figures.inquiry.InquiryFigure;
import app.knuckle.figures.style.Arrangement;
import app.knuckle.figures.style.Palette;
import app.knuckle.figures.style.Paper;
import app.knuckle.figures.style.Shown;
import app.knuckle.figures.style.Style;
import app.knuckle.figures.style.Whisker;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import javafx.embed.swing.SwingFXUtils;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;

/** Everything that can be chosen about a figure, in cards beside it. */
final class StyleCards extends VBox {

  private static final List<Integer> RESOLUTIONS = List.of(150, 300, 600, 1200);

  /** Sharp on any screen and in any document, and still small. */
  private static final double CLIPBOARD_SCALE = 4;

  private final FigureViewModel model;
  private final List<Runnable> refreshers = new ArrayList<>();
  private final FlowPane presets = new FlowPane();
  private final Pick<String> subject = new Pick<>("figure-subject", s -> s, s -> {});
  private final TextField own = field("figure-own-words", "own words");
  private final Pick<String> from = new Pick<>("bracket-from", s -> s, s -> {});
  private final Pick<String> to = new Pick<>("bracket-to", s -> s, s -> {});
  private final Card brackets;
  private final Card words;
  private final List<Card> ofGroups;
  private InquiryFigure figure;

  StyleCards(FigureViewModel model) {
    this.model = model;
    getStyleClass().add("side");
    brackets = brackets();
    words = words();
    ofGroups = List.of(onThePicture(), scale(), ink());
    getChildren()
        .addAll(
            takeAway(), ofGroups.get(0), brackets, ofGroups.get(1), ofGroups.get(2), words, size());
  }

  /** Shows what is chosen. */
  void show(InquiryFigure now) {
    figure = now;
    boolean groups = now.means() != null;
    for (Node card : ofGroups) {
      card.setVisible(groups);
      card.setManaged(groups);
    }
    boolean bracketing = groups && model.style().shown().above() == Shown.Above.BRACKETS;
    brackets.setVisible(bracketing);
    brackets.setManaged(bracketing);
    refreshers.forEach(Runnable::run);
    List<String> all = now.subjects();
    String first = all.isEmpty() ? null : all.get(0);
    subject.show(all, kept(all, subject.getValue()).orElse(first));
    words.setVisible(!all.isEmpty());
    words.setManaged(!all.isEmpty());
    showOwn();
    List<String> means = model.groups();
    from.show(means, kept(means, from.getValue()).orElse(null));
    to.show(means, kept(means, to.getValue()).orElse(null));
  }

  private static Optional<String> kept(List<String> options, String chosen) {
    return options.stream().filter(o -> o.equals(chosen)).findFirst();
  }

  private Card onThePicture() {
    return new Card(
        "On the picture",
        fact(
            "whiskers",
            pick(
                "figure-whiskers",
                List.of(Whisker.values()),
                Whisker::title,
                s -> s.shown().whisker(),
                (s, v) -> s.with(s.shown().with(v)))),
        fact(
            "above the means",
            pick(
                "figure-above",
                List.of(Shown.Above.values()),
                Shown.Above::title,
                s -> s.shown().above(),
                (s, v) -> s.with(s.shown().with(v)))),
        tick(
            "figure-values",
            "Every value as a circle",
            s -> s.shown().values(),
            (s, v) -> s.with(s.shown().values(v))),
        tick(
            "figure-counts",
            "Number of values under each group",
            s -> s.shown().counts(),
            (s, v) -> s.with(s.shown().counts(v))),
        tick(
            "figure-critical",
            "The least difference as a bar",
            s -> s.shown().criticalBar(),
            (s, v) -> s.with(s.shown().criticalBar(v))),
        tick(
            "figure-finding",
            "The finding above the plot",
            s -> s.shown().finding(),
            (s, v) -> s.with(s.shown().finding(v))),
        fact(
            "level line at",
            number(
                "figure-reference",
                s -> s.shown().reference(),
                (s, v) -> s.with(s.shown().reference(v)))));
  }

  private Card brackets() {
    GoButton join =
        new GoButton(
            "bracket",
            "Set or remove",
            () -> {
              if (from.getValue() != null
                  && to.getValue() != null
                  && from.getValue() != to.getValue()) {
                Style.Couple couple = new Style.Couple(from.getValue(), to.getValue());
                model.restyle(s -> s.bracketing(couple));
              }
            });
    return new Card(
        "Brackets",
        Texts.wrapped(
            "All pairs that differ have one, until you choose your own: click two means on the"
                + " picture, or name them.",
            "joint-line"),
        fact("from", from),
        fact("to", to),
        join);
  }

  private Card scale() {
    CheckBox panels =
        tick(
            "figure-panels",
            "",
            s -> s.arrangement().panels(),
            (s, v) -> s.with(s.arrangement().panels(v)));
    refreshers.add(
        () -> {
          String treatment = model.panelled();
          panels.setText("A panel for each level of " + treatment);
          panels.setVisible(!treatment.isEmpty());
          panels.setManaged(!treatment.isEmpty());
        });
    TextField low =
        number(
            "figure-low",
            s -> s.scale().low(),
            (s, v) -> s.with(s.scale().limits(v, s.scale().high(), s.scale().step())));
    TextField high =
        number(
            "figure-high",
            s -> s.scale().high(),
            (s, v) -> s.with(s.scale().limits(s.scale().low(), v, s.scale().step())));
    low.setAccessibleText("lower end of the axis");
    high.setAccessibleText("upper end of the axis");
    HBox limits = new HBox(low, Texts.line("to", "fact-name"), high);
    limits.getStyleClass().add("limits");
    Button legend = new Button("Legend above the plot again");
    legend.setId("figure-legend-back");
    legend.getStyleClass().add("small-button");
    legend.setOnAction(
        e -> model.restyle(s -> s.with(s.arrangement().legendAt(Double.NaN, Double.NaN))));
    refreshers.add(
        () -> {
          boolean moved = !Double.isNaN(model.style().arrangement().legendX());
          legend.setVisible(moved);
          legend.setManaged(moved);
        });
    return new Card(
        "Order and scale",
        fact(
            "order",
            pick(
                "figure-order",
                List.of(Arrangement.Order.values()),
                Arrangement.Order::title,
                s -> s.arrangement().order(),
                (s, v) -> s.with(s.arrangement().with(v)))),
        panels,
        tick(
            "figure-zero",
            "Value axis from zero",
            s -> s.scale().fromZero(s.form()),
            (s, v) -> s.with(s.scale().fromZero(v))),
        tick(
            "figure-log",
            "Logarithmic",
            s -> s.scale().logarithmic(),
            (s, v) -> s.with(s.scale().logarithmic(v))),
        fact("from", limits),
        fact(
            "a tick every",
            number(
                "figure-step",
                s -> s.scale().step(),
                (s, v) -> s.with(s.scale().limits(s.scale().low(), s.scale().high(), v)))),
        legend);
  }

  private Card ink() {
    return new Card(
        "Ink",
        fact(
            "colours",
            pick(
                "figure-palette",
                List.of(Palette.values()),
                Palette::title,
                Style::palette,
                (s, v) -> s.with(v, s.patterns()))),
        tick(
            "figure-patterns",
            "Hatched as well",
            Style::patterns,
            (s, v) -> s.with(s.palette(), v)));
  }

  private Card words() {
    subject.valueProperty().addListener((o, before, now) -> showOwn());
    own.setOnAction(
        e -> {
          if (subject.getValue() != null) {
            model.restyle(s -> s.named(subject.getValue(), own.getText()));
          }
        });
    return new Card(
        "Words",
        Texts.wrapped("Click a title or a name on the picture, or choose it here.", "joint-line"),
        fact("in place of", subject),
        fact("write", own));
  }

  private void showOwn() {
    own.setText(subject.getValue() == null ? "" : model.style().word(subject.getValue()));
  }

  private Card size() {
    presets.getStyleClass().add("ways");
    showPresets();
    TextField name = field("preset-name", "name");
    Button keep = new Button("Keep this look as");
    keep.setId("preset-keep");
    keep.getStyleClass().add("small-button");
    keep.setMinWidth(USE_PREF_SIZE);
    keep.disableProperty().bind(name.textProperty().map(String::isBlank));
    keep.setOnAction(
        e -> {
          model.keepPreset(name.getText());
          name.clear();
          showPresets();
        });
    HBox keeping = new HBox(keep, name);
    keeping.getStyleClass().add("limits");
    return new Card(
        "Size",
        presets,
        fact(
            "width, mm",
            number(
                "figure-width",
                s -> s.paper().widthMm(),
                (s, v) ->
                    Double.isNaN(v)
                        ? s
                        : s.with(new Paper(v, s.paper().heightMm(), s.paper().typeSize())))),
        fact(
            "height, mm",
            number(
                "figure-height",
                s -> s.paper().heightMm(),
                (s, v) ->
                    Double.isNaN(v)
                        ? s
                        : s.with(new Paper(s.paper().widthMm(), v, s.paper().typeSize())))),
        fact(
            "type, points",
            number(
                "figure-type",
                s -> s.paper().typeSize(),
                (s, v) ->
                    Double.isNaN(v)
                        ? s
                        : s.with(new Paper(s.paper().widthMm(), s.paper().heightMm(), v)))),
        keeping);
  }

  private void showPresets() {
    presets.getChildren().clear();
    for (Preset preset : Preset.values()) {
      presets
          .getChildren()
          .add(
              preset(
                  "preset-" + preset.name().toLowerCase(Locale.ROOT),
                  preset.title(),
                  s -> s.with(preset.paper())));
    }
    for (String name : model.presets().names()) {
      Button button = preset("own-preset-" + name, name, s -> model.presets().apply(name, s));
      button.setOnContextMenuRequested(
          e -> {
            model.forgetPreset(name);
            showPresets();
          });
      Texts.hint(button, "Your own look. Right click to forget it.");
      presets.getChildren().add(button);
    }
  }

  private Button preset(String id, String title, UnaryOperator<Style> change) {
    Button button = new Button(title);
    button.setId(id);
    button.setMnemonicParsing(false);
    button.getStyleClass().add("small-button");
    button.setOnAction(event -> model.restyle(change));
    return button;
  }

  private Card takeAway() {
    Pick<Integer> dpi =
        new Pick<Integer>("figure-dpi", String::valueOf, model.dpiProperty()::set)
            .show(RESOLUTIONS, model.dpiProperty().get());
    FlowPane exports = new FlowPane();
    exports.getStyleClass().add("exports");
    for (FigureFile format : FigureFile.values()) {
      exports
          .getChildren()
          .add(new GoButton("export-" + format.ending(), format.name(), () -> export(format)));
    }
    exports.getChildren().add(new GoButton("figure-copy", "Copy", this::copy));
    Label note = Texts.wrapped("", "joint-line");
    note.setId("export-note");
    note.textProperty().bind(model.noteProperty());
    return new Card("Take it away", fact("dots per inch of PNG", dpi), exports, note);
  }

  private void export(FigureFile format) {
    FileChooser chooser = new FileChooser();
    chooser.setTitle("Write the figure");
    chooser.setInitialFileName(model.suggestedName(format));
    chooser
        .getExtensionFilters()
        .add(new FileChooser.ExtensionFilter(format.name(), "*." + format.ending()));
    FileDialogs.shown()
        .save(chooser, getScene().getWindow())
        .ifPresent(file -> model.export(format, file));
  }

  private void copy() {
    ClipboardContent content = new ClipboardContent();
    content.putImage(
        SwingFXUtils.toFXImage(PngExport.image(figure.scene(), CLIPBOARD_SCALE), null));
    Clipboard.getSystemClipboard().setContent(content);
    model.say("The picture is on the clipboard.");
  }

  private static HBox fact(String name, Node value) {
    HBox.setHgrow(value, Priority.SOMETIMES);
    return Texts.fact(name, value);
  }

  private <T> Pick<T> pick(
      String id,
      List<T> options,
      Function<T, String> title,
      Function<Style, T> now,
      BiFunction<Style, T, Style> change) {
    Pick<T> pick = new Pick<>(id, title, v -> model.restyle(s -> change.apply(s, v)));
    refreshers.add(() -> pick.show(options, now.apply(model.style())));
    return pick;
  }

  private CheckBox tick(
      String id,
      String title,
      Function<Style, Boolean> now,
      BiFunction<Style, Boolean, Style> change) {
    CheckBox box = new CheckBox(title);
    box.setId(id);
    box.setMnemonicParsing(false);
    box.setOnAction(e -> model.restyle(s -> change.apply(s, box.isSelected())));
    refreshers.add(() -> box.setSelected(now.apply(model.style())));
    return box;
  }

  /** A field for a number; what is no number leaves the figure as it is. */
  private TextField number(
      String id, Function<Style, Double> now, BiFunction<Style, Double, Style> change) {
    TextField field = field(id, "");
    field.getStyleClass().add("number-field");
    Runnable take =
        () -> {
          double value = FigureViewModel.number(field.getText());
          if (!Double.isNaN(value) || field.getText().isBlank()) {
            model.restyle(s -> change.apply(s, value));
          }
          field.setText(shown(now.apply(model.style())));
        };
    field.setOnAction(e -> take.run());
    field
        .focusedProperty()
        .addListener(
            (o, was, is) -> {
              if (!is) {
                take.run();
              }
            });
    refreshers.add(() -> field.setText(shown(now.apply(model.style()))));
    return field;
  }

  private static String shown(double value) {
    return Double.isNaN(value) ? "" : app.knuckle.study.words.Numerals.plain(value);
  }

  private static TextField field(String id, String prompt) {
    TextField field = new TextField();
    field.setId(id);
    field.setPromptText(prompt);
    return field;
  }
}
