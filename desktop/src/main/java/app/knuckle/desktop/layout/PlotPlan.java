package app.knuckle.desktop.layout;

import app.knuckle.desktop.controls.Texts;
import app.knuckle.study.cells.PlotGrid;
import app.knuckle.study.words.Numerals;
import java.util.List;
import java.util.function.IntConsumer;
import javafx.geometry.HPos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/**
 * What was laid out where and how often: a cell for each group, a dot for each unit in the colour
 * and shape of its block, odd cells marked. A cell leads to its records.
 */
final class PlotPlan extends VBox {

  /** Colours and shapes repeat from here on; names stand beside them anyway. */
  private static final int HUES = 8;

  /** So many dots stand in one row at most. */
  private static final int IN_A_ROW = 6;

  PlotPlan(PlotGrid plan, IntConsumer toRecord) {
    setId("plot-plan");
    getStyleClass().add("plot-plan");
    String title =
        plan.rowsTitle().isEmpty()
            ? plan.columnsTitle()
            : plan.rowsTitle() + " down, " + plan.columnsTitle() + " across";
    getChildren().add(Texts.wrapped(title, "plan-treatment"));
    getChildren().add(plan.rowsTitle().isEmpty() ? flow(plan, toRecord) : grid(plan, toRecord));
    if (plan.moreRows() > 0) {
      getChildren()
          .add(Texts.line("and " + Numerals.whole(plan.moreRows()) + " more", "joint-line"));
    }
    if (!plan.colours().isEmpty()) {
      getChildren().add(legend(plan));
    }
  }

  /** One treatment: its groups one after another, as they fit. */
  private static FlowPane flow(PlotGrid plan, IntConsumer toRecord) {
    FlowPane plots = new FlowPane();
    plots.getStyleClass().add("plots");
    for (int c = 0; c < plan.columns().size(); c++) {
      PlotGrid.Cell cell = plan.cells().get(0).get(c);
      Button plot = cell(plan, cell, plan.columns().get(c), toRecord);
      plots.getChildren().add(plot);
    }
    return plots;
  }

  private static GridPane grid(PlotGrid plan, IntConsumer toRecord) {
    GridPane grid = new GridPane();
    grid.getStyleClass().add("plot-grid");
    for (int c = 0; c < plan.columns().size(); c++) {
      Label head = Texts.line(plan.columns().get(c), "plan-head");
      head.setMinWidth(USE_PREF_SIZE);
      GridPane.setHalignment(head, HPos.CENTER);
      grid.add(head, c + 1, 0);
    }
    for (int r = 0; r < plan.rows().size(); r++) {
      Label name = Texts.line(plan.rows().get(r), "plan-head");
      name.setMinWidth(USE_PREF_SIZE);
      GridPane.setHalignment(name, HPos.RIGHT);
      grid.add(name, 0, r + 1);
      for (int c = 0; c < plan.columns().size(); c++) {
        grid.add(cell(plan, plan.cells().get(r).get(c), "", toRecord), c + 1, r + 1);
      }
    }
    return grid;
  }

  private static Button cell(PlotGrid plan, PlotGrid.Cell cell, String name, IntConsumer toRecord) {
    VBox dots = new VBox();
    dots.getStyleClass().add("plot-dots");
    int across = across(plan);
    if (cell.n() <= PlotGrid.MOST_DOTS) {
      for (int from = 0; from < cell.colours().size(); from += across) {
        HBox row = new HBox();
        row.getStyleClass().add("plot-row");
        cell.colours().stream()
            .skip(from)
            .limit(across)
            .forEach(colour -> row.getChildren().add(dot(colour)));
        dots.getChildren().add(row);
      }
    }
    boolean single = plan.cells().stream().flatMap(r -> r.stream()).allMatch(c -> c.n() <= 1);
    boolean lone = cell.n() == 1 && !single;
    String words =
        cell.n() == 0
            ? "empty"
            : single
                ? cell.colours().get(0) < 0 ? "" : plan.colours().get(cell.colours().get(0))
                : cell.n() == 1 ? "1 row, alone" : Numerals.whole(cell.n()) + " rows";
    VBox content = new VBox();
    content.getStyleClass().add("plot-content");
    if (!name.isEmpty()) {
      content.getChildren().add(Texts.line(name, "plot-name"));
    }
    content.getChildren().add(dots);
    if (!words.isEmpty()) {
      content.getChildren().add(Texts.line(words, "plot-words"));
    }
    Button plot = new Button();
    plot.setGraphic(content);
    plot.setAccessibleText(name + " " + words);
    plot.setDisable(cell.row() < 0);
    plot.getStyleClass()
        .addAll("plot", cell.n() == 0 ? "plot-empty" : lone ? "plot-lone" : "plot-filled");
    plot.setOnAction(event -> toRecord.accept(cell.row()));
    return plot;
  }

  /** As many dots in a row as fill the rows of the fullest cell evenly. */
  private static int across(PlotGrid plan) {
    int most =
        plan.cells().stream()
            .flatMap(List::stream)
            .mapToInt(PlotGrid.Cell::n)
            .filter(n -> n <= PlotGrid.MOST_DOTS)
            .max()
            .orElse(1);
    int rows = Math.max(1, (most + IN_A_ROW - 1) / IN_A_ROW);
    return Math.max(1, (most + rows - 1) / rows);
  }

  private static Region dot(int colour) {
    Region dot = new Region();
    dot.getStyleClass().add("plot-dot");
    if (colour >= 0) {
      dot.getStyleClass().add("hue-" + colour % HUES);
    }
    return dot;
  }

  private static FlowPane legend(PlotGrid plan) {
    FlowPane legend = new FlowPane();
    legend.getStyleClass().add("plan-legend");
    legend.getChildren().add(Texts.line(plan.colourTitle() + ":", "joint-line"));
    for (int c = 0; c < Math.min(plan.colours().size(), PlotGrid.MOST_DOTS); c++) {
      HBox one = new HBox(dot(c), Texts.line(plan.colours().get(c), "joint-line"));
      one.getStyleClass().add("plan-key");
      legend.getChildren().add(one);
    }
    return legend;
  }
}
