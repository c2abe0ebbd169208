package app.knuckle.desktop.sentence;

import app.knuckle.desktop.controls.SlotChooser.Option;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.Supplier;

/** A piece of a sentence. */
public sealed interface Piece {

  /**
   * Words as they stand.
   *
   * @param text with the blanks around it
   */
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

  /**
   * Something to type, which is heard at every keystroke.
   *
   * @param id to find it by
   * @param text as it stands
   * @param what it is, for who cannot see the sentence, and while it is empty
   * @param typed told of what stands there; false if it makes no sense
   */
  record Typed(String id, String text, String what, Predicate<String> typed) implements Piece {}

  /**
   * A chip that does one thing.
   *
   * @param id to find it by
   * @param text on it
   * @param run does it
   */
  record Act(String id, String text, Runnable run) implements Piece {}

  /**
   * A way to take something out of the sentence.
   *
   * @param id to find it by
   * @param what it does
   * @param run does it
   */
  record Out(String id, String what, Runnable run) implements Piece {}
}
