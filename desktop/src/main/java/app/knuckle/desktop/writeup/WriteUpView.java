package app.knuckle.desktop.writeup;

import app.knuckle.desktop.controls.Card;
import app.knuckle.desktop.controls.Clip;
import app.knuckle.desktop.controls.FileDialogs;
import app.knuckle.desktop.controls.GoButton;
import app.knuckle.desktop.controls.Picture;
import app.knuckle.desktop.controls.Shown;
import app.knuckle.desktop.controls.TextGrid;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.figures.scene.Scene;
import app.knuckle.formats.report.Block;
import app.knuckle.formats.report.PageSettings;
import app.knuckle.formats.report.ReportFile;
import app.knuckle.study.words.Prose;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.scene.text.Text;
import javafx.scene.text.TextFlow;
import javafx.scene.transform.Shear;
import javafx.stage.FileChooser;

/** The Write-up joint: the page as it will be taken away, and what stands on it. */
public final class WriteUpView extends HBox {

  /** More rows of a table than this are in the files, not on screen. */
  private static final int MOST_ROWS = 60;

  private static final double PAGE_WIDTH = 640;

  /** How far an upright letter leans, as a share of its height. */
  private static final double LEAN = -0.2;

  private final WriteUpViewModel model;
  private final VBox page = new VBox();
  private final PageWishes asked;

  /**
   * The view of a slip's page.
   *
   * @param slip the slip
   */
  public WriteUpView(SlipViewModel slip) {
    model = new WriteUpViewModel(slip);
    asked = new PageWishes(model);
    setId("write-up");
    getStyleClass().addAll("joint", "write-up");
    page.setId("page");
    page.getStyleClass().add("page");
    page.setMaxWidth(PAGE_WIDTH);
    ScrollPane scroll = new ScrollPane(page);
    scroll.setFitToWidth(true);
    scroll.getStyleClass().add("table-scroll");
    HBox.setHgrow(scroll, Priority.ALWAYS);
    VBox side = new VBox(away(), asked);
    side.getStyleClass().add("side");
    ScrollPane beside = new ScrollPane(side);
    beside.setFitToWidth(true);
    beside.getStyleClass().add("side-scroll");
    getChildren().addAll(scroll, beside);
    model.shownProperty().addListener((o, before, now) -> show(now));
    Shown.by(this, slip.answerProperty()).addListener((o, before, now) -> model.refresh());
    Shown.by(this, slip.styleProperty()).addListener((o, before, now) -> model.refresh());
    Shown.by(this, slip.pageProperty()).addListener((o, before, now) -> model.choose());
    model.refresh();
  }

  private Card away() {
    FlowPane ways = new FlowPane(new GoButton("page-copy", "Copy the page", this::copy));
    for (ReportFile kind : ReportFile.values()) {
      ways.getChildren()
          .add(new GoButton("page-" + kind.ending(), kind.title(), () -> write(kind)));
    }
    ways.getStyleClass().add("ways");
    Label note = Texts.wrapped("", "joint-line");
    note.setId("page-note");
    note.textProperty().bind(model.noteProperty());
    return new Card("Take it away", ways, note);
  }

  private void copy() {
    if (model.shownProperty().get() == null) {
      return;
    }
    WriteUpViewModel.Taken taken = model.taken(model.shownProperty().get().page().blocks());
    Clip.put(taken.html(), taken.rtf(), taken.plain());
    model.say("The page is on the clipboard, its figure apart: copy that in Figure.");
  }

  private void write(ReportFile kind) {
    if (model.shownProperty().get() == null) {
      return;
    }
    FileChooser chooser = new FileChooser();
    chooser.setTitle("Take the page away");
    chooser.setInitialFileName(model.suggestedName(kind));
    chooser
        .getExtensionFilters()
        .add(new FileChooser.ExtensionFilter(kind.title(), "*." + kind.ending()));
    FileDialogs.shown()
        .save(chooser, getScene().getWindow())
        .ifPresent(file -> model.write(kind, file.toPath()));
  }

  private void show(WriteUpViewModel.Shown made) {
    if (made == null) {
      return;
    }
    asked.show(made.settings());
    List<Node> nodes = new ArrayList<>();
    int tables = 0;
    for (PageSettings.Slot slot : made.slots()) {
      Block block = slot.block();
      if (block instanceof Block.Heading heading) {
        nodes.add(
            view(
                slot,
                Texts.wrapped(heading.text(), heading.level() == 1 ? "page-title" : "page-head")));
      } else if (block instanceof Block.Paragraph paragraph) {
        nodes.add(view(slot, set(paragraph)));
      } else if (block instanceof Block.Table table) {
        nodes.add(view(slot, set(table, ++tables)));
      } else if (block instanceof Block.Figure figure) {
        nodes.add(view(slot, set(figure)));
      }
    }
    page.getChildren().setAll(nodes);
    String wanted = model.focused();
    nodes.stream()
        .filter(node -> node.getId().equals("block-" + wanted.replace(' ', '-')))
        .findFirst()
        .ifPresent(Node::requestFocus);
  }

  private BlockView view(PageSettings.Slot slot, Node shown) {
    return new BlockView(model, slot, shown);
  }

  private static TextFlow set(Block.Paragraph paragraph) {
    TextFlow flow = new TextFlow();
    for (Block.Paragraph.Run run : paragraph.runs()) {
      Text text = new Text(Prose.unbroken(run.text()));
      text.getStyleClass().add(run.italic() ? "page-statistic" : "page-text");
      if (run.italic()) {
        // No italic face is shipped for the screen, so that the single letters are made to lean.
        text.getTransforms().add(new Shear(LEAN, 0, 0, text.getBaselineOffset()));
      }
      flow.getChildren().add(text);
    }
    flow.setAccessibleText(paragraph.text());
    return flow;
  }

  private static VBox set(Block.Table table, int number) {
    TextGrid grid = new TextGrid(table.heads(), 1);
    table.rows().stream().limit(MOST_ROWS).forEach(row -> grid.addRow(row, "text-grid-row"));
    // A wide table moves within the page; the text around it keeps to the window.
    ScrollPane wide = new ScrollPane(grid);
    wide.setFitToWidth(true);
    wide.setVbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    wide.setFocusTraversable(false);
    wide.setMinWidth(0);
    wide.getStyleClass().add("table-scroll");
    VBox box =
        new VBox(Texts.wrapped("Table " + number + ". " + table.caption(), "page-caption"), wide);
    int more = table.rows().size() - MOST_ROWS;
    if (more > 0) {
      box.getChildren().add(Texts.wrapped(more + " more rows in what is taken away", "page-note"));
    }
    if (!table.note().isEmpty()) {
      box.getChildren().add(Texts.wrapped(table.note(), "page-note"));
    }
    return box;
  }

  private static VBox set(Block.Figure block) {
    Scene scene = block.picture();
    Picture picture = new Picture();
    double tall = PAGE_WIDTH * 0.8 * scene.height() / scene.width();
    picture.setMinHeight(tall);
    picture.setPrefHeight(tall);
    picture.show((w, h) -> scene, dot -> "");
    return new VBox(picture, Texts.wrapped("Figure 1. " + block.caption(), "page-note"));
  }
}
