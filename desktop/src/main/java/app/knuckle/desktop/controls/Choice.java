package app.knuckle.desktop.controls;

import java.util.List;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.FlowPane;

/**
 * A few options side by side, one of them chosen; in several rows where there is no room for one.
 *
 * @param <T> what is chosen
 */
public final class Choice<T> extends FlowPane {

  private final ToggleGroup group = new ToggleGroup();

  /**
   * A choice.
   *
   * @param id of the whole; options get it with their number
   * @param options to choose from
   * @param title of an option
   * @param chosen told of every choice by the user
   */
  public Choice(String id, List<T> options, Function<T, String> title, Consumer<T> chosen) {
    setId(id);
    getStyleClass().add("choice");
    for (T option : options) {
      ToggleButton button = new ToggleButton(title.apply(option));
      button.setId(id + "-" + options.indexOf(option));
      button.setUserData(option);
      button.setMnemonicParsing(false);
      button.setToggleGroup(group);
      button.getStyleClass().add("choice-option");
      button.setMinWidth(USE_PREF_SIZE);
      if (option.equals(options.get(0))) {
        button.getStyleClass().add("choice-first");
      }
      button.setOnAction(
          event -> {
            // A second click on the chosen option must not leave nothing chosen.
            button.setSelected(true);
            chosen.accept(option);
          });
      getChildren().add(button);
    }
  }

  /** All options in one row, where there is room for it. */
  @Override
  protected double computePrefWidth(double height) {
    return snappedLeftInset()
        + getManagedChildren().stream().mapToDouble(option -> snapSizeX(option.prefWidth(-1))).sum()
        + snappedRightInset();
  }

  /**
   * Shows which option is chosen, without telling anybody.
   *
   * @param option one of the options; null for none
   */
  public void show(T option) {
    group.getToggles().forEach(t -> t.setSelected(t.getUserData().equals(option)));
  }
}
