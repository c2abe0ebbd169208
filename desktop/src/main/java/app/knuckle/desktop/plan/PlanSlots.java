package app.knuckle.desktop.plan;

import app.knuckle.desktop.controls.SlotChooser.Option;
import app.knuckle.desktop.sentence.Piece;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.plan.Plan;
import app.knuckle.study.plan.PlanDraft;
import app.knuckle.study.table.NumberText;
import app.knuckle.study.words.Numerals;
import app.knuckle.study.words.Phrases;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.function.Supplier;

/** Slots of a plan's sentence: names, numbers, lists, choices. */
final class PlanSlots {

  private final List<Piece> pieces;
  private final PlanChange change;

  /** What a choice does. */
  interface Draft extends Consumer<PlanDraft> {}

  /** What becomes of some treatments. */
  interface Listed {
    /** Gives them their part. */
    void set(PlanDraft draft, List<String> of);
  }

  PlanSlots(List<Piece> pieces, PlanChange change) {
    this.pieces = pieces;
    this.change = change;
  }

  void words(String text) {
    pieces.add(new Piece.Words(text));
  }

  /** Words that stand for something of the plan, not to be changed here. */
  void fixed(String text) {
    pieces.add(new Piece.Words(text));
  }

  /** A name, which is needed. */
  void name(String id, String now, String what, BiConsumer<PlanDraft, String> set) {
    pieces.add(
        new Piece.Typed(
            id,
            now,
            what,
            text -> !text.isBlank() && change.change(id, d -> set.accept(d, text.strip()))));
  }

  /** Words that may be missing. */
  void anything(String id, String now, String what, BiConsumer<PlanDraft, String> set) {
    pieces.add(
        new Piece.Typed(
            id, now, what, text -> change.change(id, d -> set.accept(d, text.strip()))));
  }

  void number(String id, double now, String what, BiConsumer<PlanDraft, Double> set) {
    pieces.add(
        new Piece.Typed(
            id,
            Numerals.plain(now),
            what,
            text -> {
              double value = NumberText.parse(text.strip(), text.indexOf(',') >= 0);
              return Double.isFinite(value) && change.change(id, d -> set.accept(d, value));
            }));
  }

  void count(String id, int now, String what, BiConsumer<PlanDraft, Integer> set) {
    pieces.add(
        new Piece.Typed(
            id,
            String.valueOf(now),
            what,
            text -> {
              double value = NumberText.parse(text.strip(), false);
              return value >= 1
                  && value == (int) value
                  && change.change(id, d -> set.accept(d, (int) value));
            }));
  }

  /** Names with commas between them. */
  void list(String id, List<String> now, String what, BiConsumer<PlanDraft, List<String>> set) {
    pieces.add(
        new Piece.Typed(
            id,
            String.join(", ", now),
            what,
            text -> {
              List<String> names =
                  Arrays.stream(text.split("[,;]"))
                      .map(String::strip)
                      .filter(name -> !name.isEmpty())
                      .toList();
              return change.change(id, d -> set.accept(d, names));
            }));
  }

  void choice(String id, String now, Supplier<Map<Option, Draft>> options) {
    pieces.add(
        new Piece.Slot(
            id,
            now,
            false,
            () -> List.copyOf(options.get().keySet()),
            null,
            option -> change.change(id, options.get().get(option))));
  }

  void out(String id, String what, Draft out) {
    pieces.add(new Piece.Out(id, what, () -> change.change(id, out)));
  }

  static Option option(String title, String line) {
    return new Option(title, title, line, List.of(), false);
  }

  /** Some of the treatments, few before many. */
  static List<List<String>> subsets(Plan plan, int most) {
    List<String> names = List.copyOf(plan.treatments().keySet());
    List<List<String>> all = new ArrayList<>();
    for (int bits = 1; bits < 1 << names.size(); bits++) {
      List<String> of = new ArrayList<>();
      for (int t = 0; t < names.size(); t++) {
        if ((bits & 1 << t) != 0) {
          of.add(names.get(t));
        }
      }
      if (of.size() <= most) {
        all.add(List.copyOf(of));
      }
    }
    all.sort((a, b) -> Integer.compare(a.size(), b.size()));
    return all;
  }

  static String procedure(Procedure procedure) {
    return procedure == Procedure.NONE ? "nothing but its own test" : Phrases.title(procedure);
  }

  /** When a layout serves. */
  static String purpose(Plan.Layout layout) {
    return switch (layout) {
      case COMPLETELY_RANDOMISED -> "all plots are alike: anything may lie anywhere";
      case COMPLETE_BLOCKS -> "plots differ from place to place: every combination in each block";
      case LATIN_SQUARE -> "plots differ along two directions: once in each row and column";
      case INCOMPLETE_BLOCKS -> "many combinations, and blocks that hold only some of them";
      case SPLIT_PLOT -> "one treatment needs large plots, the other lies within them";
      case SPLIT_BLOCK -> "two treatments in strips that cross";
      case REPEATED -> "the same unit is measured on every occasion";
      case PAIRS -> "two treatments side by side";
    };
  }
}
