package app.knuckle.desktop.controls;

import java.util.List;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.scene.control.ComboBox;
import javafx.util.StringConverter;

/**
 * One of several options, in a list that opens.
 *
 * @param <T> what is chosen
 */
public final class Pick<T> extends ComboBox<T> {

  private boolean showing;

  /**
   * A list.
   *
   * @param id of the control
   * @param title of an option
   * @param chosen told of every choice by the user
   */
  public Pick(String id, Function<T, String> title, Consumer<T> chosen) {
    setId(id);
    setConverter(
        new StringConverter<>() {
          @Override
          public String toString(T option) {
            return option == null ? "" : title.apply(option);
          }

          @Override
          public T fromString(String text) {
            return null; // Nothing is typed here.
          }
        });
    setOnAction(
        event -> {
          if (!showing && getValue() != null) {
            chosen.accept(getValue());
          }
        });
  }

  /**
   * Shows the options and which is chosen, without telling anybody.
   *
   * @param options to choose from
   * @param option the chosen one; null for none
   * @return this
   */
  public Pick<T> show(List<T> options, T option) {
    showing = true;
    if (!getItems().equals(options)) {
      getItems().setAll(options);
    }
    setValue(option);
    showing = false;
    return this;
  }
}
