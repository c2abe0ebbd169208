package app.knuckle.desktop.layout;

import app.knuckle.desktop.controls.Texts;
import java.util.Locale;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** What was laid out how often: a cell for each group, a dot for each unit, odd cells marked. */
final class PlotPlan extends VBox {

  PlotPlan(LayoutPage page) {
    setId("plot-plan");
    getStyleClass().add("plot-plan");
    getChildren().add(Texts.wrapped(page.treatment(), "plan-treatment"));
    FlowPane plots = new FlowPane();
    plots.getStyleClass().add("plots");
    page.plots().forEach(plot -> plots.getChildren().add(cell(plot)));
    getChildren().add(plots);
    if (page.more() > 0) {
      getChildren().add(Texts.line("and " + page.more() + " more groups", "joint-line"));
    }
  }

  private static VBox cell(LayoutPage.Plot plot) {
    Label name = Texts.line(plot.name(), "plot-name");
    FlowPane dots = new FlowPane();
    dots.getStyleClass().add("plot-dots");
    for (int i = 0; i < plot.dots(); i++) {
      Region dot = new Region();
      dot.getStyleClass().add("plot-dot");
      dots.getChildren().add(dot);
    }
    VBox cell = new VBox(name, dots, Texts.line(plot.words(), "plot-words"));
    cell.getStyleClass().addAll("plot", "plot-" + plot.state().name().toLowerCase(Locale.ROOT));
    return cell;
  }
}
