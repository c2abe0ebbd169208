package app.knuckle.desktop.layout;

import app.knuckle.desktop.controls.SlotChooser.Option;
import app.knuckle.desktop.shell.Answer;
import app.knuckle.desktop.shell.SlipViewModel;
import app.knuckle.stats.compare.Direction;
import app.knuckle.study.design.FirstGuess;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.Inquiry.Draft;
import app.knuckle.study.design.Inquiry.Method;
import app.knuckle.study.design.Inquiry.Terms;
import app.knuckle.study.design.Redesign;
import app.knuckle.study.table.Column;
import app.knuckle.study.table.NumberText;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiConsumer;
import java.util.function.Consumer;

/** What the design sentence says, what can be chosen in it, and what a choice does. */
final class LayoutViewModel {

  private static final List<Double> LEVELS = List.of(0.1, 0.05, 0.01, 0.001);

  /** More heads than this are found faster by typing into a slot. */
  private static final int MOST_HEADS = 24;

  /** The choice that takes a part out of the sentence. */
  private static final String OUT = "";

  private final SlipViewModel slip;
  private final ColumnOptions columns;

  LayoutViewModel(SlipViewModel slip) {
    this.slip = slip;
    columns = new ColumnOptions(slip);
  }

  private Inquiry asked() {
    return slip.inquiry();
  }

  /** The sentence now, with its slots. */
  List<Piece> sentence(String rows) {
    List<Piece> s = new ArrayList<>();
    say(s, "We measured ");
    measured(s);
    say(s, " on " + rows + ". ");
    if (asked().treatments().isEmpty() && asked().expected() != null) {
      say(s, "Its mean is compared with ");
      s.add(
          new Piece.Slot(
              "slot-expected",
              Numerals.plain(asked().expected()),
              false,
              () -> List.of(out("compare groups instead")),
              this::ownNumber,
              o -> change(d -> d.expected = o.key().equals(OUT) ? null : number(o))));
    } else {
      treatments(s);
    }
    blocks(s);
    units(s);
    covariates(s);
    judging(s);
    return s;
  }

  private static void say(List<Piece> s, String words) {
    s.add(new Piece.Words(words));
  }

  private void measured(List<Piece> s) {
    listed(s, "slot-measured", asked().measured(), columns::measurable, (d, c) -> d.measured = c);
    if (asked().measured().isEmpty()) {
      s.add(
          new Piece.Slot(
              "slot-measured",
              "choose what was measured",
              true,
              columns::measurable,
              null,
              o -> change(d -> d.measured = List.of(o.key()))));
    }
    if (asked().measured().size() > 1) {
      say(s, ", ");
      s.add(
          choice(
              "slot-together",
              asked().together() ? "together" : "one by one",
              List.of(
                  plain("one", "one by one", "an answer for each response"),
                  plain("together", "together", "one multivariate answer, then each response")),
              o -> change(d -> d.together = o.key().equals("together"))));
    }
  }

  private void treatments(List<Piece> s) {
    List<String> treatments = asked().treatments();
    say(s, treatments.size() > 1 ? "The treatments are " : "The treatment is ");
    if (treatments.isEmpty()) {
      s.add(
          new Piece.Slot(
              "slot-treatment",
              "choose a treatment",
              true,
              columns::treatable,
              null,
              o -> change(d -> d.treatments = List.of(o.key()))));
    } else {
      listed(s, "slot-treatment", treatments, columns::treatable, (d, c) -> d.treatments = c);
    }
    if (treatments.size() > 1) {
      say(s, ", ");
      s.add(
          choice(
              "slot-terms",
              termsInWords(asked().terms()),
              List.of(
                  plain("all", "in every combination", "each effect, and whether they interact"),
                  plain("main", "each by itself", "no interactions: effects are taken to add up")),
              o -> change(d -> d.terms = o.key().equals("all") ? Terms.ALL : Terms.MAIN)));
    }
    if (asked().pairs() != null) {
      say(s, ", matched by ");
      s.add(one("slot-pairs", asked().pairs(), columns::naming, (d, c) -> d.pairs = c));
    }
  }

  private static String termsInWords(Terms terms) {
    return terms.equals(Terms.ALL)
        ? "in every combination"
        : terms.equals(Terms.MAIN) ? "each by itself" : "in chosen terms";
  }

  private void blocks(List<Piece> s) {
    List<String> blocks = asked().blocks();
    if (blocks.isEmpty()) {
      if (!asked().wholePlots().isEmpty()) {
        say(s, ", ");
        listed(s, "slot-whole", asked().wholePlots(), columns::laid, (d, c) -> d.wholePlots = c);
        say(s, " on whole plots");
      }
      say(s, ". ");
      return;
    }
    say(s, ", laid out in ");
    listed(s, "slot-block", blocks, columns::naming, (d, c) -> d.blocks = c);
    say(s, blocks.size() == 1 ? " as blocks" : " as rows and columns");
    if (!asked().wholePlots().isEmpty()) {
      say(s, ", ");
      listed(s, "slot-whole", asked().wholePlots(), columns::laid, (d, c) -> d.wholePlots = c);
      say(s, " on whole plots");
    }
    if (!asked().strips().isEmpty()) {
      say(s, ", ");
      listed(s, "slot-strips", asked().strips(), columns::laid, (d, c) -> d.strips = c);
      say(s, " in strips across the others");
    }
    say(s, ". ");
  }

  private void units(List<Piece> s) {
    if (asked().unit() == null) {
      return;
    }
    boolean seen = !asked().occasions().isEmpty();
    say(s, seen ? "Each " : "Readings of one ");
    s.add(one("slot-unit", asked().unit(), columns::naming, (d, c) -> d.unit = c));
    if (seen) {
      say(s, " was seen at every ");
      listed(s, "slot-occasion", asked().occasions(), columns::laid, (d, c) -> d.occasions = c);
      say(s, ". ");
    } else {
      say(s, " count as one, their mean. ");
    }
  }

  private void covariates(List<Piece> s) {
    if (!asked().covariates().isEmpty()) {
      say(s, "Adjust for ");
      listed(
          s, "slot-covariate", asked().covariates(), columns::numbers, (d, c) -> d.covariates = c);
      say(s, ". ");
    }
    asked()
        .reference()
        .forEach(
            (treatment, level) -> {
              say(s, "The reference of " + treatment + " is ");
              s.add(
                  choice(
                      "slot-reference-" + treatment,
                      level,
                      references(treatment),
                      o -> refer(treatment, o.key())));
              say(s, ". ");
            });
  }

  private void judging(List<Piece> s) {
    say(s, "Judge by ");
    s.add(choice("slot-method", words(asked().method()), methods(), this::judgeBy));
    say(s, " at ");
    s.add(
        new Piece.Slot(
            "slot-alpha",
            "\u03b1 = " + asked().alpha(),
            false,
            () -> LEVELS.stream().map(LayoutViewModel::level).toList(),
            this::ownLevel,
            o -> change(d -> d.alpha = Double.parseDouble(o.key()))));
    int levels =
        asked().treatments().isEmpty() ? 0 : columns.levels(asked().treatments().get(0)).size();
    if (Redesign.hasDirection(asked(), levels)) {
      say(s, ", ");
      s.add(
          choice(
              "slot-direction",
              direction(asked().direction()),
              Arrays.stream(Direction.values())
                  .map(d -> plain(d.name(), direction(d), directionLine(d)))
                  .toList(),
              o -> change(d -> d.direction = Direction.valueOf(o.key()))));
    }
    say(s, ".");
  }

  private static String direction(Direction direction) {
    return switch (direction) {
      case EITHER -> "in either direction";
      case GREATER -> "only if larger";
      case LESS -> "only if smaller";
    };
  }

  private String directionLine(Direction direction) {
    List<String> levels =
        asked().treatments().isEmpty() ? List.of() : columns.levels(asked().treatments().get(0));
    boolean two = levels.size() == 2;
    String first = two ? levels.get(0) : asked().treatments().isEmpty() ? "the mean" : "a group";
    String other =
        two ? levels.get(1) : asked().expected() != null ? "what is expected" : "the reference";
    return switch (direction) {
      case EITHER -> "the usual question";
      case GREATER -> first + " above " + other;
      case LESS -> first + " below " + other;
    };
  }

  private static String words(Method method) {
    return switch (method) {
      case LEAST_SQUARES -> "least squares";
      case UNEQUAL_SPREAD -> "each group's own spread";
      case RANKS -> "ranks";
      case PERMUTATION -> "permutation";
    };
  }

  private static String use(Method method) {
    return switch (method) {
      case LEAST_SQUARES -> "bell-shaped residuals of equal spread; the usual way";
      case UNEQUAL_SPREAD -> "when groups do not spread alike";
      case RANKS -> "scores, or values far from bell-shaped";
      case PERMUTATION -> "few values, no shape taken for granted";
    };
  }

  private List<Option> methods() {
    return Arrays.stream(Method.values())
        .map(
            m -> {
              String not = Redesign.whyNot(asked(), m);
              return plain(m.name(), words(m), not == null ? use(m) : "does not fit: " + not);
            })
        .toList();
  }

  private void judgeBy(Option option) {
    Method method = Method.valueOf(option.key());
    if (Redesign.whyNot(asked(), method) == null) {
      change(d -> d.method = method);
    }
  }

  /** What the sentence has no word of yet, and could have. */
  List<Piece> additions() {
    Inquiry i = asked();
    List<Piece> more = new ArrayList<>();
    boolean some = !i.measured().isEmpty();
    if (!some) {
      return more;
    }
    if (i.treatments().isEmpty() && i.expected() == null) {
      more.add(
          new Piece.Slot(
              "add-expected",
              "+ an expected value",
              false,
              List::of,
              this::ownNumber,
              o -> change(d -> d.expected = number(o))));
      return more;
    }
    more.add(
        add(
            "add-measured",
            "+ a response",
            columns::measurable,
            (d, c) -> d.measured = c,
            i.measured()));
    if (i.expected() == null) {
      more.add(
          add(
              "add-treatment",
              "+ a treatment",
              columns::treatable,
              (d, c) -> d.treatments = c,
              i.treatments()));
      if (i.blocks().size() < 2) {
        more.add(
            add(
                "add-block",
                i.blocks().isEmpty() ? "+ blocks" : "+ columns across the blocks",
                columns::naming,
                (d, c) -> d.blocks = c,
                i.blocks()));
      }
      more.add(
          add(
              "add-covariate",
              "+ a covariate",
              columns::numbers,
              (d, c) -> d.covariates = c,
              i.covariates()));
      addUnits(i, more);
      if (i.reference().isEmpty() && i.treatments().size() == 1 && i.pairs() == null) {
        String treatment = i.treatments().get(0);
        more.add(
            choice(
                "add-reference",
                "+ a reference",
                references(treatment).subList(1, references(treatment).size()),
                o -> refer(treatment, o.key())));
      }
    }
    return more;
  }

  private void addUnits(Inquiry i, List<Piece> more) {
    if (i.unit() == null) {
      more.add(
          new Piece.Slot(
              "add-unit",
              "+ a repeated unit",
              false,
              () -> free(columns::naming, List.of()),
              null,
              o -> change(d -> PlainAnswers.seenRepeatedly(slip, d, o.key()))));
    } else if (i.occasions().isEmpty()) {
      more.add(
          add("add-occasion", "+ occasions", columns::laid, (d, c) -> d.occasions = c, List.of()));
    }
    if (i.wholePlots().isEmpty() && i.treatments().size() > 1 && i.occasions().isEmpty()) {
      more.add(
          add("add-whole", "+ whole plots", columns::laid, (d, c) -> d.wholePlots = c, List.of()));
    }
    boolean crossing = i.treatments().size() > 1 && i.blocks().size() == 1;
    if (crossing && i.wholePlots().isEmpty() && i.strips().isEmpty() && i.unit() == null) {
      more.add(
          add("add-strips", "+ strips across", columns::laid, (d, c) -> d.strips = c, List.of()));
    }
    boolean two = i.treatments().size() == 1 && columns.levels(i.treatments().get(0)).size() == 2;
    if (i.pairs() == null && two && i.blocks().isEmpty() && i.unit() == null) {
      more.add(
          new Piece.Slot(
              "add-pairs",
              "+ matched pairs",
              false,
              () -> free(columns::naming, List.of()),
              null,
              o -> change(d -> d.pairs = o.key())));
    }
  }

  // Slots of one column, of several, and of a few words.

  private void listed(
      List<Piece> s,
      String id,
      List<String> now,
      java.util.function.Supplier<List<Option>> options,
      BiConsumer<Draft, List<String>> set) {
    for (int i = 0; i < now.size(); i++) {
      int place = i;
      say(s, i == 0 ? "" : i == now.size() - 1 ? " and " : ", ");
      boolean only = now.size() == 1 && (id.equals("slot-measured") || id.equals("slot-treatment"));
      s.add(
          new Piece.Slot(
              i == 0 ? id : id + "-" + (i + 1),
              now.get(i),
              false,
              () -> only && !id.equals("slot-treatment") ? options.get() : withOut(options.get()),
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

  private Piece one(
      String id,
      String column,
      java.util.function.Supplier<List<Option>> options,
      BiConsumer<Draft, String> set) {
    return new Piece.Slot(
        id,
        column,
        false,
        () -> withOut(options.get()),
        null,
        o -> change(d -> set.accept(d, o.key().equals(OUT) ? null : o.key())));
  }

  private Piece add(
      String id,
      String text,
      java.util.function.Supplier<List<Option>> options,
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

  private static Piece choice(
      String id, String text, List<Option> options, Consumer<Option> chosen) {
    return new Piece.Slot(id, text, false, () -> options, null, chosen);
  }

  private static List<Option> withOut(List<Option> options) {
    List<Option> all = new ArrayList<>(options);
    all.add(0, out("take it out of the sentence"));
    return all;
  }

  private static Option out(String line) {
    return new Option(OUT, "leave it out", line, List.of(), false);
  }

  private static Option plain(String key, String title, String line) {
    return new Option(key, title, line, List.of(), false);
  }

  /** Columns that do not play the part yet. */
  private static List<Option> free(
      java.util.function.Supplier<List<Option>> options, List<String> taken) {
    return options.get().stream().filter(o -> !taken.contains(o.key())).toList();
  }

  private List<Option> references(String treatment) {
    List<Option> options = new ArrayList<>(List.of(out("compare all with all")));
    columns.levels(treatment).forEach(level -> options.add(plain(level, level, "")));
    return options;
  }

  private void refer(String treatment, String level) {
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
              level.equals(OUT) ? List.of() : List.of(againstReference(d.method, treatment));
        });
  }

  private static Inquiry.Compare againstReference(Method method, String treatment) {
    var procedure =
        method == Method.RANKS
            ? app.knuckle.stats.compare.Procedure.STEEL
            : app.knuckle.stats.compare.Procedure.DUNNETT;
    return new Inquiry.Compare(List.of(treatment), List.of(), true, procedure, List.of(), 0, "");
  }

  private static Option level(double alpha) {
    String line =
        alpha == Inquiry.USUAL_ALPHA
            ? "the usual level"
            : alpha > Inquiry.USUAL_ALPHA ? "more easily content" : "stricter";
    return plain(String.valueOf(alpha), "\u03b1 = " + alpha, line);
  }

  /** A level of the user's own; null when what was typed is none. */
  private Option ownLevel(String typed) {
    String bare = typed.replace("\u03b1", "").replace("=", "").strip();
    double alpha = NumberText.parse(bare, bare.indexOf(',') >= 0);
    return alpha > 0 && alpha < 1
        ? plain(String.valueOf(alpha), "\u03b1 = " + alpha, "your own level")
        : null;
  }

  private Option ownNumber(String typed) {
    double value = NumberText.parse(typed, typed.indexOf(',') >= 0);
    return Double.isFinite(value)
        ? plain(String.valueOf(value), typed, "the value expected")
        : null;
  }

  private static double number(Option option) {
    return Double.parseDouble(option.key());
  }

  /** The columns by name; none where they are too many to be seen at once. */
  List<String> columnNames() {
    Answer answer = slip.answer();
    return answer == null || answer.frame() == null || answer.frame().columns().size() > MOST_HEADS
        ? List.of()
        : answer.frame().columns().stream().map(Column::name).toList();
  }

  /** Terms of the model. */
  TermChips terms() {
    return new TermChips(slip);
  }

  /** What three plain answers lead to. */
  PlainAnswers plainly() {
    return new PlainAnswers(slip, this::change);
  }

  /** A slip that was named after its question is named after the new one; own names stay. */
  private void change(Consumer<Draft> what) {
    Inquiry changed = Redesign.of(asked(), what);
    boolean own = !asked().name().equals(nameOf(asked()));
    slip.inquiryProperty().set(own ? changed : changed.named(nameOf(changed)));
  }

  private String nameOf(Inquiry inquiry) {
    if (slip.answer() == null || slip.answer().frame() == null) {
      return inquiry.name();
    }
    return FirstGuess.name(inquiry, slip.answer().frame());
  }
}
