package app.knuckle.desktop.test;

import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;

/** A small drawing in a cell of a table, made of styled rectangles. */
abstract class CellDrawing extends Pane {

  CellDrawing(double width, double height) {
    setMinSize(width, height);
    setPrefSize(width, height);
    setMaxSize(width, height);
  }

  final void add(String styleClass, double x, double y, double width, double height) {
    Region part = new Region();
    part.getStyleClass().add(styleClass);
    part.setManaged(false);
    part.resizeRelocate(x, y, width, height);
    getChildren().add(part);
  }
}
