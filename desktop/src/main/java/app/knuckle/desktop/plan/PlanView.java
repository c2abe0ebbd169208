package app.knuckle.desktop.plan;

import app.knuckle.desktop.controls.Card;
import app.knuckle.desktop.controls.Choice;
import app.knuckle.desktop.controls.FileDialogs;
import app.knuckle.desktop.controls.GoButton;
import app.knuckle.desktop.controls.Pick;
import app.knuckle.desktop.controls.Picture;
import app.knuckle.desktop.controls.Pulses;
import app.knuckle.desktop.controls.TextGrid;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.explain.Topic;
import app.knuckle.desktop.sentence.DesignSentence;
import app.knuckle.desktop.workbench.PlanSlip;
import app.knuckle.desktop.workbench.Workbench;
import app.knuckle.figures.plan.PlanPicture;
import app.knuckle.figures.scene.Scene;
import app.knuckle.study.plan.Arrangement;
import app.knuckle.study.plan.Mishap;
import app.knuckle.study.plan.Plan;
import app.knuckle.study.plan.SimulatedErrors;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import javafx.beans.value.ChangeListener;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.DirectoryChooser;
import javafx.stage.FileChooser;

/** A trial before its first measurement: a sentence, the plots, and what it will show. */
public final class PlanView extends ScrollPane {

  private static final double RIGHT = 440;
  private static final double LEAST_RIGHT = 380;
  private static final double CURVE_HEIGHT = 210;

  /** Plots are drawn at most so much larger than in print, and at least so much. */
  private static final double LARGEST = 1.6;

  private static final double SMALLEST = 1.1;

  private final PlanSlip slip;
  private final Workbench workbench;
  private final PlanViewModel model;
  private final Consumer<String> line;
  private final DesignSentence sentence = new DesignSentence("plan-sentence", "sentence", "slot");
  private final DesignSentence additions =
      new DesignSentence("plan-additions", "add-parts", "add-part");
  private final Label refusal = Texts.wrapped("", "refusal");
  private final TextField name = new TextField();
  private final TextField seed = new TextField();
  private final Label plots = Texts.line("", "fact-name");
  private final Pulses pulses = new Pulses();
  private final Picture picture = new Picture();
  private final ScrollPane field = new ScrollPane(picture);
  private final VBox right = new VBox();
  private final VBox answers = new VBox();
  private final ProgressBar progress = new ProgressBar();
  private final Label note = Texts.wrapped("", "joint-line");
  private final ChangeListener<Plan> changed = (o, before, now) -> changed();
  private Arrangement drawn;
  private Plan drawnPlan;
  private SimulatedErrors spread = SimulatedErrors.NORMAL;
  private final TextField lost = new TextField("0");
  private final TextField widening = new TextField("1");
  private Mishap.Judged judged = Mishap.Judged.AS_PLANNED;

  /**
   * The page.
   *
   * @param workbench what is open
   * @param slip the plan
   * @param line says its finding
   */
  public PlanView(Workbench workbench, PlanSlip slip, Consumer<String> line) {
    this.workbench = workbench;
    this.slip = slip;
    this.line = line;
    model = new PlanViewModel(slip, workbench);
    setId("plan");
    setFitToWidth(true);
    getStyleClass().add("joint-scroll");
    refusal.setId("plan-refusal");
    refusal.textProperty().bind(model.refusalProperty());
    refusal.visibleProperty().bind(model.refusalProperty().isNotEmpty());
    refusal.managedProperty().bind(refusal.visibleProperty());
    note.setId("plan-note");
    note.managedProperty().bind(note.textProperty().isNotEmpty());
    progress.visibleProperty().bind(model.busyProperty());
    progress.progressProperty().bind(model.progressProperty());
    progress.setMaxWidth(Double.MAX_VALUE);
    progress.getStyleClass().add("thin-progress");
    right.getStyleClass().add("column");
    right.setMinWidth(LEAST_RIGHT);
    right.setPrefWidth(RIGHT);
    right.setMaxWidth(RIGHT);
    answers.getStyleClass().add("column");
    right.getChildren().add(answers);
    VBox left = new VBox(laid(), rehearsal());
    left.getStyleClass().add("column");
    left.setMinWidth(0);
    HBox.setHgrow(left, Priority.ALWAYS);
    HBox cards = new HBox(left, right);
    cards.getStyleClass().add("cards");
    VBox page = new VBox(sentence, additions, refusal, progress, cards);
    page.getStyleClass().add("joint");
    setContent(page);
    slip.planProperty().addListener(changed);
    model.shownProperty().addListener((o, before, now) -> show(now));
    sceneProperty()
        .addListener(
            (o, before, now) -> {
              if (now == null) {
                slip.planProperty().removeListener(changed);
                model.leave();
              } else {
                // What scrolls is in the scene only after the next painting.
                pulses.add(List.of(() -> {}, () -> sentence.focus("plan-measured-0")));
              }
            });
    changed();
  }

  private Card laid() {
    name.setId("plan-name");
    name.setAccessibleText("Name of the plan");
    name.getStyleClass().add("plan-name");
    name.textProperty()
        .addListener(
            (o, before, now) -> {
              if (name.isFocused()) {
                model.rename(now);
              }
            });
    seed.setId("plan-seed");
    seed.setAccessibleText("Seed of the chance by which the plan is laid out");
    seed.setPrefColumnCount(9);
    seed.textProperty()
        .addListener(
            (o, before, now) -> {
              if (seed.isFocused()) {
                model.seed(now);
              }
            });
    Button anew = new GoButton("plan-anew", "Draw anew", model::drawAnew);
    anew.setMinWidth(USE_PREF_SIZE);
    HBox.setHgrow(name, Priority.ALWAYS);
    plots.setMinWidth(USE_PREF_SIZE);
    Label seedName = Texts.line("seed", "fact-name");
    seedName.setMinWidth(USE_PREF_SIZE);
    HBox head = new HBox(name, plots);
    head.getStyleClass().add("typing-bar");
    HBox chance = new HBox(seedName, seed, anew);
    chance.getStyleClass().add("typing-bar");
    field.setFitToHeight(true);
    field.getStyleClass().add("table-scroll");
    field.setVbarPolicy(ScrollBarPolicy.NEVER);
    field.widthProperty().addListener((o, before, now) -> fit());
    Card card = new Card("", head, chance, field, away(), note);
    card.setMinWidth(0);
    card.setMaxHeight(USE_PREF_SIZE);
    return card;
  }

  private FlowPane away() {
    FlowPane ways =
        new FlowPane(
            new GoButton(
                "plan-book",
                "Field book \u2026",
                () -> save("field book", BOOKS, (files, file) -> files.book(file))),
            new GoButton(
                "plan-labels",
                "Plot labels \u2026",
                () -> save("labels", List.of("pdf"), (files, file) -> files.labels(file))),
            new GoButton(
                "plan-picture",
                "Picture \u2026",
                () -> save("plan", PICTURES, (files, file) -> files.picture(file))),
            new GoButton("plan-all", "All of it \u2026", this::all),
            new GoButton(
                "plan-remove",
                "Remove this plan",
                () -> {
                  workbench.leavePage();
                  workbench.plans().remove(slip);
                }));
    ways.getStyleClass().add("ways");
    return ways;
  }

  private static final List<String> BOOKS = List.of("csv", "xlsx", "ods", "pdf");
  private static final List<String> PICTURES = List.of("svg", "pdf", "png");

  private void save(String what, List<String> endings, PlanViewModel.Writing writing) {
    FileChooser chooser = new FileChooser();
    chooser.setTitle("Take the " + what + " away");
    chooser.setInitialFileName(model.plan().name() + ", " + what + "." + endings.get(0));
    for (String ending : endings) {
      chooser
          .getExtensionFilters()
          .add(new FileChooser.ExtensionFilter("." + ending, "*." + ending));
    }
    FileDialogs.shown()
        .save(chooser, getScene().getWindow())
        .ifPresent(file -> model.write(writing, file.toPath(), note::setText));
  }

  private void all() {
    DirectoryChooser chooser = new DirectoryChooser();
    chooser.setTitle("A folder for field book, labels and picture");
    FileDialogs.shown()
        .folder(chooser, getScene().getWindow())
        .ifPresent(
            folder ->
                FileDialogs.write(
                    getScene().getWindow(),
                    note::setText,
                    (replace, refused) ->
                        model.writeAll(folder.toPath(), replace, note::setText, refused)));
  }

  private Card rehearsal() {
    Choice<SimulatedErrors> spreads =
        new Choice<>(
            "plan-spread",
            List.of(SimulatedErrors.values()),
            SimulatedErrors::title,
            chosen -> {
              spread = chosen;
              widening.setDisable(chosen == SimulatedErrors.COUNTS); // They spread by their mean.
            });
    spreads.show(spread);
    Button make =
        new GoButton("plan-rehearse", "Make the records", () -> model.rehearse(spread, widening()));
    Button count = new GoButton("plan-count", "Count in made-up trials", this::count);
    model
        .rehearsingProperty()
        .addListener((o, before, now) -> count.setText(now ? "Stop" : "Count in made-up trials"));
    Label counted = Texts.wrapped("", "prose");
    counted.setId("plan-counted");
    counted.textProperty().bind(model.rehearsedProperty());
    counted.managedProperty().bind(counted.textProperty().isNotEmpty());
    FlowPane ways = new FlowPane(make, count);
    ways.getStyleClass().add("ways");
    lost.setId("plan-lost");
    lost.setAccessibleText("percent of plots lost");
    lost.getStyleClass().add("number-field");
    widening.setId("plan-widening");
    widening.setAccessibleText("times as much scatter at the largest mean");
    widening.getStyleClass().add("number-field");
    Pick<Mishap.Judged> judging =
        new Pick<>("plan-judged", Mishap.Judged::title, chosen -> judged = chosen);
    judging.setAccessibleText("how made-up trials are judged");
    GridPane mishaps = new GridPane();
    mishaps.getStyleClass().add("plan-mishaps");
    mishaps.addRow(0, Texts.line("percent of plots lost", "fact-name"), lost);
    mishaps.addRow(
        1, Texts.line("times as much scatter at the largest mean", "fact-name"), widening);
    mishaps.addRow(
        2,
        Texts.line("judged", "fact-name"),
        judging.show(List.of(Mishap.Judged.values()), judged));
    return new Card(
        "Rehearse",
        Texts.wrapped(
            "Make-believe records of this plan, with the effects it expects, opened as an inquiry;"
                + " or trial after trial made up and answered, to count how often the difference"
                + " is found.",
            "joint-line"),
        spreads,
        mishaps,
        ways,
        counted);
  }

  /** What trials are made up with; a share that makes no sense is none. */
  private Mishap mishap() {
    return new Mishap(spread, widening(), model.share(lost.getText()), judged);
  }

  private double widening() {
    return spread == SimulatedErrors.COUNTS ? 1 : model.widening(widening.getText());
  }

  private void count() {
    if (model.rehearsingProperty().get()) {
      model.stopRehearsing();
    } else {
      model.count(mishap());
    }
  }

  private void changed() {
    sentence.show(model.sentence());
    additions.show(model.additions());
    if (!name.isFocused()) {
      name.setText(model.plan().name());
    }
    if (!seed.isFocused()) {
      seed.setText(String.valueOf(model.plan().seed()));
    }
    model.ask();
  }

  private void show(PlanViewModel.Shown shown) {
    drawn = shown.arrangement();
    drawnPlan = shown.plan();
    plots.setText(Numerals.count(drawn.plots().size(), "plot", "plots"));
    picture.setAccessibleText(
        "The plots as they lie: " + plots.getText() + ", as the field book lists them");
    fit();
    shown.page().ifPresent(this::show);
  }

  /** Plots are as large as the room allows, never so small that they cannot be read. */
  private void fit() {
    if (drawn == null || field.getWidth() <= 0) {
      return;
    }
    Scene scene = PlanPicture.untitled(drawnPlan, drawn);
    double room = field.getWidth() - 2;
    double zoom = Math.max(SMALLEST, Math.min(LARGEST, room / scene.width()));
    picture.setMinWidth(scene.width() * zoom);
    picture.setPrefSize(scene.width() * zoom, scene.height() * zoom);
    picture.setMinHeight(scene.height() * zoom);
    boolean bar = scene.width() * zoom > room;
    field.setMinHeight(scene.height() * zoom + (bar ? BAR : 2));
    picture.show((w, h) -> scene, dot -> "");
  }

  private static final double BAR = 16;

  private void show(PlanPage page) {
    List<Node> cards = new ArrayList<>();
    Label words = Texts.wrapped(page.words(), "prose");
    words.setId("plan-words");
    Card shows = new Card("What it will show").about(Topic.PLAN_A_TRIAL);
    if (model.plan().measured().size() > 1) {
      Pick<Plan.Measured> of =
          new Pick<>(
              "plan-response",
              Plan.Measured::column,
              m -> model.showResponse(model.plan().measured().indexOf(m)));
      List<Plan.Measured> all = model.plan().measured();
      shows.getChildren().add(of.show(all, all.get(model.response())));
    }
    shows.getChildren().add(words);
    page.curve()
        .ifPresent(
            curve -> {
              Picture drawing = new Picture();
              drawing.setId("plan-curve");
              drawing.setMinHeight(CURVE_HEIGHT);
              drawing.setPrefHeight(CURVE_HEIGHT);
              drawing.show(curve::scene, dot -> "");
              drawing.setAccessibleText(curve.axis() + ": " + page.words());
              shows.getChildren().add(drawing);
            });
    cards.add(shows);
    cards.add(
        table("Skeleton", List.of("source", "df", "judged against", "power"), page.skeleton()));
    if (!page.kinds().isEmpty()) {
      cards.add(
          table(
              "Differences",
              List.of("between", "found with", "interval", "least, 4 in 5"),
              page.kinds()));
    }
    if (!page.alternatives().isEmpty()) {
      TextGrid grid = new TextGrid(List.of("otherwise", "found with"), 1);
      for (List<String> row : page.alternatives()) {
        Label what = Texts.wrapped(row.get(0), "prose-cell");
        Region cell = new HBox(what);
        what.setMaxWidth(RIGHT - 150);
        grid.addNodes(List.of(cell, new Label(row.get(1))), "text-grid-row");
      }
      cards.add(new Card("If one thing were otherwise", grid));
    }
    page.notes().forEach(text -> cards.add(Texts.wrapped(text, "joint-line")));
    answers.getChildren().setAll(cards);
    line.accept(page.finding());
  }

  private static Card table(String title, List<String> heads, List<List<String>> rows) {
    TextGrid grid = new TextGrid(heads, 1);
    rows.forEach(row -> grid.addRow(row, "text-grid-row"));
    return new Card(title, grid.withinPage());
  }
}
