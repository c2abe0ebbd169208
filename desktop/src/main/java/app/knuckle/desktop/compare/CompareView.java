package app.knuckle.desktop.compare;

import app.knuckle.desktop.controls.Card;
import app.knuckle.desktop.controls.Choice;
import app.knuckle.desktop.controls.Focus;
import app.knuckle.desktop.controls.GoButton;
import app.knuckle.desktop.controls.Pick;
import app.knuckle.desktop.controls.Picture;
import app.knuckle.desktop.controls.Sections;
import app.knuckle.desktop.controls.Shown;
import app.knuckle.desktop.controls.SlotChooser;
import app.knuckle.desktop.controls.TextGrid;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.workbench.Answer;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.figures.scatter.Intervals;
import app.knuckle.figures.scatter.IntervalsLayout;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.Redesign;
import app.knuckle.study.findings.ComparedMeans;
import app.knuckle.study.findings.Findings;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Prose;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/**
 * The Compare joint: ladder, difference board, ranking; discouraged when the test found no
 * difference.
 */
public final class CompareView extends ScrollPane implements Shown.Unfinished {

  private final SlipViewModel slip;
  private final VBox page = new VBox();
  private final SlotChooser what = new SlotChooser("compare-what");
  private final SlotChooser how = new SlotChooser("compare-how");
  private final BalanceView balance;
  private final Label use = Texts.line("", "joint-line");
  private final Sections sections;
  private final Map<Integer, Ladder> ladders = new HashMap<>();
  private boolean shownAnyway;
  private boolean board = true;
  private ComparePage.Look look = new ComparePage.Look(true, false);

  @Override
  public boolean isUnfinished() {
    return balance.isLaden();
  }

  /**
   * The view of a slip's comparison.
   *
   * @param slip the slip
   */
  public CompareView(SlipViewModel slip) {
    this.slip = slip;
    balance = new BalanceView(slip);
    setId("compare");
    setFitToWidth(true);
    getStyleClass().add("joint-scroll");
    page.getStyleClass().add("joint");
    what.getStyleClass().add("bar-slot");
    how.getStyleClass().add("bar-slot");
    sections = new Sections(page);
    setContent(page);
    Shown.by(this, slip.answerProperty())
        .addListener(
            (o, before, now) -> {
              shownAnyway = false;
              Focus.keep(page, this::show);
            });
    show();
  }

  private void show() {
    Answer answer = slip.answer();
    if (answer == null || !answer.isTested()) {
      return;
    }
    List<ComparedMeans> families = ComparedMeans.of(answer.findings().first().results());
    boolean ofTwo = !families.isEmpty() && families.stream().allMatch(f -> f.means().length == 2);
    String title = ofTwo ? "How far apart are the two?" : "Which means differ from which?";
    sections.add("title", title, () -> Texts.line(title, "joint-title"));
    choosers(answer.findings().inquiry(), ofTwo);
    if (families.isEmpty()) {
      nothing(answer.findings()).forEach(sections::add);
      balance.show(answer.findings());
      sections.add(balance);
      sections.done();
      return;
    }
    List<ComparedMeans> drawn = families.subList(0, Math.min(MOST_FAMILIES, families.size()));
    sections.add("looks", looking(), this::looks);
    boolean discouraged = false;
    for (int f = 0; f < drawn.size(); f++) {
      ComparedMeans family = drawn.get(f);
      List<ComparedMeans> beside = drawn.stream().filter(o -> o.of().equals(family.of())).toList();
      ComparePage shown = ComparePage.of(answer.findings(), family, look, beside);
      sections.add("line " + f, shown.line(), () -> Texts.wrapped(shown.line(), "joint-line"));
      boolean first = f == 0;
      if (first && !shown.warning().isEmpty()) {
        sections.add("warning", List.of(shown.warning(), shownAnyway), () -> warning(shown));
      }
      discouraged |= first && !shown.warning().isEmpty();
      if (!discouraged || shownAnyway) {
        pairs(f, shown, family.within().isEmpty());
        sections.add("ranking " + f, shown.ranking(), () -> ranking(shown));
      }
    }
    if (!ofTwo) {
      String not = CompareOptions.notOffered(slip.inquiry(), drawn.get(0).of());
      sections.add("not offered", not, () -> Texts.wrapped(not, "joint-line"));
    }
    AllResponses all = AllResponses.of(answer.findings());
    if (!all.rows().isEmpty()) {
      sections.add("all responses", all, () -> all(all));
    }
    balance.show(answer.findings());
    sections.add(balance);
    sections.done();
  }

  private static Card all(AllResponses all) {
    TextGrid grid = new TextGrid(all.heads(), 1);
    grid.setId("all-responses");
    all.rows().forEach(row -> grid.addRow(row, "text-grid-row"));
    return new Card("All responses, each with its letters", grid);
  }

  /** What the bar of looks shows. */
  private List<Object> looking() {
    Inquiry inquiry = slip.inquiry();
    return List.of(
        look,
        inquiry.alpha(),
        CompareOptions.levels(inquiry),
        CompareOptions.hasDirection(inquiry),
        inquiry.direction());
  }

  /** What is said where no pairs are, and the way to have them. */
  private List<Node> nothing(Findings findings) {
    if (CompareOptions.now(findings.inquiry()) != null) {
      return List.of(
          Texts.wrapped(
              findings.first().hasTooManyToCompare()
                  ? "There are too many means to compare pair by pair. Keep only some rows, or"
                      + " merge levels, and ask again."
                  : "There is no more to compare pair by pair here: the test says all there is.",
              "prose"));
    }
    GoButton ask =
        new GoButton(
            "compare-all-pairs",
            "Compare all pairs",
            () -> slip.inquiryProperty().set(Redesign.of(slip.inquiry(), same -> {})));
    return List.of(Texts.wrapped("This inquiry does not compare pairs yet.", "prose"), ask);
  }

  /** The order of the means, what their bars show, and the level at which pairs are judged. */
  private HBox looks() {
    Choice<Boolean> order =
        new Choice<>(
            "ladder-order",
            List.of(true, false),
            ranked -> ranked ? "Largest mean first" : "As entered",
            ranked -> look(new ComparePage.Look(ranked, look.intervals())));
    order.show(look.ranked());
    Choice<Boolean> bars =
        new Choice<>(
            "ladder-bars",
            List.of(false, true),
            intervals -> intervals ? "Intervals" : "\u00b1 SE",
            intervals -> look(new ComparePage.Look(look.ranked(), intervals)));
    bars.show(look.intervals());
    HBox bar = new HBox(order, bars);
    bar.getStyleClass().add("compare-bar");
    Inquiry inquiry = slip.inquiry();
    Pick<Double> alpha =
        new Pick<>(
            "compare-alpha",
            a -> "\u03b1 = " + a,
            a -> slip.inquiryProperty().set(slip.inquiry().at(a)));
    alpha.setAccessibleText("level of significance");
    bar.getChildren().add(alpha.show(CompareOptions.levels(inquiry), inquiry.alpha()));
    if (CompareOptions.hasDirection(inquiry)) {
      bar.getChildren()
          .add(
              new Pick<String>("compare-direction", d -> d, d -> CompareOptions.direct(slip, d))
                  .show(CompareOptions.directions(), CompareOptions.direction(inquiry)));
    }
    return bar;
  }

  private void look(ComparePage.Look other) {
    look = other;
    Focus.keep(page, this::show);
  }

  /** More ladders than this under each other are not read. */
  private static final int MOST_FAMILIES = 12;

  /** What is compared, and how; two means need no procedure. */
  private void choosers(Inquiry inquiry, boolean ofTwo) {
    CompareOptions.Now now = CompareOptions.now(inquiry);
    if (now == null) {
      return;
    }
    List<CompareOptions.Family> families = CompareOptions.families(inquiry);
    what.offer(
        () ->
            IntStream.range(0, families.size())
                .mapToObj(
                    i -> option(String.valueOf(i), families.get(i).title(), families.get(i).line()))
                .toList(),
        null,
        o -> {
          CompareOptions.Family chosen = families.get(Integer.parseInt(o.key()));
          slip.compare(chosen.of(), chosen.within());
        });
    what.show(now.family().title(), false);
    how.offer(
        () -> CompareOptions.by(inquiry, now.family()),
        null,
        o -> CompareOptions.choose(slip, now.family(), o.key()));
    how.show(now.by(), false);
    use.setText(now.use());
    sections.add("choosers", ofTwo, () -> chooserBar(ofTwo));
  }

  private HBox chooserBar(boolean ofTwo) {
    HBox bar = new HBox(Texts.line("Compare the means of", "bar-words"), what);
    bar.getStyleClass().add("compare-bar");
    if (!ofTwo) {
      bar.getChildren().addAll(Texts.line("by", "bar-words"), how, use);
    }
    return bar;
  }

  private static SlotChooser.Option option(String key, String title, String line) {
    return new SlotChooser.Option(key, title, line, List.of(), false);
  }

  private VBox warning(ComparePage shown) {
    Label words = Texts.wrapped(shown.warning(), "prose");
    words.setId("do-not-hunt");
    VBox box = new VBox(words);
    box.getStyleClass().addAll("card", "caution-card");
    if (!shownAnyway) {
      Button anyway = new Button("Show the pairs all the same");
      anyway.setId("show-anyway");
      anyway.setOnAction(
          event -> {
            shownAnyway = true;
            show();
          });
      box.getChildren().add(anyway);
    }
    return box;
  }

  /** The one difference, large, with its interval and size. */
  private Pane onlyPair(ComparePage shown, ComparePage.Cell pair, boolean onFigure) {
    Label large = Texts.line(pair.whole(), "only-difference");
    large.setId("only-difference");
    Label reading = Texts.wrapped(pair.reading(), "prose");
    reading.setId("pair-reading");
    Card card = new Card("The difference", large, reading);
    if (onFigure) {
      PairBracket bracket = new PairBracket(slip, shown);
      bracket.of(1, 0);
      card.getChildren().add(bracket);
    }
    card.getStyleClass().add("board-card");
    Ladder ladder = new Ladder(shown);
    HBox.setHgrow(ladder, Priority.ALWAYS);
    HBox both = new HBox(ladder, card);
    both.getStyleClass().add("cards");
    return both;
  }

  private void pairs(int family, ComparePage shown, boolean onFigure) {
    if (shown.onlyPair() == null && !shown.hasBoard()) {
      Ladder known = ladders.get(family);
      Ladder ladder = known != null && known.takes(shown) ? known : new Ladder(shown);
      ladder.show(shown);
      ladders.put(family, ladder);
      sections.add("pairs " + family, ladder, () -> alone(ladder));
      return;
    }
    sections.add(
        "pairs " + family,
        List.of(shown, onFigure, board, slip.styleProperty().get()),
        () -> pairs(shown, onFigure));
  }

  private static VBox alone(Ladder ladder) {
    VBox alone =
        new VBox(
            ladder,
            Texts.wrapped(
                "Too many means for a board of all pairs: point at one to dim those that differ"
                    + " from it, or compare fewer.",
                "joint-line"));
    alone.getStyleClass().add("cards");
    return alone;
  }

  private Pane pairs(ComparePage shown, boolean onFigure) {
    if (shown.onlyPair() != null) {
      return onlyPair(shown, shown.onlyPair(), onFigure);
    }
    Label reading =
        Texts.wrapped("Point at a pair, or walk the board with the arrow keys.", "prose");
    reading.setId("pair-reading");
    reading.getStyleClass().add("pair-reading");
    Ladder ladder = new Ladder(shown);
    PairBracket bracket = new PairBracket(slip, shown);
    DifferenceBoard all =
        new DifferenceBoard(
            shown,
            (row, column) -> {
              reading.setText(Prose.unbroken(shown.cells().get(row - 1).get(column).reading()));
              ladder.point(row, column);
              bracket.of(row, column);
            },
            ladder::pointAtNothing,
            onFigure ? bracket::turn : () -> {});
    Card card = new Card(shown.boardTitle()).about(shown.topic());
    boolean reference = shown.letters() == 0 && shown.intervals() != null;
    if (shown.intervals() != null && !reference) {
      String none = Numerals.plain(shown.intervals().none());
      Choice<Boolean> form =
          new Choice<>(
              "pairs-form",
              List.of(true, false),
              onBoard -> onBoard ? "All pairs at a glance" : "Intervals against " + none,
              onBoard -> {
                board = onBoard;
                Focus.keep(page, this::show);
              });
      form.show(board);
      card.getChildren().add(form);
    }
    if (board && !reference || shown.intervals() == null) {
      card.getChildren().add(all);
      if (!shown.critical().isEmpty()) {
        card.getChildren().add(Texts.wrapped(shown.critical(), "joint-line"));
      }
      card.getChildren().add(reading);
      if (onFigure) {
        card.getChildren().add(bracket);
      }
    } else {
      card.getChildren().add(intervals(shown.intervals()));
    }
    if (shown.isRoomy()) {
      card.getStyleClass().add("board-card");
    }
    HBox.setHgrow(ladder, Priority.ALWAYS);
    Pane both = shown.isRoomy() ? new HBox(ladder, card) : new VBox(ladder, card);
    both.getStyleClass().add("cards");
    return both;
  }

  private static Picture intervals(Intervals intervals) {
    Picture picture = new Picture();
    picture.setId("pair-intervals");
    double tall = IntervalsLayout.height(intervals.rows().size());
    picture.setMinHeight(tall);
    picture.setPrefHeight(tall);
    picture.show((w, h) -> IntervalsLayout.of(intervals, w), dot -> "");
    return picture;
  }

  private static VBox ranking(ComparePage shown) {
    Label words = Texts.wrapped(shown.ranking(), "prose");
    words.setId("ranking");
    VBox box = new VBox(words);
    box.getStyleClass().add("quote");
    return box;
  }
}
