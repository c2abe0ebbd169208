package app.knuckle.desktop.window;

import app.knuckle.desktop.controls.Texts;
import app.knuckle.desktop.workbench.Banner;
import javafx.beans.property.ObjectProperty;
import javafx.css.PseudoClass;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;

/** Shows the message above the joint. */
final class BannerView extends HBox {

  private static final PseudoClass TROUBLE = PseudoClass.getPseudoClass("trouble");

  private final ObjectProperty<Banner> banner;

  BannerView(ObjectProperty<Banner> banner) {
    this.banner = banner;
    setId("banner");
    getStyleClass().add("banner");
    banner.addListener((o, before, now) -> show());
    show();
  }

  private void show() {
    Banner now = banner.get();
    setVisible(now != null);
    setManaged(now != null);
    getChildren().clear();
    if (now == null) {
      return;
    }
    pseudoClassStateChanged(TROUBLE, now.trouble());
    Label words = Texts.wrapped(now.words(), "banner-words");
    words.setId("banner-words");
    words.setMaxWidth(Double.MAX_VALUE);
    HBox.setHgrow(words, Priority.ALWAYS);
    getChildren().add(words);
    for (Banner.Way move : now.ways()) {
      add("banner-move-" + now.ways().indexOf(move), move.title(), move.action());
    }
    add("banner-dismiss", "Dismiss", () -> {});
  }

  private void add(String id, String title, Runnable action) {
    Button button = new Button(title);
    button.setId(id);
    button.getStyleClass().add("small-button");
    button.setMinWidth(USE_PREF_SIZE);
    button.setOnAction(
        event -> {
          banner.set(null);
          action.run();
        });
    getChildren().add(button);
  }
}
