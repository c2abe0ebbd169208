package app.knuckle.desktop.beside;

import app.knuckle.desktop.controls.Card;
import app.knuckle.desktop.controls.Clip;
import app.knuckle.desktop.controls.FileDialogs;
import app.knuckle.desktop.controls.GoButton;
import app.knuckle.desktop.controls.Pick;
import app.knuckle.desktop.controls.Picture;
import app.knuckle.desktop.controls.TextGrid;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.paper.Paper;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.desktop.workbench.Workbench;
import app.knuckle.figures.scatter.MovedMeans;
import app.knuckle.figures.scatter.MovedMeansLayout;
import app.knuckle.formats.documents.ReportFile;
import app.knuckle.formats.documents.Taken;
import app.knuckle.formats.report.Block;
import app.knuckle.study.beside.Abreast;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.sentences.MethodsParagraph;
import app.knuckle.study.words.WordChanges;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.beans.value.ChangeListener;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.scene.text.Text;
import javafx.scene.text.TextFlow;
import javafx.stage.FileChooser;

/** Two or three inquiries side by side: questions, effects, fit, means, pairs and footing. */
public final class BesideView extends VBox {

  private static final double PICTURE_HEIGHT = 300;

  private final Workbench workbench;
  private final BesideViewModel model = new BesideViewModel();
  private final Pick<SlipViewModel> left;
  private final Pick<SlipViewModel> right;
  private final Pick<Optional<SlipViewModel>> third;
  private final VBox body = new VBox();
  private final Label note = Texts.wrapped("", "joint-line");
  private final ChangeListener<Object> answered = (o, before, now) -> model.refresh();

  /**
   * The view.
   *
   * @param workbench what is open
   * @param before the first inquiry; null for none chosen
   * @param after the second inquiry
   */
  public BesideView(Workbench workbench, SlipViewModel before, SlipViewModel after) {
    this.workbench = workbench;
    setId("beside");
    getStyleClass().addAll("joint", "beside");
    left = pick("beside-left", model.leftProperty()::set);
    right = pick("beside-right", model.rightProperty()::set);
    GoButton exchange = new GoButton("beside-exchange", "\u21c4", model::exchange);
    exchange.setAccessibleText("The other way round");
    third =
        new Pick<>(
            "beside-third",
            slip -> slip.map(BesideView::title).orElse("no third"),
            slip -> model.thirdProperty().set(slip.orElse(null)));
    third.setAccessibleText("third inquiry");
    for (Pick<?> pick : List.of(left, right, third)) {
      pick.setMaxWidth(Double.MAX_VALUE);
      pick.setMinWidth(0);
      pick.setPrefWidth(1); // All share the room alike.
      HBox.setHgrow(pick, Priority.ALWAYS);
    }
    HBox picks = new HBox(left, exchange, right, third);
    picks.getStyleClass().add("beside-picks");
    body.setId("beside-body");
    body.getStyleClass().add("column");
    ScrollPane scroll = new ScrollPane(body);
    scroll.setFitToWidth(true);
    scroll.getStyleClass().add("table-scroll");
    VBox.setVgrow(scroll, Priority.ALWAYS);
    note.setId("beside-note");
    note.managedProperty().bind(note.textProperty().isNotEmpty());
    getChildren().addAll(Texts.line("Side by side", "joint-title"), picks, note, scroll);
    model.leftProperty().addListener((o, was, now) -> heard(was, now));
    model.rightProperty().addListener((o, was, now) -> heard(was, now));
    model.thirdProperty().addListener((o, was, now) -> heard(was, now));
    model.shownProperty().addListener((o, was, now) -> show(now));
    model.leftProperty().set(before);
    model.rightProperty().set(after);
    model.refresh();
    setOnKeyPressed(
        event -> {
          if (event.getCode() == KeyCode.ESCAPE) {
            workbench.leavePage();
            event.consume();
          }
        });
    sceneProperty()
        .addListener(
            (o, was, now) -> {
              if (now == null) {
                heard(model.leftProperty().get(), null);
                heard(model.rightProperty().get(), null);
                heard(model.thirdProperty().get(), null);
              } else {
                left.requestFocus();
              }
            });
  }

  private Pick<SlipViewModel> pick(String id, java.util.function.Consumer<SlipViewModel> chosen) {
    return new Pick<>(id, BesideView::title, chosen);
  }

  private static String title(SlipViewModel slip) {
    return slip.inquiry().name() + "  \u00b7  " + slip.source().name();
  }

  /** The page is made anew each time: what it listens to must not keep the old one. */
  private void heard(SlipViewModel was, SlipViewModel now) {
    if (was != null) {
      was.answerProperty().removeListener(answered);
    }
    if (now != null) {
      now.answerProperty().addListener(answered);
    }
    List<SlipViewModel> all = List.copyOf(workbench.slips());
    left.show(all, model.leftProperty().get());
    right.show(all, model.rightProperty().get());
    List<Optional<SlipViewModel>> choice = new ArrayList<>(List.of(Optional.empty()));
    all.forEach(slip -> choice.add(Optional.of(slip)));
    third.show(choice, Optional.ofNullable(model.thirdProperty().get()));
    if (getScene() != null || now != null) {
      model.refresh();
    }
  }

  private void show(BesideViewModel.Shown shown) {
    if (shown.abreast() == null) {
      body.getChildren().setAll(Texts.wrapped(shown.missing(), "prose"));
      return;
    }
    Abreast abreast = shown.abreast();
    List<Node> nodes = new ArrayList<>();
    for (int i = 0; i < shown.sentences().size(); i++) {
      Label sentence = Texts.wrapped(shown.sentences().get(i), "beside-sentence");
      sentence.setId(i == 0 ? "beside-sentence" : "beside-sentence-" + (i + 1));
      nodes.add(sentence);
    }
    HBox questions = new HBox();
    questions.getStyleClass().add("cards");
    List<Findings> answers = abreast.answers();
    for (int i = 0; i < answers.size(); i++) {
      // What the first says otherwise than the second is marked, and each later one than the first.
      questions.getChildren().add(question(answers.get(i), answers.get(i == 0 ? 1 : 0)));
    }
    nodes.addAll(List.of(away(), questions));
    boolean drawn = false;
    for (Block block : shown.matched()) {
      if (block instanceof Block.Table table && table.part() == Block.Part.MEANS && !drawn) {
        abreast.fits().forEach(fit -> nodes.add(moved(abreast, fit.measured())));
        drawn = true;
      }
      nodes.add(block instanceof Block.Table table ? table(table) : Paper.of(block, 0));
    }
    body.getChildren().setAll(nodes);
  }

  /** Where the last column says what changed, those rows stand out. */
  private static VBox table(Block.Table table) {
    boolean marks = table.heads().get(table.heads().size() - 1).isEmpty();
    TextGrid grid = new TextGrid(table.heads(), 1);
    for (List<String> row : table.rows()) {
      boolean changed = marks && !row.get(row.size() - 1).isEmpty();
      grid.addRow(row, changed ? "beside-changed" : "text-grid-row");
    }
    return new Card(table.caption(), grid.withinPage());
  }

  private static Card question(Findings own, Findings other) {
    TextFlow words = new TextFlow();
    String said = MethodsParagraph.of(own);
    for (WordChanges.Piece piece : WordChanges.of(MethodsParagraph.of(other), said)) {
      Text text = new Text(piece.text());
      text.getStyleClass().add(piece.changed() ? "page-changed" : "page-unchanged");
      words.getChildren().add(text);
    }
    words.setAccessibleText(said);
    Card card =
        new Card(own.inquiry().name(), words, Texts.wrapped(own.finding(), "inquiry-finding"));
    HBox.setHgrow(card, Priority.ALWAYS);
    card.setMinWidth(0);
    card.setPrefWidth(1); // All share the room alike.
    return card;
  }

  private static Card moved(Abreast abreast, String measured) {
    MovedMeans means = MovedMeans.of(abreast, measured);
    Picture picture = new Picture();
    picture.setMinHeight(PICTURE_HEIGHT);
    picture.setPrefHeight(PICTURE_HEIGHT);
    picture.show((w, h) -> MovedMeansLayout.of(means, w, h), dot -> "");
    picture.setAccessibleText(
        "Means of " + means.title() + " before and after, as the table below has them");
    return new Card("How the means moved", picture);
  }

  private FlowPane away() {
    FlowPane ways = new FlowPane(new GoButton("beside-copy", "Copy", this::copy));
    for (ReportFile kind : List.of(ReportFile.HTML, ReportFile.DOCX, ReportFile.PDF)) {
      ways.getChildren()
          .add(new GoButton("beside-" + kind.ending(), kind.title(), () -> write(kind)));
    }
    ways.getStyleClass().add("ways");
    return ways;
  }

  private void copy() {
    Clip.put(Taken.of(model.page().blocks()));
    note.setText("The answers are on the clipboard, for a document or a sheet.");
  }

  private void write(ReportFile kind) {
    FileChooser chooser = new FileChooser();
    chooser.setTitle("Take the answers away");
    chooser.setInitialFileName("side-by-side." + kind.ending());
    FileDialogs.shown()
        .save(chooser, getScene().getWindow())
        .ifPresent(
            file ->
                FileDialogs.write(
                    getScene().getWindow(),
                    note::setText,
                    (replace, refused) ->
                        model.write(kind, file.toPath(), replace, note::setText, refused)));
  }
}
