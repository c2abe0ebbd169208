package app.knuckle.desktop.proof;

import app.knuckle.desktop.controls.Card;
import app.knuckle.desktop.controls.FileDialogs;
import app.knuckle.desktop.controls.GoButton;
import app.knuckle.desktop.controls.TextGrid;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.formats.report.Paper;
import java.util.function.Consumer;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import javafx.stage.DirectoryChooser;

/** Every shipped reference case computed anew on this machine, and how well it agrees. */
public final class ProofView extends ScrollPane {

  private final ProofViewModel model = new ProofViewModel();
  private final Paper paper;
  private final Consumer<String> line;
  private final VBox found = new VBox();
  private final Label note = Texts.wrapped("", "joint-line");

  /**
   * The page; it begins at once.
   *
   * @param paper that it is taken away on
   * @param line says what was found
   */
  public ProofView(Paper paper, Consumer<String> line) {
    this.paper = paper;
    this.line = line;
    setId("proof");
    setFitToWidth(true);
    getStyleClass().add("joint-scroll");
    ProgressBar progress = new ProgressBar();
    progress.progressProperty().bind(model.progressProperty());
    progress.visibleProperty().bind(model.busyProperty());
    progress.managedProperty().bind(model.busyProperty());
    progress.setMaxWidth(Double.MAX_VALUE);
    note.setId("proof-note");
    note.managedProperty().bind(note.textProperty().isNotEmpty());
    found.getStyleClass().add("column");
    VBox page =
        new VBox(
            Texts.line("Prove the numbers", "joint-title"),
            Texts.wrapped(
                "Reference questions whose answers are known to 15 digits are computed anew, by the"
                    + " very engine that answers yours, and compared number by number.",
                "joint-line"),
            progress,
            found,
            note);
    page.getStyleClass().addAll("joint", "rehearsal");
    setContent(page);
    model.foundProperty().addListener((o, before, now) -> show(now));
    sceneProperty()
        .addListener(
            (o, before, now) -> {
              if (now == null) {
                model.stop();
              }
            });
    line.accept("Computing the reference cases.");
    model.prove();
  }

  private void show(ProofViewModel.Found proof) {
    TextGrid grid = new TextGrid(proof.heads(), 1);
    proof.rows().forEach(row -> grid.addRow(row, "text-grid-row"));
    Label words = Texts.wrapped(proof.words(), "prose");
    words.setId("proof-words");
    FlowPane ways =
        new FlowPane(
            new GoButton("proof-take", "Take it away to be filed \u2026", this::take),
            new GoButton("proof-again", "Prove again", model::prove));
    ways.getStyleClass().add("ways");
    found.getChildren().setAll(words, new Card("By subject", grid.withinPage()), ways);
    proof.fellShort().forEach(text -> found.getChildren().add(Texts.wrapped(text, "caution-note")));
    line.accept(proof.words());
  }

  private void take() {
    DirectoryChooser chooser = new DirectoryChooser();
    chooser.setTitle("A folder for the proof, as a page to be signed and as a file");
    FileDialogs.shown()
        .folder(chooser, getScene().getWindow())
        .ifPresent(
            folder ->
                FileDialogs.write(
                    getScene().getWindow(),
                    note::setText,
                    (replace, refused) ->
                        model.write(paper, folder.toPath(), replace, note::setText, refused)));
  }
}
