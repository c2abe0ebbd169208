package app.knuckle.desktop.layout;

import app.knuckle.desktop.controls.SlotChooser.Option;
import app.knuckle.desktop.sentence.Piece;
import app.knuckle.stats.mixed.MixedModel.Denominator;
import app.knuckle.stats.mixed.MixedModel.WithinUnit;
import app.knuckle.study.design.Analysis;
import app.knuckle.study.design.Approach;
import app.knuckle.study.design.Inquiry;
import app.knuckle.study.design.RandomPart;
import app.knuckle.study.words.Numerals;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.function.UnaryOperator;

/** What the sentence says of random effects: which groupings, how readings are correlated. */
final class RandomPieces {

  /** Between the columns of a grouping in a key: no name holds it. */
  private static final String BETWEEN = "\u0000";

  private final Question question;
  private final ColumnOptions columns;
  private final Slots slots;

  RandomPieces(Question question, ColumnOptions columns, Slots slots) {
    this.question = question;
    this.columns = columns;
    this.slots = slots;
  }

  private Inquiry asked() {
    return question.inquiry();
  }

  /** Adds the words to a sentence about random effects. */
  void say(List<Piece> s) {
    List<List<String>> terms = RandomPart.of(asked());
    s.add(new Piece.Words(" At random: "));
    for (int i = 0; i < terms.size(); i++) {
      int place = i;
      s.add(new Piece.Words(i == 0 ? "" : i == terms.size() - 1 ? " and " : ", "));
      s.add(
          new Piece.Slot(
              i == 0 ? "slot-random" : "slot-random-" + (i + 1),
              String.join(" \u00d7 ", terms.get(i)),
              false,
              () -> instead(terms),
              null,
              o -> replace(terms, place, o)));
    }
    s.add(new Piece.Words(terms.isEmpty() ? "nothing by itself" : ""));
    s.add(new Piece.Words(", as they stand for more of their kind. "));
    if (asked().unit() != null && asked().occasions().size() == 1) {
      within(s);
    }
    s.add(new Piece.Words("Noise counted after "));
    s.add(
        Slots.choice(
            "slot-denominator",
            words(asked().random().denominator()),
            Arrays.stream(Denominator.values())
                .map(d -> Slots.plain(d.name(), words(d), line(d)))
                .toList(),
            o -> change(r -> r.with(Denominator.valueOf(o.key())))));
    s.add(new Piece.Words("."));
  }

  private void within(List<Piece> s) {
    s.add(new Piece.Words("Readings of one " + asked().unit() + " hang together "));
    s.add(
        Slots.choice(
            "slot-within",
            words(asked().random().within()),
            Arrays.stream(WithinUnit.values())
                .map(w -> Slots.plain(w.name(), words(w), line(w) + criterion(w)))
                .toList(),
            o -> change(r -> r.with(WithinUnit.valueOf(o.key())))));
    s.add(new Piece.Words(". "));
  }

  /** AIC of a way, where the answer has it. */
  private String criterion(WithinUnit within) {
    if (question.answer() == null || question.answer().findings() == null) {
      return "";
    }
    return question.answer().findings().first().results().tests().stream()
        .flatMap(test -> test.withRandom().stream())
        .map(mixed -> mixed.variation().criteria().get(within))
        .filter(Objects::nonNull)
        .map(aic -> "; AIC " + Numerals.fixed(aic, 1) + ", smaller is better")
        .findFirst()
        .orElse("");
  }

  /** The slot that adds a grouping to a sentence that may have no random effects yet. */
  Piece addition() {
    return new Piece.Slot(
        "add-random",
        "+ a random grouping",
        false,
        () -> groupings(RandomPart.of(asked())),
        null,
        o -> {
          List<List<String>> terms = new ArrayList<>();
          if (asked().analysis() == Analysis.MIXED) {
            terms.addAll(RandomPart.of(asked()));
          } else {
            asked().blocks().forEach(block -> terms.add(List.of(block)));
          }
          terms.add(term(o));
          slots.change(
              d -> {
                d.approach = Approach.MIXED;
                d.random = d.random.with(terms.stream().distinct().toList());
              });
        });
  }

  private static List<String> term(Option option) {
    return List.of(option.key().split(BETWEEN));
  }

  private void replace(List<List<String>> terms, int place, Option option) {
    List<List<String>> next = new ArrayList<>(terms);
    if (option.key().equals(Slots.OUT)) {
      next.remove(place);
    } else {
      next.set(place, term(option));
    }
    if (next.isEmpty()) {
      slots.change(d -> d.approach = Approach.LEAST_SQUARES);
    } else {
      change(r -> r.with(next));
    }
  }

  private void change(UnaryOperator<RandomPart> how) {
    slots.change(d -> d.random = how.apply(d.random));
  }

  private List<Option> instead(List<List<String>> terms) {
    List<Option> options = new ArrayList<>();
    options.add(
        Slots.plain(
            Slots.OUT, "as fixed", "what holds is to hold for these alone; no longer at random"));
    options.addAll(groupings(terms));
    return options;
  }

  /** Columns that name things, alone and within what is random or was done. */
  private List<Option> groupings(List<List<String>> taken) {
    Set<List<String>> all = new LinkedHashSet<>();
    List<List<String>> outer = new ArrayList<>();
    asked().blocks().forEach(block -> outer.add(List.of(block)));
    taken.stream().filter(t -> !outer.contains(t)).forEach(outer::add);
    asked().treatments().forEach(t -> outer.add(List.of(t)));
    for (Option column : columns.naming()) {
      if (!names(column)) {
        continue;
      }
      if (!asked().treatments().contains(column.key())) {
        all.add(List.of(column.key()));
      }
      for (List<String> within : outer) {
        if (!within.contains(column.key())) {
          List<String> nested = new ArrayList<>(within);
          nested.add(column.key());
          all.add(nested);
        }
      }
    }
    return all.stream()
        .filter(term -> !taken.contains(term))
        .map(
            term ->
                Slots.plain(
                    String.join(BETWEEN, term),
                    String.join(" \u00d7 ", term),
                    term.size() == 1
                        ? "each of them drawn from more of its kind"
                        : term.get(term.size() - 1)
                            + " within each "
                            + String.join(" and ", term.subList(0, term.size() - 1))))
        .toList();
  }

  /** Whether a column says which one, rather than how much. */
  private boolean names(Option column) {
    return column.category()
        || asked().blocks().contains(column.key())
        || column.key().equals(asked().unit());
  }

  private static String words(WithinUnit within) {
    return switch (within) {
      case EQUAL -> "all alike";
      case FIRST_ORDER -> "the more the nearer in time";
      case OWN_VARIANCES -> "each occasion with its own spread";
    };
  }

  private static String line(WithinUnit within) {
    return switch (within) {
      case EQUAL -> "any two readings of one unit are equally close";
      case FIRST_ORDER -> "likeness fades by the same share from one occasion to the next";
      case OWN_VARIANCES -> "readings scatter more on some occasions than on others";
    };
  }

  private static String words(Denominator denominator) {
    return switch (denominator) {
      case KENWARD_ROGER -> "Kenward and Roger";
      case SATTERTHWAITE -> "Satterthwaite";
    };
  }

  private static String line(Denominator denominator) {
    return switch (denominator) {
      case KENWARD_ROGER -> "standard errors widened as well; the careful way with few blocks";
      case SATTERTHWAITE -> "degrees of freedom alone";
    };
  }
}
