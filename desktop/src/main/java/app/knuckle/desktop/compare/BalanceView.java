package app.knuckle.desktop.compare;

import app.knuckle.desktop.compare.Balance.Pan;
import app.knuckle.desktop.controls.Card;
import app.knuckle.desktop.controls.Carried;
import app.knuckle.desktop.controls.Focus;
import app.knuckle.desktop.controls.GoButton;
import app.knuckle.desktop.controls.Sections;
import app.knuckle.desktop.controls.TextGrid;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.explain.Topic;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Questions of one's own: groups on two pans, ready-made trends, and what was kept. */
final class BalanceView extends VBox {

  /** How far the heavier pan sinks, in pixels. */
  private static final double TILT = 10;

  private static final List<String> HEADS =
      List.of("question", "difference", "SE", "t", "df", "p", "p, shared", "");

  private final BalanceViewModel model;
  private final VBox scale = new VBox();
  private final VBox kept = new VBox();
  private final Sections parts = new Sections(scale);
  private final Sections questions = new Sections(kept);
  private final TextField name = new TextField();
  private final List<Integer> ticked = new ArrayList<>();

  BalanceView(SlipViewModel slip) {
    model = new BalanceViewModel(slip);
    setId("balance");
    getStyleClass().add("below");
    scale.getStyleClass().add("below");
    kept.getStyleClass().add("kept");
    name.setId("balance-name");
    name.setPrefColumnCount(24);
    getChildren().addAll(new Card("A question of your own", scale).about(Topic.CONTRASTS), kept);
  }

  /** Shows the means that can be weighed; nothing for methods that have none. */
  void show(Findings shown) {
    boolean possible = model.take(shown);
    setVisible(possible);
    setManaged(possible);
    if (possible) {
      fill();
    }
  }

  /** Whether something lies in a pan. */
  boolean isLaden() {
    return model.isLaden();
  }

  private void fill() {
    List<BalanceViewModel.Group> groups = model.groups();
    List<String> weights = groups.stream().map(model::weight).toList();
    parts.add(
        "how",
        "",
        () ->
            Texts.wrapped(
                "Click a group to put it on the left pan, again for the right, again to take it"
                    + " off; or use the left and right arrow keys. Weights can be written over.",
                "joint-line"));
    parts.add("groups", groups, this::groups);
    parts.add("pans", List.of(groups, weights, model.tilt()), this::beam);
    parts.add("sentence", model.sentence(), () -> Texts.wrapped(model.sentence(), "prose"));
    parts.add("actions", List.of(model.isReady(), model.ready(), model.trends()), this::actions);
    parts.done();
    questions.add(
        "kept", List.of(model.kept(), model.overlap(), model.weighable()), this::keptCard);
    questions.done();
  }

  private HBox beam() {
    VBox left = pan(Pan.LEFT, "left pan, ");
    VBox right = pan(Pan.RIGHT, "right pan, ");
    left.setTranslateY(model.tilt() * TILT);
    right.setTranslateY(-model.tilt() * TILT);
    HBox beam = new HBox(left, right);
    beam.getStyleClass().add("beam");
    HBox.setHgrow(left, Priority.ALWAYS);
    HBox.setHgrow(right, Priority.ALWAYS);
    return beam;
  }

  private VBox pan(Pan pan, String title) {
    FlowPane chips = new FlowPane();
    model.groups().stream()
        .filter(g -> g.pan() == pan)
        .forEach(g -> chips.getChildren().add(weighed(g)));
    chips.setId("pan-" + pan.name().toLowerCase(Locale.ROOT));
    chips.getStyleClass().add("pan");
    takeDrops(chips, pan);
    VBox side = new VBox(Texts.line(title + model.load(pan), "joint-line"), chips);
    side.getStyleClass().add("pan-side");
    return side;
  }

  /** All groups, in places that stay: the same click again goes on to the next pan. */
  private FlowPane groups() {
    FlowPane chips = new FlowPane();
    chips.getStyleClass().add("ways");
    model.groups().forEach(g -> chips.getChildren().add(chip(g, "weigh-")));
    takeDrops(chips, Pan.NONE);
    return chips;
  }

  private void takeDrops(FlowPane pane, Pan pan) {
    Carried.onto(
        pane,
        name -> {
          model.put(name, pan);
          weighed();
        });
  }

  /** A group on a pan, with its weight to write over. */
  private HBox weighed(BalanceViewModel.Group group) {
    TextField weight = new TextField(model.weight(group));
    weight.setId("weight-of-" + group.name());
    weight.getStyleClass().add("weight-field");
    Runnable take =
        () -> {
          if (!weight.getText().equals(model.weight(group))) {
            model.weigh(group, weight.getText());
            Focus.keep(this, this::fill);
          }
        };
    weight.setOnAction(event -> take.run());
    weight
        .focusedProperty()
        .addListener(
            (o, was, is) -> {
              if (!is) {
                take.run();
              }
            });
    HBox both = new HBox(chip(group, "on-pan-"), weight);
    both.getStyleClass().add("weighed");
    return both;
  }

  private Button chip(BalanceViewModel.Group group, String id) {
    Button chip = new Button(group.name());
    chip.setId(id + group.name());
    chip.setMnemonicParsing(false);
    chip.getStyleClass().addAll("weight", "weight-" + group.pan().name().toLowerCase(Locale.ROOT));
    chip.setDisable(!group.known());
    Carried.from(chip, group.name());
    chip.setOnAction(
        event -> {
          model.next(group);
          weighed();
        });
    chip.addEventFilter( // Before the button's own handler, for which arrows walk on.
        KeyEvent.KEY_PRESSED,
        event -> {
          KeyCode key = event.getCode();
          if (key == KeyCode.LEFT || key == KeyCode.RIGHT || key == KeyCode.DELETE) {
            model.put(
                group,
                key == KeyCode.LEFT ? Pan.LEFT : key == KeyCode.RIGHT ? Pan.RIGHT : Pan.NONE);
            weighed();
            event.consume();
          }
        });
    return chip;
  }

  private void weighed() {
    name.setText(model.name());
    Focus.keep(this, this::fill);
  }

  private FlowPane actions() {
    FlowPane ways = new FlowPane();
    ways.getStyleClass().add("ways");
    if (model.isReady()) {
      ways.getChildren()
          .addAll(
              name,
              new GoButton(
                  "balance-keep", "Keep this question", () -> model.keep(name.getText().strip())));
    }
    List<String> ready = model.ready();
    for (int i = 0; i < ready.size(); i++) {
      int index = i;
      Button offered = new Button(ready.get(i));
      offered.setId("ready-" + i);
      offered.setMnemonicParsing(false);
      offered.getStyleClass().add("small-button");
      offered.setOnAction(event -> model.keepReady(index));
      ways.getChildren().add(offered);
    }
    for (String treatment : model.trends()) {
      ways.getChildren()
          .add(
              new GoButton(
                  "trend-" + treatment,
                  "Straight and curved trend over " + treatment,
                  () -> model.keepTrend(treatment)));
    }
    return ways;
  }

  private Card keptCard() {
    List<BalanceViewModel.Kept> questions = model.kept();
    Card card = new Card("Kept questions");
    card.setId("kept-questions");
    if (questions.isEmpty()) {
      card.getChildren()
          .add(Texts.wrapped("None yet. What you weigh and keep stands here.", "joint-line"));
      return card;
    }
    TextGrid grid = new TextGrid(HEADS, 1);
    for (int i = 0; i < questions.size(); i++) {
      grid.addNodes(row(questions.get(i), i), "text-grid-row");
    }
    card.getChildren().add(grid);
    card.getChildren()
        .add(
            Texts.wrapped(
                "\u201cp, shared\u201d allows for there being "
                    + Numerals.count(questions.size(), "question", "questions")
                    + " (Bonferroni)."
                    + (model.overlap()
                        ? " Some of them overlap: they do not speak for themselves."
                        : ""),
                "joint-line"));
    if (model.weighable().size() > 1) {
      card.getChildren().add(twoOfThem());
    }
    return card;
  }

  private List<Node> row(BalanceViewModel.Kept question, int index) {
    List<Node> cells = new ArrayList<>();
    cells.add(new Label(question.name()));
    int p = HEADS.indexOf("p") - 1;
    for (int c = 0; c < HEADS.size() - 2; c++) {
      Label label = new Label(c < question.cells().size() ? question.cells().get(c) : "");
      if (c == p && question.significant()) {
        label.getStyleClass().add("significant");
      }
      cells.add(label);
    }
    Button out = new Button("Take out");
    out.setId("kept-out-" + index);
    out.getStyleClass().add("small-button");
    out.setOnAction(event -> model.takeOut(index));
    cells.add(out);
    return cells;
  }

  /** Two kept questions weighed against each other. */
  private VBox twoOfThem() {
    VBox box = new VBox(Texts.line("Weigh two of them against each other:", "joint-line"));
    box.getStyleClass().add("below");
    GoButton weigh =
        new GoButton(
            "weigh-two",
            "Weigh the two differences",
            () -> model.weighTwo(ticked.get(0), ticked.get(1)));
    weigh.setDisable(true);
    ticked.clear();
    List<String> names = model.weighable();
    for (int i = 0; i < names.size(); i++) {
      Integer index = i;
      CheckBox tick = new CheckBox(names.get(i));
      tick.setId("tick-" + i);
      tick.setMnemonicParsing(false);
      tick.setOnAction(
          event -> {
            if (tick.isSelected()) {
              ticked.add(index);
            } else {
              ticked.remove(index);
            }
            weigh.setDisable(ticked.size() != 2);
          });
      box.getChildren().add(tick);
    }
    box.getChildren().add(weigh);
    return box;
  }
}
