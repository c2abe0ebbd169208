package app.knuckle.desktop.layout;

import app.knuckle.desktop.controls.Card;
import app.knuckle.desktop.controls.Carried;
import app.knuckle.desktop.controls.Choice;
import app.knuckle.desktop.controls.GoButton;
import app.knuckle.desktop.controls.Sections;
import app.knuckle.desktop.controls.Shown;
import app.knuckle.desktop.controls.TextGrid;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.sentence.DesignSentence;
import app.knuckle.desktop.sentence.Piece;
import app.knuckle.desktop.sheet.StackSketch;
import app.knuckle.desktop.workbench.SlipViewModel;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TitledPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The Layout joint: the sentence over the plan, the skeleton and the question. */
public final class LayoutView extends ScrollPane {

  private final SlipViewModel slip;
  private final LayoutViewModel model;
  private final DesignSentence sentence;
  private final DesignSentence more;
  private final FlowPane terms = new FlowPane();
  private final FlowPane columns = new FlowPane();
  private final VBox page = new VBox();
  private final VBox below = new VBox();
  private final Sections sections = new Sections(below);
  private final Sections heads = new Sections(columns);
  private final HBox wide = new HBox();
  private final VBox tall = new VBox();
  private final VBox right = new VBox();
  private final Sections inWide = new Sections(wide);
  private final Sections inTall = new Sections(tall);
  private final Sections inRight = new Sections(right);
  private boolean plainly = true;
  private boolean unsureOpen;

  /**
   * The view of a slip's layout.
   *
   * @param slip the slip
   */
  public LayoutView(SlipViewModel slip) {
    this.slip = slip;
    model = new LayoutViewModel(Question.of(slip));
    sentence = new DesignSentence("design-sentence", "sentence", "slot");
    more = new DesignSentence("add-parts", "add-parts", "add-part");
    terms.getStyleClass().add("add-parts");
    setId("layout");
    setFitToWidth(true);
    getStyleClass().add("joint-scroll");
    page.getStyleClass().add("joint");
    below.getStyleClass().add("below");
    columns.getStyleClass().add("add-parts");
    page.getChildren().addAll(sentence, more, terms, columns, below);
    wide.getStyleClass().add("cards");
    tall.getStyleClass().add("cards");
    right.getStyleClass().add("column");
    HBox.setHgrow(right, Priority.ALWAYS);
    setContent(page);
    Shown.by(this, slip.answerProperty()).addListener((o, before, now) -> show());
    show();
  }

  private void show() {
    LayoutPage shown = LayoutPage.of(slip.answer(), slip.reason());
    Node owner = getScene() == null ? null : getScene().getFocusOwner();
    sentence.show(model.sentence(shown.rows()));
    more.show(model.additions());
    boolean gone = owner != null && owner.getScene() == null && owner.getId() != null;
    if (gone && owner.getId().startsWith(ADD)) {
      // What was added stands in the sentence now, and there the keyboard goes on.
      sentence.focus("slot-" + owner.getId().substring(ADD.length()));
    }
    showTerms();
    showColumns();
    if (!shown.readsAs().isEmpty()) {
      sections.add("reads", shown.readsAs(), () -> readsAs(shown.readsAs()));
    }
    if (!shown.note().isEmpty()) {
      sections.add("note", shown.note(), () -> Texts.wrapped(shown.note(), "joint-line"));
    }
    for (String warning : shown.warnings()) {
      sections.add("warning " + warning, warning, () -> Texts.wrapped(warning, "caution-note"));
    }
    for (ShapeOffers.Offer offer : model.offers()) {
      sections.add(offer(offer));
    }
    Pane into = shown.isWide() ? tall : wide;
    Sections cards = shown.isWide() ? inTall : inWide;
    if (shown.plan() != null) {
      cards.add("plan", shown.plan(), () -> plan(shown));
    }
    cards.add(right);
    if (!shown.skeleton().isEmpty()) {
      inRight.add("skeleton", shown.skeleton(), () -> skeleton(shown));
    }
    if (!shown.questions().isEmpty()) {
      inRight.add("asked", List.of(shown.questions(), shown.hypotheses()), () -> asked(shown));
    }
    inRight.add("unsure", slip.inquiry().parts(), this::unsure);
    inRight.done();
    cards.done();
    sections.add(into);
    sections.done();
  }

  private static Label readsAs(String words) {
    Label readsAs = Texts.wrapped("Reads as: " + words + ".", "reads-as");
    readsAs.setId("reads-as");
    return readsAs;
  }

  private VBox offer(ShapeOffers.Offer offer) {
    GoButton take = new GoButton("take-shape", offer.label(), () -> model.take(offer));
    VBox card = new VBox(Texts.wrapped(offer.words(), "prose"));
    offer
        .stack()
        .ifPresent(stack -> card.getChildren().add(new StackSketch(slip.answer().frame(), stack)));
    card.getChildren().add(take);
    card.getStyleClass().addAll("card");
    return card;
  }

  private Card plan(LayoutPage shown) {
    Card plan = new Card("Plot plan", new PlotPlan(shown.plan(), slip::goToRecord));
    HBox.setHgrow(plan, Priority.ALWAYS);
    plan.setMaxHeight(USE_PREF_SIZE);
    return plan;
  }

  private TitledPane unsure() {
    TitledPane unsure =
        new TitledPane("Not sure? Three plain questions", new PlainQuestions(model.plainly()));
    unsure.setId("unsure");
    unsure.setExpanded(unsureOpen);
    unsure.expandedProperty().addListener((o, before, now) -> unsureOpen = now);
    unsure.setAnimated(false);
    return unsure;
  }

  /** How the identifiers of additions begin; the slots that they become are called alike. */
  private static final String ADD = "add-";

  /** Terms that can be switched off and on. */
  private void showTerms() {
    terms.getChildren().clear();
    TermChips chips = model.terms();
    chips
        .terms()
        .forEach(
            (term, on) -> {
              ToggleButton chip = new ToggleButton(String.join(" \u00d7 ", term));
              chip.setId("term-" + String.join("-", term));
              chip.setMnemonicParsing(false);
              chip.getStyleClass().add("term-chip");
              chip.setSelected(on);
              chip.setOnAction(event -> chips.switchTerm(term));
              terms.getChildren().add(chip);
            });
    if (!terms.getChildren().isEmpty()) {
      terms.getChildren().add(0, Texts.line("Terms:", "bar-words"));
    }
  }

  /** Heads of the columns, to be carried into the sentence. */
  private void showColumns() {
    List<String> names = model.columnNames();
    if (!names.isEmpty()) {
      heads.add("words", "", () -> Texts.line("Columns, to drag into the sentence:", "bar-words"));
    }
    for (String column : names) {
      heads.add("column " + column, column, () -> head(column));
    }
    heads.done();
  }

  private static Label head(String column) {
    Label head = Texts.line(column, "column-head");
    head.setId("column-" + column);
    Carried.from(head, column);
    return head;
  }

  private static Card skeleton(LayoutPage shown) {
    TextGrid grid = new TextGrid(List.of("source", "tested against", "levels", "df"), 2);
    for (List<String> row : shown.skeleton()) {
      List<String> cells = new ArrayList<>(List.of(row.get(0), row.get(3), row.get(1), row.get(2)));
      grid.addRow(cells, "text-grid-row");
    }
    Card card = new Card("Skeleton", grid);
    card.setId("skeleton");
    return card;
  }

  private Card asked(LayoutPage shown) {
    VBox words = new VBox();
    words.setId("asked");
    Choice<Boolean> form =
        new Choice<>(
            "asked-form",
            List.of(true, false),
            plain -> plain ? "as a question" : "as hypotheses",
            plain -> {
              plainly = plain;
              fill(words, shown);
            });
    form.show(plainly);
    fill(words, shown);
    return new Card("What is being asked", form, words).about(slip.answer().topic());
  }

  private void fill(VBox words, LayoutPage shown) {
    words
        .getChildren()
        .setAll(
            (plainly ? shown.questions() : shown.hypotheses())
                .stream().map(text -> Texts.wrapped(text, "prose")).toList());
  }

  /**
   * What the sentence of an inquiry has no word of yet, and could have.
   *
   * @param slip the inquiry
   * @return ids of the ways to add it, such as "add-covariate"
   */
  public static Set<String> additions(SlipViewModel slip) {
    return new LayoutViewModel(Question.of(slip))
        .additions().stream()
            .filter(Piece.Slot.class::isInstance)
            .map(piece -> ((Piece.Slot) piece).id())
            .collect(Collectors.toSet());
  }
}
