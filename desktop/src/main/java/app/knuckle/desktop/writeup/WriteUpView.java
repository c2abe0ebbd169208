package app.knuckle.desktop.writeup;

import app.knuckle.desktop.controls.Card;
import app.knuckle.desktop.controls.Clip;
import app.knuckle.desktop.controls.FileDialogs;
import app.knuckle.desktop.controls.GoButton;
import app.knuckle.desktop.controls.Shown;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.paper.Paper;
import app.knuckle.desktop.workbench.SlipViewModel;
import app.knuckle.formats.documents.ReportFile;
import app.knuckle.formats.documents.Taken;
import app.knuckle.formats.report.Block;
import app.knuckle.formats.report.PageSettings;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;

/** The Write-up joint: the page as it will be taken away, and what stands on it. */
public final class WriteUpView extends HBox {

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
    page.setMaxWidth(Paper.WIDTH);
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
    Clip.put(Taken.of(model.shownProperty().get().page().blocks()));
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
        .ifPresent(
            file ->
                FileDialogs.write(
                    getScene().getWindow(),
                    model::say,
                    (replace, refused) -> model.write(kind, file.toPath(), replace, refused)));
  }

  private void show(WriteUpViewModel.Shown made) {
    if (made == null) {
      return;
    }
    asked.show(made.settings());
    List<Node> nodes = new ArrayList<>();
    int tables = 0;
    for (PageSettings.Slot slot : made.slots()) {
      tables += slot.block() instanceof Block.Table ? 1 : 0;
      nodes.add(new BlockView(model, slot, Paper.of(slot.block(), tables)));
    }
    page.getChildren().setAll(nodes);
    String wanted = model.focused();
    nodes.stream()
        .filter(node -> node.getId().equals("block-" + wanted.replace(' ', '-')))
        .findFirst()
        .ifPresent(Node::requestFocus);
  }
}
