package app.knuckle.desktop.reckoner;

import app.knuckle.desktop.controls.Pulses;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.workbench.Reckonings;
import app.knuckle.desktop.workbench.Workbench;
import app.knuckle.study.reckon.Reckoning;
import java.util.List;
import java.util.function.Consumer;
import javafx.collections.ListChangeListener;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Answers without records: four reckonings, each filled in place. */
public final class ReckonerView extends ScrollPane {

  private final Reckonings reckonings;
  private final Pulses pulses = new Pulses();
  private final List<ReckonCard> cards;
  private final FlowPane kept = new FlowPane();

  /**
   * The page.
   *
   * @param workbench what is open
   * @param line says what was reckoned last
   */
  public ReckonerView(Workbench workbench, Consumer<String> line) {
    reckonings = workbench.reckonings();
    setId("reckoner");
    setFitToWidth(true);
    getStyleClass().add("joint-scroll");
    TableCard table = new TableCard(reckonings::keep);
    TailCard tail = new TailCard(reckonings::keep);
    SummariesCard summaries = new SummariesCard(reckonings::keep);
    SizeCard size = new SizeCard(reckonings::keep);
    cards = List.of(table, tail, summaries, size);
    HBox both = new HBox(column(table, summaries), column(tail, size));
    both.getStyleClass().add("cards");
    kept.getStyleClass().add("add-parts");
    VBox page =
        new VBox(
            Texts.line("The Reckoner", "joint-title"),
            Texts.wrapped(
                "Answers without records. What you type is upright; what follows stands in the"
                    + " other hand, where nothing was typed.",
                "joint-line"),
            kept,
            both);
    page.getStyleClass().add("joint");
    setContent(page);
    cards.forEach(card -> card.restore(ReckonExamples.of(card.kind())));
    cards.forEach(card -> card.onSaid(said -> line.accept(said)));
    reckonings.all().addListener((ListChangeListener<Reckoning>) change -> showKept());
    showKept();
    sceneProperty()
        .addListener(
            (o, before, now) -> {
              if (now != null) {
                line.accept("Answers without records: type over what stands there.");
                // What scrolls is in the scene only after the next painting.
                pulses.add(List.of(() -> {}, table::begin));
              }
            });
  }

  private static VBox column(Node... cards) {
    VBox column = new VBox(cards);
    column.getStyleClass().add("column");
    column.setMinWidth(0);
    column.setPrefWidth(1); // Both share the room alike.
    HBox.setHgrow(column, Priority.ALWAYS);
    return column;
  }

  private void showKept() {
    kept.getChildren().clear();
    for (Reckoning one : reckonings.all()) {
      Button back = new Button(one.name());
      back.setId("kept-" + reckonings.all().indexOf(one));
      back.setMnemonicParsing(false);
      back.getStyleClass().add("add-part");
      back.setAccessibleText("Bring back " + one.name());
      back.setOnAction(event -> bringBack(one));
      Button out = new Button("\u00d7");
      out.getStyleClass().add("sentence-out");
      out.setAccessibleText("Let go of " + one.name());
      out.setOnAction(event -> reckonings.letGo(one));
      CheckBox chosen = new CheckBox("in the document");
      chosen.setId("kept-chosen-" + reckonings.all().indexOf(one));
      chosen.setAccessibleText(one.name() + ", in the document of the study");
      Texts.hint(chosen, "In the document of the study");
      chosen.setSelected(one.inDocument());
      chosen.setOnAction(event -> reckonings.choose(one, chosen.isSelected()));
      HBox line = new HBox(back, chosen, out);
      line.getStyleClass().add("kept-line");
      kept.getChildren().add(line);
    }
    if (!kept.getChildren().isEmpty()) {
      kept.getChildren().add(0, Texts.line("Kept:", "bar-words"));
    }
    boolean any = !kept.getChildren().isEmpty();
    kept.setVisible(any);
    kept.setManaged(any);
  }

  /**
   * Shows a kept reckoning again, in its card.
   *
   * @param reckoning that was kept
   */
  public void bringBack(Reckoning reckoning) {
    cards.stream()
        .filter(card -> card.kind() == reckoning.kind())
        .forEach(
            card -> {
              card.restore(reckoning.typed());
              pulses.add(List.of(card::begin, () -> reveal(card)));
            });
  }

  /**
   * Scrolls to the top of a card, or the end of the page, where what holds the keyboard is not
   * seen.
   */
  private void reveal(Node card) {
    Node holder = getScene() == null ? null : getScene().getFocusOwner();
    double beyond = getContent().getLayoutBounds().getHeight() - getViewportBounds().getHeight();
    if (holder == null || beyond <= 0 || inScene(this).contains(inScene(holder))) {
      return; // The page was left again, or there is nothing to scroll.
    }
    double top = getContent().sceneToLocal(inScene(card)).getMinY();
    setVvalue(Math.max(0, Math.min(1, top / beyond)));
  }

  private static Bounds inScene(Node node) {
    return node.localToScene(node.getLayoutBounds());
  }
}
