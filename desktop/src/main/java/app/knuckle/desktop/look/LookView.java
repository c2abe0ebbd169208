package app.knuckle.desktop.look;

import app.knuckle.desktop.background.Lane;
import app.knuckle.desktop.controls.Choice;
import app.knuckle.desktop.controls.Flow;
import app.knuckle.desktop.controls.Pick;
import app.knuckle.desktop.controls.Picture;
import app.knuckle.desktop.controls.Shown;
import app.knuckle.desktop.controls.SlotChooser;
import app.knuckle.desktop.controls.TextGrid;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.workbench.Answer;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.figures.scene.Mark;
import app.knuckle.figures.spread.Shapes;
import app.knuckle.study.Refused;
import app.knuckle.study.cells.GroupSummary;
import app.knuckle.study.look.Correlations;
import app.knuckle.study.prep.Frame;
import app.knuckle.study.prep.SetAside;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Slider;
import javafx.scene.control.TextField;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The Look joint: the picture of the groups over the table of their summaries. */
public final class LookView extends VBox {

  /** The groups are looked at first; their numbers can be scrolled. */
  private static final double LEAST_PICTURE = 190;

  /** The head and two groups. */
  private static final double LEAST_TABLE = 110;

  private static final double MOST_TABLE = 280;

  private static final double BINS_WIDTH = 180;

  private final SlipViewModel slip;
  private final Pick<List<String>> by =
      new Pick<>("summaries-by", g -> "by " + String.join(" \u00d7 ", g), this::group);
  private List<String> grouping = List.of();
  private LookPage.Summaries summaries;
  private int sortedBy = -1;
  private boolean falling;
  private final Choice<LookKind> kinds;
  private final SlotChooser against = new SlotChooser("look-against");
  private final Label binsTitle = Texts.line("bins", "bar-words");
  private final Slider bins = new Slider(Shapes.FEWEST_BINS, Shapes.MOST_BINS, 12);
  private final TextField edges = new TextField();
  private final Label wrong = Texts.line("", "refusal");
  private final Choice<Boolean> closed =
      new Choice<>(
          "look-closed",
          List.of(false, true),
          right -> right ? "edge belongs below" : "edge belongs above",
          this::close);
  private final Pick<Correlations.Measure> measures =
      new Pick<>("look-measure", Correlations.Measure::title, this::measure);
  private final Lane tables = Lane.ofLatest();
  private LookKind kind = LookKind.DOTS;
  private boolean rightClosed;
  private Correlations.Measure measure = Correlations.Measure.PEARSON;
  private String other = "";
  private final Label title = Texts.line("", "joint-title");
  private final Label line = Texts.wrapped("", "joint-line");
  private final Picture picture = new Picture();
  private final ScrollPane table = new ScrollPane();
  private final HBox pickedBar = new HBox();

  /**
   * The view of a slip's groups.
   *
   * @param slip the slip
   */
  public LookView(SlipViewModel slip) {
    this.slip = slip;
    setId("look");
    getStyleClass().add("joint");
    title.setId("look-title");
    VBox paper = new VBox(picture);
    paper.getStyleClass().add("paper");
    picture.setMinHeight(LEAST_PICTURE);
    VBox.setVgrow(picture, Priority.ALWAYS);
    VBox.setVgrow(paper, Priority.ALWAYS);
    table.setFitToWidth(true);
    table.setMaxHeight(MOST_TABLE);
    table.setMinHeight(LEAST_TABLE);
    table.getStyleClass().add("table-scroll");
    VBox head = new VBox(title, line);
    head.getStyleClass().add("joint-head");
    kinds =
        new Choice<>(
            "look-kind",
            List.of(LookKind.values()),
            LookKind::title,
            chosen -> {
              kind = chosen;
              show();
            });
    against.getStyleClass().add("bar-slot");
    bins.setId("look-bins");
    bins.setMaxWidth(BINS_WIDTH);
    bins.valueProperty()
        .addListener(
            (o, before, now) -> {
              if (before.intValue() != now.intValue()) {
                show();
              }
            });
    Button copy = new Button("Copy the table");
    copy.setId("copy-summaries");
    copy.getStyleClass().add("bar-button");
    copy.setMinWidth(USE_PREF_SIZE);
    copy.setOnAction(event -> copy());
    edges.setId("look-edges");
    edges.setPromptText("own edges: 10 12 14, or by 2");
    edges.setPrefColumnCount(18);
    edges.setOnAction(event -> setEdges());
    edges
        .focusedProperty()
        .addListener(
            (o, before, now) -> {
              if (!now) {
                setEdges();
              }
            });
    wrong.setId("look-wrong");
    Flow bar = new Flow(kinds, against, binsTitle, bins, edges, closed, measures, by, copy, wrong);
    bar.getStyleClass().addAll("compare-bar", "look-bar");
    pickedBar.setId("picked");
    pickedBar.getStyleClass().addAll("picked");
    picture.onPicked(dot -> pick(dot.row()));
    pick(Mark.NONE);
    getChildren().addAll(head, bar, paper, pickedBar, table);
    Shown.by(this, slip.answerProperty()).addListener((o, before, now) -> show());
    show();
  }

  /** Cells apart by tabs, rows by lines, as a spreadsheet takes them. */
  private void copy() {
    if (slip.answer() != null && slip.answer().findings() != null) {
      ClipboardContent content = new ClipboardContent();
      content.putString(summaries.asText());
      Clipboard.getSystemClipboard().setContent(content);
    }
  }

  private void close(boolean right) {
    rightClosed = right;
    show();
  }

  private void measure(Correlations.Measure chosen) {
    measure = chosen;
    show();
  }

  /** Edges belong to the question, so that they are kept, undone, and counted in the files too. */
  private void setEdges() {
    Answer answer = slip.answer();
    if (answer == null || answer.findings() == null) {
      return;
    }
    LookPage page = LookPage.of(answer.findings(), answer.frame());
    Map<String, List<Double>> all = new LinkedHashMap<>(slip.inquiry().edges());
    String response = page.response().measured().name();
    try {
      all.remove(response);
      if (!edges.getText().isBlank()) {
        all.put(response, page.edges(edges.getText()));
      }
      wrong.setText("");
    } catch (Refused e) {
      wrong.setText(e.refusal().words());
    }
    shown(wrong, !wrong.getText().isEmpty());
    if (wrong.getText().isEmpty() && !all.equals(slip.inquiry().edges())) {
      slip.inquiryProperty().set(slip.inquiry().but(d -> d.edges = all));
    }
  }

  private static void shown(Node node, boolean yes) {
    node.setVisible(yes);
    node.setManaged(yes);
  }

  private void group(List<String> other) {
    grouping = other;
    show();
  }

  /** By a column, the largest first; again, the smallest first; again, as the levels are. */
  private void sort(int column) {
    boolean again = column == sortedBy;
    sortedBy = again && !falling ? -1 : column;
    falling = !again;
    show();
  }

  private String said(Mark.Dot dot) {
    return dot.row() == Mark.NONE ? "" : slip.answer().frame().record(dot.row());
  }

  /** Shows the record behind a point, with what can be done about it. */
  private void pick(int row) {
    boolean none = row == Mark.NONE;
    pickedBar.setVisible(!none);
    pickedBar.setManaged(!none);
    pickedBar.getChildren().clear();
    if (none) {
      return;
    }
    Frame frame = slip.answer().frame();
    Label words = Texts.wrapped(frame.record(row).replace("\n", " \u00b7 "), "picked-words");
    words.setMaxWidth(Double.MAX_VALUE);
    HBox.setHgrow(words, Priority.ALWAYS);
    Button aside = new Button("Set this row aside");
    aside.setId("picked-aside");
    aside.getStyleClass().add("small-button");
    aside.setMinWidth(USE_PREF_SIZE);
    aside.setOnAction(
        event -> {
          List<Integer> rows = List.of(frame.sourceRow(row) + 1);
          slip.take(List.of(new SetAside(rows, "seen in the picture of the groups", false)));
        });
    Button leave = new Button("Leave it");
    leave.getStyleClass().add("small-button");
    leave.setMinWidth(USE_PREF_SIZE);
    leave.setOnAction(event -> pick(Mark.NONE));
    pickedBar.getChildren().addAll(words, aside, leave);
  }

  private void show() {
    pick(Mark.NONE);
    Answer answer = slip.answer();
    if (answer == null || answer.findings() == null) {
      return;
    }
    LookPage page = LookPage.of(answer.findings(), answer.frame());
    title.setText(page.title(kind));
    kinds.show(kind);
    String own = page.ownEdges(slip.inquiry());
    if (!edges.isFocused()) {
      edges.setText(own);
    }
    for (Node node : List.of(binsTitle, bins)) {
      shown(node, kind == LookKind.STACKED || kind == LookKind.HISTOGRAM && own.isBlank());
    }
    shown(edges, kind == LookKind.HISTOGRAM);
    shown(closed, kind == LookKind.HISTOGRAM);
    shown(wrong, kind == LookKind.HISTOGRAM && !wrong.getText().isEmpty());
    closed.show(rightClosed);
    boolean several = kind == LookKind.TOGETHER;
    shown(measures, several);
    measures.show(List.of(Correlations.Measure.values()), measure);
    List<String> others = page.others();
    if (!others.contains(other)) {
      other = others.isEmpty() ? "" : others.get(0);
    }
    boolean pairs = kind == LookKind.AGAINST && !other.isEmpty();
    against.setVisible(pairs);
    against.setManaged(pairs);
    against.show(other, false);
    against.offer(
        () -> others.stream().map(o -> new SlotChooser.Option(o, o, "", List.of(), false)).toList(),
        null,
        o -> {
          other = o.key();
          show();
        });
    line.setText(page.line(kind, other));
    LookSettings look =
        new LookSettings(kind, other, (int) bins.getValue(), own, rightClosed, measure);
    Drawn now = new Drawn(look, page.title(), page.by(), page.frame(), page.response().summaries());
    if (!now.equals(drawn)) {
      drawn = now;
      if (page.isDrawn() && (kind != LookKind.TOGETHER || page.hasSeveral())) {
        picture.show(page.drawn(look), this::said);
      } else {
        picture.clear();
      }
    }
    List<List<String>> groupings = page.groupings();
    grouping = groupings.contains(grouping) ? grouping : groupings.get(0);
    by.show(groupings, grouping);
    LookPage.Summaries made = page.summaries(grouping, sortedBy, falling);
    tables.cancel();
    boolean summed = !page.isDrawn() || !kind.hasTable();
    shown(by, summed && groupings.size() > 1);
    if (summed && made.equals(summaries) && summing) {
      return; // It is there already.
    }
    summing = summed;
    summaries = made;
    if (summed) {
      showTable(summaries, true);
    } else {
      tables.run(
          progress -> page.table(look, progress),
          counted -> {
            if (counted != null) {
              summaries = counted;
              showTable(counted, false);
            }
          });
    }
  }

  /** All that the picture depends on. */
  private record Drawn(
      LookSettings look, String title, String by, Frame frame, List<GroupSummary> summaries) {}

  private Drawn drawn;
  private boolean summing;

  private void showTable(LookPage.Summaries shown, boolean summed) {
    TextGrid grid = new TextGrid(shown.heads(), shown.names());
    if (summed) {
      grid.onHead(this::sort);
    }
    grid.setId(summed ? "summaries" : "look-table");
    for (int r = 0; r < shown.rows().size(); r++) {
      boolean last = summed && r == shown.rows().size() - 1;
      grid.addRow(shown.rows().get(r), last ? "text-grid-total" : "text-grid-row");
    }
    table.setContent(grid);
  }
}
