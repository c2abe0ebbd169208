package app.knuckle.desktop.paper;

import app.knuckle.desktop.controls.Picture;
import app.knuckle.desktop.controls.TextGrid;
import app.knuckle.desktop.controls.Texts;
import app.knuckle.figures.scene.Scene;
import app.knuckle.formats.report.Block;
import app.knuckle.study.words.Prose;
import javafx.scene.Node;
import javafx.scene.layout.VBox;
import javafx.scene.text.Text;
import javafx.scene.text.TextFlow;
import javafx.scene.transform.Shear;

/** Sets the blocks of a page. */
public final class Paper {

  /** How wide a page is, in pixels. */
  public static final double WIDTH = 640;

  /** More rows of a table than this are in the files, not on screen. */
  private static final int MOST_ROWS = 60;

  /** How far an upright letter leans, as a share of its height. */
  private static final double LEAN = -0.2;

  private Paper() {}

  /**
   * A block as it looks.
   *
   * @param block of a page
   * @param number of a table among the tables
   * @return the node
   */
  public static Node of(Block block, int number) {
    if (block instanceof Block.Heading heading) {
      return Texts.wrapped(heading.text(), heading.level() == 1 ? "page-title" : "page-head");
    }
    if (block instanceof Block.Paragraph paragraph) {
      return paragraph(paragraph);
    }
    if (block instanceof Block.Table table) {
      return table(table, number);
    }
    return figure((Block.Figure) block);
  }

  private static TextFlow paragraph(Block.Paragraph paragraph) {
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

  private static VBox table(Block.Table table, int number) {
    TextGrid grid = new TextGrid(table.heads(), 1);
    table.rows().stream().limit(MOST_ROWS).forEach(row -> grid.addRow(row, "text-grid-row"));
    VBox box =
        new VBox(
            Texts.wrapped("Table " + number + ". " + table.caption(), "page-caption"),
            grid.withinPage());
    int more = table.rows().size() - MOST_ROWS;
    if (more > 0) {
      box.getChildren().add(Texts.wrapped(more + " more rows in what is taken away", "page-note"));
    }
    if (!table.note().isEmpty()) {
      box.getChildren().add(Texts.wrapped(table.note(), "page-note"));
    }
    return box;
  }

  private static VBox figure(Block.Figure block) {
    Scene scene = block.picture();
    Picture picture = new Picture();
    double tall = WIDTH * 0.8 * scene.height() / scene.width();
    picture.setMinHeight(tall);
    picture.setPrefHeight(tall);
    picture.show((w, h) -> scene, dot -> "");
    return new VBox(picture, Texts.wrapped("Figure 1. " + block.caption(), "page-note"));
  }
}
