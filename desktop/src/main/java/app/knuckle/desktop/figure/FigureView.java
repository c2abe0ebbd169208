package app.knuckle.desktop.figure;

import app.knuckle.desktop.controls.Choice;
import app.knuckle.desktop.controls.Picture;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.figures.inquiry.InquiryFigure;
import app.knuckle.figures.scene.Mark;
import app.knuckle.figures.style.Form;
import app.knuckle.figures.style.Shown;
import app.knuckle.figures.style.Style;
import app.knuckle.study.words.Prose;
import java.util.List;
import javafx.event.EventHandler;
import javafx.geometry.Bounds;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** The Figure joint: the picture, which is edited where it stands, and at its right its style. */
public final class FigureView extends BorderPane {

  private static final double NARROWEST_FIELD = 160;

  private final FigureViewModel model;
  private final Picture picture = new Picture();
  private final Pane over = new Pane();
  private final Label caption = Texts.wrapped("", "joint-line");
  private final HBox formSlot = new HBox();
  private final Button exchange = new Button();
  private final StyleCards cards;
  private final EventHandler<KeyEvent> keys = this::pressed;
  private List<Form> shownForms = List.of();
  private Choice<Form> forms;

  /**
   * The view of a slip's figure.
   *
   * @param slip the slip
   */
  public FigureView(SlipViewModel slip) {
    model = new FigureViewModel(slip);
    cards = new StyleCards(model);
    setId("figure");
    getStyleClass().add("joint");
    caption.setId("figure-caption");
    over.setMouseTransparent(true);
    StackPane canvas = new StackPane(picture, over);
    VBox paper = new VBox(canvas);
    paper.getStyleClass().add("paper");
    VBox.setVgrow(canvas, Priority.ALWAYS);
    VBox.setVgrow(paper, Priority.ALWAYS);
    picture.onLabel(label -> edit(label.subject(), picture.where(label)));
    picture.onLegendMoved((x, y) -> model.restyle(s -> s.with(s.arrangement().legendAt(x, y))));
    picture.onGroup(
        group -> {
          if (model.style().shown().above() == Shown.Above.BRACKETS) {
            model.pickForBracket(group);
          }
        });
    Label enlarged = Texts.line("", "joint-line");
    enlarged
        .textProperty()
        .bind(
            picture
                .enlargementProperty()
                .map(times -> Math.round(100 * times.doubleValue()) + "% of true size"));
    exchange.setId("figure-exchange");
    exchange.getStyleClass().add("bar-button");
    exchange.setMnemonicParsing(false);
    exchange.setMinWidth(USE_PREF_SIZE);
    Texts.hint(exchange, "Another treatment in the colours (key X)");
    exchange.setOnAction(event -> exchange());
    HBox above = new HBox(formSlot, exchange);
    above.getStyleClass().add("above-figure");
    caption.setMaxWidth(Double.MAX_VALUE);
    HBox.setHgrow(caption, Priority.ALWAYS);
    enlarged.setMinWidth(USE_PREF_SIZE);
    HBox below = new HBox(caption, enlarged);
    below.getStyleClass().add("below-figure");
    VBox middle = new VBox(above, paper, below);
    middle.getStyleClass().add("below");
    setCenter(middle);
    ScrollPane scroll = new ScrollPane(cards);
    scroll.setFitToWidth(true);
    scroll.getStyleClass().add("side-scroll");
    setRight(scroll);
    // The key serves wherever the keyboard is, as long as the figure is seen.
    sceneProperty()
        .addListener(
            (o, before, now) -> {
              if (before != null) {
                before.removeEventHandler(KeyEvent.KEY_PRESSED, keys);
              }
              if (now != null) {
                now.addEventHandler(KeyEvent.KEY_PRESSED, keys);
              }
            });
    app.knuckle.desktop.controls.Shown.by(this, model.figureBinding())
        .addListener((o, before, now) -> show(now));
    // Where the question was just refused, the picture of before is no figure to take away.
    disableProperty().bind(model.figureBinding().isNull());
    show(model.figureBinding().get());
  }

  private void pressed(KeyEvent event) {
    boolean typing = event.getTarget() instanceof TextInputControl;
    if (event.getCode() == KeyCode.X && !event.isShortcutDown() && !typing) {
      exchange();
    }
  }

  private void exchange() {
    model.exchange();
  }

  private void show(InquiryFigure figure) {
    if (figure == null) {
      picture.clear();
      return;
    }
    Style style = model.style();
    if (!shownForms.equals(model.forms())) {
      shownForms = model.forms();
      forms =
          new Choice<>("figure-form", shownForms, Form::title, f -> model.restyle(s -> s.with(f)));
      formSlot.getChildren().setAll(forms);
    }
    forms.show(shownForms.contains(style.form()) ? style.form() : Form.BARS);
    boolean exchangeable = !model.exchangeTitle().isEmpty() && style.form().isOfGroups();
    exchange.setText(model.exchangeTitle());
    exchange.setVisible(exchangeable);
    exchange.setManaged(exchangeable);
    caption.setText(Prose.unbroken(figure.caption()));
    cards.show(figure);
    picture.show(
        (w, h) -> figure.scene(), dot -> dot.row() == Mark.NONE ? "" : "row " + (dot.row() + 1));
  }

  /** Writes over a text of the picture, where it stands. */
  private void edit(String subject, Bounds at) {
    TextField field = new TextField(model.style().word(subject));
    field.setId("figure-edit");
    double width = Math.max(NARROWEST_FIELD, at.getWidth());
    field.setPrefWidth(width);
    double most = Math.max(0, over.getWidth() - width);
    field.setLayoutX(Math.min(most, Math.max(0, at.getCenterX() - width / 2)));
    field.setLayoutY(Math.max(0, at.getCenterY() - field.getFont().getSize()));
    over.getChildren().setAll(field);
    over.setMouseTransparent(false);
    over.setPickOnBounds(false);
    field.setOnAction(
        event -> {
          String own = field.getText();
          leaveEdit();
          model.restyle(s -> s.named(subject, own));
        });
    field.setOnKeyPressed(
        event -> {
          if (event.getCode() == KeyCode.ESCAPE) {
            leaveEdit();
            event.consume();
          }
        });
    field
        .focusedProperty()
        .addListener(
            (o, was, is) -> {
              if (!is) {
                leaveEdit();
              }
            });
    field.requestFocus();
    field.selectAll();
  }

  private void leaveEdit() {
    over.getChildren().clear();
    over.setMouseTransparent(true);
  }
}
