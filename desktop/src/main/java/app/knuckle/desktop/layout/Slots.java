package app.knuckle.desktop.layout;

import app.knuckle.desktop.controls.SlotChooser.Option;
import app.knuckle.desktop.sentence.Piece;
import app.knuckle.stats.compare.Procedure;
import app.knuckle.study.design.Analysis;
import app.knuckle.study.design.Compare;
import app.knuckle.study.design.Inquiry.Draft;
import app.knuckle.study.table.NumberText;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.function.Supplier;

/** Slots of one column, of several, of a few words, of a number. */
final class Slots {

  /** The choice that takes a part out of the sentence. */
  static final String OUT = "";

  private final ColumnOptions columns;
  private final Consumer<Consumer<Draft>> change;

  /**
   * Slots that change a sentence.
   *
   * @param columns what can be chosen
   * @param change changes the sentence
   */
  Slots(ColumnOptions columns, Consumer<Consumer<Draft>> change) {
    this.columns = columns;
    this.change = change;
  }

  void change(Consumer<Draft> what) {
    change.accept(what);
  }

  void listed(
      List<Piece> s,
      String id,
      List<String> now,
      Supplier<List<Option>> options,
      BiConsumer<Draft, List<String>> set) {
    for (int i = 0; i < now.size(); i++) {
      int place = i;
      s.add(new Piece.Words(i == 0 ? "" : i == now.size() - 1 ? " and " : ", "));
      boolean needed = now.size() == 1 && id.equals("slot-measured");
      s.add(
          new Piece.Slot(
              i == 0 ? id : id + "-" + (i + 1),
              now.get(i),
              false,
              () -> needed ? options.get() : withOut(options.get()),
              null,
              o -> {
                List<String> next = new ArrayList<>(now);
                if (o.key().equals(OUT)) {
                  next.remove(place);
                } else {
                  next.set(place, o.key());
                }
                change(d -> set.accept(d, next));
              }));
    }
  }

  Piece one(
      String id, String column, Supplier<List<Option>> options, BiConsumer<Draft, String> set) {
    return new Piece.Slot(
        id,
        column,
        false,
        () -> withOut(options.get()),
        null,
        o -> change(d -> set.accept(d, o.key().equals(OUT) ? null : o.key())));
  }

  Piece add(
      String id,
      String text,
      Supplier<List<Option>> options,
      BiConsumer<Draft, List<String>> set,
      List<String> before) {
    return new Piece.Slot(
        id,
        text,
        false,
        () -> free(options, before),
        null,
        o -> {
          List<String> next = new ArrayList<>(before);
          next.add(o.key());
          change(d -> set.accept(d, next));
        });
  }

  static Piece choice(String id, String text, List<Option> options, Consumer<Option> chosen) {
    return new Piece.Slot(id, text, false, () -> options, null, chosen);
  }

  static List<Option> withOut(List<Option> options) {
    List<Option> all = new ArrayList<>(options);
    all.add(0, out("take it out of the sentence"));
    return all;
  }

  static Option out(String line) {
    return new Option(OUT, "leave it out", line, List.of(), false);
  }

  static Option plain(String key, String title, String line) {
    return new Option(key, title, line, List.of(), false);
  }

  /** Columns that do not play the part yet. */
  static List<Option> free(Supplier<List<Option>> options, List<String> taken) {
    return options.get().stream().filter(o -> !taken.contains(o.key())).toList();
  }

  List<Option> references(String treatment) {
    List<Option> options = new ArrayList<>(List.of(out("compare all with all")));
    columns.levels(treatment).forEach(level -> options.add(plain(level, level, "")));
    return options;
  }

  void refer(String treatment, String level) {
    change(
        d -> {
          Map<String, String> reference = new LinkedHashMap<>(d.reference);
          if (level.equals(OUT)) {
            reference.remove(treatment);
          } else {
            reference.put(treatment, level);
          }
          d.reference = reference;
          d.compare =
              level.equals(OUT)
                  ? List.of()
                  : List.of(againstReference(d.approach.analysis(), treatment));
        });
  }

  private static Compare againstReference(Analysis analysis, String treatment) {
    var procedure = analysis == Analysis.RANKS ? Procedure.STEEL : Procedure.DUNNETT;
    return new Compare(List.of(treatment), List.of(), true, procedure, List.of(), 0, "");
  }

  static Option ownNumber(String typed) {
    double value = NumberText.parse(typed, typed.indexOf(',') >= 0);
    return Double.isFinite(value)
        ? plain(String.valueOf(value), typed, "the value expected")
        : null;
  }

  static double number(Option option) {
    return Double.parseDouble(option.key());
  }
}
