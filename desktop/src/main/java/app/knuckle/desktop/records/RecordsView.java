package app.knuckle.desktop.records;

import app.knuckle.desktop.controls.Card;
import app.knuckle.desktop.controls.Choice;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.shell.Answer;
import app.knuckle.desktop.shell.SlipViewModel;
import app.knuckle.study.prep.Kind;
import app.knuckle.study.prep.Step;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** The Records joint: the table in the middle; trail, column card and reading at the right. */
public final class RecordsView extends BorderPane {

  private final SlipViewModel slip;
  private final RecordsTable table;
  private final VBox side = new VBox();
  private final Label title = new Label();
  private final Label howRead = new Label();
  private ReadingCard reading;
  private String looked = "";

  /**
   * The view of a slip's records.
   *
   * @param slip the slip
   */
  public RecordsView(SlipViewModel slip) {
    this.slip = slip;
    table = new RecordsTable(this::lookAt);
    setId("records");
    getStyleClass().add("joint");
    title.getStyleClass().add("joint-title");
    howRead.getStyleClass().add("joint-line");
    VBox heads = new VBox(title, howRead);
    heads.getStyleClass().add("joint-head");
    VBox middle = new VBox(heads, table);
    VBox.setVgrow(table, Priority.ALWAYS);
    side.getStyleClass().add("side");
    ScrollPane scroll = new ScrollPane(side);
    scroll.setFitToWidth(true);
    scroll.getStyleClass().add("side-scroll");
    setCenter(middle);
    setRight(scroll);
    slip.answerProperty().addListener((o, before, now) -> show());
    show();
  }

  private void show() {
    Answer answer = slip.answer();
    if (slip.table() == null || answer == null || answer.frame() == null) {
      return;
    }
    title.setText(slip.table().name());
    howRead.setText(slip.table().howRead());
    RecordsPage page = RecordsPage.of(answer, slip.inquiry());
    table.show(page);
    if (page.columns().stream().noneMatch(c -> c.name().equals(looked))) {
      looked = page.mostOfInterest();
    }
    side.getChildren().setAll(trail());
    if (slip.source().formProperty().get() != null) {
      reading = reading == null ? new ReadingCard(slip.source()) : reading;
      side.getChildren().add(reading);
    }
    side.getChildren().add(columnCard(page));
  }

  private void lookAt(String column) {
    looked = column;
    show();
  }

  private Card trail() {
    Card card = new Card("Prep trail");
    card.getChildren().add(step(1, "Read " + slip.table().source(), slip.table().howRead(), null));
    List<Step> steps = slip.inquiry().prepare();
    for (int i = 0; i < steps.size(); i++) {
      card.getChildren()
          .add(step(i + 2, steps.get(i).title(), steps.get(i).detail(), steps.get(i)));
    }
    return card;
  }

  private HBox step(int number, String what, String detail, Step step) {
    Label badge = Texts.line(String.valueOf(number), "step-number");
    badge.setMinWidth(Region.USE_PREF_SIZE);
    VBox words = new VBox(Texts.wrapped(what, "step-title"), Texts.wrapped(detail, "step-detail"));
    HBox.setHgrow(words, Priority.ALWAYS);
    HBox row = new HBox(badge, words);
    row.getStyleClass().add("step");
    if (step != null) {
      Button out = new Button("Take out");
      out.setId("take-out-" + number);
      out.getStyleClass().add("small-button");
      out.setMinWidth(Region.USE_PREF_SIZE);
      out.setOnAction(event -> slip.takeOut(step));
      row.getChildren().add(out);
    }
    return row;
  }

  private Card columnCard(RecordsPage page) {
    RecordsPage.Head head =
        page.columns().stream().filter(c -> c.name().equals(looked)).findFirst().orElseThrow();
    Choice<Kind.As> kind =
        new Choice<>(
            "column-kind", List.of(Kind.As.values()), Kind.As::key, as -> slip.readAs(looked, as));
    kind.show(head.glance().as());
    TextField unit = new TextField(head.unit());
    unit.setId("column-unit");
    unit.setPromptText("none");
    unit.setPrefColumnCount(6);
    unit.setOnAction(event -> slip.giveUnit(looked, unit.getText().strip()));
    Card card = new Card(looked + " at a glance", kind, Texts.fact("unit", unit));
    head.glance().facts().forEach(f -> card.getChildren().add(Texts.fact(f.name(), f.value())));
    return card;
  }
}
