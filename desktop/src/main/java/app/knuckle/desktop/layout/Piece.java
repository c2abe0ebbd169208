package app.knuckle.desktop.layout;

import app.knuckle.desktop.controls.SlotChooser.Option;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;

/** A piece of the design sentence. */
sealed interface Piece {

  /** Words as they stand. */
  record Words(String text) implements Piece {}

  /**
   * Something to choose.
   *
   * @param id to find it by
   * @param text the choice, or what to choose
   * @param gap whether the sentence needs it and it is not chosen yet
   * @param options to choose among
   * @param own makes an option of what was typed; null for none
   * @param chosen told of the choice
   */
  record Slot(
      String id,
      String text,
      boolean gap,
      Supplier<List<Option>> options,
      Function<String, Option> own,
      Consumer<Option> chosen)
      implements Piece {}
}
