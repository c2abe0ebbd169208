package app.knuckle.desktop.footing;

import app.knuckle.desktop.controls.Focus;
import app.knuckle.desktop.controls.GoButton;
import app.knuckle.desktop.controls.Picture;
import app.knuckle.desktop.controls.Shown;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.explain.Explain;
import app.knuckle.desktop.workbench.Answer;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.figures.scatter.BarsLayout;
import app.knuckle.figures.scatter.ScatterLayout;
import app.knuckle.figures.scene.Mark;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.TilePane;
import javafx.scene.layout.VBox;

/** The Footing joint: a card for each thing that the answer stands on. */
public final class FootingView extends ScrollPane {

  private static final double CARD = 312;
  private static final double PICTURE = 150;
  private static final double OPEN_PICTURE = 380;
  private static final double GAP = 20;

  private final SlipViewModel slip;
  private final VBox page = new VBox();
  private final TilePane cards = new TilePane(GAP, GAP);
  private String opened = "";
  private int many = 1;

  /**
   * The view of a slip's footing.
   *
   * @param slip the slip
   */
  public FootingView(SlipViewModel slip) {
    this.slip = slip;
    setId("footing");
    setFitToWidth(true);
    getStyleClass().add("joint-scroll");
    page.getStyleClass().add("joint");
    cards.setPrefTileWidth(CARD);
    cards.setTileAlignment(javafx.geometry.Pos.TOP_LEFT);
    cards.widthProperty().addListener((o, before, now) -> fit(now.doubleValue()));
    setContent(page);
    Shown.by(this, slip.answerProperty())
        .addListener((o, before, now) -> Focus.keep(page, this::show));
    show();
  }

  /** As many columns as have room, each as wide as they leave. */
  private void fit(double width) {
    int columns = Math.max(1, (int) ((width + GAP) / (CARD + GAP)));
    columns = Math.min(columns, many);
    cards.setPrefColumns(columns);
    cards.setPrefTileWidth(Math.max(CARD, Math.floor((width - (columns - 1) * GAP) / columns)));
  }

  private void show() {
    Answer answer = slip.answer();
    if (answer == null || !answer.isTested()) {
      return;
    }
    FootingPage shown = FootingPage.of(answer);
    VBox head =
        new VBox(
            Texts.line("Do the assumptions hold?", "joint-title"),
            Texts.wrapped(shown.line(), "joint-line"));
    head.getStyleClass().add("joint-head");
    page.getChildren().setAll(head);
    shown.cards().stream()
        .filter(c -> c.title().equals(opened))
        .findFirst()
        .ifPresent(c -> page.getChildren().add(card(c, true)));
    cards.getChildren().clear();
    for (FootingPage.Check check : shown.cards()) {
      if (!check.title().equals(opened)) {
        VBox card = card(check, false);
        card.prefWidthProperty().bind(cards.prefTileWidthProperty());
        cards.getChildren().add(card);
      }
    }
    many = Math.max(1, cards.getChildren().size());
    page.getChildren().add(cards);
    fit(cards.getWidth());
  }

  private VBox card(FootingPage.Check check, boolean open) {
    Label title = Texts.line(check.title(), "card-title");
    Region gap = new Region();
    HBox.setHgrow(gap, Priority.ALWAYS);
    Label judgement = Texts.line(check.verdict(), "judgement");
    judgement.getStyleClass().add("judgement-" + (check.mute() ? "mute" : check.judgement().key()));
    judgement.setMinWidth(USE_PREF_SIZE);
    HBox head = new HBox(title, gap, judgement, Explain.mark(check.title(), check.topic()));
    head.getStyleClass().add("card-head");
    VBox card = new VBox(head);
    card.setId("check-" + check.title().toLowerCase(java.util.Locale.ROOT).replace(' ', '-'));
    card.getStyleClass().addAll("card", "check");
    if (check.scatter() != null || check.bars() != null) {
      card.getChildren().add(picture(check, open));
    }
    card.getChildren().add(Texts.wrapped(check.words(), "check-words"));
    if (open) {
      check.more().forEach(line -> card.getChildren().add(Texts.wrapped(line, "joint-line")));
    }
    FlowPane ways = new FlowPane();
    ways.getStyleClass().add("ways");
    for (WayOn way : check.ways()) {
      ways.getChildren().add(new GoButton("", way.label(), () -> slip.askBeside(way.inquiry())));
    }
    Button larger = new Button(open ? "Close" : "Look closer");
    larger.getStyleClass().add("small-button");
    larger.setOnAction(
        event -> {
          opened = open ? "" : check.title();
          show();
          setVvalue(0);
        });
    ways.getChildren().add(larger);
    card.getChildren().add(ways);
    return card;
  }

  private Picture picture(FootingPage.Check check, boolean open) {
    Picture picture = new Picture();
    double tall = open ? OPEN_PICTURE : PICTURE;
    picture.setMinHeight(tall);
    picture.setPrefHeight(tall);
    picture.setMaxHeight(tall);
    if (check.scatter() != null) {
      picture.show(
          (w, h) -> ScatterLayout.of(check.scatter(), w, h),
          dot -> dot.row() == Mark.NONE ? "" : slip.answer().frame().record(dot.row()));
    } else {
      picture.show((w, h) -> BarsLayout.of(check.bars(), w, h), dot -> "");
    }
    return picture;
  }
}
